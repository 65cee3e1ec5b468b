import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import { handOut, kept, student, teacher } from './people.mjs';

const together = { way: 'Everybody together on one wall' };
const BRIDGES = ['A stone arch', 'A rope bridge', 'A beam', 'A floating bridge'];
const slip = (page, words) => page.locator('.order-slip', { hasText: words });
const inOrder = (page) => page.getByRole('list', { name: 'On the line' }).locator('.order-slip .slip-words');
const below = (page) => page.locator('.off-line .order-slip .slip-words');

/** A wall to order, made in the workshop. */
async function designLine(page) {
  await page.goto('/desk');
  await page.getByRole('button', { name: 'New wall' }).click();
  await kept(page);
  await page.getByLabel('Name of the activity').fill('Which bridge first?');
  await page.getByRole('radio', { name: /place cards along a line/ }).check();
  await page.getByLabel('The question over the wall').fill('Which bridge should we build first?');
  await page.getByLabel('The beginning is called').fill('build it first');
  await page.getByLabel('The end is called').fill('build it last');
  await page.getByRole('button', { name: 'Cards from a list' }).click();
  await page.getByLabel('Paste the outline here').fill(BRIDGES.join('\n'));
  await page.getByRole('button', { name: 'Make 4' }).click();
  await kept(page);
}

async function place(page, words, at) {
  await slip(page, words)
    .getByRole('button', { name: /^(Place|Move) it/ })
    .click();
  await page.locator('[data-placing]').fill(String(at));
  await page.getByRole('button', { name: 'Put it here' }).click();
  await expect(slip(page, words).locator('.order-place')).toContainText(String(at));
}

/** Whether one of two cards covers a part of the other. */
async function hidden(page, one, other) {
  const [a, b] = await Promise.all([one, other].map((words) => slip(page, words).boundingBox()));
  const beside = a.x + a.width <= b.x || b.x + b.width <= a.x;
  return !beside && a.y + a.height > b.y && b.y + b.height > a.y;
}

