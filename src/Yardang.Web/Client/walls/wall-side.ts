// What a wall's page does with what is pressed, and what it knows: what its parts are drawn from.

import { type AttachmentView, said } from '../attachments';
import type { Making } from '../attachments/making';
import type { Moderating } from '../moderation/moderating';
import type { Me } from '../room/sheets';
import type { Card, Topic, WallState } from '../room/wall-state';
import type { WallActs } from './acts';
import type { Arrivals } from './arrivals';
import type { Drafts } from '../threads/drafts';
import type { LikeAsked } from './like-asked';
import type { WallTexts } from './wall-texts';

/** A card, or an answer to it, that is taken down; 0 for the card itself. */
export interface Down {
  readonly card: number;
  readonly answer: number;
}

export interface WallSide extends AttachmentView, WallActs {
  readonly state: WallState;
  readonly me: Me;
  readonly texts: WallTexts;
  readonly written: string;
  readonly arrivals: Arrivals;
  readonly drafts: Drafts;
  readonly making: Making;
  /** One card alone on the screen. */
  readonly large: { open(card: Card): void; refresh(): void };
  /** Looks up what was asked before. */
  readonly likeAsked: LikeAsked;
  /** Where answered questions are told by their words; empty where they are not. */
  readonly indexAddress: string;
  /** In which languages the teacher's words are read; the second may be empty. */
  readonly read: readonly [string, string];
  /** Whether anything is written here at all. */
  readonly looksOnly: boolean;
  /** The place that is in sight where there is room for one only. */
  readonly placeInSight: number;
  /** Students who are here, for whom a teacher puts up what they said; empty for students. */
  readonly here: readonly { readonly number: number; readonly name: string }[];
  nameOf(actor: number): string;
  mayWrite(): boolean;
  mayAnswer(): boolean;
  /** Whether cards may be moved, sorted and placed. */
  mayMove(): boolean;
  /** Whether what is there may be chosen, scored, answered with a stamp or a stance. */
  mayChoose(): boolean;
  /** Whether a card is among those that are looked for. */
  isWanted(card: Card): boolean;
  /** Whether this page is on the wall already, with a number of its own. */
  readonly isAdmitted: boolean;
  /** Who was chosen beside the wall, by actor number; 0 for nobody. */
  readonly lookedAt: number;
  /** Whether only some cards are looked for. */
  readonly isLooking: boolean;
  /** Telling the teacher of something, and saying why something was taken down. */
  readonly moderating: Moderating;
  /** What I, a teacher, took down last. */
  justDown: readonly Down[];
  /** Says something in passing. */
  say(words: string): void;
  /** Brings a place into sight, where there is room for one only. */
  turnTo(place: number): void;
}

/** Cards that stand together, with the place where a new one comes. */
export interface Band {
  readonly id: number;
  readonly plan: Topic | null;
  readonly cards: readonly Card[];
}

/** How a wall is arranged for what students are to do on it. */
export interface Arrangement {
  readonly bands: readonly Band[];
  /** Between which one turns where there is room for one only; empty where all is one. */
  readonly places: readonly { readonly id: number; readonly heading: string }[];
  /** Whether a card that comes into a band moves nothing that is in sight. */
  nothingJumps(band: number): boolean;
  /** What has changed is followed, before anything is drawn. */
  follow?(): void;
  /** Whether all cards are drawn by now; not said where they always are. */
  readonly isWhole?: boolean;
  draw(): unknown;
  /** It is drawn: what has to be measured is laid out. */
  measure?(): void;
}

/** The colour that a card has by itself, as styles name it; undefined for that of its topic. */
export function ownColour({ colour }: Card): number | undefined {
  return colour > 0 ? colour - 1 : undefined;
}

/** Cards by their topic. */
export function byTopic(cards: Iterable<Card>): Map<number, Card[]> {
  const found = new Map<number, Card[]>();
  for (const card of cards) {
    const under = found.get(card.topic);
    if (under) under.push(card);
    else found.set(card.topic, [card]);
  }
  return found;
}

/** What a card is called: its first line; what it shows, if it has no words. */
export function titleOf(card: Card, texts: WallTexts): string {
  const first = card.text.split('\n')[0]!;
  const [shown] = card.attachments;
  return first || !shown ? first : said(shown, texts);
}

/** Whether whatever comes behind the last of some cards is out of sight. */
export function endsBelowSight(list: Element | null | undefined): boolean {
  const end = list?.lastElementChild;
  if (!end) return true;
  const { top, height } = end.getBoundingClientRect();
  return height === 0 || top > window.innerHeight;
}
