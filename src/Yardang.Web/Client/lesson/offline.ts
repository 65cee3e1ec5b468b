// Keeps what this board needs to open again without a network.

const REFRESH_MS = 10_000;

export class OfflineCopy {
  private timer: ReturnType<typeof setTimeout> | null = null;

  /** @param snapshots addresses of the rooms' snapshots. */
  constructor(private readonly snapshots: readonly string[]) {}

  /** Without HTTPS (or localhost) there is no such thing, and the outbox still survives a reload. */
  async begin(): Promise<void> {
    if (!('serviceWorker' in navigator)) return;
    await navigator.serviceWorker.register('/service-worker.js', { type: 'module' });
    const files = performance.getEntriesByType('resource').map((e) => e.name);
    await this.keep([location.href, ...files.filter((f) => f.includes('/dist/')), ...this.snapshots]);
  }

  /** The board has changed: some time after, its snapshot is fetched again. */
  refreshSoon(): void {
    if (!('serviceWorker' in navigator)) return;
    this.timer ??= setTimeout(() => {
      this.timer = null;
      if (navigator.onLine) void this.keep(this.snapshots);
    }, REFRESH_MS);
  }

  private async keep(urls: readonly string[]): Promise<void> {
    const worker = (await navigator.serviceWorker.ready).active;
    worker?.postMessage({ keep: urls });
  }
}
