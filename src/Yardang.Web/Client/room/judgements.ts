// What students said of each other's cards: Core's Judgements, as far as this reader is told.

import { type CardResult, type Criterion, type Judging, JudgingKind, type JudgingState, Wanted } from '../wire/forms';

const MOST_ROUNDS = 9;

/** Core's Criterion to begin with. */
export const USUAL_CRITERION: Criterion = { says: {}, points: 4, reason: Wanted.May, words: Wanted.No };

/** How many values there are, from 1: agree, unsure, disagree; chosen; or points. */
export function valuesOf({ kind, criterion }: Judging): number {
  if (kind === JudgingKind.Score) return (criterion ?? USUAL_CRITERION).points;
  return kind === JudgingKind.Agree ? 3 : 1;
}

/** What somebody says of a card. */
export interface Said {
  readonly card: number;
  readonly person: number;
  readonly value: number;
  readonly reason: string;
  readonly words: string;
}

const key = (round: number, card: number, person: number) => `${round}/${card}/${person}`;

export class Judgements {
  private byCard: Map<number, CardResult[]> | null = null;

  private constructor(
    readonly round: number,
    readonly kind: JudgingKind | null,
    readonly values: number,
    readonly isShown: boolean,
    private readonly given: ReadonlyMap<string, Said>,
    readonly results: readonly CardResult[],
    /** Whose word does not count; students know of their own. */
    readonly leftOut: ReadonlySet<number>,
  ) {}

  static readonly NONE = new Judgements(1, null, 0, false, new Map(), [], new Set());

  static of({ round, kind, values, isShown, given, results, leftOut }: JudgingState): Judgements {
    const all = given.map((g) => [key(g.round, g.card, g.person), g] as const);
    return new Judgements(round, kind, values, isShown, new Map(all), results, new Set(leftOut));
  }

  /** What somebody says of a card in this round; 0 for nothing. */
  by(person: number, card: number): number {
    return this.saidBy(person, card)?.value ?? 0;
  }

  saidBy(person: number, card: number): Said | undefined {
    return this.given.get(key(this.round, card, person));
  }

  /** Who said what of a card in this round, as far as this reader knows: by value, from 1. */
  whoSaid(card: number): number[][] {
    const people = Array.from({ length: this.values }, () => [] as number[]);
    for (const [id, g] of this.given)
      if (g.card === card && id.startsWith(`${this.round}/`)) people[g.value - 1]!.push(g.person);
    return people;
  }

  /** What is said of cards in this round and counts, as far as this reader knows: by card, how many said each. */
  counts(): Map<number, number[]> {
    const counts = new Map<number, number[]>();
    for (const [id, { card, value, person }] of this.given) {
      if (!id.startsWith(`${this.round}/`) || this.leftOut.has(person)) continue;
      const known = counts.get(card) ?? Array<number>(this.values).fill(0);
      known[value - 1]! += 1;
      counts.set(card, known);
    }
    return counts;
  }

  /** What was shown of a card, by rounds. */
  shownOf(card: number): readonly CardResult[] {
    if (!this.byCard) {
      this.byCard = new Map();
      for (const result of this.results) {
        const known = this.byCard.get(result.card);
        if (known) known.push(result);
        else this.byCard.set(result.card, [result]);
      }
    }
    return this.byCard.get(card) ?? [];
  }

  /** What all said of some cards, for those who know it; null where the server has to compute it. */
  resultsOf(cards: readonly number[]): CardResult[] | null {
    if (this.kind === JudgingKind.Score) return null;
    const counts = this.counts();
    const of = (card: number) => counts.get(card);
    return cards.flatMap((card) =>
      of(card) ? [{ round: this.round, card, counts: of(card)!, fair: null, reasons: [] }] : [],
    );
  }

  /** Whether somebody can say something of a card that they see. */
  may(
    rule: Judging | null,
    card: number,
    value: number,
    person: number,
    isUp: (card: number) => boolean,
    most = 0,
  ): boolean {
    if (!rule || this.isShown || value < 0 || value > valuesOf(rule)) return false;
    const limit = rule.kind === JudgingKind.Choose ? rule.choices : most;
    if (value === 0 || this.by(person, card) !== 0 || limit === 0) return true;
    return this.chosenBy(person, isUp) < limit;
  }

  /** How many of the cards that are up somebody has judged in this round. */
  chosenBy(person: number, isUp: (card: number) => boolean): number {
    let count = 0;
    for (const [id, g] of this.given)
      if (id.startsWith(`${this.round}/`) && g.person === person && isUp(g.card)) count++;
    return count;
  }

  /** How many have said something of a card in this round. */
  peopleWhoJudged(): number {
    return this.judges().size;
  }

  /** Who has said something in this round, and of how many cards. */
  judges(): Map<number, number> {
    const judges = new Map<number, number>();
    for (const [id, { person }] of this.given)
      if (id.startsWith(`${this.round}/`)) judges.set(person, (judges.get(person) ?? 0) + 1);
    return judges;
  }

  /** From now on somebody's word does not count, or counts again. */
  leaveOut(person: number, isOut: boolean): Judgements {
    const others = [...this.leftOut].filter((p) => p !== person);
    const leftOut = new Set(isOut ? [...others, person] : others);
    return new Judgements(this.round, this.kind, this.values, this.isShown, this.given, this.results, leftOut);
  }

  mayGoOn(newRound: boolean): boolean {
    return newRound ? this.round < MOST_ROUNDS : this.isShown;
  }

  /** The plan is another: where cards are judged otherwise than before, a new round begins. */
  follow(rule: Judging | null): Judgements {
    if (!rule || (rule.kind === this.kind && valuesOf(rule) === this.values)) return this;
    const isAnother = this.kind !== null;
    const round = isAnother ? this.round + 1 : this.round;
    const isShown = isAnother ? false : this.isShown;
    return new Judgements(round, rule.kind, valuesOf(rule), isShown, this.given, this.results, this.leftOut);
  }

  judged(said: Said): Judgements {
    const given = new Map(this.given);
    const at = key(this.round, said.card, said.person);
    if (said.value === 0) given.delete(at);
    else given.set(at, said);
    return new Judgements(this.round, this.kind, this.values, this.isShown, given, this.results, this.leftOut);
  }

  show(results: readonly CardResult[]): Judgements {
    const others = this.results.filter((r) => r.round !== this.round);
    return new Judgements(this.round, this.kind, this.values, true, this.given, [...others, ...results], this.leftOut);
  }

  goOn(newRound: boolean): Judgements {
    const round = newRound ? this.round + 1 : this.round;
    const results = this.results.filter((r) => r.round !== round);
    return new Judgements(round, this.kind, this.values, false, this.given, results, this.leftOut);
  }

  bring(results: readonly CardResult[]): Judgements {
    if (results.length === 0) return this;
    const round = Math.max(...results.map((r) => r.round));
    const last = results.find((r) => r.round === round)!;
    const values = last.counts.length;
    const unscored = values === 1 ? JudgingKind.Choose : JudgingKind.Agree;
    const kind = last.fair === null ? unscored : JudgingKind.Score;
    return new Judgements(round, kind, values, true, this.given, results, this.leftOut);
  }
}
