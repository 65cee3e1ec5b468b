// The past of a wall: its cards as they stood, on a free field, along a line or under their topics, with what was said to them and which said the same.

import { html, nothing, render } from 'lit-html';
import { repeat } from 'lit-html/directives/repeat.js';
import { said, show } from '../attachments';
import { plural } from '../page-data';
import { type Card, NOWHERE, WallState } from '../room/wall-state';
import { fieldOf } from '../room/linking';
import { lineOf } from '../room/placing';
import { Standing } from '../room/stacks';
import { foresee } from '../room/wall-foresight';
import { serverNow } from '../room/server-clock';
import { textIn } from '../surface/in-language';
import type { Command, RoomEvent } from '../room/wire';
// So that the pictures of a restore show where things go.
import '../room/field-foresight';
import { answerLine } from '../threads/answer-words';
import { called } from '../walls/line-measure';
import { wordsOf } from '../walls/link-sentences';
import { LineKind, type Link, type RoomSnapshot } from '../wire/forms';
import type { HistoryData } from './history-data';
import { COLOURS } from '../surface/people-colours';
import type { Past, View } from './past';
import { drawField, layField } from './past-field';
import { tellOfWall } from './wall-steps';

const FEW_LETTERS = 40;
const PLAIN: View<Card> = { place: 0, ghosts: false, between: null, people: null, chosen: 0 };

export class WallPast implements Past<WallState, Card> {
  readonly empty = new WallState();
  readonly turns = false;
  readonly tell = tellOfWall;

  /** @param pick somebody presses a card. */
  constructor(
    private readonly host: HTMLElement,
    private readonly data: HistoryData,
    private readonly pick: (card: Card | null) => void,
  ) {
    host.classList.add('past-wall');
  }

  read(number: number, state: RoomSnapshot): WallState {
    return WallState.of(number, state);
  }

  foresee(wall: WallState, command: Command): RoomEvent | null {
    return foresee(wall, command, this.data.me, serverNow());
  }

  places({ plan, cards }: WallState): { id: number; name: string }[] {
    const { language, written, texts } = this.data;
    const topics = plan.topics.map(({ id, heading }) => ({ id, name: textIn(heading, [language], written) }));
    const isAny = topics.length === 0 || [...cards.values()].some((c) => c.topic === NOWHERE);
    return isAny ? [...topics, { id: NOWHERE, name: topics.length > 0 ? texts.nowhere : texts.everything }] : topics;
  }

  seen(wall: WallState): readonly Card[] {
    return this.all(wall);
  }

  all({ cards }: WallState): readonly Card[] {
    return [...cards.values()].filter((c) => c.downBy === 0);
  }

  find({ cards }: WallState, id: number): Card | undefined {
    return cards.get(id);
  }

  titleOf(card: Card): string {
    const shown = card.attachments[0];
    return (card.text.split('\n')[0] || (shown ? said(shown, this.data.texts) : '')).slice(0, FEW_LETTERS);
  }

  show(wall: WallState, view: View<Card>): void {
    this.paint(this.host, wall, view, true);
  }

  picture(host: HTMLElement, wall: WallState): void {
    host.classList.add('past-wall', 'past-wall-small');
    this.paint(host, wall, PLAIN, false);
  }

  private paint(host: HTMLElement, wall: WallState, view: View<Card>, mayPick: boolean): void {
    const gone = new Set((view.between?.went ?? []).map(({ id }) => id));
    const cards = [...wall.cards.values()].filter((c) => c.downBy === 0 || view.ghosts || gone.has(c.id));
    const up = new Set(cards.map((c) => c.id));
    const links = [...wall.links.values()].filter((l) => l.downBy === 0 && up.has(l.from) && up.has(l.to));
    const drawn = new Drawn(wall, view, mayPick, cards, links);
    render(this.draw(drawn), host);
    if (fieldOf(wall.plan)) layField(host, wall, cards, links);
  }

  private draw(drawn: Drawn): unknown {
    const { wall, cards, links } = drawn;
    const slip = (card: Card) => this.slip(card, drawn);
    const words = (link: Link) =>
      wordsOf(link, { state: wall, read: [this.data.language, ''], written: this.data.written });
    if (fieldOf(wall.plan)) {
      const address = (media: string) => this.address(media);
      return html`${drawField({ wall, cards, links, address, slip, wordsOf: words })} ${this.sentences(drawn, words)}`;
    }
    return lineOf(wall.plan)?.together ? this.alongLine(drawn) : this.underTopics(drawn);
  }

  private underTopics(drawn: Drawn): unknown {
    const { cards, standing } = drawn;
    const column = ({ id, name }: { id: number; name: string }) => {
      const under = cards
        .filter((c) => c.topic === id && standing.rootOf(c) === c)
        .sort((a, b) => a.order - b.order || a.id - b.id);
      return this.section(name, under, drawn);
    };
    return repeat(this.places(drawn.wall), (p) => p.id, column);
  }

