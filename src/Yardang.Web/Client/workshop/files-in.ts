// Files brought into the workshop: pictures on this page or one page each, SVG as a picture or taken apart, PDF page by page.
// Nothing is put into the activity before all of it is there; then it is one gesture.

import type { Editor } from '../editor/editor';
import { fill } from '../page-data';
import { isSvg } from '../tools/svg-picture';
import { pagesIn } from './page-choice';
import type { NewPage, Pages } from './pages';
import type { OpenPdf } from './pdf-pages';

export interface ImportTexts {
  readonly importPage: string;
  /** "Numbers between 1 and {0}"; "at most {0} at once". */
  readonly importWhichBad: string;
  readonly importWhichMany: string;
  readonly importBad: string;
  readonly importSvgBad: string;
  readonly importPictures: string;
  readonly importFaults: Readonly<Record<string, string>>;
}

type Asking = '' | 'pictures' | 'svg' | 'pdf' | 'ink';

/** How much of a page a picture takes that has it for itself. */
const SHARE = 0.9;

export function filesIn(editor: () => Editor, pages: () => Pages, texts: ImportTexts, language: string, token: string) {
  let files: File[] = [];
  let stopped = false;
  let opened: OpenPdf | null = null;

  return {
    asks: '' as Asking,
    name: '',
    progress: '',
    done: 0,
    pages: 0,
    fault: '',
    /** Which pages of a file of several are wanted is asked, and what was wrong with the answer. */
    asksWhich: false,
    which: '',
    whichFault: '',

    choose(): void {
      document.querySelector<HTMLInputElement>('[data-pictures]')!.click();
    },

    taken(event: Event): void {
      const input = event.target as HTMLInputElement;
      this.bringIn([...(input.files ?? [])]);
      input.value = '';
    },

    dropped(event: DragEvent): void {
      this.bringIn([...(event.dataTransfer?.files ?? [])]);
    },

    bringIn(chosen: File[]): void {
      if (chosen.length === 0 || !editor().mayWrite()) return;
      files = chosen;
      const pdf = chosen.find((f) => f.type === 'application/pdf' || /\.pdf$/i.test(f.name));
      this.fault = '';
      const ink = chosen.find((f) => /\.(inkml|ink\.xml)$/i.test(f.name));
      if (pdf) void this.bringInPdf(pdf);
      else if (ink) void this.bringInInk(ink);
      else if (chosen.length === 1 && isSvg(chosen[0]!)) this.ask('svg', chosen[0]!.name);
      else if (chosen.length > 1) this.ask('pictures', fill(texts.importPictures, chosen.length));
      else void editor().pictures.put(chosen);
    },

    ask(asking: Asking, name: string): void {
      this.asks = asking;
      this.name = name;
      if (!dialog().open) dialog().showModal();
    },

    putOnThisPage(): void {
      this.close();
      void editor().pictures.put(files);
    },

    async putOnPages(): Promise<void> {
      this.close();
      const sheet = editor();
      const { width, height } = sheet.sheets.page(sheet.page)!.size;
      const made: NewPage[] = [];
      for (const file of files) {
        const taken = await sheet.pictures.upload(file);
        if (!taken) return;
        const scale = SHARE * Math.min(width / taken.width, height / taken.height);
        const size = { width: Math.round(taken.width * scale), height: Math.round(taken.height * scale) };
        const at = { x: Math.round((width - size.width) / 2), y: Math.round((height - size.height) / 2) };
        const name = file.name.replace(/\.[^.]*$/, '').slice(0, 120);
        made.push({
          name,
          width,
          height,
          picture: { ...at, ...size, media: taken.media, description: name, text: null },
        });
      }
      pages().addDrawn(made);
    },

    async takeApart(): Promise<void> {
      const sheet = editor();
      const { marksOfSvg } = await import('./svg-marks');
      const page = sheet.sheets.page(sheet.page)!;
      const drawn = await marksOfSvg(files[0]!, page.size, language);
      if (!drawn) {
        this.fault = texts.importSvgBad;
        return;
      }
      this.close();
      const tie = sheet.newId();
      const gesture = sheet.newId();
      const marks = drawn.map((mark, i) => ({ ...mark, id: i === 0 ? gesture : sheet.newId(), grip: sheet.grip, tie }));
      for (let i = 0; i < marks.length; i += MARKS_AT_ONCE)
        sheet.submit({ kind: 'addMarks', page: page.id, marks: marks.slice(i, i + MARKS_AT_ONCE) }, gesture);
      sheet.use('choose');
      const first = sheet.sheets.mark(gesture);
      if (first) sheet.choose(first);
    },

    async bringInInk(file: File): Promise<void> {
      const sheet = editor();
      const body = new FormData();
      body.set('file', file);
      const headers = { RequestVerificationToken: token };
      const answer = await fetch('?handler=Ink', { method: 'POST', body, headers }).catch(() => null);
      if (!answer?.ok) {
        this.ask('ink', file.name);
        this.fault = (answer && ((await answer.json()) as { fault: string }).fault) ?? texts.importBad;
        return;
      }
      const strokes = (await answer.json()) as { width: number; points: number[] }[];
      const gesture = sheet.newId();
      const marks = strokes.map(({ width, points }, i) => ({
        id: i === 0 ? gesture : sheet.newId(),
        grip: sheet.grip,
        body: { kind: 'ink' as const, points },
        style: { colour: 0, width, fill: 0, looks: 0 },
        place: { x: 0, y: 0, turn: 0 },
        scale: null,
        cuts: [],
        tie: 0,
      }));
      for (let i = 0; i < marks.length; i += STROKES_AT_ONCE)
        sheet.submit({ kind: 'addMarks', page: sheet.page, marks: marks.slice(i, i + STROKES_AT_ONCE) }, gesture);
    },

    async bringInPdf(file: File): Promise<void> {
      stopped = false;
      this.done = this.pages = 0;
      this.progress = '';
      this.ask('pdf', file.name);
      const { openPdf } = await import('./pdf-pages');
      const pdf = await openPdf(file);
      if (typeof pdf === 'string') {
        this.fault = texts.importFaults[pdf] ?? texts.importBad;
        return;
      }
      if (stopped) return pdf.close();
      opened = pdf;
      this.pages = pdf.pages;
      if (pdf.pages === 1) return this.bringInPages(pdf, [1]);
      this.which = `1-${Math.min(pdf.pages, MOST_PAGES)}`;
      this.whichFault = '';
      this.asksWhich = true;
    },

    async bringInChosen(): Promise<void> {
      if (!opened) return;
      const chosen = pagesIn(this.which, opened.pages);
      this.whichFault = !chosen
        ? fill(texts.importWhichBad, opened.pages)
        : chosen.length > MOST_PAGES
          ? fill(texts.importWhichMany, MOST_PAGES)
          : '';
      if (chosen && !this.whichFault) await this.bringInPages(opened, chosen);
    },

    async bringInPages(pdf: OpenPdf, chosen: readonly number[]): Promise<void> {
      this.asksWhich = false;
      this.pages = chosen.length;
      try {
        const made: NewPage[] = [];
        for (const n of chosen) {
          if (stopped) return;
          this.progress = fill(texts.importPage, made.length + 1, chosen.length);
          const { picture, width, height, text } = await pdf.page(n);
          const taken = await editor().pictures.upload(picture);
          if (!taken) throw new Error('The picture of a page could not be sent.');
          const description = picture.name.slice(0, 200);
          made.push({
            name: '',
            width,
            height,
            picture: { x: 0, y: 0, width, height, media: taken.media, description, text },
          });
          this.done = made.length;
        }
        if (stopped) return;
        pages().addDrawn(made);
        this.close();
      } catch {
        this.fault = texts.importBad;
      } finally {
        pdf.close();
        opened = null;
      }
    },

    /** Also while a file is being read: what was read of it is forgotten. */
    close(): void {
      stopped = true;
      if (this.asksWhich) opened?.close();
      this.asksWhich = false;
      this.asks = '';
      dialog().close();
    },
  };
}

/** Of a file, at once. */
const MOST_PAGES = 50;
const MARKS_AT_ONCE = 200;
/** Ink is large: a message stays below what the server takes. */
const STROKES_AT_ONCE = 20;

function dialog(): HTMLDialogElement {
  return document.querySelector<HTMLDialogElement>('[data-import]')!;
}
