// Handing out more while a lesson runs, handing in, other teachers, and beginning without an account.
import { expect, test } from '@playwright/test';
import { design, draw, handOut, kept, marks, student, teacher, visitor, writeNote } from './people.mjs';

const TITLE = 'Text, printed: What holds a bridge up?';
const handed = (page) => page.locator('section', { hasText: 'Handed out since the lesson began' }).locator('li');

test('a new page and a corrected one reach who works and who is away; what was written stays; it can be taken back', async ({ browser }) => {
  test.slow();
  const varga = await teacher(browser);
  await design(varga);
  const workshop = varga.url();
  const code = await handOut(varga);
  const lesson = varga.url();
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  await writeNote(maya, 'An arch squeezes');
  await kept(maya);
  const beside = await varga.context().newPage();
  await beside.goto(lesson);
  await beside.locator('.tile', { hasText: 'Maya' }).click();
  await kept(beside);
  const bens = ben.url();
  await ben.goto('about:blank');

  await test.step('the workshop is changed: one word corrected, one page more', async () => {
    await varga.goto(workshop);
    await kept(varga);
    await marks(varga).first().press('Enter');
    await varga.keyboard.press('Enter');
    await varga.keyboard.type(' And why?');
    await varga.keyboard.press('Escape');
    await varga.getByRole('button', { name: 'New page' }).click();
    await varga.getByLabel('Name of the page').fill('Build it');
    await varga.getByRole('button', { name: 'Answer key', exact: true }).click();
    await writeNote(varga, 'It pushes outwards');
    await expect(varga.getByRole('button', { name: '2. Build it' })).toBeVisible();
    await kept(varga);
    await varga.goto(`${lesson}/late`);
    await expect(varga.getByText('1 thing changed')).toBeVisible();
    await expect(varga.getByLabel('Page 2: Build it')).toBeChecked();
    await varga.getByRole('button', { name: 'Hand it out' }).click();
  });

  await test.step('who works is told where to look, and has lost nothing', async () => {
    await expect(maya.getByText('New from your teacher')).toBeVisible();
    await expect(marks(maya)).toHaveText([`${TITLE} And why?`, /An arch squeezes/]);
    await maya.getByRole('button', { name: 'Look', exact: true }).click();
    await expect(maya.getByText('Page 2 of 2: Build it')).toBeVisible();
    await expect(marks(maya)).toHaveCount(0);
    await beside.getByRole('button', { name: 'On', exact: true }).click();
    await expect(marks(beside)).toHaveText(['Note, answer key: It pushes outwards']);
    await expect(handed(varga)).toContainText('On 1 of 2 screens');
    await expect(handed(varga)).toContainText('Not yet: Ben');
  });

  await test.step('who was away finds it on coming back', async () => {
    await ben.goto(bens);
    await kept(ben);
    await expect(ben.getByText('Page 1 of 2')).toBeVisible();
    await expect(handed(varga)).toContainText('On everybody’s screen');
    await draw(maya);
    await kept(maya);
  });

  await test.step('taken back, the page goes where nobody has written on it, and stays where somebody has', async () => {
    await varga.getByRole('button', { name: 'Take back' }).click();
    await expect(handed(varga)).toContainText('Taken back');
    await expect(marks(ben)).toHaveText([TITLE]);
    await expect(ben.getByText('Page 1 of 2')).toBeHidden();
    await expect(maya.getByText('Page 2 of 2: Build it')).toBeVisible();
    await expect(marks(maya)).toHaveText(['Drawing, yours']);
    await expect(marks(beside)).toHaveText([/^Drawing/]);
    await beside.close();
  });

  await test.step('one thing from the own board goes to one student', async () => {
    await varga.goto(lesson);
    await varga.getByRole('link', { name: 'My own board' }).click();
    await kept(varga);
    await writeNote(varga, 'Try this one');
    await kept(varga);
    await varga.locator('.ledge-tools').getByRole('button', { name: 'Choose', exact: true }).click();
    await varga.getByRole('button', { name: 'All mine' }).click();
    await varga.getByRole('button', { name: 'Hand out', exact: true }).click();
    await varga.getByLabel('Only some').check();
    await varga.getByLabel('Ben').check();
    await varga.getByRole('button', { name: 'Hand it out' }).click();
    await expect(marks(ben).last()).toHaveText(/Note, loose: Try this one/);
    await expect(handed(varga).first()).toContainText('On everybody’s screen');
    await maya.getByRole('button', { name: 'Back' }).click();
    await expect(marks(maya)).toHaveText([TITLE, /An arch squeezes/]);
  });
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('work is handed in and taken back until it is due, and the teacher sees it', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const lesson = varga.url();
  const maya = await student(browser, code, 'Maya', { viewport: { width: 390, height: 844 } });
  await varga.goto(`${lesson}/times`);
  await varga.getByLabel('Due').fill('2040-12-03T09:00');
  await varga.getByLabel('Students hand in').check();
  await varga.getByRole('button', { name: 'Keep these times' }).click();
  await expect(varga.getByText('0 of 1 have handed in')).toBeVisible();

  const handIn = maya.getByRole('button', { name: /^Hand(ed)? in/ });
  await expect(handIn).toContainText('3 Dec');
  await handIn.click();
  await expect(handIn).toContainText('Handed in');
  await varga.goto(lesson);
  await expect(varga.locator('.tile', { hasText: 'Maya' }).getByText('Handed in', { exact: true })).toBeVisible();
  await handIn.click();
  await expect(varga.locator('.tile', { hasText: 'Maya' }).getByText('Handed in', { exact: true })).toBeHidden();

  await test.step('what is handed in after it was due is late, and stays handed in', async () => {
    await varga.goto(`${lesson}/times`);
    await varga.getByLabel('Due').fill('2026-01-05T09:00');
    await varga.getByRole('button', { name: 'Keep these times' }).click();
    await expect(handIn).toContainText('late since');
    await handIn.click();
    await expect(handIn).toBeDisabled();
    await varga.reload();
    await expect(varga.getByText(/^Late: /)).toBeVisible();
  });
  for (const page of [varga, maya]) expect(page.problems).toEqual([]);
});

test('before it opens a student waits without seeing the task, and is brought to the board when it does', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  await varga.getByRole('link', { name: 'Hand out' }).click();
  await varga.getByText('Times and handing in').click();
  await varga.getByLabel('Opens').fill('2040-12-03T09:00');
  await varga.getByLabel('Due').fill('2040-12-02T09:00');
  await varga.getByRole('button', { name: 'Hand out' }).click();
  await expect(varga.getByText('It has to open before it is due')).toBeVisible();
  await varga.getByLabel('Due').fill('2040-12-04T09:00');
  await varga.getByRole('button', { name: 'Hand out' }).click();
  const code = await varga.locator('[data-code]').getAttribute('data-code');
  const maya = await student(browser, code, 'Maya', {}, false);
  await expect(maya.getByText('This lesson opens on')).toBeVisible();
  await varga.goto(varga.url().replace('/code', '/times'));
  await varga.getByLabel('Opens').fill('');
  await varga.getByRole('button', { name: 'Keep these times' }).click();
  await kept(maya);
  await expect(marks(maya)).toHaveText([TITLE]);
});

