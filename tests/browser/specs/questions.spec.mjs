import { expect, test } from '@playwright/test';
import { noBarrier } from './barriers.mjs';
import { handOut, kept, student, teacher } from './people.mjs';

const together = { way: 'Everybody together on one wall' };
const open = (page) => page.locator('[data-open-questions] > li');
const answered = (page) => page.locator('[data-answered] > li');
const question = (page, words) => page.locator('.question').filter({ hasText: words });
const field = (page) => page.getByRole('textbox', { name: 'Your question' });

async function ask(page, words) {
  await field(page).fill(words);
  await field(page).press('Control+Enter');
  await expect(question(page, words)).toBeVisible();
}

/** A wall to ask, handed out. */
async function askAbout(page, words) {
  await page.goto('/desk');
  await page.getByRole('button', { name: 'New wall' }).click();
  await kept(page);
  await page.getByLabel('Name of the activity').fill('Bridge questions');
  await page.getByRole('radio', { name: /ask, and find answers/ }).check();
  await expect(page.getByRole('heading', { name: 'Topics' })).toBeHidden();
  await page.getByLabel('The question over the wall').fill(words);
  await expect(page.getByText(`“${words}” Everybody asks.`)).toBeVisible();
  await expect(page.getByLabel('Students may answer each other’s questions.')).toBeChecked();
  await kept(page);
  return handOut(page, together);
}

test('a class asks: what was asked before is found while it is typed, others ask it too, and what is answered is filed with its answer', async ({
  browser,
}) => {
  const varga = await teacher(browser);
  const code = await askAbout(varga, 'What do you want to know about bridges?');
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben', { viewport: { width: 390, height: 844 } });
  const cleo = await student(browser, code, 'Cleo');
  await expect(maya.getByText('You have asked nothing yet.')).toBeVisible();
  await expect(maya.getByText('No question is open.')).toBeVisible();
  await ask(maya, 'How thick must the rope of a bridge be?');
  await ask(maya, 'Why do arches push sideways?');
  await expect(open(ben)).toHaveCount(2);

  await test.step('on a phone, somebody who types the same is shown it, and asks it too', async () => {
    await field(ben).fill('how thik must a rope be');
    const like = ben.locator('.like-asked');
    await expect(like).toContainText('How thick must the rope of a bridge be?');
    await expect(like).toContainText('open');
    await like.getByRole('button', { name: /I ask that too/ }).click();
    await field(ben).fill('');
    await expect(like).toBeEmpty();
    await expect(question(maya, 'How thick')).toContainText('1 other asks it too');
    await expect(question(maya, 'How thick').getByRole('button', { name: /I ask that too/ })).toHaveCount(0);
    await expect(question(ben, 'How thick').getByRole('button', { name: /I ask that too/ })).toHaveAttribute(
      'aria-pressed',
      'true',
    );
    await noBarrier(ben);
  });

  await test.step('a classmate answers by keyboard alone, and whoever asked says that it is the answer', async () => {
    await question(cleo, 'Why do arches')
      .getByRole('button', { name: /^Answer/ })
      .focus();
    await cleo.keyboard.press('Enter');
    await expect(question(cleo, 'Why do arches').getByLabel('Write an answer')).toBeFocused();
    await cleo.keyboard.type('They lean on the banks.');
    await cleo.keyboard.press('Control+Enter');
    await expect(question(cleo, 'Why do arches').getByRole('button', { name: /That answers it/ })).toHaveCount(0);
    await question(maya, 'Why do arches').getByRole('button', { name: '1 answer' }).click();
    await question(maya, 'Why do arches')
      .getByRole('button', { name: /That answers it/ })
      .click();
    await expect(answered(maya)).toContainText('Cleo answered:');
    await expect(answered(maya)).toContainText('They lean on the banks.');
    await expect(open(maya)).toHaveCount(1);
  });

  await test.step('for who reads it, it stays where it is until asked away', async () => {
    await expect(open(ben)).toHaveCount(2);
    await expect(question(ben, 'Why do arches')).toContainText('Cleo answered:');
    await ben.getByRole('button', { name: 'File the one that was answered' }).click();
    await expect(open(ben)).toHaveCount(1);
    await expect(answered(ben)).toHaveCount(1);
  });

  await test.step('the teacher says that it does not answer it, then answers aloud with a note', async () => {
    await varga.locator('.tile').first().click();
    await question(varga, 'Why do arches').getByRole('button', { name: '1 answer' }).click();
    await question(varga, 'Why do arches')
      .getByRole('button', { name: /That does not answer it/ })
      .click();
    await expect(open(varga)).toHaveCount(2);
    await question(varga, 'How thick')
      .getByRole('button', { name: /^Answer/ })
      .click();
    const note = question(varga, 'How thick').getByLabel('Write an answer');
    await note.fill('As thick as your arm.');
    await question(varga, 'How thick').getByRole('button', { name: 'Answered aloud' }).click();
    await expect(answered(varga)).toContainText('Teacher answered this aloud.');
    await expect(answered(varga)).toContainText('As thick as your arm.');
    await noBarrier(varga);
    await expect(question(maya, 'How thick')).toContainText('As thick as your arm.');
  });

  await test.step('what is asked and answered is there after a reload, and what somebody types outlives it', async () => {
    await field(maya).fill('why do arches push');
    await maya.reload();
    await expect(answered(maya)).toContainText('As thick as your arm.');
    await expect(field(maya)).toHaveValue('why do arches push');
    await expect(maya.locator('.like-asked')).toContainText('Why do arches push sideways?');
    await expect(maya.getByText('You have asked 2 questions.')).toBeVisible();
  });
});

