// What is said of cards: by the rules of the wall.

import type { JudgingSide } from '../judging/judging-view';
import type { Card } from '../room/wall-state';
import { type WallSide, titleOf } from './wall-side';

/** @param sideOf what the wall's page knows and does. */
export function judgingOfCards(sideOf: () => WallSide): JudgingSide<Card> {
  return {
    get texts() {
      return sideOf().texts;
    },
    get me() {
      return sideOf().me;
    },
    get looksOnly() {
      return sideOf().looksOnly;
    },
    get rule() {
      return sideOf().state.plan.rules.judging;
    },
    get most() {
      return sideOf().state.plan.rules.mostJudged;
    },
    get judgements() {
      return sideOf().state.judgements;
    },
    titleOf: (card) => titleOf(card, sideOf().texts),
    nameOf: (actor) => sideOf().nameOf(actor),
    mayChoose: () => sideOf().mayChoose(),
    mayJudge: (card, value) => sideOf().state.mayJudge(card.id, value, sideOf().me),
    isUp: (id) => sideOf().state.isUp(id),
    judge: (card, value) => sideOf().judge(card, value),
  };
}
