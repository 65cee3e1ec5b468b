// Copies of marks: with new ids, and with whatever they point to pointing at the copies.

import type { Body, Mark, NewMark } from '../room/marks';

/** What is copied of a mark. */
export function copied({ id, grip, body, style, place, scale, cuts, tie }: Mark): NewMark {
  return { id, grip, body, style, place, scale, cuts, tie };
}

/**
 * Copies to be put down, back to front, connectors after what they connect. A connector of which an end is not copied is left out.
 * @param first the id of the first copy, if it is the gesture's.
 */
export function copiesOf(marks: readonly NewMark[], newId: () => number, first?: number): NewMark[] {
  const kept = new Set(marks.map((m) => m.id));
  const whole = marks.filter(({ body }) => body.kind !== 'connector' || (kept.has(body.from) && kept.has(body.to)));
  const inOrder = [
    ...whole.filter((m) => m.body.kind !== 'connector'),
    ...whole.filter((m) => m.body.kind === 'connector'),
  ];
  const ids = new Map(inOrder.map((m, i) => [m.id, i === 0 && first !== undefined ? first : newId()]));
  const ties = new Map<number, number>();
  return inOrder.map((mark) => {
    if (mark.tie !== 0 && !ties.has(mark.tie)) ties.set(mark.tie, newId());
    return {
      ...mark,
      id: ids.get(mark.id)!,
      body: pointingAt(mark.body, ids),
      tie: ties.get(mark.tie) ?? 0,
    };
  });
}

function pointingAt(body: Body, ids: ReadonlyMap<number, number>): Body {
  if (body.kind === 'connector') return { ...body, from: ids.get(body.from)!, to: ids.get(body.to)! };
  if (body.kind !== 'zone' || !body.expected) return body;
  const marks = body.expected.marks.flatMap((id) => ids.get(id) ?? []);
  return { ...body, expected: { ...body.expected, marks } };
}
