// A board or wall as it was after each of its events: made from the nearest of the states that are kept, by the same rules as live.

import type { RoomState } from '../room/room-client';
import type { Envelope } from '../room/wire';

/** A state is kept after so many events: to reach any moment, no more than these are gone through. */
const EVENTS_PER_STATE = 250;

export class Moments<S extends RoomState<S>> {
  private readonly envelopes: Envelope[] = [];
  private readonly kept: S[];
  private readonly latest: S;
  /** The last moment that was asked for: most often the next one follows it. */
  private shown: S;
  private shownAt = 0;

  constructor(beginning: S) {
    this.kept = [beginning];
    this.latest = beginning.copy();
    this.shown = beginning.copy();
  }

  /** How many events there are. */
  get length(): number {
    return this.envelopes.length;
  }

  get events(): readonly Envelope[] {
    return this.envelopes;
  }

  /** As it is after all of them. */
  get now(): S {
    return this.latest;
  }

  /** Number of the last event after so many; of what it began with for none. */
  numberAt(count: number): number {
    return this.envelopes[count - 1]?.number ?? this.kept[0]!.number;
  }

  add(envelope: Envelope): void {
    this.latest.apply(envelope);
    this.envelopes.push(envelope);
    if (this.length % EVENTS_PER_STATE === 0) this.kept.push(this.latest.copy());
  }

  /** As it was after so many events; to be looked at, and not to be changed. It holds until another moment is asked for. */
  at(count: number): S {
    const nearest = Math.floor(count / EVENTS_PER_STATE);
    if (count < this.shownAt || nearest * EVENTS_PER_STATE > this.shownAt) {
      this.shown = this.kept[nearest]!.copy();
      this.shownAt = nearest * EVENTS_PER_STATE;
    }
    for (; this.shownAt < count; this.shownAt++) this.shown.apply(this.envelopes[this.shownAt]!);
    return this.shown;
  }
}
