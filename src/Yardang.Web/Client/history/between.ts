// What came, changed and went between two moments.

export interface Between<T> {
  readonly came: readonly T[];
  readonly changed: readonly T[];
  /** As they were before. */
  readonly went: readonly T[];
}

/** Of what was seen and what is: what is unchanged is the same object. */
export function between<T extends { readonly id: number }>(then: readonly T[], now: readonly T[]): Between<T> {
  const before = new Map(then.map((thing) => [thing.id, thing]));
  const after = new Set(now.map(({ id }) => id));
  return {
    came: now.filter(({ id }) => !before.has(id)),
    changed: now.filter((thing) => before.has(thing.id) && before.get(thing.id) !== thing),
    went: then.filter(({ id }) => !after.has(id)),
  };
}
