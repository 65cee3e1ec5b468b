// Colours by their number in a mark's style: Core's Palette, held equal by golden vectors.

import { Grip, type Mark } from '../room/marks';

export const INK = ['#1d2b33', '#b93f2b', '#2c7a50', '#7b3f8c', '#9a6400', '#00708f'] as const;
export const TEACHER_INK = '#345e9e';
export const NOTE = [
  '#f6e7a8',
  '#d3e6c4',
  '#cfe3f2',
  '#f3d2c4',
  '#e3d7ef',
  '#c9e8e2',
  '#f3cfe0',
  '#e7e2d3',
  '#dde6a5',
  '#ffffff',
  '#d5dadd',
  '#f7d9a3',
] as const;
export const HIGHLIGHTER = ['#f7e463', '#ffb3a6', '#a9e5bd', '#dfbdf0', '#ffd08a', '#a0e1f2'] as const;
/** Words on notes, and whatever is printed. */
export const PRINT = '#1d2b33';

export function inkColour(colour: number, byStaff: boolean): string {
  return byStaff ? TEACHER_INK : (INK[colour] ?? INK[0]);
}

export function noteColour(colour: number): string {
  return NOTE[colour] ?? NOTE[0];
}

export function highlighterColour(colour: number): string {
  return HIGHLIGHTER[colour] ?? HIGHLIGHTER[0];
}

/** Of lines and words that stand straight on the page. */
export function lineColour({ grip, style, byStaff }: Pick<Mark, 'grip' | 'style' | 'byStaff'>): string {
  if (grip === Grip.Key) return TEACHER_INK;
  return grip === Grip.Printed || grip === Grip.Loose ? PRINT : inkColour(style.colour, byStaff);
}
