// What a teacher says and does to all, or to those who are picked, while the class works.
import { expect, test } from '@playwright/test';
import { design, draw, handOut, kept, marks, student, teacher, writeNote } from './people.mjs';

const phone = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true };
const tile = (page, name) => page.locator('.tile-place', { hasText: name });
const pageOf = (page) => page.locator('nav summary').filter({ hasText: 'Page' });
const receipt = (page, words) => page.locator('.receipt', { hasText: words });

async function classOf(browser, names, { pages = 2, way } = {}) {
  const varga = await teacher(browser);
  await design(varga);
  for (let page = 1; page < pages; page++) await varga.getByRole('button', { name: 'New page', exact: true }).click();
  await kept(varga);
  const code = await handOut(varga, way ? { way } : {});
  const students = [];
  for (const name of names) students.push(await student(browser, code, name, name === 'Oona' ? phone : {}));
  await expect(varga.locator('.tile')).toHaveCount(way ? 1 : names.length);
  return { varga, students, code };
}

async function pick(page, ...names) {
  await page.getByRole('button', { name: 'Pick', exact: true }).click();
  for (const name of names) await page.getByRole('button', { name, exact: true }).click();
}

test('the class is called to a page, who is away comes there on return, and the receipt says whom it reached', async ({ browser }) => {
  const { varga, students } = await classOf(browser, ['Maya', 'Ben', 'Oona']);
  const [maya, ben, oona] = students;
  await ben.context().setOffline(true);
  await varga.getByRole('button', { name: 'On', exact: true }).click();
  await varga.getByRole('button', { name: 'Call to this page' }).click();
  await expect(pageOf(maya)).toContainText('Page 2 of 2');
  await expect(oona.getByText('2 / 2')).toBeVisible();
  await expect(receipt(varga, 'Called to page 2')).toContainText('On 2 of 3 screens');
  await expect(receipt(varga, 'Called to page 2')).toContainText('Not yet: Ben');
  // Called once: everybody goes where they like afterwards.
  await maya.getByRole('button', { name: 'Back', exact: true }).click();
  await expect(pageOf(maya)).toContainText('Page 1 of 2');
  await ben.context().setOffline(false);
  await expect(pageOf(ben)).toContainText('Page 2 of 2');
  await expect(receipt(varga, 'Called to page 2')).toContainText('On 3 of 3 screens');
  await maya.reload();
  await kept(maya);
  await expect(pageOf(maya)).toContainText('Page 1 of 2');
  for (const page of [varga, ...students]) expect(page.problems).toEqual([]);
});

test('a line reaches those who are picked and nobody else, stays until it is read, and is answered', async ({ browser }) => {
  const { varga, students } = await classOf(browser, ['Maya', 'Ben', 'Oona']);
  const [maya, ben, oona] = students;
  const frames = [];
  ben.on('websocket', (socket) => socket.on('framereceived', ({ payload }) => frames.push(Buffer.from(payload).toString('latin1'))));
  await ben.reload();
  await kept(ben);
  await pick(varga, 'Maya', 'Oona');
  await expect(varga.locator('.acts-whom')).toContainText('Maya, Oona');
  await varga.keyboard.press('m');
  await varga.keyboard.type('Show me your arch');
  await varga.keyboard.press('Enter');
  for (const page of [maya, oona]) await expect(page.getByText('Show me your arch')).toBeVisible();
  if (process.env.PICTURES) await oona.screenshot({ path: '/tmp/p/line-phone.png' });
  await expect(receipt(varga, 'Show me your arch')).toContainText('On 2 of 2 screens · read by 0');
  await oona.reload();
  await kept(oona);
  await oona.getByRole('button', { name: 'I have read it' }).tap();
  await expect(oona.getByText('Show me your arch')).toHaveCount(0);
  await maya.getByText('Answer with a line').click();
  await maya.getByLabel('Your answer', { exact: true }).first().fill('It fell down');
  await maya.keyboard.press('Enter');
  await expect(receipt(varga, 'Show me your arch')).toContainText('read by 2');
  await expect(receipt(varga, 'It fell down')).toContainText('Maya');
  await expect(ben.getByText('Show me your arch')).toHaveCount(0);
  expect(frames.join(' ')).not.toContain('Show me');
  expect(frames.join(' ')).not.toContain('fell down');
  // Beside Maya it stands what was said, both ways.
  await varga.getByRole('button', { name: 'Nobody picked' }).click();
  await tile(varga, 'Maya').locator('.tile').click();
  await kept(varga);
  await expect(varga.locator('.beside-lines')).toContainText('It fell down');
  await varga.getByLabel('A line to them').fill('Then we build it again');
  await varga.keyboard.press('Enter');
  await expect(maya.getByText('Then we build it again')).toBeVisible();
  for (const page of [varga, ...students]) expect(page.problems).toEqual([]);
});

