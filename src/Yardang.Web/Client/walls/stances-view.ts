// Where one stands on the question of the wall: at first, and asked again, with the card that moved one; and who moved where, once it is shown.

import { type TemplateResult, html, nothing, render } from 'lit-html';
import { live } from 'lit-html/directives/live.js';
import css from '../../Pages/Student/stances.css';
import { fill, plural } from '../page-data';
import { mayHaveMoved, stanceOf } from '../room/stances';
import type { Card } from '../room/wall-state';
import { useStyles } from '../styles/with-script';
import { textIn } from '../surface/in-language';
import { type StanceShifts, StanceStage } from '../wire/forms';
import { type WallSide, titleOf } from './wall-side';

useStyles(css);

/** Letters of what a card is called in a list. */
const TITLE = 60;

export class StancesView {
  /**
   * @param seen the cards that are up, as far as they are seen here.
   * @param go brings a card into sight.
   */
  constructor(
    private readonly side: WallSide,
    private readonly seen: () => readonly Card[],
    private readonly go: (card: Card) => void,
  ) {}

  drawIn(root: HTMLElement): void {
    const { stances, plan } = this.side.state;
    const isAsked = !this.side.me.isStaff && !this.side.looksOnly;
    const drawn = stances.shown ? this.shifts(stances.shown) : isAsked ? this.asked() : nothing;
    render(plan.rules.stances.length > 0 ? drawn : nothing, root);
  }

  private wordsOf(at: number): string {
    const { state, read, written } = this.side;
    return textIn(state.plan.rules.stances[at - 1] ?? {}, [read[0]], written) || String(at);
  }

  private asked(): TemplateResult {
    const { state, me, texts } = this.side;
    const { first, second } = stanceOf(state.stances, me.number);
    const isAgain = state.stances.stage === StanceStage.Again;
    const now = isAgain ? second : first;
    return html`<section class="stances" aria-labelledby="stance-question">
      <h2 id="stance-question">${isAgain && first > 0 ? texts.stanceAgain : texts.stanceFirst}</h2>
      ${isAgain && first > 0 ? html`<p>${fill(texts.stanceWas, this.wordsOf(first))}</p>` : nothing}
      <div class="stances-choice" role="radiogroup" aria-labelledby="stance-question">
        ${state.plan.rules.stances.map(
          (_, i) =>
            html`<label dir="auto"
              ><input
                type="radio"
                name="stance"
                .checked=${live(now === i + 1)}
                ?disabled=${!this.side.mayChoose()}
                @change=${() => this.take(i + 1)}
              />${this.wordsOf(i + 1)}</label
            >`,
        )}
        ${
          now > 0
            ? html`<button
                type="button"
                class="button button-small button-quiet"
                ?disabled=${!this.side.mayChoose()}
                @click=${() => this.side.takeStance(0, 0)}
              >
                ${texts.stanceTakeBack}
              </button>`
            : nothing
        }
      </div>
      ${isAgain && first > 0 && second > 0 && first !== second ? this.movedBy() : nothing}
    </section>`;
  }

  /** The same position as before, and nothing has moved me. */
  private take(at: number): void {
    const { stances } = this.side.state;
    const { first, moved } = stanceOf(stances, this.side.me.number);
    this.side.takeStance(at, stances.stage === StanceStage.First || at === first ? 0 : moved);
  }

  private movedBy(): TemplateResult {
    const { state, me, texts } = this.side;
    const { second, moved } = stanceOf(state.stances, me.number);
    const cards = this.seen().filter((c) => mayHaveMoved(state, c.id, me));
    return html`<label class="stances-moved"
      >${texts.stanceMovedBy}
      <select
        ?disabled=${!this.side.mayChoose()}
        @change=${(e: Event) => this.side.takeStance(second, Number((e.target as HTMLSelectElement).value))}
      >
        <option value="0" .selected=${live(moved === 0)}>${texts.stanceNoCard}</option>
        ${cards.map((c) => html`<option value=${c.id} .selected=${live(moved === c.id)}>${this.calledOf(c)}</option>`)}
      </select></label
    >`;
  }

  private calledOf(card: Card): string {
    const title = titleOf(card, this.side.texts);
    return title.length > TITLE ? `${title.slice(0, TITLE)}…` : title;
  }

  private shifts({ table, cards }: StanceShifts): TemplateResult {
    const { state, texts } = this.side;
    const positions = state.plan.rules.stances.map((_, i) => i + 1);
    const count = (from: number, to: number) => table[(from - 1) * positions.length + to - 1]!;
    const sum = (numbers: readonly number[]) => numbers.reduce((a, b) => a + b, 0);
    const at = (p: number) =>
      [sum(positions.map((to) => count(p, to))), sum(positions.map((from) => count(from, p)))] as const;
    const people = sum(table);
    const elsewhere = people - sum(positions.map((p) => count(p, p)));
    const signed = new Intl.NumberFormat(document.documentElement.lang, { signDisplay: 'exceptZero' });
    return html`<section class="stances" aria-labelledby="stance-question">
      <h2 id="stance-question">${texts.stanceShift}</h2>
      <p>${fill(texts.stanceElsewhere, elsewhere, people)}</p>
      <div class="stances-table" tabindex="0" role="group" aria-labelledby="stance-question">
        <table>
          <thead>
            <tr>
              <td></td>
              ${positions.map((p) => html`<th scope="col" dir="auto">${fill(texts.stanceNow, this.wordsOf(p))}</th>`)}
              <th scope="col">${texts.stanceAll}</th>
            </tr>
          </thead>
          <tbody>
            ${positions.map(
              (from) =>
                html`<tr>
                  <th scope="row" dir="auto">${fill(texts.stanceWas, this.wordsOf(from))}</th>
                  ${positions.map((to) => html`<td ?data-stays=${from === to}>${count(from, to)}</td>`)}
                  <td>${at(from)[0]}</td>
                </tr>`,
            )}
          </tbody>
          <tfoot>
            <tr>
              <th scope="row">${texts.stanceAll}</th>
              ${positions.map((p) => html`<td>${at(p)[1]} (${signed.format(at(p)[1] - at(p)[0])})</td>`)}
              <td>${people}</td>
            </tr>
          </tfoot>
        </table>
      </div>
      ${this.moving(cards)}
    </section>`;
  }

  private moving(cards: StanceShifts['cards']): TemplateResult | typeof nothing {
    const { state, texts } = this.side;
    const there = cards.flatMap(({ card, people }) => {
      const found = state.cards.get(card);
      return found?.downBy === 0 ? { card: found, people } : [];
    });
    if (there.length === 0) return nothing;
    return html`<h3>${texts.stanceMost}</h3>
      <ol>
        ${there.map(
          ({ card, people }) =>
            html`<li>
              <button type="button" class="button button-quiet" dir="auto" @click=${() => this.go(card)}>
                ${this.calledOf(card)}
              </button>
              ${plural(texts, 'stancePeople', people)}
            </li>`,
        )}
      </ol>`;
  }
}
