// A part of the page that is fetched when it is first needed. Where the network is away, it is tried again in a moment.

const TRY_AGAIN_MS = 3000;

export class Fetched<T> {
  private coming: Promise<T | null> | null = null;
  /** What is here already; null as long as it is not. */
  here: T | null = null;

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
    if (!this.here) void this.now();
    return this.here;
  }

  /** As soon as it is here; null if it cannot be fetched now. */
  now(): Promise<T | null> {
    return (this.coming ??= this.load()
      .then((made) => {
        this.here = made;
        this.changed();
        return made;
      })
      .catch(() => {
        setTimeout(() => {
          this.coming = null;
          this.changed();
        }, TRY_AGAIN_MS);
        return null;
      }));
  }
}
