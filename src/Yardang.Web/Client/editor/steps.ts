// Undo and redo, of what one has done oneself.

import type { Editor } from './editor';

/** @param before what has to be finished first, such as words that are being typed elsewhere. */
export function stepsOf(editor: () => Editor, before: () => void = () => undefined) {
  return {
    canUndo: false,
    canRedo: false,

    refresh(): void {
      this.canUndo = editor().canUndo;
      this.canRedo = editor().canRedo;
    },

    undo(): void {
      before();
      editor().undo();
    },

    redo: () => editor().redo(),
  };
}
