// A wall to connect: a quiet field of cards and links; choosing a card shows its sentences. On a phone, and for whoever wants it, all as a list.

import css from '../../Pages/Student/connect.css';
import { type TemplateResult, html, nothing } from 'lit-html';
import { repeat } from 'lit-html/directives/repeat.js';
import { fill, plural } from '../page-data';
import { linksSeen, mayLink } from '../room/field-foresight';
import { fieldOf } from '../room/linking';
import { type Card, NOWHERE } from '../room/wall-state';
import { useStyles } from '../styles/with-script';
import type { CardSpot, FieldSpot, Link } from '../wire/forms';
import { FieldView } from './field-view';
import { LinkForm, LinkWords } from './link-form';
import { nameOf } from './link-sentences';
import { NewCards } from './new-cards';
import { Sentences } from './sentences';
import type { Slips } from './slips';
import { type Arrangement, type Band, type WallSide, endsBelowSight, ownColour } from './wall-side';
import type { WallView } from './wall-view';

useStyles(css);

/** How high a row of cards is in reading order. */
const ROW = 84;
const NARROW = '(width <= 48rem)';

export class Connecting implements Arrangement {
  readonly places = [];
  private chosen = 0;
  private isList: boolean | null = null;
  private areSentencesOpen = false;
  /** Where cards lay before the field was tidied; null once that cannot be had again. */
  private before: readonly CardSpot[] | null = null;
  private readonly newCards: NewCards;
  private readonly linking: LinkForm;
  private readonly newWords: LinkWords;
  private readonly sentences: Sentences;
  private readonly field: FieldView;

  constructor(
    private readonly side: WallSide,
    private readonly view: WallView,
    private readonly slips: Slips,
    private readonly refresh: (focus?: string) => void,
  ) {
    this.newCards = new NewCards(side, refresh, {
      where: () => (this.asList ? {} : this.chosen !== 0 ? { beside: this.chosen } : { spot: this.field.spotForNew }),
      putUp: (id) => this.linkNew(id),
    });
    this.linking = new LinkForm(side, refresh);
    this.newWords = new LinkWords(side, () => refresh());
    this.sentences = new Sentences(side, refresh);
    this.field = new FieldView(side, view.root, slips, (card) => this.choose(card), refresh);
    window.matchMedia(NARROW).addEventListener('change', () => refresh());
  }

  get bands(): Band[] {
    const row = (c: Card) => Math.round((c.spot?.y ?? Infinity) / ROW);
    const cards = this.view.seen().sort((a, b) => {
      const [one, other] = [row(a), row(b)];
      return (one === other ? 0 : one - other) || (a.spot?.x ?? 0) - (b.spot?.x ?? 0) || a.id - b.id;
    });
    return [{ id: NOWHERE, plan: null, cards }];
  }

  /** On the field nothing does. */
  nothingJumps(): boolean {
    return !this.asList || endsBelowSight(this.view.root.querySelector('.link-list'));
  }

  draw(): TemplateResult {
    const { state, texts } = this.side;
    const cards = this.shown;
    const links = this.linksBetween(cards);
    const chosen = cards.find((c) => c.id === this.chosen) ?? null;
    if (!chosen) this.chosen = 0;
    const isList = this.asList;
    return html`<div class="connecting" data-shape=${isList ? 'list' : 'field'}>
      ${this.head(cards, links)}
      ${
        state.plan.rules.ownFirst && this.side.me.isStaff && this.side.lookedAt === 0
          ? html`<p class="notice">${texts.fieldOfEach}</p>`
          : nothing
      }
      ${
        isList
          ? html`${this.writing()} ${this.list(cards, links)}`
          : html`<div class="field-beside">
              ${this.field.draw(cards, links, this.chosen)}
              <section
                class="chosen-card"
                ?data-chosen=${chosen !== null}
                aria-label=${chosen ? nameOf(chosen, this.side) : texts.writeNew}
              >
                ${chosen ? this.about(chosen, cards, links) : this.unchosen(cards)} ${this.unlaid(cards)}
              </section>
            </div>`
      }
      <details
        class="link-sentences"
        @toggle=${(e: Event) => {
          this.areSentencesOpen = (e.currentTarget as HTMLDetailsElement).open;
          this.refresh();
        }}
      >
        <summary>${plural(texts, 'links', links.length)}: ${texts.asSentences}</summary>
        ${
          this.areSentencesOpen
            ? html`${this.sentences.list(links, texts.asSentences)} ${this.sentences.together(cards, links)}`
            : nothing
        }
      </details>
      ${this.sentences.down()}
    </div>`;
  }

  measure(): void {
    if (!this.asList) this.field.measureIfOther();
  }

