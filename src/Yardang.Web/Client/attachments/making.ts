// What is put beside words that are being written, on a slip or a new one: chosen, taken off and described where they are written. It is kept on
// the device with the words.

import { type TemplateResult, html, nothing } from 'lit-html';
import { live } from 'lit-html/directives/live.js';
import { repeat } from 'lit-html/directives/repeat.js';
import { type Formula } from '../media/formula-dialog';
import { type PictureUploads, type Taken, titleOfFile } from '../media/picture-uploads';
import { addressIn } from '../media/web-address';
import { fill } from '../page-data';
import type { Sending, Sent, Uploads } from '../media/uploads';
import type {
  Attachment,
  DrawnStroke,
  FileAttachment,
  FilmAttachment,
  LinkAttachment,
  MapPicture,
  PlaceAttachment,
  VoiceAttachment,
} from '../wire/forms';
import type { Recording, RecordingKind } from './recording';
import { type AttachmentTexts, type AttachmentView, kindOf, said, show, wordsOf } from './index';

const LONGEST_DESCRIPTION = 120;
const LONGEST_SPOKEN = 1000;
/** As Core's FileAttachment, bytes. */
const LARGEST_FILE = 20 * 1024 * 1024;

export interface MakingTexts extends AttachmentTexts {
  readonly fromDevice: string;
  readonly fromSearch: string;
  readonly draw: string;
  readonly formula: string;
  readonly onMap: string;
  readonly webAddress: string;
  readonly webAddressDo: string;
  readonly webAddressNone: string;
  readonly linkCalled: string;
  readonly cancel: string;
  readonly speak: string;
  readonly photograph: string;
  readonly filmIt: string;
  readonly showFile: string;
  readonly sharesOnItsWay: string;
  readonly fileTooLarge: string;
  readonly voiceSays: string;
  readonly filmSays: string;
  readonly fileSays: string;
  readonly takeOff: string;
  readonly drawOn: string;
  readonly changeFormula: string;
  readonly changePlace: string;
  readonly says: string;
  readonly onItsWay: string;
  readonly enoughShown: string;
  readonly shownNoLonger: string;
}

/** The dialogs in which attachments are made. */
export interface MakingDialogs {
  chooseFiles(): void;
  searchPictures(): void;
  draw(before: readonly DrawnStroke[], take: (strokes: readonly DrawnStroke[]) => void): void;
  writeFormula(source: string, take: (formula: Formula) => void): void;
  chooseDocument(): void;
  record(kind: RecordingKind, take: (recording: Recording) => void): void;
  showPlace(on: MapPicture, before: PlaceAttachment | null, take: (place: PlaceAttachment) => void): void;
}

export interface MakingSide extends AttachmentView {
  readonly texts: MakingTexts;
  readonly uploads: PictureUploads;
  readonly dialogs: MakingDialogs;
  /** Most that is shown together. */
  readonly most: number;
  /** On which places are shown; null for none. */
  readonly map: MapPicture | null;
  /** Whether I may show things of a kind, and this one. */
  mayShow(kind: Attachment['kind']): boolean;
  mayShowThis(attachment: Attachment): boolean;
  /** What is kept of a place where something is written. */
  shown(place: string): readonly Attachment[];
  keep(place: string, shown: readonly Attachment[]): void;
  say(words: string): void;
  /** What is on its way; null as long as it is not known what is. */
  readonly sending: Pick<Uploads, 'isWaiting' | 'share' | 'cancel'> | null;
  /** Keeps a recording or a file and sends it; gives its name. */
  send(what: Sending): Promise<Sent | null>;
  /** What the page at an address is called, as the server finds it; null if it cannot be asked. */
  lookUp(address: string): Promise<Omit<LinkAttachment, 'kind'> | null>;
}

export class Making {
  private readonly onTheirWay = new Map<string, number>();
  /** Where pictures go that are being chosen or searched. */
  private choosingFor = '';
  /** Where an address is being typed, and whether what was typed is none. */
  private addressFor: string | null = null;
  private isNoAddress = false;

