// All that waits for the teacher's decision, over all running lessons: looked at one by one or many at once, decided by key or press.

import Alpine from '@alpinejs/csp';
import { html, nothing, render } from 'lit-html';
import { guard } from 'lit-html/directives/guard.js';
import { repeat } from 'lit-html/directives/repeat.js';
import { keepSentence, keptSentences } from '../circulate/kept-sentences';
import type { LateTexts } from '../circulate/late-work';
import { fill, pageData, plural } from '../page-data';
import { byTheSame, chosenAfter, inOrder, inTheSamePlace, type TrayThing } from './tray-things';

type What = 'add' | 'return' | 'leave';

interface TrayTexts extends LateTexts {
  readonly trayKind: Record<string, string>;
  readonly trayWhy: Record<string, string>;
  /** What became of one thing, by what was decided. */
  readonly one: Record<What, string>;
  readonly minutesAgo: string;
  readonly justNow: string;
  readonly pick: string;
  readonly door: string;
  readonly noWords: string;
  readonly allBy: string;
  readonly allIn: string;
  readonly insteadOf: string;
  readonly answers: string;
  readonly links: string;
  readonly quicker: string;
  readonly noLongerFits: string;
  readonly notDone: string;
  readonly noNetwork: string;
  /** Where nobody's name is known. */
  readonly somebody: string;
  readonly isDown: string;
  /** Of what students told of, by what was decided. */
  readonly concern: Record<string, string>;
}

/** What was decided together, and how. */
interface Decided {
  readonly what: What;
  readonly things: readonly TrayThing[];
}

interface TrayData {
  /** Of one lesson only; null for all. */
  readonly lesson: string | null;
  readonly texts: TrayTexts;
}

const BLURRED = 'yardang-tray-blurred';
const AGAIN_MS = 2000;
const MINUTE_MS = 60_000;
/** As in the endpoint: more are decided in several goes. */
const MOST_AT_ONCE = 200;
const FIRST_LETTERS = 120;

/** Who came in at the door is in; and that something is all right is nothing to take back. */
function undoable(what: What, done: readonly TrayThing[]): Decided | null {
  const things = done.filter(({ kind, why }) => kind !== 'door' && (why !== 'concern' || what === 'leave'));
  return things.length > 0 ? { what, things } : null;
}

