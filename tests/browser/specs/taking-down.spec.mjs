// What students put there is told of, hidden, removed and put back: on walls and on boards that several share.
import { expect, test } from '@playwright/test';
import { design, designWall, handOut, kept, marks, student, teacher, writeNote } from './people.mjs';

const slot = (page, topic) => page.getByLabel(`Write here, under ${topic}`, { exact: true });
const up = (page, words) => page.locator('.slip:not(.taken-down .slip)').filter({ hasText: words });
const picture = async (page, name) => process.env.PICTURES && page.screenshot({ path: `/tmp/p/${name}.png` });

async function putUp(page, topic, words) {
  await slot(page, topic).fill(words);
  await slot(page, topic).press('Control+Enter');
  await expect(up(page, words)).toHaveCount(1);
  await kept(page);
}

async function classOnWall(browser, names) {
  const varga = await teacher(browser);
  await designWall(varga, 'Bridge questions', ['Materials', 'Forces']);
  const code = await handOut(varga, { way: 'Everybody together on one wall' });
  const students = [];
  for (const name of names) students.push(await student(browser, code, name));
  return { varga, students, circulate: varga.url() };
}

async function openWall(varga) {
  await varga.getByRole('link', { name: 'Open the wall' }).click();
  await kept(varga);
}

test('a student tells the teacher of a card; it comes into the in-tray with who told and why, and goes down with a word to its author', async ({ browser }) => {
  const { varga, students } = await classOnWall(browser, ['Maya', 'Ben']);
  const [maya, ben] = students;
  await putUp(ben, 'Forces', 'Maya cannot count');
  await putUp(ben, 'Materials', 'Steel is strong');
  await maya.getByRole('button', { name: 'Show 2 new cards', exact: true }).click();
  // One's own cannot be told of.
  await expect(ben.getByRole('button', { name: /^Tell your teacher about/ })).toHaveCount(0);
  await picture(maya, 'tell-button');
  await maya.getByRole('button', { name: 'Tell your teacher about: Maya cannot count' }).click();
  const dialog = maya.getByRole('dialog', { name: '' }).last();
  await expect(dialog).toContainText('Only your teachers learn that it was you.');
  await dialog.getByRole('button', { name: 'Tell them' }).click();
  await expect(dialog).toBeVisible();
  await dialog.getByLabel('It hurts somebody').check();
  await dialog.getByLabel('Say more').fill('It is about me');
  await picture(maya, 'tell');
  await dialog.getByRole('button', { name: 'Tell them' }).click();
  await expect(maya.getByText('Your teacher is told, and will look at it.')).toBeVisible();
  await expect(up(maya, 'Maya cannot count')).toContainText('Your teacher is told');
  await expect(up(ben, 'Maya cannot count')).not.toContainText('told');

  await expect(varga.locator('[data-tray-count]')).toHaveText('1', { timeout: 30_000 });
  await varga.getByRole('link', { name: 'In-tray' }).click();
  const thing = varga.getByLabel('What is looked at');
  await expect(thing).toContainText('Students told you that this is not all right');
  await expect(thing.locator('.tray-told')).toContainText(['Maya It hurts somebody']);
  await expect(thing).toContainText('It is about me');
  await picture(varga, 'tray-told');
  await thing.getByLabel('Words for who wrote it').fill('Write about the bridge, please');
  await thing.getByRole('button', { name: 'Take it down' }).click();
  await expect(varga.getByText('What Ben wrote is taken down.')).toBeVisible();
  await expect(ben.getByText('Your teacher has taken down something that you wrote: Write about the bridge, please')).toBeVisible();
  await expect(up(maya, 'Maya cannot count')).toHaveCount(0);
  await expect(maya.locator('.taken-down')).toHaveCount(0);
  await ben.getByText('Taken down (1)').click();
  await expect(ben.locator('.taken-down')).toContainText('Write about the bridge, please');
  await expect(ben.locator('.taken-down').getByRole('button')).toHaveCount(0);
  await picture(ben, 'down-author');
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('what several tell of hides itself until the teacher has looked, and comes back if it is all right', async ({ browser }) => {
  const { varga, students } = await classOnWall(browser, ['Maya', 'Ben', 'Cleo']);
  const [maya, ben, cleo] = students;
  await varga.locator('footer .more-up summary').click();
  await varga.getByRole('button', { name: 'Look at it first' }).click();
  const dialog = varga.getByRole('dialog');
  await dialog.getByLabel('What students tell you of hides itself').selectOption('When two have told');
  await picture(varga, 'hides-after');
  await dialog.getByRole('button', { name: 'Use this' }).click();
  await putUp(ben, 'Forces', 'Bridges are boring');
  for (const page of [maya, cleo]) {
    await page.getByRole('button', { name: 'Show 1 new card', exact: true }).click();
    await page.getByRole('button', { name: 'Tell your teacher about: Bridges are boring' }).click();
    await page.getByLabel('It is not about our work').check();
    await page.getByRole('button', { name: 'Tell them' }).click();
    await expect(page.getByText('will look at it')).toBeVisible();
  }
  for (const page of [maya, cleo, ben]) await expect(up(page, 'Bridges are boring')).toHaveCount(0);
  await varga.goto('/tray');
  const thing = varga.getByLabel('What is looked at');
  await expect(thing).toContainText('It is down already');
  await expect(thing.locator('.tray-told')).toHaveCount(2);
  await varga.keyboard.press('a');
  await expect(varga.getByText('What Ben wrote is all right.')).toBeVisible();
  await expect(up(maya, 'Bridges are boring')).toHaveCount(1);
  await expect(up(ben, 'Bridges are boring')).toHaveCount(1);
  for (const page of [varga, maya, ben, cleo]) expect(page.problems).toEqual([]);
});

test('a teacher takes a card down at once, says why, removes it, and puts it back; who was away is told on return', async ({ browser }) => {
  const { varga, students } = await classOnWall(browser, ['Maya', 'Ben']);
  const [maya, ben] = students;
  await putUp(ben, 'Forces', 'Ropes are silly');
  await openWall(varga);
  await expect(up(varga, 'Ropes are silly')).toHaveCount(1);
  await ben.context().setOffline(true);
  await varga.getByRole('button', { name: 'Change the card: Ropes are silly' }).click();
  await varga.getByRole('button', { name: 'Take it down' }).click();
  const just = varga.locator('.just-down');
  await expect(just).toContainText('It is down. Ben still sees it, classmates do not.');
  await picture(varga, 'just-down');
  await just.getByRole('button', { name: 'Say why' }).click();
  const dialog = varga.getByRole('dialog').last();
  await expect(dialog.getByRole('heading')).toHaveText('What Ben is told');
  await dialog.getByLabel('Why it was taken down').fill('Say what is silly about them');
  await picture(varga, 'say-why');
  await dialog.getByRole('button', { name: 'Tell them so' }).click();
  await kept(varga);
  await ben.context().setOffline(false);
  await expect(ben.getByText('Your teacher has taken down something that you wrote: Say what is silly about them')).toBeVisible({ timeout: 30_000 });
  await ben.reload();
  await kept(ben);
  await expect(ben.locator('.taken-down')).toHaveCount(1);
  await expect(ben.getByText('Your teacher has taken down something')).toBeHidden();

  // Removed: not even Ben reads it any more.
  await just.getByRole('button', { name: 'Say why' }).click();
  await varga.getByRole('dialog').last().getByLabel('Ben does not see it any more either').check();
  await varga.getByRole('dialog').last().getByRole('button', { name: 'Tell them so' }).click();
  await ben.locator('.taken-down summary').click();
  await expect(ben.locator('.taken-down')).toContainText('It is not shown any more.');
  await expect(ben.locator('.taken-down')).not.toContainText('Ropes');
  await just.getByRole('button', { name: 'Close' }).click();
  await varga.locator('.taken-down summary').click();
  await expect(varga.locator('.taken-down')).toContainText('only teachers see it');
  await picture(varga, 'down-teacher');
  await varga.locator('.taken-down').getByRole('button', { name: 'Put it back' }).click();
  await expect(up(ben, 'Ropes are silly')).toHaveCount(1);
  await maya.getByRole('button', { name: 'Show 1 new card', exact: true }).click();
  await expect(up(maya, 'Ropes are silly')).toHaveCount(1);
  for (const page of [varga, maya]) expect(page.problems).toEqual([]);
});

test('on a shared board a note is told of, hidden, removed and put back; its author sees it fainter and cannot bring it back', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga, { way: 'Everybody together' });
  const circulate = varga.url();
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  await writeNote(ben, 'Maya is slow');
  await expect(marks(maya).filter({ hasText: 'Maya is slow' })).toHaveCount(1);
  await maya.getByRole('button', { name: 'Choose', exact: true }).click();
  await marks(maya).filter({ hasText: 'Maya is slow' }).focus();
  await maya.getByRole('button', { name: 'Tell your teacher' }).click();
  await maya.getByLabel('It hurts somebody').check();
  await maya.getByRole('button', { name: 'Tell them' }).click();
  await expect(maya.getByText('will look at it')).toBeVisible();
  await picture(maya, 'told-board');

  await varga.goto('/tray');
  const thing = varga.getByLabel('What is looked at');
  await expect(thing).toContainText('Maya is slow');
  await expect(thing.locator('canvas')).toBeVisible();
  await picture(varga, 'tray-told-board');
  await varga.keyboard.press('l');
  await expect(varga.getByText('What Ben wrote is taken down.')).toBeVisible();
  await expect(marks(maya).filter({ hasText: 'Maya is slow' })).toHaveCount(0);
  await expect(marks(ben).filter({ hasText: 'Maya is slow' })).toContainText('taken down by the teacher');
  await expect(ben.getByText('Your teacher has taken down something that you wrote.')).toBeVisible();
  await ben.keyboard.press('Control+z');
  await expect(marks(ben).filter({ hasText: 'Maya is slow' })).toContainText('taken down by the teacher');
  await picture(ben, 'down-board');

  await varga.goto(circulate);
  await varga.locator('.tile').first().click();
  await kept(varga);
  await varga.getByRole('button', { name: 'Choose', exact: true }).click();
  await marks(varga).filter({ hasText: 'Maya is slow' }).focus();
  await picture(varga, 'down-board-teacher');
  await varga.getByRole('button', { name: 'Remove', exact: true }).click();
  await expect(marks(ben).filter({ hasText: 'Maya is slow' })).toHaveCount(0);
  await varga.getByLabel('Why, for Ben to read').fill('We are kind to each other here');
  await picture(varga, 'down-board-why');
  await varga.getByRole('button', { name: 'Say why' }).press('Enter');
  await expect(ben.getByText('We are kind to each other here')).toBeVisible();
  await expect(maya.getByText('We are kind to each other here')).toHaveCount(0);
  await expect(varga.getByLabel('Why, for Ben to read')).toBeHidden();
  await varga.getByRole('button', { name: /^Put back what was removed here/ }).click();
  for (const page of [maya, ben, varga]) await expect(marks(page).filter({ hasText: 'Maya is slow' })).toHaveText(/^Note, (by Ben|yours): Maya is slow/);
  await marks(varga).filter({ hasText: 'Maya is slow' }).focus();
  await varga.getByRole('button', { name: 'Hide from the class' }).click();
  await expect(marks(maya).filter({ hasText: 'Maya is slow' })).toHaveCount(0);
  await varga.getByRole('button', { name: 'Put back', exact: true }).click();
  await expect(marks(maya).filter({ hasText: 'Maya is slow' })).toHaveCount(1);

  // All that students put on the page: each still sees their own, marked, and nobody another's.
  await writeNote(maya, 'The deck carries it');
  await expect(marks(ben).filter({ hasText: 'The deck carries it' })).toHaveCount(1);
  await varga.locator('summary').filter({ hasText: 'This page' }).click();
  await varga.getByRole('button', { name: /^Hide students’ work/ }).click();
  await expect(marks(ben).filter({ hasText: 'The deck carries it' })).toHaveCount(0);
  await expect(marks(maya).filter({ hasText: 'The deck carries it' })).toContainText('taken down by the teacher');
  await expect(marks(maya).filter({ hasText: 'Maya is slow' })).toHaveCount(0);
  await expect(varga.getByRole('button', { name: /^Hide students’ work/ })).toHaveCount(0);
  await picture(varga, 'page-hidden');
  await varga.getByRole('button', { name: /^Put students’ work back/ }).click();
  for (const page of [maya, ben])
    for (const words of ['The deck carries it', 'Maya is slow']) await expect(marks(page).filter({ hasText: words })).toHaveCount(1);
  for (const page of [maya, ben, varga]) expect(page.problems).toEqual([]);
});

