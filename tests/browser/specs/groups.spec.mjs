// A class of six in groups that are made, changed and dissolved while they work; a door that asks; somebody who is taken out.
import { expect, test } from '@playwright/test';
import { design, draw as drawOn, handOut, kept, marks, student, studentBeside, teacher, usable, visitor, writeNote } from './people.mjs';

const NAMES = ['Amara', 'Ben', 'Maya', 'Leif', 'Noor', 'Zofia'];
const TITLE = 'Text, printed: What holds a bridge up?';

const group = (page, name) => page.getByRole('article', { name, exact: true });
const person = (page, name) => page.locator('.person', { hasText: name });
const tile = (page, name) => page.locator('.tile', { hasText: name });

// Two share each device: who draws has their tab in front, since a browser gives one behind it a movement a second.
async function draw(page, ...where) {
  await page.bringToFront();
  await drawOn(page, ...where);
}

async function pick(varga, ...names) {
  for (const name of names) await person(varga, name).click();
}

test('six students in groups: made, changed and dissolved while they work, and nothing of anybody is lost', async ({ browser }) => {
  test.slow();
  const varga = await teacher(browser);
  await design(varga);
  await varga.getByRole('link', { name: 'Hand out' }).click();
  await varga.getByLabel('By group').check();
  await expect(varga.locator('.ready section:visible')).toContainText('Each group gets a board.');
  await varga.getByRole('button', { name: 'Hand out' }).click();
  const code = (await varga.locator('a[href$="/code"]').textContent()).trim();

  // Three devices, two students on each. On their own at first: what they write there is theirs.
  const sizes = [{ width: 390, height: 844 }, { width: 820, height: 1180 }, { width: 1280, height: 800 }];
  const pupils = [];
  for (const [i, name] of NAMES.entries())
    pupils.push(i < 3 ? await student(browser, code, name, { viewport: sizes[i] }) : await studentBeside(pupils[i - 3], code, name));
  const [amara, ben, maya] = pupils;
  await writeNote(amara, 'My own first idea');
  await kept(amara);
  await expect(person(varga, 'Zofia')).toBeVisible();

  await test.step('two groups by hand: everybody is on the board of their group without doing anything', async () => {
    await pick(varga, 'Amara', 'Ben');
    await varga.getByRole('button', { name: 'Make them a group' }).click();
    await expect(group(varga, 'Group 1').locator('.person')).toHaveText([/Amara/, /Ben/]);
    await group(varga, 'Group 1').getByLabel('Name of the group').fill('Arches');
    await varga.keyboard.press('Enter');
    await pick(varga, 'Maya', 'Leif');
    await varga.getByRole('button', { name: 'Make them a group' }).click();
    await expect(amara.getByRole('heading', { name: 'What holds a bridge up? · Arches, with Ben' })).toBeVisible();
    await expect(ben.getByRole('heading', { name: /Arches, with Amara/ })).toBeVisible();
    await kept(amara);
    await kept(ben);
    await expect(marks(amara)).toHaveText([TITLE]);
    await writeNote(ben, 'An arch pushes');
    await expect(marks(amara)).toHaveText([TITLE, /An arch pushes/]);
    await expect(marks(maya)).toHaveText([TITLE]);
  });

  await test.step('the teacher sees a board for each group, and the others with their own', async () => {
    await varga.getByRole('link', { name: 'All boards' }).click();
    await expect(varga.locator('.tile')).toHaveCount(4);
    await expect(tile(varga, 'Arches')).toContainText('Amara, Ben');
    await tile(varga, 'Arches').click();
    await expect(marks(varga)).toHaveText([TITLE, /An arch pushes/]);
    await varga.getByRole('link', { name: 'All boards' }).click();
    await varga.getByRole('link', { name: 'Groups' }).click();
    await expect(person(varga, 'Zofia')).toBeVisible();
    await usable(varga);
  });

  await test.step('by keyboard one is put into another group while drawing there, and takes nothing along', async () => {
    await person(varga, 'Ben').press('Enter');
    await group(varga, 'Group 2').getByRole('button', { name: 'Put here' }).press('Enter');
    await expect(ben.getByRole('heading', { name: /Group 2, with Maya, Leif/ })).toBeVisible();
    await kept(ben);
    await expect(marks(ben)).toHaveText([TITLE]);
    await draw(ben);
    await expect(marks(maya)).toHaveText([TITLE, /^Drawing, by [^:]+$/]);
    await expect(marks(amara)).toHaveText([TITLE, /An arch pushes/]);
  });

  await test.step('one is dragged into another group, and back by undo', async () => {
    await person(varga, 'Zofia').dragTo(group(varga, 'Arches'));
    await expect(group(varga, 'Arches').locator('.person')).toHaveText([/Amara/, /Zofia/]);
    await expect(pupils[5].getByRole('heading', { name: /Arches, with Amara/ })).toBeVisible();
    await varga.getByRole('button', { name: 'Undo' }).click();
    await expect(group(varga, 'Arches').locator('.person')).toHaveText([/Amara/]);
    await expect(pupils[5].getByRole('heading', { name: 'What holds a bridge up?', exact: true })).toBeVisible();
  });

  await test.step('two groups are merged and it is taken back: the board of each waits', async () => {
    await varga.getByLabel('Merge into … Arches').selectOption({ label: 'Group 2' });
    await expect(amara.getByRole('heading', { name: /Group 2, with/ })).toBeVisible();
    await expect(marks(amara)).toHaveText([TITLE, /^Drawing, by [^:]+$/]);
    await varga.getByRole('button', { name: 'Undo' }).click();
    await expect(amara.getByRole('heading', { name: /Arches/ })).toBeVisible();
    await expect(marks(amara)).toHaveText([TITLE, /An arch pushes/]);
  });

  await test.step('a reload brings everybody back to where they are', async () => {
    await Promise.all(pupils.map((page) => page.reload()));
    for (const page of pupils) await kept(page);
    await expect(ben.getByRole('heading', { name: /Group 2/ })).toBeVisible();
    await expect(marks(amara)).toHaveText([TITLE, /An arch pushes/]);
  });

  await test.step('groups by chance with a wish, and masks for names', async () => {
    await pick(varga, 'Amara', 'Zofia');
    await varga.getByRole('button', { name: 'Keep together' }).click();
    await varga.getByLabel('About how many in a group').fill('3');
    await expect(varga.getByText('2 groups of 3')).toBeVisible();
    await varga.getByLabel('or how many groups').fill('4');
    await expect(varga.getByText('4 groups of 1 or 2')).toBeVisible();
    await varga.getByLabel('or how many groups').fill('2');
    await expect(varga.getByLabel('About how many in a group')).toHaveValue('3');
    const before = amara.url();
    await varga.getByRole('button', { name: 'Make groups' }).click();
    await expect(varga.getByText('Groups are made.')).toBeVisible();
    await expect(varga.locator('.group:not(.group-alone)')).toHaveCount(2);
    await expect(varga.locator('.group', { hasText: 'Amara' })).toContainText('Zofia');
    await expect(amara.getByRole('heading', { name: /Group \d, with .*Zofia/ })).toBeVisible();
    await expect(amara).not.toHaveURL(before);
    await varga.getByLabel('Masks instead of names').check();
    await amara.reload();
    await expect(amara.getByRole('heading', { name: /Group \d, with Classmate \d, Classmate \d/ })).toBeVisible();
  });

  await test.step('dissolved, and everybody has their own board with their own work; undone, and the groups are back with theirs', async () => {
    await varga.getByRole('button', { name: 'Dissolve all' }).click();
  await varga.getByRole('dialog').getByRole('button', { name: 'Dissolve all' }).click();
    await expect(marks(amara)).toHaveText([TITLE, 'Note, yours: My own first idea']);
    await expect(amara.getByRole('heading', { name: 'What holds a bridge up?', exact: true })).toBeVisible();
    for (let i = 0; i < 2; i++) await varga.getByRole('button', { name: 'Undo' }).click();
    await expect(group(varga, 'Arches').locator('.person')).toHaveText([/Amara/]);
    await expect(marks(amara)).toHaveText([TITLE, /An arch pushes/]);
    await expect(marks(maya)).toHaveText([TITLE, /^Drawing, by [^:]+$/]);
  });
  for (const page of [varga, ...pupils]) expect(page.problems).toEqual([]);
});

