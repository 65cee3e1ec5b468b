// What I tell my teacher, and what the teacher tells all: hand up, ready for a look; pens down, the lesson is over.

import { type LessonState, Signal } from '../room/lesson-state';
import type { RoomClient } from '../room/room-client';

interface Texts {
  readonly closed: string;
  readonly pensDown: string;
}

/** @param isStudent whether what the teacher tells all concerns me. */
export function tellingOf(lesson: () => RoomClient<LessonState> | null, me: number, isStudent: boolean, texts: Texts) {
  const give = (signal: Signal, on: boolean) => {
    const room = lesson();
    if (room?.client) room.submit({ kind: 'giveSignal', person: me, signal, on });
  };

  return {
    handUp: false,
    ready: false,
    pensDown: false,
    closed: false,

    refresh(): void {
      const { state } = lesson()!;
      this.pensDown = state.pensDown;
      this.closed = state.closed;
      const person = state.people.get(me);
      this.handUp = person?.handUpAt != null;
      this.ready = person?.readyAt != null;
    },

    /** Why nobody writes now, in words; empty if they may. */
    get held(): string {
      return !isStudent ? '' : this.closed ? texts.closed : this.pensDown ? texts.pensDown : '';
    },

    toggleHand(): void {
      give(Signal.HandUp, !this.handUp);
    },

    toggleReady(): void {
      give(Signal.ReadyForALook, !this.ready);
    },
  };
}
