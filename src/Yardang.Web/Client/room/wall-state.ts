// What stands on a wall: Core's Wall, as far as this reader is told.

import {
  type Answer,
  AnswerKind,
  type Attachment,
  type Card,
  type ClassOrder,
  type Concern,
  type LastAct,
  type LateWork,
  type Link,
  JudgingKind,
  Purpose,
  StanceStage,
  type ReadingList,
  type RoomSnapshot,
  type RoundTrip,
  type OwnStarters,
  type Visit,
  type WallPlan,
} from '../wire/forms';
import '../wire/walls-codec';
import { concernsAfter, mayTell } from './concerns';
import { Judgements } from './judgements';
import { takenAll, takenWith, withLink } from './linking';
import { heldAfter, isNobodys, isSealed, letOut } from './letting-out';
import { isLockedFor, withLocked } from './locking';
import { type OwnPlaces, placesIn, withPlace } from './placing';
import { askedBy } from './questions';
import { respondedTo } from './quick-responses';
import { countsPerTopic } from './stacks';
import { NO_STANCES, stancesAfter, stancesOf, stancesUnder } from './stances';
import { readingAfter } from './reading';
import type { Me } from './sheets';
import { inTime, isMine, withAnswer } from './threads';
import { KINDS, lasts } from './shown';
import { takenDown } from './taken-down';
import { isFor, visited } from './visiting';
import type { Envelope, RoomEvent } from './wire';

export type { Answer, Attachment, Card, Topic, WallPlan } from '../wire/forms';

/** The topic of cards that fit nowhere. */
/** How many colours slips have. */
export const COLOURS = 12;
/** A recording ends a little after it was told to. */
const TOLERANCE_MS = 1500;

export const NOWHERE = 0;
/** Who handed the activity out, in place of the program. */
const OWNER = 1;

/** Most letters of a card. */
export { LONGEST_TEXT } from './threads';

/** A wall to begin with. */
export const BLANK: WallPlan = {
  purpose: 1,
  question: {},
  topics: [],
  rules: {
    least: 0,
    most: 0,
    ownFirst: false,
    answers: false,
    shows: 0,
    judging: null,
    stations: 0,
    onlyGiven: false,
    names: 0,
    anyMoves: false,
    inPairs: false,
    leastAnswers: 0,
    leastJudged: 0,
    perTopic: false,
    mostAnswers: 0,
    voiceSeconds: 60,
    mostJudged: 0,
    starters: [],
    responses: [],
    saidAlready: false,
    buildsOn: false,
    stances: [],
    held: 0,
    locked: false,
  },
  map: null,
  line: null,
  givenCards: [],
  field: null,
};

export class WallState {
  number = 0;
  plan: WallPlan = BLANK;
  /** Every card that this reader was ever told of, by id. */
  cards: ReadonlyMap<number, Card> = new Map();
  private late: ReadonlyMap<number, LateWork> = new Map();
  /** When a student last did something here, server time in ms. What a student knows of it is what they did themselves: `acts`. */
  lastActivity: number | null = null;
  /** What each student did last here; students are told of themselves. */
  acts: ReadonlyMap<number, LastAct> = new Map();
  /** What students said of each other's cards; students know what they said themselves, and what was shown. */
  judgements = Judgements.NONE;
  /** Groups on their way round the stations; null if everybody goes where they like. */
  trip: RoundTrip | null = null;
  /** Who was where; students know where they were. */
  visits: ReadonlyMap<number, Visit> = new Map();
  /** Where each placed cards for themselves; students know their own placement. */
  places: OwnPlaces = new Map();
  /** The order of the class as it was shown; null if it is not. */
  orderShown: ClassOrder | null = null;
  /** Every link that this reader was ever told of, by id. */
  links: ReadonlyMap<number, Link> = new Map();

  /** Who is to read which cards; students know their own list. */
  reading: ReadonlyMap<number, ReadingList> = new Map();

  /** Where students stand on the question; students know where they do, and what was shown. */
  stances = NO_STANCES;

  /** How sentences may begin for some, by actor number; students know their own. */
  starters: ReadonlyMap<number, OwnStarters['starters']> = new Map();

  /** What students told their teacher of; to a student, what they did. */
  concerns: readonly Concern[] = [];