test('all that one student put up goes down at once, and comes back with one press; a classmate’s stays', async ({ browser }) => {
  const { varga, students } = await classOnWall(browser, ['Maya', 'Ben']);
  const [maya, ben] = students;
  await putUp(ben, 'Forces', 'Ropes are silly');
  await putUp(ben, 'Materials', 'Stone is silly');
  await putUp(maya, 'Materials', 'Stone is heavy');
  await openWall(varga);
  await expect(varga.getByRole('button', { name: /^Take all by/ })).toHaveCount(0);
  await varga.locator('.wall-person').filter({ hasText: 'Ben' }).click();
  await picture(varga, 'all-by');
  await varga.getByRole('button', { name: 'Take all by Ben down' }).click();
  const just = varga.locator('.just-down');
  await expect(just).toContainText('2 things are down. Ben still sees them, classmates do not.');
  await expect(just.getByRole('button', { name: 'Say why' })).toHaveCount(0);
  await expect(ben.getByText('Your teacher has taken down something that you wrote.')).toBeVisible();
  await expect(ben.locator('.taken-down')).toContainText('Taken down (2)');
  await expect(up(maya, 'Stone is heavy')).toHaveCount(1);
  await just.getByRole('button', { name: 'Undo' }).click();
  for (const words of ['Ropes are silly', 'Stone is silly']) await expect(up(ben, words)).toHaveCount(1);
  await expect(ben.locator('.taken-down')).toHaveCount(0);
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});
