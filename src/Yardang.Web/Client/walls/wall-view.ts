// A wall as it is read, arranged for what students do on it. By lit-html: a wall may hold hundreds of cards, and what is being typed must not be
// touched.

import { type TemplateResult, html, nothing, render } from 'lit-html';
import { type Card } from '../room/wall-state';
import { textIn } from '../surface/in-language';
import { Purpose } from '../wire/forms';
import { Standing } from '../room/stacks';
import { Fetched } from '../fetched';
import { Slips } from './slips';
import type { StancesView } from './stances-view';
import { Strata } from './strata';
import type { TakenDownCards } from './taken-down';
import type { Arrangement, Band, WallSide } from './wall-side';

const TRY_AGAIN_MS = 3000;

export class WallView {
  private scheduled = false;
  private focusNext: { on: string; from: Element | null } | null = null;
  private readonly slips: Slips;
  private readonly stancesFetched: Fetched<StancesView>;
  private readonly down: Fetched<TakenDownCards>;
  private hadStances = false;
  private stood: { cards: unknown; plan: unknown; standing: Standing } | null = null;
  private readonly arrangements = new Map<Purpose, Arrangement | null>();

  /** @param arranged another arrangement is there. */
  constructor(
    readonly root: HTMLElement,
    private readonly legend: HTMLElement,
    private readonly stancesAt: HTMLElement,
    private readonly side: WallSide,
    private readonly arranged: () => void,
  ) {
    this.slips = new Slips(side, this, this.refreshAt);
    this.stancesFetched = new Fetched(async () => {
      const { StancesView: Made } = await import('./stances-view');
      return new Made(
        side,
        () => this.seen(),
        (card) => this.go(card),
      );
    }, this.refreshAt);
    this.down = new Fetched(async () => {
      const { TakenDownCards: Made } = await import('./taken-down');
      return new Made(
        side,
        (card) => this.authorOf(card),
        () => this.refresh(),
      );
    }, this.refreshAt);
    this.arrangements.set(Purpose.Sort, new Strata(side, this, this.slips, this.refreshAt));
  }

  /** At the next frame, however often it is asked for. */
  refresh(): void {
    if (this.scheduled) return;
    this.scheduled = true;
    requestAnimationFrame(() => this.render());
  }

  follow(): void {
    this.arrangement?.follow?.();
  }

  get bands(): readonly Band[] {
    return this.arrangement?.bands ?? [];
  }

  get places(): Arrangement['places'] {
    return this.arrangement?.places ?? [];
  }

  /** The cards that are up, as far as they are seen here. */
  seen(): Card[] {
    const { state, me } = this.side;
    return [...state.cards.values()].filter((c) => c.downBy === 0 && state.isSeen(c, me));
  }

  /** Those of them that stand on the wall: what has joined another one stands in it. */
  standingCards(): Card[] {
    const { standing } = this;
    return this.seen().filter((c) => standing.rootOf(c) === c);
  }

  /** How they stand in one another. */
  get standing(): Standing {
    const { cards, plan } = this.side.state;
    if (this.stood?.cards !== cards || this.stood.plan !== plan)
      this.stood = { cards, plan, standing: new Standing(this.seen(), plan) };
    return this.stood.standing;
  }

  headingOf(topic: number): string {
    const { state, texts, read, written } = this.side;
    const plan = state.plan.topics.find((t) => t.id === topic);
    if (plan) return textIn(plan.heading, [read[0]], written);
    return state.plan.topics.length > 0 ? texts.nowhere : texts.everything;
  }

  nothingJumps(band: number): boolean {
    return this.arrangement?.nothingJumps(band) ?? true;
  }

  /** Whether somebody is in the middle of writing on it. */
  get isTyping(): boolean {
    const { activeElement } = document;
    return activeElement instanceof HTMLTextAreaElement && this.root.contains(activeElement);
  }

  /** Whether somebody has begun to write something where the focus is. */
  get isWriting(): boolean {
    return this.isTyping && (document.activeElement as HTMLTextAreaElement).value.trim() !== '';
  }

  /** Ends that a card is being changed, if it is; what was typed stays on the device. */
  stopChanging(id: number): boolean {
    return this.slips.changing.stop(id);
  }

  /** What is wanted as soon as somebody has read a card. */
  fetchSoon(): void {
    this.slips.threads.fetch();
  }

