// Answer fields of the page in sight: what is typed into them is fetched with the first page that has any.

import type { Editor } from '../editor/editor';
import { Fetched } from '../fetched';
import type { Mark } from '../room/marks';
import type { Command } from '../room/wire';
import type { AnswerFields, FieldTexts } from './answer-fields';

/** @param looksOnly whether nothing can be typed here. */
export function answeringOf(editor: () => Editor, texts: FieldTexts, looksOnly: boolean, say: (words: string) => void) {
  const fields = new Fetched<AnswerFields>(
    async () => {
      const { AnswerFields: Made } = await import('./answer-fields');
      return new Made(editor(), texts, say);
    },
    () => refresh(),
  );

  function refresh(): void {
    if (looksOnly) return;
    const { sheets, page } = editor();
    if (fields.here || sheets.visible(page).some(({ body }) => body.kind === 'answerField')) fields.get()?.refresh();
  }

  return {
    refresh,

    /** Takes along what is being typed. */
    finish(): void {
      fields.here?.finish();
    },

    /** Goes to the field that a mark is, or is typed in. */
    open({ id, body }: Mark): void {
      fields.here?.open(body.kind === 'fieldAnswer' ? body.field : id);
    },

    /** What was typed and not taken stands in its field again; false where it is for no field. */
    giveBack(command: Command): boolean {
      return fields.here?.giveBack(command) ?? false;
    },
  };
}
