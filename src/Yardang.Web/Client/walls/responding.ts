// Stamps with which everybody may respond to others' cards, and how many did.

import { type TemplateResult, html, nothing } from 'lit-html';
import { fill } from '../page-data';
import { mayRespond, respondedWith, responds } from '../room/quick-responses';
import type { Card } from '../room/wall-state';
import { STAMPS, STAMP_BOX, STAMP_PEN } from '../shapes/stamps';
import { textIn } from '../surface/in-language';
import type { QuickResponse } from '../wire/forms';
import { type WallSide, titleOf } from './wall-side';

export class Responding {
  constructor(private readonly sideOf: () => WallSide) {}

  private get side(): WallSide {
    return this.sideOf();
  }

  /** Those that are offered, each with how many responded with it; on one's own card those that somebody did. */
  of(card: Card): TemplateResult | typeof nothing {
    const { state, me, texts, looksOnly } = this.side;
    const offered = state.plan.rules.responses;
    const mayPress = !looksOnly && mayRespond(state, card, me);
    const shown = mayPress ? offered : offered.filter((r) => this.count(card, r) > 0);
    if (shown.length === 0) return nothing;
    return html`<div class="responses" role="group" aria-label=${fill(texts.respondTo, titleOf(card, texts))}>
      ${shown.map((r) => (mayPress ? this.button(card, r) : this.counted(card, r)))}
    </div>`;
  }

  /** What each stamp says. */
  legend(): TemplateResult | typeof nothing {
    const { responses } = this.side.state.plan.rules;
    if (responses.length === 0) return nothing;
    return html`<ul class="legend-stamps">
      ${responses.map((r) => html`<li>${drawn(r.stamp)}<span dir="auto">${this.wordsOf(r)}</span></li>`)}
    </ul>`;
  }

  /** Who responded to a card, by stamp, where it is told. */
  whoDid(card: Card): readonly string[] {
    const { state, texts, nameOf } = this.side;
    return state.plan.rules.responses.flatMap((r) => {
      const { people, byStaff } = respondedWith(card, r.stamp);
      const names = people
        .filter((p) => p !== 0)
        .map(nameOf)
        .filter(Boolean);
      if (byStaff) names.unshift(texts.teacher);
      return names.length > 0 ? [`${this.wordsOf(r)}: ${names.join(', ')}`] : [];
    });
  }

  private wordsOf({ stamp, says }: QuickResponse): string {
    const { read, written, texts } = this.side;
    return textIn(says, [read[0]], written) || (texts.stamps[stamp] ?? stamp);
  }

  private count(card: Card, { stamp }: QuickResponse): number {
    const { people, byStaff } = respondedWith(card, stamp);
    return people.length + (byStaff ? 1 : 0);
  }

  private button(card: Card, r: QuickResponse): TemplateResult {
    const { me } = this.side;
    const isOn = responds(card, r.stamp, me);
    const words = this.wordsOf(r);
    const count = this.count(card, r);
    return html`<button
      type="button"
      aria-pressed=${isOn}
      title=${words}
      aria-label=${count > 0 ? `${words}: ${count}` : words}
      ?disabled=${!this.side.mayChoose()}
      @click=${() => this.side.respond(card, r.stamp, !isOn)}
    >
      ${drawn(r.stamp)}${count > 0 ? html`<span>${count}</span>` : nothing}
    </button>`;
  }

  private counted(card: Card, r: QuickResponse): TemplateResult {
    const words = `${this.wordsOf(r)}: ${this.count(card, r)}`;
    return html`<span class="response" role="img" aria-label=${words} title=${this.wordsOf(r)}
      >${drawn(r.stamp)}<span>${this.count(card, r)}</span></span
    >`;
  }
}

function drawn(stamp: string): TemplateResult | typeof nothing {
  const drawing = STAMPS.find((s) => s.name === stamp);
  if (!drawing) return nothing;
  const around = STAMP_PEN;
  return html`<svg
    viewBox="${-around} ${-around} ${STAMP_BOX + 2 * around} ${STAMP_BOX + 2 * around}"
    aria-hidden="true"
  >
    <path class="stamp-line" d=${drawing.line} />
    <path class="stamp-fill" d=${drawing.fill} />
  </svg>`;
}
