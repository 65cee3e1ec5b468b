// Names of those on this board; somebody new is asked for once, and again after a while.

const ASK_EVERY_MS = 3000;

export class Names {
  private readonly known = new Map<number, string>();
  private askedAt = 0;

  /** @param heard called when names have come. */
  constructor(
    private readonly board: string,
    private readonly as: string,
    private readonly heard: () => void,
  ) {}

  of(actor: number): string {
    const known = this.known.get(actor);
    if (known === undefined && Date.now() - this.askedAt > ASK_EVERY_MS) {
      this.askedAt = Date.now();
      void this.ask();
    }
    return known ?? '';
  }

  /** Asks for all of them, if none is known yet. */
  async fetched(): Promise<void> {
    if (this.known.size === 0) await this.ask();
  }

  /** They are others now, and asked for at once. */
  forget(): void {
    this.known.clear();
    this.askedAt = 0;
  }

  private async ask(): Promise<void> {
    const answer = await fetch(`/rooms/${this.board}/names${this.as}`).catch(() => null);
    if (!answer?.ok) return;
    for (const { number, name } of (await answer.json()) as { number: number; name: string }[])
      this.known.set(number, name);
    this.heard();
  }
}
