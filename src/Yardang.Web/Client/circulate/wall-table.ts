// Walls as a table: students, or walls, and topics, with counts and what is owed.

import type { WallTile } from './wall-tile';

export interface WallTable {
  readonly heads: readonly string[];
  readonly rows: readonly WallRow[];
}

interface WallRow {
  readonly key: string;
  readonly name: string;
  readonly board: string;
  readonly counts: readonly string[];
  readonly owed: string;
}

interface Whose {
  readonly id: string;
  readonly name: string;
  readonly people: readonly number[];
}

/** Of whom nothing is told. */
const UNKNOWN = '–';

/** One wall for all: who has put up how much where. */
export function studentsAndTopics(
  tile: WallTile,
  wall: string,
  people: readonly { readonly number: number; readonly name: string }[],
): WallTable {
  const heads = tile.topics.map((t) => t.heading);
  const rows = people.map(({ number, name }) => ({
    key: String(number),
    name,
    board: wall,
    counts: tile.countsOf(number)?.map(String) ?? heads.map(() => UNKNOWN),
    owed: tile.hasNone(number) ? tile.noneOfOne : tile.owes(number) ? tile.owingOfOne : '',
  }));
  return { heads, rows };
}

/** A wall for each student or group. */
export function wallsAndTopics(
  walls: readonly { readonly row: Whose; readonly tile: WallTile | undefined }[],
): WallTable {
  const heads = [...new Set(walls.flatMap(({ tile }) => tile?.topics.map((t) => t.heading) ?? []))];
  const rows = walls.map(({ row, tile }) => {
    const topics = new Map(tile?.topics.map((t) => [t.heading, t.cards]));
    const owing = row.people.filter((n) => tile?.hasNone(n) || tile?.owes(n)).length;
    return {
      key: row.id,
      name: row.name,
      board: row.id,
      counts: heads.map((head) => String(topics.get(head) ?? 0)),
      owed:
        owing === 0
          ? ''
          : row.people.length === 1 && tile!.hasNone(row.people[0]!)
            ? tile!.noneOfOne
            : tile!.owingOfOne,
    };
  });
  return { heads, rows };
}
