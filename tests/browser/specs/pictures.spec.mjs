import { expect, test } from '@playwright/test';
import { design, handOut, kept, marks, student, teacher } from './people.mjs';

test('a picture is put on a board, described, seen by the teacher, and a file that is none is refused in words', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const maya = await student(browser, await handOut(varga), 'Maya');
  const picture = await maya.locator('.ledge').screenshot();
  await maya.locator('[data-pictures]').setInputFiles({ name: 'paper bridge.png', mimeType: 'image/png', buffer: picture });
  await expect(marks(maya)).toHaveText([/^Text/, 'Picture, yours: paper bridge']);
  await maya.locator('.ledge-tools').getByRole('button', { name: 'Choose' }).click();
  await maya.getByRole('button', { name: 'All mine' }).click();
  await maya.getByRole('button', { name: 'Position and size' }).click();
  await maya.getByLabel('What the picture shows').fill('A bridge of folded paper');
  await maya.getByLabel('What the picture shows').press('Enter');
  await expect(marks(maya)).toHaveText([/^Text/, 'Picture, yours: A bridge of folded paper']);
  await maya.locator('[data-pictures]').setInputFiles({ name: 'notes.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(maya.getByText('This file is not a picture that can be read.')).toBeVisible();
  await kept(maya);
  await maya.reload();
  await expect(marks(maya)).toHaveCount(2);

  // Fetched again if it does not come at once.
  await varga.route(/\/media\//, (route) => route.abort(), { times: 1 });
  const arrived = varga.waitForResponse((r) => r.url().includes('/media/') && r.ok());
  await varga.locator('.tile').first().click();
  await arrived;
  await expect(marks(varga)).toHaveText([/^Text/, /^Picture, by [^:]+: A bridge of folded paper$/]);
  expect([...varga.problems, ...maya.problems]).toEqual([]);
});
