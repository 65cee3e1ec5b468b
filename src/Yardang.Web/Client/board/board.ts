// A board on the screen: the student's own, the one a teacher sits beside, or a try-out in the workshop.

import Alpine from '@alpinejs/csp';
import { chosenOf } from '../editor/chosen';
import { authorsOf } from '../editor/authors';
import { Editor } from '../editor/editor';
import { formulaMarks } from '../editor/formula-marks';
import { MarkList } from '../editor/mark-list';
import { pageTurner } from '../editor/page-turner';
import { workDown } from './work-down';
import { pictureFiles } from '../editor/picture-files';
import { pictureSearch } from '../media/picture-search';
import { HERE } from '../surface/pointers';
import { listenForKeys } from '../editor/shortcuts';
import { type Recorder, type ShownPlace, shownMarks } from '../editor/shown-marks';
import { stepsOf } from '../editor/steps';
import { stimulusBeside } from '../editor/stimulus';
import { toolsOf } from '../editor/tools';
import { viewOf } from '../editor/view';
import { fill, pageData } from '../page-data';
import { Grip } from '../room/marks';
import { type OutboxStore, deviceOutbox } from '../room/outbox-store';
import type { Preview } from '../room/room-client';
import type { Command, Envelope } from '../room/wire';
import { type Spot, SpotKind, StudentActs } from '../wire/forms';
import { Moderating } from '../moderation/moderating';
import { textIn } from '../surface/in-language';
import { Drafts } from '../threads/drafts';
import { Attendance, LONG_NOTICE_MS, type Page, placeOf } from '../lesson/attendance';
import type { CalledPage } from '../lesson/called';
import { companyOf } from '../lesson/company';
import { type ContentsPart, contentsOf } from '../lesson/contents';
import { handingIn } from '../lesson/handing-in';
import { TRYING, keptState, keptWords } from '../lesson/keeping';
import { Names } from '../lesson/names';
import { VIEW } from '../lesson/leading';
import { mayLook } from '../room/phases';
import type { Said } from '../lesson/said';
import { tellingOf } from '../lesson/telling';
import { openTelling } from '../lesson/telling-menus';
import type { BoardData } from './board-data';
import type { Beside } from './beside';
import type { Inset } from './inset';
import { answeringOf } from './answering';
import { bringingOf } from './bringing';
import { broughtOf } from './brought';
import { lateNews } from './late-news';
import { readingOf } from './reading';
import { talkOf } from './talk';
import type { TalkPlace } from './talk-panel';
import { speakingOf } from './speaking';
import { lowDataMenu } from '../lesson/low-data-menu';
import { waitingOf } from '../lesson/waiting';
import { seatIn } from '../lesson/try-room';

const NOTICE_MS = 6000;
/** From how few more marks on it is said how many there is room for. */
const TELLS_ROOM_LEFT = 1000;

/** A teacher who sits beside me says so every few seconds. */
const BESIDE_MS = 10_000;

