// One room on this device: what is known of it, what of mine is on its way, and the two together as it is shown.
// A command is shown at once, and stays in the outbox until an event of the same client with its counter or a later one
// is in the log, or until it is refused. What of mine waits for the teacher is shown to me as if it were there. The headless
// client in C# (RoomClient.cs) follows the same rules, but for what waits, and is what the simulator tests.

import { decode } from '@msgpack/msgpack';
import { known } from '../wire/by-hand';
import type { LateWork, RoomSnapshot } from '../wire/forms';
import { readRoomSnapshot } from '../wire/kinds';
import type { OutboxStore } from './outbox-store';
import { serverNow } from './server-clock';
import { type Command, type Envelope, type RoomEvent, type Submission, readEnvelope, SNAPSHOT_FORMAT } from './wire';

export interface RoomState<S> {
  number: number;
  /** Work that waits for a teacher, where work does. */
  readonly setAside?: Iterable<LateWork>;
  /** What of mine is shown although it waits. */
  showWaiting?(mine: readonly LateWork[]): void;
  copy(): S;
  apply(envelope: Envelope): void;
}

/** The way to the room. Sending never waits. */
export interface Line {
  readonly isOpen: boolean;
  send(room: string, submission: Submission, after: number): void;
  preview(room: string, data: Uint8Array): void;
}

export interface Preview {
  readonly actor: number;
  readonly byStaff: boolean;
  readonly data: any[];
}

export interface RoomListener {
  /** Something that is shown may have changed. */
  changed?(): void;
  /** An event came from the log. */
  applied?(envelope: Envelope): void;
  previewed?(preview: Preview): void;
  refused?(submission: Submission, reason: number): void;
  /** Dots stand where I wrote something else. */
  masked?(): void;
}

const REFUSED_RESEND = 5;
const REFUSED_BUSY = 6;
const REFUSED_NOT_ALLOWED = 7;
const RESEND_PAUSE_MS = 250;
const ID_UNIT = 2 ** 32;
/** So much of what waits is shown in its place; a whole page of ink would be worked out anew with each event. */
const MOST_SHOWN_WAITING = 200;

/** The kinds of event that put something else in place of all there was. */
const DRAFT_REPLACED = 4;
const WORK_BROUGHT = 19;

/** What the word screen covers something with. */
const dotsIn = (what: object): number => JSON.stringify(what).split('•').length;

export class RoomClient<S extends RoomState<S>> {
  /** The number that the room gave this tab; 0 as long as it only looks. */
  client = 0;
  private counter = 0;
  private ids = 0;
  private confirmed: S;
  private predicted: S | null = null;
  private outbox: Submission[] = [];
  private readonly notHeld = new Set<Submission>();
  private readonly holding = new Set<Promise<void>>();
  private readonly lastInLog = new Map<number, number>();
  private resendTimer: ReturnType<typeof setTimeout> | null = null;

  constructor(
    readonly room: string,
    private readonly line: Line,
    readonly store: OutboxStore | null,
    private readonly read: (number: number, state: RoomSnapshot) => S,
    private readonly foresee: (state: S, command: Command) => RoomEvent | null,
    private readonly me: { number: number; isStaff: boolean },
    private readonly listener: RoomListener,
    empty: S,
  ) {
    this.confirmed = empty;
  }

  /** The room as it is shown: what is in the log, what of mine waits for the teacher, and my commands on top. */
  get state(): S {
    return this.predicted ?? this.confirmed;
  }

  /** Number of the last event that is known here. */
  get number(): number {
    return this.confirmed.number;
  }

  get waiting(): number {
    return this.outbox.length;
  }

  /** Done when the device holds all that is on its way, or cannot. */
  async held(): Promise<void> {
    await Promise.allSettled(this.holding);
  }

  /** Whether something on its way would be lost if this page went away now: the device does not hold it (yet). */
  get needsThisPage(): boolean {
    return this.outbox.some((s) => this.notHeld.has(s));
  }

  /** An id of this tab for a mark, page, gesture or tie: another one each time. */
  newId(): number {
    return this.client * ID_UNIT + ++this.ids;
  }

  /** Takes up what an earlier page of this device left unsent. */
  async recover(): Promise<void> {
    const left = (await this.store?.load()) ?? [];
    if (left.length === 0) return;
    this.outbox = [...left, ...this.outbox];
    this.drop();
    this.rebase();
    this.resend();
  }

  /** Only once this tab has its number: a command without one would be shown, and never be kept. */
  submit(command: Command, gesture = 0): Submission {
    if (this.client === 0) throw new Error('This tab has no number in the room yet.');
    const submission = { client: this.client, counter: ++this.counter, gesture, command };
    this.outbox.push(submission);
    const holding = this.hold(submission);
    this.holding.add(holding);
    void holding.finally(() => this.holding.delete(holding));
    this.predict(submission);
    this.transmit(submission);
    this.listener.changed?.();
    return submission;
  }

  preview(data: Uint8Array): void {
    if (this.line.isOpen) this.line.preview(this.room, data);
  }

  resend(): void {
    for (const submission of this.outbox) this.transmit(submission);
  }

