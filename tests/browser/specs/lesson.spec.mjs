import { expect, test } from '@playwright/test';
import jsQR from 'jsqr';
import { design, draw, handOut, kept, marks, student, teacher, writeNote } from './people.mjs';

test('a lesson from the first idea to the print-out, with a teacher and three students at once', async ({ browser }) => {
  test.slow();
  const varga = await teacher(browser);
  await design(varga);

  await test.step('try it as a student: the printed title stays, and nothing is kept', async () => {
    await varga.getByRole('button', { name: 'Try it as a student' }).click();
    await varga.getByRole('link', { name: 'Whole page' }).click();
    await expect(marks(varga)).toHaveText(['Text, printed: What holds a bridge up?']);
    await draw(varga);
    await expect(marks(varga)).toHaveText(['Text, printed: What holds a bridge up?', 'Drawing, yours']);
    await varga.getByRole('link', { name: 'Workshop' }).click();
    await expect(marks(varga)).toHaveCount(1);
  });

  const code = await handOut(varga);
  const [maya, ben, oona] = [
    await student(browser, code, 'Maya'),
    await student(browser, code, 'Ben'),
    await student(browser, code, 'Oona'),
  ];

  await test.step('the teacher sees everybody come in, each in their place', async () => {
    await expect(varga.locator('.tile strong')).toHaveText(['Maya', 'Ben', 'Oona']);
    await expect(varga.getByText('3 students')).toBeVisible();
  });

  await test.step('each has a board of their own, with the printed title', async () => {
    await draw(maya);
    await writeNote(ben, 'The piers push back');
    await expect(marks(maya)).toHaveText(['Text, printed: What holds a bridge up?', 'Drawing, yours']);
    await expect(marks(ben)).toHaveText(['Text, printed: What holds a bridge up?', 'Note, yours: The piers push back']);
    await expect(varga.locator('.tile small')).toHaveText(['just now', 'just now', 'not started']);
  });

  await test.step('undo and redo', async () => {
    await maya.getByRole('button', { name: 'Undo' }).click();
    await expect(marks(maya)).toHaveCount(1);
    await maya.getByRole('button', { name: 'Redo' }).click();
    await expect(marks(maya)).toHaveCount(2);
  });

  await test.step('a hand up and a "look, please" stand in the queue, the hand first', async () => {
    await maya.getByRole('button', { name: 'Look, please' }).click();
    await ben.getByRole('button', { name: 'Hand up' }).click();
    await expect(varga.locator('.needs li strong')).toHaveText(['Ben', 'Maya']);
    await varga.locator('.needs li', { hasText: 'Maya' }).getByRole('button', { name: 'Seen' }).click();
    await expect(varga.locator('.needs li strong')).toHaveText(['Ben']);
    await expect(maya.getByRole('button', { name: 'Look, please' })).toHaveAttribute('aria-pressed', 'false');
  });

  await test.step('sitting beside: what the teacher writes is on the board at once, and the student cannot rub it out', async () => {
    await varga.locator('.needs li', { hasText: 'Ben' }).getByRole('link', { name: 'Sit beside' }).click();
    await expect(varga.getByRole('heading', { name: 'Board of Ben' })).toBeVisible();
    await kept(varga);
    await draw(varga, [0.3, 0.8], [0.5, 0.8]);
    await expect(marks(ben).last()).toHaveText("Drawing, your teacher's");
    await ben.getByRole('button', { name: 'Erase' }).click();
    await ben.getByRole('button', { name: 'All of it' }).click();
    const box = await ben.locator('[data-surface]').boundingBox();
    await ben.mouse.move(box.x + 0.3 * box.width, box.y + 0.8 * box.height);
    await ben.mouse.down();
    await ben.mouse.move(box.x + 0.5 * box.width, box.y + 0.8 * box.height, { steps: 8 });
    await ben.mouse.up();
    await writeNote(ben, 'Thank you');
    await expect(marks(varga)).toHaveText([
      'Text, printed: What holds a bridge up?',
      /^Note, by [^:]+: The piers push back$/,
      'Drawing, yours',
      /^Note, by [^:]+: Thank you$/,
    ]);
    await varga.getByRole('link', { name: 'All boards' }).click();
  });

  await test.step('pens down: reported when all boards have confirmed, and nobody writes', async () => {
    await varga.getByRole('button', { name: 'Pens down' }).click();
    await expect(varga.getByText('Pens are down on 3 boards')).toBeVisible();
    await expect(oona.getByText('Pens are down. You can look.')).toBeVisible();
    await draw(oona);
    await expect(marks(oona)).toHaveCount(1);
    await varga.getByRole('button', { name: 'Pens up' }).click();
    await expect(varga.getByText('Everybody can write')).toBeVisible();
    await expect(oona.getByText('Pens are down. You can look.')).toBeHidden();
    await draw(oona);
    await expect(marks(oona)).toHaveCount(2);
  });

  await test.step('a reload brings back the same board without typing anything', async () => {
    await oona.reload();
    await expect(marks(oona)).toHaveText(['Text, printed: What holds a bridge up?', 'Drawing, yours']);
  });

  await test.step('all boards come out as a PDF, one as PNG and SVG', async () => {
    const lesson = varga.url();
    const pdf = await varga.request.get(`${lesson}/boards.pdf`);
    expect(pdf.headers()['content-type']).toBe('application/pdf');
    expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
    const board = await varga.locator('.tile').nth(1).getAttribute('href');
    const png = await varga.request.get(`${board}.png`);
    expect((await png.body()).subarray(1, 4).toString()).toBe('PNG');
    expect(await (await varga.request.get(`${board}.svg`)).text()).toContain('The piers');
    expect((await maya.request.get(`${lesson}/boards.pdf`, { maxRedirects: 0 })).status()).toBe(404);
  });

  await test.step('closing: everybody can look, nobody can write, and the code no longer lets anybody in', async () => {
    await varga.locator('footer .more-up summary').click();
    await varga.locator('.more-up').getByRole('button', { name: 'Close the lesson' }).click();
    await varga.getByRole('dialog').getByRole('button', { name: 'Close the lesson' }).click();
    await expect(varga.getByText('The lesson is closed. All boards can be read.')).toBeVisible();
    await expect(maya.getByText('The lesson is over. You can look.')).toBeVisible();
    await draw(maya);
    await expect(marks(maya)).toHaveCount(2);
    const late = await (await browser.newContext()).newPage();
    await late.goto(`/join/${code}`);
    await late.getByLabel('Your name').fill('Leif');
    await late.getByRole('button', { name: 'Go to my board' }).click();
    await expect(late.getByRole('alert')).toContainText('This lesson is over.');
  });

  for (const page of [varga, maya, ben, oona]) expect(page.problems).toEqual([]);
});

test('the QR code leads to the lesson', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  await varga.goto(`${varga.url()}/code`);
  const pixels = await varga.locator('.qr svg').evaluate(async (svg) => {
    const image = new Image();
    image.src = `data:image/svg+xml,${encodeURIComponent(svg.outerHTML)}`;
    image.width = image.height = 400;
    await image.decode();
    const canvas = Object.assign(document.createElement('canvas'), { width: 400, height: 400 });
    const ctx = canvas.getContext('2d');
    ctx.drawImage(image, 0, 0, 400, 400);
    return [...ctx.getImageData(0, 0, 400, 400).data];
  });
  const read = jsQR(Uint8ClampedArray.from(pixels), 400, 400);
  expect(read?.data).toBe(`${new URL(varga.url()).origin}/join/${code}`);
});

test("a teacher's clock that is two hours ahead makes nobody idle", async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  await draw(maya);
  await kept(maya);
  await varga.clock.setFixedTime(Date.now() + 2 * 3_600_000);
  await varga.reload();
  await expect(varga.locator('.tile', { hasText: 'Maya' })).toContainText('just now');
  await expect(varga.getByText('Nobody at the moment.')).toBeVisible();
});
