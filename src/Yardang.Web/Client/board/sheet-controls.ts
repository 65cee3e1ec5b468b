// What every page with a surface offers, whatever stands round it: tools and their options, what can be done with what is chosen, undo, zoom, pages.

import { type Body, Grip, Looks, type Mark, type Page, Property, ToolSet, isBox } from '../room/marks';
import { FIGURES, type FigureGroup, iconOf } from '../shapes/figures';
import { STAMPS } from '../shapes/stamps';
import { textIn } from '../surface/in-language';
import type { Side } from '../tools/arranging';
import type { SheetSession, ToolName } from './sheet-session';

const MM = 100;
const ZOOM_STEP = 1.25;
const MORE_ROOM = 10_000;
const TURN_STEP = 15;
const PEN_LOOKS = { fine: Looks.None, felt: Looks.FeltTip, highlighter: Looks.Highlighter } as const;
const PEN_WIDTHS = { fine: 60, felt: 140, highlighter: 500 } as const;

type Pen = keyof typeof PEN_LOOKS;
type ExactField = 'x' | 'y' | 'width' | 'height' | 'turn';

/** @param words what the figures are called. */
export function sheetControls(session: () => SheetSession, words: Readonly<Record<string, string>>) {
  return {
    tool: 'pen' as ToolName,
    pen: 'fine' as Pen,
    colour: 0,
    noteColour: 0,
    width: 60,
    lineWidth: 60,
    oneNote: true,
    bubble: false,
    stamp: STAMPS[0]!.name,
    stamps: STAMPS,
    canConnect: false,
    onlyKind: '' as Body['kind'] | '',
    label: '',
    tip: { x: 0, y: 0 },
    hasLine: false,
    rubsWhole: false,
    byBox: false,
    canUndo: false,
    canRedo: false,
    canPaste: false,
    zoom: 100,
    figure: FIGURES[0]!.name,
    figuresOpen: false,
    pages: [] as { id: number; number: number; name: string }[],
    pageNumber: 1,
    withheld: 0,
    chosen: 0,
    chosenGrip: null as Grip | null,
    tied: false,
    pinned: false,
    mayRub: false,
    mayStyle: false,
    hasShape: false,
    hasWords: false,
    description: null as string | null,
    fill: 0,
    looks: 0,
    exact: { x: 0, y: 0, width: 0, height: 0, turn: 0 },
    exactOpen: false,

    write: () => session().write(),
    undo: () => session().undo(),
    redo: () => session().redo(),
    larger: () => session().surface.zoomBy(ZOOM_STEP),
    smaller: () => session().surface.zoomBy(1 / ZOOM_STEP),
    whole: () => session().surface.fit(),

    /** The row of a tool is read from its beginning, wherever that of the tool before had been scrolled to. */
    fromTheStart(row: HTMLElement, _tool: string): void {
      row.scrollLeft = 0;
    },

    /** Brings what is shown round the page up to date with it. */
    refreshControls(language: string): void {
      const { sheets, selection, page } = session();
      this.tool = session().tool;
      this.canUndo = session().canUndo;
      this.canRedo = session().canRedo;
      this.canPaste = session().canPaste;
      this.pages = sheets.pages.map((p: Page, i: number) => ({
        id: p.id,
        number: i + 1,
        name: textIn(p.name, [language], session().surface.written),
      }));
      this.pageNumber = sheets.pages.findIndex((p: Page) => p.id === page) + 1;
      this.withheld = session().me.isStaff ? 0 : (sheets.page(page)?.withheld ?? 0);
      const { marks } = selection;
      this.chosen = marks.length;
      this.chosenGrip = selection.commonGrip;
      this.tied = selection.areTied;
      this.pinned = selection.arePinned;
      this.mayRub = selection.mayAll(Property.Erased);
      this.mayStyle = selection.mayAll(Property.Style);
      this.hasShape = this.mayStyle && marks.every((m) => m.body.kind === 'shape');
      this.hasWords = this.mayStyle && marks.every((m) => isBox(m.body));
      const body = this.mayStyle ? selection.only?.body : undefined;
      this.onlyKind = body?.kind ?? '';
      this.description = body?.kind === 'picture' ? body.description : null;
      this.label = body?.kind === 'connector' ? (body.label?.text ?? '') : '';
      if (body?.kind === 'bubble') {
        const { place } = selection.only!;
        Object.assign(this.tip, { x: (body.tipX + place.x) / MM, y: (body.tipY + place.y) / MM });
      }
      this.canConnect = selection.canConnect;
      const isLine = (m: Mark) => m.body.kind === 'connector' || (m.body.kind === 'shape' && m.body.shape === 1);
      this.hasLine = this.mayStyle && marks.every(isLine);
      this.fill = marks[0]?.style.fill ?? 0;
      this.looks = marks.reduce((all, m) => all & m.style.looks, marks[0]?.style.looks ?? 0);
      // Number by number: a field in which somebody is typing is left alone as long as its own has not changed.
      Object.assign(this.exact, selection.exact);
    },

    pick(tool: ToolName): void {
      if (tool === 'shape' && this.tool === 'shape') this.figuresOpen = !this.figuresOpen;
      else this.figuresOpen = tool === 'shape';
      session().use(tool);
    },

    gives(tool: ToolSet): boolean {
      return (this.withheld & tool) === 0;
    },

    pickPen(pen: Pen): void {
      this.pen = pen;
      session().ink.looks = PEN_LOOKS[pen];
      this.pickWidth(PEN_WIDTHS[pen]);
    },

    pickColour(colour: number): void {
      this.colour = session().ink.colour = colour;
    },

    pickNote(colour: number): void {
      this.noteColour = session().note.colour = colour;
    },

    /** A slip, or a bubble with a tail. */
    pickSlip(bubble: boolean): void {
      this.bubble = session().note.bubble = bubble;
    },

    pickStamp(name: string): void {
      this.stamp = session().stamper.stamp = name;
      session().use('picture');
    },

    handOutChosen: (to: string) =>
      location.assign(
        to +
          session()
            .selection.marks.map((m) => m.id)
            .join(','),
      ),
    connect: () => session().selection.connect(),

    setLabel(text: string): void {
      session().selection.label(text);
    },

    setTip(axis: 'x' | 'y', value: string): void {
      const { only } = session().selection;
      const at = Math.round(Number.parseFloat(value) * MM);
      if (only?.body.kind !== 'bubble' || !Number.isFinite(at)) return;
      const { body, place } = only;
      session().selection.remake(axis === 'x' ? { ...body, tipX: at - place.x } : { ...body, tipY: at - place.y });
    },

    pickConnect(): void {
      this.figuresOpen = false;
      session().use('connect');
    },

    /** One note and then choose again, or a run of notes. */
    toggleRun(): void {
      this.oneNote = session().note.one = !this.oneNote;
    },

    pickWidth(width: number): void {
      const { ink, outline } = session();
      if (this.tool === 'shape' || this.tool === 'connect') this.lineWidth = outline.width = width;
      else this.width = ink.width = width;
    },

    pickRub(whole: boolean): void {
      this.rubsWhole = session().rubsWhole = whole;
    },

    pickArea(byBox: boolean): void {
      this.byBox = session().chooser.byBox = byBox;
    },

    figuresOf(group: FigureGroup): { name: string; words: string; icon: string }[] {
      const figures = FIGURES.filter((f) => f.group === group);
      return figures.map((f) => ({ name: f.name, words: words[f.name] ?? f.name, icon: iconOf(f) }));
    },

    pickFigure(name: string): void {
      this.figure = name;
      session().shaper.figure = FIGURES.find((f) => f.name === name)!;
      this.figuresOpen = false;
    },

    choosePictures(): void {
      (document.querySelector('[data-pictures]') as HTMLInputElement).click();
    },

    putPictures(event: Event): void {
      const input = event.target as HTMLInputElement;
      void session()
        .pictures.put([...(input.files ?? [])])
        .then(() => (input.value = ''));
    },

    dropPictures(event: DragEvent): void {
      void session().pictures.put([...(event.dataTransfer?.files ?? [])]);
    },

    describe(words: string): void {
      session().selection.describe(words);
    },

    chooseAll(): void {
      session().use('choose');
      session().selection.chooseAllMine();
    },

    duplicate: () => session().selection.duplicate(),
    copy: () => session().copy(),
    paste: () => session().paste(),
    rubOutChosen: () => session().selection.rubOut(),
    toFront: () => session().selection.toFront(),
    toBack: () => session().selection.toBack(),
    toggleTie: () => session().selection.toggleTie(),
    togglePin: () => session().selection.togglePin(),
    turnLeft: () => session().selection.turnBy(-TURN_STEP),
    turnRight: () => session().selection.turnBy(TURN_STEP),
    align: (side: Side) => session().selection.align(side),
    spread: (across: boolean) => session().selection.distribute(across),
    grip: (grip: Grip) => session().selection.grip(grip),
    recolour: (colour: number) => session().selection.restyle(() => ({ colour })),
    rewidth: (width: number) => session().selection.restyle(() => ({ width })),
    refill: (fill: number) => session().selection.restyle(() => ({ fill })),
    toggleLooks: (looks: number) => session().selection.toggleLooks(looks),

    resizeWords: (factor: number) => session().selection.resizeWords(factor),
    toggleList: (numbered: boolean) => session().selection.toggleList(numbered),

    shows(looks: number): boolean {
      return (this.looks & looks) !== 0;
    },

    toggleExact(): void {
      this.exactOpen = !this.exactOpen;
    },

    setExact(field: ExactField, value: string): void {
      session().selection.setExact(field, Number.parseFloat(value));
    },

    unchoose(): void {
      session().selection.clear();
    },

    turnToPage(id: number): void {
      session().turnToPage(id);
    },

    stepPage(by: number): void {
      const page = this.pages[this.pageNumber - 1 + by];
      if (page) session().turnToPage(page.id);
    },

    /** Lengthens the page: room at its foot. */
    moreRoom(): void {
      const page = session().sheets.page(session().page);
      if (!page || !session().mayWrite()) return;
      const value = { width: page.size.width, height: page.size.height + MORE_ROOM };
      const changes = [{ property: Property.Size, target: page.id, value }];
      session().submit({ kind: 'makeChanges', changes }, session().newId());
    },
  };
}
