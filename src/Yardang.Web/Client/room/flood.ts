// More newcomers in a row than a class has, none of whom is on a class list: Core's Flood (golden vectors).

import { type Person, Standing } from './lesson-state';

const MANY = 60;
const PAUSE_MS = 30_000;

export interface Flood {
  readonly since: number;
  readonly people: readonly number[];
}

export function floodAmong(people: Iterable<Person>): Flood | null {
  const newcomers = [...people]
    .filter((p) => !p.isListed && (p.standing === Standing.In || p.standing === Standing.Waiting))
    .sort((a, b) => a.joinedAt - b.joinedAt || a.number - b.number);
  let first = newcomers.length - 1;
  while (first > 0 && newcomers[first]!.joinedAt - newcomers[first - 1]!.joinedAt <= PAUSE_MS) first--;
  if (newcomers.length - first <= MANY) return null;
  return { since: newcomers[first]!.joinedAt, people: newcomers.slice(first).map((p) => p.number) };
}
