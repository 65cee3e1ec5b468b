// Where students stand on the question, at first and asked again: Core's Stances.

import { type Stance, type StanceShifts, StanceStage, type StancesState, type WallPlan } from '../wire/forms';
import type { Me } from './sheets';
import type { WallState } from './wall-state';
import type { Command, RoomEvent } from './wire';

export interface Stances {
  readonly stage: StanceStage;
  /** Where each stands, by actor number; students know where they do. */
  readonly all: ReadonlyMap<number, Stance>;
  /** What moved, as it was shown; null if it is not. */
  readonly shown: StanceShifts | null;
}

export const NO_STANCES: Stances = { stage: StanceStage.First, all: new Map(), shown: null };

export function stancesOf({ stage, own, shown }: StancesState): Stances {
  return { stage, all: new Map(own.map((s) => [s.person, s])), shown };
}

export function stanceOf({ all }: Stances, person: number): Stance {
  return all.get(person) ?? { person, first: 0, second: 0, moved: 0 };
}

/** After somebody said where they stand, or a teacher went on. */
export function stancesAfter(
  stances: Stances,
  event: Extract<RoomEvent, { kind: 'stanceTaken' | 'stancesSteered' }>,
  actor: number,
): Stances {
  if (event.kind === 'stancesSteered') return { ...stances, stage: event.stage, shown: event.shifts };
  const stance = taken(stanceOf(stances, actor), event);
  const all = new Map(stances.all).set(actor, stance);
  if (stance.first === 0 && stance.second === 0) all.delete(actor);
  return { ...stances, all };
}

/** The plan is another: with more or fewer positions it begins anew. */
export function stancesUnder(stances: Stances, before: WallPlan, plan: WallPlan): Stances {
  if (before.rules.stances.length !== plan.rules.stances.length) return NO_STANCES;
  const hides = plan.rules.ownFirst && !before.rules.ownFirst && stances.stage === StanceStage.Shown;
  return hides ? { ...stances, stage: StanceStage.Again, shown: null } : stances;
}

export function foreseeStance(
  state: WallState,
  command: Extract<Command, { kind: 'takeStance' | 'steerStances' }>,
  me: Me,
): RoomEvent | null {
  const { stances, plan } = state;
  const { stage } = stances;
  const positions = plan.rules.stances.length;
  if (positions === 0 || me.isStaff === (command.kind === 'takeStance')) return null;
  if (command.kind === 'steerStances') {
    // What moved the server computes.
    const isForeseen = command.stage !== stage && command.stage !== StanceStage.Shown;
    return isForeseen ? { kind: 'stancesSteered', stage: command.stage, shifts: null } : null;
  }
  const { at, moved } = command;
  if (stage === StanceStage.Shown || at < 0 || at > positions || !mayMove(state, at, moved, me)) return null;
  const before = stanceOf(stances, me.number);
  const now = taken(before, { stage, at, moved });
  if (now.first === before.first && now.second === before.second && now.moved === before.moved) return null;
  return { kind: 'stanceTaken', stage, at, moved };
}

/** Whether a card can be what moved me: one of others that I see. */
export function mayHaveMoved(state: WallState, id: number, me: Me): boolean {
  const card = state.cards.get(id);
  return card !== undefined && card.downBy === 0 && state.isSeen(card, me) && !state.isMine(card, me);
}

function mayMove(state: WallState, at: number, moved: number, me: Me): boolean {
  if (moved === 0) return true;
  return state.stances.stage === StanceStage.Again && at > 0 && mayHaveMoved(state, moved, me);
}

function taken(before: Stance, { stage, at, moved }: { stage: StanceStage; at: number; moved: number }): Stance {
  return stage === StanceStage.First ? { ...before, first: at } : { ...before, second: at, moved };
}
