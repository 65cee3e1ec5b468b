// A teacher's hand on a round trip: setting out in groups, moving on together, and where each group is.

import { fill } from '../page-data';
import { isOnTrip, stationOf } from '../room/visiting';
import type { WallState } from '../room/wall-state';
import type { Command } from '../room/wire';
import { Purpose, type TripGroup } from '../wire/forms';

interface Texts {
  readonly tripStop: string;
  readonly tripFree: string;
  readonly tripGroup: string;
  readonly tripAt: string;
  readonly tripNobody: string;
}

interface Member {
  readonly number: number;
  readonly name: string;
}

interface GroupRow {
  readonly place: number;
  readonly words: string;
  readonly people: string;
}

/** Core's RoundTrip. */
const MOST_GROUPS = 60;

export function tripSteered(
  wall: () => WallState,
  submit: (command: Command) => void,
  people: () => readonly Member[],
  lessonGroups: () => readonly TripGroup[],
  texts: Texts,
) {
  return {
    isPossible: false,
    isOn: false,
    hasLessonGroups: false,
    groups: 0,
    words: '',
    rows: [] as GroupRow[],
    isFirst: true,
    isLast: true,

    refresh(): void {
      const state = wall();
      const stations = state.plan.topics.length;
      this.isPossible = state.plan.purpose === Purpose.Visit && stations > 1;
      this.isOn = isOnTrip(state);
      if (!this.isPossible) return;
      this.hasLessonGroups = this.inLesson().length > 1;
      if (this.groups === 0) this.groups = stations;
      if (!this.isOn) {
        this.words = people().length > 0 ? texts.tripFree : texts.tripNobody;
        return;
      }
      const { groups, stop } = state.trip!;
      this.words = fill(texts.tripStop, (stop % stations) + 1, stations);
      this.isFirst = stop === 0;
      this.isLast = stop >= stations - 1;
      const names = new Map(people().map((p) => [p.number, p.name]));
      this.rows = groups.map((group, place) => ({
        place,
        words: fill(texts.tripAt, group.name, stationOf(place, groups.length, stations, stop) + 1),
        people: group.people
          .map((p) => names.get(p))
          .filter(Boolean)
          .join(', '),
      }));
    },

    /** The groups of the lesson, with those of them who are on this wall. */
    inLesson(): TripGroup[] {
      const here = new Set(people().map((p) => p.number));
      return lessonGroups()
        .map(({ name, people: whose }) => ({ name, people: whose.filter((p) => here.has(p)) }))
        .filter((g) => g.people.length > 0);
    },

    setGroups(value: string): void {
      const typed = Math.floor(Number(value));
      this.groups = Number.isFinite(typed) ? Math.min(MOST_GROUPS, Math.max(1, typed)) : 1;
    },

    beginInLesson(): void {
      const groups = this.inLesson().map(({ name, people: whose }) => ({ name, people: [...whose] }));
      const grouped = new Set(groups.flatMap((g) => g.people));
      const alone = people().filter((p) => !grouped.has(p.number));
      // Whoever is in no group goes with the smallest.
      for (const { number } of alone) groups.sort((a, b) => a.people.length - b.people.length)[0]!.people.push(number);
      submit({ kind: 'beginTrip', groups });
    },

    /** So many groups, by chance, as even as can be. */
    beginByChance(): void {
      const all = shuffled(people().map((p) => p.number));
      const count = Math.max(1, Math.min(this.groups, all.length));
      const groups = Array.from({ length: count }, (_, place) => ({
        name: fill(texts.tripGroup, place + 1),
        people: all.filter((_person, at) => at % count === place),
      }));
      submit({ kind: 'beginTrip', groups });
    },

    move(by: number): void {
      const { trip } = wall();
      if (trip) submit({ kind: 'moveOn', stop: trip.stop + by });
    },

    end(): void {
      submit({ kind: 'endTrip' });
    },
  };
}

function shuffled(all: readonly number[]): number[] {
  const mixed = [...all];
  for (let i = mixed.length - 1; i > 0; i--) {
    const j = Math.floor(Math.random() * (i + 1));
    [mixed[i], mixed[j]] = [mixed[j]!, mixed[i]!];
  }
  return mixed;
}
