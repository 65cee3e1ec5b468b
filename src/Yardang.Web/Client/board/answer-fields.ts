// Typing into the answer fields of a page: each is a field of the browser's own over the page, with its name, in the order in which they are read.
// What is typed is sent when the hand rests, and when it goes elsewhere.

import { authorOf } from '../editor/author';
import type { Editor } from '../editor/editor';
import { fill } from '../page-data';
import { type FieldAnswerBody, type Mark, Property, stands } from '../room/marks';
import type { Command } from '../room/wire';
import { spaceOf } from '../shapes/answer-place';
import type { Box } from '../shapes/geometry';
import { boundsOf } from '../shapes/placed';
import { useStyles } from '../styles/with-script';
import { fitAnswer } from '../surface/answer-fit';
import { textIn } from '../surface/in-language';
import { inkColour } from '../surface/palette';
import { ANSWER_PADDING, LINE_HEIGHT } from '../surface/type';
import css from '../../Pages/Student/answer-fields.css';

export interface FieldTexts {
  /** "Answer field {0}", of one without a name. */
  readonly field: string;
  readonly typeHere: string;
  /** "by Maya" */
  readonly by: string;
  readonly byTeacher: string;
  /** Somebody else was first. */
  readonly answered: string;
}

const REST_MS = 900;
const MOST_LETTERS = 4000;
/** Fields whose tops differ by less stand in one row, 1/100 mm. */
const ROW = 800;
/** What is left free above what stands below a field, 1/100 mm. */
const GAP = 150;
/** Type that is smaller on the screen is brought nearer, in pixels. */
const READABLE_PX = 12;

type Answer = Mark & { readonly body: FieldAnswerBody };

interface Field {
  readonly id: number;
  readonly input: HTMLTextAreaElement;
}