  takeSnapshot(bytes: Uint8Array): void {
    const [format, kind, number, clients, state] = decode(bytes) as any[];
    // One that lay on this device since before an update cannot be read: it is as if there were none.
    if (format !== SNAPSHOT_FORMAT) throw new Error(`A snapshot of format ${format} cannot be read here.`);
    this.confirmed = this.read(number, known(readRoomSnapshot(kind, state)));
    for (const [client, , highWater] of clients) this.settle(client, highWater);
    this.rebase();
    this.listener.changed?.();
  }

  /** False if a snapshot is needed. */
  takeFrame(bytes: Uint8Array): boolean {
    const frame = decode(bytes) as any[];
    if (frame.length < 3) return false;
    const [through, events, previews] = frame;
    if (events.some((raw: any[]) => raw[8] === DRAFT_REPLACED || raw[8] === WORK_BROUGHT)) return false;
    for (const raw of events) this.takeEvent(readEnvelope(raw));
    this.confirmed.number = Math.max(this.confirmed.number, through);
    if (events.length > 0) {
      this.rebase();
      this.listener.changed?.();
    }
    for (const raw of previews) {
      const [actor, role, data] = decode(raw) as any[];
      this.listener.previewed?.({ actor, byStaff: role !== 0, data: decode(data) as any[] });
    }
    return true;
  }

  /** Without a server: what the command does, it does at once. Null if it was refused. */
  confirmHere(submission: Submission): Envelope | null {
    const { client, counter, gesture, command } = submission;
    const event = this.foresee(this.confirmed, command);
    if (!event) {
      this.takeRefusal(client, counter, REFUSED_NOT_ALLOWED);
      return null;
    }
    const { number: actor, isStaff: byStaff } = this.me;
    const envelope = { number: 0, time: serverNow(), actor, byStaff, client, counter, gesture, event };
    this.takeHere(envelope);
    return envelope;
  }

  /** Without a server: the next event, whoever's it is. */
  takeHere(envelope: Envelope): void {
    this.takeEvent({ ...envelope, number: this.confirmed.number + 1 });
    this.rebase();
    this.listener.changed?.();
  }

  showPreview(preview: Preview): void {
    this.listener.previewed?.(preview);
  }

  takeRefusal(client: number, counter: number, reason: number): void {
    if (reason === REFUSED_RESEND || reason === REFUSED_BUSY) {
      this.resendTimer ??= setTimeout(() => {
        this.resendTimer = null;
        this.resend();
      }, RESEND_PAUSE_MS);
      return;
    }
    const refused = this.outbox.find((s) => s.client === client && s.counter === counter);
    if (!refused) return;
    this.outbox = this.outbox.filter((s) => s !== refused);
    this.notHeld.delete(refused);
    this.store?.remove(client, counter);
    this.rebase();
    this.listener.refused?.(refused, reason);
    this.listener.changed?.();
  }

  private async hold(submission: Submission): Promise<void> {
    if (!this.store) return;
    this.notHeld.add(submission);
    try {
      await this.store.add(submission);
      this.notHeld.delete(submission);
      if (!this.line.isOpen) this.listener.changed?.();
    } catch (e) {
      console.warn('This device cannot hold what is written.', String(e));
    }
  }

  private takeEvent(envelope: Envelope): void {
    if (envelope.number <= this.confirmed.number) return;
    this.confirmed.number = envelope.number;
    this.confirmed.apply(envelope);
    const sent = this.outbox.find((s) => s.client === envelope.client && s.counter === envelope.counter);
    if (envelope.counter > 0) this.settle(envelope.client, envelope.counter);
    this.listener.applied?.(envelope);
    if (sent && this.listener.masked && dotsIn(envelope.event) > dotsIn(sent.command)) this.listener.masked();
  }

  private settle(client: number, counter: number): void {
    if (counter === 0) return;
    this.lastInLog.set(client, Math.max(counter, this.lastInLog.get(client) ?? 0));
    if (this.drop()) this.store?.settle(client, counter);
  }

  private drop(): boolean {
    const before = this.outbox.length;
    this.outbox = this.outbox.filter((s) => s.counter > (this.lastInLog.get(s.client) ?? 0));
    if (this.outbox.length === 0) this.notHeld.clear();
    return this.outbox.length < before;
  }

  private rebase(): void {
    this.predicted = null;
    const waiting = this.mineThatWaits();
    for (const late of waiting) this.predict(late);
    if (waiting.length > 0) (this.predicted as S | null)?.showWaiting?.(waiting);
    for (const submission of this.outbox) this.predict(submission);
  }

  private mineThatWaits(): LateWork[] {
    if (this.me.isStaff) return [];
    return [...(this.confirmed.setAside ?? [])]
      .filter(({ actor }) => actor.number === this.me.number)
      .slice(0, MOST_SHOWN_WAITING);
  }

  private predict(submission: Submission): void {
    const event = this.foresee(this.state, submission.command);
    if (!event) return;
    this.predicted ??= this.confirmed.copy();
    const { client, counter, gesture } = submission;
    const { number: actor, isStaff: byStaff } = this.me;
    this.predicted.apply({
      number: this.confirmed.number,
      time: serverNow(),
      actor,
      byStaff,
      client,
      counter,
      gesture,
      event,
    });
  }

  private transmit(submission: Submission): void {
    if (!this.line.isOpen) return;
    let after = this.lastInLog.get(submission.client) ?? 0;
    for (const s of this.outbox) {
      if (s === submission) break;
      if (s.client === submission.client) after = s.counter;
    }
    this.line.send(this.room, submission, after);
  }
}
