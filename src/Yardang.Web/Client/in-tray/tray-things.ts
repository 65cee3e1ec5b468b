// What waits in the in-tray, as the server says it, and how it is ordered, chosen and gone through.

export interface TrayThing {
  readonly key: string;
  readonly kind: string;
  readonly why: string;
  readonly lesson: string;
  readonly lessonName: string;
  readonly room: string;
  readonly part: number;
  readonly person: number;
  readonly name: string;
  readonly numbers: readonly number[];
  readonly since: number;
  readonly words: string;
  readonly where: string;
  readonly about: string;
  readonly beside: readonly string[];
  readonly before: readonly { readonly words: string; readonly said: string }[];
  /** Whether there is something to look at beside words. */
  readonly shows: boolean;
  readonly mayDecide: boolean;
  /** Of what students told of: who told, and why; and whether it is down already. */
  readonly toldBy: readonly { readonly name: string; readonly reason: string; readonly words: string }[];
  readonly isDown: boolean;
}

const ofPerson = (thing: TrayThing): string => `${thing.lesson} ${thing.person}`;

/** Those that wait longest first; by person, those of who has waited longest first. */
export function inOrder(things: readonly TrayThing[], byPerson: boolean): TrayThing[] {
  const sorted = [...things].sort((a, b) => a.since - b.since || (a.key < b.key ? -1 : 1));
  if (!byPerson) return sorted;
  const places = new Map<string, number>();
  for (const thing of sorted) if (!places.has(ofPerson(thing))) places.set(ofPerson(thing), places.size);
  return sorted.sort((a, b) => places.get(ofPerson(a))! - places.get(ofPerson(b))!);
}

/** Everything of the same person in the same lesson. */
export function byTheSame(things: readonly TrayThing[], as: TrayThing): TrayThing[] {
  return things.filter((thing) => ofPerson(thing) === ofPerson(as));
}

/** Everything in the same place of the same wall or board. */
export function inTheSamePlace(things: readonly TrayThing[], as: TrayThing): TrayThing[] {
  return things.filter((thing) => thing.room === as.room && thing.where === as.where && thing.kind !== 'door');
}

/** What is looked at when something went: it, if it is still there, else what came after it, else the last. */
export function chosenAfter(before: readonly TrayThing[], after: readonly TrayThing[], chosen: string): string {
  const left = new Set(after.map(({ key }) => key));
  if (left.has(chosen)) return chosen;
  const at = before.findIndex(({ key }) => key === chosen);
  const next = before.slice(at + 1).find(({ key }) => left.has(key)) ?? after.at(at < 0 ? 0 : -1);
  return next?.key ?? '';
}
