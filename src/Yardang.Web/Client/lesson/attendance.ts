// Being in a lesson with a page on which one works: the way to the server, the lesson's room, what was left elsewhere, where my place is, and where
// my work is kept. Boards have it, whatever stands on them.

import { fill } from '../page-data';
import { Connection, type Link } from '../room/connection';
import { type HandedIn, Leftovers } from '../room/leftovers';
import { LessonState } from '../room/lesson-state';
import { type LateWork, WhySetAside } from '../wire/forms';
import { deviceOutbox } from '../room/outbox-store';
import { type Preview, RoomClient } from '../room/room-client';
import type { Command, Envelope } from '../room/wire';
import type { Me } from '../room/sheets';
import type { WorkData } from './work-data';
import { type Keeping } from './keeping';
import type { DownThing } from './told-once';
import { MyPlace } from './my-place';
import { OfflineCopy } from './offline';

export const LONG_NOTICE_MS = 15_000;
const RELOAD_MS = 6000;

/** The page that is attended with. */
export interface Page {
  /** The room in which one works. */
  readonly work: RoomClient<any>;
  /** Takes along what is being written: it belongs to the room in which it was begun. */
  finish(): void;
  /** Something is to be shown anew. */
  refresh(): void;
  lessonChanged(): void;
  lessonSaid(kind: string): void;
  /** The lesson did not take something. */
  lessonRefused?(command: Command, reason: number): void;
  say(words: string, ms?: number): void;
  /** Something passing was shown in the lesson. */
  previewed?(preview: Preview): void;
  /** My own work that the teacher is asked about. */
  /** My own work that the teacher is asked about. */
  readonly setAside: readonly LateWork[];
}

/** What the server is told when it is asked for my place: as whom I act, and where I am. */
export function placeOf({ query, work }: WorkData): string {
  return `${query}&at=${work}`;
}

export class Attendance {
  readonly line: Connection;
  lesson: RoomClient<LessonState> | null = null;
  isOpened = false;
  private link: Link = 'connecting';
  /** The page of which the server knows; after a time without a network it is told anew. */
  private toldPage = 0;
  /** Up to which event I was told what a teacher took down; whether there was anything. */
  private toldThrough = 0;
  private hadDown = false;
  private isDownSaid = false;
  private readonly leftovers: Leftovers | null;
  private readonly offline: OfflineCopy;
  private readonly place: MyPlace;

  constructor(
    private readonly data: WorkData,
    private readonly me: Me,
    token: string,
    private readonly page: () => Page,
  ) {
    const { query } = data;
    this.line = new Connection(
      query,
      (link) => {
        this.link = link;
        if (!this.line.isOpen) this.toldPage = 0;
        this.page().refresh();
      },
      (room) => (this.isStudent ? this.place.recalled(room) : location.reload()),
    );
    this.offline = new OfflineCopy([data.work, data.lesson].map((room) => `/rooms/${room}/snapshot${query}`));
    this.place = new MyPlace(placeOf(data), data.part ?? 0, {
      finish: () => this.page().finish(),
      refresh: () => this.page().refresh(),
      handIn: async () => {
        await this.page().work.held();
        await this.leftovers?.once([data.lesson]);
      },
      stay: async (rooms) => {
        this.page().refresh();
        await Promise.all(rooms.map((room) => this.line.rejoin(room)));
      },
    });
    this.leftovers = this.isStudent
      ? new Leftovers(
          data.who,
          query,
          token,
          () => this.page().refresh(),
          (outcome) => this.handedIn(outcome),
        )
      : null;
  }

  /** My teacher sees on which page I am. */
  tellPage(page: number): void {
    if (!this.isStudent || !this.isOpened || page === this.toldPage || !this.line.isOpen) return;
    this.toldPage = page;
    this.line.turned(this.data.work, page);
  }

  /** Goes to where my place is now. */
  goToMyPlace(): void {
    void this.place.go();
  }

  get isMoving(): boolean {
    return this.place.isMoving;
  }

