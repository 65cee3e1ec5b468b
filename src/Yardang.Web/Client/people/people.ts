// Who is in a lesson and who shares a board: by hand, or made by chance with wishes. Every change can be taken back.

import Alpine from '@alpinejs/csp';
import { fill, pageData, plural } from '../page-data';
import { Connection, type Link, reloadSoon } from '../room/connection';
import { type Group, LessonState, Standing } from '../room/lesson-state';
import { deviceOutbox } from '../room/outbox-store';
import { RoomClient } from '../room/room-client';
import { type GroupSign, groupSign } from './group-sign';
import { PeopleList, askForPeople } from './people-list';

interface Person {
  readonly number: number;
  readonly name: string;
  readonly initials: string;
}

interface PeopleData {
  readonly lesson: string;
  readonly who: string;
  readonly me: { readonly number: number; readonly isStaff: boolean };
  readonly people: readonly Person[];
  /** Those that are kept with the class list. */
  readonly wishes: readonly { readonly together: boolean; readonly pair: readonly [number, number] }[];
  /** Those who run the lesson, by actor number. */
  readonly teachers: readonly { readonly number: number; readonly name: string }[];
  readonly texts: Record<string, string>;
}

interface Wish {
  readonly together: boolean;
  readonly pairs: readonly (readonly [number, number])[];
  readonly words: string;
}

/** Who was out and may be let in again; after a flood there may be hundreds. */
const OUT = new Set<Standing | undefined>([Standing.TurnedAway, Standing.Removed]);
const MOST_GONE = 50;
const PEOPLE_CHANGE = new Set([
  'personJoined',
  'personAsked',
  'personAdmitted',
  'personRemoved',
  'peopleExpected',
  'namesCorrected',
]);

