// What the browser has to know of a kind of attachment, in one place for each kind: see Core's Attachment for what the server has to.

import type { TemplateResult } from 'lit-html';

export interface AttachmentTexts {
  readonly picture: string;
  readonly drawing: string;
  readonly formula: string;
  readonly mapPlace: string;
  readonly webPage: string;
  readonly linkHere: string;
  readonly voice: string;
  readonly voicePlay: string;
  readonly voicePause: string;
  readonly voiceNoWords: string;
  readonly film: string;
  readonly filmPlay: string;
  readonly filmLarge: string;
  readonly file: string;
  readonly fileSave: string;
}

export interface AttachmentView {
  readonly texts: AttachmentTexts;
  /** Where a file of the room is found. */
  address(media: string): string;
}

export interface AttachmentKind<A> {
  /** What it shows. */
  show(attachment: A, view: AttachmentView): TemplateResult;
  /** What it says, in a line; what it is, if it says nothing. */
  said(attachment: A, texts: AttachmentTexts): string;
  /** What its author says of it; empty for nothing. */
  words(attachment: A): string;
  /** The same with other words of its author to it; only where there may be any. */
  described?(attachment: A, words: string): A;
  /** It shows its words itself, and has things to press of its own: it lies in no button. */
  readonly standsAlone?: true;
}
