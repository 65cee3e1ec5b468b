import { expect, test } from '@playwright/test';
import { noBarrier } from './barriers.mjs';
import { handOut, kept, student, teacher } from './people.mjs';

const together = { way: 'Everybody together on one wall' };
const slot = (page, topic) => page.getByLabel(`Write here, under ${topic}`, { exact: true });
const cards = (page, topic) =>
  page.getByRole('list', { name: topic, exact: true }).locator('.slip:not(.slip-changing)');
const menu = (page, topic) =>
  page
    .locator('.slot')
    .filter({ has: page.getByLabel(`Write here, under ${topic}`, { exact: true }) })
    .locator('summary');
const show = async (page, beside, what) => {
  await menu(page, beside).click();
  await page.getByRole('button', { name: what, exact: true }).click();
};
const choose = (page, name, buffer) =>
  page.locator('[data-attach]').setInputFiles({ name, mimeType: 'image/png', buffer });
/** Whether a picture has come, and can be seen. */
const isThere = (image) => expect.poll(() => image.evaluate((i) => i.naturalWidth)).toBeGreaterThan(0);
const putUp = (page) => page.getByRole('button', { name: 'Put it up' }).click();

/** A wall with one topic, on which students may show everything, with a map. */
async function designWall(page, shows = ['pictures', 'drawings', 'formulas', 'places on a map']) {
  await page.goto('/desk');
  await page.getByRole('button', { name: 'New wall' }).click();
  await kept(page);
  await page.getByLabel('Name of the activity').fill('Bridges of our valley');
  await page.getByLabel('The question over the wall').fill('Which bridges do we know?');
  await page.getByRole('button', { name: 'New topic' }).click();
  await page.getByLabel('Topic 1', { exact: true }).fill('Bridges');
  for (const kind of ['pictures', 'drawings', 'formulas', 'places on a map', 'links to pages on the web'])
    await page.getByRole('checkbox', { name: kind, exact: true }).setChecked(shows.includes(kind));
  if (shows.includes('places on a map')) {
    await page
      .locator('#plan-map')
      .setInputFiles({ name: 'Valley of the Ostle.png', mimeType: 'image/png', buffer: await page.screenshot() });
    await expect(page.getByLabel('What the map shows')).toHaveValue('Valley of the Ostle');
  }
  await page.getByLabel('The question over the wall').click();
  await kept(page);
}

async function drawLine(page, from, to) {
  const box = await page.getByLabel('Sheet to draw on').boundingBox();
  const at = ([x, y]) => [box.x + x * box.width, box.y + y * box.height];
  await page.mouse.move(...at(from));
  await page.mouse.down();
  await page.mouse.move(...at(to), { steps: 8 });
  await page.mouse.up();
}

