// A student saves a copy of their own work, where their teacher lets them.
import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { design, draw, handOut, kept, marks, student, teacher, writeNote } from './people.mjs';

const save = (page) => page.locator('summary', { hasText: 'Save a copy' });

async function letSave(page, on) {
  const people = await page.context().newPage();
  await people.goto(page.url().split('?')[0].replace(/\/$/, '') + '/people');
  const box = people.getByLabel('They may save a copy of their own work');
  await box.setChecked(on);
  await expect(box).toBeChecked({ checked: on });
  await people.close();
}

async function saved(page, what) {
  await save(page).click();
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: what }).click()]);
  return { name: download.suggestedFilename(), bytes: readFileSync(await download.path()) };
}

for (const [device, options] of [
  ['a laptop', {}],
  ['a phone', { viewport: { width: 390, height: 844 }, hasTouch: true }],
])
  test(`on ${device} a student saves their board as a PDF and as a picture, as soon as their teacher lets them`, async ({ browser }) => {
    const amara = await teacher(browser);
    await design(amara, 'Beams');
    const code = await handOut(amara);
    const bela = await student(browser, code, 'Bela', options);
    await expect(save(bela)).toBeHidden();
    await letSave(amara, true);
    await expect(save(bela)).toBeVisible();
    await draw(bela);
    await expect(marks(bela)).toHaveCount(2);

    const pdf = await saved(bela, 'PDF: all pages');
    expect(pdf.name).toBe('Beams Bela.pdf');
    expect(pdf.bytes.subarray(0, 5).toString()).toBe('%PDF-');
    const picture = await saved(bela, 'Picture of this page');
    expect(picture.name).toBe('Beams Bela.png');
    expect([...picture.bytes.subarray(1, 4)]).toEqual([...Buffer.from('PNG')]);
    expect(picture.bytes.readUInt32BE(16)).toBeGreaterThan(1000);

    await letSave(amara, false);
    await expect(save(bela)).toBeHidden();
    expect(bela.problems).toEqual([]);
  });

test('without a network, or before all is kept, nothing is saved that would lack something', async ({ browser }) => {
  const amara = await teacher(browser);
  await design(amara);
  const code = await handOut(amara);
  await letSave(amara, true);
  const bela = await student(browser, code, 'Bela');
  await expect(save(bela)).toBeVisible();
  await saved(bela, 'PDF: all pages');
  await bela.context().setOffline(true);
  await save(bela).click();
  await bela.getByRole('button', { name: 'PDF: all pages' }).click();
  await expect(bela.getByRole('alert')).toContainText('network');
  await writeNote(bela, 'An arch pushes outwards');
  await save(bela).click();
  await bela.getByRole('button', { name: 'PDF: all pages' }).click();
  await expect(bela.getByRole('alert')).toContainText('Not all that you did is kept yet.');
  await bela.context().setOffline(false);
  await kept(bela);
  expect((await saved(bela, 'PDF: all pages')).bytes.length).toBeGreaterThan(1000);
});
