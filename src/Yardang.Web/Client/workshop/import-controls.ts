// Files brought into the workshop: pictures on this page or one page each, SVG as a picture or taken apart, PDF page by page.
// Nothing is put into the activity before all of it is there; then it is one gesture.

import type { SheetSession } from '../board/sheet-session';
import { fill } from '../page-data';
import { isSvg } from '../tools/svg-picture';
import type { NewPage, Pages } from './pages';

export interface ImportTexts {
  readonly importPage: string;
  readonly importBad: string;
  readonly importSvgBad: string;
  readonly importPictures: string;
  readonly importFaults: Readonly<Record<string, string>>;
}

type Asking = '' | 'pictures' | 'svg' | 'pdf' | 'ink';

/** How much of a page a picture takes that has it for itself. */
const SHARE = 0.9;

export function importControls(
  session: () => SheetSession,
  pages: () => Pages,
  texts: ImportTexts,
  language: string,
  token: string,
) {
  let files: File[] = [];
  let stopped = false;

  return {
    importAsks: '' as Asking,
    importName: '',
    importCount: '',
    importProgress: '',
    importDone: 0,
    importPages: 0,
    importFault: '',

    putPictures(event: Event): void {
      const input = event.target as HTMLInputElement;
      this.bringIn([...(input.files ?? [])]);
      input.value = '';
    },

    dropPictures(event: DragEvent): void {
      this.bringIn([...(event.dataTransfer?.files ?? [])]);
    },

    bringIn(chosen: File[]): void {
      if (chosen.length === 0 || !session().mayWrite()) return;
      files = chosen;
      const pdf = chosen.find((f) => f.type === 'application/pdf' || /\.pdf$/i.test(f.name));
      this.importFault = '';
      const ink = chosen.find((f) => /\.(inkml|ink\.xml)$/i.test(f.name));
      if (pdf) void this.bringInPdf(pdf);
      else if (ink) void this.bringInInk(ink);
      else if (chosen.length === 1 && isSvg(chosen[0]!)) this.ask('svg', chosen[0]!.name);
      else if (chosen.length > 1) this.ask('pictures', fill(texts.importPictures, chosen.length));
      else void session().pictures.put(chosen);
    },

    ask(asking: Asking, name: string): void {
      this.importAsks = asking;
      this.importName = name;
      if (!importDialog().open) importDialog().showModal();
    },

    putOnThisPage(): void {
      this.closeImport();
      void session().pictures.put(files);
    },

    async putOnPages(): Promise<void> {
      this.closeImport();
      const sheet = session();
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
      const sheet = session();
      const { marksOfSvg } = await import('./svg-marks');
      const page = sheet.sheets.page(sheet.page)!;
      const drawn = await marksOfSvg(files[0]!, page.size, language);
      if (!drawn) {
        this.importFault = texts.importSvgBad;
        return;
      }
      this.closeImport();
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
      const sheet = session();
      const body = new FormData();
      body.set('file', file);
      const headers = { RequestVerificationToken: token };
      const answer = await fetch('?handler=Ink', { method: 'POST', body, headers }).catch(() => null);
      if (!answer?.ok) {
        this.ask('ink', file.name);
        this.importFault = (answer && ((await answer.json()) as { fault: string }).fault) ?? texts.importBad;
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
      this.importDone = this.importPages = 0;
      this.importProgress = '';
      this.ask('pdf', file.name);
      const { openPdf } = await import('./pdf-pages');
      const pdf = await openPdf(file);
      if (typeof pdf === 'string') {
        this.importFault = texts.importFaults[pdf] ?? texts.importBad;
        return;
      }
      try {
        this.importPages = pdf.pages;
        const made: NewPage[] = [];
        for (let n = 1; n <= pdf.pages && !stopped; n++) {
          this.importProgress = fill(texts.importPage, n, pdf.pages);
          const { picture, width, height, text } = await pdf.page(n);
          const taken = await session().pictures.upload(picture);
          if (!taken) throw new Error('The picture of a page could not be sent.');
          const description = picture.name.slice(0, 200);
          made.push({
            name: '',
            width,
            height,
            picture: { x: 0, y: 0, width, height, media: taken.media, description, text },
          });
          this.importDone = n;
        }
        if (stopped) return;
        pages().addDrawn(made);
        this.closeImport();
      } catch {
        this.importFault = texts.importBad;
      } finally {
        pdf.close();
      }
    },

    /** Also while a file is being read: what was read of it is forgotten. */
    closeImport(): void {
      stopped = true;
      this.importAsks = '';
      importDialog().close();
    },
  };
}

const MARKS_AT_ONCE = 200;
/** Ink is large: a message stays below what the server takes. */
const STROKES_AT_ONCE = 20;

function importDialog(): HTMLDialogElement {
  return document.querySelector<HTMLDialogElement>('[data-import]')!;
}
