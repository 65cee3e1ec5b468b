// The pages with their marks, and the journal of who changed what: Core's Sheets, event for event.
// Values are never changed in place, so that a copy of the maps is a copy of the state.

import { union } from '../ink/stroke';
import {
  type Concern,
  type LastAct,
  type LateWork,
  type Part,
  type PlannedPhase,
  Role,
  type RoomSnapshot,
  type StudentActs,
  TakenDown,
} from '../wire/forms';
import '../wire/pages-codec';
import { laid } from '../shapes/zone-layers';
import { inField } from '../shapes/answer-place';
import { following } from '../shapes/connectors';
import { Journal } from './journal';
import {
  type AnswerKey,
  belongsToPage,
  type Change,
  Grip,
  type Mark,
  marksThatWait,
  type NewMark,
  type Page,
  Property,
  stands,
  type Texts,
  type Value,
} from './marks';
import { aboutOf } from './about';
import { concernsAfter, foreseeConcern, mayTell } from './concerns';
import { actOf } from './student-acts';
import { changed, ofMark, ofPage, pageValues } from './properties';
import { Judgements } from './judgements';
import { choiceAfter, foreseeChoice, type MarkChoice, NO_CHOICE } from './mark-choice';
import { foreseeTalk, type MarkTalk, talkAfter } from './mark-talk';
import { isMine as isBy } from './threads';
import type { Command, Envelope, RoomEvent } from './wire';

export interface Me {
  readonly number: number;
  readonly isStaff: boolean;
}

const ID_UNIT = 2 ** 32;
/** Of what somebody chose the others know nothing, also not when. */
const UNNOTED: ReadonlySet<RoomEvent['kind']> = new Set([
  'clientAdmitted',
  'redacted',
  'workSetAside',
  'cardJudged',
  'concernRaised',
]);

/** Core's limit for the marks of a board. */
const MOST_MARKS = 40_000;

export class Sheets {
  number = 0;
  name: Texts = {};
  directions: Texts = {};
  /** In which lengths are shown: 0 centimetres, 1 inches. */
  unit = 0;
  /** The steps of the activity, in order. */
  parts: readonly Part[] = [];
  /** The phases that are planned for the lesson, in order; in drafts. */
  phases: readonly PlannedPhase[] = [];
  frontOrder = 0;
  /** Of which part pages are shown; null for all. */
  private part: number | null = null;
  private reader: Me | null = null;
  /** What students told their teacher of; to a student, what they did. */
  concerns: readonly Concern[] = [];
  private allPages: readonly Page[] = [];
  private inOrder: readonly Page[] = [];
  /** When a student last did something on this board, server time in ms; null if none has. */
  lastActivity: number | null = null;
  /** What each student did last here. Students are not told. */
  acts: ReadonlyMap<number, LastAct> = new Map();
  /** What is said to marks. */
  talk: MarkTalk = new Map();
  /** What students say of them. */
  choice: MarkChoice = NO_CHOICE;
  private marksById = new Map<number, Mark>();
  private journal = new Journal();
  private late = new Map<number, LateWork>();
  private shown = new Map<number, readonly Mark[]>();
  /** The late changes that stand here, by number, with the page where to look for each. */
  adopted: ReadonlyMap<number, number> = new Map();

