// The dialog with a small sheet and pens. What is drawn is told of stroke by stroke, so that nothing of it can be lost.

import { Looks } from '../room/marks';
import { isNearPath } from '../kinds/near';
import type { DrawnStroke } from '../wire/forms';
import { SHEET, colourOf, isMarker, pathOf } from './drawing';

const PENS = {
  fine: { looks: Looks.None, width: 60 },
  felt: { looks: Looks.FeltTip, width: 140 },
  highlighter: { looks: Looks.Highlighter, width: 500 },
} as const;

type Held = keyof typeof PENS | 'rub';

/** Most points and strokes of a drawing; less than a card can carry. */
const MOST_POINTS = 9_000;
const MOST_STROKES = 400;
const MOST_POINTS_OF_STROKE = 512;
/** Points nearer to the last one, 1/100 mm, are left out. */
const NEAR = 25;
const RUB = 150;
const NOMINAL_PRESSURE = 128;

export function drawingSheet() {
  let strokes: readonly DrawnStroke[] = [];
  let steps: (readonly DrawnStroke[])[] = [];
  let changed: (strokes: readonly DrawnStroke[]) => void = () => undefined;
  let drawn: number[] | null = null;

  return {
    held: 'fine' as Held,
    colour: 0,
    canUndo: false,
    isFull: false,

    /** @param take is given all strokes whenever there are others. */
    open(before: readonly DrawnStroke[], take: (strokes: readonly DrawnStroke[]) => void): void {
      strokes = before;
      steps = [];
      changed = take;
      drawn = null;
      dialog().showModal();
      this.refresh();
    },

    pick(held: Held): void {
      this.held = held;
    },

    pickColour(colour: number): void {
      this.colour = colour;
      if (this.held === 'rub') this.held = 'fine';
    },

    down(e: PointerEvent): void {
      if (e.button !== 0 || drawn) return;
      (e.target as HTMLElement).setPointerCapture(e.pointerId);
      e.preventDefault();
      if (this.held !== 'rub' && this.isFull) return;
      drawn = [];
      this.add(e);
    },

    move(e: PointerEvent): void {
      if (!drawn) return;
      const all = e.getCoalescedEvents?.() ?? [];
      for (const each of all.length > 0 ? all : [e]) this.add(each);
      this.draw();
    },

    up(): void {
      const points = drawn;
      drawn = null;
      if (points && points.length > 0 && this.held !== 'rub') this.set([...strokes, this.strokeOf(points)]);
      this.draw();
    },

    add(e: PointerEvent): void {
      const box = sheet().getBoundingClientRect();
      const x = within(((e.clientX - box.left) / box.width) * SHEET.width, SHEET.width);
      const y = within(((e.clientY - box.top) / box.height) * SHEET.height, SHEET.height);
      if (this.held === 'rub') return this.rub(x, y);
      const n = drawn!.length;
      if (n >= 4 * MOST_POINTS_OF_STROKE) return;
      if (n > 0 && Math.hypot(x - drawn![n - 4]!, y - drawn![n - 3]!) < NEAR) return;
      const isPen = e.pointerType === 'pen' && e.pressure > 0;
      drawn!.push(x, y, isPen ? Math.round(e.pressure * 255) : NOMINAL_PRESSURE, 0);
    },

    rub(x: number, y: number): void {
      const left = strokes.filter((s) => !isUnder(s, x, y));
      if (left.length < strokes.length) this.set(left);
    },

    strokeOf(points: readonly number[]): DrawnStroke {
      const { looks, width } = PENS[this.held as keyof typeof PENS];
      return { points, style: { colour: this.colour, width, fill: 0, looks } };
    },

    undo(): void {
      const before = steps.pop();
      if (before) this.take(before);
    },

    clear(): void {
      if (strokes.length > 0) this.set([]);
    },

    set(next: readonly DrawnStroke[]): void {
      steps.push(strokes);
      this.take(next);
    },

    take(next: readonly DrawnStroke[]): void {
      strokes = next;
      changed(strokes);
      this.refresh();
    },

    refresh(): void {
      this.canUndo = steps.length > 0;
      this.isFull =
        strokes.length >= MOST_STROKES || strokes.reduce((sum, s) => sum + s.points.length / 4, 0) >= MOST_POINTS;
      this.draw();
    },

    draw(): void {
      const canvas = sheet();
      const ctx = canvas.getContext('2d')!;
      ctx.setTransform(canvas.width / SHEET.width, 0, 0, canvas.height / SHEET.height, 0, 0);
      ctx.globalCompositeOperation = 'source-over';
      ctx.fillStyle = '#ffffff';
      ctx.fillRect(0, 0, SHEET.width, SHEET.height);
      const being = drawn && drawn.length > 0 && this.held !== 'rub' ? [this.strokeOf([...drawn])] : [];
      for (const stroke of [...strokes, ...being]) {
        ctx.globalCompositeOperation = isMarker(stroke) ? 'multiply' : 'source-over';
        ctx.fillStyle = colourOf(stroke);
        ctx.fill(new Path2D(pathOf(stroke)));
      }
    },

    close(): void {
      dialog().close();
    },
  };
}

function within(v: number, end: number): number {
  return Math.min(end, Math.max(0, Math.round(v)));
}

function isUnder({ points, style }: DrawnStroke, x: number, y: number): boolean {
  const spots = [];
  for (let i = 0; i < points.length; i += 4) spots.push({ x: points[i]!, y: points[i + 1]! });
  return isNearPath(spots, { x, y }, RUB + style.width / 2);
}

function dialog(): HTMLDialogElement {
  return document.querySelector<HTMLDialogElement>('[data-drawing]')!;
}

function sheet(): HTMLCanvasElement {
  return dialog().querySelector('canvas')!;
}

export type DrawingSheet = ReturnType<typeof drawingSheet>;
