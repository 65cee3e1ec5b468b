import { expect, test } from '@playwright/test';
import { design, draw, kept, marks, student, teacher, writeNote } from './people.mjs';

const contents = (page) => page.locator('details[data-contents]').first();
const slot = (page) => page.getByLabel(/^Write here/).first();

async function putUp(page, words) {
  await slot(page).fill(words);
  await slot(page).press('Control+Enter');
}

async function namePart(page, name) {
  const field = page.getByLabel('Name of this part');
  await field.fill(name);
  await field.blur();
  await expect(page.locator('.part-line[aria-current="page"]')).toContainText(name);
  await kept(page);
}

async function addPart(page, kind, number) {
  await page.getByText('Another part').click();
  await page
    .getByRole('group', { name: 'This part' })
    .or(page.locator('details.again'))
    .last()
    .getByRole('button', { name: kind, exact: true })
    .click();
  await page.waitForURL(new RegExp(`part=${number}$`));
  await kept(page);
}

/** Think alone, everybody's wall, exit ticket. */
async function designParts(page) {
  await design(page, 'From load to ground');
  await addPart(page, 'A wall', 2);
  await namePart(page, 'Best ideas');
  await page.getByLabel('The question over the wall').fill('Which idea is best?');
  await addPart(page, 'Pages', 3);
  await namePart(page, 'Exit ticket');
  await page.getByRole('link', { name: /^1\. Pages/ }).click();
  await expect(page.getByLabel('Name of this part')).toHaveValue('');
  await kept(page);
  await namePart(page, 'Think alone');
}

async function handOutParts(page, opening) {
  await page.getByRole('link', { name: 'Hand out' }).click();
  await page.getByLabel('For whom').fill('7 Amber');
  await page.getByLabel(opening).check();
  await expect(page.locator('.ready')).toContainText('There are 3 parts');
  await page.getByRole('button', { name: 'Hand out' }).click();
  // Where groups are to be made, one goes there first.
  await page.waitForURL(/(code|people)$/);
  if (page.url().endsWith('people')) await page.getByRole('link', { name: /^[A-Z0-9]{4} [A-Z0-9]{4}$/ }).click();
  const code = await page.locator('[data-code]').getAttribute('data-code');
  await page.getByRole('link', { name: 'Watch the boards' }).click();
  await expect(page.getByRole('button', { name: 'Pens down' })).toBeEnabled();
  return code;
}

test('think alone, put it on the wall, leave an exit ticket: one activity, one code, one lesson', async ({
  browser,
}) => {
  const varga = await teacher(browser);
  await designParts(varga);

  // What the ready check finds in a part leads there.
  await varga.getByRole('link', { name: 'Hand out' }).click();
  const line = varga.locator('.ready li:visible', {
    hasText: 'Exit ticket: Pages on which nothing stands yet',
  });
  await line.getByRole('link', { name: 'Open the first' }).click();
  await expect(varga.locator('.part-line[aria-current="page"]')).toContainText('Exit ticket');
  await varga.getByRole('button', { name: 'Write here' }).click();
  await varga.keyboard.type('What do I take home?');
  await varga.keyboard.press('Escape');
  await expect(marks(varga)).toHaveText(['Text, printed: What do I take home?']);
  await kept(varga);
  const code = await handOutParts(varga, 'One after another, as I open them');

  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben', {
    viewport: { width: 390, height: 844 },
  });
  await draw(maya);
  await writeNote(ben, 'The deck carries it');
  await kept(maya);
  await kept(ben);
  await contents(maya).locator('summary').click();
  await expect(contents(maya).locator('.contents-line:visible')).toHaveText([
    '1. Think alone',
    '2. opens later',
    '3. opens later',
  ]);
  await maya.keyboard.press('Escape');

  // Nobody owes cards where nobody can put one up yet.
  await varga.getByRole('link', { name: /2\. Best ideas/ }).click();
  await expect(varga.getByText('Students do not see this part yet.')).toBeVisible();
  await expect(varga.getByText(/No card yet/)).toHaveCount(0);
  await varga.getByRole('button', { name: 'Open this part' }).click();
  await expect(varga.getByRole('link', { name: /2\. Best ideas/ }).getByText('not open')).toBeHidden();

  // It is said, and nobody is moved.
  for (const page of [maya, ben])
    await expect(page.locator('.part-opened')).toContainText('“2. Best ideas” is open now.');
  await expect(marks(ben)).toHaveCount(2);
  await ben.getByRole('link', { name: 'Go there' }).click();
  await kept(ben);
  await putUp(ben, 'Arches push sideways');
  await maya.getByRole('button', { name: 'Not now' }).click();
  await expect(maya.locator('.part-opened')).toBeHidden();
  await contents(maya).locator('summary').click();
  await maya.getByRole('link', { name: '2. Best ideas' }).click();
  await kept(maya);
  await expect(maya.locator('.slip-words')).toHaveText(['Arches push sideways']);
  await putUp(maya, 'Cables pull');
  await kept(maya);
  await expect(varga.locator('.tile')).toContainText('2 cards');

  // What Maya has drawn alone goes onto the wall in one press, and a classmate's idea onto her page, with whose it is.
  await contents(maya).locator('summary').click();
  await maya.getByRole('link', { name: '1. Think alone' }).click();
  await kept(maya);
  await maya.locator('.ledge-tools').getByRole('button', { name: 'Choose' }).click();
  await expect(marks(maya).last()).toHaveText('Drawing, yours');
  await marks(maya).last().focus();
  await maya.getByRole('button', { name: 'Put it on the wall' }).click();
  await expect(maya.getByText('It is on the wall, as a card of yours.')).toBeVisible();
  await expect(varga.locator('.tile')).toContainText('3 cards');
  await contents(maya).locator('summary').click();
  await maya.getByRole('link', { name: '2. Best ideas' }).click();
  await kept(maya);
  await expect(maya.locator('.slip', { hasText: 'Yours' }).locator('svg').first()).toBeVisible();
  await maya.getByRole('button', { name: 'One by one' }).click();
  await expect(maya.locator('[data-large-card]')).toContainText('Arches push sideways');
  await maya.getByRole('button', { name: 'Take it to my page' }).click();
  await expect(maya.getByText('It is with you')).toBeVisible();
  await contents(maya).locator('summary').click();
  await maya.getByRole('link', { name: '1. Think alone' }).click();
  await expect(maya.getByText('1 card from the wall')).toBeVisible();
  await maya.getByRole('button', { name: 'Put on this page' }).click();
  await expect(marks(maya).last()).toHaveText(/^Note, yours: Arches push sideways\s+— Ben$/);
  await kept(maya);
  await expect(maya.getByText('1 card from the wall')).toBeHidden();
  await contents(maya).locator('summary').click();
  await maya.getByRole('link', { name: '2. Best ideas' }).click();
  await kept(maya);

  // Back and forth, and everything is where it was.
  await contents(ben).locator('summary').click();
  await ben.getByRole('link', { name: '1. Think alone' }).click();
  await kept(ben);
  await expect(marks(ben)).toContainText(['From load to ground', 'The deck carries it']);

  // Who comes now begins where the lesson is.
  await varga.getByRole('link', { name: /3\. Exit ticket/ }).click();
  await varga.getByRole('button', { name: 'Open this part' }).click();
  await expect(maya.locator('.part-opened')).toContainText('Exit ticket');
  const amina = await student(browser, code, 'Amina');
  await expect(marks(amina)).toHaveText([/What do I take home/]);
  await writeNote(amina, 'Triangles keep their shape');
  await kept(amina);
  await expect(varga.locator('.tile', { hasText: 'Amina' })).toContainText('just now');

  // The wall is closed while Maya is on it: she goes on in the exit ticket, and hears why.
  await varga.getByRole('link', { name: /2\. Best ideas/ }).click();
  await varga.getByRole('button', { name: 'Close this part' }).click();
  await expect(maya.getByText('Your teacher has closed the part in which you were.')).toBeVisible();
  await kept(maya);
  await contents(maya).locator('summary').click();
  await expect(contents(maya).locator('.contents-line:visible')).toHaveText([
    '1. Think alone',
    '2. opens later',
    '3. Exit ticket',
  ]);
});

