// One board as a small live picture.

import { type Change, Grip, type Page, Property } from '../room/marks';
import { Sheets } from '../room/sheets';
import type { RoomEvent } from '../room/wire';
import { FORGOTTEN_AFTER_MS, LiveInk } from '../surface/live-ink';
import { paintNoMore, paintSoon } from '../surface/painting-turns';
import { Pictures } from '../surface/pictures';
import { SmallPicture } from '../surface/small-picture';
import { type LatePage, type LateTexts, describe, drawLate } from './late-work';
import { type PageSeen, STEP_MS, STEPS } from './table';
import { Tile, type TileOptions } from './tile';

/** Width of the thinnest ink in a small picture, CSS pixels. */
const THINNEST_PX = 1.1;
/** Side of a teacher's stamp, and from one to the next, 1/100 mm: from the corner of the page leftwards. */
const STAMP_SIDE = 1800;
const STAMP_STEP = 2100;

export class BoardTile extends Tile<Sheets> {
  readonly isDrawn = true;
  private readonly live = new LiveInk();
  private readonly pictures: Pictures;
  private picture: SmallPicture | null = null;
  private readonly painting = () => this.paint();
  private canvas: HTMLCanvasElement | null = null;
  /** What stands, as soon as there is ink being drawn above it. */
  private under: HTMLCanvasElement | null = null;
  private isInSight = false;
  private forgetting: ReturnType<typeof setTimeout> | undefined;
  private readonly sight = new IntersectionObserver((seen) => {
    this.isInSight = seen.at(-1)!.isIntersecting;
    this.follow(this.isInSight);
    this.shown();
  });
  /** Which marks were taken away from here, and which were put there: to be undone. */
  private taken: readonly number[] = [];
  private given: readonly number[] = [];
  private pageNumber = 1;
  /** When something was done on which page in the last minutes, as far as it was seen from here; and up to when, of each person. */
  private readonly acts = new Map<number, number[]>();
  private readonly noted = new Map<number, number>();

  constructor(
    options: Pick<TileOptions<Sheets>, 'room' | 'connection' | 'me' | 'before' | 'changed'>,
    private readonly written: string,
  ) {
    super({
      ...options,
      changed: () => options.changed(),
      empty: new Sheets(),
      read: (number, state) => Sheets.of(number, state),
      foresee: (sheets, command) => sheets.predict(command, options.me, false),
    });
    this.pictures = new Pictures(options.room, '', () => this.changedLooks());
  }

  get pageCount(): number {
    return this.client.state.pages.length;
  }

  override numberOf(page: number): number {
    return this.client.state.pages.findIndex((p) => p.id === page) + 1;
  }

  override pageAt(place: number): number {
    return this.client.state.pages[place - 1]?.id ?? 0;
  }

  override isUntouched(page: number): boolean {
    const { state } = this.client;
    const pages = state.pages.filter((p) => page === 0 || p.id === page);
    return pages.length > 0 && pages.every((p) => this.writtenOn(p.id).length === 0);
  }

  override async clear(page: number): Promise<void> {
    await this.admitted();
    const pages = page === 0 ? this.client.state.pages.map((p) => p.id) : [page];
    this.taken = pages.flatMap((id) => this.writtenOn(id)).map((mark) => mark.id);
    this.given = [];
    await this.erase(true);
  }

  override async stamp(stamp: string, page: number): Promise<boolean> {
    await this.admitted();
    const { state } = this.client;
    const size = state.pages.find((p) => p.id === page)?.size;
    if (!size) return false;
    const before = state.visible(page).filter((mark) => mark.byStaff && mark.body.kind === 'stamp').length;
    const inRow = Math.max(1, Math.floor(size.width / STAMP_STEP) - 1);
    const [column, row] = [before % inRow, Math.floor(before / inRow)];
    const [x, y] = [size.width - (column + 1) * STAMP_STEP, STAMP_STEP * row + STAMP_STEP - STAMP_SIDE];
    const id = this.client.newId();
    const body = { kind: 'stamp' as const, x, y, width: STAMP_SIDE, height: STAMP_SIDE, stamp };
    const style = { colour: 0, width: 0, fill: 0, looks: 0 };
    this.client.submit({ kind: 'addMark', id, page, grip: Grip.Own, body, style, for: 0 }, id);
    [this.taken, this.given] = [[], [id]];
    return true;
  }

  override async putBack(): Promise<void> {
    await this.erase(false);
    this.taken = [];
    this.given = [];
  }

  private writtenOn(page: number) {
    return this.client.state.visible(page).filter((mark) => !mark.byStaff);
  }

