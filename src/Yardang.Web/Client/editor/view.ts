// How near the page is.

import { bounds } from '../surface/hit';
import type { Editor } from './editor';

const ZOOM_STEP = 1.25;

export function viewOf(editor: () => Editor) {
  return {
    percent: 100,
    /** Whether what is on the page is read as a list. */
    isReading: false,
    /** Whether a finger moves the page instead of writing. */
    moves: false,

    refresh(): void {
      this.moves = editor().surface.moves;
    },

    larger: () => editor().surface.zoomBy(ZOOM_STEP),
    smaller: () => editor().surface.zoomBy(1 / ZOOM_STEP),
    whole: () => editor().surface.fit(),

    /** All of the page, or as near as it fills the screen. */
    toggleFill(): void {
      const { surface } = editor();
      if (this.percent > 100) surface.fit();
      else surface.fill();
    },

    move(): void {
      editor().movePage(!this.moves);
    },

    read(): void {
      this.isReading = !this.isReading;
    },

    /** Goes near to what was pressed in the list. */
    show(e: Event): void {
      const id = Number((e.target as HTMLElement).closest<HTMLElement>('[data-mark]')?.dataset['mark']);
      const mark = editor().sheets.mark(id);
      if (!this.isReading || !mark) return;
      this.isReading = false;
      (document.activeElement as HTMLElement | null)?.blur();
      editor().surface.showNear(bounds(mark));
    },
  };
}
