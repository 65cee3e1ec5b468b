// On what cards are connected, in the form of a wall's plan: words for links, who may do what, and what lies beneath.

import { BLANK_FIELD } from '../room/linking';
import type { Texts } from '../room/marks';
import { textIn } from '../surface/in-language';
import type { FieldPlan } from '../wire/forms';
import { mapFormOf } from './map-form';
import type { MapDesk } from './plan-form';

interface WordForm {
  readonly id: number;
  text: string;
}

/** Core's FieldPlan. */
const MOST_WORDS = 24;

/**
 * @param newId a number that nothing else has.
 * @param maps where a picture goes.
 * @param changed something was typed or pressed: `typed` is still going on.
 */
export function fieldFormOf(
  language: string,
  newId: () => number,
  maps: () => MapDesk,
  changed: (typed: boolean) => void,
) {
  return {
    words: [] as WordForm[],
    onlyThese: false,
    ownOnly: false,
    anyMoves: false,
    paper: BLANK_FIELD.paper,
    beneath: mapFormOf(maps, changed),

    show(plan: FieldPlan | null): void {
      const { words, onlyThese, ownOnly, anyMoves, paper, picture } = plan ?? BLANK_FIELD;
      Object.assign(this, { onlyThese, ownOnly, anyMoves, paper });
      this.words = words.map(({ id, text }) => ({ id, text: textIn(text, [language], language) }));
      this.beneath.show(picture);
    },

    /** What the form says. */
    plan(before: FieldPlan | null, said: (all: Texts | undefined, text: string) => Texts): FieldPlan {
      const { onlyThese, ownOnly, anyMoves, paper } = this;
      const words = this.words.map(({ id, text }) => ({
        id,
        text: said(before?.words.find((w) => w.id === id)?.text, text),
      }));
      return { words, onlyThese, ownOnly, anyMoves, paper, picture: this.beneath.picture };
    },

    get isFull(): boolean {
      return this.words.length >= MOST_WORDS;
    },

    add(text = ''): void {
      let id = newId();
      while (id === 0 || this.words.some((w) => w.id === id)) id = newId();
      this.words.push({ id, text });
      changed(false);
      requestAnimationFrame(() => document.getElementById(`word-${id}`)?.focus());
    },

    remove(at: number): void {
      this.words.splice(at, 1);
      changed(false);
    },

    typed(): void {
      changed(true);
    },

    setOnlyThese(on: boolean): void {
      this.onlyThese = on;
      changed(false);
    },

    setOwnOnly(on: boolean): void {
      this.ownOnly = on;
      changed(false);
    },

    setAnyMoves(on: boolean): void {
      this.anyMoves = on;
      changed(false);
    },

    setPaper(value: string): void {
      this.paper = Number(value);
      changed(false);
    },
  };
}
