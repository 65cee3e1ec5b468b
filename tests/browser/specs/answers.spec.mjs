import { expect, test } from '@playwright/test';
import { handOut, kept, student, teacher } from './people.mjs';

const slip = (page, words) => page.locator('.slip', { hasText: words });
const answers = (page) => page.locator('.answer-words');
const field = (page) => page.locator('[data-answering]');

async function say(page, words) {
  await field(page).fill(words);
  await field(page).press('Control+Enter');
}

/** A wall on which students answer each other, with a card of Maya's. */
async function lesson(browser) {
  const varga = await teacher(browser);
  await varga.goto('/desk');
  await varga.getByRole('button', { name: 'New wall' }).click();
  await kept(varga);
  await varga.getByLabel('Name of the activity').fill('What we know about bridges');
  await varga.getByLabel('The question over the wall').fill('What do we know about bridges?');
  await varga.getByLabel('Students may answer each other’s cards.').check();
  await kept(varga);
  await varga.getByRole('link', { name: 'Hand out' }).click();
  await expect(varga.locator('.ready section:visible')).toContainText('They may answer each other’s cards');
  await varga.goBack();
  const code = await handOut(varga, { way: 'Everybody together on one wall' });
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben', { viewport: { width: 390, height: 844 } });
  await maya.getByLabel(/^Write here/).fill('Arches push');
  await maya.getByLabel(/^Write here/).press('Control+Enter');
  await kept(maya);
  await ben.getByRole('button', { name: /^Show 1 new card/ }).first().click();
  await varga.locator('.tile').click();
  await kept(varga);
  return { varga, maya, ben };
}

