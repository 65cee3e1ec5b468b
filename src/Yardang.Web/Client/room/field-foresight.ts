// What may be done with links, and with cards on a field, and what comes of it: Core's Links, FreeSpots and Wall. Fetched with the field: until then nothing of it is foreseen.

import type { Card, CardSpot, FieldPlan, FieldSpot, Link, WallPlan } from '../wire/forms';
import { apart, forThoseWithout, freeBeside, freeNear, freeOn, holds, spotsOf } from './free-spots';
import { type Cards, fieldOf, isUp, standing, stands, told } from './linking';
import { hidesNames } from './letting-out';
import { isLockedFor } from './locking';
import type { Me } from './sheets';
import { foreseeOnField } from './wall-foresight';
import type { WallState } from './wall-state';
import type { Command, RoomEvent } from './wire';

/** Most letters of a link's words. */
export const LONGEST_WORDS = 60;

/** Tells that nobody but teachers is told. */
const NOBODY = -1;
const MOST_LAID = 600;

type LinkCommand = Extract<
  Command,
  { kind: 'linkCards' | 'rewordLink' | 'reverseLink' | 'takeLinkDown' | 'putLinkBack' }
>;

/** The links that somebody sees, between cards that they see. */
export function linksSeen(state: WallState, me: Me): Link[] {
  const { ownFirst } = state.plan.rules;
  const isSeen = (id: number) => {
    const card = state.cards.get(id);
    return card !== undefined && state.isSeen(card, me);
  };
  const isTold = (l: Link) => {
    const isTeachers = l.byStaff && [l.from, l.to].every((id) => state.cards.get(id)?.byStaff);
    return me.isStaff || !ownFirst || isTeachers || isMyLink(l, me);
  };
  return [...state.links.values()].filter((l) => stands(l, state.cards) && isTold(l) && isSeen(l.from) && isSeen(l.to));
}

/** Links that I see that were taken down between cards that are up: my own; teachers, all. */
export function linksDown(state: WallState, me: Me): Link[] {
  return [...state.links.values()].filter(
    (l) =>
      l.downBy !== 0 &&
      isUp(state.cards, l.from) &&
      isUp(state.cards, l.to) &&
      (me.isStaff || (isMyLink(l, me) && l.downBy === me.number)),
  );
}

export function isMyLink(link: Link, me: Me): boolean {
  return link.author === me.number && link.byStaff === me.isStaff;
}

/** Whether I may change a link that I see. */
export function mayChangeLink(state: WallState, id: number, me: Me): boolean {
  const link = state.links.get(id);
  if (!link || !sees(state, link, me) || isLocked(state, link, me)) return false;
  return link.downBy === 0 && (me.isStaff || isMyLink(link, me));
}

/** Whether I may link two cards. */
export function mayLink(state: WallState, from: number, to: number, me: Me): boolean {
  const field = fieldOf(state.plan);
  if (!field || from === to || !sees(state, { from, to }, me) || isLocked(state, { from, to }, me)) return false;
  const isOthers = (id: number) => {
    const card = state.cards.get(id)!;
    return !card.byStaff && card.author !== me.number;
  };
  if (!me.isStaff && field.ownOnly && !hidesNames(state.plan) && (isOthers(from) || isOthers(to))) return false;
  return !isLinked(state, from, to, me);
}

function isLinked(state: WallState, from: number, to: number, me: Me): boolean {
  const isTeachers = [from, to].every((id) => state.cards.get(id)?.byStaff);
  const counts = (l: Link) =>
    !state.plan.rules.ownFirst || me.isStaff || (l.byStaff ? isTeachers : l.author === me.number);
  return [...state.links.values()].some((l) => l.downBy === 0 && l.from === from && l.to === to && counts(l));
}

function isLocked(state: WallState, { from, to }: Pick<Link, 'from' | 'to'>, me: Me): boolean {
  return isLockedFor(state, from, me) || isLockedFor(state, to, me);
}

function sees(state: WallState, { from, to }: Pick<Link, 'from' | 'to'>, me: Me): boolean {
  return [from, to].every((id) => {
    const card = state.cards.get(id);
    return card?.downBy === 0 && state.isSeen(card, me);
  });
}

function maySay(field: FieldPlan, { word, language, text }: Pick<Link, 'word' | 'language' | 'text'>, me: Me): boolean {
  if (text !== '' && text.trim() === '') return false;
  if (text.length > LONGEST_WORDS || /[\n\r]/.test(text) || (word !== 0 && text !== '') || language.length > 35)
    return false;
  if (word !== 0) return field.words.some((w) => w.id === word);
  return me.isStaff || !field.onlyThese || field.words.length === 0;
}

