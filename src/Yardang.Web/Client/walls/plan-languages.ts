// In which languages a wall's plan speaks.

import type { WallPlan } from '../room/wall-state';
import type { Texts } from '../room/marks';

/** All that is written in it. */
export function textsOfPlan({ question, topics, line, givenCards, field, rules }: WallPlan): Texts[] {
  return [
    question,
    ...topics.flatMap((t) => [t.heading, t.prompt]),
    ...(line ? [line.start, line.end, line.low ?? {}, line.high ?? {}] : []),
    ...(field?.words ?? []).map((w) => w.text),
    ...givenCards.map((c) => c.text),
    ...rules.responses.map((r) => r.says),
    ...rules.stances,
    ...rules.starters,
    ...(rules.judging?.criterion ? [rules.judging.criterion.says] : []),
  ];
}

export function languagesOfPlan(plan: WallPlan): string[] {
  const texts = textsOfPlan(plan);
  return [...new Set(texts.flatMap((t) => Object.entries(t).flatMap(([code, said]) => (said ? [code] : []))))].sort();
}
