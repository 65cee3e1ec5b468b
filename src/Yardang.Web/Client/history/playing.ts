// Plays what happened, so many times as fast as it did. Stretches in which nothing happened are gone over quickly.

/** So long a rest is played at most, ms of what is played at its own pace. */
const LONGEST_REST_MS = 3000;

export class Playing {
  speed = 5;
  private last: number | null = null;
  /** How much of the way to the next event is done, ms. */
  private done = 0;

  /**
   * @param timeOf the moment of the event with this index, ms; null if there is none.
   * @param go shows the board after so many events.
   */
  constructor(
    private readonly timeOf: (index: number) => number | null,
    private readonly go: (count: number) => void,
    private readonly ended: () => void,
  ) {}

  start(count: number): void {
    this.last = performance.now();
    this.done = 0;
    this.next(count);
  }

  stop(): void {
    this.last = null;
  }

  private next(count: number): void {
    requestAnimationFrame((now) => {
      if (this.last === null) return;
      this.done += (now - this.last) * this.speed;
      this.last = now;
      let at = count;
      for (;;) {
        const to = this.timeOf(at);
        if (to === null) {
          this.last = null;
          if (at !== count) this.go(at);
          return this.ended();
        }
        const rest = Math.min(LONGEST_REST_MS, Math.max(0, to - (this.timeOf(at - 1) ?? to)));
        if (this.done < rest) break;
        this.done -= rest;
        at++;
      }
      if (at !== count) this.go(at);
      this.next(at);
    });
  }
}
