// The page on the screen: two canvases (what stands, and what is being drawn), zoom and pan, and the pointer handed to a tool.

import type { Mark, Page } from '../room/marks';
import type { Box } from '../shapes/geometry';
import type { DrawOptions } from './draw';
import { bounds } from './hit';
import type { LiveInk } from './live-ink';
import type { Pictures } from './pictures';
import type { Pointers } from './pointers';
import { StandingLayer } from './standing-layer';

export interface Point {
  /** 1/100 mm on the page. */
  readonly x: number;
  readonly y: number;
  readonly pressure: number;
  readonly ms: number;
  readonly isPen: boolean;
  readonly shift: boolean;
  readonly alt: boolean;
}

export interface Tool {
  readonly cursor: string;
  down(point: Point): void;
  move(points: Point[]): void;
  up(): void;
  cancel(): void;
  /** The page goes away: what is begun is done as far as it is. */
  leave?(): void;
  /** What it shows over the page, in page units. */
  draw?(ctx: CanvasRenderingContext2D): void;
}

const MIN_ZOOM = 0.5;
const MAX_ZOOM = 8;
const MARGIN = 16;
const PALM_MS = 1000;
/** A press that is as short and moves as little may be meant for what lies there; but not while somebody is writing by hand: then it is a dot. */
const TAP_MS = 450;
const TAP_PX = 7;
const HAND_RESTS_MS = 1500;
/** Of the screen, what is read fills so much; a page that is as wide as the screen comes so much nearer. */
const READ_WIDTH = 0.86;
const READ_HEIGHT = 0.7;
const NEARER = 2;
const AS_WIDE = 1.15;

export class PageSurface {
  private readonly standing: StandingLayer;
  private readonly canvases: readonly HTMLCanvasElement[];
  private readonly drawing: HTMLCanvasElement;
  private page: Page | null = null;
  private marks: readonly Mark[] = [];
  private dirty = false;
  private zoom = 1;
  /** Pixels for 1/100 mm when the page fits. */
  private fitScale = 0.01;
  private left = 0;
  private top = 0;
  private active: number | null = null;
  private penAt = -Infinity;
  private pressed: { at: Point; x: number; y: number } | null = null;
  private drewAt = -Infinity;
  private readonly touches = new Map<number, { x: number; y: number }>();
  private pinch: { distance: number; x: number; y: number } | null = null;
  tool: Tool | null = null;
  /** A short press that was no writing: what is done of it instead of what the tool would do. */
  onTap: ((at: Point) => (() => void) | null) | null = null;
  /** Whether a finger or pointer moves the page, and the tool waits. */
  moves = false;
  private grabbed: { x: number; y: number } | null = null;
  /** In which lengths are shown. */
  unit = 0;
  pictures: Pictures | null = null;
  /** In which languages a teacher's words are read. */
  languages: readonly string[] = [];
  /** In which language they were written. */
  written = '';
  /** Marks with a ring round them. */
  chosen: ReadonlySet<number> = new Set();
  /** What is shown over the page besides, in page units. */
  over: ((ctx: CanvasRenderingContext2D, pixel: number) => void) | null = null;
  onZoom: (percent: number) => void = () => undefined;
  onView: () => void = () => undefined;
  /** Where the pointer is while nothing is being done. */
  onHover: (point: Point) => void = () => undefined;

  constructor(
    private readonly host: HTMLElement,
    private readonly live: LiveInk,
    private readonly pointers: Pointers,
  ) {
    const standing = this.layer('surface-layer');
    this.drawing = this.layer('surface-layer surface-input');
    this.canvases = [standing, this.drawing];
    this.standing = new StandingLayer(standing, () => this.later());
    new ResizeObserver(() => this.resize()).observe(host);
    // Letters of other scripts come when they are first needed.
    document.fonts.addEventListener('loadingdone', () => this.invalidate());
    this.listen();
  }

  /** Puts something over the page. A browser may have moved the surface under a focus; it is moved by its own means alone. */
  lay(over: HTMLElement): void {
    if (over.parentElement !== this.host) this.host.append(over);
    this.host.scrollTo(0, 0);
  }