test('a card shows a picture, a drawing, a formula and a place; classmate and teacher see them, and large', async ({
  browser,
}) => {
  const varga = await teacher(browser);
  await designWall(varga);
  await varga.getByRole('link', { name: 'Hand out' }).click();
  await expect(varga.getByText('They may show places on the map.')).toBeVisible();
  await varga.goBack();
  await kept(varga);
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben', { viewport: { width: 390, height: 844 } });

  await slot(maya, 'Bridges').fill('The mill bridge\nIt has one arch.');
  await show(maya, 'Bridges', 'Picture from this device');
  await choose(maya, 'mill bridge.png', await maya.locator('.ledge').screenshot());
  await expect(maya.getByRole('textbox', { name: 'What does it show?' })).toHaveValue('mill bridge');
  await maya.getByRole('textbox', { name: 'What does it show?' }).fill('One arch of stone');

  await show(maya, 'Bridges', 'Draw');
  await maya.getByRole('button', { name: 'Felt tip' }).click();
  await drawLine(maya, [0.2, 0.6], [0.8, 0.6]);
  await maya.getByRole('button', { name: 'Highlighter' }).click();
  await drawLine(maya, [0.3, 0.7], [0.7, 0.5]);
  await drawLine(maya, [0.1, 0.1], [0.2, 0.1]);
  await maya.getByRole('dialog').getByRole('button', { name: 'Undo' }).click();
  await noBarrier(maya);
  await maya.getByRole('button', { name: 'Done' }).click();
  await expect(maya.locator('.making .shown-drawing path')).toHaveCount(2);

  await show(maya, 'Bridges', 'Formula');
  await maya.getByLabel('Written as LaTeX').fill('F = m g');
  await maya.getByRole('button', { name: 'Use this formula' }).click();
  await show(maya, 'Bridges', 'Place on the map');
  await maya.locator('.place-map').click({ position: { x: 40, y: 30 } });
  await maya.getByLabel('What is there?').fill('The mill');
  await noBarrier(maya);
  await maya.getByRole('button', { name: 'Show this place' }).click();
  await expect(maya.locator('.making > li')).toHaveCount(4);

  // What is begun outlives a reload; a fifth thing has no room.
  await maya.reload();
  await kept(maya);
  await expect(maya.locator('.making > li')).toHaveCount(4);
  await show(maya, 'Bridges', 'Draw');
  await expect(maya.getByText('A card shows at most 4 things beside its words.')).toBeVisible();
  await noBarrier(maya);
  await putUp(maya);
  await expect(cards(maya, 'Bridges').locator('.shown > button')).toHaveCount(4);
  await kept(maya);

  for (const page of [ben, varga]) {
    if (page === varga) await page.locator('.tile').first().click();
    else
      await page
        .getByRole('button', { name: /^Show 1 new card/ })
        .first()
        .click();
    await expect(cards(page, 'Bridges').getByAltText('One arch of stone')).toBeVisible();
    await expect(cards(page, 'Bridges').locator('.shown-drawing path')).toHaveCount(2);
    await expect(cards(page, 'Bridges').getByRole('img', { name: 'F = m g' })).toBeAttached();
    await page.getByRole('button', { name: 'See large: The mill' }).click();
    await expect(page.getByRole('dialog').getByText('It has one arch.')).toBeVisible();
    await isThere(page.getByRole('dialog').locator('img'));
    await noBarrier(page);
    await page.getByRole('button', { name: 'Back to the wall' }).click();
  }
  // Found by what a picture shows.
  await varga.getByLabel('Find words or a name').fill('arch of stone');
  await expect(varga.locator('.slip')).toHaveCount(1);
  await varga.getByLabel('Find words or a name').fill('');

  // By topic, and by what is shown.
  const found = varga.locator('.wall-found:visible').filter({ hasText: /card/ });
  await varga.getByText('By topic, or by what is shown').click();
  await varga.getByLabel('Cards with', { exact: true }).selectOption('a drawing');
  await expect(found).toContainText('1 card');
  await varga.getByLabel('Under', { exact: true }).selectOption('Fits nowhere else');
  await expect(varga.locator('.slip')).toHaveCount(0);
  await varga.getByLabel('Cards with', { exact: true }).selectOption('words alone');
  await varga.getByLabel('Under', { exact: true }).selectOption('Bridges');
  await expect(varga.locator('.slip')).toHaveCount(0);
  await noBarrier(varga);
  await varga.getByRole('button', { name: 'Show all cards' }).click();
  await expect(varga.locator('.slip')).toHaveCount(1);

  // Other things on the same card; what is taken off is gone for all.
  await maya.getByRole('button', { name: 'Change the card: The mill bridge' }).click();
  await maya.getByRole('button', { name: 'Remove: F = m g' }).click();
  await maya.locator('.slip-changing').getByRole('button', { name: 'Done' }).click();
  await expect(cards(ben, 'Bridges').locator('.shown > button')).toHaveCount(3);
  expect([...varga.problems, ...maya.problems, ...ben.problems]).toEqual([]);
});