  /** Takes away what is to go, or undoes what was done last. */
  private async erase(value: boolean): Promise<void> {
    const erased = (target: number, gone: boolean): Change => ({ property: Property.Erased, target, value: gone });
    const changes = [
      ...this.taken.map((target) => erased(target, value)),
      ...(value ? [] : this.given.map((target) => erased(target, true))),
    ];
    if (changes.length > 0) await this.change({ kind: 'makeChanges', changes });
  }

  showPage(number: number): void {
    this.pageNumber = number;
    this.shown();
  }

  show(host: HTMLElement | null): void {
    this.canvas = host?.querySelector('canvas') ?? null;
    if (this.canvas) {
      // Nothing stays of what was shown here before.
      this.canvas.width = 0;
      delete this.canvas.dataset.painted;
      this.picture = new SmallPicture(this.canvas);
      new ResizeObserver(() => this.shown()).observe(this.canvas);
      this.sight.observe(this.canvas);
    }
    document.fonts.addEventListener('loadingdone', () => this.changedLooks());
  }

  override spare(): void {
    this.follow(this.isInSight);
  }

  override close(): void {
    super.close();
    this.sight.disconnect();
    paintNoMore(this.painting);
    [this.canvas, this.under, this.picture] = [null, null, null];
  }

  describeLate(person: number, texts: LateTexts): LatePage[] {
    return describe(this.client.state, this.lateWorkOf(person), texts);
  }

  drawLate(person: number, page: number, canvas: HTMLCanvasElement): void {
    drawLate(canvas, this.client.state, this.lateWorkOf(person), page, this.pictures, this.written);
  }

  protected override happened(event: RoomEvent, actor: number): void {
    if (event.kind === 'markAdded') this.live.forget(actor);
    this.noteActs();
  }

  override pagesSeen(): PageSeen[] {
    this.noteActs();
    const { state } = this.client;
    return state.pages.map(({ id }) => ({
      page: id,
      marks: this.writtenOn(id).length,
      acts: this.acts.get(id) ?? [],
    }));
  }

  /** What each did last, on the page where they did it. */
  private noteActs(): void {
    for (const { person, at, page } of this.client.state.acts.values()) {
      if ((this.noted.get(person) ?? 0) >= at) continue;
      this.noted.set(person, at);
      const acts = (this.acts.get(page) ?? []).filter((before) => before > at - STEPS * STEP_MS);
      this.acts.set(
        page,
        [...acts, at].sort((a, b) => a - b),
      );
    }
  }

  protected override previewed(actor: number, byStaff: boolean, data: any[]): void {
    const page = this.page;
    if (page && typeof data[0] === 'number') this.live.takePreview(actor, byStaff, data, page.id);
    this.shown();
  }

  protected shown(): void {
    if (!this.isInSight) return;
    // What has just come is there at once; what changes takes turns.
    if (this.canvas?.dataset.painted === undefined) this.paint();
    else paintSoon(this.painting);
  }

  private changedLooks(): void {
    this.picture?.spoil();
    this.shown();
  }

  private get page(): Page | undefined {
    const { pages } = this.client.state;
    return pages[Math.min(this.pageNumber, pages.length) - 1];
  }

  private paint(): void {
    const { canvas, picture, page } = this;
    const { state } = this.client;
    // What is not in sight is not drawn.
    if (!canvas || !picture || !page || !this.isInSight || canvas.clientWidth === 0) return;
    const ratio = window.devicePixelRatio || 1;
    const width = Math.round(canvas.clientWidth * ratio);
    const scale = width / page.size.width;
    const thinnest = (THINNEST_PX * ratio) / scale;
    const options = { thinnest, unit: state.unit, pictures: this.pictures, written: this.written };
    if (this.live.isAny && !this.under) picture.moveTo((this.under = document.createElement('canvas')));
    picture.show(page, state.visible(page.id), width, options);
    canvas.dataset.painted = '';
    const { under } = this;
    if (!under) return;
    if (canvas.width !== under.width) canvas.width = under.width;
    if (canvas.height !== under.height) canvas.height = under.height;
    const ctx = canvas.getContext('2d')!;
    ctx.setTransform(1, 0, 0, 1, 0, 0);
    ctx.clearRect(0, 0, canvas.width, canvas.height);
    ctx.drawImage(under, 0, 0);
    ctx.setTransform(scale, 0, 0, scale, 0, 0);
    this.live.draw(ctx, thinnest);
    clearTimeout(this.forgetting);
    if (this.live.isAny) this.forgetting = setTimeout(() => this.shown(), FORGOTTEN_AFTER_MS + 1);
  }
}
