// Whose work comes before and after this one, in the order of the view that the teacher came from.

import { noteSeen } from '../circulate/views';
import { serverNow } from '../room/server-clock';

export interface Neighbour {
  readonly id: string;
  readonly name: string;
}

const key = (lesson: string) => `yardang-order-${lesson}`;

/** What a view says of itself to the boards that are opened from it. */
export function rememberOrder(lesson: string, boards: readonly Neighbour[]): void {
  sessionStorage.setItem(key(lesson), JSON.stringify(boards.map(({ id, name }) => ({ id, name }))));
}

/** Before and after; null where there is none. */
export function neighboursOf(lesson: string, work: string): readonly [Neighbour | null, Neighbour | null] {
  const order = JSON.parse(sessionStorage.getItem(key(lesson)) ?? '[]') as Neighbour[];
  const at = order.findIndex((n) => n.id === work);
  return at < 0 ? [null, null] : [order[at - 1] ?? null, order[at + 1] ?? null];
}

/** The page on which one is looked at. */
export function boardOf(lesson: string, { id }: Neighbour, quiet = false): string {
  return `/lesson/${lesson}/board/${id}${quiet ? '?quiet=1' : ''}`;
}

/** Alt with PageUp and PageDown leads to whose work is before and after; with Home to one's own board, where there is a way to it. */
export function listenForNeighbours(
  lesson: string,
  [before, after]: readonly [Neighbour | null, Neighbour | null],
  quiet = false,
): void {
  window.addEventListener('keydown', (e) => {
    const isTyping = (e.target as HTMLElement).matches('input, textarea, select');
    if (!e.altKey || e.ctrlKey || e.metaKey || isTyping || document.querySelector('dialog[open]')) return;
    const to = e.code === 'PageUp' ? before : e.code === 'PageDown' ? after : null;
    const own = e.code === 'Home' ? document.querySelector<HTMLAnchorElement>('[data-own-board]') : null;
    if (!to && !own) return;
    e.preventDefault();
    location.assign(own ? own.href : boardOf(lesson, to!, quiet));
  });
}

/** What stands here now has been looked at: circulate marks what changes afterwards. */
export function noteLooking(lesson: string, work: string): void {
  const note = () => noteSeen(lesson, work, serverNow());
  note();
  window.addEventListener('pagehide', note);
  document.addEventListener('visibilitychange', note);
}
