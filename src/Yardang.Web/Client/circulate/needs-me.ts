// Who needs the teacher, why and how long: those at the door, hands in the order of waiting, then ready for a look, late work, and who has stopped or never started.

import { type Person, Standing } from '../room/lesson-state';
import { fill } from '../page-data';

export interface NeedsTexts {
  readonly needDoor: string;
  readonly needHand: string;
  readonly needReady: string;
  readonly needLate: string;
  readonly needLateEarlier: string;
  readonly needIdle: string;
  readonly needNotStarted: string;
  readonly waiting: string;
  readonly waitingMinutes: string;
}

export interface Worker {
  readonly number: number;
  readonly name: string;
  readonly board: string;
  readonly person: Person | null;
  readonly lastActivity: number | null;
}

/** Work that waits on a board, perhaps one that its author is not on any more. */
export interface LateNeed {
  readonly board: string;
  readonly person: number;
  readonly count: number;
  readonly name: string;
  readonly isEarlier: boolean;
}

export type NeedKind = 'door' | 'hand' | 'ready' | 'late' | 'idle' | 'blank';

export interface Need {
  readonly key: string;
  readonly kind: NeedKind;
  readonly number: number;
  readonly name: string;
  readonly board: string;
  readonly why: string;
  readonly howLong: string;
}

const IDLE_MS = 3 * 60_000;
const MINUTE_MS = 60_000;

export function needsMe(
  workers: readonly Worker[],
  late: readonly LateNeed[],
  now: number,
  mayWrite: boolean,
  texts: NeedsTexts,
): Need[] {
  const found: (Need & { since: number })[] = [];
  const add = (worker: Worker, kind: NeedKind, since: number, why: string) =>
    found.push({
      key: `${kind}-${worker.number}`,
      kind,
      number: worker.number,
      name: worker.name,
      board: worker.board,
      why,
      since,
      howLong: howLong(now - since, texts),
    });
  for (const worker of workers) {
    const { person } = worker;
    if (person?.standing === Standing.Waiting) add(worker, 'door', person.joinedAt, texts.needDoor);
    if (person?.standing !== Standing.In) continue;
    if (person?.handUpAt != null) add(worker, 'hand', person.handUpAt, texts.needHand);
    if (person?.readyAt != null) add(worker, 'ready', person.readyAt, texts.needReady);
    if (!mayWrite || person?.handUpAt != null || person?.readyAt != null) continue;
    const since = worker.lastActivity ?? person?.joinedAt ?? now;
    if (now - since < IDLE_MS) continue;
    if (worker.lastActivity === null) add(worker, 'blank', since, texts.needNotStarted);
    else add(worker, 'idle', since, texts.needIdle);
  }
  for (const { board, person, count, name, isEarlier } of late) {
    const why = fill(isEarlier ? texts.needLateEarlier : texts.needLate, count);
    found.push({
      key: `late-${board}-${person}`,
      kind: 'late',
      number: person,
      name,
      board,
      why,
      since: now,
      howLong: '',
    });
  }
  const rank: Record<NeedKind, number> = { door: 0, hand: 1, ready: 2, late: 3, blank: 4, idle: 5 };
  return found.sort((a, b) => rank[a.kind] - rank[b.kind] || a.since - b.since);
}

function howLong(ms: number, texts: NeedsTexts): string {
  const minutes = Math.floor(ms / MINUTE_MS);
  return minutes < 1 ? texts.waiting : fill(texts.waitingMinutes, minutes);
}
