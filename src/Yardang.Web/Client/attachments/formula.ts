// Formulas, as their author's screen drew them.

import { html } from 'lit-html';
import type { FormulaAttachment } from '../wire/forms';
import type { AttachmentKind } from './kind';

export const formula: AttachmentKind<FormulaAttachment> = {
  show: ({ width, height, source, outline }) =>
    html`<svg
      class="shown-formula"
      viewBox="0 0 ${width} ${height}"
      width="${width / 100}mm"
      role="img"
      aria-label=${source}
    >
      <path d=${outline} />
    </svg>`,
  said: ({ source }) => source,
  words: () => '',
};
