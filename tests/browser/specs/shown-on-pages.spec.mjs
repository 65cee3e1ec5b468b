// Voices, films, files and links on pages: put there where the teacher lets students, played and opened by others, moved, described, given back when the network or the right to it goes away.
import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { noBarrier } from './barriers.mjs';
import { design, handOut, kept, lookFirst, marks, student, teacher } from './people.mjs';

const picture = async (page, name) => process.env.PICTURES && page.screenshot({ path: `/tmp/p/${name}.png` });
const dialog = (page, name) => page.getByRole('dialog', { name });
const pdf = (words) => `%PDF-1.4\n% ${words}\n1 0 obj<</Type/Catalog>>endobj\nxref\n0 1\n0000000000 65535 f \ntrailer<</Root 1 0 R>>\nstartxref\n9\n%%EOF\n`;

async function lesson(browser, shows, way) {
  const varga = await teacher(browser);
  await design(varga, 'How the arch carries');
  for (const kind of shows) await varga.getByLabel(kind).check();
  await kept(varga);
  return { varga, code: await handOut(varga, { way }) };
}

async function attach(page, what) {
  await page.getByRole('button', { name: 'Attach', exact: true }).click();
  await page.getByRole('button', { name: what, exact: true }).click();
}

/** Records for a second or so, and says in words what is said. */
async function record(page, what, words) {
  const made = dialog(page, what);
  if (what === 'Make a film') await made.getByRole('button', { name: 'Switch it on' }).click();
  await made.getByRole('button', { name: 'Record', exact: true }).click();
  await expect(made.locator('.recording-time strong')).toHaveText(/^0:0[1-9]$/);
  await made.getByRole('button', { name: 'Stop' }).click();
  await made.getByLabel('What is said').fill(words);
  await made.getByRole('button', { name: 'Use it' }).click();
}

