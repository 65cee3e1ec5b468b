// What is being written and is not put up yet: kept on this device, so that a reload, a crash or a move to another page loses none of it.

export class Drafts {
  private readonly texts = new Map<string, string>();

  /** @param prefix of the keys under which the device keeps them; empty for not at all. */
  constructor(private readonly prefix: string) {}

  /** Of one person on one wall. */
  static keptFor = (who: string, wall: string) => new Drafts(`yardang-draft-${who}-${wall}-`);

  /** Of a new card under a topic. */
  static under = (topic: number) => `topic-${topic}`;

  /** Of other words for a card. */
  static of = (card: number) => `card-${card}`;

  /** Of an answer to a card, or to another answer to it. */
  static answering = (card: number, to: number) => `answering-${card}-${to}`;

  /** Of other words for an answer. */
  static ofAnswer = (card: number, answer: number) => `answer-${card}-${answer}`;

  get(place: string): string {
    const known = this.texts.get(place);
    if (known !== undefined) return known;
    const kept = this.prefix ? (localStorage.getItem(this.prefix + place) ?? '') : '';
    this.texts.set(place, kept);
    return kept;
  }

  set(place: string, text: string): void {
    this.texts.set(place, text);
    if (!this.prefix) return;
    try {
      if (text) localStorage.setItem(this.prefix + place, text);
      else localStorage.removeItem(this.prefix + place);
    } catch (full) {
      console.warn('This device has no room for what is being written; this page still has it.', full);
    }
  }

  /** Gives back what could not be put up, before whatever was written since. */
  giveBack(place: string, text: string): void {
    const since = this.get(place);
    this.set(place, since.trim() ? `${text}\n${since}` : text);
  }
}
