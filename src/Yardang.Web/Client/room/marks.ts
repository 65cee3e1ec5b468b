// Marks, pages and changes as the client holds them: Core's, field for field.

export const enum Grip {
  Own = 0,
  Loose = 1,
  Printed = 2,
  Key = 3,
}

export const enum Property {
  Place = 1,
  Erased = 2,
  Cuts = 3,
  Words = 4,
  Style = 5,
  Scale = 6,
  Body = 7,
  Pinned = 8,
  Tie = 9,
  Order = 10,
  Grip = 11,
  Name = 20,
  Directions = 21,
  Size = 22,
  Paper = 23,
  PageName = 24,
  PageErased = 25,
  PageOrder = 26,
  PageDirections = 27,
  Withheld = 28,
  Unit = 29,
  Stimulus = 30,
  Starters = 31,
}

/** How a mark looks beyond colour and width: flags. */
export const enum Looks {
  None = 0,
  FeltTip = 1,
  Highlighter = 2,
  ArrowAtStart = 4,
  ArrowAtEnd = 8,
  Dashed = 16,
  Bold = 32,
  Centred = 64,
  AlignedEnd = 128,
  ShowsSides = 256,
  ShowsAngles = 512,
  ShowsPerimeter = 1024,
  ShowsArea = 2048,
}

/** What students make marks with: flags. */
export const enum Tools {
  Pen = 1,
  Highlighter = 2,
  Text = 4,
  Note = 8,
  Shape = 16,
  Picture = 32,
  Stamp = 64,
  Formula = 128,
}

export const enum Shape {
  Line = 1,
  Polygon = 2,
  Ellipse = 3,
  Arc = 4,
}

export type Texts = Readonly<Record<string, string>>;

export interface Words {
  readonly text: string;
  readonly language: string;
  readonly lines: readonly string[];
  /** Height of the type, 1/100 mm. */
  readonly size: number;
  /** The same in other languages. */
  readonly also?: readonly Translation[];
}

export interface Translation {
  readonly language: string;
  readonly text: string;
  readonly lines: readonly string[];
  readonly size: number;
}

export interface InkBody {
  readonly kind: 'ink';
  /** Flat: x, y, pressure, ms. */
  readonly points: readonly number[];
}

interface Boxed {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export interface SlipBody extends Boxed {
  readonly kind: 'text' | 'note';
  readonly words: Words;
}

/** Words in a bubble whose tail points at something. */
export interface BubbleBody extends Boxed {
  readonly kind: 'bubble';
  readonly words: Words;
  readonly tipX: number;
  readonly tipY: number;
}

/** What has words that are written in place. */
export type BoxBody = SlipBody | BubbleBody;

export interface ShapeBody {
  readonly kind: 'shape';
  readonly shape: Shape;
  /** Flat: x, y. */
  readonly points: readonly number[];
}

export interface PictureBody extends Boxed {
  readonly kind: 'picture';
  /** Its name in the media store. */
  readonly media: string;
  readonly description: string;
  /** What can be read on it; null for nothing. */
  readonly text: string | null;
}

export interface FormulaBody extends Boxed {
  readonly kind: 'formula';
  /** LaTeX. */
  readonly source: string;
  /** Path data from the top left corner. */
  readonly outline: string;
}

export interface StampBody extends Boxed {
  readonly kind: 'stamp';
  readonly stamp: string;
}

export interface ConnectorBody {
  readonly kind: 'connector';
  readonly from: number;
  readonly to: number;
  /** x, y of its beginning and its end. */
  readonly points: readonly number[];
  readonly label: Words | null;
}

export const enum ZoneRule {
  Centre = 0,
  Half = 1,
  Whole = 2,
}

/** What a teacher expects of a zone. */
export interface Expectation {
  readonly marks: readonly number[];
  readonly answers: readonly string[];
  /** -1 for any number. */
  readonly least: number;
  readonly most: number;
}

/** The answer key of a board, whole. */
export interface AnswerKey {
  readonly marks: readonly Mark[];
  /** What is expected of zones, by their ids. */
  readonly zones: ReadonlyMap<number, Expectation>;
}

export interface ZoneBody {
  readonly kind: 'zone';
  readonly shape: Shape.Polygon | Shape.Ellipse;
  readonly points: readonly number[];
  readonly name: Texts;
  readonly rule: ZoneRule;
  readonly expected: Expectation | null;
}

export type Body = InkBody | BoxBody | ShapeBody | PictureBody | FormulaBody | StampBody | ConnectorBody | ZoneBody;

export function isBox(body: Body): body is BoxBody {
  return body.kind === 'text' || body.kind === 'note' || body.kind === 'bubble';
}

export interface Style {
  readonly colour: number;
  readonly width: number;
  /** Shapes: 0 for none, else 1 + the index into the note colours. */
  readonly fill: number;
  readonly looks: number;
}

/** Per mille. */
export interface Scale {
  readonly x: number;
  readonly y: number;
}

export interface Place {
  readonly x: number;
  readonly y: number;
  readonly turn: number;
}

export interface Mark {
  readonly id: number;
  readonly page: number;
  readonly author: number;
  readonly byStaff: boolean;
  readonly grip: Grip;
  readonly order: number;
  readonly body: Body;
  readonly style: Style;
  readonly place: Place;
  readonly cuts: readonly number[];
  readonly erased: boolean;
  /** Null: as drawn. */
  readonly scale: Scale | null;
  readonly pinned: boolean;
  /** Marks with the same number are chosen together; 0 for none. */
  readonly tie: number;
}

/** A mark to be put on a page: what the rules do not give it. */
export type NewMark = Pick<Mark, 'id' | 'grip' | 'body' | 'style' | 'place' | 'scale' | 'cuts' | 'tie'>;

/** Thousandths: from, to, step. */
export type Axis = readonly [from: number, to: number, step: number];

export interface Paper {
  readonly kind: number;
  readonly spacing: number;
  readonly across: Axis | null;
  readonly up: Axis | null;
  readonly columns: number;
  readonly rows: number;
  /** Of a picture: its name in the media store. */
  readonly media: string | null;
}

/** The kind of paper that is a picture. */
export const PICTURE_PAPER = 10;

export const PLAIN: Paper = { kind: 0, spacing: 0, across: null, up: null, columns: 0, rows: 0, media: null };

export const enum StimulusKind {
  Video = 1,
  Audio = 2,
  Picture = 3,
  Link = 4,
}

/** Something to look at or to listen to, beside a page. */
export interface Stimulus {
  readonly kind: StimulusKind;
  /** Its name in the media store, or an address. */
  readonly source: string;
  readonly title: string;
}

export interface Page {
  readonly id: number;
  readonly name: Texts;
  readonly width: number;
  readonly height: number;
  readonly paper: Paper;
  readonly directions: Texts;
  readonly withheld: number;
  readonly stimulus: Stimulus | null;
  /** How sentences may begin that are written here. */
  readonly starters: readonly Texts[];
  readonly order: number;
  readonly erased: boolean;
}

export interface Wording {
  readonly words: Words;
  readonly width: number;
  readonly height: number;
}

export type Value =
  | Place
  | boolean
  | readonly number[]
  | Style
  | Wording
  | Texts
  | number
  | Scale
  | null
  | Body
  | Paper
  | Stimulus
  | readonly Texts[]
  | { width: number; height: number };

/** One property of one thing, and what it is now; undefined if this reader may not know it. */
export interface Change {
  readonly property: Property;
  readonly target: number;
  readonly value: Value | undefined;
}
