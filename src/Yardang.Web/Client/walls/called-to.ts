// Where the teacher calls on a wall: a topic or a card comes into sight, and stands out for a moment.

import { SpotKind } from '../wire/forms';

const SHOWN_MS = 4000;

export function showCalled(wall: HTMLElement, kind: SpotKind, id: number): void {
  requestAnimationFrame(() => {
    const name = kind === SpotKind.Card ? 'card' : 'topic';
    const element = wall.querySelector<HTMLElement>(`[data-${name}="${id}"]`);
    if (!element) return;
    element.scrollIntoView({ block: kind === SpotKind.Card ? 'center' : 'start' });
    element.setAttribute('data-called', '');
    setTimeout(() => element.removeAttribute('data-called'), SHOWN_MS);
  });
}
