// A group has one colour and one shape, which agree with what it is called, on every screen that names it.
import { expect, test } from '@playwright/test';
import { noBarrier } from './barriers.mjs';
import { design, kept, student, teacher } from './people.mjs';

const picture = async (page, name) => process.env.PICTURES && page.screenshot({ path: `/tmp/p/${name}.png` });
const sign = (place) => place.locator('svg[viewBox="0 0 20 20"] path').first();
const looks = async (place) => [await sign(place).getAttribute('d'), await sign(place).getAttribute('fill')];
const BLUE = '#2f6fa8';

test('two groups look different, the same on each screen, and one that is called after a colour has it', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  await varga.getByRole('link', { name: 'Hand out' }).click();
  await varga.getByLabel('By group').check();
  await varga.getByRole('button', { name: 'Hand out' }).click();
  const code = (await varga.locator('a[href$="/code"]').textContent()).trim();
  const [amara, ben] = [await student(browser, code, 'Amara', { viewport: { width: 390, height: 844 } }), await student(browser, code, 'Ben')];
  await expect(amara.locator('[data-group-sign]')).toHaveCount(0);

  const group = (name) => varga.getByRole('article', { name, exact: true });
  for (const name of ['Amara', 'Ben']) {
    await varga.locator('.person', { hasText: name }).click();
    await varga.getByRole('button', { name: 'Make them a group' }).click();
    await expect(varga.getByRole('article', { name: /^Group/ }).filter({ hasText: name })).toBeVisible();
  }
  const [first, second] = [await looks(group('Group 1')), await looks(group('Group 2'))];
  expect(first[0]).not.toBe(second[0]);
  expect(first[1]).not.toBe(second[1]);

  // On the students' boards, and on the teacher's, as where they were made.
  await kept(amara);
  await expect(sign(amara.locator('.topline'))).toHaveAttribute('d', first[0]);
  expect(await looks(amara.locator('.topline'))).toEqual(first);
  await expect(sign(ben.locator('.topline'))).toHaveAttribute('d', second[0]);

  // The first one is called after a colour: it has it, at once and everywhere.
  await group('Group 1').getByLabel('Name of the group').fill('The blue ones');
  await varga.keyboard.press('Enter');
  await expect(sign(group('The blue ones'))).toHaveAttribute('fill', BLUE);
  await expect(sign(amara.locator('.topline'))).toHaveAttribute('fill', BLUE);
  await expect(sign(amara.locator('.topline'))).toHaveAttribute('d', first[0]);
  await noBarrier(varga);
  await noBarrier(amara);
  await picture(varga, 'group-signs-people');
  await picture(amara, 'group-signs-phone');
  await picture(ben, 'group-signs-board');

  await varga.getByRole('link', { name: 'All boards' }).click();
  const tile = varga.locator('.tile', { hasText: 'The blue ones' });
  await expect(sign(tile)).toHaveAttribute('fill', BLUE);
  expect((await looks(varga.locator('.tile', { hasText: 'Group 2' })))).toEqual(second);
  await picture(varga, 'group-signs-circulate');
  const lesson = varga.url().split('?')[0];
  await varga.goto(`${lesson}/boards`);
  await expect(sign(varga.locator('.row', { hasText: 'The blue ones' }))).toHaveAttribute('fill', BLUE);
});
