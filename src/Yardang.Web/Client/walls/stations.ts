// A wall to visit: one station at a time, what is shown on one side, answers on the other, and a path of numbered stops that leads on.

import css from '../../Pages/Student/stations.css';
import { type TemplateResult, html, nothing } from 'lit-html';
import { repeat } from 'lit-html/directives/repeat.js';
import { show } from '../attachments';
import { fill, plural } from '../page-data';
import { isPlaceLockedFor } from '../room/locking';
import { groupOf, isOnTrip, mayPutUpAt, stationNow } from '../room/visiting';
import { type Card, NOWHERE, type Topic } from '../room/wall-state';
import { useStyles } from '../styles/with-script';
import { textIn } from '../surface/in-language';
import { StimulusKind } from '../wire/forms';
import { LargeStation } from './large-station';
import { topicLocked } from './locked';
import { NewCards } from './new-cards';
import type { Slips } from './slips';
import { type Arrangement, type Band, type WallSide, byTopic, endsBelowSight } from './wall-side';
import type { WallView } from './wall-view';

useStyles(css);

/** Who stays so long at a station is there. */
const STAY_MS = 1500;

export class Stations implements Arrangement {
  private readonly newCards: NewCards;
  private readonly large: LargeStation;
  private stay: ReturnType<typeof setTimeout> | undefined;
  private staying = NOWHERE;
  /** Where my group was when I was told last; null before anything was known. */
  private told: number | null = null;

  constructor(
    private readonly side: WallSide,
    private readonly view: WallView,
    private readonly slips: Slips,
    refresh: (focus?: string) => void,
  ) {
    this.newCards = new NewCards(side, refresh, null, slips.growing);
    this.large = new LargeStation(side, view);
  }

  /** Answers in the order of time; behind the stations what fits none, where there is anything. */
  get bands(): Band[] {
    const cards = byTopic(this.view.standingCards());
    const byTime = (a: Card, b: Card) => a.putUpAt - b.putUpAt || a.id - b.id;
    const band = (id: number, plan: Topic | null): Band => ({ id, plan, cards: (cards.get(id) ?? []).sort(byTime) });
    const { topics } = this.side.state.plan;
    const stations = topics.map((t) => band(t.id, t));
    return topics.length === 0 || cards.has(NOWHERE) ? [...stations, band(NOWHERE, null)] : stations;
  }

  get places() {
    return this.bands.map(({ id }) => ({ id, heading: this.view.headingOf(id) }));
  }

  nothingJumps(station: number): boolean {
    return (
      station !== this.side.placeInSight || endsBelowSight(this.view.root.querySelector('.station-answers .slips'))
    );
  }

  /** Takes me along with my group, and notes where I stay. */
  follow(): void {
    const { state, me, texts, placeInSight } = this.side;
    const now = me.isStaff ? NOWHERE : stationNow(state, me.number);
    const goesOn = now !== this.told && now !== NOWHERE;
    const isWriting = this.told !== null && this.view.isWriting;
    this.told = now;
    if (goesOn && isWriting) this.side.say(fill(texts.groupGoesOn, this.numberOf(now)));
    else if (goesOn) return this.side.turnTo(now);
    if (this.staying === placeInSight) return;
    this.staying = placeInSight;
    clearTimeout(this.stay);
    if (!me.isStaff && !this.side.looksOnly && placeInSight !== NOWHERE)
      this.stay = setTimeout(() => this.stayed(placeInSight), STAY_MS);
  }

  private stayed(station: number): void {
    const { state, me } = this.side;
    if (!this.side.isAdmitted) this.staying = NOWHERE;
    else if (state.visits.get(me.number)?.now !== station) this.side.visit(station);
  }

  draw(): unknown {
    const { bands } = this;
    const at = Math.max(
      0,
      bands.findIndex((b) => b.id === this.side.placeInSight),
    );
    this.large.refresh();
    return html`${this.path(bands, at)}${this.station(bands, at)}`;
  }

  private numberOf(station: number): number {
    return this.side.state.plan.topics.findIndex((t) => t.id === station) + 1;
  }

  /** The numbered stops: where I am, where I was, and for teachers how many are there. */
  private path(bands: readonly Band[], at: number): TemplateResult | typeof nothing {
    const { texts } = this.side;
    if (bands.length < 2) return nothing;
    return html`<nav class="path" aria-label=${texts.stations}>
      <ol>
        ${bands.map(
          (b, i) =>
            html`<li>
              <button
                type="button"
                class="path-stop"
                aria-current=${i === at ? 'step' : nothing}
                ?data-done=${this.isMine(b)}
                @click=${() => this.side.turnTo(b.id)}
              >
                <b>${b.id === NOWHERE ? '…' : i + 1}</b><small>${this.stateOf(b)}</small>
                <span class="sr-only">${this.view.headingOf(b.id)}</span>
              </button>
            </li>`,
        )}
      </ol>
    </nav>`;
  }

  private isMine({ cards }: Band): boolean {
    const { state, me } = this.side;
    return !me.isStaff && cards.some((c) => state.isMine(c, me));
  }

  private stateOf(band: Band): string {
    const { state, me, texts, arrivals } = this.side;
    if (band.id === NOWHERE) return '';
    if (this.side.isLooking) {
      const found = band.cards.filter((c) => this.side.isWanted(c)).length;
      return found > 0 ? fill(texts.foundThere, found) : '';
    }
    if (me.isStaff) {
      const there = [...state.visits.values()].filter((v) => v.now === band.id).length;
      return there > 0 ? fill(texts.peopleThere, there) : '';
    }
    if (stationNow(state, me.number) === band.id) return texts.yourGroup;
    if (this.isMine(band)) return texts.stationDone;
    const fresh = arrivals.waiting(band.cards).length;
    if (fresh > 0) return fill(texts.stationNew, fresh);
    return state.visits.get(me.number)?.stations.includes(band.id) ? texts.stationSeen : '';
  }

