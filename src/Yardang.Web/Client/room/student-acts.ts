// What somebody does to pages by changing things on them: Core's StudentActs.

import { Property, StudentActs } from '../wire/forms';

const MOVES: ReadonlySet<Property> = new Set([Property.Place, Property.Order]);

/** To move what stands there, or to write. */
export function actOf(changes: Iterable<{ readonly property: Property }>): StudentActs {
  return [...changes].every((c) => MOVES.has(c.property)) ? StudentActs.Move : StudentActs.Write;
}
