// Bubbles, stamps, formulas, connectors and zones, made and used by people.
import { expect, test } from '@playwright/test';
import { design, handOut, kept, marks, student, teacher } from './people.mjs';

const tool = (page, name) => page.locator('.ledge-tools').getByRole('button', { name, exact: true });

async function drag(page, from, to) {
  const box = await page.locator('[data-surface]').boundingBox();
  const at = ([x, y]) => [box.x + x * box.width, box.y + y * box.height];
  await page.mouse.move(...at(from));
  await page.mouse.down();
  await page.mouse.move(...at([(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]));
  await page.mouse.move(...at(to));
  await page.mouse.up();
}

async function tap(page, x, y) {
  const box = await page.locator('[data-surface]').boundingBox();
  await page.mouse.click(box.x + x * box.width, box.y + y * box.height);
}

test('a student speaks in a bubble, stamps, and joins the two with a labelled connector that follows', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const maya = await student(browser, await handOut(varga), 'Maya');
  await tool(maya, 'Note').click();
  await maya.getByRole('button', { name: 'Speech bubble' }).click();
  await tap(maya, 0.35, 0.4);
  await maya.keyboard.type('I carry the deck');
  await maya.keyboard.press('Escape');
  await tool(maya, 'Picture').click();
  await maya.getByRole('button', { name: 'Strong' }).click();
  await tap(maya, 0.65, 0.6);
  await tool(maya, 'Shape').click();
  await maya.getByRole('button', { name: 'connector' }).click();
  await drag(maya, [0.35, 0.4], [0.65, 0.6]);
  await expect(marks(maya)).toHaveText([
    /^Text, printed/,
    'Speech bubble, yours: I carry the deck',
    'Stamp, yours: Strong',
    'Connector, yours: I carry the deck → Strong',
  ]);
  await tool(maya, 'Choose').click();
  await marks(maya).last().focus();
  await maya.getByRole('button', { name: 'Position and size' }).click();
  await maya.getByLabel('What stands on the connector').fill('because');
  await maya.keyboard.press('Tab');
  await expect(marks(maya).last()).toHaveText('Connector, yours: I carry the deck → Strong (because)');
  await kept(maya);

  // With its end the connector goes, and comes back.
  await marks(maya).filter({ hasText: 'Stamp' }).focus();
  await maya.keyboard.press('Delete');
  await expect(marks(maya)).toHaveCount(2);
  await maya.keyboard.press('Control+z');
  await expect(marks(maya)).toHaveCount(4);
  expect(maya.problems).toEqual([]);
});

test('by keyboard alone two marks are chosen one after the other and connected', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const maya = await student(browser, await handOut(varga), 'Maya');
  await maya.keyboard.press('n');
  for (const words of ['pier', 'deck']) {
    await maya.keyboard.press('n');
    await maya.getByRole('button', { name: 'Write here' }).press('Enter');
    await maya.keyboard.type(words);
    await maya.keyboard.press('Escape');
  }
  await maya.keyboard.press('c');
  await marks(maya).filter({ hasText: 'pier' }).focus();
  await maya.keyboard.press('Space');
  await marks(maya).filter({ hasText: 'deck' }).focus();
  await maya.getByRole('button', { name: 'Connect them' }).press('Enter');
  await expect(marks(maya).last()).toHaveText('Connector, yours: pier → deck');
});

test('a formula is typed or put together from keys, refused while it cannot be read, and changed afterwards', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const maya = await student(browser, await handOut(varga), 'Maya');
  await tool(maya, 'Text').click();
  await maya.getByRole('button', { name: 'Formula' }).click();
  const dialog = maya.getByRole('dialog');
  const put = dialog.getByRole('button', { name: 'Use this formula' });
  await expect(put).toBeDisabled();
  await dialog.getByRole('button', { name: 'fraction' }).click();
  await maya.keyboard.type('F');
  await expect(dialog.getByLabel('Written as LaTeX')).toHaveValue('\\frac{F}{}');
  await dialog.getByLabel('Written as LaTeX').fill('\\frac{F}{A');
  await expect(dialog.getByText('This cannot be read yet')).toBeVisible();
  await expect(put).toBeDisabled();
  await dialog.getByLabel('Written as LaTeX').fill('\\frac{F}{A}');
  await put.click();
  await expect(marks(maya).last()).toHaveText('Formula, yours: \\frac{F}{A}');
  await marks(maya).last().focus();
  await maya.keyboard.press('Enter');
  await dialog.getByLabel('Written as LaTeX').fill('\\sqrt{x}');
  await put.click();
  await expect(marks(maya).last()).toHaveText('Formula, yours: \\sqrt{x}');
  await kept(maya);
  expect(maya.problems).toEqual([]);
});

test('a teacher draws and names a zone; what belongs there stays with the teacher', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  await varga.getByRole('button', { name: 'Loose', exact: true }).click();
  await tool(varga, 'Note').click();
  await tap(varga, 0.5, 0.3);
  await varga.keyboard.type('pier');
  await varga.keyboard.press('Escape');
  await varga.getByRole('button', { name: 'Zone', exact: true }).click();
  await drag(varga, [0.3, 0.12], [0.7, 0.46]);
  await varga.getByLabel('Name of the zone').fill('our bank');
  await varga.keyboard.press('Tab');
  await expect(marks(varga).last()).toHaveText('Zone, printed: our bank');
  await kept(varga);
  await varga.getByRole('button', { name: 'What lies here now belongs here' }).click();
  await expect(varga.getByText('Marks that belong here: 1')).toBeVisible();
  await varga.getByLabel('Right answers, one a line').fill('secret keystone');
  await varga.keyboard.press('Tab');
  await kept(varga);

  const code = await handOut(varga);
  const snapshots = [];
  const maya = await student(browser, code, 'Maya', { acceptDownloads: false });
  maya.on('response', async (answer) => {
    if (answer.url().includes('/snapshot')) snapshots.push((await answer.body()).toString('latin1'));
  });
  await maya.reload();
  await expect(marks(maya).last()).toHaveText('Zone, printed: our bank');
  await expect.poll(() => snapshots.length).toBeGreaterThan(0);
  expect(snapshots.join()).toContain('our bank');
  expect(snapshots.join()).not.toContain('secret keystone');
});

test('an organizer is found, filled in and put on the page as ordinary marks', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  await varga.getByRole('button', { name: 'Organizers' }).click();
  const drawer = varga.getByRole('dialog');
  await expect(drawer.locator('canvas')).toHaveCount(21);
  await drawer.getByLabel('Search').fill('venn two');
  await expect(drawer.locator('canvas')).toHaveCount(1);
  await drawer.getByRole('button', { name: 'Two circles (Venn diagram)' }).click();
  await drawer.getByLabel('first thing').fill('An arch');
  await drawer.getByLabel('second thing').fill('A beam');
  await drawer.getByRole('button', { name: 'Put on a new page' }).click();
  await expect(marks(varga)).toHaveText([
    'Text, printed: {topic}',
    'Zone, printed: An arch',
    'Zone, printed: A beam',
    'Text, printed: both',
  ]);
  await varga.getByRole('button', { name: 'Undo' }).click();
  await expect(marks(varga)).toHaveCount(0);
});
