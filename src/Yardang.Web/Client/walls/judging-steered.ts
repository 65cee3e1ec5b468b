// A teacher's hand on the judging: how far it is, showing what all said, going on, a new round.

import { fill, plural } from '../page-data';
import { isSealed } from '../room/letting-out';
import type { WallState } from '../room/wall-state';
import type { Command } from '../room/wire';
import { JudgingKind } from '../wire/forms';

interface Texts {
  readonly judgingNow: string;
  readonly judgingOver: string;
  readonly judgedNobody: string;
  readonly judgedSome: string;
  readonly judgedSomeOne: string;
  readonly nothingNoticed: string;
  readonly networkAway: string;
  /** "{0} cards" */
  readonly judgedBy: string;
  readonly judgedByOne: string;
  readonly judgeOut: string;
  readonly judgeIn: string;
}

/**
 * @param rows who is in the lesson.
 * @param scores where what there is to look at in scores is told.
 */
export function judgingSteered(
  wall: () => WallState,
  submit: (command: Command) => void,
  rows: () => readonly { readonly number: number; readonly name: string }[],
  scores: string,
  texts: Texts,
) {
  return {
    isOn: false,
    isShown: false,
    mayBeginRound: false,
    words: '',
    areScores: false,
    /** What there is to look at, in sentences; null as long as nobody asked. */
    noticed: null as readonly string[] | null,
    noticedText: '',
    /** Who has said something, of how many cards, and whether it counts. */
    judges: [] as readonly { number: number; name: string; words: string; isOut: boolean; doing: string }[],

    refresh(): void {
      const { judgements, plan } = wall();
      this.isOn = plan.rules.judging !== null;
      if (!this.isOn) return;
      this.isShown = judgements.isShown;
      const nobodySees = isSealed(plan);
      this.areScores = judgements.kind === JudgingKind.Score && !nobodySees;
      this.mayBeginRound = judgements.isShown && judgements.mayGoOn(true);
      const judges = nobodySees ? new Map<number, number>() : judgements.judges();
      this.judges = rows()
        .filter(({ number }) => judges.has(number) || (!nobodySees && judgements.leftOut.has(number)))
        .map(({ number, name }) => {
          const isOut = judgements.leftOut.has(number);
          const words = plural(texts, 'judgedBy', judges.get(number) ?? 0);
          return { number, name, words, isOut, doing: isOut ? texts.judgeIn : texts.judgeOut };
        });
      const people = judgements.peopleWhoJudged();
      const count = nobodySees ? '' : people === 0 ? texts.judgedNobody : plural(texts, 'judgedSome', people);
      this.words = `${fill(this.isShown ? texts.judgingOver : texts.judgingNow, judgements.round)} ${count}`;
    },

    /** Asked for: it may be on the wall for all to see. */
    async look(): Promise<void> {
      try {
        const answer = await fetch(scores);
        if (!answer.ok) throw new Error(`${answer.status}`);
        this.noticed = (await answer.json()) as string[];
        this.noticedText = this.noticed.length === 0 ? texts.nothingNoticed : '';
      } catch {
        this.noticed = [];
        this.noticedText = texts.networkAway;
      }
    },

    lookAway(): void {
      this.noticed = null;
      this.noticedText = '';
    },

    /** What somebody says counts no more, or counts again. */
    leaveOut(person: number, out: boolean): void {
      submit({ kind: 'leaveOutJudge', person, out });
    },

    show(): void {
      submit({ kind: 'showResults' });
    },

    goOn(newRound: boolean): void {
      submit({ kind: 'goOnJudging', newRound });
    },
  };
}