/** As in Core's Refusal: the word screen found something in it. */
const REFUSED_WORDS = 32;
/** As there: somebody has answered in this field. */
const REFUSED_ANSWERED = 33;

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
  let attendance: Attendance | null = null;
  let board: CalledPage & {
    refresh(): void;
    say(words: string): void;
    talkPlace(): TalkPlace;
    shownPlace(): ShownPlace;
    openDialog(name: string): void;
    closeDialog(name: string): void;
    readonly keptState: string;
    readonly answering: { giveBack(command: Command): boolean };
    readonly contents: { readonly parts: readonly ContentsPart[]; take(parts: readonly ContentsPart[]): void };
  };
  let token = '';
  let pageCount = 0;
  /** Whether a try-out is on the page on which the teacher was. */
  let isPlaced = false;
  let besideTimer: ReturnType<typeof setTimeout> | undefined;
  const bringingDesk = () => ({
    room: data.work,
    query: as,
    token: () => token,
    language: () => data.language,
    chosen: () => editor.selection.marks,
    isKept: () => board.keptState === 'kept',
    say: (words: string) => board.say(words),
    showPlaces: (isShown: boolean) => (isShown ? board.openDialog('bringing') : board.closeDialog('bringing')),
  });
  let noticeTimer: ReturnType<typeof setTimeout> | undefined;
  const drafts = isTry || isLook ? new Drafts('') : Drafts.keptFor(data.who, data.work);
  const mySetAside = () => [...editor.sheets.setAside].filter((w) => w.actor.number === me.number);
  const isWriting = ({ kind }: Command) => kind === 'addMark' || kind === 'makeChanges';
  const giveBack = (command: Command): void => {
    if (command.kind === 'giveAnswer')
      drafts.giveBack(Drafts.answering(command.about, command.to), command.text, command.shown ? [command.shown] : []);
    if (command.kind === 'rewordAnswer') drafts.set(Drafts.ofAnswer(command.about, command.id), command.text);
  };
  const giveBackWritten = (command: Command): void => {
    if (!board.answering.giveBack(command)) editor.giveBack(command);
  };
  const names = new Names(data.work, as, () => board.refresh());
  const company = () => ({
    refresh: () => board.refresh(),
    goToMyPlace: () => attendance?.goToMyPlace(),
    showContents: (parts: readonly ContentsPart[]) => board.contents.take(parts),
  });
  const lesson = () => attendance?.lesson ?? null;
  const moderating = new Moderating(texts.moderation, (words) => board.say(words), texts.networkAway);

  return {
    tools: toolsOf(() => editor, texts.figureTools),
    chosen: chosenOf(() => editor, texts.by, texts.saidAloud),
    authors: authorsOf(() => editor, data.shared ?? data.together, texts.by),
    pages: pageTurner(() => editor, texts.pageOf),
    view: viewOf(() => editor),
    steps: stepsOf(() => editor),
    answering: answeringOf(
      () => editor,
      { ...texts.answerFields, by: texts.by, byTeacher: texts.teacher, answered: texts.refused[REFUSED_ANSWERED]! },
      isLook,
      (words) => board.say(words),
    ),
    talk: talkOf(
      () => editor,
      () => board.talkPlace(),
      data.shared ?? data.together,
      isLook,
    ),
    files: pictureFiles(() => editor),
    pictureSearch: pictureSearch(() => editor.pictures, data.work, as),
    formula: formulaMarks(() => editor),
    shown: shownMarks(
      () => editor,
      () => board.shownPlace(),
    ),
    /** In which voices, films and photographs are made, once one is wanted. */
    recording: null as Recorder | null,
    stimulus: stimulusBeside(data.work, as),
    reading: readingOf(() => editor, data.who, data.home ?? '', data.written),
    company: companyOf(company, placeOf(data), me.number, data),
    contents: contentsOf(data.contents ?? [], data.part ?? 0, texts.partOpened),
    news: lateNews(() => editor, me.number, texts),
    brought: broughtOf(() => editor, data.who, data.lesson, texts),
    bringing: bringingOf(
      () => bringingDesk(),
      () => board.contents.parts,
      data.part ?? 0,
      texts.bringAway,
    ),
    handIn: handingIn(lesson, () => editor.sheets.lastActivity, me.number, data.zone, texts),
    tell: tellingOf(lesson, me.number, isStudent, data.zone, texts, openTelling),
    /** Of a teacher's page alone, as soon as it is here. */
    beside: null as Beside | null,
    /** What the teacher says and asks; null as long as nothing was. */
    spared: lowDataMenu(),
    waits: waitingOf(() => ({
      work: editor.client,
      setAside: mySetAside(),
      giveBack: (command) => (isWriting(command) ? giveBackWritten(command) : giveBack(command)),
      openDialog: (name) => board.openDialog(name),
      closeDialog: (name) => board.closeDialog(name),
    })),
    speaking: speakingOf(() => editor, data.speakers ?? []),
    said: null as Said | null,
    texts,
    /** Which teacher is here, in words; empty if none is. */
    besideText: '',
    /** Whether a teacher has locked the page in sight against students. */
    isLocked: false,
    /** How many marks teachers removed from this page. */
    workDown: workDown(() => editor),
    seesOthers: false,
    /** Whether I may look at how my own board came to be. */
    looksBack: false,
    /** Whether I may save a copy of my own work. */
    takesAlong: false,
    /** The teacher's own board, if it may be looked at; beside mine as soon as it is asked for. */
    seesTeachers: false,
    inset: null as Inset | null,
    opened: isTry,
    keptText: '',
    keptState: 'sending',
    notice: '',
    heading: '',
    directions: { isOpen: false, all: '', ofPage: '' },

    init(): void {
      this.spared.init();
      board = this;
      const root = this.$root as HTMLElement;
      this.heading = root.querySelector('h1')!.textContent;
      this.directions.all = root.querySelector('[data-directions]')?.textContent ?? '';
      const host = root.querySelector<HTMLElement>('[data-surface]')!;
      const field = root.querySelector<HTMLTextAreaElement>('[data-field]')!;
      token = root.dataset['token'] ?? '';
      const seat = data.tryOut ? seatIn(data.tryOut, data.actor) : null;
      if (!seat) attendance = new Attendance(data, me, token, () => this.attended());
      const store: OutboxStore | null = isTry || isLook ? null : deviceOutbox(data.who, data.work);
      editor = new Editor({
        room: data.work,
        line: seat ?? attendance!.line,
        store,
        me,
        grip: Grip.Own,
        design: false,
        language: data.language,
        written: data.written,
        host,
        field,
        query: as,
        token,
        pictureAway: texts.pictureAway,
        together: data.together,
        // From outside nobody's name is told.
        nameOf: (actor) => data.tryOut?.names[actor] ?? (data.mode === 'embed' ? '' : names.of(actor)),
        say: (words) => this.say(words),
        editFormula: (mark) => this.formula.change(mark),
        openField: (mark) => this.answering.open(mark),
        openShown: (mark) => this.shown.open(mark),
        may: (act) => this.may(act),
        changed: () => this.refresh(),
        applied: (envelope) => this.applied(envelope),
        refused: (reason, command) => this.refused(reason, command),
        masked: () => this.say(texts.masked, LONG_NOTICE_MS),
        besideMe: (actor) => this.teacherIsHere(actor),
      });
      editor.surface.onZoom = (percent) => (this.view.percent = percent);
      this.authors.init();
      list = new MarkList(root.querySelector<HTMLElement>('[data-marks]')!, editor, texts);
      listenForKeys(() => editor, {
        pick: (tool) => this.tools.pick(tool),
        showKeys: () => this.openDialog('keys'),
      });
      if (data.mode === 'student') this.brought.init();
      if (seat) void seat.sitDown(editor.client);
      else void attendance!.enter();
      if (!isStudent) void this.sitDown();
      this.refresh();
    },

    /** What a teacher has beside the board. */
    async sitDown(): Promise<void> {
      const made = await import('./beside').catch(() => null);
      if (made)
        this.beside = made.besideOf(
          data,
          lesson,
          () => editor,
          texts,
          (people) => this.beside?.tookDown(people),
        );
      this.beside?.refresh();
    },

    /** What was typed is given back. */
    refused(reason: number, command: Command): void {
      giveBack(command);
      this.shown.giveBack(command);
      const isInField = this.answering.giveBack(command);
      const canBePutOtherwise = reason === REFUSED_WORDS || reason === REFUSED_ANSWERED;
      if (canBePutOtherwise && !isInField && isWriting(command)) editor.giveBack(command);
      this.say(texts.refused[String(reason)] ?? texts.refusedOther);
    },

    talkPlace(): TalkPlace {
      const root = this.$root as HTMLElement;
      return {
        panel: root.querySelector<HTMLElement>('[data-talk]')!,
        badges: root.querySelector<HTMLElement>('[data-talk-badges]')!,
        texts: texts.talk,
        drafts,
        looksOnly: isLook,
        moderating,
        isShared: data.shared ?? data.together,
        read: () => [this.reading.first, this.reading.second],
        titleOf: (mark) => list.titleOf(mark),
        nameOf: (actor) => editor.nameOf(actor),
        may: (act) => editor.may(act),
        address: (media) => this.shown.addressOf(media),
        speaking: isStudent ? null : this.shown.speaking,
        isOpen: () => this.talk.isOpen,
        open: () => this.talk.open(),
      };
    },

    shownPlace(): ShownPlace {
      return {
        room: data.work,
        query: as,
        texts: texts.shown,
        networkAway: texts.networkAway,
        drafts,
        looksOnly: isLook,
        token: () => token,
        say: (words) => this.say(words),
        refresh: () => this.refresh(),
        recorder: async (made) => {
          this.recording = made;
          await this.$nextTick();
          return this.recording;
        },
      };
    },

    /** What being in the lesson has to know of this page. */
    attended(): Page {
      return {
        work: editor.client,
        finish: () => {
          this.answering.finish();
          editor.finish();
        },
        refresh: () => this.refresh(),
        lessonChanged: () => this.lessonChanged(),
        lessonSaid: (kind) => this.lessonSaid(kind),
        say: (words, ms) => this.say(words, ms),
        previewed: (preview) => this.previewed(preview),
        lessonRefused: (command, reason) => {
          this.beside?.refused(command);
          if (!isStudent) this.say(texts.refused[String(reason)] ?? texts.refusedOther);
        },
        setAside: mySetAside(),
      };
    },

    applied(envelope: Envelope): void {
      const { event, actor, byStaff } = envelope;
      attendance?.applied(envelope);
      if (event.kind === 'concernRaised' && actor === me.number && !byStaff) this.say(texts.moderation.willLook);
    },

    may(act: StudentActs): boolean {
      if (isLook || attendance?.isMoving) return false;
      return this.opened && this.tell.lets(act) && !(isStudent && this.isLocked && act !== StudentActs.Judge);
    },

    mayWrite(): boolean {
      return this.may(StudentActs.Write);
    },

    /** What the teacher says is fetched when it is said for the first time. */
    async hear(): Promise<void> {
      const { calls, questions, phase, showing } = lesson()!.state;
      const isSilent = !phase && calls.size + questions.size + showing.privacies.length === 0;
      if (!isStudent || isLook || (isSilent && !this.said)) return;
      const made = await import('../lesson/said').catch(() => null);
      if (made) this.said ??= made.saidOf(lesson, me.number, data, () => board, texts);
      this.said?.refresh();
    },

    /** Who is led sees what their teacher looks at, and points to. */
    previewed({ actor, byStaff, data: [what, page, x, y, nearness, px, py] }: Preview): void {
      if (what !== VIEW || !byStaff || actor !== this.said?.called.leader || page !== editor.page) return;
      editor.surface.lookAt(x, y, nearness);
      if (px >= 0) editor.pointers.take(actor, true, [HERE, page, px, py]);
      editor.surface.invalidateDrawing();
    },

    lessonSaid(kind: string): void {
      if (kind === 'namesMasked' || kind === 'namesCorrected') names.forget();
      if (kind === 'namesCorrected') this.company.forget();
      if (kind === 'sightSet' && !isLook) this.showOthers();
    },

    /** The boards of others, as far as I may look at them. */
    showOthers(): void {
      const { state } = lesson()!;
      this.seesOthers = data.mode === 'student' && mayLook(state, me.number);
      this.looksBack = data.mode === 'student' && state.seesOwnPast;
      this.takesAlong = data.mode === 'student' && state.takesAlong;
      this.seesTeachers = data.mode === 'student' && state.seesTeachersBoard && !!data.teachers;
      if (!this.seesTeachers) this.inset?.close();
    },

    async showTeachers(page: number, large: boolean): Promise<void> {
      const made = await import('./inset').catch(() => null);
      if (!made || !data.teachers) return;
      this.inset ??= made.insetOf(data.teachers, as, me, data.written, texts.pageOf, () => this.showOthers());
      const host = (this.$root as HTMLElement).querySelector<HTMLElement>('[data-inset]')!;
      this.$nextTick(() => this.inset!.open(host, page, large));
    },

    async takeAlong(format: 'pdf' | 'png'): Promise<void> {
      this.answering.finish();
      editor.finish();
      const made = await import('../lesson/taking-along').catch(() => null);
      const work = {
        room: data.work,
        query: as,
        language: this.reading.first,
        page: this.pages.number,
        waiting: () => editor.client.waiting,
        texts,
      };
      const words = made ? await made.takeAlong(work, format) : texts.networkAway;
      if (words) this.say(words);
    },

    async showAuthors(): Promise<void> {
      await names.fetched();
      const isAnybodyNamed = await this.authors.toggle().catch(() => null);
      if (isAnybodyNamed === null) this.say(texts.networkAway);
      else if (!isAnybodyNamed) this.say(texts.nobodyNamed);
    },

    /** The teacher is told that a classmate's mark is not all right. */
    tellOfChosen(): void {
      const [mark] = editor.selection.marks;
      if (!mark || !this.chosen.mayTell) return;
      void moderating.askConcern(list.titleOf(mark), (reason, words) =>
        editor.client.submit({ kind: 'raiseConcern', about: mark.id, answer: 0, reason, words }),
      );
    },

    toggleTeachers(): void {
      if (this.inset?.isOpen) this.closeTeachers();
      else void this.showTeachers(editor.page, false);
    },

    /** Back to my own work. */
    closeTeachers(): void {
      this.inset?.close();
    },

    lessonChanged(): void {
      const room = lesson();
      if (!room) return;
      const { state } = room;
      this.tell.refresh();
      void this.hear();
      this.showOthers();
      this.handIn.refresh();
      if (data.mode === 'student') this.company.refresh(state);
      this.refresh();
    },

    refresh(): void {
      if (!editor) return;
      this.speaking.refresh();
      const wasOpened = this.opened;
      this.opened = isTry || attendance!.isOpened;
      if (this.opened && !wasOpened) this.openAt(location.hash.slice(1));
      if (isTry && !isPlaced && editor.sheets.pages.length > 0) {
        isPlaced = true;
        this.openAt(`page-${new URLSearchParams(location.search).get('at')}`);
      }
      if (this.opened && !wasOpened) this.said?.called.again();
      if (this.opened) this.reading.refresh();
      const language = this.reading.first || data.language;
      list?.refresh();
      this.tools.refresh();
      this.view.refresh();
      this.authors.refresh();
      this.chosen.refresh();
      this.pages.refresh(language);
      this.steps.refresh();
      if (this.opened) this.answering.refresh();
      if (this.opened) this.talk.refresh();
      if (this.opened) this.shown.refresh();
      const { sheets } = editor;
      const page = sheets.page(editor.page);
      this.isLocked = page?.locked === true;
      if (this.opened && !isTry) this.directions.all = textIn(sheets.directions, [language], data.written);
      this.directions.ofPage = textIn(page?.directions ?? {}, [language], data.written);
      this.stimulus.show(page?.stimulus ?? null);
      if (data.mode === 'student') {
        this.heading = (sheets.name[language] ?? data.title) + this.company.words;
        if (this.opened) this.news.receive(lesson());
      }
      if (this.opened) this.said?.called.keep();
      // A page to which I am called may have been handed out just now.
      if (this.pages.all.length !== pageCount) this.said?.called.again();
      pageCount = this.pages.all.length;
      attendance?.tellPage(editor.page);
      if (me.isStaff) this.workDown.refresh();
      attendance?.tellOfDown(sheets.number, () => sheets.downOfMine(me));
      this.beside?.refresh();
      this.waits.refresh();
      const keeping = attendance?.keeping ?? TRYING;
      this.keptText = keptWords(keeping, texts);
      this.keptState = keptState(keeping);
      if (sheets.roomLeft < TELLS_ROOM_LEFT) this.keptText += ` · ${fill(texts.roomLeft, sheets.roomLeft)}`;
      // What is on its way is not kept before it is there.
      if (this.keptState === 'kept' && this.shown.going.length > 0)
        [this.keptText, this.keptState] = [texts.sending, 'sending'];
    },

    /** Goes where the teacher calls. */
    goTo({ kind, id, x, y }: Spot): boolean {
      if (kind === SpotKind.TeachersBoard) {
        void this.showTeachers(id, true);
        return true;
      }
      if (!editor.sheets.pages.some((p) => p.id === id)) return false;
      if (editor.page !== id) editor.turnToPage(id);
      if (kind === SpotKind.Place) editor.lookAt(x, y);
      return true;
    },

    isAt({ kind, id }: Spot): boolean {
      const isPage = kind === SpotKind.Page || kind === SpotKind.Place;
      return !isPage || editor.page === id || !editor.sheets.pages.some((p) => p.id === id);
    },

    openPage(id: number): void {
      for (const menu of (this.$root as HTMLElement).querySelectorAll<HTMLDetailsElement>('details[data-contents]'))
        menu.open = false;
      this.pages.turnTo(id);
    },

    /** The list of contents leads to a page of another part: the address says to which. */
    openAt(place: string): void {
      const page = Number(/^page-(\d+)$/.exec(place)?.[1]);
      if (editor.sheets.page(page)) editor.turnToPage(page);
    },

    /** A teacher sits beside me; who does not say so again has gone. */
    teacherIsHere(actor: number): void {
      if (data.mode !== 'student') return;
      const name = names.of(actor);
      this.besideText = name ? fill(texts.besideMe, name) : texts.besideSomebody;
      clearTimeout(besideTimer);
      besideTimer = setTimeout(() => (this.besideText = ''), BESIDE_MS);
    },

    openDialog(name: string): void {
      (this.$refs[name] as HTMLDialogElement).showModal();
    },

    closeDialog(name: string): void {
      (this.$refs[name] as HTMLDialogElement).close();
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