test('a card is answered, and an answer answered; who reads is not disturbed; the teacher sees what nobody has answered', async ({ browser }) => {
  test.slow();
  const { varga, maya, ben } = await lesson(browser);
  await expect(varga.getByRole('button', { name: 'Without an answer (1)' })).toBeVisible();

  // On a phone, by keyboard from the button to the place to write.
  await slip(ben, 'Arches push').getByRole('button', { name: 'Answer: Arches push' }).press('Enter');
  await expect(field(ben)).toBeFocused();
  await say(ben, 'Where to?');
  await kept(ben);
  await expect(slip(varga, 'Arches push').getByRole('button', { name: '1 answer: Arches push' })).toBeVisible();
  await expect(varga.getByRole('button', { name: /Without an answer/ })).toBeHidden();

  await slip(maya, 'Arches push').getByRole('button', { name: '1 answer: Arches push' }).click();
  await expect(answers(maya)).toHaveText(['Where to?']);
  await maya.getByRole('button', { name: 'Answer: Where to?' }).click();
  await say(maya, 'To the banks');
  await expect(maya.locator('[data-depth="1"]')).toContainText('You · to Ben');

  // Ben reads and types: what comes is counted, and comes when he asks.
  await field(ben).fill('And then');
  await expect(ben.getByRole('button', { name: 'Show 1 new answer' })).toBeVisible();
  await expect(answers(ben)).toHaveText(['Where to?']);
  await expect(field(ben)).toHaveValue('And then');
  await ben.getByRole('button', { name: 'Show 1 new answer' }).click();
  await expect(answers(ben)).toHaveText(['Where to?', 'To the banks']);
  await expect(field(ben)).toHaveValue('And then');

  // What is typed outlives a reload. Nobody changes what is another's.
  await ben.reload();
  await kept(ben);
  await slip(ben, 'Arches push').getByRole('button', { name: '2 answers: Arches push' }).click();
  await expect(field(ben)).toHaveValue('And then');
  await expect(ben.getByRole('button', { name: 'Change the answer: To the banks' })).toHaveCount(0);

  // Changed, taken down, put back; the teacher takes down for good.
  await ben.getByRole('button', { name: 'Change the answer: Where to?' }).click();
  await ben.getByLabel('Words of the answer').fill('Where do they push to?');
  await ben.getByLabel('Words of the answer').press('Control+Enter');
  await expect(answers(maya)).toHaveText(['Where do they push to?', 'To the banks']);
  await ben.getByRole('button', { name: 'Change the answer: Where do they push to?' }).click();
  await ben.getByRole('button', { name: 'Take it down' }).click();
  await expect(answers(maya)).toHaveText(['To the banks']);
  await ben.getByRole('button', { name: 'Put it back' }).click();
  await expect(answers(maya)).toHaveText(['Where do they push to?', 'To the banks']);
  await slip(varga, 'Arches push').getByRole('button', { name: '2 answers: Arches push' }).click();
  await say(varga, 'Look at the school bridge');
  await varga.getByRole('button', { name: 'Change the answer: To the banks' }).click();
  await varga.getByRole('button', { name: 'Take it down' }).click();
  await expect(maya.locator('.answer-down')).toContainText('Taken down');
  await expect(maya.locator('.answer-down').getByRole('button', { name: 'Put it back' })).toHaveCount(0);
  await maya.getByRole('button', { name: 'Show 1 new answer' }).click();
  await expect(maya.locator('[data-answer]', { hasText: 'Look at the school bridge' })).toContainText('Teacher');
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('an answer is written without a network, and where answers are ended it is given back', async ({ browser }) => {
  const { varga, maya, ben } = await lesson(browser);
  await slip(ben, 'Arches push').getByRole('button', { name: 'Answer: Arches push' }).click();
  await ben.context().setOffline(true);
  await say(ben, 'written on the bus');
  await expect(answers(ben)).toHaveText(['written on the bus']);
  await expect(ben.locator('.kept')).not.toHaveText('Kept');
  await ben.context().setOffline(false);
  await kept(ben);
  await expect(slip(maya, 'Arches push').getByRole('button', { name: '1 answer: Arches push' })).toBeVisible();

  // While Ben is away, the teacher ends answering; what he wrote meanwhile is in his field again.
  await ben.context().setOffline(true);
  await say(ben, 'too late');
  await varga.getByRole('button', { name: 'Change the wall' }).click();
  await varga.getByLabel('Students may answer each other’s cards.').uncheck();
  await varga.getByRole('button', { name: 'Change it for everybody' }).click();
  await kept(varga);
  await ben.context().setOffline(false);
  await kept(ben);
  await expect(answers(ben)).toHaveText(['written on the bus']);
  await expect(field(ben)).toHaveValue('too late');
  await expect(field(ben)).not.toBeEditable();
  await expect(slip(ben, 'Arches push').getByRole('button', { name: '1 answer: Arches push' })).toBeVisible();
});

test('cards are answered by one strength and one question, said together, and whoever wrote the card has them together', async ({ browser }) => {
  test.slow();
  const { varga, maya, ben } = await lesson(browser);
  await varga.getByRole('button', { name: 'Change the wall' }).click();
  await varga.getByLabel('Each answer is one strength and one question.').check();
  await varga.getByLabel('At least so many answered').fill('1');
  await varga.getByRole('button', { name: 'Change it for everybody' }).click();
  await kept(varga);

  // What each owes is said to them, and to the teacher.
  await expect(varga.locator('.wall-person', { hasText: 'Ben' })).toContainText('1 to answer');
  await expect(maya.getByText('Answer 1 more of the others’')).toBeVisible();

  const mayas = slip(ben, 'Arches push');
  await mayas.getByRole('button', { name: 'Answer: Arches push' }).press('Enter');
  const [strength, question] = [mayas.getByLabel('A strength'), mayas.getByLabel('A question')];
  await expect(strength).toBeVisible();
  await strength.fill('Short and true');
  await expect(mayas.getByRole('button', { name: 'Say both' })).toBeDisabled();

  // What was typed outlives a reload.
  await ben.reload();
  await kept(ben);
  await mayas.getByRole('button', { name: 'Answer: Arches push' }).press('Enter');
  await expect(strength).toHaveValue('Short and true');
  await question.fill('Which way?');
  await question.press('Control+Enter');
  await expect(mayas.getByText('You have said a strength and a question.')).toBeVisible();
  await kept(ben);
  await expect(varga.locator('.wall-person', { hasText: 'Ben' })).not.toContainText('to answer');
  await expect(answers(ben)).toHaveText([/A strength\s*Short and true/, /A question\s*Which way\?/]);

  // The teacher says what she likes; a second student adds theirs: strengths stand together, and questions.
  const at = slip(varga, 'Arches push');
  await at.getByRole('button', { name: '2 answers: Arches push' }).click();
  await say(varga, 'Well looked at, both');
  await kept(varga);
  const own = slip(maya, 'Arches push');
  await own.getByRole('button', { name: /^3 answers/ }).click();
  await expect(answers(maya)).toHaveText([/Well looked at, both/, /A strength\s*Short and true/, /A question\s*Which way\?/]);

  // One that is taken down can be said anew, and only that one is asked for.
  await mayas.getByRole('button', { name: /^Change the answer.*Short and true/ }).click();
  await mayas.getByRole('button', { name: 'Take it down' }).click();
  await expect(question).toHaveCount(0);
  await strength.fill('Clear words');
  await mayas.getByRole('button', { name: 'Answer', exact: true }).last().click();
  await expect(mayas.getByText('You have said a strength and a question.')).toBeVisible();
  await expect(answers(maya).filter({ hasText: 'Short and true' })).toHaveCount(0);
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});
