// Links in words: "Load pushes on deck".

import { fieldOf } from '../room/linking';
import type { Card } from '../room/wall-state';
import { textIn } from '../surface/in-language';
import type { Link } from '../wire/forms';
import { type WallSide, titleOf } from './wall-side';

const LONGEST_TITLE = 60;

/** A card's name in a sentence. */
export function nameOf(card: Card, side: WallSide): string {
  const title = titleOf(card, side.texts);
  return title.length > LONGEST_TITLE ? `${title.slice(0, LONGEST_TITLE)}…` : title;
}

/** What a link says: the teacher's words as they are read, or its own; empty if it says nothing. */
export function wordsOf(
  { word, text }: Pick<Link, 'word' | 'text'>,
  { state, read, written }: Pick<WallSide, 'state' | 'read' | 'written'>,
): string {
  if (word === 0) return text;
  const words = fieldOf(state.plan)?.words.find((w) => w.id === word);
  return words ? textIn(words.text, [read[0]], written) : '';
}

/** The parts of a sentence: from, what is said, to. */
export function partsOf(link: Pick<Link, 'from' | 'to' | 'word' | 'text'>, side: WallSide): [string, string, string] {
  const name = (id: number) => {
    const card = side.state.cards.get(id);
    return card ? nameOf(card, side) : '';
  };
  return [name(link.from), wordsOf(link, side) || side.texts.isLinkedTo, name(link.to)];
}

export function sentenceOf(link: Pick<Link, 'from' | 'to' | 'word' | 'text'>, side: WallSide): string {
  return partsOf(link, side).join(' ');
}
