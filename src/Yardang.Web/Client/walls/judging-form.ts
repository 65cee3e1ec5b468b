// How students judge each other's cards, in the form of a wall's plan: not at all, by agreeing, by choosing, or by points for a criterion.

import { USUAL_CRITERION } from '../room/judgements';
import type { Texts } from '../room/marks';
import { textIn } from '../surface/in-language';
import { type Judging, JudgingKind, type Wanted } from '../wire/forms';

/** Core's Judging and Criterion. */
const USUAL_CHOICES = 3;
const MOST_CHOICES = 50;
const MOST_POINTS = 10;

/** @param changed something was typed or pressed: `typed` is still going on. */
export function judgingFormOf(language: string, changed: (typed: boolean) => void) {
  return {
    /** 0 for not at all. */
    kind: 0 as JudgingKind | 0,
    choices: USUAL_CHOICES,
    says: '',
    points: USUAL_CRITERION.points,
    reason: USUAL_CRITERION.reason,
    words: USUAL_CRITERION.words,

    show(judging: Judging | null): void {
      this.kind = judging?.kind ?? 0;
      if (!judging) return;
      const { says, points, reason, words } = judging.criterion ?? USUAL_CRITERION;
      Object.assign(this, { choices: judging.choices, points, reason, words });
      this.says = textIn(says, [language], language);
    },

    /** What the form says; null for not at all. */
    plan(before: Judging | null, said: (all: Texts | undefined, text: string) => Texts): Judging | null {
      if (this.kind === 0) return null;
      const { kind, choices, points, reason, words } = this;
      const criterion = { says: said(before?.criterion?.says, this.says), points, reason, words };
      return { kind, choices, criterion: this.isScored ? criterion : (before?.criterion ?? null) };
    },

    get isChosen(): boolean {
      return this.kind === JudgingKind.Choose;
    },

    get isScored(): boolean {
      return this.kind === JudgingKind.Score;
    },

    typed(): void {
      changed(true);
    },

    setKind(value: string): void {
      this.kind = Number(value);
      changed(false);
    },

    setChoices(value: string): void {
      this.choices = within(value, 1, MOST_CHOICES, this.choices);
      changed(false);
    },

    setPoints(value: string): void {
      this.points = within(value, 2, MOST_POINTS, this.points);
      changed(false);
    },

    setReason(value: string): void {
      this.reason = Number(value) as Wanted;
      changed(false);
    },

    setWords(value: string): void {
      this.words = Number(value) as Wanted;
      changed(false);
    },
  };
}

function within(value: string, least: number, most: number, before: number): number {
  const typed = Math.floor(Number(value));
  return value.trim() !== '' && Number.isFinite(typed) ? Math.min(most, Math.max(least, typed)) : before;
}
