// Telling the teacher that something is not all right, and saying why something was taken down: the buttons; what they open is fetched when it is wanted.

import { type TemplateResult, html, nothing } from 'lit-html';
import { fill } from '../page-data';
import type { ConcernReason } from '../wire/forms';

export interface ModerationTexts {
  readonly tell: string;
  readonly tellOf: string;
  readonly isTold: string;
  readonly willLook: string;
  readonly tellTitle: string;
  readonly tellWhy: string;
  readonly reason1: string;
  readonly reason2: string;
  readonly reason3: string;
  readonly reason4: string;
  readonly tellMore: string;
  readonly tellWho: string;
  readonly tellSend: string;
  readonly cancel: string;
  readonly sayWhy: string;
  readonly whyTitle: string;
  readonly whyWords: string;
  readonly removes: string;
  readonly whyKeep: string;
  readonly itsAuthor: string;
  readonly justDown: string;
  readonly justDownMany: string;
  readonly undo: string;
  readonly close: string;
  readonly notShown: string;
  readonly notForAuthor: string;
  readonly tookDown: string;
  readonly tookDownWhy: string;
}

/** What a teacher says of something that is down. */
export interface Why {
  readonly words: string;
  readonly removes: boolean;
}

const FLAG = 'M4 14V2.5h8l-2 3 2 3H5.5V14z';

export class Moderating {
  constructor(
    private readonly texts: ModerationTexts,
    private readonly say: (words: string) => void,
    private readonly networkAway: string,
  ) {}

  get notShown(): string {
    return this.texts.notShown;
  }

  /** What was told already is said so. */
  tellButton(
    title: string,
    isTold: boolean,
    may: boolean,
    send: (reason: ConcernReason, words: string) => void,
  ): TemplateResult | typeof nothing {
    const { texts } = this;
    if (isTold) return html`<span class="told">${texts.isTold}</span>`;
    if (!may) return nothing;
    const label = fill(texts.tellOf, title);
    return html`<button
      type="button"
      class="button button-quiet slip-change tell"
      aria-label=${label}
      title=${texts.tell}
      @click=${() => void this.askConcern(title, send)}
    >
      <svg viewBox="0 0 16 16" width="16" height="16" aria-hidden="true"><path fill="currentColor" d=${FLAG} /></svg>
    </button>`;
  }

  whyButton(name: string, now: Why, keep: (why: Why) => void): TemplateResult {
    return html`<button
      type="button"
      class="button button-quiet slip-change"
      @click=${() => void this.askWhy(name, now, keep)}
    >
      ${this.texts.sayWhy}
    </button>`;
  }

  async askConcern(title: string, send: (reason: ConcernReason, words: string) => void): Promise<void> {
    const made = await import('./dialogs').catch(() => null);
    if (made) made.askConcern(this.texts, title, send);
    else this.say(this.networkAway);
  }

  async askWhy(name: string, now: Why, keep: (why: Why) => void): Promise<void> {
    const made = await import('./dialogs').catch(() => null);
    if (made) made.askWhy(this.texts, name, now, keep);
    else this.say(this.networkAway);
  }
}
