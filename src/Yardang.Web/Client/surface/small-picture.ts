// A page as a small picture that grows: what is added on top is painted over what stands; only when something else has changed is it painted anew.

import type { Mark, Page } from '../room/marks';
import { type DrawOptions, drawMark, drawPaper } from './draw';

export class SmallPicture {
  private page: Page | null = null;
  private marks: readonly Mark[] = [];
  private isSpoilt = true;

  constructor(private canvas: HTMLCanvasElement) {}

  /** From now on it stands somewhere else. */
  moveTo(other: HTMLCanvasElement): void {
    [other.width, other.height] = [this.canvas.width, this.canvas.height];
    other.getContext('2d')!.drawImage(this.canvas, 0, 0);
    this.canvas = other;
  }

  /** Shows the page with its marks, so many pixels wide. */
  show(page: Page, marks: readonly Mark[], width: number, options: DrawOptions): void {
    const { canvas } = this;
    const height = Math.round((width * page.size.height) / page.size.width);
    if (canvas.width !== width || canvas.height !== height) {
      canvas.width = width;
      canvas.height = height;
      this.isSpoilt = true;
    }
    const ctx = canvas.getContext('2d')!;
    const scale = width / page.size.width;
    ctx.setTransform(scale, 0, 0, scale, 0, 0);
    const isMore = !this.isSpoilt && page === this.page && this.marks.every((mark, i) => mark === marks[i]);
    if (!isMore) {
      // The last row of pixels may be covered in part only.
      ctx.clearRect(0, 0, page.size.width, 2 * page.size.height);
      drawPaper(ctx, page, options.pictures);
    }
    for (const mark of isMore ? marks.slice(this.marks.length) : marks) drawMark(ctx, mark, options);
    this.page = page;
    this.marks = marks;
    this.isSpoilt = false;
  }

  /** Something that it is made of looks different now: a picture or a font has come. */
  spoil(): void {
    this.isSpoilt = true;
  }
}
