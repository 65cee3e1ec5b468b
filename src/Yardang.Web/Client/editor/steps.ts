// Undo and redo, of what one has done oneself.

import type { Changes } from './changes';

/** @param before what has to be finished first, such as words that are being typed elsewhere. */
export function stepsOf(editor: () => Changes, before: () => void = () => undefined) {
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
