// Pages put in, doubled, copied once for each name, moved and taken out. Each of these is one gesture, so that one undo takes it back.

import type { SheetSession } from '../board/sheet-session';
import { type Change, type Mark, type NewMark, type Page, PLAIN, Property, isBox } from '../room/marks';
import type { Sheets } from '../room/sheets';

const MARKS_AT_ONCE = 200;
const NAME = '{name}';

export class Pages {
  constructor(
    private readonly session: SheetSession,
    private readonly language: string,
  ) {}

  /** An empty page behind the one in sight, of the same size and paper. */
  add(name = '', directions = ''): number {
    const { session } = this;
    const like = this.current;
    const gesture = session.newId();
    return this.put(
      {
        id: gesture,
        name: this.texts(name),
        width: like?.width ?? 29_700,
        height: like?.height ?? 21_000,
        paper: like?.paper ?? PLAIN,
        directions: this.texts(directions),
        withheld: like?.withheld ?? 0,
        order: 0,
        erased: false,
      },
      [],
      gesture,
    );
  }

  /** Several pages at once, such as those of an outline. */
  addAll(pages: readonly { title: string; directions: string }[]): void {
    for (const { title, directions } of pages) this.session.turnToPage(this.add(title, directions));
  }

  duplicate(): void {
    this.copies(['']);
  }

  /** The page in sight once for each name: the name is the copy's name, and stands wherever "{name}" stands. */
  copies(names: readonly string[]): void {
    const { session } = this;
    const page = this.current;
    if (!page) return;
    const marks = session.sheets.visible(page.id);
    const gesture = session.newId();
    let last = page.id;
    names.forEach((name, i) => {
      const copy = { ...page, id: i === 0 ? gesture : session.newId(), name: name ? this.texts(name) : page.name };
      last = this.put(
        copy,
        marks.map((m) => withName(m, name)),
        gesture,
        last,
      );
    });
    session.turnToPage(last);
  }

  /** A page of another activity, with all that stands on it. */
  copyFrom(sheets: Sheets, page: Page): void {
    const gesture = this.session.newId();
    this.session.turnToPage(this.put({ ...page, id: gesture }, sheets.visible(page.id), gesture));
  }

  move(by: number): void {
    const { pages } = this.session.sheets;
    const at = pages.findIndex((p) => p.id === this.session.page);
    const to = at + by;
    if (at < 0 || to < 0 || to >= pages.length) return;
    const order = by < 0 ? between(pages[to - 1], pages[to]) : between(pages[to], pages[to + 1]);
    this.change({ property: Property.PageOrder, target: this.session.page, value: order });
  }

  takeOut(): void {
    const { session } = this;
    const { pages } = session.sheets;
    if (pages.length < 2) return;
    const at = pages.findIndex((p) => p.id === session.page);
    this.change({ property: Property.PageErased, target: session.page, value: true });
    session.turnToPage((pages[at + 1] ?? pages[at - 1])!.id);
  }

  private put(page: Page, marks: readonly Mark[], gesture: number, after = this.session.page): number {
    const { session } = this;
    const { pages } = session.sheets;
    const at = pages.findIndex((p) => p.id === after);
    const placed = { ...page, erased: false };
    session.submit({ kind: 'addPage', page: placed, order: between(pages[at], pages[at + 1]) }, gesture);
    const ties = new Map<number, number>();
    for (let i = 0; i < marks.length; i += MARKS_AT_ONCE) {
      const copied = marks.slice(i, i + MARKS_AT_ONCE).map((mark) => this.copied(mark, ties));
      session.submit({ kind: 'addMarks', page: page.id, marks: copied }, gesture);
    }
    return page.id;
  }

  private copied(mark: Mark, ties: Map<number, number>): NewMark {
    const { grip, body, style, place, scale, cuts, tie } = mark;
    if (tie !== 0 && !ties.has(tie)) ties.set(tie, this.session.newId());
    return { id: this.session.newId(), grip, body, style, place, scale, cuts, tie: ties.get(tie) ?? 0 };
  }

  private get current(): Page | undefined {
    return this.session.sheets.page(this.session.page);
  }

  private change(change: Change): void {
    this.session.submit({ kind: 'makeChanges', changes: [change] }, this.session.newId());
  }

  private texts(text: string): Readonly<Record<string, string>> {
    return text ? { [this.language]: text } : {};
  }
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
