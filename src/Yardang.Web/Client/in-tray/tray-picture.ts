// What cannot be read is looked at: what a card shows, and what is drawn on a board, as it would be there.

import { decode } from '@msgpack/msgpack';
import { html, nothing, render } from 'lit-html';
import { show } from '../attachments';
import { type LateTexts, describe, drawLate } from '../circulate/late-work';
import { Sheets } from '../room/sheets';
import { Pictures } from '../surface/pictures';
import { known } from '../wire/by-hand';
import type { LateWork, RoomSnapshot } from '../wire/forms';
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
  if (state.kind === 'wall') showAttachments(thing, late, host, texts);
  else showPages(thing, Sheets.of(number, state), late, host, texts);
}

function lateIn(state: RoomSnapshot): readonly LateWork[] {
  return 'setAside' in state ? state.setAside : [];
}

function showAttachments(thing: TrayThing, late: readonly LateWork[], host: HTMLElement, texts: LateTexts): void {
  const last = late.map(({ command }) => ('attachments' in command ? command.attachments : null)).filter((a) => a);
  const view = { texts, address: (media: string) => `/rooms/${thing.room}/media/${media}` };
  render(html`${(last.at(-1) ?? []).map((attachment) => show(attachment, view))}`, host);
}

function showPages(
  thing: TrayThing,
  sheets: Sheets,
  late: readonly LateWork[],
  host: HTMLElement,
  texts: LateTexts,
): void {
  const pages = describe(sheets, late, texts);
  render(html`${pages.map(() => html`<canvas aria-hidden="true"></canvas>`)}`, host);
  const canvases = [...host.querySelectorAll('canvas')];
  const pictures: Pictures = new Pictures(thing.room, '', () => draw());
  const draw = (): void => {
    if (host.dataset['of'] !== thing.key) return;
    pages.forEach(({ id }, at) => drawLate(canvases[at]!, sheets, late, id, pictures, document.documentElement.lang));
  };
  draw();
}
