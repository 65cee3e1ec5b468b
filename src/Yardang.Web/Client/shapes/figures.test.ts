import assert from 'node:assert/strict';
import { test } from 'node:test';
import { Looks } from '../room/marks';
import { FIGURES, figureIn, iconOf } from './figures';
import { boundsOf } from './placed';
import { type Figure, figureOf } from './measures';

const named: Record<string, Figure> = {
  line: 'Line',
  arrow: 'Line',
  doubleArrow: 'Line',
  scalene: 'ScaleneTriangle',
  isosceles: 'IsoscelesTriangle',
  equilateral: 'EquilateralTriangle',
  right: 'RightTriangle',
  square: 'Square',
  rectangle: 'Rectangle',
  parallelogram: 'Parallelogram',
  rhombus: 'Rhombus',
  trapezium: 'Trapezium',
  kite: 'Kite',
  regular5: 'RegularPolygon',
  regular6: 'RegularPolygon',
  regular7: 'RegularPolygon',
  regular8: 'RegularPolygon',
  regular9: 'RegularPolygon',
  regular10: 'RegularPolygon',
  circle: 'Circle',
  ellipse: 'Ellipse',
  arc: 'Arc',
};

const tool = (name: string) => FIGURES.find((f) => f.name === name)!;

test('each figure that is dragged is, by its measures, what its button says', () => {
  for (const [name, figure] of Object.entries(named))
    assert.equal(figureOf(figureIn(tool(name), { x: 0, y: 0 }, { x: 7000, y: 4000 }), null), figure, name);
});

test('equal sides stay equal however the box is dragged', () => {
  for (const name of ['square', 'circle', 'equilateral', 'regular6'])
    for (const to of [
      { x: 3000, y: 900 },
      { x: -2000, y: 5000 },
      { x: -4000, y: -100 },
    ])
      assert.equal(figureOf(figureIn(tool(name), { x: 0, y: 0 }, to), null), named[name], name);
});

test('a figure fills the box that was dragged', () => {
  const body = figureIn(tool('rectangle'), { x: 5000, y: 4000 }, { x: 1000, y: 1500 });
  const box = boundsOf({ body, place: { x: 0, y: 0, turn: 0 }, scale: null });
  assert.deepEqual(box, { x: 1000, y: 1500, width: 4000, height: 2500 });
});

test('arrows have their heads, and every figure has a picture of its own', () => {
  assert.equal(tool('arrow').looks, Looks.ArrowAtEnd);
  assert.equal(tool('doubleArrow').looks, Looks.ArrowAtStart | Looks.ArrowAtEnd);
  const icons = FIGURES.filter((f) => !['square', 'rectangle', 'polyline', 'polygon'].includes(f.name)).map(iconOf);
  assert.equal(new Set(icons).size, icons.length);
});
