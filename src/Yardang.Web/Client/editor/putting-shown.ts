// Puts voices, films, files and links on a page: recorded or chosen, sent in pieces, and put down when all of it is there. Until then it is kept on this device, also over a reload.

import { madeOf, madeOfFile, madeOfLink, type Made, LARGEST_FILE } from '../attachments/made';
import { isSent, withSent } from '../attachments/making';
import { recordingDialog } from '../attachments/recording';
import { sizeOf } from '../kinds/shown';
import { type Sending, type Sent, Uploads } from '../media/uploads';
import { addressIn } from '../media/web-address';
import { fill } from '../page-data';
import { MOST_ATTACHMENTS, isSame, mayStandOn } from '../room/shown';
import { Drafts } from '../threads/drafts';
import { freePlace } from '../tools/free-place';
import type { Attachment, ShownBody } from '../wire/forms';
import type { Editor } from './editor';
import type { Begun, Recorder, ShownPlace } from './shown-marks';

/** As Core's Recordings: the longest, s, and how long students may speak where nobody has chosen, s. */
const LONGEST_S = 180;
const USUAL_S = 60;

export async function puttingOf(editor: Editor, place: ShownPlace): Promise<Putting> {
  const recorder = await place.recorder(recordingDialog(() => secondsOn(editor)));
  const putting = new Putting(editor, place, recorder);
  await putting.start();
  return putting;
}

export class Putting {
  private readonly uploads: Uploads;
  /** What the server did not take, although all of it was there. */
  private refused: readonly Attachment[] = [];
  /** Where a file goes that is being chosen. */
  private filePage = 0;

  constructor(
    private readonly editor: Editor,
    private readonly place: ShownPlace,
    readonly recorder: Recorder,
  ) {
    const { room, query, drafts } = place;
    this.uploads = new Uploads(
      room,
      query,
      place.token(),
      () => place.refresh(),
      (sent) => drafts.change((a) => withSent(a, sent)),
      (media, why) => {
        drafts.takeOff((a) => isSent(a) && a.media === media);
        place.say(why);
        place.refresh();
      },
    );
  }

  start(): Promise<void> {
    return this.uploads.start();
  }

  begin(what: Exclude<Begun, 'link'>): void {
    const { editor, recorder } = this;
    const { page } = editor;
    if (what === 'photo')
      return recorder.open(what, ({ file, words }) =>
        editor.pictures.putDescribed(new File([file], 'photograph.jpg', { type: file.type }), words),
      );
    if (this.isFull(page)) return;
    if (what !== 'file') return recorder.open(what, (recording) => this.send(page, madeOf(what, recording)));
    this.filePage = page;
    document.querySelector<HTMLInputElement>('[data-documents]')!.click();
  }

  async takeFile(file: File): Promise<void> {
    if (file.size > LARGEST_FILE) return this.place.say(this.place.texts.fileTooLarge);
    await this.send(this.filePage, await madeOfFile(file));
  }

  /** False if what was typed is no address. */
  takeLink(typed: string): boolean {
    const address = addressIn(typed);
    const { page } = this.editor;
    if (!address) return false;
    if (this.isFull(page)) return true;
    const { room, query } = this.place;
    void madeOfLink({ path: `/rooms/${room}/link${query}`, token: this.place.token() }, address).then((link) =>
      this.add(page, link),
    );
    return true;
  }

  /** Keeps something and sends it, to be shown elsewhere than on a page. */
  sendOnly(what: Sending): Promise<Sent | null> {
    return this.uploads.take(what);
  }

  /** How much of something has come to the server, from 0 to 1; null for all of it. */
  shareOf(media: string): number | null {
    return this.uploads.isWaiting(media) ? this.uploads.share(media) : null;
  }

  /** Where it is heard before it is there; null for what this device does not have. */
  urlOf(media: string): string | null {
    return this.uploads.urlOf(media);
  }

  cancel(media: string): void {
    this.uploads.cancel(media);
  }

  /** From 0 to 1. */
  share(attachment: Attachment): number {
    return isSent(attachment) && this.isOnItsWay(attachment) ? this.uploads.share(attachment.media) : 1;
  }

  /** Why it is not put down now; undefined for what is on its way. */
  heldBack(page: number, attachment: Attachment): string | undefined {
    const { texts } = this.place;
    if (!this.mayStandOn(page, attachment)) return texts.notHere;
    return this.editor.mayWrite() ? undefined : texts.untilYouMay;
  }

  takeOff(page: number, at: number): void {
    const shown = this.shown(page);
    const attachment = shown[at];
    if (attachment && isSent(attachment)) this.uploads.cancel(attachment.media);
    this.keep(
      page,
      shown.filter((_, i) => i !== at),
    );
  }

  giveBack(page: number, attachment: Attachment): void {
    this.refused = [...this.refused, attachment];
    this.keep(page, [...this.shown(page), attachment]);
  }

  /** Puts down what is there. */
  settle(): void {
    const { editor } = this;
    if (!editor.mayWrite()) return;
    for (const { id } of editor.sheets.pages) {
      const shown = this.shown(id);
      const there = shown.filter((a) => !this.isOnItsWay(a) && this.mayStandOn(id, a));
      if (there.length === 0) continue;
      // Before it is put down: that draws everything anew, and asks again what is there.
      this.place.drafts.show(
        Drafts.onPage(id),
        shown.filter((a) => !there.includes(a)),
      );
      for (const attachment of there) this.put(id, attachment);
    }
  }

  private put(page: number, attachment: Attachment): void {
    const { editor } = this;
    const size = sizeOf(attachment);
    const at = freePlace(editor, size, page);
    const body: ShownBody = { kind: 'shown', ...at, ...size, shown: attachment };
    const style = { colour: editor.ink.colour, width: 0, fill: 0, looks: 0 };
    const id = editor.newId();
    editor.submit({ kind: 'addMark', id, page, grip: editor.grip, body, style, for: 0 }, id);
  }

  private async send(page: number, { sending, shown }: Made): Promise<boolean> {
    const sent = await this.uploads.take(sending);
    if (sent) this.add(page, shown(sent));
    return sent !== null;
  }

  private add(page: number, attachment: Attachment): void {
    this.keep(page, [...this.shown(page), attachment]);
  }

  private shown(page: number): readonly Attachment[] {
    return this.place.drafts.shown(Drafts.onPage(page));
  }

  private keep(page: number, shown: readonly Attachment[]): void {
    this.place.drafts.show(Drafts.onPage(page), shown);
    this.place.refresh();
  }

  private isOnItsWay(attachment: Attachment): boolean {
    return isSent(attachment) && this.uploads.isWaiting(attachment.media);
  }

  private mayStandOn(page: number, attachment: Attachment): boolean {
    const { sheets, me } = this.editor;
    return !this.refused.some((a) => isSame(a, attachment)) && mayStandOn(sheets.page(page), attachment, me);
  }

  /** Whether no more can be on its way to there; then that is said. */
  private isFull(page: number): boolean {
    const { texts } = this.place;
    const full = this.shown(page).length >= MOST_ATTACHMENTS;
    if (full) this.place.say(fill(texts.enoughShown, MOST_ATTACHMENTS));
    return full;
  }
}

function secondsOn({ sheets, page, me }: Editor): number {
  return me.isStaff ? LONGEST_S : (sheets.page(page)?.shows?.seconds ?? USUAL_S);
}
