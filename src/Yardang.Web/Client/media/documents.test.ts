import assert from 'node:assert/strict';
import { test } from 'node:test';
import { nameOfFile } from './documents';

test('a file is called so that every device takes its name, with its ending', () => {
  assert.equal(nameOfFile('loads.xlsx'), 'loads.xlsx');
  assert.equal(nameOfFile('a/b\\c:d.pdf'), 'a b c d.pdf');
  assert.equal(nameOfFile('.htaccess'), 'htaccess');
  assert.equal(nameOfFile('gpj\u202efdp.exe'), 'gpj fdp.exe');
  assert.equal(nameOfFile('  '), 'file');
  assert.match(nameOfFile(`${'x'.repeat(200)}.docx`), /^x{115}\.docx$/);
});
