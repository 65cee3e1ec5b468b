// How a board or wall came to be: any moment of it, played or stepped through, compared with another, and put back.

import Alpine from '@alpinejs/csp';
import { html, nothing, render } from 'lit-html';
import { repeat } from 'lit-html/directives/repeat.js';
import { Names } from '../lesson/names';
import { fill, pageData, plural } from '../page-data';
import { Connection } from '../room/connection';
import { RoomClient } from '../room/room-client';
import { showMoment, showTime } from '../show-moment';
import { type Between, between } from './between';
import { BoardPast } from './board-past';
import { fetchPiece } from './fetching';
import type { HistoryData } from './history-data';
import { Moments } from './moments';
import type { Past, Thing } from './past';
import { initialsOf, personColour } from '../surface/people-colours';
import { Playing } from './playing';
import { type Desk, restoringOf } from './restoring';
import { type Filter, note, passes, type Step } from './steps';
import { drawStrip, LONG_REST_MS } from './strip';
import { WallPast } from './wall-past';

/** So many rows stand before and after the one that is looked at. */
const ROWS_AROUND = 60;
const AGAIN_MS = 1500;
const NOTICE_MS = 12_000;
const MINUTE_MS = 60_000;
const PAGE_KEYS = 20;
const ROWS_EVERY_MS = 250;
/** So long the hand rests before the list follows it. */
const SLID_MS = 100;

