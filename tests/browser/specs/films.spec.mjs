// Films, photographs and files on cards: made with the camera and the screen that ship with the program, looked at before they are put up, seen by a classmate; also when the network goes away in between.
import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { handOut, kept, student, teacher } from './people.mjs';
import { noBarrier } from './barriers.mjs';

const picture = async (page, name) => process.env.PICTURES && page.screenshot({ path: `/tmp/p/${name}.png` });
const players = (page) => page.locator('.slip film-player');
const dialog = (page, name) => page.getByRole('dialog', { name });

async function lesson(browser, shows) {
  const varga = await teacher(browser);
  await varga.goto('/desk');
  await varga.getByRole('button', { name: 'New wall' }).click();
  await kept(varga);
  await varga.getByLabel('Name of the activity').fill('Models at work');
  await varga.getByLabel('The question over the wall').fill('Show how your model carries its load.');
  for (const kind of shows) await varga.getByLabel(kind).check();
  await kept(varga);
  await picture(varga, 'film-plan');
  const code = await handOut(varga, { way: 'Everybody together on one wall' });
  return { varga, code };
}

async function choose(page, what) {
  await page.getByLabel(/^Write here/).click();
  await page.locator('.making-menu > summary').first().click();
  await page.getByRole('button', { name: what, exact: true }).click();
}

test('a student films the model, looks at it, says it in words and puts it up; a classmate looks at it on a phone, by keyboard', async ({ browser }) => {
  test.slow();
  const { varga, code } = await lesson(browser, ['films, from a camera or a screen']);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben', { viewport: { width: 390, height: 844 } });
  const film = dialog(maya, 'Make a film');
  await choose(maya, 'Make a film');
  await expect(film).toContainText('Ask those who can be seen or heard');
  await picture(maya, 'film-ready');
  await film.getByRole('button', { name: 'Switch it on' }).click();
  await expect(film.getByLabel('What the camera sees')).toHaveJSProperty('videoWidth', 640);
  // Another camera is looked through at once, and this one is let go of.
  await film.getByLabel('Camera or screen').selectOption('Made-up screen');
  await film.getByRole('button', { name: 'Record', exact: true }).waitFor();
  await film.getByLabel('Camera or screen').selectOption('Made-up camera');
  await film.getByRole('button', { name: 'Record', exact: true }).click();
  await expect(film.locator('.recording-time strong')).toHaveText(/^0:0[1-9]$/);
  await expect(film.locator('meter')).not.toHaveJSProperty('value', 0);
  await picture(maya, 'film-recording');
  await film.getByRole('button', { name: 'Pause' }).click();
  await film.getByRole('button', { name: 'Go on' }).click();
  await expect(film.locator('.recording-time strong')).toHaveText(/^0:0[2-9]$/);
  await film.getByRole('button', { name: 'Stop' }).click();
  await expect(film.getByRole('button', { name: 'Use it' })).toBeVisible();
  await expect(film.getByLabel('What the camera sees')).toHaveJSProperty('srcObject', null);
  await film.getByRole('button', { name: 'Play: Film' }).click();
  await expect(film.getByRole('button', { name: 'Pause: Film' })).toBeVisible();
  await film.getByLabel('What is said and to be seen').fill('The deck sags under the cart.');
  await picture(maya, 'film-done');
  await noBarrier(maya);
  // Escape loses nothing.
  await maya.keyboard.press('Escape');
  await choose(maya, 'Make a film');
  await expect(film.getByLabel('What is said and to be seen')).toHaveValue('The deck sags under the cart.');
  await film.getByRole('button', { name: 'Use it' }).click();
  await maya.getByLabel(/^Write here/).fill('My bridge sags');
  await expect(maya.locator('.making-waits')).toHaveText('');
  await picture(maya, 'film-making');
  await maya.getByRole('button', { name: 'Put it up' }).click();
  await kept(maya);

  await ben.getByRole('button', { name: /^Show 1 new card/ }).first().click();
  await expect(ben.locator('.slip .voice-words')).toHaveText('The deck sags under the cart.');
  await expect.poll(() => players(ben).locator('img').evaluate((still) => still.naturalWidth)).toBe(640);
  await expect(players(ben).locator('video')).toHaveCount(0);
  await picture(ben, 'film-phone');
  const play = players(ben).getByRole('button', { name: /^Play: Film, 0:0/ });
  await play.focus();
  await ben.keyboard.press('Enter');
  await expect(players(ben).getByRole('button', { name: /^Pause: Film, 0:0/ })).toBeVisible();
  await expect(players(ben).locator('video')).toHaveJSProperty('videoWidth', 640);
  await players(ben).getByRole('slider').focus();
  await ben.keyboard.press('End');
  await expect(play).toBeVisible();
  await noBarrier(ben);
  await varga.getByRole('link', { name: 'Open the wall' }).click();
  await expect(players(varga)).toHaveCount(1);
  await picture(varga, 'film-teacher');
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('a screen is filmed without sound while the network is away, waits over a reload, and has its still when it is there', async ({ browser }) => {
  test.slow();
  const { varga, code } = await lesson(browser, ['films, from a camera or a screen']);
  const maya = await student(browser, code, 'Maya');
  const film = dialog(maya, 'Make a film');
  await choose(maya, 'Make a film');
  await film.getByLabel('Camera or screen').selectOption('Made-up screen');
  await film.getByLabel('Microphone', { exact: true }).selectOption('No sound');
  await film.getByRole('button', { name: 'Switch it on' }).click();
  for (const address of ['**/uploads/**', '**/media?**']) await maya.route(address, (route) => route.abort());
  await film.getByRole('button', { name: 'Record', exact: true }).click();
  await expect(film.locator('.recording-time strong')).toHaveText(/^0:0[2-9]$/);
  await film.getByRole('button', { name: 'Stop' }).click();
  await film.getByRole('button', { name: 'Use it' }).click();
  await expect(maya.locator('.making-waits')).toContainText('On its way: 0 %');
  await maya.reload();
  await maya.getByLabel(/^Write here/).click();
  await expect(maya.locator('.making film-player')).toHaveCount(1);
  await picture(maya, 'film-waits');
  for (const address of ['**/uploads/**', '**/media?**']) await maya.unroute(address);
  await expect(maya.locator('.making-waits')).toHaveText('');
  await expect(maya.locator('.making film-player')).toHaveAttribute('still', /media/);
  await maya.getByRole('button', { name: 'Put it up' }).click();
  await varga.getByRole('link', { name: 'Open the wall' }).click();
  await expect(players(varga).locator('img')).toBeVisible();
  await players(varga).getByRole('button', { name: /^Play: Film/ }).click();
  await expect(players(varga).getByRole('button', { name: /^Pause: Film/ })).toBeVisible();
  expect(varga.problems).toEqual([]);
});

test('where no camera may be used it is said why, and a file that is no film is refused', async ({ browser }) => {
  const { varga, code } = await lesson(browser, ['films, from a camera or a screen']);
  const maya = await student(browser, code, 'Maya');
  await maya.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('no', 'NotAllowedError'));
    navigator.mediaDevices.enumerateDevices = () => Promise.resolve([{ kind: 'videoinput', deviceId: 'one', label: 'Lid' }]);
  });
  await maya.reload();
  await choose(maya, 'Make a film');
  const film = dialog(maya, 'Make a film');
  await film.getByLabel('Camera or screen').selectOption('Lid');
  await film.getByRole('button', { name: 'Switch it on' }).click();
  await expect(film.getByRole('alert')).toContainText('may not use that camera');
  await film.getByLabel('Choose a file').setInputFiles({ name: 'model.mp4', mimeType: 'video/mp4', buffer: Buffer.from('no film at all') });
  await expect(film.getByRole('alert')).toContainText('no film that can be played');
  for (const page of [varga, maya]) expect(page.problems).toEqual([]);
});

