// Changing a wall while it runs: the same form as in the workshop, and before it is done, what it does to what is there.

import { fill, plural } from '../page-data';
import type { RoomClient } from '../room/room-client';
import { hidesNames } from '../room/letting-out';
import { lineOf } from '../room/placing';
import type { Card, WallState } from '../room/wall-state';
import { Purpose } from '../wire/forms';
import { type MapDesk, planFormOf } from './plan-form';

interface Texts {
  readonly toNowhere: string;
  readonly becomeQuestions: string;
  readonly becomeCards: string;
  readonly becomeOrdered: string;
  readonly becomeConnected: string;
  readonly linksKept: string;
  readonly otherLine: string;
  readonly namesHiddenNow: string;
  readonly becomeStations: string;
  readonly becomeTopics: string;
  readonly judgedAnew: string;
  readonly stampsGone: string;
  readonly stancesAnew: string;
}

/** Who is here. */
type People = readonly { readonly number: number; readonly name: string }[];

export function planningOf(
  client: () => RoomClient<WallState>,
  language: string,
  maps: () => MapDesk,
  here: () => People,
  texts: Texts,
) {
  const form = planFormOf(
    language,
    () => client().newId(),
    maps,
    () => undefined,
  );

  return {
    form,

    open(): void {
      const { state } = client();
      this.form.show(state.plan);
      this.form.people = here();
      this.form.namesStayHidden = hidesNames(state.plan) && hasWork(state);
      this.form.mayNotSeal = hasWork(state) || state.acts.size > 0;
    },

    /** What the change does to the cards that are there, in words; empty for nothing. */
    get consequence(): string {
      const { state } = client();
      if (this.form.purpose !== state.plan.purpose && state.cards.size > 0) {
        const hasLinks = state.plan.purpose === Purpose.Connect && state.links.size > 0;
        return hasLinks ? `${this.becomes} ${texts.linksKept}` : this.becomes;
      }
      if (this.form.hidesNames && !hidesNames(state.plan)) return texts.namesHiddenNow;
      if (this.isOtherLine) return texts.otherLine;
      if (this.isJudgedAnew) return fill(texts.judgedAnew, state.judgements.round + 1);
      if (this.areStampsGone) return texts.stampsGone;
      const positions = state.plan.rules.stances.length;
      if (state.stances.all.size > 0 && this.form.stances.all.length !== positions) return texts.stancesAnew;
      const left = new Set(this.form.topics.map((t) => t.id));
      const cards = state.plan.topics.filter((t) => !left.has(t.id)).flatMap((t) => state.under(t.id));
      return cards.length > 0 ? plural(texts, 'toNowhere', cards.length) : '';
    },

    /** Whether cards would be judged otherwise than they were: then another round begins. */
    get isJudgedAnew(): boolean {
      const { judgements } = client().state;
      const { judging } = this.form.plan.rules;
      return judging !== null && judgements.follow(judging) !== judgements && judgements.peopleWhoJudged() > 0;
    },

    /** Whether somebody has responded with a stamp that would not be offered any more. */
    get areStampsGone(): boolean {
      const { responses } = this.form;
      return [...client().state.cards.values()].some((c) => c.responses.some((r) => !responses.has(r.stamp)));
    },

    /** Whether cards that are placed would stand on a line of another kind, or of others. */
    get isOtherLine(): boolean {
      const { plan, places, cards } = client().state;
      const before = lineOf(plan);
      const { kind, together } = this.form.line;
      if (!this.form.isOrder || !before || (kind === before.kind && together === before.together)) return false;
      return places.size > 0 || [...cards.values()].some((c) => c.at !== null);
    },

    get becomes(): string {
      if (this.form.isAsk) return texts.becomeQuestions;
      if (this.form.isOrder) return texts.becomeOrdered;
      if (this.form.isConnect) return texts.becomeConnected;
      if (client().state.plan.purpose === Purpose.Ask) return texts.becomeCards;
      return this.form.isVisit ? texts.becomeStations : texts.becomeTopics;
    },

    /** Changes the wall; false if the form says what cannot be. */
    take(): boolean {
      if (this.form.isWrong) return false;
      client().submit({ kind: 'setPlan', plan: this.form.plan }, client().newId());
      return true;
    },
  };
}

/** Whether a student has written or joined anything. */
function hasWork({ cards, links, stances }: WallState): boolean {
  if (stances.all.size > 0) return true;
  const isStudents = (c: Card) => !c.byStaff || c.answers.some((a) => !a.byStaff);
  return [...cards.values()].some(isStudents) || [...links.values()].some((l) => !l.byStaff);
}
