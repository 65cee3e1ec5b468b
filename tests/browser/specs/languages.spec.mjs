// One activity in three languages, two of them read from left to right and one from right to left.
import { expect, test } from '@playwright/test';
import { design, handOut, kept, marks, student, teacher, visitor } from './people.mjs';

const SPANISH = 'Dibuja un puente.\nNombra sus partes.';
const ARABIC = 'ارسم جسرا.\nسم أجزاءه.';

async function say(page, language, lines) {
  await page.getByLabel('Language', { exact: true }).selectOption(language);
  for (const [about, text] of lines) {
    const field = page.getByRole('dialog').getByRole('textbox', { name: new RegExp(`^${about}`) });
    await field.fill(text);
    await field.blur();
  }
}

test('each student reads the directions in a language of their own, or in two; sentence starters too', async ({ browser }) => {
  test.slow();
  const varga = await teacher(browser);
  await design(varga);
  await varga.getByLabel('Sentence starters on this page').fill('I think it holds because');
  await varga.getByLabel('Sentence starters on this page').blur();

  await test.step('the teacher says all of it in Spanish and Arabic, and the ready check counts what is left', async () => {
    await varga.getByRole('button', { name: 'Other languages' }).click();
    await say(varga, 'es', [
      ['Name of the activity', '¿Qué aguanta un puente?'],
      ['Directions', SPANISH],
      ['Page 1: What holds', '¿Qué sostiene un puente?'],
      ['Page 1: sentence starter', 'Creo que aguanta porque'],
    ]);
    await say(varga, 'ar', [
      ['Directions', ARABIC],
      ['Page 1: What holds', 'ما الذي يحمل الجسر؟'],
    ]);
    await expect(varga.getByText('Still to be said: 2')).toBeVisible();
    await varga.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
    await kept(varga);
    await varga.getByRole('link', { name: 'Hand out' }).click();
    await expect(varga.locator('.ready')).toContainText('in 3 languages');
    await expect(varga.locator('.ready')).toContainText('Not said in all its languages: 2');
    await varga.goBack();
  });
  const code = await handOut(varga);

  const lucia = await visitor(browser, { locale: 'es-ES' });
  await test.step('a browser that speaks Spanish is spoken to in Spanish, and shows the task in it, without asking', async () => {
    await lucia.goto('/');
    await lucia.getByLabel('Código o dirección que te dio tu docente').fill(code);
    await lucia.getByRole('button', { name: 'Seguir' }).click();
    await expect(lucia.getByRole('heading', { name: '¿Qué aguanta un puente?' })).toBeVisible();
    await lucia.getByLabel('Tu nombre').fill('Lucia');
    await lucia.getByRole('button', { name: 'Ir a mi tablero' }).click();
    await expect(lucia.locator('.kept')).toHaveText('Guardado');
    await expect(lucia.getByRole('heading', { name: '¿Qué aguanta un puente?' })).toBeVisible();
    await expect(marks(lucia)).toHaveText(['Texto, impreso: ¿Qué sostiene un puente?']);
    await lucia.getByRole('button', { name: 'Instrucciones' }).click();
    await expect(lucia.locator('[data-directions]').first()).toHaveText('Dibuja un puente. Nombra sus partes.');
    await expect(lucia.locator('[data-directions]').first()).toHaveAttribute('lang', 'es');
    await lucia.getByRole('button', { name: 'Cerrar' }).click();
  });

  await test.step('a browser that speaks none of its languages shows it as the teacher wrote it', async () => {
    const oona = await student(browser, code, 'Oona', { locale: 'fi-FI' });
    await expect(marks(oona)).toHaveText(['Text, printed: What holds a bridge up?']);
    await oona.getByRole('button', { name: 'Directions' }).click();
    await expect(oona.locator('[data-directions]').first()).toHaveText('1. Draw a bridge. 2. Name its parts.');
  });

  const noor = await student(browser, code, 'Noor', { viewport: { width: 390, height: 844 } });
  await test.step('another chooses Arabic, with English beside it, and finds it again after a reload', async () => {
    await expect(marks(noor)).toHaveText(['Text, printed: What holds a bridge up?']);
    await noor.getByLabel('Languages').click();
    await noor.getByLabel('I read').selectOption('ar');
    await noor.getByLabel('and beside it').selectOption('en');
    await noor.reload();
    await kept(noor);
    await expect(marks(noor)).toHaveText(['Text, printed: ما الذي يحمل الجسر؟']);
    await noor.getByRole('button', { name: 'Directions' }).click();
    const directions = noor.locator('[data-directions]:visible');
    await expect(directions).toHaveText(['ارسم جسرا. سم أجزاءه.', '1. Draw a bridge. 2. Name its parts.']);
    expect(await directions.first().evaluate((p) => getComputedStyle(p).direction)).toBe('rtl');
    expect(await directions.last().evaluate((p) => getComputedStyle(p).direction)).toBe('ltr');
    await expect(noor.locator('.glossary')).toContainText('What holds a bridge up?');
    await noor.getByRole('button', { name: 'Close' }).click();
  });

  await test.step('a sentence is begun with a starter, in the language that is read', async () => {
    await lucia.getByRole('button', { name: 'Texto', exact: true }).click();
    await lucia.getByLabel('Empezar una frase …').selectOption('Creo que aguanta porque');
    await lucia.keyboard.type('empuja');
    await lucia.keyboard.press('Escape');
    await expect(marks(lucia).last()).toHaveText('Texto, tuyo: Creo que aguanta porque empuja');
    await expect(lucia.locator('.kept')).toHaveText('Guardado');
  });

  await test.step('a correction of the workshop reaches both in their languages', async () => {
    const lesson = varga.url();
    await varga.goto(`${lesson}/late`);
    const workshop = await varga.evaluate(() => document.querySelector('a[href^="/workshop/"]')?.getAttribute('href'));
    await varga.goto(workshop);
    await kept(varga);
    await varga.getByRole('button', { name: 'Other languages' }).click();
    await say(varga, 'es', [['Page 1: What holds', '¿Qué hace que un puente aguante?']]);
    await varga.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
    await kept(varga);
    await varga.goto(`${lesson}/late`);
    await varga.getByRole('button', { name: 'Hand it out' }).click();
    await expect(marks(lucia).first()).toHaveText('Texto, impreso: ¿Qué hace que un puente aguante?');
    await expect(marks(noor)).toHaveText(['Text, printed: ما الذي يحمل الجسر؟']);
  });
  for (const page of [varga, lucia, noor]) expect(page.problems).toEqual([]);
});