  /** @param refresh draws what is written anew. */
  constructor(
    private readonly side: MakingSide,
    private readonly refresh: () => void,
  ) {}

  /**
   * Whether what is to be shown can be put up: no picture is still being sent, there is not too much, and the teacher lets it be shown.
   * @param before what is shown there already.
   */
  isReady(place: string, before: readonly Attachment[] = []): boolean {
    const fits = this.side.shown(place).length <= this.side.most;
    return fits && !this.isWaiting(place) && this.isAllowed(place, before);
  }

  /**
   * What is shown beside the words, each with what can be done with it.
   * @param before what is shown there already.
   */
  list(place: string, before: readonly Attachment[] = []): TemplateResult | typeof nothing {
    const { side } = this;
    const shown = side.shown(place);
    if (shown.length === 0 && !this.isWaiting(place)) return nothing;
    return html`<ul class="making">
        ${repeat(
          shown,
          (_, at) => at,
          (attachment, at) => html`<li>${show(attachment, side)} ${this.doing(place, attachment, at)}</li>`,
        )}
      </ul>
      ${this.isAllowed(place, before) ? nothing : html`<p class="notice" role="status">${side.texts.shownNoLonger}</p>`}
      <p class="making-waits" role="status">${this.waitingWords(place)}</p>`;
  }

  /**
   * The menu from which something is shown; none where only words may be put up.
   * @param beside what is written, for those who do not see where the button stands.
   */
  menu(place: string, beside: string): TemplateResult | typeof nothing {
    const { side } = this;
    const { texts } = side;
    const pictures = side.mayShow('picture');
    const can = [
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
    ].filter(Boolean);
    if (can.length === 0) return nothing;
    if (this.addressFor === place) return this.addressField(place);
    return html`<details class="making-menu" data-menu>
      <summary class="button button-small button-quiet">
        ${this.kindsToShow()}<span class="sr-only">: ${beside}</span>
      </summary>
      <div>${can}</div>
    </details>`;
  }

  /** Pictures that were pasted or dropped. True if there were any. */
  take(place: string, data: DataTransfer | null): boolean {
    const pictures = [...(data?.files ?? [])].filter((f) => f.type.startsWith('image/'));
    if (pictures.length === 0 || !this.side.mayShow('picture')) return false;
    this.choosingFor = place;
    void this.takeFiles(pictures);
    return true;
  }

  /** Pictures that were chosen from the device. */
  async takeFiles(files: Iterable<File>): Promise<void> {
    const place = this.choosingFor;
    for (const file of files) await this.takePicture(place, () => this.side.uploads.take(file), titleOfFile(file));
  }

  /** A picture that was found by searching. */
  takeFound(address: string, description: string): Promise<void> {
    return this.takePicture(this.choosingFor, () => this.side.uploads.takeFrom(address), description);
  }

  private isWaiting(place: string): boolean {
    return (this.onTheirWay.get(place) ?? 0) > 0 || this.sentFrom(place).length > 0;
  }

  /** A card is seen by others when all of it is there. */
  private sentFrom(place: string): readonly string[] {
    const { shown, sending } = this.side;
    const named = shown(place).flatMap((a) => (isSent(a) ? [a.media] : []));
    return named.filter((media) => sending?.isWaiting(media) ?? true);
  }

  private waitingWords(place: string): string {
    const { texts, sending } = this.side;
    const [first] = this.sentFrom(place);
    if (first) return fill(texts.sharesOnItsWay, Math.floor(100 * (sending?.share(first) ?? 0)));
    return this.isWaiting(place) ? texts.onItsWay : '';
  }

  private isAllowed(place: string, before: readonly Attachment[]): boolean {
    const known = before.map((a) => JSON.stringify(a));
    return this.side.shown(place).every((a) => this.side.mayShowThis(a) || known.includes(JSON.stringify(a)));
  }

