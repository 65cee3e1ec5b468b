// Answers to cards by one strength and one question. Fetched where a teacher asks for them.

import { type TemplateResult, html, nothing } from 'lit-html';
import { live } from 'lit-html/directives/live.js';
import { type Card, LONGEST_TEXT } from '../room/wall-state';
import type { AnswerKind } from '../wire/forms';
import { Drafts } from '../threads/drafts';
import type { WallSide } from './wall-side';

export class AnswerPairs {
  /**
   * @param words what a kind of answer is called.
   * @param refresh draws the wall anew, and then puts the focus where it is wanted.
   */
  constructor(
    private readonly side: WallSide,
    private readonly words: (says: AnswerKind) => string,
    private readonly refresh: (focus?: string) => void,
  ) {}

  /** One strength and one question: both are said together; what was said already is not asked for. */
  form(card: Card, mayAnswer: boolean): TemplateResult {
    const { texts, drafts, state, me } = this.side;
    const kinds = state.kindsOpen(card, me);
    const place = (k: AnswerKind) => Drafts.answering(card.id, 0, k);
    if (kinds.length === 0) return html`<p class="answering-to">${texts.pairSaid}</p>`;
    // Asked anew when a key is pressed: the last letter may not be drawn yet.
    const isWhole = () => kinds.every((k) => drafts.get(place(k)).trim() !== '');
    return html`<div class="answering">
      ${kinds.map(
        (k, i) =>
          html`<label class="answering-kind"
            >${this.words(k)}
            <textarea
              class="slip-field"
              data-answering=${i === 0 ? card.id : nothing}
              rows="1"
              maxlength=${LONGEST_TEXT}
              dir="auto"
              .value=${live(drafts.get(place(k)))}
              ?readonly=${!mayAnswer || !this.side.mayAnswer()}
              @input=${(e: Event) => this.typed(place(k), e)}
              @keydown=${(e: KeyboardEvent) => isDone(e) && mayAnswer && isWhole() && this.say(card, kinds)}
            ></textarea>
          </label>`,
      )}
      ${
        mayAnswer
          ? html`<button
              type="button"
              class="button button-small button-main"
              ?disabled=${!isWhole() || !this.side.mayAnswer()}
              @click=${() => this.say(card, kinds)}
            >
              ${kinds.length > 1 ? texts.sayPair : texts.say}
            </button>`
          : html`<p class="answering-to">${texts.answersEnded}</p>`
      }
    </div>`;
  }

  private say(card: Card, kinds: readonly AnswerKind[]): void {
    if (!this.side.mayAnswer()) return;
    for (const k of kinds) {
      const place = Drafts.answering(card.id, 0, k);
      this.side.answer(card, 0, this.side.drafts.get(place).trim(), { says: k });
      this.side.drafts.set(place, '');
    }
    this.refresh(`[data-card="${card.id}"] .slip-answers`);
  }

  private typed(place: string, e: Event): void {
    this.side.drafts.set(place, (e.target as HTMLTextAreaElement).value);
    this.refresh();
  }
}

function isDone(e: KeyboardEvent): boolean {
  return e.key === 'Enter' && (e.ctrlKey || e.metaKey);
}
