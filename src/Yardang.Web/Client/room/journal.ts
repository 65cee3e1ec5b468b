// Who changed what, as part of which gesture: Core's Journal. Values are never changed in place, so that a copy of the maps is a copy of the state.

import type { SheetsSnapshot, Step } from '../wire/forms';
import type { Change, Property } from './marks';

export interface Gesture {
  readonly id: number;
  readonly actor: number;
  readonly undone: boolean;
  readonly steps: ReadonlyMap<string, Step>;
}

const GESTURES_KEPT = 100;

const key = (target: number, property: Property): string => `${target}:${property}`;

export class Journal {
  private gestures = new Map<number, Gesture>();
  private writers = new Map<string, number>();

  /** From a snapshot's gestures and last writers. */
  static of({ gestures, writers }: SheetsSnapshot): Journal {
    const journal = new Journal();
    for (const { id, actor, undone, steps } of gestures) {
      const byKey = new Map(steps.map((step) => [key(step.after.target, step.after.property), step]));
      journal.gestures.set(id, { id, actor, undone, steps: byKey });
    }
    for (const { target, property, gesture } of writers) journal.writers.set(key(target, property), gesture);
    return journal;
  }

  /** Of a past in which nothing is taken back any more: what was is told by the events. */
  static readonly unkept = new (class extends Journal {
    override copy = (): Journal => this;
    override note = (): void => undefined;
    override turn = (): void => undefined;
  })();

  copy(): Journal {
    const copy = new Journal();
    copy.gestures = new Map(this.gestures);
    copy.writers = new Map(this.writers);
    return copy;
  }

  find(id: number): Gesture | undefined {
    return this.gestures.get(id);
  }

  nextUndo(actor: number): number | null {
    let last: number | null = null;
    for (const g of this.gestures.values()) if (g.actor === actor && !g.undone) last = g.id;
    return last;
  }

  nextRedo(actor: number): number | null {
    for (const g of this.gestures.values()) if (g.actor === actor && g.undone) return g.id;
    return null;
  }

  /** The gesture that wrote a property last; 0 if none has. */
  writerOf({ target, property }: Change): number {
    return this.writers.get(key(target, property)) ?? 0;
  }

  /** Notes changes as part of a gesture, each with what was there before. */
  note(id: number, actor: number, changes: readonly [Change, Change][]): void {
    if (id === 0 || changes.length === 0) {
      for (const [, after] of changes) this.writers.set(key(after.target, after.property), id);
      return;
    }
    const gesture = this.gestures.get(id) ?? this.begin(id, actor);
    const steps = new Map(gesture.steps);
    for (const [before, after] of changes) {
      const k = key(after.target, after.property);
      const writer = this.writers.get(k) ?? 0;
      const known = steps.get(k);
      const beforeWriter = this.gestures.has(writer) ? writer : 0;
      steps.set(k, writer === id && known ? { ...known, after } : { before, beforeWriter, after, takenBack: false });
      this.writers.set(k, id);
    }
    this.gestures.set(id, { ...gesture, steps });
  }

  /** A gesture was undone or redone: these properties are as they were before it, or as it left them. */
  turn(id: number, changes: readonly Change[], undone: boolean): void {
    const gesture = this.gestures.get(id);
    for (const { target, property } of changes) {
      const k = key(target, property);
      this.writers.set(k, undone ? (gesture?.steps.get(k)?.beforeWriter ?? 0) : id);
    }
    if (!gesture) return;
    const steps = undone ? takenBack(gesture.steps, changes) : gesture.steps;
    this.gestures.set(id, { ...gesture, undone, steps });
  }

  private begin(id: number, actor: number): Gesture {
    const mine = [...this.gestures.values()].filter((g) => g.actor === actor);
    for (const g of mine) if (g.undone) this.gestures.delete(g.id);
    const kept = mine.filter((g) => !g.undone);
    if (kept.length >= GESTURES_KEPT) this.gestures.delete(kept[0]!.id);
    const gesture = { id, actor, undone: false, steps: new Map<string, Step>() };
    this.gestures.set(id, gesture);
    return gesture;
  }
}

// What an undo had to skip is not done again either.
function takenBack(steps: ReadonlyMap<string, Step>, changes: readonly Change[]): Map<string, Step> {
  const back = new Set(changes.map(({ target, property }) => key(target, property)));
  return new Map([...steps].map(([k, step]) => [k, { ...step, takenBack: back.has(k) }]));
}
