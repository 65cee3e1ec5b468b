// A board on the screen: the student's own, the one a teacher sits beside, or a try-out in the workshop.

import Alpine from '@alpinejs/csp';
import { fill, pageData } from '../page-data';
import type { BoardData } from './board-data';
import { company } from './company';
import { Connection, type Link, type Watched } from '../room/connection';
import { type HandedIn, Leftovers } from '../room/leftovers';
import { LessonState, Signal } from '../room/lesson-state';
import { Grip } from '../room/marks';
import { type OutboxStore, deviceOutbox } from '../room/outbox-store';
import { RoomClient } from '../room/room-client';
import { OfflineCopy } from './offline';
import { formulaControls } from './formula-controls';
import { languageChoice } from './language-choice';
import { lateNews } from './late-news';
import { handInControls } from './hand-in-controls';
import { MarkList } from './mark-list';
import { pictureSearchControls } from './picture-search-controls';
import { textIn } from '../surface/in-language';
import { sheetControls } from './sheet-controls';
import { SheetSession } from './sheet-session';
import { stimulusControls } from './stimulus-controls';
import { TrySeat, tryRoom } from './try-room';
import { listenForKeys } from './shortcuts';

const NOTICE_MS = 6000;
const LONG_NOTICE_MS = 15_000;
/** Says to the next page of this tab that its student was moved there. */
const MOVED = 'yardang-moved';
const ASK_NAMES_MS = 3000;

