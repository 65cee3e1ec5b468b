// What this person wrote on boards that they are no longer on, and that has not arrived yet: handed in from whatever page is open.

import { encode } from '@msgpack/msgpack';
import { leftRooms } from './outbox-store';
import { encodeSubmission } from './wire';

/**
 * @param except rooms whose outbox is looked after by the page itself.
 * @param query who asks, as the hub is told.
 * @param token against requests from elsewhere.
 */
export async function handInLeftovers(
  who: string,
  except: readonly string[],
  query: string,
  token: string,
): Promise<void> {
  for (const { room, submissions, settle } of await leftRooms(who)) {
    if (except.includes(room)) continue;
    const body = encode(
      submissions.map((s, i) => {
        const before = submissions
          .slice(0, i)
          .filter((earlier) => earlier.client === s.client)
          .at(-1);
        return encodeSubmission(s, before?.counter ?? 0);
      }),
    );
    const headers = { RequestVerificationToken: token };
    const answer = await fetch(`/rooms/${room}/leftovers${query}`, {
      method: 'POST',
      headers,
      body: new Blob([new Uint8Array(body)]),
    });
    // A board to which there is no way back (404) takes nothing, ever.
    if (answer.ok || answer.status === 404) await settle();
  }
}
