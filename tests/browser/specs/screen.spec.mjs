// The big screen: a window for the projector, steered by the teacher, on which nobody's name is.
import { expect, test } from '@playwright/test';
import { design, designWall, draw, handOut, kept, student, teacher, visitor } from './people.mjs';

const big = { viewport: { width: 1920, height: 1080 } };
const shows = (page, words) => expect(page.getByRole('dialog').getByText(`Now: ${words}`)).toBeVisible();

async function openScreen(varga) {
  await varga.locator('footer summary', { hasText: 'More' }).click();
  await varga.getByRole('button', { name: 'Big screen' }).click();
}

test('what the teacher puts there is on the projector, without names; another device becomes one by a short code', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const students = [];
  for (const name of ['Zebulon', 'Petronella', 'Oona']) students.push(await student(browser, code, name));
  for (const page of students) await draw(page);
  await expect(varga.locator('.tile')).toHaveCount(3);
  await openScreen(varga);
  const address = await varga.getByRole('link', { name: 'Open the window' }).getAttribute('href');
  const screen = await visitor(browser, big);
  const sent = [];
  screen.on('response', async (answer) => sent.push(await answer.text().catch(() => '')));
  await screen.goto(address);
  await expect(screen.getByText('Nothing is shown.')).toHaveCount(1);
  await expect(screen.locator('.big-in')).toBeHidden();

  await varga.getByRole('button', { name: 'How to come in' }).click();
  await shows(varga, 'How to come in');
  expect((await screen.locator('.big-code').textContent()).replace(' ', '')).toBe(code);
  await expect(screen.locator('.big-code')).toBeVisible();
  await expect(screen.locator('.big-count')).toContainText('3 are here');
  if (process.env.PICTURES) await screen.screenshot({ path: '/tmp/p/screen-in.png' });

  await expect(varga.getByRole('button', { name: 'The works of those picked' })).toBeDisabled();
  await varga.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
  await varga.getByRole('button', { name: 'Pick', exact: true }).click();
  for (const name of ['Petronella', 'Zebulon']) await varga.getByRole('button', { name, exact: true }).click();
  await openScreen(varga);
  await varga.getByRole('button', { name: 'The works of those picked' }).click();
  await expect(screen.locator('.big-works img')).toHaveCount(2);
  await expect.poll(() => screen.locator('.big-works img').first().evaluate((img) => img.complete && img.naturalWidth > 0)).toBe(true);
  const masks = await screen.locator('.big-mask').allTextContents();
  expect(masks.map(Number)).toEqual([...masks.map(Number)].sort((a, b) => a - b));
  // Whose they are, the teacher knows, and nobody else.
  const whose = varga.getByRole('dialog').locator('.screen-whose div');
  await expect(whose).toHaveCount(2);
  expect((await whose.locator('dt').allTextContents()).toSorted()).toEqual([...masks].map((m) => m.trim()).toSorted());
  await expect(whose.filter({ hasText: 'Petronella' })).toHaveCount(1);
  // Live: what is drawn meanwhile comes.
  const before = await screen.locator('.big-works img').evaluateAll((all) => all.map((img) => img.src));
  await draw(students[0], [0.3, 0.6], [0.6, 0.7]);
  await expect.poll(() => screen.locator('.big-works img').evaluateAll((all) => all.map((img) => img.src))).not.toEqual(before);
  await varga.getByLabel('Works stay as they are now').check();
  await varga.getByRole('button', { name: 'The works of those picked' }).click();
  await expect(screen.locator('.big-works img')).toHaveCount(2);
  expect(await screen.locator('.big-mask').allTextContents()).toEqual(masks);
  if (process.env.PICTURES) await screen.screenshot({ path: '/tmp/p/screen-works.png' });

  await varga.getByRole('button', { name: 'On another device' }).click();
  const pairing = varga.locator('.notice strong');
  await expect(pairing).toHaveText(/^[A-Z\d]{6}$/);
  const pair = await pairing.textContent();
  const projector = await visitor(browser, big);
  await projector.goto('/screen');
  await projector.getByLabel('The code').fill('WRONG1');
  await projector.getByRole('button', { name: 'Show it here' }).click();
  await expect(projector.getByText('This is not the code of any lesson now.')).toBeVisible();
  await projector.getByLabel('The code').fill(pair.toLowerCase());
  await projector.getByRole('button', { name: 'Show it here' }).click();
  await expect(projector.locator('.big-works img')).toHaveCount(2);

  await varga.getByRole('button', { name: 'Nothing' }).click();
  for (const page of [screen, projector]) await expect(page.locator('.big-works')).toBeHidden();
  const all = sent.join(' ');
  for (const name of ['Zebulon', 'Petronella', 'Oona', 'Varga']) expect(all).not.toContain(name);
  for (const page of [varga, screen, projector, ...students]) expect(page.problems).toEqual([]);
});

