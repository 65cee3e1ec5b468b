// Dragging a card on a line or a field. Whoever cannot drag uses the controls on the card.

/** Fewer pixels than these are a press. */
const SLOP = 6;

interface Dropped {
  readonly card: number;
  readonly x: number;
  readonly y: number;
  /** By how much it was dragged. */
  readonly by: { readonly x: number; readonly y: number };
}

/**
 * @param root in which cards lie, as [data-card].
 * @param mayDrag whether a card may be dragged now.
 * @param scale how much larger than itself all is drawn.
 * @param over where the pointer is while a card is dragged; null once it is let go.
 */
export function dragCards(
  root: HTMLElement,
  mayDrag: (card: number) => boolean,
  over: (where: Dropped | null) => void,
  drop: (where: Dropped) => void,
  scale: () => number = () => 1,
): void {
  let card: HTMLElement | null = null;
  let isDragging = false;
  let from = { x: 0, y: 0 };
  let pointer = -1;

  const stop = () => {
    card?.classList.remove('slip-dragged');
    card?.style.removeProperty('translate');
    if (isDragging) over(null);
    [card, isDragging, pointer] = [null, false, -1];
  };
  const where = (e: PointerEvent): Dropped => {
    const { clientX: x, clientY: y } = e;
    return { card: Number(card!.dataset['card']), x, y, by: { x: x - from.x, y: y - from.y } };
  };

  root.addEventListener('pointerdown', (e) => {
    const target = e.target as Element;
    const found = target.closest<HTMLElement>('[data-card][data-grip]');
    const isHandle = target.closest('[data-handle]') !== null;
    // A finger scrolls, but on the handle; what is pressed otherwise is pressed.
    if (!found || e.button !== 0 || (e.pointerType === 'touch' && !isHandle)) return;
    if (!isHandle && target.closest('button, input, select, textarea, a, summary')) return;
    if (!mayDrag(Number(found.dataset['card']))) return;
    [card, from, pointer] = [found, { x: e.clientX, y: e.clientY }, e.pointerId];
  });
  root.addEventListener('pointermove', (e) => {
    if (!card || e.pointerId !== pointer) return;
    const [x, y] = [e.clientX - from.x, e.clientY - from.y];
    if (!isDragging) {
      if (Math.hypot(x, y) < SLOP) return;
      isDragging = true;
      root.setPointerCapture(pointer);
      card.classList.add('slip-dragged');
    }
    card.style.setProperty('translate', `${x / scale()}px ${y / scale()}px`);
    over(where(e));
  });
  root.addEventListener('pointerup', (e) => {
    if (e.pointerId !== pointer) return;
    const dropped = isDragging && card ? where(e) : null;
    stop();
    if (dropped) drop(dropped);
  });
  root.addEventListener('pointercancel', stop);
  window.addEventListener('keydown', (e) => {
    if (isDragging && e.key === 'Escape') stop();
  });
}
