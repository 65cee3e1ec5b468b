// What is put beside words that are being written, on a slip or a new one, where they are written. It is kept on the device with the words.

import { type TemplateResult, html, nothing } from 'lit-html';
import { repeat } from 'lit-html/directives/repeat.js';
import { type Formula } from '../media/formula-dialog';
import type { PictureUploads } from '../media/picture-uploads';
import { fill } from '../page-data';
import type { Sending, Sent, Uploads } from '../media/uploads';
import type {
  Attachment,
  DrawnStroke,
  FileAttachment,
  FilmAttachment,
  MapPicture,
  PlaceAttachment,
  VoiceAttachment,
} from '../wire/forms';
import type { Recording, RecordingKind } from './recording';
import type { Choosing } from './choosing';
import type { LinkPlace } from './look-up';
import { type AttachmentTexts, type AttachmentView, show } from './index';

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
  readonly networkAway: string;
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
  record(kind: RecordingKind, take: (recording: Recording) => Promise<boolean>): void;
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
  /** Makes ready what sends, so that what is made without a network is kept; what is on this device still is sent. */
  makeReady(): Promise<unknown>;
  /** Keeps a recording or a file and sends it; gives its name. */
  send(what: Sending): Promise<Sent | null>;
  /** Where links of the room are looked up. */
  readonly linkPlace: LinkPlace;
}

export class Making {
  /** How it is chosen and made, once that is wanted and here. */
  choosing: Choosing | null = null;
  private readonly onTheirWay = new Map<string, number>();

  /** @param refresh draws what is written anew. */
  constructor(
    private readonly side: MakingSide,
    readonly refresh: () => void,
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
    void this.fetch();
    return html`<ul class="making">
        ${repeat(
          shown,
          (_, at) => at,
          (attachment, at) => html`<li>${show(attachment, side)} ${this.choosing?.doing(place, attachment, at)}</li>`,
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
    const kinds = this.kindsToShow();
    if (!kinds) return nothing;
    const address = this.choosing?.address(place);
    if (address) return address;
    return html`<details class="making-menu" data-menu @toggle=${() => void this.fetch(true)}>
      <summary class="button button-small button-quiet">${kinds}<span class="sr-only">: ${beside}</span></summary>
      <div>${this.choosing?.items(place)}</div>
    </details>`;
  }

  /** Pictures that were pasted or dropped. True if there were any. */
  take(place: string, data: DataTransfer | null): boolean {
    const pictures = [...(data?.files ?? [])].filter((f) => f.type.startsWith('image/'));
    if (pictures.length === 0 || !this.side.mayShow('picture')) return false;
    void this.fetch(true).then((choosing) => choosing?.takePictures(place, pictures));
    return true;
  }

  /** Fetches how it is chosen and made. @param isWanted at once: whoever cannot have it is told. */
  async fetch(isWanted = false): Promise<Choosing | null> {
    if (this.choosing) return this.choosing;
    const ready = Promise.all([import('./choosing'), this.side.makeReady()]);
    const found = await ready.then(([choosing]) => choosing).catch(() => null);
    if (!found && isWanted) this.side.say(this.side.texts.networkAway);
    if (!found || this.choosing) return this.choosing;
    this.choosing = new found.Choosing(this, this.side);
    this.refresh();
    return this.choosing;
  }

  /** Opens the dialog in which somebody speaks. */
  record(take: (recording: Recording) => Promise<boolean>): void {
    this.side.dialogs.record('voice', take);
  }

  send(what: Sending): Promise<Sent | null> {
    return this.side.send(what);
  }

  /** How much of something has come to the server, from 0 to 1; null for all of it. */
  shareOf(media: string): number | null {
    const { sending } = this.side;
    return (sending?.isWaiting(media) ?? true) ? (sending?.share(media) ?? 0) : null;
  }

  cancel(media: string): void {
    this.side.sending?.cancel(media);
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

  /** The first kinds by name, so that the button says what it is for; undefined for none. */
  private kindsToShow(): string | undefined {
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
    const [first, second, ...more] = kinds;
    return first && `+ ${first}${second ? `, ${second.toLocaleLowerCase()}` : ''}${more.length > 0 ? ' …' : ''}`;
  }

  /** Whether no more can be shown there; then that is said. */
  isFull(place: string): boolean {
    const full = this.side.shown(place).length + (this.onTheirWay.get(place) ?? 0) >= this.side.most;
    if (full) this.side.say(fill(this.side.texts.enoughShown, this.side.most));
    return full;
  }

  /** In place of what stands there, or behind all. */
  put(place: string, at: number | null, attachment: Attachment): void {
    if (at === null) this.add(place, attachment);
    else this.replace(place, at, attachment);
  }

  /** Gives where it stands. */
  add(place: string, attachment: Attachment): number {
    const shown = this.side.shown(place);
    this.side.keep(place, [...shown, attachment]);
    this.refresh();
    return shown.length;
  }

  /** Null takes it off. */
  replace(place: string, at: number, attachment: Attachment | null): void {
    const shown = [...this.side.shown(place)];
    shown.splice(at, 1, ...(attachment ? [attachment] : []));
    this.side.keep(place, shown);
    this.refresh();
  }

  /** More is on its way there, or less. */
  wait(place: string, by: number): void {
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