  private station(bands: readonly Band[], at: number): TemplateResult | typeof nothing {
    const band = bands[at];
    if (!band) return nothing;
    const { texts, read } = this.side;
    return html`<section
      class="station"
      data-station=${band.id}
      data-colour=${band.plan?.colour ?? 'none'}
      aria-labelledby="station-heading"
    >
      <div class="station-look">
        <header class="station-head">
          ${band.plan ? html`<p class="station-number">${fill(texts.station, at + 1)}</p>` : nothing}
          <h2 id="station-heading" dir="auto" lang=${read[0] || nothing}>${this.view.headingOf(band.id)}</h2>
          ${this.second(band.plan?.heading)} ${topicLocked(this.side, band.plan)}
        </header>
        ${band.plan ? this.look(band.plan) : nothing}
        <p class="station-on">
          <button
            type="button"
            class="button"
            ?disabled=${at === 0}
            @click=${() => this.side.turnTo(bands[at - 1]!.id)}
          >
            ${texts.stationBefore}
          </button>
          <button
            type="button"
            class="button"
            ?disabled=${at === bands.length - 1}
            @click=${() => this.side.turnTo(bands[at + 1]!.id)}
          >
            ${texts.stationNext}
          </button>
          ${
            band.plan
              ? html`<button type="button" class="button button-quiet" @click=${() => this.large.open(band.id)}>
                  ${texts.stationLarge}
                </button>`
              : nothing
          }
        </p>
      </div>
      ${this.answers(band)}
    </section>`;
  }

  private second(all: Record<string, string> | undefined): TemplateResult | typeof nothing {
    const { read } = this.side;
    const words = read[1] ? (all?.[read[1]] ?? '') : '';
    return words ? html`<p class="second-language" dir="auto" lang=${read[1]}>${words}</p>` : nothing;
  }

  /** What is looked at: also by whoever sees it alone and large. */
  private look(plan: Topic): TemplateResult {
    const { read, written } = this.side;
    const prompt = textIn(plan.prompt, [read[0]], written);
    return html`${
      plan.shown.length > 0
        ? html`<div class="station-shown" data-count=${plan.shown.length}>
            ${plan.shown.map((a) => html`<figure>${show(a, this.side)}</figure>`)}
          </div>`
        : nothing
    }
    ${this.stimulus(plan)}
    ${prompt ? html`<p class="station-prompt" dir="auto" lang=${read[0] || nothing}>${prompt}</p>` : nothing}
    ${this.second(plan.prompt)}`;
  }

  private stimulus({ stimulus }: Topic): TemplateResult | typeof nothing {
    if (!stimulus) return nothing;
    const source = this.side.address(stimulus.source);
    switch (stimulus.kind) {
      case StimulusKind.Video:
        return html`<video
          class="station-film"
          controls
          preload="metadata"
          src=${source}
          title=${stimulus.title}
        ></video>`;
      case StimulusKind.Audio:
        return html`<audio controls preload="metadata" src=${source} title=${stimulus.title}></audio>`;
      case StimulusKind.Picture:
        return html`<img class="shown-picture" src=${source} alt=${stimulus.title} />`;
      case StimulusKind.Link:
        return html`<p>
          <a class="button" href=${stimulus.source} target="_blank" rel="noopener noreferrer"
            >${stimulus.title || stimulus.source}</a
          >
        </p>`;
    }
  }

  private answers({ id, cards }: Band): TemplateResult {
    const { state, me, texts, arrivals } = this.side;
    const fresh = arrivals.waiting(cards);
    const shown = cards.filter((c) => arrivals.has(c) && this.side.isWanted(c));
    const heading = this.view.headingOf(id);
    const slot = {
      placeholder: texts.writeHere,
      label: fill(texts.writeAt, heading),
      done: texts.putUp,
      about: heading,
    };
    return html`<div class="station-answers">
      ${this.trip(id)}
      <p class="stratum-count">
        <span>${plural(texts, 'cards', cards.length)}</span>
        ${
          fresh.length > 0
            ? html`<button type="button" class="button button-small" @click=${() => this.view.showFresh(fresh)}>
                ${plural(texts, 'fresh', fresh.length)}
              </button>`
            : nothing
        }
      </p>
      <ol class="slips" aria-label=${heading || texts.station}>
        ${repeat(
          shown,
          (c) => c.id,
          (c) => this.slips.slip(c),
        )}
        ${mayPutUpAt(state, id, me) ? this.newCards.slot(id, slot) : nothing}
      </ol>
    </div>`;
  }

  /** On a round trip: where my group is, if I look elsewhere. */
  private trip(id: number): TemplateResult | typeof nothing {
    const { state, me, texts } = this.side;
    if (me.isStaff || !isOnTrip(state)) return nothing;
    const now = stationNow(state, me.number);
    const group = state.trip!.groups[groupOf(state.trip!, me.number)]!.name;
    if (now === id) return html`<p class="station-trip" role="status">${fill(texts.groupHere, group)}</p>`;
    return html`<p class="station-trip station-trip-away" role="status">
      <span
        >${fill(texts.groupThere, group, this.numberOf(now))}${mayPutUpAt(state, id, me) || isPlaceLockedFor(state, id, me) ? '' : ` ${texts.onlyReadHere}`}</span
      >
      <button type="button" class="button button-small" @click=${() => this.side.turnTo(now)}>${texts.goThere}</button>
    </p>`;
  }
}