  private get asList(): boolean {
    return this.isList ?? window.matchMedia(NARROW).matches;
  }

  /** While each sees only their own, a teacher looks at the field of one student. */
  private get shown(): Card[] {
    const { state, me, arrivals, lookedAt } = this.side;
    const ofEach = me.isStaff && state.plan.rules.ownFirst;
    const isWanted = (c: Card) => (ofEach ? c.byStaff || c.author === lookedAt : this.side.isWanted(c));
    return this.bands[0]!.cards.filter((c) => arrivals.has(c) && isWanted(c));
  }

  private linksBetween(cards: readonly Card[]): Link[] {
    const { state, me, lookedAt } = this.side;
    const ofEach = me.isStaff && state.plan.rules.ownFirst;
    const order = new Map(cards.map((c, i) => [c.id, i]));
    return linksSeen(state, me)
      .filter((l) => order.has(l.from) && order.has(l.to) && (!ofEach || l.byStaff || l.author === lookedAt))
      .sort((a, b) => order.get(a.from)! - order.get(b.from)! || order.get(a.to)! - order.get(b.to)! || a.id - b.id);
  }

  private head(cards: readonly Card[], links: readonly Link[]): TemplateResult {
    const { me, state, texts, looksOnly } = this.side;
    const shape = (isList: boolean, words: string) =>
      html`<button
        type="button"
        class="button button-small"
        aria-pressed=${this.asList === isList}
        @click=${() => {
          this.isList = isList;
          this.refresh();
        }}
      >
        ${words}
      </button>`;
    return html`<div class="connect-head">
      <p role="status">${plural(texts, 'cards', cards.length)}, ${plural(texts, 'links', links.length)}</p>
      <span role="group" aria-label=${texts.shape}>${shape(false, texts.asField)} ${shape(true, texts.asList)}</span>
      ${this.asList ? nothing : this.field.controls()}
      ${
        me.isStaff && !looksOnly
          ? html`<span>
              <button
                type="button"
                class="button button-small"
                ?disabled=${!this.side.mayWrite() || state.plan.rules.ownFirst || cards.length < 2}
                @click=${() => this.tidy()}
              >
                ${texts.tidy}
              </button>
              ${
                this.liesOtherwise
                  ? html`<button type="button" class="button button-small button-quiet" @click=${() => this.untidy()}>
                      ${texts.untidy}
                    </button>`
                  : nothing
              }
            </span>`
          : nothing
      }
    </div>`;
  }

  /** Whether anything lies elsewhere than before the field was tidied. */
  private get liesOtherwise(): boolean {
    const { cards } = this.side.state;
    return this.before?.some(({ card, spot }) => !isSame(cards.get(card)?.spot ?? null, spot)) ?? false;
  }

  private tidy(): void {
    const up = [...this.side.state.cards.values()].filter((c) => c.downBy === 0);
    this.before = up.flatMap(({ id, spot }) => (spot ? [{ card: id, spot }] : []));
    this.side.tidy();
    this.refresh();
  }

  private untidy(): void {
    if (this.before) this.side.layAll(this.before);
    this.before = null;
    this.refresh();
  }

  private choose(id: number): void {
    if (id !== 0 && this.linking.take(id)) return;
    this.chosen = id === this.chosen ? 0 : id;
    if (this.linking.card !== 0) this.linking.card = 0;
    if (id !== 0) this.field.wanted = null;
    this.refresh();
  }

  private unchosen(cards: readonly Card[]): TemplateResult {
    const { texts, looksOnly } = this.side;
    const hint = looksOnly ? texts.chooseToRead : cards.length === 0 ? texts.fieldEmpty : texts.chooseToLink;
    return html`${this.writing()}
      <p class="connect-hint">${hint}</p>`;
  }

  /** Cards of a time before there was a field, and those for which there was no room. */
  private unlaid(cards: readonly Card[]): TemplateResult | typeof nothing {
    const unlaid = cards.filter((c) => !c.spot && c.id !== this.chosen);
    if (unlaid.length === 0) return nothing;
    return html`<h2>${fill(this.side.texts.notOnField, unlaid.length)}</h2>
      ${unlaid.map((c) => this.slip(c, cards, []))}`;
  }

  private writing(): TemplateResult | typeof nothing {
    const { texts } = this.side;
    const slot = { placeholder: texts.writeHere, label: texts.writeNew, done: texts.putUp, about: texts.writeNew };
    const place = this.newCards.slot(NOWHERE, slot);
    return place === nothing
      ? nothing
      : html`<ul class="slips connect-new">
          ${place}
        </ul>`;
  }