test('clock, how it is going and answers stand there in numbers; without a network the screen says so', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  await openScreen(varga);
  const screen = await visitor(browser, big);
  await screen.goto(await varga.getByRole('link', { name: 'Open the window' }).getAttribute('href'));
  await varga.getByRole('button', { name: 'How it is going' }).click();
  await varga.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
  await maya.locator('[data-tell="going"] summary').click();
  await maya.getByRole('button', { name: 'I am stuck' }).click();
  await expect(screen.locator('.big-lines').first()).toContainText(/1\s*stuck/);

  await varga.locator('.phase-now').click();
  await varga.getByRole('dialog').getByLabel('Think').check();
  await varga.getByRole('dialog').getByRole('button', { name: 'Begin' }).click();
  await expect(screen.locator('.big-phase')).toContainText('Think, each on your own');
  await expect(screen.locator('.big-phase b').first()).toHaveText(/^[45]:\d\d$/);
  await openScreen(varga);
  await varga.getByRole('button', { name: 'The clock' }).click();
  await expect(screen.locator('.big-clock p')).toHaveText(/^[45]:\d\d$/);
  if (process.env.PICTURES) await screen.screenshot({ path: '/tmp/p/screen-clock.png' });
  await screen.context().setOffline(true);
  await expect(screen.getByText('No connection. What stands here may be old.')).toBeVisible();
  await screen.context().setOffline(false);
  await expect(screen.getByText('No connection.')).toBeHidden();
  for (const page of [varga, maya, screen]) expect(page.problems).toEqual([]);
});

test('one card of a wall stands on the big screen, large and without a name', async ({ browser }) => {
  const varga = await teacher(browser);
  await designWall(varga, 'Why does it stand?');
  const code = await handOut(varga, { way: 'Everybody together on one wall' });
  const maya = await student(browser, code, 'Zebulon');
  const slot = maya.getByLabel('Write here, under All answers', { exact: true });
  for (const words of ['The arch pushes outwards, and the banks push back', 'Because it is heavy']) {
    await slot.fill(words);
    await slot.press('Control+Enter');
  }
  await kept(maya);
  await openScreen(varga);
  const address = await varga.getByRole('link', { name: 'Open the window' }).getAttribute('href');
  const screen = await visitor(browser, big);
  const sent = [];
  screen.on('response', async (answer) => sent.push(await answer.text().catch(() => '')));
  await screen.goto(address);
  await varga.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
  await varga.getByRole('link', { name: 'Open the wall' }).click();
  await kept(varga);
  await varga.getByRole('button', { name: 'One by one' }).click();
  await expect(varga.locator('[data-large]')).toContainText('The arch pushes outwards');
  await varga.getByRole('button', { name: 'On the big screen' }).click();
  await expect(varga.getByText('This card stands on the big screen, without a name.')).toBeVisible();
  await expect(screen.locator('.big-works img')).toBeVisible();
  await expect.poll(() => screen.locator('.big-works img').evaluate((i) => i.complete && i.naturalWidth)).toBeGreaterThan(0);
  if (process.env.PICTURES) await screen.screenshot({ path: '/tmp/p/screen-card.png' });
  expect(sent.join('').includes('Zebulon')).toBe(false);
  for (const page of [varga, maya, screen]) expect(page.problems).toEqual([]);
});
