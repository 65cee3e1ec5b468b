import { expect, test } from '@playwright/test';
import { handOut, kept, student, teacher } from './people.mjs';

const cards = (page, topic) => page.getByRole('list', { name: topic, exact: true }).locator('.slip-words');
const slip = (page, words) => page.locator('.slip', { hasText: words });

async function putUp(page, topic, words) {
  const slot = page.getByLabel(`Write here, under ${topic}`, { exact: true });
  await slot.fill(words);
  await slot.press('Control+Enter');
  await kept(page);
}

/** All that comes to a page over the network, as text in which words and whole numbers can be found. */
function received(page) {
  const frames = [];
  page.on('websocket', (socket) => socket.on('framereceived', ({ payload }) => frames.push(Buffer.from(payload).toString('latin1'))));
  return frames;
}

/** What is new is shown; until something is so. */
async function shown(page, isSo) {
  const fresh = page.getByRole('button', { name: /^Show \d+ new cards?: / }).first();
  await expect(async () => {
    if (await fresh.isVisible()) await fresh.click({ timeout: 1_000 });
    await isSo({ timeout: 1_000 });
  }).toPass({ timeout: 20_000 });
}

test('students write without names: what they write comes out together, and only the teacher knows whose it is', async ({ browser }) => {
  const varga = await teacher(browser);
  await varga.goto('/desk');
  await varga.getByRole('button', { name: 'New wall' }).click();
  await kept(varga);
  await varga.getByLabel('Name of the activity').fill('What went wrong today');
  await varga.getByLabel('The question over the wall').fill('What did you not understand about arches?');
  await varga.getByRole('button', { name: 'Topics from a list' }).click();
  await varga.getByLabel('Paste the outline here').fill('1. Forces: What pushes where?\n2. Materials: What are they made of?');
  await varga.getByRole('button', { name: 'Make 2 topics' }).click();
  await varga.getByLabel('Students do not see whose a card is; only teachers do.').check();
  await expect(varga.getByText(/once three of them have written/)).toBeVisible();
  await varga.getByLabel('Students may answer').check();
  await kept(varga);
  await varga.getByRole('link', { name: 'Hand out' }).click();
  await expect(varga.locator('.ready section:visible')).toContainText('Students do not see whose anything is');
  await expect(varga.locator('.ready section:visible')).toContainText('only teachers see whose a card is');
  await varga.goBack();
  await kept(varga);
  const code = await handOut(varga, { way: 'Everybody together on one wall' });
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben', { viewport: { width: 390, height: 844 } });
  const cara = await student(browser, code, 'Cara');
  await expect(maya.getByText('Only teachers see whose a card is.')).toBeVisible();
  const bens = received(ben);
  await ben.reload();
  await kept(ben);

  // Two have written: nobody else sees it; the teacher does, with names, and knows that the class does not.
  await putUp(maya, 'Forces', 'Why does an arch push outwards?');
  await putUp(maya, 'Forces', 'What is a hinge?');
  await putUp(cara, 'Forces', 'Where does the load go?');
  await varga.getByText('Open the wall').click();
  await expect(slip(varga, 'Why does an arch push outwards?')).toContainText('Maya');
  await expect(varga.getByText(/take care where you show this screen/)).toBeVisible();
  await expect(varga.getByText('2 students have done something that the class does not see yet.')).toBeVisible();
  await expect(cards(ben, 'Forces')).toHaveCount(0);
  expect(bens.join()).not.toContain('hinge');

  // The third writes: all of it comes out, without names.
  await putUp(ben, 'Forces', 'Is a beam an arch?');
  await shown(ben, (brief) => expect(cards(ben, 'Forces')).toHaveCount(4, brief));
  await expect(slip(ben, 'What is a hinge?')).toContainText('A classmate');
  await expect(slip(ben, 'Is a beam an arch?')).toContainText('Yours');
  await expect(ben.locator('[data-wall]')).not.toContainText('Maya');
  await expect(varga.getByText(/that the class does not see yet/)).toBeHidden();

  // An answer waits; the teacher lets it out. Its author sees it at once, and whoever asked not before.
  await slip(ben, 'What is a hinge?').getByRole('button', { name: /Answer/ }).first().click();
  await ben.getByLabel('Write an answer').fill('It lets the arch turn a little.');
  await ben.keyboard.press('Control+Enter');
  await kept(ben);
  await expect(varga.getByText('1 student has done something that the class does not see yet.')).toBeVisible();
  await expect(maya.getByText('It lets the arch turn a little.')).toHaveCount(0);
  await varga.getByRole('button', { name: 'Let the class see it' }).click();
  await expect(slip(maya, 'What is a hinge?')).toContainText(/1 (new )?answer|It lets the arch turn/);
  await expect(varga.getByText(/that the class does not see yet/)).toBeHidden();

  // Whoever comes late, or comes again, sees the same.
  await maya.reload();
  await kept(maya);
  await expect(cards(maya, 'Forces')).toHaveCount(4);
  await expect(maya.locator('[data-wall]')).not.toContainText(/Ben|Cara/);

  // What was written without names stays without names.
  await varga.getByRole('button', { name: 'Change the wall' }).click();
  await expect(varga.getByLabel('Students do not see whose a card is; only teachers do.')).toBeDisabled();
  await expect(varga.getByText('Students have written here without names. That stays so.')).toBeVisible();
  for (const page of [varga, maya, ben, cara]) expect(page.problems).toEqual([]);
});

