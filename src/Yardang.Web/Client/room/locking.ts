// What a teacher has locked against students: Core's Locking and PageLocks.

import type { WallPlan } from '../wire/forms';
import { topicsStand } from './stacks';
import type { Me } from './sheets';
import { NOWHERE, type WallState } from './wall-state';

/** Whether students change nothing under a topic. */
export function isTopicLocked(plan: WallPlan, topic: number): boolean {
  return plan.rules.locked || (topicsStand(plan) && plan.topics.some((t) => t.id === topic && t.locked));
}

/** Whether I cannot change, answer or move a card because it is locked, or all that is around it. */
export function isLockedFor(state: WallState, id: number, me: Me): boolean {
  const card = me.isStaff ? undefined : state.cards.get(id);
  return card !== undefined && (card.locked || isTopicLocked(state.plan, card.topic));
}

/** Whether I can put nothing up there because it is locked. */
export function isPlaceLockedFor(state: WallState, topic: number, me: Me): boolean {
  return !me.isStaff && isTopicLocked(state.plan, topic);
}

/** The plan with a topic locked, or free; 0: the whole wall. */
export function withLocked(plan: WallPlan, topic: number, locked: boolean): WallPlan {
  if (topic === NOWHERE) return { ...plan, rules: { ...plan.rules, locked } };
  return { ...plan, topics: plan.topics.map((t) => (t.id === topic ? { ...t, locked } : t)) };
}

/** A plan that keeps what is locked now. */
export function lockedAs(wished: WallPlan, now: WallPlan): WallPlan {
  const isLocked = (id: number) => now.topics.some((t) => t.id === id && t.locked);
  return {
    ...wished,
    rules: { ...wished.rules, locked: now.rules.locked },
    topics: wished.topics.map((t) => ({ ...t, locked: isLocked(t.id) })),
  };
}
