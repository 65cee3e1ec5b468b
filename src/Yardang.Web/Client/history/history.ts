// How a board came to be: any moment of it, played or stepped through, compared with another, and put back.

import Alpine from '@alpinejs/csp';
import { html, nothing, render } from 'lit-html';
import { repeat } from 'lit-html/directives/repeat.js';
import { Names } from '../lesson/names';
import { fill, pageData, plural } from '../page-data';
import { Connection } from '../room/connection';
import { type Mark, stands } from '../room/marks';
import { RoomClient } from '../room/room-client';
import { Sheets } from '../room/sheets';
import { kindOf } from '../kinds';
import { showMoment, showTime } from '../show-moment';
import { LiveInk } from '../surface/live-ink';
import { PageSurface } from '../surface/page-surface';
import { Pictures } from '../surface/pictures';
import { Pointers } from '../surface/pointers';
import { textIn } from '../surface/in-language';
import { between } from './between';
import { fetchPiece } from './fetching';
import type { HistoryData } from './history-data';
import { Moments } from './moments';
import { Overlay } from './overlay';
import { initialsOf, personColour } from './people-colours';
import { Playing } from './playing';
import { type Desk, restoringOf } from './restoring';
import { type Filter, note, passes, type Step } from './steps';
import { drawStrip, LONG_REST_MS } from './strip';

/** So many rows stand before and after the one that is looked at. */
const ROWS_AROUND = 60;
const AGAIN_MS = 1500;
const NOTICE_MS = 12_000;
const MINUTE_MS = 60_000;
const PAGE_KEYS = 20;
const ROWS_EVERY_MS = 250;

