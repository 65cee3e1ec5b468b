import assert from 'node:assert/strict';
import { test } from 'node:test';
import { pagesIn } from './page-choice';

test('pages are chosen one by one, in ranges, in any order, each once', () => {
  assert.deepEqual(pagesIn('1-3, 5', 9), [1, 2, 3, 5]);
  assert.deepEqual(pagesIn('7;2 2', 9), [7, 2]);
  assert.deepEqual(pagesIn('4–6', 9), [4, 5, 6]);
  assert.deepEqual(pagesIn('2 - 3, 3-4', 9), [2, 3, 4]);
});

test('what names no page of the file is not guessed at', () => {
  for (const written of ['', ' , ', 'all', '0', '10', '3-1', '1-', '-2', '1.5', '1-99999999999', 'Infinity', '٣'])
    assert.equal(pagesIn(written, 9), null, written);
});