Alpine.data('inTray', () => {
  const { lesson, texts } = pageData<TrayData>();
  let last = '';

  return {
    things: [] as readonly TrayThing[],
    /** Which of them is looked at. */
    chosen: '',
    thing: null as TrayThing | null,
    picked: [] as readonly string[],
    byPerson: false,
    /** Whether the server has said what there is. */
    isKnown: false,
    isBusy: false,
    words: '',
    sentences: keptSentences(),
    /** What became of the last decision. */
    outcome: '',
    /** What was decided last, as long as it can be taken back. */
    decidedLast: null as Decided | null,
    isAway: false,
    /** Whether pictures are small and blurred until they are pressed, and whether this one was. */
    isBlurred: localStorage.getItem(BLURRED) !== null,
    isLookedAt: false,

    init(): void {
      void this.ask();
    },

    async ask(): Promise<void> {
      try {
        if (!document.hidden && !this.isBusy) await this.look();
      } catch {
        this.isAway = true;
      }
      setTimeout(() => void this.ask(), AGAIN_MS);
    },

    async look(): Promise<void> {
      const answer = await fetch(`/tray/things${lesson ? `?lesson=${lesson}` : ''}`);
      if (!answer.ok) throw new Error(`What waits was not said (${answer.status}).`);
      const said = await answer.text();
      this.isAway = false;
      this.isKnown = true;
      // How long things wait is said anew each minute, also where nothing else changes.
      const now = `${said} ${Math.floor(Date.now() / MINUTE_MS)}`;
      if (now !== last) this.take(JSON.parse(said) as TrayThing[]);
      last = now;
    },

    take(things: readonly TrayThing[]): void {
      const ordered = inOrder(things, this.byPerson);
      this.chosen = chosenAfter(Alpine.raw(this.things), ordered, this.chosen);
      this.things = ordered;
      this.picked = this.picked.filter((key) => ordered.some((thing) => thing.key === key));
      this.draw();
    },

    draw(): void {
      // Hundreds of things are gone through: as they are, not watched one by one.
      const things = Alpine.raw(this.things) as readonly TrayThing[];
      const thing = things.find(({ key }) => key === this.chosen) ?? null;
      this.thing = thing;
      if (thing?.shows) void this.showPicture(thing);
      const list = (this.$root as HTMLElement).querySelector<HTMLElement>('[data-things]')!;
      const picked = new Set(this.picked as readonly string[]);
      const rows = repeat(
        things,
        ({ key }) => key,
        (each) => guard([each, each === thing, picked.has(each.key), this.howLong(each)], () => this.row(each, picked)),
      );
      render(html`${rows}`, list);
    },

    row(thing: TrayThing, picked: ReadonlySet<string>) {
      const isChosen = thing.key === this.chosen;
      return html`<li class="tray-row" ?data-chosen=${isChosen}>
        ${
          thing.mayDecide
            ? html`<label class="check"
                ><input
                  type="checkbox"
                  .checked=${picked.has(thing.key)}
                  @change=${() => this.pick([thing], !picked.has(thing.key))}
                /><span class="sr-only">${fill(texts.pick, thing.name)}</span></label
              >`
            : nothing
        }
        <button type="button" aria-current=${isChosen ? 'true' : nothing} @click=${() => this.choose(thing.key)}>
          <b dir="auto">${thing.name || texts.somebody}</b> <span>${texts.trayKind[thing.kind] ?? ''}</span>
          <small>${this.howLong(thing)}</small>
          <span class="tray-first" dir="auto">${this.shortOf(thing)}</span>
        </button>
      </li>`;
    },

    shortOf({ words, kind }: TrayThing): string {
      if (kind === 'door') return texts.door;
      return words.slice(0, FIRST_LETTERS) || texts.noWords;
    },

    howLong({ since }: TrayThing): string {
      const minutes = Math.floor((Date.now() - since) / MINUTE_MS);
      return minutes < 1 ? texts.justNow : fill(texts.minutesAgo, minutes);
    },

    choose(key: string): void {
      this.chosen = key;
      this.draw();
    },

    step(by: number): void {
      const things = Alpine.raw(this.things) as readonly TrayThing[];
      const at = things.findIndex(({ key }) => key === this.chosen);
      const to = things[Math.min(things.length - 1, Math.max(0, at + by))];
      if (!to) return;
      this.choose(to.key);
      (this.$root as HTMLElement).querySelector('[data-chosen]')?.scrollIntoView({ block: 'nearest' });
    },

    pick(things: readonly TrayThing[], on: boolean): void {
      const keys = things.filter((thing) => thing.mayDecide).map(({ key }) => key);
      const others = (this.picked as readonly string[]).filter((key) => !keys.includes(key));
      this.picked = on ? [...others, ...keys] : others;
      this.draw();
    },

    pickSame(): void {
      if (this.thing) this.pick(byTheSame(this.things, this.thing), true);
    },

    pickHere(): void {
      if (this.thing) this.pick(inTheSamePlace(this.things, this.thing), true);
    },

    pickNone(): void {
      this.picked = [];
      this.draw();
    },

    setByPerson(on: boolean): void {
      this.byPerson = on;
      this.take(Alpine.raw(this.things));
    },

    get countText(): string {
      return plural(texts, 'waiting', this.things.length);
    },

    get pickedText(): string {
      return plural(texts, 'picked', this.picked.length);
    },

    get whyText(): string {
      return this.thing ? (texts.trayWhy[(this.thing as TrayThing).why] ?? '') : '';
    },

    get whereText(): string {
      const thing = this.thing as TrayThing | null;
      return thing ? [texts.trayKind[thing.kind] ?? '', thing.where].filter((words) => words !== '').join(' · ') : '';
    },

    get sameText(): string {
      return this.thing ? fill(texts.allBy, (this.thing as TrayThing).name || texts.somebody) : '';
    },

    get hereText(): string {
      return this.thing ? fill(texts.allIn, (this.thing as TrayThing).where) : '';
    },

    get aboutText(): string {
      const kind = (this.thing as TrayThing | null)?.kind;
      return kind === 'wording' ? texts.insteadOf : kind === 'link' ? texts.links : texts.answers;
    },

    get shownWords(): string {
      const thing = this.thing as TrayThing | null;
      return thing ? (thing.kind === 'door' ? texts.door : thing.words || texts.noWords) : '';
    },

    get isDoor(): boolean {
      return (this.thing as TrayThing | null)?.kind === 'door';
    },

    get href(): string {
      const thing = this.thing as TrayThing | null;
      if (!thing) return '';
      return thing.kind === 'door' ? `/lesson/${thing.lesson}` : `/lesson/${thing.lesson}/board/${thing.room}`;
    },

    setBlurred(on: boolean): void {
      this.isBlurred = on;
      this.isLookedAt = false;
      if (on) localStorage.setItem(BLURRED, '');
      else localStorage.removeItem(BLURRED);
    },

    /** What of it is drawn, or shown beside words. */
    async showPicture(thing: TrayThing): Promise<void> {
      await this.$nextTick();
      const host = (this.$root as HTMLElement).querySelector<HTMLElement>('[data-picture]');
      if (!host || host.dataset['of'] === thing.key) return;
      this.isLookedAt = false;
      try {
        const { showPicture } = await import('./tray-picture');
        await showPicture(thing, host, texts);
      } catch {
        // It is asked for again when it is looked at again.
        host.dataset['of'] = '';
      }
    },

    /** What is decided about: all that are picked, else what is looked at. */
    decidedNow(): TrayThing[] {
      const things = this.things as readonly TrayThing[];
      if (this.picked.length > 0) return things.filter(({ key }) => (this.picked as readonly string[]).includes(key));
      return things.filter(({ key, mayDecide }) => key === this.chosen && mayDecide);
    },

    get mayDecide(): boolean {
      return !this.isBusy && this.decidedNow().length > 0;
    },

    /** People at the door cannot be told what to mend, nor is it mended where others saw it. */
    get mayReturn(): boolean {
      const mayMend = ({ kind, why }: TrayThing) => kind !== 'door' && why !== 'concern';
      return this.mayDecide && this.words.trim() !== '' && this.decidedNow().every(mayMend);
    },

    /** Whether all that is decided about is what students told of. */
    get areConcerns(): boolean {
      const things = this.decidedNow();
      return things.length > 0 && things.every(({ why }) => why === 'concern');
    },

    async decide(what: What): Promise<void> {
      const things = this.decidedNow();
      const words = this.words.trim();
      if (!this.mayDecide || (what === 'return' && !this.mayReturn)) return;
      this.isBusy = true;
      try {
        const outcomes = await this.send('decide', what, what === 'add' ? '' : words, things);
        if (what !== 'add' && words !== '') keepSentence(words);
        this.words = '';
        this.sentences = keptSentences();
        this.settle(what, things, outcomes);
      } catch {
        this.outcome = texts.noNetwork;
      }
      this.isBusy = false;
    },

    /** Takes the last decision back: what was left off waits again, what was added goes down. */
    async undo(): Promise<void> {
      const last = Alpine.raw(this.decidedLast) as Decided | null;
      if (!last || this.isBusy) return;
      this.isBusy = true;
      try {
        const outcomes = await this.send('undo', last.what, '', last.things);
        const undone = last.things.filter(({ key }) => outcomes[key] === 'done').length;
        const not = last.things.length - undone;
        const said = [
          undone > 0 ? plural(texts, 'undone', undone) : '',
          not > 0 ? plural(texts, 'notUndone', not) : '',
        ];
        this.outcome = said.filter((words) => words !== '').join(' ');
        this.decidedLast = null;
        await this.look();
      } catch {
        this.outcome = texts.noNetwork;
      }
      this.isBusy = false;
    },

    async send(
      how: 'decide' | 'undo',
      what: What,
      words: string,
      things: readonly TrayThing[],
    ): Promise<Record<string, string>> {
      const outcomes: Record<string, string> = {};
      for (let at = 0; at < things.length; at += MOST_AT_ONCE) {
        const some = things.slice(at, at + MOST_AT_ONCE);
        const answer = await fetch(`/tray/${how}`, {
          method: 'POST',
          headers: {
            'Content-Type': 'application/json',
            RequestVerificationToken: (this.$root as HTMLElement).dataset['token'] ?? '',
          },
          body: JSON.stringify({
            what,
            words,
            things: some.map(({ key, room, person, numbers, why }) => ({ key, room, person, numbers, why })),
          }),
        });
        if (!answer.ok) throw new Error(`It was not decided (${answer.status}).`);
        Object.assign(outcomes, await answer.json());
      }
      return outcomes;
    },

    /** Says what became of it; what is decided goes, and the next is looked at. */
    settle(what: What, things: readonly TrayThing[], outcomes: Record<string, string>): void {
      const with_ = (outcome: string) => things.filter(({ key }) => outcomes[key] === outcome);
      const [done, quicker, gone, refused] = ['done', 'decided', 'gone', 'refused'].map(with_);
      const said = [
        done!.length === 1
          ? fill(done![0]!.why === 'concern' ? texts.concern[what]! : texts.one[what], done![0]!.name || texts.somebody)
          : done!.length > 1
            ? plural(texts, what, done!.length)
            : '',
        quicker!.length > 0 ? plural(texts, 'quicker', quicker!.length) : '',
        gone!.length > 0 ? plural(texts, 'noLongerFits', gone!.length) : '',
        refused!.length > 0 ? plural(texts, 'notDone', refused!.length) : '',
      ];
      this.outcome = said.filter((words) => words !== '').join(' ');
      this.decidedLast = undoable(what, done!);
      const left = (this.things as readonly TrayThing[]).filter(
        ({ key }) => outcomes[key] === undefined || outcomes[key] === 'refused',
      );
      last = '';
      this.take(left);
    },

    key(e: KeyboardEvent): void {
      const target = e.target as HTMLElement;
      const isTyping = target instanceof HTMLInputElement && target.type !== 'checkbox';
      if (isTyping && e.key === 'Escape') target.blur();
      if (isTyping || e.ctrlKey || e.metaKey || e.altKey || target instanceof HTMLSelectElement) return;
      const acts: Record<string, () => void> = {
        ArrowDown: () => this.step(1),
        ArrowUp: () => this.step(-1),
        j: () => this.step(1),
        k: () => this.step(-1),
        a: () => void this.decide('add'),
        u: () => void this.undo(),
        l: () => void this.decide('leave'),
        r: () => document.getElementById('tray-words')?.focus(),
        x: () => {
          const thing = this.thing as TrayThing | null;
          if (thing) this.pick([thing], !(this.picked as readonly string[]).includes(thing.key));
        },
        s: () => this.pickSame(),
        t: () => this.pickHere(),
      };
      const act = acts[e.key];
      if (!act) return;
      e.preventDefault();
      act();
    },
  };
});
