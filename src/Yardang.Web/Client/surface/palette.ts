// Colours by their number in a mark's style: Core's Palette, held equal by golden vectors.

export const INK = ['#1d2b33', '#b93f2b', '#2c7a50', '#7b3f8c', '#9a6400', '#00708f'] as const;
export const TEACHER_INK = '#345e9e';
export const NOTE = ['#f6e7a8', '#d3e6c4', '#cfe3f2', '#f3d2c4'] as const;
/** Words on notes, and whatever is printed. */
export const PRINT = '#1d2b33';

export function inkColour(colour: number, byStaff: boolean): string {
  return byStaff ? TEACHER_INK : (INK[colour] ?? INK[0]);
}

export function noteColour(colour: number): string {
  return NOTE[colour] ?? NOTE[0];
}
