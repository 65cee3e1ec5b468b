// The teacher's live view of all the work: boards that keep their place, and beside them who needs the teacher, why and how long.

import Alpine from '@alpinejs/csp';
import { fill, pageData, plural } from '../page-data';
import { Connection, type Link } from '../room/connection';
import { LessonState, Signal } from '../room/lesson-state';
import { deviceOutbox } from '../room/outbox-store';
import { RoomClient } from '../room/room-client';
import { type NeedsTexts, type Need, needsMe } from './needs-me';
import { Tile } from './tile';

interface Participant {
  readonly number: number;
  readonly name: string;
  readonly initials: string;
  readonly board: string;
}

interface CirculateData {
  readonly lesson: string;
  /** Everybody's board, where all work together. */
  readonly together: string | null;
  readonly who: string;
  readonly people: readonly Participant[];
  readonly texts: NeedsTexts & {
    pensGoingDown: string;
    pensDownOn: string;
    pensGoingUp: string;
    pensUp: string;
    closed: string;
    pensDownOnOne: string;
    people: string;
    peopleOne: string;
    pageOf: string;
    everybody: string;
    noConnection: string;
    lateWork: string;
    minutesAgo: string;
    justNow: string;
    notStarted: string;
  };
}

interface Row {
  id: string;
  name: string;
  people: number[];
  handUp: boolean;
  ready: boolean;
  activity: string;
}

const TICK_MS = 5000;
const ASK_AGAIN_MS = 500;
const OWNER = { number: 1, isStaff: true };

Alpine.data('circulate', () => {
  const data = pageData<CirculateData>();
  const { texts } = data;
  const tiles = new Map<string, Tile>();
  let connection: Connection;
  let lesson: RoomClient<LessonState>;
  let wanted: boolean | null = null;

  return {
    people: [] as Participant[],
    boards: [] as Row[],
    pageNumber: 1,
    pageCount: 1,
    needs: [] as Need[],
    pensDown: false,
    pensText: '',
    closed: false,
    opened: false,
    doorOpen: true,
    link: 'connecting' as Link,

    init(): void {
      connection = new Connection(null, (link) => (this.link = link));
      lesson = new RoomClient<LessonState>(
        data.lesson,
        connection,
        deviceOutbox(data.who, data.lesson),
        (number, state) => LessonState.read(number, state),
        (state, command) => state.predict(command),
        OWNER,
        {
          changed: () => this.refresh(),
          applied: ({ event }) => {
            if (event.kind === 'personJoined') void this.refreshPeople();
          },
        },
        new LessonState(),
      );
      void this.start();
      setInterval(() => this.refresh(), TICK_MS);
    },

    async start(): Promise<void> {
      await Promise.all([connection.start(), connection.enter(lesson, true)]);
      await lesson.recover();
      this.opened = true;
      if (data.together) this.place(data.together, texts.everybody);
      this.seat(data.people);
    },

    /** The event that somebody joined may come before their name can be read. */
    async refreshPeople(): Promise<void> {
      const response = await fetch(`/lesson/${data.lesson}/people`);
      if (response.ok) this.seat((await response.json()) as Participant[]);
      if ([...lesson.state.people.keys()].some((n) => !this.people.some((p: Participant) => p.number === n)))
        setTimeout(() => void this.refreshPeople(), ASK_AGAIN_MS);
    },

    /** Seats everybody new, their boards at the end: a board keeps its place. */
    seat(people: readonly Participant[]): void {
      for (const person of people) {
        if (this.people.some((p: Participant) => p.number === person.number)) continue;
        this.people.push(person);
        if (!tiles.has(person.board)) this.place(person.board, person.name);
        this.boards.find((row: Row) => row.id === person.board).people.push(person.number);
      }
      this.refresh();
    },

    place(id: string, name: string): void {
      this.boards.push({ id, name, people: [], handUp: false, ready: false, activity: '' });
      const tile = new Tile(id, connection, () => this.refresh());
      tiles.set(id, tile);
      this.$nextTick(() => {
        const canvas = (this.$root as HTMLElement).querySelector<HTMLCanvasElement>(`[data-tile="${id}"]`);
        if (canvas) tile.show(canvas);
      });
    },

    refresh(): void {
      const { state } = lesson;
      this.closed = state.closed;
      this.doorOpen = state.door === 0;
      if (wanted !== null && state.pensDown === wanted && state.pensConfirmedOn !== null) wanted = null;
      this.pensDown = wanted ?? state.pensDown;
      this.pensText = this.sayPens(state);
      this.pageCount = Math.max(1, ...[...tiles.values()].map((tile) => tile.pageCount));
      const now = Date.now();
      for (const row of this.boards as Row[]) {
        row.handUp = row.people.some((n) => state.people.get(n)?.handUpAt != null);
        row.ready = row.people.some((n) => state.people.get(n)?.readyAt != null);
        row.activity = this.sayActivity(tiles.get(row.id)?.lastActivity ?? null, now);
      }
      this.needs = needsMe(
        (this.people as Participant[]).map(({ number, name, board }) => ({
          number,
          name,
          board,
          person: state.people.get(number) ?? null,
          lastActivity: tiles.get(board)?.lastActivityOf(number) ?? null,
          late: tiles.get(board)?.lateWorkOf(number).length ?? 0,
        })),
        now,
        state.studentsMayWrite,
        texts,
      );
    },

    sayActivity(at: number | null, now: number): string {
      if (at === null) return texts.notStarted;
      const minutes = Math.floor((now - at) / 60_000);
      return minutes < 1 ? texts.justNow : fill(texts.minutesAgo, minutes);
    },

    sayPens(state: LessonState): string {
      if (state.closed) return texts.closed;
      if (wanted !== null) return wanted ? texts.pensGoingDown : texts.pensGoingUp;
      return state.pensDown ? plural(texts, 'pensDownOn', state.pensConfirmedOn ?? 0) : texts.pensUp;
    },

    get pageText(): string {
      return fill(texts.pageOf, this.pageNumber, this.pageCount);
    },

    /** All boards show the same page. */
    stepPage(by: number): void {
      this.pageNumber += by;
      for (const tile of tiles.values()) tile.showPage(this.pageNumber);
    },

    togglePens(): void {
      wanted = !this.pensDown;
      lesson.submit({ kind: 'setPens', down: wanted });
      this.refresh();
    },

    toggleDoor(): void {
      lesson.submit({ kind: 'setDoor', door: this.doorOpen ? 2 : 0 });
    },

    close(): void {
      lesson.submit({ kind: 'closeLesson' });
      (this.$refs['closing'] as HTMLDialogElement).close();
    },

    reopen(): void {
      lesson.submit({ kind: 'reopenLesson' });
    },

    askToClose(): void {
      (this.$refs['closing'] as HTMLDialogElement).showModal();
    },

    keepOpen(): void {
      (this.$refs['closing'] as HTMLDialogElement).close();
    },

    /** Seen: the hand comes down, the look is taken. */
    seen(need: Need): void {
      if (need.kind === 'hand') this.lower(need.number, Signal.HandUp);
      else if (need.kind === 'ready') this.lower(need.number, Signal.ReadyForALook);
    },

    lower(person: number, signal: number): void {
      lesson.submit({ kind: 'giveSignal', person, signal, on: false });
    },

    takeLateWork(need: Need): void {
      void tiles.get(need.board)?.decideLateWork(need.number, 'acceptLateWork');
    },

    leaveLateWork(need: Need): void {
      void tiles.get(need.board)?.decideLateWork(need.number, 'discardLateWork');
    },

    get countText(): string {
      return plural(texts, 'people', this.people.length);
    },
  } as any;
});
