// What a tool works on: the page, the room, and who is working.

import type { Command } from '../room/wire';
import type { Me, Sheets } from '../room/sheets';
import type { LiveInk } from '../surface/live-ink';
import type { PageSurface } from '../surface/page-surface';
import type { Pointers } from '../surface/pointers';
import type { StudentActs } from '../wire/forms';

export type Drawn = 'shape' | 'zone' | 'answerField';

export interface SheetContext {
  readonly surface: PageSurface;
  readonly live: LiveInk;
  readonly pointers: Pointers;
  readonly me: Me;
  /** Id of the page in sight. */
  readonly page: number;
  readonly sheets: Sheets;
  /** What new marks are: printed in the workshop, one's own on a board. */
  readonly grip: number;
  readonly ink: { colour: number; width: number; looks: number };
  readonly outline: { width: number };
  readonly note: { colour: number; one: boolean; bubble: boolean };
  /** What is made of what is drawn as a shape. */
  readonly draws: Drawn;
  readonly language: string;
  /** Whether the activity itself may be changed: in the workshop. */
  readonly design: boolean;
  /** Whether others are here with whom to talk about marks. */
  readonly talks: boolean;
  /** Who said aloud what is written now, by actor number; 0: nobody, I write for myself. What is written next is mine again. */
  takeSpeaker(): number;
  newId(): number;
  submit(command: Command, gesture: number): void;
  preview(data: unknown[]): void;
  /** Whether this is possible now. */
  may(act: StudentActs): boolean;
  /** Whether writing is. */
  mayWrite(): boolean;
}
