// The figures that can be drawn by dragging a box or by setting corners, and the points that they begin with.

import { Looks, ShapeKind, type ShapeBody } from '../room/marks';
import type { Spot } from './geometry';

export type FigureGroup = 'lines' | 'triangles' | 'four' | 'regular' | 'round';

export interface FigureTool {
  readonly name: string;
  readonly group: FigureGroup;
  readonly shape: ShapeKind;
  /** Corners in a box from 0 to 1; none if they are set one by one. */
  readonly corners: readonly Spot[];
  /** Whether the box stays square, so that equal sides stay equal. */
  readonly square: boolean;
  readonly looks: number;
}

const spots = (...flat: number[]): Spot[] =>
  Array.from({ length: flat.length / 2 }, (_, i) => ({ x: flat[2 * i]!, y: flat[2 * i + 1]! }));

function regular(corners: number): Spot[] {
  return Array.from({ length: corners }, (_, i) => ({
    x: 0.5 + 0.5 * Math.sin((2 * Math.PI * i) / corners),
    y: 0.5 - 0.5 * Math.cos((2 * Math.PI * i) / corners),
  }));
}

function figure(
  name: string,
  group: FigureGroup,
  corners: readonly Spot[],
  { shape = ShapeKind.Polygon, square = false, looks = Looks.None as number } = {},
): FigureTool {
  return { name, group, shape, corners, square, looks };
}

const line = { shape: ShapeKind.Line };

export const FIGURES: readonly FigureTool[] = [
  figure('line', 'lines', spots(0, 0, 1, 1), line),
  figure('arrow', 'lines', spots(0, 0, 1, 1), { ...line, looks: Looks.ArrowAtEnd }),
  figure('doubleArrow', 'lines', spots(0, 0, 1, 1), { ...line, looks: Looks.ArrowAtStart | Looks.ArrowAtEnd }),
  figure('polyline', 'lines', [], line),
  figure('scalene', 'triangles', spots(0.25, 0, 1, 1, 0, 0.8)),
  figure('isosceles', 'triangles', spots(0.5, 0, 1, 1, 0, 1)),
  figure('equilateral', 'triangles', regular(3), { square: true }),
  figure('right', 'triangles', spots(0, 0, 1, 1, 0, 1)),
  figure('square', 'four', spots(0, 0, 1, 0, 1, 1, 0, 1), { square: true }),
  figure('rectangle', 'four', spots(0, 0, 1, 0, 1, 1, 0, 1)),
  figure('parallelogram', 'four', spots(0.25, 0, 1, 0, 0.75, 1, 0, 1)),
  figure('rhombus', 'four', spots(0.5, 0, 1, 0.5, 0.5, 1, 0, 0.5)),
  figure('trapezium', 'four', spots(0.25, 0, 0.75, 0, 1, 1, 0, 1)),
  figure('kite', 'four', spots(0.5, 0, 1, 0.35, 0.5, 1, 0, 0.35)),
  ...[5, 6, 7, 8, 9, 10].map((n) => figure(`regular${n}`, 'regular', regular(n), { square: true })),
  figure('polygon', 'regular', []),
  figure('circle', 'round', spots(0, 0, 1, 1), { shape: ShapeKind.Ellipse, square: true }),
  figure('ellipse', 'round', spots(0, 0, 1, 1), { shape: ShapeKind.Ellipse }),
  figure('arc', 'round', spots(0, 1, 0.5, 0, 1, 1), { shape: ShapeKind.Arc }),
];

/** The figure in a box from one place to another; equal sides stay equal. */
export function figureIn(tool: FigureTool, from: Spot, to: Spot): ShapeBody {
  let [width, height] = [to.x - from.x, to.y - from.y];
  if (tool.square) {
    const side = Math.max(Math.abs(width), Math.abs(height));
    [width, height] = [side * (width < 0 ? -1 : 1), side * (height < 0 ? -1 : 1)];
  }
  return shapeOf(
    tool.shape,
    tool.corners.map((c) => ({ x: from.x + c.x * width, y: from.y + c.y * height })),
  );
}

export function shapeOf(shape: ShapeKind, corners: readonly Spot[]): ShapeBody {
  return { kind: 'shape', shape, points: corners.flatMap((c) => [Math.round(c.x), Math.round(c.y)]) };
}

/** A small picture of a figure, as a path in a box of 24. */
export function iconOf(tool: FigureTool): string {
  const corners = tool.corners.length > 0 ? tool.corners : spots(0, 0.9, 0.3, 0.1, 0.65, 0.75, 1, 0.2);
  const at = ({ x, y }: Spot) => `${(3 + 18 * x).toFixed(1)} ${(3 + 18 * y).toFixed(1)}`;
  if (tool.shape === ShapeKind.Ellipse) {
    const ry = tool.square ? 9 : 6;
    return `M3 12a9 ${ry} 0 1 0 18 0a9 ${ry} 0 1 0 -18 0`;
  }
  if (tool.shape === ShapeKind.Arc) return 'M3 19A9 13 0 0 1 21 19';
  const heads =
    (tool.looks & Looks.ArrowAtEnd ? 'M21 21h-7M21 21v-7' : '') +
    (tool.looks & Looks.ArrowAtStart ? 'M3 3h7M3 3v7' : '');
  return `M${corners.map(at).join('L')}${tool.shape === ShapeKind.Polygon ? 'Z' : ''}${heads}`;
}
