// A teacher's hand on the judging: how far it is, showing what all said, going on, a new round.

import { fill, plural } from '../page-data';
import type { WallState } from '../room/wall-state';
import type { Command } from '../room/wire';

interface Texts {
  readonly judgingNow: string;
  readonly judgingOver: string;
  readonly judgedNobody: string;
  readonly judgedSome: string;
  readonly judgedSomeOne: string;
}

export function judgingSteered(wall: () => WallState, submit: (command: Command) => void, texts: Texts) {
  return {
    isOn: false,
    isShown: false,
    mayBeginRound: false,
    words: '',

    refresh(): void {
      const { judgements, plan } = wall();
      this.isOn = plan.rules.judging !== null;
      if (!this.isOn) return;
      this.isShown = judgements.isShown;
      this.mayBeginRound = judgements.isShown && judgements.mayGoOn(true);
      const people = judgements.peopleWhoJudged();
      const count = people === 0 ? texts.judgedNobody : plural(texts, 'judgedSome', people);
      this.words = `${fill(this.isShown ? texts.judgingOver : texts.judgingNow, judgements.round)} ${count}`;
    },

    show(): void {
      submit({ kind: 'showResults' });
    },

    goOn(newRound: boolean): void {
      submit({ kind: 'goOnJudging', newRound });
    },
  };
}
