// What the teacher says to all or to those who are picked: a line, a page to go to, being led, pens down. It is said how many it reached.

import { fill } from '../page-data';
import { callToOwnBoard } from '../lesson/own-board';
import { isFor, leadingOf } from '../room/calls';
import { type LessonState, Standing } from '../room/lesson-state';
import type { RoomClient } from '../room/room-client';
import { serverNow } from '../room/server-clock';
import type { Command } from '../room/wire';
import { showTime } from '../show-moment';
import { type Call, type Spot, SpotKind } from '../wire/forms';
import { namesAmong, type Pickable } from './picking';

export interface SteeringTexts {
  readonly calledPage: string;
  readonly calledMine: string;
  readonly calledPart: string;
  readonly leadsPage: string;
  readonly leadsPart: string;
  readonly toAll: string;
  readonly toSome: string;
  readonly reached: string;
  readonly notReached: string;
  readonly read: string;
  readonly penDown: string;
  readonly penDownUntil: string;
}

/** What was said, as its receipt reads. */
export interface Receipt {
  readonly number: number;
  readonly what: string;
  readonly whom: string;
  readonly reached: string;
  readonly missing: string;
  readonly leads: boolean;
  /** Whether it has arrived everywhere, and was read. */
  readonly isDone: boolean;
  readonly answers: readonly { readonly key: number; readonly name: string; readonly words: string }[];
}

/** Whose pen is down besides. */
export interface HeldPen {
  readonly number: number;
  readonly words: string;
}

const SHOWN_MS = 15 * 60_000;
/** What has arrived everywhere is said for so long. */
const DONE_MS = 60_000;
const MOST_SHOWN = 3;
const UNTIL_SAID = 0;

/** What steering needs of the page. */
export interface Steered {
  readonly part: number;
  readonly zone: string;
  /** Who is in. */
  here(): readonly Pickable[];
  /** Whom the next act is for. */
  whom(): number[];
  /** Whether it is for nobody: some are being picked. */
  isForNobody(): boolean;
  /** The page that is looked at, and where a page stands among the others; 0 for none. */
  pageShown(): number;
  numberOf(page: number): number;
}

export function steeringOf(lesson: () => RoomClient<LessonState>, page: Steered, texts: SteeringTexts) {
  const dismissed = new Set<number>();
  const submit = (command: Command) => void lesson().submit(command);

  const spotHere = (): Spot => {
    const id = page.pageShown();
    return { part: page.part, kind: id === 0 ? SpotKind.Part : SpotKind.Page, id, x: 0, y: 0 };
  };

  const whatOf = ({ words, to, stays }: Call): string => {
    if (!to) return words;
    const number = to.kind === SpotKind.Part ? 0 : page.numberOf(to.id);
    if (to.kind === SpotKind.TeachersBoard) return fill(texts.calledMine, number);
    const where =
      number > 0 ? (stays ? texts.leadsPage : texts.calledPage) : stays ? texts.leadsPart : texts.calledPart;
    return [fill(where, number), words].filter((w) => w !== '').join(' ');
  };

  const receiptOf = (call: Call): Receipt => {
    const people = page.here().filter((p) => isFor(call, p.number));
    const missing = people.filter((p) => !call.reached.includes(p.number)).map((p) => p.number);
    const read = call.words === '' ? '' : fill(texts.read, people.filter((p) => call.read.includes(p.number)).length);
    const reached = fill(texts.reached, people.length - missing.length, people.length);
    return {
      number: call.number,
      what: whatOf(call),
      whom: call.people.length === 0 ? texts.toAll : fill(texts.toSome, namesAmong(page.here(), call.people)),
      reached: [reached, read].filter((w) => w !== '').join(' · '),
      missing: missing.length > 0 ? fill(texts.notReached, namesAmong(page.here(), missing)) : '',
      leads: call.stays,
      answers: call.answers.map(({ person, words }) => ({
        key: person,
        name: namesAmong(page.here(), [person]),
        words,
      })),
      isDone: missing.length === 0 && (call.words === '' || people.every((p) => call.read.includes(p.number))),
    };
  };

  return {
    /** The line that is being written. */
    words: '',
    receipts: [] as Receipt[],
    held: [] as HeldPen[],
    /** Why pens are put down for some, in a line for them. */
    why: '',
    /** Whether some are led; by which call, and whether by me. */
    leading: 0,
    /** Why something was not done, in words. */
    refusal: '',

    refresh(): void {
      const { calls, people } = lesson().state;
      const now = serverNow();
      this.leading = leadingOf(calls)?.number ?? 0;
      this.receipts = [...calls.values()]
        .filter((c) => c.endedAt === null && !dismissed.has(c.number) && (c.stays || now - c.at < SHOWN_MS))
        .map((call) => ({ at: call.at, ...receiptOf(call) }))
        .filter((r) => r.leads || !r.isDone || r.answers.length > 0 || now - r.at < DONE_MS)
        .reverse()
        .slice(0, MOST_SHOWN);
      this.held = page.here().flatMap(({ number, name }) => {
        const person = people.get(number);
        const until = person?.standing === Standing.In ? person.pensDownUntil : null;
        if (until === null || (until !== UNTIL_SAID && until <= now)) return [];
        const whose = until === UNTIL_SAID ? name : fill(texts.penDownUntil, name, showTime(until, page.zone));
        const words = person?.heldWhy ? `${whose}: ${person.heldWhy}` : whose;
        return [{ number, words }];
      });
    },

    isHeld(numbers: readonly number[]): boolean {
      return (this.held as HeldPen[]).some((h) => numbers.includes(h.number));
    },

    callHere(stays: boolean): void {
      if (page.isForNobody()) return;
      this.refusal = '';
      submit({ kind: 'callClass', people: page.whom(), words: '', to: spotHere(), stays });
    },

    callToMine(): void {
      const shown = page.pageShown();
      if (page.isForNobody() || shown === 0) return;
      this.refusal = '';
      callToOwnBoard(lesson(), { part: page.part, page: shown, people: page.whom() });
    },

    /** Those who are led go where the teacher goes. */
    turned(): void {
      const call = leadingOf(lesson().state.calls);
      const to = spotHere();
      if (call && to.kind === SpotKind.Page) submit({ kind: 'leadOn', number: call.number, to });
    },

    say(): void {
      const words = this.words.trim();
      if (words === '' || page.isForNobody()) return;
      this.refusal = '';
      submit({ kind: 'callClass', people: page.whom(), words, to: null, stays: false });
      this.words = '';
    },

    /** Lets those go who are led; takes back what was said for those whom it has not reached. */
    end(number: number): void {
      submit({ kind: 'endCall', number });
    },

    dismiss(number: number): void {
      dismissed.add(number);
      this.refresh();
    },

    hold(people: readonly number[], down: boolean, minutes: number): void {
      this.refusal = '';
      if (people.length === 0) return;
      submit({ kind: 'holdPens', people, down, minutes, words: down ? this.why.trim() : '' });
      if (down) this.why = '';
    },

    holdPicked(down: boolean, minutes: number): void {
      this.hold(page.whom(), down, minutes);
    },

    raiseAll(): void {
      this.hold(
        (this.held as HeldPen[]).map((h) => h.number),
        false,
        0,
      );
    },

    /** What was typed is given back. */
    refused(command: Command, why: string): void {
      if (command.kind === 'callClass' && command.words !== '' && this.words === '') this.words = command.words;
      if (command.kind === 'holdPens' && this.why === '') this.why = command.words;
      this.refusal = why;
    },
  };
}
