// A page being worked on: surface, tools and room together. Used by the student's board, by sitting beside, by "try it" and by the workshop.

import { encode } from '@msgpack/msgpack';
import { lowData } from '../room/low-data';
import { type Line, RoomClient } from '../room/room-client';
import { type OutboxStore } from '../room/outbox-store';
import { type Me, Sheets } from '../room/sheets';
import type { Command, Envelope } from '../room/wire';
import { type Mark, type NewMark, isBox } from '../room/marks';
import { LiveInk } from '../surface/live-ink';
import { PageSurface, type Tool } from '../surface/page-surface';
import { TEACHER_INK } from '../surface/palette';
import { Pictures } from '../surface/pictures';
import { HERE, Pointers } from '../surface/pointers';
import { Chooser } from '../tools/chooser';
import { Connecting } from '../tools/connecting';
import { Eraser } from '../tools/eraser';
import { Pen } from '../tools/pen';
import { PictureUploads } from '../media/picture-uploads';
import { PicturePutter } from '../tools/picture-putter';
import { Pointing } from '../tools/pointing';
import { Selection } from '../tools/selection';
import { Shaper } from '../tools/shaper';
import type { Drawn, SheetContext } from '../tools/sheet-context';
import { Stamper } from '../tools/stamper';
import { Writer } from '../tools/writer';
import { Changes } from './changes';
import type { StudentActs } from '../wire/forms';

export type ToolName =
  'attach' | 'pen' | 'text' | 'note' | 'shape' | 'connect' | 'picture' | 'choose' | 'rub' | 'point';

/** I am here: said by teachers again and again, and not stored. */
export const BESIDE = 'beside';
const HERE_EVERY_MS = 120;
/** The ring round a place to which the teacher calls: half its width, 1/100 mm, and of how many pieces it is. */
const RING = 900;
const RING_STEPS = 24;

export interface EditorOptions {
  readonly room: string;
  readonly line: Line;
  readonly store: OutboxStore | null;
  readonly me: Me;
  readonly grip: number;
  /** Whether the activity itself may be changed. */
  readonly design: boolean;
  /** Of which part pages are shown; all if none is said. */
  readonly part?: number;
  readonly language: string;
  /** In which language the teacher wrote: for whoever reads none of those that are there. */
  readonly written: string;
  readonly host: HTMLElement;
  readonly field: HTMLTextAreaElement;
  /** "?as=..." as the hub is told; empty for a teacher. */
  readonly query: string;
  /** Against requests from elsewhere. */
  readonly token: string;
  readonly pictureAway: string;
  /** Whether others work on the same board. */
  readonly together: boolean;
  nameOf(actor: number): string;
  may(act: StudentActs): boolean;
  changed(): void;
  refused(reason: number, command: Command): void;
  masked?(): void;
  say(words: string): void;
  /** Opens what a formula is written in. */
  editFormula(mark: Mark): void;
  /** Opens an answer field: to type in it, or in the workshop to name it. */
  openField(mark: Mark): void;
  /** Plays or opens what is shown. */
  openShown(mark: Mark): void;
  /** A zone or an answer field was drawn, and is chosen. */
  madeNamed?(): void;
  applied?(envelope: Envelope): void;
  /** A teacher says that they are here. */
  besideMe?(actor: number): void;
}

export class Editor extends Changes implements SheetContext {
  readonly live = new LiveInk();
  readonly pointers: Pointers;
  readonly surface: PageSurface;
  readonly client: RoomClient<Sheets>;
  readonly ink = { colour: 0, width: 60, looks: 0 };
  readonly outline = { width: 60 };
  readonly note = { colour: 0, one: true, bubble: false };
  draws: Drawn = 'shape';
  page = 0;
  readonly selection: Selection;
  readonly shaper: Shaper;
  readonly stamper: Stamper;
  readonly chooser: Chooser;
  readonly pictures: PicturePutter;
  private readonly tools: Record<ToolName, Tool>;
  private toolName: ToolName = 'pen';
  private copied: NewMark[] = [];
  private hereAt = 0;
  private readonly overPage: (() => void)[] = [];
  private readonly hovering: ((x: number, y: number) => void)[] = [];

