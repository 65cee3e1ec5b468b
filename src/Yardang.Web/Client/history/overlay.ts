// What is laid over a page of the past: what is no longer there, what is new, changed or gone between two moments, and whose is whose.

import type { Mark } from '../room/marks';
import { drawMark } from '../surface/draw';
import { markAt } from '../surface/hit';
import type { PageSurface, Point, Tool } from '../surface/page-surface';
import { drawOwners, drawRings } from '../surface/whose';
import type { Between } from './between';
import type { Person } from './past';

const GHOST = 0.28;
const CAME = '#2c7a50';
const CHANGED = '#345e9e';
const WENT = '#b93f2b';
const CHOSEN = '#0c5c69';
const DASH_PX = [9, 5];
const DOT_PX = [2.5, 4];
/** So near is near enough, in pixels. */
const REACH_PX = 6;

export class Overlay implements Tool {
  readonly cursor = 'pointer';
  marks: readonly Mark[] = [];
  ghosts: readonly Mark[] = [];
  between: Between<Mark> | null = null;
  people: ReadonlyMap<number, Person> | null = null;
  chosen = 0;

  constructor(
    private readonly surface: PageSurface,
    private readonly pick: (mark: Mark | null) => void,
  ) {}

  down({ x, y }: Point): void {
    const all = [...this.ghosts, ...(this.between?.went ?? []), ...this.marks];
    this.pick(markAt(all, x, y, REACH_PX / this.surface.scale, () => true));
  }

  move = (): void => undefined;
  up = (): void => undefined;
  cancel = (): void => undefined;

  draw(ctx: CanvasRenderingContext2D): void {
    const pixel = 1 / this.surface.scale;
    const { options } = this.surface;
    const { came = [], changed = [], went = [] } = this.between ?? {};
    ctx.save();
    ctx.globalAlpha = GHOST;
    for (const mark of [...this.ghosts, ...went]) drawMark(ctx, mark, options);
    ctx.restore();
    if (this.people) drawOwners(ctx, this.marks, this.people, pixel);
    drawRings(ctx, came, CAME, [], pixel);
    drawRings(ctx, changed, CHANGED, DASH_PX, pixel);
    drawRings(ctx, went, WENT, DOT_PX, pixel);
    const chosen = [...this.marks, ...this.ghosts].filter(({ id }) => id === this.chosen);
    drawRings(ctx, chosen, CHOSEN, [], pixel);
  }
}
