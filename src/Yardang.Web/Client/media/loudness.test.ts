import assert from 'node:assert/strict';
import { test } from 'node:test';
import { PARTS, loudnessOf } from './loudness';

test('a voice is shown in as many parts as there is room for, the loudest in full', () => {
  const digits = loudnessOf(Float32Array.from({ length: 4800 }, (_, i) => (i < 2400 ? 0.1 : -0.8)));
  assert.equal(digits.length, PARTS);
  assert.match(digits, /^3{24}9{24}$/);
});

test('silence is silent, and what is shorter than its parts has fewer', () => {
  assert.equal(loudnessOf([0, 0, 0]), '000');
  assert.equal(loudnessOf([]), '');
});
