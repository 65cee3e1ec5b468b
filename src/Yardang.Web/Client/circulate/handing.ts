// What the teacher hands out from here: a page of her own board, as she has it now. It is said who has it.

import { fill, plural } from '../page-data';
import { type LateChange, type LessonState } from '../room/lesson-state';
import type { RoomClient } from '../room/room-client';
import { serverNow } from '../room/server-clock';
import { namesAmong, type Pickable } from './picking';

export interface HandingTexts {
  readonly handPage: string;
  readonly handThings: string;
  readonly handThingsOne: string;
  readonly handAway: string;
  readonly toAll: string;
  readonly toSome: string;
  readonly reached: string;
  readonly notReached: string;
}

interface OwnPage {
  readonly page: number;
  readonly number: number;
  readonly name: string;
  readonly count: number;
}

/** What was handed out, as its receipt reads. */
interface Handed {
  readonly number: number;
  readonly whom: string;
  readonly reached: string;
  readonly missing: string;
}

const SHOWN_MS = 15 * 60_000;
/** What is on every screen is said for so long. */
const DONE_MS = 60_000;
const MOST_SHOWN = 2;

const tokenOfPage = () =>
  document.querySelector<HTMLInputElement>('input[name="__RequestVerificationToken"]')?.value ?? '';

export function handingOf(
  lesson: () => RoomClient<LessonState>,
  address: string,
  board: string | null,
  here: () => readonly Pickable[],
  whom: () => number[],
  texts: HandingTexts,
) {
  const dismissed = new Set<number>();
  const post = (handler: string, body: URLSearchParams) =>
    fetch(`${address}?handler=${handler}`, {
      method: 'POST',
      body,
      headers: { RequestVerificationToken: tokenOfPage() },
    }).catch(() => null);

  const isFor = (change: LateChange, person: number) => {
    if (change.groups.length + change.people.length === 0) return true;
    const { groups } = lesson().state;
    return (
      change.people.includes(person) ||
      groups.some((g) => change.groups.includes(g.number) && g.people.includes(person))
    );
  };

  return {
    pages: [] as (OwnPage & { readonly words: string })[],
    /** Whether it is known what there is. */
    isKnown: false,
    handed: [] as Handed[],
    /** Why something was not handed out, in words. */
    refusal: '',

    /** What there is to be handed out is asked for when it may be wanted. */
    async look(): Promise<void> {
      if (!board) return;
      const answer = await fetch(`${address}?handler=Mine&board=${board}`).catch(() => null);
      if (!answer?.ok) return void (this.refusal = texts.handAway);
      const pages = (await answer.json()) as OwnPage[];
      this.pages = pages.map((p) => ({
        ...p,
        words: fill(texts.handPage, p.number, plural(texts, 'handThings', p.count)),
      }));
      this.isKnown = true;
    },

    async handOut({ page }: OwnPage): Promise<void> {
      this.refusal = '';
      const body = new URLSearchParams({ board: board ?? '', page: String(page) });
      for (const person of whom()) body.append('people', String(person));
      const answer = await post('Mine', body);
      this.refusal = answer?.ok
        ? (((await answer.json()) as { problem: string | null }).problem ?? '')
        : texts.handAway;
    },

    async takeBack(number: number): Promise<void> {
      const answer = await post('Back', new URLSearchParams({ number: String(number) }));
      if (!answer?.ok) this.refusal = texts.handAway;
    },

    dismiss(number: number): void {
      dismissed.add(number);
      this.refresh();
    },

    refresh(): void {
      const now = serverNow();
      // Mostly nothing was: then nothing is drawn anew.
      if (lesson().state.lateChanges.size + this.handed.length === 0) return;
      this.handed = [...lesson().state.lateChanges.values()]
        .filter((c) => !c.takenBack && !dismissed.has(c.number) && now - c.at < SHOWN_MS)
        .flatMap((change) => {
          const people = here().filter((p) => isFor(change, p.number));
          const missing = people.filter((p) => !change.received.includes(p.number)).map((p) => p.number);
          if (missing.length === 0 && now - change.at > DONE_MS) return [];
          const isForAll = change.groups.length + change.people.length === 0;
          const names = namesAmong(
            here(),
            people.map((p) => p.number),
          );
          return {
            number: change.number,
            whom: isForAll ? texts.toAll : fill(texts.toSome, names),
            reached: fill(texts.reached, people.length - missing.length, people.length),
            missing: missing.length > 0 ? fill(texts.notReached, namesAmong(here(), missing)) : '',
          };
        })
        .reverse()
        .slice(0, MOST_SHOWN);
    },
  };
}
