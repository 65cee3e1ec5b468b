// Ink that is being drawn, mine and others': shown, never stored here.

import { outlinePath } from '../ink/outline';
import { Looks } from '../room/marks';
import { highlighterColour, inkColour } from './palette';

interface Stroke {
  readonly points: number[];
  readonly colour: string;
  readonly width: number;
  readonly multiplies: boolean;
  seen: number;
}

/** A stroke of which nothing more has come for so long is forgotten: it will never be finished. */
export const FORGOTTEN_AFTER_MS = 4000;
const LIVE_HIGHLIGHTER = 0.6;

export class LiveInk {
  scheduled = false;
  private mine: Stroke | null = null;
  private others = new Map<string, Stroke>();

  /** @param thinnest ink is drawn at least this wide, 1/100 mm. */
  draw(ctx: CanvasRenderingContext2D, thinnest = 0): void {
    const now = performance.now();
    for (const [key, stroke] of this.others) if (now - stroke.seen > FORGOTTEN_AFTER_MS) this.others.delete(key);
    for (const stroke of [...this.others.values(), this.mine]) {
      if (!stroke || stroke.points.length === 0) continue;
      ctx.fillStyle = stroke.colour;
      // On a layer of its own it cannot multiply with the page yet.
      ctx.globalAlpha = stroke.multiplies ? LIVE_HIGHLIGHTER : 1;
      ctx.fill(outlinePath(stroke.points, Math.max(thinnest, stroke.width)));
    }
    ctx.globalAlpha = 1;
  }

  /** Whether anything is being drawn. */
  get isAny(): boolean {
    return this.mine !== null || this.others.size > 0;
  }

  begin(points: number[], colour: string, width: number, multiplies: boolean): void {
    this.mine = { points, colour, width, multiplies, seen: 0 };
  }

  end(): void {
    this.mine = null;
  }

  /** A piece of somebody else's stroke: [stroke, page, colour, width, from, points, looks]. Missing pieces leave a straight line. */
  takePreview(actor: number, byStaff: boolean, data: any[], page: number): void {
    const [id, onPage, colour, width, from, points, looks = 0] = data;
    if (onPage !== page) return;
    const key = `${actor}:${id}`;
    const stroke = this.others.get(key) ?? newStroke(colour, byStaff, width, looks);
    if (from * 4 < stroke.points.length) stroke.points.length = from * 4;
    stroke.points.push(...points);
    stroke.seen = performance.now();
    this.others.set(key, stroke);
  }

  /** Their stroke has arrived. */
  forget(actor: number): void {
    for (const key of this.others.keys()) if (key.startsWith(`${actor}:`)) this.others.delete(key);
  }
}

function newStroke(colour: number, byStaff: boolean, width: number, looks: number): Stroke {
  const multiplies = (looks & Looks.Highlighter) !== 0;
  return {
    points: [],
    colour: multiplies ? highlighterColour(colour) : inkColour(colour, byStaff),
    width,
    multiplies,
    seen: 0,
  };
}
