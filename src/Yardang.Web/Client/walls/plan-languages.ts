// In which languages a wall's plan speaks.

import type { WallPlan } from '../room/wall-state';

export function languagesOfPlan(plan: WallPlan): string[] {
  const texts = [plan.question, ...plan.topics.flatMap((t) => [t.heading, t.prompt])];
  return [...new Set(texts.flatMap((t) => Object.entries(t).flatMap(([code, said]) => (said ? [code] : []))))].sort();
}