test('a student speaks and films on a page they share; a classmate plays it on a phone by keyboard, and cannot change it', async ({ browser }) => {
  test.slow();
  const { varga, code } = await lesson(browser, ['voices, recorded here', 'films, from a camera or a screen'], 'Everybody together on one board');
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben', { viewport: { width: 390, height: 844 } });
  await attach(maya, 'Record your voice');
  await picture(maya, 'page-recorder');
  await record(maya, 'Record your voice', 'The stones push each other.');
  await expect(marks(maya)).toContainText([/^Recording, yours: 0:0\d The stones push each other\.$/]);
  await kept(maya);
  await attach(maya, 'Make a film');
  await record(maya, 'Make a film', 'The deck sags.');
  await expect(marks(maya)).toHaveCount(3);
  await kept(maya);
  await picture(maya, 'page-shown');
  await noBarrier(maya);

  const play = ben.getByRole('button', { name: /^Open: Voice, 0:0/ });
  await expect(play).toBeVisible();
  await expect(ben.getByRole('button', { name: 'Attach', exact: true })).toBeVisible();
  await picture(ben, 'page-shown-phone');
  await play.focus();
  await ben.keyboard.press('Enter');
  const shown = dialog(ben, 'What stands on the page');
  await shown.getByRole('button', { name: /^Listen: Voice/ }).click();
  await expect(shown.getByRole('button', { name: /^Pause: Voice/ })).toBeVisible();
  await expect(shown).toContainText('The stones push each other.');
  await picture(ben, 'page-player-phone');
  await noBarrier(ben);
  await shown.getByRole('button', { name: 'Close' }).click();
  await expect(shown).toBeHidden();
  await ben.getByRole('button', { name: /^Open: Film, 0:0/ }).click();
  await shown.getByRole('button', { name: /^Play: Film/ }).click();
  await expect(shown.locator('video')).toHaveJSProperty('videoWidth', 640);
  await picture(ben, 'page-film-phone');
  await ben.keyboard.press('Escape');
  // What is a classmate's is played, and neither moved nor rubbed out.
  await marks(ben).filter({ hasText: 'The deck sags' }).focus();
  await ben.keyboard.press('Delete');
  await expect(marks(ben)).toHaveCount(3);
  await ben.keyboard.press('Enter');
  await expect(shown).toBeVisible();
  await ben.keyboard.press('Escape');

  // Its author says it otherwise, and takes it back.
  await maya.getByRole('button', { name: 'Choose', exact: true }).click();
  await marks(maya).filter({ hasText: 'The deck sags' }).focus();
  await maya.getByRole('button', { name: 'Position and size' }).click();
  await maya.getByLabel('What is said or shown').fill('The deck sags under the cart.');
  await maya.getByLabel('What is said or shown').blur();
  await expect(marks(ben)).toContainText([/under the cart/]);
  await picture(maya, 'page-chosen');
  await maya.getByRole('button', { name: 'Undo' }).click();
  await maya.getByRole('button', { name: 'Undo' }).click();
  await expect(marks(ben)).toHaveCount(2);
  await varga.locator('.tile').first().click();
  await expect(varga.getByRole('button', { name: /^Open: Voice/ })).toBeVisible();
  await picture(varga, 'page-teacher');
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('what is spoken while the network is away waits over a reload, and stands on the page once all of it is there', async ({ browser }) => {
  test.slow();
  const { varga, code } = await lesson(browser, ['voices, recorded here'], 'One board each');
  const maya = await student(browser, code, 'Maya');
  await attach(maya, 'Record your voice');
  await maya.route('**/uploads/**', (route) => route.abort());
  await record(maya, 'Record your voice', 'It waits.');
  const going = maya.locator('li').filter({ hasText: 'On its way' });
  await expect(going).toContainText('Voice');
  await maya.reload();
  await expect(going).toContainText('0 %');
  await picture(maya, 'page-waits');
  await expect(marks(maya)).toHaveCount(1);
  await maya.unroute('**/uploads/**');
  await expect(marks(maya)).toContainText([/It waits\./]);
  await expect(going).toHaveCount(0);
  await kept(maya);
  // With pens down it waits, and is not lost.
  await attach(maya, 'Record your voice');
  const made = dialog(maya, 'Record your voice');
  await made.getByRole('button', { name: 'Record', exact: true }).click();
  await expect(made.locator('.recording-time strong')).toHaveText(/^0:0[1-9]$/);
  await made.getByRole('button', { name: 'Stop' }).click();
  await varga.getByRole('button', { name: 'Pens down' }).click();
  await expect(maya.getByText('Pens are down. You can look.')).toBeVisible();
  await made.getByRole('button', { name: 'Use it' }).click();
  await expect(maya.locator('li').filter({ hasText: 'Waits here until you may write again' })).toBeVisible();
  await picture(maya, 'page-pens-down');
  await varga.getByRole('button', { name: 'Pens up' }).click();
  await expect(marks(maya)).toHaveCount(3);
  await kept(maya);
  for (const page of [varga, maya]) expect(page.problems).toEqual([]);
});

test('a file and a link stand on a page, are taken along and opened; a page that gives nothing offers nothing', async ({ browser }) => {
  test.slow();
  const { varga, code } = await lesson(browser, ['files: documents, tables, slides', 'links to pages on the web'], 'One board each');
  const maya = await student(browser, code, 'Maya');
  await maya.getByRole('button', { name: 'Attach', exact: true }).click();
  await expect(maya.getByRole('button', { name: 'Record your voice' })).toBeHidden();
  await picture(maya, 'page-attach');
  const [chooser] = await Promise.all([maya.waitForEvent('filechooser'), maya.locator('button', { hasText: 'A file from this device' }).click()]);
  await chooser.setFiles({ name: 'loads.pdf', mimeType: 'application/pdf', buffer: Buffer.from(pdf('loads')) });
  await expect(marks(maya)).toContainText([/^File, yours: loads\.pdf$/]);
  await attach(maya, 'Link');
  const link = dialog(maya, 'A link on the page');
  await link.getByLabel('Address of the page').fill('no address');
  await link.getByRole('button', { name: 'Put it on the page' }).click();
  await expect(link).toContainText('This is no address of a page');
  await link.getByLabel('Address of the page').fill('bridges.example/old');
  await picture(maya, 'page-link');
  await link.getByRole('button', { name: 'Put it on the page' }).click();
  await expect(marks(maya)).toContainText([/^Link, yours: /]);
  await kept(maya);
  await picture(maya, 'page-file-link');
  await maya.getByRole('button', { name: /^Open: loads\.pdf/ }).click();
  const shown = dialog(maya, 'What stands on the page');
  const [download] = await Promise.all([maya.waitForEvent('download'), shown.getByRole('link', { name: /loads\.pdf/ }).click()]);
  expect(readFileSync(await download.path(), 'utf8')).toBe(pdf('loads'));
  await picture(maya, 'page-file-open');
  await shown.getByRole('button', { name: 'Close' }).click();
  expect(varga.problems).toEqual([]);
  expect(maya.problems).toEqual([]);
});

test('a teacher records what students hear first, films for the page, and lets them speak for half a minute; the ready check says so', async ({ browser }) => {
  test.slow();
  const varga = await teacher(browser);
  await design(varga, 'How the arch carries');
  await varga.getByLabel('voices, recorded here').check();
  await varga.getByLabel('How long students may record, in seconds').fill('500');
  await varga.getByLabel('How long students may record, in seconds').blur();
  await expect(varga.getByLabel('How long students may record, in seconds')).toHaveValue('180');
  await varga.getByLabel('How long students may record, in seconds').fill('30');
  await varga.getByLabel('How long students may record, in seconds').blur();
  await varga.getByRole('button', { name: 'Record your voice' }).click();
  await record(varga, 'Record your voice', 'Listen to the bridge.');
  await expect(varga.getByLabel('What it is called')).toHaveValue('Listen to the bridge.');
  await attach(varga, 'Make a film');
  await record(varga, 'Make a film', '');
  await expect(marks(varga)).toContainText([/^Film, printed: 0:0/]);
  await kept(varga);
  await picture(varga, 'page-workshop');
  await noBarrier(varga);
  await varga.getByRole('link', { name: 'Hand out' }).click();
  const ready = varga.locator('.ready section:visible');
  await expect(ready).toContainText('Pages on which they may record their voices: 1.');
  await expect(ready).toContainText('Recordings without words, for students who cannot hear them: 1.');
  await varga.goBack();
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya', { viewport: { width: 820, height: 1180 } });
  await expect(maya.getByRole('button', { name: /^Listen/ })).toBeVisible();
  await expect(maya.getByRole('button', { name: /^Open: Film/ })).toBeVisible();
  await attach(maya, 'Record your voice');
  await expect(dialog(maya, 'Record your voice')).toContainText('0:30 left');
  await picture(maya, 'page-tablet');
  for (const page of [varga, maya]) expect(page.problems).toEqual([]);
});

test('a photograph and a link with its picture stand on a page; a voice that is looked at first is heard in the in-tray, and added', async ({ browser }) => {
  test.slow();
  const { varga, code } = await lesson(browser, ['voices, recorded here', 'links to pages on the web'], 'Everybody together on one board');
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben', { viewport: { width: 390, height: 844 } });
  await maya.getByRole('button', { name: 'Picture', exact: true }).click();
  await maya.getByRole('button', { name: 'Take a photograph' }).click();
  const photo = dialog(maya, 'Take a photograph');
  await photo.getByRole('button', { name: 'Switch it on' }).click();
  await photo.getByRole('button', { name: 'Take it' }).click();
  await photo.getByLabel('What does it show?').fill('The cart on the deck');
  await photo.getByRole('button', { name: 'Use it' }).click();
  await expect(marks(ben)).toContainText([/^Picture.*The cart on the deck/]);
  const seen = ben.waitForResponse((r) => /\/rooms\/[^/]+\/media\//.test(r.url()) && r.ok());
  await attach(maya, 'Link');
  await dialog(maya, 'A link on the page').getByLabel('Address of the page').fill('bridges.ostlebrook.example/old');
  await dialog(maya, 'A link on the page').getByRole('button', { name: 'Put it on the page' }).click();
  await expect(marks(ben)).toContainText([/^Link.*The old stone bridge/]);
  await seen;
  await kept(maya);
  await picture(maya, 'page-photo-link');

  await lookFirst(varga);
  await attach(maya, 'Record your voice');
  await record(maya, 'Record your voice', 'It sags in the middle.');
  await expect(marks(maya).filter({ hasText: 'It sags' })).toContainText('waits');
  await expect(marks(ben).filter({ hasText: 'It sags' })).toHaveCount(0);
  await varga.getByRole('link', { name: /^In-tray/ }).click();
  const thing = varga.getByLabel('What is looked at');
  await thing.getByRole('button', { name: /^Listen: Voice, 0:0/ }).click();
  await expect(thing.getByRole('button', { name: /^Pause: Voice/ })).toBeVisible();
  await picture(varga, 'page-tray');
  await thing.getByRole('button', { name: /^Add/ }).click();
  await expect(marks(ben).filter({ hasText: 'It sags' })).toHaveCount(1);
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('a card with a recording is taken from the wall to a page, recording and all, and heard there by the teacher', async ({ browser }) => {
  test.slow();
  const varga = await teacher(browser);
  await design(varga, 'How the arch carries');
  await varga.getByLabel('voices, recorded here').check();
  await kept(varga);
  await varga.getByText('Another part').click();
  await varga.locator('details.again').last().getByRole('button', { name: 'A wall', exact: true }).click();
  await varga.waitForURL(/part=2$/);
  await kept(varga);
  await varga.getByLabel('The question over the wall').fill('Say how the arch carries the road.');
  await varga.getByLabel('voices, recorded here').check();
  await kept(varga);
  await varga.getByRole('link', { name: 'Hand out' }).click();
  await varga.getByLabel('For whom').fill('7 Amber');
  await varga.getByLabel('All open from the beginning').check();
  await varga.getByRole('button', { name: 'Hand out' }).click();
  await varga.waitForURL(/(code|people)$/);
  if (varga.url().endsWith('people')) await varga.getByRole('link', { name: /^[A-Z0-9]{4} [A-Z0-9]{4}$/ }).click();
  const code = await varga.locator('[data-code]').getAttribute('data-code');
  await varga.getByRole('link', { name: 'Watch the boards' }).click();
  const maya = await student(browser, code, 'Maya', { viewport: { width: 390, height: 844 } });
  const go = async (part) => {
    await maya.locator('details[data-contents] summary').first().click();
    await maya.getByRole('link', { name: part }).click();
    await kept(maya);
  };
  await go(/^2\. /);
  await maya.getByLabel(/^Write here/).click();
  await maya.locator('.making-menu > summary').first().click();
  await maya.getByRole('button', { name: 'Record your voice' }).click();
  await record(maya, 'Record your voice', 'The stones push each other.');
  await maya.getByLabel(/^Write here/).fill('Listen to my arch');
  await maya.getByRole('button', { name: 'Put it up' }).click();
  await kept(maya);
  await maya.getByRole('button', { name: 'One by one' }).click();
  await maya.getByRole('button', { name: 'Take it to my page' }).click();
  await expect(maya.getByText('It is with you')).toBeVisible();

  await go(/^1\. /);
  await maya.getByRole('button', { name: 'Put on this page' }).click();
  await expect(marks(maya)).toContainText([/^Text, printed/, /^Note, yours: Listen to my arch/, /^Recording, yours: 0:0\d The stones push each other\.$/]);
  await kept(maya);
  await picture(maya, 'page-brought-voice');
  await maya.reload();
  await kept(maya);
  await maya.getByRole('button', { name: /^Open: Voice, 0:0/ }).click();
  await dialog(maya, 'What stands on the page').getByRole('button', { name: /^Listen: Voice/ }).click();
  await expect(dialog(maya, 'What stands on the page').getByRole('button', { name: /^Pause: Voice/ })).toBeVisible();
  await varga.locator('.tile').first().click();
  await varga.getByRole('button', { name: /^Open: Voice, 0:0/ }).click();
  await expect(dialog(varga, 'What stands on the page')).toContainText('The stones push each other.');
  for (const page of [varga, maya]) expect(page.problems).toEqual([]);
});