test('a colleague opens the invitation, runs the lesson too, and each undoes only their own', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const lesson = varga.url();
  const maya = await student(browser, code, 'Maya');
  await varga.locator('footer .more-up summary').click();
  await varga.getByRole('link', { name: 'Other teachers' }).click();
  await varga.getByLabel('E-mail addresses').fill('Tobi Adeyemi <adeyemi@ostlebrook.example>');
  await varga.getByRole('button', { name: 'Invite' }).click();
  await expect(varga.getByText('Has not opened the invitation yet')).toBeVisible();
  await varga.locator('summary', { hasText: 'The link' }).click();
  const link = await varga.getByLabel('The link, to pass on yourself').inputValue();

  const adeyemi = await teacher(browser);
  await adeyemi.goto(link);
  await adeyemi.getByRole('button', { name: 'Accept' }).click();
  await adeyemi.locator('.tile', { hasText: 'Maya' }).click();
  await kept(adeyemi);
  await writeNote(adeyemi, 'Where does it push?');
  await expect(marks(maya).last()).toHaveText(/Where does it push/);
  await varga.goto(lesson);
  await varga.locator('.tile', { hasText: 'Maya' }).click();
  await kept(varga);
  await expect(varga.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await adeyemi.getByRole('button', { name: 'Undo' }).click();
  await expect(marks(maya)).toHaveText([TITLE]);

  await test.step('each teacher looks after a group and sees only that one, if they wish', async () => {
    const ben = await student(browser, code, 'Ben');
    await varga.goto(`${lesson}/people`);
    for (const name of ['Maya', 'Ben']) {
      await varga.locator('.person', { hasText: name }).click();
      await varga.getByRole('button', { name: 'Make them a group' }).click();
      await expect(varga.locator('.group .person', { hasText: name })).toBeVisible();
    }
    await varga.getByLabel('Who looks after Group 1').selectOption({ index: 1 });
    await varga.getByLabel('Who looks after Group 2').selectOption({ index: 2 });
    for (const page of [maya, ben]) await expect(page.getByRole('heading', { name: /Group [12]/ })).toBeVisible();
    for (const page of [maya, ben]) await kept(page);
    await adeyemi.goto(lesson);
    await expect(adeyemi.locator('.tile:visible')).toHaveCount(2);
    await adeyemi.getByRole('button', { name: 'My groups only' }).click();
    await expect(adeyemi.locator('.tile:visible')).toHaveText([/Group 2/]);
    await maya.getByRole('button', { name: 'Hand up' }).click();
    await ben.getByRole('button', { name: 'Hand up' }).click();
    for (const page of [maya, ben]) await expect(page.getByRole('button', { name: 'Hand up' })).toHaveAttribute('aria-pressed', 'true');
    await expect(adeyemi.locator('.needs li')).toHaveText([/Ben/]);
    await adeyemi.getByRole('button', { name: 'My groups only' }).click();
    await expect(adeyemi.locator('.needs li')).toHaveCount(2);
    await adeyemi.locator('.tile', { hasText: 'Group 2' }).click();
    await kept(adeyemi);
    expect(ben.problems).toEqual([]);
  });

  await test.step('made a watcher, nothing can be written any more, at once', async () => {
    await varga.goto(lesson.replace('/lesson/', '/helpers/'));
    await varga.getByRole('button', { name: 'Let them only watch' }).click();
    await expect(adeyemi.locator('.kept')).toContainText('You are looking');
    await expect(adeyemi.getByRole('button', { name: 'Pen', exact: true })).toHaveCount(0);
  });
  for (const page of [varga, adeyemi, maya]) expect(page.problems).toEqual([]);
});

