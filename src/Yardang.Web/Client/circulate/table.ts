// A table of students and pages: where each has begun, goes on, has gone quiet, or has handed in; with a thin line of the last minutes.

import type { Tile } from './tile';

/** How a page of somebody's work stands. */
export type CellState = 'untouched' | 'begun' | 'going' | 'quiet' | 'handed';

export interface Cell {
  readonly page: number;
  readonly state: CellState;
  readonly words: string;
  /** The last minutes as a line, the newest at its end; empty where nothing happened. */
  readonly line: string;
  /** Whether they are on this page now. */
  readonly isHere: boolean;
}

/** What a page of somebody's work looks like. */
export interface PageSeen {
  readonly page: number;
  /** How many marks of students stand on it. */
  readonly marks: number;
  /** When something was done on it, server time in ms, the oldest first; as far as it was seen from here. */
  readonly acts: readonly number[];
}

/** Somebody did something on it within so long: they go on. */
const GOING_MS = 60_000;
/** Nothing for so long on the page where they are: it has gone quiet. */
const QUIET_MS = 4 * 60_000;
/** The line: so many steps of half a minute. */
export const STEPS = 20;
export const STEP_MS = 30_000;
const MOST_IN_STEP = 8;

export function stateOf(seen: PageSeen, isHere: boolean, handedIn: boolean, now: number): CellState {
  const last = seen.acts.at(-1) ?? null;
  if (handedIn && seen.marks > 0) return 'handed';
  if (last !== null && now - last < GOING_MS) return 'going';
  if (seen.marks === 0) return 'untouched';
  return isHere && last !== null && now - last >= QUIET_MS ? 'quiet' : 'begun';
}

/** The path of a line 20 wide and 8 high. */
export function lineOf(acts: readonly number[], now: number): string {
  const steps = Array.from({ length: STEPS }, () => 0);
  for (const at of acts) {
    const step = STEPS - 1 - Math.floor((now - at) / STEP_MS);
    if (step >= 0 && step < STEPS) steps[step]!++;
  }
  if (steps.every((count) => count === 0)) return '';
  return `M${steps.map((count, i) => `${i} ${8 - Math.min(count, MOST_IN_STEP)}`).join('L')}`;
}

/** The cells of one board. */
export function cellsOf(
  tile: Tile | undefined,
  on: ReadonlySet<number>,
  handedIn: boolean,
  now: number,
  texts: Readonly<Record<CellState, string>>,
): Cell[] {
  return (tile?.pagesSeen() ?? []).map((seen) => {
    const isHere = on.has(seen.page);
    const state = stateOf(seen, isHere, handedIn, now);
    return { page: seen.page, state, words: texts[state], line: lineOf(seen.acts, now), isHere };
  });
}
