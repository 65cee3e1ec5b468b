// What a page elsewhere is called: looked up by the server, so that no other site learns who asks.

import type { LinkAttachment } from '../wire/forms';

/** @param where links of the room are looked up. Null if it cannot be asked. */
export async function linkAt(where: string, address: string): Promise<Omit<LinkAttachment, 'kind'> | null> {
  try {
    const asked = new URL(where, location.href);
    asked.searchParams.set('address', address);
    const answer = await fetch(asked);
    return answer.ok ? ((await answer.json()) as Omit<LinkAttachment, 'kind'>) : null;
  } catch {
    return null;
  }
}
