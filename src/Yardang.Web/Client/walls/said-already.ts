// Below the place to write: cards that say the same already, which a new one can join or differ from; and the cards from which it grows.

import { type TemplateResult, html, nothing } from 'lit-html';
import css from '../../Pages/Student/together.css';
import { fill } from '../page-data';
import { MOST_SOURCES, type Standing } from '../room/stacks';
import type { Card } from '../room/wall-state';
import { useStyles } from '../styles/with-script';
import { Drafts } from '../threads/drafts';
import { type WallSide, titleOf } from './wall-side';

useStyles(css);

export class SaidAlready {
  /** Under which topic something is being typed. */
  private typing = -1;

  /**
   * @param standing how cards stand now.
   * @param join puts up what is being typed, as another wording of a card.
   * @param refresh draws the wall anew, and then puts the focus where it is wanted.
   */
  constructor(
    private readonly side: WallSide,
    private readonly standing: () => Standing,
    private readonly join: (topic: number, card: Card) => void,
    private readonly refresh: (focus?: string) => void,
  ) {}

  /** Something was typed: looks for what is like it. */
  typed(topic: number, text: string): void {
    if (!this.side.state.plan.rules.saidAlready) return;
    this.typing = topic;
    this.side.likeAsked.look(text);
  }

  below(topic: number): TemplateResult {
    return html`${this.grows(topic)}${this.like(topic)}`;
  }

  /** It is to grow from a card. */
  buildOn(topic: number, card: Card): void {
    const sources = sourcesAt(this.side.drafts, topic);
    if (sources.length >= MOST_SOURCES) this.side.say(fill(this.side.texts.sourcesEnough, MOST_SOURCES));
    else setSources(this.side.drafts, topic, [...new Set([...sources, card.id])]);
    this.refresh(`[data-slot="${topic}"]`);
  }

  private like(topic: number): TemplateResult | typeof nothing {
    const { state, me, texts, likeAsked, drafts } = this.side;
    if (topic !== this.typing || !state.plan.rules.saidAlready || !drafts.get(Drafts.under(topic)).trim())
      return nothing;
    const sources = sourcesAt(drafts, topic);
    const roots = likeAsked.found.flatMap((id) => {
      const card = state.cards.get(id);
      return card && card.downBy === 0 && state.isSeen(card, me) ? this.standing().rootOf(card) : [];
    });
    const like = [...new Set(roots)].filter((c) => !state.isMine(c, me) && !sources.includes(c.id));
    if (like.length === 0) return nothing;
    return html`<section class="said-already" aria-label=${texts.saidAlready}>
      <h3>${texts.saidAlready}</h3>
      <ul>
        ${like.map(
          (c) =>
            html`<li>
              <p dir="auto" lang=${c.language || nothing}>${titleOf(c, texts)}</p>
              <button
                type="button"
                class="button button-small"
                aria-label=${`${texts.joinIt}: ${titleOf(c, texts)}`}
                ?disabled=${!this.side.mayMove()}
                @click=${() => this.join(topic, c)}
              >
                ${texts.joinIt}
              </button>
              <button
                type="button"
                class="button button-small button-quiet"
                aria-label=${`${texts.sayDiffers}: ${titleOf(c, texts)}`}
                @click=${() => this.buildOn(topic, c)}
              >
                ${texts.sayDiffers}
              </button>
            </li>`,
        )}
      </ul>
    </section>`;
  }

  private grows(topic: number): TemplateResult | typeof nothing {
    const { state, texts, drafts } = this.side;
    const sources = sourcesAt(drafts, topic).flatMap((id) => state.cards.get(id) ?? []);
    if (sources.length === 0) return nothing;
    return html`<ul class="grows-from" aria-label=${texts.buildsOn}>
      ${sources.map(
        (c) =>
          html`<li>
            <span dir="auto">${texts.buildsOn} ${titleOf(c, texts)}</span>
            <button
              type="button"
              class="button button-small button-quiet"
              aria-label=${`${texts.notThat}: ${titleOf(c, texts)}`}
              @click=${() => this.leaveOut(topic, c)}
            >
              ${texts.notThat}
            </button>
          </li>`,
      )}
    </ul>`;
  }

  private leaveOut(topic: number, card: Card): void {
    const rest = sourcesAt(this.side.drafts, topic).filter((id) => id !== card.id);
    setSources(this.side.drafts, topic, rest);
    this.refresh(`[data-slot="${topic}"]`);
  }
}

/** The cards from which a new one grows that is being written under a topic. */
export function sourcesAt(drafts: Drafts, topic: number): number[] {
  return drafts.get(Drafts.from(topic)).split(',').filter(Boolean).map(Number);
}

export function setSources(drafts: Drafts, topic: number, sources: readonly number[]): void {
  drafts.set(Drafts.from(topic), sources.join());
}
