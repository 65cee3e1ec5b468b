// What time it is on the server. The clock of a device may be wrong by hours and may be set while a lesson runs; everything that compares times
// uses the server's.

/** The header of a snapshot that says it, ms since 1970. */
export const SERVER_TIME = 'X-Server-Time';

let ahead: number | null = null;

/** Notes what an answer that has just come says. */
export function noteServerTime(answer: Response): void {
  const said = Number(answer.headers.get(SERVER_TIME));
  // The page's own count of time goes on evenly, whatever happens to the device's clock.
  if (said > 0) ahead = said - performance.now();
}

/** Server time in ms. Before anything was heard, the device's. */
export function serverNow(): number {
  return ahead === null ? Date.now() : performance.now() + ahead;
}