Alpine.data('history', () => {
  const data = pageData<HistoryData>();
  const { texts, zone, me } = data;
  const steps: Step[] = [];
  /** Students who did something here, by actor number. */
  const people = new Set<number>();
  let past: Past<any, Thing>;
  let moments: Moments<any> | null = null;
  /** Up to which event it is known here. */
  let through = 0;
  let room: RoomClient<any>;
  let playing: Playing;
  let root: HTMLElement;
  /** The steps that pass the filter. */
  let told: readonly Step[] = steps;
  let fetching: Promise<void> | null = null;
  let noticeTimer: ReturnType<typeof setTimeout> | undefined;
  let desk: () => Desk;
  /** What was seen at the moment that is held. */
  let heldThings: { readonly place: number; readonly things: readonly Thing[] } | null = null;
  let rowsAt = 0;
  let rowsTimer: ReturnType<typeof setTimeout> | undefined;
  const names = new Names(data.room, data.query, () => undefined);
  const nameOf = (person: number, byStaff = false): string =>
    data.people.find((p) => p.number === person)?.name ||
    names.of(person) ||
    (byStaff ? texts.teacher : texts.somebody);

  return {
    isHere: false,
    isAway: false,
    /** Before anything was done that is seen. */
    first: 0,
    /** How many events are in what is shown, of how many. */
    count: 0,
    length: 0,
    isPlaying: false,
    isSliding: false,
    speed: '5',
    notice: '',
    /** Where one is, in words. */
    when: '',
    what: '',
    places: [] as readonly { id: number; name: string }[],
    /** The page in sight. */
    place: 0,
    people: [] as { number: number; name: string; colour: string; count: number }[],
    filter: { person: 0, place: null, sort: '', thing: 0 } as Filter,
    thingTitle: '',
    showsGhosts: false,
    showsPeople: false,
    /** The moment with which others are compared; null for none. */
    held: null as number | null,
    heldText: '',
    comparison: '',
    restoring: restoringOf(() => desk()),
    /** Moments that are taken along as a PDF: the last event of each, and its page. */
    kept: [] as readonly string[],

    init(): void {
      root = this.$root as HTMLElement;
      const host = root.querySelector<HTMLElement>('[data-past]')!;
      const pick = (thing: Thing | null) => this.pick(thing);
      past = data.kind === 'Wall' ? new WallPast(host, data, pick) : new BoardPast(host, data, pick);
      desk = () => this.desk();
      playing = new Playing(
        (index) => moments?.events[index]?.time ?? null,
        (count) => this.go(count),
        () => this.pause(),
      );
      new ResizeObserver(() => this.drawStrip()).observe(this.strip());
      void this.begin();
    },

    get personName(): string {
      return this.filter.person ? nameOf(this.filter.person) : '';
    },

    get placeName(): string {
      return this.places.find(({ id }) => id === this.filter.place)?.name ?? '';
    },

    strip(): HTMLCanvasElement {
      return root.querySelector<HTMLCanvasElement>('[data-strip]')!;
    },

    desk(): Desk {
      return {
        room,
        past,
        texts,
        now: moments!.now,
        moment: moments!.numberAt(this.count),
        place: past.turns ? this.place : this.filter.place,
        person: this.filter.person,
        thing: this.filter.thing,
        say: (words: string) => this.say(words),
        openDialog: (isOpen: boolean) => {
          const dialog = root.querySelector<HTMLDialogElement>('[data-restoring]')!;
          if (isOpen) dialog.showModal();
          else dialog.close();
        },
        picture: (which: string) => root.querySelector<HTMLElement>(`[data-picture="${which}"]`)!,
      };
    },

    async begin(): Promise<void> {
      while (!moments) {
        const piece = await fetchPiece(data.room, data.query, null);
        this.isAway = piece === null;
        if (piece?.beginning) {
          moments = new Moments(past.read(piece.beginning.number, piece.beginning.state));
          for (const envelope of piece.events) this.take(envelope);
          through = piece.through;
        } else await new Promise((done) => setTimeout(done, AGAIN_MS));
      }
      await this.more();
      this.isHere = true;
      this.goWhereSent();
      this.drawStrip();
      const connection = new Connection(data.query, (link) => (this.isAway = link === 'lost'));
      room = new RoomClient<any>(
        data.room,
        connection,
        null,
        (number, state) => past.read(number, state),
        (state, command) => past.foresee(state, command),
        me,
        {
          changed: () => {
            this.restoring.settle(room.waiting, room.number);
            this.roomChanged();
          },
          refused: () => this.restoring.refused(),
        },
        past.empty,
      );
      await Promise.all([connection.start(), connection.enter(room, data.mayRestore)]);
    },

    take(envelope: Parameters<Moments<any>['add']>[0]): void {
      if (envelope.number <= moments!.numberAt(moments!.length)) return;
      const before = moments!.now;
      const step = note(steps, envelope, moments!.length + 1, (event) => past.tell(event, before));
      if (step && !step.byStaff) people.add(step.person);
      moments!.add(envelope);
      this.length = moments!.length;
      this.first = steps[0]?.from ?? 0;
    },

    /** Fetches what has happened since, until nothing is missing. */
    async more(): Promise<void> {
      for (;;) {
        const piece = await fetchPiece(data.room, data.query, through);
        if (!piece) return;
        for (const envelope of piece.events) this.take(envelope);
        const isAll = piece.through <= through || piece.through >= piece.last;
        through = piece.through;
        if (isAll) return;
      }
    },

    /** To the moment and the person that the address names, after its #; to the end otherwise. */
    goWhereSent(): void {
      const sent = new URLSearchParams(location.hash.slice(1));
      const [event, person] = [Number(sent.get('event')), Number(sent.get('person'))];
      this.count = this.length;
      if (people.has(person)) this.refilter({ person });
      const at = moments!.events.findIndex((e) => e.number >= event);
      this.go(event > 0 && at >= 0 ? at + 1 : this.length);
    },

    /** The class works on: what happens is put at the end; who looks at the end sees it. */
    roomChanged(): void {
      if (fetching || room.number <= through) return;
      const isAtEnd = this.count === this.length && !this.isPlaying;
      fetching = this.more().then(() => {
        fetching = null;
        this.refilter(this.filter);
        if (isAtEnd) this.go(this.length);
        if (room.number > through) setTimeout(() => this.roomChanged(), AGAIN_MS);
      });
    },

    go(count: number): void {
      this.count = Math.max(this.first, Math.min(this.length, count));
      this.show();
    },

    /** The moment in sight, for the PDF; each once. */
    keepMoment(): void {
      const moment = `${moments!.numberAt(this.count)}.${past.turns ? this.place : 0}`;
      this.kept = [...this.kept.filter((other) => other !== moment), moment];
      this.say(fill(texts.keptNow, this.kept.length));
    },

    forgetMoments(): void {
      this.kept = [];
    },

    get keptQuery(): string {
      return this.kept.map((moment) => `m=${moment}`).join('&');
    },

    get keptText(): string {
      return plural(texts, 'kept', this.kept.length);
    },

    /** The step that was done last, of those that are told. */
    lastTold(): number {
      let [low, high] = [0, told.length];
      while (low < high) {
        const middle = (low + high) >> 1;
        if (told[middle]!.to <= this.count) low = middle + 1;
        else high = middle;
      }
      return low - 1;
    },

    step(by: number): void {
      this.pause();
      const at = this.lastTold();
      const to = by < 0 && at >= 0 && told[at]!.to < this.count ? at : at + by;
      if (to < 0) this.go(0);
      else if (to >= told.length) this.go(this.length);
      else this.go(told[to]!.to);
    },

    show(): void {
      if (!moments) return;
      const state = moments.at(this.count);
      const at = this.lastTold();
      const step = told[at] ?? null;
      const doing = this.isPlaying ? (told[at + 1] ?? step) : step;
      if (!this.isPlaying) this.places = past.places(state);
      const has = (id: number | null) => this.places.some((place) => place.id === id);
      this.place = this.filter.place ?? (doing && has(doing.place) ? doing.place! : this.place);
      if (!has(this.place)) this.place = this.places[0]?.id ?? 0;
      const time = moments.events[this.count - 1]?.time;
      this.when = this.count <= this.first || time === undefined ? texts.beginning : showSecond(time, zone);
      this.what = this.count > this.first && step ? this.tell(step) : '';
      if (!this.isPlaying) this.tellPeople(past.all(state));
      const all = this.people.map(
        ({ number, name, colour }, place) => [number, { place, colour, initials: initialsOf(name) }] as const,
      );
      past.show(state, {
        place: this.place,
        ghosts: this.showsGhosts,
        between: this.compare(past.seen(state, this.place)),
        people: this.showsPeople ? new Map(all) : null,
        chosen: this.filter.thing,
      });
      this.renderRows(at);
    },

    /** What is different from the moment that is held. */
    compare(now: readonly Thing[]): Between<Thing> | null {
      this.comparison = '';
      if (this.held === null) return null;
      const other = this.heldOn(this.place);
      const found = this.held <= this.count ? between(other, now) : between(now, other);
      const parts = [
        found.came.length && plural(texts, 'came', found.came.length),
        found.changed.length && plural(texts, 'altered', found.changed.length),
        found.went.length && plural(texts, 'went', found.went.length),
      ].filter((part) => part !== 0);
      this.comparison = parts.length > 0 ? parts.join(' ') : texts.same;
      return found;
    },

    heldOn(place: number): readonly Thing[] {
      if (heldThings?.place !== place) heldThings = { place, things: past.seen(moments!.at(this.held!), place) };
      // The moment that is shown comes last: it is what holds.
      moments!.at(this.count);
      return heldThings.things;
    },

    tellPeople(standing: readonly Thing[]): void {
      const count = new Map<number, number>();
      for (const { author, byStaff } of standing) if (!byStaff) count.set(author, (count.get(author) ?? 0) + 1);
      this.people = [...people].map((number, i) => ({
        number,
        name: nameOf(number),
        colour: personColour(i),
        count: count.get(number) ?? 0,
      }));
    },

    /** Who did what, in a sentence. */
    tell(step: Step): string {
      const did = plural(texts.did, step.what, step.things.size);
      return `${nameOf(step.person, step.byStaff)} ${did}${step.words ? `: ${step.words}` : ''}`;
    },

    renderRows(at: number): void {
      clearTimeout(rowsTimer);
      if (this.isSliding) {
        rowsTimer = setTimeout(() => this.renderRows(this.lastTold()), SLID_MS);
        return;
      }
      // While it plays, nobody reads row by row.
      if (this.isPlaying && performance.now() - rowsAt < ROWS_EVERY_MS) return;
      rowsAt = performance.now();
      const from = Math.max(0, at - ROWS_AROUND);
      const rows = told.slice(from, at + ROWS_AROUND);
      const list = root.querySelector<HTMLElement>('[data-steps]')!;
      let before: Step | null = told[from - 1] ?? null;
      const row = (step: Step) => {
        const rest = before && step.at - before.until > LONG_REST_MS ? step.at - before.until : 0;
        before = step;
        return html`${
            rest ? html`<li class="step-rest">${plural(texts, 'rest', Math.round(rest / MINUTE_MS))}</li>` : nothing
          }
          <li class="step" data-now=${step === told[at]} data-later=${step.to > this.count}>
            <button type="button" aria-current=${step === told[at] ? 'step' : nothing} @click=${() => this.goTo(step)}>
              <small>${showTime(step.at, zone)}</small> <b dir="auto">${nameOf(step.person, step.byStaff)}</b>
              <span>${plural(texts.did, step.what, step.things.size)}</span>
              ${step.words ? html`<q dir="auto">${step.words}</q>` : nothing}
            </button>
            ${
              step === told[at] && step.things.size === 1 && this.filter.thing === 0
                ? html`<button
                    type="button"
                    class="button button-small"
                    @click=${() => this.pickId([...step.things][0]!)}
                  >
                    ${texts.onlyThis}
                  </button>`
                : nothing
            }
          </li>`;
      };
      render(rows.length > 0 ? repeat(rows, (s) => s.from, row) : html`<li class="p-4">${texts.nothingYet}</li>`, list);
      if (!this.isPlaying) list.querySelector('[data-now="true"]')?.scrollIntoView({ block: 'nearest' });
    },

    goTo(step: Step): void {
      this.pause();
      this.go(step.to);
    },

    drawStrip(): void {
      const lines = new Map(this.people.map(({ number, colour }) => [number, colour]));
      drawStrip(this.strip(), told, this.first, this.length, lines);
    },

    refilter(more: Partial<Filter>): void {
      this.filter = { ...this.filter, ...more };
      const { person, place, sort, thing } = this.filter;
      const filter = { person, place, sort, thing };
      const isAll = person === 0 && place === null && sort === '' && thing === 0;
      told = isAll ? steps : steps.filter((step) => passes(step, filter));
      this.show();
      this.drawStrip();
    },

    setPerson(person: number): void {
      this.refilter({ person: this.filter.person === person ? 0 : person });
    },

    setPlace(value: string): void {
      this.refilter({ place: value === '' ? null : Number(value) });
    },

    setSort(sort: string): void {
      this.refilter({ sort });
    },

    /** A mark or card tells its own story: only what was done to it. */
    pick(thing: Thing | null): void {
      this.pause();
      this.thingTitle = thing ? past.titleOf(thing) : '';
      this.refilter({ thing: thing?.id ?? 0 });
    },

    /** The same by keyboard, also of what is no longer there. */
    pickId(id: number): void {
      const thing = past.find(moments!.at(this.count), id);
      if (thing) this.pick(thing);
    },

    pickNone(): void {
      this.pick(null);
    },

    togglePlay(): void {
      if (this.isPlaying) return this.pause();
      if (this.count >= this.length) this.go(0);
      this.isPlaying = true;
      playing.speed = Number(this.speed);
      playing.start(this.count);
    },

    pause(): void {
      if (!this.isPlaying) return;
      this.isPlaying = false;
      playing.stop();
      this.show();
    },

    setSpeed(value: string): void {
      this.speed = value;
      playing.speed = Number(value);
    },

    toggleGhosts(): void {
      this.showsGhosts = !this.showsGhosts;
      this.show();
    },

    togglePeople(): void {
      this.showsPeople = !this.showsPeople;
      this.show();
    },

    /** From now on what is shown is compared with this moment. */
    hold(): void {
      this.held = this.held === null ? this.count : null;
      heldThings = null;
      this.heldText = this.held === null ? '' : fill(texts.heldAt, this.when);
      this.show();
    },

    toBeginning(): void {
      this.pause();
      this.go(0);
    },

    toEnd(): void {
      this.pause();
      this.go(this.length);
    },

    /** The page goes along under the hand; the list follows when it rests. */
    slid(value: string): void {
      this.pause();
      this.isSliding = true;
      this.go(Number(value));
      this.isSliding = false;
    },

    /** Keys step from one thing that was done to the next, wherever one is but in a field. */
    key(e: KeyboardEvent): void {
      const target = e.target as HTMLElement;
      if (e.ctrlKey || e.metaKey || e.altKey || target.closest('dialog, select')) return;
      const act: Record<string, () => void> = {
        ArrowLeft: () => this.step(-1),
        ArrowRight: () => this.step(1),
        PageUp: () => this.go(this.count - PAGE_KEYS),
        PageDown: () => this.go(this.count + PAGE_KEYS),
        Home: () => this.toBeginning(),
        End: () => this.toEnd(),
      };
      if (!target.matches('button, a, summary')) act[' '] = () => this.togglePlay();
      if (!act[e.key]) return;
      e.preventDefault();
      act[e.key]!();
    },

    say(words: string): void {
      this.notice = words;
      clearTimeout(noticeTimer);
      noticeTimer = setTimeout(() => {
        // What is on its way is said until it has come.
        if (!this.restoring.isSending) this.notice = '';
      }, NOTICE_MS);
    },

    undoRestore(): void {
      void this.restoring.undo();
    },
  };
});

/** A moment to the second; with its day if that is another one. */
function showSecond(ms: number, timeZone: string): string {
  const seconds = new Intl.DateTimeFormat('en-GB', { second: '2-digit', timeZone }).format(ms).padStart(2, '0');
  const isToday = new Date(ms).toDateString() === new Date().toDateString();
  return `${isToday ? showTime(ms, timeZone) : showMoment(ms, timeZone)}:${seconds}`;
}
