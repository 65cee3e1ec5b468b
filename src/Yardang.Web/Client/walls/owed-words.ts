// What a student still owes on a wall, or has left, in words.

import { fill, plural } from '../page-data';
import { lineOf, toPlace } from '../room/placing';
import type { Me } from '../room/sheets';
import { countsPerTopic } from '../room/stacks';
import { stationsOwed } from '../room/visiting';
import type { WallState } from '../room/wall-state';
import { JudgingKind } from '../wire/forms';
import type { WallTexts } from './wall-texts';

/**
 * Of cards; empty where nothing is owed that could be said.
 * @param headingOf what a topic is called.
 */
export function owedWords(
  state: WallState,
  person: number,
  texts: WallTexts,
  headingOf: (topic: number) => string,
): string {
  const owed = state.owed(person);
  const under = owed > 0 ? state.owedUnder(person)?.filter((t) => t.owed > 0) : null;
  if (under) {
    const there = under.map((t) => fill(texts.owedThere, t.owed, headingOf(t.topic)));
    return fill(texts.owedUnder, there.join(', '));
  }
  if (owed > 0) return plural(texts, 'owed', owed);
  const unplaced = toPlace(state, person);
  if (unplaced > 0) return plural(texts, 'toPlace', unplaced);
  const stations = stationsOwed(state, person);
  if (stations > 0) return plural(texts, 'stationsOwed', stations);
  const answers = state.answersOwed(person);
  if (answers > 0) return plural(texts, 'answersOwed', answers);
  const judging = state.judgingOwed(person);
  if (judging > 0) return plural(texts, 'judgingOwed', judging);
  const line = lineOf(state.plan);
  if (line) return line.together || state.orderShown ? '' : texts.placedAll;
  const { most, onlyGiven } = state.plan.rules;
  if (onlyGiven) return '';
  const mine = state.upOf(person);
  if (mine === 0) return texts.none;
  return most > 0 && mine >= most && !countsPerTopic(state.plan) ? fill(texts.full, most) : plural(texts, 'some', mine);
}

/** Of how many cards somebody has said something. */
export function judgedWords(state: WallState, me: Me, texts: WallTexts): string {
  const { judging, ownFirst } = state.plan.rules;
  if (!judging || ownFirst) return '';
  if (state.judgements.isShown) return texts.judgedShown;
  if (state.judgements.leftOut.has(me.number)) return texts.judgeNotCounted;
  const mine = state.judgements.chosenBy(me.number, (id) => state.isUp(id));
  if (judging.kind === JudgingKind.Choose) return fill(texts.chosenOf, mine, judging.choices);
  const others = [...state.cards.values()].filter((c) => state.mayJudge(c.id, 0, me)).length;
  return fill(texts.judgedOf, mine, others);
}
