import { test } from '@playwright/test';
import { design, handOut, kept, marks, student, teacher } from './people.mjs';
const field = (page, name) => page.getByRole('textbox', { name });
test('x', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  varga.setDefaultTimeout(8000);
  for (const [from, to, name] of [
    [[0.2, 0.2], [0.45, 0.3], 'What pushes back?'],
    [[0.55, 0.2], [0.8, 0.3], 'What is pulled?'],
    [[0.2, 0.65], [0.8, 0.85], 'How do you know? Say it in two sentences.'],
  ]) {
    await varga.getByRole('button', { name: 'Answer field', exact: true }).click();
    const box = await varga.locator('[data-surface]').boundingBox();
    const at = ([x, y]) => [box.x + x * box.width, box.y + y * box.height];
    await varga.mouse.move(...at(from)); await varga.mouse.down(); await varga.mouse.move(...at(to), { steps: 4 }); await varga.mouse.up();
    await varga.getByLabel('What is asked for').fill(name);
    await varga.keyboard.press('Tab');
  }
  await kept(varga);
  await varga.screenshot({ path: '/tmp/p/af-w.png' });
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  await field(maya, 'What pushes back?').focus();
  await maya.keyboard.type('the ground, which pushes against both feet of the arch');
  await maya.keyboard.press('Tab');
  await maya.keyboard.type('the lower chord');
  await kept(maya);
  await maya.screenshot({ path: '/tmp/p/af-1280.png' });
  for (const [w, h, n] of [[390, 844, 'ph'], [820, 1180, 'tab'], [844, 390, 'side']]) {
    await maya.keyboard.press('Escape');
    await maya.setViewportSize({ width: w, height: h });
    await maya.waitForTimeout(500);
    if (n === 'ph') await field(maya, 'What pushes back?').focus();
    await maya.waitForTimeout(300);
    await maya.screenshot({ path: `/tmp/p/af-${n}.png` });
  }
  await varga.screenshot({ path: '/tmp/p/af-c.png' });
  const link = await varga.evaluate(() => [...document.querySelectorAll('a[href*="pdf"],a[href*="export"]')].map((a) => a.href));
  console.log(link);
});
