// Everything that is said in a wall's plan, one by one, each with what puts other words in its place.

import type { Texts } from '../room/marks';
import type { WallPlan } from '../wire/forms';

/** What it is; of several, with their number from 1. */
export type PlanSayingKind =
  | 'question'
  | 'heading'
  | 'prompt'
  | 'lineStart'
  | 'lineEnd'
  | 'lineLow'
  | 'lineHigh'
  | 'link'
  | 'criterion'
  | 'stamp'
  | 'position'
  | 'starter'
  | 'given';

export interface PlanSaying {
  /** The same as long as it is the same thing. */
  readonly key: string;
  readonly kind: PlanSayingKind;
  readonly number: number;
  readonly said: Texts;
  /** Whether it may go over several lines. */
  readonly isLong: boolean;
  /** A plan, perhaps changed otherwise since, with other words in this place. */
  put(plan: WallPlan, said: Texts): WallPlan;
}

const LONG: ReadonlySet<PlanSayingKind> = new Set(['question', 'prompt', 'given', 'criterion']);
const ENDS = { start: 'lineStart', end: 'lineEnd', low: 'lineLow', high: 'lineHigh' } as const;

export function planSayings(wall: WallPlan): PlanSaying[] {
  const all: PlanSaying[] = [];
  const add = (kind: PlanSayingKind, number: number, id: number | string, said: Texts | null, put: PlanSaying['put']) =>
    said && all.push({ key: `${kind}-${id}`, kind, number, said, isLong: LONG.has(kind), put });
  add('question', 0, '', wall.question, (plan, question) => ({ ...plan, question }));
  wall.topics.forEach(({ id, heading, prompt }, i) => {
    const set = (plan: WallPlan, words: { heading: Texts } | { prompt: Texts }) => ({
      ...plan,
      topics: plan.topics.map((t) => (t.id === id ? { ...t, ...words } : t)),
    });
    add('heading', i + 1, id, heading, (plan, said) => set(plan, { heading: said }));
    add('prompt', i + 1, id, prompt, (plan, said) => set(plan, { prompt: said }));
  });
  for (const end of ['start', 'end', 'low', 'high'] as const)
    add(ENDS[end], 0, '', wall.line?.[end] ?? null, (plan, said) => ({
      ...plan,
      line: plan.line && { ...plan.line, [end]: said },
    }));
  wall.field?.words.forEach(({ id, text }, i) =>
    add('link', i + 1, id, text, (plan, said) => ({
      ...plan,
      field: plan.field && {
        ...plan.field,
        words: plan.field.words.map((w) => (w.id === id ? { ...w, text: said } : w)),
      },
    })),
  );
  add('criterion', 0, '', wall.rules.judging?.criterion?.says ?? null, (plan, says) => {
    const { judging } = plan.rules;
    if (!judging?.criterion) return plan;
    return { ...plan, rules: { ...plan.rules, judging: { ...judging, criterion: { ...judging.criterion, says } } } };
  });
  wall.rules.responses.forEach(({ stamp, says }, i) =>
    add('stamp', i + 1, stamp, says, (plan, said) => ({
      ...plan,
      rules: {
        ...plan.rules,
        responses: plan.rules.responses.map((r) => (r.stamp === stamp ? { ...r, says: said } : r)),
      },
    })),
  );
  wall.rules.starters.forEach((starter, i) =>
    add('starter', i + 1, i, starter, (plan, said) => ({
      ...plan,
      rules: { ...plan.rules, starters: plan.rules.starters.map((s, at) => (at === i ? said : s)) },
    })),
  );
  wall.rules.stances.forEach((position, i) =>
    add('position', i + 1, i, position, (plan, said) => ({
      ...plan,
      rules: { ...plan.rules, stances: plan.rules.stances.map((p, at) => (at === i ? said : p)) },
    })),
  );
  wall.givenCards.forEach(({ id, text }, i) =>
    add('given', i + 1, id, text, (plan, said) => ({
      ...plan,
      givenCards: plan.givenCards.map((c) => (c.id === id ? { ...c, text: said } : c)),
    })),
  );
  return all;
}
