// What is held, and what can be changed about it: pens, colours, slips, stamps, figures.

import { Looks, ToolSet } from '../room/marks';
import { FIGURES, type FigureGroup, iconOf } from '../shapes/figures';
import { STAMPS } from '../shapes/stamps';
import type { Editor, ToolName } from './editor';

const PEN_LOOKS = { fine: Looks.None, felt: Looks.FeltTip, highlighter: Looks.Highlighter } as const;
const PEN_WIDTHS = { fine: 60, felt: 140, highlighter: 500 } as const;

type Pen = keyof typeof PEN_LOOKS;

/** @param words what the figures are called. */
export function toolsOf(editor: () => Editor, words: Readonly<Record<string, string>>) {
  return {
    held: 'pen' as ToolName,
    pen: 'fine' as Pen,
    colour: 0,
    noteColour: 0,
    width: 60,
    lineWidth: 60,
    oneNote: true,
    bubble: false,
    stamp: STAMPS[0]!.name,
    rubsWhole: false,
    byBox: false,
    figure: FIGURES[0]!.name,
    figuresOpen: false,
    /** The tools that this page does not give to students. */
    withheld: 0,
    canPaste: false,
    /** Whether the tools are folded away, so that the page has all of the screen. */
    areAway: false,
    heldName: '',

    refresh(): void {
      const { sheets, page, me, tool, canPaste } = editor();
      this.held = tool;
      this.canPaste = canPaste;
      this.withheld = me.isStaff ? 0 : (sheets.page(page)?.withheld ?? 0);
    },

    pick(tool: ToolName): void {
      if (tool === 'shape' && this.held === 'shape') this.figuresOpen = !this.figuresOpen;
      else this.figuresOpen = tool === 'shape';
      editor().use(tool);
    },

    gives(tool: ToolSet): boolean {
      return (this.withheld & tool) === 0;
    },

    fold(away: boolean): void {
      const held = document.querySelector<HTMLElement>('.ledge-tools [aria-pressed="true"]');
      this.heldName = held?.textContent.trim() ?? '';
      this.areAway = away;
    },

    /** The row of a tool is read from its beginning, wherever that of the tool before had been scrolled to. */
    fromTheStart(row: HTMLElement, _held: string): void {
      row.scrollLeft = 0;
    },

    pickPen(pen: Pen): void {
      this.pen = pen;
      editor().ink.looks = PEN_LOOKS[pen];
      this.pickWidth(PEN_WIDTHS[pen]);
    },

    pickColour(colour: number): void {
      this.colour = editor().ink.colour = colour;
    },

    pickWidth(width: number): void {
      const { ink, outline } = editor();
      if (this.held === 'shape' || this.held === 'connect') this.lineWidth = outline.width = width;
      else this.width = ink.width = width;
    },

    pickNote(colour: number): void {
      this.noteColour = editor().note.colour = colour;
    },

    /** A slip, or a bubble with a tail. */
    pickSlip(bubble: boolean): void {
      this.bubble = editor().note.bubble = bubble;
    },

    /** One note and then choose again, or a run of notes. */
    toggleRun(): void {
      this.oneNote = editor().note.one = !this.oneNote;
    },

    pickStamp(name: string): void {
      this.stamp = editor().stamper.stamp = name;
      editor().use('picture');
    },

    figuresOf(group: FigureGroup): { name: string; words: string; icon: string }[] {
      const figures = FIGURES.filter((f) => f.group === group);
      return figures.map((f) => ({ name: f.name, words: words[f.name] ?? f.name, icon: iconOf(f) }));
    },

    pickFigure(name: string): void {
      this.figure = name;
      editor().shaper.figure = FIGURES.find((f) => f.name === name)!;
      this.figuresOpen = false;
    },

    pickConnect(): void {
      this.figuresOpen = false;
      editor().use('connect');
    },

    pickRub(whole: boolean): void {
      this.rubsWhole = editor().rubsWhole = whole;
    },

    pickArea(byBox: boolean): void {
      this.byBox = editor().chooser.byBox = byBox;
    },

    chooseAll(): void {
      editor().use('choose');
      editor().selection.chooseAllMine();
    },

    paste: () => editor().paste(),
    write: () => editor().write(),

    /** Begins a text with the beginning of a sentence. */
    start(starter: string): void {
      if (starter) editor().writeWith(`${starter} `);
    },
  };
}
