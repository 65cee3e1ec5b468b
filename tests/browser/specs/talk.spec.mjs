// Talk about marks on a board that a class shares, and choosing among them: a teacher and three students, one on a phone, one by keyboard alone.
import { expect, test } from '@playwright/test';
import { noBarrier } from './barriers.mjs';
import { design, draw, handOut, kept, marks, student, teacher, writeNote } from './people.mjs';

const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true };
const picture = (page, name) => (process.env.PICTURES ? page.screenshot({ path: `/tmp/p/${name}.png` }) : null);
const talk = (page) => page.locator('#talk');
const badge = (page, mark) => page.locator('.talk-badge').and(page.getByLabel(mark));
const bar = (page) => page.getByRole('region', { name: 'What is chosen' }).or(page.locator('.chosen')).first();

/** A mark is chosen by its line in the list of what is on the page. */
async function press(page, words) {
  await page.locator('.ledge').getByRole('button', { name: 'Choose', exact: true }).press('Enter');
  await marks(page).filter({ hasText: words }).focus();
}

async function say(page, words, label = 'Write an answer') {
  const field = talk(page).getByLabel(label);
  await field.fill(words);
  await field.press('Control+Enter');
  await expect(talk(page).locator('.answer-words').filter({ hasText: words })).toBeVisible();
}

test('a class talks about what stands on a shared board, the teacher follows it, and nothing of it is lost', async ({ browser }) => {
  test.slow();
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga, { way: 'Everybody together' });
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben', PHONE);
  const noor = await student(browser, code, 'Noor');
  await writeNote(maya, 'An arch pushes outwards');
  await kept(maya);
  await expect(marks(ben)).toHaveCount(2);
  // Before anything was said, it is there to be found.
  await noor.getByRole('button', { name: 'What was said' }).click();
  await expect(talk(noor).getByText(/^Nothing yet. Choose something/)).toBeVisible();
  await talk(noor).getByRole('button', { name: 'Close' }).click();
  await expect(noor.getByRole('button', { name: 'What was said' })).toBeFocused();

  await test.step('a classmate’s note is pressed and talked about; whoever wrote it answers', async () => {
    await ben.getByRole('button', { name: 'Choose', exact: true }).first().click();
    const box = await ben.locator('[data-surface]').boundingBox();
    // The note stands above the text in the middle of the page.
    await ben.mouse.click(box.x + box.width / 2, box.y + box.height / 2 - 0.11 * box.width);
    await expect(bar(ben)).toBeVisible();
    await expect(bar(ben).getByRole('button', { name: 'Erase' })).toBeHidden();
    await picture(ben, 'talk-bar-phone');
    await bar(ben).getByRole('button', { name: /^Talk about it/ }).click();
    await expect(talk(ben).getByRole('heading')).toHaveText('An arch pushes outwards');
    await say(ben, 'Where does it push to?');
    await kept(ben);
    await picture(ben, 'talk-phone');
    await noBarrier(ben);
    await badge(maya, /^1 answer: An arch/).click();
    await expect(talk(maya)).toContainText('Where does it push to?');
    await talk(maya).getByRole('button', { name: /^Answer: Where/ }).click();
    await say(maya, 'At the banks', /^Answering/);
    // It does not move what Ben is reading: it says that it is there.
    await talk(ben).getByRole('button', { name: 'Show 1 new answer' }).click();
    await expect(talk(ben)).toContainText('to You');
    await picture(maya, 'talk');
    await noBarrier(maya);
  });

  await test.step('by keyboard alone, and without a network, which brings it when it is back', async () => {
    await press(noor, 'An arch');
    await bar(noor).getByRole('button', { name: /^Talk about it/ }).press('Enter');
    await expect(talk(noor).getByText('At the banks')).toBeVisible();
    await noor.context().setOffline(true);
    const field = talk(noor).getByLabel('Write an answer');
    await field.focus();
    await noor.keyboard.type('And a beam bends');
    await noor.keyboard.press('Control+Enter');
    await noor.context().setOffline(false);
    await kept(noor);
    await talk(maya).getByRole('button', { name: 'Show 1 new answer' }).click();
    await expect(talk(maya)).toContainText('Noor');
    await noor.reload();
    await kept(noor);
    await expect(badge(noor, /^3 answers: An arch/)).toBeVisible();
  });

  await test.step('the teacher sees all of it in one list, takes one down, and answers', async () => {
    await varga.locator('.tile').first().click();
    await varga.getByRole('button', { name: /What was said/ }).click();
    await expect(talk(varga).locator('.talk-all li')).toHaveCount(1);
    await picture(varga, 'talk-teacher');
    await noBarrier(varga);
    await talk(varga).locator('.talk-all button').click();
    await talk(varga).getByRole('button', { name: 'Change the answer: And a beam bends' }).click();
    await talk(varga).getByRole('button', { name: 'Take it down' }).click();
    await expect(talk(maya)).not.toContainText('And a beam bends');
    await expect(badge(maya, /^2 answers/)).toBeVisible();
    await say(varga, 'And what do the banks do?');
    await expect(badge(maya, /^3 answers/)).toBeVisible();
  });

  await test.step('what was said stays when the note is rubbed out', async () => {
    // Escape closes it, and the focus goes back to where it was opened.
    await talk(maya).getByRole('heading').focus();
    await maya.keyboard.press('Escape');
    await expect(talk(maya)).toBeHidden();
    await expect(badge(maya, /^3 answers/)).toBeFocused();
    await press(maya, 'An arch');
    await bar(maya).getByRole('button', { name: 'Erase' }).click();
    await expect(badge(maya, /^3 answers/)).toBeHidden();
    await maya.getByRole('button', { name: /What was said/ }).click();
    await talk(maya).getByRole('button', { name: /Something that was erased/ }).click();
    await expect(talk(maya)).toContainText('Where does it push to?');
    await expect(talk(maya).getByLabel('Write an answer')).toHaveCount(0);
    await maya.getByRole('button', { name: 'Undo' }).click();
    await expect(badge(maya, /^3 answers/)).toBeVisible();
  });

  await test.step('what the teacher asked is answered with one press, once', async () => {
    await talk(maya).getByRole('button', { name: 'Show 1 new answer' }).click();
    const asked = talk(maya).locator('li', { hasText: 'And what do the banks do?' });
    await asked.getByRole('button', { name: 'Done' }).click();
    await expect(asked.getByRole('button', { name: 'Done' })).toHaveCount(0);
    await expect(talk(maya).locator('.answer-words').filter({ hasText: 'Done' })).toBeVisible();
    await expect(badge(noor, /^4 answers/)).toBeVisible();
  });
  for (const page of [varga, maya, ben, noor]) expect(page.problems).toEqual([]);
});

