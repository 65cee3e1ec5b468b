// One station alone on the screen: to be looked at from afar, with the next and the one before.

import { type TemplateResult, html, nothing, render } from 'lit-html';
import { kindOf, show, wordsOf } from '../attachments';
import { fill } from '../page-data';
import type { Topic } from '../room/wall-state';
import { textIn } from '../surface/in-language';
import type { WallSide } from './wall-side';
import type { WallView } from './wall-view';

export class LargeStation {
  private readonly dialog = document.createElement('dialog');
  private station = 0;

  constructor(
    private readonly side: WallSide,
    private readonly view: WallView,
  ) {
    this.dialog.className = 'dialog dialog-large';
    view.root.parentElement!.append(this.dialog);
    this.dialog.addEventListener('keydown', (e) => this.key(e));
    this.dialog.addEventListener('close', () => render(nothing, this.dialog));
  }

  open(station: number): void {
    this.station = station;
    this.dialog.showModal();
    this.refresh();
  }

  refresh(): void {
    if (!this.dialog.open) return;
    const { topics } = this.side.state.plan;
    const at = topics.findIndex((t) => t.id === this.station);
    if (at < 0) return this.dialog.close();
    render(this.shown(topics[at]!, at, topics.length), this.dialog);
  }

  private shown(topic: Topic, at: number, count: number): TemplateResult {
    const { texts, read, written } = this.side;
    const prompt = textIn(topic.prompt, [read[0]], written);
    return html`<article class="large-card" tabindex="0" aria-label=${fill(texts.station, at + 1)}>
        <div class="large-words" dir="auto">
          <p class="large-first">${at + 1}. ${this.view.headingOf(topic.id)}</p>
          ${prompt ? html`<p>${prompt}</p>` : nothing}
        </div>
        <div class="large-shown">
          ${topic.shown.map((a) => {
            const words = kindOf(a).standsAlone ? '' : wordsOf(a);
            return html`<figure>
              ${show(a, this.side)}${words ? html`<figcaption dir="auto">${words}</figcaption>` : nothing}
            </figure>`;
          })}
        </div>
      </article>
      <footer class="large-do">
        <button type="button" class="button" ?disabled=${at === 0} @click=${() => this.step(-1)}>
          ${texts.stationBefore}
        </button>
        <span>${fill(texts.cardOf, at + 1, count)}</span>
        <button type="button" class="button" ?disabled=${at === count - 1} @click=${() => this.step(1)}>
          ${texts.stationNext}
        </button>
        <button type="button" class="button button-main" @click=${() => this.dialog.close()}>
          ${texts.closeLarge}
        </button>
      </footer>`;
  }

  private step(by: number): void {
    const { topics } = this.side.state.plan;
    const next = topics[topics.findIndex((t) => t.id === this.station) + by];
    if (next) this.station = next.id;
    this.refresh();
  }

  private key(e: KeyboardEvent): void {
    const by = e.key === 'ArrowRight' ? 1 : e.key === 'ArrowLeft' ? -1 : 0;
    if (by === 0) return;
    this.step(document.documentElement.dir === 'rtl' ? -by : by);
    e.preventDefault();
  }
}
