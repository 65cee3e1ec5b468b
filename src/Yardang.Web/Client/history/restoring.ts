// Making a board or wall what it was: said beforehand in a sentence and two pictures, done as one gesture, and undone like any other.

import { decode } from '@msgpack/msgpack';
import { plural } from '../page-data';
import type { RoomClient } from '../room/room-client';
import type { Command } from '../room/wire';
import { known } from '../wire/by-hand';
import { readCommand } from '../wire/kinds';
import { readChange } from '../wire/pages-codec';
import type { HistoryTexts } from './history-data';
import type { Past } from './past';

/** What is restored: of a page or topic, of everything, one person's, or one mark or card. */
export type Scope = 'place' | 'all' | 'person' | 'thing';

/** As Core's RestoreDepth. */
const CHANGED = '1';
const EXACTLY = '2';

/** As in Core: several changes of marks at once. */
const RESTORE_MARKS = 108;

export interface Desk {
  readonly room: RoomClient<any>;
  readonly past: Past<any, any>;
  readonly texts: HistoryTexts;
  /** As it is now. */
  readonly now: any;
  /** Number of the last event of the moment. */
  readonly moment: number;
  readonly place: number | null;
  readonly person: number;
  readonly thing: number;
  say(words: string): void;
  openDialog(isOpen: boolean): void;
  picture(which: 'before' | 'after'): HTMLElement;
}

/** How many come back, are changed, go, and stay away because a teacher took them down: as Core's RestoreCounts. */
type Counts = readonly [back: number, changed: number, away: number, down: number];

interface Plan {
  readonly commands: Command[];
  /** Of marks; or of cards, answers and links. */
  readonly counts: readonly Counts[];
}

/** Of marks and cards, of answers, of links, in texts. */
const KINDS = ['', 'answers', 'links'];

export function restoringOf(desk: () => Desk) {
  let asked = 0;
  /** What would do it: not watched, as there may be thousands of changes in it. */
  let commands: Command[] = [];
  /** What was sent last, and is not in the log yet. */
  let sent: { gesture: number; before: number; isOut: boolean; isUndo: boolean } | null = null;

  const fetchPlan = async (query: Record<string, string | number>): Promise<Plan | null> => {
    const search = new URLSearchParams(Object.entries(query).map(([name, value]) => [name, String(value)]));
    const answer = await fetch(`/rooms/${desk().room.room}/restoring?${search}`).catch(() => null);
    if (!answer?.ok) return null;
    const [commands, counts] = decode(new Uint8Array(await answer.arrayBuffer())) as any[];
    return { commands: commands.map(readOne), counts };
  };

  return {
    scope: 'place' as Scope,
    depth: '0',
    /** What will change, in words; empty as long as that is not known. */
    summary: '',
    isPossible: false,
    isAway: false,
    isSending: false,
    /** The last restore, which can be undone: its gesture, and between which events it was done. */
    done: null as { gesture: number; before: number; through: number } | null,

    open(): void {
      const { person, thing, place, past } = desk();
      this.scope = thing ? 'thing' : person ? 'person' : past.turns || place !== null ? 'place' : 'all';
      this.depth = thing ? CHANGED : '0';
      desk().openDialog(true);
      void this.ask();
    },

    close(): void {
      desk().openDialog(false);
    },

    setScope(scope: Scope): void {
      this.scope = scope;
      void this.ask();
    },

    setDepth(depth: string): void {
      this.depth = depth;
      void this.ask();
    },

    async ask(): Promise<void> {
      const { moment, place, person, thing } = desk();
      const turn = ++asked;
      this.summary = '';
      commands = [];
      this.isPossible = false;
      const plan = await fetchPlan({
        at: moment,
        depth: this.depth,
        ...(this.scope === 'place' && place !== null && { place }),
        ...(this.scope === 'person' && { person }),
        ...(this.scope === 'thing' && { thing }),
      });
      if (turn !== asked) return;
      this.isAway = !plan;
      if (!plan) return;
      commands = plan.commands;
      this.isPossible = commands.length > 0;
      this.summary = tell(plan, desk().texts);
      this.paint();
    },

    /** As it is, and as it will be. */
    paint(): void {
      const { now, place, past, picture } = desk();
      const after = now.copy();
      for (const command of commands) {
        const event = past.foresee(after, command);
        const by = { number: 0, time: 0, actor: 0, byStaff: true, client: 0, counter: 0, gesture: 0 };
        if (event) after.apply({ ...by, event });
      }
      past.picture(picture('before'), now, place ?? 0);
      past.picture(picture('after'), after, place ?? 0);
    },

    restore(): void {
      this.send(commands, false);
      desk().openDialog(false);
    },

    send(planned: readonly Command[], isUndo: boolean): void {
      const { room, texts, say } = desk();
      if (planned.length === 0 || !room.client || sent) return;
      this.isSending = true;
      this.done = null;
      sent = { gesture: room.newId(), before: room.number, isOut: false, isUndo };
      say(isUndo ? texts.beingUndone : texts.beingRestored);
      for (const command of planned) room.submit(command, sent.gesture);
      sent.isOut = true;
    },

    /** Marks know their gestures; of cards is asked what has to be done to have them as they were before. */
    async undo(): Promise<void> {
      const { done } = this;
      const { past, say, texts } = desk();
      if (!done) return;
      if (past.turns) return this.send([{ kind: 'undoGesture', gesture: done.gesture }], true);
      const plan = await fetchPlan({ at: done.before, through: done.through, depth: EXACTLY });
      if (!plan) say(texts.refused);
      else if (plan.commands.length === 0) say(texts.nothing);
      else this.send(plan.commands, true);
    },

    /** Once nothing is on its way any more, all of it is in the log. */
    settle(waiting: number, through: number): void {
      if (!sent?.isOut || waiting > 0) return;
      const { texts, say } = desk();
      const { gesture, before } = sent;
      this.done = sent.isUndo ? null : { gesture, before, through };
      say(sent.isUndo ? texts.undone : texts.restored);
      sent = null;
      this.isSending = false;
    },

    /** Part of it could not be done; what could be is, and is told of in the steps. */
    refused(): void {
      if (!sent) return;
      sent = null;
      this.isSending = false;
      desk().say(desk().texts.refused);
    },
  };
}

// [version, client, counter, after, gesture, kind, body]
function readOne(raw: any[]): Command {
  const [, , , , , kind, body] = raw;
  return kind === RESTORE_MARKS
    ? { kind: 'restoreMarks', changes: body[0].map(readChange) }
    : known(readCommand(kind, body));
}

function tell({ counts }: Plan, texts: HistoryTexts): string {
  const said = (which: number, what: string) =>
    counts.flatMap((of, kind) => {
      const n = of[which]!;
      return n > 0 ? [plural(texts.will, KINDS[kind] ? `${KINDS[kind]}${what}` : uncapital(what), n)] : [];
    });
  const will = ['Back', 'Changed', 'Away'].flatMap((what, which) => said(which, what));
  return [...(will.length > 0 ? will : [texts.nothing]), ...said(3, 'Down')].join(' ');
}

function uncapital(word: string): string {
  return word.charAt(0).toLowerCase() + word.slice(1);
}
