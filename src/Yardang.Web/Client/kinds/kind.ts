// What the browser has to know of a kind of mark, in one place for each kind: see Core's MarkBody for what the server has to.

import type { Figure } from '../shapes/measures';
import type { Box, Spot } from '../shapes/geometry';
import type { Mark } from '../room/marks';
import type { Pictures } from '../surface/pictures';

export interface DrawOptions {
  /** Ink and lines are drawn at least this wide (1/100 mm): in a small picture, thin ones would fade away. */
  readonly thinnest?: number;
  /** In which lengths are shown: 0 centimetres, 1 inches. */
  readonly unit?: number;
  readonly pictures?: Pictures;
  /** In which languages a teacher's words are read, the first where they are there. */
  readonly languages?: readonly string[];
  /** In which language they were written. */
  readonly written?: string;
}

/** What kinds of marks, and those that have names of their own, are called. */
export interface KindTexts {
  readonly kinds: Record<string, string>;
  readonly stamps: Record<string, string>;
  readonly figures: Record<Figure, string>;
}

/** For whom something is said. */
export interface Reader {
  readonly languages: readonly string[];
  /** In which language a teacher's words were written that do not know it themselves. */
  readonly written: string;
  /** What another mark is called, or says; empty if it is not there. */
  readonly mark: (id: number) => string;
  readonly texts: KindTexts;
}

export interface Kind<B> {
  /** The box as it was drawn, without the width of its lines. */
  box(body: B): Box;
  /** The corners as drawn that tell how far it reaches when it is turned; those of the box if nothing is said. */
  corners?(body: B): readonly Spot[];
  /** Draws it. Place and turn are the canvas's already. */
  draw(ctx: CanvasRenderingContext2D, mark: Mark, body: B, options: DrawOptions): void;
  /** How far it is painted beyond its lines, 1/100 mm. */
  around?(mark: Mark, body: B): number;
  /** Whether a place on the body, scaled but neither turned nor moved, is on it: anywhere in its box if nothing is said. */
  isAt?(mark: Mark, body: B, local: Spot, limit: number): boolean;
  /** What it is called, if not after its kind. */
  name?(mark: Mark, body: B, texts: KindTexts): string;
  /** What is said on it; empty for nothing. */
  said(body: B, reader: Reader): string;
  /** What a teacher's says to those who read these languages; only where it may be said in several. */
  saidIn?(body: B, languages: readonly string[], written: string): string;
  /** The languages in which it is said, where it may be said in several. */
  languages?(body: B): readonly string[];
  /** The marks on which it hangs. */
  ends?(body: B): readonly number[];
  /** The same about marks of other ids; those without one are about nothing any more. */
  renamed?(body: B, ids: ReadonlyMap<number, number>): B;
}
