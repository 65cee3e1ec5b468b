// The measure of a line: what a place on it is called, where it is drawn, and what stands beside it.

import { fill } from '../page-data';
import { LineKind, type LinePlan } from '../wire/forms';

const DAY_MS = 86_400_000;

const MOST_TICKS = 11;

export interface MeasureTexts {
  readonly ofHundred: string;
  readonly beforeYearOne: string;
  readonly rung: string;
  readonly acrossUp: string;
}

/** The day that a date names, from 1 January 1970; null for none. */
export function dayOf(date: string): number | null {
  const ms = /^\d{4}-\d{2}-\d{2}$/.test(date) ? Date.parse(`${date}T00:00:00Z`) : NaN;
  return Number.isNaN(ms) ? null : ms / DAY_MS;
}

/** The date of a day, as fields of dates have it. */
export function dateOf(day: number): string {
  return new Date(day * DAY_MS).toISOString().slice(0, 10);
}

/** What a place is called. */
export function called(kind: LineKind, at: number, texts: MeasureTexts, up = 0): string {
  switch (kind) {
    case LineKind.Ends:
      return fill(texts.ofHundred, Math.round(at));
    case LineKind.Field:
      return fill(texts.acrossUp, Math.round(at), Math.round(up));
    case LineKind.Years:
      // Astronomers' year 0 is the year before the year 1.
      return at > 0 ? String(Math.round(at)) : fill(texts.beforeYearOne, 1 - Math.round(at));
    case LineKind.Days:
      return new Intl.DateTimeFormat(document.documentElement.lang, { dateStyle: 'medium', timeZone: 'UTC' }).format(
        Math.round(at) * DAY_MS,
      );
    case LineKind.Ladder:
      return fill(texts.rung, Math.round(at * 10) / 10);
  }
}

/** How far along the line a place is drawn, from 0 to 1; what the line does not reach any more stands at its end. */
export function shareOf({ from, to }: LinePlan, at: number): number {
  return Math.min(1, Math.max(0, (at - from) / (to - from)));
}

/** The place so far along the line, where a card can stand. */
export function placeAt({ from, to }: LinePlan, share: number): number {
  return Math.round(from + Math.min(1, Math.max(0, share)) * (to - from));
}

/** Where the line is marked: at round years, or days; between two ends nowhere. */
export function ticksOf({ kind, from, to }: LinePlan): number[] {
  if (kind !== LineKind.Years && kind !== LineKind.Days) return [];
  const least = (to - from) / (MOST_TICKS - 1);
  const size = 10 ** Math.floor(Math.log10(least));
  const step = Math.max(1, [1, 2, 5, 10].find((n) => n * size >= least)! * size);
  const first = Math.ceil(from / step) * step;
  return Array.from({ length: Math.floor((to - first) / step) + 1 }, (_, i) => first + i * step);
}
