// What a page on which one works carries from the server, whether a board or a wall stands on it.

import type { GroupSign } from '../people/group-sign';
import type { ModerationTexts } from '../moderation/moderating';
import type { ContentsPart } from './contents';

export interface WorkData {
  readonly mode: 'student' | 'look' | 'beside' | 'try' | 'embed';
  /** The room in which one works. */
  readonly work: string;
  /** Students' work: what the lesson is called, and behind it the group and who is in it. */
  readonly title?: string;
  readonly company?: string;
  /** The colour and shape of the group. */
  readonly sign?: GroupSign | null;
  /** Of a try-out: its room, where it begins, and who sits there. */
  readonly tryOut?: { readonly room: string; readonly start: string; readonly names: Record<number, string> };
  readonly lesson: string;
  /** In a lesson: of which part this is. */
  readonly part?: number;
  /** Students: the parts and pages, where there are several parts. */
  readonly contents?: readonly ContentsPart[];
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
  /** Whether others work in the same room. */
  readonly together: boolean;
  /** Whether it can be private until it is shown: not what all share. */
  readonly shows?: boolean;
  /** The teacher's own board; said to students on boards. */
  readonly teachers?: string;
  /** Said to teachers, who are never alone with a student: whether several students work in it. */
  readonly shared?: boolean;
  /** Said to teachers: whose work it is, which is seen to by being opened. */
  readonly visits?: readonly number[];
  /** Whose board it is, also of those who were taken out. */
  readonly belong?: readonly { readonly number: number; readonly name: string }[];
  /** Said to teachers: whether they look without being announced, where the school lets them. */
  readonly quiet?: boolean;
  /** Who wrote it on this device, so that a shared device keeps outboxes apart. */
  readonly who: string;
  readonly texts: WorkTexts;
}

export interface WorkTexts {
  readonly moderation: ModerationTexts;
  readonly kept: string;
  readonly sending: string;
  readonly keptHere: string;
  readonly keepOpen: string;
  readonly setAside: string;
  readonly keptBack: string;
  readonly masked: string;
  readonly returned: string;
  readonly returnedNow: string;
  readonly leftOff: string;
  readonly leftOffSilently: string;
  readonly noLongerFits: string;
  readonly pensDown: string;
  readonly penDownMine: string;
  readonly choosing: string;
  readonly notInPhase: string;
  readonly actWrite: string;
  readonly actAnswer: string;
  readonly actMove: string;
  readonly actJudge: string;
  readonly timeOver: string;
  readonly pausedUntil: string;
  readonly heldWhy: string;
  readonly led: string;
  readonly closed: string;
  readonly copyWaits: string;
  readonly copyBusy: string;
  readonly copyNo: string;
  readonly opening: string;
  readonly notReached: string;
  readonly tryOut: string;
  readonly onlyLook: string;
  readonly handIn: string;
  readonly handedIn: string;
  readonly dueAt: string;
  readonly lateSince: string;
  readonly moving: string;
  readonly movedToGroup: string;
  readonly movedToOwn: string;
  readonly movedToPart: string;
  readonly partOpened: string;
  readonly leftKept: string;
  readonly leftWaiting: string;
  readonly leftLost: string;
  readonly changedSince: string;
  readonly refused: Record<string, string>;
  readonly refusedOther: string;
}
