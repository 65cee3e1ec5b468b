// What is shown beside words, on a wall: who may show what, where it is kept until it is put up, and the dialogs in which it is made.

import { Making, isSent, withSent } from '../attachments/making';
import type { AttachmentDialogs } from '../attachments/dialogs';
import type { Sent, Uploads } from '../media/uploads';
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
  chooseDocument(): void;
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
  room: { readonly id: string; readonly query: string; readonly token: string },
  texts: WallTexts,
  changed: () => void,
): Making {
  let sending: Uploads | null = null;
  let starting: Promise<Uploads | null> | null = null;
  const refused = (media: string, why: string) => {
    drafts.takeOff((a) => isSent(a) && a.media === media);
    page.say(why);
    changed();
  };
  const arrived = (sent: Sent) => drafts.change((a) => withSent(a, sent));
  const start = () =>
    (starting ??= import('../media/uploads')
      .then(async (made) => {
        const begun = new made.Uploads(room.id, room.query, room.token, changed, arrived, refused);
        await begun.start();
        return (sending = begun);
      })
      .catch(() => (starting = null)));
  return new Making(
    {
      texts,
      uploads,
      address: (media) => sending?.urlOf(media) ?? address(media),
      get sending() {
        void start();
        return sending;
      },
      makeReady: start,
      send: async (what) => {
        const sent = await start().then((begun) => begun?.take(what) ?? null);
        if (!sent) page.say(texts.networkAway);
        return sent;
      },
      most: MOST_ATTACHMENTS,
      get map() {
        return wall().plan.map;
      },
      mayShow: (kind) => me.isStaff || (wall().plan.rules.shows & KINDS[kind]) !== 0,
      mayShowThis: (attachment) => wall().mayShow(attachment, me),
      shown: (place) => drafts.shown(place),
      keep: (place, shown) => drafts.show(place, shown),
      say: (words) => page.say(words),
      linkPlace: { path: `/rooms/${room.id}/link${room.query}`, token: room.token },
      dialogs: {
        chooseFiles: () => page.chooseFiles(),
        searchPictures: () => void page.inDialog((d) => d.pictureSearch.open()),
        draw: (before, take) => void page.inDialog((d) => d.drawing.open(before, take)),
        writeFormula: (source, take) => void page.inDialog((d) => void d.formula.open(source, take)),
        chooseDocument: () => page.chooseDocument(),
        record: (kind, take) => void page.inDialog((d) => d.recording.open(kind, take)),
        showPlace: (on, before, take) => void page.inDialog((d) => d.place.open(on, before, take)),
      },
    },
    changed,
  );
}
