// Formulas on the page: a new one, and another in place of one that stands there.

import { type Formula, formulaDialog } from '../media/formula-dialog';
import { type FormulaBody, type Mark, Property } from '../room/marks';
import { freePlace } from '../tools/free-place';
import type { Editor } from './editor';

export function formulaMarks(editor: () => Editor) {
  return {
    ...formulaDialog(),

    openNew(): void {
      if (editor().mayWrite()) void this.open('', putNew);
    },

    openChosen(): void {
      const mark = editor().selection.only;
      if (mark) this.change(mark);
    },

    change(mark: Mark): void {
      if (mark.body.kind !== 'formula' || !editor().mayWrite()) return;
      const { x, y, source } = mark.body;
      const put = (formula: Formula) =>
        editor().change({ property: Property.Body, target: mark.id, value: { kind: 'formula', ...formula, x, y } });
      void this.open(source, put);
    },
  };

  function putNew(formula: Formula): void {
    const { ink, page, grip } = editor();
    const id = editor().newId();
    const body: FormulaBody = { kind: 'formula', ...formula, ...freePlace(editor(), formula) };
    const style = { colour: ink.colour, width: 0, fill: 0, looks: 0 };
    editor().submit({ kind: 'addMark', id, page, grip, body, style, for: 0 }, id);
    editor().use('choose');
    editor().choose(editor().sheets.mark(id) ?? null);
  }
}