  show(page: Page, marks: readonly Mark[]): void {
    // A page that was lengthened stays where it is under the hand.
    const resized =
      page.id !== this.page?.id || page.size.width !== this.page.size.width || page.size.height < this.page.size.height;
    this.page = page;
    this.marks = marks;
    this.standing.show(page, marks);
    if (resized) this.fit();
  }

  /** Does not show some marks for the time being; the tool does. */
  hide(ids: ReadonlySet<number>): void {
    this.standing.hide(ids);
  }

  /** Paints everything in the next frame. */
  invalidate(): void {
    this.standing.spoilAll();
  }

  private later(): void {
    if (this.dirty) return;
    this.dirty = true;
    requestAnimationFrame(() => this.paint());
  }

  /** Paints only what is being drawn, in the next frame. */
  invalidateDrawing(): void {
    if (this.dirty || this.live.scheduled) return;
    this.live.scheduled = true;
    requestAnimationFrame(() => this.paintDrawing());
  }

  get zoomPercent(): number {
    return Math.round(this.zoom * 100);
  }

  zoomBy(factor: number, x = this.host.clientWidth / 2, y = this.host.clientHeight / 2): void {
    const zoom = Math.min(MAX_ZOOM, Math.max(MIN_ZOOM, this.zoom * factor));
    const ratio = zoom / this.zoom;
    this.left = x - (x - this.left) * ratio;
    this.top = y - (y - this.top) * ratio;
    this.zoom = zoom;
    this.viewChanged();
  }

  panBy(dx: number, dy: number): void {
    this.left += dx;
    this.top += dy;
    this.viewChanged();
  }

  /** The next page shown is shown whole. */
  fitNext(): void {
    this.page = null;
  }

  /** Shows the whole page. */
  fit(): void {
    if (!this.page) return;
    const { clientWidth, clientHeight } = this.host;
    this.fitScale = Math.max(
      0.001,
      Math.min((clientWidth - 2 * MARGIN) / this.page.size.width, (clientHeight - 2 * MARGIN) / this.page.size.height),
    );
    this.zoom = 1;
    this.left = (clientWidth - this.page.size.width * this.scale) / 2;
    this.top = Math.max(MARGIN, (clientHeight - this.page.size.height * this.scale) / 2);
    this.viewChanged();
  }

  /** As near as the page fills the screen, from its beginning: it is read by moving it in one direction. */
  fill(): void {
    if (!this.page) return;
    const { width, height } = this.page.size;
    const { clientWidth, clientHeight } = this.host;
    const filling = Math.max((clientWidth - 2 * MARGIN) / width, (clientHeight - 2 * MARGIN) / height) / this.fitScale;
    this.zoom = Math.min(MAX_ZOOM, filling > AS_WIDE ? filling : NEARER);
    const isRtl = document.documentElement.dir === 'rtl';
    this.left = isRtl ? clientWidth - MARGIN - width * this.scale : MARGIN;
    this.top = MARGIN;
    this.viewChanged();
  }

  /** Brings what is to be read into the middle, as near as it can be read. */
  showNear(box: Box): void {
    const { clientWidth, clientHeight } = this.host;
    const scale = Math.min((READ_WIDTH * clientWidth) / box.width, (READ_HEIGHT * clientHeight) / box.height);
    this.lookAt(
      box.x + box.width / 2,
      box.y + box.height / 2,
      Math.max(1, Math.min(MAX_ZOOM / 2, scale / this.fitScale)),
    );
  }

  get scale(): number {
    return this.fitScale * this.zoom;
  }

  /** Where a place on the page is on the screen, in pixels of the host. */
  toScreen(x: number, y: number): { x: number; y: number } {
    return { x: this.left + x * this.scale, y: this.top + y * this.scale };
  }

  /** The middle of what can be seen, on the page. */
  middle(): { x: number; y: number } {
    const page = this.page!;
    const within = (n: number, max: number) => Math.round(Math.min(max, Math.max(0, n)));
    return {
      x: within((this.host.clientWidth / 2 - this.left) / this.scale, page.size.width),
      y: within((this.host.clientHeight / 2 - this.top) / this.scale, page.size.height),
    };
  }

