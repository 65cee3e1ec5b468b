// "Try it" beside the editor: two sample students, on one board or on one each, that follow every change of the activity.

import { TryRoom } from '../board/try-room';

const SEATS = [1, 2];
const SHARED = 'shared';

export function tryBeside(activity: string) {
  const address = `/workshop/${activity}/try`;
  const rooms = new Map<string, TryRoom>();
  // The frames look for their room here.
  (window as unknown as { tryRooms: Map<string, TryRoom> }).tryRooms = rooms;

  return {
    trying: false,
    tryTogether: false,
    trySeat: 1,

    toggleTry(): void {
      this.trying = !this.trying;
      if (this.trying) this.beginTry();
      else rooms.clear();
    },

    shareTry(together: boolean): void {
      this.tryTogether = together;
      this.beginTry();
    },

    /** Begins anew: what the sample students did before is gone. */
    beginTry(): void {
      for (const seat of SEATS) {
        const room = this.tryTogether ? SHARED : `seat-${seat}`;
        if (seat === SEATS[0] || !this.tryTogether) rooms.set(room, new TryRoom(`${address}?handler=Start`));
        const frame = document.querySelector<HTMLIFrameElement>(`[data-try-seat="${seat}"]`)!;
        frame.contentWindow?.location.replace(`${address}?seat=${seat}&room=${room}`);
      }
    },

    renewTry(): void {
      for (const room of rooms.values()) room.renewSoon();
    },
  };
}
