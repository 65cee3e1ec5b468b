// The teacher's own board beside a student's.
import { expect, test } from '@playwright/test';
import { design, draw, handOut, kept, marks, student, teacher } from './people.mjs';

test('a teacher shows their own board: it lies beside the work, live, is moved and put away, and whoever came late has it too', async ({ browser }) => {
  test.setTimeout(120_000);
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  const phone = await student(browser, code, 'Ben', { viewport: { width: 390, height: 844 } });
  await expect(maya.getByRole('button', { name: /Your teacher.s board/ })).toBeHidden();
  await varga.getByRole('button', { name: 'Show my board' }).click();
  for (const page of [maya, phone]) {
    const inset = page.locator('[data-inset]');
    await expect(inset).toBeVisible();
    await expect(inset).toHaveAttribute('data-large', 'true');
    await expect(inset.locator('[data-painted]')).toBeVisible();
  }
  await expect(varga.getByText('My board, page 1, on their screens')).toBeVisible();
  await expect(varga.getByText('2 of 2')).toBeVisible();

  // Live: what the teacher draws there comes to the student's inset.
  const own = await varga.context().newPage();
  await own.goto(await varga.getByRole('link', { name: 'My own board' }).getAttribute('href'));
  await kept(own);
  const picture = () => maya.locator('[data-inset] canvas').evaluate((c) => c.toDataURL());
  const before = await picture();
  await draw(own);
  await kept(own);
  await expect.poll(picture).not.toBe(before);

  // Smaller, somewhere else by key, and my own work goes on beside it.
  const inset = maya.locator('[data-inset]');
  await inset.getByRole('button', { name: 'Smaller' }).click();
  await expect(inset).not.toHaveAttribute('data-large', 'true');
  const at = await inset.boundingBox();
  await inset.getByRole('group', { name: 'Move with the arrow keys' }).press('ArrowLeft');
  await expect.poll(async () => (await inset.boundingBox()).x).toBeLessThan(at.x);
  await draw(maya, [0.1, 0.15], [0.3, 0.2]);
  await kept(maya);
  await expect(marks(maya)).toHaveCount(2);
  await inset.getByRole('button', { name: 'Back to mine' }).click();
  await expect(inset).toBeHidden();
  await maya.getByRole('button', { name: /Your teacher.s board/ }).click();
  await expect(inset).toBeVisible();

  // A reload loses nothing but the inset; who is back is not called twice.
  await phone.reload();
  await kept(phone);
  await expect(phone.locator('[data-inset]')).toBeHidden();
  const late = await student(browser, code, 'Mira');
  await expect(late.locator('[data-inset] [data-painted]')).toBeVisible();

  // Students may look no longer: it is gone.
  await varga.getByRole('link', { name: 'Groups' }).click();
  // It is known once the lesson is here.
  await expect(varga.getByLabel('They may look at my own board')).toBeChecked();
  await varga.getByLabel('They may look at my own board').uncheck();
  await expect(inset).toBeHidden();
  await expect(maya.getByRole('button', { name: /Your teacher.s board/ })).toBeHidden();
  for (const page of [varga, maya, phone, late, own]) expect(page.problems ?? []).toEqual([]);
});
