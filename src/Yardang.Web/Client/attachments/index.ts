// The kinds of attachments. A kind that is in Core and not here does not compile.

import type { TemplateResult } from 'lit-html';
import type { Attachment } from '../wire/forms';
import { drawing } from './drawing';
import { file } from './file';
import { film } from './film';
import { formula } from './formula';
import type { AttachmentKind, AttachmentTexts, AttachmentView } from './kind';
import { link } from './link';
import { picture } from './picture';
import { place } from './place';
import { voice } from './voice';

export type { AttachmentTexts, AttachmentView } from './kind';

const KINDS: { readonly [K in Attachment['kind']]: AttachmentKind<Extract<Attachment, { kind: K }>> } = {
  picture,
  drawing,
  formula,
  place,
  link,
  voice,
  film,
  file,
};

export function kindOf(attachment: Attachment): AttachmentKind<Attachment> {
  return KINDS[attachment.kind] as unknown as AttachmentKind<Attachment>;
}

export function show(attachment: Attachment, view: AttachmentView): TemplateResult {
  return kindOf(attachment).show(attachment, view);
}

/** What it says, in a line; what it is, if it says nothing. */
export function said(attachment: Attachment, texts: AttachmentTexts): string {
  return kindOf(attachment).said(attachment, texts);
}

/** What its author says of it; empty for nothing. */
export function wordsOf(attachment: Attachment): string {
  return kindOf(attachment).words(attachment);
}
