// What a teacher does for all or for some, from circulate and from her own board: a place to look at, whole boards cleared, one moved to a group.
import { expect, test } from '@playwright/test';
import { design, designWall, draw, handOut, kept, marks, student, teacher, writeNote } from './people.mjs';

const pageOf = (page) => page.locator('nav summary').filter({ hasText: 'Page' });
const tile = (page, name) => page.locator('.tile').filter({ hasText: name });

async function classOf(browser, names, { pages = 1, way } = {}) {
  const varga = await teacher(browser);
  await design(varga);
  for (let n = 1; n < pages; n++) {
    await varga.getByRole('button', { name: 'New page' }).click();
    await kept(varga);
  }
  const code = await handOut(varga, way ? { way } : {});
  const students = [];
  for (const name of names) students.push(await student(browser, code, name));
  return { varga, students };
}

async function pick(page, ...names) {
  await page.getByRole('button', { name: 'Pick', exact: true }).click();
  for (const name of names) await page.getByRole('button', { name, exact: true }).click();
}

test('from her own board the teacher calls the class to what is chosen there: it is on everybody’s screen, also of who was elsewhere', async ({ browser }) => {
  const { varga, students } = await classOf(browser, ['Maya', 'Ben'], { pages: 2 });
  const [maya, ben] = students;
  await maya.getByRole('button', { name: 'On', exact: true }).click();
  await expect(pageOf(maya)).toContainText('Page 2');
  const own = await varga.context().newPage();
  await own.goto(await varga.getByRole('link', { name: 'My own board' }).getAttribute('href'));
  await kept(own);
  await writeNote(own, 'Look here');
  await kept(own);
  await own.locator('.ledge-tools').getByRole('button', { name: 'Choose' }).click();
  await own.getByRole('button', { name: 'All mine' }).click();
  await own.getByRole('button', { name: 'Call the class to what is chosen' }).click();
  await expect(pageOf(maya)).toContainText('Page 1');
  await expect(varga.locator('.receipt').filter({ hasText: 'Called to page 1' })).toContainText('2 of 2');
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('whole boards are cleared and put back, page by page as they were', async ({ browser }) => {
  const { varga, students } = await classOf(browser, ['Maya', 'Ben'], { pages: 2 });
  const [maya, ben] = students;
  await draw(maya);
  await maya.getByRole('button', { name: 'On', exact: true }).click();
  await draw(maya);
  await draw(ben);
  for (const page of students) await kept(page);
  await expect(marks(maya)).toHaveCount(1);
  await pick(varga, 'Maya');
  await varga.getByText('With these').click();
  await varga.getByRole('button', { name: 'Clear …' }).click();
  const dialog = varga.getByRole('dialog');
  await dialog.getByLabel('The whole board, every page').check();
  await dialog.getByRole('button', { name: 'Clear the whole board' }).click();
  await expect(varga.getByText('Cleared on one board.')).toBeVisible();
  await expect(marks(maya)).toHaveCount(0);
  await maya.getByRole('button', { name: 'Back', exact: true }).click();
  await expect(marks(maya)).toHaveText([/^Text/]);
  await expect(marks(ben)).toHaveCount(2);
  await varga.getByRole('button', { name: 'Put back' }).click();
  await expect(marks(maya)).toHaveCount(2);
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('one is moved to a group from circulate, where boards stand by group; what they had begun stays on their own board', async ({ browser }) => {
  test.slow();
  const { varga, students } = await classOf(browser, ['Maya', 'Ben', 'Oona']);
  const [maya, ben, oona] = students;
  await draw(oona);
  await kept(oona);
  await pick(varga, 'Maya', 'Ben');
  await varga.getByText('With these').click();
  await varga.getByRole('button', { name: 'Make a group of them' }).click();
  await expect(tile(varga, 'Group 1')).toBeVisible();
  await expect(maya.getByRole('heading', { level: 1 })).toContainText('with Ben');
  await kept(maya);
  await writeNote(maya, 'Our arch');
  await expect(marks(ben).filter({ hasText: 'Our arch' })).toHaveCount(1);
  await varga.getByLabel('View').selectOption('By group');
  await expect(tile(varga, 'Group 1')).toBeVisible();
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/by-group.png' });
  await varga.getByRole('button', { name: 'Oona', exact: true }).click();
  await varga.getByText('With these').click();
  await varga.getByLabel('Into group').selectOption('Group 1');
  await expect(marks(oona).filter({ hasText: 'Our arch' })).toHaveCount(1);
  await expect(tile(varga, 'Oona')).toContainText('Group 1');
  for (const page of [varga, maya, ben, oona]) expect(page.problems).toEqual([]);
});

test('walls as a table: of one wall for all its students, of a wall each the walls, with how much stands where and what is owed', async ({ browser }) => {
  const varga = await teacher(browser);
  await designWall(varga, 'Why does it stand?');
  const workshop = varga.url();
  const table = varga.locator('table');
  const rowOf = (name) => table.getByRole('row').filter({ hasText: name });
  for (const way of ['Everybody together on one wall', 'One wall each']) {
    await varga.goto(workshop);
    await kept(varga);
    const code = await handOut(varga, { way });
    const maya = await student(browser, code, 'Maya');
    const ben = await student(browser, code, 'Ben');
    const slot = maya.getByLabel('Write here, under All answers', { exact: true });
    for (const words of ['An arch', 'A beam']) {
      await slot.fill(words);
      await slot.press('Control+Enter');
    }
    await kept(maya);
    await varga.getByLabel('View').selectOption('Table');
    await expect(rowOf('Maya')).toContainText('2');
    await expect(rowOf('Ben')).toContainText('0');
    if (process.env.PICTURES) await varga.screenshot({ path: `/tmp/p/wall-table-${way.length}.png` });
    for (const page of [maya, ben]) {
      expect(page.problems).toEqual([]);
      await page.context().close();
    }
  }
  expect(varga.problems).toEqual([]);
});
