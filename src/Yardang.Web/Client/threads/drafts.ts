// What is being written and is not put up yet: kept on this device, so that a reload, a crash or a move to another page loses none of it.

import type { Attachment } from '../wire/forms';

const SHOWN = '-shown';

export class Drafts {
  private readonly texts = new Map<string, string>();
  private readonly attachments = new Map<string, readonly Attachment[]>();

  /** @param prefix of the keys under which the device keeps them; empty for not at all. */
  constructor(private readonly prefix: string) {}

  /** Of one person on one wall. */
  static keptFor = (who: string, wall: string) => new Drafts(`yardang-draft-${who}-${wall}-`);

  /** Of a new card under a topic. */
  static under = (topic: number) => `topic-${topic}`;

  /** Of other words for a card. */
  static of = (card: number) => `card-${card}`;

  /** Of an answer to a card, or to another answer to it; of one kind, where it is answered in pairs. */
  static answering = (card: number, to: number, says = 0) => `answering-${card}-${to}${says ? `-${says}` : ''}`;

  /** Of other words for an answer. */
  static ofAnswer = (card: number, answer: number) => `answer-${card}-${answer}`;

  /** Of why somebody scores a card so, or of the words on which it rests. */
  static scoring = (card: number, areWords = false) => `scoring-${card}${areWords ? '-words' : ''}`;

  /** Of why the seal of a card is to be broken. */
  static ofSeal = (card: number) => `seal-${card}`;

  /** Of what goes on a page once all of it is there. */
  static onPage = (page: number) => `page-${page}`;

  /** Of the cards from which a new one grows, by their ids. */
  static from = (topic: number) => `from-${topic}`;

  /** The words. */
  get(place: string): string {
    const known = this.texts.get(place);
    if (known !== undefined) return known;
    const kept = this.kept(place);
    this.texts.set(place, kept);
    return kept;
  }

  set(place: string, text: string): void {
    this.texts.set(place, text);
    this.keep(place, text);
  }

  /** What is to be shown beside the words. */
  shown(place: string): readonly Attachment[] {
    const known = this.attachments.get(place);
    if (known) return known;
    const kept = this.kept(place + SHOWN);
    const shown = kept ? (JSON.parse(kept) as Attachment[]) : [];
    this.attachments.set(place, shown);
    return shown;
  }

  show(place: string, shown: readonly Attachment[]): void {
    this.attachments.set(place, shown);
    this.keep(place + SHOWN, shown.length > 0 ? JSON.stringify(shown) : '');
  }

  /** What is like this is beside no words any more. */
  takeOff(isSo: (attachment: Attachment) => boolean): void {
    for (const [place, shown] of this.attachments)
      if (shown.some(isSo))
        this.show(
          place,
          shown.filter((a) => !isSo(a)),
        );
  }

  /** What is known of something only now is known wherever it is shown. */
  change(changed: (attachment: Attachment) => Attachment): void {
    for (const [place, shown] of this.attachments) {
      const now = shown.map(changed);
      if (now.some((a, i) => a !== shown[i])) this.show(place, now);
    }
  }

  isBegun(place: string): boolean {
    return this.get(place).trim() !== '' || this.shown(place).length > 0;
  }

  clear(place: string): void {
    this.set(place, '');
    this.show(place, []);
  }

  /** Gives back what could not be put up, before whatever was written since. */
  giveBack(place: string, text: string, shown: readonly Attachment[] = []): void {
    const since = this.get(place);
    this.set(place, since.trim() ? `${text}\n${since}` : text);
    if (shown.length > 0) this.show(place, [...shown, ...this.shown(place)]);
  }

  private kept(key: string): string {
    return this.prefix ? (localStorage.getItem(this.prefix + key) ?? '') : '';
  }

  private keep(key: string, text: string): void {
    if (!this.prefix) return;
    try {
      if (text) localStorage.setItem(this.prefix + key, text);
      else localStorage.removeItem(this.prefix + key);
    } catch (full) {
      console.warn('This device has no room for what is being written; this page still has it.', full);
    }
  }
}
