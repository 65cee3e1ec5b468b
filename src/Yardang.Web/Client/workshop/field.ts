// What is said about an answer field: what is asked for.

import type { Editor } from '../editor/editor';
import type { AnswerFieldBody } from '../room/marks';
import { textIn } from '../surface/in-language';

export function fieldOf(editor: () => Editor, language: string) {
  const chosen = (): AnswerFieldBody | null => {
    const body = editor().selection.only?.body;
    return body?.kind === 'answerField' ? body : null;
  };

  return {
    isChosen: false,
    name: '',

    refresh(): void {
      const body = chosen();
      this.isChosen = body !== null;
      if (body) this.name = textIn(body.name, [], language);
    },

    rename(name: string): void {
      const body = chosen();
      if (!body) return;
      const text = name.trim();
      editor().selection.remake({ ...body, name: text ? { ...body.name, [language]: text } : {} });
    },
  };
}
