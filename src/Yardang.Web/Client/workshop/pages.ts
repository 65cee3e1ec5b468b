// Pages put in, doubled, copied once for each name, moved and taken out. Each of these is one gesture, so that one undo takes it back.

import type { Editor } from '../editor/editor';
import { type Change, Grip, type Mark, type Page, type PictureBody, PLAIN, Property, isBox } from '../room/marks';
import type { Sheets } from '../room/sheets';
import { copied, copiesOf } from '../tools/copying';

const MARKS_AT_ONCE = 200;
const NAME = '{name}';
const PLAIN_MARK = {
  style: { colour: 0, width: 0, fill: 0, looks: 0 },
  place: { x: 0, y: 0, turn: 0 },
  scale: null,
  cuts: [],
  tie: 0,
};

/** A page that is one printed picture: of a document, or a picture with a page to itself. */
export interface NewPage {
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly picture: Omit<PictureBody, 'kind'>;
}

export class Pages {
  constructor(
    private readonly editor: Editor,
    private readonly language: string,
    /** To which part new pages belong. */
    private readonly part: number,
  ) {}

  /** An empty page behind the one in sight, of the same size and paper. */
  add(name = '', directions = ''): number {
    const { editor } = this;
    const gesture = editor.newId();
    const page = { ...this.blank(), id: gesture, name: this.texts(name), directions: this.texts(directions) };
    return this.put(page, [], gesture);
  }

  /** Several pages at once, such as those of an outline. */
  addAll(pages: readonly { title: string; directions: string }[]): void {
    for (const { title, directions } of pages) this.editor.turnToPage(this.add(title, directions));
  }

  /** Pages with a printed picture on each, behind the one in sight, all at once. */
  addDrawn(pages: readonly NewPage[]): void {
    const { editor } = this;
    const gesture = editor.newId();
    let last = editor.page;
    pages.forEach(({ name, width, height, picture }, i) => {
      const id = i === 0 ? gesture : editor.newId();
      const page: Page = { ...this.blank(), id, name: this.texts(name), size: { width, height }, paper: PLAIN };
      this.putPage(page, gesture, last);
      const mark = {
        ...PLAIN_MARK,
        id: editor.newId(),
        grip: Grip.Printed,
        body: { kind: 'picture' as const, ...picture },
      };
      editor.submit({ kind: 'addMarks', page: id, marks: [mark] }, gesture);
      last = id;
    });
    if (pages.length > 0) editor.turnToPage(gesture);
  }

  duplicate(): void {
    this.copies(['']);
  }

  /** The page in sight once for each name: the name is the copy's name, and stands wherever "{name}" stands. */
  copies(names: readonly string[]): void {
    const { editor } = this;
    const page = this.current;
    if (!page) return;
    const marks = editor.sheets.visible(page.id);
    const gesture = editor.newId();
    let last = page.id;
    names.forEach((name, i) => {
      const copy = { ...page, id: i === 0 ? gesture : editor.newId(), name: name ? this.texts(name) : page.name };
      last = this.put(
        copy,
        marks.map((m) => withName(m, name)),
        gesture,
        last,
      );
    });
    editor.turnToPage(last);
  }

  /** A page of another activity, with all that stands on it. */
  copyFrom(sheets: Sheets, page: Page): void {
    const gesture = this.editor.newId();
    this.editor.turnToPage(this.put({ ...page, id: gesture }, sheets.visible(page.id), gesture));
  }

  move(by: number): void {
    const { pages } = this.editor.sheets;
    const at = pages.findIndex((p) => p.id === this.editor.page);
    const to = at + by;
    if (at < 0 || to < 0 || to >= pages.length) return;
    const order = by < 0 ? between(pages[to - 1], pages[to]) : between(pages[to], pages[to + 1]);
    this.change({ property: Property.PageOrder, target: this.editor.page, value: order });
  }

  takeOut(): void {
    const { editor } = this;
    const { pages } = editor.sheets;
    if (pages.length < 2) return;
    const at = pages.findIndex((p) => p.id === editor.page);
    this.change({ property: Property.PageErased, target: editor.page, value: true });
    editor.turnToPage((pages[at + 1] ?? pages[at - 1])!.id);
  }

  private put(page: Page, marks: readonly Mark[], gesture: number, after = this.editor.page): number {
    const { editor } = this;
    this.putPage(page, gesture, after);
    const copies = copiesOf(marks.map(copied), () => editor.newId());
    for (let i = 0; i < copies.length; i += MARKS_AT_ONCE)
      editor.submit({ kind: 'addMarks', page: page.id, marks: copies.slice(i, i + MARKS_AT_ONCE) }, gesture);
    return page.id;
  }

  private putPage(page: Page, gesture: number, after: number): void {
    const { pages } = this.editor.sheets;
    const at = pages.findIndex((p) => p.id === after);
    const order = between(pages[at], pages[at + 1]);
    this.editor.submit({ kind: 'addPage', page: { ...page, erased: false, part: saidOf(this.part) }, order }, gesture);
  }

  /** An empty page like the one in sight. */
  private blank(): Page {
    const like = this.current;
    return {
      id: 0,
      name: {},
      size: like?.size ?? { width: 29_700, height: 21_000 },
      paper: like?.paper ?? PLAIN,
      directions: {},
      withheld: like?.withheld ?? 0,
      shows: like?.shows ?? null,
      locked: false,
      stimulus: null,
      starters: [],
      part: null,
      order: 0,
      erased: false,
    };
  }

  private get current(): Page | undefined {
    return this.editor.sheets.page(this.editor.page);
  }

  private change(change: Change): void {
    this.editor.change(change);
  }

  private texts(text: string): Readonly<Record<string, string>> {
    return text ? { [this.language]: text } : {};
  }
}

/** As a page says it: of part 1 it says nothing. */
export function saidOf(part: number): number | null {
  return part === 1 ? null : part;
}

function between(before: Page | undefined, after: Page | undefined): number {
  if (!before) return (after?.order ?? 1) - 1;
  return after ? (before.order + after.order) / 2 : before.order + 1;
}

function withName(mark: Mark, name: string): Mark {
  const { body } = mark;
  if (!name || !isBox(body) || !body.words.text.includes(NAME)) return mark;
  const filled = (text: string) => text.replaceAll(NAME, name);
  const words = { ...body.words, text: filled(body.words.text), lines: body.words.lines.map(filled) };
  return { ...mark, body: { ...body, words } };
}