  /** Where names are hidden from students: who has done what classmates do not see yet. Teachers know. */
  held: ReadonlySet<number> = new Set();

  static of(number: number, state: RoomSnapshot): WallState {
    if (state.kind !== 'wall') throw new Error('This is no wall.');
    return Object.assign(new WallState(), {
      number,
      plan: state.plan,
      cards: new Map(state.cards.map((c) => [c.id, c])),
      late: new Map(state.setAside.map((w) => [w.number, w])),
      lastActivity: state.lastActivity,
      acts: new Map(state.acts.map((a) => [a.person, a])),
      judgements: Judgements.of(state.judging),
      trip: state.trip,
      visits: new Map(state.visits.map((v) => [v.person, v])),
      places: placesIn(state.placing.own),
      orderShown: state.placing.shown,
      links: new Map(state.links.map((l) => [l.id, l])),
      held: new Set(state.held),
      reading: new Map(state.reading.map((l) => [l.person, l])),
      stances: stancesOf(state.stances),
      starters: new Map(state.starters.map((s) => [s.person, s.starters])),
      concerns: state.concerns,
    });
  }

  /** What of mine stands here although it waits for the teacher. */
  waiting: readonly LateWork[] = [];

  showWaiting(mine: readonly LateWork[]): void {
    this.waiting = mine;
  }

  /** Work that waits for a teacher's decision, as far as this reader is told. */
  get setAside(): IterableIterator<LateWork> {
    return this.late.values();
  }

  copy(): WallState {
    return Object.assign(new WallState(), this);
  }

  /** Whether somebody sees a card that is up: while each sees only their own, it is theirs or a teacher's. */
  isSeen(card: Card, me: Me): boolean {
    return me.isStaff || card.byStaff || card.author === me.number || !this.plan.rules.ownFirst;
  }

  /** The cards under a topic that are up, in order. */
  under(topic: number): Card[] {
    return [...this.cards.values()]
      .filter((c) => c.downBy === 0 && c.topic === topic)
      .sort((a, b) => a.order - b.order || a.id - b.id);
  }

  /** Cards that were taken down, as far as somebody still sees them: one's own; teachers, all. */
  down(me: Me): Card[] {
    const isSeen = (c: Card) => c.downBy !== 0 && (me.isStaff || this.isMine(c, me));
    return [...this.cards.values()].filter(isSeen).sort((a, b) => a.putUpAt - b.putUpAt || a.id - b.id);
  }

  /** The cards and answers of somebody that are up: by the card, and the answer or 0. Answers first: they are seen no more once their card is down. */
  upBy(person: number): { card: number; answer: number }[] {
    const isTheirs = (t: Card | Answer) => t.downBy === 0 && t.author === person && !t.byStaff;
    const cards = [...this.cards.values()];
    return [
      ...cards.flatMap((c) => c.answers.filter(isTheirs).map((a) => ({ card: c.id, answer: a.id }))),
      ...cards.filter(isTheirs).map((c) => ({ card: c.id, answer: 0 })),
    ];
  }

  /** My cards and answers that a teacher took down. */
  downOfMine(me: Me): { id: number; why: string }[] {
    const byTeacher = (t: Card | Answer) => t.downBy !== 0 && t.downBy !== me.number && isMine(t, me);
    return [...this.cards.values()]
      .flatMap((card): (Card | Answer)[] => [card, ...card.answers])
      .filter(byTeacher)
      .map((t) => ({ id: t.id, why: t.downWhy }));
  }

  /** What comes at a place among the cards of a topic that somebody sees, from 0, without the one that is to go there; Infinity for the end. */
  orderAt(topic: number, place: number, without: number, me: Me): number {
    const orders = this.under(topic)
      .filter((c) => c.id !== without && this.isSeen(c, me))
      .map((c) => c.order);
    const at = Math.min(place, orders.length);
    const before = orders[at - 1];
    const after = orders[at];
    if (before === undefined && after === undefined) return 1;
    if (after === undefined) return Math.floor(before!) + 1;
    return before === undefined ? after - 1 : (before + after) / 2;
  }

  /** What is said to a card and is up, in the order in which it was said. */
  saidTo(card: Card): Answer[] {
    return inTime(card.answers);
  }

