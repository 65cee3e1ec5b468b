// A name that was typed by mistake is corrected everywhere at once, while the class works.
import { expect, test } from '@playwright/test';
import { design, handOut, kept, marks, student, teacher, writeNote } from './people.mjs';

test('a teacher corrects a name, and it stands so on the shared board and in circulate without anybody doing anything', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga, { way: 'Everybody together on one board' });
  const lesson = varga.url();
  const [mya, ben] = [await student(browser, code, 'Mya'), await student(browser, code, 'Ben')];
  await writeNote(mya, 'The arch carries it');
  await expect(marks(ben).filter({ hasText: 'by Mya: The arch carries it' })).toHaveCount(1);

  await varga.goto(`${lesson}/people`);
  await varga.getByRole('button', { name: 'Mya', exact: true }).click();
  await varga.getByRole('button', { name: 'Correct the name' }).click();
  const dialog = varga.getByRole('dialog');
  await expect(dialog.getByLabel('What they are called')).toHaveValue('Mya');
  await dialog.getByLabel('What they are called').fill('');
  await expect(dialog.getByRole('button', { name: 'Use this name' })).toBeDisabled();
  await varga.context().setOffline(true);
  await dialog.getByLabel('What they are called').fill('Maya');
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/rename.png' });
  await dialog.getByRole('button', { name: 'Use this name' }).click();
  await expect(dialog.getByRole('alert')).toHaveText('The name was not changed: the server did not answer. Try it again.');
  await expect(dialog.getByLabel('What they are called')).toHaveValue('Maya');
  await varga.context().setOffline(false);
  await dialog.getByLabel('What they are called').press('Enter');
  await expect(dialog).toBeHidden();
  await expect(varga.getByRole('button', { name: 'Maya', exact: true })).toBeVisible();
  await expect(marks(ben).filter({ hasText: 'by Maya: The arch carries it' })).toHaveCount(1);
  await varga.goto(lesson);
  await varga.locator('.tile').first().click();
  await expect(marks(varga).filter({ hasText: 'by Maya: The arch carries it' })).toHaveCount(1);
  await kept(mya);
  for (const page of [mya, ben]) expect(page.problems).toEqual([]);
});
