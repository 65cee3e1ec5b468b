// The teacher's live view of all the work: boards that keep their place, and beside them who needs the teacher, why and how long.

import Alpine from '@alpinejs/csp';
import { fill, pageData, plural } from '../page-data';
import { Connection, type Link, reloadSoon } from '../room/connection';
import { type GroupSign, groupSign } from '../people/group-sign';
import { PeopleList, askForPeople } from '../people/people-list';
import { HandReason, LessonState, NeedKind, Report, Signal, Standing } from '../room/lesson-state';
import { deviceOutbox } from '../room/outbox-store';
import { RoomClient } from '../room/room-client';
import type { Command } from '../room/wire';
import { floodAmong } from '../room/flood';
import { serverNow } from '../room/server-clock';
import { Privacy } from '../room/showing';
import { lowDataMenu } from '../lesson/low-data-menu';
import { lowData } from '../room/low-data';
import { boardOf, rememberOrder } from '../lesson/neighbours';
import { approvingOf, type ApprovingTexts } from './approving';
import { arrangingOf } from './arranging';
import { BoardTile } from './board-tile';
import { askingOf, type AskingTexts } from './asking';
import { lateDecidingOf } from './late-deciding';
import { startLater, startNow } from './later';
import type { LateTexts } from './late-work';
import { AskingWho, type Need, type NeedSaid, needInWords, type NeedsTexts, type WhoNeeds } from './needs-me';
import { needsSettingsOf } from './needs-settings';
import { wordScreenOf, type WordScreenTexts } from './word-screen';
import { handingOf, type HandingTexts } from './handing';
import { onTheirBoards, type OnTheirBoardsTexts } from './on-their-boards';
import { phasingOf, type PhasingTexts, type Planned } from './phasing';
import { pickingOf, type PickingTexts } from './picking';
import { regroupingOf, type RegroupingTexts } from './regrouping';
import { screeningOf, type ScreeningTexts } from './screening';
import { showingOf, type ShowingTexts } from './showing';
import { steeringOf, type SteeringTexts } from './steering';
import { type Cell, type CellState, cellsOf } from './table';
import type { Activity, Tile } from './tile';
import { studentsAndTopics, type WallTable, wallsAndTopics } from './wall-table';
import { inOrder, rememberedView, rememberView, seenBoards, type ViewName } from './views';
import { type TopicCount, WallTile, type WallTileWords } from './wall-tile';

/** How a group is known; null for none. */
const signOf = (group: { number: number; name: string } | undefined): GroupSign | null =>
  group ? groupSign(group.number, group.name) : null;

interface Participant {
  readonly number: number;
  readonly name: string;
  readonly initials: string;
  readonly board: string;
  readonly standing: Standing;
  /** On the class list; 0 for who is not on it. */
  readonly listNumber: number;
}

interface CirculateData {
  readonly lesson: string;
  /** The part that is seen here. */
  readonly part: number;
  /** Which parts students see, when the page was made. */
  readonly openParts: readonly number[];
  /** The phases that were planned for this lesson. */
  readonly planned: readonly Planned[];
  /** Whether groups share a board in it. */
  readonly byGroup: boolean;
  /** The teacher's own board; null beside walls. */
  readonly ownBoard: string | null;
  /** Everybody's board, where all work together. */
  readonly together: string | null;
  readonly who: string;
  /** The time zone of the school. */
  readonly zone: string;
  readonly language: string;
  /** The views of the work that there are. */
  readonly views: readonly ViewName[];
  /** As whom the teacher acts; whether they only look. */
  readonly me: { readonly number: number; readonly isStaff: boolean; readonly looksOnly: boolean };
  /** Whether the school lets its teachers look without being announced. */
  readonly mayBeQuiet: boolean;
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
    mine: string;
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
    away: string;
    awayOne: string;
    onPage: string;
    pageHead: string;
    cell: Record<CellState, string>;
    penDownHere: string;
    noGroup: string;
    refused: Record<string, string>;
    refusedOther: string;
  } & LateTexts &
    WallTileWords &
    PickingTexts &
    SteeringTexts &
    PhasingTexts &
    HandingTexts &
    OnTheirBoardsTexts &
    ScreeningTexts &
    ShowingTexts &
    AskingTexts &
    RegroupingTexts &
    WordScreenTexts &
    ApprovingTexts;
}

