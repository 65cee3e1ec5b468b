import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { Mark } from '../room/marks';
import { textIn, wordsIn } from './in-language';
import { saidBy } from './said-in';

const piers = { ar: 'دعامات', en: 'Piers', es: 'Pilares' };

test('a text is read in the first of the languages in which it is there', () => {
  assert.equal(textIn(piers, ['fi', 'es', 'ar'], 'en'), 'Pilares');
});

test('who reads none of its languages reads it as it was written', () => {
  assert.equal(textIn(piers, ['fi'], 'en'), 'Piers');
  assert.equal(textIn({ es: 'Pilares' }, ['fi'], 'en'), 'Pilares');
  assert.equal(textIn({}, ['fi'], 'en'), '');
});

test('words know themselves in which language they were written', () => {
  const also = [{ language: 'es', text: 'orilla', lines: [], size: 600 }];
  const words = { text: 'bank', language: 'en', lines: [], size: 600, also };
  assert.equal(wordsIn(words, ['es']).text, 'orilla');
  assert.equal(wordsIn(words, ['fi']).text, 'bank');
  assert.equal(wordsIn(words, []).text, 'bank');
});

test('what a zone says is its name, and what a line says is nothing', () => {
  const zone = { body: { kind: 'zone', name: piers } } as unknown as Mark;
  assert.equal(saidBy(zone, ['es'], 'en'), 'Pilares');
  assert.equal(saidBy({ body: { kind: 'ink' } } as unknown as Mark, ['es'], 'en'), '');
});
