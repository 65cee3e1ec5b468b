// What the server hands to the page of a board's history.

import type { KindTexts } from '../kinds/kind';
import type { What } from './steps';

export interface HistoryTexts extends KindTexts {
  /** What was done, in words, by kind and number: "drew", "drewOne". */
  readonly did: Record<What | string, string>;
  /** What a restore will do, by kind and number. */
  readonly will: Record<string, string>;
  readonly teacher: string;
  readonly somebody: string;
  readonly pageOf: string;
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
  readonly refused: string;
  readonly heldAt: string;
}

export interface HistoryData {
  readonly room: string;
  readonly me: { readonly number: number; readonly isStaff: boolean };
  readonly mayRestore: boolean;
  readonly people: readonly { readonly number: number; readonly name: string }[];
  readonly zone: string;
  readonly written: string;
  readonly language: string;
  readonly texts: HistoryTexts;
}
