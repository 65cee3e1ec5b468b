import assert from 'node:assert/strict';
import { test } from 'node:test';
import { LineKind } from '../wire/forms';
import { called, dateOf, dayOf, placeAt, shareOf, ticksOf } from './line-measure';

const texts = { ofHundred: '{0}', beforeYearOne: '{0} BC', rung: 'Rung {0}', acrossUp: '{0} across, {1} up' };
const line = (kind: LineKind, from: number, to: number) => ({
  kind,
  from,
  to,
  start: {},
  end: {},
  together: false,
  low: null,
  high: null,
});

test('years before the year 1 are called as in books', () => {
  const said = [2026, 1, 0, -99].map((year) => called(LineKind.Years, year, texts));
  assert.deepEqual(said, ['2026', '1', '1 BC', '100 BC']);
});

test('a date and its day are told from each other, and no other words are', () => {
  assert.equal(dayOf('1970-01-02'), 1);
  assert.equal(dateOf(dayOf('0001-01-01')!), '0001-01-01');
  assert.equal(dateOf(-719_162), '0001-01-01');
  for (const typed of ['', '2026', '2026-13-01', 'tomorrow', '20260-01-01']) assert.equal(dayOf(typed), null);
});

test('where a card is let go, it stands at a whole year, day or rung, and never beyond the line', () => {
  assert.equal(placeAt(line(LineKind.Years, 1700, 2000), 0.2633), 1779);
  assert.equal(placeAt(line(LineKind.Ladder, 1, 5), 0.6), 3);
  assert.equal(placeAt(line(LineKind.Ends, 0, 100), 1.4), 100);
  assert.equal(placeAt(line(LineKind.Ends, 0, 100), -3), 0);
  assert.equal(shareOf(line(LineKind.Years, 1700, 2000), 1650), 0);
});

test('a line of years is marked at round years, at most eleven', () => {
  assert.deepEqual(ticksOf(line(LineKind.Years, 1700, 2030)), [1700, 1750, 1800, 1850, 1900, 1950, 2000]);
  for (const [from, to] of [
    [0, 1],
    [-100_000, 100_000],
    [1999, 2026],
  ] as const) {
    const ticks = ticksOf(line(LineKind.Years, from, to));
    assert.ok(ticks.length >= 2 && ticks.length <= 11, String(ticks));
    assert.ok(ticks.every((t) => t >= from && t <= to));
  }
  assert.deepEqual(ticksOf(line(LineKind.Ends, 0, 100)), []);
});
