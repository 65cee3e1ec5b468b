// A wall on the screen: a student's, a teacher's, a try-out in the workshop, or one that is only looked at.

import Alpine from '@alpinejs/csp';
import type { Making } from '../attachments/making';
import type { AttachmentDialogs } from '../attachments/dialogs';
import { Attendance, LONG_NOTICE_MS, type Page, placeOf } from '../lesson/attendance';
import type { CalledPage } from '../lesson/called';
import { companyOf } from '../lesson/company';
import { type ContentsPart, contentsOf } from '../lesson/contents';
import { handingIn } from '../lesson/handing-in';
import { TRYING, keptState, keptWords } from '../lesson/keeping';
import { LanguagesRead, choicesAmong } from '../lesson/languages-read';
import { Names } from '../lesson/names';
import type { Said } from '../lesson/said';
import { tellingOf } from '../lesson/telling';
import { openTelling } from '../lesson/telling-menus';
import type * as Trying from '../lesson/try-room';
import { lowDataMenu } from '../lesson/low-data-menu';
import { waitingOf } from '../lesson/waiting';
import { lowData } from '../room/low-data';
import type { WorkData } from '../lesson/work-data';
import { PictureUploads } from '../media/picture-uploads';
import { Moderating } from '../moderation/moderating';
import { fill, pageData, plural } from '../page-data';
import { deviceOutbox } from '../room/outbox-store';
import { isHeldByLesson } from '../room/lesson-holds';
import { hidesNames, isSealed } from '../room/letting-out';
import { RoomClient } from '../room/room-client';
import { serverNow } from '../room/server-clock';
import { mayLook } from '../room/phases';
import { readingOf } from '../room/reading';
import { foresee } from '../room/wall-foresight';
import { type Card, NOWHERE, WallState } from '../room/wall-state';
import type { Command, Envelope } from '../room/wire';
import { Purpose, type Spot, SpotKind, StudentActs } from '../wire/forms';
import { textIn } from '../surface/in-language';
import { actsOf } from './acts';
import { Arrivals } from './arrivals';
import { attachingOf } from './attaching';
import type { Beside, besideOf } from './beside';
import { Drafts } from '../threads/drafts';
import type { LargeCard } from './large-card';
import { lettingOut } from './letting-out';
import { LikeAsked } from './like-asked';
import { judgedWords, owedWords } from './owed-words';
import { languagesOfPlan } from './plan-languages';
import type { WallTexts } from './wall-texts';
import { type Down, type WallSide, titleOf } from './wall-side';
import { WallView } from './wall-view';

interface WallData extends WorkData {
  /** Whether a teacher looks, also one who only watches. */
  readonly isStaff?: boolean;
  /** What to do, by language. */
  readonly directions?: Record<string, string>;
  readonly texts: WallTexts;
}

const NOTICE_MS = 6000;
/** As Core's Recordings. */
const LONGEST_S = 180;
const REST_MS = 4000;
const CHANGED_SINCE = 16;

/** @param beside what stands beside a teacher's; null for whoever has nothing beside it. */
/**
 * @param beside what a teacher has beside the wall; null for students.
 * @param trying a room without a server, where it is tried out.
 */
