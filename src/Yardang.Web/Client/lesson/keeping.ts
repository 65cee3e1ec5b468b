// What the ledge says of where my work is. "Kept" is said only of what the server has.

import { fill } from '../page-data';
import type { Link } from '../room/connection';
import type { WorkTexts } from './work-data';

export interface Keeping {
  readonly mode: 'student' | 'look' | 'beside' | 'try' | 'embed';
  readonly isOpened: boolean;
  readonly isMoving: boolean;
  readonly link: Link;
  /** What the server has not confirmed. */
  readonly waiting: number;
  /** Whether it would be lost with this page. */
  readonly needsPage: boolean;
  /** My own work that the teacher is asked about. */
  readonly setAside: number;
  /** How much of it I am told to mend. */
  readonly returned: number;
  /** How much of it waits because of what was found in it. */
  readonly keptBack: number;
}

export type KeptState = 'kept' | 'sending' | 'here';

export function keptWords(k: Keeping, texts: WorkTexts): string {
  if (k.mode === 'try') return texts.tryOut;
  if (k.mode === 'look' || k.mode === 'embed') return texts.onlyLook;
  if (k.isMoving) return texts.moving;
  if (!k.isOpened) return texts.opening;
  if (k.waiting > 0) return k.link === 'open' ? texts.sending : k.needsPage ? texts.keepOpen : texts.keptHere;
  if (k.returned > 0) return texts.returned;
  if (k.keptBack > 0) return fill(texts.keptBack, k.keptBack);
  if (k.setAside > 0) return fill(texts.setAside, k.setAside);
  return k.link === 'lost' ? texts.keptHere : texts.kept;
}

export function keptState(k: Keeping): KeptState {
  if (!k.isOpened || (k.waiting > 0 && k.link !== 'open' && k.needsPage)) return 'sending';
  if (k.link === 'lost') return 'here';
  return k.waiting === 0 ? 'kept' : k.link === 'open' ? 'sending' : 'here';
}

/** Of a try-out nothing is kept. */
export const TRYING: Keeping = {
  mode: 'try',
  isOpened: true,
  isMoving: false,
  link: 'open',
  waiting: 0,
  needsPage: false,
  setAside: 0,
  returned: 0,
  keptBack: 0,
};
