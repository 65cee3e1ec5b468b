// What may be shown beside the words of a card: Core's Attachment.

import type { Attachment, Page } from '../wire/forms';
import type { Me } from './sheets';

/** Most that is shown beside the words of a card, and most points and letters of it. */
export const MOST_ATTACHMENTS = 4;
const MOST_WEIGHT = 40_000;

/** The numbers of Core's AttachmentKinds. */
export const KINDS: { readonly [K in Attachment['kind']]: number } = {
  picture: 1,
  drawing: 2,
  formula: 4,
  place: 8,
  link: 16,
  voice: 32,
  film: 64,
  file: 128,
};

/** What stands on pages as it is. */
export const ON_PAGES = KINDS.voice | KINDS.film | KINDS.file | KINDS.link;

/** How much there is of it, in points and letters. */
export function weightOf(attachment: Attachment): number {
  switch (attachment.kind) {
    case 'picture':
      return attachment.description.length + attachment.media.length;
    case 'drawing':
      return attachment.description.length + attachment.strokes.reduce((sum, s) => sum + s.points.length / 4, 0);
    case 'formula':
      return attachment.source.length + attachment.outline.length;
    case 'link':
      return attachment.address.length + attachment.title.length + attachment.site.length;
    case 'voice':
      return attachment.words.length + attachment.media.length + attachment.loudness.length;
    case 'film':
      return attachment.words.length + attachment.media.length + attachment.still.length;
    case 'file':
      return (
        attachment.name.length + attachment.description.length + attachment.media.length + attachment.picture.length
      );
    case 'place':
      return attachment.map.description.length + attachment.map.media.length + attachment.name.length;
  }
}

/** Whether it is not too much for one card. */
export function mayBeShown(attachments: readonly Attachment[]): boolean {
  return attachments.length <= MOST_ATTACHMENTS && attachments.reduce((sum, a) => sum + weightOf(a), 0) <= MOST_WEIGHT;
}

/** How long it lasts, ms; 0 for what does not. */
export function lasts(attachment: Attachment): number {
  return attachment.kind === 'voice' || attachment.kind === 'film' ? attachment.duration : 0;
}

/** As Core's Recordings: how much later than it was told to a recording ends, ms. */
const TOLERANCE_MS = 1500;

/** Whether somebody may put it on a page as it is: what PageShows says, and teachers all that stands on pages. */
export function mayStandOn(page: Page | undefined, attachment: Attachment, me: Me): boolean {
  const kind = KINDS[attachment.kind];
  if ((kind & ON_PAGES) === 0) return false;
  if (me.isStaff) return true;
  const shows = page?.shows;
  return !!shows && (shows.kinds & kind) !== 0 && lasts(attachment) <= shows.seconds * 1000 + TOLERANCE_MS;
}

export function isSame(one: Attachment, other: Attachment): boolean {
  return JSON.stringify(one) === JSON.stringify(other);
}
