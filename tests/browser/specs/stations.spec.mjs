import { expect, test } from '@playwright/test';
import { noBarrier } from './barriers.mjs';
import { design, handOut, kept, student, teacher, writeNote } from './people.mjs';

const together = { way: 'Everybody together on one wall' };
const station = (page) => page.locator('.station');
const stop = (page, number) =>
  page.getByRole('navigation', { name: 'Stations' }).getByRole('button', { name: new RegExp(`^${number}\\b`) });
const slip = (page, words) => page.locator('.station .slip').filter({ hasText: words });

const picture = (name, colour) => ({
  name,
  mimeType: 'image/svg+xml',
  buffer: Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="400" height="240"><rect width="400" height="240" fill="#eef"/><path d="M20 200 Q200 20 380 200" fill="none" stroke="${colour}" stroke-width="14"/></svg>`,
  ),
});

/** Three stations from three pictures, handed out to all together. */
async function gallery(page) {
  await page.goto('/desk');
  await page.getByRole('button', { name: 'New wall' }).click();
  await kept(page);
  await page.getByLabel('Name of the activity').fill('Bridge gallery');
  await page.getByRole('radio', { name: /go from station to station/ }).check();
  await page.getByLabel('The question over the wall').fill('What do these bridges have in common?');
  await page
    .getByLabel('Stations from pictures')
    .setInputFiles([
      picture('Stone arch.svg', '#875'),
      picture('Rope bridge.svg', '#397'),
      picture('Steel truss.svg', '#469'),
    ]);
  await expect(page.getByLabel('Station 3', { exact: true })).toHaveValue('Steel truss');
  await page.getByLabel('What to look at or to do there').first().fill('Where does the load go?');
  await page.getByLabel('Address to open').nth(1).fill('bridges.example/ropes');
  await page.getByRole('button', { name: 'Put it here' }).nth(1).click();
  await expect(page.getByLabel('What it is called').nth(1)).toHaveValue('bridges.example');
  await kept(page);
}

async function say(page, words) {
  const slot = page.getByRole('textbox', { name: /^Write here, at/ });
  await slot.fill(words);
  await slot.press('Control+Enter');
  await expect(slip(page, words)).toBeVisible();
}

test('stations made from pictures are visited by a class: on a phone, by keyboard, and the teacher sees who is where', async ({
  browser,
}) => {
  const varga = await teacher(browser);
  await gallery(varga);
  await varga.getByLabel('At how many stations').fill('2');
  await varga.getByLabel('At how many stations').press('Tab');
  await kept(varga);
  await noBarrier(varga);
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben', { viewport: { width: 390, height: 844 } });

  await test.step('a picture, its prompt and an answer beside it', async () => {
    await expect(station(maya).getByRole('heading', { name: 'Stone arch' })).toBeVisible();
    await expect(station(maya).getByRole('img', { name: 'Stone arch' })).toBeVisible();
    await expect
      .poll(() =>
        station(maya)
          .locator('img')
          .evaluate((i) => i.naturalWidth),
      )
      .toBeGreaterThan(0);
    await expect(station(maya)).toContainText('Where does the load go?');
    await say(maya, 'Into the banks');
    await expect(maya.getByText('Say something at 1 more station')).toBeVisible();
    await ben.getByRole('button', { name: 'Show 1 new card' }).first().click();
    await expect(slip(ben, 'Into the banks')).toBeVisible();
  });

  await test.step('by keyboard to the next station, with something to open', async () => {
    await stop(maya, 2).focus();
    await maya.keyboard.press('Enter');
    await expect(station(maya).getByRole('heading', { name: 'Rope bridge' })).toBeVisible();
    await expect(station(maya).getByRole('link', { name: 'bridges.example' })).toHaveAttribute(
      'href',
      'https://bridges.example/ropes',
    );
    await say(maya, 'It hangs');
    await expect(maya.getByText('You have put up 2 cards.')).toBeVisible();
    await expect(stop(maya, 1)).toHaveAccessibleName(/^1 answered/);
    await noBarrier(maya);
  });

  await test.step('on a phone one turns from station to station, and sees one large', async () => {
    await ben.getByRole('button', { name: 'Next station' }).click();
    await expect(slip(ben, 'It hangs')).toBeVisible();
    await ben.getByRole('button', { name: 'See it large' }).click();
    await expect(ben.getByRole('dialog')).toContainText('2. Rope bridge');
    await ben.getByRole('dialog').getByRole('button', { name: 'Next station' }).click();
    await expect(ben.getByRole('dialog')).toContainText('3. Steel truss');
    await ben.keyboard.press('Escape');
    await noBarrier(ben);
  });

  await test.step('the teacher sees how many are at each station', async () => {
    await varga.locator('.tile').first().click();
    await expect(stop(varga, 2)).toHaveAccessibleName(/^2 2 here/);
    await expect(varga.locator('.wall-person', { hasText: 'Maya' })).toContainText('2 cards · at 2 of 3 stations');
    await noBarrier(varga);
  });

  await test.step('a picture is added to a station while the wall runs', async () => {
    await varga.getByRole('button', { name: 'Change the wall' }).click();
    await varga.getByRole('button', { name: 'New station' }).click();
    await varga.getByLabel('Station 4', { exact: true }).fill('Footbridge');
    await varga.locator('input[type=file][id^="picture-"]').nth(3).setInputFiles(picture('Our footbridge.svg', '#222'));
    await expect(varga.getByLabel('What the picture shows').nth(3)).toHaveValue('Our footbridge');
    await varga.getByRole('button', { name: 'Change it for everybody' }).click();
    await stop(maya, 4).click();
    await expect(station(maya).getByRole('img', { name: 'Our footbridge' })).toBeVisible();
  });
});

test('groups go round together: each at its station, moved on by the teacher, also who comes later and who is writing', async ({
  browser,
}) => {
  const varga = await teacher(browser);
  await gallery(varga);
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  await varga.locator('.tile').first().click();
  await expect(varga.locator('.wall-person')).toHaveCount(2);
  await varga.getByLabel('Groups', { exact: true }).fill('2');
  await varga.getByRole('button', { name: 'Set out in groups by chance' }).click();
  await expect(varga.getByText('Stop 1 of 3.')).toBeVisible();
  for (const page of [maya, ben]) await expect(page.getByText(/“Group \d” are here now\./)).toBeVisible();
  const first = await maya.locator('.station h2').innerText();
  expect(await ben.locator('.station h2').innerText()).not.toBe(first);

  // Where their group comes later, one reads and does not write.
  await maya
    .getByRole('button', { name: /Next station|Station before/ })
    .and(maya.locator(':enabled'))
    .first()
    .click();
  await expect(maya.getByText('You can read here; your turn comes later.')).toBeVisible();
  await expect(maya.getByRole('textbox')).toHaveCount(0);
  await maya.getByRole('button', { name: 'Go there' }).click();
  await expect(maya.locator('.station h2')).toHaveText(first);

  await say(maya, 'seen by us');
  await ben.getByRole('textbox', { name: /^Write here, at/ }).fill('half a sent');
  const bens = await ben.locator('.station h2').innerText();
  await varga.getByRole('button', { name: 'All move on' }).click();
  await expect(maya.locator('.station h2')).not.toHaveText(first);
  await expect(maya.getByText(/are here now/)).toBeVisible();

  // Who is writing is told, stays, finishes, and then goes on.
  await expect(ben.getByText(/Your group goes on to station \d/)).toBeVisible();
  await expect(ben.locator('.station h2')).toHaveText(bens);
  await say(ben, 'half a sentence is done');
  await ben.getByRole('button', { name: 'Go there' }).click();
  await expect(ben.getByText(/are here now/)).toBeVisible();

  const cleo = await student(browser, code, 'Cleo', { viewport: { width: 390, height: 844 } });
  await expect(cleo.getByText(/“Group \d” are here now\./)).toBeVisible();
  await say(cleo, 'I came late');
  await varga.getByRole('button', { name: 'All move on' }).click();
  await expect(varga.getByText('Stop 3 of 3.')).toBeVisible();
  await expect(varga.getByRole('button', { name: 'All move on' })).toBeDisabled();
  await varga.getByRole('button', { name: 'End the round trip' }).click();
  await expect(varga.getByText('Everybody goes where they like.')).toBeVisible();
  await expect(maya.getByText(/are here now/)).toHaveCount(0);
  for (const page of [maya, ben, cleo]) await kept(page);
});

test('a page and a card of earlier work are shown at stations, without whose they are', async ({ browser }) => {
  const varga = await teacher(browser);
  // A lesson on a board, and one on a wall.
  await design(varga);
  const first = await handOut(varga);
  const maya = await student(browser, first, 'Maya');
  await writeNote(maya, 'An arch pushes outwards');
  await kept(maya);
  await gallery(varga);
  await varga.getByRole('radio', { name: /put what they think under topics/ }).check();
  await kept(varga);
  const second = await handOut(varga, together);
  const ben = await student(browser, second, 'Ben');
  const field = ben.getByLabel(/^Write here, under Stone arch/);
  await field.fill('Stones are squeezed');
  await field.press('Control+Enter');
  await kept(ben);

  await gallery(varga);
  const dialog = varga.getByRole('dialog');
  await varga.getByRole('button', { name: 'From earlier work' }).first().click();
  await dialog.getByLabel('Lesson').selectOption({ index: 2 });
  await dialog.getByLabel('Whose board or wall').selectOption({ label: 'Maya' });
  const page = dialog.getByRole('button', { name: 'Page 1' });
  await expect(page).toBeVisible();
  await noBarrier(varga);
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/earlier.png' });
  const printed = varga.waitForResponse((r) => r.url().includes('.png?') && r.url().includes('names=none'));
  await page.click();
  await printed;
  await expect(dialog).toBeHidden();
  await expect(varga.getByLabel('What the picture shows').first()).toHaveValue('Page 1');
  await varga.getByRole('button', { name: 'From earlier work' }).nth(1).click();
  await dialog.getByLabel('Lesson').selectOption({ index: 1 });
  await dialog.getByLabel('Whose board or wall').selectOption({ index: 1 });
  await dialog.getByRole('button', { name: 'Stones are squeezed' }).click();
  await expect(dialog).toBeHidden();
  await expect(varga.getByLabel('What to look at or to do there').nth(1)).toHaveValue('Stones are squeezed');
  await kept(varga);
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/earlier-there.png' });
  const code = await handOut(varga, together);
  const cleo = await student(browser, code, 'Cleo');
  await expect(station(cleo).getByRole('img', { name: 'Page 1' })).toBeVisible();
  await expect(cleo.locator('body')).not.toContainText('Maya');
  if (process.env.PICTURES) await cleo.screenshot({ path: '/tmp/p/earlier-student.png' });
  for (const one of [varga, maya, ben, cleo]) expect(one.problems).toEqual([]);
});
