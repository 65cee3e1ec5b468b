// Beside a teacher's wall: who has put up how many cards, who has put up none, and looking for cards by words and by person.

import { wordsOf } from '../attachments';
import { PeopleList, askForPeople } from '../people/people-list';
import { fill, plural } from '../page-data';
import { Standing } from '../room/lesson-state';
import type { Card, WallState } from '../room/wall-state';
import { fieldOf, linksOf } from '../room/linking';
import { lineOf, placedOf } from '../room/placing';
import { stanceOf } from '../room/stances';
import { Purpose, StanceStage } from '../wire/forms';

interface Person {
  readonly number: number;
  readonly name: string;
  readonly board: string;
  readonly standing: Standing;
}

interface Row {
  readonly number: number;
  readonly name: string;
  readonly words: string;
  readonly hasNone: boolean;
}

interface Texts {
  readonly stanceMissing: string;
  readonly noCards: string;
  readonly cards: string;
  readonly unanswered: string;
  readonly unjudged: string;
  readonly seenOf: string;
  readonly placedSome: string;
  readonly links: string;
  readonly nothingYet: string;
}

/** After these, who is in and where is asked for anew. */
const PEOPLE_CHANGE = new Set(['personJoined', 'personAsked', 'seatsConfirmed']);

export function whoOf(
  lesson: string,
  part: number,
  wall: string,
  state: () => WallState,
  changed: () => void,
  texts: Texts,
) {
  let people: readonly Person[] = [];
  let list: PeopleList<Person> | null = null;
  let wanted = '';
  /** What is said of cards in this round. */
  let judged: ReadonlyMap<number, unknown> = new Map();
  const isUnjudged = (card: Card) => state().plan.rules.judging !== null && !card.byStaff && !judged.has(card.id);

  return {
    rows: [] as Row[],
    /** How many cards nobody has answered; whether only these are looked at. */
    unanswered: 0,
    onlyUnanswered: false,
    /** How many cards nobody has judged, where they are judged; whether only these are looked at. */
    unjudged: 0,
    onlyUnjudged: false,
    /** Whose cards are looked at; 0 for everybody's. */
    chosen: 0,
    find: '',
    /** Of what is looked for, how much there is, in words. */
    foundText: '',

    begin(): void {
      list = new PeopleList(
        () => askForPeople<Person>(lesson, part),
        () => false,
        (found) => {
          people = found;
          changed();
        },
      );
      void list.refresh();
    },

    lessonSaid(kind: string): void {
      if (PEOPLE_CHANGE.has(kind)) void list?.refresh();
    },

    /** Whether only some cards are looked for. */
    get isLooking(): boolean {
      return this.looksForPerson || wanted !== '' || this.onlyUnanswered || this.onlyUnjudged;
    },

    /** Whether somebody's cards are looked for; where each has a placement of their own, that is looked at instead. */
    get looksForPerson(): boolean {
      return this.chosen !== 0 && lineOf(state().plan)?.together !== false;
    },

    refresh(): void {
      if (!list) return;
      const counts = new Map<number, number>();
      for (const card of state().cards.values())
        if (card.downBy === 0 && !card.byStaff) counts.set(card.author, (counts.get(card.author) ?? 0) + 1);
      const up = [...state().cards.values()].filter((c) => c.downBy === 0);
      this.unanswered = up.filter(isUnanswered).length;
      judged = state().judgements.counts();
      this.unjudged = up.filter(isUnjudged).length;
      const here = people.filter((p) => p.standing === Standing.In && p.board === wall);
      this.rows = here.map(({ number, name }) => {
        if (lineOf(state().plan)?.together === false) {
          const [done, all] = placedOf(state(), number);
          return { number, name, words: fill(texts.placedSome, done, all), hasNone: done === 0 };
        }
        const count = counts.get(number) ?? 0;
        if (fieldOf(state().plan)) {
          const linked = linksOf(state(), number);
          const did = [count > 0 && plural(texts, 'cards', count), linked > 0 && plural(texts, 'links', linked)];
          const words = did.filter(Boolean).join(', ') || texts.nothingYet;
          return { number, name, words, hasNone: count + linked === 0 };
        }
        const { onlyGiven } = state().plan.rules;
        const put = count > 0 ? plural(texts, 'cards', count) : onlyGiven ? '' : texts.noCards;
        const owed = state().answersOwed(number);
        const owes = owed > 0 ? plural(texts, 'owesAnswers', owed) : '';
        const unjudged = state().judgingOwed(number);
        const judges = unjudged > 0 ? plural(texts, 'owesJudging', unjudged) : '';
        const words = [put, this.wasAt(number), owes, judges, this.standsOf(number)].filter(Boolean).join(' · ');
        return { number, name, words, hasNone: count === 0 && !onlyGiven };
      });
      this.foundText = this.isLooking ? plural(texts, 'cards', this.count) : '';
    },

    /** Where students say where they stand: whether somebody has not. */
    standsOf(number: number): string {
      const { stances, plan } = state();
      if (plan.rules.stances.length === 0 || stances.stage === StanceStage.Shown) return '';
      const { first, second } = stanceOf(stances, number);
      return (stances.stage === StanceStage.First ? first : second) > 0 ? '' : texts.stanceMissing;
    },

    /** On a wall to visit: at how many stations somebody was, or has put something up. */
    wasAt(number: number): string {
      const { plan, visits } = state();
      if (plan.purpose !== Purpose.Visit) return '';
      const stations = new Set(plan.topics.map((t) => t.id));
      const theirs = [...state().cards.values()].filter((c) => c.downBy === 0 && !c.byStaff && c.author === number);
      const was = new Set([...(visits.get(number)?.stations ?? []), ...theirs.map((c) => c.topic)]);
      return fill(texts.seenOf, [...was].filter((s) => stations.has(s)).length, stations.size);
    },

    /** How many cards those that are looked for are. */
    get count(): number {
      return [...state().cards.values()].filter((c) => c.downBy === 0 && this.isWanted(c, () => '')).length;
    },

    choose(number: number): void {
      this.chosen = this.chosen === number ? 0 : number;
      changed();
    },

    get unansweredText(): string {
      return fill(texts.unanswered, this.unanswered);
    },

    toggleUnanswered(): void {
      this.onlyUnanswered = !this.onlyUnanswered;
      changed();
    },

    get unjudgedText(): string {
      return fill(texts.unjudged, this.unjudged);
    },

    toggleUnjudged(): void {
      this.onlyUnjudged = !this.onlyUnjudged;
      changed();
    },

    look(): void {
      wanted = this.find.trim().toLocaleLowerCase();
      changed();
    },

    everything(): void {
      this.find = '';
      this.chosen = 0;
      this.onlyUnanswered = this.onlyUnjudged = false;
      this.look();
    },

    isWanted(card: Card, nameOf: (actor: number) => string): boolean {
      if (this.onlyUnanswered && !isUnanswered(card)) return false;
      if (this.onlyUnjudged && !isUnjudged(card)) return false;
      if (this.looksForPerson && (card.byStaff || card.author !== this.chosen)) return false;
      if (wanted === '' || saysWanted(card, wanted)) return true;
      return !card.byStaff && nameOf(card.author).toLocaleLowerCase().includes(wanted);
    },
  };
}

/** Whether words stand on a card, or beside what it shows. */
function saysWanted(card: Card, wanted: string): boolean {
  const shown = card.attachments.map((a) => wordsOf(a));
  return [card.text, ...shown].some((words) => words.toLocaleLowerCase().includes(wanted));
}

/** A student's card to which nobody else has said anything. */
function isUnanswered(card: Card): boolean {
  return !card.byStaff && !card.answers.some((a) => a.downBy === 0 && (a.byStaff || a.author !== card.author));
}
