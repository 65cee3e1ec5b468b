// People for the browser tests: each in a browser context of their own.
import { expect, test } from '@playwright/test';

let accounts = 0;
let lastTest = '';
let left = [];

/** The people of the test before go home: their boards would go on living, and take the time of those who are here now. */
async function sendHome() {
  const { testId, repeatEachIndex } = test.info();
  if (lastTest === `${testId} ${repeatEachIndex}`) return;
  lastTest = `${testId} ${repeatEachIndex}`;
  const leaving = left;
  left = [];
  await Promise.all(leaving.map((context) => context.close()));
}

async function newPage(browser, options) {
  await sendHome();
  const context = await browser.newContext(options);
  left.push(context);
  return watched(await context.newPage());
}

/** A page that fails its test on any script error, blocked content, or work that the device could hold and did not. */
function watched(page) {
  page.problems = [];
  page.on('pageerror', (e) => page.problems.push(e.message));
  page.on('console', (m) => {
    if (/Content Security Policy|DataCloneError/.test(m.text())) page.problems.push(m.text());
  });
  return page;
}

/** Somebody in front of the front door. */
export const visitor = newPage;

export async function teacher(browser, options) {
  const page = await newPage(browser, options);
  await page.goto('/sign-up');
  await page.getByLabel('Your name').fill('Ilse Varga');
  await page.getByLabel('E-mail address').fill(`varga${Date.now()}-${accounts++}@ostlebrook.example`);
  await page.getByLabel('Password').fill('bridge-over-brook');
  await page.getByRole('button', { name: 'Make the account' }).click();
  await expect(page.getByRole('heading', { name: 'Desk of Ilse Varga' })).toBeVisible();
  return page;
}

/** Makes an activity with a printed title and directions. */
export async function design(page, name = 'What holds a bridge up?') {
  await page.goto('/desk');
  await page.getByRole('button', { name: 'New activity' }).click();
  await kept(page);
  await page.getByLabel('Name of the activity').fill(name);
  await page.getByLabel('Directions for students').fill('1. Draw a bridge.\n2. Name its parts.');
  await page.getByLabel('Squared').check();
  await page.getByRole('button', { name: 'Write here' }).click();
  await page.keyboard.type(name);
  await page.keyboard.press('Escape');
  await expect(marks(page)).toHaveText([`Text, printed: ${name}`]);
  await kept(page);
}

/** Makes a wall with a question, and topics if there are any: an outline, a line to a topic. */
export async function designWall(page, question, topics = []) {
  await page.goto('/desk');
  await page.getByRole('button', { name: 'New wall' }).click();
  await kept(page);
  await page.getByLabel('Name of the activity').fill(question);
  await page.getByLabel('The question over the wall').fill(question);
  if (topics.length > 0) {
    await page.getByRole('button', { name: 'Topics from a list' }).click();
    await page.getByLabel('Paste the outline here').fill(topics.map((topic, i) => `${i + 1}. ${topic}`).join('\n'));
    await page.getByRole('button', { name: `Make ${topics.length} topics` }).click();
  }
  await kept(page);
}

/** Hands out what is open in the workshop and gives the code. The page then watches the boards. */
export async function handOut(page, { door = 'Open', way = 'One board each' } = {}) {
  await page.getByRole('link', { name: 'Hand out' }).click();
  await page.getByLabel('For whom').fill('7 Amber');
  await page.getByLabel(way).check();
  await page.getByLabel(new RegExp(`^${door}:`)).check();
  await page.getByRole('button', { name: 'Hand out' }).click();
  const code = await page.locator('[data-code]').getAttribute('data-code');
  await page.getByRole('link', { name: 'Watch the boards' }).click();
  await expect(page.getByRole('button', { name: 'Pens down' })).toBeEnabled();
  return code;
}

/** Somebody else comes in on the device of a classmate, in a tab of their own. */
export async function studentBeside(classmate, code, name) {
  const page = watched(await classmate.context().newPage());
  await page.goto(`/join/${code.replace(' ', '')}?new=true`);
  await page.getByLabel('Your name').fill(name);
  await page.getByRole('button', { name: 'Go to my board' }).click();
  await kept(page);
  return page;
}

/** @param comesIn whether they get to their board; otherwise they are left at the door. */
export async function student(browser, code, name, options, comesIn = true, asked = 'Your name') {
  const page = await newPage(browser, options);
  await page.goto('/');
  await page.getByLabel('Code or address from your teacher').fill(code.toLowerCase());
  await page.getByRole('button', { name: 'Go on' }).click();
  await page.getByLabel(asked).fill(name);
  await page.getByRole('button', { name: 'Go to my board' }).click();
  if (comesIn) await kept(page);
  return page;
}

export async function draw(page, from = [0.3, 0.4], to = [0.6, 0.5]) {
  const box = await page.locator('[data-surface]').boundingBox();
  const at = ([x, y]) => [box.x + x * box.width, box.y + y * box.height];
  await page.getByRole('button', { name: 'Pen', exact: true }).click();
  await page.mouse.move(...at(from));
  await page.mouse.down();
  await page.mouse.move(...at(to), { steps: 6 });
  await page.mouse.up();
}

/** By keyboard alone. */
export async function writeNote(page, words) {
  await page.getByRole('button', { name: 'Note', exact: true }).press('Enter');
  await page.getByRole('button', { name: 'Write here' }).press('Enter');
  await page.keyboard.type(words);
  await page.keyboard.press('Escape');
}

export const marks = (page) => page.locator('[data-marks] button');

/** Once a page can be worked with. Clicks wait for that by themselves; keys and filling in do not. */
export const usable = (page) => expect(page.locator('[inert]')).toHaveCount(0);

export const kept = (page) => expect(page.locator('.kept')).toHaveText('Kept');

/** In circulate: the teacher looks at what students write first. By what is read in the menu once the server has it. */
export async function lookFirst(page, menu = 'on', choose = (dialog) => dialog.getByLabel('Until I say otherwise').check()) {
  const summary = page.locator('footer .more-up summary');
  const entry = page.getByRole('button', { name: 'Look at it first' });
  await summary.click();
  await entry.click();
  await choose(page.getByRole('dialog'));
  await page.getByRole('dialog').getByRole('button', { name: 'Use this' }).click();
  if (!(await entry.isVisible())) await summary.click();
  await expect(entry).toContainText(menu);
  await page.keyboard.press('Escape');
}
