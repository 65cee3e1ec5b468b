// The teacher's live view of all the work: boards that keep their place, and beside them who needs the teacher, why and how long.

import Alpine from '@alpinejs/csp';
import { decode } from '@msgpack/msgpack';
import { fill, pageData, plural } from '../page-data';
import { Connection, type Link, reloadSoon } from '../room/connection';
import { PeopleList, askForPeople } from '../people/people-list';
import { HandReason, LessonState, NeedKind, Report, Signal, Standing } from '../room/lesson-state';
import type { NeedsSettings } from '../wire/forms';
import { deviceOutbox } from '../room/outbox-store';
import { RoomClient } from '../room/room-client';
import { floodAmong } from '../room/flood';
import { serverNow } from '../room/server-clock';
import { readRoomSnapshot } from '../wire/kinds';
import { arrangingOf } from './arranging';
import { BoardTile } from './board-tile';
import type { LatePage, LateTexts } from './late-work';
import { AskingWho, type Need, type NeedSaid, needInWords, type NeedsTexts, type WhoNeeds } from './needs-me';
import { type Cell, type CellState, cellsOf } from './table';
import type { Activity, Tile } from './tile';
import { type TopicCount, WallTile, type WallTileWords } from './wall-tile';

interface Participant {
  readonly number: number;
  readonly name: string;
  readonly initials: string;
  readonly board: string;
  readonly standing: Standing;
}

interface CirculateData {
  readonly lesson: string;
  /** The part that is seen here. */
  readonly part: number;
  /** Which parts students see, when the page was made. */
  readonly openParts: readonly number[];
  /** Whether groups share a board in it. */
  readonly byGroup: boolean;
  /** Everybody's board, where all work together. */
  readonly together: string | null;
  readonly who: string;
  /** As whom the teacher acts; whether they only look. */
  readonly me: { readonly number: number; readonly isStaff: boolean; readonly looksOnly: boolean };
  /** Whether walls are worked on, and not boards. */
  readonly isWall: boolean;
  /** In which language the activity was written. */
  readonly written: string;
  readonly people: readonly Participant[];
  readonly teachers: readonly { readonly number: number; readonly name: string }[];
  /** Where people sit, by actor number: [row, column]; null where there is no seating plan. */
  readonly seats: { readonly columns: number; readonly of: Readonly<Record<string, readonly [number, number]>> } | null;
  /** Of each board, when anybody and each student did something last there, server time in ms. */
  readonly activity: Readonly<Record<string, Activity>>;
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
    lateWork: string;
    minutesAgo: string;
    justNow: string;
    notStarted: string;
    helper: string;
    handedIn: string;
    handedInLate: string;
    handedInChanged: string;
    flood: string;
    cards: string;
    cardsOne: string;
    checkInSilent: string;
    checkInSilentOne: string;
    away: string;
    awayOne: string;
    onPage: string;
    pageHead: string;
    cell: Record<CellState, string>;
  } & LateTexts &
    WallTileWords;
}

interface Row {
  id: string;
  name: string;
  /** The members of a group. */
  who: string;
  /** Which teacher looks after them; empty for none in particular. */
  helper: string;
  /** Whether that is me. */
  isMine: boolean;
  people: number[];
  handUp: boolean;
  ready: boolean;
  /** Whether any of these is to be seen instead of what was done last. */
  signals: boolean;
  /** Whether all of its people have handed in, in words; empty if not. */
  handedIn: string;
  activity: string;
  /** Of a wall: what lies under each topic, and in words who has put up nothing or owes more. */
  topics: readonly TopicCount[];
  cards: string;
  owing: readonly string[];
  /** How each of its pages stands. */
  cells: readonly Cell[];
  /** Where its first person sits. */
  seat: object;
}

/** Whether a room is a wall: work may wait in another part. */
async function isWall(room: string): Promise<boolean> {
  const answer = await fetch(`/rooms/${room}/snapshot`);
  const [, kind, , , state] = decode(new Uint8Array(await answer.arrayBuffer())) as any[];
  return readRoomSnapshot(kind, state)?.kind === 'wall';
}

