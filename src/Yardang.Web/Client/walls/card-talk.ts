// What is said to cards: by the rules of the wall.

import { nothing } from 'lit-html';
import { isTold } from '../room/concerns';
import type { Card } from '../room/wall-state';
import { says } from '../threads/said';
import type { Besides, TalkSide } from '../threads/talk';
import type { AnswerPairs } from './answer-pairs';
import { type WallSide, titleOf } from './wall-side';

export function talkOfCards(side: WallSide): TalkSide<Card> {
  const { texts, drafts, me, looksOnly } = side;
  return {
    texts,
    drafts,
    view: side,
    speaking: me.isStaff ? side.making : null,
    me,
    looksOnly,
    get read() {
      return side.read;
    },
    titleOf: (card) => titleOf(card, texts),
    nameOf: (actor) => side.nameOf(actor),
    mayWrite: () => side.mayAnswer(),
    mayAnswer: (card) => side.state.mayAnswer(card, me),
    mayChangeAnswer: (card, answer) => side.state.mayChangeAnswer(card.id, answer.id, me),
    answer: side.answer,
    rewordAnswer: side.rewordAnswer,
    takeAnswerDown: side.takeAnswerDown,
    putAnswerBack: side.putAnswerBack,
    besideUp: (card, answer) =>
      side.isAdmitted || isTold(side.state.concerns, card.id, answer.id)
        ? side.moderating.tellButton(
            answer.text.slice(0, 60),
            isTold(side.state.concerns, card.id, answer.id),
            side.state.mayTell(card.id, answer.id, me),
            (reason, words) => side.tell(card, answer.id, reason, words),
          )
        : nothing,
    besideDown: (card, answer) => {
      const now = { words: answer.downWhy, removes: answer.removed };
      return side.moderating.whyButton(side.nameOf(answer.author), now, ({ words, removes }) =>
        side.takeAnswerDown(card, answer, words, removes),
      );
    },
    notShown: side.moderating.notShown,
  };
}

/** Where cards are answered by one strength and one question: fields for these. */
export function pairsOfCards(side: WallSide, refresh: (focus?: string) => void): Besides<Card> {
  let pairs: AnswerPairs | null = null;
  return {
    field(card, mayAnswer) {
      if (!side.state.plan.rules.inPairs || side.me.isStaff) return null;
      if (pairs) return pairs.form(card, mayAnswer);
      void import('./answer-pairs')
        .then(({ AnswerPairs }) => {
          pairs ??= new AnswerPairs(side, (kind) => says(kind, side.texts), refresh);
          refresh(`[data-answering="${card.id}"]`);
        })
        .catch(() => side.say(side.texts.networkAway));
      return nothing;
    },
  };
}
