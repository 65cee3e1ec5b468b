// The two questions of moderation: what is not all right, and why something was taken down.

import { type TemplateResult, html, render } from 'lit-html';
import { keepSentence, keptSentences } from '../circulate/kept-sentences';
import { fill } from '../page-data';
import type { ConcernReason } from '../wire/forms';
import type { ModerationTexts, Why } from './moderating';

const REASONS: readonly ConcernReason[] = [1, 2, 3, 4];
/** As in Core's LateWork. */
const LONGEST_WORDS = 300;
const TITLE = 'moderating-title';

/** A dialog that is there as long as it is open; the focus goes back to where it was. */
function ask(content: TemplateResult, done: (answers: FormData) => void): void {
  const dialog = document.createElement('dialog');
  dialog.className = 'dialog';
  dialog.setAttribute('aria-labelledby', TITLE);
  render(
    html`<form
      method="dialog"
      class="grid gap-4"
      @submit=${(e: SubmitEvent) => done(new FormData(e.target as HTMLFormElement))}
      @reset=${() => dialog.close()}
    >
      ${content}
    </form>`,
    dialog,
  );
  dialog.addEventListener('close', () => dialog.remove());
  // Keys of the page are not for what is typed here.
  dialog.addEventListener('keydown', (e) => e.stopPropagation());
  document.body.append(dialog);
  dialog.showModal();
}

const buttons = (send: string, cancel: string): TemplateResult =>
  html`<div class="flex flex-wrap gap-3">
    <button type="submit" class="button button-main">${send}</button>
    <button type="reset" class="button button-quiet">${cancel}</button>
  </div>`;

export function askConcern(
  texts: ModerationTexts,
  title: string,
  send: (reason: ConcernReason, words: string) => void,
): void {
  const reasons = { 1: texts.reason1, 2: texts.reason2, 3: texts.reason3, 4: texts.reason4 };
  ask(
    html`<h2 id=${TITLE}>${texts.tellTitle}</h2>
      <p class="wrap-anywhere" dir="auto"><q>${title}</q></p>
      <fieldset class="grid gap-2">
        <legend class="font-bold">${texts.tellWhy}</legend>
        ${REASONS.map(
          (reason) =>
            html`<label class="check"
              ><input type="radio" name="reason" value=${reason} required />${reasons[reason]}</label
            >`,
        )}
      </fieldset>
      <label class="field"
        >${texts.tellMore}<textarea name="words" rows="3" maxlength=${LONGEST_WORDS} dir="auto"></textarea>
      </label>
      <p class="hint">${texts.tellWho}</p>
      ${buttons(texts.tellSend, texts.close)}`,
    (answers) => send(Number(answers.get('reason')) as ConcernReason, String(answers.get('words')).trim()),
  );
}

export function askWhy(texts: ModerationTexts, name: string, now: Why, keep: (why: Why) => void): void {
  const whose = name || texts.itsAuthor;
  ask(
    html`<h2 id=${TITLE}>${fill(texts.whyTitle, whose)}</h2>
      <label class="field"
        >${texts.whyWords}<input
          name="words"
          maxlength=${LONGEST_WORDS}
          dir="auto"
          autocomplete="off"
          list="kept-sentences"
          .value=${now.words}
        />
        <datalist id="kept-sentences">
          ${keptSentences().map((words) => html`<option value=${words}></option>`)}
        </datalist>
      </label>
      <label class="check"
        ><input
          type="checkbox"
          name="removes"
          ?checked=${now.removes}
          ?disabled=${now.removes}
        />${fill(texts.removes, whose)}</label
      >
      ${buttons(texts.whyKeep, texts.cancel)}`,
    (answers) => {
      const words = String(answers.get('words')).trim();
      const removes = now.removes || answers.get('removes') !== null;
      if (words !== '') keepSentence(words);
      if (words !== now.words || removes !== now.removes) keep({ words, removes });
    },
  );
}
