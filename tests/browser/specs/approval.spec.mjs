// The teacher looks at what students write before others see it: adds it, returns it with a word, leaves it off.
import { expect, test } from '@playwright/test';
import { design, designWall, handOut, kept, lookFirst, student, teacher, writeNote } from './people.mjs';

const cards = (page, topic) => page.getByRole('list', { name: topic, exact: true }).locator('.slip');
const said = (page) => page.locator('.slip-words');
const slot = (page, topic) => page.getByLabel(`Write here, under ${topic}`, { exact: true });
const need = (page, name) => page.locator('.needs li').filter({ hasText: name });

async function putUp(page, topic, words) {
  await slot(page, topic).fill(words);
  await slot(page, topic).press('Control+Enter');
}

async function wallOf(browser, names, options = {}) {
  const varga = await teacher(browser);
  await designWall(varga, 'Bridge questions', ['Materials', 'Forces']);
  const code = await handOut(varga, { way: 'Everybody together on one wall' });
  const students = [];
  for (const name of names) students.push(await student(browser, code, name, options[name]));
  return { varga, code, students };
}

test('a card waits in its place, is returned with a word, mended there, and then seen by all; new words for it wait while the old ones stay', async ({ browser }) => {
  const { varga, students } = await wallOf(browser, ['Maya', 'Ben'], { Maya: { viewport: { width: 390, height: 844 } } });
  const [maya, ben] = students;
  await lookFirst(varga);

  await putUp(maya, 'Materials', 'Stone is best');
  await expect(cards(maya, 'Materials')).toContainText(['Stone is best']);
  await expect(cards(maya, 'Materials')).toContainText(['Waits for your teacher. Classmates do not see it yet.']);
  await expect(maya.locator('.kept')).toHaveText('Kept. Your teacher looks at it before others see it (1)');
  if (process.env.PICTURES) await maya.screenshot({ path: '/tmp/p/approval-waits.png' });
  await putUp(ben, 'Forces', 'Wind pushes');
  await expect(said(ben)).toHaveText(['Wind pushes']);

  await need(varga, 'Maya').getByRole('button', { name: 'Look at it' }).click();
  const dialog = varga.getByRole('dialog');
  await expect(dialog.getByRole('button', { name: 'Return it' })).toBeDisabled();
  await dialog.getByLabel('Words for who wrote it').fill('Best for what?');
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/approval-teacher.png' });
  await dialog.getByRole('button', { name: 'Return it' }).click();
  await expect(cards(maya, 'Materials')).toContainText(['Your teacher says: Best for what?']);
  await expect(maya.locator('.kept')).toHaveText('Your teacher asks you to mend something');
  await expect(need(varga, 'Maya')).toHaveCount(0);
  if (process.env.PICTURES) await maya.screenshot({ path: '/tmp/p/approval-returned.png' });

  await test.step('it is mended where it stands, also after a reload', async () => {
    await maya.reload();
    await expect(cards(maya, 'Materials')).toContainText(['Your teacher says: Best for what?']);
    await cards(maya, 'Materials').getByRole('button', { name: /^Change/ }).click();
    await maya.getByLabel('Words of this card').fill('Stone is best against pushing');
    await maya.getByRole('button', { name: 'Done', exact: true }).click();
    await expect(cards(maya, 'Materials')).toContainText(['Waits for your teacher']);
    await need(varga, 'Maya').getByRole('button', { name: 'Look at it' }).click();
    await expect(dialog).toContainText('Stone is best against pushing');
    await dialog.getByRole('button', { name: 'Add it' }).click();
    await ben.getByRole('button', { name: 'Show 1 new card', exact: true }).click();
    await expect(said(ben)).toHaveText(['Stone is best against pushing', 'Wind pushes']);
    await expect(cards(maya, 'Materials')).not.toContainText(['Waits for your teacher']);
    await kept(maya);
  });

  await test.step('new words for what is up wait', async () => {
    await cards(maya, 'Materials').getByRole('button', { name: /^Change/ }).click();
    await maya.getByLabel('Words of this card').fill('Stone is heavy');
    await maya.getByRole('button', { name: 'Done', exact: true }).click();
    await expect(cards(maya, 'Materials')).toContainText(['Classmates see the earlier ones.']);
    await expect(said(ben)).toHaveText(['Stone is best against pushing', 'Wind pushes']);
    await need(varga, 'Maya').getByRole('button', { name: 'Look at it' }).click();
    await dialog.getByLabel('Words for who wrote it').fill('The first was better');
    await dialog.getByRole('button', { name: 'Leave it off' }).click();
    await expect(maya.getByText('Your teacher left something of yours off: The first was better')).toBeVisible();
    await expect(said(maya).first()).toHaveText('Stone is best against pushing');
  });

  await test.step('what was decided is undone where it was decided: it waits again, for both', async () => {
    const decided = varga.getByRole('status').filter({ hasText: 'Left off: what Maya wrote.' });
    await expect(decided).toBeVisible();
    if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/approval-undo.png' });
    await decided.getByRole('button', { name: 'Undo' }).click();
    await expect(varga.getByText('Undone. It waits again.')).toBeVisible();
    await expect(need(varga, 'Maya')).toHaveCount(1);
    await expect(cards(maya, 'Materials')).toContainText(['Classmates see the earlier ones.']);
  });
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('only for some, and what was written without a network waits too; without the rule all is seen at once again', async ({ browser }) => {
  const { varga, students } = await wallOf(browser, ['Maya', 'Ben']);
  const [maya, ben] = students;
  await lookFirst(varga, 'for some', async (dialog) => {
    await dialog.getByLabel('Until I say otherwise').check();
    await dialog.getByLabel('Only that of those I choose').check();
    await expect(dialog.getByRole('button', { name: 'Use this' })).toBeDisabled();
    await dialog.getByLabel('Ben', { exact: true }).check();
  });
  await putUp(maya, 'Materials', 'Rope swings');
  await ben.getByRole('button', { name: 'Show 1 new card', exact: true }).click();
  await ben.context().setOffline(true);
  await putUp(ben, 'Materials', 'Steel bends');
  await ben.context().setOffline(false);
  await expect(cards(ben, 'Materials').filter({ hasText: 'Steel bends' })).toContainText('Waits for your teacher');
  await expect(said(maya)).toHaveText(['Rope swings']);
  await expect(need(varga, 'Ben')).toContainText('Waits for you: 1');

  await lookFirst(varga, 'Look at it first', (dialog) => dialog.getByLabel('Never').check());
  await putUp(ben, 'Forces', 'Load pulls');
  await maya.getByRole('button', { name: 'Show 1 new card', exact: true }).click();
  await expect(said(maya)).toHaveText(['Rope swings', 'Load pulls']);
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('on a board that all share a note waits, faint, on its author’s screen alone', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga, { way: 'Everybody together on one board' });
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  await lookFirst(varga);
  const listed = (page) => page.locator('[data-marks]').getByText('Arches push');
  await writeNote(maya, 'Arches push');
  await expect(maya.locator('.kept')).toHaveText('Kept. Your teacher looks at it before others see it (1)');
  await expect(listed(maya)).toHaveText('Note, yours, waits for your teacher: Arches push');
  await expect(listed(ben)).toHaveCount(0);
  if (process.env.PICTURES) await maya.screenshot({ path: '/tmp/p/approval-board.png' });
  await need(varga, 'Maya').getByRole('button', { name: 'Look at it' }).click();
  await varga.getByRole('dialog').getByRole('button', { name: 'Add it' }).click();
  await expect(listed(ben)).toHaveCount(1);
  await kept(maya);
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});
