// How near the page is.

import type { Editor } from './editor';

const ZOOM_STEP = 1.25;

export function viewOf(editor: () => Editor) {
  return {
    percent: 100,
    larger: () => editor().surface.zoomBy(ZOOM_STEP),
    smaller: () => editor().surface.zoomBy(1 / ZOOM_STEP),
    whole: () => editor().surface.fit(),
  };
}
