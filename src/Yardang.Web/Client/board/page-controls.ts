// What every page with a surface offers, whatever stands round it: undo, redo, zoom, writing by keyboard.

import type { SheetSession } from './sheet-session';

const ZOOM_STEP = 1.25;

export function pageControls(session: () => SheetSession) {
  return {
    write: () => session().write(),
    undo: () => session().undo(),
    redo: () => session().redo(),
    larger: () => session().surface.zoomBy(ZOOM_STEP),
    smaller: () => session().surface.zoomBy(1 / ZOOM_STEP),
    whole: () => session().surface.fit(),
  };
}

/** Ctrl+Z and Ctrl+Y, except in fields, which have their own. */
export function listenForUndo(session: () => SheetSession): void {
  document.addEventListener('keydown', (e) => {
    if (!(e.ctrlKey || e.metaKey) || e.target instanceof HTMLTextAreaElement || e.target instanceof HTMLInputElement)
      return;
    const pressed = e.key.toLowerCase();
    if (pressed === 'z' && !e.shiftKey) session().undo();
    else if (pressed === 'y' || (pressed === 'z' && e.shiftKey)) session().redo();
    else return;
    e.preventDefault();
  });
}
