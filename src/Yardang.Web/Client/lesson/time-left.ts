// How much time is left, as a clock shows it; by the server's time, whatever the device's clock says.

import { endsFor } from '../room/phases';
import { serverNow } from '../room/server-clock';
import type { Phase } from '../wire/forms';

const SECOND = 1000;

/** "3:05"; empty if there is no end, "0:00" when the time is over. */
export function timeLeft(endsAt: number | null, now: number): string {
  if (endsAt === null) return '';
  const seconds = Math.max(0, Math.ceil((endsAt - now) / SECOND));
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}

/** Whether the time of somebody is over. */
export function isOver(phase: Phase | null, person: number, now = serverNow()): boolean {
  const end = phase && endsFor(phase, person);
  return end !== null && end <= now;
}
