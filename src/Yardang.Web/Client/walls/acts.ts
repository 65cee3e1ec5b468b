// What is done on a wall, as commands.

import type { Answer, Attachment, Card } from '../room/wall-state';
import { AnswerKind, type CardSpot, type ConcernReason, type FieldSpot, type LineSpot } from '../wire/forms';
import type { Command } from '../room/wire';
import type { Saying } from '../threads/talk';

/** On a field: where a new card is wanted, or beside which. Under topics: which it joins, and from which it grew. */
interface Where {
  readonly spot?: FieldSpot | undefined;
  readonly beside?: number;
  readonly onto?: number;
  readonly from?: readonly number[];
}

/**
 * @param submit does it.
 * @param newId a number that nothing else has.
 * @param language in which somebody writes.
 */
export function actsOf(submit: (command: Command) => void, newId: () => number, language: () => string) {
  return {
    /**
     * Gives the id of the card.
     * @param author whose words a teacher puts up; 0 for one's own.
     * @param where it is wanted.
     */
    putUp: (topic: number, text: string, attachments: readonly Attachment[], author = 0, where: Where = {}) => {
      const id = newId();
      const { spot = null, beside = 0, onto = 0, from = [] } = where;
      const place = { spot, beside, onto, from, poured: 0 };
      submit({ kind: 'putUpCard', id, topic, language: language(), text, attachments, for: author, ...place });
      return id;
    },
    /** A link with the teacher's words, or with one's own. */
    link: (from: number, to: number, word: number, text: string) =>
      submit({ kind: 'linkCards', id: newId(), from, to, word, language: text ? language() : '', text }),
    rewordLink: (id: number, word: number, text: string) =>
      submit({ kind: 'rewordLink', id, word, language: text ? language() : '', text }),
    reverseLink: (id: number) => submit({ kind: 'reverseLink', id }),
    takeLinkDown: (id: number) => submit({ kind: 'takeLinkDown', id }),
    putLinkBack: (id: number) => submit({ kind: 'putLinkBack', id }),
    lay: (card: Card, spot: FieldSpot) => submit({ kind: 'layCard', card: card.id, spot }),
    tidy: () => submit({ kind: 'tidyField' }),
    layAll: (spots: readonly CardSpot[]) => submit({ kind: 'layCards', spots: [...spots] }),
    reword: (card: Card, text: string, attachments: readonly Attachment[]) =>
      submit({ kind: 'rewordCard', id: card.id, language: card.language, text, attachments }),
    move: (card: Card, topic: number, order: number) => submit({ kind: 'moveCard', id: card.id, topic, order }),
    readCard: (card: Card) => submit({ kind: 'readCard', card: card.id }),
    breakSeal: (card: Card, reason: string) => submit({ kind: 'breakSeal', card: card.id, reason }),
    /** From 1; 0 for that of its topic. */
    colour: (card: Card, colour: number) => submit({ kind: 'colourCard', card: card.id, colour }),
    /** A teacher's: students do not change it any more. */
    lockCard: (card: Card, on: boolean) => submit({ kind: 'lockCard', card: card.id, on }),
    /** It joins another one; with 0 it stands alone again. */
    join: (card: Card, onto: number) => submit({ kind: 'joinCard', card: card.id, onto }),
    /** A teacher may say why, and remove it. */
    takeDown: (card: Card, words = '', removes = false) =>
      submit({ kind: 'takeCardDown', id: card.id, words, removes, asItsAuthor: false }),
    putBack: (card: Card) => submit({ kind: 'putCardBack', id: card.id }),
    /** Gives the id of the answer. */
    answer: (
      card: Card,
      to: number,
      text: string,
      { aloud = false, says = AnswerKind.Plain, shown = null }: Saying = {},
    ) => {
      const id = newId();
      submit({ kind: 'giveAnswer', about: card.id, id, to, language: language(), text, aloud, says, shown });
      return id;
    },
    rewordAnswer: (card: Card, { id, language: tag }: Answer, text: string) =>
      submit({ kind: 'rewordAnswer', about: card.id, id, language: tag, text }),
    takeAnswerDown: (card: Card, { id }: Answer, words = '', removes = false) =>
      submit({ kind: 'takeAnswerDown', about: card.id, id, words, removes, asItsAuthor: false }),
    /** The teacher is told that a card, or an answer to it, is not all right. */
    tell: (card: Card, answer: number, reason: ConcernReason, words: string) =>
      submit({ kind: 'raiseConcern', about: card.id, answer, reason, words }),
    putAnswerBack: (card: Card, { id }: Answer) => submit({ kind: 'putAnswerBack', about: card.id, id }),
    /** Why, and on which words it rests, where cards are scored. */
    judge: (card: Card, value: number, reason = '', words = '') =>
      submit({ kind: 'judgeCard', card: card.id, value, reason, words }),
    respond: (card: Card, stamp: string, on: boolean) => submit({ kind: 'respondToCard', card: card.id, stamp, on }),
    /** With 0 nowhere; moved by a card, or by none. */
    takeStance: (at: number, moved: number) => submit({ kind: 'takeStance', at, moved }),
    visit: (station: number) => submit({ kind: 'visitStation', station }),
    place: (card: Card, at: LineSpot | null) => submit({ kind: 'placeCard', card: card.id, at }),
    askToo: (card: Card, on: boolean) => submit({ kind: 'askToo', card: card.id, on }),
    /** An answer answers a question; 0: nothing does any more. */
    file: (card: Card, answer: number) => submit({ kind: 'fileQuestion', card: card.id, answer }),
  };
}

export type WallActs = ReturnType<typeof actsOf>;
