// Cards dragged to another topic, or to another place under theirs. Whoever cannot drag uses what stands on the card.

import css from '../../Pages/Student/moving.css';
import { useStyles } from '../styles/with-script';
import { Purpose } from '../wire/forms';
import { dragCards } from './dragging-cards';
import type { WallSide } from './wall-side';

interface Spot {
  readonly section: HTMLElement;
  /** Among the other cards there, from 0. */
  readonly place: number;
}

useStyles(css);

export function moveCardsOn(root: HTMLElement, side: WallSide): void {
  let marked: HTMLElement | null = null;

  const mark = (section: HTMLElement | null) => {
    if (section === marked) return;
    marked?.removeAttribute('data-drop');
    section?.setAttribute('data-drop', '');
    marked = section;
  };

  dragCards(
    root,
    (id) => side.state.plan.purpose === Purpose.Sort && side.mayMove() && side.state.mayMove(id, side.me),
    (where) => mark(where && (spotAt(where)?.section ?? null)),
    (where) => {
      const spot = spotAt(where);
      const card = side.state.cards.get(where.card);
      if (!spot || !card || !side.mayMove()) return;
      const topic = Number(spot.section.dataset['topic']);
      const order = side.state.orderAt(topic, spot.place, card.id, side.me);
      if (topic !== card.topic || order !== card.order) side.move(card, topic, order);
    },
  );
}

/** The topic under the pointer, and behind how many of its cards it points, as they are read. */
function spotAt({ card, x, y }: { card: number; x: number; y: number }): Spot | null {
  const section = document
    .elementsFromPoint(x, y)
    .map((e) => e.closest<HTMLElement>('[data-topic]'))
    .find((found) => found !== null && found !== undefined);
  if (!section) return null;
  const isRtl = getComputedStyle(section).direction === 'rtl';
  const others = [...section.querySelectorAll<HTMLElement>('[data-card]')].filter(
    (e) => Number(e.dataset['card']) !== card,
  );
  const isBefore = (e: HTMLElement) => {
    const { left, right, top, bottom } = e.getBoundingClientRect();
    const middle = (left + right) / 2;
    return bottom < y || (top <= y && (isRtl ? middle > x : middle < x));
  };
  return { section, place: others.filter(isBefore).length };
}
