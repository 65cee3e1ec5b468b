// How cards stand together: the wordings of those that have joined one, from what it grew, and what grew from it.

import { type TemplateResult, html, nothing } from 'lit-html';
import css from '../../Pages/Student/together.css';
import { fill, plural } from '../page-data';
import { type Standing, mayJoin } from '../room/stacks';
import type { Card } from '../room/wall-state';
import { useStyles } from '../styles/with-script';
import type { CardChanging } from './card-changing';
import { tellOf } from './tell-of';
import { type WallSide, titleOf } from './wall-side';

useStyles(css);

export class Together {
  /** Of which cards all wordings are read. */
  private readonly opened = new Set<number>();

  /**
   * @param standing how cards stand now.
   * @param authorOf whose a card is, in words.
   * @param go brings a card into sight.
   */
  constructor(
    private readonly side: WallSide,
    private readonly standing: () => Standing,
    private readonly changing: CardChanging,
    private readonly authorOf: (card: Card) => string,
    private readonly go: (card: Card) => void,
  ) {}

  of(card: Card): TemplateResult {
    const standing = this.standing();
    const { texts } = this.side;
    const [sources, uses] = [standing.sourcesOf(card), standing.usesOf(card)];
    return html`${sources.length > 0 ? html`<p class="together-from">${texts.buildsOn} ${sources.map((c) => this.way(c))}</p>` : nothing}
    ${this.wordings(card, standing.of(card))}
    ${
      uses.length > 0
        ? html`<details class="together-uses">
            <summary>${plural(texts, 'builtOnBy', uses.length)}</summary>
            <ul>
              ${uses.map((c) => html`<li>${this.way(c)}</li>`)}
            </ul>
          </details>`
        : nothing
    }`;
  }

  /** The same without anything to press: for one card alone. */
  lines(card: Card): TemplateResult {
    const standing = this.standing();
    const { texts } = this.side;
    const [sources, within] = [standing.sourcesOf(card), standing.of(card)];
    return html`${
      sources.length > 0
        ? html`<p class="large-author">${texts.buildsOn} ${sources.map((c) => titleOf(c, texts)).join(' · ')}</p>`
        : nothing
    }
    ${
      within.length > 0
        ? html`<p class="large-author">${this.count(card, within)}</p>
            <ul class="large-wordings">
              ${within.map((c) => html`<li dir="auto" lang=${c.language || nothing}>${c.text} <small>${this.authorOf(c)}</small></li>`)}
            </ul>`
        : nothing
    }`;
  }

  private wordings(card: Card, within: readonly Card[]): TemplateResult | typeof nothing {
    if (within.length === 0) return nothing;
    const isBeingChanged = within.some((c) => c.id === this.changing.card);
    return html`<details
      class="together-said"
      ?open=${isBeingChanged || this.opened.has(card.id)}
      @toggle=${(e: Event) => this.toggled(card, e)}
    >
      <summary>${this.count(card, within)}</summary>
      <ul>
        ${within.map((c) => (c.id === this.changing.card ? this.changing.slip(c) : this.wording(c)))}
      </ul>
    </details>`;
  }

  private toggled(card: Card, { target }: Event): void {
    if ((target as HTMLDetailsElement).open) this.opened.add(card.id);
    else this.opened.delete(card.id);
  }

  private wording(card: Card): TemplateResult {
    const { state, me, texts, looksOnly } = this.side;
    const mayWrite = !looksOnly && this.side.mayWrite();
    return html`<li data-card=${card.id} tabindex="-1">
      <p dir="auto" lang=${card.language || nothing}>${titleOf(card, texts)}</p>
      <footer class="slip-foot">
        <span>${this.authorOf(card)}</span>
        <span class="slip-actions">
          ${
            !looksOnly && this.side.mayMove() && mayJoin(state, card.id, 0, me)
              ? html`<button
                  type="button"
                  class="button button-quiet slip-change"
                  aria-label=${fill(texts.aloneAgainOf, titleOf(card, texts))}
                  @click=${() => this.side.join(card, 0)}
                >
                  ${texts.aloneAgain}
                </button>`
              : nothing
          }
          ${
            mayWrite && state.mayChange(card.id, me)
              ? html`<button
                  type="button"
                  class="button button-quiet slip-change"
                  aria-label=${fill(texts.changeOf, titleOf(card, texts))}
                  @click=${() => this.changing.open(card)}
                >
                  ${texts.change}
                </button>`
              : nothing
          }
          ${tellOf(this.side, card)}
        </span>
      </footer>
    </li>`;
  }

  /** How many people say it, where it can be told whose cards are whose; else how many times it is said. */
  private count(card: Card, within: readonly Card[]): string {
    const all = [card, ...within];
    const areNamed = all.every((c) => c.byStaff || c.author !== 0);
    if (!areNamed) return fill(this.side.texts.saidTimes, all.length);
    const people = new Set(all.map((c) => (c.byStaff ? 0 : c.author)));
    return plural(this.side.texts, 'saidBy', people.size);
  }

  private way(card: Card): TemplateResult {
    return html`<button type="button" class="together-way" dir="auto" @click=${() => this.go(card)}>
      ${titleOf(card, this.side.texts)}
    </button>`;
  }
}