Alpine.data('people', () => {
  const data = pageData<PeopleData>();
  const { texts } = data;
  let lesson: RoomClient<LessonState>;
  let list: PeopleList<Person>;

  return {
    opened: false,
    link: 'connecting' as Link,
    closed: false,
    everybody: [...data.people] as readonly Person[],
    alone: [] as Person[],
    groups: [] as {
      number: number;
      name: string;
      sign: GroupSign;
      helper: number;
      members: Person[];
      others: object[];
    }[],
    teachers: data.teachers,
    nth: '1',
    onlyHere: true,
    picked: [] as number[],
    wishes: [] as Wish[],
    /** What is asked for: a size, or how many groups. */
    asked: { size: 4, count: 0 },
    said: '',
    masked: false,
    seesOthers: false,
    seesTeacher: false,
    seesPast: false,
    takesAlong: false,
    newName: '',
    onList: true,
    nameProblem: '',
    isRenaming: false,
    /** Who was taken out or turned away, the latest last. */
    gone: [] as Person[],
    canUndo: false,
    canRedo: false,

    init(): void {
      const connection = new Connection('', (link) => (this.link = link));
      list = new PeopleList(
        () => askForPeople<Person>(data.lesson),
        (people) => [...lesson.state.people.keys()].some((n) => !people.some((p) => p.number === n)),
        (people) => {
          this.everybody = people;
          this.refresh();
        },
      );
      lesson = new RoomClient<LessonState>(
        data.lesson,
        connection,
        deviceOutbox(data.who, data.lesson),
        (number, state) => {
          // Of what came before this snapshot no event tells.
          if (this.opened) void list.refresh();
          return LessonState.of(number, state);
        },
        (state, command) => state.predict(command, 0),
        data.me,
        {
          changed: () => this.refresh(),
          refused: ({ command }) => command.kind.endsWith('Groups') && (this.said = texts['changedMeanwhile']!),
          applied: ({ event }) => PEOPLE_CHANGE.has(event.kind) && void list.refresh(),
        },
        new LessonState(),
      );
      for (const { together, pair } of data.wishes) this.note(together, [...pair]);
      void this.start(connection).catch(reloadSoon);
    },

    async start(connection: Connection): Promise<void> {
      await Promise.all([connection.start(), connection.enter(lesson, true)]);
      await lesson.recover();
      this.opened = true;
      this.refresh();
      void list.refresh();
    },

    refresh(): void {
      const { state } = lesson;
      this.closed = state.closed;
      this.masked = state.namesMasked;
      this.seesOthers = state.seesOtherBoards;
      this.seesTeacher = state.seesTeachersBoard;
      this.seesPast = state.seesOwnPast;
      this.takesAlong = state.takesAlong;
      this.canUndo = this.opened && state.past.length > 0;
      this.canRedo = this.opened && state.future.length > 0;
      const here = this.belonging();
      const grouped = new Set(state.groups.flatMap((g) => g.people));
      this.gone = this.everybody.filter((p) => OUT.has(lesson.state.people.get(p.number)?.standing)).slice(-MOST_GONE);
      this.alone = here.filter((p: Person) => !grouped.has(p.number));
      // Groups stay the same objects, so that a name that is being typed stays too when somebody joins.
      this.groups = state.groups.map((g) =>
        Object.assign(this.groups.find((old: { number: number }) => old.number === g.number) ?? {}, {
          number: g.number,
          name: g.name,
          helper: g.helper,
          sign: groupSign(g.number, g.name),
          others: state.groups
            .filter((other) => other.number !== g.number)
            .map(({ number, name }) => ({ number, name })),
          members: here.filter((p: Person) => g.people.includes(p.number)),
        }),
      );
      this.picked = (this.picked as number[]).filter((n) => here.some((p: Person) => p.number === n));
    },

    /** Let in again, with the work that they had. */
    letBackIn(number: number): void {
      lesson.submit({ kind: 'admitPerson', person: number });
    },

    /** Everybody who is in, or still to come. */
    belonging(): (Person & { standing: Standing })[] {
      return this.everybody.flatMap((p) => {
        const standing = lesson.state.people.get(p.number)?.standing;
        return standing === Standing.In || standing === Standing.Expected ? [{ ...p, standing }] : [];
      });
    },

    isPicked(number: number): boolean {
      return this.picked.includes(number);
    },

    pick(number: number): void {
      const { picked } = this as { picked: number[] };
      this.picked = picked.includes(number) ? picked.filter((n) => n !== number) : [...picked, number];
    },

    dragged(e: DragEvent, number: number): void {
      if (!this.picked.includes(number)) this.picked = [number];
      e.dataTransfer?.setData('text/plain', String(number));
    },

    dropped(_: DragEvent, group: number): void {
      this.put(group);
    },

    /** Puts those who are picked into a group; 0: on their own. */
    put(group: number): void {
      const { picked } = this as { picked: number[] };
      const groups = lesson.state.groups.map((g) => {
        const others = g.people.filter((p) => !picked.includes(p));
        return { ...g, people: g.number === group ? [...others, ...picked] : others };
      });
      this.picked = [];
      this.set(groups);
    },

    set(groups: readonly Group[]): void {
      this.said = '';
      lesson.submit({ kind: 'setGroups', groups, version: lesson.state.groupingVersion });
    },

    named(people: readonly number[], place: number, nth: number): Group {
      return { number: lesson.state.groupsUsed + nth, name: fill(texts['groupNamed']!, place), people, helper: 0 };
    },

    newGroup(): void {
      const { groups } = lesson.state;
      this.set([...groups, this.named([], groups.length + 1, 1)]);
    },

    groupPicked(): void {
      const picked = [...this.picked] as number[];
      const rest = lesson.state.groups.map((g) => ({ ...g, people: g.people.filter((p) => !picked.includes(p)) }));
      this.picked = [];
      this.set([...rest, this.named(picked, rest.length + 1, 1)]);
    },

    rename(number: number, name: string): void {
      const trimmed = name.trim();
      if (trimmed) this.set(lesson.state.groups.map((g) => (g.number === number ? { ...g, name: trimmed } : g)));
      else this.refresh();
    },

    dissolve(number: number): void {
      this.set(lesson.state.groups.filter((g) => g.number !== number));
    },

    /** All of a group go over to another; their board stays where it is. */
    merge(number: number, into: string): void {
      const { groups } = lesson.state;
      const from = groups.find((g) => g.number === number);
      if (!from || !into) return;
      const merged = groups.map((g) =>
        g.number === Number(into) ? { ...g, people: [...g.people, ...from.people] } : g,
      );
      this.set(merged.filter((g) => g.number !== number));
    },

    helpedBy(number: number, helper: string): void {
      this.set(lesson.state.groups.map((g) => (g.number === number ? { ...g, helper: Number(helper) } : g)));
    },

    askToDissolve(): void {
      (this.$refs['dissolving'] as HTMLDialogElement).showModal();
    },

    keepGroups(): void {
      (this.$refs['dissolving'] as HTMLDialogElement).close();
    },

    dissolveAll(): void {
      this.keepGroups();
      this.set([]);
    },

    undo(): void {
      lesson.submit({ kind: 'undoGroups' });
    },

    redo(): void {
      lesson.submit({ kind: 'redoGroups' });
    },

    wish(together: boolean): void {
      this.note(together, [...this.picked]);
      this.picked = [];
    },

    note(together: boolean, picked: number[]): void {
      const pairs = picked.flatMap((a, i) => picked.slice(i + 1).map((b) => [a, b] as const));
      const words = fill(texts[together ? 'togetherWish' : 'apartWish']!, this.namesOf(picked));
      if (!(this.wishes as Wish[]).some((w) => w.words === words)) this.wishes.push({ together, pairs, words });
    },

    forgetWish(i: number): void {
      this.wishes.splice(i, 1);
    },

    namesOf(numbers: readonly number[]): string {
      return this.everybody
        .filter((p) => numbers.includes(p.number))
        .map((p) => p.name)
        .join(', ');
    },

    /** The groups of the class list's plan for one of its lessons. */
    takePlanned(): Promise<void> {
      return this.ask('Planned', { nth: this.nth, onlyHere: String(this.onlyHere), ...this.wishedPairs() });
    },

    make(): Promise<void> {
      return this.ask('Make', { count: String(this.countOfGroups), ...this.wishedPairs() });
    },

    wishedPairs(): { together: string; apart: string } {
      const pairs = (together: boolean) =>
        (this.wishes as Wish[])
          .filter((w) => w.together === together)
          .flatMap((w) => w.pairs.map((pair) => pair.join('-')))
          .join(' ');
      return { together: pairs(true), apart: pairs(false) };
    },

    async ask(handler: string, fields: Record<string, string>): Promise<void> {
      const body = new FormData();
      for (const [name, value] of Object.entries(fields)) body.set(name, value);
      body.set('__RequestVerificationToken', (this.$root as HTMLElement).dataset['token']!);
      const address = `/lesson/${data.lesson}/people?handler=${handler}`;
      const answer = await fetch(address, { method: 'POST', body }).catch(() => null);
      if (!answer?.ok) {
        this.said = texts['notMade']!;
        return;
      }
      const { groups, broken } = (await answer.json()) as { groups: number[][]; broken: [number, number][] };
      this.set(groups.map((people, i) => this.named(people, i + 1, i + 1)));
      const pairsLeft = broken.map((pair) => this.namesOf(pair)).join('; ');
      this.said = pairsLeft ? fill(texts['madeExcept']!, pairsLeft) : texts['made']!;
    },

    mask(masked: boolean): void {
      lesson.submit({ kind: 'maskNames', masked });
    },

    see(otherBoards: boolean, teachersBoard: boolean, ownPast: boolean, takeAlong: boolean): void {
      lesson.submit({ kind: 'setSight', otherBoards, teachersBoard, ownPast, takeAlong });
    },

    /** Where it is read what who is picked did from board to board. */
    get trailHref(): string {
      return `/lesson/${data.lesson}/trail?person=${this.picked[0] ?? 0}`;
    },

    /** Where it is read what is kept of who is picked. */
    get keptHref(): string {
      return `/lesson/${data.lesson}/people/${this.picked[0] ?? 0}`;
    },

    /** Where it is read with which words who is picked comes back. */
    get keyHref(): string {
      return `${this.keptHref}/key`;
    },

    askToRemove(): void {
      (this.$refs['removing'] as HTMLDialogElement).showModal();
    },

    remove(): void {
      for (const person of this.picked as number[]) lesson.submit({ kind: 'removePerson', person });
      this.picked = [];
      this.keep();
    },

    keep(): void {
      (this.$refs['removing'] as HTMLDialogElement).close();
    },

    askForName(): void {
      const [number] = this.picked;
      this.newName = this.everybody.find((p) => p.number === number)?.name ?? '';
      this.nameProblem = '';
      (this.$refs['renaming'] as HTMLDialogElement).showModal();
    },

    keepName(): void {
      (this.$refs['renaming'] as HTMLDialogElement).close();
    },

    /** What was typed stays where it is until the server has it. */
    async correctName(): Promise<void> {
      const [person] = this.picked;
      const name = this.newName.trim();
      if (person === undefined || name === '') return;
      this.isRenaming = true;
      const body = new URLSearchParams({
        person: String(person),
        name,
        onList: String(this.onList),
        __RequestVerificationToken: (this.$root as HTMLElement).dataset['token']!,
      });
      const answer = await fetch('?handler=Rename', { method: 'POST', body }).catch(() => null);
      this.isRenaming = false;
      const told = answer?.ok
        ? ((await answer.json()) as { problem: string | null })
        : { problem: texts['notRenamed']! };
      this.nameProblem = told.problem ?? '';
      if (told.problem) return;
      this.keepName();
      void list.refresh();
    },

    get countOfPeople(): number {
      return (
        this.alone.length + this.groups.reduce((sum: number, g: { members: Person[] }) => sum + g.members.length, 0)
      );
    },

    get countText(): string {
      return this.opened ? plural(texts, 'count', this.countOfPeople) : texts['opening']!;
    },

    ofSize(size: string): void {
      if (Number(size) >= 1) this.asked = { size: Number(size), count: 0 };
    },

    soMany(count: string): void {
      if (Number(count) >= 1) this.asked = { size: 0, count: Number(count) };
    },

    /** No more than there are people; for a size, so that no group is far from it. */
    get countOfGroups(): number {
      const { size, count } = this.asked;
      const people = this.countOfPeople;
      return Math.min(people, count || Math.max(1, Math.round(people / size)));
    },

    get sizeOfGroups(): number {
      return this.asked.size || Math.round(this.countOfPeople / Math.max(1, this.countOfGroups));
    },

    get sizeText(): string {
      const count = this.countOfGroups;
      if (count === 0) return '';
      const [low, high] = [Math.floor(this.countOfPeople / count), Math.ceil(this.countOfPeople / count)];
      return fill(texts[count === 1 ? 'evenOne' : low === high ? 'even' : 'uneven']!, count, low, high);
    },

    get pickedText(): string {
      return this.picked.length === 0 ? texts['pickedNone']! : plural(texts, 'picked', this.picked.length);
    },

    get removeText(): string {
      return fill(texts['removeOf']!, this.namesOf(this.picked));
    },
  };
});