test('each student orders the cards for themselves, and the teacher shows the order of the class', async ({
  browser,
}) => {
  // Three students, one after another: long on a machine whose time is taken.
  test.slow();
  const varga = await teacher(browser);
  await designLine(varga);
  await varga.reload();
  await expect(varga.getByLabel('Card 4', { exact: true })).toHaveValue('A floating bridge');
  await expect(varga.getByLabel('The end is called')).toHaveValue('build it last');
  await varga.getByRole('link', { name: 'Hand out' }).click();
  const ready = varga.locator('.ready section:visible');
  await expect(ready).toContainText('Each has a placement of their own.');
  await expect(ready).toContainText('Only teachers put up cards; 4 are there from the beginning.');
  await varga.goBack();
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben', { viewport: { width: 390, height: 844 }, hasTouch: true });
  const noor = await student(browser, code, 'Noor');

  // Maya has a mouse.
  await expect(maya.getByText('4 more cards to place')).toBeVisible();
  await expect(maya.locator('[data-slot]')).toHaveCount(0);
  const line = await maya.locator('.on-line').boundingBox();
  await slip(maya, 'A beam').locator('.slip-words').hover();
  await maya.mouse.down();
  await maya.mouse.move(line.x + line.width * 0.5, line.y + 20, { steps: 5 });
  await expect(maya.locator('.axis-mark')).toHaveText('50');
  await maya.mouse.move(line.x + line.width * 0.2, line.y + 20, { steps: 5 });
  await maya.mouse.up();
  await expect(slip(maya, 'A beam').locator('.order-place')).toHaveText('20');
  for (const [words, at] of [
    ['A stone arch', 30],
    ['A rope bridge', 21],
    ['A floating bridge', 90],
  ])
    await place(maya, words, at);
  await expect(inOrder(maya)).toHaveText(['A beam', 'A rope bridge', 'A stone arch', 'A floating bridge']);
  await expect(maya.getByText('You have placed all cards.')).toBeVisible();
  await kept(maya);

  // Nobody hides anybody, though two are nearly at the same place.
  expect(await hidden(maya, 'A beam', 'A rope bridge')).toBe(false);

  // Ben has a phone. What Maya did he does not see.
  await expect(inOrder(ben)).toHaveCount(0);
  await expect(below(ben)).toHaveText(BRIDGES);
  for (const [words, at] of [
    ['A stone arch', 10],
    ['A beam', 40],
    ['A rope bridge', 60],
  ])
    await place(ben, words, at);
  await expect(inOrder(ben)).toHaveText(['A stone arch', 'A beam', 'A rope bridge']);
  const wide = await ben.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  expect(wide).toBeLessThanOrEqual(0);

  // Noor has a keyboard alone.
  const handle = slip(noor, 'A rope bridge').getByRole('button', { name: 'Place it: A rope bridge' });
  await handle.focus();
  await noor.keyboard.press('Enter');
  await expect(noor.locator('[data-placing]')).toBeFocused();
  await noor.keyboard.press('Home');
  for (let i = 0; i < 5; i++) await noor.keyboard.press('ArrowRight');
  await noor.keyboard.press('Enter');
  await expect(slip(noor, 'A rope bridge').locator('.order-place')).toHaveText('5');
  await expect(slip(noor, 'A rope bridge').getByRole('button', { name: 'Move it: A rope bridge' })).toBeFocused();
  await noor.keyboard.press('Enter');
  await expect(noor.locator('[data-placing]')).toBeFocused();
  await noor.keyboard.press('Escape');
  await expect(noor.locator('[data-placing]')).toHaveCount(0);
  await place(noor, 'A beam', 50);
  expect((await new AxeBuilder({ page: noor }).analyze()).violations).toEqual([]);

  // The teacher sees who has placed what, the order of the class, and one student's.
  await expect(varga.locator('.tile')).toContainText('Not all placed yet (2): Ben, Noor');
  await varga.getByText('Open the wall').click();
  await expect(varga.getByText('1 of 3 have placed all cards.')).toBeVisible();
  await expect(varga.getByRole('button', { name: /^Noor/ })).toContainText('2 of 4 placed');
  await expect(varga.getByText('The order of the class, from 3 placements.')).toBeVisible();
  await expect(inOrder(varga)).toHaveText(['A stone arch', 'A rope bridge', 'A beam', 'A floating bridge']);
  await expect(slip(varga, 'A rope bridge').locator('.order-place b')).toHaveText('21');
  await varga.getByRole('button', { name: /^Ben/ }).click();
  await expect(varga.getByText('The placement of Ben')).toBeVisible();
  await expect(inOrder(varga)).toHaveText(['A stone arch', 'A beam', 'A rope bridge']);
  await varga.getByRole('button', { name: /^Ben/ }).click();

  // She shows it; nobody places any more, each still finds their own, and then they go on.
  await varga.getByRole('button', { name: 'Show all the order of the class' }).click();
  await expect(maya.getByText('The order of the class, from 3 placements.')).toBeVisible();
  await expect(slip(maya, 'A rope bridge').locator('.order-place')).toContainText('yours: 21');
  await expect(maya.getByRole('button', { name: /^Move it/ })).toHaveCount(0);
  await maya.getByRole('button', { name: 'See my own placement' }).click();
  await expect(maya.getByText('Your own placement')).toBeVisible();
  await expect(inOrder(maya)).toHaveText(['A beam', 'A rope bridge', 'A stone arch', 'A floating bridge']);
  await varga.getByRole('button', { name: 'Let them go on placing' }).click();
  await expect(maya.getByRole('button', { name: /^Move it/ })).toHaveCount(4);

  // Without a network Maya goes on; it arrives.
  await maya.context().setOffline(true);
  await expect(maya.locator('.kept')).toHaveText('Kept on this device until the network is back');
  await place(maya, 'A floating bridge', 3);
  await maya.context().setOffline(false);
  await kept(maya);
  await expect(slip(varga, 'A floating bridge').locator('.order-place b')).toHaveText('3');

  // She makes it a ladder: it is said before that cards are to be placed anew; back on the line they stand where they stood.
  await varga.getByRole('button', { name: 'Change the wall' }).click();
  await varga.locator('dialog').getByLabel('Cards are placed').selectOption({ label: 'on a ladder of ranks' });
  await expect(varga.getByText('On the new one they are to be placed anew.')).toBeVisible();
  await varga.locator('dialog').getByLabel('Rungs').fill('3');
  await varga.locator('dialog').getByLabel('Rungs').blur();
  await varga.getByRole('button', { name: 'Change it for everybody' }).click();
  await expect(maya.locator('.rung')).toHaveCount(3);
  await expect(maya.getByText('4 more cards to place')).toBeVisible();
  await slip(maya, 'A beam')
    .getByRole('button', { name: /^Place it/ })
    .click();
  await maya.locator('[data-placing]').selectOption('1');
  await maya.getByRole('button', { name: 'Put it here' }).click();
  await expect(maya.locator('[data-rung="1"] .order-slip')).toHaveText([/A beam/]);
  await expect(maya.locator('[data-rung="1"]')).toContainText('build it first');

  // In a field a card has two places, and still none hides another.
  await varga.getByRole('button', { name: 'Change the wall' }).click();
  await varga.locator('dialog').getByLabel('Cards are placed').selectOption({ label: 'in a field of two lines' });
  await varga.locator('dialog').getByLabel('The upper end is called').fill('costs much');
  await varga.getByRole('button', { name: 'Change it for everybody' }).click();
  await expect(maya.getByText('costs much', { exact: true })).toBeVisible();
  for (const [words, at, up] of [
    ['A beam', 20, 80],
    ['A rope bridge', 22, 78],
  ]) {
    await slip(maya, words)
      .getByRole('button', { name: /^Place it/ })
      .click();
    await maya.locator('[data-place-field]').first().fill(String(at));
    await maya.locator('[data-place-field]').last().fill(String(up));
    await maya.getByRole('button', { name: 'Put it here' }).click();
    await expect(slip(maya, words).locator('.order-place')).toHaveText(`${at} across, ${up} up`);
  }
  expect(await hidden(maya, 'A beam', 'A rope bridge')).toBe(false);
  for (const page of [varga, maya, ben, noor]) expect(page.problems).toEqual([]);
});

