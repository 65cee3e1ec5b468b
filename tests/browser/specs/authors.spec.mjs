// Who wrote what on a shared board: told where one points, on choosing, in the list, and on wish of everything.
import { expect, test } from '@playwright/test';
import { noBarrier } from './barriers.mjs';
import { design, draw, handOut, kept, marks, student, teacher } from './people.mjs';

const picture = async (page, name) => process.env.PICTURES && page.screenshot({ path: `/tmp/p/${name}.png` });
const wish = (page) => page.getByRole('button', { name: 'Who wrote what' });

/** How many pixels over the page have a colour. */
const painted = (page, [r, g, b]) =>
  page.locator('.surface-input').evaluate(
    (canvas, [r, g, b]) => {
      const { data } = canvas.getContext('2d').getImageData(0, 0, canvas.width, canvas.height);
      let count = 0;
      for (let i = 0; i < data.length; i += 4) if (data[i] === r && data[i + 1] === g && data[i + 2] === b && data[i + 3] === 255) count++;
      return count;
    },
    [r, g, b],
  );
// Of the first and of the second who wrote, and of the name under the pointer.
const FIRST = [0x9a, 0x6a, 0x00];
const SECOND = [0x2f, 0x6f, 0xa8];
const NAME = [0x0c, 0x5c, 0x69];

test('on a shared board each sees on wish who wrote what, and where they point; a board of one’s own has nothing to tell', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga, { way: 'Everybody together on one board' });
  const maya = await student(browser, code, 'Maya Kessler');
  const ben = await student(browser, code, 'Ben Okafor');
  // Where a note stands for one, it stands for the other.
  const box = await ben.locator('[data-surface]').boundingBox();
  const [x, y] = [box.x + 0.4 * box.width, box.y + 0.3 * box.height];
  await maya.getByRole('button', { name: 'Note', exact: true }).click();
  await maya.mouse.click(x, y);
  await maya.keyboard.type('The deck carries it');
  await maya.keyboard.press('Escape');
  await draw(ben);
  for (const page of [maya, ben]) await expect(marks(page)).toHaveCount(3);
  await kept(ben);
  await kept(maya);
  await expect(marks(maya).last()).toHaveText('Drawing, by Ben Okafor');

  // Without the wish nothing is in the way; where the pointer rests over a classmate's, it is said whose it is.
  expect(await painted(ben, FIRST)).toBe(0);
  await ben.getByRole('button', { name: 'Pen', exact: true }).click();
  await ben.mouse.move(x - 40, y - 20);
  await ben.mouse.move(x, y);
  await expect.poll(() => painted(ben, NAME)).toBeGreaterThan(500);
  await picture(ben, 'authors-pointed');
  await ben.mouse.move(box.x + 5, box.y + 5);
  await expect.poll(() => painted(ben, NAME)).toBe(0);
  await wish(maya).click();
  await expect(wish(maya)).toHaveAttribute('aria-pressed', 'true');
  await expect.poll(() => painted(maya, FIRST)).toBeGreaterThan(50);
  await expect.poll(() => painted(maya, SECOND)).toBeGreaterThan(50);
  await picture(maya, 'authors');
  const amina = await student(browser, code, 'Amina', { viewport: { width: 390, height: 844 } });
  await expect(marks(amina)).toHaveCount(3);
  await wish(amina).click();
  await expect.poll(() => painted(amina, SECOND)).toBeGreaterThan(50);
  await picture(amina, 'authors-phone');
  await noBarrier(maya);
  await wish(ben).click();
  await expect.poll(() => painted(ben, SECOND)).toBeGreaterThan(50);
  await wish(maya).click();
  await expect.poll(() => painted(maya, FIRST)).toBe(0);
  // A teacher who looks at the board sees it too.
  await varga.locator('.tile').first().click();
  await wish(varga).click();
  await expect.poll(() => painted(varga, FIRST)).toBeGreaterThan(50);
  await picture(varga, 'authors-teacher');
  for (const page of [varga, maya, ben]) expect(page.problems).toEqual([]);
});

test('where everybody has a board of their own there is nothing to ask', async ({ browser }) => {
  const varga = await teacher(browser);
  await design(varga);
  const code = await handOut(varga);
  const maya = await student(browser, code, 'Maya');
  await kept(maya);
  await expect(wish(maya)).toBeHidden();
});
