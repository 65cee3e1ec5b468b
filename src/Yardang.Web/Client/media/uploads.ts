// Voices, films and files on their way to the server: kept on this device until all of each is there, sent in pieces, and gone on with after a cut network or a reload.

import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

/** Three cut off are less than a twentieth of the largest file. */
const PIECE = 256 * 1024;
const AGAIN_MS = [1000, 2000, 5000, 15_000];
const NOT_NOW = 409;
const ELSEWHERE = 412;
const TOO_OFTEN = 429;
/** There is no room for it: trying again changes nothing. */
const FULL = 507;

/** As Core's SentAs: the endings of addresses. */
export type SentAs = 'voice' | 'film' | 'file';

/** What is to be sent, and a picture that stands for it. */
export interface Sending {
  readonly what: SentAs;
  readonly file: Blob;
  readonly picture?: Blob;
}

/** What is there: its name, that of its picture, and of files what they are. */
export interface Sent {
  readonly media: string;
  readonly picture: string;
  readonly format: number;
}

interface Waiting extends Sending {
  /** The SHA-256 of its bytes: its name in the media store. */
  readonly media: string;
  /** Of the upload. */
  readonly id: string;
  /** Of which room, and of whom: the address under which it is sent, and the query with it. */
  readonly room: string;
  readonly query: string;
}

interface Kept extends DBSchema {
  waiting: { key: string; value: Waiting };
}

export class Uploads {
  private readonly waiting = new Map<string, Waiting>();
  private readonly urls = new Map<string, string>();
  private readonly at = new Map<string, number>();
  private db: IDBPDatabase<Kept> | null = null;

  /**
   * @param changed something is farther, or there.
   * @param arrived all of something is there.
   * @param refused what was not taken, and why, in words.
   */
  constructor(
    private readonly room: string,
    private readonly query: string,
    private readonly token: string,
    private readonly changed: () => void,
    private readonly arrived: (sent: Sent) => void,
    private readonly refused: (media: string, why: string) => void,
  ) {}

  /** What this device still has to send is sent. */
  async start(): Promise<void> {
    this.db = await openDB<Kept>('yardang-uploads', 1, {
      upgrade: (db) => void db.createObjectStore('waiting', { keyPath: 'media' }),
    }).catch(() => null);
    for (const waiting of (await this.db?.getAll('waiting')) ?? [])
      if (waiting.room === this.room && waiting.query === this.query && !this.waiting.has(waiting.media))
        this.send(waiting);
    this.changed();
  }

  /** Keeps something and sends it; gives its name. Where browsers work out no names (without https) the server does, once all of it is there; null if it is not taken. */
  async take(sending: Sending): Promise<Sent | null> {
    const media = await nameOf(sending.file);
    const waiting = { media: media ?? '', id: newId(), room: this.room, query: this.query, ...sending };
    if (!media) return this.sendAtOnce(waiting);
    if (!this.waiting.has(media)) {
      // A device that keeps nothing still sends it.
      await this.db?.put('waiting', waiting).catch(() => undefined);
      this.send(waiting);
    }
    return { media, picture: '', format: 0 };
  }

  isWaiting(media: string): boolean {
    return this.waiting.has(media);
  }

  /** How much of it is there, from 0 to 1. */
  share(media: string): number {
    const size = this.waiting.get(media)?.file.size ?? 1;
    return (this.at.get(media) ?? 0) / size;
  }

  /** Where it can be heard before it is there; null for what this device does not have. */
  urlOf(media: string): string | null {
    return this.urls.get(media) ?? null;
  }

  /** It is not wanted any more. */
  cancel(media: string): void {
    this.forget(media);
    this.changed();
  }

  private send(waiting: Waiting): void {
    this.waiting.set(waiting.media, waiting);
    this.urls.set(waiting.media, URL.createObjectURL(waiting.file));
    void this.sendAll(waiting);
  }

  private async sendAtOnce(waiting: Waiting): Promise<Sent | null> {
    const picture = await this.sendPicture(waiting);
    if (picture === 'later') return null;
    for (let at = 0; ;) {
      const outcome = await this.piece(waiting, at);
      if (typeof outcome === 'number') at = outcome;
      else if (outcome === 'later') return null;
      else if ('media' in outcome) return { ...outcome, picture };
      else {
        this.refused('', outcome.fault);
        return null;
      }
    }
  }

