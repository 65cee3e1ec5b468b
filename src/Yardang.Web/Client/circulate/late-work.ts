// Work that waits for the teacher's decision, looked at before it is decided: what it is, where, and drawn.

import type { AttachmentTexts } from '../attachments';
import { type Mark, type Page, isWritten } from '../room/marks';
import type { Sheets } from '../room/sheets';
import type { LateWork } from '../wire/forms';
import type { RoomEvent } from '../room/wire';
import { drawMark, drawPaper } from '../surface/draw';
import type { Pictures } from '../surface/pictures';
import type { Decided } from './tile';

export interface LateTexts extends AttachmentTexts {
  readonly latePage: string;
  readonly lateStrokes: string;
  readonly lateStroke: string;
  readonly lateChanges: string;
  readonly lateChange: string;
  /** What was decided, with the name of whose it is. */
  readonly lateDone: Readonly<Record<Decided, string>>;
  readonly lateUndone: string;
  readonly lateNotUndone: string;
}

/** A page on which some of it is, or a topic of a wall. */
export interface LatePage {
  readonly id: number;
  readonly title: string;
  /** What it is, line by line. */
  readonly lines: readonly string[];
}

const FADED = 0.3;

const fill = (text: string, n: number) => text.replace('{0}', String(n));

/** The board as it would be with this work on it. */
export function withLate(sheets: Sheets, late: readonly LateWork[]): { sheets: Sheets; touched: Set<number> } {
  const after = sheets.copy();
  const touched = new Set<number>();
  for (const { actor, gesture, command } of late) {
    const event = after.predict(command, { number: actor.number, isStaff: false }, false);
    if (!event) continue;
    after.happen(event, actor.number, gesture);
    for (const id of idsOf(event)) touched.add(id);
  }
  return { sheets: after, touched };
}

function idsOf(event: RoomEvent): number[] {
  if (event.kind === 'markAdded') return [event.mark.id];
  if (event.kind === 'marksAdded') return event.marks.map((m) => m.id);
  if (event.kind === 'changesMade' || event.kind === 'gestureUndone' || event.kind === 'gestureRedone')
    return event.changes.map((c) => c.target);
  return [];
}

/** What it is and where, page by page. */
export function describe(before: Sheets, late: readonly LateWork[], texts: LateTexts): LatePage[] {
  const { sheets, touched } = withLate(before, late);
  return sheets.pages.flatMap((page, i) => {
    const marks = [...sheets.allMarks].filter((m) => m.page === page.id && touched.has(m.id));
    const said = saidOn(page, sheets, late);
    if (marks.length + said.length === 0) return [];
    const fresh = marks.filter((m) => !before.mark(m.id));
    const words = fresh.flatMap((m) => wordsOf(m));
    const drawn = fresh.length - words.length;
    const changed = marks.length - fresh.length;
    return [
      {
        id: page.id,
        title: fill(texts.latePage, i + 1) + (nameOf(page) && `: ${nameOf(page)}`),
        lines: [
          ...words.map((w) => `“${w}”`),
          ...said,
          ...(drawn > 0 ? [fill(drawn === 1 ? texts.lateStroke : texts.lateStrokes, drawn)] : []),
          ...(changed > 0 ? [fill(changed === 1 ? texts.lateChange : texts.lateChanges, changed)] : []),
        ],
      },
    ];
  });
}

/** What was said to marks of a page. */
function saidOn(page: Page, sheets: Sheets, late: readonly LateWork[]): string[] {
  return late.flatMap(({ command }) => {
    if (command.kind !== 'giveAnswer' && command.kind !== 'rewordAnswer') return [];
    const mark = sheets.mark(command.about);
    if (mark?.page !== page.id) return [];
    const about = wordsOf(mark)[0]?.split('\n')[0];
    return [about ? `“${about}”: ${command.text}` : command.text];
  });
}

const nameOf = (page: Page): string => Object.values(page.name)[0] ?? '';

const wordsOf = (mark: Mark): string[] => (isWritten(mark.body) ? [mark.body.words.text] : []);

/** Draws a page with that work at full strength over the faded rest. */
export function drawLate(
  canvas: HTMLCanvasElement,
  before: Sheets,
  late: readonly LateWork[],
  page: number,
  pictures: Pictures,
  written: string,
): void {
  const { sheets, touched } = withLate(before, late);
  drawAmong(canvas, sheets, touched, page, pictures, written);
}

/** Some marks of a page, among the others, which are fainter. */
export function drawAmong(
  canvas: HTMLCanvasElement,
  sheets: Sheets,
  touched: ReadonlySet<number>,
  page: number,
  pictures: Pictures,
  written: string,
): void {
  const sheet = sheets.page(page);
  if (!sheet) return;
  const ratio = window.devicePixelRatio || 1;
  canvas.width = Math.round(canvas.clientWidth * ratio);
  canvas.height = Math.round((canvas.width * sheet.size.height) / sheet.size.width);
  const ctx = canvas.getContext('2d')!;
  const scale = canvas.width / sheet.size.width;
  ctx.setTransform(scale, 0, 0, scale, 0, 0);
  drawPaper(ctx, sheet, pictures);
  for (const mark of sheets.visible(page)) {
    ctx.globalAlpha = touched.has(mark.id) ? 1 : FADED;
    drawMark(ctx, mark, { thinnest: ratio / scale, unit: sheets.unit, pictures, written });
  }
  ctx.globalAlpha = 1;
}
