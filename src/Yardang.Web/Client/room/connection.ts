// The live connection of a tab: any number of rooms over one socket, restored by itself for as long as the page is open.

import { type HubConnection, HubConnectionBuilder, HubConnectionState, LogLevel } from '@microsoft/signalr';
import { MessagePackHubProtocol } from '@microsoft/signalr-protocol-msgpack';
import { fewAtOnce } from './few-at-once';
import { lowData } from './low-data';
import type { Line, RoomClient } from './room-client';
import { noteServerTime } from './server-clock';
import { type Submission, encodeSubmission } from './wire';

export type Link = 'connecting' | 'open' | 'lost';

type AnyRoom = RoomClient<any>;

export interface Watched {
  readonly client: AnyRoom;
  readonly writes: boolean;
  /** Whether there is anything to keep up to date yet. */
  isHere: boolean;
  /** Whether it is out of sight, and need not be kept up to date. */
  isResting: boolean;
  /** Called when it is heard again. */
  heard: (() => void) | null;
  stop: (() => void) | null;
}

const RETRY_MS = [0, 500, 1000, 2000, 4000];
const HEARTBEAT_RESEND_MS = 5000;
const SPARES = 3;
const OPENING_MS = 4000;
const POLL_MS = 50;
const RELOAD_MS = 4000;
/** So many snapshots are fetched at once: of many rooms, the first are to be seen before the last are here. */
const FETCHED = 6;

/** In so long a page has been painted, ms. */
const FRAME_MS = 20;

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

/** For pages that are nothing without their room, and could not get it. */
export const reloadSoon = (): void => void setTimeout(() => location.reload(), RELOAD_MS);

/** How the hub refuses what this person has no right to. */
const NOT_ALLOWED = 'refused:7';

/** A frame that says: what you may do here has changed. */
const isRecall = (frame: Uint8Array) => frame.length === 2 && frame[1] === 0xfe;

export class Connection implements Line {
  private readonly hub: HubConnection;
  private readonly rooms = new Map<string, Watched>();
  private readonly inTurn = fewAtOnce(FETCHED);
  private firstSeen: Promise<unknown> | null = null;
  link: Link = 'connecting';

  /**
   * @param query as whom this tab acts: "?as=..." and perhaps "&look"; empty for a teacher.
   * @param onRecall what this tab may do in a room has changed: the page is asked for anew, unless it knows better.
   */
  constructor(
    private readonly query: string,
    private readonly onLink: (link: Link) => void,
    private readonly onRecall: (watched: Watched) => void = () => location.reload(),
  ) {
    this.hub = new HubConnectionBuilder()
      .withUrl(`/live${this.query}`)
      .withHubProtocol(new MessagePackHubProtocol())
      .withAutomaticReconnect({ nextRetryDelayInMilliseconds: (c) => RETRY_MS[c.previousRetryCount] ?? 5000 })
      .configureLogging(LogLevel.None)
      .build();
    this.hub.serverTimeoutInMilliseconds = 15_000;
    this.hub.keepAliveIntervalInMilliseconds = 5_000;
    this.hub.on('Refused', (room: string, client: number, counter: number, reason: number) =>
      this.rooms.get(room)?.client.takeRefusal(client, counter, reason),
    );
    // If it is another, a backup was put back: what this page knows may be in no log any more. What it has not sent yet is kept, and sent by the page that comes.
    let known: number | undefined;
    this.hub.on('Log', (log: number) => (known ??= log) === log || location.reload());
    this.hub.onreconnecting(() => this.setLink('lost'));
    this.hub.onreconnected(() => this.resume());
    this.hub.onclose(() => void this.start());
    setInterval(() => this.resendStale(), HEARTBEAT_RESEND_MS);
    lowData.listen(() => this.spare());
    // The device knows before a heartbeat is missed.
    window.addEventListener('offline', () => void this.hub.stop());
    window.addEventListener('online', () => void this.start());
  }

  get isOpen(): boolean {
    return this.hub.state === HubConnectionState.Connected;
  }

  /** Connects, and keeps trying. */
  async start(): Promise<void> {
    for (let attempt = 0; this.hub.state === HubConnectionState.Disconnected; attempt++) {
      try {
        await this.hub.start();
        await this.resume();
      } catch {
        this.setLink('lost');
        await pause(RETRY_MS[attempt] ?? 5000);
      }
    }
  }

  /** Brings a room here and keeps it up to date. Done when it can be shown, and written to if that is wanted. */
  async enter(client: AnyRoom, writes: boolean): Promise<void> {
    const watched: Watched = { client, writes, isHere: false, isResting: false, heard: null, stop: null };
    this.rooms.set(client.room, watched);
    if (!(await this.inTurn(() => this.bring(client)))) throw new Error('There is no right to this board (any more).');
    watched.isHere = true;
    if (await this.opensSoon()) await this.watch(watched).catch(() => this.resync(watched));
    else if (writes && client.client === 0) client.client = (await client.store?.takeSpare()) ?? 0;
    // Without a number nothing can be written: if none was put by, it takes until the connection stands.
    while (writes && client.client === 0) await pause(POLL_MS);
  }

  /** A room that is out of sight is not kept up to date until it is woken. */
  rest(room: string): void {
    const watched = this.rooms.get(room);
    if (!watched?.isHere || watched.writes) return;
    watched.isResting = true;
    watched.stop?.();
  }

