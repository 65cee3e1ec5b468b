// The pen: follows the pointer, smooths, and makes one mark of each stroke, or several if it is long.

import { Looks } from '../room/marks';
import { highlighterColour, inkColour } from '../surface/palette';
import type { Spot } from '../shapes/geometry';
import type { Point, Tool } from '../surface/page-surface';
import type { SheetContext } from './sheet-context';

const MAX_POINTS = 512;
const MAX_PIECE_MS = 3000;
const PREVIEW_EVERY_MS = 80;
/** How far each point moves towards the pointer: takes the shake out of a hand. */
const FOLLOW = 0.55;
/** The latest time that a point of a stroke may have. */
const MAX_MS = 599_999;

/** Speed (1/100 mm per ms) at which ink of mouse and finger is thinnest. */
const FAST = 60;
const NOMINAL_PRESSURE = 128;

export class Pen implements Tool {
  readonly cursor = 'crosshair';
  private points: number[] = [];
  private started = 0;
  private pieceStarted = 0;
  private gesture = 0;
  private stroke = 0;
  private previewed = 0;
  private previewedAt = 0;
  private drawing = false;
  private last: Point | null = null;

  constructor(private readonly sheet: SheetContext) {}

  down(point: Point): void {
    if (!this.sheet.mayWrite()) return;
    this.drawing = true;
    this.last = null;
    this.started = this.pieceStarted = point.ms;
    this.gesture = 0;
    this.points = [];
    if (this.isOnPage(point)) this.begin([Math.round(point.x), Math.round(point.y), this.pressure(point, 0), 0]);
  }

  move(points: Point[]): void {
    if (!this.drawing) return;
    for (const point of points) this.add(point, FOLLOW);
    this.last = points.at(-1)!;
    this.sheet.surface.invalidateDrawing();
    this.previewNow();
  }

  up(): void {
    if (!this.drawing) return;
    this.drawing = false;
    // The line lags behind the hand; in the end it is where the hand was lifted.
    if (this.last) this.add(this.last, 1);
    if (this.points.length > 0) this.finishPiece();
    this.sheet.live.end();
    this.sheet.surface.invalidateDrawing();
  }

  /** The page goes away in mid-stroke. */
  leave(): void {
    this.up();
  }

  cancel(): void {
    this.drawing = false;
    this.sheet.live.end();
    this.sheet.surface.invalidateDrawing();
  }

  private begin(first: number[]): void {
    this.points = first;
    this.stroke = Math.floor(Math.random() * 2 ** 31);
    this.previewed = 0;
    const { ink, me, live, surface } = this.sheet;
    const isHighlighter = (ink.looks & Looks.Highlighter) !== 0;
    const colour = isHighlighter ? highlighterColour(ink.colour) : inkColour(ink.colour, me.isStaff);
    live.begin(this.points, colour, ink.width, isHighlighter);
    surface.invalidateDrawing();
  }

  private isOnPage({ x, y }: Spot): boolean {
    const { size } = this.sheet.sheets.page(this.sheet.page)!;
    return x >= 0 && y >= 0 && x <= size.width && y <= size.height;
  }

  private add(point: Point, follow: number): void {
    // Beside the page nothing is drawn; where the hand comes onto it, the stroke goes on.
    if (this.points.length === 0) {
      const { x, y } = { x: Math.round(point.x), y: Math.round(point.y) };
      if (!this.isOnPage(point)) return;
      this.pieceStarted = point.ms;
      return this.begin([x, y, this.pressure(point, 0), Math.max(0, Math.round(point.ms - this.started))]);
    }
    const n = this.points.length;
    const lastX = this.points[n - 4]!;
    const lastY = this.points[n - 3]!;
    const x = Math.round(lastX + (point.x - lastX) * follow);
    const y = Math.round(lastY + (point.y - lastY) * follow);
    if (x === lastX && y === lastY) return;
    const ms = Math.max(0, Math.round(point.ms - this.started));
    const elapsed = Math.max(1, ms - this.points[n - 1]!);
    this.points.push(x, y, this.pressure(point, Math.hypot(x - lastX, y - lastY) / elapsed), ms);
    if (!this.isOnPage({ x, y })) {
      this.cutAtTheEdge();
      this.finishPiece();
      this.points = [];
      this.sheet.live.end();
      return;
    }
    if (this.points.length >= 4 * MAX_POINTS || point.ms - this.pieceStarted > MAX_PIECE_MS) {
      const last = this.points.slice(-4);
      this.finishPiece();
      this.pieceStarted = point.ms;
      this.begin(last);
    }
  }

  // The last point is beside the page: the stroke ends where it left it.
  private cutAtTheEdge(): void {
    const { size } = this.sheet.sheets.page(this.sheet.page)!;
    const [x0, y0] = this.points.slice(-8);
    const [x, y] = this.points.slice(-4);
    const share = (from: number, to: number, most: number) =>
      to < 0 ? from / (from - to) : to > most ? (most - from) / (to - from) : 1;
    const part = Math.min(share(x0!, x!, size.width), share(y0!, y!, size.height));
    this.points.splice(-4, 2, Math.round(x0! + part * (x! - x0!)), Math.round(y0! + part * (y! - y0!)));
  }

  private pressure(point: Point, speed: number): number {
    if (this.sheet.ink.looks & (Looks.FeltTip | Looks.Highlighter)) return NOMINAL_PRESSURE;
    if (point.isPen && point.pressure > 0) return Math.round(Math.min(1, point.pressure) * 255);
    const before = this.points.length > 0 ? this.points[this.points.length - 2]! : NOMINAL_PRESSURE;
    const wanted = NOMINAL_PRESSURE + 30 - 70 * Math.min(1, speed / FAST);
    return Math.round(before + (wanted - before) * 0.3);
  }

  private finishPiece(): void {
    const { sheet } = this;
    const id = sheet.newId();
    this.gesture ||= id;
    const start = this.points[3]!;
    // A pen that rested on the page for long is as slow as ink can say.
    const points = this.points.map((v, i) => (i % 4 === 3 ? Math.min(v - start, MAX_MS) : v));
    const body = { kind: 'ink', points } as const;
    sheet.submit(
      { kind: 'addMark', id, page: sheet.page, grip: sheet.grip, body, style: { ...sheet.ink, fill: 0 }, for: 0 },
      this.gesture,
    );
  }

  private previewNow(): void {
    const now = performance.now();
    if (this.points.length === 0) return;
    if (now - this.previewedAt < PREVIEW_EVERY_MS) return;
    this.previewedAt = now;
    const { ink, page } = this.sheet;
    this.sheet.preview([
      this.stroke,
      page,
      ink.colour,
      ink.width,
      this.previewed / 4,
      this.points.slice(this.previewed),
      ink.looks,
    ]);
    this.previewed = this.points.length;
  }
}