  /**
   * @param part of which part pages are shown; null for all.
   * @param reader who looks; without one nothing is shown that was taken down.
   */
  static of(number: number, state: RoomSnapshot, part: number | null = null, reader: Me | null = null): Sheets {
    if (state.kind === 'lesson' || state.kind === 'wall') throw new Error(`A ${state.kind} has no pages.`);
    const sheets = new Sheets();
    const { name, directions, unit, parts, phases, pages, marks } = state.sheets;
    Object.assign(sheets, { number, name, directions, unit, parts, phases, part, reader });
    sheets.setPages(pages);
    for (const mark of marks) sheets.put(mark);
    sheets.journal = Journal.of(state.sheets);
    if (state.kind === 'draft') return sheets;
    sheets.lastActivity = state.lastActivity;
    sheets.concerns = state.concerns;
    sheets.acts = new Map(state.acts.map((act) => [act.person, act]));
    sheets.adopted = new Map(state.adopted.filter((a) => !a.givenUp).map((a) => [a.number, a.page]));
    sheets.talk = new Map(state.said.map((t) => [t.mark, t.answers]));
    sheets.choice = { rule: state.judging.rule, judgements: Judgements.of(state.judging.state) };
    for (const late of state.setAside) sheets.late.set(late.number, late);
    return sheets;
  }

  /** Nothing is taken back here: it is only looked at, moment by moment. */
  forgetSteps(): void {
    this.journal = Journal.unkept;
  }

  copy(): Sheets {
    const copy = new Sheets();
    copy.number = this.number;
    copy.name = this.name;
    copy.directions = this.directions;
    copy.unit = this.unit;
    copy.parts = this.parts;
    copy.phases = this.phases;
    copy.part = this.part;
    copy.reader = this.reader;
    copy.concerns = this.concerns;
    copy.adopted = this.adopted;
    copy.allPages = this.allPages;
    copy.inOrder = this.inOrder;
    copy.frontOrder = this.frontOrder;
    copy.lastActivity = this.lastActivity;
    copy.acts = this.acts;
    copy.talk = this.talk;
    copy.choice = this.choice;
    copy.marksById = new Map(this.marksById);
    copy.shown = new Map(this.shown);
    copy.journal = this.journal.copy();
    copy.late = new Map(this.late);
    return copy;
  }

  /** Of every part, those that were taken out included. */
  get everyPage(): readonly Page[] {
    return this.allPages;
  }

  /** In order, without those that were taken out. */
  get pages(): readonly Page[] {
    return this.inOrder;
  }

  page(id: number): Page | undefined {
    return this.allPages.find((p) => p.id === id);
  }

  mark(id: number): Mark | undefined {
    return this.marksById.get(id);
  }

  get allMarks(): IterableIterator<Mark> {
    return this.marksById.values();
  }

  /** What of mine is here although it waits for the teacher is drawn fainter. */
  showWaiting(mine: readonly LateWork[]): void {
    for (const id of mine.flatMap(({ command }) => aboutOf(command))) {
      const mark = this.marksById.get(id);
      if (!mark) continue;
      const shown = { ...mark };
      marksThatWait.add(shown);
      this.put(shown);
    }
  }

  get setAside(): IterableIterator<LateWork> {
    return this.late.values();
  }

  /** What a teacher took down is shown to its author and to teachers, fainter; what they removed to nobody. */
  private isShown(mark: Mark): boolean {
    const { reader } = this;
    if (stands(mark)) return true;
    return !mark.erased && mark.down === TakenDown.Hidden && !!reader && (reader.isStaff || isBy(mark, reader));
  }

  /** What teachers took down on a page, as far as it is known here. */
  takenDown(page: number): Mark[] {
    return [...this.marksById.values()].filter((m) => m.page === page && !m.erased && m.down !== TakenDown.No);
  }

  /** My marks and answers that a teacher took down. */
  downOfMine(me: Me): { id: number; why: string }[] {
    const marks = [...this.marksById.values()].filter((m) => m.down !== TakenDown.No && isBy(m, me));
    const answers = [...this.talk.values()]
      .flat()
      .filter((a) => isBy(a, me) && a.downBy !== 0 && a.downBy !== me.number);
    return [...marks.map(({ id }) => ({ id, why: '' })), ...answers.map(({ id, downWhy }) => ({ id, why: downWhy }))];
  }

  /** How many more marks there is room for, as far as is known here. */
  get roomLeft(): number {
    return Math.max(0, MOST_MARKS - this.marksById.size);
  }

