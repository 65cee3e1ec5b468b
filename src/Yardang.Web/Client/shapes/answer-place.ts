// Where in an answer field is typed, and where an answer stands: Core's AnswerPlace, held equal by golden vectors.

import { type AnswerFieldBody, type FieldAnswerBody, type Mark, stands } from '../room/marks';
import type { Box } from './geometry';
import { type Placed, boundsOf } from './placed';

/** How much of the height of a field its name takes, and what is left at least, 1/100 mm. */
const NAME_HEIGHT = 650;
const LEAST_HEIGHT = 600;

/** Where is typed in a field, as it stands now. */
export function spaceOf(field: Placed, body: AnswerFieldBody): Box {
  const box = boundsOf(field);
  const name = Object.values(body.name).some((text) => text.trim()) ? NAME_HEIGHT : 0;
  return {
    x: Math.floor(box.x + 0.5),
    y: Math.floor(box.y + name + 0.5),
    width: box.width,
    height: Math.max(LEAST_HEIGHT, box.height - name),
  };
}

interface InField {
  readonly field: Mark;
  readonly down: number;
  readonly shown: Mark;
}

// The same mark again as long as nothing has moved, so that what was computed for it stays known.
const known = new WeakMap<Mark, InField>();

/**
 * An answer as it stands now. Where undoing has given a field two, the later one stands below the other.
 * @param below how high the answers are that a field has already.
 */
export function inField(
  mark: Mark,
  body: FieldAnswerBody,
  find: (id: number) => Mark | undefined,
  below: Map<number, number>,
): Mark {
  const field = find(body.field);
  if (!field || field.body.kind !== 'answerField' || !stands(field) || field.page !== mark.page) return mark;
  const down = below.get(field.id) ?? 0;
  below.set(field.id, down + body.height);
  const before = known.get(mark);
  if (before?.field === field && before.down === down) return before.shown;
  const { x, y } = spaceOf(field, field.body);
  const shown = { ...mark, body: { ...body, x, y: y + down }, place: { x: 0, y: 0, turn: 0 }, scale: null };
  known.set(mark, { field, down, shown });
  return shown;
}
