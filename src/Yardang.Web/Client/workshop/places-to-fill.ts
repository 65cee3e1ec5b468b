// Places to fill in, all over the activity: asked for in one dialog, filled in as one gesture.

import type { Changes } from '../editor/changes';
import { type Change, type Mark, Property, type Texts, isBox } from '../room/marks';
import type { Part, PlannedPhase, WallPlan } from '../wire/forms';
import { textsOfPlan } from '../walls/plan-languages';
import { planSayings } from './plan-sayings';
import { filledBody, filledIn, fillInsOf, wordsOf } from './fill-ins';

export function placesToFill(
  editor: () => Changes,
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

function* saidIn({ sheets }: Changes): Iterable<string> {
  yield* Object.values(sheets.name);
  yield* Object.values(sheets.directions);
  for (const { name, wall } of sheets.parts) yield* textsOf(name, wall).flatMap((t) => Object.values(t));
  for (const { words } of sheets.phases) yield* Object.values(words);
  for (const page of sheets.everyPage.filter((p) => !p.erased)) {
    yield* Object.values(page.name);
    yield* Object.values(page.directions);
    for (const mark of sheets.visible(page.id)) yield* wordsOf(mark.body);
  }
}

function changesFor({ sheets }: Changes, values: ReadonlyMap<string, string>): Change[] {
  const changes: Change[] = [];
  const put = (
    property: Property,
    target: number,
    before: Texts | readonly Part[] | readonly PlannedPhase[],
    after: typeof before,
  ) => {
    if (JSON.stringify(after) !== JSON.stringify(before)) changes.push({ property, target, value: after });
  };
  const filled = (said: Texts): Texts =>
    Object.fromEntries(Object.entries(said).map(([k, text]) => [k, filledIn(text, values)]));
  const texts = (property: Property, target: number, before: Texts) => put(property, target, before, filled(before));
  texts(Property.Name, 0, sheets.name);
  texts(Property.Directions, 0, sheets.directions);
  put(
    Property.Parts,
    0,
    sheets.parts,
    sheets.parts.map((p) => ({ ...p, name: p.name && filled(p.name), wall: p.wall && filledPlan(p.wall, filled) })),
  );
  const { phases } = sheets;
  put(
    Property.Phases,
    0,
    phases,
    phases.map((p) => ({ ...p, words: filled(p.words) })),
  );
  for (const page of sheets.everyPage.filter((p) => !p.erased)) {
    texts(Property.PageName, page.id, page.name);
    texts(Property.PageDirections, page.id, page.directions);
    for (const mark of sheets.visible(page.id)) changes.push(...changesOf(mark, values));
  }
  return changes;
}

function textsOf(name: Texts | null, wall: WallPlan | null): Texts[] {
  const said = wall ? textsOfPlan(wall) : [];
  return name ? [name, ...said] : said;
}

function filledPlan(wall: WallPlan, filled: (said: Texts) => Texts): WallPlan {
  return planSayings(wall).reduce((plan, { said, put }) => put(plan, filled(said)), wall);
}

function changesOf(mark: Mark, values: ReadonlyMap<string, string>): Change[] {
  const said = wordsOf(mark.body);
  if (said.every((text) => filledIn(text, values) === text)) return [];
  const body = filledBody(mark.body, mark.style.looks, values);
  if (!isBox(body)) return [{ property: Property.Body, target: mark.id, value: body }];
  const { words, width, height } = body;
  return [{ property: Property.Words, target: mark.id, value: { words, width, height } }];
}
