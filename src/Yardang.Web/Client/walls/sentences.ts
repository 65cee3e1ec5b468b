// Links as sentences, each with what its author may do with it; and what they say together: what is loose, what leads where, what leads back.

import { type TemplateResult, html, nothing } from 'lit-html';
import { repeat } from 'lit-html/directives/repeat.js';
import { fill } from '../page-data';
import { readingOf } from '../room/link-reading';
import { linksDown, mayChangeLink } from '../room/field-foresight';
import type { Card } from '../room/wall-state';
import type { Link } from '../wire/forms';
import { LinkWords } from './link-form';
import { nameOf, partsOf, sentenceOf } from './link-sentences';
import type { WallSide } from './wall-side';

const MOST_OF_A_KIND = 12;

export class Sentences {
  /** Which link is being changed. */
  private changing = 0;
  private readonly words: LinkWords;

  constructor(
    private readonly side: WallSide,
    private readonly refresh: (focus?: string) => void,
  ) {
    this.words = new LinkWords(side, () => refresh());
  }

  /** @param links of which, in the order in which they are read. */
  list(links: readonly Link[], label: string): TemplateResult | typeof nothing {
    if (links.length === 0) return nothing;
    return html`<ul class="sentences" aria-label=${label}>
      ${repeat(
        links,
        (l) => l.id,
        (l) => (this.changing === l.id ? this.form(l) : this.sentence(l)),
      )}
    </ul>`;
  }

  /** What links say together. */
  together(cards: readonly Card[], links: readonly Link[]): TemplateResult {
    const { texts } = this.side;
    const byId = new Map(cards.map((c) => [c.id, c]));
    const { loose, chains, loops } = readingOf(byId.keys(), links);
    const name = (id: number) => nameOf(byId.get(id)!, this.side);
    const lead = (ids: readonly number[]) => ids.map(name).join(' → ');
    const some = (heading: string, all: readonly string[]) =>
      all.length === 0
        ? nothing
        : html`<h2>${fill(heading, all.length)}</h2>
            <ul class="link-together">
              ${all.slice(0, MOST_OF_A_KIND).map((words) => html`<li dir="auto">${words}</li>`)}
              ${
                all.length > MOST_OF_A_KIND
                  ? html`<li>${fill(texts.andMore, all.length - MOST_OF_A_KIND)}</li>`
                  : nothing
              }
            </ul>`;
    return html`${some(texts.linkLoose, loose.map(name))} ${some(texts.linkChains, chains.map(lead))}
    ${some(
      texts.linkLoops,
      loops.map((l) => lead([...l, l[0]!])),
    )}`;
  }

  /** Links that were taken down and may be put back. */
  down(): TemplateResult | typeof nothing {
    const { state, me, texts, looksOnly } = this.side;
    const down = linksDown(state, me);
    if (looksOnly || down.length === 0) return nothing;
    return html`<details class="taken-down">
      <summary>${fill(texts.linksDown, down.length)}</summary>
      <ul class="sentences">
        ${down.map(
          (l) =>
            html`<li>
              <span dir="auto">${sentenceOf(l, this.side)}</span>
              <button
                type="button"
                class="button button-quiet slip-change"
                ?disabled=${!this.side.mayWrite()}
                @click=${() => this.side.putLinkBack(l.id)}
              >
                ${texts.putBack}
              </button>
            </li>`,
        )}
      </ul>
    </details>`;
  }

  private sentence(link: Link): TemplateResult {
    const { state, me, texts, looksOnly } = this.side;
    const [from, words, to] = partsOf(link, this.side);
    const whole = `${from} ${words} ${to}`;
    const may = !looksOnly && this.side.mayWrite() && mayChangeLink(state, link.id, me);
    const does = (name: string, press: () => void) =>
      html`<button
        type="button"
        class="button button-quiet slip-change"
        aria-label=${`${name}: ${whole}`}
        @click=${press}
      >
        ${name}
      </button>`;
    return html`<li data-sentence=${link.id} tabindex="-1">
      <span dir="auto">${from} <b>${words}</b> ${to}</span>
      <small>${this.author(link)}</small>
      ${
        may
          ? html`<span class="sentence-do"
              >${does(texts.linkReverse, () => this.side.reverseLink(link.id))}
              ${does(texts.change, () => {
                this.changing = link.id;
                this.words.set(link.word, link.text);
                this.refresh(`[data-sentence="${link.id}"] select, [data-sentence="${link.id}"] input`);
              })}
              ${does(texts.takeDown, () => this.side.takeLinkDown(link.id))}</span
            >`
          : nothing
      }
    </li>`;
  }

  private form(link: Link): TemplateResult {
    const { texts } = this.side;
    const [from, , to] = partsOf(link, this.side);
    const close = () => {
      this.changing = 0;
      this.refresh(`[data-sentence="${link.id}"]`);
    };
    return html`<li data-sentence=${link.id}>
      <form
        class="link-form"
        @submit=${(e: Event) => {
          e.preventDefault();
          const { word, text } = this.words.said;
          if (!this.side.mayWrite()) return;
          if (word !== link.word || text !== link.text) this.side.rewordLink(link.id, word, text);
          close();
        }}
        @keydown=${(e: KeyboardEvent) => {
          if (e.key !== 'Escape') return;
          e.stopPropagation();
          close();
        }}
      >
        <span dir="auto">${from}</span> ${this.words.fields(`${from} – ${to}`)} <span dir="auto">${to}</span>
        <div class="link-do">
          <button type="submit" class="button button-small button-main">${texts.keep}</button>
          <button type="button" class="button button-small button-quiet" @click=${close}>${texts.cancel}</button>
        </div>
      </form>
    </li>`;
  }

  private author(link: Link): string {
    const { me, texts } = this.side;
    if (link.byStaff) return texts.teacher;
    return !me.isStaff && link.author === me.number ? texts.yours : this.side.nameOf(link.author);
  }
}
