// What can be shown beside words, and how each is chosen or made. Fetched when somebody wants to show something.

import { type TemplateResult, html, nothing } from 'lit-html';
import { live } from 'lit-html/directives/live.js';
import { type Taken, titleOfFile } from '../media/picture-uploads';
import { addressIn } from '../media/web-address';
import type { Attachment } from '../wire/forms';
import { kindOf, said, wordsOf } from './index';
import { LARGEST_FILE, type Made, madeOf, madeOfFile, madeOfLink } from './made';
import { type Making, type MakingSide, isSent } from './making';
import type { Recording } from './recording';

const LONGEST_DESCRIPTION = 120;
const LONGEST_SPOKEN = 1000;

export class Choosing {
  /** Where pictures and files go that are being chosen or searched. */
  private choosingFor = '';
  /** Where an address is being typed, and whether what was typed is none. */
  private addressFor: string | null = null;
  private isNoAddress = false;

  constructor(
    private readonly making: Making,
    private readonly side: MakingSide,
  ) {}

  /** What can be chosen; the field for an address, where one is being typed. */
  items(place: string): TemplateResult {
    const { side } = this;
    const { texts } = side;
    const pictures = side.mayShow('picture');
    return html`${[
      pictures && this.item(texts.fromDevice, () => this.pictures(place, () => side.dialogs.chooseFiles())),
      pictures && this.item(texts.photograph, () => this.photograph(place)),
      pictures && this.item(texts.fromSearch, () => this.pictures(place, () => side.dialogs.searchPictures())),
      side.mayShow('drawing') && this.item(texts.draw, () => this.draw(place, null)),
      side.mayShow('formula') && this.item(texts.formula, () => this.formula(place, null)),
      side.mayShow('place') && side.map && this.item(texts.onMap, () => this.place(place, null)),
      side.mayShow('voice') && this.item(texts.speak, () => this.record(place, 'voice')),
      side.mayShow('film') && this.item(texts.filmIt, () => this.record(place, 'film')),
      side.mayShow('file') && this.item(texts.showFile, () => this.chooseDocument(place)),
      side.mayShow('link') && this.item(texts.webPage, () => this.askForAddress(place)),
    ].filter(Boolean)}`;
  }

  /** Where an address is being typed there; nothing elsewhere. */
  address(place: string): TemplateResult | null {
    return this.addressFor === place ? this.addressField(place) : null;
  }

  /** Pictures for a place. */
  takePictures(place: string, pictures: readonly File[]): void {
    this.choosingFor = place;
    void this.takeFiles(pictures);
  }

  /** Pictures that were chosen from the device. */
  async takeFiles(files: Iterable<File>): Promise<void> {
    const place = this.choosingFor;
    for (const file of files) await this.takePicture(place, () => this.side.uploads.take(file), titleOfFile(file));
  }

  /** A picture that was found by searching. */
  async takeFound(address: string, description: string): Promise<void> {
    await this.takePicture(this.choosingFor, () => this.side.uploads.takeFrom(address), description);
  }

  /** What can be done with something that is to be shown. */
  doing(place: string, attachment: Attachment, at: number): TemplateResult {
    const { texts } = this.side;
    const change = {
      picture: null,
      drawing: { words: texts.drawOn, press: () => this.draw(place, at) },
      formula: { words: texts.changeFormula, press: () => this.formula(place, at) },
      place: { words: texts.changePlace, press: () => this.place(place, at) },
      link: null,
      voice: null,
      film: null,
      file: null,
    }[attachment.kind];
    const kind = kindOf(attachment);
    const hints: Partial<Record<Attachment['kind'], string>> = {
      link: texts.linkCalled,
      voice: texts.voiceSays,
      film: texts.filmSays,
      file: texts.fileSays,
    };
    const hint = hints[attachment.kind] ?? texts.says;
    return html`${
        kind.described
          ? html`<input
              maxlength=${'words' in attachment ? LONGEST_SPOKEN : LONGEST_DESCRIPTION}
              dir="auto"
              placeholder=${hint}
              aria-label=${hint}
              .value=${live(wordsOf(attachment))}
              @input=${(e: Event) => {
                const words = (e.target as HTMLInputElement).value;
                this.making.replace(place, at, kind.described!(attachment, words));
              }}
            />`
          : nothing
      }
      <span class="making-do">
        ${
          change
            ? html`<button type="button" class="button button-quiet slip-change" @click=${change.press}>
                ${change.words}
              </button>`
            : nothing
        }
        <button
          type="button"
          class="button button-quiet slip-change"
          aria-label=${`${texts.takeOff}: ${said(attachment, texts)}`}
          @click=${() => this.takeOff(place, attachment, at)}
        >
          ${texts.takeOff}
        </button>
      </span>`;
  }

  private item(words: string, press: () => void): TemplateResult {
    return html`<button
      type="button"
      class="button button-quiet"
      @click=${(e: Event) => {
        (e.currentTarget as HTMLElement).closest('details')!.open = false;
        press();
      }}
    >
      ${words}
    </button>`;
  }

  private pictures(place: string, choose: () => void): void {
    this.choosingFor = place;
    choose();
  }

