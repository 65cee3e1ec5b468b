// What of mine waits for the teacher, said on the card that it is about: a new card, new words for one, an answer to one.

import { type TemplateResult, html } from 'lit-html';
import { fill } from '../page-data';
import type { Card } from '../room/wall-state';
import type { LateWork } from '../wire/forms';
import type { WallTexts } from './wall-texts';

export class WaitingCards {
  constructor(private readonly texts: WallTexts) {}

  /** Null if nothing about it waits. */
  of(card: Card, waiting: readonly LateWork[]): TemplateResult | null {
    const { texts } = this;
    const about = waiting.filter(({ command }) => isAbout(command, card.id));
    if (about.length === 0) return null;
    const { returned } = about.at(-1)!;
    const isNew = about.some(({ command }) => command.kind === 'putUpCard');
    const isReworded = about.some(({ command }) => command.kind === 'rewordCard');
    const words = isNew ? texts.cardWaits : isReworded ? texts.wordingWaits : texts.answerWaits;
    return html`<p class="slip-waits" ?data-returned=${returned !== ''}>
      ${returned === '' ? words : fill(texts.returnedCard, returned)}
    </p>`;
  }
}

function isAbout(command: LateWork['command'], card: number): boolean {
  if (command.kind === 'putUpCard' || command.kind === 'rewordCard') return command.id === card;
  return (command.kind === 'giveAnswer' || command.kind === 'rewordAnswer') && command.about === card;
}
