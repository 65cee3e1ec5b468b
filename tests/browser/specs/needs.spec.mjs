import { expect, test } from '@playwright/test';
import { design, draw, handOut, kept, student, teacher, writeNote } from './people.mjs';

const need = (page, name) => page.locator('.needs li', { hasText: name });
const why = (page) => page.locator('[data-tell="why"]');
const going = (page) => page.locator('[data-tell="going"]');

async function classAtWork(browser, names = ['Maya', 'Ben', 'Oona']) {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const students = [];
  for (const name of names) {
    const onPhone = name === 'Ben' ? { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true } : {};
    students.push(await student(browser, code, name, onPhone));
  }
  return { varga, students };
}

test('a hand says why: by a choice, in own words, or not at all; and a visit brings it down', async ({ browser }) => {
  const { varga, students } = await classAtWork(browser);
  const [maya, ben, oona] = students;
  await maya.getByRole('button', { name: 'Hand up' }).click();
  await expect(need(varga, 'Maya')).toContainText('Hand up');
  if (process.env.PICTURES) await maya.screenshot({ path: '/tmp/p/why.png' });
  await why(maya).getByRole('button', { name: 'I need material' }).click();
  await expect(need(varga, 'Maya')).toContainText('I need material');
  await ben.getByRole('button', { name: 'Hand up' }).tap();
  if (process.env.PICTURES) await ben.screenshot({ path: '/tmp/p/why-phone.png' });
  await why(ben).getByLabel('In my own words').fill('Where is the ruler?');
  await why(ben).getByRole('button', { name: 'Say it' }).tap();
  await expect(need(varga, 'Ben')).toContainText('Where is the ruler?');
  // Who says why keeps their place: Maya waits longer.
  await why(maya).locator('summary').click();
  await why(maya).getByRole('button', { name: 'Please check' }).click();
  await expect(need(varga, 'Maya')).toContainText('Please check');
  await expect(varga.locator('.needs li strong')).toHaveText(['Maya', 'Ben']);

  // By keyboard alone.
  await oona.getByRole('button', { name: 'Hand up' }).focus();
  await oona.keyboard.press('Enter');
  await expect(why(oona).getByRole('button', { name: 'I need material' })).toBeVisible();
  await oona.keyboard.press('Tab');
  await expect(why(oona).locator('summary')).toBeFocused();
  await oona.keyboard.press('Tab');
  await oona.keyboard.press('Enter');
  await expect(need(varga, 'Oona')).toContainText('I do not understand the task');
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/needs.png' });

  await need(varga, 'Ben').getByRole('link', { name: 'Sit beside' }).click();
  await kept(varga);
  await expect(ben.getByRole('button', { name: 'Hand up' })).toHaveAttribute('aria-pressed', 'false');
  await varga.getByRole('link', { name: 'All boards' }).click();
  await expect(varga.locator('.needs li strong')).toHaveText(['Maya', 'Oona']);
  await varga.getByRole('button', { name: 'Lower all hands' }).click();
  await expect(varga.locator('.needs li')).toHaveCount(0);
  for (const page of [maya, oona]) await expect(page.getByRole('button', { name: 'Hand up' })).toHaveAttribute('aria-pressed', 'false');
  for (const page of [varga, ...students]) expect(page.problems).toEqual([]);
});

