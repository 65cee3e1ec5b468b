// What a teacher locks, students read and choose, and change no more: a card, a topic, a wall, a page; and nothing that was written meanwhile is lost.
import { expect, test } from '@playwright/test';
import { noBarrier } from './barriers.mjs';
import { design, designWall, draw, handOut, kept, marks, student, teacher } from './people.mjs';

const slot = (page, topic) => page.getByLabel(`Write here, under ${topic}`, { exact: true });
const card = (page, words) => page.locator('.slip').filter({ hasText: words });
const picture = async (page, name) => process.env.PICTURES && page.screenshot({ path: `/tmp/p/${name}.png` });

async function putUp(page, topic, words) {
  await slot(page, topic).fill(words);
  await slot(page, topic).press('Control+Enter');
  await expect(card(page, words)).toHaveCount(1);
  await kept(page);
}

test('on a wall a card, a topic and all of it are locked; who writes on without a network loses nothing', async ({ browser }) => {
  const varga = await teacher(browser);
  await designWall(varga, 'Bridge questions', ['Materials', 'Forces']);
  const code = await handOut(varga, { way: 'Everybody together on one wall' });
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben', { viewport: { width: 390, height: 844 } });
  await putUp(maya, 'Forces', 'Arches push outwards');
  await putUp(maya, 'Materials', 'Stone is heavy');
  await varga.getByRole('link', { name: 'Open the wall' }).click();
  await kept(varga);

  await varga.getByRole('button', { name: 'Change the card: Arches push outwards' }).click();
  await varga.getByRole('button', { name: 'Lock', exact: true }).click();
  await expect(varga.getByRole('button', { name: 'Unlock', exact: true })).toBeVisible();
  await picture(varga, 'lock-card');
  await varga.getByRole('button', { name: 'Leave as it was', exact: true }).click();
  await expect(card(varga, 'Arches push outwards')).toContainText('Maya, locked');
  await expect(card(maya, 'Arches push outwards')).toContainText('locked');
  await expect(maya.getByRole('button', { name: 'Change the card: Arches push outwards' })).toHaveCount(0);
  await expect(maya.getByRole('button', { name: 'Change the card: Stone is heavy' })).toBeVisible();

  // While Maya is away the topic is locked: what she writes comes to the teacher, who lets it in.
  await maya.context().setOffline(true);
  await varga.locator('summary').filter({ hasText: 'Locking' }).click();
  await varga.getByLabel('Materials', { exact: true }).last().check();
  await expect(varga.locator('[data-topic]').first()).toContainText('Locked: students can read here, but not write.');
  await picture(varga, 'lock-topic');
  await slot(maya, 'Materials').fill('Steel is strong');
  await slot(maya, 'Materials').press('Control+Enter');
  await maya.context().setOffline(false);
  await expect(maya.locator('.kept')).toContainText('(1)', { timeout: 30_000 });
  await expect(slot(maya, 'Materials')).toHaveCount(0);
  await expect(maya.locator('[data-topic]').first()).toContainText('Your teacher has locked this');
  await picture(maya, 'lock-student');
  const circulate = await varga.context().newPage();
  await circulate.goto('/tray');
  const thing = circulate.getByLabel('What is looked at');
  await expect(thing).toContainText('It was written where you had locked');
  await expect(thing).toContainText('Steel is strong');
  await circulate.getByRole('button', { name: 'Add', exact: true }).first().click();
  await expect(card(maya, 'Steel is strong')).toHaveCount(1);
  await kept(maya);
  await circulate.close();

  await varga.getByLabel('The whole wall').check();
  await expect(ben.getByText('Your teacher has locked this wall: you can read it, but not change it.')).toBeVisible();
  await expect(ben.locator('textarea:visible')).toHaveCount(0);
  await picture(ben, 'lock-phone');
  await noBarrier(ben);
  await noBarrier(varga);
  await varga.getByLabel('The whole wall').uncheck();
  await varga.getByLabel('Materials', { exact: true }).last().uncheck();
  await putUp(maya, 'Materials', 'Wood bends');
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('on a board that several share a page is locked: nobody draws, rubs or undoes there, until it is free again', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga, { way: 'Everybody together' });
  const maya = await student(browser, code, 'Maya', { viewport: { width: 820, height: 1180 } });
  const ben = await student(browser, code, 'Ben');
  await draw(maya);
  const before = 2;
  for (const page of [maya, ben]) await expect(marks(page)).toHaveCount(before);
  await varga.locator('.tile').first().click();
  await kept(varga);
  await varga.locator('summary').filter({ hasText: 'This page' }).click();
  await varga.getByRole('button', { name: 'Lock this page for students' }).click();
  await expect(varga.getByText('This page is locked: students can read it, but not change it.')).toBeVisible();
  await picture(varga, 'lock-page-teacher');
  const sign = 'Your teacher has locked this page: you can read it, but not change it.';
  await expect(maya.getByText(sign)).toBeVisible();
  await picture(maya, 'lock-page');
  await draw(maya, [0.2, 0.45], [0.4, 0.45]);
  await draw(ben, [0.2, 0.3], [0.4, 0.3]);
  await maya.keyboard.press('Control+z');
  await draw(varga, [0.5, 0.7], [0.7, 0.7]);
  await expect(marks(maya)).toHaveCount(before + 1);
  await kept(maya);
  await varga.locator('summary').filter({ hasText: 'This page' }).click();
  await varga.getByRole('button', { name: 'Unlock this page' }).click();
  await expect(maya.getByText(sign)).toBeHidden();
  await draw(maya, [0.2, 0.45], [0.4, 0.45]);
  await expect(marks(ben)).toHaveCount(before + 2);
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});
