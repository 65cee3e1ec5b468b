import { expect, test } from '@playwright/test';
import { design, handOut, kept, marks, student, teacher, writeNote } from './people.mjs';

const tool = (page, name) => page.locator('.ledge-tools').getByRole('button', { name, exact: true });

async function drag(page, from, to) {
  const box = await page.locator('[data-surface]').boundingBox();
  await page.mouse.move(box.x + from[0], box.y + from[1]);
  await page.mouse.down();
  await page.mouse.move(box.x + to[0], box.y + to[1], { steps: 8 });
  await page.mouse.up();
}

async function drawFigure(page, name, from, to) {
  await tool(page, 'Shape').click();
  await page.getByRole('button', { name, exact: true }).click();
  await drag(page, from, to);
}

const exact = (page, field) => page.getByLabel(field, { exact: true });

test('a shape is drawn, turned, measured, doubled, tied, pinned and brought back by undo', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const maya = await student(browser, await handOut(varga), 'Maya');
  await drawFigure(maya, 'Right-angled', [300, 150], [500, 300]);
  await expect(marks(maya)).toHaveText([/^Text/, 'Right-angled triangle, yours']);

  await tool(maya, 'Choose').click();
  await maya.getByRole('button', { name: 'All mine' }).click();
  await maya.getByRole('button', { name: 'Position and size' }).click();
  await exact(maya, 'Width, mm').fill('40');
  await exact(maya, 'Width, mm').press('Enter');
  await exact(maya, 'Height, mm').fill('30');
  await exact(maya, 'Height, mm').press('Enter');
  await expect(exact(maya, 'Width, mm')).toHaveValue('40');
  await exact(maya, 'Turned, degrees').fill('30');
  await exact(maya, 'Turned, degrees').press('Enter');
  await expect(exact(maya, 'Turned, degrees')).toHaveValue('30');
  await maya.getByRole('button', { name: 'Sides', exact: true }).click();
  await expect(maya.getByRole('button', { name: 'Sides', exact: true })).toHaveAttribute('aria-pressed', 'true');

  await maya.getByRole('button', { name: 'Duplicate', exact: true }).click();
  await expect(marks(maya)).toHaveCount(3);
  await maya.getByRole('button', { name: 'All mine' }).click();
  await maya.getByRole('button', { name: 'Tie together' }).click();
  await maya.getByRole('button', { name: 'Pin down' }).click();
  await expect(maya.getByRole('button', { name: 'Pin down' })).toHaveAttribute('aria-pressed', 'true');
  const before = await exact(maya, 'From the left, mm').inputValue();
  await maya.locator('[data-surface]').press('ArrowRight');
  await expect(exact(maya, 'From the left, mm')).toHaveValue(before);
  for (let i = 0; i < 3; i++) await maya.getByRole('button', { name: 'Undo' }).click();
  await expect(marks(maya)).toHaveCount(2);
  await kept(maya);
  await maya.reload();
  await kept(maya);
  await expect(marks(maya)).toHaveText([/^Text/, 'Right-angled triangle, yours']);
  expect(maya.problems).toEqual([]);
});

test('by keyboard alone: a shape is put down, moved by mm, turned by degree, grown, copied and rubbed out', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const maya = await student(browser, await handOut(varga), 'Maya');
  await maya.keyboard.press('s');
  await maya.getByRole('button', { name: 'Square', exact: true }).press('Enter');
  await maya.getByRole('button', { name: 'Put one here' }).press('Enter');
  await expect(marks(maya)).toHaveText([/^Text/, 'Square, yours']);
  await maya.getByRole('button', { name: 'Put one here' }).blur();
  await maya.keyboard.press('Control+a');
  await maya.getByRole('button', { name: 'Position and size' }).press('Enter');
  const left = Number(await exact(maya, 'From the left, mm').inputValue());
  await maya.getByRole('button', { name: 'Position and size' }).blur();
  await maya.keyboard.press('ArrowRight');
  await maya.keyboard.press('Shift+ArrowRight');
  await expect(exact(maya, 'From the left, mm')).toHaveValue(String(left + 11));
  for (let i = 0; i < 3; i++) await maya.keyboard.press(']');
  await expect(exact(maya, 'Turned, degrees')).toHaveValue('3');
  await maya.keyboard.press('Control+d');
  await expect(marks(maya)).toHaveCount(3);
  await maya.keyboard.press('Delete');
  await expect(marks(maya)).toHaveCount(2);
  await maya.keyboard.press('?');
  await expect(maya.getByRole('heading', { name: 'Keys' })).toBeVisible();
  expect(maya.problems).toEqual([]);
});