/** After these, who is in and on which board is asked for anew. */
const PEOPLE_CHANGE = new Set(['personJoined', 'personAsked', 'seatsConfirmed']);
const TICK_MS = 5000;
/** After these, who needs me may be others. */
const NEEDS_CHANGE = new Set([
  'signalGiven',
  'handsLowered',
  'reportGiven',
  'checkInAsked',
  'workVisited',
  'needAnswered',
  'needsSet',
  'workWaits',
  'workHandedIn',
  'workTakenBack',
  'pensSet',
  'lessonClosed',
  'lessonReopened',
]);
const PUT_OFF_MINUTES = 5;
/** What is seen of the work that a group shares. */
const OF_GROUP = new Set([NeedKind.NotStarted, NeedKind.Stopped, NeedKind.InCircles]);

Alpine.data('circulate', () => {
  const data = pageData<CirculateData>();
  const { texts } = data;
  const tiles = new Map<string, Tile>();
  let connection: Connection;
  let lesson: RoomClient<LessonState>;
  let list: PeopleList<Participant>;
  let wanted: boolean | null = null;
  let found: WhoNeeds = { needs: [], away: [], gone: [], pages: {} };
  let asking: AskingWho;
  /** The board whose late work is looked at, if it is none of those on the screen. */
  let beside: Tile | null = null;

  return {
    /** How large boards are shown, where they stand in rows of their own. */
    arranging: arrangingOf(data.lesson, () => document.querySelector<HTMLElement>('[data-boards]')),
    isArranged: !data.seats && !data.together && !data.isWall,
    /** Whether students and pages are seen as a table; how many pages it has. */
    isTable: localStorage.getItem(`yardang-table-${data.lesson}`) !== null,
    tablePages: [] as { number: number; name: string }[],
    /** What is looked for among the names. */
    find: '',
    people: [] as Participant[],
    nobodyIn: true,
    boards: [] as Row[],
    /** Groups that are mine and groups that are others': worth choosing. */
    mayChooseMine: false,
    onlyMine: localStorage.getItem(`yardang-only-mine-${data.lesson}`) !== null,
    pageNumber: 1,
    pageCount: 1,
    needs: [] as Need[],
    /** How many hands are up, and how many are away. */
    hands: 0,
    awayCount: 0,
    /** Whether the class is asked how it is going; how many are stuck, unsure, can go on; who has not said. */
    isAsked: false,
    hasReports: false,
    reports: [0, 0, 0],
    silentText: '',
    /** What is listed by itself, while it is changed. */
    settings: null as NeedsSettings | null,
    pensDown: false,
    pensText: '',
    closed: false,
    opened: false,
    door: 0,
    /** Whether the lesson lets each see only their own cards: 1 here, 2 everywhere. */
    ownFirst: 0,
    link: 'connecting' as Link,
    /** Which parts students see. */
    openParts: data.openParts,
    floodText: '',
    floodIsFine: sessionStorage.getItem(`yardang-flood-${data.lesson}`) ?? '',
    /** Whose late work is looked at. */
    late: null as Need | null,
    latePages: [] as readonly LatePage[],

    init(): void {
      connection = new Connection('', (link) => (this.link = link));
      asking = new AskingWho(data.lesson, (all) => {
        found = all;
        this.refresh();
      });
      list = new PeopleList(
        () => askForPeople<Participant>(data.lesson, data.part),
        (people) => this.isBehind(people),
        (people) => this.seat(people),
      );
      lesson = new RoomClient<LessonState>(
        data.lesson,
        connection,
        deviceOutbox(data.who, data.lesson),
        (number, state) => {
          // Of what came before this snapshot no event tells.
          if (this.opened) void list.refresh();
          return LessonState.of(number, state);
        },
        (state, command) => state.predict(command, data.me.number),
        data.me,
        {
          changed: () => this.refresh(),
          applied: ({ event }) => {
            if (PEOPLE_CHANGE.has(event.kind)) void list.refresh();
            if (PEOPLE_CHANGE.has(event.kind) || NEEDS_CHANGE.has(event.kind)) asking.soon();
          },
        },
        new LessonState(),
      );
      void this.start().catch(reloadSoon);
      setInterval(() => this.refresh(), TICK_MS);
      if (this.isArranged) this.arranging.begin();
    },

    async start(): Promise<void> {
      await Promise.all([connection.start(), connection.enter(lesson, !data.me.looksOnly)]);
      await lesson.recover();
      this.opened = true;
      if (this.people.length === 0) this.seat(data.people);
      void list.refresh();
      asking.soon();
    },

    /** Whether the lesson says of anybody that they are here or not, and this list says something else. */
    isBehind(people: readonly Participant[]): boolean {
      const known = new Map(people.map((p) => [p.number, p.standing]));
      return [...lesson.state.people.values()].some(({ number, standing }) => known.get(number) !== standing);
    },

    /** Seats everybody. A board keeps its place as long as somebody works on it; new ones come at the end. */
    seat(people: readonly Participant[]): void {
      this.people = [...people];
      this.nobodyIn = !people.some((p) => p.standing === Standing.In);
      const wanted = this.wantedBoards();
      for (const row of this.boards.filter((r) => !wanted.has(r.id))) {
        tiles.get(row.id)?.close();
        tiles.delete(row.id);
      }
      this.boards = this.boards.filter((r) => wanted.has(r.id));
      for (const [id, { name, people: whose }] of wanted) {
        const row = this.boards.find((r) => r.id === id) ?? this.place(id);
        const helper = this.helperOf(whose);
        const isMine = helper === data.me.number;
        Object.assign(row, { name, people: whose, who: this.namesOf(whose), helper: this.sayHelper(helper), isMine });
      }
      const mine = this.boards.filter((row) => row.isMine).length;
      this.mayChooseMine = mine > 0 && mine < this.boards.length;
      this.takeSeats();
      this.refresh();
      this.arrange();
    },

    get tilesStyle(): object {
      if (this.isArranged) return this.arranging.style;
      return data.seats && !data.together
        ? { gridTemplateColumns: `repeat(${data.seats.columns}, minmax(6.5rem, 1fr))` }
        : {};
    },

    arrange(): void {
      if (this.isArranged) this.arranging.arrange(this.boards.filter((row) => this.isShown(row)).length);
    },

    /** Whether a board is among those that are looked for. */
    isShown(row: Row): boolean {
      const isMine = !this.onlyMine || !this.mayChooseMine || row.isMine;
      const words = this.find.trim().toLocaleLowerCase();
      return isMine && (words === '' || `${row.name} ${row.who}`.toLocaleLowerCase().includes(words));
    },

    /** What was typed leads to the one board that it leaves. */
    openFound(): void {
      const [only, other] = this.boards.filter((row) => this.isShown(row));
      if (only && !other) location.assign(`/lesson/${data.lesson}/board/${only.id}`);
    },

    /** Keys for what is done often; not while something is typed. */
    key(e: KeyboardEvent): void {
      const isTyping = (e.target as HTMLElement).matches('input, textarea, select, [contenteditable]');
      if (isTyping || e.ctrlKey || e.metaKey || e.altKey || document.querySelector('dialog[open]')) return;
      if (e.key === '+') this.nearer(1);
      else if (e.key === '-') this.nearer(-1);
      else if (e.key === '/') document.getElementById('find')?.focus();
      else return;
      e.preventDefault();
    },

    nearer(by: number): void {
      if (this.isArranged) this.arranging.step(by);
    },

    /** Boards stand where people sit; those without a seat come behind the last row. */
    takeSeats(): void {
      const { seats } = data;
      if (!seats || data.together) return;
      let behind = Math.max(...Object.values(seats.of).map(([row]) => row)) * seats.columns;
      for (const row of this.boards) {
        const [at] = row.people.flatMap((n) => (seats.of[n] ? [seats.of[n]] : []));
        const [line, column] = at ?? [Math.floor(behind / seats.columns) + 1, (behind++ % seats.columns) + 1];
        row.seat = { gridRow: String(line), gridColumn: String(column) };
      }
    },

    wantedBoards(): Map<string, { name: string; people: number[] }> {
      const wanted = new Map<string, { name: string; people: number[] }>();
      if (data.together) wanted.set(data.together, { name: texts.everybody, people: [] });
      const { groups } = lesson.state;
      for (const { number, name, board, standing } of this.people as Participant[]) {
        if (standing !== Standing.In) continue;
        const group = !data.byGroup ? undefined : groups.find((g) => g.people.includes(number));
        const there = wanted.get(board) ?? { name: group?.name ?? name, people: [] };
        there.people.push(number);
        wanted.set(board, there);
      }
      return wanted;
    },

    /** Who shares a board, where more than one does. */
    namesOf(numbers: readonly number[]): string {
      if (data.together || numbers.length < 2) return '';
      return (this.people as Participant[])
        .filter((p) => numbers.includes(p.number))
        .map((p) => p.name)
        .join(', ');
    },

    /** The teacher who looks after a group, by number; 0 for none in particular. */
    helperOf(numbers: readonly number[]): number {
      if (data.together) return 0;
      return lesson.state.groups.find((g) => g.people.some((p) => numbers.includes(p)))?.helper ?? 0;
    },

    sayHelper(number: number): string {
      const teacher = data.teachers.find((t) => t.number === number);
      return teacher ? fill(texts.helper, teacher.name) : '';
    },

    /** The boards of my groups only, and who of them needs me; or everybody again. */
    chooseMine(): void {
      this.onlyMine = !this.onlyMine;
      const key = `yardang-only-mine-${data.lesson}`;
      if (this.onlyMine) localStorage.setItem(key, '');
      else localStorage.removeItem(key);
      this.refresh();
      this.arrange();
    },

    /** Whoever waits at the door may be anybody's. */
    concernsMe(need: Need): boolean {
      if (!this.onlyMine || !this.mayChooseMine || need.isDoor) return true;
      return this.boards.some((row) => row.isMine && row.people.includes(need.number));
    },

    place(id: string): Row {
      this.boards.push({
        id,
        name: '',
        who: '',
        helper: '',
        isMine: false,
        people: [],
        handUp: false,
        ready: false,
        signals: false,
        handedIn: '',
        activity: '',
        topics: [],
        cards: '',
        owing: [],
        cells: [],
        seat: {},
      });
      const tile = this.tileOf(id, () => this.boardChanged(id));
      tiles.set(id, tile);
      this.$nextTick(() => tile.show((this.$root as HTMLElement).querySelector<HTMLElement>(`[data-tile="${id}"]`)));
      return this.boards.at(-1)!;
    },

    tileOf(room: string, changed: () => void, wall = data.isWall): Tile {
      const options = { room, connection, me: data.me, before: data.activity[room], changed };
      return wall ? new WallTile(options, data.written, texts) : new BoardTile(options, data.written);
    },

    /** One board has changed: its own line at once. */
    boardChanged(id: string): void {
      const row = this.boards.find((r) => r.id === id);
      if (row) this.refreshRow(row);
      this.pageCount = Math.max(this.pageCount, tiles.get(id)?.pageCount ?? 1);
    },

    refreshRow(row: Row): void {
      const { state } = lesson;
      const tile = tiles.get(row.id);
      row.handUp = row.people.some((n) => state.people.get(n)?.handUpAt != null);
      row.ready = row.people.some((n) => state.people.get(n)?.readyAt != null);
      row.handedIn = this.sayHandedIn(state, row.people, tile?.lastActivity ?? null);
      row.signals = row.handUp || row.ready || row.handedIn !== '';
      const activity = tile?.isSealed ? '' : this.sayActivity(tile?.lastActivity ?? null, serverNow());
      row.activity = [this.sayPage(row, tile), activity].filter((words) => words !== '').join(' · ');
      if (tile instanceof WallTile) this.count(row, tile);
      if (this.isTable) this.fillRow(row, tile);
    },

    fillRow(row: Row, tile: Tile | undefined): void {
      const on = new Set(row.people.flatMap((n) => found.pages[n] ?? []));
      row.cells = cellsOf(tile, on, row.handedIn !== '', serverNow(), texts.cell);
      if (row.cells.length > this.tablePages.length)
        this.tablePages = row.cells.map((_, i) => ({ number: i + 1, name: fill(texts.pageHead, i + 1) }));
    },

    /** Boards as pictures, or a table of students and pages; remembered for the lesson. */
    showTable(on: boolean): void {
      this.isTable = on;
      const key = `yardang-table-${data.lesson}`;
      if (on) localStorage.setItem(key, '');
      else localStorage.removeItem(key);
      this.refresh();
    },

    /** What stands on a wall, and who of its people has put up nothing, or less than is asked for. */
    count(row: Row, tile: WallTile): void {
      row.topics = tile.topics;
      row.cards = plural(
        texts,
        tile.asks ? 'questions' : 'cards',
        row.topics.reduce((sum, topic) => sum + topic.cards, 0),
      );
      // Nobody owes anything where nobody can write yet.
      const isOpen = this.isPartOpen(data.part);
      const here = (this.people as Participant[]).filter(
        (p) => isOpen && p.board === row.id && p.standing === Standing.In,
      );
      const named = (some: Participant[], words: string) =>
        some.length > 0 ? [fill(words, some.length, some.map((p) => p.name).join(', '))] : [];
      const none = here.filter((p) => tile.hasNone(p.number));
      const owing = here.filter((p) => tile.owes(p.number));
      row.owing = [...named(none, tile.noneWords), ...named(owing, tile.owingWords)];
    },

    refresh(): void {
      const { state } = lesson;
      this.closed = state.closed;
      this.door = state.door;
      this.ownFirst = state.ownFirstIn.includes(0) ? 2 : state.ownFirstIn.includes(data.part) ? 1 : 0;
      if (this.opened) this.openParts = state.openParts;
      if (wanted !== null && state.pensDown === wanted && state.pensConfirmedOn !== null) wanted = null;
      this.pensDown = wanted ?? state.pensDown;
      this.pensText = this.sayPens(state);
      this.pageCount = Math.max(1, ...[...tiles.values()].map((tile) => tile.pageCount));
      for (const row of this.boards) this.refreshRow(row);
      this.refreshFlood();
      this.refreshCheckIn();
      this.refreshNeeds();
    },

    refreshNeeds(): void {
      const all = new Map((this.people as Participant[]).map((p) => [p.number, p]));
      const now = serverNow();
      this.needs = found.needs
        .flatMap((said) => {
          const who = all.get(said.person);
          return who ? [needInWords(said, { name: this.nameFor(said, who), board: who.board }, now, texts)] : [];
        })
        .filter((need) => this.concernsMe(need));
      this.awayCount = found.away.length;
      this.hands = found.needs.filter((n) => n.kind === NeedKind.Hand).length;
    },

    /** What a group does, or does not do, is said of the group. */
    nameFor({ kind }: NeedSaid, who: Participant): string {
      const isOfGroup = OF_GROUP.has(kind) && data.byGroup;
      return (isOfGroup && this.boards.find((row) => row.id === who.board)?.name) || who.name;
    },

    /** How the class says that it is going. */
    refreshCheckIn(): void {
      const { people, checkInAt } = lesson.state;
      const here = [...people.values()].filter((p) => p.standing === Standing.In);
      const said = [Report.Stuck, Report.Unsure, Report.GoesOn].map((r) => here.filter((p) => p.report === r).length);
      this.reports = said;
      this.isAsked = checkInAt !== null;
      const sum = said.reduce((a, b) => a + b, 0);
      this.hasReports = this.isAsked || sum > 0;
      this.silentText = this.isAsked ? plural(texts, 'checkInSilent', here.length - sum) : '';
    },

    refreshFlood(): void {
      const flood = floodAmong(lesson.state.people.values());
      const isFine = flood === null || this.floodIsFine === String(flood.since) || data.me.looksOnly;
      this.floodText = isFine ? '' : fill(texts.flood, flood!.people.length);
    },

    /** All of them belong here: a whole year has come in. */
    floodBelongs(): void {
      this.floodIsFine = String(floodAmong(lesson.state.people.values())?.since ?? '');
      sessionStorage.setItem(`yardang-flood-${data.lesson}`, this.floodIsFine);
      this.refreshFlood();
    },

    sayHandedIn({ people, times }: LessonState, whose: readonly number[], changedAt: number | null): string {
      const at = whose.map((n) => people.get(n)?.handedInAt ?? null);
      if (at.length === 0 || at.includes(null)) return '';
      if (changedAt !== null && changedAt > Math.max(...(at as number[]))) return texts.handedInChanged;
      return Math.max(...(at as number[])) > (times.dueAt ?? Infinity) ? texts.handedInLate : texts.handedIn;
    },

    /** Where several are on several pages, that of most is not worth saying. */
    sayPage({ people }: Row, tile: Tile | undefined): string {
      const on = new Set(people.flatMap((n) => found.pages[n] ?? []));
      const number = on.size === 1 ? (tile?.numberOf([...on][0]!) ?? 0) : 0;
      return number > 0 && tile!.pageCount > 1 ? fill(texts.onPage, number) : '';
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

    isPartOpen(part: number): boolean {
      return (this.openParts as readonly number[]).includes(part);
    },

    /** There is always somewhere to be. */
    get mayClosePart(): boolean {
      return (this.openParts as readonly number[]).length > 1;
    },

    /** On the walls here (1), or of the whole lesson (2), each sees only their own; 0: each wall says so itself. */
    setOwnFirst(value: string): void {
      const wanted = { [data.part]: value === '1', 0: value === '2' };
      for (const [part, on] of Object.entries(wanted))
        if (lesson.state.ownFirstIn.includes(Number(part)) !== on)
          lesson.submit({ kind: 'setOwnFirst', part: Number(part), on });
    },

    /** Students see the part that is seen here, or no longer. */
    setPart(open: boolean): void {
      lesson.submit({ kind: 'setPart', part: data.part, open });
    },

    setDoor(door: string): void {
      lesson.submit({ kind: 'setDoor', door: Number(door) });
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

    /** Seen to: the hand comes down, the look is taken; what was seen comes again only when it begins anew. */
    seen(need: Need): void {
      if (need.kind === NeedKind.Hand) this.lower(need.number, Signal.HandUp);
      else if (need.kind === NeedKind.Ready) this.lower(need.number, Signal.ReadyForALook);
      else this.answer(need, 0);
    },

    /** Not now. */
    putOff(need: Need): void {
      this.answer(need, PUT_OFF_MINUTES);
    },

    answer(need: Need, minutes: number): void {
      lesson.submit({ kind: 'answerNeed', person: need.number, need: need.kind, minutes });
      this.needs = (this.needs as Need[]).filter((n) => n.key !== need.key);
    },

    lower(person: number, signal: Signal): void {
      lesson.submit({ kind: 'giveSignal', person, signal, on: false, reason: HandReason.None, words: '' });
    },

    lowerAll(): void {
      lesson.submit({ kind: 'lowerHands' });
    },

    askCheckIn(on: boolean): void {
      lesson.submit({ kind: 'askCheckIn', on });
    },

    openSettings(): void {
      this.settings = { ...lesson.state.needs };
      (this.$refs['settings'] as HTMLDialogElement).showModal();
    },

    /** In seconds; 0 for never. */
    set(name: keyof NeedsSettings, seconds: string): void {
      this.settings = { ...(this.settings as NeedsSettings), [name]: Number(seconds) };
    },

    keepSettings(): void {
      lesson.submit({ kind: 'setNeeds', settings: this.settings as NeedsSettings });
      this.closeSettings();
    },

    closeSettings(): void {
      (this.$refs['settings'] as HTMLDialogElement).close();
    },

    /** Shows what waits before it is decided. */
    async lookAtLate(need: Need): Promise<void> {
      let tile = tiles.get(need.board);
      if (!tile) {
        beside?.close();
        tile = beside = this.tileOf(need.board, () => this.drawLate(), await isWall(need.board));
        await tile.enter();
      }
      this.late = need;
      this.drawLate();
      (this.$refs['late'] as HTMLDialogElement).showModal();
    },

    /** The work may grow while it is looked at. */
    drawLate(): void {
      const need = this.late as Need | null;
      const tile = need && (tiles.get(need.board) ?? beside);
      if (!need || !tile) return;
      this.latePages = tile.describeLate(need.number, texts);
      this.$nextTick(() => {
        for (const { id } of this.latePages as LatePage[]) {
          const canvas = (this.$refs['late'] as HTMLElement).querySelector<HTMLCanvasElement>(`[data-late="${id}"]`);
          if (canvas) tile.drawLate(need.number, id, canvas);
        }
      });
    },

    async decideLate(kind: 'acceptLateWork' | 'discardLateWork'): Promise<void> {
      const need = this.late as Need | null;
      const tile = need && (tiles.get(need.board) ?? beside);
      this.closeLate();
      if (need && tile) await tile.decideLateWork(need.number, kind);
    },

    addLate(): void {
      void this.decideLate('acceptLateWork');
    },

    leaveLate(): void {
      void this.decideLate('discardLateWork');
    },

    closeLate(): void {
      (this.$refs['late'] as HTMLDialogElement).close();
      this.late = null;
    },

    letIn(need: Need): void {
      lesson.submit({ kind: 'admitPerson', person: need.number });
    },

    turnAway(need: Need): void {
      lesson.submit({ kind: 'turnAway', person: need.number });
    },

    /** All who wait. */
    letAllIn(): void {
      for (const need of this.needs as Need[]) if (need.isDoor) this.letIn(need);
    },

    get waitingMany(): boolean {
      return (this.needs as Need[]).filter((n) => n.isDoor).length > 1;
    },

    get countText(): string {
      const away = this.awayCount as number;
      const all = plural(
        texts,
        'people',
        (this.people as Participant[]).filter((p) => p.standing === Standing.In).length,
      );
      return away > 0 ? `${all}, ${plural(texts, 'away', away)}` : all;
    },
  };
});
