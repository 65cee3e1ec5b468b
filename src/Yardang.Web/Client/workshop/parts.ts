// The parts of the activity, in order: what each is called, who works with whom in it, and which is being made here.

import type { Changes } from '../editor/changes';
import { plural } from '../page-data';
import { PLAIN, Property, type Texts } from '../room/marks';
import { partOf } from '../room/sheets';
import { BLANK } from '../room/wall-state';
import { type Part, PartKind, type Way } from '../wire/forms';
import { saidOf } from './pages';

export interface PartTexts {
  /** What pages and walls are called that have no name. */
  readonly partPages: string;
  readonly partWall: string;
  readonly partPagesCount: string;
  readonly partPagesCountOne: string;
}

interface Line {
  readonly number: number;
  readonly name: string;
  readonly about: string;
  readonly address: string;
  readonly isHere: boolean;
  readonly isWall: boolean;
}

const MOST = 12;
const TYPING_PAUSE_MS = 600;
const A4_WIDE = { width: 29_700, height: 21_000 };
/** Pictures and drawings. */
const USUALLY_SHOWN = 3;
const BLANK_WALL = { ...BLANK, rules: { ...BLANK.rules, shows: USUALLY_SHOWN } };
/** Who works with whom where nothing was chosen: pages are to work on, a wall is for all to read. */
const usual = (kind: PartKind) => (kind === PartKind.Wall ? 2 : 0) as Way;

/** @param here the part that is made on this page. */
export function partsOf(editor: () => Changes, activity: string, here: number, language: string, texts: PartTexts) {
  let typing: ReturnType<typeof setTimeout> | null = null;
  /** Where to go once everything is kept. */
  let goingTo = 0;
  const addressOf = (number: number) => `/workshop/${activity}?part=${number}`;
  const all = (): readonly Part[] => editor().sheets.parts;
  const change = (value: readonly Part[], gesture = editor().newId()) =>
    editor().submit({ kind: 'makeChanges', changes: [{ property: Property.Parts, target: 0, value }] }, gesture);
  const changeHere = (values: Partial<Part>) => change(all().map((p) => (p.number === here ? { ...p, ...values } : p)));

  return {
    list: [] as Line[],
    name: '',
    way: 0 as Way,
    /** Somebody has taken out what is made here. */
    isGone: false,

    refresh(): void {
      const { sheets } = editor();
      const parts = all();
      this.list = parts.map((part, i) => {
        const pages = sheets.everyPage.filter((p) => !p.erased && partOf(p) === part.number).length;
        const isWall = part.kind === PartKind.Wall;
        const kind = isWall ? texts.partWall : texts.partPages;
        return {
          number: part.number,
          name: `${i + 1}. ${part.name?.[language] || kind}`,
          about: isWall ? kind : plural(texts, 'partPagesCount', pages),
          address: addressOf(part.number),
          isHere: part.number === here,
          isWall,
        };
      });
      const mine = parts.find((p) => p.number === here);
      this.isGone = parts.length > 0 && !mine;
      if (!typing) this.name = mine?.name?.[language] ?? '';
      this.way = mine?.way ?? usual(mine?.kind ?? PartKind.Pages);
      if (goingTo && editor().client.waiting === 0) location.assign(addressOf(goingTo));
    },

    get isOne(): boolean {
      return this.list.length < 2;
    },

    get isFull(): boolean {
      return this.list.length >= MOST;
    },

    get place(): number {
      return this.list.findIndex((p) => p.isHere);
    },

    typedName(): void {
      if (typing) clearTimeout(typing);
      typing = setTimeout(() => this.keep(), TYPING_PAUSE_MS);
    },

    /** What was typed is kept. */
    keep(): void {
      if (!typing) return;
      clearTimeout(typing);
      typing = null;
      const before: Texts = all().find((p) => p.number === here)?.name ?? {};
      if (!editor().client.client || (before[language] ?? '') === this.name.trim()) return;
      const { [language]: _, ...rest } = before;
      const said = this.name.trim() ? { ...rest, [language]: this.name.trim() } : rest;
      changeHere({ name: Object.keys(said).length > 0 ? said : null });
    },

    setWay(way: string): void {
      changeHere({ way: Number(way) as Way });
    },

    /** Behind the others; one goes there once it is kept. */
    add(kind: 'pages' | 'wall'): void {
      if (this.isFull || goingTo) return;
      const { sheets } = editor();
      const number = Math.max(...all().map((p) => p.number), ...sheets.everyPage.map(partOf)) + 1;
      const gesture = editor().newId();
      const part = { number, name: null, way: null };
      if (kind === 'wall') change([...all(), { ...part, kind: PartKind.Wall, wall: BLANK_WALL }], gesture);
      else {
        this.putPage(number, gesture);
        change([...all(), { ...part, kind: PartKind.Pages, wall: null }], gesture);
      }
      goingTo = number;
    },

    /** The page with which a part of pages begins. */
    putPage(part: number, gesture: number): void {
      const order = Math.max(0, ...editor().sheets.everyPage.map((p) => p.order)) + 1;
      const page = {
        id: gesture,
        name: {},
        size: A4_WIDE,
        paper: PLAIN,
        directions: {},
        withheld: 0,
        shows: null,
        locked: false,
        stimulus: null,
        starters: [],
        part: saidOf(part),
        order,
        erased: false,
      };
      editor().submit({ kind: 'addPage', page, order }, gesture);
    },

    move(by: number): void {
      const parts = [...all()];
      const at = parts.findIndex((p) => p.number === here);
      const [part] = parts.splice(at, 1);
      if (part) change([...parts.slice(0, at + by), part, ...parts.slice(at + by)]);
    },

    /** With all that is in it. One goes on beside it; there, one step back brings it back. */
    takeOut(): void {
      const parts = all();
      const at = parts.findIndex((p) => p.number === here);
      const beside = parts[at + 1] ?? parts[at - 1];
      if (!beside) return;
      change(parts.filter((p) => p.number !== here));
      goingTo = beside.number;
    },
  };
}
