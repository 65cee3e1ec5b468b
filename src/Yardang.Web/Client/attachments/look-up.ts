// What a page elsewhere is called: looked up by the server, so that no other site learns who asks.

import type { LinkAttachment } from '../wire/forms';

/** Where links of a room are looked up. */
export interface LinkPlace {
  readonly path: string;
  readonly token: string;
}

/**
 * Null if it cannot be asked.
 * @param where links of the room are looked up.
 */
export async function linkAt(
  { path, token }: LinkPlace,
  address: string,
): Promise<Omit<LinkAttachment, 'kind'> | null> {
  try {
    const asked = new URL(path, location.href);
    asked.searchParams.set('address', address);
    const answer = await fetch(asked, { method: 'POST', headers: { RequestVerificationToken: token } });
    return answer.ok ? ((await answer.json()) as Omit<LinkAttachment, 'kind'>) : null;
  } catch {
    return null;
  }
}
