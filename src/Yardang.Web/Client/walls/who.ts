// Beside a teacher's wall: who has put up how many cards, who has put up none, and looking for cards by words and by person.

import { wordsOf } from '../attachments';
import { PeopleList, askForPeople } from '../people/people-list';
import { fill, plural } from '../page-data';
import { Standing } from '../room/lesson-state';
import { isNobodys, isSealed } from '../room/letting-out';
import { type Answer, type Card, NOWHERE, type WallState } from '../room/wall-state';
import { fieldOf, linksOf } from '../room/linking';
import { lineOf, placedOf } from '../room/placing';
import { topicsStand } from '../room/stacks';
import { stanceOf } from '../room/stances';
import { textIn } from '../surface/in-language';
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
  readonly takeAllDown: string;
}

/** After these, who is in and where is asked for anew. */
const PEOPLE_CHANGE = new Set(['personJoined', 'personAsked', 'seatsConfirmed', 'namesCorrected']);

export function whoOf(
  lesson: string,
  part: number,
  wall: string,
  state: () => WallState,
  changed: () => void,
  written: string,
  texts: Texts,
) {
  let people: readonly Person[] = [];
  let list: PeopleList<Person> | null = null;
  let wanted = '';
  /** What is said of cards in this round. */
  let judged: ReadonlyMap<number, unknown> = new Map();
  const isUnjudged = (card: Card) => state().plan.rules.judging !== null && !card.byStaff && !judged.has(card.id);

  return {
    /** Under which topic cards are looked for, as text; empty for all. */
    topic: '',
    /** Among which topics; none where cards do not stand under any. */
    topics: [] as { id: number; heading: string }[],
    /** What is shown on the cards that are looked for: a kind of attachment, `words` for words alone; empty for anything. */
    kind: '',
    /** Whether names are for nobody: then nothing is said of anybody. */
    isSealed: false,
    /** Who is here. */
    present: [] as { number: number; name: string }[],
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
    /** How much of whom is looked at is up, and what taking it down is called. */
    chosenCount: 0,
    takeDownText: '',

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
      return (
        this.looksForPerson ||
        wanted !== '' ||
        this.onlyUnanswered ||
        this.onlyUnjudged ||
        this.topic !== '' ||
        this.kind !== ''
      );
    },

    /** Whether somebody's cards are looked for; where each has a placement of their own, that is looked at instead. */
    get looksForPerson(): boolean {
      return this.chosen !== 0 && lineOf(state().plan)?.together !== false;
    },

    refresh(): void {
      if (!list) return;
      this.chosenCount = this.chosen ? state().upBy(this.chosen).length : 0;
      const chosen = people.find((p) => p.number === this.chosen);
      this.takeDownText = chosen ? fill(texts.takeAllDown, chosen.name) : '';
      this.findTopics();
      const counts = new Map<number, number>();
      for (const card of state().cards.values())
        if (card.downBy === 0 && !card.byStaff) counts.set(card.author, (counts.get(card.author) ?? 0) + 1);
      const up = [...state().cards.values()].filter((c) => c.downBy === 0);
      this.unanswered = up.filter(isUnanswered).length;
      judged = state().judgements.counts();
      this.unjudged = isSealed(state().plan) ? 0 : up.filter(isUnjudged).length;
      const here = people.filter((p) => p.standing === Standing.In && p.board === wall);
      this.isSealed = isSealed(state().plan);
      if (this.isSealed) this.chosen = 0;
      this.present = here.map(({ number, name }) => ({ number, name }));
      this.rows = (this.isSealed ? [] : here).map(({ number, name }) => {
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

    findTopics(): void {
      const { plan } = state();
      const topics = topicsStand(plan) ? plan.topics : [];
      this.topics = topics.map(({ id, heading }) => ({ id, heading: textIn(heading, [], written) }));
      // What is gone is not looked for any more.
      if (this.topic !== '' && this.topic !== String(NOWHERE) && !topics.some((t) => String(t.id) === this.topic))
        this.topic = '';
      if (topics.length === 0) this.topic = '';
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

    lookUnder(topic: string): void {
      this.topic = topic;
      changed();
    },

    lookForKind(kind: string): void {
      this.kind = kind;
      changed();
    },

    everything(): void {
      this.find = this.topic = this.kind = '';
      this.chosen = 0;
      this.onlyUnanswered = this.onlyUnjudged = false;
      this.look();
    },

    isWanted(card: Card, nameOf: (actor: number) => string): boolean {
      if (this.onlyUnanswered && !isUnanswered(card)) return false;
      if (this.onlyUnjudged && !isUnjudged(card)) return false;
      if (this.topic !== '' && String(card.topic) !== this.topic) return false;
      if (this.kind !== '' && !shows(card, this.kind)) return false;
      if (this.looksForPerson && (card.byStaff || card.author !== this.chosen)) return false;
      if (wanted === '' || saysWanted(card, wanted)) return true;
      return !card.byStaff && nameOf(card.author).toLocaleLowerCase().includes(wanted);
    },
  };
}

/** Whether a card shows something of a kind; `words`: nothing but words. */
function shows({ attachments }: Card, kind: string): boolean {
  return kind === 'words' ? attachments.length === 0 : attachments.some((a) => a.kind === kind);
}

/** Whether words stand on a card, or beside what it shows. */
function saysWanted(card: Card, wanted: string): boolean {
  const shown = card.attachments.map((a) => wordsOf(a));
  return [card.text, ...shown].some((words) => words.toLocaleLowerCase().includes(wanted));
}

/** A student's card to which nobody else has said anything. */
function isUnanswered(card: Card): boolean {
  const isOthers = (a: Answer) => a.byStaff || a.author !== card.author || isNobodys(a);
  return !card.byStaff && !card.answers.some((a) => a.downBy === 0 && isOthers(a));
}
