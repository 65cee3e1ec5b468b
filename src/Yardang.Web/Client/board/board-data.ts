// What a board's page carries from the server.

import type { Speaker } from './speaking';
import type { MarkListTexts } from '../editor/mark-list';
import type { WorkData, WorkTexts } from '../lesson/work-data';
import type { ShownTexts } from '../editor/shown-marks';
import type { FieldTexts } from './answer-fields';
import type { BoardTalkTexts } from './talk-panel';

export interface BoardData extends WorkData {
  /** Who may have said something aloud that a teacher writes down. */
  readonly speakers?: readonly Speaker[];
  readonly texts: BoardTexts;
}

export interface BoardTexts extends WorkTexts, MarkListTexts {
  readonly talk: BoardTalkTexts;
  readonly shown: ShownTexts;
  readonly answerFields: Pick<FieldTexts, 'field' | 'typeHere'>;
  readonly besideMe: string;
  readonly besideSomebody: string;
  readonly leads: string;
  readonly leadsOne: string;
  readonly callHere: string;
  readonly sayWhy: string;
  /** "Why, for {0} to read" */
  readonly sayWhyTo: string;
  readonly callChosen: string;
  readonly bringAway: string;
  readonly brought: string;
  readonly broughtOne: string;
  readonly figureTools: Record<string, string>;
  readonly pageOf: string;
  readonly pictureAway: string;
  readonly networkAway: string;
  readonly roomLeft: string;
  readonly nobodyNamed: string;
  readonly fresh: string;
  readonly freshPage: string;
}
