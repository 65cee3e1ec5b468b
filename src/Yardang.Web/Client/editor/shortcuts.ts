// The keyboard on a page: tools by letter, and what is chosen moved by mm and turned by degree. Fields keep their own keys.

import { type NewMark } from '../room/marks';
import type { Editor, ToolName } from './editor';

const MM = 100;
const MARKS_TYPE = 'application/x-yardang-marks';
const GROW = 1.1;

const TOOLS: Readonly<Record<string, ToolName>> = {
  p: 'pen',
  t: 'text',
  n: 'note',
  s: 'shape',
  c: 'choose',
  r: 'rub',
  f: 'point',
};

const ARROWS: Readonly<Record<string, [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

function isField(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && target.matches('input, textarea, select, [contenteditable]');
}

/** What the keys do outside the page itself. */
export interface KeyActions {
  pick(tool: ToolName): void;
  showKeys(): void;
}

export function listenForKeys(editor: () => Editor, actions: KeyActions): void {
  document.addEventListener('keydown', (e) => {
    if (isField(e.target) || document.querySelector('dialog[open]')) return;
    const done = e.ctrlKey || e.metaKey ? withControl(editor(), e) : plain(editor(), e, actions);
    if (done) e.preventDefault();
  });
  document.addEventListener('copy', (e) => copy(editor(), e));
  document.addEventListener('cut', (e) => {
    if (copy(editor(), e)) editor().selection.rubOut();
  });
  document.addEventListener('paste', (e) => paste(editor(), e));
}

function withControl(editor: Editor, e: KeyboardEvent): boolean {
  switch (e.key.toLowerCase()) {
    case 'z':
      if (e.shiftKey) editor.redo();
      else editor.undo();
      return true;
    case 'y':
      editor.redo();
      return true;
    case 'a':
      editor.use('choose');
      editor.selection.chooseAllMine();
      return true;
    case 'd':
      editor.selection.duplicate();
      return true;
    default:
      return false;
  }
}

function plain(editor: Editor, e: KeyboardEvent, actions: KeyActions): boolean {
  if (e.key === '?') {
    actions.showKeys();
    return true;
  }
  const onControl =
    e.target instanceof HTMLElement && e.target.matches('button, a, summary') && !e.target.dataset['mark'];
  if (editor.selection.marks.length > 0 && !onControl && withChosen(editor, e)) return true;
  const tool = TOOLS[e.key];
  if (tool && !e.altKey) {
    actions.pick(tool);
    return true;
  }
  if (e.key === 'Escape' || (e.key === 'Enter' && !onControl && editor.tool === 'shape')) {
    editor.shaper.finish();
    if (e.key === 'Escape') editor.selection.clear();
    return true;
  }
  return false;
}

function withChosen(editor: Editor, e: KeyboardEvent): boolean {
  const { selection } = editor;
  const arrow = ARROWS[e.key];
  if (arrow) {
    const step = e.shiftKey ? 10 * MM : MM;
    selection.moveBy(arrow[0] * step, arrow[1] * step);
    return true;
  }
  switch (e.key) {
    case '[':
      selection.turnBy(-1);
      return true;
    case ']':
      selection.turnBy(1);
      return true;
    case '+':
      selection.grow(GROW);
      return true;
    case '-':
      selection.grow(1 / GROW);
      return true;
    case 'Delete':
    case 'Backspace':
      selection.rubOut();
      return true;
    default:
      return false;
  }
}

/** The marks go with their words, so that other programs can take those. */
function copy(editor: Editor, e: ClipboardEvent): boolean {
  const copied = editor.selection.copy();
  if (isField(e.target) || copied.length === 0 || !e.clipboardData) return false;
  editor.copy();
  e.clipboardData.setData(MARKS_TYPE, JSON.stringify(copied));
  e.clipboardData.setData(
    'text/plain',
    copied
      .map((m) => ('words' in m.body ? m.body.words.text : ''))
      .join('\n')
      .trim(),
  );
  e.preventDefault();
  return true;
}

function paste(editor: Editor, e: ClipboardEvent): void {
  if (isField(e.target) || !e.clipboardData) return;
  const marks = e.clipboardData.getData(MARKS_TYPE);
  const words = e.clipboardData.getData('text/plain').trim();
  const pictures = [...e.clipboardData.files].filter((f) => f.type.startsWith('image/'));
  if (marks) {
    editor.use('choose');
    editor.selection.paste(JSON.parse(marks) as NewMark[]);
  } else if (pictures.length > 0) {
    void editor.pictures.put(pictures);
  } else if (words) {
    editor.putText(words);
  } else return;
  e.preventDefault();
}
