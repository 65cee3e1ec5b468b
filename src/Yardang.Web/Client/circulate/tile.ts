// The room of one student or group as the teacher sees it among the others: live, and small. Boards are drawn, walls are counted.

import { lowData } from '../room/low-data';
import type { Connection } from '../room/connection';
import { RoomClient, type RoomState } from '../room/room-client';
import type { Me } from '../room/sheets';
import type { Command, RoomEvent } from '../room/wire';
import type { LastAct, LateWork, RoomSnapshot } from '../wire/forms';
import type { LatePage, LateTexts } from './late-work';
import type { PageSeen } from './table';

const AGAIN_MS = 2000;
/** Where data are spared, a room that is out of sight is looked at so often. */
const GLANCE_MS = 20_000;

/** When anybody, and each student, did something last in a room, as it was when the page was opened. */
export interface Activity {
  readonly last: number | null;
  readonly of: Readonly<Record<number, number>>;
}

/** A room in which students work. */
export interface WorkState<S> extends RoomState<S> {
  readonly lastActivity: number | null;
  readonly acts: ReadonlyMap<number, LastAct>;
  readonly setAside: Iterable<LateWork>;
}

export interface TileOptions<S> {
  readonly room: string;
  readonly connection: Connection;
  readonly me: Me;
  readonly before: Activity | undefined;
  /** What the room says; a teacher writes nothing in it from here but decisions. */
  readonly empty: S;
  read(number: number, state: RoomSnapshot): S;
  foresee(state: S, command: Command): RoomEvent | null;
  changed(): void;
}

/** What becomes of work that waits. */
export type Decided = 'acceptLateWork' | 'returnWork' | 'discardLateWork';

export abstract class Tile<S extends WorkState<S> = any> {
  protected readonly client: RoomClient<S>;
  private readonly seen = new Map<number, number>();
  private isWanted = true;
  private glance: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly options: TileOptions<S>) {
    this.client = new RoomClient<S>(
      options.room,
      options.connection,
      null,
      (number, state) => options.read(number, state),
      (state, command) => options.foresee(state, command),
      options.me,
      {
        changed: () => {
          this.shown();
          options.changed();
        },
        applied: ({ event, actor, time }) => {
          if (event.kind !== 'clientAdmitted') this.seen.set(actor, time);
          this.happened(event, actor);
        },
        previewed: ({ actor, byStaff, data }) => this.previewed(actor, byStaff, data),
      },
      options.empty,
    );
  }

  /** Whether it is shown as a picture. */
  abstract readonly isDrawn: boolean;

  /** How many pages it has. */
  abstract get pageCount(): number;

  abstract showPage(number: number): void;

  /** How each page stands, for the table; none where there are no pages. */
  pagesSeen(): PageSeen[] {
    return [];
  }

  /** The place of a page among the others, from 1; 0 if it is none of these. */
  numberOf(_page: number): number {
    return 0;
  }

  /** The page at such a place; 0 if there is none. */
  pageAt(_place: number): number {
    return 0;
  }

  /** Whether no student has written on a page; 0: on any of them. */
  isUntouched(_page: number): boolean {
    return false;
  }

  /** Takes away what students wrote on a page, or on all of them (0); it can be put back. */
  async clear(_page: number): Promise<void> {}

  /** Puts a teacher's stamp on a page; false where there is none. */
  async stamp(_stamp: string, _page: number): Promise<boolean> {
    return false;
  }

  async putBack(): Promise<void> {}

  /** Data are spared now, or not any more. */
  spare(): void {}

  /** Begins to show it, in an element of the page. */
  abstract show(host: HTMLElement | null): void;

  /** Somebody's work that waits for a decision, in words. */
  abstract describeLate(person: number, texts: LateTexts): LatePage[];

  /** The same as a picture, where it has one. */
  abstract drawLate(person: number, page: number, canvas: HTMLCanvasElement): void;

  protected abstract shown(): void;

  protected happened(_event: RoomEvent, _actor: number): void {}

  protected previewed(_actor: number, _byStaff: boolean, _data: any[]): void {}

  /** Whether it is told of nobody what they do here. */
  get isSealed(): boolean {
    return false;
  }

  /** When the students of this room last did something, server time in ms; null if never. */
  get lastActivity(): number | null {
    return this.isThere ? this.client.state.lastActivity : (this.options.before?.last ?? null);
  }

  /** When a person last did something here, or tried to; of who has done nothing yet, when anybody did. */
  lastActivityOf(person: number): number | null {
    const act = this.isThere ? this.client.state.acts.get(person)?.at : this.options.before?.of[person];
    return this.seen.get(person) ?? act ?? this.lastActivity;
  }

  lateWorkOf(person: number): LateWork[] {
    return [...this.client.state.setAside].filter((late) => late.actor.number === person);
  }

  /** Brings the room here, and tries again until it is or nobody wants it any more. */
  async enter(): Promise<void> {
    while (this.isWanted) {
      try {
        return await this.options.connection.enter(this.client, false);
      } catch {
        await new Promise((done) => setTimeout(done, AGAIN_MS));
      }
    }
  }

  close(): void {
    this.options.connection.leave(this.options.room);
    this.isWanted = false;
    clearTimeout(this.glance);
  }

  /** Where data are spared, what is out of sight is looked at from time to time. */
  protected follow(isInSight: boolean): void {
    clearTimeout(this.glance);
    if (!this.isWanted) return;
    if (isInSight || !lowData.isOn) return void this.wake();
    this.options.connection.rest(this.options.room);
    this.glance = setTimeout(() => void this.wake().then(() => this.follow(false)), GLANCE_MS);
  }

  /** Where it was resting, it is up to date again. */
  wake(): Promise<void> {
    return this.options.connection.wake(this.options.room);
  }

  /** @param words what its author is told, where that can be. */
  async decideLateWork(numbers: readonly number[], kind: Decided, words: string): Promise<void> {
    await this.admitted();
    for (const number of numbers)
      this.client.submit(kind === 'acceptLateWork' ? { kind, number } : { kind, number, words });
  }

  /** Changes something in the room, as one gesture. */
  protected async change(command: Command): Promise<void> {
    await this.admitted();
    this.client.submit(command, this.client.newId());
  }

  /** This tab may write there. */
  protected async admitted(): Promise<void> {
    await this.wake();
    await this.options.connection.admit(this.client);
  }

  protected get isThere(): boolean {
    return this.client.number > 0;
  }
}
