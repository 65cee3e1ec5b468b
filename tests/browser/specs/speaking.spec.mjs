// A teacher writes down what a student said aloud.
import { expect, test } from '@playwright/test';
import { design, handOut, kept, marks, student, teacher } from './people.mjs';

async function write(page, words) {
  await page.getByRole('button', { name: 'Write here' }).press('Enter');
  await page.keyboard.type(words);
  await page.keyboard.press('Escape');
}

test('what a student said aloud is put on their board by the teacher, marked so, and theirs to change; what she writes next is hers', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  await varga.locator('.tile').filter({ hasText: 'Maya' }).click();
  await kept(varga);
  await varga.locator('.ledge-tools').getByRole('button', { name: 'Note' }).click();
  const saidBy = varga.getByLabel('Said by');
  await expect(saidBy).toHaveValue('0');
  await saidBy.selectOption('Maya');
  await write(varga, 'Arches push outwards');
  await expect(marks(varga)).toHaveText([/^Text/, 'Note, by Maya, said aloud: Arches push outwards']);
  await expect(saidBy).toHaveValue('0');
  await expect(marks(maya)).toHaveText([/^Text/, 'Note, yours, said aloud: Arches push outwards']);
  await varga.locator('.ledge-tools').getByRole('button', { name: 'Note' }).click();
  await write(varga, 'And the ground?');
  await expect(marks(maya)).toHaveText([/^Text/, /Arches/, /^Note, your teacher.s: And the ground\?$/]);

  // It is hers: changed by her, it still says so.
  if (process.env.PICTURES) await maya.screenshot({ path: '/tmp/p/said-aloud.png' });
  await marks(maya).nth(1).focus();
  await maya.keyboard.press('Enter');
  await maya.keyboard.press('End');
  await maya.keyboard.type(', to the banks');
  await maya.keyboard.press('Escape');
  await expect(marks(varga).nth(1)).toHaveText('Note, by Maya, said aloud: Arches push outwards, to the banks');
  if (process.env.PICTURES) {
    const address = (await varga.locator('a[href*=".png"]').first().getAttribute('href')).split('?')[0];
    const picture = await varga.context().request.get(new URL(address, varga.url()).href);
    (await import('node:fs')).writeFileSync('/tmp/p/said-aloud-print.png', await picture.body());
  }
  await maya.reload();
  await kept(maya);
  await expect(marks(maya).nth(1)).toHaveText('Note, yours, said aloud: Arches push outwards, to the banks');
  for (const page of [varga, maya]) expect(page.problems).toEqual([]);
});
