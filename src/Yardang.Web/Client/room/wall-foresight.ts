// What a command of mine will do to a wall, as far as this client can tell: Core's Wall decides.

import {
  AnswerKind,
  type Card,
  JudgingKind,
  Purpose,
  type MoveCard,
  type PutUpCard,
  type WallPlan,
  Wanted,
} from '../wire/forms';
import type { foreseeLink, laid, laidBy, shownOn, spotFor } from './field-foresight';
import { USUAL_CRITERION } from './judgements';
import { foreseeConcern } from './concerns';
import { fieldOf, standing, told, touchingAsTold } from './linking';
import { lineOf, placed } from './placing';
import { mayAskToo, mayFile } from './questions';
import { mayRespond, responds } from './quick-responses';
import { countsPerTopic, joinedAndFrom, mayJoin, topicsStand } from './stacks';
import { foreseeStance } from './stances';
import { isToRead, mayGiveReading } from './reading';
import type { Me } from './sheets';
import { canSay, given, isMine, isStaffs, isText } from './threads';
import { underLesson } from './lesson-holds';
import { isSealed } from './letting-out';
import { isLockedFor, lockedAs } from './locking';
import { isSame, mayBeShown } from './shown';
import { down, foreseeAnswerDown, saysAnew, UP } from './taken-down';
import { mayPutUpAt } from './visiting';
import { COLOURS, LONGEST_TEXT, NOWHERE, type WallState } from './wall-state';
import type { Command, RoomEvent } from './wire';

interface FieldForesight {
  foreseeLink: typeof foreseeLink;
  laid: typeof laid;
  spotFor: typeof spotFor;
  laidBy: typeof laidBy;
  shownOn: typeof shownOn;
}

/** What is asked for beside what is no score. */
const NOTHING = { reason: Wanted.No, words: Wanted.No };

let onField: FieldForesight | null = null;

/** The field is there. */
export function foreseeOnField(foresight: FieldForesight): void {
  onField = foresight;
}

