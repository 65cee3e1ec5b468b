// A whole lesson at once: a teacher, a co-teacher, a big screen, and six students, of whom one is on a phone.
import { expect, test } from '@playwright/test';
import { design, draw, handOut, kept, marks, student, teacher, visitor } from './people.mjs';

const NAMES = ['Maya', 'Ben', 'Noor', 'Mira', 'Jonas', 'Oona'];
const phone = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true };
const tile = (page, name) => page.locator('.tile-place', { hasText: name });

test('a teacher and a co-teacher lead a class of six through thinking, showing and talking, before a big screen', async ({ browser }) => {
  test.setTimeout(180_000);
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const students = {};
  for (const name of NAMES) students[name] = await student(browser, code, name, name === 'Oona' ? phone : {});
  const all = Object.values(students);
  await expect(varga.locator('.tile')).toHaveCount(6);

  // A colleague opens the invitation and sees the same.
  const lesson = new URL(varga.url()).pathname;
  const helpers = await varga.context().newPage();
  await helpers.goto(lesson.replace('/lesson/', '/helpers/'));
  await helpers.getByLabel('E-mail addresses').fill('Tobi Adeyemi <adeyemi@ostlebrook.example>');
  await helpers.getByRole('button', { name: 'Invite' }).click();
  await helpers.locator('summary', { hasText: 'The link' }).click();
  const link = await helpers.getByLabel('The link, to pass on yourself').inputValue();
  const adeyemi = await teacher(browser);
  await adeyemi.goto(link);
  await adeyemi.getByRole('button', { name: 'Accept' }).click();
  await adeyemi.goto(lesson);
  await expect(adeyemi.locator('.tile')).toHaveCount(6);

  const address = await varga.locator('a[target="yardang-screen"]').getAttribute('href');
  const screen = await visitor(browser, { viewport: { width: 1920, height: 1080 } });
  await screen.goto(address);

  // Thinking, each for themselves: the colleague begins it, all have it, and the big screen has its clock.
  await adeyemi.locator('.phase-now').click();
  await adeyemi.getByRole('dialog').getByLabel('Think').check();
  await adeyemi.getByRole('dialog').getByRole('button', { name: 'Begin' }).click();
  for (const page of all) await expect(page.locator('.phase-line').first()).toBeVisible();
  await varga.locator('footer summary', { hasText: 'More' }).click();
  await varga.getByRole('button', { name: 'Private until shown' }).click();
  await varga.getByLabel('Nobody else until they show it; you see it').check();
  await varga.getByRole('button', { name: 'This holds now' }).click();
  await Promise.all(all.map((page) => draw(page)));
  for (const page of all) await kept(page);
  for (const page of [varga, adeyemi]) for (const name of NAMES) await expect(tile(page, name).getByText('just now')).toBeVisible();

  // Four show their work; both teachers see who has and who has not.
  for (const name of ['Maya', 'Ben', 'Noor', 'Oona']) await students[name].getByRole('button', { name: 'Show it', exact: true }).click();
  for (const page of [varga, adeyemi]) {
    await expect(page.getByText('4 of 6 show their work')).toBeVisible();
    await expect(tile(page, 'Mira').getByText('shown')).toBeHidden();
  }

  // What two of them did goes before the class, without names; of one who has not shown it, nothing.
  await varga.getByRole('button', { name: 'Pick', exact: true }).click();
  for (const name of ['Maya', 'Oona', 'Mira']) await varga.getByRole('button', { name, exact: true }).click();
  await varga.locator('footer summary', { hasText: 'More' }).click();
  await varga.getByRole('button', { name: 'Big screen' }).click();
  await varga.getByRole('button', { name: 'The works of those picked' }).click();
  await expect(screen.locator('.big-works img')).toHaveCount(2);
  for (const name of NAMES) await expect(screen.getByText(name)).toHaveCount(0);
  await varga.getByRole('dialog').getByRole('button', { name: 'Close' }).click();

  // The one whose work is not shown loses the network, and writes on; boards go up meanwhile.
  await students.Mira.context().setOffline(true);
  await draw(students.Mira, [0.2, 0.6], [0.5, 0.7]);
  await varga.getByRole('button', { name: 'Nobody picked' }).click();
  await varga.getByRole('button', { name: 'Boards up' }).click();
  await expect(adeyemi.getByText('All boards are up')).toBeVisible();
  await expect(screen.locator('.big-works img')).toHaveCount(3);
  await students.Mira.context().setOffline(false);
  await kept(students.Mira);
  await expect(marks(students.Mira)).toHaveCount(3);
  // Thinking goes on for now: the class sees it when that is over.
  await expect(students.Mira.getByText('The class sees this when the time to think is over')).toBeVisible();
  await expect(students.Ben.getByRole('link', { name: 'Other boards' })).toBeHidden();
  await adeyemi.locator('.phase-now').click();
  await adeyemi.getByRole('dialog').getByRole('button', { name: 'End it', exact: true }).click();
  await expect(students.Mira.getByText('Boards are up: the class can see this')).toBeVisible();
  await expect(students.Ben.getByRole('link', { name: 'Other boards' })).toBeVisible();
  for (const page of [varga, adeyemi, screen, ...all]) expect(page.problems).toEqual([]);
});
