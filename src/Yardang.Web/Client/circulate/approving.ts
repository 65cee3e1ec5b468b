// Whose work the teacher looks at before others see it, and when, while it is changed.

import { Standing, type LessonState } from '../room/lesson-state';
import type { RoomClient } from '../room/room-client';
import type { Approval } from '../wire/forms';

export interface ApprovingTexts {
  /** When it is so, by its number; and for some only. */
  readonly approvalWhen: Record<string, string>;
  readonly approvalSome: string;
}

const NEVER = 0;
const DAYS = 7;
/** Monday to Friday. */
const SCHOOL_DAYS = [true, true, true, true, true, false, false];

const minutesOf = (clock: string): number => {
  const [hours = 0, minutes = 0] = clock.split(':').map(Number);
  return hours * 60 + minutes;
};
const clockOf = (minutes: number): string =>
  [Math.floor(minutes / 60), minutes % 60].map((n) => String(n).padStart(2, '0')).join(':');

/**
 * @param part of which it is set.
 * @param zone the time zone of the school.
 * @param dialog in which it is changed.
 */
export function approvingOf(
  lesson: () => RoomClient<LessonState>,
  part: number,
  zone: string,
  here: () => { readonly number: number; readonly name: string; readonly standing: Standing }[],
  dialog: () => HTMLDialogElement,
  texts: ApprovingTexts,
) {
  const approvalHere = () => lesson().state.approvals.find((set) => set.part === part)?.approval;

  return {
    when: NEVER,
    isForSome: false,
    /** Who can be chosen, and who is. */
    people: [] as { number: number; name: string; isChosen: boolean }[],
    days: SCHOOL_DAYS,
    from: '08:00',
    to: '16:00',
    /** After how many who told of it something hides itself; 0: never. */
    hidesAfter: 0,
    /** What the server does now. */
    now: '',

    refresh(): void {
      const set = approvalHere();
      this.now = !set ? '' : set.people.length > 0 ? texts.approvalSome : (texts.approvalWhen[set.when] ?? '');
    },

    open(): void {
      const set = approvalHere();
      this.hidesAfter = lesson().state.hidesAfter;
      this.when = set?.when ?? NEVER;
      this.isForSome = (set?.people.length ?? 0) > 0;
      this.people = here()
        .map(({ number, name }) => ({ number, name, isChosen: set?.people.includes(number) ?? false }))
        .sort((a, b) => a.name.localeCompare(b.name));
      if (set) {
        this.days = Array.from({ length: DAYS }, (_, day) => (set.hours.days & (1 << day)) !== 0);
        [this.from, this.to] = [clockOf(set.hours.from), clockOf(set.hours.to)];
      }
      dialog().showModal();
    },

    isOn(day: number): boolean {
      return this.days[day] ?? false;
    },

    setDay(day: number, on: boolean): void {
      this.days = this.days.map((was, at) => (at === day ? on : was));
    },

    setHides(after: string): void {
      this.hidesAfter = Number(after);
    },

    choose(person: number, on: boolean): void {
      this.people = this.people.map((p) => (p.number === person ? { ...p, isChosen: on } : p));
    },

    get isComplete(): boolean {
      const someone = this.when === NEVER || !this.isForSome || this.people.some((p) => p.isChosen);
      return someone && minutesOf(this.from) < minutesOf(this.to);
    },

    keep(): void {
      const people = this.isForSome ? this.people.filter((p) => p.isChosen).map((p) => p.number) : [];
      const days = this.days.reduce((sum, on, day) => (on ? sum + (1 << day) : sum), 0);
      const hours = { zone, days, from: minutesOf(this.from), to: minutesOf(this.to) };
      const approval: Approval = { when: this.when, people, hours };
      if (this.hidesAfter !== lesson().state.hidesAfter) lesson().submit({ kind: 'setHiding', after: this.hidesAfter });
      lesson().submit({ kind: 'setApproval', part, approval });
      dialog().close();
    },

    close(): void {
      dialog().close();
    },
  };
}
