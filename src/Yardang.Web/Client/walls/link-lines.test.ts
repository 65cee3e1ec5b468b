import assert from 'node:assert/strict';
import { test } from 'node:test';
import { BEND, bendsOf, lineOf, placeWords } from './link-lines';

const box = (x: number, y: number) => ({ x, y, width: 180, height: 60 });
const numbers = (path: string) => path.match(/-?\d+(\.\d+)?/g)!.map(Number);

test('a link goes from edge to edge, and its head touches the card to which it points', () => {
  for (let turn = 0; turn < 48; turn++) {
    const angle = (2 * Math.PI * turn) / 48;
    const to = box(Math.cos(angle) * 500, Math.sin(angle) * 500);
    const { path, head } = lineOf(box(0, 0), to, 0);
    const [startX, startY] = numbers(path) as [number, number];
    assert.ok(Math.abs(startX) <= 93.5 && Math.abs(startY) <= 33.5, 'it begins at the card');
    assert.ok(Math.abs(startX) >= 92.5 || Math.abs(startY) >= 32.5, 'it begins at its edge');
    const [tipX, tipY] = numbers(head) as [number, number];
    assert.ok(Math.abs(tipX - to.x) <= 93.5 && Math.abs(tipY - to.y) <= 33.5, 'it ends at the card');
  }
});

test('links that join the same cards are bent apart, and their words with them', () => {
  const links = [
    { id: 1, from: 1, to: 2 },
    { id: 2, from: 2, to: 1 },
    { id: 3, from: 1, to: 2 },
    { id: 4, from: 2, to: 3 },
  ];
  const bends = bendsOf(links);
  assert.deepEqual(
    [...bends],
    [
      [1, BEND],
      [3, 2 * BEND],
      [2, BEND],
    ],
  );
  const [one, two] = [box(0, 0), box(400, 0)];
  const middles = [lineOf(one, two, BEND), lineOf(two, one, BEND), lineOf(one, two, 2 * BEND)].map((l) => l.at(0.5).y);
  assert.equal(new Set(middles).size, 3);
});

test('the words of links hide neither one another nor cards where there is room', () => {
  const cards = [box(0, 0), box(600, 0), box(0, 300), box(600, 300)];
  const crossing = [lineOf(cards[0]!, cards[3]!, 0), lineOf(cards[2]!, cards[1]!, 0)];
  const words = crossing.map((line) => ({ line, width: 90, height: 20 }));
  const [one, two] = placeWords(words, cards) as [{ x: number; y: number }, { x: number; y: number }];
  assert.deepEqual(one, { x: 300, y: 150 });
  assert.ok(Math.abs(one.x - two.x) >= 90 || Math.abs(one.y - two.y) >= 20);
  const short = lineOf(box(0, 0), box(185, 0), 0);
  assert.deepEqual(placeWords([{ line: short, width: 90, height: 20 }], [box(0, 0), box(185, 0)]), [short.at(0.5)]);
});

test('cards in the very same place are no trouble', () => {
  const { path, head } = lineOf(box(0, 0), box(0, 0), 0);
  assert.ok(![...numbers(path), ...numbers(head)].some(Number.isNaN));
});
