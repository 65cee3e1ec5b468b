// What cannot be read is looked at: what a card shows, and what is drawn on a board, as it would be there.

import { decode } from '@msgpack/msgpack';
import { html, nothing, render } from 'lit-html';
import { type AttachmentView, show } from '../attachments';
import { type LateTexts, describe, drawAmong, drawLate } from '../circulate/late-work';
import { Sheets } from '../room/sheets';
import { Pictures } from '../surface/pictures';
import { known } from '../wire/by-hand';
import type { Attachment, LateWork, MarkBody, RoomSnapshot } from '../wire/forms';
import { readRoomSnapshot } from '../wire/kinds';
import '../wire/walls-codec';
import type { TrayThing } from './tray-things';

/** Shows it in a place that says of what it is the picture; if that is another meanwhile, this one came too late. */
export async function showPicture(thing: TrayThing, host: HTMLElement, texts: LateTexts): Promise<void> {
  host.dataset['of'] = thing.key;
  render(nothing, host);
  const answer = await fetch(`/rooms/${thing.room}/snapshot`);
  if (!answer.ok) throw new Error(`What is to be looked at was not given (${answer.status}).`);
  const [, kind, number, , raw] = decode(new Uint8Array(await answer.arrayBuffer())) as any[];
  if (host.dataset['of'] !== thing.key) return;
  const state = known(readRoomSnapshot(kind, raw));
  const late = lateIn(state).filter((work) => thing.numbers.includes(work.number));
  if (thing.why === 'concern') return showConcern(thing, state, number, host, texts);
  if (state.kind === 'wall') showAttachments(thing, late, host, texts);
  else showPages(thing, Sheets.of(number, state), late, host, texts);
}

/** The card with what it shows, or the mark among what stands around it. */
function showConcern(thing: TrayThing, state: RoomSnapshot, number: number, host: HTMLElement, texts: LateTexts): void {
  const [about = 0] = thing.numbers;
  if (state.kind === 'wall') {
    showAll(thing, state.cards.find((card) => card.id === about)?.attachments ?? [], host, texts);
    return;
  }
  const sheets = Sheets.of(number, state, null, { number: 0, isStaff: true });
  const mark = sheets.mark(about);
  if (mark)
    showOn(thing, [mark.page], shownBy([mark.body]), host, texts, (canvas, id, pictures) =>
      drawAmong(canvas, sheets, new Set([about]), id, pictures, document.documentElement.lang),
    );
}

function lateIn(state: RoomSnapshot): readonly LateWork[] {
  return 'setAside' in state ? state.setAside : [];
}

function showAttachments(thing: TrayThing, late: readonly LateWork[], host: HTMLElement, texts: LateTexts): void {
  const last = late.map(({ command }) => ('attachments' in command ? command.attachments : null)).filter((a) => a);
  showAll(thing, last.at(-1) ?? [], host, texts);
}

function showAll(thing: TrayThing, attachments: readonly Attachment[], host: HTMLElement, texts: LateTexts): void {
  const view = viewOf(thing, texts);
  render(html`${attachments.map((attachment) => show(attachment, view))}`, host);
}

function viewOf({ room }: TrayThing, texts: LateTexts): AttachmentView {
  return { texts, address: (media) => `/rooms/${room}/media/${media}` };
}

function showPages(
  thing: TrayThing,
  sheets: Sheets,
  late: readonly LateWork[],
  host: HTMLElement,
  texts: LateTexts,
): void {
  const pages = describe(sheets, late, texts).map(({ id }) => id);
  const bodies = late.flatMap(({ command }) => {
    if (command.kind === 'addMark') return [command.body];
    return command.kind === 'addMarks' ? command.marks.map((m) => m.body) : [];
  });
  showOn(thing, pages, shownBy(bodies), host, texts, (canvas, page, pictures) =>
    drawLate(canvas, sheets, late, page, pictures, document.documentElement.lang),
  );
}

/** What can be heard, seen or opened of marks. */
function shownBy(bodies: readonly MarkBody[]): readonly Attachment[] {
  return bodies.flatMap((body) => (body.kind === 'shown' ? [body.shown] : []));
}

function showOn(
  thing: TrayThing,
  pages: readonly number[],
  shown: readonly Attachment[],
  host: HTMLElement,
  texts: LateTexts,
  drawPage: (canvas: HTMLCanvasElement, page: number, pictures: Pictures) => void,
): void {
  const view = viewOf(thing, texts);
  render(
    html`${pages.map(() => html`<canvas aria-hidden="true"></canvas>`)}${shown.map((attachment) => show(attachment, view))}`,
    host,
  );
  const canvases = [...host.querySelectorAll('canvas')];
  const pictures: Pictures = new Pictures(thing.room, '', () => draw());
  const draw = (): void => {
    if (host.dataset['of'] !== thing.key) return;
    pages.forEach((page, at) => drawPage(canvases[at]!, page, pictures));
  };
  draw();
}