test('who is led goes from page to page with the teacher, cannot turn away, sees their view and pointer, and is let go', async ({ browser }) => {
  const { varga, students, code } = await classOf(browser, ['Maya', 'Oona'], { pages: 3 });
  const [maya, oona] = students;
  await varga.getByRole('button', { name: 'Lead', exact: true }).click();
  for (const page of students) await expect(page.getByText('Your teacher leads you')).toBeVisible();
  await varga.getByRole('button', { name: 'On', exact: true }).click();
  await expect(pageOf(maya)).toContainText('Page 2 of 3');
  await expect(maya.getByRole('button', { name: 'On', exact: true })).toBeDisabled();
  await pageOf(maya).click();
  await maya.getByRole('button', { name: /^3\./ }).click();
  await expect(pageOf(maya)).toContainText('Page 2 of 3');
  // Who comes in meanwhile is led, too.
  const ben = await student(browser, code, 'Ben');
  await expect(pageOf(ben)).toContainText('Page 2 of 3');
  await expect(receipt(varga, 'Led, now on page 2')).toContainText('On 3 of 3 screens');

  // From the teacher's own board, which goes on from where they are.
  await varga.getByRole('link', { name: 'My own board' }).click();
  await kept(varga);
  await expect(varga.getByText('You lead 3 students')).toBeVisible();
  await expect(pageOf(varga)).toContainText('Page 2 of 3');
  await varga.getByRole('button', { name: 'On', exact: true }).click();
  await expect(pageOf(maya)).toContainText('Page 3 of 3');
  await varga.getByRole('button', { name: 'Larger' }).click();
  await expect(maya.getByRole('button', { name: '125 %' })).toBeVisible();
  await varga.getByRole('button', { name: 'Let go' }).click();
  for (const page of [maya, oona, ben]) await expect(page.getByText('Your teacher leads you')).toHaveCount(0);
  await maya.getByRole('button', { name: 'Back', exact: true }).click();
  await expect(pageOf(maya)).toContainText('Page 2 of 3');
  for (const page of [varga, maya, oona, ben]) expect(page.problems).toEqual([]);
});

