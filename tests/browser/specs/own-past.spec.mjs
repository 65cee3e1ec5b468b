// A student looks back at how their own board came to be, where the teacher lets them; and at nobody else's.
import { expect, test } from '@playwright/test';
import { design, draw, handOut, kept, student, teacher, writeNote } from './people.mjs';
import { noBarrier } from './barriers.mjs';

const picture = async (page, name) => process.env.PICTURES && page.screenshot({ path: `/tmp/p/${name}.png` });
const steps = (page) => page.locator('[data-steps] .step');

test('as soon as the teacher lets them, students look back at their own boards, on a phone too, and go on where they were', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben', { viewport: { width: 390, height: 844 } });
  await draw(maya);
  await writeNote(maya, 'The arch carries it');
  await kept(maya);
  await draw(ben);
  await kept(ben);
  const link = (page) => page.getByRole('link', { name: 'How it came to be' });
  await expect(link(maya)).toBeHidden();

  const desk = await varga.context().newPage();
  await desk.goto(`/lesson/${varga.url().split('/lesson/')[1].slice(0, 36)}/people`);
  await desk.getByLabel('They may look back at how their own board came to be').check();
  await expect(link(maya)).toBeVisible();
  await picture(maya, 'own-past-link');
  await picture(ben, 'own-past-link-phone');
  await link(maya).click();
  await expect(steps(maya)).toHaveCount(2);
  await expect(steps(maya).last()).toContainText('The arch carries it');
  await expect(maya.getByRole('button', { name: 'Restore' })).toHaveCount(0);
  await picture(maya, 'own-past');
  await noBarrier(maya);
  await maya.keyboard.press('Home');
  await maya.keyboard.press('ArrowRight');
  await expect(maya.getByLabel('Moment')).toHaveAttribute('aria-valuetext', /drew/);

  // What the teacher writes there meanwhile is at the end.
  await varga.getByRole('link', { name: /^Maya/ }).first().click();
  await kept(varga);
  await writeNote(varga, 'Why does it?');
  await expect(steps(maya).last()).toContainText('Why does it?');
  await maya.getByRole('link', { name: 'My board' }).click();
  await kept(maya);
  await writeNote(maya, 'Because it pushes');

  await link(ben).click();
  await expect(steps(ben)).toHaveCount(1);
  await picture(ben, 'own-past-phone');
  await noBarrier(ben);

  // Taken back, it is over at once.
  await desk.getByLabel('They may look back at how their own board came to be').uncheck();
  await expect(link(maya)).toBeHidden();
  await ben.reload();
  await expect(ben.locator('[data-surface]')).toBeVisible();
  await expect(link(ben)).toBeHidden();
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('a family asks what is kept of their child: the teacher reads it on one page, takes it along, and erases it for good', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  await draw(maya);
  await writeNote(maya, 'The arch carries it');
  await kept(maya);
  await varga.goto(`/lesson/${varga.url().split('/lesson/')[1].slice(0, 36)}/people`);
  await varga.getByRole('button', { name: /Maya/ }).first().click();
  await varga.getByRole('link', { name: 'What is kept of them' }).click();
  await expect(varga.getByRole('heading', { level: 1 })).toHaveText('What is kept of Maya');
  await expect(varga.getByText('The arch carries it')).toBeVisible();
  await expect(varga.getByText('2 steps of theirs are in its history.')).toBeVisible();
  await picture(varga, 'person-kept');
  await noBarrier(varga);
  const zip = varga.waitForEvent('download');
  await varga.getByRole('link', { name: 'Take it all along (ZIP)' }).click();
  expect((await zip).suggestedFilename()).toMatch(/^Maya .*\.zip$/);

  // And then that it is erased: not by mistake, and for good; whoever works there is out.
  await varga.getByLabel('To make sure, type the name: Maya').fill('Ben');
  await varga.getByRole('button', { name: 'Erase it for good' }).click();
  await expect(varga.getByRole('alert')).toHaveText('That is not their name. Nothing was erased.');
  await picture(varga, 'person-erase');
  await varga.getByLabel('To make sure, type the name: Maya').fill('Maya');
  await varga.getByRole('button', { name: 'Erase it for good' }).click();
  await expect(varga.getByRole('status').filter({ hasText: 'was erased for good' })).toBeVisible();
  await expect(varga.getByRole('heading', { level: 1 })).toHaveText('What is kept of Somebody who has left');
  await expect(varga.getByText('The arch carries it')).toHaveCount(0);
  await expect(maya.locator('[data-surface]')).toHaveCount(0);
  await picture(maya, 'erased-student');
  for (const page of [varga, maya]) expect(page.problems).toEqual([]);
});
