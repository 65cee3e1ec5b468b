// Many pictures on one screen are painted a few at a time, each in its turn, so that no frame is late because of all of them.

/** What of a frame painting may take, ms. */
const BUDGET_MS = 5;

const waiting = new Set<() => void>();
let isAskedFor = false;

/** Paints in one of the next frames; once, however often it was asked for until then. */
export function paintSoon(paint: () => void): void {
  waiting.add(paint);
  if (!isAskedFor) requestAnimationFrame(turn);
  isAskedFor = true;
}

/** It is no longer to be painted. */
export function paintNoMore(paint: () => void): void {
  waiting.delete(paint);
}

function turn(): void {
  const until = performance.now() + BUDGET_MS;
  for (const paint of waiting) {
    waiting.delete(paint);
    paint();
    if (performance.now() > until) break;
  }
  isAskedFor = waiting.size > 0;
  if (isAskedFor) requestAnimationFrame(turn);
}