  mayTell(about: number, answer: number, me: Me): boolean {
    const mark = this.marksById.get(about);
    if (!mark || !stands(mark)) return false;
    const said = this.talk.get(about)?.find((a) => a.id === answer && a.downBy === 0);
    return mayTell(this.concerns, answer ? said : mark, me, about, answer);
  }

  /** What can be seen on a page, back to front. */
  visible(page: number): readonly Mark[] {
    const known = this.shown.get(page);
    if (known) return known;
    const marks: Mark[] = [];
    for (const mark of this.marksById.values()) {
      if (mark.page !== page || !this.isShown(mark)) continue;
      const shown = mark.body.kind === 'connector' ? following(mark, mark.body, (id) => this.marksById.get(id)) : mark;
      if (shown) marks.push(shown);
    }
    marks.sort((a, b) => a.order - b.order || a.id - b.id);
    const below = new Map<number, number>();
    const find = (id: number) => this.marksById.get(id);
    const placed = laid(marks.map((m) => (m.body.kind === 'fieldAnswer' ? inField(m, m.body, find, below) : m)));
    this.shown.set(page, placed);
    return placed;
  }

  nextUndo(actor: number): number | null {
    return this.journal.nextUndo(actor);
  }

  /** What taking back a gesture, or doing it again, is. */
  actOfGesture(gesture: number): StudentActs {
    const steps = this.journal.find(gesture)?.steps.values() ?? [];
    return actOf([...steps].map((step) => step.after));
  }

  nextRedo(actor: number): number | null {
    return this.journal.nextRedo(actor);
  }

  apply(envelope: Envelope): void {
    const { event } = envelope;
    if (!envelope.byStaff && !UNNOTED.has(event.kind)) this.note(envelope);
    this.concerns = concernsAfter(this.concerns, envelope);
    switch (event.kind) {
      case 'workSetAside':
        this.late.set(envelope.number, {
          number: envelope.number,
          actor: { number: envelope.actor, role: envelope.byStaff ? Role.Staff : Role.Student },
          client: envelope.client,
          counter: envelope.counter,
          gesture: envelope.gesture,
          command: event.command,
          why: event.why,
          returned: '',
          at: envelope.time,
        });
        break;
      case 'lateWorkAccepted': {
        // Classmates did not know of it; in old logs only the work that was set aside says whose it is.
        const late = this.late.get(event.number);
        this.late.delete(event.number);
        const actor = event.person || late?.actor.number;
        if (actor && event.outcome) this.happen(event.outcome, actor, event.person ? event.gesture : late!.gesture);
        break;
      }
      case 'lateWorkDiscarded':
        this.late.delete(event.number);
        break;
      case 'workTakenUpAgain':
        this.late = new Map(this.late).set(event.work.number, event.work);
        break;
      case 'workReturned': {
        const returned = this.late.get(event.number);
        if (returned) this.late.set(event.number, { ...returned, returned: event.words });
        break;
      }
      default:
        this.happen(event, envelope.actor, envelope.gesture);
    }
  }

  private note({ event, actor: person, time: at }: Envelope): void {
    this.lastActivity = at;
    const page = this.pageOf(event) || (this.acts.get(person)?.page ?? 0);
    this.acts = new Map(this.acts).set(person, { person, at, page });
  }

  private pageOf(event: RoomEvent): number {
    if (event.kind === 'markAdded') return event.mark.page;
    if (event.kind === 'marksAdded') return event.marks[0]?.page ?? 0;
    if (event.kind === 'answerGiven') return this.marksById.get(event.about)?.page ?? 0;
    const changes = 'changes' in event && event.kind !== 'lateChangeAdopted' ? event.changes : [];
    const target = changes[0]?.target ?? 0;
    return this.marksById.get(target)?.page ?? this.page(target)?.id ?? 0;
  }

