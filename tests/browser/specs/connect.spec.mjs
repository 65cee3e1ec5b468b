import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import { handOut, kept, student, teacher } from './people.mjs';

const together = { way: 'Everybody together on one wall' };
const card = (page, words) => page.locator('.field-card', { hasText: words });
const open = (page, words) => page.getByRole('button', { name: new RegExp(`^${words}, `) });
const about = (page) => page.locator('.chosen-card');
const labels = (page) => page.locator('.link-labels span');
const sentences = (page) => page.locator('.link-sentences .sentences > li > span[dir]');

/** A wall to connect, made in the workshop: two words for links, two cards to begin with. */
async function designField(page) {
  await page.goto('/desk');
  await page.getByRole('button', { name: 'New wall' }).click();
  await kept(page);
  await page.getByLabel('Name of the activity').fill('From load to ground');
  await page.getByRole('radio', { name: /join cards by links/ }).check();
  await page.getByLabel('The question over the wall').fill('How does a load get to the ground?');
  for (const [nth, words] of ['pushes on', 'is part of'].entries()) {
    await page.getByRole('button', { name: 'Add words' }).click();
    await page.getByLabel(`Words ${nth + 1}`, { exact: true }).fill(words);
  }
  await page.getByRole('button', { name: 'Cards from a list' }).click();
  await page.getByLabel('Paste the outline here').fill('Load\nDeck');
  await page.getByRole('button', { name: 'Make 2' }).click();
  await kept(page);
}

/** Links a card with another, by the form beside the field. */
async function link(page, from, words, to) {
  await open(page, from).click();
  await about(page)
    .getByRole('button', { name: `Link: ${from}` })
    .click();
  await about(page)
    .locator('form')
    .getByLabel(/^Words for the link: /)
    .selectOption(words);
  await about(page).getByLabel('Which card?').selectOption(to);
  await expect(about(page).locator('.link-sentence')).toHaveText(`${from} ${words} ${to}`);
  await about(page).getByRole('button', { name: 'Link', exact: true }).click();
  await expect(about(page).locator('.sentences').getByText(`${from} ${words} ${to}`)).toBeVisible();
}

/** Where a card lies, on the screen. */
async function middle(page, words) {
  const { x, y, width, height } = await card(page, words).boundingBox();
  return { x: x + width / 2, y: y + height / 2 };
}

/** How far one card lies from another, on the screen. */
async function from(page, one, other) {
  const [a, b] = [await middle(page, one), await middle(page, other)];
  return { x: Math.round(b.x - a.x), y: Math.round(b.y - a.y) };
}

async function covers(page, one, other) {
  const [a, b] = await Promise.all([one, other].map((words) => card(page, words).boundingBox()));
  return a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;
}

