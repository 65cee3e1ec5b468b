// What is written about the activity and its pages: names, directions, beginnings of sentences. Kept as it is typed.

import { textIn } from '../surface/in-language';
import type { Changes } from '../editor/changes';
import { type Page, Property, type Texts } from '../room/marks';

const TYPING_PAUSE_MS = 600;
const MOST_STARTERS = 20;
const MOST_LETTERS = 120;

export function writtenOf(editor: () => Changes, language: string) {
  const typing = new Map<string, { timer: ReturnType<typeof setTimeout>; keep: () => void }>();
  const isTyping = (property: Property, target: number) => typing.has(`${property}:${target}`);

  return {
    name: '',
    directions: '',
    pageName: '',
    pageDirections: '',
    starters: '',

    /** What is being typed stays as it is. */
    refresh(page: Page | undefined): void {
      const { sheets } = editor();
      if (!isTyping(Property.Name, 0)) this.name = sheets.name[language] ?? '';
      if (!isTyping(Property.Directions, 0)) this.directions = sheets.directions[language] ?? '';
      if (!page) return;
      if (!isTyping(Property.PageName, page.id)) this.pageName = textIn(page.name, [], language);
      if (!isTyping(Property.PageDirections, page.id)) this.pageDirections = textIn(page.directions, [], language);
      this.starters = page.starters.map((s) => s[language] ?? '').join('\n');
    },

    typedName(): void {
      this.type(Property.Name, 0, this.name, editor().sheets.name);
    },

    typedDirections(): void {
      this.type(Property.Directions, 0, this.directions, editor().sheets.directions);
    },

    typedPageName(): void {
      const page = editor().sheets.page(editor().page);
      if (page) this.type(Property.PageName, page.id, this.pageName, page.name);
    },

    typedPageDirections(): void {
      const page = editor().sheets.page(editor().page);
      if (page) this.type(Property.PageDirections, page.id, this.pageDirections, page.directions);
    },

    /** A line for each; what it is called in other languages stays with its place. */
    setStarters(text: string): void {
      const page = editor().sheets.page(editor().page);
      if (!page) return;
      const lines = text.split('\n').flatMap((line) => line.trim() || []);
      const value = lines
        .slice(0, MOST_STARTERS)
        .map((line, i) => ({ ...page.starters[i], [language]: line.slice(0, MOST_LETTERS) }));
      editor().change({ property: Property.Starters, target: page.id, value });
    },

    /** Kept at the first pause; what is typed in one go is one gesture. */
    type(property: Property, target: number, text: string, before: Texts): void {
      const key = `${property}:${target}`;
      const going = typing.get(key);
      if (going) clearTimeout(going.timer);
      const keep = () => {
        typing.delete(key);
        if (editor().client.client && (before[language] ?? '') !== text)
          editor().change({ property, target, value: { ...before, [language]: text } });
      };
      typing.set(key, { timer: setTimeout(keep, TYPING_PAUSE_MS), keep });
    },

    keep(): void {
      for (const { timer, keep } of [...typing.values()]) {
        clearTimeout(timer);
        keep();
      }
    },
  };
}
