// The cupboard's organizers: searched, seen as small pictures, filled with the teacher's topic, and put on the page as ordinary marks.

import { decode } from '@msgpack/msgpack';
import type { Editor } from '../editor/editor';
import { readMark } from '../wire/pages-codec';
import type { Mark } from '../room/marks';
import { drawMark } from '../surface/draw';
import { copied, copiesOf } from '../tools/copying';
import { filledMark, fillInsOf, wordsOf } from './fill-ins';
import type { Pages } from './pages';

const THINNEST_PX = 1;

interface Organizer {
  readonly key: string;
  readonly name: string;
  readonly words: string;
  readonly marks: readonly Mark[];
}

/** What the server says; the marks are MessagePack in Base64. */
interface Sent {
  readonly key: string;
  readonly name: string;
  readonly words: string;
  readonly marks: string;
}

export function organizersOf(editor: () => Editor, pages: () => Pages) {
  let all: Organizer[] = [];

  return {
    words: '',
    found: [] as Organizer[],
    /** Key of the one that is looked at. */
    picked: '',
    blanks: [] as { name: string; value: string }[],

    async open(): Promise<void> {
      dialog().showModal();
      const { width, height } = editor().sheets.page(editor().page)!.size;
      const answer = await fetch(`?handler=Organizers&width=${width}&height=${height}`);
      const sent = (await answer.json()) as Sent[];
      all = sent.map((o) => ({ ...o, marks: (decode(bytesOf(o.marks)) as any[][]).map(readMark).map(fitted) }));
      this.picked = '';
      this.search();
    },

    search(): void {
      const words = this.words.toLowerCase().split(/\s+/);
      this.found = all.filter((o) => words.every((w) => `${o.name} ${o.words}`.toLowerCase().includes(w)));
      if (!this.found.some((o) => o.key === this.picked)) this.picked = '';
      requestAnimationFrame(drawPictures);
    },

    pick(key: string): void {
      this.picked = key;
      const marks = all.find((o) => o.key === key)!.marks;
      this.blanks = fillInsOf(marks.flatMap((m) => wordsOf(m.body))).map((name) => ({ name, value: '' }));
    },

    put(onNewPage: boolean): void {
      const chosen = all.find((o) => o.key === this.picked);
      if (!chosen || !editor().mayWrite()) return;
      const values = new Map(this.blanks.map((b) => [b.name.toLowerCase(), b.value]));
      if (onNewPage) editor().turnToPage(pages().add(chosen.name));
      const sheet = editor();
      const gesture = sheet.newId();
      const filled = chosen.marks.map((mark) => copied(filledMark(mark, values)));
      const marks = copiesOf(filled, () => sheet.newId(), gesture);
      sheet.submit({ kind: 'addMarks', page: sheet.page, marks }, gesture);
      this.close();
    },

    close(): void {
      dialog().close();
    },
  };

  function drawPictures(): void {
    const page = editor().sheets.page(editor().page)!;
    for (const canvas of dialog().querySelectorAll<HTMLCanvasElement>('canvas[data-organizer]')) {
      const organizer = all.find((o) => o.key === canvas.dataset['organizer']);
      if (!organizer) continue;
      const ratio = window.devicePixelRatio || 1;
      canvas.width = Math.round(canvas.clientWidth * ratio);
      canvas.height = Math.round((canvas.width * page.size.height) / page.size.width);
      const ctx = canvas.getContext('2d')!;
      const scale = canvas.width / page.size.width;
      ctx.setTransform(scale, 0, 0, scale, 0, 0);
      ctx.fillStyle = '#ffffff';
      ctx.fillRect(0, 0, page.size.width, page.size.height);
      for (const mark of organizer.marks) drawMark(ctx, mark, { thinnest: (THINNEST_PX * ratio) / scale });
    }
  }
}

/** The server does not know how wide letters are: here the words are broken into lines. */
function fitted(mark: Mark): Mark {
  return filledMark(mark, new Map());
}

function bytesOf(base64: string): Uint8Array {
  return Uint8Array.from(atob(base64), (c) => c.charCodeAt(0));
}

function dialog(): HTMLDialogElement {
  return document.querySelector<HTMLDialogElement>('[data-organizers]')!;
}
