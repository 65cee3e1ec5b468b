// Pages of other activities, with all that stands on them.

import { decode } from '@msgpack/msgpack';
import { Sheets } from '../room/sheets';
import { textIn } from '../surface/in-language';
import { known } from '../wire/by-hand';
import { readRoomSnapshot } from '../wire/kinds';
import type { Pages } from './pages';

interface OtherActivity {
  readonly name: string;
  readonly draft: string;
}

export function otherActivities(pages: () => Pages, dialog: () => HTMLDialogElement, language: string) {
  return {
    all: [] as OtherActivity[],
    pages: [] as { id: number; name: string; draft: string }[],

    async open(): Promise<void> {
      this.pages = [];
      const answer = await fetch('?handler=Others').catch(() => null);
      this.all = answer?.ok ? ((await answer.json()) as OtherActivity[]) : [];
      dialog().showModal();
    },

    async look(draft: string): Promise<void> {
      const sheets = await sheetsOf(draft);
      this.pages = sheets.pages.map((p, i) => ({
        id: p.id,
        name: `${i + 1}. ${textIn(p.name, [], language)}`,
        draft,
      }));
    },

    async take(draft: string, id: number): Promise<void> {
      const sheets = await sheetsOf(draft);
      pages().copyFrom(sheets, sheets.page(id)!);
      dialog().close();
    },
  };
}

async function sheetsOf(draft: string): Promise<Sheets> {
  const answer = await fetch(`/rooms/${draft}/snapshot`);
  const [, kind, number, , state] = decode(new Uint8Array(await answer.arrayBuffer())) as any[];
  return Sheets.of(number, known(readRoomSnapshot(kind, state)));
}
