// What cannot be read is looked at: what a card shows, and what is drawn on a board, as it would be there.

import { decode } from '@msgpack/msgpack';
import { html, nothing, render } from 'lit-html';
import { show } from '../attachments';
import { type LateTexts, describe, drawAmong, drawLate } from '../circulate/late-work';
import { Sheets } from '../room/sheets';
import { Pictures } from '../surface/pictures';
import { known } from '../wire/by-hand';
import type { Attachment, LateWork, RoomSnapshot } from '../wire/forms';
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
  const page = sheets.mark(about)?.page;
  if (page)
    showOn(thing, [page], host, (canvas, id, pictures) =>
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
  const view = { texts, address: (media: string) => `/rooms/${thing.room}/media/${media}` };
  render(html`${attachments.map((attachment) => show(attachment, view))}`, host);
}

function showPages(
  thing: TrayThing,
  sheets: Sheets,
  late: readonly LateWork[],
  host: HTMLElement,
  texts: LateTexts,
): void {
  const pages = describe(sheets, late, texts).map(({ id }) => id);
  showOn(thing, pages, host, (canvas, page, pictures) =>
    drawLate(canvas, sheets, late, page, pictures, document.documentElement.lang),
  );
}

function showOn(
  thing: TrayThing,
  pages: readonly number[],
  host: HTMLElement,
  drawPage: (canvas: HTMLCanvasElement, page: number, pictures: Pictures) => void,
): void {
  render(html`${pages.map(() => html`<canvas aria-hidden="true"></canvas>`)}`, host);
  const canvases = [...host.querySelectorAll('canvas')];
  const pictures: Pictures = new Pictures(thing.room, '', () => draw());
  const draw = (): void => {
    if (host.dataset['of'] !== thing.key) return;
    pages.forEach((page, at) => drawPage(canvases[at]!, page, pictures));
  };
  draw();
}