test('a class joins its cards by links that read as sentences: by mouse, on a phone, by keyboard; the teacher tidies the field', async ({
  browser,
}) => {
  // Three students, one after another: long on a machine whose time is taken.
  test.slow();
  const varga = await teacher(browser);
  await designField(varga);
  await varga.reload();
  await expect(varga.getByLabel('Words 2', { exact: true })).toHaveValue('is part of');
  await varga.getByRole('link', { name: 'Hand out' }).click();
  const ready = varga.locator('.ready section:visible');
  await expect(ready).toContainText('Students write cards on a free field and join them by links with words.');
  await varga.goBack();
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben', { viewport: { width: 390, height: 844 }, hasTouch: true });
  const noor = await student(browser, code, 'Noor');

  // Maya has a mouse: she links, writes beside a card, and drags.
  await link(maya, 'Load', 'pushes on', 'Deck');
  await expect(labels(maya)).toHaveText(['pushes on']);
  await open(maya, 'Deck').click();
  await about(maya).getByLabel('Words for the link: A new card to which this one leads').selectOption('my own words');
  await about(maya).getByLabel('my own words: A new card to which this one leads').fill('rests on');
  await about(maya).locator('[data-slot]').fill('Pier');
  await about(maya).getByRole('button', { name: 'Put it up' }).click();
  await expect(card(maya, 'Pier')).toBeVisible();
  await expect(about(maya).locator('.sentences').getByText('Deck rests on Pier')).toBeVisible();
  expect(await covers(maya, 'Deck', 'Pier')).toBe(false);
  const before = await middle(maya, 'Pier');
  await maya.mouse.move(before.x, before.y);
  await maya.mouse.down();
  await maya.mouse.move(before.x + 60, before.y + 90, { steps: 6 });
  await maya.mouse.up();
  await expect.poll(async () => Math.round((await middle(maya, 'Pier')).y - before.y)).not.toBe(0);
  await kept(maya);

  // What a classmate wrote she may link, but not move, change or take down.
  await expect(open(noor, 'Pier')).toBeVisible();
  await open(noor, 'Pier').click();
  await expect(about(noor).getByRole('button', { name: /^Change/ })).toHaveCount(0);
  await expect(about(noor).getByRole('group', { name: 'Move it on the field' })).toHaveCount(0);
  await expect(about(noor).getByRole('button', { name: /^Reverse/ })).toHaveCount(0);

  // Noor has a keyboard alone: a card of her own, moved by arrows, linked, the link reversed.
  await open(noor, 'Pier').focus();
  await noor.keyboard.press('Escape');
  await expect(about(noor).getByRole('button', { name: 'Back to the wall' })).toHaveCount(0);
  await noor.locator('[data-slot]').focus();
  await noor.keyboard.type('Ground');
  await noor.keyboard.press('Control+Enter');
  await expect(open(noor, 'Ground')).toBeVisible();
  await open(noor, 'Ground').focus();
  const lay = await middle(noor, 'Ground');
  await noor.keyboard.press('Shift+ArrowDown');
  await expect.poll(async () => (await middle(noor, 'Ground')).y - lay.y).toBeGreaterThan(20);
  await noor.keyboard.press('Enter');
  const linkIt = about(noor).getByRole('button', { name: 'Link: Ground' });
  await linkIt.focus();
  await noor.keyboard.press('Enter');
  await expect(about(noor).getByLabel('Which card?')).toBeFocused();
  await about(noor).getByLabel('Which card?').selectOption('Pier');
  await expect(about(noor).getByRole('button', { name: 'Link', exact: true })).toBeEnabled();
  await noor.keyboard.press('Tab');
  await noor.keyboard.press('Enter');
  await expect(about(noor).locator('.sentences').getByText('Ground is linked to Pier')).toBeVisible();
  await about(noor).getByRole('button', { name: 'Reverse: Ground is linked to Pier' }).focus();
  await noor.keyboard.press('Enter');
  await expect(about(noor).locator('.sentences').getByText('Pier is linked to Ground')).toBeVisible();
  expect((await new AxeBuilder({ page: noor }).analyze()).violations).toEqual([]);

  // Ben has a phone, where all is a list; he links there, and sees the field when he wants.
  await expect(ben.getByRole('button', { name: 'List', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await ben.locator('[data-slot]').fill('Bicycles');
  await ben.getByRole('button', { name: 'Put it up' }).click();
  const his = ben.locator('.link-list > li', { has: ben.locator('.slip-words', { hasText: 'Bicycles' }) });
  await his.getByRole('button', { name: 'Link: Bicycles' }).click();
  await his.getByLabel(/^Words for the link: /).selectOption('is part of');
  await his.getByLabel('Which card?').selectOption('Load');
  await his.getByRole('button', { name: 'Link', exact: true }).click();
  await expect(his.getByText('Bicycles is part of Load')).toBeVisible();
  const wide = await ben.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  expect(wide).toBeLessThanOrEqual(0);
  await ben.getByRole('button', { name: 'Field', exact: true }).click();
  await expect(card(ben, 'Bicycles')).toBeVisible();
  await kept(ben);

  // The teacher sees how much there is, who has done what, the links as sentences, what is loose and what leads where.
  await expect(varga.locator('.tile')).toContainText('Cards5');
  await expect(varga.locator('.tile')).toContainText('Links4');
  await varga.getByText('Open the wall').click();
  await expect(varga.getByRole('button', { name: /^Maya/ })).toContainText('1 card, 2 links');
  await expect(varga.getByRole('button', { name: /^Noor/ })).toContainText('1 card, 1 link');
  await varga.getByText('4 links: read as sentences').click();
  await expect(sentences(varga).filter({ hasText: 'Bicycles is part of Load' })).toHaveCount(1);
  await expect(varga.locator('.link-together')).toContainText('Bicycles → Load → Deck → Pier → Ground');
  await varga.locator('[data-slot]').fill('Rust');
  await varga.getByRole('button', { name: 'Put it up' }).click();
  await expect(varga.getByRole('heading', { name: 'Not linked yet (1)' })).toBeVisible();

  // She throws everything on one heap, and tidies it; then all lies again as it did.
  const heap = await middle(varga, 'Load');
  for (const words of ['Deck', 'Pier']) {
    const at = await middle(varga, words);
    await varga.mouse.move(at.x, at.y);
    await varga.mouse.down();
    await varga.mouse.move(heap.x + 8, heap.y + 8, { steps: 5 });
    await varga.mouse.up();
  }
  await kept(varga);
  const heaped = await from(varga, 'Load', 'Pier');
  await varga.getByRole('button', { name: 'Tidy' }).click();
  await expect(varga.getByRole('button', { name: 'Back as it was' })).toBeVisible();
  await kept(varga);
  for (const [one, other] of [
    ['Load', 'Deck'],
    ['Deck', 'Pier'],
    ['Load', 'Pier'],
    ['Pier', 'Ground'],
  ])
    await expect.poll(() => covers(varga, one, other)).toBe(false);
  await varga.getByRole('button', { name: 'Back as it was' }).click();
  await expect.poll(() => from(varga, 'Load', 'Pier')).toEqual(heaped);
  await expect(varga.getByRole('button', { name: 'Back as it was' })).toHaveCount(0);

  // What is tidy is said to be so.
  const tidy = varga.getByRole('button', { name: 'Tidy' });
  await tidy.click();
  await expect(varga.getByRole('button', { name: 'Back as it was' })).toBeVisible();
  await kept(varga);
  await expect(async () => {
    await tidy.click();
    await expect(varga.getByRole('alert').filter({ hasText: 'It is tidy already.' })).toBeVisible({ timeout: 2000 });
  }).toPass();

  // A link that is taken down is put back by whoever took it down.
  await about(maya).getByRole('button', { name: 'Back to the wall' }).click();
  await open(maya, 'Deck').click();
  await about(maya).getByRole('button', { name: 'Take it down: Deck rests on Pier' }).click();
  await expect(labels(maya).filter({ hasText: 'rests on' })).toHaveCount(0);
  await maya.getByText('Links that were taken down (1)').click();
  await maya.getByRole('button', { name: 'Put it back' }).click();
  await expect(labels(maya).filter({ hasText: 'rests on' })).toHaveCount(1);
});

test('on their own first: nobody sees what a classmate joins until the teacher shows all, and then nothing lies on anything', async ({
  browser,
}) => {
  const varga = await teacher(browser);
  await designField(varga);
  await varga.getByLabel(/Each student sees only their own cards/).check();
  await kept(varga);
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  for (const [page, words] of [
    [maya, 'Arch'],
    [ben, 'Cable'],
  ]) {
    await page.locator('.field-scroll').dblclick({ position: { x: 60, y: 60 } });
    await expect(page.locator('[data-slot]')).toBeFocused();
    await page.keyboard.type(words);
    await page.keyboard.press('Control+Enter');
    await expect(card(page, words)).toBeVisible();
    await link(page, words, 'pushes on', 'Load');
    await kept(page);
  }
  await expect(card(ben, 'Arch')).toHaveCount(0);
  await expect(labels(ben)).toHaveText(['pushes on']);

  // A card from a time before there was a field is put there by its author.
  const ends = async (purpose) => {
    await varga.getByText('Open the wall').click();
    await varga.getByRole('button', { name: 'Change the wall' }).click();
    await varga.getByRole('radio', { name: purpose }).check();
    await varga.getByRole('button', { name: 'Change it for everybody' }).click();
    await varga.getByRole('link', { name: 'The lesson' }).click();
  };
  await ends(/put what they think under topics/);
  await expect(maya.locator('.stratum')).toBeVisible();
  await maya.locator('[data-slot]').first().fill('Pier');
  await maya.getByRole('button', { name: 'Put it up' }).click();
  await kept(maya);
  await ends(/join cards by links/);
  await expect(maya.getByRole('heading', { name: 'Not on the field yet (1)' })).toBeVisible();
  await maya.getByRole('button', { name: 'Put it on the field' }).click();
  await expect(card(maya, 'Pier')).toBeVisible();
  await expect(maya.getByRole('heading', { name: 'Not on the field yet (1)' })).toHaveCount(0);

  // The teacher looks at one field after another, and cannot tidy what nobody sees together.
  await varga.getByText('Open the wall').click();
  await expect(varga.getByText("Press a name to see that student's field.")).toBeVisible();
  await expect(varga.getByRole('button', { name: 'Tidy' })).toBeDisabled();
  await varga.getByRole('button', { name: /^Maya/ }).click();
  await expect(card(varga, 'Arch')).toBeVisible();
  await expect(card(varga, 'Cable')).toHaveCount(0);
  await varga.getByRole('button', { name: /^Maya/ }).click();
  await varga.getByRole('button', { name: 'Show all cards to everybody' }).click();
  await expect(ben.getByRole('button', { name: /^Arch, 1 link/ }).or(ben.getByText('1 new card'))).toBeVisible();
  await expect(labels(ben)).toHaveCount(2);
  expect(await covers(ben, 'Arch', 'Cable')).toBe(false);
});

test('a picture to be labelled, without a network, and another purpose: nothing that was joined is lost', async ({
  browser,
}) => {
  const varga = await teacher(browser);
  await designField(varga);
  await varga.locator('#field-picture').setInputFiles({
    name: 'The brook.svg',
    mimeType: 'image/svg+xml',
    buffer: Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="400" height="240"><rect width="400" height="240" fill="#eef"/><path d="M0 120 H400" stroke="#246" stroke-width="40"/></svg>',
    ),
  });
  await varga.locator('#field-shows').fill('The brook with its two banks');
  await varga.getByLabel('Anybody may move any card on the field.').check();
  await kept(varga);
  const code = await handOut(varga, together);
  const maya = await student(browser, code, 'Maya');
  await expect(maya.getByRole('img', { name: 'The brook with its two banks' })).toBeVisible();

  // Without a network what she does stays, and arrives when it is back.
  await maya.context().setOffline(true);
  await link(maya, 'Load', 'pushes on', 'Deck');
  await open(maya, 'Load').focus();
  await maya.keyboard.press('Shift+ArrowRight');
  await expect(maya.locator('.kept')).not.toHaveText('Kept');
  await maya.context().setOffline(false);
  await kept(maya);
  await varga.getByText('Open the wall').click();
  await expect(labels(varga)).toHaveText(['pushes on']);

  // As topics the links rest; as a field again they are there.
  const become = async (purpose) => {
    await varga.getByRole('button', { name: 'Change the wall' }).click();
    await varga.getByRole('radio', { name: purpose }).check();
    await expect(varga.locator('.notice:visible').last()).not.toBeEmpty();
    await varga.getByRole('button', { name: 'Change it for everybody' }).click();
  };
  await become(/put what they think under topics/);
  await expect(maya.locator('.stratum')).toBeVisible();
  await expect(labels(maya)).toHaveCount(0);
  await become(/join cards by links/);
  await expect(labels(maya)).toHaveText(['pushes on']);
  await varga.getByRole('link', { name: 'The lesson' }).click();
  await varga.getByRole('button', { name: 'Pens down' }).click();
  await expect(maya.locator('.called-held', { hasText: 'Pens are down' })).toBeVisible();
  await open(maya, 'Deck').click();
  await expect(about(maya).getByRole('button', { name: /^Link: / })).toHaveCount(0);

  // What was joined without a network before, and comes too late, the teacher reads as a sentence before she adds it.
  await varga.getByRole('button', { name: 'Pens up' }).click();
  await expect(maya.locator('.called-held', { hasText: 'Pens are down' })).toBeHidden();
  await about(maya).getByRole('button', { name: 'Back to the wall' }).click();
  await maya.context().setOffline(true);
  await expect(maya.locator('.kept')).toContainText('Kept on this device');
  await link(maya, 'Deck', 'is part of', 'Load');
  await varga.getByRole('button', { name: 'Pens down' }).click();
  await expect(varga.getByText('Pens are down on one board')).toBeVisible();
  await maya.context().setOffline(false);
  await varga.getByRole('button', { name: 'Look at it' }).click();
  await expect(varga.getByRole('dialog')).toContainText('Deck is part of Load');
  await varga.getByRole('dialog').getByRole('button', { name: 'Add it' }).click();
  await expect(labels(maya)).toHaveText(['pushes on', 'is part of']);
});