  /** It is wanted again. Done when it is up to date. */
  async wake(room: string): Promise<void> {
    const watched = this.rooms.get(room);
    if (!watched?.isResting) return;
    watched.isResting = false;
    const heard = new Promise<void>((done) => (watched.heard = done));
    if (this.isOpen) await this.watch(watched).catch(() => this.resync(watched));
    await heard;
  }

  /** Leaves a room that is no longer looked at. */
  leave(room: string): void {
    this.rooms.get(room)?.stop?.();
    this.rooms.delete(room);
  }

  send(room: string, submission: Submission, after: number): void {
    this.hub.send('Submit', room, encodeSubmission(submission, after)).catch(() => undefined);
  }

  preview(room: string, data: Uint8Array): void {
    this.hub.send('Preview', room, data).catch(() => undefined);
  }

  /** Says on which page of a board I am. */
  turned(room: string, page: number): void {
    this.hub.send('Turned', room, page).catch(() => undefined);
  }

  /** Gets a client number for this tab, under which it may send commands. */
  async admit(client: AnyRoom): Promise<void> {
    if (client.client === 0) client.client = await this.hub.invoke<number>('Admit', client.room);
    void this.putBySpares(client).catch(() => undefined);
  }

  // A page that opens without a network cannot ask for a client number: some are put by.
  private async putBySpares(client: AnyRoom): Promise<void> {
    if (!client.store) return;
    for (let n = await client.store.spares(); n < SPARES; n++)
      await client.store.putBy(await this.hub.invoke<number>('Admit', client.room));
  }

  /** Whether the connection stood within a moment. */
  private async opensSoon(): Promise<boolean> {
    for (let waited = 0; !this.isOpen && waited < OPENING_MS; waited += POLL_MS) await pause(POLL_MS);
    return this.isOpen;
  }

  /** False if there is no right to it (any more). */
  private async bring(client: AnyRoom): Promise<boolean> {
    const response = await fetch(`/rooms/${client.room}/snapshot${this.query}`);
    if (response.status === 404) return false;
    if (!response.ok) throw new Error(`The board could not be fetched (${response.status}).`);
    noteServerTime(response);
    const bytes = new Uint8Array(await response.arrayBuffer());
    // Where many come at once, the first is on the screen before the others are read.
    await this.firstSeen;
    client.takeSnapshot(bytes);
    this.firstSeen ??= pause(FRAME_MS);
    return true;
  }

  private async watch(watched: Watched): Promise<void> {
    const { client } = watched;
    if (this.rooms.get(client.room) !== watched || watched.isResting) return;
    watched.stop?.();
    let current = true;
    const stream = this.hub.stream<Uint8Array>('Watch', client.room, client.number).subscribe({
      next: (frame) => {
        if (!current) return;
        if (isRecall(frame)) this.recalled(watched);
        else if (!client.takeFrame(frame)) void this.resync(watched);
        watched.heard?.();
      },
      error: (e: Error) => {
        if (!current) return;
        // Perhaps I was sent away before this was asked for.
        if (e.message.endsWith(NOT_ALLOWED)) this.recalled(watched);
        else void this.again(watched);
      },
      // A stream has no end while the connection stands; after a recall or a new snapshot nobody listens to it any more.
      complete: () => current && void this.again(watched),
    });
    watched.stop = () => {
      current = false;
      stream.dispose();
    };
    if (watched.writes) await this.admit(client);
    client.resend();
  }

  // A connection that broke comes back by itself. While it stands, a room that is no longer heard is fetched anew.
  private async again(watched: Watched): Promise<void> {
    watched.stop?.();
    await pause(RETRY_MS[1]!);
    if (this.isOpen && this.rooms.get(watched.client.room) === watched) await this.resync(watched);
  }

  // Nothing more comes and nothing more is sent until the page knows its place.
  private recalled(watched: Watched): void {
    watched.stop?.();
    this.rooms.delete(watched.client.room);
    this.onRecall(watched);
  }

  /** Goes on with a room from which this tab was recalled. */
  async rejoin(watched: Watched): Promise<void> {
    this.rooms.set(watched.client.room, watched);
    await this.resync(watched);
  }

  private async resync(watched: Watched): Promise<void> {
    watched.stop?.();
    for (let attempt = 0; this.rooms.get(watched.client.room) === watched; attempt++) {
      try {
        if (await this.inTurn(() => this.bring(watched.client))) {
          if (this.isOpen) await this.watch(watched);
          return;
        }
        // The stream that would have told it has been stopped.
        if (this.rooms.get(watched.client.room) === watched) return this.recalled(watched);
      } catch {
        await pause(RETRY_MS[attempt] ?? 5000);
      }
    }
  }

  private async resume(): Promise<void> {
    this.setLink('open');
    if (lowData.isOn) this.spare();
    const here = [...this.rooms.values()].filter((watched) => watched.isHere);
    await Promise.all(here.map((watched) => this.watch(watched).catch(() => this.resync(watched))));
  }

  // An answer may have got lost; asking again does no harm.
  private resendStale(): void {
    if (this.isOpen) for (const { client } of this.rooms.values()) if (client.waiting > 0) client.resend();
  }

  // The server leaves out what is heavy and passing.
  private spare(): void {
    if (this.isOpen) this.hub.send('Spare', lowData.isOn).catch(() => undefined);
  }

  private setLink(link: Link): void {
    if (link === 'lost' && this.link === 'open') lowData.noteLoss();
    this.link = link;
    this.onLink(link);
  }
}
