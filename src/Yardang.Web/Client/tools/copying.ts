// Copies of marks: with new ids, and with whatever they point to pointing at the copies.

import { hangs, kindOf } from '../kinds';
import type { Mark, NewMark } from '../room/marks';

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
  const whole = marks.filter(({ body }) => (kindOf(body).ends?.(body) ?? []).every((id) => kept.has(id)));
  const inOrder = [...whole.filter((m) => !hangs(m.body)), ...whole.filter((m) => hangs(m.body))];
  const ids = new Map(inOrder.map((m, i) => [m.id, i === 0 && first !== undefined ? first : newId()]));
  const ties = new Map<number, number>();
  return inOrder.map((mark) => {
    if (mark.tie !== 0 && !ties.has(mark.tie)) ties.set(mark.tie, newId());
    return {
      ...mark,
      id: ids.get(mark.id)!,
      body: kindOf(mark.body).renamed?.(mark.body, ids) ?? mark.body,
      tie: ties.get(mark.tie) ?? 0,
    };
  });
}