test('everybody is asked how it is going: each says it to the teacher alone, and who is stuck stands in the queue', async ({ browser }) => {
  const { varga, students } = await classAtWork(browser);
  const [maya, ben, oona] = students;
  // Always open to students.
  await going(oona).locator('summary').click();
  await going(oona).getByRole('button', { name: 'I am unsure' }).click();
  await expect(need(varga, 'Oona')).toContainText('Says: unsure');
  await expect(varga.getByRole('heading', { name: 'How it is going' })).toBeVisible();

  await varga.getByText('Ask', { exact: true }).click();
  await varga.locator('.acts').getByRole('button', { name: 'Ask everybody how it is going' }).click();
  await expect(varga.getByText('3 have not said yet')).toBeVisible();
  await expect(need(varga, 'Oona')).toHaveCount(0);
  for (const page of students) await expect(page.getByText('Your teacher asks: how is it going?')).toBeVisible();
  if (process.env.PICTURES) await ben.screenshot({ path: '/tmp/p/going-phone.png' });
  if (process.env.PICTURES) await maya.screenshot({ path: '/tmp/p/going.png' });
  await going(maya).getByRole('button', { name: 'I can go on' }).click();
  await going(ben).getByRole('button', { name: 'I am stuck' }).tap();
  await expect(varga.locator('.check-in-line')).toHaveText([/1\s*stuck/, /0\s*unsure/, /1\s*can go on/]);
  await expect(varga.getByText('1 has not said yet')).toBeVisible();
  await expect(need(varga, 'Ben')).toContainText('Says: stuck');
  await ben.reload();
  await kept(ben);
  await expect(going(ben).locator('summary')).toContainText('Stuck');
  await going(ben).locator('summary').tap();
  if (process.env.PICTURES) await ben.screenshot({ path: '/tmp/p/said-phone.png' });
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/check-in.png' });

  // Put off, it is gone for a while; nobody else is told of anything.
  await need(varga, 'Ben').getByRole('button', { name: 'In 5 min' }).click();
  await expect(need(varga, 'Ben')).toHaveCount(0);
  await varga.reload();
  await expect(varga.getByText('1 has not said yet')).toBeVisible();
  await expect(need(varga, 'Ben')).toHaveCount(0);
  await varga.getByRole('button', { name: 'Stop asking' }).click();
  await expect(oona.getByText('Your teacher asks: how is it going?')).toBeHidden();
  for (const page of [varga, ...students]) expect(page.problems).toEqual([]);
});

test('who has not started, has stopped or is not connected is listed with the reason, as the teacher wishes', async ({ browser }) => {
  test.slow();
  const { varga, students } = await classAtWork(browser, ['Maya', 'Ben', 'Oona', 'Tam', 'Noor']);
  const [maya, ben, oona, tam, noor] = students;
  await varga.getByRole('button', { name: 'What is listed' }).click();
  const settings = varga.getByRole('dialog');
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/settings.png' });
  await settings.getByLabel('Has not started').selectOption('after 1 minute');
  await settings.getByLabel('Not connected').selectOption('after 1 minute');
  await settings.getByRole('button', { name: 'Keep it' }).click();
  await draw(maya);
  await writeNote(ben, 'The deck carries it');
  await oona.context().setOffline(true);
  await draw(tam);
  await expect(varga.getByText('5 students, 1 away')).toBeVisible({ timeout: 75_000 });
  // Others go on: whoever has not begun is told apart from them.
  let strokes = 0;
  await expect(async () => {
    strokes++;
    await draw(maya, [0.2, 0.3 + strokes / 100], [0.4, 0.3 + strokes / 100]);
    await draw(tam, [0.2, 0.3 + strokes / 100], [0.4, 0.3 + strokes / 100]);
    await draw(ben, [0.2, 0.7 + strokes / 200], [0.4, 0.7 + strokes / 200]);
    await expect(need(varga, 'Noor')).toContainText(/nothing for \d min, while 3 of 3 others have started/, { timeout: 5000 });
  }).toPass({ timeout: 150_000 });
  await expect(need(varga, 'Oona')).toContainText(/no device here for \d min/, { timeout: 60_000 });
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/seen.png' });
  await need(varga, 'Noor').getByRole('button', { name: 'Seen' }).click();
  await expect(need(varga, 'Noor')).toHaveCount(0);
  await oona.context().setOffline(false);
  await kept(oona);
  await expect(need(varga, 'Oona')).toContainText('Is back');
  await draw(noor);
  await varga.reload();
  await expect(need(varga, 'Oona')).toContainText('Is back');
  await expect(need(varga, 'Noor')).toHaveCount(0);
  for (const page of [varga, ...students]) expect(page.problems).toEqual([]);
});
