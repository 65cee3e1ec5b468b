// The teacher is told that a classmate's card is not all right.

import { type TemplateResult, nothing } from 'lit-html';
import { isTold } from '../room/concerns';
import type { Card } from '../room/wall-state';
import { type WallSide, titleOf } from './wall-side';

export function tellOf(side: WallSide, card: Card): TemplateResult | typeof nothing {
  const { state, me, texts, looksOnly, moderating } = side;
  if (looksOnly || me.isStaff || state.isMine(card, me)) return nothing;
  const may = side.isAdmitted && state.mayTell(card.id, 0, me);
  return moderating.tellButton(titleOf(card, texts), isTold(state.concerns, card.id, 0), may, (reason, words) =>
    side.tell(card, 0, reason, words),
  );
}
