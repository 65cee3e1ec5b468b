// "Try it": a room without a server, on which one or two sample students sit. What a command does, it does at once, and nothing is kept.

import { decode } from '@msgpack/msgpack';
import type { Line, RoomClient } from '../room/room-client';
import type { Envelope, Submission } from '../room/wire';

const RENEW_MS = 700;

export class TryRoom {
  private readonly seats: TrySeat[] = [];
  private readonly done: Envelope[] = [];
  private timer: ReturnType<typeof setTimeout> | null = null;

  /** @param start address of what a student finds when the activity is handed out. */
  constructor(private readonly start: string) {}

  /** The activity was changed: the students find it so, with what they have done on it. */
  renewSoon(): void {
    this.timer ??= setTimeout(() => {
      this.timer = null;
      for (const seat of this.seats) void this.bring(seat);
    }, RENEW_MS);
  }

  async sitDown(seat: TrySeat): Promise<void> {
    this.seats.push(seat);
    await this.bring(seat);
  }

  submit(by: TrySeat, submission: Submission): void {
    const envelope = by.client?.confirmHere(submission);
    if (!envelope) return;
    this.done.push(envelope);
    for (const seat of this.seats) if (seat !== by) seat.client?.takeHere(envelope);
  }

  preview(by: TrySeat, bytes: Uint8Array): void {
    const data = decode(bytes) as any[];
    for (const seat of this.seats) if (seat !== by) seat.client?.showPreview({ actor: by.actor, byStaff: false, data });
  }

  private async bring({ client }: TrySeat): Promise<void> {
    const answer = await fetch(this.start);
    if (!answer.ok || !client) return;
    client.takeSnapshot(new Uint8Array(await answer.arrayBuffer()));
    for (const envelope of this.done) client.takeHere(envelope);
  }
}

/** A sample student's way to the room. */
export class TrySeat implements Line {
  readonly isOpen = true;
  client: RoomClient<any> | null = null;

  constructor(
    private readonly room: TryRoom,
    readonly actor: number,
  ) {}

  async sitDown(client: RoomClient<any>): Promise<void> {
    this.client = client;
    client.client = this.actor;
    await this.room.sitDown(this);
  }

  send(_room: string, submission: Submission): void {
    queueMicrotask(() => this.room.submit(this, submission));
  }

  preview(_room: string, data: Uint8Array): void {
    this.room.preview(this, data);
  }
}

/** A sample student's place in the room of a try-out: in a frame of the workshop the one that the workshop keeps, else one for this page alone. */
export function seatIn({ room, start }: { readonly room: string; readonly start: string }, actor: number): TrySeat {
  const kept = (window.parent as unknown as { tryRooms?: Map<string, TryRoom> }).tryRooms;
  return new TrySeat(kept?.get(room) ?? new TryRoom(start), actor);
}
