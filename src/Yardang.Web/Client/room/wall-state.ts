// What stands on a wall: Core's Wall, as far as this reader is told.

import {
  type Answer,
  type Attachment,
  type Card,
  type LastAct,
  type LateWork,
  Purpose,
  type RoomSnapshot,
  type RoundTrip,
  type Visit,
  type WallPlan,
} from '../wire/forms';
import { Judgements } from './judgements';
import { askedBy, mayAskToo, mayFile } from './questions';
import type { Me } from './sheets';
import { KINDS, isSame, mayBeShown } from './shown';
import { mayPutUpAt, visited } from './visiting';
import type { Command, Envelope, RoomEvent } from './wire';

export type { Answer, Attachment, Card, Topic, WallPlan } from '../wire/forms';

/** The topic of cards that fit nowhere. */
export const NOWHERE = 0;

/** Most letters of a card. */
export const LONGEST_TEXT = 1000;

const BLANK: WallPlan = {
  purpose: 1,
  question: {},
  topics: [],
  rules: { least: 0, most: 0, ownFirst: false, answers: false, shows: 0, judging: null, stations: 0 },
  map: null,
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
    });
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
    return card.answers.filter((a) => a.downBy === 0).sort((a, b) => a.saidAt - b.saidAt || a.id - b.id);
  }

  /** Whether I may answer a card. While each sees only their own, an answer to a teacher's card would be read by all. */
  mayAnswer(card: Card, me: Me): boolean {
    const { answers, ownFirst } = this.plan.rules;
    return card.downBy === 0 && (me.isStaff || (answers && !(ownFirst && card.byStaff)));
  }

  isMyAnswer(answer: Answer, me: Me): boolean {
    return answer.author === me.number && answer.byStaff === me.isStaff;
  }

  /** How many cards of somebody are up. */
  upOf(person: number): number {
    return [...this.cards.values()].filter((c) => c.downBy === 0 && !c.byStaff && c.author === person).length;
  }

  owed(person: number): number {
    return Math.max(0, this.plan.rules.least - this.upOf(person));
  }

  has(topic: number): boolean {
    return topic === NOWHERE || this.plan.topics.some((t) => t.id === topic);
  }

  apply(envelope: Envelope): void {
    const { event, actor, byStaff, client, counter, gesture, number } = envelope;
    switch (event.kind) {
      case 'workSetAside': {
        const by = { number: actor, role: byStaff ? 1 : 0, looksOnly: false, hasLeft: false };
        const late = { number, actor: by, client, counter, gesture, command: event.command };
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
      case 'cardsBrought':
        this.plan = event.plan;
        this.lastActivity = event.changedAt;
        this.cards = new Map(event.cards.map((c) => [c.id, c]));
        this.judgements = this.judgements.bring(event.results).follow(event.plan.rules.judging);
        return;
      case 'cardJudged':
        this.judgements = this.judgements.judged(event.card, actor, event.value);
        break;
      case 'resultsShown':
        this.judgements = this.judgements.show(event.results);
        return;
      case 'judgingWentOn':
        this.judgements = this.judgements.goOn(event.newRound);
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
      case 'clientAdmitted':
        return;
    }
    this.set(event, actor);
    if (!byStaff) this.note(envelope);
  }

  /** What a command of mine will do, as far as this client can tell; null if it would be refused. Core's Wall decides. */
  predict(command: Command, me: Me, now: number): RoomEvent | null {
    switch (command.kind) {
      case 'putUpCard': {
        const { id, topic, language, text, attachments } = command;
        const isFull = !me.isStaff && this.isFull(me.number);
        if (this.cards.has(id) || !this.has(topic) || !this.maySay(command, me) || isFull) return null;
        if (!mayPutUpAt(this, topic, me)) return null;
        const mine = { author: me.number, byStaff: me.isStaff, putUpAt: now, downBy: 0, answers: [], attachments };
        const asked = { askedToo: [], answeredBy: 0 };
        return {
          kind: 'cardPutUp',
          card: { id, topic, putUnder: topic, order: this.behind(topic, me), language, text, ...mine, ...asked },
        };
      }
      case 'rewordCard':
        return this.mayChange(command.id, me) && this.maySay(command, me, this.cards.get(command.id))
          ? { ...command, kind: 'cardReworded', whose: this.whose(command.id) }
          : null;
      case 'moveCard':
        return this.mayChange(command.id, me) && this.has(command.topic) && mayPutUpAt(this, command.topic, me)
          ? { ...command, kind: 'cardMoved', whose: this.whose(command.id) }
          : null;
      case 'takeCardDown':
        return this.mayChange(command.id, me)
          ? { ...command, kind: 'cardTakenDown', whose: this.whose(command.id) }
          : null;
      case 'putCardBack': {
        const card = this.cards.get(command.id);
        const mayPutBack =
          me.isStaff || (card?.downBy === me.number && this.isMine(card, me) && !this.isFull(me.number));
        return card && card.downBy !== 0 && mayPutBack
          ? { kind: 'cardPutBack', card: asTold({ ...card, downBy: 0 }) }
          : null;
      }
      case 'answerCard':
        return this.answered(command, me, now);
      case 'rewordAnswer':
        return this.mayChangeAnswer(command.card, command.id, me) &&
          canSay(command.text, this.findAnswer(command.card, command.id)!.aloud)
          ? { ...command, kind: 'answerReworded', whose: this.whose(command.card) }
          : null;
      case 'takeAnswerDown':
        return this.mayChangeAnswer(command.card, command.id, me)
          ? { ...command, kind: 'answerTakenDown', whose: this.whose(command.card) }
          : null;
      case 'putAnswerBack': {
        const answer = this.findAnswer(command.card, command.id);
        const mine = answer && (me.isStaff || (this.isMyAnswer(answer, me) && answer.downBy === me.number));
        return mine && answer.downBy !== 0 && (me.isStaff || this.cards.get(command.card)!.downBy === 0)
          ? {
              kind: 'answerPutBack',
              card: command.card,
              answer: { ...answer, downBy: 0 },
              whose: this.whose(command.card),
            }
          : null;
      }
      case 'askToo':
        return mayAskToo(this, command.card, command.on, me)
          ? { ...command, kind: 'askedToo', whose: this.whose(command.card) }
          : null;
      case 'fileQuestion':
        return mayFile(this, command.card, command.answer, me)
          ? { ...command, kind: 'questionFiled', whose: this.whose(command.card) }
          : null;
      case 'judgeCard':
        return this.mayJudge(command.card, command.value, me) ? { ...command, kind: 'cardJudged' } : null;
      case 'showResults':
        return me.isStaff && this.plan.rules.judging && !this.judgements.isShown
          ? { kind: 'resultsShown', results: this.judgements.resultsOf(this.up()) }
          : null;
      case 'goOnJudging':
        return me.isStaff && this.plan.rules.judging && this.judgements.mayGoOn(command.newRound)
          ? { kind: 'judgingWentOn', newRound: command.newRound }
          : null;
      case 'beginTrip':
      case 'moveOn':
      case 'endTrip':
      case 'visitStation':
        return this.travelled(command, me);
      case 'setPlan':
        return me.isStaff ? this.planned(command.plan) : null;
      default:
        return null;
    }
  }

  /** Whether I may say something of a card: a classmate's or a teacher's that I see. */
  mayJudge(id: number, value: number, me: Me): boolean {
    const card = this.cards.get(id);
    if (!card || card.downBy !== 0 || me.isStaff || this.isMine(card, me) || !this.isSeen(card, me)) return false;
    return this.judgements.may(this.plan.rules.judging, id, value, me.number, (other) => this.isUp(other));
  }

  isUp(id: number): boolean {
    return this.cards.get(id)?.downBy === 0;
  }

  /** The cards that are up, by id. */
  private up(): number[] {
    return [...this.cards.values()]
      .filter((c) => c.downBy === 0)
      .map((c) => c.id)
      .sort((a, b) => a - b);
  }

  /** Whether I may change a card: my own that is up; teachers, all. */
  mayChange(id: number, me: Me): boolean {
    const card = this.cards.get(id);
    return card !== undefined && card.downBy === 0 && (me.isStaff || this.isMine(card, me));
  }

  /** Whether somebody may show something beside their words. Places are shown on the map of this wall. */
  mayShow(attachment: Attachment, me: Me): boolean {
    const { rules, map } = this.plan;
    const isOfMap = attachment.kind !== 'place' || JSON.stringify(attachment.map) === JSON.stringify(map);
    return me.isStaff || (isOfMap && (rules.shows & KINDS[attachment.kind]) !== 0);
  }

  /** Whether a card can say and show something. What it shows already it may go on showing. */
  private maySay({ text, attachments }: Pick<Card, 'text' | 'attachments'>, me: Me, before?: Card): boolean {
    return (
      (attachments.length > 0 ? text.length <= LONGEST_TEXT : isText(text)) &&
      mayBeShown(attachments) &&
      attachments.every((a) => this.mayShow(a, me) || (before?.attachments.some((b) => isSame(a, b)) ?? false))
    );
  }

  private answered(
    { card, id, to, language, text, aloud }: Extract<Command, { kind: 'answerCard' }>,
    me: Me,
    now: number,
  ): RoomEvent | null {
    const about = this.cards.get(card);
    const isThere = to === 0 || this.findAnswer(card, to)?.downBy === 0;
    if (!about || !this.mayAnswer(about, me) || !isThere || this.findAnswer(card, id)) return null;
    if (!canSay(text, aloud) || (aloud && !me.isStaff)) return null;
    const answer = { id, to, author: me.number, byStaff: me.isStaff, language, text, saidAt: now, downBy: 0, aloud };
    return { kind: 'cardAnswered', card, answer, whose: this.whose(card) };
  }

  /** Whether I may change an answer: my own that is up; teachers, all. */
  mayChangeAnswer(card: number, id: number, me: Me): boolean {
    const answer = this.findAnswer(card, id);
    if (!answer || answer.downBy !== 0) return false;
    return me.isStaff || (this.isMyAnswer(answer, me) && this.cards.get(card)!.downBy === 0);
  }

  private findAnswer(card: number, id: number): Answer | undefined {
    return this.cards.get(card)?.answers.find((a) => a.id === id);
  }

  isMine(card: Card, me: Me): boolean {
    return card.author === me.number && card.byStaff === me.isStaff;
  }

  /** Whether somebody has up as many cards as each may. */
  isFull(person: number): boolean {
    const { most } = this.plan.rules;
    return most > 0 && this.upOf(person) >= most;
  }

  /** Whose card something happens to, where only they and teachers are told of it. */
  private whose(id: number): number {
    const card = this.cards.get(id)!;
    return this.plan.rules.ownFirst && !card.byStaff ? card.author : 0;
  }

  private travelled(
    command: Extract<Command, { kind: 'beginTrip' | 'moveOn' | 'endTrip' | 'visitStation' }>,
    me: Me,
  ): RoomEvent | null {
    const { trip, plan } = this;
    if (plan.purpose !== Purpose.Visit || me.isStaff === (command.kind === 'visitStation')) return null;
    switch (command.kind) {
      case 'beginTrip':
        return plan.topics.length > 0 ? { kind: 'tripBegun', groups: command.groups } : null;
      case 'moveOn':
        return trip && trip.stop !== command.stop ? { kind: 'tripMovedOn', stop: command.stop } : null;
      case 'endTrip':
        return trip ? { kind: 'tripEnded' } : null;
      case 'visitStation': {
        const { station } = command;
        const isThere = station !== NOWHERE && this.has(station) && this.visits.get(me.number)?.now !== station;
        return isThere ? { kind: 'stationVisited', station } : null;
      }
    }
  }

  private planned(plan: WallPlan): RoomEvent {
    if (!this.plan.rules.ownFirst || plan.rules.ownFirst) return { kind: 'planSet', plan };
    const has = (topic: number) => topic === NOWHERE || plan.topics.some((t) => t.id === topic);
    const cards = [...this.cards.values()].filter((c) => c.downBy === 0).sort((a, b) => a.id - b.id);
    return {
      kind: 'cardsShown',
      plan,
      cards: cards.map((c) => asTold(has(c.topic) ? c : { ...c, topic: NOWHERE })),
    };
  }

  /** Behind those that everybody sees, and one's own. */
  private behind(topic: number, me: Me): number {
    const isSeen = (c: Card) => !this.plan.rules.ownFirst || c.byStaff || (!me.isStaff && c.author === me.number);
    const orders = this.under(topic)
      .filter(isSeen)
      .map((c) => Math.floor(c.order));
    return (orders.length > 0 ? Math.max(...orders) : 0) + 1;
  }

  private set(event: RoomEvent, actor: number): void {
    switch (event.kind) {
      case 'cardPutUp':
        this.cards = new Map(this.cards).set(event.card.id, event.card);
        break;
      case 'cardPutBack':
        this.cards = new Map(this.cards).set(event.card.id, over(event.card, this.cards.get(event.card.id)));
        break;
      case 'cardAnswered':
      case 'answerPutBack':
        this.setAnswer(event.card, event.answer);
        break;
      case 'answerReworded':
        this.changeAnswer(event.card, event.id, { language: event.language, text: event.text });
        break;
      case 'answerTakenDown':
        this.changeAnswer(event.card, event.id, { downBy: actor });
        break;
      case 'askedToo': {
        const card = this.cards.get(event.card);
        if (card) this.change(event.card, { askedToo: askedBy(card, actor, event.on) });
        break;
      }
      case 'questionFiled':
        this.change(event.card, { answeredBy: event.answer });
        break;
      case 'cardReworded':
        this.change(event.id, { language: event.language, text: event.text, attachments: event.attachments });
        break;
      case 'cardMoved':
        this.change(event.id, { topic: event.topic, order: event.order });
        break;
      case 'cardTakenDown':
        this.change(event.id, { downBy: actor });
        break;
      case 'cardsShown': {
        this.plan = event.plan;
        this.judgements = this.judgements.follow(event.plan.rules.judging);
        // What is still held here of a classmate and is not among them was taken down meanwhile.
        const up = new Set(event.cards.map((c) => c.id));
        const isGone = (c: Card) => c.downBy === 0 && !up.has(c.id);
        this.cards = new Map([
          ...[...this.cards].map(([id, c]) => [id, isGone(c) ? { ...c, downBy: actor } : c] as const),
          ...event.cards.map((c) => [c.id, over(c, this.cards.get(c.id))] as const),
        ]);
        break;
      }
      case 'planSet':
        this.plan = event.plan;
        this.judgements = this.judgements.follow(event.plan.rules.judging);
        this.cards = new Map(
          [...this.cards].map(([id, card]) => [id, this.has(card.topic) ? card : { ...card, topic: NOWHERE }]),
        );
        break;
    }
  }

  private setAnswer(on: number, answer: Answer): void {
    const card = this.cards.get(on);
    if (!card) return;
    const others = card.answers.filter((a) => a.id !== answer.id);
    this.change(on, { answers: [...others, answer].sort((a, b) => a.id - b.id) });
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
            : event.kind === 'cardAnswered' || event.kind === 'cardJudged'
              ? (this.cards.get(event.card)?.topic ?? 0)
              : 0;
    this.acts = new Map(this.acts).set(actor, { person: actor, at: time, page: topic });
  }
}

/** A card with the answers that may be told to everybody who sees it. */
function asTold(card: Card): Card {
  return { ...card, answers: card.answers.filter((a) => a.downBy === 0) };
}

/** A card as it is told of again, with what is known here besides: the answers to it that are down. */
function over(told: Card, known: Card | undefined): Card {
  const down = known?.answers.filter((a) => a.downBy !== 0 && !told.answers.some((t) => t.id === a.id)) ?? [];
  return { ...told, answers: [...told.answers, ...down].sort((a, b) => a.id - b.id) };
}

/** Whether an answer can say this: something; a note of what was said aloud may be empty. */
function canSay(text: string, aloud: boolean): boolean {
  return aloud ? text.length <= LONGEST_TEXT : isText(text);
}

function isText(text: string): boolean {
  return text.length <= LONGEST_TEXT && text.trim() !== '';
}
