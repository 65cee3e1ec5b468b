import { expect, test } from '@playwright/test';
import { design, draw, handOut, kept, marks, student, teacher, visitor, writeNote } from './people.mjs';

test('a wrong code gets a clear sentence, and what was typed stays', async ({ page }) => {
  await page.goto('/');
  await page.getByLabel('Code or address from your teacher').fill('BCDF GHJK');
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByRole('alert')).toHaveText('No lesson has this code. Please look at it again, or ask your teacher.');
  await expect(page.getByLabel('Code or address from your teacher')).toHaveValue('BCDF GHJK');
  await page.getByLabel('Code or address from your teacher').fill('123');
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByRole('alert')).toContainText('A code has 8 letters and numbers.');
  await page.getByLabel('Code or address from your teacher').fill('BCDO GHJI');
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByRole('alert')).toHaveText('Codes never have these: O, I. Please look at your code again.');
  await expect(page.getByLabel('Code or address from your teacher')).toHaveValue('BCDO GHJI');
});

test('an impatient second press counts once: one lesson, one student', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  await varga.getByRole('link', { name: 'Hand out' }).click();
  await varga.getByRole('button', { name: 'Hand out' }).dblclick();
  const code = await varga.locator('[data-code]').getAttribute('data-code');
  const lesson = varga.url().replace('/code', '');
  await varga.goto('/desk');
  await expect(varga.locator('a[href^="/lesson/"][href$=".zip"]')).toHaveCount(1);

  const maya = await visitor(browser);
  await maya.goto(`/join/${code}`);
  await maya.getByLabel('Your name').fill('Maya');
  await maya.getByRole('button', { name: 'Go to my board' }).dblclick();
  await kept(maya);
  await varga.goto(lesson);
  await expect(varga.locator('.tile strong')).toHaveText(['Maya']);
});

test('a name may not be blank or very long, and two of the same name are told apart', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const page = await (await browser.newContext()).newPage();
  await page.goto(`/join/${code}`);
  await page.getByLabel('Your name').fill('   ');
  await page.getByRole('button', { name: 'Go to my board' }).click();
  await expect(page.getByRole('alert')).toHaveText('Please write your name.');
  await page.getByLabel('Your name').fill('M'.repeat(90));
  await page.getByRole('button', { name: 'Go to my board' }).click();
  await expect(page.getByRole('alert')).toContainText('Please write a shorter name');
  await student(browser, code, 'Maya');
  await student(browser, code, 'Maya');
  await expect(varga.locator('.tile strong')).toHaveText(['Maya', 'Maya (2)']);
});

test('two of one name on one device are told apart where they go on', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  await student(browser, code, 'Maya');
  const shared = await visitor(browser);
  for (const name of ['Maya', 'Maya']) {
    await shared.goto(`/join/${code}?new=true`);
    await shared.getByLabel('Your name').fill(name);
    await shared.getByRole('button', { name: 'Go to my board' }).click();
    await kept(shared);
  }
  await writeNote(shared, 'the second of this device');
  await kept(shared);
  await expect(varga.locator('.tile strong')).toHaveText(['Maya', 'Maya (2)', 'Maya (3)']);
  await shared.goto(`/join/${code}`);
  await expect(shared.getByRole('link', { name: /^Go on as/ })).toHaveText(['Go on as Maya (3)', 'Go on as Maya (2)']);
  await shared.goto('/');
  await shared.getByRole('link', { name: 'Go on as Maya (3)' }).click();
  await kept(shared);
  await expect(marks(shared).last()).toHaveText('Note, yours: the second of this device');
});

test('a closed door turns newcomers away and opens with one press', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga, { door: 'Closed' });
  const page = await (await browser.newContext()).newPage();
  await page.goto(`/join/${code}`);
  await page.getByLabel('Your name').fill('Elif');
  await page.getByRole('button', { name: 'Go to my board' }).click();
  await expect(page.getByRole('alert')).toHaveText('The door of this lesson is closed. Ask your teacher to open it.');
  await varga.getByLabel('Door').selectOption('The door is open');
  const again = page.getByRole('button', { name: 'Go to my board' });
  await expect(async () => {
    if (await again.isVisible()) await again.click();
    await expect(page.locator('.kept')).toHaveText('Kept', { timeout: 3000 });
  }).toPass();
});

