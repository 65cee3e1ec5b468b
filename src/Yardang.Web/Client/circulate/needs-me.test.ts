import assert from 'node:assert/strict';
import { test } from 'node:test';
import { HandReason, NeedKind } from '../room/lesson-state';
import { needInWords, type NeedSaid, type NeedsTexts } from './needs-me';

const texts: NeedsTexts = {
  need: { [NeedKind.Hand]: 'hand', [NeedKind.Stopped]: 'stopped', [NeedKind.LateWork]: 'late {0}' },
  needWhy: {
    [NeedKind.Stopped]: 'nothing for {0} min, while {1} of {2} wrote',
    [NeedKind.ClearsAway]: '{3} things of {1}',
  },
  needReason: { [HandReason.Material]: 'I need material' },
  needLateEarlier: 'earlier {0}',
  needStranger: 'not on the list',
  waiting: 'now',
  waitingMinutes: '{0} min',
};
const MINUTE = 60_000;
const said = (more: Partial<NeedSaid>): NeedSaid => ({
  kind: NeedKind.Hand,
  person: 3,
  since: 6 * MINUTE,
  reason: HandReason.None,
  words: '',
  others: 0,
  of: 0,
  count: 0,
  board: null,
  isStranger: false,
  ...more,
});
const maya = { name: 'Maya', board: 'board 3' };
const words = (more: Partial<NeedSaid>) => needInWords(said(more), maya, 10 * MINUTE, texts);

test('of who waits at the door it is said that they are not on the class list, and of mischief how many things', () => {
  assert.equal(words({ kind: NeedKind.Door, isStranger: true }).why, 'not on the list');
  assert.equal(words({ kind: NeedKind.ClearsAway, count: 9, others: 2 }).why, '9 things of 2');
});

test('a hand says since when, and why as its owner said it: in their own words before any other', () => {
  assert.deepEqual([words({}).why, words({}).howLong], ['', '4 min']);
  assert.equal(words({ reason: HandReason.Material }).why, 'I need material');
  assert.equal(words({ words: 'Where is the ruler?' }).why, 'Where is the ruler?');
});

test('what was seen says why, with how many others go on', () => {
  const { why, howLong } = words({ kind: NeedKind.Stopped, others: 18, of: 24 });
  assert.equal(why, 'nothing for 4 min, while 18 of 24 wrote');
  assert.equal(howLong, '');
});

test('work that waits leads to where it waits', () => {
  const { what, board } = words({ kind: NeedKind.LateWork, count: 3, board: 'old board' });
  assert.deepEqual([what, board], ['earlier 3', 'old board']);
  assert.equal(words({ kind: NeedKind.LateWork, count: 2, board: 'board 3' }).what, 'late 2');
});
