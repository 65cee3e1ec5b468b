// In which colour somebody is shown where it is to be seen whose is whose: 3:1 on paper. From the thirteenth on they come again, and the initials tell.

const ALL = [
  '#9a6a00',
  '#2f6fa8',
  '#b0513a',
  '#4d7a2c',
  '#7d5aa6',
  '#1f7f78',
  '#ad4a80',
  '#6f6650',
  '#6f7a12',
  '#8a4b1f',
  '#1d2b33',
  '#6b7680',
] as const;

export const COLOURS = ALL.length;

export function personColour(place: number): string {
  return ALL[place % COLOURS]!;
}

/** The first letters of the first and last name. */
export function initialsOf(name: string): string {
  const parts = name.split(/\s+/).filter((part) => part !== '');
  const first = (part: string | undefined) => (part ? [...part][0]!.toUpperCase() : '');
  return first(parts[0]) + (parts.length > 1 ? first(parts.at(-1)) : '');
}
