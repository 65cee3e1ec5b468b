// What a teacher took down of mine is said to me once on this device, also where it happened while I was away.

/** Something of mine that is down. */
export interface DownThing {
  readonly id: number;
  readonly why: string;
}

const MOST = 200;

/** Those that were not said yet; from now on they were. */
export function untold(room: string, things: readonly DownThing[]): DownThing[] {
  const key = `yardang-down-${room}`;
  const told = new Set<string>(JSON.parse(localStorage.getItem(key) ?? '[]') as string[]);
  const nameOf = ({ id, why }: DownThing) => `${id} ${why}`;
  const fresh = things.filter((thing) => !told.has(nameOf(thing)));
  // What is up again, and taken down once more, is said again.
  localStorage.setItem(key, JSON.stringify(things.slice(-MOST).map(nameOf)));
  return fresh;
}
