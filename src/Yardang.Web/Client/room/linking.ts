// Links between cards: Core's Links, as far as this reader is told. What may be done with them is in field-foresight.

import { type Card, type FieldPlan, type Link, Purpose, type WallPlan } from '../wire/forms';
import { isNobodys } from './letting-out';
import type { Me } from './sheets';
import type { WallState } from './wall-state';
import type { RoomEvent } from './wire';

/** A field to begin with. */
export const BLANK_FIELD: FieldPlan = {
  words: [],
  onlyThese: false,
  ownOnly: false,
  anyMoves: false,
  paper: 0,
  picture: null,
};

export type Links = ReadonlyMap<number, Link>;
export type Cards = ReadonlyMap<number, Card>;
type LinkEvent = Extract<
  RoomEvent,
  { kind: 'cardsLinked' | 'linkReworded' | 'linkReversed' | 'linkTakenDown' | 'linkPutBack' }
>;

/** On what cards are connected now; null where they are not. */
export function fieldOf({ purpose, field }: WallPlan): FieldPlan | null {
  return purpose === Purpose.Connect ? (field ?? BLANK_FIELD) : null;
}

export function isUp(cards: Cards, id: number): boolean {
  return cards.get(id)?.downBy === 0;
}

export function stands(link: Link, cards: Cards): boolean {
  return link.downBy === 0 && isUp(cards, link.from) && isUp(cards, link.to);
}

/** The cards that are up that everybody sees, and one's own. */
export function told(state: WallState, me: Me): Card[] {
  const isTold = (c: Card) => !state.plan.rules.ownFirst || c.byStaff || (!me.isStaff && c.author === me.number);
  return [...state.cards.values()].filter((c) => c.downBy === 0 && isTold(c));
}

export function standing(links: Links, cards: Cards): Link[] {
  return [...links.values()].filter((l) => stands(l, cards)).sort((a, b) => a.id - b.id);
}

/** The links with which a card is told of again: those of it that all who are told see. */
export function touchingAsTold(links: Links, card: Card, cards: Cards, ownFirst: boolean): Link[] {
  return [...links.values()].filter((l) => isToldWith(l, card, cards, ownFirst)).sort((a, b) => a.id - b.id);
}

function isToldWith(link: Link, card: Card, cards: Cards, ownFirst: boolean): boolean {
  const isOf = link.from === card.id || link.to === card.id;
  const other = cards.get(link.from === card.id ? link.to : link.from);
  return (
    link.downBy === 0 && isOf && other?.downBy === 0 && (!ownFirst || (link.byStaff && card.byStaff && other.byStaff))
  );
}

/** Links with those that are told with a card that is up again; what is still held here besides was taken down meanwhile. */
export function takenWith(links: Links, told: readonly Link[], card: Card, cards: Cards, ownFirst: boolean): Links {
  return taken(links, told, (l) => !isNobodys(l) && isToldWith(l, card, cards, ownFirst));
}

/** The same where all are shown. */
export function takenAll(links: Links, told: readonly Link[], cards: Cards): Links {
  return taken(links, told, (l) => stands(l, cards));
}

function taken(links: Links, told: readonly Link[], isTold: (link: Link) => boolean): Links {
  const known = new Set(told.map((l) => l.id));
  const kept = [...links].filter(([id, l]) => known.has(id) || !isTold(l));
  return new Map([...kept, ...told.map((l) => [l.id, l] as const)]);
}

/** Links after something happened to one. */
export function withLink(links: Links, event: LinkEvent, actor: number): Links {
  const change = (id: number, values: Partial<Link>) => {
    const link = links.get(id);
    return link ? new Map(links).set(id, { ...link, ...values }) : links;
  };
  switch (event.kind) {
    case 'cardsLinked':
    case 'linkPutBack':
      return new Map(links).set(event.link.id, event.link);
    case 'linkReworded':
      return change(event.id, { word: event.word, language: event.language, text: event.text });
    case 'linkReversed': {
      const link = links.get(event.id);
      return link ? change(event.id, { from: link.to, to: link.from }) : links;
    }
    case 'linkTakenDown':
      return change(event.id, { downBy: actor });
  }
}

/** How many links of somebody stand. */
export function linksOf(state: WallState, person: number): number {
  return standing(state.links, state.cards).filter((l) => !l.byStaff && l.author === person).length;
}