  /** Whether I may answer a card. While each sees only their own, an answer to a teacher's card would be read by all. */
  mayAnswer(card: Card, me: Me): boolean {
    const { answers, ownFirst } = this.plan.rules;
    return (
      card.downBy === 0 &&
      !isLockedFor(this, card.id, me) &&
      (me.isStaff || (answers && !(ownFirst && card.byStaff) && !this.hasAnsweredAll(me.number)))
    );
  }

  private answered: { cards: unknown; person: number; given: number } | null = null;

  /** Whether somebody has given as many answers as each may. */
  hasAnsweredAll(person: number): boolean {
    const { mostAnswers } = this.plan.rules;
    if (mostAnswers === 0) return false;
    // Asked for with every card that is drawn, and counted once.
    if (this.answered?.cards !== this.cards || this.answered.person !== person) {
      const all = [...this.cards.values()].flatMap((c) => c.answers);
      const given = all.filter((a) => a.downBy === 0 && !a.byStaff && a.author === person).length;
      this.answered = { cards: this.cards, person, given };
    }
    return this.answered.given >= mostAnswers;
  }

  /** Which kinds of answer I still may give to a card where it is answered by one strength and one question. */
  kindsOpen(card: Card, me: Me): AnswerKind[] {
    if (!this.plan.rules.inPairs || me.isStaff) return [];
    const given = card.answers.filter((a) => a.downBy === 0 && isMine(a, me)).map((a) => a.says);
    return [AnswerKind.Strength, AnswerKind.Question].filter((k) => !given.includes(k));
  }

  /** How many cards of somebody are up: under a topic, or altogether. */
  upOf(person: number, topic?: number): number {
    let count = 0;
    for (const c of this.cards.values())
      if (c.downBy === 0 && !c.byStaff && c.author === person && (topic === undefined || c.topic === topic)) count++;
    return count;
  }

  /** How many cards somebody still owes. */
  owed(person: number): number {
    const { least, onlyGiven } = this.plan.rules;
    if (onlyGiven) return 0;
    return this.owedUnder(person)?.reduce((sum, t) => sum + t.owed, 0) ?? Math.max(0, least - this.upOf(person));
  }

  /** What somebody still owes under which topics; null where cards are counted altogether. */
  owedUnder(person: number): { topic: number; owed: number }[] | null {
    const { least } = this.plan.rules;
    if (!countsPerTopic(this.plan)) return null;
    const theirs = this.plan.topics.filter(({ id }) => isFor(this.plan, person, id));
    return theirs.map(({ id }) => ({ topic: id, owed: Math.max(0, least - this.upOf(person, id)) }));
  }

  /** How many cards of others somebody is still asked to answer. While each sees only their own, that can wait. */
  answersOwed(person: number): number {
    const { answers, leastAnswers, ownFirst } = this.plan.rules;
    if (!answers || ownFirst || leastAnswers === 0) return 0;
    const theirs = (a: { author: number; byStaff: boolean }) => a.author === person && !a.byStaff;
    const answered = [...this.cards.values()].filter(
      (c) => c.downBy === 0 && !theirs(c) && c.answers.some((a) => a.downBy === 0 && theirs(a)),
    );
    return Math.max(0, leastAnswers - answered.length);
  }

  /** Of how many cards of others somebody is still asked to say something, as long as it counts. */
  judgingOwed(person: number): number {
    const { judging, leastJudged, ownFirst } = this.plan.rules;
    if (!judging || ownFirst || leastJudged === 0 || this.judgements.isShown) return 0;
    const others = [...this.cards.values()].filter((c) => c.downBy === 0 && (c.byStaff || c.author !== person)).length;
    const most = judging.kind === JudgingKind.Choose ? judging.choices : Infinity;
    return Math.max(0, Math.min(leastJudged, others, most) - this.judgements.chosenBy(person, (id) => this.isUp(id)));
  }

  has(topic: number): boolean {
    return topic === NOWHERE || this.plan.topics.some((t) => t.id === topic);
  }

  apply(envelope: Envelope): void {
    this.become(envelope);
    this.concerns = concernsAfter(this.concerns, envelope);
    if (isSealed(this.plan) && this.starters.size > 0) this.starters = new Map();
    this.held = heldAfter(envelope, this.held, this.plan);
  }

