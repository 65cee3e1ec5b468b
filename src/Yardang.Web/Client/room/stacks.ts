// Cards that say the same, and cards that grew from others: Core's Stacks and Growth.

import { Purpose, type WallPlan } from '../wire/forms';
import { isLockedFor } from './locking';
import type { Me } from './sheets';
import type { Card, WallState } from './wall-state';

/** From how many others a card grows at most. */
export const MOST_SOURCES = 3;

const NONE: readonly Card[] = [];

/** Whether cards stand under topics, or at stations. */
export function topicsStand({ purpose }: WallPlan): boolean {
  return purpose === Purpose.Sort || purpose === Purpose.Visit;
}

/** Whether cards are counted under each topic. */
export function countsPerTopic(plan: WallPlan): boolean {
  return plan.rules.perTopic && topicsStand(plan) && plan.topics.length > 0;
}

/** How cards stand in one another, among those that somebody sees. */
export class Standing {
  private readonly within = new Map<number, Card[]>();
  private readonly grown = new Map<number, Card[]>();
  private readonly byId: ReadonlyMap<number, Card>;

  constructor(seen: readonly Card[], plan: WallPlan) {
    this.byId = new Map(seen.map((c) => [c.id, c]));
    if (!topicsStand(plan)) return;
    for (const card of [...seen].sort((a, b) => a.putUpAt - b.putUpAt || a.id - b.id)) {
      const root = this.rootOf(card);
      if (root !== card) note(this.within, root.id, card);
      for (const source of card.from) note(this.grown, source, card);
    }
  }

  /** The card in which a card stands: the one that it has joined; else itself. */
  rootOf(card: Card): Card {
    let root = card;
    for (let onto; root.joined !== 0 && (onto = this.byId.get(root.joined));) root = onto;
    return root;
  }

  /** Those that stand in a card, by when they were put up. */
  of(card: Card): readonly Card[] {
    return this.within.get(card.id) ?? NONE;
  }

  /** Those that grew from a card. */
  usesOf(card: Card): readonly Card[] {
    return this.grown.get(card.id) ?? NONE;
  }

  /** Those from which a card grew, as far as they are seen. */
  sourcesOf(card: Card): readonly Card[] {
    return card.from.flatMap((id) => this.byId.get(id) ?? []);
  }
}

function note(map: Map<number, Card[]>, at: number, card: Card): void {
  const known = map.get(at);
  if (known) known.push(card);
  else map.set(at, [card]);
}

/** Whether everybody who will see a card of mine may know of another one. */
function isKnown({ plan }: WallState, card: Card, me: Me): boolean {
  if (me.isStaff) return card.byStaff || !plan.rules.ownFirst;
  return !plan.rules.ownFirst || card.byStaff || card.author === me.number;
}

/** What a new card of mine joins, and from what it grows: of what is named, what stands there. */
export function joinedAndFrom(state: WallState, onto: number, from: readonly number[], me: Me) {
  const { rules } = state.plan;
  const find = (id: number) => {
    const card = state.cards.get(id);
    return card && card.downBy === 0 && isKnown(state, card, me) ? card : undefined;
  };
  if (!topicsStand(state.plan)) return { joined: 0, from: [] };
  const mayJoin = (me.isStaff || rules.saidAlready) && find(onto)?.joined === 0;
  const mayGrow = me.isStaff || rules.buildsOn || rules.saidAlready;
  const sources = mayGrow ? [...new Set(from)].filter(find).slice(0, MOST_SOURCES) : [];
  return { joined: mayJoin ? onto : 0, from: sources.sort((a, b) => a - b) };
}

/** Whether I may let a card join another one, or with 0 stand alone again. */
export function mayJoin(state: WallState, id: number, onto: number, me: Me): boolean {
  const card = state.cards.get(id);
  const { rules } = state.plan;
  if (!card || !state.mayChange(id, me)) return false;
  if (onto === 0) return card.joined !== 0;
  if (!topicsStand(state.plan) || !(me.isStaff || rules.saidAlready)) return false;
  const other = state.cards.get(onto);
  if (!other || other.downBy !== 0 || (!me.isStaff && !isKnown(state, other, me))) return false;
  if (isLockedFor(state, onto, me)) return false;
  if (onto === id || other.joined !== 0 || card.joined === onto) return false;
  if ([...state.cards.values()].some((c) => c.downBy === 0 && c.joined === id)) return false;
  return !rules.ownFirst || other.byStaff || (other.author === card.author && !card.byStaff);
}
