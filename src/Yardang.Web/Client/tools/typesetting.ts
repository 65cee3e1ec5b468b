// Formulas: LaTeX set by MathJax into one path, which is kept with the mark, so that no other screen or print needs to typeset it.
// A part of its own: loaded when the first formula is written.

import { LiteElement } from 'mathjax-full/js/adaptors/lite/Element.js';
import { liteAdaptor } from 'mathjax-full/js/adaptors/liteAdaptor.js';
import { RegisterHTMLHandler } from 'mathjax-full/js/handlers/html.js';
import { TeX } from 'mathjax-full/js/input/tex.js';
import 'mathjax-full/js/input/tex/ams/AmsConfiguration.js';
import 'mathjax-full/js/input/tex/base/BaseConfiguration.js';
import { mathjax } from 'mathjax-full/js/mathjax.js';
import { SVG } from 'mathjax-full/js/output/svg.js';

export interface Typeset {
  /** At a type size of 1. */
  readonly width: number;
  readonly height: number;
  /** Path data at a type size of `size`, from the top left corner. */
  outline(size: number): string;
}

/** x' = a x + e, y' = d y + f: MathJax turns and skews nothing. */
interface Transform {
  readonly a: number;
  readonly d: number;
  readonly e: number;
  readonly f: number;
}

type Segment = readonly [letter: string, ...numbers: number[]];

const EM = 1000;
const adaptor = liteAdaptor();
RegisterHTMLHandler(adaptor);
const html = mathjax.document('', {
  InputJax: new TeX({ packages: ['base', 'ams'], formatError: (_: unknown, error: Error) => fail(error) }),
  OutputJax: new SVG({ fontCache: 'none', internalSpeechTitles: false }),
});

function fail(error: Error): never {
  throw error;
}

/** The formula as a drawing. Throws an Error with a sentence if it cannot be read. */
export function typeset(source: string): Typeset {
  const svg = adaptor.firstChild(html.convert(source, { display: true }) as LiteElement) as LiteElement;
  const [left, top, width, height] = String(svg.attributes['viewBox']).split(' ').map(Number) as [
    number,
    number,
    number,
    number,
  ];
  const segments: Segment[] = [];
  collect(svg, { a: 1, d: 1, e: -left, f: -top }, segments);
  if (segments.length === 0) throw new Error('');
  return {
    width: width / EM,
    height: height / EM,
    outline: (size) =>
      segments.map(([letter, ...n]) => letter + n.map((v) => Math.round((v * size) / EM)).join(' ')).join(''),
  };
}

function collect(element: LiteElement, outer: Transform, segments: Segment[]): void {
  const transform = inside(outer, String(element.attributes['transform'] ?? ''));
  const number = (name: string) => Number(element.attributes[name] ?? 0);
  if (element.kind === 'path') readPath(String(element.attributes['d'] ?? ''), transform, segments);
  if (element.kind === 'rect') {
    const [x, y, w, h] = [number('x'), number('y'), number('width'), number('height')];
    readPath(`M${x} ${y}H${x + w}V${y + h}H${x}Z`, transform, segments);
  }
  for (const child of element.children)
    if (child instanceof LiteElement) collect(child, nested(child, transform), segments);
}

// A drawing within the drawing, with a view box of its own: a brace or an arrow that was stretched.
function nested(element: LiteElement, outer: Transform): Transform {
  const { x, y, width, height, viewBox } = element.attributes as Record<string, string | undefined>;
  if (element.kind !== 'svg' || !viewBox) return outer;
  const [left = 0, top = 0, across = 1, down = 1] = viewBox.split(' ').map(Number);
  const [sx, sy] = [Number(width) / across, Number(height) / down];
  const { a, d, e, f } = outer;
  return { a: a * sx, d: d * sy, e: e + (Number(x ?? 0) - left * sx) * a, f: f + (Number(y ?? 0) - top * sy) * d };
}

function inside(outer: Transform, text: string): Transform {
  let { a, d, e, f } = outer;
  for (const [, kind, list] of text.matchAll(/(translate|scale)\(([^)]*)\)/g)) {
    const [x = 0, y] = list!.split(/[\s,]+/).map(Number);
    if (kind === 'translate') [e, f] = [e + x * a, f + (y ?? 0) * d];
    else [a, d] = [a * x, d * (y ?? x)];
  }
  return { a, d, e, f };
}

// MathJax's glyphs are made of M, L, H, V, Q, T and Z, all absolute.
function readPath(data: string, { a, d, e, f }: Transform, segments: Segment[]): void {
  let [x, y] = [0, 0];
  let control: readonly [number, number] | null = null;
  const px = (v: number) => v * a + e;
  const py = (v: number) => v * d + f;
  for (const [, letter, list] of data.matchAll(/([MLHVQTCZ])([^A-Z]*)/gi)) {
    const n = (list!.match(/-?[\d.]+/g) ?? []).map(Number);
    const kind = letter!.toUpperCase();
    if (kind === 'Z') {
      segments.push(['Z']);
      continue;
    }
    if (kind === 'Q' || kind === 'T') {
      const cx: number = kind === 'Q' ? n[0]! : control ? 2 * x - control[0] : x;
      const cy: number = kind === 'Q' ? n[1]! : control ? 2 * y - control[1] : y;
      control = [cx, cy];
      [x, y] = [n.at(-2)!, n.at(-1)!];
      segments.push(['Q', px(cx), py(cy), px(x), py(y)]);
      continue;
    }
    control = null;
    if (kind === 'C') {
      segments.push(['C', ...n.map((v, i) => (i % 2 === 0 ? px(v) : py(v)))]);
      [x, y] = [n.at(-2)!, n.at(-1)!];
      continue;
    }
    if (kind === 'H') x = n[0]!;
    else if (kind === 'V') y = n[0]!;
    else [x, y] = [n[0]!, n[1]!];
    segments.push([kind === 'M' ? 'M' : 'L', px(x), py(y)]);
  }
}
