// What was done, one thing after the other, as it is told: who, what, to which marks or cards. What changes nothing that is seen is left out.

import type { Envelope, RoomEvent } from '../room/wire';

export type What =
  | 'drew'
  | 'wrote'
  | 'put'
  | 'linked'
  | 'moved'
  | 'joined'
  | 'reworded'
  | 'changed'
  | 'planned'
  | 'rubbed'
  | 'back'
  | 'tookDown'
  | 'putBack'
  | 'undid'
  | 'redid'
  | 'answered'
  | 'handedOut'
  | 'locked'
  | 'unlocked';

/** By what steps can be told apart. */
const SORTS: Record<string, readonly What[]> = {
  new: ['drew', 'wrote', 'put', 'linked', 'answered', 'handedOut'],
  changed: ['moved', 'joined', 'reworded', 'changed', 'planned', 'locked', 'unlocked'],
  gone: ['rubbed', 'tookDown'],
  back: ['back', 'putBack', 'undid', 'redid'],
};

export interface Told {
  readonly what: What;
  /** Id of the page or topic; null for none. */
  readonly place: number | null;
  readonly things: readonly number[];
  readonly words: string;
}

export interface Step {
  /** It begins after so many events, and is done after so many. */
  readonly from: number;
  to: number;
  readonly at: number;
  until: number;
  readonly person: number;
  readonly byStaff: boolean;
  readonly what: What;
  readonly place: number | null;
  readonly things: Set<number>;
  readonly gesture: number;
  /** What was said, by the last of them. */
  words: string;
}

export interface Filter {
  /** Actor number; 0 for everybody. */
  readonly person: number;
  /** Id of the page or topic; null for all. */
  readonly place: number | null;
  /** One of the sorts; empty for all. */
  readonly sort: string;
  /** Id of the mark or card; 0 for all. */
  readonly thing: number;
}

/** What one person goes on doing is one step as long as they do not rest so long, ms. */
const REST_MS = 20_000;
const LONG: ReadonlySet<What> = new Set(['drew', 'rubbed', 'moved']);

export const FEW_WORDS = 80;

export function passes(step: Step, { person, place, sort, thing }: Filter): boolean {
  return (
    (person === 0 || step.person === person) &&
    (place === null || step.place === place) &&
    (sort === '' || SORTS[sort]!.includes(step.what)) &&
    (thing === 0 || step.things.has(thing))
  );
}

/**
 * Takes an event into the steps; gives the step that it belongs to, or null if nothing is seen of it.
 * @param count of how many events it is the last.
 * @param tell what an event did; null if nothing is seen of it.
 */
export function note(
  steps: Step[],
  envelope: Envelope,
  count: number,
  tell: (event: RoomEvent) => Told | null,
): Step | null {
  const { event } = envelope;
  // What waited was done by whoever wrote it.
  const [done, person, byStaff, gesture] =
    event.kind === 'lateWorkAccepted' && event.outcome
      ? [event.outcome, event.person || envelope.actor, false, event.gesture]
      : [event, envelope.actor, envelope.byStaff, envelope.gesture];
  const told = tell(done);
  if (!told) return null;
  const at = envelope.time;
  const last = steps.at(-1);
  const isSame = last?.person === person && last.byStaff === byStaff && last.what === told.what;
  const goesOn = gesture !== 0 && last?.gesture === gesture;
  if (last && isSame && last.place === told.place && (goesOn || (LONG.has(told.what) && at - last.until < REST_MS))) {
    for (const id of told.things) last.things.add(id);
    last.to = count;
    last.until = at;
    last.words = told.words || last.words;
    return last;
  }
  const { what, place, words } = told;
  const things = new Set(told.things);
  const step = { what, place, words, things, from: count - 1, to: count, at, until: at, person, byStaff, gesture };
  steps.push(step);
  return step;
}
