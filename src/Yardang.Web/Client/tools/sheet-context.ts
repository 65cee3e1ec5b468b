// What a tool works on: the page, the room, and who is working.

import type { Command } from '../room/wire';
import type { Me, Sheets } from '../room/sheets';
import type { LiveInk } from '../surface/live-ink';
import type { PageSurface } from '../surface/page-surface';
import type { Pointers } from '../surface/pointers';

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
  /** Whether what is drawn as a shape becomes a zone. */
  readonly zoning: boolean;
  readonly language: string;
  /** Whether the activity itself may be changed: in the workshop. */
  readonly design: boolean;
  /** Whether others are here with whom to talk about marks. */
  readonly talks: boolean;
  newId(): number;
  submit(command: Command, gesture: number): void;
  preview(data: unknown[]): void;
  /** Whether writing is possible now; says why not if it is not. */
  mayWrite(): boolean;
}
