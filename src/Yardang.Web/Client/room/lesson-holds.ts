// On a wall each sees only their own because its lesson says so, or the wall itself: Core's LessonHolds. The stricter of both holds.

import { LessonHolds, type WallPlan } from '../wire/forms';

/** Whether the lesson lets each see only their own, whatever the wall itself says. */
export function isHeldByLesson(plan: WallPlan): boolean {
  return plan.rules.held !== LessonHolds.No;
}

/** Whether the wall itself lets each see only their own. */
export function ownFirstItself({ rules }: WallPlan): boolean {
  return rules.ownFirst && rules.held !== LessonHolds.WallWouldShow;
}

/** A plan as it comes to hold on a wall whose lesson goes on as it is. */
export function underLesson(plan: WallPlan, now: WallPlan): WallPlan {
  const own = ownFirstItself(plan);
  const held = !isHeldByLesson(now) ? LessonHolds.No : own ? LessonHolds.WallHoldsToo : LessonHolds.WallWouldShow;
  return { ...plan, rules: { ...plan.rules, ownFirst: own || held !== LessonHolds.No, held } };
}