test('a name that the teacher is typing for a group stays when somebody comes in', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  await varga.getByRole('link', { name: 'Groups' }).click();
  await person(varga, 'Maya').click();
  await varga.getByRole('button', { name: 'Make them a group' }).click();
  await expect(maya.getByRole('heading', { name: /Group 1/ })).toBeVisible();
  const name = varga.getByLabel('Name of the group');
  await name.selectText();
  await name.pressSequentially('Arch');
  await student(browser, code, 'Ben');
  await expect(person(varga, 'Ben')).toBeVisible();
  await expect(name).toHaveValue('Arch');
  await name.pressSequentially('es');
  await name.press('Enter');
  await expect(maya.getByRole('heading', { name: /Arches/ })).toBeVisible();
});

test('at a door that asks students wait until they are let in, and who is taken out comes back only if let in', async ({ browser }) => {
  test.slow();
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga, { door: 'Ask' });
  const arrive = async (name) => {
    const page = await student(browser, code, name, {}, false);
    await expect(page.getByRole('heading', { name: `${name}, you are at the door` })).toBeVisible();
    return page;
  };
  const maya = await arrive('Maya');
  const ben = await arrive('Ben');
  const needs = varga.locator('.needs li');
  await expect(needs).toHaveText([/Maya.*At the door/s, /Ben.*At the door/s]);
  await needs.first().getByRole('button', { name: 'Let in' }).click();
  await kept(maya);
  await needs.first().getByRole('button', { name: 'Turn away' }).click();
  await expect(ben.getByRole('heading', { name: 'Ben, your teacher has not let you in' })).toBeVisible();
  await ben.getByRole('button', { name: 'Ask to come in' }).click();
  await expect(needs).toHaveText([/Ben.*At the door/s]);
  await needs.first().getByRole('button', { name: 'Let in' }).click();
  await kept(ben);

  await writeNote(maya, 'The piers carry it');
  await kept(maya);
  await varga.getByRole('link', { name: 'Groups' }).click();
  await person(varga, 'Maya').click();
  await varga.getByRole('button', { name: 'Take out of the lesson' }).first().click();
  await varga.getByRole('dialog').getByRole('button', { name: 'Take out of the lesson' }).click();
  await expect(maya.getByRole('heading', { name: 'Maya, your teacher has taken you out of this lesson' })).toBeVisible();
  await maya.getByRole('button', { name: 'Ask to come in' }).click();
  await expect(maya.getByRole('heading', { name: 'Maya, you are at the door' })).toBeVisible();
  await varga.getByRole('link', { name: 'All boards' }).click();
  await needs.first().getByRole('button', { name: 'Let in' }).click();
  await kept(maya);
  await expect(marks(maya)).toHaveText([TITLE, 'Note, yours: The piers carry it']);

  // Taken out by mistake, and let in again from the list of those who are out, without being asked.
  await varga.getByRole('link', { name: 'Groups' }).click();
  await expect(varga.getByRole('heading', { name: 'Taken out' })).toBeHidden();
  await person(varga, 'Maya').click();
  await varga.getByRole('button', { name: 'Take out of the lesson' }).first().click();
  await varga.getByRole('dialog').getByRole('button', { name: 'Take out of the lesson' }).click();
  await expect(maya.getByRole('heading', { name: 'Maya, your teacher has taken you out of this lesson' })).toBeVisible();
  await varga.getByRole('button', { name: 'Let in again: Maya' }).click();
  await expect(person(varga, 'Maya')).toBeVisible();
  await expect(varga.getByRole('heading', { name: 'Taken out' })).toBeHidden();
  await maya.getByRole('button', { name: 'Ask to come in' }).click();
  await kept(maya);
  await expect(marks(maya)).toHaveText([TITLE, 'Note, yours: The piers carry it']);
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('who is let in while their page at the door is still loading gets to their board', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga, { door: 'Ask' });
  const ben = await visitor(browser);
  let release;
  const letIn = new Promise((resolve) => (release = resolve));
  await ben.route(/snapshot|negotiate/, async (route) => {
    await letIn;
    await route.continue();
  });
  await ben.goto(`/join/${code}`);
  await ben.getByLabel('Your name').fill('Ben');
  await ben.getByRole('button', { name: 'Go to my board' }).click();
  await expect(ben.getByRole('heading', { name: 'Ben, you are at the door' })).toBeVisible();
  await varga.locator('.needs li').first().getByRole('button', { name: 'Let in' }).click();
  await expect(varga.locator('.tile strong')).toHaveText(['Ben']);
  release();
  await kept(ben);
  expect(ben.problems).toEqual([]);
});

