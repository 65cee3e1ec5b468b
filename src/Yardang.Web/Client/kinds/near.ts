// Whether a place is near a line.

import { type Spot, distanceToLine } from '../shapes/geometry';

export function isNearPath(path: readonly Spot[], spot: Spot, limit: number): boolean {
  if (path.length === 1) return Math.hypot(spot.x - path[0]!.x, spot.y - path[0]!.y) <= limit;
  for (let i = 1; i < path.length; i++) if (distanceToLine(spot, path[i - 1]!, path[i]!) <= limit) return true;
  return false;
}
