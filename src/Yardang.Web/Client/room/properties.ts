// The properties of marks and pages: what they are, and what a change makes of them.

import {
  type Body,
  type Change,
  type Grip,
  type Mark,
  type Page,
  type Paper,
  type Place,
  Property,
  type Scale,
  type Stimulus,
  type Style,
  type Texts,
  type Value,
  type Wording,
  isWritten,
} from './marks';
import type { PageShows, PageSize, TakenDown } from '../wire/forms';

export function ofPage(page: Page, property: Property): Value | undefined {
  switch (property) {
    case Property.Size:
      return page.size;
    case Property.Paper:
      return page.paper;
    case Property.PageName:
      return page.name;
    case Property.PageErased:
      return page.erased;
    case Property.PageOrder:
      return page.order;
    case Property.PageDirections:
      return page.directions;
    case Property.Withheld:
      return page.withheld;
    case Property.Stimulus:
      return page.stimulus;
    case Property.Starters:
      return page.starters;
    case Property.Shows:
      return page.shows;
    default:
      return undefined;
  }
}

export function pageValues({ property, value }: Change): Partial<Page> {
  switch (property) {
    case Property.Size:
      return { size: value as PageSize };
    case Property.Paper:
      return { paper: value as Paper };
    case Property.PageName:
      return { name: value as Texts };
    case Property.PageErased:
      return { erased: value as boolean };
    case Property.PageOrder:
      return { order: value as number };
    case Property.PageDirections:
      return { directions: value as Texts };
    case Property.Withheld:
      return { withheld: value as number };
    case Property.Stimulus:
      return { stimulus: value as Stimulus | null };
    case Property.Starters:
      return { starters: value as Texts[] };
    case Property.Shows:
      return { shows: value as PageShows | null };
    default:
      return {};
  }
}

export function ofMark(mark: Mark, property: Property): Value | undefined {
  switch (property) {
    case Property.Place:
      return mark.place;
    case Property.Erased:
      return mark.erased;
    case Property.Down:
      return mark.down;
    case Property.Cuts:
      return mark.cuts;
    case Property.Style:
      return mark.style;
    case Property.Scale:
      return mark.scale;
    case Property.Body:
      return mark.body;
    case Property.Pinned:
      return mark.pinned;
    case Property.Tie:
      return mark.tie;
    case Property.Order:
      return mark.order;
    case Property.Grip:
      return mark.grip;
    case Property.Words: {
      const { body } = mark;
      return isWritten(body) ? { words: body.words, width: body.width, height: body.height } : undefined;
    }
    default:
      return undefined;
  }
}

/** A mark as a change leaves it. */
export function changed(mark: Mark, { property, value }: Change): Mark {
  switch (property) {
    case Property.Place:
      return { ...mark, place: value as Place };
    case Property.Erased:
      return { ...mark, erased: value as boolean };
    case Property.Down:
      return { ...mark, down: value as TakenDown };
    case Property.Cuts:
      return { ...mark, cuts: value as number[] };
    case Property.Style:
      return { ...mark, style: value as Style };
    case Property.Scale:
      return { ...mark, scale: value as Scale | null };
    case Property.Body:
      return { ...mark, body: value as Body };
    case Property.Pinned:
      return { ...mark, pinned: value as boolean };
    case Property.Tie:
      return { ...mark, tie: value as number };
    case Property.Order:
      return { ...mark, order: value as number };
    case Property.Grip:
      return { ...mark, grip: value as Grip };
    case Property.Words:
      return isWritten(mark.body) ? { ...mark, body: { ...mark.body, ...(value as Wording) } } : mark;
    default:
      return mark;
  }
}
