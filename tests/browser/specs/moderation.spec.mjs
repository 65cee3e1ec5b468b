// What a class should not read: kept back, covered or not taken, before anybody else sees it; nothing that was written is lost.
import { expect, test } from '@playwright/test';
import { design, designWall, handOut, kept, marks, student, teacher, writeNote } from './people.mjs';

const cards = (page, topic) => page.getByRole('list', { name: topic, exact: true }).locator('.slip-words');
const slot = (page, topic) => page.getByLabel(`Write here, under ${topic}`, { exact: true });
const waiting = (page) => page.locator('.kept');

async function putUp(page, topic, words) {
  await slot(page, topic).fill(words);
  await slot(page, topic).press('Control+Enter');
}

async function wallOf(browser, names) {
  const varga = await teacher(browser);
  await designWall(varga, 'Bridge questions', ['Materials', 'Forces']);
  const code = await handOut(varga, { way: 'Everybody together on one wall' });
  const students = [];
  for (const name of names) students.push(await student(browser, code, name));
  return { varga, code, students };
}

/** By what is read in the menu once the server has it. */
async function screen(page, then, menu, more = async () => {}) {
  const summary = page.locator('footer .more-up summary');
  await summary.click();
  await page.getByRole('button', { name: 'Word screen' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel(then).check();
  await more(dialog);
  if (process.env.PICTURES) await page.screenshot({ path: '/tmp/p/word-screen.png' });
  await dialog.getByRole('button', { name: 'Use this' }).click();
  if (!(await page.getByRole('button', { name: 'Word screen' }).isVisible())) await summary.click();
  await expect(page.getByRole('button', { name: 'Word screen' })).toContainText(menu);
  await page.keyboard.press('Escape');
}

test('a card with a bad word in disguise waits for the teacher; classmates see nothing of it until she puts it up', async ({ browser }) => {
  const { varga, students } = await wallOf(browser, ['Maya', 'Ben']);
  const [maya, ben] = students;
  await putUp(maya, 'Materials', 'Stone is s h 1 t');
  await expect(waiting(maya)).toHaveText('Kept. Your teacher looks at it before others see it (1)');
  await maya.getByRole('button', { name: 'What waits' }).click();
  await expect(maya.getByRole('dialog')).toContainText('Stone is s h 1 t');
  if (process.env.PICTURES) await maya.screenshot({ path: '/tmp/p/kept-back.png' });
  await maya.keyboard.press('Escape');
  await putUp(maya, 'Forces', 'The load pushes down');
  await ben.getByRole('button', { name: 'Show 1 new card', exact: true }).click();
  await expect(ben.locator('.slip-words')).toHaveText(['The load pushes down']);

  const asked = varga.locator('.needs li').filter({ hasText: 'Maya' });
  await expect(asked).toContainText('Waits for you: 1');
  await asked.getByRole('button', { name: 'Look at it' }).click();
  await maya.getByLabel('Write here, under Forces', { exact: true }).fill('Wind is a bitch');
  await maya.keyboard.press('Control+Enter');
  const dialog = varga.getByRole('dialog');
  await expect(dialog).toContainText('The word screen found something in this.');
  await expect(dialog).toContainText('Stone is s h 1 t');
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/kept-back-teacher.png' });
  // While she looks, more comes; each is decided by itself, and what another teacher was quicker with is said.
  await expect(dialog).toContainText('Wind is a bitch');
  await dialog.getByRole('listitem').filter({ hasText: 'Wind is a bitch' }).getByRole('button', { name: 'Leave it off' }).click();
  await expect(dialog).not.toContainText('Wind is a bitch');
  const beside = await varga.context().newPage();
  await beside.goto(varga.url());
  await beside.locator('.needs li').filter({ hasText: 'Maya' }).getByRole('button', { name: 'Look at it' }).click();
  await expect(beside.getByRole('dialog')).toContainText('Stone is s h 1 t');
  await dialog.getByRole('button', { name: 'Add it' }).click();
  await expect(beside.getByRole('dialog')).toContainText('It was decided in the meantime');
  await expect(beside.getByRole('dialog').getByRole('button', { name: 'Add it' })).toBeHidden();
  await ben.getByRole('button', { name: 'Show 1 new card', exact: true }).click();
  await expect(ben.locator('.slip-words')).toHaveText(['Stone is s h 1 t', 'The load pushes down']);
  await kept(maya);
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('what waits is taken back by whoever wrote it, said otherwise, and goes up; on a phone, and also on a board', async ({ browser }) => {
  const { varga, code } = await wallOf(browser, []);
  const maya = await student(browser, code, 'Maya', { viewport: { width: 390, height: 844 } });
  const ben = await student(browser, code, 'Ben');
  await putUp(maya, 'Materials', 'Stone is shit');
  await maya.getByRole('button', { name: 'What waits' }).click();
  if (process.env.PICTURES) await maya.screenshot({ path: '/tmp/p/kept-back-phone.png' });
  await maya.getByRole('button', { name: 'Take it back and change it' }).click();
  await kept(maya);
  await expect(varga.locator('.needs li')).toHaveCount(0);
  await expect(slot(maya, 'Materials')).toHaveValue('Stone is shit');
  await putUp(maya, 'Materials', 'Stone is heavy');
  await ben.getByRole('button', { name: 'Show 1 new card', exact: true }).click();
  await expect(cards(ben, 'Materials')).toHaveText(['Stone is heavy']);

  const teachers = await teacher(browser);
  await design(teachers);
  const cleo = await student(browser, await handOut(teachers), 'Cleo');
  await writeNote(cleo, 'It fell, shit');
  await cleo.getByRole('button', { name: 'What waits' }).click();
  await cleo.getByRole('button', { name: 'Take it back and change it' }).click();
  const field = cleo.locator('[data-field]');
  await expect(field).toHaveValue('It fell, shit');
  await field.fill('It fell, sadly');
  await field.press('Escape');
  await kept(cleo);
  await expect(marks(cleo).last()).toHaveText(/It fell, sadly/);
  for (const page of [varga, maya, ben, teachers, cleo]) expect(page.problems).toEqual([]);
});

test('what the teacher chooses holds at once: covered with dots, or not taken and given back; her own words, and words that this class may use', async ({ browser }) => {
  const { varga, code, students } = await wallOf(browser, ['Maya', 'Ben']);
  const [maya, ben] = students;
  await screen(varga, 'Cover it with dots', 'covers with dots', async (dialog) => {
    await dialog.getByLabel('Words of your own').fill('wobbly');
    await dialog.getByLabel('Also telephone numbers').check();
  });
  await putUp(maya, 'Materials', 'Rope is w0bbly, call 612 345 678');
  await expect(maya.getByText('covered with dots')).toBeVisible();
  await expect(cards(maya, 'Materials')).toHaveText(['Rope is ••••••, call ••• ••• •••']);
  await ben.getByRole('button', { name: 'Show 1 new card', exact: true }).click();
  await expect(cards(ben, 'Materials')).toHaveText(['Rope is ••••••, call ••• ••• •••']);

  await screen(varga, 'Do not take it', 'does not take it', async (dialog) => {
    await expect(dialog.getByLabel('Words of your own')).toHaveValue('wobbly');
    await dialog.getByLabel('Words this class may use').fill('wobbly');
  });
  await putUp(ben, 'Forces', 'It is mierda');
  await expect(ben.getByText('Please say it in other words')).toBeVisible();
  await expect(slot(ben, 'Forces')).toHaveValue('It is mierda');
  await putUp(ben, 'Forces', 'It is wobbly');
  await expect(cards(ben, 'Forces')).toHaveText(['It is wobbly']);
  await kept(ben);

  await test.step('a name that nobody should read does not come in', async () => {
    const stranger = await student(browser, code, 'Sh1thead', {}, false);
    await expect(stranger.getByText('the name that your class knows you by')).toBeVisible();
    await stranger.getByLabel('Your name').fill('Cleo');
    await stranger.getByRole('button', { name: 'Go to my board' }).click();
    await kept(stranger);
  });
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('on boards a note is covered or given back to whoever wrote it, and waits also where it was written without a network', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga, { way: 'Everybody together on one board' });
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  await maya.context().setOffline(true);
  await writeNote(maya, 'This is bullshit');
  await maya.context().setOffline(false);
  await expect(waiting(maya)).toHaveText('Kept. Your teacher looks at it before others see it (1)');
  await expect(marks(ben)).toHaveCount(1);

  await screen(varga, 'Cover it with dots', 'covers with dots');
  await writeNote(ben, 'Oh sh!t');
  await expect(marks(maya).filter({ hasText: 'Oh ••••' })).toHaveCount(1);

  await screen(varga, 'Do not take it', 'does not take it');
  await writeNote(ben, 'What a bitch');
  await expect(ben.getByText('Please say it in other words')).toBeVisible();
  await expect(ben.locator('[data-field]')).toHaveValue('What a bitch');
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});
