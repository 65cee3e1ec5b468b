// One board as a small live picture.

import type { Connection } from '../room/connection';
import { RoomClient } from '../room/room-client';
import type { Page } from '../room/marks';
import { type Me, Sheets } from '../room/sheets';
import type { LateWork } from '../wire/forms';
import { drawMark, drawPaper } from '../surface/draw';
import { LiveInk } from '../surface/live-ink';
import { Pictures } from '../surface/pictures';

/** Width of the thinnest ink in a small picture, CSS pixels. */
const THINNEST_PX = 1.1;
const AGAIN_MS = 2000;

/** When anybody, and each student, did something last on a board, as it was when the page was opened. */
export interface Activity {
  readonly last: number | null;
  readonly of: Readonly<Record<number, number>>;
}

export class Tile {
  private readonly client: RoomClient<Sheets>;
  private readonly live = new LiveInk();
  private readonly seen = new Map<number, number>();
  private canvas: HTMLCanvasElement | null = null;
  private isWanted = true;
  readonly pictures: Pictures;
  private scheduled = false;
  private pageNumber = 1;

  constructor(
    readonly board: string,
    private readonly connection: Connection,
    me: Me,
    private readonly written: string,
    private readonly changed: () => void,
    private readonly before?: Activity,
  ) {
    this.pictures = new Pictures(board, '', () => this.paintSoon());
    this.client = new RoomClient<Sheets>(
      board,
      connection,
      null,
      (number, state) => Sheets.of(number, state),
      (sheets, command) => sheets.predict(command, me, false),
      me,
      {
        changed: () => {
          this.paintSoon();
          this.changed();
        },
        applied: ({ event, actor, time }) => {
          if (event.kind !== 'clientAdmitted') this.seen.set(actor, time);
          if (event.kind === 'markAdded') this.live.forget(actor);
        },
        previewed: ({ actor, byStaff, data }) => {
          const page = this.page;
          if (page && typeof data[0] === 'number') this.live.takePreview(actor, byStaff, data, page.id);
          this.paintSoon();
        },
      },
      new Sheets(),
    );
  }

  /** When the students of this board last did something, server time in ms; null if never. */
  get lastActivity(): number | null {
    return this.isThere ? this.client.state.lastActivity : (this.before?.last ?? null);
  }

  /** When a person last did something here, or tried to; of who has done nothing yet, when anybody did. */
  lastActivityOf(person: number): number | null {
    const act = this.isThere ? this.client.state.acts.get(person)?.at : this.before?.of[person];
    return this.seen.get(person) ?? act ?? this.lastActivity;
  }

  private get isThere(): boolean {
    return this.client.number > 0;
  }

  lateWorkOf(person: number): LateWork[] {
    return [...this.client.state.setAside].filter((late) => late.actor.number === person);
  }

  get pageCount(): number {
    return this.client.state.pages.length;
  }

  showPage(number: number): void {
    this.pageNumber = number;
    this.paintSoon();
  }

  private get page(): Page | undefined {
    const { pages } = this.client.state;
    return pages[Math.min(this.pageNumber, pages.length) - 1];
  }

  show(canvas: HTMLCanvasElement): void {
    this.canvas = canvas;
    new ResizeObserver(() => this.paintSoon()).observe(canvas);
    document.fonts.addEventListener('loadingdone', () => this.paintSoon());
    void this.enter();
  }

  /** Brings the board here, and tries again until it is or nobody wants it any more. */
  async enter(): Promise<void> {
    while (this.isWanted) {
      try {
        return await this.connection.enter(this.client, false);
      } catch {
        await new Promise((done) => setTimeout(done, AGAIN_MS));
      }
    }
  }

  get sheets(): Sheets {
    return this.client.state;
  }

  close(): void {
    this.connection.leave(this.board);
    this.isWanted = false;
    this.canvas = null;
  }

  async decideLateWork(person: number, kind: 'acceptLateWork' | 'discardLateWork'): Promise<void> {
    await this.connection.admit(this.client);
    for (const { number } of this.lateWorkOf(person)) this.client.submit({ kind, number });
  }

  private paintSoon(): void {
    if (this.scheduled || !this.canvas) return;
    this.scheduled = true;
    requestAnimationFrame(() => this.paint());
  }

  private paint(): void {
    this.scheduled = false;
    const { canvas } = this;
    const page = this.page;
    if (!canvas || !page) return;
    const ratio = window.devicePixelRatio || 1;
    const width = Math.round(canvas.clientWidth * ratio);
    const height = Math.round((canvas.clientWidth * ratio * page.size.height) / page.size.width);
    if (canvas.width !== width || canvas.height !== height) {
      canvas.width = width;
      canvas.height = height;
    }
    const ctx = canvas.getContext('2d')!;
    const scale = width / page.size.width;
    ctx.setTransform(scale, 0, 0, scale, 0, 0);
    drawPaper(ctx, page, this.pictures);
    for (const mark of this.client.state.visible(page.id))
      drawMark(ctx, mark, {
        thinnest: (THINNEST_PX * ratio) / scale,
        unit: this.client.state.unit,
        pictures: this.pictures,
        written: this.written,
      });
    this.live.draw(ctx);
  }
}