/** What a command of mine will do, as far as this client can tell; null if it would be refused. Core's Wall decides. */
export function foresee(state: WallState, command: Command, me: Me, now: number): RoomEvent | null {
  switch (command.kind) {
    case 'putUpCard': {
      const { id, topic, language, text, attachments, for: author } = command;
      const isFull = !me.isStaff && (state.isFull(me.number, topic) || state.plan.rules.onlyGiven);
      if (state.cards.has(id) || !state.has(topic) || !maySay(state, command, me) || isFull) return null;
      if (!mayPutUpAt(state, topic, me) || author < 0 || (author > 0 && !me.isStaff)) return null;
      const spot = onField ? onField.spotFor(state, command, me) : fieldOf(state.plan) ? undefined : null;
      if (spot === undefined) return null;
      const whose =
        author > 0
          ? { author, byStaff: false, putUpBy: me.number }
          : { author: me.number, byStaff: me.isStaff, putUpBy: 0 };
      const mine = { ...whose, putUpAt: now, ...UP, answers: [], attachments };
      const grown = joinedAndFrom(state, command.onto, command.from, me);
      const { poured } = command;
      if (poured !== 0 && !mayPour(state, command, me)) return null;
      const asked = {
        ...grown,
        askedToo: [],
        responses: [],
        answeredBy: 0,
        at: null,
        spot,
        poured,
        colour: 0,
        unsealed: '',
        locked: false,
      };
      return {
        kind: 'cardPutUp',
        card: { id, topic, putUnder: topic, order: behind(state, topic, me), language, text, ...mine, ...asked },
      };
    }
    case 'rewordCard':
      return state.mayChange(command.id, me) && maySay(state, command, me, state.cards.get(command.id))
        ? { ...command, kind: 'cardReworded', whose: whose(state, command.id) }
        : null;
    case 'moveCard':
      return state.mayMove(command.id, me) && hasRoomFor(state, command, me) && mayPutUpAt(state, command.topic, me)
        ? { ...command, kind: 'cardMoved', whose: whose(state, command.id) }
        : null;
    case 'joinCard':
      return mayJoin(state, command.card, command.onto, me)
        ? { ...command, kind: 'cardJoined', whose: whose(state, command.card) }
        : null;
    case 'lockCard': {
      const card = state.cards.get(command.card);
      return me.isStaff && card?.downBy === 0 && card.locked !== command.on
        ? { ...command, kind: 'cardLocked', whose: whose(state, card.id) }
        : null;
    }
    case 'lockTopic': {
      const { topic, on } = command;
      const now =
        topic === NOWHERE
          ? state.plan.rules.locked
          : state.plan.topics.find((t) => t.id === topic && topicsStand(state.plan))?.locked;
      return me.isStaff && now === !on ? { kind: 'topicLocked', topic, on } : null;
    }
    case 'colourCard': {
      const { card, colour } = command;
      const isOther = colour >= 0 && colour <= COLOURS && state.cards.get(card)?.colour !== colour;
      return isOther && state.mayChange(card, me)
        ? { ...command, kind: 'cardColoured', whose: whose(state, card) }
        : null;
    }
    case 'takeCardDown': {
      const card = state.cards.get(command.id);
      const { id, words, removes, asItsAuthor } = command;
      if (card && asItsAuthor && me.isStaff && !card.byStaff && card.downBy === 0)
        return { kind: 'cardTakenDown', id, whose: whose(state, id), by: card.author, ...down(card, '', false, me) };
      if (!card || asItsAuthor || !(saysAnew(card, words, removes, me) || state.mayChange(id, me))) return null;
      return { kind: 'cardTakenDown', id, whose: whose(state, id), by: 0, ...down(card, words, removes, me) };
    }
    case 'putCardBack': {
      const card = state.cards.get(command.id);
      const mayPutBack =
        me.isStaff ||
        (card?.downBy === me.number &&
          state.isMine(card, me) &&
          !isLockedFor(state, card.id, me) &&
          !state.isFull(me.number, card.topic));
      return card && card.downBy !== 0 && mayPutBack
        ? {
            kind: 'cardPutBack',
            card: asTold({ ...card, ...UP }),
            links: touchingAsTold(state.links, card, state.cards, state.plan.rules.ownFirst),
          }
        : null;
    }
    case 'giveAnswer':
      return answered(state, command, me, now);
    case 'rewordAnswer':
      return state.mayChangeAnswer(command.about, command.id, me) &&
        canSay(command.text, state.findAnswer(command.about, command.id)!)
        ? { ...command, kind: 'answerReworded', whose: whose(state, command.about) }
        : null;
    case 'takeAnswerDown':
      return foreseeAnswerDown(state.findAnswer(command.about, command.id), command, me, (answer) =>
        state.mayChangeAnswer(command.about, answer.id, me) ? whose(state, command.about) : null,
      );
    case 'raiseConcern':
      return foreseeConcern(command, (about, answer) => state.mayTell(about, answer, me));
    case 'putAnswerBack': {
      const answer = state.findAnswer(command.about, command.id);
      const mayMore = me.isStaff || !(state.hasAnsweredAll(me.number) || isLockedFor(state, command.about, me));
      const mine = answer && mayMore && (me.isStaff || (isMine(answer, me) && answer.downBy === me.number));
      return mine && answer.downBy !== 0 && (me.isStaff || state.cards.get(command.about)!.downBy === 0)
        ? {
            kind: 'answerPutBack',
            about: command.about,
            answer: { ...answer, ...UP },
            whose: whose(state, command.about),
          }
        : null;
    }
    case 'askToo':
      return mayAskToo(state, command.card, command.on, me)
        ? { ...command, kind: 'askedToo', whose: whose(state, command.card) }
        : null;
    case 'fileQuestion':
      return mayFile(state, command.card, command.answer, me)
        ? { ...command, kind: 'questionFiled', whose: whose(state, command.card) }
        : null;
    case 'judgeCard':
      return state.mayJudge(command.card, command.value, me) && maySayWhy(state, command)
        ? { ...command, kind: 'cardJudged' }
        : null;
    case 'showResults': {
      // What nobody but the server knows it computes.
      const mayShow = me.isStaff && state.plan.rules.judging && !state.judgements.isShown && !isSealed(state.plan);
      const results = mayShow ? state.judgements.resultsOf(up(state)) : null;
      return results && { kind: 'resultsShown', results };
    }
    case 'respondToCard': {
      const card = state.cards.get(command.card);
      const isOffered = state.plan.rules.responses.some((r) => r.stamp === command.stamp);
      return card && isOffered && mayRespond(state, card, me) && responds(card, command.stamp, me) !== command.on
        ? { ...command, kind: 'cardRespondedTo', whose: whose(state, command.card) }
        : null;
    }
    case 'leaveOutJudge':
      return me.isStaff && state.plan.rules.judging && !state.judgements.isShown && !isSealed(state.plan)
        ? { ...command, kind: 'judgeLeftOut' }
        : null;
    case 'goOnJudging':
      return me.isStaff && state.plan.rules.judging && state.judgements.mayGoOn(command.newRound)
        ? { kind: 'judgingWentOn', newRound: command.newRound }
        : null;
    case 'takeStance':
    case 'steerStances':
      return foreseeStance(state, command, me);
    case 'giveReading':
      return mayGiveReading(state, command.person, command.cards, me) ? { ...command, kind: 'readingGiven' } : null;
    case 'readCard':
      return isToRead(state, command.card, me) ? { ...command, kind: 'cardRead' } : null;
    case 'beginTrip':
    case 'moveOn':
    case 'endTrip':
    case 'visitStation':
      return travelled(state, command, me);
    case 'placeCard':
      return placed(state, command.card, command.at, me);
    case 'layCard':
    case 'layCards':
      return onField?.laid(state, command, me) ?? null;
    case 'linkCards':
    case 'rewordLink':
    case 'reverseLink':
    case 'takeLinkDown':
    case 'putLinkBack':
      return onField?.foreseeLink(state, command, me) ?? null;
    // What is shown the server computes.
    case 'showOrder':
      return me.isStaff && !command.on && state.orderShown && lineOf(state.plan) ? { kind: 'orderHidden' } : null;
    case 'setPlan':
      return me.isStaff ? planned(state, underLesson(lockedAs(command.plan, state.plan), state.plan)) : null;
    case 'giveStarters': {
      const { person, starters } = command;
      const isChange = starters.length > 0 || state.starters.has(person);
      return me.isStaff && !isSealed(state.plan) && isChange ? { kind: 'startersGiven', person, starters } : null;
    }
    default:
      return null;
  }
}

