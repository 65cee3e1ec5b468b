// The draft of an activity that has no pages: what Editor is for those that have.

import { Changes } from '../editor/changes';
import { type Line, RoomClient, type RoomListener } from '../room/room-client';
import type { OutboxStore } from '../room/outbox-store';
import { type Me, Sheets } from '../room/sheets';

export class Draft extends Changes {
  readonly client: RoomClient<Sheets>;
  readonly page = 0;

  constructor(
    room: string,
    line: Line,
    store: OutboxStore,
    readonly me: Me,
    listener: RoomListener,
  ) {
    super();
    this.client = new RoomClient(
      room,
      line,
      store,
      (number, state) => Sheets.of(number, state),
      (sheets, command) => sheets.predict(command, me, true),
      me,
      listener,
      new Sheets(),
    );
  }

  may(): boolean {
    return this.client.client !== 0;
  }
}