  /** Gives whether it is there. */
  private async takePicture(place: string, send: () => Promise<Taken | null>, description: string): Promise<boolean> {
    if (this.making.isFull(place)) return false;
    this.making.wait(place, 1);
    const taken = await send();
    this.making.wait(place, -1);
    if (taken)
      this.making.add(place, {
        kind: 'picture',
        ...sizeOf(taken),
        description: description.slice(0, LONGEST_DESCRIPTION),
      });
    return taken !== null;
  }

  private draw(place: string, at: number | null): void {
    let mine = at;
    const before = mine === null ? null : this.side.shown(place)[mine]!;
    const strokes = before?.kind === 'drawing' ? before.strokes : [];
    const description = before?.kind === 'drawing' ? before.description : '';
    if (mine === null && this.making.isFull(place)) return;
    this.side.dialogs.draw(strokes, (drawn) => {
      if (mine === null) mine = this.making.add(place, { kind: 'drawing', strokes: drawn, description });
      else if (drawn.length > 0) this.making.replace(place, mine, { kind: 'drawing', strokes: drawn, description });
      else {
        this.making.replace(place, mine, null);
        mine = null;
      }
    });
  }

  private formula(place: string, at: number | null): void {
    const before = at === null ? null : this.side.shown(place)[at]!;
    if (at === null && this.making.isFull(place)) return;
    this.side.dialogs.writeFormula(before?.kind === 'formula' ? before.source : '', (formula) =>
      this.making.put(place, at, { kind: 'formula', ...formula }),
    );
  }

  private place(place: string, at: number | null): void {
    const before = at === null ? null : this.side.shown(place)[at]!;
    const map = before?.kind === 'place' ? before.map : this.side.map;
    if (!map || (at === null && this.making.isFull(place))) return;
    this.side.dialogs.showPlace(map, before?.kind === 'place' ? before : null, (made) =>
      this.making.put(place, at, made),
    );
  }

  private record(place: string, kind: 'voice' | 'film'): void {
    if (this.making.isFull(place)) return;
    this.side.dialogs.record(kind, (recording) => this.takeRecording(place, kind, recording));
  }

  private takeRecording(place: string, kind: 'voice' | 'film', made: Recording): Promise<boolean> {
    return this.sent(place, madeOf(kind, made));
  }

  private photograph(place: string): void {
    if (this.making.isFull(place)) return;
    this.side.dialogs.record('photo', ({ file, words }) => {
      const photograph = new File([file], 'photograph.jpg', { type: file.type });
      return this.takePicture(place, () => this.side.uploads.take(photograph), words);
    });
  }

  private chooseDocument(place: string): void {
    if (this.making.isFull(place)) return;
    this.choosingFor = place;
    this.side.dialogs.chooseDocument();
  }

  /** A file that was chosen to be taken along. */
  async takeDocument(file: File | null): Promise<void> {
    if (!file) return;
    const place = this.choosingFor;
    if (file.size > LARGEST_FILE) return this.side.say(this.side.texts.fileTooLarge);
    await this.sent(place, await madeOfFile(file));
  }

  /** Gives whether it is on its way, or there. */
  private async sent(place: string, { sending, shown }: Made): Promise<boolean> {
    this.making.wait(place, 1);
    const sent = await this.side.send(sending);
    this.making.wait(place, -1);
    if (sent) this.making.add(place, shown(sent));
    return sent !== null;
  }

  private takeOff(place: string, attachment: Attachment, at: number): void {
    if (isSent(attachment)) this.side.sending?.cancel(attachment.media);
    this.making.replace(place, at, null);
  }

  private askForAddress(place: string): void {
    if (this.making.isFull(place)) return;
    this.addressFor = place;
    this.isNoAddress = false;
    this.making.refresh();
    // Once it is drawn.
    requestAnimationFrame(() => document.querySelector<HTMLInputElement>('[data-web-address]')?.focus());
  }

  private addressField(place: string): TemplateResult {
    const { texts } = this.side;
    return html`<form class="making-address" @submit=${(e: SubmitEvent) => this.takeAddress(place, e)}>
      <label
        >${texts.webAddress}
        <input
          name="address"
          data-web-address
          inputmode="url"
          autocomplete="off"
          spellcheck="false"
          maxlength="2000"
          @input=${() => this.typedAddress()}
        />
      </label>
      ${this.isNoAddress ? html`<p class="notice notice-need" role="alert">${texts.webAddressNone}</p>` : nothing}
      <span class="making-do">
        <button class="button button-small button-main">${texts.webAddressDo}</button>
        <button type="button" class="button button-small button-quiet" @click=${() => this.leaveAddress()}>
          ${texts.cancel}
        </button>
      </span>
    </form>`;
  }

  /** What is no address yet may become one. */
  private typedAddress(): void {
    if (!this.isNoAddress) return;
    this.isNoAddress = false;
    this.making.refresh();
  }

  private leaveAddress(): void {
    this.addressFor = null;
    this.making.refresh();
  }

  private async takeAddress(place: string, e: SubmitEvent): Promise<void> {
    e.preventDefault();
    const address = addressIn(String(new FormData(e.target as HTMLFormElement).get('address') ?? ''));
    this.isNoAddress = address === null;
    if (!address) return this.making.refresh();
    this.leaveAddress();
    this.making.wait(place, 1);
    const link = await madeOfLink(this.side.linkPlace, address);
    this.making.wait(place, -1);
    this.making.add(place, link);
  }
}

function sizeOf({ media, width, height }: Taken): Taken {
  return { media, width, height };
}
