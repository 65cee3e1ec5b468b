import { expect, test } from '@playwright/test';
import { design, draw, handOut, kept, marks, student, teacher, visitor, writeNote } from './people.mjs';

test('what is written while the network is away is kept on the device and arrives when it is back', async ({ browser }) => {
  test.slow();
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  await draw(maya);
  await kept(maya);

  await maya.context().setOffline(true);
  await expect(maya.locator('.kept')).toHaveText('Kept on this device until the network is back', { timeout: 30_000 });
  await writeNote(maya, 'Written without a network');
  await draw(maya, [0.2, 0.7], [0.5, 0.7]);
  await expect(marks(maya)).toHaveCount(4);

  await maya.context().setOffline(false);
  await expect(maya.locator('.kept')).toHaveText('Kept', { timeout: 30_000 });
  await varga.locator('.tile').first().click();
  await expect(marks(varga)).toHaveText([
    'Text, printed: What holds a bridge up?',
    /^Drawing, by [^:]+$/,
    /^Note, by [^:]+: Written without a network$/,
    /^Drawing, by [^:]+$/,
  ]);
});

test('30 seconds without a network, with a reload meanwhile: the board opens again, and nothing is lost', async ({ browser }) => {
  test.slow();
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  await writeNote(maya, 'With a network');
  await kept(maya);
  await expect
    .poll(() => maya.evaluate(async () => (await caches.match(location.href)) !== undefined && navigator.serviceWorker.controller !== null))
    .toBe(true);

  await maya.context().setOffline(true);
  await expect(maya.locator('.kept')).toContainText('Kept on this device', { timeout: 30_000 });
  await writeNote(maya, 'Before the reload');
  await maya.getByRole('button', { name: 'Note', exact: true }).press('Enter');
  await maya.getByRole('button', { name: 'Write here' }).press('Enter');
  await maya.keyboard.type('Not ended');
  await maya.reload();
  await expect(maya.locator('.kept')).toContainText('Kept on this device', { timeout: 30_000 });
  await expect(marks(maya).filter({ hasText: 'Before the reload' })).toHaveCount(1);
  await expect(marks(maya).filter({ hasText: 'Not ended' })).toHaveCount(1);
  await writeNote(maya, 'After the reload');
  await expect(marks(maya).filter({ hasText: 'After the reload' })).toHaveCount(1);

  await maya.context().setOffline(false);
  await expect(maya.locator('.kept')).toHaveText('Kept', { timeout: 30_000 });
  await varga.locator('.tile').first().click();
  await expect(marks(varga)).toHaveText([
    'Text, printed: What holds a bridge up?',
    /^Note, by [^:]+: With a network$/,
    /^Note, by [^:]+: Before the reload$/,
    /^Note, by [^:]+: Not ended$/,
    /^Note, by [^:]+: After the reload$/,
  ]);
});

test('work that arrives after pens down is kept for the teacher, who adds it', async ({ browser }) => {
  test.slow();
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  await maya.context().setOffline(true);
  await expect(maya.locator('.kept')).toContainText('Kept on this device', { timeout: 30_000 });
  await writeNote(maya, 'Too late');
  await varga.getByRole('button', { name: 'Pens down' }).click();
  await expect(varga.getByText('Pens are down on one board')).toBeVisible();
  await maya.context().setOffline(false);
  await expect(maya.locator('.kept')).toContainText('Kept. It came late: your teacher can add it', { timeout: 30_000 });
  await varga.getByRole('button', { name: 'Look at it' }).click();
  await varga.getByRole('dialog').getByRole('button', { name: 'Add it' }).click();
  await expect(marks(maya)).toHaveText(['Text, printed: What holds a bridge up?', 'Note, yours: Too late']);
});

/** The connection of this page does not stand until it is let through. */
async function heldUp(page) {
  let letThrough;
  const free = new Promise((resolve) => (letThrough = resolve));
  await page.clock.install();
  await page.route(/negotiate/, async (route) => {
    await free;
    await route.continue();
  });
  return letThrough;
}

test('on the slowest connection nobody writes what would not be kept: the board opens when it does', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const maya = await visitor(browser);
  const letThrough = await heldUp(maya);
  await maya.goto(`/join/${code}`);
  await maya.getByLabel('Your name').fill('Maya');
  await maya.getByRole('button', { name: 'Go to my board' }).click();
  await expect(marks(maya)).toHaveCount(1);
  await maya.clock.runFor(10_000);
  await expect(maya.locator('.kept')).toHaveText('Opening your board');
  await draw(maya);
  await expect(marks(maya)).toHaveCount(1);
  letThrough();
  await maya.clock.runFor(10_000);
  await kept(maya);
  await draw(maya);
  await expect(marks(maya)).toHaveCount(2);
  await kept(maya);
  await varga.locator('.tile').first().click();
  await expect(marks(varga)).toHaveCount(2);
  expect(maya.problems).toEqual([]);
});

test('groups that the teacher makes on the slowest connection hold for everybody', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const maya = await student(browser, await handOut(varga), 'Maya');
  const letThrough = await heldUp(varga);
  await varga.getByRole('link', { name: 'Groups' }).click();
  await varga.clock.runFor(10_000);
  await expect(varga.getByText('Opening ...')).toBeVisible();
  const make = async () => {
    await varga.locator('.person', { hasText: 'Maya' }).click();
    await varga.getByRole('button', { name: 'Make them a group' }).click();
  };
  const made = make();
  letThrough();
  await varga.clock.runFor(10_000);
  await made;
  await expect(maya.getByRole('heading', { name: /Group 1/ })).toBeVisible();
  await varga.clock.resume();
  await varga.context().setOffline(true);
  await expect(varga.getByText('No connection to the server. What you change')).toBeVisible();
  await varga.getByRole('button', { name: 'Make groups' }).click();
  await expect(varga.getByText('No groups were made, for the server did not answer.')).toBeVisible();
  await varga.getByRole('button', { name: 'Dissolve all' }).click();
  await varga.getByRole('dialog').getByRole('button', { name: 'Dissolve all' }).click();
  await varga.context().setOffline(false);
  await expect(maya.getByRole('heading', { name: 'What holds a bridge up?', exact: true })).toBeVisible();
  await expect(varga.getByText('No connection to the server. What you change')).toBeHidden();
});