  /** In the order of their places, which are said; then those that had none. */
  private alongLine(drawn: Drawn): unknown {
    const { texts } = this.data;
    const placed = drawn.cards.filter((c) => c.at).sort((a, b) => a.at!.at - b.at!.at || a.at!.up - b.at!.up);
    const rest = drawn.cards.filter((c) => !c.at);
    return html`${this.section(texts.onLine, placed, drawn)}
    ${rest.length > 0 ? this.section(texts.notPlaced, rest, drawn) : nothing}`;
  }

  private section(name: string, cards: readonly Card[], drawn: Drawn): unknown {
    return html`<section>
      <h2 dir="auto">${name}</h2>
      <ol>
        ${repeat(
          cards,
          (c) => c.id,
          (c) => this.slip(c, drawn),
        )}
      </ol>
    </section>`;
  }

  private sentences({ wall, links }: Drawn, wordsIn: (link: Link) => string): unknown {
    const title = (id: number) => this.titleOf(wall.cards.get(id)!);
    const { texts } = this.data;
    if (links.length === 0) return nothing;
    return html`<section class="past-sentences">
      <h2>${texts.links}</h2>
      <ul>
        ${links.map((l) => html`<li dir="auto">${title(l.from)} <i>${wordsIn(l) || texts.isLinkedTo}</i> ${title(l.to)}</li>`)}
      </ul>
    </section>`;
  }

  private address(media: string): string {
    return `/rooms/${this.data.room}/media/${media}`;
  }

  private name(thing: Pick<Card, 'author' | 'byStaff'>): string {
    const { texts, people } = this.data;
    return thing.byStaff ? texts.teacher : (people.find((p) => p.number === thing.author)?.name ?? '');
  }

  private owner(thing: Pick<Card, 'author' | 'byStaff'>, view: View<Card>): unknown {
    const owner = thing.byStaff ? null : view.people?.get(thing.author);
    return owner ? html`<b class="past-initials" data-colour=${owner.place % COLOURS}>${owner.initials}</b> ` : nothing;
  }

  private slip(card: Card, drawn: Drawn): unknown {
    const { view, mayPick, standing } = drawn;
    const { texts } = this.data;
    const answers = card.answers.filter((a) => a.downBy === 0 || view.ghosts);
    const inside = html`
      <span class="past-text" dir="auto">${card.text}</span>
      <small>
        ${this.owner(card, view)}
        <span dir="auto">${this.name(card)}</span>
        ${card.at ? html`<span>· ${this.place(card)}</span>` : nothing}
        ${answers.length > 0 ? html`<span>· ${plural(texts, 'answers', answers.length)}</span>` : nothing}
      </small>
      ${answers.map(
        (a) =>
          html`<span class="past-answer" dir="auto" data-down=${a.downBy !== 0}
            >${this.owner(a, view)}${this.name(a)}: ${answerLine(a, texts)}</span
          >`,
      )}
    `;
    const within = standing.of(card);
    return html`<li
      data-card=${card.id}
      data-down=${card.downBy !== 0}
      data-mark=${drawn.markOf(card.id) || nothing}
      data-chosen=${view.chosen === card.id}
    >
      ${
        mayPick
          ? html`<button type="button" @click=${() => this.pick(view.chosen === card.id ? null : card)}>
              ${inside}
            </button>`
          : inside
      }
      ${[...card.attachments, ...answers.flatMap((a) => a.shown ?? [])].map((a) => show(a, { texts, address: (media) => this.address(media) }))}
      ${
        within.length > 0
          ? html`<ol class="past-within">
              ${within.map((c) => this.slip(c, drawn))}
            </ol>`
          : nothing
      }
    </li>`;
  }

  private place({ at }: Card): string {
    return called(at!.on as LineKind, at!.at, this.data.texts, at!.up);
  }
}

/** One moment as it is drawn. */
class Drawn {
  readonly standing: Standing;
  private readonly marks: readonly (readonly [string, ReadonlySet<number>])[];

  constructor(
    readonly wall: WallState,
    readonly view: View<Card>,
    readonly mayPick: boolean,
    readonly cards: readonly Card[],
    readonly links: readonly Link[],
  ) {
    this.standing = new Standing(cards, wall.plan);
    const { came = [], changed = [], went = [] } = view.between ?? {};
    const ids = (cards: readonly Card[]) => new Set(cards.map(({ id }) => id));
    this.marks = [
      ['came', ids(came)],
      ['changed', ids(changed)],
      ['went', ids(went)],
    ];
  }

  /** What became of a card between two moments; empty for nothing. */
  markOf(card: number): string {
    return this.marks.find(([, cards]) => cards.has(card))?.[0] ?? '';
  }
}
