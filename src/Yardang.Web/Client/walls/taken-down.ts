// Cards that were taken down, as far as somebody still sees them: what may be put back, and what a teacher says of them.

import { type TemplateResult, html, nothing } from 'lit-html';
import { repeat } from 'lit-html/directives/repeat.js';
import { show } from '../attachments';
import { fill } from '../page-data';
import type { Card } from '../room/wall-state';
import type { Down, WallSide } from './wall-side';

export class TakenDownCards {
  constructor(
    private readonly side: WallSide,
    private readonly authorOf: (card: Card) => string,
    private readonly refresh: () => void,
  ) {}

  list(down: readonly Card[]): TemplateResult {
    const { texts } = this.side;
    return html`<details class="taken-down">
      <summary>${fill(texts.takenDown, down.length)}</summary>
      <ul class="slips">
        ${repeat(
          down,
          (c) => c.id,
          (c) => this.card(c),
        )}
      </ul>
    </details>`;
  }

  /** What I took down just now, with what else can be done about it. */
  just(): TemplateResult | typeof nothing {
    const { state, texts } = this.side;
    const down = this.side.justDown.filter(({ card, answer }) => this.isDown(card, answer));
    const [first] = down;
    if (!first || !this.side.mayWrite()) return nothing;
    const { moderation } = texts;
    const card = state.cards.get(first.card)!;
    const author = first.answer ? state.findAnswer(first.card, first.answer)!.author : card.author;
    const name = this.side.nameOf(author) || moderation.itsAuthor;
    return html`<div class="just-down" role="status">
      <p>${down.length === 1 ? fill(moderation.justDown, name) : fill(moderation.justDownMany, name, down.length)}</p>
      <p class="slip-actions">
        <button type="button" class="button button-small" @click=${() => down.forEach((thing) => this.putBack(thing))}>
          ${moderation.undo}
        </button>
        ${down.length === 1 && first.answer === 0 ? this.why(card) : nothing}
        <button type="button" class="button button-small button-quiet" @click=${() => this.close()}>
          ${moderation.close}
        </button>
      </p>
    </div>`;
  }

  private isDown(id: number, answer: number): boolean {
    const { state } = this.side;
    const thing = answer ? state.findAnswer(id, answer) : state.cards.get(id);
    return thing !== undefined && thing.downBy !== 0;
  }

  private putBack({ card: id, answer: said }: Down): void {
    const { state } = this.side;
    const card = state.cards.get(id)!;
    if (said === 0) this.side.putBack(card);
    else this.side.putAnswerBack(card, state.findAnswer(id, said)!);
  }

  private close(): void {
    this.side.justDown = [];
    this.refresh();
  }

  private why(card: Card): TemplateResult {
    const now = { words: card.downWhy, removes: card.removed };
    return this.side.moderating.whyButton(this.authorOf(card), now, ({ words, removes }) =>
      this.side.takeDown(card, words, removes),
    );
  }

  private card(c: Card): TemplateResult {
    const { me, texts } = this.side;
    const { moderation } = texts;
    const isGone = c.removed && !me.isStaff;
    return html`<li class="slip" data-card=${c.id}>
      <div class="slip-words" dir="auto" lang=${c.language || nothing}>
        ${isGone ? html`<p><i>${moderation.notShown}</i></p>` : html`<p>${c.text}</p>`}
        ${isGone ? nothing : c.attachments.map((a) => show(a, this.side))}
      </div>
      ${c.downWhy ? html`<p class="slip-why" dir="auto">${c.downWhy}</p>` : nothing}
      <footer class="slip-foot">
        <span
          >${me.isStaff ? this.authorOf(c) : c.downBy === me.number ? texts.yours : texts.takenDownByTeacher}${me.isStaff && c.removed ? html` · ${moderation.notForAuthor}` : nothing}</span
        >
        <span class="slip-actions">
          ${me.isStaff && !c.byStaff && this.side.mayWrite() ? this.why(c) : nothing}
          ${
            this.mayPutBack(c)
              ? html`<button type="button" class="button button-quiet slip-change" @click=${() => this.side.putBack(c)}>
                  ${texts.putBack}
                </button>`
              : nothing
          }
        </span>
      </footer>
    </li>`;
  }

  private mayPutBack(card: Card): boolean {
    const { state, me } = this.side;
    if (!this.side.mayWrite()) return false;
    return me.isStaff || (card.downBy === me.number && !state.isFull(me.number, card.topic));
  }
}
