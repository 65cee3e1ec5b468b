// Which boards are private until they are shown: Core's Showing.

import { type Group, Privacy, type ShowingSnapshot } from '../wire/forms';
import type { RoomEvent } from './wire';

export { Privacy };

const WHOLE_LESSON = 0;

/** What is known of it after an event. */
export function showingAfter(showing: ShowingSnapshot, event: RoomEvent): ShowingSnapshot {
  switch (event.kind) {
    case 'privacySet': {
      const { part, privacy } = event;
      const others = showing.privacies.filter((p) => p.part !== part);
      const privacies = privacy === Privacy.None ? others : [...others, { part, privacy }];
      return { ...showing, privacies: privacies.sort((a, b) => a.part - b.part) };
    }
    case 'workShown': {
      const { part, person, on } = event;
      const others = showing.shown.filter((s) => s.part !== part || s.person !== person);
      return { ...showing, shown: on ? inOrder([...others, { part, person, called: false }]) : others };
    }
    case 'boardsUp':
      return event.up ? up(showing, event.part, event.people) : down(showing, event.part);
    default:
      return showing;
  }
}

function up(showing: ShowingSnapshot, part: number, people: readonly number[]): ShowingSnapshot {
  if (people.length === 0) return { ...showing, up: [...new Set([...showing.up, part])].sort((a, b) => a - b) };
  const isNew = (person: number) => !showing.shown.some((s) => s.part === part && s.person === person);
  const called = people.filter(isNew).map((person) => ({ part, person, called: true }));
  return { ...showing, shown: inOrder([...showing.shown, ...called]) };
}

function down(showing: ShowingSnapshot, part: number): ShowingSnapshot {
  return {
    ...showing,
    up: showing.up.filter((p) => p !== part),
    shown: showing.shown.filter((s) => s.part !== part || !s.called),
  };
}

const inOrder = (shown: ShowingSnapshot['shown']) => [...shown].sort((a, b) => a.part - b.part || a.person - b.person);

/** Whoever works with others than before has shown nothing of it. */
export function regrouped(showing: ShowingSnapshot, before: readonly Group[], now: readonly Group[]): ShowingSnapshot {
  const groupOf = (groups: readonly Group[], person: number) => groups.find((g) => g.people.includes(person))?.number;
  return {
    ...showing,
    shown: showing.shown.filter(({ person }) => groupOf(before, person) === groupOf(now, person)),
  };
}

/** From whom the boards of a part are kept until they are shown; the stricter of lesson and part holds. */
export function privacyIn({ privacies }: ShowingSnapshot, part: number): Privacy {
  const of = (which: number) => privacies.find((p) => p.part === which)?.privacy ?? Privacy.None;
  return Math.max(of(part), of(WHOLE_LESSON));
}

/** Whether the board on which these people work is shown. */
export function isShown({ up, shown }: ShowingSnapshot, part: number, people: readonly number[]): boolean {
  return up.includes(part) || shown.some((s) => s.part === part && people.includes(s.person));
}
