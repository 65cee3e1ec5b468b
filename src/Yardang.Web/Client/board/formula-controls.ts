// The dialog in which formulas are written: LaTeX, a keypad, and the formula as it will look. What sets it is loaded on first use.

import { type FormulaBody, type Mark, Property } from '../room/marks';
import type { Typeset } from '../tools/typesetting';
import type { SheetSession } from './sheet-session';

/** Height of the type of a new formula, 1/100 mm. */
const TYPE_SIZE = 800;
const LONGEST = 1000;
/** Units of the preview's drawing for one height of the type. */
const PREVIEW = 100;

export function formulaControls(session: () => SheetSession) {
  let editing: Mark | null = null;
  let set: Typeset | null = null;
  let setter: ((source: string) => Typeset) | null = null;

  return {
    formula: '',
    formulaWrong: '',
    formulaPath: '',
    formulaReady: false,

    async openFormula(mark: Mark | null): Promise<void> {
      if (!session().mayWrite()) return;
      editing = mark?.body.kind === 'formula' ? mark : null;
      this.formula = editing ? (editing.body as FormulaBody).source : '';
      this.formulaWrong = '';
      formulaDialog().showModal();
      setter ??= (await import('../tools/typesetting')).typeset;
      this.typedFormula();
    },

    newFormula(): void {
      void this.openFormula(null);
    },

    changeFormula(): void {
      void this.openFormula(session().selection.only);
    },

    typedFormula(): void {
      set = null;
      this.formulaReady = false;
      const source = this.formula.trim().slice(0, LONGEST);
      if (!setter || !source) {
        this.formulaPath = this.formulaWrong = '';
        return;
      }
      try {
        set = setter(source);
        this.formulaWrong = '';
        this.formulaReady = true;
        this.formulaPath = set.outline(PREVIEW);
        // Not by Alpine: attributes in a page's source lose their capital letters.
        const box = `0 0 ${Math.ceil(set.width * PREVIEW)} ${Math.ceil(set.height * PREVIEW)}`;
        formulaDialog().querySelector('svg')!.setAttribute('viewBox', box);
      } catch (e) {
        // Half a formula is no fault while it is being typed: the last good drawing stays.
        this.formulaWrong = (e as Error).message || source;
      }
    },

    /** Puts a key's LaTeX where the cursor is; the cursor then stands in its first empty place. */
    typeKey(latex: string): void {
      const field = formulaDialog().querySelector('textarea')!;
      const { selectionStart: from, selectionEnd: to } = field;
      const chosen = this.formula.slice(from, to);
      const hole = latex.indexOf('{}');
      const put = hole < 0 ? latex : latex.replace('{}', `{${chosen}}`);
      this.formula = this.formula.slice(0, from) + put + this.formula.slice(to);
      const at = from + (hole < 0 ? put.length : chosen ? put.length : hole + 1);
      this.typedFormula();
      requestAnimationFrame(() => {
        field.focus();
        field.setSelectionRange(at, at);
      });
    },

    putFormula(): void {
      if (!set) return;
      const sheet = session();
      const source = this.formula.trim().slice(0, LONGEST);
      const [width, height] = [Math.ceil(set.width * TYPE_SIZE), Math.ceil(set.height * TYPE_SIZE)];
      const drawn = { kind: 'formula' as const, width, height, source, outline: set.outline(TYPE_SIZE) };
      const id = sheet.newId();
      if (editing) {
        const { x, y } = editing.body as FormulaBody;
        const value = { ...drawn, x, y };
        sheet.submit({ kind: 'makeChanges', changes: [{ property: Property.Body, target: editing.id, value }] }, id);
      } else {
        const middle = sheet.surface.middle();
        const body = { ...drawn, x: Math.round(middle.x - width / 2), y: Math.round(middle.y - height / 2) };
        const style = { colour: sheet.ink.colour, width: 0, fill: 0, looks: 0 };
        sheet.submit({ kind: 'addMark', id, page: sheet.page, grip: sheet.grip, body, style }, id);
        sheet.use('choose');
        sheet.choose(sheet.sheets.mark(id) ?? null);
      }
      this.closeFormula();
    },

    closeFormula(): void {
      formulaDialog().close();
    },
  };
}

function formulaDialog(): HTMLDialogElement {
  return document.querySelector<HTMLDialogElement>('[data-formula]')!;
}
