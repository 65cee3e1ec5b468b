// Voices on cards: recorded with the microphone that ships with the program, listened to, put up, heard by a classmate; also when the network goes away in between.
import { expect, test } from '@playwright/test';
import { handOut, kept, lookFirst, student, teacher } from './people.mjs';
import { noBarrier } from './barriers.mjs';

const picture = async (page, name) => process.env.PICTURES && page.screenshot({ path: `/tmp/p/${name}.png` });
const dialog = (page) => page.getByRole('dialog', { name: 'Record your voice' });
const players = (page) => page.locator('.slip voice-player');

async function lesson(browser) {
  const varga = await teacher(browser);
  await varga.goto('/desk');
  await varga.getByRole('button', { name: 'New wall' }).click();
  await kept(varga);
  await varga.getByLabel('Name of the activity').fill('How the arch carries');
  await varga.getByLabel('The question over the wall').fill('Say how the arch carries the road.');
  await varga.getByLabel('voices, recorded here').check();
  await varga.getByLabel('How long students may record, in seconds').fill('30');
  await varga.getByLabel('How long students may record, in seconds').blur();
  await kept(varga);
  await picture(varga, 'voice-plan');
  await varga.getByRole('link', { name: 'Hand out' }).click();
  await expect(varga.locator('.ready section:visible')).toContainText('They may record their voices.');
  await varga.goBack();
  const code = await handOut(varga, { way: 'Everybody together on one wall' });
  return { varga, code };
}

async function openRecorder(page) {
  await page.getByLabel(/^Write here/).click();
  await page.locator('.making-menu > summary').first().click();
  await page.getByRole('button', { name: 'Record your voice' }).click();
  await expect(dialog(page)).toBeVisible();
}

/** Says something for a second or so: into the made-up microphone, as there is no other. */
async function speak(page) {
  await dialog(page).getByRole('button', { name: 'Record', exact: true }).click();
  await expect(dialog(page).locator('.recording-time strong')).toHaveText(/^0:0[1-9]$/);
}

