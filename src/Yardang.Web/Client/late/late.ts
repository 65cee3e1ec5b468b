// What was handed out while the lesson ran, and on whose screen it has arrived.

import Alpine from '@alpinejs/csp';
import { fill, pageData } from '../page-data';
import { Connection, reloadSoon } from '../room/connection';
import { type LateChange, LessonState } from '../room/lesson-state';
import { RoomClient } from '../room/room-client';

interface LateData {
  readonly lesson: string;
  readonly me: { readonly number: number; readonly isStaff: boolean };
  readonly people: readonly { readonly number: number; readonly name: string }[];
  readonly changes: readonly { readonly number: number; readonly name: string; readonly at: string }[];
  readonly texts: Record<'everybody' | 'has' | 'hasAll' | 'notYet' | 'takenBack', string>;
}

Alpine.data('late', () => {
  const data = pageData<LateData>();
  const { texts } = data;
  let lesson: RoomClient<LessonState>;

  return {
    some: document.querySelector<HTMLElement>('[data-some]')!.dataset['some']!,
    changes: [] as object[],

    init(): void {
      const connection = new Connection('', () => undefined);
      lesson = new RoomClient<LessonState>(
        data.lesson,
        connection,
        null,
        (number, state) => LessonState.of(number, state),
        () => null,
        data.me,
        { changed: () => this.refresh() },
        new LessonState(),
      );
      void Promise.all([connection.start(), connection.enter(lesson, false)]).then(() => this.refresh(), reloadSoon);
    },

    refresh(): void {
      this.changes = data.changes.flatMap(({ number, name, at }) => {
        const change = lesson.state.lateChanges.get(number);
        return change ? [{ number, name, at, ...this.tell(change) }] : [];
      });
    },

    tell(change: LateChange): object {
      const { groups, people, received, takenBack } = change;
      const chosen = lesson.state.groups.filter((g) => groups.includes(g.number));
      const isForAll = groups.length + people.length === 0;
      const whose = data.people.filter(
        (p) => isForAll || people.includes(p.number) || chosen.some((g) => g.people.includes(p.number)),
      );
      const names = [
        ...chosen.map((g) => g.name),
        ...data.people.filter((p) => people.includes(p.number)).map((p) => p.name),
      ];
      const missing = takenBack ? [] : whose.filter((p) => !received.includes(p.number));
      return {
        takenBack,
        whom: isForAll ? texts.everybody : names.join(', '),
        isComplete: !takenBack && missing.length === 0,
        has: takenBack
          ? texts.takenBack
          : missing.length === 0
            ? texts.hasAll
            : fill(texts.has, whose.length - missing.length, whose.length),
        missing: missing.length === 0 ? '' : fill(texts.notYet, missing.map((p) => p.name).join(', ')),
      };
    },
  };
});
