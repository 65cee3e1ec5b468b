// Regrouped in mid-word, offline, late: three students on three devices, and nothing of anybody is lost or stays where nobody looks.
import { expect, test } from '@playwright/test';
import { design, draw, handOut, kept, marks, student, teacher, writeNote } from './people.mjs';

const TITLE = 'Text, printed: What holds a bridge up?';
const person = (page, name) => page.locator('.person', { hasText: name });

async function group(varga, ...names) {
  for (const name of names) await person(varga, name).click();
  await varga.getByRole('button', { name: 'Make them a group' }).click();
}

async function dissolve(varga) {
  await varga.getByRole('button', { name: 'Dissolve all' }).click();
  const asked = varga.getByRole('dialog');
  await expect(asked).toContainText('The boards of the groups stay as they are');
  await asked.getByRole('button', { name: 'Dissolve all' }).click();
}

const row = (varga, title) => varga.locator('.row', { hasText: title });

async function everyBoard(varga) {
  await varga.goto(varga.url().replace(/\/people$/, '/boards'));
}

test('regrouped in mid-word, offline, late', async ({ browser }) => {
  test.slow();
  const varga = await teacher(browser);
  await design(varga);
  await varga.getByRole('link', { name: 'Hand out' }).click();
  await varga.getByLabel('By group').check();
  await varga.getByRole('button', { name: 'Hand out' }).click();
  const code = (await varga.locator('a[href$="/code"]').textContent()).trim();
  const [maya, ben, amina] = [
    await student(browser, code, 'Maya', { viewport: { width: 390, height: 844 } }),
    await student(browser, code, 'Ben', { viewport: { width: 820, height: 1180 } }),
    await student(browser, code, 'Amina'),
  ];
  await expect(person(varga, 'Amina')).toBeVisible();

  await test.step('in mid-word: the word stays on the board on which it was begun', async () => {
    await maya.getByRole('button', { name: 'Note', exact: true }).press('Enter');
    await maya.getByRole('button', { name: 'Write here' }).press('Enter');
    await maya.keyboard.type('The arch pus');
    await group(varga, 'Maya', 'Ben', 'Amina');
    await expect(maya.getByRole('heading', { name: /Group 1, with/ })).toBeVisible();
    await expect(maya.getByText('What you did before is safe on your own board.')).toBeVisible();
    await kept(maya);
    await everyBoard(varga);
    await expect(row(varga, 'Maya').filter({ hasText: 'Works in a group now' })).toHaveCount(1);
    await row(varga, 'Maya').filter({ hasText: 'Works in a group now' }).getByRole('link', { name: 'Open' }).click();
    await expect(marks(varga)).toHaveText([TITLE, /The arch pus/]);
    await varga.goBack();
    await varga.goto(varga.url().replace(/\/boards$/, '/people'));
  });

  await test.step('offline: what is written for a group that is dissolved meanwhile comes to the teacher', async () => {
    await kept(ben);
    await ben.context().setOffline(true);
    await expect(ben.locator('.kept')).toContainText('Kept on this device', { timeout: 30_000 });
    await writeNote(ben, 'Held up by cables');
    await draw(ben, [0.2, 0.7], [0.5, 0.7]);
    await dissolve(varga);
    await expect(amina.getByRole('heading', { name: 'What holds a bridge up?', exact: true })).toBeVisible();
    await expect(amina.getByText('What you did with others is safe on the board of the group.')).toBeVisible();

    // Ben's page is thrown away while the network is gone, and opened again when it is back.
    await ben.reload();
    await ben.context().setOffline(false);
    await expect(ben.getByRole('heading', { name: 'What holds a bridge up?', exact: true })).toBeVisible({ timeout: 30_000 });
    await expect(ben.locator('.kept')).toHaveText('Kept', { timeout: 30_000 });
    await varga.goto(varga.url().replace(/\/people$/, ''));
    await expect(varga.getByText('Work for another board (2)')).toBeVisible();
    await varga.getByRole('button', { name: 'Look at it' }).click();
    const asked = varga.getByRole('dialog');
    await expect(asked).toContainText('Held up by cables');
    await expect(asked).toContainText('1 thing drawn');
    await asked.getByRole('button', { name: 'Add all of it' }).click();
    await expect(varga.getByText('Work for another board')).toHaveCount(0);
  });

  await test.step('the group is taken up again, and its work is there, for all of them', async () => {
    await varga.goto(`${varga.url()}/boards`);
    const dissolved = row(varga, 'Group 1');
    await expect(dissolved).toContainText('The group was dissolved');
    await dissolved.getByRole('button', { name: 'Take the group up again' }).click();
    await expect(row(varga, 'Group 1')).toContainText('In use');
    for (const page of [maya, ben, amina]) {
      await expect(page.getByRole('heading', { name: /Group 1, with/ })).toBeVisible();
      await expect(marks(page).filter({ hasText: 'Held up by cables' })).toHaveCount(1);
    }
  });

  await test.step('late: classmates see it as soon as the teacher adds it, without a reload', async () => {
    await amina.context().setOffline(true);
    await expect(amina.locator('.kept')).toContainText('Kept on this device', { timeout: 30_000 });
    await writeNote(amina, 'Too late');
    await varga.goto(varga.url().replace(/\/boards$/, ''));
    await varga.getByRole('button', { name: 'Pens down' }).click();
    await expect(varga.getByText('Pens are down on one board')).toBeVisible();
    await amina.context().setOffline(false);
    await expect(amina.locator('.kept')).toContainText('Kept. It came late', { timeout: 30_000 });
    await expect(marks(maya).filter({ hasText: 'Too late' })).toHaveCount(0);
    await varga.getByRole('button', { name: 'Look at it' }).click();
    await varga.getByRole('dialog').getByRole('button', { name: 'Add it' }).click();
    await expect(marks(maya).filter({ hasText: 'Too late' })).toHaveCount(1);
  });
  for (const page of [varga, maya, ben, amina]) expect(page.problems).toEqual([]);
});

test('a stroke that is being drawn when the page goes away is kept', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const maya = await student(browser, await handOut(varga), 'Maya');
  const box = await maya.locator('[data-surface]').boundingBox();
  await maya.getByRole('button', { name: 'Pen', exact: true }).click();
  await maya.mouse.move(box.x + 200, box.y + 200);
  await maya.mouse.down();
  await maya.mouse.move(box.x + 420, box.y + 260, { steps: 8 });
  await maya.reload();
  await kept(maya);
  await expect(marks(maya)).toHaveText([TITLE, /^Drawing/]);
});
