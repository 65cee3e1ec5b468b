// What came, changed and went on a page between two moments of it.

import type { Mark } from '../room/marks';

export interface Between {
  readonly came: readonly Mark[];
  readonly changed: readonly Mark[];
  /** As they were before. */
  readonly went: readonly Mark[];
}

/** Of the marks that were seen and those that are: what is unchanged is the same object. */
export function between(then: readonly Mark[], now: readonly Mark[]): Between {
  const before = new Map(then.map((mark) => [mark.id, mark]));
  const after = new Set(now.map(({ id }) => id));
  return {
    came: now.filter(({ id }) => !before.has(id)),
    changed: now.filter((mark) => before.has(mark.id) && before.get(mark.id) !== mark),
    went: then.filter(({ id }) => !after.has(id)),
  };
}
