// What is done with those who are picked besides what is said to them: they become a group, go to one, are taken out; a page of theirs is cleared.

import { fill } from '../page-data';
import type { LessonState } from '../room/lesson-state';
import type { RoomClient } from '../room/room-client';

export interface RegroupingTexts {
  readonly newGroup: string;
}

export function regroupingOf(lesson: () => RoomClient<LessonState>, whom: () => number[], texts: RegroupingTexts) {
  const set = (into: (people: readonly number[]) => void) => {
    const picked = whom();
    if (picked.length > 0) into(picked);
  };

  return {
    groups: [] as { readonly number: number; readonly name: string }[],

    refresh(): void {
      this.groups = lesson().state.groups.map(({ number, name }) => ({ number, name }));
    },

    /** They share a board from now on, where groups do. */
    together(): void {
      set((picked) => {
        const { groups, groupsUsed, groupingVersion: version } = lesson().state;
        const number = groupsUsed + 1;
        const without = groups.map((g) => ({ ...g, people: g.people.filter((p) => !picked.includes(p)) }));
        // A group that nobody is left in ends.
        const others = without.filter((g, i) => g.people.length > 0 || groups[i]!.people.length === 0);
        const made = { number, name: fill(texts.newGroup, others.length + 1), people: picked, helper: 0 };
        lesson().submit({ kind: 'setGroups', groups: [...others, made], version });
      });
    },

    /** They go to this group; 0: each on their own. */
    into(choice: HTMLSelectElement): void {
      const group = Number(choice.value);
      choice.value = '';
      set((picked) => {
        const { groups, groupingVersion: version } = lesson().state;
        const moved = groups.map((g) => {
          const rest = g.people.filter((p) => !picked.includes(p));
          return { ...g, people: g.number === group ? [...rest, ...picked] : rest };
        });
        const left = moved.filter((g, i) => g.people.length > 0 || groups[i]!.people.length === 0);
        lesson().submit({ kind: 'setGroups', groups: left, version });
      });
    },

    takeOut(): void {
      set((picked) => {
        for (const person of picked) lesson().submit({ kind: 'removePerson', person });
      });
    },
  };
}
