// What is listed by itself among those who need the teacher, and after how long, while it is changed.

import type { LessonState } from '../room/lesson-state';
import type { RoomClient } from '../room/room-client';
import type { NeedsSettings } from '../wire/forms';

/** @param dialog in which it is changed. */
export function needsSettingsOf(lesson: () => RoomClient<LessonState>, dialog: () => HTMLDialogElement) {
  return {
    values: null as NeedsSettings | null,

    open(): void {
      this.values = { ...lesson().state.needs };
      dialog().showModal();
    },

    /** In seconds; 0 for never. */
    set(name: Exclude<keyof NeedsSettings, 'withoutAlerts'>, seconds: string): void {
      this.values = { ...(this.values as NeedsSettings), [name]: Number(seconds) };
    },

    /** Whether what may be mischief is listed. */
    setAlerts(on: boolean): void {
      this.values = { ...(this.values as NeedsSettings), withoutAlerts: !on };
    },

    keep(): void {
      lesson().submit({ kind: 'setNeeds', settings: this.values as NeedsSettings });
      this.close();
    },

    close(): void {
      dialog().close();
    },
  };
}