interface Row {
  id: string;
  name: string;
  /** Which as it came, and the place of its group among the groups. */
  came: number;
  group: number;
  /** What stands above it: the name of the group that begins here; empty if none does. */
  heading: string;
  /** The sign of the group whose board it is, and of the one that begins here; null for none. */
  sign: GroupSign | null;
  headingSign: GroupSign | null;
  /** Whether its work has changed since the teacher looked at it. */
  changed: boolean;
  /** Whether somebody's pen is down here. */
  held: boolean;
  /** Where boards are private: whether it is shown, and whether it is kept even from me. */
  shown: boolean;
  kept: boolean;
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

/** After these, who is in and on which board is asked for anew. */
const PEOPLE_CHANGE = new Set(['personJoined', 'personAsked', 'seatsConfirmed', 'namesCorrected']);
const TICK_MS = 5000;
/** As many as a slow computer makes places for in a moment. */
const FIRST_PLACED = 6;
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
const QUIET = 'yardang-looks-quietly';
const PUT_OFF_MINUTES = 5;
/** What is seen of the work that a group shares. */
const OF_GROUP = new Set([NeedKind.NotStarted, NeedKind.Stopped, NeedKind.InCircles]);

Alpine.data('circulate', () => {
  const data = pageData<CirculateData>();
  const { texts } = data;
  const tiles = new Map<string, Tile>();
  /** The page at a place among the others, from 1; 0 for none. */
  const pageAt = (place: number) => [...tiles.values()].map((tile) => tile.pageAt(place)).find((id) => id > 0) ?? 0;
  let connection: Connection;
  let lesson: RoomClient<LessonState>;
  let list: PeopleList<Participant>;
  let wanted: boolean | null = null;
  let came = 0;
  let isSorted = false;
  let refreshing: ReturnType<typeof setTimeout> | undefined;
  let found: WhoNeeds = { needs: [], away: [], gone: [], pages: {} };
  let askingWho: AskingWho;
  let seen: Readonly<Record<string, number>> = {};
  let circulate: {
    readonly people: Participant[];
    readonly pageNumber: number;
    readonly picking: { readonly isNobody: boolean; whom(): number[] };
    worksPicked(): string[];
    tilesPicked(): Tile[];
    nameOf(room: string): string;
    tileOf(room: string, changed: () => void, wall?: boolean): Tile;
    dialog(name: string): HTMLDialogElement;
  };
  const here = () => circulate.people.filter((p) => p.standing === Standing.In);
  const { views } = data;
  const hasSeats = views.includes('seats');

  return {
    view: rememberedView(data.lesson, views),
    picking: pickingOf(here, texts),
    steering: steeringOf(
      () => lesson,
      {
        part: data.part,
        zone: data.zone,
        here,
        whom: () => circulate.picking.whom(),
        isForNobody: () => circulate.picking.isNobody,
        pageShown: () => pageAt(circulate.pageNumber),
        numberOf: (page) => Math.max(0, ...[...tiles.values()].map((tile) => tile.numberOf(page))),
      },
      texts,
    ),
    screening: screeningOf(
      () => lesson,
      data.lesson,
      {
        works: () => circulate.worksPicked(),
        ownBoard: () => data.ownBoard,
        nameOf: (room) => circulate.nameOf(room),
        pageShown: () => pageAt(circulate.pageNumber),
      },
      texts,
    ),
    spared: lowDataMenu(),
    handing: handingOf(
      () => lesson,
      `/lesson/${data.lesson}/late`,
      data.ownBoard,
      here,
      () => circulate.picking.whom(),
      texts,
    ),
    phasing: phasingOf(
      () => lesson,
      here,
      () => circulate.picking.whom(),
      data.planned,
      texts,
    ),
    showing: showingOf(() => lesson, { part: data.part, here, whom: () => circulate.picking.whom() }, texts),
    asking: askingOf(() => lesson, here, texts),
    regrouping: regroupingOf(
      () => lesson,
      () => circulate.picking.whom(),
      texts,
    ),
    needsSettings: needsSettingsOf(
      () => lesson,
      () => circulate.dialog('settings'),
    ),
    wordScreen: wordScreenOf(
      () => lesson,
      () => circulate.dialog('words'),
      texts,
    ),
    approving: approvingOf(
      () => lesson,
      data.part,
      data.zone,
      here,
      () => circulate.dialog('approval'),
      texts,
    ),
    late: lateDecidingOf(
      tiles,
      (room, changed, wall) => circulate.tileOf(room, changed, wall),
      () => circulate.dialog('late'),
      texts,
    ),
    onBoards: onTheirBoards(
      () => circulate.tilesPicked(),
      () => pageAt(circulate.pageNumber),
      texts,
    ),
    /** How large boards are shown, where they stand in rows of their own. */
    arranging: arrangingOf(data.lesson, () => document.querySelector<HTMLElement>('[data-boards]')),
    /** How many pages the table has; walls have topics. */
    wallTable: { heads: [], rows: [] } as WallTable,
    tablePages: [] as { number: number; name: string }[],
    isQuiet: data.mayBeQuiet && localStorage.getItem(QUIET) !== null,
    /** What is looked for among the names. */
    find: '',
    people: [] as Participant[],
    nobodyIn: true,
    boards: [] as Row[],
    /** How many of them have a place on the screen: at first only some, so that the first is seen soon. */
    placed: FIRST_PLACED,
    /** Groups that are mine and groups that are others': worth choosing. */
    mayChooseMine: false,
    onlyMine: localStorage.getItem(`yardang-only-mine-${data.lesson}`) !== null,
    pageNumber: 1,
    pageCount: 1,
    needs: [] as Need[],
    /** Whether the server has said so. */
    needsKnown: false,
    /** How many hands are up, and how many are away. */
    hands: 0,
    awayCount: 0,
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
    init(): void {
      circulate = this;
      this.spared.init();
      lowData.listen(() => tiles.forEach((tile) => tile.spare()));
      connection = new Connection(
        '',
        (link) => (this.link = link),
        ({ client: { room } }) => (tiles.has(room) ? this.putTile(room) : location.reload()),
      );
      askingWho = new AskingWho(data.lesson, (all) => {
        found = all;
        this.needsKnown = true;
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
          changed: () => this.refreshSoon(),
          refused: ({ command }, reason) => this.refused(command, reason),
          applied: ({ event }) => {
            if (event.kind === 'groupsSet' || event.kind.startsWith('groups')) isSorted = false;
            if (PEOPLE_CHANGE.has(event.kind)) void list.refresh();
            if (PEOPLE_CHANGE.has(event.kind) || NEEDS_CHANGE.has(event.kind)) askingWho.soon();
          },
        },
        new LessonState(),
      );
      void this.start().catch(reloadSoon);
      setInterval(() => this.refresh(), TICK_MS);
      this.arranging.begin();
      this.phasing.begin();
      window.addEventListener('storage', () => this.refresh());
    },

    async start(): Promise<void> {
      // Which board comes where is known before the lesson is here, but for what it says of groups.
      const boards = data.people.filter((p) => p.standing === Standing.In).map((p) => p.board);
      if (new Set(boards).size === boards.length && this.view !== 'group') this.seat(data.people);
      await Promise.all([connection.start(), connection.enter(lesson, !data.me.looksOnly)]);
      this.placeAll();
      await Promise.all([lesson.recover(), startLater(this.$root as HTMLElement)]);
      this.opened = true;
      this.refreshSoon();
      if (this.people.length === 0) this.seat(data.people);
      void list.refresh();
      askingWho.soon();
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
      for (const [id, { name, sign, people: whose }] of wanted) {
        const row = this.boards.find((r) => r.id === id) ?? this.place(id);
        const helper = this.helperOf(whose);
        const isMine = helper === data.me.number;
        Object.assign(row, {
          name,
          sign,
          people: whose,
          who: this.namesOf(whose),
          helper: this.sayHelper(helper),
          isMine,
        });
      }
      const mine = this.boards.filter((row) => row.isMine).length;
      this.sort();
      this.mayChooseMine = mine > 0 && mine < this.boards.length;
      this.takeSeats();
      this.refresh();
      this.arrange();
    },

    get tilesStyle(): object {
      if (this.isArranged) return this.arranging.style;
      return this.isSeated ? { gridTemplateColumns: `repeat(${data.seats!.columns}, minmax(6.5rem, 1fr))` } : {};
    },

    get isTable(): boolean {
      return this.view === 'table';
    },

    get isSeated(): boolean {
      return this.view === 'seats';
    },

    /** Whether boards stand in rows of their own, as large as the room allows. */
    get isArranged(): boolean {
      return !this.isSeated && !data.together && !data.isWall;
    },

    show(view: string): void {
      this.view = view as ViewName;
      rememberView(data.lesson, this.view);
      isSorted = false;
      this.sort();
      this.refresh();
      this.arrange();
    },

    /** Boards take their places when a view is chosen or groups are changed; who comes later comes at the end. */
    sort(): void {
      const { groups } = lesson.state;
      const placeOf = (people: readonly number[]) => groups.findIndex((g) => people.some((n) => g.people.includes(n)));
      for (const row of this.boards) {
        const place = placeOf(row.people);
        row.group = place < 0 ? groups.length : place;
      }
      if (!isSorted && this.boards.length > 0) {
        this.boards = inOrder(this.boards, this.view, data.language);
        isSorted = true;
      }
      // Where groups share boards, each board says itself whose it is.
      const isHeaded = this.view === 'group' && groups.length > 0 && !data.byGroup;
      let before = -1;
      for (const row of this.boards) {
        const begins = isHeaded && row.group !== before;
        row.heading = begins ? (groups[row.group]?.name ?? texts.noGroup) : '';
        row.headingSign = begins ? signOf(groups[row.group]) : null;
        before = row.group;
      }
      rememberOrder(data.lesson, this.boards);
    },

    /** Something is looked for. */
    sought(): void {
      this.arrange();
      if (this.isTable && data.isWall) this.fillWallTable();
    },

    arrange(): void {
      const shown = this.boards.filter((row) => this.isShown(row)).length;
      if (this.isArranged) this.arranging.arrange(shown, this.view === 'page');
    },

    /** Whether a board is among those that are looked for. */
    isShown(row: Row): boolean {
      const isMine = !this.onlyMine || !this.mayChooseMine || row.isMine;
      const words = this.find.trim().toLocaleLowerCase();
      return isMine && (words === '' || this.isFound(row, words));
    },

    /** By a part of the name, or by the whole number on the class list. */
    isFound(row: Row, words: string): boolean {
      if (/^\d+$/.test(words)) {
        const whose = (this.people as Participant[]).filter((p) => row.people.includes(p.number));
        if (whose.some((p) => String(p.listNumber) === words)) return true;
      }
      return `${row.name} ${row.who}`.toLocaleLowerCase().includes(words);
    },

    /** What was typed leads to the one board that it leaves. */
    openFound(): void {
      const [only, other] = this.boards.filter((row) => this.isShown(row));
      if (only && !other) location.assign(boardOf(data.lesson, only, this.isQuiet));
    },

    /** Keys for what is done often; not while something is typed. */
    key(e: KeyboardEvent): void {
      const isTyping = (e.target as HTMLElement).matches('input, textarea, select, [contenteditable]');
      if (isTyping && e.key === 'Escape') (e.target as HTMLElement).blur();
      if (isTyping || e.ctrlKey || e.metaKey || e.altKey || document.querySelector('dialog[open]')) return;
      if (e.key === '+') this.nearer(1);
      else if (e.key === '-') this.nearer(-1);
      else if (e.key === '/') document.getElementById('find')?.focus();
      else if (e.key === 'p' && !data.me.looksOnly) this.picking.start();
      else if (e.key === 'm' && !data.me.looksOnly) document.getElementById('line')?.focus();
      else if (e.key === 'D' && !data.me.looksOnly && this.opened && !this.closed) this.togglePens();
      else if (e.key === 'PageDown') this.stepPage(1);
      else if (e.key === 'PageUp') this.stepPage(-1);
      else if (e.key === '?') this.open('keys');
      else if (e.key === 'Escape' && this.picking.isOn) this.picking.nobody();
      else if (/^[1-9]$/.test(e.key) && views[Number(e.key) - 1]) this.show(views[Number(e.key) - 1]!);
      else return;
      e.preventDefault();
    },

    nearer(by: number): void {
      if (this.isArranged) this.arranging.step(by);
    },

    /** Boards stand where people sit; those without a seat come behind the last row. */
    takeSeats(): void {
      const { seats } = data;
      if (!seats || !hasSeats) return;
      let behind = Math.max(...Object.values(seats.of).map(([row]) => row)) * seats.columns;
      for (const row of this.boards) {
        const [at] = row.people.flatMap((n) => (seats.of[n] ? [seats.of[n]] : []));
        const [line, column] = at ?? [Math.floor(behind / seats.columns) + 1, (behind++ % seats.columns) + 1];
        row.seat = { gridRow: String(line), gridColumn: String(column) };
      }
    },

    wantedBoards(): Map<string, { name: string; sign: GroupSign | null; people: number[] }> {
      const wanted = new Map<string, { name: string; sign: GroupSign | null; people: number[] }>();
      if (data.together) wanted.set(data.together, { name: texts.everybody, sign: null, people: [] });
      const { groups } = lesson.state;
      for (const { number, name, board, standing } of this.people as Participant[]) {
        if (standing !== Standing.In) continue;
        const group = !data.byGroup ? undefined : groups.find((g) => g.people.includes(number));
        const there = wanted.get(board) ?? { name: group?.name ?? name, sign: signOf(group), people: [] };
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
        came: came++,
        group: 0,
        heading: '',
        sign: null,
        headingSign: null,
        changed: false,
        held: false,
        shown: false,
        kept: false,
      });
      this.putTile(id);
      return this.boards.at(-1)!;
    },

    /** Shows a room in its place, from the beginning. */
    putTile(id: string, isKept = false): void {
      tiles.get(id)?.close();
      const tile = this.tileOf(id, () => this.boardChanged(id));
      tiles.set(id, tile);
      if (!isKept) void tile.enter();
      this.showTile(id);
    },

    tileOf(room: string, changed: () => void, wall = data.isWall): Tile {
      const options = { room, connection, me: data.me, before: data.activity[room], changed };
      return wall ? new WallTile(options, data.written, texts) : new BoardTile(options, data.written);
    },

    /** Those that have a place on the screen. */
    boardsPlaced(): Row[] {
      return this.boards.slice(0, this.placed);
    },

    /** The others get theirs too. */
    placeAll(): void {
      if (this.placed === Infinity) return;
      const rest = this.boards.slice(this.placed);
      this.placed = Infinity;
      for (const { id } of rest) this.showTile(id);
    },

    showTile(id: string): void {
      const host = () => (this.$root as HTMLElement).querySelector<HTMLElement>(`[data-tile="${id}"]`);
      this.$nextTick(() => tiles.get(id)?.show(host()));
    },

    /** One board has changed: its own line at once. */
    boardChanged(id: string): void {
      if (this.placed !== Infinity) requestAnimationFrame(() => setTimeout(() => this.placeAll()));
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
      row.held = this.steering.isHeld(row.people);
      row.shown = this.showing.privacy !== Privacy.None && this.showing.isShown(row.people);
      row.signals = row.handUp || row.ready || row.held || row.shown || row.handedIn !== '';
      const isKept = this.showing.isKept(row.people);
      if (isKept !== row.kept) this.putTile(row.id, (row.kept = isKept));
      const seenAt = seen[row.id];
      row.changed = seenAt !== undefined && (tile?.lastActivity ?? 0) > seenAt;
      const activity = tile?.isSealed ? '' : this.sayActivity(tile?.lastActivity ?? null, serverNow());
      row.activity = [this.sayPage(row, tile), activity].filter((words) => words !== '').join(' · ');
      if (tile instanceof WallTile) this.count(row, tile);
      else if (this.isTable) this.fillRow(row, tile);
    },

    fillRow(row: Row, tile: Tile | undefined): void {
      const on = new Set(row.people.flatMap((n) => found.pages[n] ?? []));
      row.cells = cellsOf(tile, on, row.handedIn !== '', serverNow(), texts.cell);
      if (row.cells.length > this.tablePages.length)
        this.tablePages = row.cells.map((_, i) => ({ number: i + 1, name: fill(texts.pageHead, i + 1) }));
    },

    fillWallTable(): void {
      const shown = this.boards.filter((row) => this.isShown(row));
      const tileOf = (row: Row) => tiles.get(row.id) as WallTile | undefined;
      const together = data.together ? (tiles.get(data.together) as WallTile | undefined) : undefined;
      const words = this.find.trim().toLocaleLowerCase();
      const people = here()
        .filter((p) => words === '' || p.name.toLocaleLowerCase().includes(words) || String(p.listNumber) === words)
        .sort((a, b) => a.name.localeCompare(b.name));
      this.wallTable = together
        ? studentsAndTopics(together, data.together!, people)
        : wallsAndTopics(shown.map((row) => ({ row, tile: tileOf(row) })));
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

    /** Once for all that has just come. */
    refreshSoon(): void {
      refreshing ??= setTimeout(() => this.refresh());
    },

    refresh(): void {
      clearTimeout(refreshing);
      refreshing = undefined;
      const { state } = lesson;
      this.closed = state.closed;
      this.door = state.door;
      this.ownFirst = state.ownFirstIn.includes(0) ? 2 : state.ownFirstIn.includes(data.part) ? 1 : 0;
      if (this.opened) this.openParts = state.openParts;
      if (wanted !== null && state.pensDown === wanted && state.pensConfirmedOn !== null) wanted = null;
      this.pensDown = wanted ?? state.pensDown;
      this.pensText = this.sayPens(state);
      this.steering.refresh();
      this.handing.refresh();
      this.regrouping.refresh();
      this.asking.refresh();
      this.phasing.refresh();
      this.wordScreen.refresh();
      this.approving.refresh();
      this.late.draw();
      this.screening.refresh();
      this.showing.refresh();
      seen = seenBoards(data.lesson);
      this.pageCount = Math.max(1, ...[...tiles.values()].map((tile) => tile.pageCount));
      for (const row of this.boards) this.refreshRow(row);
      if (this.isTable && data.isWall) this.fillWallTable();
      this.refreshFlood();
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
        .filter((need) => this.concernsMe(need) && !(need.isLate && this.isKept(need.board)));
      this.awayCount = found.away.length;
      this.hands = found.needs.filter((n) => n.kind === NeedKind.Hand).length;
    },

    isKept(board: string): boolean {
      return (this.boards as Row[]).some((row) => row.id === board && row.kept);
    },

    /** What a group does, or does not do, is said of the group. */
    nameFor({ kind }: NeedSaid, who: Participant): string {
      const isOfGroup = OF_GROUP.has(kind) && data.byGroup;
      return (isOfGroup && this.boards.find((row) => row.id === who.board)?.name) || who.name;
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
      const to = Math.min(this.pageCount, Math.max(1, this.pageNumber + by));
      if (to === this.pageNumber) return;
      this.pageNumber = to;
      for (const tile of tiles.values()) tile.showPage(this.pageNumber);
      this.steering.turned();
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
      this.hide('closing');
    },

    reopen(): void {
      lesson.submit({ kind: 'reopenLesson' });
    },

    dialog(name: string): HTMLDialogElement {
      return this.$refs[name] as HTMLDialogElement;
    },

    open(name: string): void {
      startNow(this.$root as HTMLElement);
      this.dialog(name).showModal();
    },

    hide(name: string): void {
      this.dialog(name).close();
    },

    /** What was not done is said, and what was typed is given back. */
    refused(command: Command, reason: number): void {
      const why = texts.refused[String(reason)] ?? texts.refusedOther;
      if (command.kind === 'poseQuestion') this.asking.refused();
      this.steering.refused(command, why);
    },

    /** Those who say that they are stuck. */
    pickStuck(): void {
      const { people } = lesson.state;
      this.picking.take(here().flatMap(({ number }) => (people.get(number)?.report === Report.Stuck ? [number] : [])));
    },

    /** Those on whose page, the one that is looked at, nobody has written. */
    async pickUntouched(): Promise<void> {
      await Promise.all([...tiles.values()].map((tile) => tile.wake()));
      const page = pageAt(this.pageNumber);
      const isUntouched = (row: Row) => tiles.get(row.id)?.isUntouched(page) ?? false;
      this.picking.take((this.boards as Row[]).filter(isUntouched).flatMap((row) => row.people));
    },

    takeOut(): void {
      this.hide('takingOut');
      this.regrouping.takeOut();
      this.picking.nobody();
    },

    /** On a wall or board for all, that; else those of the people who are picked. */
    worksPicked(): string[] {
      if (data.together) return [data.together];
      const picked = this.picking.whom();
      return (this.boards as Row[]).filter((row) => row.people.some((n) => picked.includes(n))).map((row) => row.id);
    },

    openPrivacy(): void {
      this.showing.begin();
      this.open('privacy');
    },

    setPrivacy(): void {
      this.hide('privacy');
      this.showing.set();
    },

    hrefOf({ id, name, kept }: Row): string | null {
      return kept ? null : boardOf(data.lesson, { id, name }, this.isQuiet);
    },

    /** Nobody is told that I look. */
    setQuiet(on: boolean): void {
      this.isQuiet = on;
      if (on) localStorage.setItem(QUIET, '');
      else localStorage.removeItem(QUIET);
    },

    nameOf(room: string): string {
      return (this.boards as Row[]).find((row) => row.id === room)?.name ?? (room === data.ownBoard ? texts.mine : '');
    },

    beginPhase(): void {
      this.hide('phase');
      this.phasing.start();
    },

    beginPlanned(number: number): void {
      this.hide('phase');
      this.phasing.beginPlanned(number);
    },

    ask(): void {
      this.hide('questioning');
      this.asking.ask();
    },

    clear(): void {
      this.hide('clearing');
      void this.onBoards.clear();
    },

    tilesPicked(): Tile[] {
      const picked = this.picking.whom();
      const rows = (this.boards as Row[]).filter((row) => !row.kept && row.people.some((n) => picked.includes(n)));
      return rows.flatMap((row) => tiles.get(row.id) ?? []);
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
