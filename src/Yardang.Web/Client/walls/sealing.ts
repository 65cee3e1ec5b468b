// Where names are for nobody: that the seal of a card was broken, and for teachers what breaks it. Fetched where names are for nobody.

import { type TemplateResult, html, nothing } from 'lit-html';
import { live } from 'lit-html/directives/live.js';
import css from '../../Pages/Student/seal.css';
import { fill } from '../page-data';
import type { Card } from '../room/wall-state';
import { useStyles } from '../styles/with-script';
import { Drafts } from '../threads/drafts';
import { type WallSide, titleOf } from './wall-side';

useStyles(css);

/** Core's Seal. */
const REASON_LENGTH = 200;

export class Sealing {
  constructor(
    private readonly side: WallSide,
    private readonly refresh: (focus?: string) => void,
  ) {}

  of(card: Card): TemplateResult | typeof nothing {
    const { me, texts, looksOnly } = this.side;
    if (card.unsealed) return html`<p class="seal" dir="auto">${fill(texts.sealBroken, card.unsealed)}</p>`;
    return me.isStaff && !looksOnly && !card.byStaff && card.downBy === 0 ? this.form(card) : nothing;
  }

  private form(card: Card): TemplateResult {
    const { texts, drafts } = this.side;
    const place = Drafts.ofSeal(card.id);
    const reason = drafts.get(place);
    return html`<details class="seal">
      <summary aria-label=${`${texts.sealWhose}: ${titleOf(card, texts)}`}>${texts.sealWhose}</summary>
      <label class="slip-where"
        >${texts.sealReason}
        <input
          maxlength=${REASON_LENGTH}
          dir="auto"
          .value=${live(reason)}
          @input=${(e: Event) => {
            drafts.set(place, (e.target as HTMLInputElement).value);
            this.refresh();
          }}
      /></label>
      <button
        type="button"
        class="button button-small button-refuse"
        ?disabled=${!reason.trim() || !this.side.mayWrite()}
        @click=${() => {
          this.side.breakSeal(card, reason.trim());
          drafts.set(place, '');
        }}
      >
        ${texts.sealBreak}
      </button>
    </details>`;
  }
}
