// What is said of cards or marks: the buttons with which students say it, and what all said, once they may know it.

import { type TemplateResult, html, nothing, svg } from 'lit-html';
import { fill, plural } from '../page-data';
import type { Judgements, Said } from '../room/judgements';
import type { Me } from '../room/sheets';
import { type CardResult, type Judging, JudgingKind } from '../wire/forms';

export interface JudgingTexts {
  readonly agree: string;
  readonly unsure: string;
  readonly disagree: string;
  readonly choose: string;
  readonly chosen: string;
  /** "What do you say to this card: {0}" */
  readonly judge: string;
  readonly said: string;
  readonly chosenBy: string;
  readonly chosenByOne: string;
  readonly round: string;
  readonly shift: string;
  readonly shiftChosen: string;
  readonly pointsOf: string;
  readonly restsOn: string;
  readonly scoreMean: string;
  readonly scores: string;
  readonly scoresOne: string;
  readonly scoreFair: string;
  readonly reasons: string;
  readonly reasonsOne: string;
}

/** Where it is judged, and what is done there. */
export interface JudgingSide<A extends { readonly id: number }> {
  readonly texts: JudgingTexts;
  readonly me: Me;
  readonly looksOnly: boolean;
  readonly rule: Judging | null;
  /** Of how many each may say something, where they are not chosen; 0 for no number. */
  readonly most: number;
  readonly judgements: Judgements;
  titleOf(about: A): string;
  nameOf(actor: number): string;
  mayChoose(): boolean;
  mayJudge(about: A, value: number): boolean;
  /** Whether something can be judged. */
  isUp(id: number): boolean;
  judge(about: A, value: number): void;
}

/** Length of the bar that shows the shares, and height of what shows the points. */
const BAR = 100;
const HIGH = 16;

export class JudgingView<A extends { readonly id: number }> {
  private counted: Judgements | null = null;
  private counts = new Map<number, number[]>();

  constructor(private readonly side: JudgingSide<A>) {}

  /** What is drawn for all cards depends on this, besides the plan. */
  commonKeys(): readonly unknown[] {
    const { me, judgements, rule, most } = this.side;
    const { round, isShown, results } = judgements;
    const limit = rule?.kind === JudgingKind.Choose ? rule.choices : most;
    const hasChosenAll = limit > 0 && judgements.chosenBy(me.number, (id) => this.side.isUp(id)) >= limit;
    return [round, isShown, results, hasChosenAll];
  }

  /** What is drawn for a about depends on this, besides the about. */
  keyOf(about: A): unknown {
    const { me, judgements } = this.side;
    return me.isStaff ? this.soFar(about)?.join() : judgements.saidBy(me.number, about.id);
  }

  mayJudge(about: A): boolean {
    return !this.side.looksOnly && this.side.mayChoose() && this.side.mayJudge(about, 0);
  }

  /** Whether somebody has chosen as many as each may, and not this one. */
  private isFull(about: A): boolean {
    return this.mayJudge(about) && !this.side.mayJudge(about, 1);
  }

  buttons(about: A): TemplateResult {
    const { me, texts, judgements, rule } = this.side;
    const said = judgements.by(me.number, about.id);
    const values =
      rule!.kind === JudgingKind.Agree
        ? [texts.agree, texts.unsure, texts.disagree]
        : [said === 1 ? texts.chosen : texts.choose];
    return html`<div class="judge" role="group" aria-label=${fill(texts.judge, this.side.titleOf(about))}>
      ${values.map(
        (words, at) =>
          html`<button
            type="button"
            aria-pressed=${said === at + 1}
            ?disabled=${this.isFull(about)}
            @click=${() => this.side.judge(about, said === at + 1 ? 0 : at + 1)}
          >
            ${words}
          </button>`,
      )}
    </div>`;
  }

  /** What all said of something, in rounds. */
  results(about: A): readonly TemplateResult[] {
    const known = this.known(about);
    return known.map((r, at) => this.result(r, known.length > 1, known[at - 1]));
  }

  /** Who said what of it in this round, in words, where it is told: one line for each value, or for each score. */
  whoSaid(about: A): readonly string[] {
    const { me, texts, judgements } = this.side;
    const nameOf = (actor: number) => this.side.nameOf(actor);
    if (!me.isStaff) return [];
    const people = judgements.whoSaid(about.id);
    if (judgements.kind === JudgingKind.Score)
      return people.flatMap((some, at) =>
        some.map((p) => {
          const why = whyOf(judgements.saidBy(p, about.id)!, texts.restsOn);
          return `${fill(texts.pointsOf, at + 1, judgements.values)}: ${nameOf(p)}${why ? ` – ${why}` : ''}`;
        }),
      );
    const values = people.length === 1 ? [texts.chosen] : [texts.agree, texts.unsure, texts.disagree];
    return people.flatMap((some, at) => (some.length > 0 ? `${values[at]}: ${some.map(nameOf).join(', ')}` : []));
  }

  /** What was shown, and to teachers also what is said so far. */
  private known(about: A): readonly CardResult[] {
    const { me, judgements } = this.side;
    const shown = judgements.shownOf(about.id);
    const counts = this.soFar(about);
    if (judgements.isShown || !me.isStaff || !counts) return shown;
    const fair = judgements.kind === JudgingKind.Score ? meanOf(counts) : null;
    return [...shown, { round: judgements.round, card: about.id, counts, fair, reasons: [] }];
  }

  private soFar(about: A): number[] | undefined {
    const { judgements } = this.side;
    if (this.counted !== judgements) {
      this.counted = judgements;
      this.counts = judgements.counts();
    }
    return this.counts.get(about.id);
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
      ? plural(texts, 'chosenBy', counts[0]!)
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

/** What somebody said beside their points. */
export function whyOf({ reason, words }: Pick<Said, 'reason' | 'words'>, restsOn: string): string {
  return [reason, words && fill(restsOn, words)].filter(Boolean).join(' ');
}
