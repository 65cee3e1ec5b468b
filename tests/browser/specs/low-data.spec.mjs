// Weak devices and networks: fewer moving things, smaller pictures, and nothing lost.
import { expect, test } from '@playwright/test';
import { design, draw, handOut, kept, marks, student, teacher } from './people.mjs';

const menu = (page) => page.locator('.low-data-menu');
const shown = (page) => menu(page).getByText('Low data');

/** So many bytes came over the live connection since, told by the browser. */
async function received(page) {
  const session = await page.context().newCDPSession(page);
  await session.send('Network.enable');
  let bytes = 0;
  session.on('Network.webSocketFrameReceived', ({ response }) => (bytes += response.payloadData.length));
  return { get bytes() { return bytes; } };
}

test('who chooses it sees what classmates wrote when it is kept, not while it is drawn; what they write themselves is there at once', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga, { way: 'Everybody together on one board' });
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben', { viewport: { width: 390, height: 844 } });
  await kept(ben);
  await expect(menu(ben).locator('.sr-only')).toHaveText('Low data');
  await menu(ben).click();
  await ben.getByLabel('Always low data').check();
  await expect(shown(ben)).not.toHaveClass(/sr-only/);
  if (process.env.PICTURES) await ben.screenshot({ path: '/tmp/p/low-data-phone.png' });
  await menu(ben).click();
  const before = await marks(ben).count();
  const cleo = await student(browser, code, 'Cleo');
  await kept(cleo);
  const [atBens, atCleos] = [await received(ben), await received(cleo)];

  // A stroke that takes its time: others follow it, who is spared does not.
  const box = await maya.locator('[data-surface]').boundingBox();
  await maya.mouse.move(box.x + box.width * 0.3, box.y + box.height * 0.4);
  await maya.mouse.down();
  for (let i = 0; i < 40; i++) {
    await maya.mouse.move(box.x + box.width * (0.3 + i * 0.008), box.y + box.height * (0.4 + (i % 5) * 0.01));
    await maya.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
  }
  // Besides ink both are told who comes in, and that the line stands.
  await expect.poll(() => atCleos.bytes).toBeGreaterThan(1000);
  await expect.poll(() => atCleos.bytes - 2 * atBens.bytes).toBeGreaterThan(0);
  await maya.mouse.up();
  // On a slow machine the stroke takes so long that it becomes two.
  await kept(maya);
  await expect(marks(maya)).not.toHaveCount(before);
  const drawn = await marks(maya).count();
  await expect(marks(ben)).toHaveCount(drawn);
  await draw(ben, [0.3, 0.6], [0.6, 0.6]);
  await kept(ben);
  await expect(marks(maya)).toHaveCount(drawn + 1);

  // It is remembered on the device, and never is never.
  await ben.reload();
  await kept(ben);
  await expect(shown(ben)).not.toHaveClass(/sr-only/);
  await menu(ben).click();
  await ben.getByLabel('Never low data').check();
  await expect(shown(ben)).toHaveClass(/sr-only/);
  for (const page of [varga, maya, ben, cleo]) expect(page.problems).toEqual([]);
});

test('it switches itself on where the device asks to save data or the network is lost again and again, and pictures are smaller then', async ({ browser }) => {
  test.slow();
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga, { way: 'Everybody together on one board' });
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  await ben.addInitScript(() => Object.defineProperty(navigator.connection ?? navigator, navigator.connection ? 'saveData' : 'connection', { value: navigator.connection ? true : { saveData: true } }));
  const asked = [];
  ben.on('request', (request) => request.url().includes('/media/') && asked.push(request.url()));
  await ben.reload();
  await kept(ben);
  await expect(shown(ben)).not.toHaveClass(/sr-only/);

  // Every pixel of its own, so that it is heavy.
  const picture = await maya.evaluate(async () => {
    const canvas = Object.assign(document.createElement('canvas'), { width: 1200, height: 900 });
    const ctx = canvas.getContext('2d');
    const image = ctx.createImageData(1200, 900);
    let seed = 1;
    for (let i = 0; i < image.data.length; i++) image.data[i] = i % 4 === 3 ? 255 : (seed = (seed * 16_807) % 2_147_483_647) & 255;
    ctx.putImageData(image, 0, 0);
    return canvas.toDataURL('image/png').split(',')[1];
  });
  await maya.locator('[data-pictures]').setInputFiles({ name: 'paper bridge.png', mimeType: 'image/png', buffer: Buffer.from(picture, 'base64') });
  await expect(marks(ben)).toHaveCount(2);
  await expect.poll(() => asked.filter((url) => url.includes('small')).length).toBeGreaterThan(0);
  expect(asked.every((url) => url.includes('small'))).toBe(true);

  await expect(shown(maya)).toHaveClass(/sr-only/);
  for (let lost = 0; lost < 3; lost++) {
    await maya.context().setOffline(true);
    await expect(maya.locator('.kept')).not.toHaveText('Kept', { timeout: 30_000 });
    await maya.context().setOffline(false);
    await expect(maya.locator('.kept')).toHaveText('Kept', { timeout: 30_000 });
  }
  await expect(shown(maya)).not.toHaveClass(/sr-only/);
  expect(varga.problems).toEqual([]);
});

test('a teacher on a weak device: boards out of sight rest, and are up to date when they come into sight or are acted on', async ({ browser }) => {
  test.slow();
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  const tile = varga.locator('.tile').filter({ hasText: 'Maya' });
  await expect(tile.locator('[data-painted]')).toBeVisible();
  await varga.getByText('More', { exact: true }).click();
  if (process.env.PICTURES) await varga.screenshot({ path: '/tmp/p/low-data-circulate.png' });
  await varga.getByRole('button', { name: 'Low data' }).click();
  await varga.getByLabel('Always low data').check();
  await varga.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
  const picture = () => tile.locator('canvas').evaluate((c) => c.toDataURL());
  const before = await picture();
  await draw(maya);
  await kept(maya);
  await expect.poll(picture, { timeout: 15_000 }).not.toBe(before);

  // Out of sight: nothing comes.
  await varga.evaluate(() => (document.querySelector('.tile').style.display = 'none'));
  await varga.waitForFunction(() => document.querySelector('.tile canvas').clientWidth === 0);
  const came = await received(varga);
  await draw(maya, [0.3, 0.6], [0.6, 0.7]);
  await kept(maya);
  const meanwhile = came.bytes;
  const drawn = await picture();
  await varga.evaluate(() => (document.querySelector('.tile').style.display = ''));
  await expect.poll(picture, { timeout: 15_000 }).not.toBe(drawn);
  expect(came.bytes).toBeGreaterThan(meanwhile + 100);
  expect(meanwhile).toBeLessThan(60);
  for (const page of [varga, maya]) expect(page.problems).toEqual([]);
});
