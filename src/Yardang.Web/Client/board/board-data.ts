// What a board's page carries from the server.

import type { MarkListTexts } from '../editor/mark-list';

export interface BoardData {
  readonly mode: 'student' | 'look' | 'beside' | 'try' | 'embed';
  readonly board: string;
  /** Students' boards: what the lesson is called, and behind it the group and who is in it. */
  readonly title?: string;
  readonly company?: string;
  /** Of a try-out: its room, where it begins, and who sits there. */
  readonly tryOut?: { readonly room: string; readonly start: string; readonly names: Record<number, string> };
  readonly lesson: string;
  /** As whom this tab acts, as the hub is told: "?as=..."; empty for a teacher. */
  readonly query: string;
  /** Number of the actor in the lesson. */
  readonly actor: number;
  readonly language: string;
  /** In which language the teacher wrote. */
  readonly written: string;
  /** The time zone of the school, as IANA names it. */
  readonly zone: string;
  /** The language spoken at home, from the class list; empty if it is not known. */
  readonly home: string;
  /** Whether others work on the same board. */
  readonly together: boolean;
  /** Who wrote it on this device, so that a shared device keeps outboxes apart. */
  readonly who: string;
  readonly texts: BoardTexts;
}

export interface BoardTexts extends MarkListTexts {
  readonly figureTools: Record<string, string>;
  readonly pageOf: string;
  readonly kept: string;
  readonly sending: string;
  readonly pictureAway: string;
  readonly keptHere: string;
  readonly keepOpen: string;
  readonly setAside: string;
  readonly pensDown: string;
  readonly closed: string;
  readonly opening: string;
  readonly notReached: string;
  readonly tryOut: string;
  readonly onlyLook: string;
  readonly fresh: string;
  readonly freshPage: string;
  readonly handIn: string;
  readonly handedIn: string;
  readonly dueAt: string;
  readonly lateSince: string;
  readonly moving: string;
  readonly movedToGroup: string;
  readonly movedToOwn: string;
  readonly leftKept: string;
  readonly leftWaiting: string;
  readonly leftLost: string;
  readonly changedSince: string;
  readonly refused: Record<string, string>;
  readonly refusedOther: string;
}
