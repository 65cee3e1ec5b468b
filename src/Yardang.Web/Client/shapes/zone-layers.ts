// Zones lie under what is in them: Core's ZoneLayers, held equal by golden vectors.

import type { Mark } from '../room/marks';
import { boundsOf } from './placed';

/** The marks of a page, back to front, with the zones where they are drawn. */
export function laid(marks: readonly Mark[]): readonly Mark[] {
  const zones = marks.filter(isZone).map((zone) => ({ zone, box: boundsOf(zone) }));
  if (zones.length === 0) return marks;
  const all = marks.filter((m) => !isZone(m));
  zones.sort((a, b) => b.box.width * b.box.height - a.box.width * a.box.height);
  for (const { zone, box } of zones) {
    let ground = all.findLastIndex((m) => isGroundOf(m, zone) && holds(boundsOf(m), box));
    while (ground + 1 < all.length && isZone(all[ground + 1]!)) ground++;
    all.splice(ground + 1, 0, zone);
  }
  return all;
}

const isZone = (mark: Mark): boolean => mark.body.kind === 'zone';

function isGroundOf({ body, order, id }: Mark, zone: Mark): boolean {
  if (body.kind === 'zone') return true;
  return (
    (body.kind === 'picture' || body.kind === 'shape') && (order < zone.order || (order === zone.order && id < zone.id))
  );
}

function holds(outer: ReturnType<typeof boundsOf>, inner: ReturnType<typeof boundsOf>): boolean {
  return (
    outer.x <= inner.x &&
    outer.y <= inner.y &&
    outer.x + outer.width >= inner.x + inner.width &&
    outer.y + outer.height >= inner.y + inner.height
  );
}
