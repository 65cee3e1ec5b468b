// What an event did on a board.

import { kindOf } from '../kinds';
import { type Change, isWritten, type Mark, Property } from '../room/marks';
import type { Sheets } from '../room/sheets';
import type { RoomEvent } from '../room/wire';
import { TakenDown } from '../wire/forms';
import { FEW_WORDS, type Told, type What } from './steps';

export function tellOfBoard(event: RoomEvent, before: Sheets): Told | null {
  switch (event.kind) {
    case 'markAdded':
      return added([event.mark]);
    case 'marksAdded':
      return added(event.marks);
    case 'changesMade':
      return changed(event.changes, before, null);
    case 'gestureUndone':
      return changed(event.changes, before, 'undid');
    case 'gestureRedone':
      return changed(event.changes, before, 'redid');
    case 'pageLocked':
      return { what: event.on ? 'locked' : 'unlocked', place: event.page || null, things: [], words: '' };
    case 'lateChangeAdopted':
      return { what: 'handedOut', place: event.page || null, things: event.marks.map(({ id }) => id), words: '' };
    case 'answerGiven':
      return {
        what: 'answered',
        place: before.mark(event.about)?.page ?? null,
        things: [event.about],
        words: event.answer.text.slice(0, FEW_WORDS),
      };
    default:
      return null;
  }
}

function added(marks: readonly Mark[]): Told | null {
  const [first] = marks;
  if (!first) return null;
  const { kind } = first.body;
  const what =
    isWritten(first.body) || kind === 'formula' ? 'wrote' : kind === 'picture' || kind === 'stamp' ? 'put' : 'drew';
  return { what, place: first.page, things: marks.map(({ id }) => id), words: saidOn(first) };
}

function changed(changes: readonly Change[], before: Sheets, what: What | null): Told | null {
  const mark = before.mark(changes[0]?.target ?? 0);
  if (!mark) return null;
  const things = [...new Set(changes.map(({ target }) => target))];
  const wording = changes.find((c) => c.property === Property.Words);
  const words = wording ? (wording.value as { words: { text: string } }).words.text : saidOn(mark);
  return { what: what ?? whatOf(changes), place: mark.page, things, words: words.slice(0, FEW_WORDS) };
}

function whatOf(changes: readonly Change[]): What {
  const has = (property: Property, value?: unknown) =>
    changes.some((c) => c.property === property && (value === undefined || c.value === value));
  if (has(Property.Erased, false)) return 'back';
  if (has(Property.Erased, true) || has(Property.Cuts)) return 'rubbed';
  if (has(Property.Down)) return has(Property.Down, TakenDown.No) ? 'putBack' : 'tookDown';
  if (has(Property.Words) || has(Property.Body)) return 'reworded';
  return has(Property.Place) || has(Property.Scale) || has(Property.Order) ? 'moved' : 'changed';
}

const NAMELESS = { kinds: {}, stamps: {}, figures: {} as never };

function saidOn({ body }: Mark): string {
  const said = kindOf(body).said(body, { languages: [], written: '', mark: () => '', texts: NAMELESS });
  return said.slice(0, FEW_WORDS);
}
