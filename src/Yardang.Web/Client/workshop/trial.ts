// "Try it" beside the editor: two sample students, on one board or on one each, that follow every change of the activity.

import { TryRoom } from '../lesson/try-room';

const SEATS = [1, 2];
const SHARED = 'shared';

/** @param page the id of the page in hand: there they begin. */
export function trialBeside(activity: string, part: number, page: () => number = () => 0) {
  const address = `/workshop/${activity}/try`;
  const rooms = new Map<string, TryRoom>();
  // The frames look for their room here.
  (window as unknown as { tryRooms: Map<string, TryRoom> }).tryRooms = rooms;

  return {
    isOpen: false,
    together: false,
    seat: 1,

    toggle(): void {
      this.isOpen = !this.isOpen;
      if (this.isOpen) this.begin();
      else rooms.clear();
    },

    share(together: boolean): void {
      this.together = together;
      this.begin();
    },

    /** Begins anew: what the sample students did before is gone. */
    begin(): void {
      for (const seat of SEATS) {
        const room = this.together ? SHARED : `seat-${seat}`;
        if (seat === SEATS[0] || !this.together) rooms.set(room, new TryRoom(`${address}?handler=Start&part=${part}`));
        const frame = document.querySelector<HTMLIFrameElement>(`[data-try-seat="${seat}"]`)!;
        frame.contentWindow?.location.replace(`${address}?seat=${seat}&part=${part}&room=${room}&at=${page()}`);
      }
    },

    renew(): void {
      for (const room of rooms.values()) room.renewSoon();
    },
  };
}
