// What stands on the page, on a canvas of its own. Only what has changed is painted anew. While a page of many marks moves or grows
// under the hand, a picture of it moves instead, and the page is painted anew now and then, and when the hand rests.

import { kindOf } from '../kinds';
import type { Mark, Page } from '../room/marks';
import type { Box } from '../shapes/geometry';
import { type DrawOptions, VOICE, drawMark, drawPaper } from './draw';
import { bounds } from './hit';

/** The page's corner on the screen, and pixels for 1/100 mm. */
export interface View {
  readonly left: number;
  readonly top: number;
  readonly scale: number;
}

/** From so many marks on, a picture of them is moved. */
const MANY = 250;
const REST_MS = 140;
const ANEW_MS = 400;
/** Heads of arrows, and what is smoothed at the edges, 1/100 mm. */
const AROUND = 400;

export class StandingLayer {
  private page: Page | null = null;
  private marks: readonly Mark[] = [];
  private hidden: ReadonlySet<number> = new Set();
  /** What of the page has to be painted anew; "all" if everything has. */
  private damage: Box | 'all' | null = 'all';
  private painted: View | null = null;
  private paintedAt = 0;
  private readonly picture = document.createElement('canvas');
  private pictured: View | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;

  /** @param later asks for a paint in the next frame. */
  constructor(
    private readonly canvas: HTMLCanvasElement,
    private readonly later: () => void,
  ) {}

  show(page: Page, marks: readonly Mark[]): void {
    if (page !== this.page) this.damage = 'all';
    else this.spoil(difference(this.marks, marks));
    this.page = page;
    this.marks = marks;
    this.later();
  }

  /** Does not paint some marks: they are shown some other way at the moment. */
  hide(ids: ReadonlySet<number>): void {
    const before = this.hidden;
    this.hidden = ids;
    if (before.size > 0 || ids.size > 0) this.spoil(this.marks.filter((m) => ids.has(m.id) !== before.has(m.id)));
    this.later();
  }

  /** The whole page has to be painted anew. */
  spoilAll(): void {
    this.damage = 'all';
    this.later();
  }

  /** The page is seen from elsewhere. */
  move(): void {
    if (this.marks.length >= MANY && this.painted && !this.pictured) {
      this.picture.width = this.canvas.width;
      this.picture.height = this.canvas.height;
      this.picture.getContext('2d')!.drawImage(this.canvas, 0, 0);
      this.pictured = this.painted;
    }
    if (this.pictured) {
      clearTimeout(this.timer);
      this.timer = setTimeout(() => this.rest(), REST_MS);
    }
    this.spoilAll();
  }

  paint(view: View, options: DrawOptions): void {
    if (!this.page || this.damage === null) return;
    const ctx = this.canvas.getContext('2d')!;
    if (this.pictured && performance.now() - this.paintedAt < ANEW_MS) return this.paintPicture(ctx, view);
    const ratio = window.devicePixelRatio || 1;
    const around = { x: -view.left / view.scale, y: -view.top / view.scale };
    const inSight = { ...around, width: this.canvas.width / view.scale, height: this.canvas.height / view.scale };
    const area = this.damage === 'all' ? inSight : wholePixels(this.damage, view, ratio);
    ctx.setTransform(view.scale * ratio, 0, 0, view.scale * ratio, view.left * ratio, view.top * ratio);
    ctx.clearRect(area.x, area.y, area.width, area.height);
    ctx.save();
    ctx.beginPath();
    ctx.rect(area.x, area.y, area.width, area.height);
    ctx.clip();
    drawPaper(ctx, this.page, options.pictures);
    ctx.beginPath();
    ctx.rect(0, 0, this.page.size.width, this.page.size.height);
    ctx.clip();
    for (const mark of this.marks)
      if (!this.hidden.has(mark.id) && meet(paintedBox(mark), area)) drawMark(ctx, mark, options);
    ctx.restore();
    this.damage = null;
    this.painted = view;
    this.paintedAt = performance.now();
    // If the hand goes on, it moves a picture of what is now painted.
    this.pictured = null;
  }

  private paintPicture(ctx: CanvasRenderingContext2D, view: View): void {
    const from = this.pictured!;
    const ratio = window.devicePixelRatio || 1;
    const grown = view.scale / from.scale;
    ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
    ctx.clearRect(0, 0, this.canvas.width, this.canvas.height);
    ctx.fillStyle = '#ffffff';
    ctx.fillRect(view.left, view.top, this.page!.size.width * view.scale, this.page!.size.height * view.scale);
    const [width, height] = [(this.picture.width / ratio) * grown, (this.picture.height / ratio) * grown];
    ctx.drawImage(this.picture, view.left - from.left * grown, view.top - from.top * grown, width, height);
  }

  private rest(): void {
    if (!this.pictured) return;
    this.pictured = null;
    this.spoilAll();
  }

  private spoil(marks: readonly Mark[]): void {
    for (const mark of marks) if (this.damage !== 'all') this.damage = union(this.damage, paintedBox(mark));
  }
}

/** Marks that are in only one of two lists. */
function difference(before: readonly Mark[], after: readonly Mark[]): Mark[] {
  if (before === after) return [];
  const [old, now] = [new Set(before), new Set(after)];
  return [...after.filter((m) => !old.has(m)), ...before.filter((m) => !now.has(m))];
}

function paintedBox(mark: Mark): Box {
  const { body, style } = mark;
  const around = AROUND + (kindOf(body).around?.(mark, body) ?? 0) + (mark.putBy ? VOICE : 0) + 4 * style.width;
  const box = bounds(mark);
  return {
    x: box.x - around,
    y: box.y - around,
    width: box.width + 2 * around,
    height: box.height + 2 * around,
  };
}

// Half a pixel painted twice would show as a seam.
function wholePixels(box: Box, { left, top, scale }: View, ratio: number): Box {
  const pixel = 1 / (scale * ratio);
  const down = (n: number, corner: number) => (Math.floor((n * scale + corner) * ratio) / ratio - corner) / scale;
  const [x, y] = [down(box.x, left), down(box.y, top)];
  const size = (from: number, to: number) => Math.ceil((to - from) / pixel + 1) * pixel;
  return { x, y, width: size(x, box.x + box.width), height: size(y, box.y + box.height) };
}

function union(a: Box | null, b: Box): Box {
  if (!a) return b;
  const [x, y] = [Math.min(a.x, b.x), Math.min(a.y, b.y)];
  const right = Math.max(a.x + a.width, b.x + b.width);
  return { x, y, width: right - x, height: Math.max(a.y + a.height, b.y + b.height) - y };
}

function meet(a: Box, b: Box): boolean {
  return a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;
}
