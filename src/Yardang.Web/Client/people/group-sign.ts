// The colour and the shape of a group, wherever it is named: as Core/Lessons/GroupSign.cs says, held equal by golden vectors.

const KINDS = 8;

const COLOURS = [
  ['yellow', 'amber', 'ochre', 'gold', 'orange', 'amarillo', 'amarilla', 'ambar', 'ocre', 'oro', 'naranja'],
  ['blue', 'azul'],
  ['red', 'rojo', 'roja'],
  ['green', 'verde'],
  ['violet', 'purple', 'lila', 'morado', 'morada', 'violeta'],
  ['turquoise', 'teal', 'turquesa'],
  ['pink', 'rosa'],
  ['brown', 'grey', 'gray', 'marron', 'gris'],
];

const SHAPES = [
  ['circle', 'circulo'],
  ['square', 'cuadrado'],
  ['triangle', 'triangulo'],
  ['diamond', 'rombo'],
  ['hexagon', 'hexagono'],
  ['cross', 'cruz', 'cruces'],
  ['arch', 'arches', 'arco'],
  ['star', 'estrella'],
];

const FILLS = ['#9a6a00', '#2f6fa8', '#b0513a', '#4d7a2c', '#7d5aa6', '#1f7f78', '#ad4a80', '#6f6650'];

const PATHS = [
  'M10 2a8 8 0 1 0 0 16a8 8 0 1 0 0-16z',
  'M3 3h14v14h-14z',
  'M10 2l9 16h-18z',
  'M10 1l9 9l-9 9l-9-9z',
  'M5.5 2.5h9l4.5 7.5l-4.5 7.5h-9l-4.5-7.5z',
  'M7 2h6v5h5v6h-5v5h-6v-5h-5v-6h5z',
  'M2 18v-7a8 8 0 0 1 16 0v7h-5v-7a3 3 0 0 0-6 0v7z',
  'M10 1l2.7 5.9l6.3.7l-4.7 4.3l1.3 6.3l-5.6-3.2l-5.6 3.2l1.3-6.3l-4.7-4.3l6.3-.7z',
];

export interface GroupSign {
  readonly fill: string;
  /** In a square of 20. */
  readonly path: string;
}

export function groupSign(number: number, name: string): GroupSign {
  const nth = Math.max(number, 1) - 1;
  const words = name
    .normalize('NFD')
    .replace(/\p{Mn}/gu, '')
    .toLowerCase()
    .split(/[^a-z]+/);
  return {
    fill: FILLS[named(words, COLOURS) ?? nth % KINDS]!,
    path: PATHS[named(words, SHAPES) ?? (nth + Math.floor(nth / KINDS)) % KINDS]!,
  };
}

function named(words: readonly string[], kinds: readonly (readonly string[])[]): number | null {
  for (const word of words) {
    const kind = kinds.findIndex((known) => known.some((k) => word === k || word === `${k}s` || word === `${k}es`));
    if (kind >= 0) return kind;
  }
  return null;
}
