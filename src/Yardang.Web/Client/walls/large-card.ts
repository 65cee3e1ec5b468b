// One card, large: to be read from afar, and to look at what it shows. With the next and the one before.

import { type TemplateResult, html, nothing, render } from 'lit-html';
import { kindOf, show, wordsOf } from '../attachments';
import { broughtCards } from '../lesson/brought';
import { fill } from '../page-data';
import { hidesNames } from '../room/letting-out';
import { isToRead, readingOf } from '../room/reading';
import type { Card } from '../room/wall-state';
import { JudgingView } from '../judging/judging-view';
import { judgingOfCards } from './card-judging';
import { Responding } from './responding';
import type { WallSide } from './wall-side';

interface Along {
  readonly who: string;
  readonly lesson: string;
  hasPages(): boolean;
}

export class LargeCard {
  private card = 0;
  private readonly judging: JudgingView<Card>;
  private readonly responding: Responding;

  /**
   * @param cards those that are shown on the wall, as they are read.
   * @param authorOf whose a card is, in words.
   * @param togetherOf from what a card grew, and what says the same.
   * @param along who takes cards along, and whether there is a page to which they can.
   * @param calling calls the class to a card, or puts it on the big screen; null for who cannot.
   */
  constructor(
    private readonly dialog: HTMLDialogElement,
    private readonly side: () => WallSide,
    private readonly cards: () => readonly Card[],
    private readonly authorOf: (card: Card) => string,
    private readonly togetherOf: (card: Card) => unknown,
    private readonly along: Along,
    private readonly calling: { toCard(card: number): void; onScreen(card: number): void } | null,
  ) {
    this.judging = new JudgingView(judgingOfCards(side));
    this.responding = new Responding(side);
    dialog.addEventListener('keydown', (e) => this.key(e));
    dialog.addEventListener('close', () => render(nothing, dialog));
  }

  open(card: Card): void {
    this.card = card.id;
    this.dialog.showModal();
    this.refresh();
  }

  /** What is read stays as long as it is there. */
  refresh(): void {
    if (!this.dialog.open) return;
    const cards = this.cards();
    const at = cards.findIndex((c) => c.id === this.card);
    if (at < 0) return this.dialog.close();
    render(this.shown(cards, at), this.dialog);
  }

  private shown(cards: readonly Card[], at: number): TemplateResult {
    const side = this.side();
    const { texts } = side;
    const card = cards[at]!;
    const [first = '', ...rest] = card.text.split('\n');
    return html`<article class="large-card" tabindex="0" data-large-card=${card.id} aria-label=${texts.largeCard}>
        <div class="large-words" dir="auto" lang=${card.language || nothing}>
          ${first ? html`<p class="large-first">${first}</p>` : nothing}
          ${rest.length > 0 ? html`<p>${rest.join('\n')}</p>` : nothing}
        </div>
        <p class="large-author">${this.authorOf(card)}</p>
        ${this.togetherOf(card)} ${this.said(card)}
        ${
          card.attachments.length > 0
            ? html`<div class="large-shown">
                ${card.attachments.map((a) => {
                  const words = kindOf(a).standsAlone ? '' : wordsOf(a);
                  return html`<figure>
                    ${show(a, side)}${words ? html`<figcaption dir="auto">${words}</figcaption>` : nothing}
                  </figure>`;
                })}
              </div>`
            : nothing
        }
      </article>
      <footer class="large-do">
        <button type="button" class="button" ?disabled=${at === 0} @click=${() => this.step(cards, at, -1)}>
          ${texts.cardBefore}
        </button>
        <span>${fill(texts.cardOf, at + 1, cards.length)}</span>
        <button
          type="button"
          class="button"
          ?disabled=${at === cards.length - 1}
          @click=${() => this.step(cards, at, 1)}
        >
          ${texts.cardNext}
        </button>
        ${
          isToRead(side.state, card.id, side.me)
            ? html`<button type="button" class="button button-main" @click=${() => this.read(card)}>
                ${texts.readIt}
              </button>`
            : nothing
        }
        ${
          this.calling
            ? html`<button type="button" class="button" @click=${() => this.calling!.toCard(card.id)}>
                  ${texts.callToCard}
                </button>
                <button type="button" class="button" @click=${() => this.calling!.onScreen(card.id)}>
                  ${texts.toScreen}
                </button>`
            : nothing
        }
        ${
          this.along.hasPages()
            ? html`<button type="button" class="button" @click=${() => this.takeAlong(card)}>
                ${texts.takeAlong}
              </button>`
            : nothing
        }
        <button
          type="button"
          class=${`button ${isToRead(side.state, card.id, side.me) ? '' : 'button-main'}`}
          @click=${() => this.dialog.close()}
        >
          ${texts.closeLarge}
        </button>
      </footer>`;
  }

  /** What all said and who responded, and for teachers who said what. */
  private said(card: Card): unknown {
    const { texts } = this.side();
    const [judged, responded] = [this.judging.whoSaid(card), this.responding.whoDid(card)];
    // Behind a press: this may be on the wall for all to see.
    const behind = (heading: string, lines: readonly string[]) =>
      lines.length > 0
        ? html`<details class="large-author">
            <summary>${heading}</summary>
            ${lines.map((line) => html`<p dir="auto">${line}</p>`)}
          </details>`
        : nothing;
    return html`${this.judging.results(card)}${behind(texts.whoSaid, judged)}${this.responding.of(card)}${behind(texts.whoResponded, responded)}`;
  }

  /** It is read: the next of my list follows. */
  private read(card: Card): void {
    const side = this.side();
    side.readCard(card);
    const [next] = readingOf(side.state, side.me.number)?.unread ?? [];
    if (!next) {
      this.dialog.close();
      return side.say(side.texts.readAll);
    }
    side.arrivals.show([next]);
    this.card = next.id;
    this.refresh();
  }

  /** It waits on this device until its page is opened. */
  private takeAlong(card: Card): void {
    const { me, state, texts, nameOf, say } = this.side();
    const { who, lesson } = this.along;
    const isNamed = !card.byStaff && !state.isMine(card, me) && !hidesNames(state.plan);
    const { text, language, attachments } = card;
    const by = card.byStaff ? texts.teacher : isNamed ? nameOf(card.author) : '';
    const isTaken = broughtCards(who, lesson).take({ text, language, attachments, by });
    this.dialog.close();
    say(isTaken ? texts.takenAlong : texts.takenEnough);
  }

  private step(cards: readonly Card[], at: number, by: number): void {
    const next = cards[at + by];
    if (next) this.card = next.id;
    this.refresh();
  }

  private key(e: KeyboardEvent): void {
    const by = e.key === 'ArrowRight' ? 1 : e.key === 'ArrowLeft' ? -1 : 0;
    if (by === 0) return;
    const cards = this.cards();
    const isRtl = document.documentElement.dir === 'rtl';
    this.step(
      cards,
      cards.findIndex((c) => c.id === this.card),
      isRtl ? -by : by,
    );
    e.preventDefault();
  }
}
