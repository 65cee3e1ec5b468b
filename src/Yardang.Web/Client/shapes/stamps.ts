// The set of stamps: Core's file.

import drawings from '../../../Yardang.Core/Marks/stamps.json';

/** The side of the box that the drawings are made in, and the width of their pen. */
export const STAMP_BOX = 100;
export const STAMP_PEN = 7;

export const STAMPS: readonly { name: string; line: string; fill: string }[] = drawings;

const paths = new Map<string, { line: Path2D; fill: Path2D }>();

export function stampPaths(name: string): { line: Path2D; fill: Path2D } | null {
  const known = paths.get(name);
  if (known) return known;
  const drawing = STAMPS.find((s) => s.name === name);
  if (!drawing) return null;
  const made = { line: new Path2D(drawing.line), fill: new Path2D(drawing.fill) };
  paths.set(name, made);
  return made;
}
