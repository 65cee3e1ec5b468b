// PDF files, drawn page by page in the browser of whoever brings them in: nothing of the file itself reaches the server.
// A part of its own: loaded with the first file.

import * as pdfjs from 'pdfjs-dist';

const MOST_BYTES = 60_000_000;
const DPI = 200;
const POINTS_PER_INCH = 72;
const UNITS_PER_INCH = 2540;
const LONGEST_TEXT = 20_000;
const JPEG_QUALITY = 0.92;
/** Sides of A4, A3 and Letter. Files are off by parts of a millimetre. */
const PAPER_SIDES = [21_000, 29_700, 42_000, 21_590, 27_940];
const NEAR = 60;
/** The sides that a page may have, 1/100 mm. */
const [LEAST_SIDE, MOST_SIDE] = [5_000, 200_000];

pdfjs.GlobalWorkerOptions.workerSrc = '/dist/pdf/worker.js';

/** Why a file cannot be brought in. */
export type PdfFault = 'locked' | 'damaged' | 'tooLarge' | 'empty';

export interface PdfPage {
  readonly picture: File;
  /** 1/100 mm. */
  readonly width: number;
  readonly height: number;
  readonly text: string;
}

export interface OpenPdf {
  readonly pages: number;
  page(number: number): Promise<PdfPage>;
  close(): void;
}

export async function openPdf(file: File): Promise<OpenPdf | PdfFault> {
  if (file.size > MOST_BYTES) return 'tooLarge';
  if (file.size === 0) return 'empty';
  const task = pdfjs.getDocument({
    data: await file.arrayBuffer(),
    cMapUrl: '/dist/pdf/cmaps/',
    standardFontDataUrl: '/dist/pdf/fonts/',
    wasmUrl: '/dist/pdf/wasm/',
    // Without it, what a page may load stays as narrow as everywhere else.
    useWasm: false,
    isEvalSupported: false,
    enableXfa: false,
  } as Parameters<typeof pdfjs.getDocument>[0]);
  try {
    const document = await task.promise;
    return {
      pages: document.numPages,
      page: async (number) => drawn(await document.getPage(number), `${file.name} ${number}`),
      close: () => void task.destroy(),
    };
  } catch (e) {
    void task.destroy();
    return (e as Error).name === 'PasswordException' ? 'locked' : 'damaged';
  }
}

async function drawn(page: pdfjs.PDFPageProxy, name: string): Promise<PdfPage> {
  const viewport = page.getViewport({ scale: DPI / POINTS_PER_INCH });
  const canvas = document.createElement('canvas');
  canvas.width = Math.ceil(viewport.width);
  canvas.height = Math.ceil(viewport.height);
  await page.render({ canvas, viewport, background: '#ffffff' }).promise;
  const content = await page.getTextContent();
  const text = content.items.map((item) => ('str' in item ? item.str + (item.hasEOL ? '\n' : '') : '')).join('');
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', JPEG_QUALITY));
  const size = page.getViewport({ scale: UNITS_PER_INCH / POINTS_PER_INCH });
  const fit = Math.min(1, MOST_SIDE / Math.max(size.width, size.height));
  const side = (n: number) =>
    Math.max(LEAST_SIDE, PAPER_SIDES.find((s) => Math.abs(s - n) < NEAR) ?? Math.round(n * fit));
  page.cleanup();
  return {
    picture: new File([blob!], name, { type: 'image/jpeg' }),
    width: side(size.width),
    height: side(size.height),
    text: text.slice(0, LONGEST_TEXT),
  };
}
