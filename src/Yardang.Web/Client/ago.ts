// How long ago something was, in words.

import { plural } from './page-data';

const MINUTE_MS = 60_000;
const HOUR_MS = 60 * MINUTE_MS;
const DAY_MS = 24 * HOUR_MS;

/** @param texts justNow, and minutesAgo, hoursAgo and daysAgo with a number in them. */
export function agoIn(texts: { readonly justNow: string }, ms: number): string {
  if (ms < MINUTE_MS) return texts.justNow;
  if (ms < HOUR_MS) return plural(texts, 'minutesAgo', Math.floor(ms / MINUTE_MS));
  return ms < DAY_MS
    ? plural(texts, 'hoursAgo', Math.floor(ms / HOUR_MS))
    : plural(texts, 'daysAgo', Math.floor(ms / DAY_MS));
}
