// Marks, pages and changes as they are on the wire: docs/protocol.md.

import {
  type AnswerKey,
  type Body,
  type Change,
  type Expectation,
  type Mark,
  type NewMark,
  type Page,
  type Paper,
  type Place,
  PLAIN,
  Property,
  type Scale,
  type Stimulus,
  type Style,
  type Translation,
  type Value,
  type Wording,
  type Words,
} from './marks';

type Raw = any[]; // What the MessagePack reader gives: checked by shape below, not by type.

export function readBody(raw: Raw): Body {
  const [kind, x, y, width, height] = raw;
  const box = { x, y, width, height };
  switch (kind) {
    case 1:
      return { kind: 'ink', points: readPoints(raw[1]) };
    case 2:
    case 3:
      return { kind: kind === 2 ? 'text' : 'note', ...box, words: readWords(raw[5]) };
    case 4:
      return { kind: 'shape', shape: raw[1], points: raw[2] };
    case 5:
      return { kind: 'picture', ...box, media: raw[5], description: raw[6], text: raw[7] ?? null };
    case 6:
      return { kind: 'bubble', ...box, words: readWords(raw[5]), tipX: raw[6], tipY: raw[7] };
    case 7:
      return { kind: 'formula', ...box, source: raw[5], outline: raw[6] };
    case 8:
      return { kind: 'stamp', ...box, stamp: raw[5] };
    case 9:
      return { kind: 'connector', from: raw[1], to: raw[2], points: raw[3], label: raw[4] && readWords(raw[4]) };
    case 10:
      return {
        kind: 'zone',
        shape: raw[1],
        points: raw[2],
        name: raw[3],
        rule: raw[4],
        expected: raw[5] && readExpectation(raw[5]),
      };
    default:
      throw new Error(`Unknown kind of mark: ${kind}.`);
  }
}

function readExpectation(raw: Raw): Expectation {
  return { marks: raw[0], answers: raw[1], least: raw[2], most: raw[3] };
}

export function readKey(raw: Raw): AnswerKey {
  return {
    marks: raw[0].map(readMark),
    zones: new Map(raw[1].map((zone: Raw) => [zone[0], readExpectation(zone[1])])),
  };
}

export function writeBody(body: Body): Raw {
  switch (body.kind) {
    case 'ink':
      return [1, writePoints(body.points)];
    case 'shape':
      return [4, body.shape, body.points];
    case 'connector':
      return [9, body.from, body.to, body.points, body.label && writeWords(body.label)];
    case 'zone': {
      const e = body.expected;
      const expected = e && [e.marks, e.answers, e.least, e.most];
      return [10, body.shape, body.points, body.name, body.rule, expected];
    }
  }
  const { x, y, width, height } = body;
  const box = [x, y, width, height];
  switch (body.kind) {
    case 'text':
      return [2, ...box, writeWords(body.words)];
    case 'note':
      return [3, ...box, writeWords(body.words)];
    case 'picture':
      return [5, ...box, body.media, body.description, ...(body.text === null ? [] : [body.text])];
    case 'bubble':
      return [6, ...box, writeWords(body.words), body.tipX, body.tipY];
    case 'formula':
      return [7, ...box, body.source, body.outline];
    case 'stamp':
      return [8, ...box, body.stamp];
  }
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

export function readNewMark(raw: Raw): NewMark {
  const [id, grip, body, style, place, scale, cuts, tie] = raw;
  return {
    id,
    grip,
    body: readBody(body),
    style: readStyle(style),
    place: readPlace(place),
    scale: readScale(scale),
    cuts,
    tie,
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

/** A property with a minus stands for a value that this reader may not know: it is left undefined. */
export function readChange(raw: Raw): Change {
  const property = Math.abs(raw[0]) as Property;
  if (raw[0] < 0) return { property, target: raw[1], value: undefined };
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
    case Property.Stimulus:
      return [...head, writeStimulus(change.value as Stimulus | null)];
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
    stimulus: readStimulus(raw[8] ?? null),
    starters: raw[9] ?? [],
  };
}

function readStimulus(raw: Raw | null): Stimulus | null {
  return raw && { kind: raw[0], source: raw[1], title: raw[2] };
}

function writeStimulus(stimulus: Stimulus | null): Raw | null {
  return stimulus && [stimulus.kind, stimulus.source, stimulus.title];
}

export function writePage(page: Page): Raw {
  const { id, name, width, height, paper, directions, withheld, order, erased, stimulus, starters } = page;
  const raw = [id, name, [width, height], writePaper(paper), directions, withheld, order, erased];
  if (starters.length > 0) return [...raw, writeStimulus(stimulus), starters];
  return stimulus ? [...raw, writeStimulus(stimulus)] : raw;
}

// Version 1 wrote the kind alone.
function readPaper(raw: Raw | number): Paper {
  if (typeof raw === 'number') return { ...PLAIN, kind: raw };
  return {
    kind: raw[0],
    spacing: raw[1],
    across: raw[2],
    up: raw[3],
    columns: raw[4],
    rows: raw[5],
    media: raw[6] ?? null,
  };
}

function writePaper(paper: Paper): Raw {
  const raw = [paper.kind, paper.spacing, paper.across, paper.up, paper.columns, paper.rows];
  return paper.media ? [...raw, paper.media] : raw;
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
    case Property.Stimulus:
      return readStimulus(raw[2]);
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

export function readStyle(raw: Raw): Style {
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
  const [text, language, lines, size, also] = raw;
  const words = { text, language, lines, size };
  return also ? { ...words, also: also.map(readTranslation) } : words;
}

function readTranslation([language, text, lines, size]: Raw): Translation {
  return { language, text, lines, size };
}

function writeWords(words: Words): Raw {
  const raw = [words.text, words.language, words.lines, words.size];
  return words.also ? [...raw, words.also.map((a) => [a.language, a.text, a.lines, a.size])] : raw;
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
