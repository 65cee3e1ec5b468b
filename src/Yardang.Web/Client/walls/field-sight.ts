// How near a field is seen, and which part of it: nearer, farther, all, by buttons, wheel and dragging. Lengths are units of the field but where px is said.

import { type TemplateResult, html } from 'lit-html';
import type { FieldSpot } from '../wire/forms';

const ZOOMS = [0.3, 0.4, 0.5, 0.65, 0.8, 1, 1.25, 1.5, 2];
/** To begin with all is shown, as long as cards can be read. */
const SMALLEST_READ = 0.7;
const SMALLEST = 0.05;

/** What there is to be seen. */
export interface Bounds {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

interface Texts {
  readonly zoom: string;
  readonly nearer: string;
  readonly farther: string;
  readonly wholeField: string;
}

type Zoom = number | 'all' | null;

export class FieldSight {
  /** Where the canvas begins; null until it was laid out. */
  origin: FieldSpot | null = null;
  /** As it was chosen; null: as it was to begin with. */
  zoom: Zoom = null;
  private scale = 1;
  /** How near all was to begin with; null as long as there are no cards. */
  private begunAt: number | null = null;

  /**
   * @param find the element that scrolls; null while there is none.
   * @param layOut lays everything out anew.
   * @param refresh draws the controls anew.
   */
  constructor(
    private readonly find: () => HTMLElement | null,
    private readonly layOut: () => void,
    private readonly refresh: () => void,
  ) {}

  /** The element that scrolls, while it is on the screen. */
  get scroll(): HTMLElement | null {
    const scroll = this.find();
    return scroll && scroll.clientWidth > 0 ? scroll : null;
  }

  /** Px of one unit before anything is nearer or farther: it follows the size of text that somebody has chosen. */
  get unit(): number {
    return parseFloat(getComputedStyle(document.documentElement).fontSize) / 16;
  }

  /** Px of one unit as it is seen. */
  get length(): number {
    return this.unit * this.scale;
  }

  /** Makes the canvas as large as what there is. What comes beyond an edge moves nothing that is in sight, and makes nothing smaller that somebody is reading. */
  fit(scroll: HTMLElement, { left, top, width, height }: Bounds, hasCards: boolean): void {
    const { unit } = this;
    const all = Math.min(1, scroll.clientWidth / (width * unit), scroll.clientHeight / (height * unit));
    if (this.begunAt === null && hasCards) this.begunAt = Math.max(SMALLEST_READ, all);
    this.scale = this.zoom === 'all' ? Math.max(SMALLEST, all) : (this.zoom ?? this.begunAt ?? 1);
    const sized = scroll.querySelector<HTMLElement>('.field-sized')!;
    const canvas = scroll.querySelector<HTMLElement>('.field-canvas')!;
    setPx(sized, { width: width * this.length, height: height * this.length });
    setPx(canvas, { width: width * unit, height: height * unit });
    canvas.style.setProperty('transform', `scale(${this.scale})`);
    if (this.origin) {
      scroll.scrollLeft += (this.origin.x - left) * this.length;
      scroll.scrollTop += (this.origin.y - top) * this.length;
    }
    this.origin = { x: left, y: top };
  }

  /** First to be seen is where most lies. */
  beginAt(scroll: HTMLElement, spots: readonly FieldSpot[]): void {
    const mean = (all: readonly number[]) => all.reduce((sum, v) => sum + v, 0) / all.length;
    const { x, y } = this.origin!;
    scroll.scrollLeft = (mean(spots.map((s) => s.x)) - x) * this.length - scroll.clientWidth / 2;
    scroll.scrollTop = (mean(spots.map((s) => s.y)) - y) * this.length - scroll.clientHeight / 2;
  }

  /** Which place of the field a point of the screen is. */
  spotAt(x: number, y: number): FieldSpot {
    const box = this.scroll!.querySelector('.field-canvas')!.getBoundingClientRect();
    const { x: left, y: top } = this.origin ?? { x: 0, y: 0 };
    return { x: Math.round(left + (x - box.left) / this.length), y: Math.round(top + (y - box.top) / this.length) };
  }

  /** The middle of what is seen; null while nothing is. */
  get middle(): FieldSpot | null {
    const box = this.scroll?.getBoundingClientRect();
    return box ? this.spotAt(box.left + box.width / 2, box.top + box.height / 2) : null;
  }

  controls(texts: Texts): TemplateResult {
    return html`<span class="field-zoom" role="group" aria-label=${texts.zoom}>
      <button type="button" class="button button-small" aria-label=${texts.farther} @click=${() => this.step(-1)}>
        −
      </button>
      <button type="button" class="button button-small" aria-label=${texts.nearer} @click=${() => this.step(1)}>
        +
      </button>
      <button
        type="button"
        class="button button-small"
        aria-pressed=${this.zoom === 'all'}
        @click=${() => this.zoomTo(this.zoom === 'all' ? null : 'all')}
      >
        ${texts.wholeField}
      </button>
    </span>`;
  }

  wheel(e: WheelEvent): void {
    if (!e.ctrlKey && !e.metaKey) return;
    e.preventDefault();
    this.step(e.deltaY < 0 ? 1 : -1, { x: e.clientX, y: e.clientY });
  }

  /** A mouse drags the ground; a finger scrolls by itself. */
  pan(e: PointerEvent): void {
    const { scroll } = this;
    if (!scroll || e.button !== 0 || e.pointerType === 'touch') return;
    const from = { x: e.clientX + scroll.scrollLeft, y: e.clientY + scroll.scrollTop };
    const move = (to: PointerEvent) => scroll.scrollTo(from.x - to.clientX, from.y - to.clientY);
    const stop = () => {
      window.removeEventListener('pointermove', move);
      window.removeEventListener('pointerup', stop);
      window.removeEventListener('pointercancel', stop);
    };
    window.addEventListener('pointermove', move);
    window.addEventListener('pointerup', stop);
    window.addEventListener('pointercancel', stop);
  }

  private step(by: number, about?: { x: number; y: number }): void {
    const nearest = by > 0 ? ZOOMS.find((z) => z > this.scale + 0.01) : ZOOMS.findLast((z) => z < this.scale - 0.01);
    if (nearest) this.zoomTo(nearest, about);
  }

  /** What is in the middle, or under the pointer, stays there. */
  private zoomTo(zoom: Zoom, about?: { x: number; y: number }): void {
    const { scroll } = this;
    if (!scroll) return;
    const box = scroll.getBoundingClientRect();
    const at = about ?? { x: box.left + box.width / 2, y: box.top + box.height / 2 };
    const spot = this.spotAt(at.x, at.y);
    this.zoom = zoom;
    this.layOut();
    scroll.scrollLeft = (spot.x - this.origin!.x) * this.length - (at.x - box.left);
    scroll.scrollTop = (spot.y - this.origin!.y) * this.length - (at.y - box.top);
    this.refresh();
  }
}

export function setPx(element: HTMLElement | null, values: Record<string, number>): void {
  for (const [key, value] of Object.entries(values)) element?.style.setProperty(key, `${value}px`);
}