  constructor(private readonly options: EditorOptions) {
    super();
    this.pointers = new Pointers((actor) => options.nameOf(actor));
    this.surface = new PageSurface(options.host, this.live, this.pointers);
    this.surface.written = options.written;
    this.surface.onHover = ({ x, y }) => {
      this.here(x, y);
      for (const heard of this.hovering) heard(x, y);
    };
    this.surface.pictures = new Pictures(options.room, options.query, () => this.surface.invalidate());
    this.client = new RoomClient(
      options.room,
      options.line,
      options.store,
      (number, state) => Sheets.of(number, state, options.part ?? null, options.me),
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
          if (typeof data[0] === 'number') this.live.takePreview(actor, byStaff, data, this.page);
          else if (data[0] === BESIDE) options.besideMe?.(actor);
          else if (data[1] === this.page) this.pointers.take(actor, byStaff, data as [string, number, number, number]);
          this.surface.invalidateDrawing();
        },
        refused: ({ command }, reason) => options.refused(reason, command),
        masked: () => options.masked?.(),
      },
      new Sheets(),
    );
    const done = () => options.changed();
    this.selection = new Selection(this, done);
    this.shaper = new Shaper(this, (made) => this.chooseNew(made));
    this.stamper = new Stamper(this);
    this.chooser = new Chooser(this, this.selection);
    const address = `/rooms/${options.room}/media${options.query}`;
    const uploads = new PictureUploads(address, options.token, (words) => options.say(words), options.pictureAway);
    this.pictures = new PicturePutter(this, uploads);
    this.tools = {
      pen: new Pen(this),
      text: new Writer(this, 'text', options.field, done),
      note: new Writer(this, 'note', options.field, () => this.noteDone()),
      shape: this.shaper,
      connect: new Connecting(this),
      picture: this.stamper,
      choose: this.chooser,
      rub: new Eraser(this),
      // Nothing is drawn with it: who presses the page chooses.
      attach: {
        cursor: 'default',
        down: (point) => {
          this.use('choose');
          this.chooser.down(point);
        },
        move: () => undefined,
        up: () => undefined,
        cancel: () => undefined,
      },
      point: new Pointing(this),
    };
    Writer.listen(options.field, () => (this.surface.tool instanceof Writer ? this.surface.tool : null));
    // A page that goes away takes along what was being drawn; of what was being written the field takes care.
    window.addEventListener('pagehide', () => this.finish());
    this.surface.onView = () => {
      this.writer?.layOut();
      for (const lay of this.overPage) lay();
    };
    this.use('pen');
  }

  /** What lies over the page is laid out anew whenever that is seen otherwise. */
  onView(lay: () => void): void {
    this.overPage.push(lay);
  }

  /** Where the pointer is while nothing is being done. */
  onHover(heard: (x: number, y: number) => void): void {
    this.hovering.push(heard);
  }

  get me(): Me {
    return this.options.me;
  }

  /** What somebody is called here; empty as long as that is not known. */
  nameOf(actor: number): string {
    return this.options.nameOf(actor);
  }

  get grip(): number {
    return this.options.grip;
  }

  get design(): boolean {
    return this.options.design;
  }

  /** Who said aloud what a teacher writes next, by actor number; 0 for nobody. */
  speaksFor = 0;

  takeSpeaker(): number {
    const person = this.speaksFor;
    this.speaksFor = 0;
    return person;
  }

  get talks(): boolean {
    return !this.design && (this.options.together || this.me.isStaff);
  }

  get language(): string {
    return this.surface.languages[0] ?? this.options.language;
  }

  get tool(): ToolName {
    return this.toolName;
  }

  may(act: StudentActs): boolean {
    return this.client.client !== 0 && this.options.may(act);
  }

  preview(data: unknown[]): void {
    // Ink and where I am: others see it when it is kept.
    if (lowData.isOn && (typeof data[0] === 'number' || data[0] === HERE)) return;
    this.client.preview(encode(data));
  }

  /** Takes along what is being written or drawn just now: the page goes away, or its board does. */
  finish(): void {
    this.writer?.finish();
    this.surface.tool?.leave?.();
  }

  use(name: ToolName): void {
    this.writer?.finish();
    if (this.toolName === 'shape') this.shaper.finish();
    this.toolName = name;
    this.surface.moves = false;
    this.surface.tool = this.tools[name];
    this.options.host.dataset['tool'] = name;
    if (name !== 'choose') this.selection.clear();
    this.options.changed();
  }

  /** A finger moves the page, until a tool is taken up. */
  movePage(moves: boolean): void {
    this.writer?.finish();
    this.surface.moves = moves;
    this.options.host.dataset['tool'] = moves ? 'move' : this.toolName;
    this.options.changed();
  }

  /** By keyboard: begins a text, note or shape in the middle of what is in sight. */
  write(): void {
    if (this.toolName === 'shape') this.shaper.put();
    else if (this.toolName === 'picture') this.stamper.put();
    else this.writer?.begin();
  }

  /** Words that were not taken can be put otherwise. */
  giveBack(command: Command): void {
    if (command.kind === 'addMark' && command.body.kind === 'fieldAnswer')
      return this.writeWith(command.body.words.text);
    if (command.kind === 'addMark') this.use(command.body.kind === 'text' ? 'text' : 'note');
    else if (!this.writer) this.use('note');
    this.writer?.giveBack(command);
  }

  // What was drawn has no name yet: it is chosen, so that it can be given one.
  private chooseNew(id: number): void {
    const mark = this.sheets.mark(id);
    this.use('choose');
    this.choose(mark ?? null);
    this.options.madeNamed?.();
  }

  /** Chooses one mark, or none. */
  choose(mark: Mark | null): void {
    if (mark) this.selection.choose([mark]);
    else this.selection.clear();
  }

  copy(): void {
    this.copied = this.selection.copy();
  }

  get canPaste(): boolean {
    return this.copied.length > 0;
  }

  paste(): void {
    this.use('choose');
    this.selection.paste(this.copied);
  }

  /** In which languages a teacher's words are read here. */
  readIn(languages: readonly string[]): void {
    this.surface.languages = languages;
    this.surface.invalidate();
  }

  /** Something was chosen that is shown elsewhere too. */
  changed(): void {
    this.options.changed();
  }

  /** Begins a text or note that has a beginning already. */
  writeWith(beginning: string): void {
    if (this.tool !== 'note') this.use('text');
    this.writer?.begin(undefined, undefined, beginning);
  }

  /** Puts words down in the middle of what is in sight. */
  putText(words: string): void {
    if (!this.mayWrite()) return;
    this.use('text');
    this.writer?.put(words);
  }

  turnToPage(page: number): void {
    this.writer?.finish();
    this.page = page;
    this.selection.clear();
    this.surface.fitNext();
    this.refresh();
  }

  /** Shows a place to which the teacher calls: in the middle if it is out of sight, and marked for a moment. */
  lookAt(x: number, y: number): void {
    requestAnimationFrame(() => {
      if (this.surface.nearness > 1) this.surface.lookAt(x, y, this.surface.nearness);
      for (let i = 0; i <= RING_STEPS; i++) {
        const turn = (2 * Math.PI * i) / RING_STEPS;
        this.pointers.point(0, TEACHER_INK, x + RING * Math.cos(turn), y + RING * Math.sin(turn));
      }
      this.pointers.take(0, true, [HERE, this.page, Math.round(x), Math.round(y)]);
      this.surface.invalidateDrawing();
    });
  }

  edit(mark: Mark): void {
    if (mark.body.kind === 'formula') return this.options.editFormula(mark);
    if (mark.body.kind === 'answerField' || mark.body.kind === 'fieldAnswer') return this.options.openField(mark);
    if (mark.body.kind === 'shown') return this.options.openShown(mark);
    if (!isBox(mark.body)) return;
    this.use(mark.body.kind === 'text' ? 'text' : 'note');
    (this.surface.tool as Writer).edit(mark);
  }

  set rubsWhole(whole: boolean) {
    (this.tools.rub as Eraser).whole = whole;
  }

  // Others on this board see where I am; on a board of one's own nobody needs to.
  private here(x: number, y: number): void {
    const now = performance.now();
    if (!this.options.together || now - this.hereAt < HERE_EVERY_MS) return;
    this.hereAt = now;
    this.preview([HERE, this.page, Math.round(x), Math.round(y)]);
  }

  private noteDone(): void {
    if (this.note.one && this.toolName === 'note') this.use('choose');
    this.options.changed();
  }

  private get writer(): Writer | null {
    return this.surface?.tool instanceof Writer ? this.surface.tool : null;
  }

  private refresh(): void {
    const page = this.sheets.pages.find((p) => p.id === this.page) ?? this.sheets.pages[0];
    if (page) {
      this.page = page.id;
      this.surface.unit = this.sheets.unit;
      this.surface.show(page, this.sheets.visible(page.id));
    }
    this.options.changed();
  }
}
