// The pictures in docs/screenshots, from the demo data, paused at the end of its script, with a clock that stands still.
import { expect, test } from '@playwright/test';
import { contactSheet, piece } from './contact-sheet.mjs';

const folder = '../../docs/screenshots';
const now = new Date('2026-11-23T10:20:30Z');

async function page(browser, options) {
  const context = await browser.newContext(options);
  const opened = await context.newPage();
  await opened.clock.setFixedTime(now);
  return opened;
}

const shot = async (opened, name) => {
  await opened.evaluate(() => document.fonts.ready);
  await opened.screenshot({ path: `${folder}/${name}.png`, animations: 'disabled' });
};

const sheet = (browser, name, rows) => contactSheet(browser, `${folder}/${name}.png`, rows);

/** Ms Varga at her desk, once the simulated class has done its work. */
async function signedIn(browser) {
  const varga = await page(browser);
  await expect(async () => {
    await varga.goto('/sign-in');
    await varga.getByLabel('E-mail address').fill('varga@ostlebrook.example');
    await varga.getByLabel('Password').fill('bridge-over-brook');
    await varga.getByRole('button', { name: 'Sign in' }).click();
    await varga.goto('/dev/class');
    await expect(varga.getByText('The class is paused.')).toBeVisible({ timeout: 1000 });
  }).toPass({ timeout: 150_000 });
  return varga;
}

