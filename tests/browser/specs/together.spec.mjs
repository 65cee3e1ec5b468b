import { expect, test } from '@playwright/test';
import { design, draw, handOut, kept, marks, student, teacher, writeNote } from './people.mjs';

test('all together: everybody writes on one board, and nobody can rub out what another wrote', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  await varga.getByRole('link', { name: 'Hand out' }).click();
  const ready = varga.locator('.ready section:visible');
  await expect(ready).toHaveCount(1);
  await expect(ready).toContainText('Each student gets a board of their own.');
  await varga.getByLabel('Everybody together').check();
  await expect(ready).toContainText('Everybody works on one board.');
  await varga.getByLabel('Closed: nobody').check();
  await expect(ready).toContainText('The door is closed');
  await varga.goBack();
  const code = await handOut(varga, { way: 'Everybody together' });
  await expect(varga.locator('.tile')).toHaveText(/Everybody's board/);

  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  await writeNote(maya, 'Arches push outwards');
  await expect(marks(ben)).toHaveText(['Text, printed: What holds a bridge up?', /^Note, .*Arches push outwards/]);

  // Ben rubs straight across Maya's note, above the text in the middle.
  await ben.getByRole('button', { name: 'Erase' }).click();
  await ben.getByRole('button', { name: 'All of it' }).click();
  const box = await ben.locator('[data-surface]').boundingBox();
  await ben.mouse.move(box.x + box.width * 0.3, box.y + box.height * 0.34);
  await ben.mouse.down();
  await ben.mouse.move(box.x + box.width * 0.7, box.y + box.height * 0.34, { steps: 10 });
  await ben.mouse.up();
  await draw(ben, [0.2, 0.2], [0.4, 0.25]);
  await kept(ben);
  await expect(marks(maya)).toHaveText(['Text, printed: What holds a bridge up?', 'Note, yours: Arches push outwards', 'Drawing, by Ben']);

  // Chosen, a mark says whose it is.
  await maya.locator('.ledge-tools').getByRole('button', { name: 'Choose' }).click();
  await marks(maya).last().focus();
  await expect(maya.locator('.chosen')).toContainText('by Ben');
  await marks(maya).nth(1).focus();
  await expect(maya.locator('.chosen')).not.toContainText('by ');
  await maya.keyboard.press('Escape');

  // Ben sees where Maya is, by name.
  await maya.mouse.move(400, 300);
  await maya.mouse.move(500, 320, { steps: 6 });
  const told = await ben.evaluate(async () => {
    const { work, query } = JSON.parse(document.getElementById('page-data').textContent);
    return (await (await fetch(`/rooms/${work}/names${query}`)).json()).map((p) => p.name);
  });
  expect(told).toEqual(['Maya', 'Ben', 'Ilse Varga']);
  await maya.getByRole('button', { name: 'Point', exact: true }).click();
  await maya.mouse.move(400, 300);
  await maya.mouse.down();
  await maya.mouse.move(500, 320, { steps: 6 });
  await maya.mouse.up();
  await expect(marks(ben)).toHaveCount(3);

  await ben.getByRole('button', { name: 'Hand up' }).click();
  await expect(varga.locator('.needs li')).toContainText('Ben');
  await expect(varga.locator('.tile')).toHaveCount(1);
  expect([...varga.problems, ...maya.problems, ...ben.problems]).toEqual([]);
});
