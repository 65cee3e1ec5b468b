// What is laid over a page of the past: what is no longer there, what is new, changed or gone between two moments, and whose is whose.

import type { Mark } from '../room/marks';
import { drawMark } from '../surface/draw';
import { bounds, markAt } from '../surface/hit';
import type { PageSurface, Point, Tool } from '../surface/page-surface';
import { FONT } from '../surface/type';
import type { Between } from './between';
import type { Person } from './past';

const GHOST = 0.28;
const CAME = '#2c7a50';
const CHANGED = '#345e9e';
const WENT = '#b93f2b';
const CHOSEN = '#0c5c69';
const LINE_PX = 2.5;
const AROUND_PX = 4;
const DASH_PX = [9, 5];
const DOT_PX = [2.5, 4];
const INITIALS_PX = 12;
/** So near is near enough, in pixels. */
const REACH_PX = 6;
/** Of more, initials would cover what they are of. */
const MOST_INITIALS = 300;

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
    if (this.people) this.drawPeople(ctx, this.people, pixel);
    ring(ctx, came, CAME, [], pixel);
    ring(ctx, changed, CHANGED, DASH_PX, pixel);
    ring(ctx, went, WENT, DOT_PX, pixel);
    const chosen = [...this.marks, ...this.ghosts].filter(({ id }) => id === this.chosen);
    ring(ctx, chosen, CHOSEN, [], pixel);
  }

  private drawPeople(ctx: CanvasRenderingContext2D, people: ReadonlyMap<number, Person>, pixel: number): void {
    const theirs = this.marks.filter((m) => !m.byStaff && people.has(m.author));
    for (const [number, { colour }] of people)
      ring(
        ctx,
        theirs.filter((m) => m.author === number),
        colour,
        [],
        pixel,
      );
    if (theirs.length > MOST_INITIALS) return;
    ctx.font = `bold ${INITIALS_PX * pixel}px ${FONT}`;
    ctx.textBaseline = 'middle';
    for (const mark of theirs) {
      const { colour, initials } = people.get(mark.author)!;
      const box = bounds(mark);
      const width = ctx.measureText(initials).width + 6 * pixel;
      const [x, y] = [box.x - AROUND_PX * pixel, box.y - (AROUND_PX + INITIALS_PX) * pixel];
      ctx.fillStyle = colour;
      ctx.fillRect(x, y, width, (INITIALS_PX + 3) * pixel);
      ctx.fillStyle = '#ffffff';
      ctx.fillText(initials, x + 3 * pixel, y + (INITIALS_PX / 2 + 2) * pixel);
    }
  }
}

function ring(
  ctx: CanvasRenderingContext2D,
  marks: readonly Mark[],
  colour: string,
  dash: number[],
  pixel: number,
): void {
  ctx.strokeStyle = colour;
  ctx.lineWidth = LINE_PX * pixel;
  ctx.setLineDash(dash.map((n) => n * pixel));
  const around = AROUND_PX * pixel;
  for (const mark of marks) {
    const box = bounds(mark);
    ctx.strokeRect(box.x - around, box.y - around, box.width + 2 * around, box.height + 2 * around);
  }
  ctx.setLineDash([]);
}
