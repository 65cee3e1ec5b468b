// The phases that are planned for the lesson: what is done in each, for how long, what students read, and what they can do in it.

import type { Changes } from '../editor/changes';
import { fill } from '../page-data';
import { Property, type Texts } from '../room/marks';
import { CHOOSING, closes } from '../room/phases';
import { PhaseKind, type PlannedPhase, StudentActs } from '../wire/forms';

export interface PlannedTexts {
  readonly phasesTogether: string;
}

/** A phase as the form shows it. */
interface Row {
  readonly key: number;
  readonly kind: PhaseKind;
  readonly words: string;
  readonly minutes: number;
  readonly endsItself: boolean;
  readonly part: number;
  readonly closed: number;
}

/** Most phases that are planned: as in Core's PlannedPhase. */
const MOST = 20;
const TYPING_PAUSE_MS = 600;
const NEW: PlannedPhase = {
  kind: PhaseKind.Think,
  words: {},
  minutes: 5,
  endsItself: false,
  part: 0,
  withheld: StudentActs.None,
};

export function plannedPhases(
  editor: () => Changes,
  language: string,
  dialog: () => HTMLDialogElement,
  texts: PlannedTexts,
) {
  let typing: ReturnType<typeof setTimeout> | null = null;
  let typed = { at: 0, words: '' };
  let shown: { readonly phases: unknown; readonly parts: unknown } = { phases: null, parts: null };
  const all = (): readonly PlannedPhase[] => editor().sheets.phases;
  const submit = (value: readonly PlannedPhase[]) => editor().change({ property: Property.Phases, target: 0, value });
  const change = (at: number, values: Partial<PlannedPhase>) =>
    submit(all().map((phase, i) => (i === at ? { ...phase, ...values } : phase)));

  return {
    list: [] as Row[],

    refresh(): void {
      const { parts, phases } = editor().sheets;
      // What is being typed is not written over.
      if (typing || (phases === shown.phases && parts === shown.parts)) return;
      shown = { phases, parts };
      this.list = all().map((phase, at) => ({
        key: at,
        kind: phase.kind,
        words: phase.words[language] ?? '',
        minutes: phase.minutes,
        endsItself: phase.endsItself,
        part: parts.some((p) => p.number === phase.part) ? phase.part : 0,
        closed: closes(phase),
      }));
    },

    get isFull(): boolean {
      return this.list.length >= MOST;
    },

    /** How long all of them take; empty where none has a time. */
    get together(): string {
      const minutes = this.list.reduce((sum, p) => sum + p.minutes, 0);
      return minutes > 0 ? fill(texts.phasesTogether, minutes) : '';
    },

    open(): void {
      this.refresh();
      dialog().showModal();
    },

    close(): void {
      this.keep();
      dialog().close();
    },

    /** With what most phases have: the kind that comes next in a lesson. */
    add(): void {
      this.keep();
      if (this.isFull) return;
      const last = all().at(-1)?.kind;
      const kind =
        last === PhaseKind.Think ? PhaseKind.Talk : last === PhaseKind.Talk ? PhaseKind.Choose : PhaseKind.Think;
      submit([...all(), { ...NEW, kind }]);
    },

    takeOut(at: number): void {
      this.keep();
      submit(all().filter((_, i) => i !== at));
    },

    move(at: number, by: number): void {
      this.keep();
      const phases = [...all()];
      const [phase] = phases.splice(at, 1);
      if (phase) submit([...phases.slice(0, at + by), phase, ...phases.slice(at + by)]);
    },

    setKind(at: number, kind: string): void {
      change(at, { kind: Number(kind) as PhaseKind });
    },

    setMinutes(at: number, minutes: string): void {
      change(at, Number(minutes) > 0 ? { minutes: Number(minutes) } : { minutes: 0, endsItself: false });
    },

    setEndsItself(at: number, endsItself: boolean): void {
      change(at, { endsItself });
    },

    setPart(at: number, part: string): void {
      change(at, { part: Number(part) });
    },

    lets(row: Row, act: StudentActs): boolean {
      return (row.closed & act) === 0;
    },

    /** Whether what is closed is closed by the kind. */
    isFixed(row: Row, act: StudentActs): boolean {
      return row.kind === PhaseKind.Choose && (CHOOSING & act) !== 0;
    },

    setLets(at: number, act: StudentActs, on: boolean): void {
      const { withheld } = all()[at]!;
      change(at, { withheld: on ? withheld & ~act : withheld | act });
    },

    type(at: number, words: string): void {
      if (typing && typed.at !== at) this.keep();
      if (typing) clearTimeout(typing);
      typed = { at, words };
      typing = setTimeout(() => this.keep(), TYPING_PAUSE_MS);
    },

    /** What was typed is kept. */
    keep(): void {
      if (!typing) return;
      clearTimeout(typing);
      typing = null;
      const before = all()[typed.at];
      const words = typed.words.trim();
      if (!before || !editor().client.client || (before.words[language] ?? '') === words) return;
      const { [language]: _, ...rest }: Texts = before.words;
      change(typed.at, { words: words ? { ...rest, [language]: words } : rest });
    },
  };
}
