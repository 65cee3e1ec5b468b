// What has a form of its own on the wire: ink and texts.

/** A text in several languages: BCP 47 tag to text. */
export type Texts = Readonly<Record<string, string>>;

/** On the wire each point is the difference to the one before; pressure is itself. In hand they are flat: x, y, pressure, ms. */
export function readPoints(raw: readonly number[]): number[] {
  const points = new Array<number>(raw.length);
  let x = 0;
  let y = 0;
  let ms = 0;
  for (let i = 0; i < raw.length; i += 4) {
    points[i] = x += raw[i]!;
    points[i + 1] = y += raw[i + 1]!;
    points[i + 2] = raw[i + 2]!;
    points[i + 3] = ms += raw[i + 3]!;
  }
  return points;
}

export function writePoints(points: readonly number[]): number[] {
  const raw = new Array<number>(points.length);
  for (let i = 0; i < points.length; i += 4) {
    raw[i] = points[i]! - (i > 0 ? points[i - 4]! : 0);
    raw[i + 1] = points[i + 1]! - (i > 0 ? points[i - 3]! : 0);
    raw[i + 2] = points[i + 2]!;
    raw[i + 3] = points[i + 3]! - (i > 0 ? points[i - 1]! : 0);
  }
  return raw;
}

export function known<T>(value: T | null): T {
  if (value === null) throw new Error('This is of a kind that came later.');
  return value;
}