  /** What can be seen of the page. */
  inSight(): Box {
    const { size } = this.page!;
    const [left, top] = [Math.max(0, -this.left / this.scale), Math.max(0, -this.top / this.scale)];
    const right = Math.min(size.width, (this.host.clientWidth - this.left) / this.scale);
    const bottom = Math.min(size.height, (this.host.clientHeight - this.top) / this.scale);
    return { x: left, y: top, width: right - left, height: bottom - top };
  }

  /** Shows a place in the middle, as near as is said; the same on screens of other sizes. */
  lookAt(x: number, y: number, zoom: number): void {
    this.zoom = Math.min(MAX_ZOOM, Math.max(MIN_ZOOM, zoom));
    this.left = this.host.clientWidth / 2 - x * this.scale;
    this.top = this.host.clientHeight / 2 - y * this.scale;
    this.viewChanged();
  }

  /** How near the page is; 1: all of it is in sight. */
  get nearness(): number {
    return this.zoom;
  }

  /** How marks are drawn here. */
  get options(): DrawOptions {
    const { unit, pictures, languages, written } = this;
    return { unit, languages, written, ...(pictures && { pictures }) };
  }

  private viewChanged(): void {
    this.onZoom(this.zoomPercent);
    this.onView();
    this.standing.move();
  }

  private layer(className: string): HTMLCanvasElement {
    const canvas = document.createElement('canvas');
    canvas.className = className;
    canvas.setAttribute('aria-hidden', 'true');
    this.host.append(canvas);
    return canvas;
  }

  private resize(): void {
    const ratio = window.devicePixelRatio || 1;
    for (const canvas of this.canvases) {
      canvas.width = Math.round(this.host.clientWidth * ratio);
      canvas.height = Math.round(this.host.clientHeight * ratio);
    }
    if (this.zoom === 1) this.fit();
    this.invalidate();
  }

  private prepare(canvas: HTMLCanvasElement): CanvasRenderingContext2D {
    const ctx = canvas.getContext('2d')!;
    const ratio = window.devicePixelRatio || 1;
    ctx.setTransform(1, 0, 0, 1, 0, 0);
    ctx.clearRect(0, 0, canvas.width, canvas.height);
    ctx.setTransform(this.scale * ratio, 0, 0, this.scale * ratio, this.left * ratio, this.top * ratio);
    return ctx;
  }

  private paint(): void {
    this.dirty = false;
    if (!this.page) return;
    this.standing.paint({ left: this.left, top: this.top, scale: this.scale }, this.options);
    this.paintDrawing();
  }

  private paintDrawing(): void {
    this.live.scheduled = false;
    const ctx = this.prepare(this.drawing);
    this.live.draw(ctx);
    if (this.pointers.draw(ctx, 1 / this.scale)) this.invalidateDrawing();
    this.over?.(ctx, 1 / this.scale);
    if (this.tool?.draw) return this.tool.draw(ctx);
    if (this.chosen.size === 0) return;
    const pixel = 1 / this.scale;
    ctx.strokeStyle = '#0c5c69';
    ctx.lineWidth = 2.5 * pixel;
    for (const mark of this.marks) {
      if (!this.chosen.has(mark.id)) continue;
      const box = bounds(mark);
      ctx.strokeRect(box.x - 4 * pixel, box.y - 4 * pixel, box.width + 8 * pixel, box.height + 8 * pixel);
    }
  }

  private listen(): void {
    const input = this.drawing;
    input.addEventListener('pointerdown', (e) => this.pointerDown(e));
    input.addEventListener('pointermove', (e) => this.pointerMove(e));
    for (const end of ['pointerup', 'pointercancel'] as const) input.addEventListener(end, (e) => this.pointerUp(e));
    input.addEventListener('wheel', (e) => this.wheel(e), { passive: false });
    input.addEventListener('contextmenu', (e) => e.preventDefault());
  }

