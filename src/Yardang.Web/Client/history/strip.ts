// Who did something when, as a strip over the timeline: a line for each person, a tick for each step, and where nothing happened for long.

import type { Step } from './steps';

const TEACHERS = '#345e9e';
const IDLE = '#7b8a8c';
/** A rest of at least so long is marked, ms. */
export const LONG_REST_MS = 5 * 60_000;
const LEAST_TICK_PX = 1.5;

/**
 * @param steps what is shown; the others are left out.
 * @param first it begins after so many events.
 * @param length it ends after so many.
 * @param lines a line for each, by actor number, with its colour.
 */
export function drawStrip(
  canvas: HTMLCanvasElement,
  steps: readonly Step[],
  first: number,
  length: number,
  lines: ReadonlyMap<number, string>,
): void {
  const ratio = window.devicePixelRatio || 1;
  const { clientWidth: width, clientHeight: height } = canvas;
  canvas.width = Math.round(width * ratio);
  canvas.height = Math.round(height * ratio);
  const ctx = canvas.getContext('2d')!;
  ctx.scale(ratio, ratio);
  if (length <= first) return;
  const wide = width / (length - first);
  const order = new Map([...lines.keys()].map((person, i) => [person, i]));
  const line = height / Math.max(1, lines.size + 1);
  let until = steps[0]?.at ?? 0;
  for (const step of steps) {
    const x = (step.from - first) * wide;
    if (step.at - until > LONG_REST_MS) {
      ctx.fillStyle = IDLE;
      for (let y = 0; y < height; y += 5) ctx.fillRect(x - 0.5, y, 1, 2.5);
    }
    until = step.until;
    ctx.fillStyle = step.byStaff ? TEACHERS : (lines.get(step.person) ?? IDLE);
    const at = step.byStaff ? lines.size : (order.get(step.person) ?? lines.size);
    ctx.fillRect(x, at * line, Math.max(LEAST_TICK_PX, (step.to - step.from) * wide), Math.max(1, line - 1));
  }
}
