import { expect, test } from '@playwright/test';
import { design, handOut, kept, marks, student, teacher } from './people.mjs';

const lines = (page) => page.locator('.page-order li');

test('pages are added, named, doubled, moved, taken out and brought back; copies get their names', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  await varga.getByLabel('Name of the page').fill('First ideas');
  await expect(lines(varga)).toHaveText(['1. First ideas']);
  await varga.getByRole('button', { name: 'New page' }).click();
  await varga.getByLabel('Name of the page').fill('Measure');
  await varga.getByLabel('Coordinate plane').check();
  await varga.getByLabel('Numbers across').fill('0, 20, 2');
  await varga.getByLabel('Numbers across').press('Enter');
  await expect(lines(varga)).toHaveText(['1. First ideas', '2. Measure']);
  await varga.getByLabel('Numbers across').fill('20, 0, 2');
  await varga.getByLabel('Numbers across').press('Enter');
  await expect(varga.getByText('That cannot be drawn.')).toBeVisible();

  await varga.getByRole('button', { name: 'Up', exact: true }).click();
  await expect(lines(varga)).toHaveText(['1. Measure', '2. First ideas']);
  await varga.getByRole('button', { name: 'Remove' }).click();
  await expect(lines(varga)).toHaveText(['1. First ideas']);
  await varga.getByRole('button', { name: 'Undo' }).click();
  await expect(lines(varga)).toHaveText(['1. Measure', '2. First ideas']);

  await varga.getByRole('button', { name: '2. First ideas' }).click();
  await varga.getByRole('button', { name: 'Write here' }).click();
  await varga.keyboard.type('Board of {name}');
  await varga.keyboard.press('Escape');
  await varga.getByRole('button', { name: 'Copies' }).click();
  await varga.getByLabel('How many, or one name').fill('Maya\nBen\n');
  await varga.getByRole('button', { name: 'Make 2 copies' }).click();
  await expect(lines(varga)).toHaveText(['1. Measure', '2. First ideas', '3. Maya', '4. Ben']);
  await expect(marks(varga)).toHaveText([/printed: What holds/, 'Text, printed: Board of Ben']);
  await varga.getByRole('button', { name: 'Undo' }).click();
  await expect(lines(varga)).toHaveText(['1. Measure', '2. First ideas']);
  await kept(varga);
  await varga.reload();
  await kept(varga);
  await expect(lines(varga)).toHaveText(['1. Measure', '2. First ideas']);
  await varga.getByRole('button', { name: 'All pages' }).click();
  await expect(varga.locator('.overview-page')).toHaveCount(2);
  expect(varga.problems).toEqual([]);
});

test('an outline becomes pages after a look at them, and a page comes over from another activity', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga, 'Load test log');
  await varga.goto('/desk');
  await varga.getByRole('button', { name: 'New activity' }).click();
  await kept(varga);
  await varga.getByRole('button', { name: 'From an outline' }).click();
  await varga.getByLabel('Paste the outline here').fill('# Draw\nDraw a truss.\n# Measure\nMeasure each side.');
  await expect(varga.locator('.outline-preview li')).toHaveText([/Draw\s+Draw a truss\./, /Measure\s+Measure each side\./]);
  await varga.getByRole('button', { name: 'Make 2 pages' }).click();
  await expect(lines(varga)).toHaveText(['1. Page without a name', '2. Draw', '3. Measure']);
  await expect(varga.getByLabel('Directions for this page')).toHaveValue('Measure each side.');
  await varga.getByRole('button', { name: 'From another activity' }).click();
  await varga.getByRole('button', { name: 'Load test log' }).click();
  await varga.getByRole('dialog').getByRole('button', { name: /^1\./ }).click();
  await expect(lines(varga)).toHaveCount(4);
  await expect(marks(varga)).toHaveText(['Text, printed: Load test log']);
  expect(varga.problems).toEqual([]);
});

test('students get the pages in order, with the tools of each page, and never the answer key', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  await varga.getByLabel('Name of the page').fill('First ideas');
  await varga.getByRole('checkbox', { name: 'Shapes' }).uncheck();
  await varga.getByRole('button', { name: 'Answer key', exact: true }).click();
  await varga.getByRole('button', { name: 'Write here' }).click();
  await varga.keyboard.type('The arch carries it');
  await varga.keyboard.press('Escape');
  await expect(marks(varga).last()).toHaveText('Text, answer key: The arch carries it');
  await varga.getByRole('button', { name: 'New page' }).click();
  await varga.getByRole('checkbox', { name: 'Shapes' }).check();
  await varga.getByLabel('Name of the page').fill('Build it');
  await expect(lines(varga)).toHaveText(['1. First ideas', '2. Build it']);
  await kept(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  const sent = await maya.evaluate(async () => {
    const data = JSON.parse(document.getElementById('page-data').textContent);
    const answer = await fetch(`/rooms/${data.work}/snapshot${data.query}`);
    return answer.text();
  });
  expect(sent).toContain('What holds a bridge up?');
  expect(sent).not.toContain('The arch carries it');
  await expect(marks(maya)).toHaveCount(1);
  await expect(maya.getByText('Page 1 of 2: First ideas')).toBeVisible();
  await expect(maya.locator('.ledge-tools').getByRole('button', { name: 'Shape' })).toBeHidden();
  await maya.getByRole('button', { name: 'On', exact: true }).click();
  await expect(maya.getByText('Page 2 of 2: Build it')).toBeVisible();
  await expect(maya.locator('.ledge-tools').getByRole('button', { name: 'Shape' })).toBeVisible();
  await maya.getByText('Page 2 of 2: Build it').click();
  await maya.getByRole('button', { name: '1. First ideas' }).click();
  await maya.getByRole('button', { name: 'More room' }).click();
  await kept(maya);
  expect([...varga.problems, ...maya.problems]).toEqual([]);
});
