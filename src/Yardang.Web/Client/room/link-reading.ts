// What links say together: Core's LinkReading, held equal by golden vectors.

import type { Link } from '../wire/forms';

export interface LinkReading {
  /** Cards without a link. */
  readonly loose: readonly number[];
  /** Cards that lead from one to the next. */
  readonly chains: readonly (readonly number[])[];
  /** Cards that lead back to the first. */
  readonly loops: readonly (readonly number[])[];
}

type Leads = ReadonlyMap<number, readonly number[]>;

export function readingOf(cards: Iterable<number>, links: readonly Pick<Link, 'from' | 'to'>[]): LinkReading {
  const all = [...cards].sort((a, b) => a - b);
  const known = new Set(all);
  const joined = links.filter((l) => known.has(l.from) && known.has(l.to));
  const to = leads(joined.map((l) => [l.from, l.to]));
  const from = leads(joined.map((l) => [l.to, l.from]));
  return {
    loose: all.filter((c) => !to.has(c) && !from.has(c)),
    chains: chainsIn(all, to, from),
    loops: loopsIn(all, to),
  };
}

function leads(pairs: readonly (readonly [number, number])[]): Leads {
  const found = new Map<number, number[]>();
  for (const [a, b] of [...pairs].sort((p, q) => p[1] - q[1])) {
    const ends = found.get(a);
    if (!ends) found.set(a, [b]);
    else if (!ends.includes(b)) ends.push(b);
  }
  return found;
}

function chainsIn(all: readonly number[], to: Leads, from: Leads): number[][] {
  const one = (of: Leads, card: number) => {
    const ends = of.get(card) ?? [];
    return ends.length === 1 ? ends[0]! : null;
  };
  const isInner = (card: number) => {
    const [next, before] = [one(to, card), one(from, card)];
    return next !== null && before !== null && next !== before;
  };
  const chains: number[][] = [];
  for (const first of all.filter((c) => !isInner(c)))
    for (const second of to.get(first) ?? []) {
      const chain = [first, second];
      while (isInner(chain.at(-1)!)) chain.push(one(to, chain.at(-1)!)!);
      if (chain.length > 2 && chain.at(-1) !== first) chains.push(chain);
    }
  return chains;
}

function loopsIn(all: readonly number[], to: Leads): number[][] {
  const loops: number[][] = [];
  const seen = new Set<number>();
  for (const first of all) {
    if (seen.has(first)) continue;
    const loop = shortestRound(first, to);
    if (!loop) continue;
    loops.push(loop);
    // All that lead here and to which this leads are of the same set.
    for (const card of reached(first, to)) if (reached(card, to).has(first)) seen.add(card);
  }
  return loops;
}

function shortestRound(first: number, to: Leads): number[] | null {
  const before = new Map<number, number>();
  const queue = [first];
  for (let at = 0; at < queue.length; at++) {
    const card = queue[at]!;
    for (const next of to.get(card) ?? []) {
      if (next === first) {
        const loop = [card];
        while (loop.at(-1) !== first) loop.push(before.get(loop.at(-1)!)!);
        return loop.reverse();
      }
      if (!before.has(next)) {
        before.set(next, card);
        queue.push(next);
      }
    }
  }
  return null;
}

function reached(first: number, to: Leads): Set<number> {
  const found = new Set<number>();
  const queue = [first];
  for (let at = 0; at < queue.length; at++)
    for (const next of to.get(queue[at]!) ?? [])
      if (!found.has(next)) {
        found.add(next);
        queue.push(next);
      }
  return found;
}
