// What was done on a board, one thing after the other, as it is told: who, what, to which marks. What changes nothing that is seen is left out.

import { kindOf } from '../kinds';
import { type Change, type Mark, Property } from '../room/marks';
import type { Sheets } from '../room/sheets';
import type { Envelope, RoomEvent } from '../room/wire';
import { TakenDown } from '../wire/forms';

export type What =
  | 'drew'
  | 'wrote'
  | 'put'
  | 'moved'
  | 'reworded'
  | 'changed'
  | 'rubbed'
  | 'back'
  | 'tookDown'
  | 'putBack'
  | 'undid'
  | 'redid'
  | 'answered'
  | 'handedOut';

/** By what steps can be told apart. */
export const SORTS: Record<string, readonly What[]> = {
  new: ['drew', 'wrote', 'put', 'answered', 'handedOut'],
  changed: ['moved', 'reworded', 'changed'],
  gone: ['rubbed', 'tookDown'],
  back: ['back', 'putBack', 'undid', 'redid'],
};

export interface Step {
  /** It begins after so many events, and is done after so many. */
  readonly from: number;
  to: number;
  readonly at: number;
  until: number;
  readonly person: number;
  readonly byStaff: boolean;
  readonly what: What;
  readonly page: number;
  readonly marks: Set<number>;
  readonly gesture: number;
  /** What was said, by the last of them. */
  words: string;
}

export interface Filter {
  /** Actor number; 0 for everybody. */
  person: number;
  /** Id; 0 for all pages. */
  page: number;
  /** One of the sorts; empty for all. */
  sort: string;
  /** Id; 0 for all marks. */
  mark: number;
}

/** What one person goes on doing is one step as long as they do not rest so long, ms. */
const REST_MS = 20_000;
const FEW_WORDS = 80;
const LONG: ReadonlySet<What> = new Set(['drew', 'rubbed', 'moved']);

export function passes(step: Step, { person, page, sort, mark }: Filter): boolean {
  return (
    (person === 0 || step.person === person) &&
    (page === 0 || step.page === page) &&
    (sort === '' || SORTS[sort]!.includes(step.what)) &&
    (mark === 0 || step.marks.has(mark))
  );
}

/** Takes an event into the steps. */
export function note(steps: Step[], envelope: Envelope, count: number, before: Sheets): void {
  const { event } = envelope;
  // What waited was done by whoever wrote it.
  const [done, person, byStaff, gesture] =
    event.kind === 'lateWorkAccepted' && event.outcome
      ? [event.outcome, event.person || envelope.actor, false, event.gesture]
      : [event, envelope.actor, envelope.byStaff, envelope.gesture];
  const told = tell(done, before);
  if (!told) return;
  const at = envelope.time;
  const last = steps.at(-1);
  const isSame = last?.person === person && last.byStaff === byStaff && last.what === told.what;
  const goesOn = gesture !== 0 && last?.gesture === gesture;
  if (last && isSame && last.page === told.page && (goesOn || (LONG.has(told.what) && at - last.until < REST_MS))) {
    for (const id of told.marks) last.marks.add(id);
    last.to = count;
    last.until = at;
    last.words = told.words || last.words;
    return;
  }
  steps.push({
    ...told,
    marks: new Set(told.marks),
    from: count - 1,
    to: count,
    at,
    until: at,
    person,
    byStaff,
    gesture,
  });
}

interface Told {
  readonly what: What;
  readonly page: number;
  readonly marks: readonly number[];
  readonly words: string;
}

function tell(event: RoomEvent, before: Sheets): Told | null {
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
    case 'lateChangeAdopted':
      return {
        what: 'handedOut',
        page: event.page,
        marks: event.marks.map(({ id }) => id),
        words: '',
      };
    case 'answerGiven':
      return {
        what: 'answered',
        page: before.mark(event.about)?.page ?? 0,
        marks: [event.about],
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
  const isWritten = kind === 'text' || kind === 'note' || kind === 'bubble' || kind === 'formula';
  const what = isWritten ? 'wrote' : kind === 'picture' || kind === 'stamp' ? 'put' : 'drew';
  return { what, page: first.page, marks: marks.map(({ id }) => id), words: saidOn(first) };
}

function changed(changes: readonly Change[], before: Sheets, what: What | null): Told | null {
  const mark = before.mark(changes[0]?.target ?? 0);
  if (!mark) return null;
  const marks = [...new Set(changes.map(({ target }) => target))];
  const wording = changes.find((c) => c.property === Property.Words);
  const words = wording ? (wording.value as { words: { text: string } }).words.text : saidOn(mark);
  return { what: what ?? whatOf(changes), page: mark.page, marks, words: words.slice(0, FEW_WORDS) };
}

function whatOf(changes: readonly Change[]): What {
  const has = (property: Property, value?: unknown) =>
    changes.some((c) => c.property === property && (value === undefined || c.value === value));
  if (has(Property.Erased, true) || has(Property.Cuts)) return has(Property.Erased, false) ? 'back' : 'rubbed';
  if (has(Property.Erased, false)) return 'back';
  if (has(Property.Down)) return has(Property.Down, TakenDown.No) ? 'putBack' : 'tookDown';
  if (has(Property.Words) || has(Property.Body)) return 'reworded';
  return has(Property.Place) || has(Property.Scale) || has(Property.Order) ? 'moved' : 'changed';
}

const NOBODY = { kinds: {}, stamps: {}, figures: {} as never };

function saidOn({ body }: Mark): string {
  const said = kindOf(body).said(body, { languages: [], written: '', mark: () => '', texts: NOBODY });
  return said.slice(0, FEW_WORDS);
}
