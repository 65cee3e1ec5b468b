// What is shown beside words, on a wall: who may show what, where it is kept until it is put up, and the dialogs in which it is made.

import { linkAt } from '../attachments/look-up';
import { Making } from '../attachments/making';
import type { AttachmentDialogs } from '../attachments/dialogs';
import type { PictureUploads } from '../media/picture-uploads';
import type { Me } from '../room/sheets';
import { KINDS, MOST_ATTACHMENTS } from '../room/shown';
import type { WallState } from '../room/wall-state';
import type { Drafts } from '../threads/drafts';
import type { WallTexts } from './wall-texts';

/** The page on which it is made. */
interface AttachingPage {
  say(words: string): void;
  chooseFiles(): void;
  /** Opens one of the dialogs once they are there. */
  inDialog(open: (dialogs: AttachmentDialogs) => void): Promise<void>;
}

export function attachingOf(
  page: AttachingPage,
  wall: () => WallState,
  me: Me,
  drafts: Drafts,
  uploads: PictureUploads,
  address: (media: string) => string,
  links: string,
  texts: WallTexts,
  changed: () => void,
): Making {
  return new Making(
    {
      texts,
      uploads,
      address,
      most: MOST_ATTACHMENTS,
      get map() {
        return wall().plan.map;
      },
      mayShow: (kind) => me.isStaff || (wall().plan.rules.shows & KINDS[kind]) !== 0,
      mayShowThis: (attachment) => wall().mayShow(attachment, me),
      shown: (place) => drafts.shown(place),
      keep: (place, shown) => drafts.show(place, shown),
      say: (words) => page.say(words),
      lookUp: (link) => linkAt(links, link),
      dialogs: {
        chooseFiles: () => page.chooseFiles(),
        searchPictures: () => void page.inDialog((d) => d.pictureSearch.open()),
        draw: (before, take) => void page.inDialog((d) => d.drawing.open(before, take)),
        writeFormula: (source, take) => void page.inDialog((d) => void d.formula.open(source, take)),
        showPlace: (on, before, take) => void page.inDialog((d) => d.place.open(on, before, take)),
      },
    },
    changed,
  );
}