test('without an account: three presses from the front door to a code, and everything is kept by making one', async ({ browser }) => {
  const guest = await visitor(browser);
  await guest.goto('/');
  await guest.getByRole('link', { name: 'Start at once' }).click();
  await guest.getByRole('button', { name: 'One board for all' }).click();
  const code = await guest.locator('[data-code]').getAttribute('data-code');
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  await writeNote(maya, 'An arch squeezes');
  await expect(marks(ben)).toHaveText([/An arch squeezes/]);

  await guest.locator('summary', { hasText: 'Show a board on another page' }).click();
  await guest.getByRole('button', { name: 'Let it be shown' }).click();
  const frame = await guest.getByLabel('Put this on the page').inputValue();
  const onlooker = await visitor(browser);
  await onlooker.goto(/src="([^"]+)"/.exec(frame)[1]);
  await expect(marks(onlooker)).toHaveText([/An arch squeezes/]);
  await expect(onlooker.getByRole('button', { name: 'Pen', exact: true })).toHaveCount(0);
  await writeNote(ben, 'And pushes');
  await expect(marks(onlooker)).toHaveCount(2);

  await guest.getByRole('link', { name: 'Keep it' }).click();
  await guest.getByLabel('Your name').fill('Ilse Varga');
  await guest.getByLabel('E-mail address').fill(`kept${Date.now()}@ostlebrook.example`);
  await guest.getByLabel('Password').fill('bridge-over-brook');
  await guest.getByRole('button', { name: 'Make an account and keep everything' }).click();
  await expect(guest.getByRole('heading', { name: 'Desk of Ilse Varga' })).toBeVisible();
  await expect(guest.getByText('Without an account')).toBeHidden();
  await guest.getByRole('link', { name: 'Board', exact: true }).first().click();
  await expect(guest.locator('.tile')).toHaveCount(1);
  for (const page of [guest, maya, ben, onlooker]) expect(page.problems).toEqual([]);
});

test('a page of my own board is handed out from circulate in one press, to all or to those who are picked; it is said who has it, and it is taken back', async ({ browser }) => {
  test.slow();
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  const menu = varga.locator('.acts').getByText('Hand out', { exact: true });
  await menu.click();
  await expect(varga.getByText('You have put nothing on it yet.')).toBeVisible();
  const own = await varga.context().newPage();
  await own.goto(await varga.getByRole('link', { name: 'Choose on my board' }).getAttribute('href'));
  await kept(own);
  await writeNote(own, 'Look at the arch');
  await draw(own);
  await kept(own);
  await varga.keyboard.press('Escape');

  await varga.getByRole('button', { name: 'Pick', exact: true }).click();
  await varga.getByRole('button', { name: 'Maya', exact: true }).click();
  await menu.click();
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/handing.png' });
  await varga.getByRole('button', { name: 'Page 1: 2 things' }).click();
  await expect(marks(maya)).toHaveText([/^Text/, 'Note, printed: Look at the arch', 'Drawing, printed']);
  await expect(marks(ben)).toHaveCount(1);
  const receipt = varga.locator('.receipt').filter({ hasText: 'Handed out' });
  await expect(receipt).toContainText('Maya');
  await expect(receipt).toContainText('1 of 1');
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/handed.png' });
  await receipt.getByRole('button', { name: 'Take back' }).click();
  await expect(marks(maya)).toHaveCount(1);
  await expect(receipt).toHaveCount(0);

  // To everybody; who is away gets it on return.
  await ben.context().setOffline(true);
  await varga.getByRole('button', { name: 'Nobody picked' }).click();
  await menu.click();
  await varga.getByRole('button', { name: 'Page 1: 2 things' }).click();
  await expect(marks(maya)).toHaveCount(3);
  await expect(receipt).toContainText('1 of 2');
  await expect(receipt).toContainText('Ben');
  await ben.context().setOffline(false);
  await expect(marks(ben)).toHaveCount(3, { timeout: 30_000 });
  await expect(receipt).toContainText('2 of 2');
  for (const page of [varga, maya]) expect(page.problems).toEqual([]);
});