test('the workshop, the lesson and the boards', async ({ browser }) => {
  const varga = await signedIn(browser);
  await varga.goto('/desk');
  await shot(varga, 'desk');
  await varga
    .locator('.row', { hasText: 'What holds a bridge up?' })
    .getByRole('link', { name: 'Open in the workshop' })
    .first()
    .click();
  await expect(varga.locator('.kept')).toHaveText('Kept');
  await shot(varga, 'workshop');
  await varga.locator('.ledge-tools').getByRole('button', { name: 'Choose' }).click();
  await varga.keyboard.press('Control+a');
  await expect(varga.locator('.chosen')).toBeVisible();
  await shot(varga, 'workshop-chosen');
  await varga.getByRole('link', { name: 'Hand out' }).click();
  await shot(varga, 'hand-out');
  await varga.goto('/desk');
  await varga
    .locator('.row', { hasText: 'Triangles in trusses' })
    .getByRole('link', { name: 'Open in the workshop' })
    .click();
  await expect(varga.locator('.kept')).toHaveText('Kept');
  await varga.getByRole('button', { name: 'Organizers' }).click();
  await varga.getByRole('button', { name: 'Two circles (Venn diagram)' }).click();
  const organizers = await piece(varga);
  await varga.goto('/new');
  await expect
    .poll(() => varga.locator('.template img').evaluateAll((all) => all.slice(0, 6).every((i) => i.naturalWidth > 0)))
    .toBe(true);
  await sheet(browser, 'beginnings', [[await piece(varga), organizers]]);
  await varga.goto('/desk');
  const lessons = varga.locator('section', { has: varga.getByRole('heading', { name: 'Lessons' }) });
  await lessons.getByRole('link', { name: 'Where would you build it?', exact: true }).click();
  await varga.locator('.tile').first().click();
  await expect(varga.locator('.kept')).toHaveText('Kept');
  await varga.getByLabel(/answers: Floods in spring!/).click();
  await expect(varga.locator('#talk').getByText('How high does the brook come?')).toBeVisible();
  await varga.getByRole('button', { name: 'Who wrote what' }).click();
  const together = await piece(varga);
  await varga.goto('/desk');
  await lessons.getByRole('link', { name: 'Load test log', exact: true }).click();
  const log = varga.url();
  await varga.locator('.tile').nth(3).click();
  await expect(varga.locator('.kept')).toHaveText('Kept');
  await varga.getByRole('button', { name: 'On', exact: true }).click();
  await varga.getByRole('button', { name: 'On', exact: true }).click();
  await expect(varga.getByRole('button', { name: /^Open: Film/ })).toBeVisible();
  await varga.getByRole('button', { name: 'Attach', exact: true }).click();
  const film = await piece(varga);
  await varga.getByRole('button', { name: /^Open: Film/ }).click();
  await expect(varga.locator('dialog[data-shown] film-player')).toBeVisible();
  await sheet(browser, 'together', [[together], [film, await piece(varga)]]);
  await varga.goto(log);
  await varga.getByRole('link', { name: 'Groups' }).click();
  for (const nth of [0, 1, 2]) {
    for (const member of [0, 1, 2, 3]) await varga.locator('.group-alone .person').nth(member).click();
    await varga.getByRole('button', { name: 'Make them a group' }).click();
    await expect(varga.locator('.group:not(.group-alone)')).toHaveCount(nth + 1);
  }
  for (const member of [0, 4]) await varga.locator('.group-alone .person').nth(member).click();
  await shot(varga, 'groups');
  await varga.getByRole('link', { name: 'All boards' }).click();
  await expect(varga.locator('.tile')).toHaveCount(15);
  await expect
    .poll(() => varga.locator('.tile canvas').evaluateAll((c) => c.every((x) => x.height > 50 && x.height !== 150)))
    .toBe(true);
  await shot(varga, 'circulate-groups');
  await varga.goto('/desk');
  await lessons.getByRole('link', { name: 'What holds a bridge up?', exact: true }).click();
  await expect(varga.locator('.tile')).toHaveCount(24);
  await expect(varga.locator('.tile small').last()).not.toHaveText('');
  await expect(varga.getByText('Everybody can write')).toBeVisible();
  await expect
    .poll(() => varga.locator('.tile canvas').evaluateAll((c) => c.every((x) => x.height > 50 && x.height !== 150)))
    .toBe(true);
  await expect(varga.locator('.need').first()).toBeVisible();
  await shot(varga, 'circulate');
  const lesson = varga.url();
  await varga.locator('.tile').nth(3).click();
  await expect(varga.locator('.kept')).toHaveText('Kept');
  const beside = await piece(varga);
  await varga.getByRole('link', { name: 'How it came to be' }).first().click();
  await expect(varga.locator('[data-steps] .step').first()).toBeVisible();
  await varga.getByRole('button', { name: 'Whose is whose' }).click();
  await varga.getByRole('button', { name: 'Step back' }).click();
  await varga.evaluate(() => new Promise((done) => requestAnimationFrame(() => setTimeout(done))));
  await sheet(browser, 'sit-beside', [[beside, await piece(varga)]]);
  await varga.goto(`${lesson}/code`);
  const code = await varga.locator('[data-code]').getAttribute('data-code');
  await shot(varga, 'code');

  const visitor = await page(browser, { viewport: { width: 1280, height: 1120 } });
  await visitor.goto('/');
  await shot(visitor, 'front-door');

  const devices = [];
  for (const viewport of [
    { width: 1280, height: 800 },
    { width: 390, height: 844 },
    { width: 844, height: 390 },
    { width: 820, height: 1180 },
  ]) {
    const student = await page(browser, { viewport });
    await student.goto(`/join/${code}`);
    await student.getByLabel('Your name').fill('Maya Okafor');
    await student.getByRole('button', { name: 'Go to my board' }).click();
    await expect(student.locator('.kept')).toHaveText('Kept');
    const box = await student.locator('[data-surface]').boundingBox();
    const at = (x, y) => [box.x + box.width / 2 + x * box.width * 0.3, box.y + box.height / 2 + y * box.width * 0.1];
    await student.mouse.move(...at(-1, 0));
    await student.mouse.down();
    for (let i = -10; i <= 10; i++) await student.mouse.move(...at(i / 10, (i * i) / 100 - 1));
    await student.mouse.up();
    await student.getByRole('button', { name: 'Note', exact: true }).click();
    await student.getByRole('button', { name: 'Write here' }).click();
    await student.keyboard.type('The arch pushes against both banks');
    await student.keyboard.press('Escape');
    await expect(student.locator('.kept')).toHaveText('Kept');
    if (viewport.width === 1280) await shot(student, 'board');
    else devices.push(await piece(student));
    if (viewport.width === 390) {
      await student.getByRole('button', { name: 'Fold the tools away' }).click();
      await student.getByRole('button', { name: 'Read what is on the page' }).click();
      devices.push(await piece(student));
    }
    if (viewport.width !== 820) continue;
    await student.locator('.ledge-tools').getByRole('button', { name: 'Shape' }).click();
    devices.push(await piece(student));
    await student.getByLabel('Languages').click();
    await student.getByLabel('I read').selectOption('ar');
    await student.getByLabel('and beside it').selectOption('en');
    await student.getByLabel('Languages').click();
    await student.getByRole('button', { name: 'Pen', exact: true }).click();
    await student.getByRole('button', { name: 'Directions' }).click();
    devices.push(await piece(student));
  }
  const [upright, read, sideways, ...tablet] = devices;
  await sheet(browser, 'board-devices', [[upright, read, sideways], tablet]);

  await varga.goto(lesson);
  await varga.getByRole('link', { name: 'My own board' }).click();
  await expect(varga.locator('.kept')).toHaveText('Kept');
  await varga.getByRole('button', { name: 'Note', exact: true }).click();
  await varga.getByRole('button', { name: 'Write here' }).click();
  await varga.keyboard.type('What happens if the water rises?');
  await varga.keyboard.press('Escape');
  await varga.locator('.ledge-tools').getByRole('button', { name: 'Choose' }).click();
  await varga.getByRole('button', { name: 'All mine' }).click();
  await varga.getByRole('button', { name: 'Hand out', exact: true }).click();
  await varga.getByRole('button', { name: 'Hand it out' }).click();
  await expect(varga.getByText('4 of 28 screens')).toBeVisible();
  const late = await piece(varga);
  await varga.goto('/tray');
  await varga.locator('[data-things] li').filter({ hasText: 'footbridge' }).getByRole('button').click();
  await expect(varga.getByText('The word screen found something in this')).toBeVisible();
  await sheet(browser, 'late', [[late, await piece(varga)]]);
});