test('on a timeline all place together: anybody moves a card, a wrong year is put right, and what one writes is placed by all', async ({
  browser,
}) => {
  const varga = await teacher(browser);
  await designLine(varga);
  await varga.getByLabel('Cards are placed').selectOption({ label: 'on a timeline of years' });
  await varga.getByLabel('From the year').fill('2000');
  await varga.getByLabel('to the year', { exact: true }).fill('1700');
  await varga.getByLabel('to the year', { exact: true }).blur();
  await expect(varga.getByText('The line ends before it begins.')).toBeVisible();
  await varga.getByLabel('From the year').fill('1500');
  await varga.getByLabel('From the year').blur();
  await varga.getByLabel('All place the cards together, on one line').check();
  await varga.getByLabel('Only teachers put up cards').uncheck();
  await kept(varga);

  // She tries it as a student.
  await varga.getByRole('button', { name: 'Try it as a student' }).click();
  const seat = varga.frameLocator('[data-try-seat="1"]');
  await expect(seat.locator('.order-slip')).toHaveCount(4);
  await slip(seat, 'A beam')
    .getByRole('button', { name: /^Place it/ })
    .click();
  await seat.locator('[data-placing]').fill('1650');
  await seat.locator('[data-placing]').press('Enter');
  await expect(slip(seat, 'A beam').locator('.order-place')).toHaveText('1650');
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  await place(maya, 'A stone arch', 1602);
  await expect(slip(ben, 'A stone arch').locator('.order-place')).toHaveText('1602');
  await place(ben, 'A stone arch', 1611);
  await expect(slip(maya, 'A stone arch').locator('.order-place')).toHaveText('1611');

  // A year beyond the line is put on its end.
  await slip(ben, 'A beam')
    .getByRole('button', { name: /^Place it/ })
    .click();
  await ben.locator('[data-placing]').fill('1999');
  await ben.locator('[data-placing]').press('Enter');
  await expect(slip(ben, 'A beam').locator('.order-place')).toHaveText('1700');

  await ben.getByLabel('Write a card').fill('The mill burned down');
  await ben.getByLabel('Write a card').press('Control+Enter');
  await kept(ben);
  await maya.getByRole('button', { name: 'Show 1 new card' }).first().click();
  await place(maya, 'The mill burned down', 1650);
  await expect(inOrder(ben)).toHaveText(['A stone arch', 'The mill burned down', 'A beam']);
  await slip(ben, 'A beam')
    .getByRole('button', { name: /^Move it/ })
    .click();
  await ben.getByRole('button', { name: 'Take it off the line' }).click();
  await expect(inOrder(maya)).toHaveText(['A stone arch', 'The mill burned down']);

  await varga.getByRole('button', { name: 'Pens down' }).click();
  await expect(maya.getByRole('button', { name: /^(Move|Place) it/ })).toHaveCount(0);
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});
