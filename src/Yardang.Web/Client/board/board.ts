// A board on the screen: the student's own, the one a teacher sits beside, or a try-out in the workshop.

import Alpine from '@alpinejs/csp';
import { chosenOf } from '../editor/chosen';
import { Editor } from '../editor/editor';
import { formulaOf } from '../editor/formula';
import { MarkList } from '../editor/mark-list';
import { pageTurner } from '../editor/page-turner';
import { pictureFiles } from '../editor/picture-files';
import { pictureSearch } from '../editor/picture-search';
import { listenForKeys } from '../editor/shortcuts';
import { stepsOf } from '../editor/steps';
import { stimulusBeside } from '../editor/stimulus';
import { toolsOf } from '../editor/tools';
import { viewOf } from '../editor/view';
import { pageData } from '../page-data';
import { Connection, type Link, type Watched } from '../room/connection';
import { type HandedIn, Leftovers } from '../room/leftovers';
import { LessonState, Signal } from '../room/lesson-state';
import { Grip } from '../room/marks';
import { type OutboxStore, deviceOutbox } from '../room/outbox-store';
import { RoomClient } from '../room/room-client';
import { textIn } from '../surface/in-language';
import type { BoardData } from './board-data';
import { companyOf } from './company';
import { handingIn } from './handing-in';
import { type Keeping, keptState, keptWords } from './keeping';
import { lateNews } from './late-news';
import { MyPlace } from './my-place';
import { Names } from './names';
import { OfflineCopy } from './offline';
import { readingOf } from './reading';
import { TrySeat, tryRoom } from './try-room';

const NOTICE_MS = 6000;
const LONG_NOTICE_MS = 15_000;

