// How marks are moved, turned, resized, aligned and spread: as changes that say what they become, of those that may be changed.

import { type BoxBody, type Change, type Mark, Property, isBox } from '../room/marks';
import { type Box, type Spot, turned } from '../shapes/geometry';
import { boundsOf, boundsOfAll, middleOf } from '../shapes/placed';
import { fitNote, fitText } from '../surface/text-fit';

/** Whether a property of a mark may be changed by whoever arranges. */
export type May = (mark: Mark, property: Property) => boolean;

export type Side = 'left' | 'centre' | 'right' | 'top' | 'middle' | 'bottom';

const FULL_TURN = 36_000;
const LEAST_SCALE = 10;
const MOST_SCALE = 100_000;
const LEAST_TYPE = 100;
const MOST_TYPE = 20_000;
const LEAST_BOX = 1000;

export function middleOfAll(marks: readonly Mark[]): Spot {
  const box = boundsOfAll(marks);
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}

export function movedBy(marks: readonly Mark[], dx: number, dy: number, may: May): Change[] {
  return marks
    .filter((m) => may(m, Property.Place))
    .map((m) => placing(m, { x: m.place.x + dx, y: m.place.y + dy, turn: m.place.turn }));
}

/** Turned about a place, degrees. */
export function turnedBy(marks: readonly Mark[], about: Spot, degrees: number, may: May): Change[] {
  return marks
    .filter((m) => may(m, Property.Place) && m.body.kind !== 'answerField')
    .map((m) => {
      const middle = middleOf(m.body);
      const to = turned({ x: middle.x + m.place.x, y: middle.y + m.place.y }, about, degrees);
      const turn = ((Math.round(m.place.turn + degrees * 100) % FULL_TURN) + FULL_TURN) % FULL_TURN;
      return placing(m, { x: to.x - middle.x, y: to.y - middle.y, turn });
    });
}

/** What handles are set round: the upright box of marks, or that of a single one, turned with it (degrees about its middle). */
export interface Frame {
  readonly box: Box;
  readonly turn: number;
}

export function frameOf(marks: readonly Mark[]): Frame {
  const [only] = marks;
  if (marks.length !== 1 || only!.place.turn === 0) return { box: boundsOfAll(marks), turn: 0 };
  return { box: boundsOf({ ...only!, place: { ...only!.place, turn: 0 } }), turn: only!.place.turn / 100 };
}

/**
 * Made larger by factors, a place staying where it is; across and down are those of a frame turned by so many degrees.
 * A text or note alone keeps its type and takes another width.
 */
export function scaledBy(
  marks: readonly Mark[],
  fixed: Spot,
  fx: number,
  fy: number,
  may: May,
  frameTurn = 0,
): Change[] {
  const free = marks.filter((m) => may(m, isBox(m.body) ? Property.Words : Property.Scale));
  const only = free.length === 1;
  return free.flatMap((m) => {
    const middle = middleOf(m.body);
    const at = turned({ x: middle.x + m.place.x, y: middle.y + m.place.y }, fixed, -frameTurn);
    const to = turned({ x: fixed.x + (at.x - fixed.x) * fx, y: fixed.y + (at.y - fixed.y) * fy }, fixed, frameTurn);
    if (isBox(m.body)) return boxScaled(m, m.body, to, fx, only ? fy : fx, only);
    const across = Math.abs(Math.sin(((m.place.turn / 100 - frameTurn) / 180) * Math.PI)) > 0.5;
    const [sx, sy] = across ? [fy, fx] : [fx, fy];
    const scale = { x: within((m.scale?.x ?? 1000) * sx), y: within((m.scale?.y ?? 1000) * sy) };
    const place = { x: to.x - middle.x, y: to.y - middle.y, turn: m.place.turn };
    return [{ property: Property.Scale, target: m.id, value: scale }, placing(m, place)];
  });
}

function boxScaled(mark: Mark, body: BoxBody, to: Spot, fx: number, fy: number, refit: boolean): Change[] {
  const width = Math.max(LEAST_BOX, Math.round(body.width * fx));
  const height = Math.max(LEAST_BOX, Math.round(body.height * fy));
  const { words } = body;
  const { looks } = mark.style;
  const fitted = !refit
    ? { lines: words.lines, size: typeSize(words.size * fx), width, height }
    : body.kind !== 'text'
      ? fitNote(words.text, width, height, looks)
      : { ...fitText(words.text, words.size, width, looks), width };
  const place = { x: to.x - fitted.width / 2 - body.x, y: to.y - fitted.height / 2 - body.y, turn: mark.place.turn };
  return [wording(mark, body, words.text, fitted), placing(mark, place)];
}

/** Other words, or the same in another size, broken into lines anew. A text keeps its width if it has more than one line. */
export function reworded(mark: Mark, change: (text: string) => string, factor = 1): Change[] {
  const { body } = mark;
  if (!isBox(body)) return [];
  const text = change(body.words.text);
  const { looks } = mark.style;
  const size = typeSize(body.words.size * factor);
  const broken = body.words.lines.length > body.words.text.split('\n').length;
  const fitted =
    body.kind !== 'text'
      ? fitNote(text, body.width, body.kind === 'note' ? body.width : body.height, looks)
      : fitText(text, size, broken ? body.width * factor : Infinity, looks);
  return [wording(mark, body, text, fitted)];
}

export function aligned(marks: readonly Mark[], side: Side, may: May): Change[] {
  if (marks.length < 2) return [];
  const all = boundsOfAll(marks);
  return marks.flatMap((m) => {
    const box = boundsOf(m);
    const by: Record<Side, [number, number]> = {
      left: [all.x - box.x, 0],
      centre: [all.x + all.width / 2 - box.x - box.width / 2, 0],
      right: [all.x + all.width - box.x - box.width, 0],
      top: [0, all.y - box.y],
      middle: [0, all.y + all.height / 2 - box.y - box.height / 2],
      bottom: [0, all.y + all.height - box.y - box.height],
    };
    return movedBy([m], ...by[side], may);
  });
}

/** The gaps between them become equal; the outermost stay. */
export function distributed(marks: readonly Mark[], across: boolean, may: May): Change[] {
  const boxes = marks.map((mark) => {
    const box = boundsOf(mark);
    return { mark, start: across ? box.x : box.y, size: across ? box.width : box.height };
  });
  if (boxes.length < 3) return [];
  boxes.sort((a, b) => a.start - b.start);
  const [first, last] = [boxes[0]!, boxes.at(-1)!];
  const room = last.start + last.size - first.start;
  const gap = (room - boxes.reduce((sum, b) => sum + b.size, 0)) / (boxes.length - 1);
  let at = first.start;
  return boxes.flatMap(({ mark, start, size }) => {
    const by = at - start;
    at += size + gap;
    return movedBy([mark], across ? by : 0, across ? 0 : by, may);
  });
}

function wording(
  mark: Mark,
  { words }: BoxBody,
  text: string,
  { lines, size, width, height }: { lines: readonly string[]; size: number; width: number; height: number },
): Change {
  return {
    property: Property.Words,
    target: mark.id,
    value: { words: { ...words, text, lines, size }, width, height },
  };
}

function placing(mark: Mark, { x, y, turn }: { x: number; y: number; turn: number }): Change {
  return { property: Property.Place, target: mark.id, value: { x: Math.round(x), y: Math.round(y), turn } };
}

function within(scale: number): number {
  return Math.min(MOST_SCALE, Math.max(LEAST_SCALE, Math.round(scale)));
}

function typeSize(size: number): number {
  return Math.min(MOST_TYPE, Math.max(LEAST_TYPE, Math.round(size)));
}
