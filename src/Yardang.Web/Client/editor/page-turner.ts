// The pages as a list, the one in sight, and going from one to another.

import { fill } from '../page-data';
import { type Page, Property } from '../room/marks';
import { textIn } from '../surface/in-language';
import type { Editor } from './editor';

/** How much a page is lengthened at once, 1/100 mm. */
const MORE_ROOM = 10_000;

/** @param pageOf "Page {0} of {1}" in the language of the interface. */
export function pageTurner(editor: () => Editor, pageOf: string) {
  return {
    all: [] as { id: number; number: number; name: string }[],
    number: 1,
    areAllLocked: false,

    refresh(language: string): void {
      const { sheets, surface, page } = editor();
      this.all = sheets.pages.map((p: Page, i: number) => ({
        id: p.id,
        number: i + 1,
        name: textIn(p.name, [language], surface.written),
      }));
      this.areAllLocked = sheets.pages.every((p: Page) => p.locked);
      this.number = sheets.pages.findIndex((p: Page) => p.id === page) + 1;
    },

    get title(): string {
      const name = this.all[this.number - 1]?.name;
      const at = fill(pageOf, this.number, this.all.length);
      return name ? `${at}: ${name}` : at;
    },

    get short(): string {
      return `${this.number} / ${this.all.length}`;
    },

    turnTo(id: number): void {
      editor().turnToPage(id);
    },

    step(by: number): void {
      const page = this.all[this.number - 1 + by];
      if (page) editor().turnToPage(page.id);
    },

    /** A teacher's: students change nothing on the page in sight any more, or can again. */
    lock(on: boolean): void {
      editor().client.submit({ kind: 'lockPage', page: editor().page, on });
    },

    lockAll(on: boolean): void {
      editor().client.submit({ kind: 'lockPage', page: 0, on });
    },

    /** Lengthens the page: room at its foot. */
    moreRoom(): void {
      const page = editor().sheets.page(editor().page);
      if (!page || !editor().mayWrite()) return;
      const value = { width: page.size.width, height: page.size.height + MORE_ROOM };
      editor().change({ property: Property.Size, target: page.id, value });
    },
  };
}
