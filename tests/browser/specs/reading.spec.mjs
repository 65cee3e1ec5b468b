import { expect, test } from '@playwright/test';
import { noBarrier } from './barriers.mjs';
import { handOut, kept, student, teacher } from './people.mjs';

const slot = (page) => page.getByLabel('Write here, under All answers', { exact: true });
const picture = (page, name) => (process.env.PICTURES ? page.screenshot({ path: `/tmp/p/${name}.png` }) : null);

async function putUp(page, words) {
  await slot(page).fill(words);
  await slot(page).press('Control+Enter');
  await expect(page.locator('.strata .slip').filter({ hasText: words })).toBeVisible();
  await kept(page);
}

test('nobody unread: each student who is here gets cards of others to read, and the teacher sees which are left', async ({
  browser,
}) => {
  const varga = await teacher(browser);
  await varga.goto('/desk');
  await varga.getByRole('button', { name: 'New wall' }).click();
  await kept(varga);
  await varga.getByLabel('Name of the activity').fill('Why do bridges stand?');
  await varga.getByLabel('The question over the wall').fill('Why does an arch bridge stand?');
  await kept(varga);
  const code = await handOut(varga, { way: 'Everybody together on one wall' });
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  const cleo = await student(browser, code, 'Cleo', { viewport: { width: 390, height: 844 } });
  await putUp(maya, 'Arches push');
  await putUp(ben, 'Cables pull');
  await putUp(cleo, 'Beams bend');
  await varga.locator('.tile').first().click();
  await varga.getByText('Reading lists', { exact: true }).click();
  await varga.getByLabel('Cards for each').fill('2');
  await varga.getByLabel('Cards for each').blur();
  await varga.getByRole('button', { name: 'Deal them out' }).click();
  await expect(varga.getByText('0 of 3 have read all of theirs. 3 cards that nobody has read.')).toBeVisible();
  await noBarrier(varga);
  await picture(varga, 'reading-teacher');

  // On a phone, each card of the list large, whether it is shown already or not; never one's own.
  await expect(cleo.getByText('Of your reading list you have read 0 of 2.')).toBeVisible();

  await cleo.getByRole('button', { name: 'Read on' }).click();
  const large = cleo.getByRole('dialog');
  await expect(large).toContainText('Arches push');
  await picture(cleo, 'reading-phone');
  await noBarrier(cleo);
  await large.getByRole('button', { name: 'I have read it' }).click();
  await expect(large).toContainText('Cables pull');
  await large.getByRole('button', { name: 'I have read it' }).click();
  await expect(large).toBeHidden();
  await expect(cleo.getByText('You have read all of your list.')).toBeVisible();
  await expect(cleo.getByText('Of your reading list you have read 2 of 2.')).toBeVisible();
  await expect(varga.getByText('1 of 3 have read all of theirs. 1 card that nobody has read.')).toBeVisible();

  // By keyboard, and without a network, once what shows a card large is here; it counts when it comes.
  await maya.getByRole('button', { name: 'Read on' }).press('Enter');
  await expect(maya.getByRole('dialog').getByRole('button', { name: 'I have read it' })).toBeVisible();
  await maya.keyboard.press('Escape');
  await expect(maya.getByRole('dialog')).toHaveCount(0);
  await maya.context().setOffline(true);
  await maya.getByRole('button', { name: 'Read on' }).press('Enter');
  await maya.getByRole('dialog').getByRole('button', { name: 'I have read it' }).press('Enter');
  await maya.keyboard.press('Escape');
  await maya.context().setOffline(false);
  await kept(maya);

  // Ben has gone: what he was to read is dealt to those who are here.
  await ben.context().close();
  await maya.reload();
  await kept(maya);
  await expect(maya.getByText('Of your reading list you have read 1 of 2.')).toBeVisible();
  await putUp(cleo, 'Rust eats chains');
  await varga.getByRole('button', { name: 'Deal more to who is here' }).click();
  await expect(varga.getByText(/^1 of 2 have read all of theirs/)).toBeVisible();
  await expect(maya.getByText('Of your reading list you have read 1 of 3.')).toBeVisible();
  expect([...varga.problems, ...maya.problems, ...cleo.problems]).toEqual([]);
});