export class AnswerFields {
  private readonly host = document.createElement('div');
  private fields: readonly Field[] = [];
  /** What was typed and not taken, by field. */
  private readonly refused = new Map<number, string>();
  private typing: Field | null = null;
  private answers: ReadonlyMap<number, Answer> = new Map();
  private rest: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly editor: Editor,
    private readonly texts: FieldTexts,
    private readonly say: (words: string) => void,
  ) {
    useStyles(css);
    this.host.className = 'answer-fields';
    editor.surface.lay(this.host);
    editor.onView(() => this.layOut());
    editor.surface.onTap = ({ x, y }) => this.tapped(x, y);
    // A page that goes away takes along what was being typed.
    window.addEventListener('pagehide', () => this.finish());
  }

  /** Takes along what is being typed: the page goes away, or its board does. */
  finish(): void {
    this.keep();
  }

  refresh(): void {
    const { sheets, page } = this.editor;
    const standing = sheets.visible(page).filter(stands);
    this.answers = new Map(standing.filter(isAnswer).map((m) => [m.body.field, m]));
    const marks = standing.filter((m) => m.body.kind === 'answerField');
    marks.sort((a, b) => rowOf(a) - rowOf(b) || boundsOf(a).x - boundsOf(b).x);
    if (marks.length !== this.fields.length || marks.some((m, i) => m.id !== this.fields[i]!.id)) this.make(marks);
    this.giveWay();
    for (const field of this.fields) this.show(field);
    this.layOut();
  }

  /** Somebody else answers where I am typing: my words are mine still, to be put elsewhere. */
  private giveWay(): void {
    const { typing } = this;
    const answer = typing && this.answers.get(typing.id);
    if (!answer || this.mayChange(answer) || typing.input.readOnly) return;
    const words = typing.input.value.trimEnd();
    this.typing = null;
    clearTimeout(this.rest);
    this.editor.surface.hide(new Set());
    typing.input.blur();
    if (!words || words === answer.body.words.text) return;
    this.say(this.texts.answered);
    this.editor.writeWith(words);
  }

  /** Goes to a field by keyboard. */
  open(id: number): void {
    this.fields.find((f) => f.id === id)?.input.focus();
  }

  giveBack(command: Command): boolean {
    const [field, text] = this.written(command);
    const answer = this.answers.get(field);
    if (!field || (answer && !this.mayChange(answer))) return false;
    this.refused.set(field, text);
    this.refresh();
    return true;
  }

  private written(command: Command): [field: number, text: string] {
    if (command.kind === 'addMark' && command.body.kind === 'fieldAnswer')
      return [command.body.field, command.body.words.text];
    if (command.kind !== 'makeChanges') return [0, ''];
    const wording = command.changes.find((c) => c.property === Property.Words);
    const body = wording && this.editor.sheets.mark(wording.target)?.body;
    return body?.kind === 'fieldAnswer'
      ? [body.field, (wording!.value as { words: { text: string } }).words.text]
      : [0, ''];
  }

  private make(marks: readonly Mark[]): void {
    if (this.typing && !marks.some((m) => m.id === this.typing!.id)) this.leave();
    const before = new Map(this.fields.map((f) => [f.id, f]));
    this.fields = marks.map(({ id }) => before.get(id) ?? this.made(id));
    // What is being typed in stays where it is: moved, it would lose the focus.
    const kept = new Set(this.fields.map((f) => f.input));
    for (const old of [...this.host.children]) if (!kept.has(old as HTMLTextAreaElement)) old.remove();
    this.fields.forEach(({ input }, i) => {
      if (this.host.children[i] !== input) this.host.insertBefore(input, this.host.children[i] ?? null);
    });
  }

  private made(id: number): Field {
    const input = document.createElement('textarea');
    const field = { id, input };
    Object.assign(input, { className: 'answer-input', dir: 'auto', rows: 1, maxLength: MOST_LETTERS });
    input.dataset['answerField'] = String(id);
    input.addEventListener('focus', () => this.begin(field));
    input.addEventListener('blur', () => this.leave());
    input.addEventListener('input', () => {
      this.refused.delete(id);
      this.layOut();
      clearTimeout(this.rest);
      this.rest = setTimeout(() => this.keep(), REST_MS);
    });
    input.addEventListener('keydown', (e) => {
      e.stopPropagation();
      if (e.key === 'Escape') input.blur();
    });
    return field;
  }

  private show(field: Field): void {
    const { id, input } = field;
    const { editor, texts } = this;
    const mark = editor.sheets.mark(id)!;
    const answer = this.answers.get(id);
    const isFixed = answer !== undefined && !this.mayChange(answer);
    input.readOnly = isFixed || !editor.mayWrite();
    input.placeholder = input.readOnly ? '' : texts.typeHere;
    const name =
      mark.body.kind === 'answerField' ? textIn(mark.body.name, editor.surface.languages, editor.surface.written) : '';
    const isStaffs = answer?.byStaff === true;
    const whose = !answer ? '' : isStaffs && !editor.me.isStaff ? texts.byTeacher : authorOf(answer, editor, texts.by);
    const label = name || fill(texts.field, this.fields.indexOf(field) + 1);
    input.setAttribute('aria-label', whose ? `${label}, ${whose}` : label);
    input.style.color = this.isSeen(field) ? inkColour(answer?.style.colour ?? 0, answer?.byStaff ?? false) : '';
    input.toggleAttribute('data-not-taken', this.refused.has(id));
    if (this.typing === field && !isFixed) return;
    const value = this.refused.get(id) ?? answer?.body.words.text ?? '';
    if (input.value !== value) input.value = value;
  }

  /** Whether the words are shown here; else the page shows them. */
  private isSeen(field: Field): boolean {
    return this.typing === field || this.refused.has(field.id);
  }

  private layOut(): void {
    const { surface } = this.editor;
    for (const { id, input } of this.fields) {
      const field = this.editor.sheets.mark(id);
      if (field?.body.kind !== 'answerField') continue;
      const space = spaceOf(field, field.body);
      const fitted = fitAnswer(input.value, space, this.roomUnder(field, space));
      const at = surface.toScreen(space.x, space.y);
      Object.assign(input.style, {
        left: `${at.x}px`,
        top: `${at.y}px`,
        width: `${space.width * surface.scale}px`,
        height: `${fitted.height * surface.scale}px`,
        fontSize: `${fitted.size * surface.scale}px`,
        lineHeight: String(LINE_HEIGHT),
        padding: `${ANSWER_PADDING * surface.scale}px`,
      });
    }
  }

  /** How far down an answer grows before its type gets smaller: to what the teacher put below it, and never over the foot of the page. */
  private roomUnder(field: Mark, space: Box): { wished: number; most: number } {
    const { sheets } = this.editor;
    const { page } = field;
    const most = (sheets.page(page)?.size.height ?? 0) - space.y;
    const below = sheets
      .visible(page)
      .filter((m) => m.byStaff && m.id !== field.id && m.body.kind !== 'zone' && m.body.kind !== 'fieldAnswer')
      .map(boundsOf)
      .filter((b) => b.y >= space.y + space.height && b.x < space.x + space.width && b.x + b.width > space.x);
    return { wished: Math.min(most, ...below.map((b) => b.y - GAP - space.y)), most };
  }

  private begin(field: Field): void {
    this.typing = field;
    const answer = this.answers.get(field.id);
    if (answer && !field.input.readOnly) this.editor.surface.hide(new Set([answer.id]));
    this.bringNear(field);
    this.show(field);
  }

  private leave(): void {
    if (!this.typing) return;
    this.keep();
    this.typing = null;
    this.editor.surface.hide(new Set());
    this.refresh();
  }

  private bringNear({ id, input }: Field): void {
    const { surface, sheets } = this.editor;
    // The browser may have moved the page under the focus: here the page is moved, and nothing else.
    surface.lay(this.host);
    const field = sheets.mark(id);
    if (!field) return;
    const box = boundsOf(field);
    const sight = surface.inSight();
    const isIn =
      box.x >= sight.x &&
      box.y >= sight.y &&
      box.x + box.width <= sight.x + sight.width &&
      box.y + box.height <= sight.y + sight.height;
    if (Number.parseFloat(input.style.fontSize) < READABLE_PX) surface.showNear(box);
    else if (!isIn) surface.lookAt(box.x + box.width / 2, box.y + box.height / 2, surface.nearness);
  }

  private tapped(x: number, y: number): (() => void) | null {
    const { editor } = this;
    if (!['pen', 'text', 'note', 'choose', 'attach'].includes(editor.tool)) return null;
    const hit = this.fields.find(({ id, input }) => {
      const field = editor.sheets.mark(id);
      if (input.readOnly || field?.body.kind !== 'answerField') return false;
      const box = spaceOf(field, field.body);
      const height = Math.max(box.height, this.answers.get(id)?.body.height ?? 0);
      return x >= box.x && x <= box.x + box.width && y >= box.y && y <= box.y + height;
    });
    return hit ? () => hit.input.focus({ preventScroll: true }) : null;
  }

  private keep(): void {
    clearTimeout(this.rest);
    const { typing, editor } = this;
    if (!typing) return;
    const { id, input } = typing;
    const text = input.value.trimEnd();
    // Not what this page shows: a teacher may have called me to another just now.
    const answer = editor.sheets.answerTo(id);
    if (text === (answer ? textOf(answer) : '') || (answer && !this.mayChange(answer))) return;
    const gesture = editor.newId();
    this.refused.delete(id);
    if (answer && !text)
      return editor.submit(
        { kind: 'makeChanges', changes: [{ property: Property.Erased, target: answer.id, value: true }] },
        gesture,
      );
    const field = editor.sheets.mark(id);
    if (field?.body.kind !== 'answerField') return;
    const space = spaceOf(field, field.body);
    const { lines, size, height } = fitAnswer(text, space, this.roomUnder(field, space));
    const words = { text, language: editor.language, lines, size };
    const width = Math.round(space.width);
    if (answer) {
      const value = { words, width, height };
      editor.submit(
        { kind: 'makeChanges', changes: [{ property: Property.Words, target: answer.id, value }] },
        gesture,
      );
      return;
    }
    const body: FieldAnswerBody = { kind: 'fieldAnswer', field: id, x: space.x, y: space.y, width, height, words };
    const style = { colour: 0, width: 0, fill: 0, looks: 0 };
    editor.submit({ kind: 'addMark', id: gesture, page: field.page, grip: editor.grip, body, style, for: 0 }, gesture);
    editor.surface.hide(new Set([gesture]));
  }

  private mayChange(answer: Mark): boolean {
    const { sheets, me } = this.editor;
    return sheets.mayChange(me, { target: answer.id, property: Property.Words });
  }
}

function rowOf(field: Mark): number {
  return Math.round(boundsOf(field).y / ROW);
}

function isAnswer(mark: Mark): mark is Answer {
  return mark.body.kind === 'fieldAnswer';
}

function textOf({ body }: Mark): string {
  return body.kind === 'fieldAnswer' ? body.words.text : '';
}
