// "Try it": a room without a server. What a command does, it does at once, and nothing is kept.

import type { Line, RoomClient } from '../room/room-client';
import type { Submission } from '../room/wire';

export class LocalLine implements Line {
  readonly isOpen = true;
  private client: RoomClient<any> | null = null;

  connect(client: RoomClient<any>): void {
    this.client = client;
    client.client = 1;
  }

  send(_room: string, submission: Submission): void {
    queueMicrotask(() => this.client?.confirmHere(submission));
  }

  preview(): void {}
}
