// In which order the boards stand, and how large: one tap apart, and remembered for the lesson on this device. Nothing moves by itself.

/** Where people sit or as they came; by name; by group; everybody's version of one page, large; a table. */
export type ViewName = 'seats' | 'came' | 'name' | 'group' | 'page' | 'table';

const key = (lesson: string) => `yardang-view-${lesson}`;

export function rememberedView(lesson: string, offered: readonly ViewName[]): ViewName {
  const view = localStorage.getItem(key(lesson)) as ViewName | null;
  return view && offered.includes(view) ? view : offered[0]!;
}

export function rememberView(lesson: string, view: ViewName): void {
  localStorage.setItem(key(lesson), view);
}

/** What of a board decides where it stands. */
export interface Standing {
  readonly id: string;
  readonly name: string;
  /** Which as it came, from 0. */
  readonly came: number;
  /** The place of its group among the groups; behind them all if it is in none. */
  readonly group: number;
}

/** The boards in the order of a view. */
export function inOrder<T extends Standing>(boards: readonly T[], view: ViewName, language: string): T[] {
  const compare = new Intl.Collator(language, { numeric: true }).compare;
  const byName = (a: Standing, b: Standing) => compare(a.name, b.name) || a.came - b.came;
  const byGroup = (a: Standing, b: Standing) => a.group - b.group || byName(a, b);
  const byComing = (a: Standing, b: Standing) => a.came - b.came;
  const order = view === 'name' || view === 'table' ? byName : view === 'group' ? byGroup : byComing;
  return [...boards].sort(order);
}

const seenKey = (lesson: string) => `yardang-seen-${lesson}`;
/** Of so many boards it is remembered when they were looked at. */
const MOST_SEEN = 400;

/** When the teacher last looked at each board on this device, server time in ms. */
export function seenBoards(lesson: string): Record<string, number> {
  return JSON.parse(localStorage.getItem(seenKey(lesson)) ?? '{}') as Record<string, number>;
}

export function noteSeen(lesson: string, board: string, at: number): void {
  const others = Object.entries(seenBoards(lesson)).filter(([id]) => id !== board);
  const all = [...others, [board, at] as const].slice(-MOST_SEEN);
  localStorage.setItem(seenKey(lesson), JSON.stringify(Object.fromEntries(all)));
}
