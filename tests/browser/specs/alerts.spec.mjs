import { expect, test } from '@playwright/test';
import { designWall, kept, student, teacher } from './people.mjs';

const need = (page, what) => page.locator('.needs li', { hasText: what });

test('of whom several tell is listed quietly, and it can be left out; who is not on the class list is known at the door', async ({ browser }) => {
  test.slow();
  const varga = await teacher(browser);
  await varga.getByRole('link', { name: 'Class lists' }).click();
  await varga.getByLabel('Name of the class').fill('7 Amber');
  await varga.getByLabel('People, a line for each').fill('Maya\nBen\nOona');
  await varga.getByRole('button', { name: 'Keep the list' }).click();
  await expect(varga.getByRole('heading', { name: '3 people' })).toBeVisible();
  await designWall(varga, 'What do we know about bridges?');
  await varga.getByRole('link', { name: 'Hand out' }).click();
  await varga.getByLabel('Class list').selectOption('7 Amber, 3 people');
  await varga.getByLabel('Everybody together on one wall').check();
  await varga.getByLabel(/^Open:/).check();
  await varga.getByRole('button', { name: 'Hand out' }).click();
  const code = await varga.locator('[data-code]').getAttribute('data-code');
  await varga.getByRole('link', { name: 'Watch the boards' }).click();

  const come = (name, options = {}) => student(browser, code, name, options, false, /^Your name/);
  const zoltan = await come('Zoltan');
  await expect(need(varga, 'Zoltan')).toContainText('not on your class list');
  await need(varga, 'Zoltan').getByRole('button', { name: 'Let in' }).click();
  await zoltan.getByLabel(/^Write here/).fill('Bridges are boring');
  await zoltan.getByLabel(/^Write here/).press('Control+Enter');
  await kept(zoltan);

  const told = [];
  for (const name of ['Maya', 'Ben', 'Oona']) {
    const page = await come(name, name === 'Ben' ? { viewport: { width: 390, height: 844 } } : {});
    await kept(page);
    await page.getByRole('button', { name: 'Tell your teacher about: Bridges are boring' }).click();
    await page.getByLabel('It is not about our work').check();
    await page.getByRole('button', { name: 'Tell them' }).click();
    await kept(page);
    told.push(page);
  }
  await expect(need(varga, 'Told of by several')).toContainText('3 classmates told you of what this student made');
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/alerts.png' });

  await varga.getByRole('button', { name: 'What is listed' }).click();
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/alerts-settings.png' });
  await varga.getByLabel(/^List what may be mischief/).uncheck();
  await varga.getByRole('button', { name: 'Keep it' }).click();
  await expect(need(varga, 'Told of by several')).toHaveCount(0);
  for (const page of [varga, zoltan, ...told]) expect(page.problems).toEqual([]);
});
