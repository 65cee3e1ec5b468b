// Shapes: dragged in a box, or corner by corner. Never filled at first, so that a ring hides nothing.

import { type AnswerFieldBody, ShapeKind, type ShapeBody, type ZoneBody, ZoneRule } from '../room/marks';
import { drawShape } from '../shapes/draw-shape';
import { FIGURES, type FigureTool, figureIn, shapeOf } from '../shapes/figures';
import { type Spot, boxCorners, boxRound, corners } from '../shapes/geometry';
import { inkColour } from '../surface/palette';
import type { Point, Tool } from '../surface/page-surface';
import { freePlace } from './free-place';
import type { SheetContext } from './sheet-context';

/** What a tap without a drag makes: this large, 1/100 mm. */
const TAPPED = { width: 4000, height: 4000 };
const TAPPED_FIELD = { width: 9000, height: 1800 };
/** What can be typed in, with its name. */
const LEAST_FIELD = { width: 2000, height: 1300 };
const DRAG_PX = 6;
const CLOSE_PX = 14;
const ZONE_STYLE = { colour: 0, width: 0, fill: 3, looks: 0 };
const FIELD_STYLE = { colour: 0, width: 0, fill: 0, looks: 0 };

export class Shaper implements Tool {
  readonly cursor = 'crosshair';
  figure: FigureTool = FIGURES[0]!;
  private from: Spot | null = null;
  private to: Spot | null = null;
  private corners: Spot[] = [];

  constructor(
    private readonly sheet: SheetContext,
    private readonly madeNamed: (id: number) => void,
  ) {}

  down(point: Point): void {
    if (!this.sheet.mayWrite()) return;
    this.from = this.to = { x: point.x, y: point.y };
    this.sheet.surface.invalidateDrawing();
  }

  move(points: Point[]): void {
    if (!this.from) return;
    this.to = points.at(-1)!;
    this.sheet.surface.invalidateDrawing();
  }

  up(): void {
    const { from, to } = this;
    if (!from || !to) return;
    this.from = this.to = null;
    if (this.figure.corners.length === 0) this.setCorner(to);
    else this.keep(this.dragged(from, to));
  }

  cancel(): void {
    this.from = this.to = null;
    this.sheet.surface.invalidateDrawing();
  }

  /** Ends a shape that is being set corner by corner. */
  finish(): void {
    const corners = this.corners;
    this.corners = [];
    const least = this.figure.shape === 2 ? 3 : 2;
    if (corners.length >= least) this.keep(shapeOf(this.figure.shape, corners));
    this.sheet.surface.invalidateDrawing();
  }

  /** By keyboard: a shape where there is room in sight. */
  put(): void {
    if (!this.sheet.mayWrite()) return;
    const { x, y } = freePlace(this.sheet, this.tapped);
    const simple = this.figure.corners.length > 0 ? this.figure : FIGURES.find((f) => f.shape === this.figure.shape)!;
    this.keep(figureIn(simple, { x, y }, { x: x + this.tapped.width, y: y + this.tapped.height }));
  }

  draw(ctx: CanvasRenderingContext2D): void {
    const { ink, me } = this.sheet;
    const body = this.unfinished();
    if (!body) return;
    const style = { ...this.style(), fill: 0 };
    drawShape(ctx, body, { style, scale: null }, { line: inkColour(ink.colour, me.isStaff), fill: null });
  }

  private unfinished(): ShapeBody | null {
    if (this.corners.length > 0) return shapeOf(1, this.to ? [...this.corners, this.to] : this.corners);
    if (!this.from || !this.to || this.figure.corners.length === 0) return null;
    return figureIn(this.figure, this.from, this.to);
  }

  private setCorner(spot: Spot): void {
    const { scale } = this.sheet.surface;
    const near = (other: Spot | undefined) =>
      other !== undefined && Math.hypot(spot.x - other.x, spot.y - other.y) * scale < CLOSE_PX;
    // The first corner again closes it, the last one again ends it.
    if (this.corners.length > 1 && (near(this.corners[0]) || near(this.corners.at(-1)))) return this.finish();
    this.corners.push(spot);
    this.sheet.surface.invalidateDrawing();
  }

  private dragged(from: Spot, to: Spot): ShapeBody {
    const isTap = Math.hypot(to.x - from.x, to.y - from.y) * this.sheet.surface.scale < DRAG_PX;
    const { width, height } = this.tapped;
    return figureIn(this.figure, from, isTap ? { x: from.x + width, y: from.y + height } : to);
  }

  private keep(drawn: ShapeBody): void {
    const { sheet } = this;
    const id = sheet.newId();
    const [body, style] =
      sheet.draws === 'zone'
        ? [zoneOf(drawn), ZONE_STYLE]
        : sheet.draws === 'answerField'
          ? [fieldOf(drawn), FIELD_STYLE]
          : [drawn, this.style()];
    sheet.submit({ kind: 'addMark', id, page: sheet.page, grip: sheet.grip, body, style, for: 0 }, id);
    sheet.surface.invalidateDrawing();
    if (sheet.draws !== 'shape') this.madeNamed(id);
  }

  private get tapped() {
    return this.sheet.draws === 'answerField' ? TAPPED_FIELD : TAPPED;
  }

  private style() {
    const { ink, outline } = this.sheet;
    return { colour: ink.colour, width: outline.width, fill: 0, looks: this.figure.looks };
  }
}

// What has no inside becomes the box round it.
function zoneOf({ shape, points }: ShapeBody): ZoneBody {
  const plain = { kind: 'zone' as const, name: {}, rule: ZoneRule.Centre, expected: null };
  if (shape === ShapeKind.Polygon || shape === ShapeKind.Ellipse) return { ...plain, shape, points };
  const box = boxRound(corners({ points }));
  const around = boxCorners(box).flatMap((c) => [Math.round(c.x), Math.round(c.y)]);
  return { ...plain, shape: ShapeKind.Polygon, points: around };
}

function fieldOf({ points }: ShapeBody): AnswerFieldBody {
  const box = boxRound(corners({ points }));
  const [width, height] = [Math.max(LEAST_FIELD.width, box.width), Math.max(LEAST_FIELD.height, box.height)];
  const [x, y, w, h] = [box.x, box.y, width, height].map(Math.round) as [number, number, number, number];
  return { kind: 'answerField', x, y, width: w, height: h, name: {} };
}