export function registerWall(beside: typeof besideOf | null, trying: typeof Trying | null): void {
  Alpine.data('wall', () => {
    const data = pageData<WallData>();
    const texts = { ...data.texts };
    const isTry = data.mode === 'try';
    const looksOnly = data.mode === 'look' || data.mode === 'embed';
    const isStudent = data.mode !== 'beside';
    // Teachers who only watch are told everything, too.
    const me = { number: data.actor, isStaff: !isStudent || data.isStaff === true };
    const arrivals = new Arrivals();
    const drafts = isTry ? new Drafts('') : Drafts.keptFor(data.who, data.work);
    const read = new LanguagesRead(data.who, data.home ?? '', data.written);
    const atOnceKey = `yardang-at-once-${data.who}`;
    let client: RoomClient<WallState>;
    let view: WallView;
    let large: LargeCard | null = null;
    let attendance: Attendance | null = null;
    let side: WallSide;
    let making: Making;
    let uploads: PictureUploads;
    let page: CalledPage & {
      refresh(): void;
      say(words: string): void;
      openDialog(name: string): void;
      closeDialog(name: string): void;
      readonly contents: { readonly parts: readonly ContentsPart[]; take(parts: readonly ContentsPart[]): void };
      readonly who: Beside['who'] | null;
    };
    const address = (media: string) => `/rooms/${data.work}/media/${media}${lowData.pictureQuery(data.query)}`;
    let topicsBefore: readonly number[] = [];
    /** What a teacher took down together. */
    let batch: readonly Down[] = [];
    let noticeTimer: ReturnType<typeof setTimeout> | undefined;
    const names = new Names(data.work, data.query, () => page.refresh());
    const lesson = () => attendance?.lesson ?? null;
    const panel = beside?.(
      {
        lesson: data.lesson,
        part: data.part ?? 0,
        work: data.work,
        written: data.written,
        client: () => client,
        room: lesson,
        // Films and sounds are taken in in the workshop alone.
        maps: () => ({ uploads, address, takeStimulus: () => Promise.resolve(null) }),
        rows: () => page.who?.present ?? [],
        token: () => document.querySelector<HTMLElement>('[data-token]')!.dataset['token'] ?? '',
        say: (words: string) => page.say(words),
        changed: () => page.refresh(),
      },
      texts,
    );
    const wall = () => client.state;
    const nameOf = (actor: number) => {
      // Nobody's name is known here, or not to students.
      if (actor === 0 && me.isStaff) return texts.somebody;
      if (actor === 0 || (actor !== me.number && !me.isStaff && hidesNames(wall().plan))) return texts.classmate;
      return data.tryOut?.names[actor] ?? (data.mode === 'embed' ? '' : names.of(actor));
    };

    const mySetAside = () => [...wall().setAside].filter((w) => w.actor.number === me.number);
    /** What was not put up is where it was written. */
    const giveBack = (command: Command): void => {
      if (command.kind === 'putUpCard') {
        drafts.giveBack(Drafts.under(command.topic), command.text, command.attachments);
        if (command.from.length > 0) drafts.set(Drafts.from(command.topic), command.from.join());
      }
      if (command.kind === 'giveAnswer')
        drafts.giveBack(
          Drafts.answering(command.about, command.to),
          command.text,
          command.shown ? [command.shown] : [],
        );
      if (command.kind === 'judgeCard') {
        drafts.giveBack(Drafts.scoring(command.card), command.reason);
        drafts.giveBack(Drafts.scoring(command.card, true), command.words);
      }
      if (command.kind === 'rewordAnswer') drafts.set(Drafts.ofAnswer(command.about, command.id), command.text);
      if (command.kind === 'rewordCard') {
        drafts.set(Drafts.of(command.id), command.text);
        drafts.show(Drafts.of(command.id), command.attachments);
      }
    };

    return {
      tell: tellingOf(lesson, me.number, isStudent, data.zone, texts, openTelling),
      spared: lowDataMenu(),
      waits: waitingOf(() => ({
        work: client,
        setAside: mySetAside(),
        giveBack: (command) => {
          giveBack(command);
          page.refresh();
        },
        openDialog: (name) => page.openDialog(name),
        closeDialog: (name) => page.closeDialog(name),
      })),
      /** What the teacher says and asks; null as long as nothing was. */
      said: null as Said | null,
      handIn: handingIn(lesson, () => wall().acts.get(me.number)?.at ?? null, me.number, data.zone, texts),
      company: companyOf(
        () => ({
          refresh: () => page.refresh(),
          goToMyPlace: () => attendance?.goToMyPlace(),
          showContents: (parts) => page.contents.take(parts),
        }),
        placeOf(data),
        me.number,
        data,
      ),
      contents: contentsOf(data.contents ?? [], data.part ?? 0, texts.partOpened),
      // Of a teacher's page alone.
      who: panel?.who ?? null,
      judging: panel?.judging ?? null,
      trip: panel?.trip ?? null,
      locks: panel?.locks ?? null,
      order: panel?.order ?? null,
      noticed: panel?.noticed ?? null,
      stances: panel?.stances ?? null,
      readingLists: panel?.readingLists ?? null,
      planning: panel?.planning ?? null,
      density: panel?.density ?? null,
      calling: panel?.calling ?? null,
      neighbours: panel?.neighbours ?? [],
      ownStarters: panel?.ownStarters ?? null,
      /** Where attachments are made; null until the first is. */
      pictureSearch: null as AttachmentDialogs['pictureSearch'] | null,
      formula: null as AttachmentDialogs['formula'] | null,
      drawing: null as AttachmentDialogs['drawing'] | null,
      place: null as AttachmentDialogs['place'] | null,
      reading: {
        choices: [] as { code: string; name: string }[],
        first: '',
        second: '',
        choose(first: string, second: string): void {
          read.choose(first, second);
          page.refresh();
        },
      },
      /** New cards of others are shown as they come, if nobody is writing here. */
      atOnce: (localStorage.getItem(atOnceKey) ?? String(!isStudent || looksOnly)) === 'true',
      heading: '',
      question: '',
      otherQuestion: '',
      owedText: '',
      judgedText: '',
      /** Of the list of cards that I am to read, if I have one. */
      readingText: '',
      hasUnread: false,
      /** Whether students see only their own cards. */
      ownFirst: false,
      /** Whether a teacher has locked all of it against students. */
      isLocked: false,
      /** Whether that is because of the lesson. */
      isHeldByLesson: false,
      /** What comes out where names are hidden. */
      out: lettingOut(wall, (command) => void client.submit(command, client.newId()), data.together, texts),
      /** Whether any card is shown. */
      hasCards: false,
      freshText: '',
      directions: { isOpen: false, all: textIn(data.directions ?? {}, [data.language], data.written) },
      /** Where there is room for one topic only: which, by its place, and how many there are. */
      topicNumber: 1,
      topics: [] as { id: number; number: number; heading: string }[],
      seesOthers: false,
      takesAlong: false,
      opened: isTry,
      keptText: '',
      keptState: 'sending',
      notice: '',

      init(): void {
        page = this;
        this.spared.init();
        const root = this.$root as HTMLElement;
        this.heading = root.querySelector('h1')!.textContent;
        const seat = data.tryOut && trying ? trying.seatIn(data.tryOut, data.actor) : null;
        if (!seat) attendance = new Attendance(data, me, root.dataset['token'] ?? '', () => this.attended());
        client = new RoomClient(
          data.work,
          seat ?? attendance!.line,
          isTry || looksOnly ? null : deviceOutbox(data.who, data.work),
          (number, state) => this.taken(WallState.of(number, state)),
          (state, command) => foresee(state, command, me, serverNow()),
          me,
          {
            changed: () => this.refresh(),
            applied: (envelope) => this.applied(envelope),
            refused: ({ command }, reason) => this.refused(command, reason),
            masked: () => this.say(texts.masked, LONG_NOTICE_MS),
          },
          new WallState(),
        );
        const token = root.dataset['token'] ?? '';
        const where = `/rooms/${data.work}/media${data.query}`;
        uploads = new PictureUploads(where, token, (words) => this.say(words), texts.pictureAway);
        making = attachingOf(
          this,
          wall,
          me,
          drafts,
          uploads,
          address,
          {
            id: data.work,
            query: data.query,
            token: document.querySelector<HTMLElement>('[data-token]')!.dataset['token'] ?? '',
          },
          texts,
          () => view.refresh(),
        );
        side = this.side(root);
        const part = (name: string) => root.querySelector<HTMLElement>(name)!;
        view = new WallView(part('[data-wall]'), part('[data-legend]'), part('[data-stances]'), side, () =>
          this.refresh(),
        );
        if (seat) void seat.sitDown(client);
        else void attendance!.enter();
        root.addEventListener('focusout', () => this.refresh());
        this.refresh();
      },

      /** What came as a whole is shown as it is: nobody has read anything of it yet. */
      taken(state: WallState): WallState {
        // Where names are hidden from now on, all is known by other numbers.
        const areOthers = data.together && hidesNames(state.plan) !== this.out.areNamesHidden;
        if (!this.opened || isTry || areOthers) arrivals.show(state.cards.values());
        return state;
      },

      async inDialog(open: (dialogs: AttachmentDialogs) => void): Promise<void> {
        if (await this.dialogsAreThere()) open(this as unknown as AttachmentDialogs);
        else this.say(texts.networkAway);
      },

      async dialogsAreThere(): Promise<boolean> {
        if (this.drawing) return true;
        try {
          const { attachmentDialogs } = await import('../attachments/dialogs');
          const taker = {
            mayWrite: () => side.mayWrite(),
            putFrom: (address: string, words: string) => making.choosing!.takeFound(address, words),
          };
          if (!this.drawing)
            Object.assign(
              this,
              attachmentDialogs(
                () => taker,
                data.work,
                data.query,
                address,
                () => (me.isStaff ? LONGEST_S : wall().plan.rules.voiceSeconds),
              ),
            );
          await this.$nextTick();
          return true;
        } catch {
          return false;
        }
      },

      /** What may be wanted without a network is fetched once the wall has been read for a moment. */
      fetchRest(): void {
        view.fetchSoon();
        if (!looksOnly) void making.fetch();
        setTimeout(() => {
          if (!looksOnly) void this.dialogsAreThere();
          if (!looksOnly) view.fetchRest();
          void import('./large-card').catch(() => undefined);
          if (!looksOnly) void this.cardsAreMovable();
        }, REST_MS);
      },

      /** Cards under topics can be dragged, once what is needed for it is here. */
      async cardsAreMovable(): Promise<void> {
        const made = await import('./moving-cards').catch(() => null);
        made?.moveCardsOn(view.root, side);
      },

      chooseFiles(): void {
        (this.$refs['files'] as HTMLInputElement).click();
      },

      chooseDocument(): void {
        (this.$refs['documents'] as HTMLInputElement).click();
      },

      documentChosen(event: Event): void {
        const input = event.target as HTMLInputElement;
        void making.choosing?.takeDocument(input.files?.[0] ?? null).then(() => (input.value = ''));
      },

      filesChosen(event: Event): void {
        const input = event.target as HTMLInputElement;
        void making.choosing?.takeFiles([...(input.files ?? [])]).then(() => (input.value = ''));
      },

      side(root: HTMLElement): WallSide {
        const component = this;
        const token = root.dataset['token'] ?? '';
        return {
          me,
          texts,
          written: data.written,
          arrivals,
          drafts,
          making,
          address,
          large: { open: (card) => void component.openLarge(card), refresh: () => large?.refresh() },
          likeAsked: new LikeAsked(isTry ? '' : `/rooms/${data.work}/like${data.query}`, token, () => view.refresh()),
          indexAddress: isTry ? '' : `/rooms/${data.work}/index${data.query}`,
          looksOnly,
          nameOf,
          get state() {
            return wall();
          },
          get read(): readonly [string, string] {
            return [component.reading.first, component.reading.second];
          },
          get isAdmitted() {
            return client.client !== 0;
          },
          get here() {
            return isSealed(wall().plan) ? [] : (component.who?.rows ?? []);
          },
          get lookedAt() {
            return component.who?.chosen ?? 0;
          },
          get isLooking() {
            return component.who?.isLooking ?? false;
          },
          get placeInSight() {
            return component.topics[component.topicNumber - 1]?.id ?? 0;
          },
          moderating: new Moderating(texts.moderation, (words) => this.say(words), texts.networkAway),
          justDown: [],
          say: (words: string) => this.say(words),
          turnTo: (place: number) => this.turnTo(view.places.findIndex((p) => p.id === place) + 1),
          mayWrite: () => this.may(StudentActs.Write),
          mayAnswer: () => this.may(StudentActs.Answer),
          mayMove: () => this.may(StudentActs.Move),
          mayChoose: () => this.may(StudentActs.Judge),
          isWanted: (card: Card) => this.who?.isWanted(card, nameOf) ?? true,
          ...actsOf(
            (command) => void client.submit(command, client.newId()),
            () => client.newId(),
            () => this.reading.first || data.language,
          ),
        };
      },

      async openLarge(card: Card): Promise<void> {
        try {
          const made = await import('./large-card');
          large ??= new made.LargeCard(
            (this.$root as HTMLElement).querySelector<HTMLDialogElement>('[data-large]')!,
            () => side,
            () => view.shown,
            (shown) => view.authorOf(shown),
            (shown) => view.togetherOf(shown),
            {
              who: data.who,
              lesson: data.lesson,
              hasPages: () => isStudent && page.contents.parts.some((p) => p.pages.length > 0),
            },
            panel && !looksOnly ? panel.calling : null,
          );
        } catch {
          this.say(texts.networkAway);
          return;
        }
        large.open(card);
      },

      applied(envelope: Envelope): void {
        const { event, actor, byStaff } = envelope;
        attendance?.applied(envelope);
        const isMine = actor === me.number && byStaff === me.isStaff;
        if (event.kind === 'concernRaised' && isMine) this.say(texts.moderation.willLook);
        if (isMine && (event.kind === 'cardTakenDown' || event.kind === 'answerTakenDown') && event.author)
          this.noteDown(
            event.kind === 'cardTakenDown' ? { card: event.id, answer: 0 } : { card: event.about, answer: event.id },
          );
        if (event.kind === 'cardTakenDown' && !isMine && view.stopChanging(event.id)) {
          this.say(texts.takenDownMeanwhile);
          attendance?.saidDown();
        }
        const moved = event.kind === 'cardMoved' && !isMine ? wall().cards.get(event.id) : undefined;
        if (moved && isStudent && wall().isMine(moved, me))
          this.say(fill(texts.movedByOther, titleOf(moved, texts), view.headingOf(moved.topic)));
      },

      /** All that somebody put up and said here is taken down. */
      takeAllDown(person: number): void {
        const things = wall().upBy(person);
        batch = things;
        side.justDown = [];
        for (const { card: id, answer } of things) {
          const card = wall().cards.get(id)!;
          if (answer === 0) side.takeDown(card);
          else side.takeAnswerDown(card, wall().findAnswer(id, answer)!);
        }
      },

      /** The server has it: what was taken down together is told of together. */
      noteDown(down: Down): void {
        const isOfBatch = (thing: Down) => thing.card === down.card && thing.answer === down.answer;
        side.justDown = [...(batch.some(isOfBatch) ? side.justDown : []), down];
      },

      /** What is being written for a topic that is gone goes on where cards go that fit nowhere. */
      keepDrafts(state: WallState): void {
        for (const topic of topicsBefore.filter((t) => !state.has(t))) {
          const place = Drafts.under(topic);
          if (drafts.isBegun(place)) drafts.giveBack(Drafts.under(NOWHERE), drafts.get(place), drafts.shown(place));
          drafts.clear(place);
        }
        topicsBefore = state.plan.topics.map((t) => t.id);
      },

      /** What being in the lesson has to know of this page. */
      attended(): Page {
        return {
          work: client,
          // What is being written stays on this device, and is found again on this wall.
          finish: () => undefined,
          refresh: () => this.refresh(),
          lessonChanged: () => this.lessonChanged(),
          lessonSaid: (kind) => this.lessonSaid(kind),
          say: (words, ms) => this.say(words, ms),
          setAside: mySetAside(),
        };
      },

      may(act: StudentActs): boolean {
        if (looksOnly || attendance?.isMoving) return false;
        return this.opened && client.client !== 0 && this.tell.lets(act);
      },

      /** What could not be put up is given back to whoever wrote it. */
      refused(command: Command, reason: number): void {
        // That somebody was at a station was noted by the page; nobody waits for it.
        if (command.kind === 'visitStation') return;
        if (command.kind === 'tidyField' && reason === CHANGED_SINCE) return this.say(texts.isTidy);
        giveBack(command);
        this.say(texts.refused[String(reason)] ?? texts.refusedOther);
      },

      async takeAlong(format: 'pdf' | 'png'): Promise<void> {
        const made = await import('../lesson/taking-along').catch(() => null);
        const work = {
          room: data.work,
          query: data.query,
          language: this.reading.first,
          page: 1,
          waiting: () => client.waiting,
          texts,
        };
        const words = made ? await made.takeAlong(work, format) : texts.networkAway;
        if (words) this.say(words);
      },

      lessonSaid(kind: string): void {
        if (kind === 'namesMasked' || kind === 'namesCorrected') names.forget();
        if (kind === 'namesCorrected') this.company.forget();
        this.who?.lessonSaid(kind);
      },

      lessonChanged(): void {
        const room = lesson();
        if (!room) return;
        this.tell.refresh();
        void this.hear();
        this.seesOthers = data.mode === 'student' && mayLook(room.state, me.number);
        this.takesAlong = data.mode === 'student' && room.state.takesAlong;
        this.handIn.refresh();
        if (data.mode === 'student') this.company.refresh(room.state);
        this.refresh();
      },

      /** What the teacher says is fetched when it is said for the first time. */
      async hear(): Promise<void> {
        const { calls, questions, phase } = lesson()!.state;
        if (!isStudent || looksOnly || (!phase && !this.said && calls.size + questions.size === 0)) return;
        const made = await import('../lesson/said').catch(() => null);
        if (made) this.said ??= made.saidOf(lesson, me.number, data, () => page, texts);
        this.said?.refresh();
      },

      refresh(): void {
        if (!view) return;
        const wasOpened = this.opened;
        this.opened = isTry || attendance!.isOpened;
        if (this.opened && !wasOpened && !isStudent) this.who?.begin();
        if (this.opened && !wasOpened) this.fetchRest();
        if (this.opened && !wasOpened) this.said?.called.again();
        const state = wall();
        // Its words are those of what is done on it.
        Object.assign(texts, data.texts, state.plan.purpose === Purpose.Ask ? data.texts.asked : {});
        this.readLanguages(state);
        if (data.mode === 'student') this.heading = data.title + this.company.words;
        this.question = textIn(state.plan.question, [this.reading.first], data.written);
        this.otherQuestion = this.reading.second ? (state.plan.question[this.reading.second] ?? '') : '';
        if (data.directions) this.directions.all = textIn(data.directions, [this.reading.first], data.written);
        this.keepDrafts(state);
        this.topics = view.places.map((p, i) => ({ ...p, number: i + 1 }));
        this.topicNumber = Math.max(1, Math.min(this.topicNumber, this.topics.length));
        view.follow();
        this.letIn();
        const isAsked = isStudent && !looksOnly && this.opened;
        this.owedText = isAsked ? owedWords(state, me.number, texts, (topic) => view.headingOf(topic)) : '';
        this.judgedText = isAsked ? judgedWords(state, me, texts) : '';
        this.judging?.refresh();
        this.readingLists?.refresh();
        this.stances?.refresh();
        const list = isAsked ? readingOf(state, me.number) : null;
        this.readingText = list
          ? fill(texts.readingOwn, list.cards.length - list.unread.length, list.cards.length)
          : '';
        this.hasUnread = (list?.unread.length ?? 0) > 0;
        this.ownFirst = state.plan.rules.ownFirst;
        this.isLocked = state.plan.rules.locked;
        this.isHeldByLesson = isHeldByLesson(state.plan);
        this.out.refresh();
        this.who?.refresh();
        this.density?.refresh();
        this.ownStarters?.refresh();
        this.trip?.refresh();
        this.locks?.refresh();
        this.order?.refresh();
        this.hasCards = view.shown.length > 0;
        view.refresh();
        this.waits.refresh();
        attendance?.tellOfDown(state.number, () => state.downOfMine(me));
        const keeping = attendance?.keeping ?? TRYING;
        this.keptText = keptWords(keeping, texts);
        this.keptState = keptState(keeping);
      },

      /** Cards that may be shown at once are; of the others it is said how many there are. */
      letIn(): void {
        const state = wall();
        const putUpHere = (card: Card) => state.isMine(card, me) || (me.isStaff && card.putUpBy === me.number);
        const shows = (card: Card) => putUpHere(card) || (this.atOnce && !view.isTyping);
        let fresh = 0;
        for (const { id, cards } of view.bands) {
          const waiting = arrivals.waiting(cards);
          if (waiting.length === 0) continue;
          const calm = this.opened && view.nothingJumps(id);
          arrivals.show(waiting.filter((card) => calm || shows(card)));
          fresh += arrivals.waiting(cards).length;
        }
        this.freshText = fresh > 0 ? plural(texts, 'fresh', fresh) : '';
      },

      /** One card after another, large. */
      readOneByOne(): void {
        const [first] = view.shown;
        if (first) side.large.open(first);
      },

      /** The next card of my list, large. */
      readOn(): void {
        const next = readingOf(wall(), me.number)?.unread[0];
        if (!next) return;
        arrivals.show([next]);
        view.refresh();
        side.large.open(next);
      },

      /** Of what a teacher is pointed to. */
      goToCard(id: number): void {
        const card = wall().cards.get(id);
        if (card) view.go(card);
      },

      showFresh(): void {
        const waiting = arrivals.waiting(view.bands.flatMap((b) => b.cards));
        arrivals.show(waiting);
        if (waiting[0]) view.focusCard(waiting[0].id);
        this.refresh();
      },

      toggleAtOnce(): void {
        this.atOnce = !this.atOnce;
        localStorage.setItem(atOnceKey, String(this.atOnce));
        this.refresh();
      },

      readLanguages(state: WallState): void {
        const there = languagesOfPlan(state.plan);
        if (there.join() !== this.reading.choices.map((c) => c.code).join()) this.reading.choices = choicesAmong(there);
        [this.reading.first, this.reading.second] = read.among(there);
      },

      get topicText(): string {
        const topic = (this.topics as { heading: string }[])[this.topicNumber - 1];
        const words = wall().plan.purpose === Purpose.Visit ? texts.stationOf : texts.topicOf;
        return topic ? fill(words, this.topicNumber, this.topics.length, topic.heading) : '';
      },

      stepTopic(by: number): void {
        this.topicNumber += by;
        this.turned();
      },

      /** Goes where the teacher calls. */
      goTo({ kind, id }: Spot): boolean {
        if (kind === SpotKind.Topic) this.turnTo(view.places.findIndex((p) => p.id === id) + 1);
        void import('./called-to').then((made) => made.showCalled(view.root, kind, id)).catch(() => undefined);
        return true;
      },

      isAt(): boolean {
        return true;
      },

      turnTo(number: number): void {
        if (number < 1) return;
        (this.$refs['contents'] as HTMLDetailsElement).open = false;
        this.topicNumber = number;
        this.turned();
      },

      turned(): void {
        (this.$root as HTMLElement).querySelector('[data-wall]')!.parentElement!.scrollTo(0, 0);
        window.scrollTo(0, 0);
        this.refresh();
      },

      openDialog(name: string): void {
        (this.$refs[name] as HTMLDialogElement).showModal();
      },

      closeDialog(name: string): void {
        (this.$refs[name] as HTMLDialogElement).close();
      },

      addTopic(): void {
        const id = this.planning?.form.add();
        void this.$nextTick(() => document.getElementById(`heading-${id}`)?.focus());
      },

      /** Ends that each sees only their own. */
      showAllCards(): void {
        const { plan } = wall();
        client.submit(
          { kind: 'setPlan', plan: { ...plan, rules: { ...plan.rules, ownFirst: false } } },
          client.newId(),
        );
      },

      openPlanning(): void {
        this.planning?.open();
        this.openDialog('planning');
      },

      /** The wall is changed for everybody who is on it. */
      changeWall(): void {
        if (!this.planning?.take()) return;
        this.closeDialog('planning');
        this.say(texts.planKept);
      },

      readAloud(): void {
        const words = (this.$root as HTMLElement).querySelectorAll('[data-directions]');
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
}
