// A wall to sort: its topics like strata, cards along each, and at its end the place to write.

import { type TemplateResult, html, nothing } from 'lit-html';
import { repeat } from 'lit-html/directives/repeat.js';
import { fill, plural } from '../page-data';
import { type Card, NOWHERE, type Topic } from '../room/wall-state';
import { textIn } from '../surface/in-language';
import { topicLocked } from './locked';
import { NewCards } from './new-cards';
import type { Slips } from './slips';
import { type Arrangement, type Band, type WallSide, byTopic, endsBelowSight } from './wall-side';
import type { WallView } from './wall-view';

/** From how many cards on the place to write stands below them, not among them: else all are laid out anew with each letter. */
const LONG = 100;
/** A long wall can be read at once: so many cards are drawn first, and the rest in the next frames. */
const AT_FIRST = 40;
const AT_ONCE = 120;

export class Strata implements Arrangement {
  /** How many cards are drawn by now, and for how many more there is room in what is being drawn. */
  private most = AT_FIRST;
  private room = AT_FIRST;
  /** Topics that were long when this page came to them: it stays so, as somebody may be writing. */
  private readonly isLong = new Map<number, boolean>();
  private readonly newCards: NewCards;

  constructor(
    private readonly side: WallSide,
    private readonly view: WallView,
    private readonly slips: Slips,
    private readonly refresh: (focus?: string) => void,
  ) {
    this.newCards = new NewCards(side, refresh, null, slips.growing);
  }

  /** Topics in order; behind them what fits nowhere, where there is anything to fit. */
  get bands(): Band[] {
    const cards = byTopic(this.view.standingCards());
    const band = (id: number, plan: Topic | null): Band => ({
      id,
      plan,
      cards: (cards.get(id) ?? []).sort((a, b) => a.order - b.order || a.id - b.id),
    });
    return [...this.side.state.plan.topics.map((t) => band(t.id, t)), band(NOWHERE, null)];
  }

  get places() {
    const topics = [...this.side.state.plan.topics.map((t) => t.id), NOWHERE];
    return topics.map((id) => ({ id, heading: this.view.headingOf(id) }));
  }

  nothingJumps(topic: number): boolean {
    return endsBelowSight(this.view.root.querySelector(`[data-topic="${topic}"] .slips`));
  }

  get isWhole(): boolean {
    return this.room >= 0;
  }

  draw(): unknown {
    this.room = this.most;
    const drawn = this.bands.map((b) => ({ id: b.id, drawn: this.band(b) }));
    if (this.room < 0) {
      this.most += AT_ONCE;
      this.refresh();
    }
    return repeat(
      drawn,
      (b) => b.id,
      (b) => b.drawn,
    );
  }

  /** Those of some cards that are drawn already. */
  private withRoom(cards: readonly Card[]): readonly Card[] {
    const drawn = cards.slice(0, Math.max(0, this.room));
    this.room -= cards.length;
    return drawn;
  }

  /** To teachers: who writes there, where not everybody does. */
  private onlyFor(plan: Topic | null): TemplateResult | typeof nothing {
    const { me, texts, nameOf } = this.side;
    if (!me.isStaff || !plan || plan.only.length === 0) return nothing;
    return html`<p class="stratum-prompt">${fill(texts.onlyFor, plan.only.map((p) => nameOf(p)).join(', '))}</p>`;
  }

  private band({ id, plan, cards }: Band): TemplateResult {
    const { texts, arrivals, placeInSight, read, written } = this.side;
    const shown = this.view.shownOf(cards);
    const fresh = arrivals.waiting(cards);
    const heading = this.view.headingOf(id);
    const prompt = plan ? textIn(plan.prompt, [read[0]], written) : '';
    const second = (all: Record<string, string> | undefined, first: string) => {
      const words = read[1] ? (all?.[read[1]] ?? '') : '';
      return words && words !== first
        ? html`<p class="second-language" dir="auto" lang=${read[1]}>${words}</p>`
        : nothing;
    };
    const slot = this.newCards.slot(id, {
      placeholder: texts.writeHere,
      label: fill(texts.writeUnder, heading),
      done: texts.putUp,
      about: heading,
    });
    if (this.side.isAdmitted && !this.isLong.has(id)) this.isLong.set(id, shown.length >= LONG);
    return html`<section
      class="stratum"
      data-topic=${id}
      data-colour=${plan?.colour ?? 'none'}
      ?data-in-sight=${id === placeInSight}
      aria-labelledby="topic-${id}"
    >
      <header class="stratum-near">
        <h2 id="topic-${id}" dir="auto" lang=${read[0] || nothing}>${heading}</h2>
        ${second(plan?.heading, heading)}
        ${prompt ? html`<p class="stratum-prompt" dir="auto" lang=${read[0] || nothing}>${prompt}</p>` : nothing}
        ${second(plan?.prompt, prompt)} ${this.onlyFor(plan)} ${topicLocked(this.side, plan)}
        <p class="stratum-count">
          <span>${plural(texts, 'cards', cards.length)}</span>
          ${
            fresh.length > 0
              ? html`<button
                  type="button"
                  class="button button-small"
                  aria-label=${`${plural(texts, 'fresh', fresh.length)}: ${heading}`}
                  @click=${() => this.view.showFresh(fresh)}
                >
                  ${fill(texts.freshHere, fresh.length)}
                </button>`
              : nothing
          }
        </p>
      </header>
      <ol class="slips" aria-label=${heading}>
        ${repeat(
          this.withRoom(shown),
          (c) => c.id,
          (c) => this.slips.slip(c),
        )}
        ${this.isLong.get(id) ? nothing : slot}
      </ol>
      ${
        this.isLong.get(id)
          ? html`<ul class="slips slips-next">
              ${slot}
            </ul>`
          : nothing
      }
    </section>`;
  }
}