  /** Everything of a card: what it says, its sentences, what may be done with it, and a place for one beside it. */
  private about(card: Card, cards: readonly Card[], links: readonly Link[]): TemplateResult {
    const { texts } = this.side;
    const isNew = !this.side.looksOnly && (this.side.me.isStaff || !this.side.state.plan.rules.onlyGiven);
    return html`<div class="about-card">
      <button type="button" class="button button-small button-quiet about-close" @click=${() => this.choose(0)}>
        ${texts.closeLarge}
      </button>
      ${this.slip(card, cards, links)}
      ${
        isNew
          ? html`<section class="connect-beside">
              <h2>${texts.newBeside}</h2>
              <div class="link-form">${this.newWords.fields(texts.newBeside)}</div>
              ${this.writing()}
            </section>`
          : nothing
      }
    </div>`;
  }

  private slip(card: Card, cards: readonly Card[], links: readonly Link[]): TemplateResult {
    const { texts } = this.side;
    if (this.slips.changing.card === card.id)
      return html`<ul class="slips connect-changing">
        ${this.slips.changing.slip(card)}
      </ul>`;
    const own = links.filter((l) => l.from === card.id || l.to === card.id);
    const label = fill(texts.sentencesOf, nameOf(card, this.side));
    return html`<div
      class="slip about-slip"
      data-colour=${ownColour(card) ?? nothing}
      data-card=${card.id}
      ?data-mine=${this.slips.isMine(card)}
      ?data-open=${this.slips.threads.isOpen(card.id)}
      tabindex="-1"
    >
      ${this.slips.words(card)}
      <footer class="slip-foot">
        <span>${this.slips.author(card)}</span>
        <span class="slip-actions"
          >${this.slips.threads.toggle(card)} ${this.slips.changeButton(card)} ${this.slips.tellButton(card)}</span
        >
      </footer>
      ${this.slips.threads.thread(card)} ${this.acts(card, cards)} ${this.sentences.list(own, label)}
    </div>`;
  }

  private acts(card: Card, cards: readonly Card[]): TemplateResult | typeof nothing {
    const { texts, looksOnly } = this.side;
    if (looksOnly || !this.side.mayWrite()) return nothing;
    if (this.linking.card === card.id) return this.linking.draw(card, cards);
    const isAlone = cards.length < 2 || !fieldOf(this.side.state.plan);
    return html`<div class="about-acts">
      ${
        isAlone
          ? nothing
          : html`<button
              type="button"
              class="button button-small button-main"
              data-link-from=${card.id}
              aria-label=${`${texts.linkIt}: ${nameOf(card, this.side)}`}
              @click=${() => this.linking.open(card)}
            >
              ${texts.linkIt}
            </button>`
      }
      ${this.asList || !this.field.mayMove(card.id) ? nothing : this.pushes(card)}
    </div>`;
  }

  /** For whoever does not drag. */
  private pushes(card: Card): TemplateResult {
    const { texts } = this.side;
    if (!card.spot)
      return html`<button type="button" class="button button-small" @click=${() => this.field.layNew(card)}>
        ${texts.putOnField}
      </button>`;
    const push = (sign: string, words: string, x: number, y: number) =>
      html`<button
        type="button"
        class="button button-small"
        aria-label=${`${words}: ${nameOf(card, this.side)}`}
        @click=${() => this.field.push(card, x, y)}
      >
        ${sign}
      </button>`;
    return html`<span class="about-pushes" role="group" aria-label=${texts.moveOnField}
      >${push('←', texts.moveLeft, -1, 0)} ${push('↑', texts.moveUp, 0, -1)} ${push('↓', texts.moveDown, 0, 1)}
      ${push('→', texts.moveRight, 1, 0)}</span
    >`;
  }

  private list(cards: readonly Card[], links: readonly Link[]): TemplateResult {
    const { texts } = this.side;
    return html`<ol class="link-list" aria-label=${texts.field}>
      ${repeat(
        cards,
        (c) => c.id,
        (c) => html`<li>${this.slip(c, cards, links)}</li>`,
      )}
      ${cards.length === 0 ? html`<li class="connect-hint">${texts.fieldEmpty}</li>` : nothing}
    </ol>`;
  }

  /** To what was written beside a card that card leads. */
  private linkNew(id: number): void {
    this.field.wanted = null;
    const { chosen } = this;
    const said = this.newWords.said;
    if (chosen === 0 || this.asList || !mayLink(this.side.state, chosen, id, this.side.me)) return;
    this.side.link(chosen, id, said.word, said.text);
    this.newWords.own = '';
  }
}

function isSame(one: FieldSpot | null, other: FieldSpot): boolean {
  return one?.x === other.x && one.y === other.y;
}
