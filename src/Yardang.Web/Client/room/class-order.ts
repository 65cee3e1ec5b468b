// The order of the class, computed from each student's own placement, and how far they agree. Core's ClassOrder, with its sources.

import type { ClassOrder, ClassPlace, LineKind } from '../wire/forms';
import type { OwnPlaces } from './placing';

interface Comparisons {
  readonly before: number[][];
  readonly ties: number[][];
}

export function classOrder(kind: LineKind, own: OwnPlaces, cards: ReadonlySet<number>): ClassOrder {
  const byCard = new Map<number, number[]>();
  const people: { card: number; at: number }[][] = [];
  for (const places of own.values()) {
    const theirs = [...places]
      .filter(([card, { on }]) => on === kind && cards.has(card))
      .map(([card, { at }]) => ({ card, at }));
    if (theirs.length > 0) people.push(theirs);
    for (const { card, at } of theirs) byCard.set(card, [...(byCard.get(card) ?? []), at]);
  }
  const ids = [...byCard.keys()].sort((a, b) => a - b);
  const index = new Map(ids.map((id, i) => [id, i]));
  const compared = compare(people, index);
  let [alike, all] = [0, 0];
  for (let i = 0; i < ids.length; i++)
    for (let j = i + 1; j < ids.length; j++) {
      const [a, b] = [compared.before[i]![j]!, compared.before[j]![i]!];
      alike += (a * (a - 1) + b * (b - 1)) / 2;
      all += ((a + b) * (a + b - 1)) / 2;
    }
  const first = new Map(ids.map((id, i) => [id, shareBefore(i, compared)]));
  const places = ids
    .map((id) => placeOf(id, byCard.get(id)!))
    .sort((a, b) => a.middle - b.middle || first.get(b.card)! - first.get(a.card)! || a.card - b.card);
  return { kind, people: people.length, places, alike, compared: all };
}

/** How many have one card before another, and how many have both at the same spot. */
function compare(people: readonly { card: number; at: number }[][], index: ReadonlyMap<number, number>): Comparisons {
  const table = () => Array.from({ length: index.size }, () => new Array<number>(index.size).fill(0));
  const [before, ties] = [table(), table()];
  for (const placed of people)
    placed.forEach((one, i) => {
      for (const other of placed.slice(i + 1)) {
        const [a, b] = [index.get(one.card)!, index.get(other.card)!];
        if (one.at < other.at) before[a]![b]!++;
        else if (one.at > other.at) before[b]![a]!++;
        else ties[Math.min(a, b)]![Math.max(a, b)]!++;
      }
    });
  return { before, ties };
}

function shareBefore(card: number, { before, ties }: Comparisons): number {
  let [won, all] = [0, 0];
  for (let other = 0; other < before.length; other++) {
    if (other === card) continue;
    const same = ties[Math.min(card, other)]![Math.max(card, other)]!;
    won += before[card]![other]! + same / 2;
    all += before[card]![other]! + before[other]![card]! + same;
  }
  return all === 0 ? 0.5 : won / all;
}

function placeOf(card: number, places: readonly number[]): ClassPlace {
  const sorted = [...places].sort((a, b) => a - b);
  const [middle, low, high] = [0.5, 0.25, 0.75].map((share) => quantile(sorted, share)) as [number, number, number];
  return { card, people: sorted.length, middle, low, high };
}

function quantile(sorted: readonly number[], share: number): number {
  const at = (sorted.length - 1) * share;
  const below = Math.floor(at);
  const next = sorted[below + 1];
  return next === undefined ? sorted[below]! : sorted[below]! + (at - below) * (next - sorted[below]!);
}