/** Places the first cards that are there. */
async function placeSome(student) {
  for (const at of [18, 64, 7]) {
    await student
      .locator('.off-line')
      .getByRole('button', { name: /^Place it/ })
      .first()
      .click();
    await student.locator('[data-placing]').fill(String(at));
    await student.getByRole('button', { name: 'Put it here' }).click();
  }
}

test('a wall: the teacher, the workshop, students on three devices; a lesson of several parts, answers', async ({
  browser,
}) => {
  const varga = await signedIn(browser);
  await varga.goto('/desk');
  await varga
    .locator('.row', { hasText: 'What we know about bridges' })
    .getByRole('link', { name: 'Open in the workshop' })
    .click();
  await expect(varga.locator('.kept')).toHaveText('Kept');
  const workshop = await piece(varga);
  await varga.goto('/desk');
  const lessons = varga.locator('section', { has: varga.getByRole('heading', { name: 'Lessons' }) });
  await lessons.getByRole('link', { name: 'What we know about bridges', exact: true }).click();
  await expect(varga.locator('.tile-topic')).toHaveCount(5);
  const numbers = await piece(varga);
  await varga.locator('.topline a[href$="/code"]').click();
  const code = await varga.locator('[data-code]').getAttribute('data-code');
  await varga.goBack();
  await varga.getByText('Open the wall').click();
  await expect(varga.locator('.kept')).toHaveText('Kept');
  await expect(varga.locator('.wall-person').first()).toBeVisible();
  const students = [];
  for (const viewport of [
    { width: 1280, height: 800 },
    { width: 820, height: 1180 },
    { width: 390, height: 844 },
  ]) {
    const student = await page(browser, { viewport });
    await student.goto(`/join/${code}`);
    await student.getByLabel('Your name').fill('Maya Okafor');
    await student.getByRole('button', { name: 'Go to my board' }).click();
    await expect(student.locator('.kept')).toHaveText('Kept');
    await student.getByLabel('Write here, under Materials').fill('Paper holds more than you think, if it is folded');
    students.push(await piece(student));
  }
  const wall = await piece(varga);

  // A lesson of three parts, and what is said to a card in the second.
  await varga.goto('/desk');
  await lessons.getByRole('link', { name: 'How does the load reach the ground?', exact: true }).click();
  await expect(varga.locator('.tile')).toHaveCount(24);
  const drawn = (all) =>
    all.filter((c) =>
      c.width > 0 &&
      c
        .getContext('2d')
        .getImageData(0, 0, c.width, c.height)
        .data.some((v) => v > 0),
    ).length;
  await expect.poll(() => varga.locator('.tile canvas').evaluateAll(drawn)).toBeGreaterThan(17);
  await expect(varga.getByText('Nobody has joined yet')).toBeHidden();
  const parts = await piece(varga);
  await varga.getByRole('link', { name: /2\. Best ideas/ }).click();
  await varga.getByText('Open the wall').click();
  await varga
    .getByRole('button', { name: /^\d answers?:/ })
    .first()
    .click();
  await varga.locator('[data-answering]').fill('Look at how the banks are built');
  const answered = await piece(varga);

  // The other purposes: asking, visiting, ordering and connecting, the teacher's and on a phone.
  const asked = [];
  const recorded = [];
  for (const [name, words] of [
    ['Bridge questions', 'how do bridges get tired'],
    ['Bridge gallery', 'The load goes into the pillar'],
    ['Which bridge first?', ''],
    ['From load to ground', 'The parapet'],
  ]) {
    await varga.goto('/desk');
    await lessons.getByRole('link', { name, exact: true }).click();
    const joins = (await varga.getByRole('link', { name: /^[A-Z0-9]{4} [A-Z0-9]{4}$/ }).innerText()).replace(' ', '');
    await varga.getByText('Open the wall').click();
    await expect(varga.locator('.question, .station .slip, .on-line .order-slip, .field-card').first()).toBeVisible();
    if (name === 'Bridge questions') {
      const spoken = varga.locator('.question').filter({ has: varga.locator('.question-answer voice-player') });
      await spoken.evaluate((question) => question.scrollIntoView({ block: 'center' }));
    }
    if (name === 'Bridge gallery')
      await expect.poll(() => varga.locator('.station img.shown-picture').evaluate((i) => i.naturalWidth)).toBeGreaterThan(0);
    const student = await page(browser, { viewport: { width: 390, height: 844 } });
    await student.goto(`/join/${joins}`);
    await student.getByLabel('Your name').fill('Maya Okafor');
    await student.getByRole('button', { name: 'Go to my board' }).click();
    await expect(student.locator('.kept')).toHaveText('Kept');
    if (words) await student.getByRole('textbox').first().fill(words);
    else await placeSome(student);
    if (name === 'Bridge questions')
      await expect(student.locator('.like-asked')).toContainText('Do bridges get tired?');
    if (name === 'From load to ground') await varga.getByRole('button', { name: /^Deck, / }).click();
    asked.push(await piece(varga), await piece(student));
    if (name === 'Bridge gallery') recorded.push(await filming(student));
  }
  await sheet(browser, 'wall', [
    [wall, workshop],
    [parts, answered],
    asked.slice(0, 2),
    asked.slice(2, 4),
    asked.slice(4, 6),
    asked.slice(6),
    [...recorded, await kept(varga)],
    [numbers, ...students],
  ]);
});

