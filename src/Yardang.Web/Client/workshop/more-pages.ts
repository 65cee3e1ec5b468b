// Pages that come many at once: copies, an outline, another activity's; and all pages at a glance.

import { known } from '../wire/by-hand';
import { readRoomSnapshot } from '../wire/forms';
import { decode } from '@msgpack/msgpack';
import { textIn } from '../surface/in-language';
import type { SheetSession } from '../board/sheet-session';
import { fill } from '../page-data';
import { Sheets } from '../room/sheets';
import { drawOverview } from './overview';
import type { Pages } from './pages';

interface OtherActivity {
  readonly name: string;
  readonly draft: string;
}

interface OutlinePage {
  readonly title: string;
  readonly directions: string;
}

export interface MorePagesTexts {
  readonly copiesDo: string;
  readonly outlineDo: string;
}

const MOST_COPIES = 40;

export function morePages(
  session: () => SheetSession,
  pages: () => Pages,
  dialog: (name: string) => HTMLDialogElement,
  texts: MorePagesTexts,
  language: string,
  token: string,
) {
  return {
    copyNames: '',
    outline: '',
    outlinePages: [] as OutlinePage[],
    others: [] as OtherActivity[],
    otherPages: [] as { id: number; name: string; draft: string }[],

    /** A number gives so many copies; anything else is a list of names, one in a line. */
    makeCopies(): void {
      const lines = this.copyNames
        .split('\n')
        .map((line: string) => line.trim())
        .filter(Boolean);
      const count = lines.length === 1 && /^\d+$/.test(lines[0]!) ? Number(lines[0]) : 0;
      const names: string[] = count > 0 ? Array.from({ length: count }, () => '') : lines;
      if (names.length > 0 && names.length <= MOST_COPIES) {
        pages().copies(names);
        this.copyNames = '';
        dialog('copies').close();
      }
    },

    copiesCount(): number {
      const lines = this.copyNames.split('\n').filter((line: string) => line.trim());
      return lines.length === 1 && /^\s*\d+\s*$/.test(lines[0]!) ? Number(lines[0]) : lines.length;
    },

    copiesText(): string {
      return fill(texts.copiesDo, this.copiesCount());
    },

    outlineText(): string {
      return fill(texts.outlineDo, this.outlinePages.length);
    },

    copiesWrong(): boolean {
      return this.copiesCount() > MOST_COPIES;
    },

    async readOutline(): Promise<void> {
      const body = new FormData();
      body.set('outline', this.outline);
      body.set('__RequestVerificationToken', token);
      const answer = await fetch('?handler=Outline', { method: 'POST', body });
      this.outlinePages = answer.ok ? ((await answer.json()) as OutlinePage[]) : [];
    },

    takeOutline(): void {
      pages().addAll(this.outlinePages);
      this.outline = '';
      this.outlinePages = [];
      dialog('outline').close();
    },

    async openOthers(): Promise<void> {
      this.otherPages = [];
      const answer = await fetch('?handler=Others');
      this.others = answer.ok ? ((await answer.json()) as OtherActivity[]) : [];
      dialog('others').showModal();
    },

    async openOther(draft: string): Promise<void> {
      const sheets = await sheetsOf(draft);
      this.otherPages = sheets.pages.map((p, i) => ({
        id: p.id,
        name: `${i + 1}. ${textIn(p.name, [], language)}`,
        draft,
      }));
    },

    async takeOther(draft: string, id: number): Promise<void> {
      const sheets = await sheetsOf(draft);
      pages().copyFrom(sheets, sheets.page(id)!);
      dialog('others').close();
    },

    openOverview(): void {
      dialog('overview').showModal();
      requestAnimationFrame(() => drawOverview(dialog('overview'), session().sheets, session().surface.options));
    },

    openFromOverview(id: number): void {
      session().turnToPage(id);
      dialog('overview').close();
    },
  };
}

async function sheetsOf(draft: string): Promise<Sheets> {
  const answer = await fetch(`/rooms/${draft}/snapshot`);
  const [, kind, number, , state] = decode(new Uint8Array(await answer.arrayBuffer())) as any[];
  return Sheets.of(number, known(readRoomSnapshot(kind, state)));
}