test('names are hidden while the wall runs: who looks goes on with what they know, and nothing is lost', async ({ browser }) => {
  const varga = await teacher(browser);
  await varga.goto('/desk');
  await varga.getByRole('button', { name: 'New wall' }).click();
  await kept(varga);
  await varga.getByLabel('Name of the activity').fill('Bridges');
  await varga.getByLabel('The question over the wall').fill('Which bridge would you build?');
  await varga.getByRole('button', { name: 'Topics from a list' }).click();
  await varga.getByLabel('Paste the outline here').fill('1. Ideas: One to a card.');
  await varga.getByRole('button', { name: 'Make 1 topic' }).click();
  await kept(varga);
  const code = await handOut(varga, { way: 'Everybody together on one wall' });
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben');
  await putUp(maya, 'Ideas', 'A rope bridge');
  await shown(ben, (brief) => expect(slip(ben, 'A rope bridge')).toContainText('Maya', brief));

  await varga.getByText('Open the wall').click();
  await varga.getByRole('button', { name: 'Change the wall' }).click();
  await varga.getByLabel('Students do not see whose a card is; only teachers do.').check();
  await expect(varga.getByText(/Names are hidden from now on/)).toBeVisible();
  await ben.context().setOffline(true);
  await ben.getByLabel('Write here, under Ideas', { exact: true }).fill('A chain bridge');
  await ben.getByLabel('Write here, under Ideas', { exact: true }).press('Control+Enter');
  await varga.getByRole('button', { name: 'Change it for everybody' }).click();
  await expect(maya.getByText('Only teachers see whose a card is.')).toBeVisible();
  await ben.context().setOffline(false);
  // What he read before stays where it was, though it is known by other numbers now.
  await expect(slip(ben, 'A rope bridge')).toContainText('A classmate');
  await kept(ben);
  await expect(slip(varga, 'A chain bridge')).toContainText('Ben');
  await expect(cards(maya, 'Ideas')).toHaveText(['A rope bridge']);
  await varga.getByRole('button', { name: 'Let the class see it' }).click();
  await shown(maya, (brief) => expect(slip(maya, 'A chain bridge')).toContainText('A classmate', brief));
  for (const page of [varga, maya, ben]) expect(page.problems.filter((p) => !/ERR_INTERNET_DISCONNECTED|net::/.test(p))).toEqual([]);
});