/** With the camera that ships with the program. */
async function filming(student) {
  await student.locator('.making-menu > summary').first().click();
  await student.getByRole('button', { name: 'Make a film' }).click();
  const dialog = student.getByRole('dialog', { name: 'Make a film' });
  await dialog.getByRole('button', { name: 'Switch it on' }).click();
  await dialog.getByRole('button', { name: 'Record', exact: true }).click();
  await expect(dialog.locator('.recording-time strong')).toHaveText('0:02');
  const seen = await piece(student);
  await dialog.getByRole('button', { name: 'Leave it' }).click();
  return seen;
}

/** What takes room, and until when lessons are there. */
async function kept(varga) {
  await varga.goto('/keeping');
  return piece(varga);
}

test('class lists, the door, colleagues', async ({ browser }) => {
  const varga = await signedIn(browser);
  await varga.goto('/classes');
  await varga.getByRole('link', { name: '7 Amber' }).first().click();
  const classLists = [await piece(varga)];
  const list = varga.url();
  await varga.goto(`${list}/seats`);
  await varga.getByRole('button', { name: 'Seat everybody in order' }).click();
  await varga.getByRole('button', { name: /^Row 2, seat 3/ }).click();
  classLists.push(await piece(varga));
  await varga.goto(`${list}/rotation`);
  await varga.getByLabel('Keep apart').fill('3, 7');
  await varga.locator('main form button').click();
  await varga.locator('.rotation').scrollIntoViewIfNeeded();
  const rotation = await piece(varga);

  await varga.goto('/desk');
  await varga.locator('.row', { hasText: 'What holds a bridge up?' }).locator('a[href^="/hand-out/"]').first().click();
  await varga.getByLabel('Class list').selectOption({ index: 1 });
  await varga.getByText('Password, numbers and names').click();
  await varga.getByLabel('With their number and their name').check();
  await varga.getByRole('button', { name: 'Hand out' }).click();
  const code = await varga.locator('[data-code]').getAttribute('data-code');
  const lesson = varga.url().replace('/code', '');
  await sheet(browser, 'class-lists', [classLists, [rotation, await piece(varga)]]);

  const phone = { viewport: { width: 390, height: 844 } };
  const front = await page(browser, phone);
  await front.goto('/start');
  const door = [await piece(front)];
  const amara = await page(browser, phone);
  await amara.goto(`/join/${code}`);
  await amara.getByLabel('Your number').fill('2');
  await amara.getByLabel('Your name').fill('Amara Nwosu');
  await amara.getByRole('button', { name: 'Go to my board' }).click();
  await expect(amara.getByRole('alert')).toBeVisible();
  door.push(await piece(amara));
  await amara.getByLabel('Your number').fill('1');
  await amara.getByRole('button', { name: 'Go to my board' }).click();
  await expect(amara.locator('.kept')).toHaveText('Kept');
  await amara.getByLabel('My key').click();
  const key = await piece(amara);
  const guest = await page(browser, phone);
  await guest.goto(`/join/${code}`);
  await guest.getByLabel('Your number').fill('31');
  await guest.getByLabel('Your name').fill('Orla Penhallow');
  await guest.getByRole('button', { name: 'Go to my board' }).click();
  await expect(guest.getByRole('heading', { name: 'Orla Penhallow, you are at the door' })).toBeVisible();
  door.push(await piece(guest), key);
  await sheet(browser, 'coming-in', [door]);

  await varga.goto(`${lesson}/times`);
  const times = await piece(varga);
  await varga.goto(lesson.replace('/lesson/', '/helpers/'));
  await varga
    .getByLabel('E-mail addresses')
    .fill('Tobi Adeyemi <adeyemi@ostlebrook.example>, lindgarde@ostlebrook.example');
  await varga.getByRole('button', { name: 'Invite' }).click();
  await expect(varga.getByText('adeyemi@ostlebrook.example', { exact: true })).toBeVisible();
  const colleagues = [await piece(varga)];
  const adeyemi = await page(browser);
  await adeyemi.goto('/dev/outbox');
  await adeyemi.getByRole('link', { name: 'Open the link' }).first().click();
  colleagues.push(await piece(adeyemi));
  await varga.goto('/account');
  await sheet(browser, 'colleagues', [colleagues, [times, await piece(varga)]]);
});
