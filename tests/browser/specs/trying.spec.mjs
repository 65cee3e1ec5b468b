import { expect, test } from '@playwright/test';
import { design, draw, marks, teacher, writeNote } from './people.mjs';

test('two sample students try the activity beside the editor, and find every change of it', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  await varga.getByRole('button', { name: 'Answer key' }).click();
  await writeNote(varga, 'Triangles cannot be pushed out of shape');
  await varga.getByRole('button', { name: 'Try it as a student' }).click();
  await varga.getByLabel('Both on one board').check();
  const [first, second] = [1, 2].map((n) => varga.frameLocator(`[data-try-seat="${n}"]`));
  const title = 'Text, printed: What holds a bridge up?';

  // The answer key is not there, and neither can rub out what the other made.
  await expect(marks(first)).toHaveText([title]);
  await expect(marks(second)).toHaveText([title]);
  await first.getByRole('button', { name: 'Note', exact: true }).press('Enter');
  await first.getByRole('button', { name: 'Write here' }).press('Enter');
  await varga.keyboard.type('The arch pushes outwards');
  await varga.keyboard.press('Escape');
  await expect(marks(second)).toHaveText([title, /^Note, by [^:]+: The arch pushes outwards$/]);
  await varga.getByRole('button', { name: 'Student 2' }).click();
  await marks(second).nth(1).focus();
  await varga.keyboard.press('Delete');
  await expect(marks(first)).toHaveText([title, 'Note, yours: The arch pushes outwards']);

  // The editor goes on beside it: what is printed now is there at once, and what they did stays.
  await varga.getByRole('button', { name: 'Printed', exact: true }).click();
  await writeNote(varga, 'Draw one');
  await expect(marks(second)).toHaveText([title, /^Note, by [^:]+: The arch pushes outwards$/, 'Note, printed: Draw one']);
  await expect(marks(first)).toHaveText([title, 'Note, yours: The arch pushes outwards', 'Note, printed: Draw one']);

  // On a board each they know nothing of each other.
  await varga.getByLabel('Both on one board').uncheck();
  await expect(marks(first)).toHaveText([title, 'Note, printed: Draw one']);
  await varga.getByRole('button', { name: 'Student 1' }).click();
  await draw(Object.assign(first, { mouse: varga.mouse }));
  await expect(marks(first)).toHaveCount(3);
  await expect(marks(second)).toHaveCount(2);
  expect(varga.problems).toEqual([]);
});
