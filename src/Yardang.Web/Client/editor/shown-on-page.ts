// What stands on the page and is more than can be drawn: a place to press on each, by which it is played or opened.

import { html, render } from 'lit-html';
import { repeat } from 'lit-html/directives/repeat.js';
import css from '../../Pages/Student/attachments.css';
import pageCss from '../../Pages/Student/shown-on-page.css';
import { type AttachmentView, said, show } from '../attachments/index';
import { signOf } from '../kinds/shown';
import { fill } from '../page-data';
import type { Mark, ShownBody } from '../room/marks';
import { onPage } from '../shapes/placed';
import { useStyles } from '../styles/with-script';
import type { Editor } from './editor';
import type { ShownPlace } from './shown-marks';

useStyles(css);
useStyles(pageCss);

type ShownMark = Mark & { readonly body: ShownBody };

export class ShownOnPage {
  private readonly signs = document.querySelector<HTMLElement>('[data-shown-signs]')!;
  private readonly dialog = document.querySelector<HTMLDialogElement>('dialog[data-shown]')!;
  private readonly view: AttachmentView;

  constructor(
    private readonly editor: Editor,
    private readonly place: ShownPlace,
  ) {
    const { room, query, texts } = place;
    this.view = { texts, address: (media) => `/rooms/${room}/media/${media}${query}` };
    editor.onView(() => this.lay());
    // What is played is heard no longer than it is seen.
    this.dialog.addEventListener('close', () => render(html``, this.inside));
  }

  refresh(): void {
    render(
      repeat(
        this.marks(),
        ({ id }) => id,
        (mark) =>
          html`<button
            type="button"
            class="shown-sign"
            data-sign=${mark.id}
            aria-label=${fill(this.place.texts.open, said(mark.body.shown, this.place.texts))}
            @click=${() => this.open(mark)}
          ></button>`,
      ),
      this.signs,
    );
    this.lay();
  }

  open(mark: Mark): void {
    if (!isShown(mark)) return;
    render(show(mark.body.shown, this.view), this.inside);
    this.dialog.showModal();
    this.inside.querySelector<HTMLElement>('a, button, [tabindex]')?.focus();
  }

  private get inside(): HTMLElement {
    return this.dialog.querySelector<HTMLElement>('[data-inside]')!;
  }

  private marks(): ShownMark[] {
    return this.editor.sheets.visible(this.editor.page).filter(isShown);
  }

  private lay(): void {
    const { surface, sheets } = this.editor;
    for (const sign of this.signs.querySelectorAll<HTMLElement>('[data-sign]')) {
      const mark = sheets.mark(Number(sign.dataset['sign']));
      if (!mark || !isShown(mark)) continue;
      const spot = onPage(mark, signOf(mark.body));
      const { x, y } = surface.toScreen(spot.x, spot.y);
      sign.style.translate = `calc(${x}px - 50%) calc(${y}px - 50%)`;
    }
  }
}

function isShown(mark: Mark): mark is ShownMark {
  return mark.body.kind === 'shown';
}
