// A copy of my own work, for this device. It is made where the work is kept: what is not there yet would be missing in it.

import type { WorkTexts } from './work-data';

/** What is taken along, and from where. */
export interface OwnWork {
  readonly room: string;
  readonly query: string;
  /** In which the teacher's words are read. */
  readonly language: string;
  /** Which page the picture is of. */
  readonly page: number;
  /** What is on its way to the server, once nothing is in hand any more. */
  waiting(): number;
  readonly texts: WorkTexts & { readonly networkAway: string };
}

const TOO_MUCH = 429;
const TOO_MANY = 503;
/** How long what was done a moment ago may take to arrive. */
const WAIT_MS = 3000;
const LOOK_MS = 100;

/** What there is to say about it; nothing where the copy is there. */
export async function takeAlong(work: OwnWork, format: 'pdf' | 'png'): Promise<string> {
  const { room, query, language, page, texts } = work;
  for (let waited = 0; work.waiting() > 0; waited += LOOK_MS) {
    if (waited >= WAIT_MS) return texts.copyWaits;
    await new Promise((done) => setTimeout(done, LOOK_MS));
  }
  const address = `/board/${room}/mine.${format}${query}&page=${page}&language=${language}`;
  // What was saved a moment ago may have changed since.
  const answer = await fetch(address, { cache: 'no-store' }).catch(() => null);
  const file = await answer?.blob().catch(() => null);
  if (!answer || !file) return texts.networkAway;
  if (answer.status === TOO_MUCH || answer.status === TOO_MANY) return texts.copyBusy;
  if (!answer.ok) return texts.copyNo;
  const link = document.createElement('a');
  link.href = URL.createObjectURL(file);
  link.download = nameIn(answer.headers.get('content-disposition') ?? '', format);
  link.click();
  URL.revokeObjectURL(link.href);
  return '';
}

function nameIn(disposition: string, format: string): string {
  const [, name] = /filename\*=UTF-8''([^;]+)/.exec(disposition) ?? [];
  return name ? decodeURIComponent(name) : `yardang.${format}`;
}
