// Pictures that are searched, and what stands beside a page.
import { expect, test } from '@playwright/test';
import { design, handOut, kept, marks, student, teacher } from './people.mjs';

/** A tenth of a second of silence: WAV, 8 kHz, 8 bit. */
function silence() {
  const samples = 800;
  const wav = Buffer.alloc(44 + samples, 128);
  wav.write('RIFF', 0);
  wav.writeUInt32LE(36 + samples, 4);
  wav.write('WAVEfmt ', 8);
  wav.writeUInt32LE(16, 16);
  wav.writeUInt16LE(1, 20);
  wav.writeUInt16LE(1, 22);
  wav.writeUInt32LE(8000, 24);
  wav.writeUInt32LE(8000, 28);
  wav.writeUInt16LE(1, 32);
  wav.writeUInt16LE(8, 34);
  wav.write('data', 36);
  wav.writeUInt32LE(samples, 40);
  return wav;
}

test('a student finds a drawing by a word and puts it on the board, with its credit', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const maya = await student(browser, await handOut(varga), 'Maya');
  await maya.locator('.ledge-tools').getByRole('button', { name: 'Picture', exact: true }).click();
  await maya.getByRole('button', { name: 'Find a drawing' }).click();
  const drawer = maya.getByRole('dialog');
  await expect.poll(() => drawer.locator('img').count()).toBeGreaterThanOrEqual(80);
  await drawer.getByLabel('Search').fill('arch brid');
  await expect(drawer.locator('img')).toHaveCount(4);
  await drawer.getByRole('button', { name: 'Arch bridge' }).click();
  await expect(marks(maya).last()).toHaveText('Picture, yours: Arch bridge (Yardang drawing, free to use)');
  await kept(maya);
  await maya.getByRole('button', { name: 'Find a drawing' }).click();
  await drawer.getByLabel('Search').fill('xylophone');
  await expect(drawer.getByText('No drawing has these words')).toBeVisible();
  expect(maya.problems).toEqual([]);
});

test('a sound and a link stand beside a page; what cannot be played is refused in words', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const file = varga.getByLabel('A film, a sound or a picture');
  await file.setInputFiles({ name: 'song.mp3', mimeType: 'audio/mpeg', buffer: Buffer.from('not a song') });
  await expect(varga.getByText('This file cannot be played')).toBeVisible();
  await file.setInputFiles({ name: 'The brook.wav', mimeType: 'audio/wav', buffer: silence() });
  await expect(varga.getByLabel('What it is called')).toHaveValue('The brook');
  await varga.getByRole('button', { name: 'New page' }).click();
  await varga.getByLabel('Or the address of a page elsewhere').fill('nonsense');
  await varga.getByRole('button', { name: 'Set it there' }).click();
  await expect(varga.getByText('This is no address of a page')).toBeVisible();
  await varga.getByLabel('Or the address of a page elsewhere').fill('bridges.ostlebrook.example/old');
  await varga.getByRole('button', { name: 'Set it there' }).click();
  await expect(varga.getByLabel('What it is called')).toHaveValue('bridges.ostlebrook.example');
  await kept(varga);

  const maya = await student(browser, await handOut(varga), 'Maya');
  await maya.getByRole('button', { name: 'The brook' }).click();
  const dialog = maya.getByRole('dialog');
  await expect.poll(() => dialog.locator('audio').evaluate((a) => a.duration)).toBeCloseTo(0.1);
  await dialog.getByRole('button', { name: 'Close' }).click();
  await expect(dialog.locator('audio')).toHaveCount(0);
  await maya.getByRole('button', { name: 'On', exact: true }).click();
  await maya.getByRole('button', { name: 'bridges.ostlebrook.example' }).click();
  const link = dialog.getByRole('link');
  await expect(link).toHaveAttribute('href', 'https://bridges.ostlebrook.example/old');
  await expect(link).toHaveAttribute('rel', /noopener/);
  expect([...varga.problems, ...maya.problems]).toEqual([]);
});

test('ink goes out of a board as InkML and comes into the workshop', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const workshop = varga.url();
  const ink = (trace) => Buffer.from(`<ink xmlns="http://www.w3.org/2003/InkML"><traceFormat><channel name="X" units="mm"/><channel name="Y" units="mm"/></traceFormat><trace>${trace}</trace></ink>`);
  await varga.locator('[data-pictures]').setInputFiles({ name: 'bridge.inkml', mimeType: 'application/inkml+xml', buffer: ink('40 40, 60 50, 90 40') });
  await expect(marks(varga)).toHaveText([/^Text/, /^Drawing, printed|^Ink/]);
  await varga.locator('[data-pictures]').setInputFiles({ name: 'broken.inkml', mimeType: 'application/inkml+xml', buffer: ink('40 forty') });
  await expect(varga.getByRole('dialog').getByRole('alert')).toContainText('The ink could not be read');
  await varga.getByRole('dialog').getByRole('button', { name: 'Leave it' }).click();
  await varga.goto(workshop);
  await kept(varga);
  await student(browser, await handOut(varga), 'Maya');
  await varga.locator('.tile').first().click();
  const download = varga.waitForEvent('download');
  await varga.getByText('This page', { exact: true }).click();
  await varga.getByRole('link', { name: 'Save its ink (InkML)' }).click();
  const file = await (await download).createReadStream();
  let text = '';
  for await (const part of file) text += part;
  expect(text).toContain('40 40 128 0, 60 50 128');
});
