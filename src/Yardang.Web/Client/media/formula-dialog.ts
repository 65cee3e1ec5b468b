// The dialog in which formulas are written: LaTeX, a keypad, and the formula as it will look. What sets it is loaded on first use.

import type { Typeset } from '../tools/typesetting';

/** A formula as it was set. */
export interface Formula {
  readonly width: number;
  readonly height: number;
  readonly source: string;
  readonly outline: string;
}

/** Height of the type of a new formula, 1/100 mm. */
const TYPE_SIZE = 800;
const LONGEST = 1000;
/** Units of the preview's drawing for one height of the type. */
const PREVIEW = 100;

export function formulaDialog() {
  let take: (formula: Formula) => void = () => undefined;
  let set: Typeset | null = null;
  let setter: ((source: string) => Typeset) | null = null;

  return {
    source: '',
    wrong: '',
    path: '',
    isReady: false,

    /** @param source what is changed; empty for a new one. */
    async open(source: string, done: (formula: Formula) => void): Promise<void> {
      take = done;
      this.source = source;
      this.wrong = '';
      dialog().showModal();
      setter ??= (await import('../tools/typesetting')).typeset;
      this.typed();
    },

    typed(): void {
      set = null;
      this.isReady = false;
      const source = this.source.trim().slice(0, LONGEST);
      if (!setter || !source) {
        this.path = this.wrong = '';
        return;
      }
      try {
        set = setter(source);
        this.wrong = '';
        this.isReady = true;
        this.path = set.outline(PREVIEW);
        // Not by Alpine: attributes in a page's source lose their capital letters.
        const box = `0 0 ${Math.ceil(set.width * PREVIEW)} ${Math.ceil(set.height * PREVIEW)}`;
        dialog().querySelector('svg')!.setAttribute('viewBox', box);
      } catch (e) {
        // Half a formula is no fault while it is being typed: the last good drawing stays.
        this.wrong = (e as Error).message || source;
      }
    },

    /** Puts a key's LaTeX where the cursor is; the cursor then stands in its first empty place. */
    typeKey(latex: string): void {
      const field = dialog().querySelector('textarea')!;
      const { selectionStart: from, selectionEnd: to } = field;
      const chosen = this.source.slice(from, to);
      const hole = latex.indexOf('{}');
      const put = hole < 0 ? latex : latex.replace('{}', `{${chosen}}`);
      this.source = this.source.slice(0, from) + put + this.source.slice(to);
      const at = from + (hole < 0 ? put.length : chosen ? put.length : hole + 1);
      this.typed();
      // At once: whoever goes on typing types there. The field is given its words here, for Alpine gives them to it only afterwards.
      field.value = this.source;
      field.focus();
      field.setSelectionRange(at, at);
    },

    put(): void {
      if (!set) return;
      const source = this.source.trim().slice(0, LONGEST);
      const [width, height] = [Math.ceil(set.width * TYPE_SIZE), Math.ceil(set.height * TYPE_SIZE)];
      take({ width, height, source, outline: set.outline(TYPE_SIZE) });
      this.close();
    },

    close(): void {
      dialog().close();
    },
  };
}

function dialog(): HTMLDialogElement {
  return document.querySelector<HTMLDialogElement>('[data-formula]')!;
}

export type FormulaDialog = ReturnType<typeof formulaDialog>;
