// The words under which answered questions are found again, as the server tells them: the index of a year.

import type { Card } from '../room/wall-state';

interface IndexedWord {
  readonly word: string;
  readonly cards: readonly number[];
}

/** Fewer are read at a glance. */
const FEW = 8;
const PAUSE_MS = 800;

export class QuestionIndex {
  words: readonly IndexedWord[] = [];
  /** The word that is looked at; empty for all. */
  chosen = '';
  isNeeded = false;
  private followed = '';
  private timer: ReturnType<typeof setTimeout> | undefined;

  /**
   * @param address of the index; empty where there is none.
   * @param changed there are other words.
   */
  constructor(
    private readonly address: string,
    private readonly changed: () => void,
  ) {}

  /** The answered questions are these now. */
  follow(answered: readonly Card[]): void {
    this.isNeeded = answered.length >= FEW;
    const now = answered.map((c) => `${c.id} ${c.text.length}`).join();
    if (!this.isNeeded || !this.address || now === this.followed) return;
    this.followed = now;
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.fetch(now), PAUSE_MS);
  }

  choose(word: string): void {
    this.chosen = this.chosen === word ? '' : word;
  }

  isUnderWord(card: Card): boolean {
    return this.chosen === '' || (this.words.find((w) => w.word === this.chosen)?.cards.includes(card.id) ?? false);
  }

  private async fetch(now: string): Promise<void> {
    const answer = await fetch(this.address).catch(() => null);
    // The words from before stay; those of now are asked for with the next change.
    if (!answer?.ok || now !== this.followed) return;
    this.words = (await answer.json()) as IndexedWord[];
    if (!this.words.some((w) => w.word === this.chosen)) this.chosen = '';
    this.changed();
  }
}
