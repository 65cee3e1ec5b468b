// The dialogs in which what is shown beside words is made, fetched when the first of them is opened.

import { formulaDialog } from '../media/formula-dialog';
import { type PictureTaker, pictureSearch } from '../media/picture-search';
import { drawingSheet } from './drawing-sheet';
import { placeOnMap } from './place-on-map';
import { recordingDialog } from './recording';

/**
 * @param taker who takes a picture that was found.
 * @param query with which a room's files are asked for.
 * @param address where a file of the room is found.
 * @param seconds how long may be spoken.
 */
export function attachmentDialogs(
  taker: () => PictureTaker,
  room: string,
  query: string,
  address: (media: string) => string,
  seconds: () => number,
) {
  return {
    pictureSearch: pictureSearch(taker, room, query),
    formula: formulaDialog(),
    drawing: drawingSheet(),
    place: placeOnMap(address),
    recording: recordingDialog(seconds),
  };
}

export type AttachmentDialogs = ReturnType<typeof attachmentDialogs>;
