// One wall in numbers: what lies under each topic, and who has put up nothing yet.

import { said } from '../attachments';
import { NOWHERE, WallState } from '../room/wall-state';
import { isSealed } from '../room/letting-out';
import { fieldOf, linksOf, standing } from '../room/linking';
import { lineOf, placedOf, spotOf, toPlace } from '../room/placing';
import { isAnswered } from '../room/questions';
import { Purpose } from '../wire/forms';
import { textIn } from '../surface/in-language';
import type { LatePage, LateTexts } from './late-work';
import { Tile, type TileOptions } from './tile';

export interface TopicCount {
  readonly id: number;
  readonly heading: string;
  readonly colour: string;
  readonly cards: number;
}

export interface WallTileWords {
  readonly nowhere: string;
  readonly everything: string;
  readonly openQuestions: string;
  readonly answeredQuestions: string;
  readonly noQuestionYet: string;
  readonly noCardsYet: string;
  readonly owing: string;
  readonly toBePlaced: string;
  readonly onLine: string;
  readonly nothingPlaced: string;
  readonly notAllPlaced: string;
  readonly onField: string;
  readonly fieldLinks: string;
  readonly nothingYet: string;
  readonly nothingOfOne: string;
  readonly moreOfOne: string;
}

export class WallTile extends Tile<WallState> {
  readonly isDrawn = false;
  readonly pageCount = 1;

  constructor(
    options: Pick<TileOptions<WallState>, 'room' | 'connection' | 'me' | 'before' | 'changed'>,
    private readonly written: string,
    private readonly words: WallTileWords,
  ) {
    super({
      ...options,
      changed: () => options.changed(),
      empty: new WallState(),
      read: (number, state) => WallState.of(number, state),
      // A teacher writes nothing from here but decisions, and those are not foreseen.
      foresee: () => null,
    });
  }

  override get isSealed(): boolean {
    return this.isThere && isSealed(this.client.state.plan);
  }

  /** Cards that are up, under each topic; under none only where there are any, or no topics. */
  get topics(): TopicCount[] {
    if (!this.isThere) return [];
    if (this.asks) return this.questions;
    if (this.line) return this.ordered;
    if (this.connects) return this.connected;
    const { plan } = this.client.state;
    const counts = new Map<number, number>();
    for (const { downBy, topic } of this.client.state.cards.values())
      if (downBy === 0) counts.set(topic, (counts.get(topic) ?? 0) + 1);
    const nowhere = counts.get(NOWHERE) ?? 0;
    const heading = plan.topics.length > 0 ? this.words.nowhere : this.words.everything;
    const topics = plan.topics.map(({ id, heading, colour }) => ({
      id,
      heading: textIn(heading, [], this.written),
      colour: String(colour),
      cards: counts.get(id) ?? 0,
    }));
    if (nowhere > 0 || topics.length === 0) topics.push({ id: NOWHERE, heading, colour: 'none', cards: nowhere });
    return topics;
  }

  /** Whether students ask here: its cards are questions. */
  get asks(): boolean {
    return this.isThere && this.client.state.plan.purpose === Purpose.Ask;
  }

  private get questions(): TopicCount[] {
    const up = [...this.client.state.cards.values()].filter((c) => c.downBy === 0);
    const answered = up.filter(isAnswered).length;
    return [
      { id: 0, heading: this.words.openQuestions, colour: '5', cards: up.length - answered },
      { id: 1, heading: this.words.answeredQuestions, colour: '1', cards: answered },
    ];
  }

  private get connects(): boolean {
    return this.isThere && fieldOf(this.client.state.plan) !== null;
  }

  private get connected(): TopicCount[] {
    const { cards, links } = this.client.state;
    const up = [...cards.values()].filter((c) => c.downBy === 0).length;
    return [
      { id: 0, heading: this.words.onField, colour: '2', cards: up },
      { id: 1, heading: this.words.fieldLinks, colour: '5', cards: standing(links, cards).length },
    ];
  }

  private get line() {
    return this.isThere ? lineOf(this.client.state.plan) : null;
  }

  /** Whether each has a placement of their own. */
  private get ordersAlone(): boolean {
    return this.line !== null && !this.line.together;
  }

  private get ordered(): TopicCount[] {
    const { state } = this.client;
    const up = [...state.cards.values()].filter((c) => c.downBy === 0);
    const placed = this.ordersAlone ? 0 : up.filter((c) => spotOf(state, c, 0)).length;
    const rest = { id: 0, heading: this.words.toBePlaced, colour: 'none', cards: up.length - placed };
    return this.ordersAlone ? [rest] : [{ id: 1, heading: this.words.onLine, colour: '1', cards: placed }, rest];
  }