test('two students drag the same loose label: both see one truth, and neither can rub it out', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  await varga.getByRole('button', { name: 'Loose', exact: true }).click();
  await tool(varga, 'Note').click();
  await varga.getByRole('button', { name: 'Write here' }).click();
  await varga.keyboard.type('pier');
  await varga.keyboard.press('Escape');
  await expect(marks(varga).last()).toHaveText('Note, loose: pier');
  await kept(varga);
  const code = await handOut(varga, { way: 'Everybody together' });
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  const places = async (page) => {
    await tool(page, 'Choose').click();
    await marks(page).last().focus();
    return exact(page, 'From the left, mm').inputValue();
  };
  for (const page of [maya, ben]) {
    await tool(page, 'Choose').click();
    await marks(page).last().focus();
    await page.getByRole('button', { name: 'Position and size' }).click();
  }
  const box = await maya.locator('[data-surface]').boundingBox();
  const middle = [box.width / 2, box.height / 2];
  await Promise.all([drag(maya, middle, [middle[0] - 150, middle[1]]), drag(ben, middle, [middle[0] + 150, middle[1] + 40])]);
  await expect.poll(async () => (await places(maya)) === (await places(ben)), { intervals: [200] }).toBe(true);
  await expect(maya.getByRole('button', { name: 'Erase' })).toHaveCount(1);
  expect([...maya.problems, ...ben.problems]).toEqual([]);
});

test('marks and words are pasted, also onto another page, and as copies of one\'s own', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  await varga.getByRole('button', { name: 'New page' }).click();
  await kept(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  await writeNote(maya, 'A truss is made of triangles');
  await tool(maya, 'Choose').click();
  await maya.getByRole('button', { name: 'All mine' }).click();
  await maya.getByRole('button', { name: 'Copy', exact: true }).click();
  await maya.getByRole('button', { name: 'On', exact: true }).click();
  await expect(marks(maya)).toHaveCount(0);
  await maya.getByRole('button', { name: 'Paste' }).click();
  await expect(marks(maya)).toHaveText(['Note, yours: A truss is made of triangles']);
  await maya.evaluate(() => {
    const data = new DataTransfer();
    data.setData('text/plain', 'Pasted words');
    document.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }));
  });
  await expect(marks(maya)).toHaveText([/^Note/, 'Text, yours: Pasted words']);
  await maya.getByRole('button', { name: 'Back', exact: true }).click();
  await expect(marks(maya)).toHaveText([/^Text, printed/, 'Note, yours: A truss is made of triangles']);
  expect(maya.problems).toEqual([]);
});

test('words are made larger, heavier and into a list, and undo takes each back', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const maya = await student(browser, await handOut(varga), 'Maya');
  await tool(maya, 'Text').click();
  await maya.getByRole('button', { name: 'Write here' }).click();
  await maya.keyboard.type('deck');
  await maya.keyboard.press('Shift+Enter');
  await maya.keyboard.type('pier');
  await maya.keyboard.press('Escape');
  await tool(maya, 'Choose').click();
  await maya.getByRole('button', { name: 'All mine' }).click();
  await maya.getByRole('button', { name: 'Position and size' }).click();
  const height = Number(await exact(maya, 'Height, mm').inputValue());
  await maya.getByRole('button', { name: 'Larger words' }).click();
  await expect.poll(async () => Number(await exact(maya, 'Height, mm').inputValue())).toBeGreaterThan(height * 1.2);
  await maya.getByRole('button', { name: 'Bold', exact: true }).click();
  await expect(maya.getByRole('button', { name: 'Bold', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await maya.getByRole('button', { name: 'Numbers', exact: true }).click();
  await expect(marks(maya).last()).toHaveText('Text, yours: 1. deck\n2. pier');
  await maya.getByRole('button', { name: 'Dots', exact: true }).click();
  await expect(marks(maya).last()).toHaveText('Text, yours: • deck\n• pier');
  await maya.getByRole('button', { name: 'Dots', exact: true }).click();
  await expect(marks(maya).last()).toHaveText('Text, yours: deck\npier');
  for (let i = 0; i < 5; i++) await maya.getByRole('button', { name: 'Undo' }).click();
  await expect(exact(maya, 'Height, mm')).toHaveValue(String(height));
  expect(maya.problems).toEqual([]);
});