  private pointerDown(e: PointerEvent): void {
    e.preventDefault();
    if (e.pointerType === 'pen') this.penAt = e.timeStamp;
    // A hand that rests on the page while the pen is in use does not write.
    if (e.pointerType === 'touch' && e.timeStamp - this.penAt < PALM_MS) return;
    this.drawing.setPointerCapture(e.pointerId);
    if (e.pointerType === 'touch') {
      this.touches.set(e.pointerId, { x: e.offsetX, y: e.offsetY });
      if (this.touches.size === 2) {
        // A second finger means zoom and pan: what the first began was not meant as writing.
        if (!this.grabbed) this.tool?.cancel();
        this.grabbed = null;
        this.active = null;
        this.pinch = this.grip();
        return;
      }
    }
    if (this.active !== null || this.pinch || e.button > 0 || !this.page) return;
    // From now on keys mean what is on the page, not the button that was pressed before.
    const focused = document.activeElement;
    if (focused instanceof HTMLElement && focused.matches('button, a, summary')) focused.blur();
    this.active = e.pointerId;
    this.pressed = { at: this.point(e), x: e.offsetX, y: e.offsetY };
    if (this.moves) this.grabbed = { x: e.offsetX, y: e.offsetY };
    else this.tool?.down(this.point(e));
  }

  private pointerMove(e: PointerEvent): void {
    if (e.pointerType === 'pen') this.penAt = e.timeStamp;
    if (this.touches.has(e.pointerId)) this.touches.set(e.pointerId, { x: e.offsetX, y: e.offsetY });
    if (this.pinch) return this.followPinch();
    if (e.pointerId !== this.active) {
      if (this.page) this.onHover(this.point(e));
      return;
    }
    if (this.grabbed) {
      this.panBy(e.offsetX - this.grabbed.x, e.offsetY - this.grabbed.y);
      this.grabbed = { x: e.offsetX, y: e.offsetY };
      return;
    }
    const coalesced = e.getCoalescedEvents?.() ?? [];
    this.tool?.move((coalesced.length > 0 ? coalesced : [e]).map((c) => this.point(c)));
  }

  private pointerUp(e: PointerEvent): void {
    this.touches.delete(e.pointerId);
    if (this.pinch && this.touches.size < 2) this.pinch = null;
    if (e.pointerId !== this.active) return;
    this.active = null;
    const wasGrabbed = this.grabbed !== null;
    this.grabbed = null;
    const instead = e.type === 'pointerup' && this.isTap(e) ? this.onTap?.(this.pressed!.at) : null;
    if (instead) {
      this.tool?.cancel();
      instead();
    } else if (wasGrabbed) return;
    else if (e.type === 'pointerup') this.tool?.up();
    else this.tool?.cancel();
  }

  private isTap(e: PointerEvent): boolean {
    const { at, x, y } = this.pressed!;
    const isStill = Math.hypot(e.offsetX - x, e.offsetY - y) < TAP_PX;
    if (!isStill) this.drewAt = e.timeStamp;
    const isResting = at.ms - this.drewAt > HAND_RESTS_MS;
    return isStill && isResting && e.pointerType !== 'pen' && e.timeStamp - at.ms < TAP_MS;
  }

  private wheel(e: WheelEvent): void {
    e.preventDefault();
    if (e.ctrlKey) this.zoomBy(Math.exp(-e.deltaY / 300), e.offsetX, e.offsetY);
    else this.panBy(-e.deltaX, -e.deltaY);
  }

  private grip(): { distance: number; x: number; y: number } {
    const [a, b] = [...this.touches.values()];
    return { distance: Math.hypot(a!.x - b!.x, a!.y - b!.y), x: (a!.x + b!.x) / 2, y: (a!.y + b!.y) / 2 };
  }

  private followPinch(): void {
    if (this.touches.size < 2) return;
    const now = this.grip();
    const before = this.pinch!;
    this.pinch = now;
    this.panBy(now.x - before.x, now.y - before.y);
    if (before.distance > 0) this.zoomBy(now.distance / before.distance, now.x, now.y);
  }

  private point(e: PointerEvent): Point {
    return {
      x: (e.offsetX - this.left) / this.scale,
      y: (e.offsetY - this.top) / this.scale,
      pressure: e.pressure,
      ms: e.timeStamp,
      isPen: e.pointerType === 'pen',
      shift: e.shiftKey,
      alt: e.altKey,
    };
  }
}