  private async sendAll(waiting: Waiting): Promise<void> {
    const { media, file } = waiting;
    let at = (await this.ask(waiting)) ?? 0;
    let picture: string | 'later' = 'later';
    for (let failed = 0; this.waiting.has(media);) {
      if (picture === 'later') picture = await this.sendPicture(waiting);
      const outcome = picture === 'later' ? 'later' : await this.piece(waiting, at);
      if (typeof outcome === 'number') {
        [at, failed] = [outcome, 0];
        this.at.set(media, Math.min(at, file.size));
        this.changed();
        continue;
      }
      if (outcome !== 'later') {
        const isThere = 'media' in outcome;
        if (isThere && this.waiting.has(media)) this.arrived({ ...outcome, picture });
        this.forget(media, isThere);
        return isThere ? undefined : this.refused(media, outcome.fault);
      }
      await this.rest(AGAIN_MS[Math.min(failed++, AGAIN_MS.length - 1)]!);
      at = (await this.ask(waiting)) ?? at;
    }
  }

  /** The name of the picture that stands for it; empty if there is none, or it is not taken: what it stands for is worth more. */
  private async sendPicture({ what, picture, room, query }: Waiting): Promise<string | 'later'> {
    if (!picture) return '';
    const body = new FormData();
    body.set('picture', new File([picture], 'still.jpg', { type: picture.type }));
    const asked = new URLSearchParams(query);
    asked.set('of', what);
    const headers = { RequestVerificationToken: this.token };
    const answer = await fetch(`/rooms/${room}/media?${asked}`, { method: 'POST', body, headers }).catch(() => null);
    if (!answer || isForLater(answer.status)) return 'later';
    return answer.ok ? ((await answer.json()) as { media: string }).media : '';
  }

  /** How far it has come; null if that cannot be asked, or it is there already and is told with the next piece. */
  private async ask(waiting: Waiting): Promise<number | null> {
    const answer = await fetch(this.address(waiting)).catch(() => null);
    return answer?.ok ? ((await answer.json()) as { at: number }).at : null;
  }

  private async piece(
    waiting: Waiting,
    at: number,
  ): Promise<number | 'later' | Omit<Sent, 'picture'> | { fault: string }> {
    const { file } = waiting;
    const address = this.address(waiting, { at: String(Math.min(at, file.size - 1)), of: String(file.size) });
    const headers = { RequestVerificationToken: this.token, 'Content-Type': 'application/octet-stream' };
    const body = file.slice(at, at + PIECE);
    const answer = await fetch(address, { method: 'PUT', body, headers }).catch(() => null);
    if (!answer) return 'later';
    const told = (await answer.json().catch(() => null)) as {
      at?: number;
      kept?: { media: string; format?: number };
      fault?: string;
    } | null;
    if (told?.kept) return { media: told.kept.media, format: told.kept.format ?? 0 };
    if ((answer.ok || answer.status === ELSEWHERE) && told?.at !== undefined) return told.at;
    if (isForLater(answer.status)) return 'later';
    return { fault: told?.fault ?? '' };
  }

  private address({ id, what }: Waiting, more: Record<string, string> = {}): string {
    const query = new URLSearchParams(this.query);
    query.set('what', what);
    for (const [name, value] of Object.entries(more)) query.set(name, value);
    return `/rooms/${this.room}/uploads/${id}?${query}`;
  }

  /** For a while, or until there is a network again. */
  private rest(ms: number): Promise<void> {
    return new Promise((done) => {
      const go = () => {
        clearTimeout(timer);
        window.removeEventListener('online', go);
        done();
      };
      const timer = setTimeout(go, ms);
      window.addEventListener('online', go);
    });
  }

  private forget(media: string, isThere = false): void {
    this.waiting.delete(media);
    this.at.delete(media);
    // What is there is still heard from here, as long as the page is open.
    if (!isThere) this.urls.delete(media);
    void this.db?.delete('waiting', media).catch(() => undefined);
    this.changed();
  }
}

function isForLater(status: number): boolean {
  return status === NOT_NOW || status === TOO_OFTEN || (status >= 500 && status !== FULL);
}

async function nameOf(file: Blob): Promise<string | null> {
  if (!crypto.subtle) return null;
  const hash = new Uint8Array(await crypto.subtle.digest('SHA-256', await file.arrayBuffer()));
  return [...hash].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

/** A random id, also without https. */
function newId(): string {
  const hex = [...crypto.getRandomValues(new Uint8Array(16))]
    .map((byte) => byte.toString(16).padStart(2, '0'))
    .join('');
  return hex.replace(/^(.{8})(.{4})(.{4})(.{4})/, '$1-$2-$3-$4-');
}
