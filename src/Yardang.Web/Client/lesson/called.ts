// What a teacher says to me, or to all: lines to be read, places to go to, and being led from one to the next. What has arrived is confirmed.

import { fill } from '../page-data';
import { CALL_HOLDS_MS, isFor } from '../room/calls';
import type { LessonState } from '../room/lesson-state';
import type { RoomClient } from '../room/room-client';
import { serverNow } from '../room/server-clock';
import { showTime } from '../show-moment';
import { type Call, type Spot, SpotKind } from '../wire/forms';
import type { ContentsPart } from './contents';
import type { WorkData } from './work-data';

export interface CalledTexts {
  readonly led: string;
}

interface Line {
  readonly number: number;
  readonly words: string;
  readonly at: string;
}

/** The page on which I work. */
export interface CalledPage {
  /** Whether the work is here, so that there is somewhere to go. */
  readonly opened: boolean;
  readonly contents: { readonly parts: readonly ContentsPart[] };
  /** Goes to a place of this part; false if it is not there. */
  goTo(spot: Spot): boolean;
  /** Whether it is in sight, or is not there at all. */
  isAt(spot: Spot): boolean;
}

export function calledOf(
  lesson: () => RoomClient<LessonState> | null,
  me: number,
  { zone, part }: Pick<WorkData, 'zone' | 'part'>,
  page: () => CalledPage,
  texts: CalledTexts,
) {
  /** What was confirmed from here: an answer may be on its way. */
  const told = new Set<string>();
  /** Where I went last because I was called or led there. */
  let went = '';
  let ledTo: Spot | null = null;
  let seen: LessonState['calls'] | null = null;

  const confirm = (number: number, read: boolean) => {
    const room = lesson();
    if (!room?.client || told.has(`${number} ${read}`)) return;
    told.add(`${number} ${read}`);
    room.submit({ kind: 'confirmCall', number, read, words: '' });
  };

  /** Another part has an address of its own, and goes on from there. */
  const go = (spot: Spot): boolean => {
    if (spot.part === (part ?? spot.part)) return spot.kind === SpotKind.Part || page().goTo(spot);
    const address = page().contents.parts.find((p) => p.number === spot.part)?.address;
    if (address) location.assign(address);
    return false;
  };

  return {
    /** What I have not read yet, the oldest first. */
    lines: [] as Line[],
    /** By whom I am led; null by nobody. */
    leader: null as number | null,
    ledText: '',

    refresh(): void {
      const room = lesson();
      if (!room?.client || !page().opened || room.state.calls === seen) return;
      seen = room.state.calls;
      const mine = [...room.state.calls.values()].filter((call) => call.endedAt === null && isFor(call, me));
      const unread = mine.filter((call) => call.words !== '' && !call.read.includes(me));
      this.lines = unread.map(({ number, words, at }) => ({ number, words, at: showTime(at, zone) }));
      for (const { number, to } of unread) if (!to) confirm(number, false);
      this.follow(mine.filter((call) => call.to !== null));
    },

    /** Being led goes before being called; of calls the last counts, and not for ever. */
    follow(calls: readonly Call[]): void {
      const leads = calls.filter((call) => call.stays).at(-1);
      this.leader = leads?.by ?? null;
      ledTo = leads?.to ?? null;
      this.ledText = leads ? fill(texts.led, showTime(leads.at, zone)) : '';
      const last = calls.at(-1);
      const isFresh = last && !last.reached.includes(me) && serverNow() - last.at < CALL_HOLDS_MS;
      const call = leads ?? (isFresh ? last : undefined);
      if (!call) return;
      const place = `${call.number} ${JSON.stringify(call.to)}`;
      if (place === went) return;
      if (!go(call.to!)) return;
      went = place;
      if (!call.reached.includes(me)) confirm(call.number, false);
    },

    /** What is being typed in answer to a line. */
    typed: {} as Record<number, string>,

    type(number: number, words: string): void {
      this.typed = { ...this.typed, [number]: words };
    },

    answer(number: number): void {
      const words = (this.typed[number] ?? '').trim();
      const room = lesson();
      if (words === '' || !room?.client) return;
      room.submit({ kind: 'confirmCall', number, read: true, words });
      this.putAway(number);
    },

    haveRead(number: number): void {
      confirm(number, true);
      this.putAway(number);
    },

    putAway(number: number): void {
      this.lines = (this.lines as Line[]).filter((line) => line.number !== number);
    },

    /** Who is led stays where they are led. */
    keep(): void {
      if (this.leader === null || !ledTo || ledTo.part !== (part ?? ledTo.part)) return;
      if (!page().isAt(ledTo)) page().goTo(ledTo);
    },

    /** Somewhere else came to be: where I was called may be there now. */
    again(): void {
      seen = null;
      this.refresh();
    },
  };
}
