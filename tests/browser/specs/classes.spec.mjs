import { expect, test } from '@playwright/test';
import { design, kept, marks, student, teacher, usable, visitor, writeNote } from './people.mjs';

test('a class list is pasted, mended and handed out to; groups are made before anybody has come, and each comes straight to theirs', async ({ browser }) => {
  test.slow();
  const varga = await teacher(browser);
  await varga.getByRole('link', { name: 'Class lists' }).click();
  await varga.getByLabel('Name of the class').fill('7 Amber');
  await varga.getByLabel('People, a line for each').fill('7, Amara Nwosu\n7, Ben\n9, Maya');
  await varga.getByRole('button', { name: 'Keep the list' }).click();
  await expect(varga.getByRole('alert')).toContainText('Line 2: the number 7 stands there twice.');
  await expect(varga.getByLabel('People, a line for each')).toHaveValue('7, Amara Nwosu\n7, Ben\n9, Maya');
  await varga.getByLabel('People, a line for each').fill('7, Amara Nwosu\n8, Ben\n9, Maya');
  await varga.getByRole('button', { name: 'Keep the list' }).click();
  await expect(varga.getByRole('heading', { name: '3 people' })).toBeVisible();

  await design(varga);
  await varga.getByRole('link', { name: 'Hand out' }).click();
  await varga.getByLabel('Class list').selectOption('7 Amber, 3 people');
  await varga.getByLabel('By group').check();
  await varga.getByRole('button', { name: 'Hand out' }).click();
  const code = (await varga.locator('a[href$="/code"]').textContent()).trim();
  const person = (name) => varga.locator('.person', { hasText: name });
  await expect(varga.locator('.person small:visible')).toHaveCount(3);
  await person('Amara').click();
  await person('Maya').click();
  await varga.getByRole('button', { name: 'Make them a group' }).click();
  await expect(varga.getByRole('article', { name: 'Group 1' }).locator('.person')).toHaveCount(2);

  await varga.getByRole('link', { name: 'All boards' }).click();
  await expect(varga.getByText('Nobody has joined yet.')).toBeVisible();
  await varga.getByRole('link', { name: 'Groups' }).click();

  const come = async (typed, comesIn = true) => {
    const page = await student(browser, code, typed, {}, false, 'Your name or your number');
    if (comesIn) await kept(page);
    return page;
  };
  const amara = await come('7');
  const maya = await come('maya');
  await expect(amara.getByRole('heading', { name: 'What holds a bridge up? · Group 1, with Maya' })).toBeVisible();
  await writeNote(maya, 'Arches push');
  await expect(marks(amara)).toHaveText([/^Text/, /Arches push/]);
  await expect(varga.locator('.person small:visible')).toHaveCount(1);
  const leif = await come('Leif', false);
  await expect(leif.getByRole('heading', { name: 'Leif, you are at the door' })).toBeVisible();
  const twice = await come('9', false);
  await expect(twice.getByRole('alert')).toContainText('Somebody has already come in as “9”');
  for (const page of [varga, amara, maya, leif, twice]) expect(page.problems).toEqual([]);
});

test('a class list from a file, a password, and number and name that must belong together', async ({ browser }) => {
  const varga = await teacher(browser);
  await varga.getByRole('link', { name: 'Class lists' }).click();
  await varga.getByLabel('Name of the class').fill('7 Amber');
  const list = '\ufeffNumber;Name;Level\r\n7;Zoë Müller;3\r\n8;Ben Okafor;1\r\n';
  await varga.getByLabel('Or a file (CSV, text, or OneRoster zip)').setInputFiles({ name: '7-amber.csv', mimeType: 'text/csv', buffer: Buffer.from(list) });
  await varga.getByRole('button', { name: 'Keep the list' }).click();
  await expect(varga.getByRole('heading', { name: '2 people' })).toBeVisible();

  await design(varga);
  await varga.getByRole('link', { name: 'Hand out' }).click();
  await varga.getByLabel('Class list').selectOption('7 Amber, 2 people');
  await varga.getByText('Password, numbers and names').click();
  await varga.getByLabel('With their number and their name').check();
  await varga.getByLabel('Password, if you wish').fill('over the brook');
  await expect(varga.locator('.ready')).toContainText('so nobody takes a classmate’s place by mistake');
  await varga.getByRole('button', { name: 'Hand out' }).click();
  const code = await varga.locator('[data-code]').getAttribute('data-code');

  const zoe = await visitor(browser, { viewport: { width: 390, height: 844 } });
  await zoe.goto(`/join/${code}`);
  const goIn = async (number, name, password) => {
    await zoe.getByLabel('Your number').fill(number);
    await zoe.getByLabel('Your name').fill(name);
    await zoe.getByLabel('Password of this lesson').fill(password);
    await zoe.getByRole('button', { name: 'Go to my board' }).click();
  };
  await goIn('8', 'Zoë Müller', 'over the brook');
  await expect(zoe.getByRole('alert')).toHaveText('That number and that name do not belong together. Check both, or ask your teacher.');
  await expect(zoe.getByLabel('Your name')).toHaveValue('Zoë Müller');
  await goIn('7', 'zoe muller', 'over the hill');
  await expect(zoe.getByRole('alert')).toHaveText('That is not the password of this lesson. Ask your teacher.');
  await goIn('7', 'zoe muller', 'over the brook');
  await kept(zoe);
  await varga.getByRole('link', { name: 'Watch the boards' }).click();
  await expect(varga.locator('.tile')).toHaveText(/Zoë Müller/);
  for (const page of [varga, zoe]) expect(page.problems).toEqual([]);
});

