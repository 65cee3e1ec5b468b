// Golden vectors written by Core (tests/golden): the browser computes the same.
import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { outline } from './ink/outline';
import { lengths, remaining, remainingIntervals, underEraser, union } from './ink/stroke';
import { known } from './wire/by-hand';
import type { RoomSnapshot } from './wire/forms';
import { readCommand, readRoomSnapshot } from './wire/kinds';
import { writeMarkBody } from './wire/pages-codec';
import { classOrder } from './room/class-order';
import { placesIn } from './room/placing';
import { Looks, ShapeKind, stands as isThere } from './room/marks';
import { LessonState } from './room/lesson-state';
import type { RoomState } from './room/room-client';
import { Sheets } from './room/sheets';
import { foresee } from './room/wall-foresight';
import { type Answer, type Card, WallState } from './room/wall-state';
import './room/field-foresight';
import { readingOf } from './room/link-reading';
import { stands } from './room/linking';
import { SNAPSHOT_FORMAT, encodeSubmission, readEnvelope } from './room/wire';
import { spaceOf } from './shapes/answer-place';
import { between } from './shapes/connectors';
import { corners } from './shapes/geometry';
import { boundsOf, onPage } from './shapes/placed';
import { laid } from './shapes/zone-layers';
import { measureLabels } from './shapes/measure-labels';
import { figureOf, measure } from './shapes/measures';
import { groupSign } from './people/group-sign';
import { HIGHLIGHTER, INK, NOTE, PRINT, TEACHER_INK } from './surface/palette';
import { ruling } from './surface/ruling';
import { fillInsOf } from './workshop/fill-ins';
import { decode } from '@msgpack/msgpack';

const golden = (name: string) => JSON.parse(readFileSync(`../../tests/golden/${name}.json`, 'utf8'));
const stateIn = (snapshot: string): [number, RoomSnapshot] => {
  const [format, kind, number, , state] = decode(bytes(snapshot)) as any[];
  assert.equal(format, SNAPSHOT_FORMAT);
  return [number, known(readRoomSnapshot(kind, state))];
};
const readBoard = (snapshot: string) => Sheets.of(...stateIn(snapshot));
const readWall = (snapshot: string) => WallState.of(...stateIn(snapshot));
const readLesson = (snapshot: string) => LessonState.of(...stateIn(snapshot));

/** A state after the events that a reader was sent. */
function fold<S extends RoomState<S>>(state: S, events: readonly string[]): S {
  for (const event of events) {
    const envelope = readEnvelope(decode(bytes(event)) as any[]);
    state.number = envelope.number;
    state.apply(envelope);
  }
  return state;
}

const bytes = (base64: string) => Uint8Array.from(Buffer.from(base64, 'base64'));

test('ink has the same outline as in Core', () => {
  for (const { points, width, polygons } of golden('ink')) {
    const drawn = outline(points, width);
    assert.equal(drawn.length, polygons.length);
    drawn.forEach((polygon, i) => {
      assert.equal(polygon.length, polygons[i].length);
      polygon.forEach((v, k) => assert.ok(Math.abs(v - polygons[i][k]) < 0.01, `${v} and ${polygons[i][k]}`));
    });
  }
});

test('rubbing out cuts the same parts as in Core', () => {
  for (const { points, x, y, radius, cuts, earlier, together, left, parts } of golden('cuts')) {
    assert.deepEqual(underEraser(points, x, y, radius), cuts);
    assert.deepEqual(union(cuts, earlier), together);
    const sums = lengths(points);
    assert.deepEqual(remainingIntervals(together, Math.ceil(sums[sums.length - 1]!)), left);
    if (together.length > 0) assert.deepEqual(remaining(points, together), parts);
  }
});

test('a log of events leaves the same marks, journal and late work as in Core', () => {
  for (const { start, events, end, undo, redo } of golden('boards')) {
    const board = fold(readBoard(start), events);
    assert.deepEqual(plain(board), plain(readBoard(end)));
    for (const actor of Object.keys(undo)) assert.equal(board.nextUndo(Number(actor)), undo[actor]);
    for (const actor of Object.keys(redo)) assert.equal(board.nextRedo(Number(actor)), redo[actor]);
  }
});

