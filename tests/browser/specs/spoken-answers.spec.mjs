// A teacher answers by voice: a card, a question, a mark on a page; students hear it, also on a phone and by keyboard; nothing is lost when the network goes away.
import { expect, test } from '@playwright/test';
import { noBarrier } from './barriers.mjs';
import { design, handOut, kept, marks, student, teacher, writeNote } from './people.mjs';

const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true };
const picture = async (page, name) => process.env.PICTURES && page.screenshot({ path: `/tmp/p/${name}.png` });
const recorder = (page) => page.getByRole('dialog', { name: 'Record your voice' });
const slip = (page, words) => page.locator('.slip', { hasText: words });

async function wall(page, purpose = null) {
  await page.goto('/desk');
  await page.getByRole('button', { name: 'New wall' }).click();
  await kept(page);
  await page.getByLabel('Name of the activity').fill('How the arch carries');
  if (purpose) await page.getByRole('radio', { name: purpose }).check();
  await page.getByLabel('The question over the wall').fill('How does the arch carry the road?');
  await kept(page);
  return handOut(page, { way: 'Everybody together on one wall' });
}

/** Says something for a second or so, into the microphone that ships with the program. */
async function speak(page, words) {
  await recorder(page).getByRole('button', { name: 'Record', exact: true }).click();
  await expect(recorder(page).locator('.recording-time strong')).toHaveText(/^0:0[1-9]$/);
  await recorder(page).getByRole('button', { name: 'Stop' }).click();
  if (words) await recorder(page).getByLabel('What is said').fill(words);
  await recorder(page).getByRole('button', { name: 'Use it' }).click();
}

test('a teacher answers a card by voice; its author hears it on a phone by keyboard, and answers it', async ({ browser }) => {
  test.slow();
  const varga = await teacher(browser);
  const code = await wall(varga);
  const maya = await student(browser, code, 'Maya', PHONE);
  await maya.getByLabel(/^Write here/).fill('Arches push');
  await maya.getByLabel(/^Write here/).press('Control+Enter');
  await kept(maya);
  await varga.locator('.tile').click();
  await kept(varga);

  await slip(varga, 'Arches push').getByRole('button', { name: /^Answer: Arches/ }).click();
  await varga.getByLabel('Write an answer').fill('Listen, Maya.');
  await varga.getByRole('button', { name: 'Answer by voice' }).click();
  await speak(varga, 'Say where it pushes to.');
  const answering = slip(varga, 'Arches push').locator('.answering');
  await expect(answering.locator('voice-player')).toBeVisible();
  await expect(varga.getByLabel('Write an answer')).toHaveValue('Listen, Maya.\nSay where it pushes to.');
  await picture(varga, 'spoken-card');
  await noBarrier(varga);

  await test.step('what is typed and spoken outlives a reload, and is said once all of it is there', async () => {
    await varga.reload();
    await kept(varga);
    await slip(varga, 'Arches push').getByRole('button', { name: /^Answer: Arches/ }).click();
    await expect(answering.locator('voice-player')).toBeVisible();
    await answering.getByRole('button', { name: 'Answer', exact: true }).click();
    await expect(slip(varga, 'Arches push').locator('.answer-words voice-player')).toBeVisible();
    await kept(varga);
  });

  await maya.getByRole('button', { name: '1 answer: Arches push' }).press('Enter');
  const heard = slip(maya, 'Arches push').locator('.answer-words');
  await expect(heard).toContainText('Say where it pushes to.');
  await expect(maya.getByRole('button', { name: 'Answer by voice' })).toHaveCount(0);
  await heard.getByRole('button', { name: /^Listen: Voice, 0:0/ }).press('Enter');
  await expect(heard.getByRole('button', { name: /^Pause: Voice/ })).toBeVisible();
  await picture(maya, 'spoken-card-phone');
  await noBarrier(maya);

  await test.step('its words are mended; taken down it is heard no more', async () => {
    await slip(varga, 'Arches push').getByRole('button', { name: /^Change/ }).last().click();
    await slip(varga, 'Arches push').getByLabel('Words of the answer').fill('');
    await slip(varga, 'Arches push').getByRole('button', { name: 'Done', exact: true }).click();
    await expect(heard).toContainText('without words to read');
    await slip(varga, 'Arches push').getByRole('button', { name: /^Change/ }).last().click();
    await slip(varga, 'Arches push').getByRole('button', { name: 'Take it down' }).last().click();
    await expect(heard).toHaveCount(0);
  });
  for (const page of [varga, maya]) expect(page.problems).toEqual([]);
});

