// Giving a card points for the teacher's criterion; and beside them, where it is asked for, why, and on which words of the card they rest.

import { type TemplateResult, html, nothing } from 'lit-html';
import { live } from 'lit-html/directives/live.js';
import { whyOf } from '../judging/judging-view';
import { fill } from '../page-data';
import { USUAL_CRITERION, type Said } from '../room/judgements';
import { type Card, LONGEST_TEXT } from '../room/wall-state';
import { type Criterion, Wanted } from '../wire/forms';
import { Drafts } from '../threads/drafts';
import { type WallSide, titleOf } from './wall-side';

const LONGEST_WORDS = 200;

export class ScoringForm {
  /** For which card something is being given, and how much. */
  private open: { readonly card: number; readonly value: number } | null = null;

  /** @param refresh draws the wall anew, and then puts the focus where it is wanted. */
  constructor(
    private readonly side: WallSide,
    private readonly refresh: (focus?: string) => void,
  ) {}

  isOpen(card: Card): boolean {
    return this.open?.card === card.id;
  }

  private get criterion(): Criterion {
    return this.side.state.plan.rules.judging!.criterion ?? USUAL_CRITERION;
  }

  private get asksWhy(): boolean {
    return this.criterion.reason !== Wanted.No || this.criterion.words !== Wanted.No;
  }

  of(card: Card): TemplateResult {
    const { state, me, texts } = this.side;
    const said = state.judgements.saidBy(me.number, card.id);
    const chosen = this.isOpen(card) ? this.open!.value : (said?.value ?? 0);
    return html`<div class="judge" role="group" aria-label=${fill(texts.scoreOf, titleOf(card, texts))} data-scoring>
        ${Array.from(
          { length: this.criterion.points },
          (_, i) =>
            html`<button
              type="button"
              aria-pressed=${chosen === i + 1}
              aria-label=${fill(texts.pointsOf, i + 1, this.criterion.points)}
              @click=${() => this.press(card, i + 1, said)}
            >
              ${i + 1}
            </button>`,
        )}
      </div>
      ${this.isOpen(card) ? this.form(card) : this.given(said)}`;
  }

  private given(said: Said | undefined): TemplateResult | typeof nothing {
    if (!said || !(said.reason || said.words)) return nothing;
    return html`<p class="judged-why" dir="auto">${whyOf(said, this.side.texts.restsOn)}</p>`;
  }

  private form(card: Card): TemplateResult {
    const { texts, drafts } = this.side;
    const { reason, words } = this.criterion;
    const [why, rests] = [drafts.get(Drafts.scoring(card.id)), drafts.get(Drafts.scoring(card.id, true))];
    const hasWords = card.text.trim() !== '';
    const isElsewhere = rests.trim() !== '' && !this.stand(rests, card);
    return html`<div class="scoring">
      ${
        reason === Wanted.No
          ? nothing
          : html`<label
              >${reason === Wanted.Must ? texts.scoreWhy : texts.scoreWhyMay}
              <textarea
                class="slip-field"
                rows="2"
                maxlength=${LONGEST_TEXT}
                dir="auto"
                .value=${live(why)}
                @input=${(e: Event) => this.typed(card, false, e)}
              ></textarea>
            </label>`
      }
      ${
        words === Wanted.No || !hasWords
          ? nothing
          : html`<label
                >${words === Wanted.Must ? texts.scoreWords : texts.scoreWordsMay}
                <textarea
                  class="slip-field"
                  rows="1"
                  maxlength=${LONGEST_WORDS}
                  dir="auto"
                  .value=${live(rests)}
                  @input=${(e: Event) => this.typed(card, true, e)}
                ></textarea>
              </label>
              <button
                type="button"
                class="button button-small button-quiet"
                @pointerdown=${(e: Event) => e.preventDefault()}
                @click=${() => this.takeMarked(card)}
              >
                ${texts.scoreMarked}
              </button>`
      }
      ${isElsewhere ? html`<p role="alert">${texts.scoreElsewhere}</p>` : nothing}
      <span class="slip-actions">
        <button
          type="button"
          class="button button-small button-main"
          ?disabled=${!this.isWhole(card)}
          @click=${() => this.give(card)}
        >
          ${fill(texts.giveScore, this.open!.value)}
        </button>
        <button type="button" class="button button-small" @click=${() => this.close(card)}>${texts.cancel}</button>
      </span>
    </div>`;
  }

  private press(card: Card, value: number, said: Said | undefined): void {
    if (!this.asksWhy) return this.side.judge(card, said?.value === value ? 0 : value);
    // What was given is taken back by pressing it again.
    if (said?.value === value && !this.isOpen(card)) return this.side.judge(card, 0);
    const { drafts } = this.side;
    if (said && !this.isOpen(card)) {
      if (!drafts.get(Drafts.scoring(card.id))) drafts.set(Drafts.scoring(card.id), said.reason);
      if (!drafts.get(Drafts.scoring(card.id, true))) drafts.set(Drafts.scoring(card.id, true), said.words);
    }
    this.open = { card: card.id, value };
    this.refresh(`[data-card="${card.id}"] .scoring textarea`);
  }

  /** Whether some words stand on a card, in whatever language it is read. */
  private stand(words: string, card: Card): boolean {
    const given = this.side.state.plan.givenCards.find((g) => card.byStaff && g.id === card.id);
    return [card.text, ...Object.values(given?.text ?? {})].some((text) => standOn(words, text));
  }

  private isWhole(card: Card): boolean {
    const { drafts } = this.side;
    const { reason, words } = this.criterion;
    const [why, rests] = [drafts.get(Drafts.scoring(card.id)).trim(), drafts.get(Drafts.scoring(card.id, true)).trim()];
    if (!this.side.mayChoose() || (reason === Wanted.Must && !why)) return false;
    return rests ? this.stand(rests, card) : words !== Wanted.Must || card.text.trim() === '';
  }

  private give(card: Card): void {
    if (!this.isWhole(card)) return;
    const { drafts } = this.side;
    const [why, rests] = [Drafts.scoring(card.id), Drafts.scoring(card.id, true)];
    const { reason, words } = this.criterion;
    const said = [
      reason === Wanted.No ? '' : drafts.get(why).trim(),
      words === Wanted.No ? '' : drafts.get(rests).trim(),
    ];
    this.side.judge(card, this.open!.value, ...said);
    drafts.set(why, '');
    drafts.set(rests, '');
    this.close(card);
  }

  private close(card: Card): void {
    this.open = null;
    this.refresh(`[data-card="${card.id}"] [data-scoring] button`);
  }

  /** What is marked on the card is that on which it rests. */
  private takeMarked(card: Card): void {
    const marked = getSelection();
    const { drafts, texts } = this.side;
    const words = marked?.toString().trim() ?? '';
    const isThere = marked?.anchorNode?.parentElement?.closest(`[data-card="${card.id}"] .slip-words`);
    if (!words || !isThere || !this.stand(words, card)) return this.side.say(texts.scoreMarkFirst);
    drafts.set(Drafts.scoring(card.id, true), words.slice(0, LONGEST_WORDS));
    this.refresh();
  }

  private typed(card: Card, areWords: boolean, e: Event): void {
    this.side.drafts.set(Drafts.scoring(card.id, areWords), (e.target as HTMLTextAreaElement).value);
    this.refresh();
  }
}

/** Whether some words stand on a card: however they are spaced, and in whatever case. Core's Scoring. */
function standOn(words: string, text: string): boolean {
  const plain = (s: string) => s.split(/\s+/).filter(Boolean).join(' ').toUpperCase();
  return plain(text).includes(plain(words));
}
