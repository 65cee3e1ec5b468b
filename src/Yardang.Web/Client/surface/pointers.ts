// Where others point and are: a trail that fades, and their pointers with their names. Shown, never stored.

import { FONT } from './type';
import { PRINT, TEACHER_INK } from './palette';

interface Trail {
  readonly spots: { x: number; y: number; at: number }[];
  readonly colour: string;
}

interface Pointer {
  x: number;
  y: number;
  seen: number;
  readonly colour: string;
}

export const POINT = 'point';
export const HERE = 'here';

const TRAIL_MS = 1400;
const GONE_AFTER_MS = 6000;
const TRAIL_PX = 6;
const NAME_PX = 14;

export class Pointers {
  private readonly trails = new Map<number, Trail>();
  private readonly pointers = new Map<number, Pointer>();

  constructor(private readonly nameOf: (actor: number) => string) {}

  /** Takes [what, page, x, y] of somebody. */
  take(actor: number, byStaff: boolean, [what, , x, y]: readonly [string, number, number, number]): void {
    const colour = byStaff ? TEACHER_INK : PRINT;
    if (what === POINT) this.point(actor, colour, x, y);
    this.pointers.set(actor, { x, y, seen: performance.now(), colour });
  }

  point(actor: number, colour: string, x: number, y: number): void {
    const trail = this.trails.get(actor) ?? { spots: [], colour };
    trail.spots.push({ x, y, at: performance.now() });
    this.trails.set(actor, trail);
  }

  /** Draws in page units. True while something still fades. */
  draw(ctx: CanvasRenderingContext2D, pixel: number): boolean {
    const now = performance.now();
    for (const [actor, { spots, colour }] of this.trails) {
      while (spots.length > 0 && now - spots[0]!.at > TRAIL_MS) spots.shift();
      if (spots.length === 0) this.trails.delete(actor);
      ctx.strokeStyle = colour;
      ctx.lineWidth = TRAIL_PX * pixel;
      ctx.lineCap = 'round';
      for (let i = 1; i < spots.length; i++) {
        ctx.globalAlpha = 1 - (now - spots[i]!.at) / TRAIL_MS;
        ctx.beginPath();
        ctx.moveTo(spots[i - 1]!.x, spots[i - 1]!.y);
        ctx.lineTo(spots[i]!.x, spots[i]!.y);
        ctx.stroke();
      }
    }
    ctx.globalAlpha = 1;
    for (const [actor, pointer] of this.pointers) {
      if (now - pointer.seen > GONE_AFTER_MS) this.pointers.delete(actor);
      else this.drawPointer(ctx, pointer, this.nameOf(actor), pixel);
    }
    return this.trails.size > 0;
  }

  private drawPointer(ctx: CanvasRenderingContext2D, { x, y, colour }: Pointer, name: string, pixel: number): void {
    ctx.fillStyle = colour;
    ctx.beginPath();
    ctx.moveTo(x, y);
    ctx.lineTo(x + 4 * pixel, y + 15 * pixel);
    ctx.lineTo(x + 12 * pixel, y + 9 * pixel);
    ctx.fill();
    if (!name) return;
    ctx.font = `600 ${NAME_PX * pixel}px ${FONT}`;
    ctx.textAlign = 'left';
    const width = ctx.measureText(name).width;
    ctx.fillRect(x + 12 * pixel, y + 12 * pixel, width + 12 * pixel, (NAME_PX + 8) * pixel);
    ctx.fillStyle = '#ffffff';
    ctx.fillText(name, x + 18 * pixel, y + (NAME_PX + 14) * pixel);
  }
}
