// What is said of cards: the buttons with which students say it, and what all said, once they may know it.

import { type TemplateResult, html, nothing, svg } from 'lit-html';
import { fill, plural } from '../page-data';
import { type Judgements } from '../room/judgements';
import type { Card } from '../room/wall-state';
import { type CardResult, JudgingKind } from '../wire/forms';
import { whyOf } from './scoring';
import { type WallSide, titleOf } from './wall-side';

/** Length of the bar that shows the shares, and height of what shows the points. */
const BAR = 100;
const HIGH = 16;

export class JudgingView {
  private counted: Judgements | null = null;
  private counts = new Map<number, number[]>();

  constructor(private readonly sideOf: () => WallSide) {}

  private get side(): WallSide {
    return this.sideOf();
  }

  /** What is drawn for all cards depends on this, besides the plan. */
  commonKeys(): readonly unknown[] {
    const { state, me } = this.side;
    const { round, isShown, results } = state.judgements;
    const rule = state.plan.rules.judging;
    const hasChosenAll =
      rule?.kind === JudgingKind.Choose && state.judgements.chosenBy(me.number, (id) => state.isUp(id)) >= rule.choices;
    return [round, isShown, results, hasChosenAll];
  }

  /** What is drawn for a card depends on this, besides the card. */
  keyOf(card: Card): unknown {
    const { state, me } = this.side;
    return me.isStaff ? this.soFar(card)?.join() : state.judgements.saidBy(me.number, card.id);
  }

  mayJudge(card: Card): boolean {
    const { state, me, looksOnly } = this.side;
    return !looksOnly && this.side.mayWrite() && state.mayJudge(card.id, 0, me);
  }

  /** Whether somebody has chosen as many as each may, and not this one. */
  private isFull(card: Card): boolean {
    const { state, me } = this.side;
    return this.mayJudge(card) && !state.mayJudge(card.id, 1, me);
  }

  buttons(card: Card): TemplateResult {
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

  /** Who said what of it in this round, in words, where it is told: one line for each value, or for each score. */
  whoSaid(card: Card): readonly string[] {
    const { state, me, texts, nameOf } = this.side;
    if (!me.isStaff) return [];
    const { judgements } = state;
    const people = judgements.whoSaid(card.id);
    if (judgements.kind === JudgingKind.Score)
      return people.flatMap((some, at) =>
        some.map((p) => {
          const why = whyOf(judgements.saidBy(p, card.id)!, texts.restsOn);
          return `${fill(texts.pointsOf, at + 1, judgements.values)}: ${nameOf(p)}${why ? ` – ${why}` : ''}`;
        }),
      );
    const values = people.length === 1 ? [texts.chosen] : [texts.agree, texts.unsure, texts.disagree];
    return people.flatMap((some, at) => (some.length > 0 ? `${values[at]}: ${some.map(nameOf).join(', ')}` : []));
  }

  /** What was shown, and to teachers also what is said so far. */
  private known(card: Card): readonly CardResult[] {
    const { state, me } = this.side;
    const { judgements } = state;
    const shown = judgements.shownOf(card.id);
    const counts = this.soFar(card);
    if (judgements.isShown || !me.isStaff || !counts) return shown;
    const fair = judgements.kind === JudgingKind.Score ? meanOf(counts) : null;
    return [...shown, { round: judgements.round, card: card.id, counts, fair, reasons: [] }];
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
  private shift({ counts, fair }: CardResult, before: CardResult | undefined): string {
    if (before?.counts.length !== counts.length || (before.fair === null) !== (fair === null)) return '';
    const signed = new Intl.NumberFormat(document.documentElement.lang, {
      signDisplay: 'exceptZero',
      maximumFractionDigits: 1,
    });
    const { shift, shiftChosen } = this.side.texts;
    if (fair !== null) return ` (${fill(shiftChosen, signed.format(fair - before.fair!))})`;
    const by = counts.map((count, at) => signed.format(count - before.counts[at]!));
    return ` (${fill(counts.length === 1 ? shiftChosen : shift, ...by)})`;
  }

  private result(result: CardResult, namesRound: boolean, before?: CardResult): TemplateResult {
    const { texts } = this.side;
    const { round, counts, reasons } = result;
    const all = counts.reduce((sum, c) => sum + c, 0);
    return html`<div class="judged">
      <p>
        ${namesRound ? html`<span>${fill(texts.round, round)}</span> ` : nothing}${this.words(result, all)}${this.shift(result, before)}
      </p>
      ${counts.length > 1 && all > 0 ? (result.fair === null ? shares(counts, all) : spread(counts)) : nothing}
      ${
        reasons.length > 0
          ? html`<details>
              <summary>${plural(texts, 'reasons', reasons.length)}</summary>
              <ul>
                ${reasons.map((r) => html`<li dir="auto">${r.value} – ${whyOf({ reason: r.text, words: r.words }, texts.restsOn)}</li>`)}
              </ul>
            </details>`
          : nothing
      }
    </div>`;
  }

  private words({ counts, fair }: CardResult, all: number): string {
    const { texts } = this.side;
    if (fair !== null) {
      const number = new Intl.NumberFormat(document.documentElement.lang, { maximumFractionDigits: 1 });
      const [mean, evened] = [number.format(meanOf(counts)), number.format(fair)];
      const said = fill(texts.scoreMean, mean, counts.length, plural(texts, 'scores', all));
      return evened === mean ? said : `${said} · ${fill(texts.scoreFair, evened)}`;
    }
    return counts.length === 1
      ? fill(texts.chosenBy, counts[0]!)
      : fill(texts.said, counts[0]!, counts[1]!, counts[2]!);
  }
}

function meanOf(counts: readonly number[]): number {
  const all = counts.reduce((sum, c) => sum + c, 0);
  return counts.reduce((sum, count, at) => sum + count * (at + 1), 0) / all;
}

/** How many said each, beside one another. */
function shares(counts: readonly number[], all: number): TemplateResult {
  let from = 0;
  return html`<svg class="judged-bar" viewBox="0 0 ${BAR} 4" preserveAspectRatio="none" aria-hidden="true">
    ${counts.map((count, at) => {
      const [x, width] = [from, (count / all) * BAR];
      from += width;
      return svg`<rect class=${`judged-${at}`} x=${x} y="0" width=${width} height="4" />`;
    })}
  </svg>`;
}

/** How many gave each number of points, from the lowest. */
function spread(counts: readonly number[]): TemplateResult {
  const [most, each] = [Math.max(...counts), BAR / counts.length];
  return html`<svg class="judged-spread" viewBox="0 0 ${BAR} ${HIGH}" preserveAspectRatio="none" aria-hidden="true">
    ${counts.map((count, at) => {
      const height = Math.max(1, (count / most) * HIGH);
      return svg`<rect class="judged-0" x=${at * each + 1} y=${HIGH - height} width=${each - 2} height=${height} />`;
    })}
  </svg>`;
}