test('a picture is dropped, pasted or searched, is refused in words where it is none, and waits for nobody without a network', async ({
  browser,
}) => {
  const varga = await teacher(browser);
  await designWall(varga, ['pictures']);

  // A sample student can do the same.
  await varga.getByRole('button', { name: 'Try it as a student' }).click();
  const seat = varga.frameLocator('[data-try-seat="1"]');
  await menu(seat, 'Bridges').click();
  await seat.getByRole('button', { name: 'Picture from this device' }).click();
  await seat
    .locator('[data-attach]')
    .setInputFiles({ name: 'try.png', mimeType: 'image/png', buffer: await varga.locator('.topline').screenshot() });
  await seat.getByRole('button', { name: 'Put it up' }).click();
  await isThere(seat.locator('.slip .shown img'));
  await varga.getByRole('button', { name: 'Try it as a student' }).click();

  const maya = await student(browser, await handOut(varga, together), 'Maya');
  await expect(menu(maya, 'Bridges')).toBeVisible();
  await show(maya, 'Bridges', 'Picture from this device');
  await choose(maya, 'notes.png', Buffer.from('no picture'));
  await expect(maya.getByText('This file is not a picture that can be read.')).toBeVisible();

  await show(maya, 'Bridges', 'Search for a picture');
  await maya.getByRole('dialog').locator('.overview-page').first().click();
  await expect(maya.locator('.making > li')).toHaveCount(1);
  await putUp(maya);
  await expect(cards(maya, 'Bridges').locator('img')).toHaveCount(1);

  const bytes = [...(await maya.locator('.ledge').screenshot())];
  for (const kind of ['drop', 'paste'])
    await slot(maya, 'Bridges').evaluate(
      (field, [type, numbers]) => {
        const data = new DataTransfer();
        data.items.add(new File([new Uint8Array(numbers)], `${type}.png`, { type: 'image/png' }));
        const event =
          type === 'drop'
            ? new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true })
            : new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true });
        field.dispatchEvent(event);
      },
      [kind, bytes],
    );
  await expect(maya.locator('.making > li')).toHaveCount(2);

  await maya.context().setOffline(true);
  await slot(maya, 'Bridges').fill('Three views');
  await show(maya, 'Bridges', 'Picture from this device');
  await choose(maya, 'third.png', Buffer.from(bytes));
  await expect(maya.getByText('The picture could not be sent.')).toBeVisible();
  await putUp(maya);
  await expect(cards(maya, 'Bridges').filter({ hasText: 'Three views' }).locator('.shown > button')).toHaveCount(2);
  await maya.context().setOffline(false);
  await kept(maya);
  expect(maya.problems).toEqual([]);
});

test('the teacher ends that pictures are shown while the wall runs; what is there stays', async ({ browser }) => {
  const varga = await teacher(browser);
  await designWall(varga, ['pictures']);
  const maya = await student(browser, await handOut(varga, together), 'Maya');
  await show(maya, 'Bridges', 'Picture from this device');
  await choose(maya, 'arch.png', await maya.locator('.ledge').screenshot());
  await putUp(maya);
  await kept(maya);
  await slot(maya, 'Bridges').fill('Another');
  await show(maya, 'Bridges', 'Picture from this device');
  await choose(maya, 'second.png', await maya.locator('.ledge').screenshot());
  await expect(maya.locator('.making > li')).toHaveCount(1);
  await varga.locator('.tile').first().click();
  await varga.getByRole('button', { name: 'Change the wall' }).click();
  await varga.getByRole('checkbox', { name: 'pictures', exact: true }).uncheck();
  await varga.getByRole('button', { name: 'Change it for everybody' }).click();
  await expect(menu(maya, 'Bridges')).toHaveCount(0);
  await expect(maya.getByText('The teacher does not let this be shown here any more.')).toBeVisible();
  await maya.getByRole('button', { name: /^Remove/ }).click();
  await putUp(maya);
  await expect(cards(maya, 'Bridges')).toHaveCount(2);
  await maya.getByRole('button', { name: 'Change the card: arch' }).click();
  await maya.getByLabel('Words of this card').fill('An arch');
  await maya.locator('.slip-changing').getByRole('button', { name: 'Done' }).click();
  await kept(maya);
  await expect(cards(varga, 'Bridges').filter({ hasText: 'An arch' }).locator('img')).toHaveCount(1);
});

test('a drawing that arrives after pens down waits for the teacher, who is told what it is and adds it', async ({
  browser,
}) => {
  test.slow();
  const varga = await teacher(browser);
  await designWall(varga, ['drawings']);
  const maya = await student(browser, await handOut(varga, together), 'Maya');
  // What she may want without a network is there after a moment.
  await expect(maya.locator('[data-drawing]')).toBeAttached();
  await maya.context().setOffline(true);
  await expect(maya.locator('.kept')).toContainText('Kept on this device', { timeout: 30_000 });
  await show(maya, 'Bridges', 'Draw');
  await drawLine(maya, [0.2, 0.6], [0.8, 0.6]);
  await maya.getByRole('button', { name: 'Done' }).click();
  await putUp(maya);
  await varga.getByRole('button', { name: 'Pens down' }).click();
  await expect(varga.getByText('Pens are down on one board')).toBeVisible();
  await maya.context().setOffline(false);
  await expect(maya.locator('.kept')).toContainText('Kept. It came late: your teacher can add it', { timeout: 30_000 });
  await varga.getByRole('button', { name: 'Look at it' }).click();
  await expect(varga.getByRole('dialog')).toContainText('Drawing');
  await varga.getByRole('dialog').getByRole('button', { name: 'Add it' }).click();
  await expect(cards(maya, 'Bridges').locator('.shown-drawing path')).toHaveCount(1);
});