  /** What an event about marks does, by whoever, as part of whichever gesture. */
  happen(event: RoomEvent, actor: number, gesture: number): void {
    switch (event.kind) {
      case 'markAdded': {
        const { id } = event.mark;
        this.put(event.mark);
        this.journal.note(gesture, actor, [[erasing(id, true), erasing(id, false)]]);
        break;
      }
      case 'marksAdded':
        for (const mark of event.marks) this.put(mark);
        this.journal.note(
          gesture,
          actor,
          event.marks.map(({ id }) => [erasing(id, true), erasing(id, false)]),
        );
        break;
      case 'pageLocked':
        for (const { id } of event.page === 0 ? [...this.allPages] : [{ id: event.page }])
          this.setPage(id, { locked: event.on });
        break;
      case 'pageAdded':
        this.putIn({ ...event.page, order: event.order }, actor, gesture);
        break;
      case 'changesMade':
        this.make(event.changes, actor, gesture);
        this.putBack(event.back);
        break;
      case 'lateChangeAdopted':
        this.adopted = new Map(this.adopted).set(event.number, event.page);
        for (const page of event.pages) this.putIn(page, actor, gesture);
        for (const mark of event.marks) this.put(mark);
        this.journal.note(
          gesture,
          actor,
          event.marks.map(({ id }) => [erasing(id, true), erasing(id, false)]),
        );
        this.make(event.changes, actor, gesture);
        break;
      case 'keySet':
        this.setKey(event.key);
        break;
      case 'gestureUndone':
        if (isLateChange(event.gesture)) {
          this.adopted = new Map([...this.adopted].filter(([number]) => number !== event.gesture));
        }
        this.turn(event.gesture, event.changes, true);
        this.putBack(event.back);
        break;
      case 'gestureRedone':
        this.turn(event.gesture, event.changes, false);
        this.putBack(event.back);
        break;
      default:
        this.talk = talkAfter(this.talk, event, actor);
        this.choice = choiceAfter(this.choice, event, actor);
    }
  }

  private putIn(page: Page, actor: number, gesture: number): void {
    this.setPages([...this.allPages.filter((p) => p.id !== page.id), page]);
    const out = (value: boolean): Change => ({ property: Property.PageErased, target: page.id, value });
    this.journal.note(gesture, actor, [[out(true), out(false)]]);
  }

  private make(changes: readonly Change[], actor: number, gesture: number): void {
    const steps: [Change, Change][] = [];
    for (const change of changes) {
      // Undefined where this reader does not see what was changed.
      const before = this.current(change.target, change.property);
      const step = { ...change, value: before };
      steps.push([isLateChange(gesture) ? withoutKey(step) : step, change]);
      this.set(isLateChange(gesture) ? this.withKeyOfNow(change) : change);
    }
    this.journal.note(gesture, actor, steps);
  }

  /** Who saw them go holds them still. */
  private putBack(marks: readonly Mark[]): void {
    for (const mark of marks) if (!this.marksById.has(mark.id)) this.put(mark);
  }

  /** The program's own gestures say nothing of what is expected of zones; it stays as it is. */
  private withKeyOfNow(change: Change): Change {
    const now = this.marksById.get(change.target)?.body;
    const value = change.value as Mark['body'] | undefined;
    return change.property === Property.Body && value?.kind === 'zone' && now?.kind === 'zone'
      ? { ...change, value: { ...value, expected: now.expected } }
      : change;
  }

