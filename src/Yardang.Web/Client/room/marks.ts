// Marks, changes and events as they are on the wire (docs/protocol.md) and as the client holds them.

export const enum Grip {
  Own = 0,
  Loose = 1,
  Printed = 2,
}

export const enum Property {
  Place = 1,
  Erased = 2,
  Cuts = 3,
  Words = 4,
  Style = 5,
  Name = 20,
  Directions = 21,
  Size = 22,
  Paper = 23,
  PageName = 24,
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

export type Body = InkBody | BoxBody;

export interface Style {
  readonly colour: number;
  readonly width: number;
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
}

export interface Page {
  readonly id: number;
  readonly name: Texts;
  readonly width: number;
  readonly height: number;
  readonly paper: number;
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
    style: { colour: raw[7][0], width: raw[7][1] },
    place: { x: raw[8][0], y: raw[8][1], turn: raw[8][2] },
    cuts: raw[9],
    erased: raw[10],
  };
}

export function readChange(raw: Raw): Change {
  const property = raw[0] as Property;
  return { property, target: raw[1], value: readValue(property, raw) };
}

export function writeChange(change: Change): Raw {
  const head = [change.property, change.target];
  switch (change.property) {
    case Property.Place: {
      const place = change.value as Place;
      return [...head, [place.x, place.y, place.turn]];
    }
    case Property.Style: {
      const style = change.value as Style;
      return [...head, [style.colour, style.width]];
    }
    case Property.Words: {
      const wording = change.value as Wording;
      return [...head, writeWords(wording.words), wording.width, wording.height];
    }
    case Property.Size: {
      const size = change.value as { width: number; height: number };
      return [...head, [size.width, size.height]];
    }
    default:
      return [...head, change.value];
  }
}

export function readPage(raw: Raw): Page {
  return { id: raw[0], name: raw[1], width: raw[2], height: raw[3], paper: raw[4] };
}

function readValue(property: Property, raw: Raw): Value {
  switch (property) {
    case Property.Place:
      return { x: raw[2][0], y: raw[2][1], turn: raw[2][2] };
    case Property.Style:
      return { colour: raw[2][0], width: raw[2][1] };
    case Property.Words:
      return { words: readWords(raw[2]), width: raw[3], height: raw[4] };
    case Property.Size:
      return { width: raw[2][0], height: raw[2][1] };
    default:
      return raw[2];
  }
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
