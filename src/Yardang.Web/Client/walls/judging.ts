// What is said of cards: the buttons with which students say it, and what all said, once they may know it.

import { type TemplateResult, html, nothing, svg } from 'lit-html';
import { fill } from '../page-data';
import { type Judgements } from '../room/judgements';
import type { Card } from '../room/wall-state';
import { type CardResult, JudgingKind } from '../wire/forms';
import { type WallSide, titleOf } from './wall-side';

/** Length of the bar that shows the shares. */
const BAR = 100;

export class JudgingView {
  private counted: Judgements | null = null;
  private counts = new Map<number, number[]>();

  constructor(private readonly sideOf: () => WallSide) {}

  private get side(): WallSide {
    return this.sideOf();
  }

  /** What is drawn for a card depends on this. */
  keyOf(card: Card): string {
    const { state, me } = this.side;
    const { judgements } = state;
    const mine = me.isStaff
      ? this.soFar(card)
      : [judgements.by(me.number, card.id), state.plan.rules.judging?.kind ?? 0];
    return JSON.stringify([this.mayJudge(card), this.isFull(card), mine, judgements.shownOf(card.id)]);
  }

  of(card: Card): TemplateResult {
    return html`${this.mayJudge(card) ? this.buttons(card) : nothing}${this.results(card)}`;
  }

  private mayJudge(card: Card): boolean {
    const { state, me, looksOnly } = this.side;
    return !looksOnly && this.side.mayWrite() && state.mayJudge(card.id, 0, me);
  }

  /** Whether somebody has chosen as many as each may, and not this one. */
  private isFull(card: Card): boolean {
    const { state, me } = this.side;
    return this.mayJudge(card) && !state.mayJudge(card.id, 1, me);
  }

  private buttons(card: Card): TemplateResult {
    const { state, me, texts } = this.side;
    const said = state.judgements.by(me.number, card.id);
    const values =
      state.plan.rules.judging!.kind === JudgingKind.Agree
        ? [texts.agree, texts.unsure, texts.disagree]
        : [said === 1 ? texts.chosen : texts.choose];
    return html`<div class="judge" role="group" aria-label=${fill(texts.judge, titleOf(card, texts))}>
      ${values.map(
        (words, at) =>
          html`<button
            type="button"
            aria-pressed=${said === at + 1}
            ?disabled=${this.isFull(card)}
            @click=${() => this.side.judge(card, said === at + 1 ? 0 : at + 1)}
          >
            ${words}
          </button>`,
      )}
    </div>`;
  }

  /** What all said of a card, in rounds. */
  results(card: Card): readonly TemplateResult[] {
    const known = this.known(card);
    return known.map((r, at) => this.result(r, known.length > 1, known[at - 1]));
  }

  /** What was shown, and to teachers also what is said so far. */
  private known(card: Card): readonly CardResult[] {
    const { state, me } = this.side;
    const { judgements } = state;
    const shown = judgements.shownOf(card.id);
    const counts = this.soFar(card);
    if (judgements.isShown || !me.isStaff || !counts) return shown;
    return [...shown, { round: judgements.round, card: card.id, counts }];
  }

  private soFar(card: Card): number[] | undefined {
    const { judgements } = this.side.state;
    if (this.counted !== judgements) {
      this.counted = judgements;
      this.counts = judgements.counts();
    }
    return this.counts.get(card.id);
  }

  /** By how much it is other than in the round before; nothing where cards were judged otherwise then. */
  private shift(counts: readonly number[], before: CardResult | undefined): string {
    if (before?.counts.length !== counts.length) return '';
    const signed = new Intl.NumberFormat(document.documentElement.lang, { signDisplay: 'exceptZero' });
    const by = counts.map((count, at) => signed.format(count - before.counts[at]!));
    const { shift, shiftChosen } = this.side.texts;
    return ` (${fill(counts.length === 1 ? shiftChosen : shift, ...by)})`;
  }

  private result({ round, counts }: CardResult, namesRound: boolean, before?: CardResult): TemplateResult {
    const { texts } = this.side;
    const words =
      counts.length === 1 ? fill(texts.chosenBy, counts[0]!) : fill(texts.said, counts[0]!, counts[1]!, counts[2]!);
    const all = counts.reduce((sum, c) => sum + c, 0);
    let from = 0;
    return html`<div class="judged">
      <p>
        ${namesRound ? html`<span>${fill(texts.round, round)}</span> ` : nothing}${words}${this.shift(counts, before)}
      </p>
      ${
        counts.length > 1 && all > 0
          ? html`<svg class="judged-bar" viewBox="0 0 ${BAR} 4" preserveAspectRatio="none" aria-hidden="true">
              ${counts.map((count, at) => {
                const [x, width] = [from, (count / all) * BAR];
                from += width;
                return svg`<rect class=${`judged-${at}`} x=${x} y="0" width=${width} height="4" />`;
              })}
            </svg>`
          : nothing
      }
    </div>`;
  }
}
