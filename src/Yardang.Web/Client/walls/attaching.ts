// What is shown beside words, on a wall: who may show what, where it is kept until it is put up, and the dialogs in which it is made.

import { Making } from '../attachments/making';
import type { DrawingSheet } from '../attachments/drawing-sheet';
import type { PlaceOnMap } from '../attachments/place-on-map';
import type { FormulaDialog } from '../media/formula-dialog';
import type { PictureSearch } from '../media/picture-search';
import type { PictureUploads } from '../media/picture-uploads';
import type { Me } from '../room/sheets';
import { KINDS, MOST_ATTACHMENTS } from '../room/shown';
import type { WallState } from '../room/wall-state';
import type { Drafts } from './drafts';
import type { WallTexts } from './wall-texts';

/** The page on which it is made. */
interface AttachingPage {
  say(words: string): void;
  chooseFiles(): void;
  readonly pictureSearch: PictureSearch;
  readonly formula: FormulaDialog;
  readonly drawing: DrawingSheet;
  readonly place: PlaceOnMap;
}

export function attachingOf(
  page: AttachingPage,
  wall: () => WallState,
  me: Me,
  drafts: Drafts,
  uploads: PictureUploads,
  address: (media: string) => string,
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
      dialogs: {
        chooseFiles: () => page.chooseFiles(),
        searchPictures: () => page.pictureSearch.open(),
        draw: (before, take) => page.drawing.open(before, take),
        writeFormula: (source, take) => void page.formula.open(source, take),
        showPlace: (on, before, take) => page.place.open(on, before, take),
      },
    },
    changed,
  );
}
