// Drawings: ink on a small sheet.

import { html, svg } from 'lit-html';
import { outlineInto } from '../ink/outline';
import { Looks } from '../room/marks';
import { highlighterColour, inkColour } from '../surface/palette';
import type { DrawingAttachment, DrawnStroke } from '../wire/forms';
import type { AttachmentKind } from './kind';

/** Size of the sheet, 1/100 mm. */
export const SHEET = { width: 8_000, height: 6_000 } as const;
const EVEN_PRESSURE = 128;

export const drawing: AttachmentKind<DrawingAttachment> = {
  show: ({ strokes, description }, { texts }) =>
    html`<svg
      class="shown-drawing"
      viewBox="0 0 ${SHEET.width} ${SHEET.height}"
      role="img"
      aria-label=${description || texts.drawing}
    >
      ${strokes.map(
        (s) => svg`<path d=${pathOf(s)} fill=${colourOf(s)} class=${isMarker(s) ? 'drawn-marker' : 'drawn-ink'} />`,
      )}
    </svg>`,
  said: ({ description }, texts) => description || texts.drawing,
  described: (attachment, description) => ({ ...attachment, description }),
  words: ({ description }) => description,
};

const paths = new WeakMap<DrawnStroke, string>();

/** The outline of a stroke as path data. */
export function pathOf(stroke: DrawnStroke): string {
  let data = paths.get(stroke);
  if (data === undefined)
    paths.set(stroke, (data = outlineInto(looked(stroke), stroke.style.width, new PathData()).data));
  return data;
}

export function colourOf({ style }: DrawnStroke): string {
  return isMarker({ style }) ? highlighterColour(style.colour) : inkColour(style.colour, false);
}

export function isMarker({ style }: Pick<DrawnStroke, 'style'>): boolean {
  return (style.looks & Looks.Highlighter) !== 0;
}

// Of even pressure where the pen is one of even width.
function looked({ points, style }: DrawnStroke): readonly number[] {
  const isEven = (style.looks & (Looks.FeltTip | Looks.Highlighter)) !== 0;
  return isEven ? points.map((v, i) => (i % 4 === 2 ? EVEN_PRESSURE : v)) : points;
}

/** Takes a path down as the data of an SVG path. */
class PathData {
  data = '';

  moveTo(x: number, y: number): void {
    this.data += `M${Math.round(x)} ${Math.round(y)}`;
  }

  quadraticCurveTo(cx: number, cy: number, x: number, y: number): void {
    this.data += `Q${Math.round(cx)} ${Math.round(cy)} ${Math.round(x)} ${Math.round(y)}`;
  }

  closePath(): void {
    this.data += 'Z';
  }
}