test('a student takes a photograph of the model and it is a picture like any other', async ({ browser }) => {
  const { varga, code } = await lesson(browser, []);
  const maya = await student(browser, code, 'Maya', { viewport: { width: 820, height: 1180 } });
  await choose(maya, 'Take a photograph');
  const photo = dialog(maya, 'Take a photograph');
  await photo.getByRole('button', { name: 'Switch it on' }).click();
  await photo.getByRole('button', { name: 'Take it' }).click();
  await expect(photo.getByRole('img', { name: 'The photograph' })).toBeVisible();
  await photo.getByLabel('What does it show?').fill('The cart on the deck');
  await picture(maya, 'photo-done');
  await photo.getByRole('button', { name: 'Use it' }).click();
  await expect(maya.locator('.making img')).toHaveAttribute('alt', 'The cart on the deck');
  await maya.getByRole('button', { name: 'Put it up' }).click();
  await kept(maya);
  await varga.getByRole('link', { name: 'Open the wall' }).click();
  await expect(varga.locator('.slip img')).toHaveAttribute('alt', 'The cart on the deck');
  for (const page of [varga, maya]) expect(page.problems).toEqual([]);
});

test('a file is attached with a picture of its first page, and taken along byte for byte; a program is refused', async ({ browser }) => {
  const { varga, code } = await lesson(browser, ['files: documents, tables, slides']);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  await choose(maya, 'A file from this device');
  const input = maya.locator('[data-attach-file]');
  await input.setInputFiles({ name: 'plan.pdf', mimeType: 'application/pdf', buffer: Buffer.from('MZ\u0000\u0001 no plan at all') });
  await expect(maya.getByText('This file is not taken')).toBeVisible();
  await expect(maya.locator('.making .shown-file')).toHaveCount(0);
  const pdf = await maya.pdf({ format: 'A4' });
  await choose(maya, 'A file from this device');
  await input.setInputFiles({ name: 'plan of the bridge.pdf', mimeType: 'application/pdf', buffer: pdf });
  await expect(maya.locator('.making .shown-file img')).toBeVisible();
  await maya.getByLabel('What is in it').fill('Our plan');
  await expect(maya.locator('.making-waits')).toHaveText('');
  await maya.getByRole('button', { name: 'Put it up' }).click();
  await kept(maya);

  await ben.getByRole('button', { name: /^Show 1 new card/ }).first().click();
  const file = ben.getByRole('link', { name: /^Download: plan of the bridge.pdf/ });
  await expect(file).toContainText('Our plan');
  await picture(ben, 'file-card');
  await noBarrier(ben);
  const [download] = await Promise.all([ben.waitForEvent('download'), file.click()]);
  expect(download.suggestedFilename()).toBe('plan of the bridge.pdf');
  expect(readFileSync(await download.path()).equals(pdf)).toBe(true);
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});
