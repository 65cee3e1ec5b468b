// Marks, changes and events as they are on the wire (docs/protocol.md) and as the client holds them.

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
}

export interface InkBody {
  readonly kind: 'ink';
  /** Flat: x, y, pressure, ms. */
  readonly points: readonly number[];
}

export interface BoxBody {
  readonly kind: 'text' | 'note';
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly words: Words;
}

export interface ShapeBody {
  readonly kind: 'shape';
  readonly shape: Shape;
  /** Flat: x, y. */
  readonly points: readonly number[];
}

export interface PictureBody {
  readonly kind: 'picture';
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  /** Its name in the media store. */
  readonly media: string;
  readonly description: string;
}

export type Body = InkBody | BoxBody | ShapeBody | PictureBody;

export function isBox(body: Body): body is BoxBody {
  return body.kind === 'text' || body.kind === 'note';
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
}

export const PLAIN: Paper = { kind: 0, spacing: 0, across: null, up: null, columns: 0, rows: 0 };

export interface Page {
  readonly id: number;
  readonly name: Texts;
  readonly width: number;
  readonly height: number;
  readonly paper: Paper;
  readonly directions: Texts;
  readonly withheld: number;
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
  | { width: number; height: number };

/** One property of one thing, and what it is now. */
export interface Change {
  readonly property: Property;
  readonly target: number;
  readonly value: Value;
}

type Raw = any[]; // What the MessagePack reader gives: checked by shape below, not by type.

export function readBody(raw: Raw): Body {
  if (raw[0] === 1) return { kind: 'ink', points: readPoints(raw[1]) };
  if (raw[0] === 5) {
    const [, x, y, width, height, media, description] = raw;
    return { kind: 'picture', x, y, width, height, media, description };
  }
  if (raw[0] === 4) return { kind: 'shape', shape: raw[1], points: raw[2] };
  return {
    kind: raw[0] === 2 ? 'text' : 'note',
    x: raw[1],
    y: raw[2],
    width: raw[3],
    height: raw[4],
    words: readWords(raw[5]),
  };
}

export function writeBody(body: Body): Raw {
  if (body.kind === 'ink') return [1, writePoints(body.points)];
  if (body.kind === 'shape') return [4, body.shape, body.points];
  if (body.kind === 'picture') return [5, body.x, body.y, body.width, body.height, body.media, body.description];
  return [body.kind === 'text' ? 2 : 3, body.x, body.y, body.width, body.height, writeWords(body.words)];
}

export function readMark(raw: Raw): Mark {
  return {
    id: raw[0],
    page: raw[1],
    author: raw[2],
    byStaff: raw[3],
    grip: raw[4],
    order: raw[5],
    body: readBody(raw[6]),
    style: readStyle(raw[7]),
    place: readPlace(raw[8]),
    cuts: raw[9],
    erased: raw[10],
    scale: readScale(raw[11] ?? null),
    pinned: raw[12] ?? false,
    tie: raw[13] ?? 0,
  };
}

export function writeNewMark(mark: NewMark): Raw {
  return [
    mark.id,
    mark.grip,
    writeBody(mark.body),
    writeStyle(mark.style),
    writePlace(mark.place),
    writeScale(mark.scale),
    mark.cuts,
    mark.tie,
  ];
}

export function readChange(raw: Raw): Change {
  const property = raw[0] as Property;
  return { property, target: raw[1], value: readValue(property, raw) };
}

export function writeChange(change: Change): Raw {
  const head = [change.property, change.target];
  switch (change.property) {
    case Property.Place:
      return [...head, writePlace(change.value as Place)];
    case Property.Style:
      return [...head, writeStyle(change.value as Style)];
    case Property.Scale:
      return [...head, writeScale(change.value as Scale | null)];
    case Property.Body:
      return [...head, writeBody(change.value as Body)];
    case Property.Words: {
      const wording = change.value as Wording;
      return [...head, writeWords(wording.words), wording.width, wording.height];
    }
    case Property.Size: {
      const size = change.value as { width: number; height: number };
      return [...head, [size.width, size.height]];
    }
    case Property.Paper:
      return [...head, writePaper(change.value as Paper)];
    default:
      return [...head, change.value];
  }
}

export function readPage(raw: Raw): Page {
  return {
    id: raw[0],
    name: raw[1],
    width: raw[2][0],
    height: raw[2][1],
    paper: readPaper(raw[3]),
    directions: raw[4],
    withheld: raw[5],
    order: raw[6],
    erased: raw[7],
  };
}

export function writePage(page: Page): Raw {
  const { id, name, width, height, paper, directions, withheld, order, erased } = page;
  return [id, name, [width, height], writePaper(paper), directions, withheld, order, erased];
}

// Version 1 wrote the kind alone.
function readPaper(raw: Raw | number): Paper {
  if (typeof raw === 'number') return { ...PLAIN, kind: raw };
  return { kind: raw[0], spacing: raw[1], across: raw[2], up: raw[3], columns: raw[4], rows: raw[5] };
}

function writePaper(paper: Paper): Raw {
  return [paper.kind, paper.spacing, paper.across, paper.up, paper.columns, paper.rows];
}

function readValue(property: Property, raw: Raw): Value {
  switch (property) {
    case Property.Place:
      return readPlace(raw[2]);
    case Property.Style:
      return readStyle(raw[2]);
    case Property.Scale:
      return readScale(raw[2]);
    case Property.Body:
      return readBody(raw[2]);
    case Property.Words:
      return { words: readWords(raw[2]), width: raw[3], height: raw[4] };
    case Property.Size:
      return { width: raw[2][0], height: raw[2][1] };
    case Property.Paper:
      return readPaper(raw[2]);
    default:
      return raw[2];
  }
}

function readPlace(raw: Raw): Place {
  return { x: raw[0], y: raw[1], turn: raw[2] };
}

function writePlace(place: Place): Raw {
  return [place.x, place.y, place.turn];
}

function readStyle(raw: Raw): Style {
  return { colour: raw[0], width: raw[1], fill: raw[2] ?? 0, looks: raw[3] ?? 0 };
}

export function writeStyle(style: Style): Raw {
  const { colour, width, fill, looks } = style;
  return fill === 0 && looks === 0 ? [colour, width] : [colour, width, fill, looks];
}

function readScale(raw: Raw | null): Scale | null {
  return raw && { x: raw[0], y: raw[1] };
}

function writeScale(scale: Scale | null): Raw | null {
  return scale && [scale.x, scale.y];
}

function readWords(raw: Raw): Words {
  return { text: raw[0], language: raw[1], lines: raw[2], size: raw[3] };
}

function writeWords(words: Words): Raw {
  return [words.text, words.language, words.lines, words.size];
}

// On the wire each point is the difference to the one before; pressure is itself.
export function readPoints(raw: readonly number[]): number[] {
  const points = new Array<number>(raw.length);
  let x = 0;
  let y = 0;
  let ms = 0;
  for (let i = 0; i < raw.length; i += 4) {
    points[i] = x += raw[i]!;
    points[i + 1] = y += raw[i + 1]!;
    points[i + 2] = raw[i + 2]!;
    points[i + 3] = ms += raw[i + 3]!;
  }
  return points;
}

export function writePoints(points: readonly number[]): number[] {
  const raw = new Array<number>(points.length);
  for (let i = 0; i < points.length; i += 4) {
    raw[i] = points[i]! - (i > 0 ? points[i - 4]! : 0);
    raw[i + 1] = points[i + 1]! - (i > 0 ? points[i - 3]! : 0);
    raw[i + 2] = points[i + 2]!;
    raw[i + 3] = points[i + 3]! - (i > 0 ? points[i - 1]! : 0);
  }
  return raw;
}
