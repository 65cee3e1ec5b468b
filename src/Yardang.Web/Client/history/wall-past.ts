// The past of a wall: its cards under their topics, with what was said to them, and its links in sentences.

import { html, nothing, render } from 'lit-html';
import { repeat } from 'lit-html/directives/repeat.js';
import { said, show } from '../attachments';
import { plural } from '../page-data';
import { type Card, NOWHERE, WallState } from '../room/wall-state';
import { foresee } from '../room/wall-foresight';
import { serverNow } from '../room/server-clock';
import { textIn } from '../surface/in-language';
import type { Command, RoomEvent } from '../room/wire';
import type { RoomSnapshot } from '../wire/forms';
import type { HistoryData } from './history-data';
import { COLOURS } from './people-colours';
import type { Past, View } from './past';
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
    render(this.draw(wall, view, true), this.host);
  }

  picture(host: HTMLElement, wall: WallState): void {
    host.classList.add('past-wall', 'past-wall-small');
    render(this.draw(wall, PLAIN, false), host);
  }

  private draw(wall: WallState, view: View<Card>, mayPick: boolean): unknown {
    const { came = [], changed = [], went = [] } = view.between ?? {};
    const is = (cards: readonly Card[]) => new Set(cards.map(({ id }) => id));
    const [isNew, isOther, isGone] = [is(came), is(changed), is(went)];
    const isGhost = (c: Card) => c.downBy !== 0 && view.ghosts;
    const column = ({ id, name }: { id: number; name: string }) => {
      const under = [...wall.cards.values()]
        .filter((c) => c.topic === id && (c.downBy === 0 || isGhost(c) || isGone.has(c.id)))
        .sort((a, b) => a.order - b.order || a.id - b.id);
      const slip = (card: Card) =>
        this.slip(card, view, mayPick, {
          mark: isNew.has(card.id) ? 'came' : isOther.has(card.id) ? 'changed' : isGone.has(card.id) ? 'went' : '',
        });
      return html`<section>
        <h2 dir="auto">${name}</h2>
        <ol>
          ${repeat(under, (c) => c.id, slip)}
        </ol>
      </section>`;
    };
    const links = [...wall.links.values()].filter((l) => l.downBy === 0);
    const sentence = (from: number, words: string, to: number) =>
      [wall.cards.get(from), wall.cards.get(to)].map((c) => (c ? this.titleOf(c) : '')).join(` ${words || '–'} `);
    return html`${repeat(this.places(wall), (p) => p.id, column)}
    ${
      links.length === 0
        ? nothing
        : html`<section>
            <h2>${this.data.texts.links}</h2>
            <ul>
              ${links.map(({ from, text, to }) => html`<li dir="auto">${sentence(from, text, to)}</li>`)}
            </ul>
          </section>`
    }`;
  }

  private slip(card: Card, view: View<Card>, mayPick: boolean, { mark }: { mark: string }): unknown {
    const { texts, room, people } = this.data;
    const owner = card.byStaff ? null : view.people?.get(card.author);
    const name = people.find((p) => p.number === card.author)?.name ?? '';
    const said = card.answers.filter((a) => a.downBy === 0).length;
    const address = (media: string) => `/rooms/${room}/media/${media}`;
    const inside = html`
      <span class="past-text" dir="auto">${card.text}</span>
      ${card.attachments.map((a) => show(a, { texts, address }))}
      <small>
        ${owner ? html`<b class="past-initials" data-colour=${owner.place % COLOURS}>${owner.initials}</b>` : nothing}
        <span dir="auto">${card.byStaff ? texts.teacher : name}</span>
        ${said > 0 ? html`<span>· ${plural(texts, 'answers', said)}</span>` : nothing}
      </small>
    `;
    return html`<li
      data-card=${card.id}
      data-down=${card.downBy !== 0}
      data-mark=${mark || nothing}
      data-chosen=${view.chosen === card.id}
    >
      ${
        mayPick
          ? html`<button type="button" @click=${() => this.pick(view.chosen === card.id ? null : card)}>
              ${inside}
            </button>`
          : inside
      }
    </li>`;
  }
}
