// All pages as small pictures.

import type { Editor } from '../editor/editor';
import { drawMark, drawPaper } from '../surface/draw';

const THINNEST_PX = 1;

export function overviewOf(editor: () => Editor, dialog: () => HTMLDialogElement) {
  return {
    open(): void {
      dialog().showModal();
      requestAnimationFrame(() => drawPages(dialog(), editor()));
    },

    turnTo(id: number): void {
      editor().turnToPage(id);
      dialog().close();
    },
  };
}

/** Draws each page on the canvas that carries its id. */
function drawPages(root: HTMLElement, { sheets, surface: { options } }: Editor): void {
  for (const canvas of root.querySelectorAll<HTMLCanvasElement>('canvas[data-page]')) {
    const page = sheets.page(Number(canvas.dataset['page']));
    if (!page) continue;
    const ratio = window.devicePixelRatio || 1;
    canvas.width = Math.round(canvas.clientWidth * ratio);
    canvas.height = Math.round((canvas.width * page.size.height) / page.size.width);
    const ctx = canvas.getContext('2d')!;
    const scale = canvas.width / page.size.width;
    ctx.setTransform(scale, 0, 0, scale, 0, 0);
    drawPaper(ctx, page, options.pictures);
    for (const mark of sheets.visible(page.id))
      drawMark(ctx, mark, { ...options, thinnest: (THINNEST_PX * ratio) / scale });
  }
}