Alpine.data('history', () => {
  const data = pageData<HistoryData>();
  const { texts, zone, me } = data;
  const steps: Step[] = [];
  let moments: Moments | null = null;
  let surface: PageSurface;
  let overlay: Overlay;
  let room: RoomClient<Sheets>;
  let playing: Playing;
  let root: HTMLElement;
  /** The steps that pass the filter. */
  let told: readonly Step[] = steps;
  let fetching: Promise<void> | null = null;
  let noticeTimer: ReturnType<typeof setTimeout> | undefined;
  const names = new Names(data.room, '', () => undefined);
  const nameOf = (person: number, byStaff = false): string =>
    data.people.find((p) => p.number === person)?.name ||
    names.of(person) ||
    (byStaff ? texts.teacher : texts.somebody);
  let desk: () => Desk;
  /** What stood on the page at the moment that is held. */
  let heldMarks: { readonly page: number; readonly marks: readonly Mark[] } | null = null;
  let rowsAt = 0;

  return {
    isHere: false,
    isAway: false,
    /** How many events are in what is shown, of how many. */
    count: 0,
    length: 0,
    /** Before anything was done that is seen. */
    first: 0,
    isPlaying: false,
    speed: '5',
    notice: '',
    /** Where one is, in words. */
    when: '',
    what: '',
    pages: [] as { id: number; name: string }[],
    page: 0,
    people: [] as { number: number; name: string; colour: string; count: number }[],
    filter: { person: 0, page: 0, sort: '', mark: 0 } as Filter,
    markTitle: '',
    showsGhosts: false,
    showsPeople: false,
    /** The moment with which others are compared; null for none. */
    held: null as number | null,
    heldText: '',
    comparison: '',
    restoring: restoringOf(() => desk()),

    init(): void {
      root = this.$root as HTMLElement;
      const pointers = new Pointers(() => '');
      surface = new PageSurface(root.querySelector<HTMLElement>('[data-surface]')!, new LiveInk(), pointers);
      surface.written = data.written;
      surface.languages = [data.language];
      surface.pictures = new Pictures(data.room, '', () => surface.invalidate());
      overlay = new Overlay(
        () => surface,
        (mark) => this.pick(mark),
      );
      surface.tool = overlay;
      playing = new Playing(
        (index) => moments?.events[index]?.time ?? null,
        (count) => this.go(count),
        () => this.pause(),
      );
      new ResizeObserver(() => this.drawStrip()).observe(this.strip());
      desk = () => this.desk();
      void this.begin();
    },

    get personName(): string {
      return this.filter.person ? nameOf(this.filter.person) : '';
    },

    strip(): HTMLCanvasElement {
      return root.querySelector<HTMLCanvasElement>('[data-strip]')!;
    },

    desk(): Desk {
      return {
        room,
        surface,
        texts,
        now: moments!.now,
        moment: moments!.numberAt(this.count),
        page: this.page,
        person: this.filter.person,
        mark: this.filter.mark,
        say: (words: string) => this.say(words),
        openDialog: (isOpen: boolean) => {
          const dialog = root.querySelector<HTMLDialogElement>('[data-restoring]')!;
          if (isOpen) dialog.showModal();
          else dialog.close();
        },
        picture: (which: string) => root.querySelector<HTMLCanvasElement>(`[data-picture="${which}"]`)!,
      };
    },

    async begin(): Promise<void> {
      while (!moments) {
        const piece = await fetchPiece(data.room, null, me);
        this.isAway = piece === null;
        if (piece) {
          moments = new Moments(piece.beginning!);
          for (const envelope of piece.events) this.take(envelope);
        } else await new Promise((done) => setTimeout(done, AGAIN_MS));
      }
      await this.more();
      this.isHere = true;
      this.go(this.length);
      const connection = new Connection('', (link) => (this.isAway = link === 'lost'));
      room = new RoomClient<Sheets>(
        data.room,
        connection,
        null,
        (number, state) => Sheets.of(number, state, null, me),
        (sheets, command) => sheets.predict(command, me, false),
        me,
        {
          changed: () => this.roomChanged(),
          applied: ({ gesture }) => this.restoring.applied(gesture, room.waiting === 0),
          refused: () => this.restoring.refused(),
        },
        new Sheets(),
      );
      await Promise.all([connection.start(), connection.enter(room, data.mayRestore)]);
    },

    take(envelope: Parameters<Moments['add']>[0]): void {
      if (envelope.number <= moments!.numberAt(moments!.length)) return;
      note(steps, envelope, moments!.length + 1, moments!.now);
      moments!.add(envelope);
      this.length = moments!.length;
      this.first = steps[0]?.from ?? 0;
    },

    /** Fetches what has happened since, until nothing is missing. */
    async more(): Promise<void> {
      for (;;) {
        const after = moments!.numberAt(moments!.length);
        const piece = await fetchPiece(data.room, after, me);
        if (!piece) return;
        for (const envelope of piece.events) this.take(envelope);
        if (piece.events.length === 0 || moments!.numberAt(moments!.length) >= piece.last) return;
      }
    },

    /** The class works on: what happens is put at the end; who looks at the end sees it. */
    roomChanged(): void {
      if (fetching || room.number <= moments!.numberAt(moments!.length)) return;
      const isAtEnd = this.count === this.length && !this.isPlaying;
      fetching = this.more().then(() => {
        fetching = null;
        this.refilter();
        if (isAtEnd) this.go(this.length);
        else this.show();
        if (room.number > moments!.numberAt(moments!.length)) setTimeout(() => this.roomChanged(), AGAIN_MS);
      });
    },

    go(count: number): void {
      this.count = Math.max(this.first, Math.min(this.length, count));
      this.show();
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
      const sheets = moments.at(this.count);
      const at = this.lastTold();
      const step = told[at] ?? null;
      const doing = this.isPlaying ? (told[at + 1] ?? step) : step;
      this.page = this.filter.page || (doing?.page && sheets.page(doing.page) ? doing.page : this.page);
      const shown = sheets.page(this.page) ?? sheets.pages[0];
      if (!shown) return;
      this.page = shown.id;
      if (!this.isPlaying) this.tellPages(sheets);
      const marks = sheets.visible(shown.id);
      surface.unit = sheets.unit;
      overlay.marks = marks;
      overlay.ghosts = this.showsGhosts
        ? [...sheets.allMarks].filter((m) => m.page === shown.id && !stands(m) && !marks.includes(m))
        : [];
      overlay.chosen = this.filter.mark;
      surface.show(shown, marks);
      const time = moments.events[this.count - 1]?.time;
      this.when = this.count <= this.first || time === undefined ? texts.beginning : showSecond(time, zone);
      this.what = this.count <= this.first ? '' : step ? this.tell(step) : '';
      this.compare(marks);
      if (!this.isPlaying) this.tellPeople(sheets);
      surface.invalidateDrawing();
      this.renderRows(at);
    },

    tellPages(sheets: Sheets): void {
      this.pages = sheets.pages.map((p, i) => {
        const name = textIn(p.name, [data.language], data.written);
        const number = fill(texts.pageOf, i + 1, sheets.pages.length);
        return { id: p.id, name: name ? `${number}: ${name}` : number };
      });
    },

    compare(marks: readonly Mark[]): void {
      overlay.between = null;
      this.comparison = '';
      if (this.held === null || !moments) return;
      const isLater = this.held <= this.count;
      const other = this.heldOn(this.page);
      overlay.between = isLater ? between(other, marks) : between(marks, other);
      const { came, changed, went } = overlay.between;
      const parts = [
        came.length && plural(texts, 'came', came.length),
        changed.length && plural(texts, 'altered', changed.length),
        went.length && plural(texts, 'went', went.length),
      ].filter((part) => part !== 0);
      this.comparison = parts.length > 0 ? parts.join(' ') : texts.same;
    },

    heldOn(page: number): readonly Mark[] {
      if (heldMarks?.page !== page) heldMarks = { page, marks: moments!.at(this.held!).visible(page) };
      moments!.at(this.count);
      return heldMarks.marks;
    },

    tellPeople(sheets: Sheets): void {
      const count = new Map<number, number>();
      for (const mark of sheets.allMarks)
        if (!mark.byStaff && stands(mark)) count.set(mark.author, (count.get(mark.author) ?? 0) + 1);
      const all = [...new Set(steps.filter((s) => !s.byStaff).map((s) => s.person))];
      this.people = all.map((number, i) => ({
        number,
        name: nameOf(number),
        colour: personColour(i),
        count: count.get(number) ?? 0,
      }));
      overlay.people = this.showsPeople
        ? new Map(this.people.map(({ number, name, colour }) => [number, { colour, initials: initialsOf(name) }]))
        : null;
    },

    /** Who did what, in a sentence. */
    tell(step: Step): string {
      const did = plural(texts.did, step.what, step.marks.size);
      return `${nameOf(step.person, step.byStaff)} ${did}${step.words ? `: ${step.words}` : ''}`;
    },

    renderRows(at: number): void {
      // While it plays, nobody reads row by row.
      if (this.isPlaying && performance.now() - rowsAt < ROWS_EVERY_MS) return;
      rowsAt = performance.now();
      const rows = told.slice(Math.max(0, at - ROWS_AROUND), at + ROWS_AROUND);
      const list = root.querySelector<HTMLElement>('[data-steps]')!;
      let before: Step | null = told[Math.max(0, at - ROWS_AROUND) - 1] ?? null;
      const row = (step: Step) => {
        const rest = before && step.at - before.until > LONG_REST_MS ? step.at - before.until : 0;
        before = step;
        return html`${rest ? html`<li class="step-rest">${plural(texts, 'rest', Math.round(rest / MINUTE_MS))}</li>` : nothing}
          <li class="step" data-now=${step === told[at]} data-later=${step.to > this.count}>
            <button type="button" aria-current=${step === told[at] ? 'step' : nothing} @click=${() => this.goTo(step)}>
              <small>${showTime(step.at, zone)}</small> <b dir="auto">${nameOf(step.person, step.byStaff)}</b>
              <span>${plural(texts.did, step.what, step.marks.size)}</span>
              ${step.words ? html`<q dir="auto">${step.words}</q>` : nothing}
            </button>
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
      drawStrip(
        this.strip(),
        told,
        this.first,
        this.length,
        new Map(this.people.map(({ number, colour }) => [number, colour])),
      );
    },

    refilter(): void {
      const { person, page: ofPage, sort, mark } = this.filter;
      const isAll = person === 0 && ofPage === 0 && sort === '' && mark === 0;
      const filter = { person, page: ofPage, sort, mark };
      told = isAll ? steps : steps.filter((step) => passes(step, filter));
      this.show();
      this.drawStrip();
    },

    setPerson(value: number): void {
      this.filter.person = this.filter.person === value ? 0 : value;
      this.refilter();
    },

    setPage(value: string): void {
      this.filter.page = Number(value);
      this.refilter();
    },

    setSort(value: string): void {
      this.filter.sort = value;
      this.refilter();
    },

    /** A mark tells its own story: only what was done to it. */
    pick(mark: Mark | null): void {
      this.pause();
      this.filter.mark = mark?.id ?? 0;
      this.markTitle = mark ? this.titleOf(mark) : '';
      this.refilter();
    },

    pickNone(): void {
      this.pick(null);
    },

    titleOf(mark: Mark): string {
      const said = kindOf(mark.body).said(mark.body, {
        languages: [data.language],
        written: data.written,
        mark: () => '',
        texts,
      });
      const kind = texts.kinds[mark.body.kind]!;
      return said ? `${kind}: ${said.split('\n')[0]!.slice(0, 40)}` : kind;
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
      heldMarks = null;
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

    slid(value: string): void {
      this.pause();
      this.go(Number(value));
    },

    /** Keys step from one thing that was done to the next, wherever one is but in a field. */
    key(e: KeyboardEvent): void {
      const target = e.target as HTMLElement;
      if (e.ctrlKey || e.metaKey || e.altKey || target.closest('dialog, select, input[type="radio"]')) return;
      const isButton = target.matches('button, a, summary');
      const act: Record<string, () => void> = {
        ArrowLeft: () => this.step(-1),
        ArrowRight: () => this.step(1),
        PageUp: () => this.go(this.count - PAGE_KEYS),
        PageDown: () => this.go(this.count + PAGE_KEYS),
        Home: () => this.toBeginning(),
        End: () => this.toEnd(),
      };
      if (!isButton) act[' '] = () => this.togglePlay();
      if (!act[e.key]) return;
      e.preventDefault();
      act[e.key]!();
    },

    say(words: string): void {
      this.notice = words;
      clearTimeout(noticeTimer);
      noticeTimer = setTimeout(() => {
        this.notice = '';
        this.restoring.done = 0;
      }, NOTICE_MS);
    },

    undoRestore(): void {
      this.restoring.undo();
      this.notice = '';
    },
  };
});

/** A moment to the second; with its day if that is another one. */
function showSecond(ms: number, timeZone: string): string {
  const seconds = new Intl.DateTimeFormat('en-GB', { second: '2-digit', timeZone }).format(ms).padStart(2, '0');
  const isToday = new Date(ms).toDateString() === new Date().toDateString();
  return `${isToday ? showTime(ms, timeZone) : showMoment(ms, timeZone)}:${seconds}`;
}
