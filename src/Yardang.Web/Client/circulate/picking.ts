// Whom the next act is for: everybody, or those I have picked.

import { fill } from '../page-data';

export interface PickingTexts {
  readonly pickedAll: string;
  readonly pickedNobody: string;
}

export interface Pickable {
  readonly number: number;
  readonly name: string;
}

/** So many are called by name. */
const NAMED = 4;

/** Some by name, and how many more. */
export function namesAmong(here: readonly Pickable[], some: readonly number[], most = NAMED): string {
  const all = here.filter((p) => some.includes(p.number)).map((p) => p.name);
  const named = all.slice(0, most).join(', ');
  return all.length > most ? `${named} +${all.length - most}` : named;
}

/** @param here who is in. */
export function pickingOf(here: () => readonly Pickable[], texts: PickingTexts) {
  return {
    /** Whether a press on a board picks whose it is, and does not open it. */
    isOn: false,
    people: [] as number[],

    /** Whom it is for, as the server is told: nobody stands for everybody. (What a getter gives would be wrapped by Alpine, and cannot be sent.) */
    whom(): number[] {
      const known = new Set(here().map((p) => p.number));
      return (this.people as number[]).filter((n) => known.has(n));
    },

    /** Whether some are being picked, and nobody is (any more): then nothing is said to anybody. */
    get isNobody(): boolean {
      return this.isOn && this.whom().length === 0;
    },

    get count(): number {
      return this.whom().length;
    },

    get words(): string {
      const picked = this.whom();
      if (this.isNobody) return texts.pickedNobody;
      return picked.length === 0 ? fill(texts.pickedAll, here().length) : namesAmong(here(), picked);
    },

    start(): void {
      this.isOn = !this.isOn;
      if (!this.isOn) this.people = [];
    },

    arePicked(some: readonly number[]): boolean {
      return some.length > 0 && some.every((n) => (this.people as number[]).includes(n));
    },

    /** All who work on a board, or none of them. */
    toggle(some: readonly number[]): void {
      const rest = (this.people as number[]).filter((n) => !some.includes(n));
      this.people = this.arePicked(some) ? rest : [...rest, ...some];
    },

    /** These, and nobody else. */
    take(some: readonly number[]): void {
      this.isOn = true;
      this.people = [...some];
    },

    nobody(): void {
      this.people = [];
      this.isOn = false;
    },
  };
}