test('a student records, listens, says it again in words, and puts it up; a classmate hears it, by keyboard', async ({ browser }) => {
  test.slow();
  const { varga, code } = await lesson(browser);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben', { viewport: { width: 390, height: 844 } });
  await openRecorder(maya);
  await expect(dialog(maya)).toContainText('0:30 left');
  await speak(maya);
  await expect(dialog(maya).locator('meter')).not.toHaveJSProperty('value', 0);
  await picture(maya, 'voice-recording');
  await dialog(maya).getByRole('button', { name: 'Pause' }).click();
  await expect(dialog(maya).getByRole('button', { name: 'Go on' })).toBeVisible();
  await dialog(maya).getByRole('button', { name: 'Go on' }).click();
  await expect(dialog(maya).locator('.recording-time strong')).toHaveText(/^0:0[2-9]$/);
  await dialog(maya).getByRole('button', { name: 'Stop' }).click();
  await expect(dialog(maya).getByRole('button', { name: 'Use it' })).toBeVisible();
  await dialog(maya).getByRole('button', { name: 'Listen: Voice' }).click();
  await expect(dialog(maya).getByRole('button', { name: 'Pause: Voice' })).toBeVisible();
  await dialog(maya).getByLabel('What is said').fill('The stones push each other.');
  await picture(maya, 'voice-done');
  await noBarrier(maya);
  // Escape loses nothing.
  await maya.keyboard.press('Escape');
  await expect(dialog(maya)).toBeHidden();
  await openRecorder(maya);
  await expect(dialog(maya).getByLabel('What is said')).toHaveValue('The stones push each other.');
  await dialog(maya).getByRole('button', { name: 'Use it' }).click();
  await expect(maya.locator('.making voice-player')).toHaveCount(1);
  await maya.getByLabel(/^Write here/).fill('Listen to my arch');
  await expect(maya.locator('.making-waits')).toHaveText('');
  await picture(maya, 'voice-making');
  await maya.getByRole('button', { name: 'Put it up' }).click();
  await kept(maya);

  await ben.getByRole('button', { name: /^Show 1 new card/ }).first().click();
  await expect(players(ben)).toHaveCount(1);
  await expect(ben.locator('.slip .voice-words')).toHaveText('The stones push each other.');
  const listen = players(ben).getByRole('button', { name: /^Listen: Voice, 0:0/ });
  await listen.focus();
  await ben.keyboard.press('Enter');
  await expect(players(ben).getByRole('button', { name: /^Pause: Voice, 0:0/ })).toBeVisible();
  await picture(ben, 'voice-phone');
  await expect(players(ben).locator('rect[data-heard]').first()).toBeAttached();
  // To any place of it at once.
  const slider = players(ben).getByRole('slider');
  await slider.focus();
  await ben.keyboard.press('End');
  await expect(listen).toBeVisible();
  await ben.keyboard.press('ArrowRight');
  await expect(players(ben).locator('.player-time')).toHaveText(/^0:0\d \/ 0:0\d$/);
  await noBarrier(ben);

  await varga.getByRole('link', { name: 'Open the wall' }).click();
  await expect(players(varga)).toHaveCount(1);
  await picture(varga, 'voice-teacher');
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('what is recorded without a network waits on the device, over a reload, and is seen when all of it is there', async ({ browser }) => {
  test.slow();
  const { varga, code } = await lesson(browser);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  await openRecorder(maya);
  await dialog(maya).getByRole('button', { name: 'Leave it' }).click();
  await expect(dialog(maya)).toBeHidden();
  await maya.route('**/uploads/**', (route) => route.abort());
  await openRecorder(maya);
  await speak(maya);
  await dialog(maya).getByRole('button', { name: 'Stop' }).click();
  await dialog(maya).getByRole('button', { name: 'Use it' }).click();
  await expect(maya.locator('.making-waits')).toContainText('On its way: 0 %');
  await maya.getByLabel(/^Write here/).fill('It came late');
  await expect(maya.getByRole('button', { name: 'Put it up' })).toBeDisabled();
  await picture(maya, 'voice-waits');
  await maya.reload();
  await maya.getByLabel(/^Write here/).click();
  await expect(maya.getByLabel(/^Write here/)).toHaveValue('It came late');
  await expect(maya.locator('.making voice-player')).toHaveCount(1);
  await expect(maya.locator('.making-waits')).toContainText('On its way');
  await maya.unroute('**/uploads/**');
  await expect(maya.locator('.making-waits')).toHaveText('');
  await maya.getByRole('button', { name: 'Put it up' }).click();
  await ben.getByRole('button', { name: /^Show 1 new card/ }).first().click();
  await players(ben).getByRole('button', { name: /^Listen/ }).click();
  await expect(players(ben).getByRole('button', { name: /^Pause/ })).toBeVisible();
  await expect(ben.locator('.voice-no-words')).toHaveText('without words to read');
  for (const page of [varga, ben]) expect(page.problems).toEqual([]);
});

test('where the microphone may not be used it is said why, and a file is taken instead; one that is none is refused', async ({ browser }) => {
  const { varga, code } = await lesson(browser);
  const maya = await student(browser, code, 'Maya');
  await maya.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('no', 'NotAllowedError'));
    navigator.mediaDevices.enumerateDevices = () => Promise.resolve([{ kind: 'audioinput', deviceId: 'one', label: 'Desk' }]);
  });
  await maya.reload();
  await openRecorder(maya);
  await dialog(maya).getByLabel('Microphone', { exact: true }).selectOption('Desk');
  await dialog(maya).getByRole('button', { name: 'Record', exact: true }).click();
  await expect(dialog(maya).getByRole('alert')).toContainText('may not use the microphone');
  const file = dialog(maya).getByLabel('Choose a file');
  await file.setInputFiles({ name: 'voice.mp3', mimeType: 'audio/mpeg', buffer: Buffer.from('no sound at all') });
  await expect(dialog(maya).getByRole('alert')).toContainText('no recording that can be played');
  const seconds = (n) => {
    const sound = Buffer.alloc(44 + n * 16_000);
    sound.write('RIFF', 0);
    sound.writeUInt32LE(sound.length - 8, 4);
    sound.write('WAVEfmt ', 8);
    [[16, 4], [1, 2], [1, 2], [8000, 4], [16_000, 4], [2, 2], [16, 2]].reduce((at, [value, size]) => sound.writeUIntLE(value, at, size), 16);
    sound.write('data', 36);
    sound.writeUInt32LE(n * 16_000, 40);
    for (let i = 0; i < n * 8000; i++) sound.writeInt16LE(Math.round(9000 * Math.sin(i / 6)), 44 + 2 * i);
    return { name: 'voice.wav', mimeType: 'audio/wav', buffer: sound };
  };
  await file.setInputFiles(seconds(31));
  await expect(dialog(maya).getByRole('alert')).toContainText('at most 30 seconds');
  await file.setInputFiles(seconds(3));
  await expect(dialog(maya).getByRole('button', { name: 'Use it' })).toBeVisible();
  await dialog(maya).getByRole('button', { name: 'Use it' }).click();
  await expect(maya.locator('.making-waits')).toHaveText('');
  await maya.getByRole('button', { name: 'Put it up' }).click();
  await expect(players(maya)).toHaveCount(1);
  await expect(players(maya).locator('.player-time')).toHaveText('0:03');
  await kept(maya);
  for (const page of [varga, maya]) expect(page.problems).toEqual([]);
});

test('where the teacher looks first, she hears it in the in-tray before classmates see it, and in the history after', async ({ browser }) => {
  const { varga, code } = await lesson(browser);
  const maya = await student(browser, code, 'Maya');
  await lookFirst(varga);
  await openRecorder(maya);
  await speak(maya);
  await dialog(maya).getByRole('button', { name: 'Stop' }).click();
  await dialog(maya).getByRole('button', { name: 'Use it' }).click();
  await expect(maya.locator('.making-waits')).toHaveText('');
  await maya.getByRole('button', { name: 'Put it up' }).click();
  await expect(maya.locator('.kept')).toContainText('Your teacher looks at it before others see it');

  const circulate = varga.url();
  await varga.goto('/tray');
  const thing = varga.getByLabel('What is looked at');
  await thing.getByRole('button', { name: /^Listen: Voice, 0:0/ }).click();
  await expect(thing.getByRole('button', { name: /^Pause: Voice, 0:0/ })).toBeVisible();
  await picture(varga, 'voice-tray');
  await noBarrier(varga);
  await varga.locator('body').press('a');
  await expect(varga.getByText(/^Added: what Maya/)).toBeVisible();
  await expect(players(maya)).toHaveCount(1);
  await varga.goto(circulate);
  await varga.getByRole('link', { name: 'Open the wall' }).click();
  await varga.getByRole('link', { name: 'How it came to be' }).first().click();
  await varga.locator('[data-past]').getByRole('button', { name: /^Listen: Voice/ }).click();
  await expect(varga.locator('[data-past]').getByRole('button', { name: /^Pause: Voice/ })).toBeVisible();
  await picture(varga, 'voice-history');
  await noBarrier(varga);
  for (const page of [varga, maya]) expect(page.problems).toEqual([]);
});
