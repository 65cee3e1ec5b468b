// Boards that are private until they are shown: by students themselves, or when boards are up.
import { expect, test } from '@playwright/test';
import { design, draw, handOut, kept, marks, student, teacher, writeNote } from './people.mjs';

async function setPrivacy(varga, words) {
  await varga.locator('summary', { hasText: 'More' }).click();
  await varga.getByRole('button', { name: 'Private until shown' }).click();
  await varga.getByLabel(words).check();
  await varga.getByRole('button', { name: 'This holds now' }).click();
}

const tile = (page, name) => page.locator('.tile-place', { hasText: name });

/** All that comes to a page over its live connection. */
function frames(page) {
  const got = [];
  page.on('websocket', (socket) => socket.on('framereceived', ({ payload }) => got.push(Buffer.from(payload).toString('latin1'))));
  return got;
}

test('a class writes for itself, shows what it likes, and boards go up and down; nothing leaves before', async ({ browser }) => {
  test.setTimeout(120_000);
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const [maya, ben] = [await student(browser, code, 'Maya'), await student(browser, code, 'Ben')];
  await draw(maya);
  await kept(maya);
  await setPrivacy(varga, 'Nobody else until they show it; you see it');
  await expect(maya.getByText('Only you and your teacher see this')).toBeVisible();
  await expect(varga.getByText('0 of 2 show their work')).toBeVisible();

  // Nothing of Maya's is there for Ben, whatever he asks for.
  const mayas = new URL(maya.url()).pathname.split('/')[2];
  const asBen = new URL(ben.url()).searchParams.get('as');
  const address = new URL(`/rooms/${mayas}/snapshot?as=${asBen}&look=1`, ben.url()).href;
  const ask = async () => (await ben.request.get(address)).status();
  expect(await ask()).toBe(404);
  await expect(ben.getByRole('link', { name: 'Other boards' })).toBeHidden();

  await maya.getByRole('button', { name: 'Show it', exact: true }).click();
  await expect(maya.getByText('The class can see this', { exact: true })).toBeVisible();
  await expect(varga.getByText('1 of 2 show their work')).toBeVisible();
  await expect(tile(varga, 'Maya').getByText('shown')).toBeVisible();
  await expect(tile(varga, 'Ben').getByText('shown')).toHaveCount(0);
  await expect.poll(ask).toBe(200);
  await ben.getByRole('link', { name: 'Other boards' }).click();
  await ben.getByRole('main').getByRole('link', { name: 'Maya' }).click();
  await expect(marks(ben)).toHaveCount(2);

  // Shown no longer: whoever looks is sent home, and sees nothing of what is written then.
  const got = frames(ben);
  await maya.getByRole('button', { name: 'Show it no longer' }).click();
  await expect.poll(ask).toBe(404);
  await expect(ben).toHaveURL(/\/board\//);
  await expect(ben.getByText('Only you and your teacher see this')).toBeVisible();
  await writeNote(maya, 'Arches push sideways');
  await kept(maya);
  // The teacher has it; of all that came to Ben meanwhile nothing says so.
  await expect(tile(varga, 'Maya').getByText('just now')).toBeVisible();
  await varga.getByLabel('A line to read').fill('Look at your own work');
  await varga.getByRole('button', { name: 'Say' }).click();
  await expect(ben.getByText('Look at your own work')).toBeVisible();
  expect(got.some((frame) => frame.includes('Look at your own work'))).toBe(true);
  expect(got.some((frame) => frame.includes('Arches push'))).toBe(false);

  await varga.getByRole('button', { name: 'Boards up' }).click();
  await expect(varga.getByText('All boards are up')).toBeVisible();
  await expect(maya.getByText('Boards are up: the class can see this')).toBeVisible();
  await expect.poll(ask).toBe(200);
  await varga.getByRole('button', { name: 'Boards down' }).click();
  await expect(maya.getByText('Only you and your teacher see this')).toBeVisible();
  await expect.poll(ask).toBe(404);
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('not even the teacher sees it before: no tile, no board, no file; and all of it when boards are up', async ({ browser }) => {
  test.setTimeout(120_000);
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  await expect(tile(varga, 'Maya').locator('[data-painted]')).toBeVisible();
  await setPrivacy(varga, 'Nobody until they show it, not even you');
  await expect(maya.getByText('Only you see this')).toBeVisible();
  await expect(tile(varga, 'Maya').getByText('Not shown yet')).toBeVisible();
  // Nor does anything stay on the tile of what was seen before.
  await expect(tile(varga, 'Maya').locator('[data-painted]')).toHaveCount(0);
  const room = new URL(maya.url()).pathname.split('/')[2];
  const status = (path) => varga.evaluate((to) => fetch(to).then((r) => r.status), path);
  await expect.poll(() => status(`/rooms/${room}/snapshot`)).toBe(404);
  await draw(maya);
  await kept(maya);
  const lesson = new URL(varga.url()).pathname.split('/')[2];
  await varga.goto(`/lesson/${lesson}/board/${room}`);
  await expect(varga).toHaveURL(new RegExp(`/lesson/${lesson}$`));
  await expect(tile(varga, 'Maya').getByText('Not shown yet')).toBeVisible();
  await expect(tile(varga, 'Maya').locator('[data-painted]')).toHaveCount(0);

  await varga.getByRole('button', { name: 'Boards up' }).click();
  await expect(tile(varga, 'Maya').getByText('Not shown yet')).toHaveCount(0);
  await expect(tile(varga, 'Maya').locator('[data-painted]')).toBeVisible();
  await expect.poll(() => status(`/rooms/${room}/snapshot`)).toBe(200);
  for (const page of [varga, maya]) expect(page.problems).toEqual([]);
});
