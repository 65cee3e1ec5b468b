// Places to fill in, all over the activity: asked for in one dialog, filled in as one gesture.

import type { Editor } from '../editor/editor';
import { type Change, type Mark, Property, type Texts, isBox } from '../room/marks';
import { filledBody, filledIn, fillInsOf, wordsOf } from './fill-ins';

export function placesToFill(
  editor: () => Editor,
  dialog: () => HTMLDialogElement,
  wordsFor: (count: number) => string,
) {
  let scheduled = false;

  return {
    all: [] as { name: string; value: string }[],
    words: '',

    /** When the hand is at rest: all words of all pages are read. */
    refresh(): void {
      if (scheduled) return;
      scheduled = true;
      requestIdleCallback(() => this.find(), { timeout: 300 });
    },

    find(): void {
      scheduled = false;
      const names = fillInsOf(saidIn(editor()));
      if (names.join('\n') === this.all.map((b) => b.name).join('\n')) return;
      this.all = names.map((name) => ({ name, value: this.all.find((b) => b.name === name)?.value ?? '' }));
      this.words = wordsFor(names.length);
    },

    open(): void {
      dialog().showModal();
    },

    fillIn(): void {
      const values = new Map(this.all.map((b) => [b.name.toLowerCase(), b.value]));
      const changes = changesFor(editor(), values);
      if (changes.length > 0) editor().change(...changes);
      dialog().close();
    },
  };
}

function* saidIn({ sheets }: Editor): Iterable<string> {
  yield* Object.values(sheets.name);
  yield* Object.values(sheets.directions);
  for (const page of sheets.pages) {
    yield* Object.values(page.name);
    yield* Object.values(page.directions);
    for (const mark of sheets.visible(page.id)) yield* wordsOf(mark.body);
  }
}

function changesFor({ sheets }: Editor, values: ReadonlyMap<string, string>): Change[] {
  const changes: Change[] = [];
  const texts = (property: Property, target: number, before: Texts) => {
    const after = Object.fromEntries(Object.entries(before).map(([k, text]) => [k, filledIn(text, values)]));
    if (JSON.stringify(after) !== JSON.stringify(before)) changes.push({ property, target, value: after });
  };
  texts(Property.Name, 0, sheets.name);
  texts(Property.Directions, 0, sheets.directions);
  for (const page of sheets.pages) {
    texts(Property.PageName, page.id, page.name);
    texts(Property.PageDirections, page.id, page.directions);
    for (const mark of sheets.visible(page.id)) changes.push(...changesOf(mark, values));
  }
  return changes;
}

function changesOf(mark: Mark, values: ReadonlyMap<string, string>): Change[] {
  const said = wordsOf(mark.body);
  if (said.every((text) => filledIn(text, values) === text)) return [];
  const body = filledBody(mark.body, mark.style.looks, values);
  if (!isBox(body)) return [{ property: Property.Body, target: mark.id, value: body }];
  const { words, width, height } = body;
  return [{ property: Property.Words, target: mark.id, value: { words, width, height } }];
}