  /** What a command of mine will do, as far as this client can tell; null if it would be refused. */
  predict(command: Command, me: Me, design: boolean): RoomEvent | null {
    switch (command.kind) {
      case 'addMark': {
        const { id, page, grip, body, style } = command;
        if (this.marksById.has(id) || this.isLockedFor(page, me)) return null;
        if (body.kind === 'fieldAnswer' && this.answerTo(body.field)) return null;
        const aloud = command.for ? { author: command.for, byStaff: false, putBy: me.number } : {};
        const mark = { id, grip, body, style, place: { x: 0, y: 0, turn: 0 }, scale: null, cuts: [], tie: 0 };
        return { kind: 'markAdded', mark: { ...this.predicted(mark, page, 1, me), ...aloud } };
      }
      case 'addMarks':
        if (this.isLockedFor(command.page, me)) return null;
        return {
          kind: 'marksAdded',
          marks: command.marks.map((mark, i) => this.predicted(mark, command.page, i + 1, me)),
        };
      case 'addPage':
        return design && me.isStaff ? { kind: 'pageAdded', page: command.page, order: command.order } : null;
      case 'makeChanges': {
        if (!command.changes.every((c) => this.mayChange(me, c, design))) return null;
        const changes = command.changes.map((c) =>
          c.property === Property.Cuts
            ? { ...c, value: union((this.marksById.get(c.target)?.cuts ?? []) as number[], c.value as number[]) }
            : c,
        );
        return { kind: 'changesMade', changes, back: [] };
      }
      case 'restoreMarks':
        return me.isStaff && !design ? { kind: 'changesMade', changes: command.changes, back: [] } : null;
      case 'lockPage':
        return me.isStaff && !design ? { ...command, kind: 'pageLocked' } : null;
      case 'undoGesture':
        return this.predictTurn('gestureUndone', command.gesture, me);
      case 'redoGesture':
        return this.predictTurn('gestureRedone', command.gesture, me);
      default:
        return design
          ? null
          : (foreseeTalk(this, command, me) ?? foreseeChoice(this, command, me) ?? this.told(command, me));
    }
  }

  /** What stands in an answer field; undefined if it is free. */
  answerTo(field: number): Mark | undefined {
    for (const mark of this.marksById.values())
      if (mark.body.kind === 'fieldAnswer' && mark.body.field === field && stands(mark)) return mark;
    return undefined;
  }

  private told(command: Command, me: Me): RoomEvent | null {
    return foreseeConcern(command, (about, answer) => this.mayTell(about, answer, me));
  }

  /** A hint, to grey things out and to predict: Core's Ownership decides. */
  mayChange(me: Me, change: { target: number; property: Property }, design = false): boolean {
    if (this.isLockedFor(this.marksById.get(change.target)?.page ?? change.target, me)) return false;
    if (change.property === Property.Size && !design) return true;
    if (change.property >= Property.Name) return design && me.isStaff;
    const mark = this.marksById.get(change.target);
    if (!mark || (mark.grip === Grip.Key && !design)) return false;
    if (belongsToPage(mark.body) && (!design || change.property === Property.Grip)) return false;
    const moves = change.property === Property.Place || change.property === Property.Scale;
    if ((mark.body.kind === 'connector' || mark.body.kind === 'fieldAnswer') && moves) return false;
    if (change.property === Property.Down) return me.isStaff && mark.grip === Grip.Own && !mark.byStaff && !mark.erased;
    if (mark.down !== TakenDown.No) return false;
    if (me.isStaff) return true;
    if (change.property === Property.Grip || mark.grip === Grip.Printed || mark.grip === Grip.Key) return false;
    if (mark.pinned && moves) return false;
    if (mark.grip === Grip.Loose) return change.property === Property.Place;
    return mark.author === me.number && !mark.byStaff;
  }

  /** Whether I can change nothing on a page because a teacher has locked it. */
  isLockedFor(page: number, me: Me): boolean {
    return !me.isStaff && this.page(page)?.locked === true;
  }

  private predicted(mark: NewMark, page: number, step: number, me: Me): Mark {
    const order = Math.floor(this.frontOrder) + step;
    return {
      ...mark,
      page,
      order,
      author: me.number,
      byStaff: me.isStaff,
      putBy: 0,
      pinned: false,
      erased: false,
      down: TakenDown.No,
    };
  }