test('for every reader, what they were sent adds up to what a snapshot shows them, as in Core', () => {
  for (const { reader, isStaff, start, events, end } of golden('sight-boards')) {
    const board = fold(readBoard(start), events);
    assert.deepEqual(seenBy(board, reader, isStaff), seenBy(readBoard(end), reader, isStaff));
  }
  for (const { isStaff, start, events, end } of golden('sight-lessons')) {
    const lesson = fold(readLesson(start), events);
    assert.deepEqual(toldTo(lesson, isStaff), toldTo(readLesson(end), isStaff));
  }
  const walls = [...golden('sight-walls'), ...golden('sight-walls-without-names')];
  for (const { reader, isStaff, start, events, end } of walls) {
    const wall = fold(readWall(start), events);
    assert.deepEqual(onWall(wall, reader, isStaff), onWall(readWall(end), reader, isStaff));
  }
});

test('what is foreseen of a command on a wall is what Core decides', () => {
  for (const { reader, isStaff, start, command, happened } of golden('walls-foreseen')) {
    const [, , , , , kind, body] = decode(bytes(command)) as any[];
    const foreseen = foresee(readWall(start), known(readCommand(kind, body)), { number: reader, isStaff }, 5000);
    assert.deepEqual(foreseen, happened && readEnvelope(decode(bytes(happened)) as any[]).event);
  }
});

test('the order of the class is that of Core', () => {
  for (const { kind, own, people, places, alike, compared, up } of golden('class-orders')) {
    const told = own.map(([person, card, on, at, high]: number[]) => ({ person, card, at: { on, at, up: high } }));
    const order = classOrder(kind, placesIn(told), new Set([1, 2, 3, 4, 5, 6, 8]));
    assert.deepEqual([order.people, order.alike, order.compared], [people, alike, compared]);
    assert.deepEqual([order.alikeUp, order.comparedUp], up);
    assert.deepEqual(
      order.places.map((p) => [
        ...[p.card, p.people, p.middle, p.low, p.high],
        ...(p.up ? [p.up.middle, p.up.low, p.up.high] : [-1, -1, -1]),
      ]),
      places,
    );
  }
});

test('what links say together is what Core reads in them', () => {
  for (const { cards, links, loose, chains, loops } of golden('link-readings')) {
    const reading = readingOf(
      cards,
      links.map(([from, to]: number[]) => ({ from, to })),
    );
    assert.deepEqual(reading, { loose, chains, loops });
  }
});

test('a prediction of undo does what Core does', () => {
  for (const { before, actor, gesture, event } of golden('undo')) {
    const board = readBoard(before);
    const foreseen = board.predict({ kind: 'undoGesture', gesture }, { number: actor, isStaff: actor === 1 }, false);
    assert.deepEqual(foreseen, readEnvelope(decode(bytes(event)) as any[]).event);
  }
});

test('colours are those of Core', () => {
  const hex = (n: number) => `#${n.toString(16).padStart(6, '0')}`;
  const palette = golden('palette');
  assert.deepEqual([...INK], palette.ink.map(hex));
  assert.deepEqual([...NOTE], palette.note.map(hex));
  assert.deepEqual([...HIGHLIGHTER], palette.highlighter.map(hex));
  assert.equal(TEACHER_INK, hex(palette.teacherInk));
  assert.equal(PRINT, hex(palette.print));
});

test('groups have the colours and shapes of Core', () => {
  const signs = golden('group-signs');
  assert.ok(signs.length > 70);
  for (const { number, name, fill, path } of signs) assert.deepEqual(groupSign(number, name), { fill, path }, name);
});

test('papers are ruled as in Core', () => {
  const axis = (a: number[] | null) => a && { from: a[0]!, to: a[1]!, step: a[2]! };
  for (const { ruling: expected, across, up, ...paper } of golden('rulings')) {
    assert.deepEqual(ruling({ ...paper, across: axis(across), up: axis(up) }, 9000, 7000), expected);
  }
});

