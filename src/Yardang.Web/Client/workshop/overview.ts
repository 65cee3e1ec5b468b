// All pages as small pictures.

import type { Sheets } from '../room/sheets';
import { drawMark, drawPaper } from '../surface/draw';
import type { Pictures } from '../surface/pictures';

const THINNEST_PX = 1;

/** Draws each page on the canvas that carries its id. */
export function drawOverview(root: HTMLElement, sheets: Sheets, pictures: Pictures | null): void {
  const shown = pictures ? { unit: sheets.unit, pictures } : { unit: sheets.unit };
  for (const canvas of root.querySelectorAll<HTMLCanvasElement>('canvas[data-page]')) {
    const page = sheets.page(Number(canvas.dataset['page']));
    if (!page) continue;
    const ratio = window.devicePixelRatio || 1;
    canvas.width = Math.round(canvas.clientWidth * ratio);
    canvas.height = Math.round((canvas.width * page.height) / page.width);
    const ctx = canvas.getContext('2d')!;
    const scale = canvas.width / page.width;
    ctx.setTransform(scale, 0, 0, scale, 0, 0);
    drawPaper(ctx, page, pictures);
    for (const mark of sheets.visible(page.id))
      drawMark(ctx, mark, { thinnest: (THINNEST_PX * ratio) / scale, ...shown });
  }
}
