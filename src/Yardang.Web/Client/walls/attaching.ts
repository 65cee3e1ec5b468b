// What is shown beside words, on a wall: who may show what, where it is kept until it is put up, and the dialogs in which it is made.

import { linkAt } from '../attachments/look-up';
import { Making } from '../attachments/making';
import type { AttachmentDialogs } from '../attachments/dialogs';
import type { VoiceUploads } from '../media/voice-uploads';
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
  room: { readonly id: string; readonly query: string; readonly token: string },
  texts: WallTexts,
  changed: () => void,
): Making {
  let voices: VoiceUploads | null = null;
  let starting: Promise<VoiceUploads | null> | null = null;
  const refused = (media: string, why: string) => {
    drafts.takeOff((a) => a.kind === 'voice' && a.media === media);
    page.say(why);
    changed();
  };
  const startVoices = () =>
    (starting ??= import('../media/voice-uploads')
      .then(async (made) => {
        const begun = new made.VoiceUploads(room.id, room.query, room.token, changed, refused);
        await begun.start();
        return (voices = begun);
      })
      .catch(() => (starting = null)));
  return new Making(
    {
      texts,
      uploads,
      address: (media) => voices?.urlOf(media) ?? address(media),
      get voices() {
        void startVoices();
        return voices;
      },
      sendVoice: async (file) => {
        const media = await startVoices().then((begun) => begun?.take(file) ?? null);
        if (!media) page.say(texts.networkAway);
        return media;
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
      lookUp: (link) => linkAt(`/rooms/${room.id}/link${room.query}`, link),
      dialogs: {
        chooseFiles: () => page.chooseFiles(),
        searchPictures: () => void page.inDialog((d) => d.pictureSearch.open()),
        draw: (before, take) => void page.inDialog((d) => d.drawing.open(before, take)),
        writeFormula: (source, take) => void page.inDialog((d) => void d.formula.open(source, take)),
        record: (take) => void page.inDialog((d) => d.recording.open(take)),
        showPlace: (on, before, take) => void page.inDialog((d) => d.place.open(on, before, take)),
      },
    },
    changed,
  );
}