Alpine.data('board', () => {
  const data = pageData<BoardData>();
  const { texts } = data;
  const isTry = data.mode === 'try';
  const isLook = data.mode === 'look' || data.mode === 'embed';
  const isStudent = data.mode !== 'beside';
  const me = { number: data.actor, isStaff: !isStudent };
  let session: SheetSession;
  let list: MarkList;
  const names = new Map<number, string>();
  let askedAt = 0;
  let lesson: RoomClient<LessonState> | null = null;
  let connection: Connection | null = null;
  let leftovers: Leftovers | null = null;
  let carried: HandedIn = { kept: 0, waiting: 0, lost: 0 };
  const recalls: Watched[] = [];
  const as = data.query;
  const offline = new OfflineCopy([data.board, data.lesson].map((room) => `/rooms/${room}/snapshot${as}`));
  let noticeTimer: ReturnType<typeof setTimeout> | undefined;

  /** What became of what I wrote on other boards. */
  const wordsOf = ({ kept, waiting, lost }: HandedIn): string =>
    [kept > 0 ? texts.leftKept : '', waiting > 0 ? texts.leftWaiting : '', lost > 0 ? texts.leftLost : '']
      .filter((words) => words !== '')
      .join(' ');

  return {
    ...sheetControls(() => session, texts.figureTools),
    ...formulaControls(() => session),
    ...languageChoice(() => session, data.who, data.home ?? '', data.written),
    ...company(as, me.number, data.company ?? ''),
    ...lateNews(() => session, me.number, texts),
    ...handInControls(
      () => lesson,
      () => session.sheets,
      me.number,
      data.zone,
      texts,
    ),
    ...stimulusControls(data.board, as),
    ...pictureSearchControls(() => session, data.board, as),
    handUp: false,
    ready: false,
    allDirections: '',
    pensDown: false,
    closed: false,
    moving: false,
    seesOthers: false,
    link: 'connecting' as Link,
    opened: isTry,
    keeping: 'kept' as 'kept' | 'sending' | 'here' | 'open',
    setAside: 0,
    notice: '',
    directionsOpen: false,
    heading: '',
    pageDirections: '',

    init(): void {
      const root = this.$root as HTMLElement;
      this.heading = root.querySelector('h1')!.textContent;
      this.allDirections = root.querySelector('[data-directions]')?.textContent ?? '';
      const host = root.querySelector<HTMLElement>('[data-surface]')!;
      const field = root.querySelector<HTMLTextAreaElement>('[data-field]')!;
      const seat = data.tryOut ? new TrySeat(tryRoom(data.tryOut.room, data.tryOut.start), data.actor) : null;
      const line =
        seat ??
        new Connection(
          as,
          (link) => this.linkChanged(link),
          (watched) => this.recalled(watched),
        );
      const store: OutboxStore | null = isTry || isLook ? null : deviceOutbox(data.who, data.board);
      session = new SheetSession({
        room: data.board,
        line,
        store,
        me,
        grip: Grip.Own,
        design: false,
        language: data.language,
        written: data.written,
        host,
        field,
        query: as,
        token: root.dataset['token'] ?? '',
        pictureAway: texts.pictureAway,
        together: data.together,
        nameOf: (actor) => this.nameOf(actor),
        say: (words) => this.say(words),
        editFormula: (mark) => void this.openFormula(mark),
        mayWrite: () => this.mayWrite(),
        changed: () => this.refresh(),
        applied: () => offline.refreshSoon(),
        refused: (reason) => this.say(texts.refused[String(reason)] ?? texts.refusedOther),
      });
      session.surface.onZoom = (percent) => (this.zoom = percent);
      list = new MarkList(root.querySelector<HTMLElement>('[data-marks]')!, session, texts);
      listenForKeys(() => session, {
        pick: (tool) => this.pick(tool),
        showKeys: () => (this.$refs['keys'] as HTMLDialogElement).showModal(),
      });
      if (line instanceof TrySeat) void line.sitDown(session.client);
      else {
        connection = line;
        if (data.mode === 'student')
          leftovers = new Leftovers(
            data.who,
            as,
            root.dataset['token'] ?? '',
            () => this.refresh(),
            // Who is being moved reads it on the next page.
            (outcome) => (this.moving ? (carried = outcome) : this.say(wordsOf(outcome), LONG_NOTICE_MS)),
          );
        this.sayWhyHere();
        void this.enter(line);
      }
    },

    async enter(line: Connection): Promise<void> {
      if (data.mode === 'embed') return this.look(line);
      lesson = new RoomClient<LessonState>(
        data.lesson,
        line,
        deviceOutbox(data.who, data.lesson),
        (number, state) => LessonState.of(number, state),
        (state, command) => state.predict(command),
        me,
        { changed: () => this.lessonChanged(), applied: ({ event }) => this.lessonSaid(event.kind) },
        new LessonState(),
      );
      try {
        void line.start();
        await Promise.all([line.enter(session.client, !isLook), line.enter(lesson, !isLook)]);
        // A device that holds nothing (a private window, say) has nothing left either.
        await leftovers?.look([data.board, data.lesson]).catch(() => undefined);
        this.opened = true;
        await session.client.recover();
        await lesson.recover();
        if (data.mode === 'student') void offline.begin().catch(() => undefined);
        void leftovers?.run([data.board, data.lesson]);
      } catch {
        this.say(texts.notReached);
        setTimeout(() => location.reload(), NOTICE_MS);
      }
      this.refresh();
    },

    /** From outside, one board and nothing else of the lesson. */
    async look(line: Connection): Promise<void> {
      void line.start();
      await line.enter(session.client, false);
      this.opened = true;
      this.refresh();
    },

    /** Who was moved from another board is told so once, and where their work is. */
    sayWhyHere(): void {
      const moved = data.mode === 'student' && sessionStorage.getItem(MOVED);
      if (!moved) return;
      sessionStorage.removeItem(MOVED);
      const words = [data.together ? texts.movedToGroup : texts.movedToOwn, wordsOf(JSON.parse(moved) as HandedIn)];
      this.say(words.join(' '), LONG_NOTICE_MS);
    },

    lessonSaid(kind: string): void {
      if (kind === 'namesMasked') names.clear();
      if (kind === 'sightSet' && !isLook) this.showOthers();
    },

    /** My rights in a room have changed. Several rooms may say so at once. */
    recalled(watched: Watched): void {
      if (data.mode !== 'student') return location.reload();
      recalls.push(watched);
      void this.goToMyPlace();
    },

    /** The page goes where my place is now, and nothing stays behind. */
    async goToMyPlace(): Promise<void> {
      if (this.moving) return;
      // The word that is being written belongs to the board on which it was begun.
      session.finish();
      this.moving = true;
      this.refresh();
      for (let attempt = 0; ; attempt++) {
        try {
          const heard = recalls.length;
          const answer = await fetch(`/my-place${as}`);
          const address = answer.ok ? ((await answer.json()) as { address: string }).address : '/';
          const isHere = address === location.pathname + location.search;
          // What cannot be handed in now, the next page hands in.
          if (!isHere) {
            await session.client.held();
            await leftovers?.once([data.lesson]);
          }
          // What was said meanwhile may be newer than this answer.
          if (recalls.length > heard) continue;
          if (isHere) {
            this.moving = false;
            await Promise.all(recalls.splice(0).map((room) => connection!.rejoin(room)));
            return;
          }
          if (address.startsWith('/board/')) sessionStorage.setItem(MOVED, JSON.stringify(carried));
          return location.assign(address);
        } catch {
          await new Promise((done) => setTimeout(done, Math.min(5000, 500 * 2 ** attempt)));
        }
      }
    },

    /** The boards of others, as far as I may look at them. */
    showOthers(): void {
      const { state } = lesson!;
      this.seesOthers = data.mode === 'student' && (state.seesOtherBoards || state.seesTeachersBoard);
    },

    /** Names of those on this board; somebody new is asked for once, and again after a while. */
    nameOf(actor: number): string {
      const known = data.tryOut?.names[actor] ?? names.get(actor);
      if (known === undefined && Date.now() - askedAt > ASK_NAMES_MS) {
        askedAt = Date.now();
        void fetch(`/rooms/${data.board}/names${as}`)
          .then((answer) => (answer.ok ? answer.json() : []))
          .then((people: { number: number; name: string }[]) => people.forEach((p) => names.set(p.number, p.name)))
          .catch(() => undefined);
      }
      return known ?? '';
    },

    mayWrite(): boolean {
      if (isLook || this.moving) return false;
      return this.opened && (!isStudent || (!this.pensDown && !this.closed));
    },

    linkChanged(link: Link): void {
      this.link = link;
      this.refresh();
    },

    refresh(): void {
      if (!session) return;
      if (this.opened) this.refreshLanguages();
      const language = this.first || data.language;
      list?.refresh();
      this.refreshControls(language);
      if (this.opened && !isTry) this.allDirections = textIn(session.sheets.directions, [language], data.written);
      if (data.mode === 'student') this.heading = (session.sheets.name[language] ?? data.title) + this.company;
      if (data.mode === 'student' && this.opened) this.receive(lesson);
      const page = session.sheets.page(session.page);
      this.pageDirections = textIn(page?.directions ?? {}, [language], data.written);
      this.showStimulus(page?.stimulus ?? null);
      const waiting = session.client.waiting + (lesson?.waiting ?? 0) + (leftovers?.waiting ?? 0);
      const needsPage = session.client.needsThisPage || lesson?.needsThisPage;
      this.keeping = waiting === 0 ? 'kept' : this.link === 'open' ? 'sending' : needsPage ? 'open' : 'here';
      this.setAside = [...session.sheets.setAside].filter((w) => w.actor.number === me.number).length;
    },

    lessonChanged(): void {
      if (!lesson) return;
      const { state } = lesson;
      this.pensDown = state.pensDown;
      this.closed = state.closed;
      const person = state.people.get(me.number);
      this.showOthers();
      this.handUp = person?.handUpAt != null;
      this.ready = person?.readyAt != null;
      this.refreshHandIn();
      if (data.mode === 'student') this.refreshCompany(state);
      this.refresh();
    },

    get keptText(): string {
      if (isTry) return texts.tryOut;
      if (isLook) return texts.onlyLook;
      if (this.moving) return texts.moving;
      if (!this.opened) return texts.opening;
      if (this.setAside > 0 && this.keeping === 'kept') return fill(texts.setAside, this.setAside);
      if (this.keeping === 'kept') return this.link === 'lost' ? texts.keptHere : texts.kept;
      if (this.keeping === 'open') return texts.keepOpen;
      return this.keeping === 'sending' ? texts.sending : texts.keptHere;
    },

    get keptState(): string {
      if (!this.opened || this.keeping === 'open') return 'sending';
      return this.link === 'lost' ? 'here' : this.keeping;
    },

    get heldText(): string {
      return !isStudent ? '' : this.closed ? texts.closed : this.pensDown ? texts.pensDown : '';
    },

    get pageTitle(): string {
      const page = this.pages[this.pageNumber - 1];
      const at = fill(texts.pageOf, this.pageNumber, this.pages.length);
      return page?.name ? `${at}: ${page.name}` : at;
    },

    get pageShort(): string {
      return `${this.pageNumber} / ${this.pages.length}`;
    },

    openPage(id: number): void {
      (this.$refs['contents'] as HTMLDetailsElement).open = false;
      this.turnToPage(id);
    },

    showKey(): void {
      (this.$refs['key'] as HTMLDialogElement).showModal();
    },

    closeKey(): void {
      (this.$refs['key'] as HTMLDialogElement).close();
    },

    closeKeys(): void {
      (this.$refs['keys'] as HTMLDialogElement).close();
    },

    signal(signal: number, on: boolean): void {
      if (lesson?.client) lesson.submit({ kind: 'giveSignal', person: me.number, signal, on });
    },

    toggleHand(): void {
      this.signal(Signal.HandUp, !this.handUp);
    },

    toggleReady(): void {
      this.signal(Signal.ReadyForALook, !this.ready);
    },

    toggleDirections(): void {
      this.directionsOpen = !this.directionsOpen;
    },

    readAloud(): void {
      const words =
        (this.$root as HTMLElement)
          .querySelector('.directions')
          ?.querySelectorAll('[data-directions]:not([data-second])') ?? [];
      speechSynthesis.cancel();
      const speech = new SpeechSynthesisUtterance([...words].map((p) => p.textContent).join('\n'));
      speech.lang = this.first || data.language;
      speechSynthesis.speak(speech);
    },

    say(words: string, ms = NOTICE_MS): void {
      this.notice = words;
      clearTimeout(noticeTimer);
      noticeTimer = setTimeout(() => (this.notice = ''), ms);
    },
  };
});
