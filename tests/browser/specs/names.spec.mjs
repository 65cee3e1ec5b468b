import { expect, test } from '@playwright/test';
import { noBarrier } from './barriers.mjs';
import { handOut, kept, student, teacher } from './people.mjs';

const cards = (page, topic) => page.getByRole('list', { name: topic, exact: true }).locator('.slip-words');
const picture = (page, name) => (process.env.PICTURES ? page.screenshot({ path: `/tmp/p/${name}.png` }) : null);
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

test('names for nobody: the teacher is told no more than the class, a seal is broken before everybody’s eyes', async ({ browser }) => {
  const varga = await teacher(browser);
  await varga.goto('/desk');
  await varga.getByRole('button', { name: 'New wall' }).click();
  await kept(varga);
  await varga.getByLabel('Name of the activity').fill('How is it in our class?');
  await varga.getByLabel('The question over the wall').fill('What should be different in our class?');
  await varga.getByLabel('Students do not see whose a card is; only teachers do.').check();
  await varga.getByLabel('Teachers do not see it either: nobody does.').check();
  await varga.getByLabel('Students may answer').check();
  await kept(varga);
  await varga.getByRole('link', { name: 'Hand out' }).click();
  await expect(varga.locator('.ready section:visible')).toContainText('Nobody sees whose anything is, you do not either');
  await expect(varga.locator('.ready section:visible')).not.toContainText('You see all cards');
  await varga.goBack();
  await kept(varga);
  const code = await handOut(varga, { way: 'Everybody together on one wall' });
  const maya = await student(browser, code, 'Maya');
  const ben = await student(browser, code, 'Ben', { viewport: { width: 390, height: 844 } });
  const cara = await student(browser, code, 'Cara');
  await expect(maya.getByText('Nobody sees whose a card is, teachers neither.')).toBeVisible();

  // Circulate says nothing of anybody.
  const vargas = received(varga);
  await varga.reload();
  await putUp(maya, 'All answers', 'Some are laughed at');
  await putUp(cara, 'All answers', 'The window is always shut');
  await expect(varga.locator('.tile')).toHaveCount(1);
  await expect(varga.locator('.tile')).toContainText('0 cards');
  await expect(varga.locator('.tile')).not.toContainText(/\b(Maya|Cara|Ben)\b|just now|no card/);
  await varga.getByText('Open the wall').click();
  await expect(varga.getByText('Nobody sees whose a card is; you do not either.')).toBeVisible();
  await expect(varga.locator('.slip')).toHaveCount(0);
  await varga.getByRole('button', { name: 'Let the class see it' }).click();
  await expect(varga.getByText('Nothing comes out yet')).toBeVisible();
  expect(vargas.join()).not.toContain('laughed');

  // The third writes: all of it comes out, for the teacher, too, without names.
  await putUp(ben, 'All answers', 'It is too loud');
  await shown(varga, (brief) => expect(slip(varga, 'Some are laughed at')).toBeVisible(brief));
  await expect(slip(varga, 'Some are laughed at')).toContainText('Somebody');
  await expect(varga.locator('.wall')).not.toContainText(/\b(Maya|Cara|Ben)\b/);
  const room = varga.url().split('/').at(-1).split('?')[0];
  const names = await varga.evaluate(async (id) => (await fetch(`/rooms/${id}/names`)).text(), room);
  expect(names).not.toMatch(/\b(Maya|Cara|Ben)\b/);
  for (const file of [`${room}.csv`, `${room}.svg`]) {
    const said = await varga.evaluate(async (name) => (await fetch(`${location.pathname.replace(/[^/]*$/, '')}${name}`)).text(), file);
    expect(said).toContain('too loud');
    expect(said).not.toMatch(/\b(Maya|Cara|Ben)\b/);
  }

  // A decision is about the card; whose it is is learned with a reason that all see, and of that one card alone.
  await slip(varga, 'Some are laughed at').getByText('Whose is it?').click();
  await expect(varga.getByRole('button', { name: 'Break the seal' })).toBeDisabled();
  await slip(varga, 'Some are laughed at').getByLabel('Why must you know?').fill('I want to help');
  await picture(varga, 'seal');
  await varga.getByRole('button', { name: 'Break the seal' }).click();
  for (const page of [varga, maya, cara, ben])
    await shown(page, (brief) => expect(slip(page, 'Some are laughed at')).toContainText('A teacher has learned whose this card is: I want to help', brief));
  await expect(slip(varga, 'Some are laughed at')).toContainText('Maya');
  await expect(slip(varga, 'The window is always shut')).toContainText('Somebody');
  await expect(slip(ben, 'Some are laughed at')).toContainText('A classmate');
  await varga.reload();
  await shown(varga, (brief) => expect(slip(varga, 'Some are laughed at')).toContainText('Maya', brief));
  await noBarrier(varga);
  await picture(varga, 'sealed-teacher');

  // Taken down, and put back, without knowing whose it is.
  await slip(varga, 'The window is always shut').getByRole('button', { name: /^Change/ }).click();
  await varga.getByRole('button', { name: 'Take it down' }).click();
  await expect(slip(cara, 'The window is always shut').getByText('A teacher took it down').or(cara.locator('.taken-down')).first()).toBeVisible();
  await varga.reload();
  await varga.locator('.taken-down summary').click();
  await expect(varga.locator('.taken-down')).toContainText('The window is always shut');
  await expect(varga.locator('.taken-down')).not.toContainText('Cara');
  await varga.getByRole('button', { name: 'Change the wall' }).click();
  await expect(varga.getByLabel('Teachers do not see it either: nobody does.')).toBeDisabled();
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
