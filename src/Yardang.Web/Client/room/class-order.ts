// The order of the class, computed from each student's own placement, and how far they agree. Core's ClassOrder, with its sources.

import { type ClassOrder, type ClassPlace, LineKind, type LineSpot } from '../wire/forms';
import type { OwnPlaces } from './placing';

interface Placed {
  readonly card: number;
  readonly at: LineSpot;
}

interface Comparisons {
  readonly before: number[][];
  readonly ties: number[][];
}

export function classOrder(kind: LineKind, own: OwnPlaces, cards: ReadonlySet<number>): ClassOrder {
  const byCard = new Map<number, LineSpot[]>();
  const people: Placed[][] = [];
  for (const places of own.values()) {
    const theirs = [...places]
      .filter(([card, { on }]) => on === kind && cards.has(card))
      .map(([card, at]) => ({ card, at }));
    if (theirs.length > 0) people.push(theirs);
    for (const { card, at } of theirs) byCard.set(card, [...(byCard.get(card) ?? []), at]);
  }
  const ids = [...byCard.keys()].sort((a, b) => a - b);
  const index = new Map(ids.map((id, i) => [id, i]));
  const along = compare(people, index, (s) => s.at);
  const [alike, compared] = agreementOf(along.before);
  const isField = kind === LineKind.Field;
  const [alikeUp, comparedUp] = isField ? agreementOf(compare(people, index, (s) => s.up).before) : [0, 0];
  const first = new Map(ids.map((id, i) => [id, shareBefore(i, along)]));
  const places = ids
    .map((id) => placeOf(id, isField, byCard.get(id)!))
    .sort((a, b) => a.middle - b.middle || first.get(b.card)! - first.get(a.card)! || a.card - b.card);
  return { kind, people: people.length, places, alike, compared, alikeUp, comparedUp };
}

function agreementOf(before: readonly number[][]): [number, number] {
  let [alike, compared] = [0, 0];
  for (let i = 0; i < before.length; i++)
    for (let j = i + 1; j < before.length; j++) {
      const [a, b] = [before[i]![j]!, before[j]![i]!];
      alike += (a * (a - 1) + b * (b - 1)) / 2;
      compared += ((a + b) * (a + b - 1)) / 2;
    }
  return [alike, compared];
}

/** How many have one card before another, and how many have both at the same spot. */
function compare(
  people: readonly Placed[][],
  index: ReadonlyMap<number, number>,
  where: (spot: LineSpot) => number,
): Comparisons {
  const table = () => Array.from({ length: index.size }, () => new Array<number>(index.size).fill(0));
  const [before, ties] = [table(), table()];
  for (const placed of people)
    placed.forEach((one, i) => {
      for (const other of placed.slice(i + 1)) {
        const [a, b] = [index.get(one.card)!, index.get(other.card)!];
        const [at, otherAt] = [where(one.at), where(other.at)];
        if (at < otherAt) before[a]![b]!++;
        else if (at > otherAt) before[b]![a]!++;
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

function placeOf(card: number, isField: boolean, spots: readonly LineSpot[]): ClassPlace {
  const along = spread(spots.map((s) => s.at));
  return { card, people: spots.length, ...along, up: isField ? spread(spots.map((s) => s.up)) : null };
}

function spread(places: readonly number[]) {
  const sorted = [...places].sort((a, b) => a - b);
  return { middle: quantile(sorted, 0.5), low: quantile(sorted, 0.25), high: quantile(sorted, 0.75) };
}

function quantile(sorted: readonly number[], share: number): number {
  const at = (sorted.length - 1) * share;
  const below = Math.floor(at);
  const next = sorted[below + 1];
  return next === undefined ? sorted[below]! : sorted[below]! + (at - below) * (next - sorted[below]!);
}
