// A teacher's: what students put on a page, or on all of them, is hidden from their classmates at once, and put back.

import type { Editor } from '../editor/editor';
import { type Mark, Property } from '../room/marks';
import { TakenDown } from '../wire/forms';

/** As many as one command tells; the rest follows in the same gesture. */
const MOST_AT_ONCE = 5_000;

export function workDown(editor: () => Editor) {
  const all = (isMeant: (mark: Mark) => boolean) =>
    [...editor().sheets.allMarks].filter((m) => !m.erased && isMeant(m));
  const here = (mark: Mark) => mark.page === editor().page;
  const isUp = (mark: Mark) => mark.down === TakenDown.No && editor().selection.may(mark, Property.Down);
  const isDown = (mark: Mark) => mark.down !== TakenDown.No;
  const make = (marks: readonly Mark[], value: TakenDown) => {
    const gesture = editor().client.newId();
    for (let at = 0; at < marks.length; at += MOST_AT_ONCE) {
      const some = marks.slice(at, at + MOST_AT_ONCE);
      const changes = some.map(({ id }) => ({ property: Property.Down, target: id, value }) as const);
      editor().client.submit({ kind: 'makeChanges', changes }, gesture);
    }
  };

  return {
    /** How much of students' work is up and down, on the page in sight and on all of them; and how much was removed from the one in sight. */
    upHere: 0,
    upAll: 0,
    downHere: 0,
    downAll: 0,
    removedHere: 0,

    refresh(): void {
      [this.upHere, this.upAll, this.downHere, this.downAll, this.removedHere] = [0, 0, 0, 0, 0];
      for (const mark of all(() => true)) {
        const isHere = here(mark);
        if (isUp(mark)) {
          this.upAll++;
          if (isHere) this.upHere++;
        } else if (isDown(mark)) {
          this.downAll++;
          if (isHere) this.downHere++;
          if (isHere && mark.down === TakenDown.Removed) this.removedHere++;
        }
      }
    },

    hide(onAll: boolean): void {
      const theirs = all((m) => isUp(m) && (onAll || here(m)));
      make(theirs, TakenDown.Hidden);
      editor().selection.onTakenDown([...new Set(theirs.map((m) => m.author))]);
    },

    putBack(onAll: boolean): void {
      make(
        all((m) => isDown(m) && (onAll || here(m))),
        TakenDown.No,
      );
    },

    putRemovedBack(): void {
      make(
        all((m) => here(m) && m.down === TakenDown.Removed),
        TakenDown.No,
      );
    },
  };
}
