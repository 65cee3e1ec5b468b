import assert from 'node:assert/strict';
import { test } from 'node:test';
import { WallState } from '../room/wall-state';
import { textsOfPlan } from '../walls/plan-languages';
import { JudgingKind, LineKind, Wanted, type WallPlan } from '../wire/forms';
import { planSayings } from './plan-sayings';

const blank = new WallState().plan;
const said = (text: string) => ({ en: text });
const plan: WallPlan = {
  ...blank,
  question: said('Why do {bridges} stand?'),
  topics: [
    {
      id: 4,
      heading: said('Stone'),
      prompt: said('What?'),
      colour: 0,
      shown: [],
      stimulus: null,
      only: [],
      locked: false,
    },
  ],
  line: {
    kind: LineKind.Field,
    start: said('a'),
    end: said('b'),
    from: 0,
    to: 9,
    together: false,
    low: said('c'),
    high: said('d'),
  },
  field: {
    words: [{ id: 7, text: said('pushes on') }],
    onlyThese: false,
    ownOnly: false,
    anyMoves: false,
    paper: 0,
    picture: null,
  },
  givenCards: [{ id: 9, topic: 4, text: said('An arch'), shown: [] }],
  rules: {
    ...blank.rules,
    judging: {
      kind: JudgingKind.Score,
      choices: 3,
      criterion: { says: said('It says why.'), points: 4, reason: Wanted.No, words: Wanted.No },
    },
    responses: [{ stamp: 'idea', says: said('New to me') }],
    stances: [said('For'), said('Against')],
    starters: [said('I think that')],
  },
};

test('whatever is said in a plan can be filled in and translated: nothing is left out, and nothing else is changed', () => {
  const all = planSayings(plan);
  assert.equal(new Set(all.map((s) => s.key)).size, all.length);
  assert.deepEqual(
    all.map((s) => s.said.en).sort(),
    textsOfPlan(plan)
      .map((t) => t.en)
      .sort(),
  );
  const shouted = all.reduce((before, s) => s.put(before, { ...s.said, es: s.said.en!.toUpperCase() }), plan);
  for (const text of textsOfPlan(shouted)) assert.equal(text.es, text.en!.toUpperCase());
  const back = planSayings(shouted).reduce((before, s) => s.put(before, { en: s.said.en! }), shouted);
  assert.deepEqual(back, plan);
});

test('what is not in a plan is not said', () => {
  assert.deepEqual(
    planSayings(blank).map((s) => s.kind),
    ['question'],
  );
});