  /** What somebody has put up under each of the topics; null where it is told of nobody. */
  countsOf(person: number): number[] | null {
    if (!this.isThere || this.isSealed) return null;
    const { cards, links } = this.client.state;
    const theirs = [...cards.values()].filter((c) => c.downBy === 0 && !c.byStaff && c.author === person);
    if (this.asks) return [theirs.filter((c) => !isAnswered(c)).length, theirs.filter(isAnswered).length];
    if (this.connects)
      return [theirs.length, standing(links, cards).filter((l) => !l.byStaff && l.author === person).length];
    if (this.ordersAlone) return [placedOf(this.client.state, person)[0]];
    if (this.line) {
      const placed = theirs.filter((c) => spotOf(this.client.state, c, 0)).length;
      return [placed, theirs.length - placed];
    }
    return this.topics.map(({ id }) => theirs.filter((c) => c.topic === id).length);
  }

  /** Whether somebody has done nothing here yet, and whether less than is asked for; and how that is said. */
  hasNone(person: number): boolean {
    const { state } = this.client;
    if (this.isSealed) return false;
    if (this.connects) return state.upOf(person) + linksOf(state, person) === 0;
    return this.ordersAlone
      ? placedOf(state, person)[0] === 0
      : state.upOf(person) === 0 && !state.plan.rules.onlyGiven;
  }

  owes(person: number): boolean {
    const { state } = this.client;
    return !this.isSealed && !this.hasNone(person) && (state.owed(person) > 0 || toPlace(state, person) > 0);
  }

  get noneWords(): string {
    const { noQuestionYet, nothingPlaced, noCardsYet, nothingYet } = this.words;
    if (this.connects) return nothingYet;
    return this.asks ? noQuestionYet : this.ordersAlone ? nothingPlaced : noCardsYet;
  }

  get owingWords(): string {
    return this.ordersAlone ? this.words.notAllPlaced : this.words.owing;
  }

  /** The same of one, who stands in the line of a table. */
  get noneOfOne(): string {
    return this.words.nothingOfOne;
  }

  get owingOfOne(): string {
    return this.words.moreOfOne;
  }

  showPage(): void {}

  show(): void {}

  describeLate(person: number, texts: LateTexts): LatePage[] {
    const { plan, cards } = this.client.state;
    const lines = new Map<number, string[]>();
    const add = (topic: number, words: string) => lines.set(topic, [...(lines.get(topic) ?? []), words]);
    let others = 0;
    const late = [...this.lateWorkOf(person)].map((w) => w.command);
    // A link may join cards that wait, too.
    const waiting = new Map(late.flatMap((c) => (c.kind === 'putUpCard' ? [[c.id, c.text] as const] : [])));
    const title = (id: number) => (cards.get(id)?.text ?? waiting.get(id) ?? '').split('\n')[0]!;
    for (const command of late) {
      if (command.kind === 'putUpCard' || command.kind === 'rewordCard') {
        const topic = command.kind === 'putUpCard' ? command.topic : NOWHERE;
        const shown = command.attachments.map((a) => said(a, texts));
        add(topic, [command.text, ...shown].filter((w) => w !== '').join(' · '));
      } else if ((command.kind === 'giveAnswer' || command.kind === 'rewordAnswer') && command.text) {
        add(cards.get(command.about)?.topic ?? NOWHERE, `${title(command.about)}: ${command.text}`);
      } else if (command.kind === 'linkCards') {
        const word = plan.field?.words.find((w) => w.id === command.word)?.text ?? {};
        const words = command.text || textIn(word, [], this.written) || '→';
        add(NOWHERE, `${title(command.from)} ${words} ${title(command.to)}`);
      } else if (command.kind === 'rewordLink' && command.text) add(NOWHERE, command.text);
      else others++;
    }
    const heading = (id: number) => {
      const topic = plan.topics.find((t) => t.id === id);
      return topic ? textIn(topic.heading, [], this.written) : this.words.everything;
    };
    const pages = [...lines].map(([id, said]) => ({ id, title: heading(id), lines: said }));
    if (others === 0) return pages;
    const changes = (others === 1 ? texts.lateChange : texts.lateChanges).replace('{0}', String(others));
    return [...pages, { id: -1, title: '', lines: [changes] }];
  }

  drawLate(): void {}

  protected shown(): void {}
}