test('who is put into a group goes there once, however many rooms tell it', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const maya = await student(browser, await handOut(varga), 'Maya');
  await kept(maya);
  let release;
  const bothTold = new Promise((resolve) => (release = resolve));
  await maya.route(/my-place/, async (route) => {
    await bothTold;
    await route.continue();
  });
  const goings = [];
  maya.on('request', (request) => request.isNavigationRequest() && goings.push(request.url()));
  const boards = await varga.context().newPage();
  await boards.goto(varga.url());
  await expect(boards.locator('.tile')).toHaveCount(1);
  await varga.getByRole('link', { name: 'Groups' }).click();
  await person(varga, 'Maya').click();
  // It is asked for anew when everybody's place is settled: then all rooms have told.
  const settled = boards.waitForRequest(/people\.json/);
  await varga.getByRole('button', { name: 'Make them a group' }).click();
  await settled;
  await expect(maya.locator('.kept')).toHaveText('Going to your board ...');
  release();
  await expect(maya.getByRole('heading', { name: /Group 1/ })).toBeVisible();
  await kept(maya);
  expect(goings).toHaveLength(1);
  expect(maya.problems).toEqual([]);
});

test('what a student writes without a network on a board of which they are taken is kept for the teacher', async ({ browser }) => {
  test.slow();
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  await varga.getByRole('link', { name: 'Groups' }).click();
  await person(varga, 'Maya').click();
  await varga.getByRole('button', { name: 'Make them a group' }).click();
  await expect(maya.getByRole('heading', { name: /Group 1/ })).toBeVisible();
  await kept(maya);
  await maya.context().setOffline(true);
  await expect(maya.locator('.kept')).toContainText('Kept on this device', { timeout: 30_000 });
  await writeNote(maya, 'Written too late');
  await group(varga, 'Group 1').getByRole('button', { name: 'Dissolve' }).click();
  await expect(varga.locator('.group')).toHaveCount(1);
  await maya.context().setOffline(false);
  await kept(maya);
  await expect(marks(maya)).toHaveText([TITLE]);
  await varga.getByRole('button', { name: 'Undo' }).click();
  await varga.getByRole('link', { name: 'All boards' }).click();
  await varga.getByRole('button', { name: 'Look at it' }).click();
  await varga.getByRole('dialog').getByRole('button', { name: 'Add it' }).click();
  await expect(marks(maya)).toHaveText([TITLE, 'Note, yours: Written too late']);
});

