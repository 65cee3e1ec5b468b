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
  private answered: readonly Card[] = [];
  private underChosen: ReadonlySet<number> = new Set();
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
    if (!this.isNeeded || !this.address || answered === this.answered) return;
    this.answered = answered;
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.fetch(answered), PAUSE_MS);
  }

  choose(word: string): void {
    this.chosen = this.chosen === word ? '' : word;
    this.underChosen = new Set(this.words.find((w) => w.word === this.chosen)?.cards);
  }

  isUnderWord(card: Card): boolean {
    return this.chosen === '' || this.underChosen.has(card.id);
  }

  private async fetch(answered: readonly Card[]): Promise<void> {
    const answer = await fetch(this.address).catch(() => null);
    // The words from before stay; those of now are asked for with the next change.
    if (!answer?.ok || answered !== this.answered) return;
    this.words = (await answer.json()) as IndexedWord[];
    const chosen = this.words.find((w) => w.word === this.chosen);
    this.chosen = chosen?.word ?? '';
    this.underChosen = new Set(chosen?.cards);
    this.changed();
  }
}