test('pens are down for one of a group only, for some minutes; what they write without a network waits for the teacher', async ({ browser }) => {
  const { varga, students } = await classOf(browser, ['Maya', 'Ben'], { pages: 1 });
  const [maya, ben] = students;
  await pick(varga, 'Maya');
  await varga.getByText('With these').click();
  await varga.getByLabel('A line for them, if pens go down').fill('Read the rules again, please');
  await varga.getByRole('button', { name: 'Pause for 5 min' }).click();
  await expect(maya.getByText('Your pen is down until')).toContainText('Your teacher says: Read the rules again, please');
  await expect(tile(varga, 'Maya')).toContainText('Pen down');
  await expect(ben.getByText('Your pen is down')).toHaveCount(0);
  await draw(maya);
  await draw(ben);
  await expect(marks(ben)).toHaveCount(2);
  await expect(marks(maya)).toHaveCount(1);
  await maya.reload();
  await kept(maya);
  await expect(maya.getByText('Your pen is down until')).toBeVisible();
  await varga.getByRole('button', { name: 'Pens up for them' }).click();
  await expect(maya.getByText('Your pen is down')).toHaveCount(0);
  await writeNote(maya, 'I may write again');
  await kept(maya);
  await expect(marks(maya)).toHaveCount(2);
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('a question of the teacher\'s own is answered by each for themselves and collected by name', async ({ browser }) => {
  const { varga, students } = await classOf(browser, ['Maya', 'Ben', 'Oona'], { pages: 1 });
  const [maya, ben, oona] = students;
  const ask = async (words) => {
    await varga.getByText('Ask', { exact: true }).click();
    await varga.getByRole('button', { name: 'A question of my own' }).click();
    await varga.getByLabel('Your question').fill(words);
  };
  await ask('Which part carries the load?');
  await varga.getByLabel('by choosing').check();
  await expect(varga.getByRole('button', { name: 'Ask now' })).toBeDisabled();
  await varga.getByLabel('A choice').nth(0).fill('The deck');
  await varga.getByLabel('A choice').nth(1).fill('The piers');
  await varga.getByRole('button', { name: 'Ask now' }).click();
  await maya.getByRole('button', { name: 'The piers' }).click();
  await oona.getByRole('button', { name: 'The deck' }).tap();
  await expect(oona.getByText('Your teacher has your answer.')).toBeVisible();
  if (process.env.PICTURES) await ben.screenshot({ path: '/tmp/p/question.png' });
  await oona.getByRole('button', { name: 'Change my answer' }).tap();
  await oona.getByRole('button', { name: 'The piers' }).tap();
  const answers = varga.locator('.asked');
  await expect(answers.locator('dl > div')).toHaveText([/The deck\s*0/, /The piers\s*2\s*Maya, Oona/]);
  await expect(answers).toContainText('Not yet: Ben');
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/question-teacher.png' });
  await answers.getByRole('button', { name: 'No more answers' }).click();
  await expect(ben.getByRole('button', { name: 'The deck' })).toHaveCount(0);
  await answers.getByRole('button', { name: 'Put away' }).click();

  await ask('What surprised you?');
  await varga.getByRole('button', { name: 'Ask now' }).click();
  await ben.getByLabel('Your answer').fill('That paper holds a book');
  await ben.keyboard.press('Enter');
  await expect(ben.getByText('Your teacher has your answer.')).toBeVisible();
  await expect(answers).toContainText('That paper holds a book');
  await expect(maya.getByText('That paper holds a book')).toHaveCount(0);
  for (const page of [varga, ...students]) expect(page.problems).toEqual([]);
});

test('those who are picked become a group, a page of theirs is cleared and put back, and one is taken out', async ({ browser }) => {
  const { varga, students } = await classOf(browser, ['Maya', 'Ben', 'Oona'], { pages: 1, way: undefined });
  const [maya, ben, oona] = students;
  await draw(maya);
  await kept(maya);
  await varga.locator('summary', { hasText: 'Pick those who' }).click();
  await varga.getByRole('button', { name: 'Those who have not begun this page' }).click();
  await expect(varga.locator('.acts-whom')).toContainText('Ben, Oona');
  await varga.getByRole('button', { name: 'Nobody picked' }).click();
  await pick(varga, 'Maya');
  await varga.getByText('With these').click();
  await varga.getByRole('button', { name: 'Clear …' }).click();
  await varga.getByRole('dialog').getByRole('button', { name: 'Clear this page' }).click();
  await expect(marks(maya)).toHaveCount(1);
  await expect(varga.getByText('Cleared on one board.')).toBeVisible();
  await varga.getByRole('button', { name: 'Put back' }).click();
  await expect(marks(maya)).toHaveCount(2);
  // A stamp of the teacher's on the page, and another beside it, not over it; and taken back.
  const stamps = marks(maya).filter({ hasText: 'Stamp' });
  for (const many of [1, 2]) {
    await varga.getByText('With these').click();
    await varga.getByRole('group', { name: 'A stamp on this page' }).getByRole('button').first().click();
    await expect(varga.getByText('A stamp on one board.')).toBeVisible();
    await expect(stamps).toHaveCount(many);
  }
  await varga.getByRole('button', { name: 'Put back' }).click();
  await expect(stamps).toHaveCount(1);
  await varga.getByText('With these').click();
  await varga.getByRole('button', { name: 'Take out' }).click();
  await varga.getByRole('dialog').getByRole('button', { name: 'Take out' }).click();
  await expect(tile(varga, 'Maya')).toHaveCount(0);
  await expect(maya).not.toHaveURL(/\/board\//);
  await expect(varga.locator('.acts-whom')).toContainText('everybody (2)');
  for (const page of [varga, ben, oona]) expect(page.problems).toEqual([]);
});

test('boards stand by name or by group, are found by number, and say what changed since the teacher looked', async ({ browser }) => {
  const { varga, students } = await classOf(browser, ['Oona', 'Maya', 'Ben'], { pages: 2 });
  const [, maya] = students;
  const names = varga.locator('.tile:visible strong');
  await expect(names).toHaveText(['Oona', 'Maya', 'Ben']);
  await varga.getByLabel('View').selectOption('By name');
  await expect(names).toHaveText(['Ben', 'Maya', 'Oona']);
  await varga.reload();
  await expect(names).toHaveText(['Ben', 'Maya', 'Oona']);
  // Beside one, the next is the next of the view, by key as well.
  await tile(varga, 'Maya').locator('.tile').click();
  await kept(varga);
  await expect(varga.getByRole('link', { name: 'Ben' })).toBeVisible();
  await expect(maya.getByText('Ilse Varga is looking at your board with you')).toBeVisible();
  await varga.keyboard.press('Alt+PageDown');
  await expect(varga.getByRole('heading', { name: 'Board of Oona' })).toBeVisible();
  await kept(varga);
  await varga.getByRole('link', { name: 'All boards' }).click();
  await expect(names).toHaveText(['Ben', 'Maya', 'Oona']);
  await expect(tile(varga, 'Maya').getByTitle('Changed since you looked')).toBeHidden();
  await draw(maya);
  await expect(tile(varga, 'Maya').getByTitle('Changed since you looked')).toBeVisible();
  await expect(tile(varga, 'Ben').getByTitle('Changed since you looked')).toBeHidden();
  for (const page of [varga, ...students]) expect(page.problems).toEqual([]);
});
