// The sample client of the protocol's documentation, against a real lesson.
import { execFile } from 'node:child_process';
import { resolve } from 'node:path';
import { promisify } from 'node:util';
import { expect, test } from '@playwright/test';
import { design, handOut, marks, teacher } from './people.mjs';

const run = promisify(execFile);

test('a client written from the documentation joins, reads, draws, and knows when it is kept', async ({ browser, baseURL }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const NODE_PATH = resolve('../../src/Yardang.Web/node_modules');
  const client = resolve('../../docs/client-example/client.cjs');
  const { stdout } = await run('node', [client, baseURL, code, 'Robin'], { env: { ...process.env, NODE_PATH } });
  expect(stdout).toContain('1 page(s), 1 mark(s)');
  expect(stdout).toMatch(/kept as event \d+/);
  expect(stdout).toContain('2 mark(s) now');
  await varga.locator('.tile', { hasText: 'Robin' }).click();
  await expect(marks(varga)).toHaveText(['Text, printed: What holds a bridge up?', /^Drawing/]);

  await expect(run('node', [client, baseURL, 'BCDF GHJK', 'Robin'], { env: { ...process.env, NODE_PATH } })).rejects.toThrow('No lesson has this code.');
});