/** What a command of mine does to links; null if it would be refused. */
export function foreseeLink(state: WallState, command: LinkCommand, me: Me): RoomEvent | null {
  const field = fieldOf(state.plan);
  if (!field) return null;
  const { id } = command;
  if (command.kind === 'linkCards') {
    const { from, to, word, language, text } = command;
    if (state.links.has(id) || !mayLink(state, from, to, me) || !maySay(field, command, me)) return null;
    const link = { id, from, to, word, language, text, author: me.number, byStaff: me.isStaff, downBy: 0 };
    return { kind: 'cardsLinked', link, whose: whose(state, link) };
  }
  const link = state.links.get(id);
  if (!link) return null;
  if (command.kind === 'putLinkBack') {
    const mayPutBack = link.downBy !== 0 && (me.isStaff || (isMyLink(link, me) && link.downBy === me.number));
    if (!sees(state, link, me) || isLocked(state, link, me) || !mayPutBack || isLinked(state, link.from, link.to, me))
      return null;
    return { kind: 'linkPutBack', link: { ...link, downBy: 0 }, whose: whose(state, link) };
  }
  if (!mayChangeLink(state, id, me)) return null;
  switch (command.kind) {
    case 'rewordLink':
      return maySay(field, command, me) ? { ...command, kind: 'linkReworded', whose: whose(state, link) } : null;
    case 'reverseLink':
      return isLinked(state, link.to, link.from, me) ? null : { kind: 'linkReversed', id, whose: whose(state, link) };
    case 'takeLinkDown':
      return { kind: 'linkTakenDown', id, whose: whose(state, link) };
  }
}

/** While each sees only their own: a student's is told to that student; a teacher's between teachers' cards to all, between others to nobody. */
function whose(state: WallState, link: Link): number {
  if (!state.plan.rules.ownFirst) return 0;
  if (!link.byStaff) return link.author;
  return state.cards.get(link.from)!.byStaff && state.cards.get(link.to)!.byStaff ? 0 : NOBODY;
}

/** Whether I may lay a card elsewhere on the field. */
export function mayLay(state: WallState, card: Card, me: Me): boolean {
  const field = fieldOf(state.plan);
  if (!field || card.downBy !== 0 || !state.isSeen(card, me) || isLockedFor(state, card.id, me)) return false;
  return me.isStaff || (!card.byStaff && card.author === me.number) || (field.anyMoves && !state.plan.rules.ownFirst);
}

/** What comes of laying a card, or several; null if it would be refused. What tidying does the server computes. */
export function laid(
  state: WallState,
  command: Extract<Command, { kind: 'layCard' | 'layCards' }>,
  me: Me,
): RoomEvent | null {
  if (command.kind === 'layCard') {
    const { card: id, spot } = command;
    const card = state.cards.get(id);
    if (!card || !mayLay(state, card, me) || !holds(spot) || isAt(card, spot)) return null;
    const author = state.plan.rules.ownFirst && !card.byStaff ? card.author : 0;
    return { kind: 'cardLaid', card: id, spot, whose: author };
  }
  const isPossible = me.isStaff && fieldOf(state.plan) !== null && !state.plan.rules.ownFirst;
  const up = [...state.cards.values()].filter((c) => c.downBy === 0).length;
  const { spots } = command;
  const ids = new Set(spots.map((s) => s.card));
  if (!isPossible || up > MOST_LAID || ids.size < spots.length || !spots.every((s) => holds(s.spot))) return null;
  const moved = spots.filter((s) => isUp(state.cards, s.card) && !isAt(state.cards.get(s.card)!, s.spot));
  return moved.length > 0 ? { kind: 'fieldLaid', spots: moved } : null;
}

function isAt(card: Card, { x, y }: CardSpot['spot']): boolean {
  return card.spot?.x === x && card.spot.y === y;
}

/** Where a new card of mine comes to lie: where it is wanted, or beside what it belongs to; undefined if it would be refused. */
export function spotFor(state: WallState, command: Extract<Command, { kind: 'putUpCard' }>, me: Me) {
  const { spot, beside } = command;
  const field = fieldOf(state.plan);
  if (spot && !holds(spot)) return undefined;
  if (!field) return null;
  if ([...state.cards.values()].filter((c) => c.downBy === 0).length >= MOST_LAID) return undefined;
  const known = state.cards.get(beside);
  const taken = spotsOf(told(state, me));
  if (spot) return freeNear(spot, taken) ?? spot;
  if (known?.spot && known.downBy === 0 && state.isSeen(known, me))
    return freeBeside(known.spot, taken, linesTold(state, me)) ?? known.spot;
  return freeOn(field, taken);
}

/** Where the links lie that everybody sees, and one's own. */
function linesTold(state: WallState, me: Me) {
  const { cards, links, plan } = state;
  const isTold = (l: Link) =>
    !plan.rules.ownFirst ||
    (l.byStaff ? cards.get(l.from)!.byStaff && cards.get(l.to)!.byStaff : !me.isStaff && l.author === me.number);
  return standing(links, cards)
    .filter(isTold)
    .map((l) => [cards.get(l.from)!.spot, cards.get(l.to)!.spot] as const)
    .filter((line): line is [FieldSpot, FieldSpot] => line[0] !== null && line[1] !== null);
}

/** Where cards lie from now on that had no place, where a plan makes a field of the wall. */
export function laidBy(plan: WallPlan, cards: Cards): CardSpot[] {
  const field = fieldOf(plan);
  const up = [...cards.values()].filter((c) => c.downBy === 0);
  return plan.rules.ownFirst || !field ? [] : forThoseWithout(up, field);
}

/** Cards as they are shown to all: on a field, beside one another. */
export function shownOn(plan: WallPlan, cards: readonly Card[]): Card[] {
  const field = fieldOf(plan);
  if (!field) return [...cards];
  const spots = new Map(forThoseWithout(cards, field).map((s) => [s.card, s.spot]));
  return apart(cards.map((c) => (spots.has(c.id) ? { ...c, spot: spots.get(c.id)! } : c)));
}

foreseeOnField({ foreseeLink, laid, spotFor, laidBy, shownOn });
