// Who wrote a mark, as names are shown: told on choosing it, and in the list of marks.

import { fill } from '../page-data';
import type { Mark } from '../room/marks';
import type { Editor } from './editor';

/** "by Maya"; empty for one's own, a teacher's, and as long as the name is not known. */
export function authorOf(mark: Mark, editor: Editor, by: string): string {
  if (mark.byStaff || (mark.author === editor.me.number && !editor.me.isStaff)) return '';
  const name = editor.nameOf(mark.author);
  return name && fill(by, name);
}