  private become(envelope: Envelope): void {
    const { event, actor, byStaff, client, counter, gesture, number } = envelope;
    switch (event.kind) {
      case 'workSetAside': {
        const by = { number: actor, role: byStaff ? 1 : 0, looksOnly: false, hasLeft: false };
        const late = {
          number,
          actor: by,
          client,
          counter,
          gesture,
          command: event.command,
          why: event.why,
          returned: '',
          at: envelope.time,
        };
        this.late = new Map(this.late).set(number, late as LateWork);
        return;
      }
      case 'lateWorkAccepted':
        this.decided(event.number);
        if (event.outcome) this.set(event.outcome, event.person);
        return;
      case 'lateWorkDiscarded':
        this.decided(event.number);
        return;
      case 'workTakenUpAgain':
        this.late = new Map(this.late).set(event.work.number, event.work);
        break;
      case 'workReturned': {
        const returned = this.late.get(event.number);
        if (returned) this.late = new Map(this.late).set(event.number, { ...returned, returned: event.words });
        return;
      }
      case 'cardsBrought':
        this.plan = event.plan;
        this.lastActivity = event.changedAt;
        this.cards = new Map(event.cards.map((c) => [c.id, c]));
        this.judgements = this.judgements.bring(event.results).follow(event.plan.rules.judging);
        this.orderShown = event.order;
        this.stances = event.shifts ? { ...NO_STANCES, stage: StanceStage.Shown, shown: event.shifts } : NO_STANCES;
        this.links = new Map(event.links.map((l) => [l.id, l]));
        return;
      case 'cardJudged':
        this.judgements = this.judgements.judged({ ...event, person: actor });
        break;
      case 'cardRespondedTo': {
        const card = this.cards.get(event.card);
        const by = { number: actor, isStaff: byStaff };
        if (card) this.change(event.card, { responses: respondedTo(card, event.stamp, by, event.on) });
        break;
      }
      case 'resultsShown':
        this.judgements = this.judgements.show(event.results);
        return;
      case 'judgingWentOn':
        this.judgements = this.judgements.goOn(event.newRound);
        return;
      case 'judgeLeftOut':
        this.judgements = this.judgements.leaveOut(event.person, event.out);
        return;
      case 'readingGiven':
      case 'cardRead':
        this.reading = readingAfter(this.reading, event, actor);
        return;
      case 'startersGiven': {
        const starters = new Map(this.starters);
        if (event.starters.length > 0) starters.set(event.person, event.starters);
        else starters.delete(event.person);
        this.starters = starters;
        return;
      }
      case 'stanceTaken':
        this.stances = stancesAfter(this.stances, event, actor);
        break;
      case 'stancesSteered':
        this.stances = stancesAfter(this.stances, event, actor);
        return;
      case 'tripBegun':
        this.trip = { groups: event.groups, stop: 0 };
        return;
      case 'tripMovedOn':
        if (this.trip) this.trip = { ...this.trip, stop: event.stop };
        return;
      case 'tripEnded':
        this.trip = null;
        return;
      case 'stationVisited':
        this.visits = visited(this.visits, actor, event.station);
        return;
      case 'orderShown':
        this.orderShown = event.order;
        return;
      case 'orderHidden':
        this.orderShown = null;
        return;
      case 'cardPlacedAlone':
        this.places = withPlace(this.places, { ...event, person: actor });
        break;
      case 'cardsLetOut':
        this.cards = letOut(this.cards, event.cards, event.down);
        this.links = letOut(this.links, [...event.links, ...event.apart], event.linksDown);
        return;
      case 'clientAdmitted':
      case 'redacted':
        return;
    }
    this.set(event, actor);
    if (!byStaff) this.note(envelope);
  }

  /** Whether I may say something of a card: a classmate's or a teacher's that I see. */
  mayJudge(id: number, value: number, me: Me): boolean {
    const card = this.cards.get(id);
    if (!card || card.downBy !== 0 || me.isStaff || this.isMine(card, me) || !this.isSeen(card, me)) return false;
    const { judging, mostJudged } = this.plan.rules;
    return this.judgements.may(judging, id, value, me.number, (other) => this.isUp(other), mostJudged);
  }

  isUp(id: number): boolean {
    return this.cards.get(id)?.downBy === 0;
  }

