// Cards along a line: each student's own placement, or one that all share. Core's LinePlan and Placements.

import { LineKind, type LinePlan, type LineSpot, type OwnPlace, Purpose, type WallPlan } from '../wire/forms';
import { isLockedFor } from './locking';
import type { Me } from './sheets';
import type { Card, WallState } from './wall-state';
import type { RoomEvent } from './wire';

/** Where each placed cards for themselves: by person, then by card. */
export type OwnPlaces = ReadonlyMap<number, ReadonlyMap<number, LineSpot>>;

/** A line to begin with. */
export const BLANK_LINE: LinePlan = {
  kind: LineKind.Ends,
  start: {},
  end: {},
  from: 0,
  to: 100,
  together: false,
  low: null,
  high: null,
};

/** Along what cards are ordered now; null where they are not. */
export function lineOf({ purpose, line }: WallPlan): LinePlan | null {
  return purpose === Purpose.Order ? (line ?? BLANK_LINE) : null;
}

function holds({ kind, from, to }: LinePlan, { on, at, up }: LineSpot): boolean {
  const isWhole = kind === LineKind.Ends || kind === LineKind.Field || Number.isInteger(at);
  const isUp = kind === LineKind.Field ? up >= 0 && up <= BLANK_LINE.to : up === 0;
  return on === kind && at >= from && at <= to && isWhole && isUp;
}

/** Where a card stands: on the line that all share, or in somebody's own placement; null if it is on none of this kind. */
export function spotOf(state: WallState, card: Card, person: number): LineSpot | null {
  const line = lineOf(state.plan);
  const spot = line?.together ? card.at : state.places.get(person)?.get(card.id);
  return spot && spot.on === line?.kind ? spot : null;
}

/** Whether I may place a card that I see. */
export function mayPlace(state: WallState, card: Card, me: Me): boolean {
  const line = lineOf(state.plan);
  if (!line || card.downBy !== 0 || isLockedFor(state, card.id, me)) return false;
  if (!line.together) return !me.isStaff && !state.orderShown;
  return me.isStaff || !(state.plan.rules.ownFirst && card.byStaff);
}

/** What comes of placing a card; null if it would be refused. */
export function placed(state: WallState, id: number, at: LineSpot | null, me: Me): RoomEvent | null {
  const line = lineOf(state.plan);
  const card = state.cards.get(id);
  if (!line || !card || !mayPlace(state, card, me) || (at && !holds(line, at))) return null;
  const before = (line.together ? card.at : state.places.get(me.number)?.get(id)) ?? null;
  if (before?.on === at?.on && before?.at === at?.at && before?.up === at?.up) return null;
  if (!line.together) return { kind: 'cardPlacedAlone', card: id, at };
  const whose = state.plan.rules.ownFirst && !card.byStaff ? card.author : 0;
  return { kind: 'cardPlaced', card: id, at, whose };
}

/** Placements with another place of a card in somebody's. */
export function withPlace(places: OwnPlaces, { person, card, at }: Omit<OwnPlace, 'at'> & { at: LineSpot | null }) {
  const theirs = new Map(places.get(person));
  if (at) theirs.set(card, at);
  else theirs.delete(card);
  return new Map(places).set(person, theirs);
}

export function placesIn(own: readonly OwnPlace[]): OwnPlaces {
  const places = new Map<number, Map<number, LineSpot>>();
  for (const { person, card, at } of own) {
    const theirs = places.get(person) ?? new Map<number, LineSpot>();
    places.set(person, theirs.set(card, at));
  }
  return places;
}

/** The cards that somebody places. */
function toOrder(state: WallState, person: number): Card[] {
  const { ownFirst } = state.plan.rules;
  const isSeen = (c: Card) => !ownFirst || c.byStaff || c.author === person;
  return [...state.cards.values()].filter((c) => c.downBy === 0 && isSeen(c));
}

/** How many cards somebody has placed for themselves, and of how many. */
export function placedOf(state: WallState, person: number): readonly [number, number] {
  const cards = toOrder(state, person);
  return [cards.filter((c) => spotOf(state, c, person)).length, cards.length];
}

/** How many cards somebody still has to place, where each has a placement of their own. */
export function toPlace(state: WallState, person: number): number {
  const line = lineOf(state.plan);
  if (!line || line.together || state.orderShown) return 0;
  const [done, all] = placedOf(state, person);
  return all - done;
}