test('the wall becomes one to sort while it runs, and one to ask again, and nothing is lost', async ({ browser }) => {
  const varga = await teacher(browser);
  const code = await askAbout(varga, 'What do you want to know?');
  const maya = await student(browser, code, 'Maya');
  await ask(maya, 'Who pays for a bridge?');
  await kept(maya);
  await varga.locator('.tile').first().click();
  await expect(question(varga, 'Who pays')).toBeVisible();
  await varga.getByRole('button', { name: 'Change the wall' }).click();
  await varga.getByRole('radio', { name: /put what they think under topics/ }).check();
  await expect(varga.getByText(/^Questions stand as cards/)).toBeVisible();
  await varga.getByRole('button', { name: 'Change it for everybody' }).click();
  await expect(maya.locator('.strata .stratum .slip')).toContainText('Who pays for a bridge?');
  await expect(maya.getByText('You have put up 1 card.')).toBeVisible();
  await varga.getByRole('button', { name: 'Change the wall' }).click();
  await varga.getByRole('radio', { name: /ask, and find answers/ }).check();
  await expect(varga.getByText(/^All cards stand as questions/)).toBeVisible();
  await varga.getByRole('button', { name: 'Change it for everybody' }).click();
  await expect(open(maya)).toContainText('Who pays for a bridge?');
});

test('without a network somebody asks, asks too and files, and it all arrives when it is back', async ({ browser }) => {
  const varga = await teacher(browser);
  const code = await askAbout(varga, 'What do you want to know?');
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  await ask(ben, 'Who builds bridges?');
  await ask(maya, 'How long does a bridge last?');
  await expect(question(maya, 'Who builds')).toBeVisible();
  await maya.context().setOffline(true);
  await question(maya, 'Who builds')
    .getByRole('button', { name: /I ask that too/ })
    .click();
  await field(maya).fill('Do bridges get tired?');
  await expect(maya.locator('.like-asked')).toBeEmpty();
  await field(maya).press('Control+Enter');
  await question(maya, 'How long')
    .getByRole('button', { name: /^Answer/ })
    .click();
  await question(maya, 'How long').getByLabel('Write an answer').fill('I found it: a hundred years.');
  await question(maya, 'How long').getByLabel('Write an answer').press('Control+Enter');
  await question(maya, 'How long')
    .getByRole('button', { name: /That answers it/ })
    .click();
  await expect(answered(maya)).toContainText('a hundred years');
  await maya.context().setOffline(false);
  await kept(maya);
  await expect(question(ben, 'Who builds')).toContainText('1 other asks it too');
  await expect(question(ben, 'Do bridges get tired?')).toBeVisible();
  await expect(question(ben, 'How long')).toContainText('a hundred years');
});
