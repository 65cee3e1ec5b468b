// Along what cards are ordered, in the form of a wall's plan: which kind of line, what its ends are called, and who places.

import { BLANK_LINE } from '../room/placing';
import { textIn } from '../surface/in-language';
import type { Texts } from '../room/marks';
import { LineKind, type LinePlan } from '../wire/forms';
import { dateOf, dayOf } from './line-measure';

/** Core's LinePlan. */
const MOST_RUNGS = 60;
const FARTHEST_YEAR = 100_000;

/** From where to where a line goes that is new. */
function usualOf(kind: LineKind): readonly [number, number] {
  const year = new Date().getFullYear();
  switch (kind) {
    case LineKind.Ends:
    case LineKind.Field:
      return [BLANK_LINE.from, BLANK_LINE.to];
    case LineKind.Years:
      return [year - 300, year];
    case LineKind.Days:
      return [dayOf(`${year}-01-01`)!, dayOf(`${year}-12-31`)!];
    case LineKind.Ladder:
      return [1, 5];
  }
}

/** @param changed something was typed or pressed: `typed` is still going on. */
export function lineFormOf(language: string, changed: (typed: boolean) => void) {
  return {
    kind: BLANK_LINE.kind as LineKind,
    start: '',
    end: '',
    low: '',
    high: '',
    from: BLANK_LINE.from,
    to: BLANK_LINE.to,
    together: false,

    show(plan: LinePlan | null): void {
      const { kind, start, end, from, to, together, low, high } = plan ?? BLANK_LINE;
      Object.assign(this, { kind, from, to, together });
      this.start = textIn(start, [language], language);
      this.end = textIn(end, [language], language);
      this.low = textIn(low ?? {}, [language], language);
      this.high = textIn(high ?? {}, [language], language);
    },

    /** What the form says; what was there before as long as it says what cannot be. */
    plan(before: LinePlan | null, said: (all: Texts | undefined, text: string) => Texts): LinePlan {
      const { kind, from, to, together } = this;
      const name = (was: Texts | null | undefined, words: string) => (was || words ? said(was ?? {}, words) : null);
      const names = {
        start: said(before?.start, this.start),
        end: said(before?.end, this.end),
        low: name(before?.low, this.low),
        high: name(before?.high, this.high),
      };
      return this.isBackwards
        ? { ...(before ?? BLANK_LINE), ...names, together }
        : { kind, from, to, together, ...names };
    },

    /** Whether it ends before it begins. */
    get isBackwards(): boolean {
      return this.from >= this.to;
    },

    get isYears(): boolean {
      return this.kind === LineKind.Years;
    },

    get isDays(): boolean {
      return this.kind === LineKind.Days;
    },

    get isField(): boolean {
      return this.kind === LineKind.Field;
    },

    get isLadder(): boolean {
      return this.kind === LineKind.Ladder;
    },

    get firstDay(): string {
      return this.isDays ? dateOf(this.from) : '';
    },

    get lastDay(): string {
      return this.isDays ? dateOf(this.to) : '';
    },

    typed(): void {
      changed(true);
    },

    setKind(value: string): void {
      this.kind = Number(value);
      [this.from, this.to] = usualOf(this.kind);
      changed(false);
    },

    setFrom(value: string): void {
      this.from = this.numberIn(value, this.from);
      changed(false);
    },

    setTo(value: string): void {
      this.to = this.numberIn(value, this.to);
      changed(false);
    },

    setTogether(on: boolean): void {
      this.together = on;
      changed(false);
    },

    /** What was typed, within what can be; what was there before if it says nothing. */
    numberIn(value: string, before: number): number {
      if (this.isDays) return dayOf(value) ?? before;
      const typed = Math.floor(Number(value));
      if (value.trim() === '' || !Number.isFinite(typed)) return before;
      return this.isLadder
        ? Math.min(MOST_RUNGS, Math.max(2, typed))
        : Math.min(FARTHEST_YEAR, Math.max(-FARTHEST_YEAR, typed));
    },
  };
}
