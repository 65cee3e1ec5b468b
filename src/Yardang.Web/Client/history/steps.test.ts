import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { Envelope } from '../room/wire';
import { between } from './between';
import { note, passes, type Step, type Told } from './steps';

const drew = (thing: number): Told => ({ what: 'drew', place: 1, things: [thing], words: '' });
const wrote = (thing: number, words: string): Told => ({ what: 'wrote', place: 1, things: [thing], words });
const happened = (number: number, actor: number, time: number, gesture = number): Envelope => ({
  number,
  time,
  actor,
  byStaff: false,
  client: actor,
  counter: number,
  gesture,
  event: { kind: 'other' },
});

test('strokes that follow one another are one step, until somebody else does something or rests', () => {
  const steps: Step[] = [];
  note(steps, happened(1, 2, 0), 1, () => drew(11));
  note(steps, happened(2, 2, 5_000), 2, () => drew(12));
  note(steps, happened(3, 3, 6_000), 3, () => drew(13));
  note(steps, happened(4, 2, 7_000), 4, () => drew(14));
  note(steps, happened(5, 2, 60_000), 5, () => drew(15));
  assert.deepEqual(
    steps.map((s) => [s.person, s.from, s.to, [...s.things]]),
    [
      [2, 0, 2, [11, 12]],
      [3, 2, 3, [13]],
      [2, 3, 4, [14]],
      [2, 4, 5, [15]],
    ],
  );
});

test('notes are steps of their own, unless they are of one gesture', () => {
  const steps: Step[] = [];
  note(steps, happened(1, 2, 0), 1, () => wrote(11, 'one'));
  note(steps, happened(2, 2, 1), 2, () => wrote(12, 'two'));
  note(steps, happened(3, 2, 2, 2), 3, () => wrote(13, 'three'));
  assert.deepEqual(
    steps.map((s) => [s.words, s.things.size]),
    [
      ['one', 1],
      ['three', 2],
    ],
  );
});

test('what nobody sees is no step', () => {
  const steps: Step[] = [];
  assert.equal(
    note(steps, happened(1, 2, 0), 1, () => null),
    null,
  );
  assert.equal(steps.length, 0);
});

test('a filter lets through who, where, what and which', () => {
  const steps: Step[] = [];
  note(steps, happened(1, 2, 0), 1, () => wrote(11, 'one'));
  const all = { person: 0, place: null, sort: '', thing: 0 };
  const [step] = steps;
  const some = [{}, { person: 2 }, { place: 1 }, { sort: 'new' }, { thing: 11 }];
  const others = [{ person: 3 }, { place: 0 }, { sort: 'gone' }, { thing: 12 }];
  assert.deepEqual(
    [...some, ...others].map((filter) => passes(step!, { ...all, ...filter })),
    [...some.map(() => true), ...others.map(() => false)],
  );
});

test('between two moments it is said what came, changed and went', () => {
  const [stays, old, now, gone, fresh] = [{ id: 1 }, { id: 2 }, { id: 2 }, { id: 3 }, { id: 4 }];
  assert.deepEqual(between([stays, old, gone], [stays, now, fresh]), {
    came: [fresh],
    changed: [now],
    went: [gone],
  });
});
