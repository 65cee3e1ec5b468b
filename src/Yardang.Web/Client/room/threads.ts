// What is said to a card of a wall or a mark of a board: by the rules of Core's Talk.

import type { Answer, GiveAnswer } from '../wire/forms';
import type { Me } from './sheets';

/** Letters of a card or an answer: Core's Limits. */
export const LONGEST_TEXT = 1000;

export function isText(text: string): boolean {
  return text.length <= LONGEST_TEXT && text.trim() !== '';
}

/** A note of what was said aloud, or is heard, may be empty. */
export function canSay(text: string, { aloud, shown }: Pick<Answer, 'aloud' | 'shown'>): boolean {
  return aloud || shown ? text.length <= LONGEST_TEXT : isText(text);
}

/** Answers with one more, or with another one in place of the one of the same id. */
export function withAnswer(said: readonly Answer[], answer: Answer): Answer[] {
  return [...said.filter((a) => a.id !== answer.id), answer].sort((a, b) => a.id - b.id);
}

/** Those that are up, as they came. */
export function inTime(said: readonly Answer[]): Answer[] {
  return said.filter((a) => a.downBy === 0).sort((a, b) => a.saidAt - b.saidAt || a.id - b.id);
}

export function isMine(answer: Pick<Answer, 'author' | 'byStaff'>, me: Me): boolean {
  return answer.author === me.number && answer.byStaff === me.isStaff;
}

/** Whether only teachers can say it so. */
export function isStaffs({ aloud, shown }: Pick<Answer, 'aloud' | 'shown'>): boolean {
  return aloud || shown !== null;
}

/** An answer as it is given. */
export function given({ id, to, language, text, aloud, says, shown }: GiveAnswer, me: Me, now: number): Answer {
  return {
    id,
    to,
    author: me.number,
    byStaff: me.isStaff,
    language,
    text,
    saidAt: now,
    downBy: 0,
    downWhy: '',
    removed: false,
    aloud,
    says,
    shown,
  };
}
