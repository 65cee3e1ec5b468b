import assert from 'node:assert/strict';
import { test } from 'node:test';
import { decode } from '@msgpack/msgpack';
import { parts } from './leftovers';
import type { Written } from './wire';
import '../wire/pages-codec';
import { writeCommand } from '../wire/kinds';

const stroke = (client: number, counter: number): Written => ({
  client,
  counter,
  gesture: 0,
  command: writeCommand({ kind: 'undoGesture', gesture: counter }),
});

test('each command says after which one of the same tab it comes, also across parts', () => {
  const all = Array.from({ length: 700 }, (_, i) => stroke(1 + (i % 2), i + 1));
  const found = parts(all);
  assert.deepEqual(
    found.map((part) => part.length),
    [500, 200],
  );
  const heads = found.flat().map(({ bytes }) => (decode(bytes) as number[]).slice(1, 4));
  assert.deepEqual(heads.slice(0, 4), [
    [1, 1, 0],
    [2, 2, 0],
    [1, 3, 1],
    [2, 4, 2],
  ]);
  assert.deepEqual(heads[500], [1, 501, 499]);
});

test('no part is larger than the server takes', () => {
  const long = (counter: number): Written => ({
    client: 1,
    counter,
    gesture: 0,
    command: writeCommand({
      kind: 'addMark',
      id: counter,
      page: 1,
      grip: 0,
      for: 0,
      body: { kind: 'formula', x: 0, y: 0, width: 1, height: 1, source: 'x', outline: 'M'.repeat(60_000) },
      style: { colour: 0, width: 0, fill: 0, looks: 0 },
    }),
  });
  const found = parts(Array.from({ length: 100 }, (_, i) => long(i + 1)));
  assert.ok(found.length >= 3);
  for (const part of found) assert.ok(part.reduce((sum, m) => sum + m.bytes.length, 0) <= 2 * 1024 * 1024);
});
