// The dialogs in which what is shown beside words is made, fetched when the first of them is opened.

import { formulaDialog } from '../media/formula-dialog';
import { type PictureTaker, pictureSearch } from '../media/picture-search';
import { drawingSheet } from './drawing-sheet';
import { placeOnMap } from './place-on-map';

/**
 * @param taker who takes a picture that was found.
 * @param query with which a room's files are asked for.
 * @param address where a file of the room is found.
 */
export function attachmentDialogs(
  taker: () => PictureTaker,
  room: string,
  query: string,
  address: (media: string) => string,
) {
  return {
    pictureSearch: pictureSearch(taker, room, query),
    formula: formulaDialog(),
    drawing: drawingSheet(),
    place: placeOnMap(address),
  };
}

export type AttachmentDialogs = ReturnType<typeof attachmentDialogs>;