test('students look at other boards and at the teacher\'s own when the teacher says so, and write on none of them', async ({ browser }) => {
  test.slow();
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  await writeNote(ben, 'Beams bend');
  await kept(ben);
  await expect(maya.getByRole('link', { name: 'Other boards' })).toBeHidden();
  await varga.getByRole('link', { name: 'My own board' }).click();
  await kept(varga);
  await writeNote(varga, 'Look at this one');
  await kept(varga);
  await varga.getByRole('link', { name: 'All boards' }).click();
  await varga.getByRole('link', { name: 'Groups' }).click();
  await varga.getByLabel('They may look at the other boards').check();
  await varga.getByLabel('They may look at my own board').check();
  await maya.getByRole('link', { name: 'Other boards' }).click();
  await maya.getByRole('link', { name: 'Ben' }).click();
  await expect(marks(maya)).toHaveText([TITLE, /Beams bend/]);
  await expect(maya.locator('.kept')).toHaveText('You are looking. Nothing can be written here.');
  await writeNote(ben, 'And break');
  await expect(marks(maya)).toHaveText([TITLE, /Beams bend/, /And break/]);
  await maya.getByRole('link', { name: 'My board' }).click();
  await maya.getByRole('link', { name: 'Other boards' }).click();
  await maya.getByRole('link', { name: "Your teacher's board" }).click();
  await expect(marks(maya)).toHaveText([TITLE, /Look at this one/]);
  await varga.getByLabel('They may look at my own board').uncheck();
  await expect(maya.getByRole('heading', { name: 'What holds a bridge up?' })).toBeVisible();
  await kept(maya);
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('who may look no longer, before their page was connected, is sent home', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const maya = await student(browser, await handOut(varga), 'Maya');
  await varga.getByRole('link', { name: 'Groups' }).click();
  await varga.getByLabel('They may look at my own board').check();
  await maya.getByRole('link', { name: 'Other boards' }).click();
  let letThrough;
  const free = new Promise((resolve) => (letThrough = resolve));
  await maya.route(/negotiate/, async (route) => {
    await free;
    await route.continue();
  });
  await maya.getByRole('link', { name: "Your teacher's board" }).click();
  await expect(marks(maya)).toHaveText([TITLE]);
  const board = maya.url();
  const rights = async () => (await maya.request.get(board, { maxRedirects: 0 })).status();
  expect(await rights()).toBe(200);
  await varga.getByLabel('They may look at my own board').uncheck();
  await expect.poll(rights).toBe(302);
  letThrough();
  await expect(maya.getByRole('heading', { name: 'What holds a bridge up?' })).toBeVisible();
  await kept(maya);
});
