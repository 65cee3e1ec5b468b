// How large boards are shown: as large as the room allows, and nearer or farther as the teacher likes.

/** The room there is, px, and what a tile needs. */
export interface Room {
  readonly width: number;
  readonly height: number;
}

const GAP = 10;
/** Width of a page for its height, at least of most. */
const RATIO = 1.414;
/** What stands under each board, px; under small ones only whose it is. */
const CAPTION = 52;
const SHORT_CAPTION = 28;
const SMALL = 100;
/** About as wide as a board that can be read. */
const LARGE = 420;
/** How much of the screen boards use where the page scrolls. */
const SCROLLED_SHARE = 0.7;
/** No board is smaller, px: what is written on it would not be recognized. */
const SMALLEST = 56;

/** How many boards fit beside one another at most. */
export function mostColumns({ width }: Room): number {
  return Math.max(1, Math.floor((width + GAP) / (SMALLEST + GAP)));
}

function widthOf(columns: number, { width }: Room): number {
  return (width - GAP * (columns - 1)) / columns;
}

/** How many stand beside one another so that all are in sight, each as large as can be. */
export function columnsFor(count: number, room: Room): number {
  const most = mostColumns(room);
  for (let columns = 1; columns < most; columns++) {
    const width = widthOf(columns, room);
    const rows = Math.ceil(count / columns);
    if (rows * (width / RATIO + (width < SMALL ? SHORT_CAPTION : CAPTION) + GAP) - GAP <= room.height) return columns;
  }
  return most;
}

const key = (lesson: string) => `yardang-nearness-${lesson}`;

/** @param room where the boards stand; null while they are not there. */
export function arrangingOf(lesson: string, room: () => HTMLElement | null) {
  let pinch: number | null = null;
  const touches = new Map<number, PointerEvent>();

  return {
    columns: 1,
    /** By how many columns fewer than fit; less than 0: farther away. */
    nearness: Number(localStorage.getItem(key(lesson)) ?? '0') || 0,
    count: 0,
    /** Whether there is room for no more than a name under each. */
    areSmall: false,
    isFarthest: false,
    /** Whether each is to be read, and not all to be in sight. */
    isLarge: false,

    /** Arranges so many boards. */
    arrange(count: number, large?: boolean): void {
      this.count = count;
      if (large !== undefined) this.isLarge = large;
      const there = this.room;
      if (!there) return;
      const fit = this.isLarge ? Math.max(1, Math.floor(there.width / LARGE)) : columnsFor(Math.max(1, count), there);
      this.columns = Math.max(1, Math.min(mostColumns(there), fit - this.nearness));
      this.areSmall = widthOf(this.columns, there) < SMALL;
      this.isFarthest = this.columns >= mostColumns(there);
    },

    get room(): Room | null {
      const element = room();
      if (!element) return null;
      const style = getComputedStyle(element);
      const sides = Number.parseFloat(style.paddingLeft) + Number.parseFloat(style.paddingRight);
      const ends = Number.parseFloat(style.paddingTop) + Number.parseFloat(style.paddingBottom);
      // Where the page scrolls as a whole, the boards are as high as they are: then it is the screen that they fit on.
      const isFramed = getComputedStyle(element.parentElement!).position === 'fixed';
      const height = isFramed ? element.clientHeight - ends : window.innerHeight * SCROLLED_SHARE;
      return { width: element.clientWidth - sides, height };
    },

    get style(): object {
      return { gridTemplateColumns: `repeat(${this.columns}, minmax(0, 1fr))` };
    },

    get isNearest(): boolean {
      return this.columns <= 1;
    },

    step(by: number): void {
      if (by > 0 ? this.isNearest : this.isFarthest) return;
      this.nearness += by;
      localStorage.setItem(key(lesson), String(this.nearness));
      this.arrange(this.count);
    },

    /** Begins to listen: the window may change its size, and two fingers bring the boards nearer. */
    begin(): void {
      const element = room();
      if (!element) return;
      new ResizeObserver(() => this.arrange(this.count)).observe(element);
      element.addEventListener(
        'wheel',
        (e) => {
          // Two fingers on a touchpad.
          if (!e.ctrlKey) return;
          e.preventDefault();
          if (Math.abs(e.deltaY) > 1) this.step(e.deltaY < 0 ? 1 : -1);
        },
        { passive: false },
      );
      const moved = (e: PointerEvent) => {
        if (e.pointerType !== 'touch' || !touches.has(e.pointerId)) return;
        touches.set(e.pointerId, e);
        const [a, b] = [...touches.values()];
        if (!a || !b) return;
        const apart = Math.hypot(a.clientX - b.clientX, a.clientY - b.clientY);
        pinch ??= apart;
        if (apart > pinch * 1.3 || apart < pinch / 1.3) {
          this.step(apart > pinch ? 1 : -1);
          pinch = apart;
        }
      };
      const gone = (e: PointerEvent) => {
        touches.delete(e.pointerId);
        pinch = null;
      };
      element.addEventListener('pointerdown', (e) => e.pointerType === 'touch' && touches.set(e.pointerId, e));
      element.addEventListener('pointermove', moved);
      for (const end of ['pointerup', 'pointercancel', 'pointerleave'] as const) element.addEventListener(end, gone);
    },
  };
}
