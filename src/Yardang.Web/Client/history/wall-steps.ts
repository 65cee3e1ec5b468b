// What an event did on a wall.

import { wordsOf } from '../attachments';
import type { Card, WallState } from '../room/wall-state';
import type { RoomEvent } from '../room/wire';
import type { Link } from '../wire/forms';
import { FEW_WORDS, type Told, type What } from './steps';

export function tellOfWall(event: RoomEvent, before: WallState): Told | null {
  switch (event.kind) {
    case 'cardPutUp':
      return of(event.card, 'wrote');
    case 'cardReworded': {
      const card = before.cards.get(event.id);
      return card ? of({ ...card, text: event.text, attachments: event.attachments }, 'reworded') : null;
    }
    case 'cardMoved':
      return known(before, event.id, 'moved');
    case 'cardLaid':
    case 'cardPlaced':
      return known(before, event.card, 'moved');
    case 'cardJoined':
      return known(before, event.card, event.onto ? 'joined' : 'moved');
    case 'cardColoured':
      return known(before, event.card, 'changed');
    case 'cardLocked':
      return known(before, event.card, event.on ? 'locked' : 'unlocked');
    case 'topicLocked':
      return { what: event.on ? 'locked' : 'unlocked', place: event.topic || null, things: [], words: '' };
    case 'cardTakenDown':
      return known(before, event.id, 'tookDown');
    case 'cardPutBack':
      return of(event.card, 'putBack');
    case 'answerGiven':
      return known(before, event.about, 'answered', event.answer.text);
    case 'answerReworded':
      return known(before, event.about, 'reworded', event.text);
    case 'answerTakenDown':
      return known(before, event.about, 'tookDown', before.findAnswer(event.about, event.id)?.text);
    case 'answerPutBack':
      return known(before, event.about, 'putBack', event.answer.text);
    case 'cardsLinked':
      return link(before, event.link, 'linked');
    case 'linkReworded':
      return link(before, before.links.get(event.id), 'reworded', event.text);
    case 'linkReversed':
      return link(before, before.links.get(event.id), 'changed');
    case 'linkTakenDown':
      return link(before, before.links.get(event.id), 'tookDown');
    case 'linkPutBack':
      return link(before, event.link, 'putBack');
    case 'questionFiled':
      return known(before, event.card, 'changed');
    case 'fieldLaid':
      return { what: 'moved', place: null, things: event.spots.map(({ card }) => card), words: '' };
    case 'planSet':
    case 'cardsShown':
      return { what: 'planned', place: null, things: [], words: '' };
    default:
      return null;
  }
}

function of(card: Card, what: What): Told {
  const words = card.text || card.attachments.map(wordsOf).join(' ');
  return { what, place: card.topic, things: [card.id], words: words.slice(0, FEW_WORDS) };
}

function link(before: WallState, link: Link | undefined, what: What, words = link?.text): Told | null {
  if (!link) return null;
  const [from, to] = [link.from, link.to].map((id) => before.cards.get(id)?.text ?? '');
  return known(before, link.from, what, `${from} → ${to}${words ? `: ${words}` : ''}`);
}

function known(before: WallState, id: number, what: What, words?: string): Told | null {
  const card = before.cards.get(id);
  if (!card) return null;
  return { ...of(card, what), ...(words !== undefined && { words: words.slice(0, FEW_WORDS) }) };
}