test('a question is answered by voice and filed with it, and what is spoken without a network is said when it is back', async ({ browser }) => {
  test.slow();
  const varga = await teacher(browser);
  const code = await wall(varga, /ask, and find answers/);
  const maya = await student(browser, code, 'Maya');
  await maya.getByRole('textbox', { name: 'Your question' }).fill('Why do arches push?');
  await maya.getByRole('textbox', { name: 'Your question' }).press('Control+Enter');
  await kept(maya);
  await varga.locator('.tile').click();
  await kept(varga);
  const question = varga.locator('.question');
  await question.getByRole('button', { name: /^Answer/ }).click();
  await varga.route('**/uploads/**', (route) => route.abort());
  await varga.getByRole('button', { name: 'Answer by voice' }).click();
  await speak(varga, '');
  const answers = question.getByRole('button', { name: 'Answer it', exact: true });
  await expect(question).toContainText('On its way: 0 %');
  await expect(answers).toBeDisabled();
  await picture(varga, 'spoken-question');
  await varga.unroute('**/uploads/**');
  await expect(answers).toBeEnabled();
  await answers.click();
  await expect(varga.locator('[data-answered] > li')).toHaveCount(1);
  const filed = maya.locator('.question');
  await expect(filed.locator('.question-answer voice-player')).toBeVisible();
  await expect(filed.locator('.question-answer')).toContainText('without words to read');
  await picture(maya, 'spoken-question-filed');
  await noBarrier(maya);
  for (const page of [varga, maya]) expect(page.problems.filter((p) => !/uploads/.test(p))).toEqual([]);
});

test('a mark on a student’s own board is answered by voice, and heard beside the page', async ({ browser }) => {
  test.slow();
  const varga = await teacher(browser);
  await design(varga, 'How the arch carries');
  const code = await handOut(varga, { way: 'One board each' });
  const maya = await student(browser, code, 'Maya', { viewport: { width: 820, height: 1180 }, hasTouch: true });
  await writeNote(maya, 'An arch pushes outwards');
  await kept(maya);
  await varga.locator('.tile').first().click();
  await kept(varga);
  await varga.locator('.ledge').getByRole('button', { name: 'Choose', exact: true }).press('Enter');
  await marks(varga).filter({ hasText: 'An arch' }).focus();
  await varga.getByRole('button', { name: /^Talk about it/ }).first().press('Enter');
  const talk = varga.locator('#talk');
  await talk.getByRole('button', { name: 'Answer by voice' }).press('Enter');
  await speak(varga, 'Show me where.');
  await expect(talk.locator('.answering voice-player')).toBeVisible();
  await picture(varga, 'spoken-mark');
  await talk.getByRole('button', { name: /^Remove: Voice/ }).click();
  await expect(talk.locator('.answering voice-player')).toHaveCount(0);
  await talk.getByRole('button', { name: 'Answer by voice' }).click();
  await speak(varga, '');
  await talk.locator('.answering').getByRole('button', { name: 'Answer', exact: true }).click();
  await expect(talk.locator('.answer-words voice-player')).toBeVisible();
  await kept(varga);

  await maya.getByRole('button', { name: /^1 answer: An arch/ }).click();
  const heard = maya.locator('#talk .answer-words');
  await heard.getByRole('button', { name: /^Listen: Voice/ }).click();
  await expect(heard.getByRole('button', { name: /^Pause: Voice/ })).toBeVisible();
  await expect(heard).toContainText('Show me where.');
  await picture(maya, 'spoken-mark-tablet');
  await noBarrier(maya);
  for (const page of [varga, maya]) expect(page.problems).toEqual([]);
});
