// Sends a film, sound or picture to be set beside a page or at a station to the server, which takes it in anew.

import type { Stimulus, StimulusKind } from '../wire/forms';

/** Most letters of what it is called. */
export const LONGEST_TITLE = 120;

/** What became of it: what was taken, or why it was not. */
export async function sendStimulus(
  address: string,
  token: string,
  file: File,
  away: string,
): Promise<{ stimulus: Stimulus | null; fault: string }> {
  const body = new FormData();
  body.set('file', file);
  try {
    const answer = await fetch(address, { method: 'POST', body, headers: { RequestVerificationToken: token } });
    const told = (await answer.json()) as { media: string; kind: StimulusKind; fault?: string };
    const title = file.name.replace(/\.[^.]*$/, '').slice(0, LONGEST_TITLE);
    return answer.ok
      ? { stimulus: { kind: told.kind, source: told.media, title }, fault: '' }
      : { stimulus: null, fault: told.fault ?? away };
  } catch {
    return { stimulus: null, fault: away };
  }
}
