// What the class sees on the projector: asked for every second, steered by the teacher, with nothing to press.

import Alpine from '@alpinejs/csp';
import { timeLeft } from '../lesson/time-left';
import { pageData } from '../page-data';
import { noteServerTime, serverNow } from '../room/server-clock';

interface Shown {
  readonly kind: number;
  readonly here: number;
  readonly expected: number;
  readonly reports: readonly number[];
  readonly phase: { readonly kind: number; readonly words: string; readonly endsAt: number | null } | null;
  readonly question: {
    readonly words: string;
    readonly answered: number;
    readonly lines: readonly { readonly words: string; readonly count: number }[];
  } | null;
}

interface Work {
  readonly mask: number;
  readonly v: string;
}

const EVERY_MS = 1000;
/** Without an answer for so long, the network is said to be lost. */
const LOST_MS = 5000;

Alpine.data('bigScreen', () => {
  const { key } = pageData<{ key: string }>();
  let heardAt = performance.now();

  return {
    kind: 0,
    here: 0,
    expected: 0,
    reports: [0, 0, 0] as readonly number[],
    phase: null as Shown['phase'],
    question: null as Shown['question'],
    works: [] as { mask: number; src: string }[],
    left: '',
    isOver: false,
    isLost: false,

    init(): void {
      void this.ask();
      void this.stayAwake();
      document.addEventListener('visibilitychange', () => void this.stayAwake());
    },

    async ask(): Promise<void> {
      try {
        const answer = await fetch(`/screen/${key}/now`);
        if (answer.ok) {
          noteServerTime(answer);
          const { shown, works } = (await answer.json()) as { shown: Shown; works: readonly Work[] };
          heardAt = performance.now();
          this.take(shown, works);
        }
      } catch {
        // It is asked again in a moment; that it takes long is said.
      }
      this.isLost = performance.now() - heardAt > LOST_MS;
      this.tick();
      setTimeout(() => void this.ask(), EVERY_MS);
    },

    take(shown: Shown, works: readonly Work[]): void {
      const { kind, here, expected, reports, phase, question } = shown;
      Object.assign(this, { kind, here, expected, reports, phase, question });
      const wanted = works.map(({ mask, v }) => ({ mask, src: `/screen/${key}/work/${mask}.png?v=${v}` }));
      // What has not changed stays: no picture flickers.
      if (JSON.stringify(wanted) !== JSON.stringify(this.works)) this.works = wanted;
    },

    tick(): void {
      const end = this.phase?.endsAt ?? null;
      this.left = timeLeft(end, serverNow());
      this.isOver = end !== null && end <= serverNow();
    },

    /** The projector does not go dark in the middle of a lesson, where the browser lets us ask for that. */
    async stayAwake(): Promise<void> {
      if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
      await navigator.wakeLock.request('screen').catch(() => undefined);
    },
  };
});
