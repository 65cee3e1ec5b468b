// What the server hands to the page of a board's or wall's history.

import type { MeasureTexts } from '../walls/line-measure';
import type { AttachmentTexts } from '../attachments/kind';
import type { KindTexts } from '../kinds/kind';

export interface HistoryTexts extends KindTexts, AttachmentTexts, MeasureTexts {
  /** What was done, in words, by kind and number: "drew", "drewOne". */
  readonly did: Record<string, string>;
  /** What a restore will do, by kind and number. */
  readonly will: Record<string, string>;
  readonly teacher: string;
  readonly somebody: string;
  readonly pageOf: string;
  readonly nowhere: string;
  readonly everything: string;
  readonly saidAloud: string;
  readonly links: string;
  readonly isLinkedTo: string;
  readonly onLine: string;
  readonly notPlaced: string;
  readonly answers: string;
  readonly nothingYet: string;
  readonly beginning: string;
  readonly rest: string;
  readonly came: string;
  readonly altered: string;
  readonly went: string;
  readonly same: string;
  readonly nothing: string;
  readonly beingRestored: string;
  readonly restored: string;
  readonly beingUndone: string;
  readonly undone: string;
  readonly refused: string;
  readonly heldAt: string;
  readonly onlyThis: string;
  readonly kept: string;
  readonly keptOne: string;
  readonly keptNow: string;
}

export interface HistoryData {
  readonly room: string;
  readonly kind: 'Board' | 'Wall';
  /** What is put behind each address, to say who asks. */
  readonly query: string;
  readonly me: { readonly number: number; readonly isStaff: boolean };
  readonly mayRestore: boolean;
  readonly people: readonly { readonly number: number; readonly name: string }[];
  readonly zone: string;
  readonly written: string;
  readonly language: string;
  readonly texts: HistoryTexts;
}
