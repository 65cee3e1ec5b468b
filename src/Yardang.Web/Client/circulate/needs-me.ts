// Who needs the teacher, why and how long, as the server finds it (Core's NeedsMe): asked for every few seconds, and at once when something was said.

import { fill } from '../page-data';
import { HandReason, NeedKind } from '../room/lesson-state';

export interface NeedsTexts {
  readonly need: Record<string, string>;
  readonly needWhy: Record<string, string>;
  readonly needReason: Record<string, string>;
  readonly needLateEarlier: string;
  readonly needStranger: string;
  readonly waiting: string;
  readonly waitingMinutes: string;
}

/** What the server says of one. */
export interface NeedSaid {
  readonly kind: NeedKind;
  readonly person: number;
  readonly since: number;
  readonly reason: HandReason;
  readonly words: string;
  readonly others: number;
  readonly of: number;
  readonly count: number;
  /** Where work waits. */
  readonly board: string | null;
  /** Of who waits at the door: not on the class list. */
  readonly isStranger: boolean;
}

export interface WhoNeeds {
  readonly needs: readonly NeedSaid[];
  /** Who was here and has no device connected; who is not waited for any more. */
  readonly away: readonly number[];
  readonly gone: readonly number[];
  /** On which page each is who is on one. */
  readonly pages: Readonly<Record<string, number>>;
}

export interface Need {
  readonly key: string;
  readonly kind: NeedKind;
  readonly number: number;
  readonly name: string;
  readonly board: string;
  /** What it is, why it is said, and how long it has been so. */
  readonly what: string;
  readonly why: string;
  readonly howLong: string;
  /** Which of the buttons there are. */
  readonly isDoor: boolean;
  readonly isLate: boolean;
  readonly isUrgent: boolean;
  readonly isReady: boolean;
}

const MINUTE_MS = 60_000;
const SEEN: readonly NeedKind[] = [
  NeedKind.NotStarted,
  NeedKind.Stopped,
  NeedKind.InCircles,
  NeedKind.OtherPage,
  NeedKind.Offline,
];

/** One need in words. */
export function needInWords(
  said: NeedSaid,
  who: { readonly name: string; readonly board: string },
  now: number,
  texts: NeedsTexts,
): Need {
  const { kind, person, board } = said;
  const minutes = Math.max(1, Math.floor((now - said.since) / MINUTE_MS));
  const isEarlier = kind === NeedKind.LateWork && board !== who.board;
  return {
    key: `${kind}-${board ?? ''}-${person}`,
    kind,
    number: person,
    name: who.name,
    board: board ?? who.board,
    what: fill(isEarlier ? texts.needLateEarlier : (texts.need[kind] ?? ''), said.count),
    why: whyOf(said, minutes, texts),
    howLong: howLong(said, now, texts),
    isDoor: kind === NeedKind.Door,
    isLate: kind === NeedKind.LateWork,
    isUrgent: kind === NeedKind.Door || kind === NeedKind.Hand || kind === NeedKind.Stuck,
    isReady: kind === NeedKind.Ready,
  };
}

function whyOf(said: NeedSaid, minutes: number, texts: NeedsTexts): string {
  if (said.kind === NeedKind.Hand) return said.words || (texts.needReason[said.reason] ?? '');
  if (said.isStranger) return texts.needStranger;
  return fill(texts.needWhy[said.kind] ?? '', minutes, said.others, said.of, said.count);
}

// What is seen says itself how long it has been so.
function howLong({ kind, since }: NeedSaid, now: number, texts: NeedsTexts): string {
  if (kind === NeedKind.LateWork || SEEN.includes(kind)) return '';
  const minutes = Math.floor((now - since) / MINUTE_MS);
  return minutes < 1 ? texts.waiting : fill(texts.waitingMinutes, minutes);
}

const AGAIN_MS = 3000;
/** Several things said in one moment are asked for together. */
const SOON_MS = 120;

/** Asks the server, again and again. */
export class AskingWho {
  private timer: ReturnType<typeof setTimeout> | undefined;
  private due = Infinity;
  private isAsking = false;
  private isWanted = false;

  /** @param take is given what the server said; not called while it cannot be reached. */
  constructor(
    private readonly lesson: string,
    private readonly take: (found: WhoNeeds) => void,
  ) {}

  /** Something was said: who needs the teacher may be others now. */
  soon(): void {
    this.later(SOON_MS);
  }

  /** However much goes on, nothing puts it off. */
  private later(ms: number): void {
    const due = performance.now() + ms;
    if (due >= this.due) return;
    this.due = due;
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.ask(), ms);
  }

  private async ask(): Promise<void> {
    this.due = Infinity;
    if (this.isAsking) {
      this.isWanted = true;
      return;
    }
    this.isAsking = true;
    try {
      const answer = await fetch(`/lesson/${this.lesson}/needs`);
      if (answer.ok) this.take((await answer.json()) as WhoNeeds);
    } catch {
      // That the connection is lost the page says elsewhere; it is asked again in a moment.
    }
    this.isAsking = false;
    this.later(this.isWanted ? SOON_MS : AGAIN_MS);
    this.isWanted = false;
  }
}
