// The desk as it grows: templates, places to fill in, topics, the bin, versions.
import { expect, test } from '@playwright/test';
import { design, kept, marks, teacher } from './people.mjs';

test('a colleague begins with a template, fills it in everywhere at once, and can take that back', async ({ browser }) => {
  const varga = await teacher(browser);
  await varga.getByRole('link', { name: 'Templates' }).click();
  await varga.getByRole('button', { name: 'Begin with Compare two things' }).click();
  await kept(varga);
  await varga.getByRole('button', { name: /^Fill in \(/ }).click();
  const dialog = varga.getByRole('dialog');
  await dialog.getByLabel('first thing').fill('Arch');
  await dialog.getByLabel('second thing').fill('Beam');
  await dialog.getByRole('button', { name: 'Fill in everywhere' }).click();
  await expect(varga.getByRole('heading', { level: 1 })).toHaveText('Arch and Beam');
  await expect(marks(varga).filter({ hasText: 'Zone' })).toHaveText(['Zone, printed: Arch', 'Zone, printed: Beam']);
  await kept(varga);
  await varga.getByRole('button', { name: 'Undo' }).click();
  await expect(varga.getByRole('heading', { level: 1 })).toHaveText('{first thing} and {second thing}');
  expect(varga.problems).toEqual([]);
});

test('activities are kept under topics, found by what stands in them, put in the bin and taken out', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga, 'Triangles in trusses');
  await design(varga, 'Load test log');
  await varga.goto('/desk');
  const rows = varga.locator('.row').filter({ has: varga.getByRole('link', { name: 'Open in the workshop' }) });
  await expect(rows).toHaveCount(2);
  await rows.first().getByText('More').click();
  await rows.first().getByLabel('Topic').fill('Testing');
  await rows.first().getByRole('button', { name: 'Keep under this topic' }).click();
  await expect(rows.filter({ hasText: 'Load test log' })).toContainText('Testing');
  await varga.getByLabel('Search in names and content').fill('trusses');
  await varga.getByRole('button', { name: 'Search' }).click();
  await expect(rows).toHaveCount(1);
  await rows.first().getByText('More').click();
  await rows.first().getByRole('button', { name: 'Put in the bin' }).click();
  await expect(rows).toHaveCount(1);
  await varga.getByRole('link', { name: 'Open the bin' }).click();
  await varga.getByRole('button', { name: 'Take it out of the bin' }).click();
  await expect(rows).toHaveCount(2);
  await rows.first().getByText('More').click();
  await rows.first().getByRole('button', { name: 'Duplicate' }).click();
  await expect(rows).toHaveCount(3);
});

test('a teacher keeps a version by name and goes back to it while the workshop is open elsewhere', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga, 'Load test log');
  const elsewhere = await varga.context().newPage();
  await elsewhere.goto(varga.url());
  await expect(marks(elsewhere)).toHaveCount(1);
  await varga.getByRole('link', { name: 'Versions' }).click();
  await varga.getByLabel('Name for what it says now').fill('First');
  await varga.getByRole('button', { name: 'Keep this version' }).click();
  await expect(varga.getByText('First')).toBeVisible();
  await marks(elsewhere).first().focus();
  await elsewhere.keyboard.press('c');
  await marks(elsewhere).first().focus();
  await elsewhere.keyboard.press('Delete');
  await expect(marks(elsewhere)).toHaveCount(0);
  await kept(elsewhere);
  await varga.getByRole('button', { name: 'Go back to this' }).click();
  await expect(marks(varga)).toHaveText(['Text, printed: Load test log']);
  await expect(marks(elsewhere)).toHaveText(['Text, printed: Load test log']);
  await varga.getByRole('link', { name: 'Versions' }).click();
  await expect(varga.getByText(/^Before going back to/)).toBeVisible();
});