  /** Whether I may change a card: my own that is up; teachers, all. */
  mayChange(id: number, me: Me): boolean {
    const card = this.cards.get(id);
    return card?.downBy === 0 && (me.isStaff || this.isMine(card, me)) && !isLockedFor(this, id, me);
  }

  /** Whether I may move a card to another topic or place. */
  mayMove(id: number, me: Me): boolean {
    const { purpose, rules } = this.plan;
    const anyMoves = purpose === Purpose.Sort && rules.anyMoves && !rules.ownFirst && this.isUp(id);
    return (anyMoves && !isLockedFor(this, id, me)) || this.mayChange(id, me);
  }

  /** Whether somebody may show something beside their words. Places are shown on the map of this wall. */
  mayShow(attachment: Attachment, me: Me): boolean {
    const { rules, map } = this.plan;
    const isOfMap = attachment.kind !== 'place' || JSON.stringify(attachment.map) === JSON.stringify(map);
    const isShort = lasts(attachment) <= rules.voiceSeconds * 1000 + TOLERANCE_MS;
    return me.isStaff || (isOfMap && isShort && (rules.shows & KINDS[attachment.kind]) !== 0);
  }

  /** Whether I may change an answer: my own that is up; teachers, all. */
  mayChangeAnswer(card: number, id: number, me: Me): boolean {
    const answer = this.findAnswer(card, id);
    if (!answer || answer.downBy !== 0) return false;
    return me.isStaff || (isMine(answer, me) && this.isUp(card) && !isLockedFor(this, card, me));
  }

  /** Whether I may tell the teacher that a card, or an answer to it, is not all right. */
  mayTell(about: number, answer: number, me: Me): boolean {
    const card = this.cards.get(about);
    if (!card || card.downBy !== 0 || !this.isSeen(card, me)) return false;
    const said = this.findAnswer(about, answer);
    return mayTell(this.concerns, answer ? (said?.downBy === 0 ? said : undefined) : card, me, about, answer);
  }

  findAnswer(card: number, id: number): Answer | undefined {
    return this.cards.get(card)?.answers.find((a) => a.id === id);
  }

  isMine(card: Card, me: Me): boolean {
    return card.author === me.number && card.byStaff === me.isStaff;
  }

  /** Whether somebody has up as many cards as each may: under a topic, or altogether. */
  isFull(person: number, topic: number): boolean {
    const { most } = this.plan.rules;
    return most > 0 && this.upOf(person, countsPerTopic(this.plan) ? topic : undefined) >= most;
  }

  /** Under which topics somebody has up as many as each may, for who draws what depends on it. */
  fullTopics(person: number): string {
    if (this.plan.rules.most === 0) return '';
    const topics = countsPerTopic(this.plan) ? [NOWHERE, ...this.plan.topics.map((t) => t.id)] : [NOWHERE];
    return topics.filter((t) => this.isFull(person, t)).join();
  }

