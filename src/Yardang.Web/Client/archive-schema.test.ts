// docs/archive.schema.json says what Core writes into archives, no more and no less.
import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { Ajv2020 } from 'ajv/dist/2020.js';

const read = (path: string) => JSON.parse(readFileSync(`../../${path}`, 'utf8'));
const archives: { name: string; file: any }[] = read('tests/golden/archives.json');
const ajv = new Ajv2020({
  allErrors: true,
  formats: { 'date-time': (text: string) => !Number.isNaN(Date.parse(text)) },
});
const fits = ajv.compile(read('docs/archive.schema.json'));

test('what is written is as the schema says', () => {
  assert.ok(archives.length > 10);
  for (const { name, file } of archives) assert.ok(fits(file), `${name}: ${ajv.errorsText(fits.errors).slice(0, 600)}`);
});

test('the schema is not content with anything', () => {
  const spoilt: ((file: any) => void)[] = [
    (file) => (file.format = 2),
    (file) => (file.activity.pages = []),
    (file) => (file.activity.colour = 1),
    (file) => (file.activity.unit = 'furlong'),
    (file) => (file.activity.marks[0].body.kind = 'secret'),
    (file) => delete file.activity.marks[0].page,
    (file) => (file.activity.pages[0].paper.media = 'x'),
  ];
  for (const spoil of spoilt) {
    const file = structuredClone(archives[0]!.file);
    spoil(file);
    assert.equal(fits(file), false, String(spoil));
  }
});
