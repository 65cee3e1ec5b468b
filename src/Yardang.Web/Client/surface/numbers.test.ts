import assert from 'node:assert/strict';
import { test } from 'node:test';
import { asRead } from './numbers';

test('a measure has the decimal sign of the language that the page is in', () => {
  Object.assign(globalThis, { document: { documentElement: { lang: 'es' } } });
  assert.equal(asRead('2.5 cm'), '2,5 cm');
  assert.equal(asRead('12 cm'), '12 cm');
});