test('a seating plan, by keyboard and by hand: in a lesson the boards stand where the children sit', async ({ browser }) => {
  const varga = await teacher(browser);
  await varga.getByRole('link', { name: 'Class lists' }).click();
  await varga.getByLabel('Name of the class').fill('7 Amber');
  await varga.getByLabel('People, a line for each').fill('Amara\nBen\nMaya');
  await varga.getByRole('button', { name: 'Keep the list' }).click();
  await varga.getByRole('link', { name: 'Seating plan' }).click();
  await usable(varga);
  await varga.getByLabel('Rows').fill('2');
  await varga.getByLabel('Seats in a row').fill('3');
  await varga.getByLabel('Seats in a row').blur();
  await varga.getByRole('button', { name: 'Seat everybody in order' }).click();
  const seat = (label) => varga.getByRole('button', { name: label, exact: true });
  await seat('Row 1, seat 1: Amara').press('Enter');
  await seat('Row 2, seat 3: empty').press('Enter');
  await seat('Row 2, seat 3: Amara').dragTo(seat('Row 1, seat 3: Maya'));
  await expect(seat('Row 1, seat 3: Amara')).toBeVisible();
  await expect(seat('Row 2, seat 3: Maya')).toBeVisible();
  await seat('Row 1, seat 2: Ben').click();
  await varga.getByRole('button', { name: 'Takes no seat' }).click();
  await varga.getByRole('button', { name: 'Keep the plan' }).click();
  await expect(varga.getByText('The plan is kept.')).toBeVisible();
  await expect(varga.getByRole('button', { name: 'Ben', exact: true })).toBeVisible();

  await design(varga);
  await varga.getByRole('link', { name: 'Hand out' }).click();
  await varga.getByLabel('Class list').selectOption('7 Amber, 3 people');
  await varga.getByRole('button', { name: 'Hand out' }).click();
  const code = await varga.locator('[data-code]').getAttribute('data-code');
  await varga.getByRole('link', { name: 'Watch the boards' }).click();
  for (const name of ['Ben', 'Maya', 'Amara']) await kept(await student(browser, code, name, {}, false, 'Your name or your number'));
  await expect(varga.locator('.tile')).toHaveCount(3);
  const place = (name) =>
    varga.locator('.tile-place', { hasText: name }).evaluate((t) => [getComputedStyle(t).gridRowStart, getComputedStyle(t).gridColumnStart]);
  expect(await place('Amara')).toEqual(['1', '3']);
  expect(await place('Maya')).toEqual(['2', '3']);
  expect(await place('Ben')).toEqual(['3', '1']);
  expect(varga.problems).toEqual([]);
});

test('who is on the list and has just come is seen, even if the first answer is older than their coming', async ({ browser }) => {
  const varga = await teacher(browser);
  await varga.getByRole('link', { name: 'Class lists' }).click();
  await varga.getByLabel('Name of the class').fill('7 Amber');
  await varga.getByLabel('People, a line for each').fill('Amara\nBen');
  await varga.getByRole('button', { name: 'Keep the list' }).click();
  await design(varga);
  await varga.getByRole('link', { name: 'Hand out' }).click();
  await varga.getByLabel('Class list').selectOption('7 Amber, 2 people');
  await varga.getByRole('button', { name: 'Hand out' }).click();
  const code = await varga.locator('[data-code]').getAttribute('data-code');
  const people = varga.waitForResponse(/people\.json/);
  await varga.getByRole('link', { name: 'Watch the boards' }).click();
  const before = await (await people).text();
  await expect(varga.getByText('Nobody has joined yet')).toBeVisible();
  await varga.route(/people\.json/, (route) => route.fulfill({ contentType: 'application/json', body: before }), { times: 1 });
  await kept(await student(browser, code, 'Ben', {}, false, 'Your name or your number'));
  await expect(varga.locator('.tile strong')).toHaveText(['Ben']);
  expect(varga.problems).toEqual([]);
});
