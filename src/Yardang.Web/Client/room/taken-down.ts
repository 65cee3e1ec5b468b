// Cards and answers that were taken down: by their authors, or by a teacher, who may say why, and remove them: Core's AnswersDown.

import type { Answer, AnswerTakenDown, Card, CardTakenDown, RoomEvent, TakeAnswerDown } from '../wire/forms';
import type { Me } from './sheets';

type Thing = Pick<Card | Answer, 'author' | 'byStaff' | 'downBy' | 'downWhy' | 'removed'>;

/** Who handed the activity out: what the program takes down it does for them. */
const OWNER = 1;

/** What is put back. */
export const UP = { downBy: 0, downWhy: '', removed: false };

/** @param by whose doing it counts as; 0: the actor's. */
export function takenDown({ words, removed }: CardTakenDown | AnswerTakenDown, actor: number, by = 0) {
  return { downBy: by || actor || OWNER, downWhy: words, removed };
}

/** Whether a teacher says anew why something is down, or whether its author sees it. */
export function saysAnew(thing: Thing | undefined, words: string, removes: boolean, me: Me): boolean {
  if (!me.isStaff || !thing || thing.byStaff || thing.downBy === 0 || (thing.removed && !removes)) return false;
  return thing.downWhy !== words || thing.removed !== removes;
}

/** What an event says of it. */
export function down({ author, byStaff }: Thing, words: string, removes: boolean, me: Me) {
  return me.isStaff && !byStaff ? { author, words, removed: removes } : { author: 0, words: '', removed: false };
}

/** @param whoseOf whose card it is about, where classmates do not see that; null: it may not be taken down. */
export function foreseeAnswerDown(
  answer: Answer | undefined,
  { about, id, words, removes, asItsAuthor }: TakeAnswerDown,
  me: Me,
  whoseOf: (answer: Answer) => number | null,
): RoomEvent | null {
  if (!answer) return null;
  const { author, byStaff, downBy } = answer;
  if (asItsAuthor) {
    if (!me.isStaff || byStaff || downBy !== 0) return null;
    return {
      kind: 'answerTakenDown',
      about,
      id,
      whose: whoseOf(answer) ?? 0,
      by: author,
      ...down(answer, '', false, me),
    };
  }
  const whose = saysAnew(answer, words, removes, me) ? 0 : whoseOf(answer);
  return whose === null
    ? null
    : { kind: 'answerTakenDown', about, id, whose, by: 0, ...down(answer, words, removes, me) };
}