  /** What may be wanted without a network. */
  fetchRest(): void {
    this.slips.changing.fetch();
  }

  focusCard(id: number): void {
    this.refreshAt(`[data-card="${id}"]`);
  }

  /** The cards that are shown, as they are read. */
  get shown(): Card[] {
    return this.bands.flatMap((b) => this.shownOf(b.cards));
  }

  /** Of some, those that have come and are looked for: a card also if what stands in it is. */
  shownOf(cards: readonly Card[]): Card[] {
    const { side, standing } = this;
    return cards.filter((c) => side.arrivals.has(c) && [c, ...standing.of(c)].some((one) => side.isWanted(one)));
  }

  /** From what it grew and what says the same, in words. */
  togetherOf(card: Card): unknown {
    return this.slips.together?.lines(card);
  }

  authorOf(card: Card): string {
    return this.slips.author(card);
  }

  /** Brings a card into sight: it may stand in another one, or under another topic. */
  go(card: Card): void {
    const root = this.standing.rootOf(card);
    this.side.arrivals.show([root]);
    if (this.side.placeInSight !== root.topic) this.side.turnTo(root.topic);
    this.focusCard(root.id);
  }

  showFresh(fresh: readonly Card[]): void {
    this.side.arrivals.show(fresh);
    this.focusCard(fresh[0]!.id);
  }

  /** Null as long as nobody is asked where they stand, or what shows it is on its way. */
  private get stances(): StancesView | null {
    this.hadStances ||= this.side.state.plan.rules.stances.length > 0;
    return this.hadStances ? this.stancesFetched.get() : null;
  }

  private readonly refreshAt = (focus?: string) => {
    if (focus) this.focusNext = { on: focus, from: document.activeElement };
    this.refresh();
  };

  /** Null as long as it is on its way: what sorting does not need is fetched where it is needed. */
  private get arrangement(): Arrangement | null {
    const { purpose } = this.side.state.plan;
    const known = this.arrangements.get(purpose);
    if (known !== undefined) return known;
    this.arrangements.set(purpose, null);
    void this.fetch(purpose);
    return null;
  }

  private async fetch(purpose: Purpose): Promise<void> {
    try {
      this.arrangements.set(purpose, await this.make(purpose));
    } catch {
      // The network is away: again in a moment.
      setTimeout(() => {
        this.arrangements.delete(purpose);
        this.arranged();
      }, TRY_AGAIN_MS);
      return;
    }
    this.arranged();
  }

  private async make(purpose: Purpose): Promise<Arrangement> {
    if (purpose === Purpose.Visit) {
      const { Stations } = await import('./stations');
      return new Stations(this.side, this, this.slips, this.refreshAt);
    }
    if (purpose === Purpose.Order) {
      const { Ordering } = await import('./ordering');
      return new Ordering(this.side, this, this.slips, this.refreshAt);
    }
    if (purpose === Purpose.Connect) {
      const { Connecting } = await import('./connecting');
      return new Connecting(this.side, this, this.slips, this.refreshAt);
    }
    const { Questions } = await import('./questions');
    return new Questions(this.side, this, this.slips, this.refreshAt);
  }

  private render(): void {
    this.scheduled = false;
    this.slips.lookAround();
    render(html`${this.arrangement?.draw() ?? nothing}${this.takenDown()}`, this.root);
    this.slips.saidOfCards?.explainIn(this.legend);
    this.stances?.drawIn(this.stancesAt);
    this.arrangement?.measure?.();
    this.side.large.refresh();
    this.moveFocus();
  }

  /** To where it is wanted, unless somebody went elsewhere meanwhile: on a slow device that is possible before the next frame. */
  private moveFocus(): void {
    const next = this.focusNext;
    this.focusNext = null;
    const { activeElement } = document;
    if (!next || !(activeElement === next.from || activeElement === document.body)) return;
    const to = this.root.querySelector<HTMLElement>(next.on);
    if (to) to.focus();
    else if (this.arrangement?.isWhole === false) this.focusNext = next;
  }

  private takenDown(): TemplateResult | typeof nothing {
    const down = this.side.state.down(this.side.me);
    if (this.side.looksOnly || down.length === 0) return nothing;
    const cards = this.down.get();
    return cards ? html`${cards.just()}${cards.list(down)}` : nothing;
  }
}
