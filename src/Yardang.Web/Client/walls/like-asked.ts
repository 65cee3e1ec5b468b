// What was asked before, looked up while a question is typed. It is a help: without a network there is none, and nothing waits for it.

const PAUSE_MS = 350;
const SHORTEST = 6;

export class LikeAsked {
  /** The ids of what was found for what is typed now. */
  found: readonly number[] = [];
  private asked = '';
  private turn = 0;
  private timer: ReturnType<typeof setTimeout> | undefined;

  /**
   * @param address where it is looked up; empty for nowhere.
   * @param token what shows the server that this page asks.
   * @param changed something else was found.
   */
  constructor(
    private readonly address: string,
    private readonly token: string,
    private readonly changed: () => void,
  ) {}

  /** Looks up what is typed, at the first pause. */
  look(text: string): void {
    const wanted = text.trim();
    if (wanted === this.asked) return;
    this.asked = wanted;
    clearTimeout(this.timer);
    if (wanted.length < SHORTEST || !this.address) this.take(++this.turn, []);
    else this.timer = setTimeout(() => void this.fetch(++this.turn, wanted), PAUSE_MS);
  }

  private async fetch(turn: number, text: string): Promise<void> {
    const answer = await fetch(this.address, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', RequestVerificationToken: this.token },
      body: JSON.stringify({ text }),
    }).catch(() => null);
    this.take(turn, answer?.ok ? ((await answer.json()) as number[]) : []);
  }

  private take(turn: number, found: readonly number[]): void {
    // An answer to what was typed earlier says nothing any more.
    if (turn !== this.turn || found.join() === this.found.join()) return;
    this.found = found;
    this.changed();
  }
}