/** Whether a score is given with what is asked for beside it; on which words it rests the server looks up. */
function maySayWhy(state: WallState, { value, reason, words }: Extract<Command, { kind: 'judgeCard' }>): boolean {
  const { kind, criterion } = state.plan.rules.judging!;
  if (value === 0) return true;
  const asks = kind === JudgingKind.Score ? (criterion ?? USUAL_CRITERION) : NOTHING;
  const isMissing = asks.reason === Wanted.Must && reason.trim() === '';
  return !isMissing && (reason === '' || asks.reason !== Wanted.No) && (words === '' || asks.words !== Wanted.No);
}

/** The cards that are up, by id. */
function up(state: WallState): number[] {
  return [...state.cards.values()]
    .filter((c) => c.downBy === 0)
    .map((c) => c.id)
    .sort((a, b) => a - b);
}

/** Whether a card can say and show something. What it shows already it may go on showing. */
function maySay(
  state: WallState,
  { text, attachments }: Pick<Card, 'text' | 'attachments'>,
  me: Me,
  before?: Card,
): boolean {
  return (
    (attachments.length > 0 ? text.length <= LONGEST_TEXT : isText(text)) &&
    mayBeShown(attachments) &&
    attachments.every((a) => state.mayShow(a, me) || (before?.attachments.some((b) => isSame(a, b)) ?? false))
  );
}

