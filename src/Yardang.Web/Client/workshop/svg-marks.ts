// SVG files taken apart: what they draw becomes shapes and texts that can be changed. Only geometry is read; scripts, styles, links and
// pictures inside are left out.

import { type NewMark, type Place, ShapeKind, type Style } from '../room/marks';
import { NOTE } from '../surface/palette';
import { fitText } from '../surface/text-fit';

type Drawn = Pick<NewMark, 'body' | 'style'>;

const DRAWING = new Set(['path', 'rect', 'circle', 'ellipse', 'line', 'polyline', 'polygon', 'text']);
const HOLDING = new Set(['svg', 'g']);
const KEPT = new Set(
  'd points x y x1 y1 x2 y2 cx cy r rx ry width height transform fill stroke stroke-width font-size viewBox'.split(' '),
);
const SVG = 'http://www.w3.org/2000/svg';
const MOST_ELEMENTS = 1500;
const MOST_CORNERS = 100;
const SHARE = 0.8;
const NOT_DRAWN: Place = { x: 0, y: 0, turn: 0 };

/** The marks of a file, fitted into the middle of a page; null if it cannot be read or holds nothing that can be drawn. */
export async function marksOfSvg(
  file: File,
  page: { width: number; height: number },
  language: string,
): Promise<Omit<NewMark, 'id' | 'grip' | 'tie'>[] | null> {
  // Nothing in a parsed file runs, but the browser's policy would note that it wanted to.
  const source = (await file.text()).replaceAll(/\son\w+\s*=\s*("[^"]*"|'[^']*')/gi, '');
  const parsed = new DOMParser().parseFromString(source, 'image/svg+xml');
  const root = parsed.documentElement;
  if (root.localName !== 'svg' || parsed.querySelector('parsererror')) return null;
  if (root.getElementsByTagName('*').length > MOST_ELEMENTS) return null;
  const clean = cleaned(root) as SVGSVGElement;
  clean.removeAttribute('width');
  clean.removeAttribute('height');
  clean.setAttribute('class', 'svg-measuring');
  document.body.append(clean);
  try {
    const all = [...clean.querySelectorAll<SVGGraphicsElement>([...DRAWING].join(','))];
    const box = clean.getBBox();
    if (all.length === 0 || box.width + box.height === 0) return null;
    const scale = SHARE * Math.min(page.width / Math.max(box.width, 1e-6), page.height / Math.max(box.height, 1e-6));
    const middle = new DOMMatrix()
      .translate(page.width / 2, page.height / 2)
      .scale(scale)
      .translate(-box.x - box.width / 2, -box.y - box.height / 2);
    const base = clean.getScreenCTM()!.inverse();
    const drawn = all.flatMap((element) => {
      const matrix = middle.multiply(base.multiply(element.getScreenCTM()!));
      return element instanceof SVGTextElement
        ? textOf(element, matrix, language)
        : element instanceof SVGGeometryElement
          ? shapesOf(element, matrix, styleOf(element, scale))
          : [];
    });
    return drawn.length === 0 ? null : drawn.map((d) => ({ ...d, place: NOT_DRAWN, scale: null, cuts: [] }));
  } finally {
    clean.remove();
  }
}

function cleaned(element: Element): Element {
  const copy = document.createElementNS(SVG, element.localName);
  for (const name of element.getAttributeNames())
    if (KEPT.has(name)) copy.setAttribute(name, element.getAttribute(name)!);
  if (element.localName === 'text') copy.textContent = element.textContent;
  else
    for (const child of element.children)
      if (DRAWING.has(child.localName) || HOLDING.has(child.localName)) copy.append(cleaned(child));
  return copy;
}

function styleOf(element: SVGElement, scale: number): Style {
  const { fill, stroke, strokeWidth } = getComputedStyle(element);
  const isFilled = fill !== 'none' && !(element instanceof SVGLineElement || element instanceof SVGPolylineElement);
  const width = stroke === 'none' ? 20 : Math.round(Number.parseFloat(strokeWidth) * scale);
  return { colour: 0, width: Math.min(600, Math.max(15, width)), fill: isFilled ? nearestFill(fill) : 0, looks: 0 };
}

function nearestFill(colour: string): number {
  const [r = 0, g = 0, b = 0] = (colour.match(/[\d.]+/g) ?? []).map(Number);
  const distance = (hex: string) => {
    const n = Number.parseInt(hex.slice(1), 16);
    return Math.hypot(r - (n >> 16), g - ((n >> 8) & 255), b - (n & 255));
  };
  return 1 + NOTE.reduce((best, hex, i) => (distance(hex) < distance(NOTE[best]!) ? i : best), 0);
}

function shapesOf(element: SVGGeometryElement, matrix: DOMMatrix, style: Style): Drawn[] {
  const upright = Math.abs(matrix.b) < 1e-6 && Math.abs(matrix.c) < 1e-6;
  if (upright && (element instanceof SVGCircleElement || element instanceof SVGEllipseElement)) {
    const box = element.getBBox();
    const corners = [box.x, box.y, box.x + box.width, box.y + box.height];
    return [{ body: { kind: 'shape', shape: ShapeKind.Ellipse, points: onPage(corners, matrix) }, style }];
  }
  return outlines(element).map(({ points, closed }) => {
    const isClosed = closed && points.length >= 6;
    const shape = isClosed ? ShapeKind.Polygon : ShapeKind.Line;
    return {
      body: { kind: 'shape', shape, points: onPage(points, matrix) },
      style: isClosed ? style : { ...style, fill: 0 },
    };
  });
}

/** Corners as they are, curves as places along them. A leap between two places is the beginning of another part. */
function outlines(element: SVGGeometryElement): { points: number[]; closed: boolean }[] {
  const given = element
    .getAttribute('points')
    ?.match(/-?[\d.]+(e-?\d+)?/gi)
    ?.map(Number);
  if (given && given.length >= 4 && given.length <= 2 * MOST_CORNERS)
    return [{ points: given.slice(0, given.length & ~1), closed: element instanceof SVGPolygonElement }];
  if (element instanceof SVGRectElement && element.rx.baseVal.value === 0) {
    const { x, y, width, height } = element.getBBox();
    return [{ points: [x, y, x + width, y, x + width, y + height, x, y + height], closed: true }];
  }
  if (element instanceof SVGLineElement) {
    const { x1, y1, x2, y2 } = element;
    return [{ points: [x1, y1, x2, y2].map((v) => v.baseVal.value), closed: false }];
  }
  const length = element.getTotalLength();
  if (!(length > 0)) return [];
  const step = length / (4 * MOST_CORNERS);
  const parts: { x: number; y: number }[][] = [[]];
  for (let i = 0; i <= 4 * MOST_CORNERS; i++) {
    const { x, y } = element.getPointAtLength(i * step);
    const last = parts.at(-1)!.at(-1);
    if (last && Math.hypot(x - last.x, y - last.y) > 1.5 * step) parts.push([]);
    parts.at(-1)!.push({ x, y });
  }
  return parts
    .filter((part) => part.length > 1)
    .map((part) => {
      const [first, last] = [part[0]!, part.at(-1)!];
      const closed = Math.hypot(first.x - last.x, first.y - last.y) < 1.5 * step;
      const every = Math.ceil(part.length / (MOST_CORNERS - 1));
      const kept = part.filter((_, i) => i % every === 0 || i === part.length - 1);
      return { points: (closed ? kept.slice(0, -1) : kept).flatMap(({ x, y }) => [x, y]), closed };
    })
    .filter(({ points }) => points.length >= 4);
}

function textOf(element: SVGTextElement, matrix: DOMMatrix, language: string): Drawn[] {
  const text = element.textContent?.replaceAll(/\s+/g, ' ').trim().slice(0, 1000);
  if (!text) return [];
  const box = element.getBBox();
  const at = matrix.transformPoint({ x: box.x, y: box.y });
  const size = Math.round(Number.parseFloat(getComputedStyle(element).fontSize) * Math.hypot(matrix.a, matrix.b));
  const fitted = fitText(text, Math.min(20_000, Math.max(100, size)), Infinity, 0);
  const words = { text, language, lines: fitted.lines, size: fitted.size };
  const { width, height } = fitted;
  const body = { kind: 'text' as const, x: Math.round(at.x), y: Math.round(at.y), width, height, words };
  return [{ body, style: { colour: 0, width: 0, fill: 0, looks: 0 } }];
}

function onPage(points: readonly number[], matrix: DOMMatrix): number[] {
  const placed: number[] = [];
  for (let i = 0; i + 1 < points.length; i += 2) {
    const { x, y } = matrix.transformPoint({ x: points[i]!, y: points[i + 1]! });
    placed.push(Math.round(x), Math.round(y));
  }
  return placed;
}