  private set(event: RoomEvent, actor: number): void {
    switch (event.kind) {
      case 'cardPutUp':
        this.cards = new Map(this.cards).set(event.card.id, event.card);
        break;
      case 'cardPutBack':
        this.cards = new Map(this.cards).set(event.card.id, over(event.card, this.cards.get(event.card.id)));
        this.links = takenWith(this.links, event.links, event.card, this.cards, this.plan.rules.ownFirst);
        break;
      case 'answerGiven':
      case 'answerPutBack':
        this.setAnswer(event.about, event.answer);
        break;
      case 'answerReworded':
        this.changeAnswer(event.about, event.id, { language: event.language, text: event.text });
        break;
      case 'answerTakenDown':
        this.changeAnswer(event.about, event.id, takenDown(event, actor, event.by));
        break;
      case 'askedToo': {
        const card = this.cards.get(event.card);
        if (card) this.change(event.card, { askedToo: askedBy(card, actor, event.on) });
        break;
      }
      case 'questionFiled':
        this.change(event.card, { answeredBy: event.answer });
        break;
      case 'cardPlaced':
        this.change(event.card, { at: event.at });
        break;
      case 'cardLaid':
        this.change(event.card, { spot: event.spot });
        break;
      case 'fieldLaid':
        for (const { card, spot } of event.spots) this.change(card, { spot });
        break;
      case 'cardsLinked':
      case 'linkReworded':
      case 'linkReversed':
      case 'linkTakenDown':
      case 'linkPutBack':
        this.links = withLink(this.links, event, actor);
        break;
      case 'cardReworded':
        this.change(event.id, { language: event.language, text: event.text, attachments: event.attachments });
        break;
      case 'cardMoved':
        this.change(event.id, { topic: event.topic, order: event.order });
        break;
      case 'sealBroken': {
        const known = this.cards.get(event.card);
        this.change(event.card, { unsealed: event.reason, author: event.author || (known?.author ?? 0) });
        break;
      }
      case 'cardLocked':
        this.change(event.card, { locked: event.on });
        break;
      case 'topicLocked':
        this.plan = withLocked(this.plan, event.topic, event.on);
        break;
      case 'cardColoured':
        this.change(event.card, { colour: event.colour });
        break;
      case 'cardJoined':
        this.change(event.card, { joined: event.onto });
        break;
      case 'cardTakenDown':
        this.change(event.id, takenDown(event, actor, event.by));
        break;
      case 'cardsShown': {
        this.follow(event.plan);
        // What is still held here of a classmate and is not among them was taken down meanwhile.
        const up = new Set(event.cards.map((c) => c.id));
        const isGone = (c: Card) => c.downBy === 0 && !up.has(c.id);
        this.cards = new Map([
          ...[...this.cards].map(([id, c]) => [id, isGone(c) ? { ...c, downBy: actor || OWNER } : c] as const),
          ...event.cards.map((c) => [c.id, over(c, this.cards.get(c.id), true)] as const),
        ]);
        this.links = takenAll(this.links, event.links, this.cards);
        break;
      }
      case 'planSet':
        this.follow(event.plan);
        this.cards = new Map(
          [...this.cards].map(([id, card]) => [id, this.has(card.topic) ? card : { ...card, topic: NOWHERE }]),
        );
        for (const { card, spot } of event.laid) this.change(card, { spot });
        break;
    }
  }

  private follow(plan: WallPlan): void {
    // What was shown of another line is shown no more, nor anything where from now on each sees only their own cards.
    const hides = plan.rules.ownFirst && !this.plan.rules.ownFirst;
    if (!plan.line || plan.line.together || plan.line.kind !== this.orderShown?.kind || hides) this.orderShown = null;
    this.stances = stancesUnder(this.stances, this.plan, plan);
    this.plan = plan;
    this.judgements = this.judgements.follow(plan.rules.judging);
  }

  private setAnswer(on: number, answer: Answer): void {
    const card = this.cards.get(on);
    if (!card) return;
    this.change(on, { answers: withAnswer(card.answers, answer) });
  }

  private changeAnswer(on: number, id: number, values: Partial<Answer>): void {
    const answer = this.findAnswer(on, id);
    if (answer) this.setAnswer(on, { ...answer, ...values });
  }

  private change(id: number, values: Partial<Card>): void {
    const card = this.cards.get(id);
    if (card) this.cards = new Map(this.cards).set(id, { ...card, ...values });
  }

  private decided(number: number): void {
    const late = new Map(this.late);
    late.delete(number);
    this.late = late;
  }

  private note({ event, actor, time }: Envelope): void {
    this.lastActivity = time;
    const topic =
      event.kind === 'cardPutUp'
        ? event.card.topic
        : event.kind === 'cardMoved'
          ? event.topic
          : event.kind === 'cardReworded'
            ? (this.cards.get(event.id)?.topic ?? 0)
            : event.kind === 'answerGiven'
              ? (this.cards.get(event.about)?.topic ?? 0)
              : event.kind === 'cardJudged'
                ? (this.cards.get(event.card)?.topic ?? 0)
                : 0;
    this.acts = new Map(this.acts).set(actor, { person: actor, at: time, page: topic });
  }
}

/**
 * A card as it is told of again, with what is known here besides: the answers to it that are down, and unless all are told, those of nobody, which are told
 * together with others.
 */
function over(told: Card, known: Card | undefined, areAll = false): Card {
  const stays = (a: Answer) =>
    (a.downBy !== 0 || (!areAll && isNobodys(a))) && !told.answers.some((t) => t.id === a.id);
  const down = known?.answers.filter(stays) ?? [];
  return { ...told, answers: [...told.answers, ...down].sort((a, b) => a.id - b.id) };
}
