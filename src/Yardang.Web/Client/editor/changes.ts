// Changing what a room of pages says, or the draft of an activity; and one's own steps back and forth.

import type { Change } from '../room/marks';
import type { RoomClient } from '../room/room-client';
import type { Me, Sheets } from '../room/sheets';
import type { Command } from '../room/wire';
import { StudentActs } from '../wire/forms';

export abstract class Changes {
  abstract readonly client: RoomClient<Sheets>;
  abstract readonly me: Me;
  /** The page in sight; 0 where there is none. */
  abstract readonly page: number;

  /** Whether this is possible now. */
  abstract may(act: StudentActs): boolean;

  mayWrite(): boolean {
    return this.may(StudentActs.Write);
  }

  get sheets(): Sheets {
    return this.client.state;
  }

  newId(): number {
    return this.client.newId();
  }

  submit(command: Command, gesture: number): void {
    this.client.submit(command, gesture);
  }

  /** Changes properties, as one gesture of its own. */
  change(...changes: Change[]): void {
    this.submit({ kind: 'makeChanges', changes }, this.newId());
  }

  get canUndo(): boolean {
    return this.sheets.nextUndo(this.me.number) !== null;
  }

  get canRedo(): boolean {
    return this.sheets.nextRedo(this.me.number) !== null;
  }

  undo(): void {
    const gesture = this.sheets.nextUndo(this.me.number);
    if (gesture !== null && this.may(this.sheets.actOfGesture(gesture)))
      this.submit({ kind: 'undoGesture', gesture }, 0);
  }

  redo(): void {
    const gesture = this.sheets.nextRedo(this.me.number);
    if (gesture !== null && this.may(this.sheets.actOfGesture(gesture)))
      this.submit({ kind: 'redoGesture', gesture }, 0);
  }
}