test('parts are arranged, taken out and brought back, and go their own ways', async ({ browser }) => {
  const varga = await teacher(browser);
  await designParts(varga);
  await varga.getByRole('button', { name: 'Later' }).click();
  await expect(varga.locator('.part-line')).toContainText(['1. Best ideas', '2. Think alone', '3. Exit ticket']);
  await varga.getByRole('button', { name: 'Undo' }).click();
  await expect(varga.locator('.part-line')).toContainText(['1. Think alone', '2. Best ideas', '3. Exit ticket']);
  await varga.getByRole('button', { name: 'Take this part out' }).click();
  await varga.waitForURL(/part=2$/);
  await kept(varga);
  await expect(varga.locator('.part-line')).toHaveCount(2);
  await varga.getByRole('button', { name: 'Undo' }).click();
  await expect(varga.locator('.part-line')).toContainText(['1. Think alone', '2. Best ideas', '3. Exit ticket']);

  // By group here, whatever the others do. A page that is added belongs to its part.
  await varga.getByRole('link', { name: '3. Exit ticket' }).click();
  await kept(varga);
  await varga.getByLabel('Who works with whom here').selectOption('By group: a board for each');
  await varga.getByRole('button', { name: 'New page' }).click();
  await kept(varga);
  await expect(varga.locator('.part-line[aria-current="page"]')).toContainText('2 pages');
  await varga.getByRole('button', { name: 'Try it as a student' }).click();
  await expect(varga.frameLocator('[data-try-seat="1"]').getByText('2 / 2').first()).toBeVisible();
  const code = await handOutParts(varga, 'All open from the beginning');

  const [maya, ben] = [await student(browser, code, 'Maya'), await student(browser, code, 'Ben')];
  await varga.goto(varga.url().replace(/(\?.*)?$/, '/people'));
  await expect(varga.getByText('Groups work together in: Exit ticket.')).toBeVisible();
  await varga.getByRole('button', { name: 'Maya' }).click();
  await varga.getByRole('button', { name: 'Ben' }).click();
  await varga.getByRole('button', { name: 'Make them a group' }).click();
  await expect(maya.locator('h1')).not.toContainText('Ben');
  for (const page of [maya, ben]) {
    await contents(page).locator('summary').click();
    await page.getByRole('link', { name: '3. Exit ticket' }).click();
    await kept(page);
  }
  await expect(maya.locator('h1')).toContainText('Ben');
  await writeNote(maya, 'We take home: triangles');
  await expect(marks(ben)).toContainText(['We take home: triangles']);
});
