import { expect, test } from '@playwright/test';
import { design, handOut, kept, marks, student, teacher, writeNote } from './people.mjs';

test('what a student did is read from board to board, and each step opens the history at that moment', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga, { way: 'Everybody together on one board' });
  const lesson = varga.url();
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben', { viewport: { width: 390, height: 844 } });
  await writeNote(maya, 'An arch squeezes');
  await expect(marks(ben)).toHaveText([/^Text/, /An arch squeezes/]);
  await writeNote(ben, 'A rope pulls');
  await expect(marks(maya)).toHaveCount(3);
  await writeNote(maya, 'A beam bends');
  await kept(maya);

  await varga.goto(`${lesson}/people`);
  await varga.locator('.person', { hasText: 'Maya' }).click();
  await varga.getByRole('link', { name: 'From board to board' }).click();
  await expect(varga.getByRole('heading', { level: 1 })).toHaveText('From board to board: Maya');
  await expect(varga.getByText('A rope pulls')).toHaveCount(0);
  await expect(varga.locator('q')).toHaveText([/An arch squeezes/, /A beam bends/]);
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/trail.png' });

  await varga.locator('li li', { hasText: 'An arch squeezes' }).getByRole('link').click();
  await expect(varga.locator('.history-people [aria-pressed="true"]')).toContainText('Maya');
  await expect(varga.locator('[data-steps] [data-now="true"]')).toContainText('An arch squeezes');
  await expect(varga.locator('[data-steps]')).not.toContainText('A rope pulls');
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/trail-history.png' });
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});
