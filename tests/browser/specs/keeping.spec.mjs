import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { handOut, kept, student, teacher } from './people.mjs';

test('a lesson is given a day on which it goes, and is deleted at once by who is sure; its archive comes back as a lesson', async ({ browser }) => {
  const varga = await teacher(browser);
  await varga.goto('/desk');
  await varga.getByRole('button', { name: 'New activity' }).click();
  await kept(varga);
  await varga.getByLabel('Name of the activity').fill('What holds a bridge up?');
  await kept(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  await kept(maya);

  await varga.goto('/desk');
  await varga.getByRole('link', { name: 'What is kept, and how long' }).click();
  await expect(varga.locator('#storage-all')).toContainText('0.0 MB of 5,000 MB are used.');
  const row = varga.locator('.row', { hasText: 'What holds a bridge up?' });
  await expect(row).toContainText('Is kept');
  await row.getByText('Change', { exact: true }).press('Enter');
  await row.getByLabel('Is deleted on (empty: no day)').fill('2041-02-03');
  await row.getByRole('button', { name: 'Keep this day' }).click();
  await expect(row).toContainText('Is deleted on 3 February 2041, as you chose');

  await row.getByText('Change', { exact: true }).press('Enter');
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/keeping.png' });
  await row.getByLabel('Yes, delete it for good').check();
  await row.getByRole('button', { name: 'Delete now' }).click();
  await expect(row).toContainText('Deleted by you on');
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/keeping-after.png' });

  // Who was in it is told, and is not left waiting for the server.
  await expect(maya.locator('body')).toContainText('is not there any more');
  if (process.env.PICTURES) await maya.screenshot({ path: '/tmp/p/keeping-maya.png' });
  const [file] = await Promise.all([varga.waitForEvent('download'), row.getByRole('link', { name: 'Take the archive along' }).click()]);
  await row.getByRole('button', { name: 'Delete the archive' }).click();
  await expect(row).toHaveCount(0);
  await varga.goto('/desk');
  await varga.getByLabel('Bring in an activity').setInputFiles({ name: 'lesson.yardang.zip', mimeType: 'application/zip', buffer: readFileSync(await file.path()) });
  await varga.getByRole('button', { name: 'Bring it in' }).click();
  await expect(varga.locator('.tile')).toHaveText([/Maya/]);
});