  async enter(): Promise<void> {
    this.sayWhyHere();
    if (this.data.mode === 'embed') return this.look();
    const { data, line } = this;
    const looks = data.mode === 'look';
    this.lesson = new RoomClient<LessonState>(
      data.lesson,
      line,
      deviceOutbox(data.who, data.lesson),
      (number, state) => LessonState.of(number, state),
      (state, command) => state.predict(command, this.me.number),
      this.me,
      {
        changed: () => this.page().lessonChanged(),
        applied: ({ event }) => this.page().lessonSaid(event.kind),
        previewed: (preview) => this.page().previewed?.(preview),
        refused: ({ command }, reason) => this.page().lessonRefused?.(command, reason),
      },
      new LessonState(),
    );
    const { work } = this.page();
    try {
      void line.start();
      await Promise.all([line.enter(work, !looks), line.enter(this.lesson, !looks)]);
      // A device that holds nothing (a private window, say) has nothing left either.
      await this.leftovers?.look([data.work, data.lesson]).catch(() => undefined);
      this.isOpened = true;
      await work.recover();
      await this.lesson.recover();
      for (const person of data.quiet ? [] : (data.visits ?? [])) this.lesson.submit({ kind: 'visitWork', person });
      if (this.isStudent) void this.offline.begin().catch(() => undefined);
      void this.leftovers?.run([data.work, data.lesson]);
    } catch {
      this.page().say(this.data.texts.notReached);
      setTimeout(() => location.reload(), RELOAD_MS);
    }
    this.page().refresh();
  }

  /** Something arrived: what is kept for a start without a network is to be fetched anew. */
  applied({ event, byStaff }: Envelope): void {
    this.offline.refreshSoon();
    const { texts } = this.data;
    if (!this.isStudent || !byStaff) return;
    // What a teacher says of my work is said once.
    if (event.kind === 'workReturned') this.page().say(fill(texts.returnedNow, event.words), LONG_NOTICE_MS);
    if (event.kind === 'lateWorkDiscarded')
      this.page().say(event.words ? fill(texts.leftOff, event.words) : texts.leftOffSilently, LONG_NOTICE_MS);
    if (event.kind === 'lateWorkAccepted' && !event.outcome && event.person === this.me.number)
      this.page().say(texts.noLongerFits, LONG_NOTICE_MS);
  }

  /** The page has said itself what became of something that was taken down while I was changing it. */
  saidDown(): void {
    this.isDownSaid = true;
  }

  /** What a teacher took down of mine is said once, also where I was away. */
  tellOfDown(number: number, mine: () => readonly DownThing[]): void {
    if (!this.isStudent || !this.isOpened || number === this.toldThrough) return;
    this.toldThrough = number;
    const things = mine();
    this.hadDown ||= things.length > 0;
    if (!this.hadDown) return;
    void import('./told-once')
      .then(({ untold }) => {
        const last = untold(this.data.work, things).at(-1);
        const { tookDown, tookDownWhy } = this.data.texts.moderation;
        if (last && !this.isDownSaid)
          this.page().say(last.why ? fill(tookDownWhy, last.why) : tookDown, LONG_NOTICE_MS);
        this.isDownSaid = false;
      })
      .catch(() => (this.toldThrough = 0));
  }

  get keeping(): Keeping {
    const { work, setAside } = this.page();
    return {
      mode: this.data.mode,
      isOpened: this.isOpened,
      isMoving: this.isMoving,
      link: this.link,
      waiting: work.waiting + (this.lesson?.waiting ?? 0) + (this.leftovers?.waiting ?? 0),
      needsPage: work.needsThisPage || (this.lesson?.needsThisPage ?? false),
      setAside: setAside.length,
      returned: setAside.filter((work) => work.returned !== '').length,
      keptBack: setAside.filter((work) => work.why !== WhySetAside.Late && work.why !== WhySetAside.Locked).length,
    };
  }

  private get isStudent(): boolean {
    return this.data.mode === 'student';
  }

  /** From outside, one board and nothing else of the lesson. */
  private async look(): Promise<void> {
    void this.line.start();
    await this.line.enter(this.page().work, false);
    this.isOpened = true;
    this.page().refresh();
  }

  private sayWhyHere(): void {
    const moved = this.isStudent ? MyPlace.arrived() : null;
    if (!moved) return;
    const { texts, together } = this.data;
    const why = moved.isOtherPart ? texts.movedToPart : together ? texts.movedToGroup : texts.movedToOwn;
    const words = [why, this.wordsOf(moved.carried)];
    this.page().say(words.join(' '), LONG_NOTICE_MS);
  }

  // Who is being moved reads it on the next page.
  private handedIn(outcome: HandedIn): void {
    if (this.place.isMoving) this.place.carried = outcome;
    else this.page().say(this.wordsOf(outcome), LONG_NOTICE_MS);
  }

  /** What became of what I wrote elsewhere. */
  private wordsOf({ kept, waiting, lost }: HandedIn): string {
    const { texts } = this.data;
    return [kept > 0 ? texts.leftKept : '', waiting > 0 ? texts.leftWaiting : '', lost > 0 ? texts.leftLost : '']
      .filter((words) => words !== '')
      .join(' ');
  }
}
