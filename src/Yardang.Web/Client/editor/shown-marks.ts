// Voices, films, files and links on the page: which may be put there, what is on its way, and where each is played or opened. What does that is fetched when there is something to do.

import type { AttachmentTexts } from '../attachments/kind';
import type { Recording, recordingDialog } from '../attachments/recording';
import { Fetched } from '../fetched';
import { fill } from '../page-data';
import type { Mark } from '../room/marks';
import { ON_PAGES } from '../room/shown';
import type { Command } from '../room/wire';
import { Drafts } from '../threads/drafts';
import type { Speaking } from '../threads/speaking';
import type { Attachment } from '../wire/forms';
import type { Editor } from './editor';
import type { Putting } from './putting-shown';
import type { ShownOnPage } from './shown-on-page';

export interface ShownTexts extends AttachmentTexts {
  readonly sharesOnItsWay: string;
  readonly takeOff: string;
  readonly notHere: string;
  readonly untilYouMay: string;
  readonly enoughShown: string;
  readonly fileTooLarge: string;
  readonly open: string;
}

export type Recorder = ReturnType<typeof recordingDialog>;

/** The page on which they stand. */
export interface ShownPlace {
  readonly room: string;
  readonly query: string;
  readonly texts: ShownTexts;
  readonly networkAway: string;
  readonly drafts: Drafts;
  readonly looksOnly: boolean;
  token(): string;
  say(words: string): void;
  refresh(): void;
  /** Puts the dialog for recordings on the page; gives it as it is there. */
  recorder(made: Recorder): Promise<Recorder>;
}

const REST_MS = 5000;

/** What can be begun. */
export type Begun = 'voice' | 'film' | 'photo' | 'file' | 'link';

interface Going {
  readonly page: number;
  readonly at: number;
  readonly what: string;
  readonly words: string;
}

export function shownMarks(editor: () => Editor, place: () => ShownPlace) {
  const onPage = new Fetched<ShownOnPage>(
    async () => {
      const made = await import('./shown-on-page');
      return new made.ShownOnPage(editor(), place());
    },
    () => place().refresh(),
  );
  const putting = new Fetched<Putting>(
    async () => {
      const made = await import('./putting-shown');
      return made.puttingOf(editor(), place());
    },
    () => place().refresh(),
  );
  // What may be wanted without a network is fetched once the page has been read for a moment.
  let soon: ReturnType<typeof setTimeout> | undefined;
  const fetchSoon = () => (soon ??= setTimeout(() => void putting.now(), REST_MS));
  const drafted = (page: number): readonly Attachment[] => place().drafts.shown(Drafts.onPage(page));

  /** What teachers answer with goes the same way as what they put on pages. */
  const speaking: Speaking = {
    record: (take) => void record('voice', take),
    send: async (what) => (await putting.now())?.sendOnly(what) ?? null,
    shareOf: (media) => {
      const made = putting.get();
      return made ? made.shareOf(media) : 0;
    },
    cancel: (media) => putting.here?.cancel(media),
  };
  /** Opens the dialog for recordings for something else than the page. */
  async function record(kind: 'voice' | 'film', take: (recording: Recording) => Promise<boolean>): Promise<void> {
    const made = await putting.now();
    if (made) made.recorder.open(kind, take);
    else place().say(place().networkAway);
  }

  return {
    speaking,
    record,
    /** Where it is found, also before the server has it. */
    addressOf(media: string): string {
      const { room, query } = place();
      return putting.here?.urlOf(media) ?? `/rooms/${room}/media/${media}${query}`;
    },
    /** The kinds that I may put on the page in sight. */
    kinds: 0,
    /** What is on its way to this board, and how far it has come. */
    going: [] as readonly Going[],
    address: '',
    isNoAddress: false,

    refresh(): void {
      const { sheets, page, me } = editor();
      this.kinds = me.isStaff ? ON_PAGES : (sheets.page(page)?.shows?.kinds ?? 0);
      const isAny = sheets.visible(page).some((m) => m.body.kind === 'shown');
      if (isAny) onPage.get()?.refresh();
      else onPage.here?.refresh();
      if (place().looksOnly) return;
      if (this.kinds !== 0 && !me.isStaff) fetchSoon();
      const pages = sheets.pages.filter(({ id }) => drafted(id).length > 0);
      // Drawn anew only where there is something.
      if (pages.length > 0 || this.going.length > 0)
        this.going = pages.flatMap(({ id }) => drafted(id).map((attachment, at) => this.goes(id, attachment, at)));
      if (pages.length > 0) putting.get()?.settle();
    },

    goes(page: number, attachment: Attachment, at: number): Going {
      const { texts } = place();
      const made = putting.here;
      const held = made?.heldBack(page, attachment);
      const words = held ?? fill(texts.sharesOnItsWay, Math.floor(100 * (made?.share(attachment) ?? 0)));
      return { page, at, what: titleOf(attachment, texts), words };
    },

    lets(kind: number): boolean {
      return (this.kinds & kind) !== 0;
    },

    async begin(what: Begun): Promise<void> {
      if (!editor().mayWrite()) return;
      const made = await putting.now();
      if (!made) place().say(place().networkAway);
      else if (what === 'link') this.askForAddress();
      else made.begin(what);
    },

    documentChosen(event: Event): void {
      const input = event.target as HTMLInputElement;
      const [file] = input.files ?? [];
      input.value = '';
      if (file) void putting.now().then((made) => made?.takeFile(file));
    },

    takeOff({ page, at }: Going): void {
      putting.here?.takeOff(page, at);
    },

    askForAddress(): void {
      [this.address, this.isNoAddress] = ['', false];
      linkDialog().showModal();
    },

    /** An address was typed. */
    takeAddress(): void {
      this.isNoAddress = putting.here?.takeLink(this.address) === false;
      if (!this.isNoAddress) linkDialog().close();
    },

    leaveAddress(): void {
      linkDialog().close();
    },

    /** Plays it, or opens it. */
    open(mark: Mark): void {
      void onPage.now().then((shown) => shown?.open(mark));
    },

    /** What was not taken goes back to what waits, so that nothing of it is lost. */
    giveBack(command: Command): void {
      if (command.kind !== 'addMark' || command.body.kind !== 'shown') return;
      const { page, body } = command;
      void putting.now().then((made) => made?.giveBack(page, body.shown));
    },
  };
}

function titleOf(attachment: Attachment, texts: ShownTexts): string {
  if (attachment.kind === 'file') return attachment.name;
  if (attachment.kind === 'link') return attachment.title || attachment.address;
  return attachment.kind === 'film' ? texts.film : texts.voice;
}

function linkDialog(): HTMLDialogElement {
  return document.querySelector<HTMLDialogElement>('dialog[data-link-address]')!;
}