test('a link is looked up by the server, opens elsewhere, and is put up without a network too', async ({ browser }) => {
  const varga = await teacher(browser);
  await designWall(varga, ['links to pages on the web']);
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben', { viewport: { width: 390, height: 844 } });
  const left = [];
  for (const page of [maya, ben]) page.on('request', (r) => r.url().includes('ostlebrook.example') && !r.url().includes('/rooms/') && left.push(r.url()));

  await slot(maya, 'Bridges').fill('Look there');
  await show(maya, 'Bridges', 'Link');
  await expect(maya.getByLabel('Address of the page')).toBeFocused();
  await maya.keyboard.type('javascript:alert(1)');
  await maya.keyboard.press('Enter');
  await expect(maya.getByRole('alert')).toContainText('This is no address of a page.');
  await maya.getByLabel('Address of the page').fill('bridges.ostlebrook.example/old');
  if (process.env.PICTURES) await maya.screenshot({ path: '/tmp/p/link-address.png' });
  await maya.keyboard.press('Enter');
  await expect(maya.getByLabel('What the page is called')).toHaveValue('The old stone bridge, built in 1684');
  await maya.getByLabel('What the page is called').fill('The oldest bridge');
  await putUp(maya);
  await kept(maya);
  await ben.getByRole('button', { name: /^Show 1 new card/ }).first().click();
  const there = cards(ben, 'Bridges').getByRole('link');
  await expect(there).toHaveText(/The oldest bridge\s+Bridges of the Ostle Valley/);
  await expect(there).toHaveAttribute('href', 'https://bridges.ostlebrook.example/old');
  await expect(there).toHaveAttribute('rel', /noopener noreferrer/);
  await expect(there).toHaveAttribute('target', '_blank');
  await noBarrier(ben);
  if (process.env.PICTURES) await ben.screenshot({ path: '/tmp/p/link-ben.png' });

  // Without a network it has the name of its server.
  await ben.context().setOffline(true);
  await show(ben, 'Bridges', 'Link');
  await ben.getByLabel('Address of the page').fill('museum.ostlebrook.example/models');
  await ben.getByRole('button', { name: 'Put it there' }).click();
  await expect(ben.locator('.making .shown-link')).toHaveText('museum.ostlebrook.example');
  await putUp(ben);
  await ben.context().setOffline(false);
  await kept(ben);
  await varga.locator('.tile').first().click();
  await expect(cards(varga, 'Bridges').getByRole('link', { name: 'museum.ostlebrook.example' })).toBeVisible();
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/link-varga.png' });

  // Pages of a site that the school names are shown inside, where somebody wishes it; others are not.
  const elsewhere = { contentType: 'text/html', body: '<h1>The arch in slow motion</h1>' };
  await ben.context().route('https://films.classroom.example/**', (route) => route.fulfill(elsewhere));
  await show(maya, 'Bridges', 'Link');
  await maya.getByLabel('Address of the page').fill('films.classroom.example/arch');
  await maya.keyboard.press('Enter');
  await expect(maya.locator('.making .shown-link')).toHaveText('films.classroom.example');
  await putUp(maya);
  await kept(maya);
  await ben.getByRole('button', { name: /^Show 1 new card/ }).first().click();
  const here = cards(ben, 'Bridges').getByText('Show it here');
  await expect(here).toHaveCount(1);
  await here.click();
  await expect(ben.frameLocator('.shown-framed iframe').getByRole('heading')).toHaveText('The arch in slow motion');
  if (process.env.PICTURES) await ben.screenshot({ path: '/tmp/p/link-framed.png' });
  await here.click();
  await expect(ben.locator('iframe')).toHaveCount(0);
  expect(left).toEqual([]);
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});
