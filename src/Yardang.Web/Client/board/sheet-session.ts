// A page being worked on: surface, tools and room together. Used by the student's board, by sitting beside, by "try it" and by the workshop.

import { encode } from '@msgpack/msgpack';
import { type Line, RoomClient } from '../room/room-client';
import { type OutboxStore } from '../room/outbox-store';
import { type Me, Sheets } from '../room/sheets';
import type { Command, Envelope } from '../room/wire';
import { type Mark, Property } from '../room/marks';
import { LiveInk } from '../surface/live-ink';
import { PageSurface, type Tool } from '../surface/page-surface';
import { Eraser } from '../tools/eraser';
import { Mover } from '../tools/mover';
import { Pen } from '../tools/pen';
import type { SheetContext } from '../tools/sheet-context';
import { Writer } from '../tools/writer';

export type ToolName = 'pen' | 'text' | 'note' | 'move' | 'rub';

export interface SessionOptions {
  readonly room: string;
  readonly line: Line;
  readonly store: OutboxStore | null;
  readonly me: Me;
  readonly grip: number;
  /** Whether the activity itself may be changed. */
  readonly design: boolean;
  readonly language: string;
  readonly host: HTMLElement;
  readonly field: HTMLTextAreaElement;
  mayWrite(): boolean;
  changed(): void;
  refused(reason: number): void;
  applied?(envelope: Envelope): void;
}

export class SheetSession implements SheetContext {
  readonly live = new LiveInk();
  readonly surface: PageSurface;
  readonly client: RoomClient<Sheets>;
  readonly ink = { colour: 0, width: 60 };
  readonly note = { colour: 0 };
  page = 0;
  private readonly tools: Record<ToolName, Tool>;
  private toolName: ToolName = 'pen';
  private chosenId: number | null = null;

  constructor(private readonly options: SessionOptions) {
    this.surface = new PageSurface(options.host, this.live);
    this.client = new RoomClient(
      options.room,
      options.line,
      options.store,
      (number, state) => Sheets.read(number, state),
      (sheets, command) => sheets.predict(command, options.me, options.design),
      options.me,
      {
        changed: () => this.refresh(),
        applied: (envelope) => {
          if (envelope.event.kind === 'markAdded') this.live.forget(envelope.actor);
          options.applied?.(envelope);
        },
        previewed: ({ actor, byStaff, data }) => {
          if (actor === options.me.number) return;
          this.live.takePreview(actor, byStaff, data, this.page);
          this.surface.invalidateDrawing();
        },
        refused: (_, reason) => options.refused(reason),
      },
      new Sheets(),
    );
    const done = () => options.changed();
    this.tools = {
      pen: new Pen(this),
      text: new Writer(this, 'text', options.field, done),
      note: new Writer(this, 'note', options.field, done),
      move: new Mover(this, (id) => this.choose(id)),
      rub: new Eraser(this),
    };
    Writer.listen(options.field, () => (this.surface.tool instanceof Writer ? this.surface.tool : null));
    this.surface.onView = () => this.writer?.layOut();
    this.use('pen');
  }

  get me(): Me {
    return this.options.me;
  }

  get grip(): number {
    return this.options.grip;
  }

  get language(): string {
    return this.options.language;
  }

  get sheets(): Sheets {
    return this.client.state;
  }

  get tool(): ToolName {
    return this.toolName;
  }

  get chosen(): Mark | null {
    const mark = this.chosenId === null ? undefined : this.sheets.mark(this.chosenId);
    return mark && !mark.erased ? mark : null;
  }

  newId(): number {
    return this.client.newId();
  }

  mayWrite(): boolean {
    return this.client.client !== 0 && this.options.mayWrite();
  }

  submit(command: Command, gesture: number): void {
    this.client.submit(command, gesture);
  }

  preview(data: unknown[]): void {
    this.client.preview(encode(data));
  }

  use(name: ToolName): void {
    this.writer?.finish();
    this.toolName = name;
    this.surface.tool = this.tools[name];
    this.options.host.dataset['tool'] = name;
    if (name !== 'move') this.choose(null);
  }

  /** By keyboard: begins a text or note in the middle of what is in sight. */
  write(): void {
    if (this.writer) this.writer.begin();
  }

  edit(mark: Mark): void {
    if (mark.body.kind === 'ink') return;
    this.use(mark.body.kind);
    (this.surface.tool as Writer).edit(mark);
  }

  set rubsWhole(whole: boolean) {
    (this.tools.rub as Eraser).whole = whole;
  }

  choose(id: number | null): void {
    this.chosenId = id;
    this.surface.chosen = new Set(id === null ? [] : [id]);
    this.surface.invalidateDrawing();
    this.options.changed();
  }

  move(mark: Mark, dx: number, dy: number): void {
    const value = { ...mark.place, x: mark.place.x + dx, y: mark.place.y + dy };
    this.change(mark, Property.Place, value);
  }

  erase(mark: Mark): void {
    this.change(mark, Property.Erased, true);
  }

  get canUndo(): boolean {
    return this.sheets.nextUndo(this.me.number) !== null;
  }

  get canRedo(): boolean {
    return this.sheets.nextRedo(this.me.number) !== null;
  }

  undo(): void {
    const gesture = this.sheets.nextUndo(this.me.number);
    if (gesture !== null && this.mayWrite()) this.submit({ kind: 'undo', gesture }, 0);
  }

  redo(): void {
    const gesture = this.sheets.nextRedo(this.me.number);
    if (gesture !== null && this.mayWrite()) this.submit({ kind: 'redo', gesture }, 0);
  }

  private change(mark: Mark, property: Property, value: boolean | Mark['place']): void {
    if (!this.mayWrite() || !this.sheets.mayChange(this.me, { target: mark.id, property })) return;
    this.submit({ kind: 'makeChanges', changes: [{ property, target: mark.id, value }] }, this.newId());
  }

  private get writer(): Writer | null {
    return this.surface?.tool instanceof Writer ? this.surface.tool : null;
  }

  private refresh(): void {
    const page = this.sheets.pages.find((p) => p.id === this.page) ?? this.sheets.pages[0];
    if (page) {
      this.page = page.id;
      this.surface.show(page, this.sheets.visible(page.id));
    }
    this.options.changed();
  }
}
