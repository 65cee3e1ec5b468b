// A part of the page that is fetched when it is first needed. Where the network is away, it is tried again in a moment.

const TRY_AGAIN_MS = 3000;

export class Fetched<T> {
  private made: T | null | undefined;

  /**
   * @param load fetches it, and makes it.
   * @param changed it is there, or is to be asked for again.
   */
  constructor(
    private readonly load: () => Promise<T>,
    private readonly changed: () => void,
  ) {}

  /** Null as long as it is on its way. */
  get(): T | null {
    if (this.made !== undefined) return this.made;
    this.made = null;
    void this.load()
      .then((made) => {
        this.made = made;
        this.changed();
      })
      .catch(() =>
        setTimeout(() => {
          this.made = undefined;
          this.changed();
        }, TRY_AGAIN_MS),
      );
    return null;
  }
}