test('shapes are as large, turned and named as in Core', () => {
  const near = (actual: number[], expected: number[]) => {
    assert.equal(actual.length, expected.length);
    actual.forEach((v, i) => assert.ok(Math.abs(v - expected[i]!) < 0.01, `${v} and ${expected[i]}`));
  };
  for (const vector of golden('shapes')) {
    const [x, y, turn] = vector.place;
    const scale = vector.scale && { x: vector.scale[0], y: vector.scale[1] };
    const body = { kind: 'shape', shape: vector.shape, points: vector.points } as const;
    const mark = { body, place: { x, y, turn }, scale };
    near(
      corners(body)
        .map((c) => onPage(mark, c))
        .flatMap((c) => [c.x, c.y]),
      vector.corners,
    );
    const box = boundsOf(mark);
    near([box.x, box.y, box.width, box.height], vector.bounds);
    assert.equal(figureOf(body, scale), vector.figure);
    const m = measure(body, scale);
    near(m.sides, vector.sides);
    near(m.angles, vector.angles);
    near([m.perimeter, m.area], [vector.perimeter, vector.area]);
    const all = Looks.ShowsSides | Looks.ShowsAngles | Looks.ShowsPerimeter | Looks.ShowsArea;
    for (const unit of [0, 1]) {
      const labels = measureLabels(body, scale, all, unit);
      assert.deepEqual(
        labels.map((l) => l.text),
        vector.labels[unit].map((l: any[]) => l[2]),
      );
      near(
        labels.flatMap((l) => [l.x, l.y]),
        vector.labels[unit].flatMap((l: any[]) => [l[0], l[1]]),
      );
    }
  }
});

test('every kind of mark is read and written as Core writes it', () => {
  for (const { kind, added } of golden('objects')) {
    const raw = decode(bytes(added)) as any[];
    const { event } = readEnvelope(raw);
    assert.ok(event.kind === 'markAdded');
    assert.equal(event.mark.body.kind, kind);
    assert.deepEqual(writeMarkBody(event.mark.body), raw[9][0][6]);
  }
});

test('every kind of command and event is known here, and commands are written as Core writes them', () => {
  for (const { commands, events } of golden('kinds')) {
    for (const { name, bytes: sent } of commands) {
      const [version, client, counter, after, gesture, kind, body] = decode(bytes(sent)) as any[];
      const command = known(readCommand(kind, body));
      assert.equal(command.kind, name);
      const written = encodeSubmission({ client, counter, gesture, command }, after);
      assert.deepEqual(decode(written), [version, client, counter, after, gesture, kind, body]);
    }
    for (const { name, bytes: sent } of events)
      assert.equal(readEnvelope(decode(bytes(sent)) as any[]).event.kind, name);
  }
});

test('what is greyed out is what Core would refuse', () => {
  for (const { actor, isStaff, board, may } of golden('permissions')) {
    const sheets = readBoard(board);
    for (const { target, property, yes } of may) {
      const hint = sheets.mayChange({ number: actor, isStaff }, { target, property });
      assert.equal(hint, yes, `property ${property} of ${target} by ${actor}`);
    }
  }
});

test('places to fill in are found as Core finds them', () => {
  for (const { texts, names } of golden('fill-ins')) assert.deepEqual(fillInsOf(texts), names);
});

test('connectors run where Core lets them run', () => {
  const box = ([x, y, width, height]: number[]) => ({ x: x!, y: y!, width: width!, height: height! });
  for (const { from, to, points } of golden('connectors')) assert.deepEqual(between(box(from), box(to)), points);
});

test('what is typed into an answer field stands where Core says', () => {
  for (const { field, place, scale, space } of golden('answer-places')) {
    const body = { ...field, kind: 'answerField', name: field.name ? { en: field.name } : {} };
    const { x, y, width, height } = spaceOf({ body, place, scale }, body);
    const round = (value: number) => Math.round(value * 1000) / 1000;
    assert.deepEqual([x, y, round(width), round(height)], space);
  }
});

test('zones lie under what is in them, as Core says', () => {
  for (const { marks, laid: expected } of golden('zone-layers')) {
    const all = marks.map(({ id, order, kind, box: [x, y, width, height] }: any) => {
      const body =
        kind === 'note'
          ? { kind, x, y, width, height, words: null }
          : { kind, shape: ShapeKind.Ellipse, points: [x, y, x + width, y + height], name: {} };
      return { id, order, body, place: { x: 0, y: 0, turn: 0 }, scale: null };
    });
    assert.deepEqual(
      laid(all).map((m) => m.id),
      expected,
    );
  }
});