test('a shared device asks who it is, and each comes back to their own board', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const page = await student(browser, code, 'Maya');
  await draw(page);
  await kept(page);
  await page.goto(`/join/${code}`);
  await expect(page.getByRole('link', { name: 'Go on as Maya' })).toBeVisible();
  await page.getByRole('link', { name: 'Somebody else' }).click();
  await page.getByLabel('Your name').fill('Ben');
  await page.getByRole('button', { name: 'Go to my board' }).click();
  await kept(page);
  await expect(marks(page)).toHaveCount(1);
  await page.goto('/');
  await page.getByRole('link', { name: 'Go on as Maya' }).click();
  await expect(marks(page)).toHaveCount(2);
});

test('from the code page to a board that takes ink: three steps', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const page = await (await browser.newContext()).newPage();
  await page.goto('/');
  await page.getByLabel('Code or address from your teacher').fill(code);
  await page.getByRole('button', { name: 'Go on' }).click();
  await page.getByLabel('Your name').fill('Amara');
  await page.getByRole('button', { name: 'Go to my board' }).click();
  await kept(page);
  await draw(page);
  await expect(marks(page)).toHaveCount(2);
});

test('somebody without the right cookie gets nowhere', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  const stranger = await (await browser.newContext()).newPage();
  await stranger.goto(maya.url());
  await expect(stranger.getByRole('heading', { name: 'Join your lesson' })).toBeVisible();
  const ben = await student(browser, code, 'Ben');
  await ben.goto(maya.url());
  await expect(ben.getByRole('heading', { name: 'Join your lesson' })).toBeVisible();
});

test('a student whose clock is years ahead writes as everybody does, and the teacher sees it as of now', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const context = await browser.newContext();
  const page = await context.newPage();
  await page.clock.install({ time: new Date('2031-01-01T08:00:00Z') });
  await page.goto(`/join/${code}`);
  await page.getByLabel('Your name').fill('Maya');
  await page.getByRole('button', { name: 'Go to my board' }).click();
  await kept(page);
  await draw(page);
  await expect(marks(page)).toHaveCount(2);
  await kept(page);
  await expect(varga.locator('.tile')).toHaveText(/Maya\s+just now/);
});

test('with three words a student comes back on another device, and a classmate with wrong ones does not', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  await writeNote(maya, 'From the first device');
  await kept(maya);
  await maya.getByRole('button', { name: 'My key' }).click();
  const words = await maya.locator('[data-key]').textContent();
  expect(words.split(' ')).toHaveLength(3);

  const other = await (await browser.newContext()).newPage();
  await other.goto(`/join/${code}`);
  await other.getByText('I was here before, on another device').click();
  await other.getByLabel('Your three words').fill('acorn acorn acorn');
  await other.getByRole('button', { name: 'Back to my board' }).click();
  await expect(other.getByRole('alert')).toHaveText(/belong to nobody in this lesson/);
  await other.getByLabel('Your three words').fill(words.toUpperCase().replaceAll(' ', '-'));
  await other.getByRole('button', { name: 'Back to my board' }).click();
  await kept(other);
  await expect(marks(other)).toHaveText([/^Text, printed/, 'Note, yours: From the first device']);
  await other.context().close();
});

test('from a student’s board the teacher gives them their three words, takes them out, and lets them in again with their work', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  await writeNote(maya, 'The deck carries it');
  await kept(maya);
  await varga.locator('.tile').click();
  await kept(varga);
  const who = varga.locator('summary', { hasText: 'Whose board this is' });
  await who.click();
  await varga.getByRole('link', { name: 'Three words' }).click();
  await expect(varga.getByRole('heading', { name: 'The three words of Maya' })).toBeVisible();
  const words = await varga.locator('[data-key]').textContent();
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/three-words.png' });
  await varga.goBack();
  await kept(varga);
  const second = await (await browser.newContext()).newPage();
  await second.goto(`/join/${code}`);
  await second.getByText('I was here before, on another device').click();
  await second.getByLabel('Your three words').fill(words);
  await second.getByRole('button', { name: 'Back to my board' }).click();
  await expect(marks(second)).toHaveText([/^Text, printed/, 'Note, yours: The deck carries it']);

  await who.click();
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/whose-board.png' });
  await varga.getByRole('button', { name: 'Take out of the lesson' }).click();
  for (const page of [maya, second]) await expect(page.getByRole('button', { name: 'Pen', exact: true })).toBeHidden();
  await varga.getByRole('button', { name: 'Let in again' }).click();
  await expect(varga.getByRole('button', { name: 'Take out of the lesson' })).toBeVisible();
  await maya.goto('/');
  await maya.getByRole('link', { name: 'Go on as Maya' }).click();
  await expect(marks(maya)).toHaveText([/^Text, printed/, 'Note, yours: The deck carries it']);
  await second.context().close();
  expect(varga.problems).toEqual([]);
});
