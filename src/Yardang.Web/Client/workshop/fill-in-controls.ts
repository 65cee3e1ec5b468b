// Places to fill in, all over the activity: asked for in one dialog, filled in as one gesture.

import type { SheetSession } from '../board/sheet-session';
import { type Change, type Mark, Property, type Texts, isBox } from '../room/marks';
import { filledBody, filledIn, fillInsOf, wordsOf } from './fill-ins';

export function fillInControls(session: () => SheetSession, blanksText: (count: number) => string) {
  let scheduled = false;

  return {
    blanks: [] as { name: string; value: string }[],
    blanksText: '',

    /** When the hand is at rest: all words of all pages are read. */
    refreshFillIns(): void {
      if (scheduled) return;
      scheduled = true;
      requestIdleCallback(() => this.findFillIns(), { timeout: 300 });
    },

    findFillIns(): void {
      scheduled = false;
      const names = fillInsOf(saidIn(session()));
      if (names.join('\n') === this.blanks.map((b) => b.name).join('\n')) return;
      this.blanks = names.map((name) => ({ name, value: this.blanks.find((b) => b.name === name)?.value ?? '' }));
      this.blanksText = blanksText(names.length);
    },

    openFillIns(): void {
      fillInsDialog().showModal();
    },

    fillIn(): void {
      const values = new Map(this.blanks.map((b) => [b.name.toLowerCase(), b.value]));
      const changes = changesFor(session(), values);
      if (changes.length > 0) session().submit({ kind: 'makeChanges', changes }, session().newId());
      fillInsDialog().close();
    },
  };
}

function* saidIn({ sheets }: SheetSession): Iterable<string> {
  yield* Object.values(sheets.name);
  yield* Object.values(sheets.directions);
  for (const page of sheets.pages) {
    yield* Object.values(page.name);
    yield* Object.values(page.directions);
    for (const mark of sheets.visible(page.id)) yield* wordsOf(mark.body);
  }
}

function changesFor({ sheets }: SheetSession, values: ReadonlyMap<string, string>): Change[] {
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

function fillInsDialog(): HTMLDialogElement {
  return document.querySelector<HTMLDialogElement>('[x-ref="fillIns"]')!;
}