function answered(
  state: WallState,
  command: Extract<Command, { kind: 'giveAnswer' }>,
  me: Me,
  now: number,
): RoomEvent | null {
  const { about: card, id, to, text, says } = command;
  const about = state.cards.get(card);
  const isThere = to === 0 || state.findAnswer(card, to)?.downBy === 0;
  if (about && !me.isStaff && !maySayOfKind(state, about, to, says, me)) return null;
  if (!about || !state.mayAnswer(about, me) || !isThere || state.findAnswer(card, id)) return null;
  if (!canSay(text, command) || (isStaffs(command) && !me.isStaff)) return null;
  return { kind: 'answerGiven', about: card, answer: given(command, me, now), whose: whose(state, card) };
}

/** One strength and one question to a card; what is said to answers is free. */
function maySayOfKind(state: WallState, card: Card, to: number, says: AnswerKind, me: Me): boolean {
  const isPaired = state.plan.rules.inPairs && to === 0;
  return isPaired ? state.kindsOpen(card, me).includes(says) : says === AnswerKind.Plain;
}

/** Whose card something happens to, where only they and teachers are told of it. */
function whose(state: WallState, id: number): number {
  const card = state.cards.get(id)!;
  return state.plan.rules.ownFirst && !card.byStaff ? card.author : 0;
}

function travelled(
  state: WallState,
  command: Extract<Command, { kind: 'beginTrip' | 'moveOn' | 'endTrip' | 'visitStation' }>,
  me: Me,
): RoomEvent | null {
  const { trip, plan } = state;
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
      const isThere = station !== NOWHERE && state.has(station) && state.visits.get(me.number)?.now !== station;
      return isThere ? { kind: 'stationVisited', station } : null;
    }
  }
}

function planned(state: WallState, plan: WallPlan): RoomEvent {
  if (!state.plan.rules.ownFirst || plan.rules.ownFirst)
    return { kind: 'planSet', plan, laid: onField?.laidBy(plan, state.cards) ?? [] };
  const has = (topic: number) => topic === NOWHERE || plan.topics.some((t) => t.id === topic);
  const cards = [...state.cards.values()].filter((c) => c.downBy === 0).sort((a, b) => a.id - b.id);
  const shown = cards.map((c) => asTold(has(c.topic) ? c : { ...c, topic: NOWHERE }));
  return {
    kind: 'cardsShown',
    plan,
    cards: onField?.shownOn(plan, shown) ?? shown,
    links: standing(state.links, state.cards),
  };
}

/** Behind those that everybody sees, and one's own. */
function behind(state: WallState, topic: number, me: Me): number {
  const orders = told(state, me)
    .filter((c) => c.topic === topic)
    .map((c) => Math.floor(c.order));
  return (orders.length > 0 ? Math.max(...orders) : 0) + 1;
}

/** A card with the answers that may be told to everybody who sees it. */
function asTold(card: Card): Card {
  return { ...card, answers: card.answers.filter((a) => a.downBy === 0) };
}

/** Whether an answer can say this: something; a note of what was said aloud may be empty. */
/** Where cards are counted under each topic, one's own goes to none where there are as many as each may have. */
function hasRoomFor(state: WallState, { id, topic }: MoveCard, me: Me): boolean {
  const card = state.cards.get(id)!;
  const counts = !me.isStaff && countsPerTopic(state.plan) && state.isMine(card, me) && card.topic !== topic;
  return state.has(topic) && !(counts && state.isFull(me.number, topic));
}

/** Whether a card can be poured out here from another wall: by teachers, and each once. */
function mayPour(state: WallState, { poured, for: author }: PutUpCard, me: Me): boolean {
  if (poured < 0 || !me.isStaff || author > 0) return false;
  return ![...state.cards.values()].some((c) => c.poured === poured);
}
