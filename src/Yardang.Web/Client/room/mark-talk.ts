// What is said to the marks of a board: Core's MarkTalk, event for event.

import type { Answer } from '../wire/forms';
import { Grip, stands } from './marks';
import { serverNow } from './server-clock';
import type { Me, Sheets } from './sheets';
import { foreseeAnswerDown, takenDown, UP } from './taken-down';
import { canSay, given, isMine, isStaffs, withAnswer } from './threads';
import type { Command, RoomEvent } from './wire';

/** By mark; also of marks that were rubbed out. */
export type MarkTalk = ReadonlyMap<number, readonly Answer[]>;

/** As in Core's ToolSet. */
export const ANSWER_TOOL = 256;

export function talkAfter(talk: MarkTalk, event: RoomEvent, actor: number): MarkTalk {
  const change = (about: number, id: number, values: Partial<Answer>): MarkTalk => {
    const answer = find(talk, about, id);
    return answer ? put(talk, about, { ...answer, ...values }) : talk;
  };
  switch (event.kind) {
    case 'answerGiven':
    case 'answerPutBack':
      return put(talk, event.about, event.answer);
    case 'answerReworded':
      return change(event.about, event.id, { language: event.language, text: event.text });
    case 'answerTakenDown':
      return change(event.about, event.id, takenDown(event, actor, event.by));
    default:
      return talk;
  }
}

function put(talk: MarkTalk, about: number, answer: Answer): MarkTalk {
  return new Map(talk).set(about, withAnswer(talk.get(about) ?? [], answer));
}

function find(talk: MarkTalk, about: number, id: number): Answer | undefined {
  return talk.get(about)?.find((a) => a.id === id);
}

/** Whether I may answer a mark: one that stands, also what is printed. */
export function mayAnswer(sheets: Sheets, about: number, me: Me): boolean {
  const mark = sheets.mark(about);
  if (!mark || !stands(mark) || mark.grip === Grip.Key) return false;
  const page = sheets.page(mark.page);
  return (
    page !== undefined &&
    !page.erased &&
    !sheets.isLockedFor(page.id, me) &&
    (me.isStaff || (page.withheld & ANSWER_TOOL) === 0)
  );
}

/** Whether I may change an answer to a mark: my own that is up; teachers, all. */
export function mayChange(sheets: Sheets, about: number, answer: Answer | undefined, me: Me): boolean {
  if (sheets.isLockedFor(sheets.mark(about)?.page ?? 0, me)) return false;
  return answer !== undefined && answer.downBy === 0 && (me.isStaff || isMine(answer, me));
}

/** What a command of mine will do; null if it would be refused. */
export function foreseeTalk(sheets: Sheets, command: Command, me: Me): RoomEvent | null {
  switch (command.kind) {
    case 'giveAnswer': {
      const { about, id, to, text, says } = command;
      const isThere = to === 0 || find(sheets.talk, about, to)?.downBy === 0;
      if (!mayAnswer(sheets, about, me) || !isThere || find(sheets.talk, about, id) || says !== 0) return null;
      if (!canSay(text, command) || (isStaffs(command) && !me.isStaff)) return null;
      return { kind: 'answerGiven', about, answer: given(command, me, serverNow()), whose: 0 };
    }
    case 'rewordAnswer': {
      const answer = find(sheets.talk, command.about, command.id);
      return mayChange(sheets, command.about, answer, me) && canSay(command.text, answer!)
        ? { ...command, kind: 'answerReworded', whose: 0 }
        : null;
    }
    case 'takeAnswerDown':
      return foreseeAnswerDown(find(sheets.talk, command.about, command.id), command, me, (answer) =>
        mayChange(sheets, command.about, answer, me) ? 0 : null,
      );
    case 'putAnswerBack': {
      const answer = find(sheets.talk, command.about, command.id);
      if (!answer || answer.downBy === 0) return null;
      if (sheets.isLockedFor(sheets.mark(command.about)?.page ?? 0, me)) return null;
      if (!me.isStaff && !(isMine(answer, me) && answer.downBy === me.number)) return null;
      return { kind: 'answerPutBack', about: command.about, answer: { ...answer, ...UP }, whose: 0 };
    }
    default:
      return null;
  }
}
