// What is set for the page in sight, size, paper and tools, and the unit of the whole activity.

import { KINDS } from '../room/shown';
import type { Editor } from '../editor/editor';
import { type Axis, type Change, PLAIN, type Page, type Paper, PaperKind, Property } from '../room/marks';

const SIZES: Record<string, { width: number; height: number }> = {
  a4wide: { width: 29_700, height: 21_000 },
  a4: { width: 21_000, height: 29_700 },
  a3wide: { width: 42_000, height: 29_700 },
  letterwide: { width: 27_940, height: 21_590 },
  letter: { width: 21_590, height: 27_940 },
  screen: { width: 33_867, height: 19_050 },
};

const THOUSAND = 1000;

/** As Core's Recordings, s. */
const USUAL_SECONDS = 60;
const LEAST_SECONDS = 10;
const MOST_SECONDS = 180;

export function pageSettings(editor: () => Editor) {
  const change = (change: Change) => editor().change(change);
  let lastShown = '';

  return {
    size: 'a4wide',
    paper: 0,
    spacing: '',
    acrossText: '',
    upText: '',
    columns: 3,
    rows: 4,
    isWrong: false,
    withheld: 0,
    /** Which kinds students may record and attach, and how long they may record, s. */
    kinds: 0,
    seconds: USUAL_SECONDS,
    unit: 0,

    show(page: Page, unit: number): void {
      this.unit = unit;
      this.withheld = page.withheld;
      this.kinds = page.shows?.kinds ?? 0;
      this.seconds = page.shows?.seconds ?? USUAL_SECONDS;
      const isSize = ([, s]: [string, { width: number; height: number }]) =>
        s.width === page.size.width && s.height === page.size.height;
      this.size = Object.entries(SIZES).find(isSize)?.[0] ?? '';
      const { paper } = page;
      this.paper = paper.kind;
      // What is being typed is left alone as long as the paper has not changed.
      const now = JSON.stringify([page.id, paper]);
      if (now === lastShown) return;
      lastShown = now;
      this.spacing = paper.spacing > 0 ? String(paper.spacing / 100) : '';
      this.acrossText = axisText(paper.across);
      this.upText = axisText(paper.up);
      this.columns = paper.columns || 3;
      this.rows = paper.rows || 4;
    },

    pickSize(size: string): void {
      const value = SIZES[size];
      if (value) change({ property: Property.Size, target: editor().page, value });
    },

    /** A picture is a paper only once there is one: until then the field for it is shown. */
    pickPaper(kind: number): void {
      if (kind === PaperKind.Picture) this.paper = kind;
      else this.setPaper({ ...PLAIN, kind });
    },

    async takePaper(event: Event): Promise<void> {
      const input = event.target as HTMLInputElement;
      const file = input.files?.[0];
      if (!file || !editor().mayWrite()) return;
      const taken = await editor().pictures.upload(file);
      input.value = '';
      if (taken) this.setPaper({ ...PLAIN, kind: PaperKind.Picture, media: taken.media });
    },

    typedSpacing(): void {
      const spacing = this.spacing === '' ? 0 : Math.round(Number.parseFloat(this.spacing) * 100);
      this.setPaper({ spacing });
    },

    typedAxes(): void {
      const across = readAxis(this.acrossText);
      const up = readAxis(this.upText);
      this.isWrong = across === undefined || up === undefined;
      if (across !== undefined && up !== undefined) this.setPaper({ across, up });
    },

    typedTable(): void {
      this.setPaper({ columns: Math.round(this.columns), rows: Math.round(this.rows) });
    },

    setPaper(values: Partial<Paper>): void {
      const page = editor().sheets.page(editor().page);
      if (!page) return;
      const value = { ...page.paper, ...values };
      const isSpacing = value.spacing === 0 || (value.spacing >= 200 && value.spacing <= 5000);
      const isTable = [value.columns, value.rows].every((n) => Number.isInteger(n) && n >= 0 && n <= 60);
      this.isWrong = !isSpacing || !isTable;
      if (!this.isWrong) change({ property: Property.Paper, target: page.id, value });
    },

    toggleTool(tool: number): void {
      change({ property: Property.Withheld, target: editor().page, value: this.withheld ^ tool });
    },

    withholds(tool: number): boolean {
      return (this.withheld & tool) !== 0;
    },

    shows(kind: number): boolean {
      return (this.kinds & kind) !== 0;
    },

    get records(): boolean {
      return this.shows(KINDS.voice | KINDS.film);
    },

    toggleShows(kind: number): void {
      this.setShows(this.kinds ^ kind, this.seconds);
    },

    /** What is no length, or out of the range, goes to the nearest that is. */
    setSeconds(typed: string): void {
      const seconds = Math.round(Number.parseFloat(typed));
      const within = Math.min(MOST_SECONDS, Math.max(LEAST_SECONDS, seconds));
      this.setShows(this.kinds, Number.isFinite(seconds) ? within : this.seconds);
    },

    setShows(kinds: number, seconds: number): void {
      // What was typed is replaced by what holds.
      this.seconds = seconds;
      const value = kinds === 0 ? null : { kinds, seconds };
      change({ property: Property.Shows, target: editor().page, value });
    },

    pickUnit(unit: number): void {
      change({ property: Property.Unit, target: 0, value: unit });
    },
  };
}

function axisText(axis: Axis | null): string {
  return axis ? `${axis.from / THOUSAND}, ${axis.to / THOUSAND}, ${axis.step / THOUSAND}` : '';
}

/** "from, to, step"; null if nothing was typed, undefined if it cannot be an axis. */
function readAxis(text: string): Axis | null | undefined {
  if (text.trim() === '') return null;
  const numbers = text.split(/[,;]/).map((n) => Math.round(Number.parseFloat(n) * THOUSAND));
  const [from, to, step] = numbers;
  if (numbers.length !== 3 || numbers.some((n) => !Number.isFinite(n))) return undefined;
  return to! > from! && step! > 0 && (to! - from!) / step! <= 100 ? { from: from!, to: to!, step: step! } : undefined;
}