  /** The first kinds by name, so that the button says what it is for. */
  private kindsToShow(): string {
    const { side } = this;
    const { picture, drawing, formula, mapPlace, webPage, voice, film, file } = side.texts;
    const kinds = [
      side.mayShow('picture') && picture,
      side.mayShow('voice') && voice,
      side.mayShow('film') && film,
      side.mayShow('drawing') && drawing,
      side.mayShow('formula') && formula,
      side.mayShow('place') && side.map && mapPlace,
      side.mayShow('link') && webPage,
      side.mayShow('file') && file,
    ].filter((words) => typeof words === 'string');
    const [first = '', second, ...more] = kinds;
    return `+ ${first}${second ? `, ${second.toLocaleLowerCase()}` : ''}${more.length > 0 ? ' …' : ''}`;
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

  private doing(place: string, attachment: Attachment, at: number): TemplateResult {
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
                this.replace(place, at, kind.described!(attachment, words));
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

  private pictures(place: string, choose: () => void): void {
    this.choosingFor = place;
    choose();
  }

  private async takePicture(place: string, send: () => Promise<Taken | null>, description: string): Promise<void> {
    if (this.side.shown(place).length + (this.onTheirWay.get(place) ?? 0) >= this.side.most)
      return this.side.say(fill(this.side.texts.enoughShown, this.side.most));
    this.wait(place, 1);
    const taken = await send();
    this.wait(place, -1);
    if (taken)
      this.add(place, { kind: 'picture', ...sizeOf(taken), description: description.slice(0, LONGEST_DESCRIPTION) });
  }

  private draw(place: string, at: number | null): void {
    let mine = at;
    const before = mine === null ? null : this.side.shown(place)[mine]!;
    const strokes = before?.kind === 'drawing' ? before.strokes : [];
    const description = before?.kind === 'drawing' ? before.description : '';
    if (mine === null && this.isFull(place)) return;
    this.side.dialogs.draw(strokes, (drawn) => {
      if (mine === null) mine = this.add(place, { kind: 'drawing', strokes: drawn, description });
      else if (drawn.length > 0) this.replace(place, mine, { kind: 'drawing', strokes: drawn, description });
      else {
        this.replace(place, mine, null);
        mine = null;
      }
    });
  }

  private formula(place: string, at: number | null): void {
    const before = at === null ? null : this.side.shown(place)[at]!;
    if (at === null && this.isFull(place)) return;
    this.side.dialogs.writeFormula(before?.kind === 'formula' ? before.source : '', (formula) =>
      this.put(place, at, { kind: 'formula', ...formula }),
    );
  }

  private place(place: string, at: number | null): void {
    const before = at === null ? null : this.side.shown(place)[at]!;
    const map = before?.kind === 'place' ? before.map : this.side.map;
    if (!map || (at === null && this.isFull(place))) return;
    this.side.dialogs.showPlace(map, before?.kind === 'place' ? before : null, (made) => this.put(place, at, made));
  }

  private record(place: string, kind: 'voice' | 'film'): void {
    if (this.isFull(place)) return;
    this.side.dialogs.record(kind, (recording) => void this.takeRecording(place, kind, recording));
  }

  private async takeRecording(place: string, kind: 'voice' | 'film', made: Recording): Promise<void> {
    const { file, duration, loudness, words, width, height, still } = made;
    await this.sent(place, { what: kind, file, ...(still && { picture: still }) }, ({ media, picture }) =>
      kind === 'voice'
        ? { kind, media, duration, loudness, words }
        : { kind, media, still: picture, width, height, duration, words },
    );
  }

  private photograph(place: string): void {
    if (this.isFull(place)) return;
    this.side.dialogs.record('photo', ({ file, words }) => {
      const photograph = new File([file], 'photograph.jpg', { type: file.type });
      void this.takePicture(place, () => this.side.uploads.take(photograph), words);
    });
  }

  private chooseDocument(place: string): void {
    if (this.isFull(place)) return;
    this.choosingFor = place;
    this.side.dialogs.chooseDocument();
  }

  /** A file that was chosen to be taken along. */
  async takeDocument(file: File | null): Promise<void> {
    if (!file) return;
    const place = this.choosingFor;
    if (file.size > LARGEST_FILE) return this.side.say(this.side.texts.fileTooLarge);
    const { firstPageOf, nameOfFile } = await import('../media/documents');
    const picture = await firstPageOf(file);
    const name = nameOfFile(file.name);
    await this.sent(place, { what: 'file', file, ...(picture && { picture }) }, ({ media, picture, format }) => {
      return { kind: 'file', media, name, format, size: file.size, picture, description: '' };
    });
  }

  private async sent(place: string, what: Sending, shown: (sent: Sent) => Attachment): Promise<void> {
    this.wait(place, 1);
    const sent = await this.side.send(what);
    this.wait(place, -1);
    if (sent) this.add(place, shown(sent));
  }

  private takeOff(place: string, attachment: Attachment, at: number): void {
    if (isSent(attachment)) this.side.sending?.cancel(attachment.media);
    this.replace(place, at, null);
  }

  private askForAddress(place: string): void {
    if (this.isFull(place)) return;
    this.addressFor = place;
    this.isNoAddress = false;
    this.refresh();
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
    this.refresh();
  }

  private leaveAddress(): void {
    this.addressFor = null;
    this.refresh();
  }

  /** Without a network it goes there under the name of its server. */
  private async takeAddress(place: string, e: SubmitEvent): Promise<void> {
    e.preventDefault();
    const address = addressIn(String(new FormData(e.target as HTMLFormElement).get('address') ?? ''));
    this.isNoAddress = address === null;
    if (!address) return this.refresh();
    this.leaveAddress();
    this.wait(place, 1);
    const found = await this.side.lookUp(address.href);
    this.wait(place, -1);
    this.add(place, {
      kind: 'link',
      ...(found ?? { address: address.href, title: '', site: address.hostname.slice(0, LONGEST_DESCRIPTION) }),
    });
  }

  private isFull(place: string): boolean {
    const full = this.side.shown(place).length >= this.side.most;
    if (full) this.side.say(fill(this.side.texts.enoughShown, this.side.most));
    return full;
  }

  private put(place: string, at: number | null, attachment: Attachment): void {
    if (at === null) this.add(place, attachment);
    else this.replace(place, at, attachment);
  }

  /** Gives where it stands. */
  private add(place: string, attachment: Attachment): number {
    const shown = this.side.shown(place);
    this.side.keep(place, [...shown, attachment]);
    this.refresh();
    return shown.length;
  }

  private replace(place: string, at: number, attachment: Attachment | null): void {
    const shown = [...this.side.shown(place)];
    shown.splice(at, 1, ...(attachment ? [attachment] : []));
    this.side.keep(place, shown);
    this.refresh();
  }

  private wait(place: string, by: number): void {
    this.onTheirWay.set(place, (this.onTheirWay.get(place) ?? 0) + by);
    this.refresh();
  }
}

/** Whether it comes to the server in pieces. */
export function isSent(attachment: Attachment): attachment is VoiceAttachment | FilmAttachment | FileAttachment {
  return attachment.kind === 'voice' || attachment.kind === 'film' || attachment.kind === 'file';
}

/** With what is known of it once all of it is there. */
export function withSent(attachment: Attachment, { media, picture, format }: Sent): Attachment {
  if (attachment.kind === 'film' && attachment.media === media) return { ...attachment, still: picture };
  if (attachment.kind === 'file' && attachment.media === media) return { ...attachment, picture, format };
  return attachment;
}

function sizeOf({ media, width, height }: Taken): Taken {
  return { media, width, height };
}