  private predictTurn(kind: 'gestureUndone' | 'gestureRedone', id: number, me: Me): RoomEvent | null {
    const gesture = this.journal.find(id);
    if (!gesture || gesture.actor !== me.number || gesture.undone === (kind === 'gestureUndone')) return null;
    const changes: Change[] = [];
    const skipped: number[] = [];
    for (const step of gesture.steps.values()) {
      const change = kind === 'gestureUndone' ? step.before : step.after;
      const expected = kind === 'gestureUndone' ? id : step.beforeWriter;
      const untouched = this.journal.writerOf(change) === expected && (kind === 'gestureUndone' || step.takenBack);
      if (untouched && this.mayChange(me, change, me.isStaff)) changes.push(change);
      else skipped.push(change.target);
    }
    return { kind, gesture: id, changes, skipped, back: [] };
  }

  private turn(id: number, changes: readonly Change[], undone: boolean): void {
    for (const change of changes) this.set(isLateChange(id) ? this.withKeyOfNow(change) : change);
    this.journal.turn(id, changes, undone);
  }

  private current(target: number, property: Property): Value | undefined {
    if (property === Property.Name) return this.name;
    if (property === Property.Directions) return this.directions;
    if (property === Property.Unit) return this.unit;
    if (property === Property.Parts) return this.parts;
    if (property === Property.Phases) return this.phases;
    if (property >= Property.Size) {
      const page = this.page(target);
      return page && ofPage(page, property);
    }
    const mark = this.marksById.get(target);
    return mark && ofMark(mark, property);
  }

  private put(mark: Mark): void {
    this.shown.clear();
    this.marksById.set(mark.id, mark);
    this.frontOrder = Math.max(this.frontOrder, mark.order);
  }

  private setKey(key: AnswerKey): void {
    const zones = new Map(key.zones.map(({ zone, expected }) => [zone, expected]));
    for (const mark of this.marksById.values()) {
      if (mark.grip === Grip.Key) this.marksById.delete(mark.id);
      if (mark.body.kind !== 'zone') continue;
      this.marksById.set(mark.id, { ...mark, body: { ...mark.body, expected: zones.get(mark.id) ?? null } });
    }
    this.shown.clear();
    for (const mark of key.marks) this.put(mark);
  }

  private set(change: Change): void {
    const { target, value } = change;
    switch (change.property) {
      case Property.Name:
        this.name = value as Texts;
        return;
      case Property.Directions:
        this.directions = value as Texts;
        return;
      case Property.Unit:
        this.unit = value as number;
        return;
      case Property.Parts:
        this.parts = value as readonly Part[];
        return;
      case Property.Phases:
        this.phases = value as readonly PlannedPhase[];
        return;
    }
    if (change.property >= Property.Size) return this.setPage(target, pageValues(change));
    const mark = this.marksById.get(target);
    this.shown.clear();
    if (mark) this.marksById.set(target, changed(mark, change));
    if (change.property === Property.Order) this.frontOrder = Math.max(this.frontOrder, value as number);
  }

  private setPage(id: number, values: Partial<Page>): void {
    this.setPages(this.allPages.map((p) => (p.id === id ? { ...p, ...values } : p)));
  }

  private setPages(pages: readonly Page[]): void {
    this.allPages = pages;
    const shown = pages.filter((p) => !p.erased && (this.part === null || partOf(p) === this.part));
    this.inOrder = shown.sort((a, b) => a.order - b.order || a.id - b.id);
  }
}

/** To which part a page belongs. */
export function partOf(page: Page): number {
  return page.part ?? 1;
}

function isLateChange(gesture: number): boolean {
  return gesture > 0 && gesture < ID_UNIT;
}

function withoutKey(change: Change): Change {
  const value = change.value as Mark['body'] | undefined;
  return change.property === Property.Body && value?.kind === 'zone'
    ? { ...change, value: { ...value, expected: null } }
    : change;
}

function erasing(target: number, value: boolean): Change {
  return { property: Property.Erased, target, value };
}
