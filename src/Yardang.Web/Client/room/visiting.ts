// Stations, and groups on their way round them. Core's RoundTrip and Visits.

import { Purpose, type RoundTrip, type Visit, type WallPlan } from '../wire/forms';
import { isPlaceLockedFor } from './locking';
import { topicsStand } from './stacks';
import type { Me } from './sheets';
import { NOWHERE, type WallState } from './wall-state';

/** At which station a group is, by its place. */
export function stationOf(group: number, groups: number, stations: number, stop: number): number {
  return (Math.floor((group * stations) / groups) + stop) % stations;
}

/** The place of somebody's group. Who came later is taken along by one of them. */
export function groupOf(trip: RoundTrip, person: number): number {
  const place = trip.groups.findIndex((g) => g.people.includes(person));
  return place >= 0 ? place : person % trip.groups.length;
}

/** The station at which somebody's group is; 0 if everybody goes where they like. */
export function stationNow(state: WallState, person: number): number {
  const { trip, plan } = state;
  if (!isOnTrip(state)) return NOWHERE;
  const place = stationOf(groupOf(trip!, person), trip!.groups.length, plan.topics.length, trip!.stop);
  return plan.topics[place]!.id;
}

export function isOnTrip({ trip, plan }: WallState): boolean {
  return plan.purpose === Purpose.Visit && trip !== null && plan.topics.length > 0;
}

/** Whether a student may put up cards under a topic, as far as the plan says. */
export function isFor(plan: WallPlan, person: number, topic: number): boolean {
  if (!topicsStand(plan)) return true;
  const only = plan.topics.find((t) => t.id === topic)?.only ?? [];
  return only.length === 0 || only.includes(person);
}

/** Whether I may put something up at a station: on a round trip where my group is, or was before. */
export function mayPutUpAt(state: WallState, station: number, me: Me): boolean {
  if (!me.isStaff && !isFor(state.plan, me.number, station)) return false;
  if (isPlaceLockedFor(state, station, me)) return false;
  if (me.isStaff || !isOnTrip(state)) return true;
  const { trip, plan } = state;
  const stations = plan.topics.length;
  const group = groupOf(trip!, me.number);
  const place = plan.topics.findIndex((t) => t.id === station);
  return Array.from({ length: Math.min(trip!.stop + 1, stations) }, (_, before) =>
    stationOf(group, trip!.groups.length, stations, trip!.stop - before),
  ).includes(place);
}

/** At how many stations more somebody is asked for something. */
export function stationsOwed(state: WallState, person: number): number {
  const { purpose, rules } = state.plan;
  if (purpose !== Purpose.Visit) return 0;
  const done = new Set<number>();
  for (const c of state.cards.values())
    if (c.downBy === 0 && !c.byStaff && c.author === person && c.topic !== NOWHERE) done.add(c.topic);
  return Math.max(0, rules.stations - done.size);
}

/** Where somebody was, with a station more. */
export function visited(visits: ReadonlyMap<number, Visit>, person: number, station: number): Map<number, Visit> {
  const before = visits.get(person)?.stations ?? [];
  const stations = before.includes(station) ? before : [...before, station];
  return new Map(visits).set(person, { person, stations, now: station });
}