test('a class chooses among what stands on its board: so many each, nobody sees the others’ choice before it is shown', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga, { way: 'Everybody together' });
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben', PHONE);
  await writeNote(maya, 'Arch');
  await draw(maya, [0.35, 0.8], [0.45, 0.9]);
  await kept(maya);
  await expect(marks(ben)).toHaveCount(3);
  await varga.locator('.tile').first().click();
  await varga.getByRole('button', { name: /What was said/ }).click();
  await talk(varga).getByLabel('How many each may choose').fill('1');
  await talk(varga).getByRole('button', { name: 'Let them choose' }).click();
  await expect(talk(varga).getByText('Nobody has said anything yet.')).toBeVisible();

  await expect(ben.getByRole('button', { name: /0 of 1 chosen/ })).toBeVisible();
  await press(ben, 'Arch');
  await bar(ben).getByRole('button', { name: 'Choose', exact: true }).click();
  await expect(ben.getByRole('button', { name: /1 of 1 chosen/ })).toBeVisible();
  // It may be taken back, and given again.
  await bar(ben).getByRole('button', { name: 'Chosen' }).click();
  await expect(ben.getByRole('button', { name: /0 of 1 chosen/ })).toBeVisible();
  await bar(ben).getByRole('button', { name: 'Choose', exact: true }).click();
  await expect(ben.getByRole('button', { name: /1 of 1 chosen/ })).toBeVisible();
  await expect(bar(ben).getByRole('button', { name: 'Chosen' })).toBeEnabled();
  await picture(ben, 'choose-phone');
  await marks(ben).filter({ hasText: 'Drawing' }).focus();
  await expect(bar(ben).getByRole('button', { name: 'Choose', exact: true })).toBeDisabled();
  await kept(ben);
  // Of one's own nothing is said.
  await press(maya, 'Arch');
  await expect(bar(maya).getByRole('button', { name: 'Erase' })).toBeVisible();
  await expect(bar(maya).getByRole('button', { name: 'Choose', exact: true })).toHaveCount(0);
  await expect(maya.locator('.talk-votes')).toHaveCount(0);

  await expect(talk(varga).getByText('1 student has said something.')).toBeVisible();
  await picture(varga, 'choose-teacher');
  await noBarrier(varga);
  await talk(varga).getByRole('button', { name: 'Show everybody the numbers' }).click();
  await expect(badge(maya, /^Chosen once: Arch/)).toBeVisible();
  await badge(maya, /Arch/).click();
  await expect(talk(maya)).toContainText('Chosen once');
  await picture(maya, 'choose-shown');
  await talk(varga).getByRole('button', { name: 'End it' }).click();
  await expect(ben.getByRole('button', { name: /chosen/ })).toBeHidden();
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});
