// A teacher's hand on what students say of marks: how, how far it is, showing it, going on, a new round. And what students are told of it.

import { type TemplateResult, html, nothing } from 'lit-html';
import { fill, plural } from '../page-data';
import type { MarkChoice } from '../room/mark-choice';
import type { Command } from '../room/wire';
import { type Judging, JudgingKind } from '../wire/forms';
import type { BoardTalkTexts } from './talk-panel';

const MOST_CHOICES = 50;
const USUAL_CHOICES = 3;

export class MarkJudging {
  private choices = USUAL_CHOICES;

  /** @param refresh draws it anew. */
  constructor(
    private readonly choice: () => MarkChoice,
    private readonly submit: (command: Command) => void,
    private readonly nameOf: (actor: number) => string,
    private readonly texts: BoardTalkTexts,
    private readonly refresh: () => void,
  ) {}

  /** To students: what is asked of them. */
  explain(): TemplateResult | typeof nothing {
    const { rule, judgements } = this.choice();
    if (!rule || judgements.isShown) return nothing;
    const { texts } = this;
    const asks = rule.kind === JudgingKind.Agree ? texts.judgingAgree : fill(texts.judgingChoose, rule.choices);
    // Of others a student is told nothing.
    const isOut = judgements.leftOut.size > 0;
    return html`<p><b>${asks}</b> ${isOut ? texts.judgeNotCounted : texts.judgingHow}</p>`;
  }

  draw(): TemplateResult {
    const { texts } = this;
    const { rule } = this.choice();
    return html`<section class="talk-judging" aria-label=${texts.judgingHeading}>
      <h3>${texts.judgingHeading}</h3>
      ${rule ? this.going(rule) : this.beginning()}
    </section>`;
  }

  private beginning(): TemplateResult {
    const { texts } = this;
    return html`<label class="talk-many"
        >${texts.howMany}
        <input
          type="number"
          min="1"
          max=${MOST_CHOICES}
          .value=${String(this.choices)}
          @change=${(e: Event) => {
            const asked = Math.round(Number((e.target as HTMLInputElement).value));
            this.choices = Math.min(MOST_CHOICES, Math.max(1, asked || USUAL_CHOICES));
            this.refresh();
          }}
      /></label>
      <div class="slip-do">
        <button type="button" class="button button-small button-main" @click=${() => this.begin(JudgingKind.Choose)}>
          ${texts.letChoose}
        </button>
        <button type="button" class="button button-small" @click=${() => this.begin(JudgingKind.Agree)}>
          ${texts.letAgree}
        </button>
      </div>`;
  }

  private going(rule: Judging): TemplateResult {
    const { texts } = this;
    const { judgements } = this.choice();
    const people = judgements.peopleWhoJudged();
    const count = people === 0 ? texts.judgedNobody : plural(texts, 'judgedSome', people);
    const asks = rule.kind === JudgingKind.Agree ? texts.judgingAgree : fill(texts.judgingChoose, rule.choices);
    const goOn = (newRound: boolean) => this.submit({ kind: 'goOnJudging', newRound });
    return html`<p role="status">
        <b>${asks}</b> ${fill(judgements.isShown ? texts.judgingOver : texts.judgingNow, judgements.round)} ${count}
      </p>
      <div class="slip-do">
        ${
          judgements.isShown
            ? html`<button type="button" class="button button-small" @click=${() => goOn(false)}>
                  ${texts.goOnJudging}
                </button>
                ${
                  judgements.mayGoOn(true)
                    ? html`<button type="button" class="button button-small" @click=${() => goOn(true)}>
                        ${texts.newRound}
                      </button>`
                    : nothing
                }`
            : html`<button
                type="button"
                class="button button-small button-main"
                @click=${() => this.submit({ kind: 'showResults' })}
              >
                ${texts.showResults}
              </button>`
        }
        <button
          type="button"
          class="button button-small button-quiet"
          @click=${() => this.submit({ kind: 'setMarkJudging', judging: null })}
        >
          ${texts.endJudging}
        </button>
      </div>
      ${this.judges()}`;
  }

  /** Whose word counts, and whose does not. */
  private judges(): TemplateResult | typeof nothing {
    const { texts } = this;
    const { judgements } = this.choice();
    const judges = [...judgements.judges()].sort(([a], [b]) => a - b);
    if (judges.length === 0) return nothing;
    return html`<details>
      <summary class="button button-small button-quiet">${texts.judgeWho}</summary>
      <ul>
        ${judges.map(([person, count]) => {
          const isOut = judgements.leftOut.has(person);
          const doing = isOut ? texts.judgeIn : texts.judgeOut;
          const name = this.nameOf(person);
          return html`<li>
            <span dir="auto">${name}</span> <small>${plural(texts, 'judgedBy', count)}</small>
            <button
              type="button"
              class="button button-small button-quiet"
              aria-pressed=${isOut}
              aria-label=${`${doing}: ${name}`}
              ?disabled=${judgements.isShown}
              @click=${() => this.submit({ kind: 'leaveOutJudge', person, out: !isOut })}
            >
              ${doing}
            </button>
          </li>`;
        })}
      </ul>
    </details>`;
  }

  private begin(kind: JudgingKind): void {
    this.submit({ kind: 'setMarkJudging', judging: { kind, choices: this.choices, criterion: null } });
  }
}