Alpine.data('board', () => {
  const data = pageData<BoardData>();
  const { texts } = data;
  const isTry = data.mode === 'try';
  const isLook = data.mode === 'look' || data.mode === 'embed';
  const isStudent = data.mode !== 'beside';
  const me = { number: data.actor, isStaff: !isStudent };
  const as = data.query;
  let editor: Editor;
  let list: MarkList;
  let lesson: RoomClient<LessonState> | null = null;
  let connection: Connection | null = null;
  let leftovers: Leftovers | null = null;
  let board: { refresh(): void };
  let noticeTimer: ReturnType<typeof setTimeout> | undefined;
  const names = new Names(data.board, as);
  const offline = new OfflineCopy([data.board, data.lesson].map((room) => `/rooms/${room}/snapshot${as}`));
  const place = new MyPlace(as, {
    finish: () => editor.finish(),
    refresh: () => board.refresh(),
    handIn: async () => {
      await editor.client.held();
      await leftovers?.once([data.lesson]);
    },
    stay: async (rooms) => {
      board.refresh();
      await Promise.all(rooms.map((room) => connection!.rejoin(room)));
    },
  });
  const company = () => ({ refresh: () => board.refresh(), goToMyPlace: () => void place.go() });

  /** What became of what I wrote on other boards. */
  const wordsOf = ({ kept, waiting, lost }: HandedIn): string =>
    [kept > 0 ? texts.leftKept : '', waiting > 0 ? texts.leftWaiting : '', lost > 0 ? texts.leftLost : '']
      .filter((words) => words !== '')
      .join(' ');

  return {
    tools: toolsOf(() => editor, texts.figureTools),
    chosen: chosenOf(() => editor),
    pages: pageTurner(() => editor, texts.pageOf),
    view: viewOf(() => editor),
    steps: stepsOf(() => editor),
    files: pictureFiles(() => editor),
    pictureSearch: pictureSearch(() => editor, data.board, as),
    formula: formulaOf(() => editor),
    stimulus: stimulusBeside(data.board, as),
    reading: readingOf(() => editor, data.who, data.home ?? '', data.written),
    company: companyOf(company, as, me.number, data.company ?? ''),
    news: lateNews(() => editor, me.number, texts),
    handIn: handingIn(
      () => lesson,
      () => editor.sheets,
      me.number,
      data.zone,
      texts,
    ),
    handUp: false,
    ready: false,
    pensDown: false,
    closed: false,
    seesOthers: false,
    opened: isTry,
    link: 'connecting' as Link,
    keptText: '',
    keptState: 'sending',
    notice: '',
    heading: '',
    directions: { isOpen: false, all: '', ofPage: '' },

    init(): void {
      board = this;
      const root = this.$root as HTMLElement;
      this.heading = root.querySelector('h1')!.textContent;
      this.directions.all = root.querySelector('[data-directions]')?.textContent ?? '';
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
      editor = new Editor({
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
        nameOf: (actor) => data.tryOut?.names[actor] ?? names.of(actor),
        say: (words) => this.say(words),
        editFormula: (mark) => void this.formula.open(mark),
        mayWrite: () => this.mayWrite(),
        changed: () => this.refresh(),
        applied: () => offline.refreshSoon(),
        refused: (reason) => this.say(texts.refused[String(reason)] ?? texts.refusedOther),
      });
      editor.surface.onZoom = (percent) => (this.view.percent = percent);
      list = new MarkList(root.querySelector<HTMLElement>('[data-marks]')!, editor, texts);
      listenForKeys(() => editor, {
        pick: (tool) => this.tools.pick(tool),
        showKeys: () => this.openDialog('keys'),
      });
      if (line instanceof TrySeat) void line.sitDown(editor.client);
      else {
        connection = line;
        if (data.mode === 'student')
          leftovers = new Leftovers(
            data.who,
            as,
            root.dataset['token'] ?? '',
            () => this.refresh(),
            (outcome) => (place.isMoving ? (place.carried = outcome) : this.say(wordsOf(outcome), LONG_NOTICE_MS)),
          );
        this.sayWhyHere();
        void this.enter(line);
      }
      this.refresh();
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
        await Promise.all([line.enter(editor.client, !isLook), line.enter(lesson, !isLook)]);
        // A device that holds nothing (a private window, say) has nothing left either.
        await leftovers?.look([data.board, data.lesson]).catch(() => undefined);
        this.opened = true;
        await editor.client.recover();
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
      await line.enter(editor.client, false);
      this.opened = true;
      this.refresh();
    },

    sayWhyHere(): void {
      const carried = data.mode === 'student' ? MyPlace.arrived() : null;
      if (!carried) return;
      const words = [data.together ? texts.movedToGroup : texts.movedToOwn, wordsOf(carried)];
      this.say(words.join(' '), LONG_NOTICE_MS);
    },

    recalled(watched: Watched): void {
      if (data.mode === 'student') place.recalled(watched);
      else location.reload();
    },

    mayWrite(): boolean {
      if (isLook || place.isMoving) return false;
      return this.opened && (!isStudent || (!this.pensDown && !this.closed));
    },

    linkChanged(link: Link): void {
      this.link = link;
      this.refresh();
    },

    lessonSaid(kind: string): void {
      if (kind === 'namesMasked') names.forget();
      if (kind === 'sightSet' && !isLook) this.showOthers();
    },

    /** The boards of others, as far as I may look at them. */
    showOthers(): void {
      const { state } = lesson!;
      this.seesOthers = data.mode === 'student' && (state.seesOtherBoards || state.seesTeachersBoard);
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
      this.handIn.refresh();
      if (data.mode === 'student') this.company.refresh(state);
      this.refresh();
    },

    refresh(): void {
      if (!editor) return;
      if (this.opened) this.reading.refresh();
      const language = this.reading.first || data.language;
      list?.refresh();
      this.tools.refresh();
      this.chosen.refresh();
      this.pages.refresh(language);
      this.steps.refresh();
      const { sheets } = editor;
      const page = sheets.page(editor.page);
      if (this.opened && !isTry) this.directions.all = textIn(sheets.directions, [language], data.written);
      this.directions.ofPage = textIn(page?.directions ?? {}, [language], data.written);
      this.stimulus.show(page?.stimulus ?? null);
      if (data.mode === 'student') {
        this.heading = (sheets.name[language] ?? data.title) + this.company.words;
        if (this.opened) this.news.receive(lesson);
      }
      const keeping = this.keeping();
      this.keptText = keptWords(keeping, texts);
      this.keptState = keptState(keeping);
    },

    keeping(): Keeping {
      return {
        mode: data.mode,
        isOpened: this.opened,
        isMoving: place.isMoving,
        link: this.link,
        waiting: editor.client.waiting + (lesson?.waiting ?? 0) + (leftovers?.waiting ?? 0),
        needsPage: editor.client.needsThisPage || (lesson?.needsThisPage ?? false),
        setAside: [...editor.sheets.setAside].filter((w) => w.actor.number === me.number).length,
      };
    },

    get heldText(): string {
      return !isStudent ? '' : this.closed ? texts.closed : this.pensDown ? texts.pensDown : '';
    },

    openPage(id: number): void {
      (this.$refs['contents'] as HTMLDetailsElement).open = false;
      this.pages.turnTo(id);
    },

    openDialog(name: string): void {
      (this.$refs[name] as HTMLDialogElement).showModal();
    },

    closeDialog(name: string): void {
      (this.$refs[name] as HTMLDialogElement).close();
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

    readAloud(): void {
      const words =
        (this.$root as HTMLElement)
          .querySelector('.directions')
          ?.querySelectorAll('[data-directions]:not([data-second])') ?? [];
      speechSynthesis.cancel();
      const speech = new SpeechSynthesisUtterance([...words].map((p) => p.textContent).join('\n'));
      speech.lang = this.reading.first || data.language;
      speechSynthesis.speak(speech);
    },

    say(words: string, ms = NOTICE_MS): void {
      this.notice = words;
      clearTimeout(noticeTimer);
      noticeTimer = setTimeout(() => (this.notice = ''), ms);
    },
  };
});
