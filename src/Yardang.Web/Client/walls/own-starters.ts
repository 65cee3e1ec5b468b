// Sentence starters for some students only, beside a teacher's wall. Who has which is told to them, each their own.

import { isSealed } from '../room/letting-out';
import type { WallState } from '../room/wall-state';
import type { Command } from '../room/wire';
import { textIn } from '../surface/in-language';
import type { OwnStarters } from '../wire/forms';
import { linesOf } from './plan-form';

interface Row {
  readonly text: string;
  readonly people: readonly number[];
  readonly names: string;
}

export function ownStartersOf(
  wall: () => WallState,
  submit: (command: Command) => void,
  here: () => readonly { readonly number: number; readonly name: string }[],
  language: string,
) {
  let known: readonly unknown[] = [];
  const textOf = (starters: OwnStarters['starters']) => starters.map((s) => textIn(s, [language], language)).join('\n');

  return {
    isPossible: false,
    /** Who has which. */
    rows: [] as Row[],
    people: [] as readonly { readonly number: number; readonly name: string }[],
    isOpen: false,
    /** The form: for whom, and a line for each. */
    picked: [] as readonly number[],
    text: '',
    /** Who had them before, where they are changed. */
    before: [] as readonly number[],

    refresh(): void {
      const { plan, starters } = wall();
      const people = here();
      const key = [plan, starters, ...people.map((p) => p.name)];
      if (known.length === key.length && key.every((k, i) => k === known[i])) return;
      known = key;
      this.people = people;
      this.isPossible = !plan.rules.onlyGiven && !isSealed(plan) && (people.length > 0 || starters.size > 0);
      const byText = new Map<string, number[]>();
      for (const [person, own] of starters) byText.set(textOf(own), [...(byText.get(textOf(own)) ?? []), person]);
      this.rows = [...byText].map(([text, numbers]) => {
        const names = numbers.map((n) => people.find((p) => p.number === n)?.name ?? `${n}`).join(', ');
        return { text, people: numbers, names };
      });
    },

    open(row: Row | null): void {
      this.isOpen = true;
      this.before = this.picked = row?.people ?? [];
      this.text = row?.text ?? '';
    },

    pick(person: number, on: boolean): void {
      const others = this.picked.filter((p) => p !== person);
      this.picked = on ? [...others, person] : others;
    },

    get mayGive(): boolean {
      return this.picked.length > 0 && linesOf(this.text).length > 0;
    },

    give(): void {
      const starters = linesOf(this.text).map((line) => ({ [language]: line }));
      for (const person of this.before.filter((p) => !this.picked.includes(p))) this.set(person, []);
      for (const person of this.picked) this.set(person, starters);
      this.isOpen = false;
    },

    takeAway(row: Row): void {
      for (const person of row.people) this.set(person, []);
    },

    set(person: number, starters: OwnStarters['starters']): void {
      submit({ kind: 'giveStarters', person, starters });
    },
  };
}
