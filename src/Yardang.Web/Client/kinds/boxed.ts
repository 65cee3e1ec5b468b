// What lies in a box of its own.

import type { Mark } from '../room/marks';
import type { Box } from '../shapes/geometry';

export const ownBox = ({ x, y, width, height }: Box): Box => ({ x, y, width, height });

/** The box of a body that was made larger. */
export function scaledBox(body: Box, scale: Mark['scale']): Box {
  const [width, height] = [(body.width * (scale?.x ?? 1000)) / 1000, (body.height * (scale?.y ?? 1000)) / 1000];
  return {
    x: body.x + (body.width - width) / 2,
    y: body.y + (body.height - height) / 2,
    width,
    height,
  };
}
