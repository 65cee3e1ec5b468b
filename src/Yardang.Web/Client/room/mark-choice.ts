// What students say of the marks of a board: Core's MarkChoice, as far as this reader is told.

import type { Judging } from '../wire/forms';
import { Judgements } from './judgements';
import { Grip, stands } from './marks';
import type { Me, Sheets } from './sheets';
import type { Command, RoomEvent } from './wire';

export interface MarkChoice {
  /** How they do; null for not at all. */
  readonly rule: Judging | null;
  readonly judgements: Judgements;
}

export const NO_CHOICE: MarkChoice = { rule: null, judgements: Judgements.NONE };

export function choiceAfter(choice: MarkChoice, event: RoomEvent, actor: number): MarkChoice {
  const { rule, judgements } = choice;
  switch (event.kind) {
    case 'markJudgingSet':
      return { rule: event.judging, judgements: judgements.follow(event.judging) };
    case 'cardJudged':
      return { rule, judgements: judgements.judged({ ...event, person: actor }) };
    case 'resultsShown':
      return { rule, judgements: judgements.show(event.results) };
    case 'judgingWentOn':
      return { rule, judgements: judgements.goOn(event.newRound) };
    case 'judgeLeftOut':
      return { rule, judgements: judgements.leaveOut(event.person, event.out) };
    default:
      return choice;
  }
}

/** Whether a mark stands, so that it can be chosen; what is printed, too. */
export function isJudged(sheets: Sheets, id: number): boolean {
  const mark = sheets.mark(id);
  if (!mark || !stands(mark) || mark.grip === Grip.Key) return false;
  return sheets.pages.some((p) => p.id === mark.page);
}

/** Whether somebody may say this of a mark: not of one's own. */
export function mayJudge(sheets: Sheets, id: number, value: number, me: Me): boolean {
  const mark = sheets.mark(id);
  if (!mark || me.isStaff || !isJudged(sheets, id) || (mark.author === me.number && !mark.byStaff)) return false;
  const { rule, judgements } = sheets.choice;
  return judgements.may(rule, id, value, me.number, (other) => isJudged(sheets, other));
}

/** What a command of mine will do; null if it would be refused, or only the server knows. */
export function foreseeChoice(sheets: Sheets, command: Command, me: Me): RoomEvent | null {
  const { rule, judgements } = sheets.choice;
  switch (command.kind) {
    case 'judgeCard':
      return mayJudge(sheets, command.card, command.value, me) ? { ...command, kind: 'cardJudged' } : null;
    case 'setMarkJudging':
      return me.isStaff ? { kind: 'markJudgingSet', judging: command.judging } : null;
    case 'goOnJudging':
      return me.isStaff && rule && judgements.mayGoOn(command.newRound) ? { ...command, kind: 'judgingWentOn' } : null;
    case 'leaveOutJudge':
      return me.isStaff && rule && !judgements.isShown ? { ...command, kind: 'judgeLeftOut' } : null;
    default:
      return null;
  }
}
