// What is limited says how much is left before it is used up.
import { expect, test } from '@playwright/test';
import { design, handOut, student, teacher } from './people.mjs';

test('a field that is nearly full says how many letters are left, also in a dialog and on a board', async ({ browser }) => {
  const amara = await teacher(browser);
  await design(amara);
  const left = amara.locator('.letters-left');
  const name = amara.getByLabel('Name of the activity');
  await name.fill('x'.repeat(100));
  await expect(left).toHaveCount(0);
  await name.fill('x'.repeat(105));
  await expect(left).toHaveText('15 letters left');
  await name.fill('x'.repeat(119));
  await expect(left).toHaveText('1 letter left');
  await name.press('End');
  await name.press('y');
  await expect(left).toHaveText('0 letters left');
  await name.press('z');
  await expect(name).toHaveValue(/y$/);
  await name.press('Tab');
  await expect(left).toBeHidden();

  await name.fill('Beams');
  const code = await handOut(amara);
  const bela = await student(browser, code, 'Bela', { viewport: { width: 390, height: 844 } });
  await bela.locator('.tool-signal').first().click();
  const why = bela.locator('#why-words');
  await why.fill('x'.repeat(75));
  await expect(bela.locator('.letters-left')).toHaveText('5 letters left');
  const box = await bela.locator('.letters-left').boundingBox();
  expect(box.x).toBeGreaterThanOrEqual(0);
  expect(box.x + box.width).toBeLessThanOrEqual(390);
});
