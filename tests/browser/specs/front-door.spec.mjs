// The front door, starting at once, and going for good.
import { expect, test } from '@playwright/test';
import { noBarrier } from './barriers.mjs';
import { marks, student, teacher, visitor } from './people.mjs';

const picture = async (page, name, options) => process.env.PICTURES && page.screenshot({ path: `/tmp/p/${name}.png`, ...options });

for (const viewport of [{ width: 1280, height: 800 }, { width: 390, height: 844 }]) {
  test(`the front door shows teachers what this is, and students the field for their code alone, ${viewport.width} wide`, async ({ browser }) => {
    const page = await visitor(browser, { viewport });
    await page.goto('/');
    await expect(page.getByLabel('Code')).toBeFocused();
    await expect(page.getByLabel('Code')).toBeInViewport({ ratio: 1 });
    await expect(page.getByRole('img', { name: /A running lesson/ })).toBeVisible();
    // What is for teachers stands below what students came for.
    const code = await page.getByLabel('Code').boundingBox();
    const shown = await page.getByRole('img', { name: /A running lesson/ }).boundingBox();
    expect(shown.y).toBeGreaterThan(code.y + code.height);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(viewport.width);
    await picture(page, `front-${viewport.width}`, { fullPage: true });
    await noBarrier(page);
    expect(page.problems).toEqual([]);
  });
}

test('started at once with a title, a question and a picture: they stand on the page when the class comes in', async ({ browser }) => {
  const guest = await visitor(browser);
  await guest.goto('/start');
  await guest.getByLabel('What it is called').fill('Triangles in trusses');
  await guest.getByLabel('A question on the page').fill('Why are there triangles in it?');
  await guest.getByLabel('A picture on the page').setInputFiles({ name: 'bridge.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await picture(guest, 'start');
  await noBarrier(guest);
  await guest.getByRole('button', { name: 'One board for all' }).click();
  await expect(guest.getByRole('alert')).toContainText('not a picture');
  await expect(guest.getByLabel('A question on the page')).toHaveValue('Why are there triangles in it?');
  await guest.getByLabel('A picture on the page').setInputFiles({ name: 'bridge.png', mimeType: 'image/png', buffer: await guest.screenshot() });
  await guest.getByRole('button', { name: 'One board for all' }).click();
  await expect(guest.getByText('Triangles in trusses').first()).toBeVisible();
  const code = await guest.locator('[data-code]').getAttribute('data-code');
  const maya = await student(browser, code, 'Maya');
  await expect(marks(maya)).toHaveText(['Text, printed: Why are there triangles in it?', /^Picture, printed/]);
  await picture(maya, 'start-board');
  for (const page of [guest, maya]) expect(page.problems.filter((p) => !p.includes('400'))).toEqual([]);
});

test('a teacher deletes their account: it is said what goes with it, and asked for the password', async ({ browser }) => {
  const varga = await teacher(browser);
  await varga.goto('/account');
  await varga.locator('summary', { hasText: 'Delete my account' }).click();
  await expect(varga.locator('details.again')).toContainText(/lessons: 0/);
  await picture(varga, 'account-delete');
  await noBarrier(varga);
  await varga.locator('details.again').getByLabel('Password').fill('bridge-over-brook');
  await varga.getByLabel('Yes, delete it for good').check();
  await varga.getByRole('button', { name: 'Delete my account and all of this' }).click();
  await expect(varga.getByRole('status')).toContainText('Your account is deleted');
  await varga.goto('/desk');
  await expect(varga).toHaveURL(/sign-in/);
});
