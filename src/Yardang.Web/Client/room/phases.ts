// The phase that goes on in a lesson, and those before it: Core's Phases.

import { type Phase, PhaseKind, type PhasePlan, type ShowingSnapshot, StudentActs } from '../wire/forms';
import type { Envelope } from './wire';

export interface PhaseState {
  readonly phase: Phase | null;
  /** Students are not told. */
  readonly phasesBefore: readonly PhasePlan[];
}

/** What is closed where all that is done is to choose. */
export const CHOOSING: number = StudentActs.All ^ StudentActs.Judge;

/** What students cannot do in a phase. */
export function closes({ kind, withheld }: Pick<PhasePlan, 'kind' | 'withheld'>): StudentActs {
  return kind === PhaseKind.Choose ? withheld | CHOOSING : withheld;
}

const REMEMBERED = 20;
const MINUTE = 60_000;

function begun(plan: PhasePlan, at: number): Phase {
  return { plan, begunAt: at, endsAt: plan.minutes === 0 ? null : at + plan.minutes * MINUTE, longer: [] };
}

/** After an event; the same if it is about none. */
export function phasesAfter({ phase, phasesBefore }: PhaseState, { event, time }: Envelope): PhaseState {
  const before = phase ? [...phasesBefore, phase.plan].slice(-REMEMBERED) : phasesBefore;
  switch (event.kind) {
    case 'phaseBegun':
      return { phase: begun(event.plan, time), phasesBefore: before };
    case 'phaseResumed':
      return { phase: begun(event.plan, time), phasesBefore: phasesBefore.slice(0, -1) };
    case 'phaseEnded':
      return { phase: null, phasesBefore: before };
    case 'timeGiven': {
      const { person, endsAt } = event;
      if (!phase) return { phase, phasesBefore };
      if (person === 0) return { phase: { ...phase, endsAt }, phasesBefore };
      const others = phase.longer.filter((l) => l.person !== person);
      const longer = [...others, { person, until: endsAt }].sort((a, b) => a.person - b.person);
      return { phase: { ...phase, longer }, phasesBefore };
    }
    default:
      return { phase, phasesBefore };
  }
}

/** When the time of somebody is over; null if it has no end. */
export function endsFor(phase: Phase, person: number): number | null {
  return phase.longer.find((l) => l.person === person)?.until ?? phase.endsAt;
}

/** Whether there may be boards of others that a student may look at; not while each thinks on their own. */
export function mayLook(
  state: {
    readonly phase: Phase | null;
    readonly seesOtherBoards: boolean;
    readonly seesTeachersBoard: boolean;
    readonly showing: ShowingSnapshot;
  },
  me: number,
): boolean {
  const { privacies, up, shown } = state.showing;
  const areShown = privacies.length > 0 && (up.length > 0 || shown.some((s) => s.person !== me));
  const othersAreSeen = (state.seesOtherBoards || areShown) && state.phase?.plan.kind !== PhaseKind.Think;
  return state.seesTeachersBoard || othersAreSeen;
}