function onWall(
  { plan, cards, links, setAside, lastActivity, acts, places, orderShown, held }: WallState,
  reader: number,
  isStaff: boolean,
) {
  const isOwn = (c: Card) => c.author === reader && !c.byStaff;
  const isShown = (c: Card) => c.downBy === 0 && (c.byStaff || !plan.rules.ownFirst);
  const isSaid = (a: Answer) => isStaff || a.downBy === 0 || (a.author === reader && !a.byStaff);
  const seen = [...cards.values()]
    .filter((c) => isStaff || isOwn(c) || isShown(c))
    .map((c) => ({ ...c, answers: c.answers.filter(isSaid) }))
    .map((c) => (isStaff ? c : withoutRemoved(c, reader)));
  const own = acts.get(reader);
  return {
    plan,
    cards: seen.sort((a, b) => a.id - b.id),
    waiting: [...setAside].map((w) => w.number),
    lastActivity: isStaff ? lastActivity : (own?.at ?? null),
    acts: isStaff ? [...acts.values()].sort((a, b) => a.person - b.person) : own ? [own] : [],
    places: [...places]
      .flatMap(([person, theirs]) => [...theirs].map(([card, at]) => [person, card, at.on, at.at, at.up].join()))
      .sort(),
    orderShown,
    links: [...links.values()]
      .filter((l) => (l.author === reader && l.byStaff === isStaff) || (stands(l, cards) && !plan.rules.ownFirst))
      .sort((a, b) => a.id - b.id),
    held: isStaff ? [...held].sort((a, b) => a - b) : [],
  };
}

// Of what a teacher removed its author is told no more than that it is gone, and why.
function withoutRemoved(card: Card, reader: number): Card {
  const isOwn = (a: Answer) => a.author === reader && !a.byStaff;
  const answers = card.answers.map((a) => (a.removed ? { ...a, text: '' } : a));
  if (!card.removed) return { ...card, answers };
  return { ...card, text: '', attachments: [], responses: [], askedToo: [], answers: answers.filter(isOwn) };
}

// A reader holds what they saw being rubbed out; of others' gestures only that there were any counts.
function seenBy(board: Sheets, reader: number, isStaff: boolean) {
  const { pages, marks, late, gestures } = plain(board);
  return {
    pages,
    marks: marks.filter((m) => isStaff || (m.author === reader ? m.down !== 2 : isThere(m))),
    late,
    adopted: [...board.adopted],
    gestures: gestures.map((g) => ({
      ...g,
      steps: g.steps.map(([key, step]: [string, any]) =>
        isStaff || g.actor === reader ? [key, step] : [key, step.beforeWriter],
      ),
    })),
  };
}

// Arrangements of groups that could be brought back are teachers' business, and so is the door.
function toldTo(lesson: LessonState, isStaff: boolean) {
  const { past, future, door, number, lateChanges, waiting, phasesBefore, ...all } = { ...lesson };
  const known = [...lateChanges.values()].map((c) => (isStaff ? c : { number: c.number, received: c.received }));
  const waits = [...waiting].sort((a, b) => (a.board + a.person < b.board + b.person ? -1 : 1));
  return isStaff ? { ...all, past, future, door, phasesBefore, known, waits } : { ...all, known };
}

// What counts: marks as they stand, what can be undone and redone, and late work. Writers that no longer matter are left out of a snapshot.
function plain(board: Sheets) {
  const { gestures } = (
    board as unknown as { journal: { gestures: Map<number, { actor: number; steps: Map<string, unknown> }> } }
  ).journal;
  return {
    pages: board.pages,
    marks: [...board.allMarks].sort((a, b) => a.id - b.id),
    late: [...board.setAside],
    lastActivity: board.lastActivity,
    gestures: [...gestures.values()].map((g) => ({ ...g, steps: [...g.steps.entries()] })).sort(byActorThenOrder),
  };
}

function byActorThenOrder(a: any, b: any): number {
  return a.actor - b.actor;
}
