// Where students stand, in a teacher's hand: how many have said it, asking again, showing who moved where.

import { fill, plural } from '../page-data';
import { isSealed } from '../room/letting-out';
import type { WallState } from '../room/wall-state';
import type { Command } from '../room/wire';
import { StanceStage } from '../wire/forms';

interface Texts {
  readonly stanceNobody: string;
  readonly stanceSaid: string;
  readonly stanceSaidOne: string;
  readonly stanceSaidAgain: string;
  readonly stanceAllSee: string;
}

export function stancesSteered(wall: () => WallState, submit: (command: Command) => void, texts: Texts) {
  const steer = (stage: StanceStage) => submit({ kind: 'steerStances', stage });
  return {
    isOn: false,
    isFirst: false,
    isAgain: false,
    isShown: false,
    words: '',

    refresh(): void {
      const { stances, plan } = wall();
      this.isOn = plan.rules.stances.length > 0;
      if (!this.isOn) return;
      this.isFirst = stances.stage === StanceStage.First;
      this.isAgain = stances.stage === StanceStage.Again;
      this.isShown = stances.stage === StanceStage.Shown;
      const all = [...stances.all.values()];
      const first = all.filter((s) => s.first > 0);
      const both = first.filter((s) => s.second > 0);
      const elsewhere = both.filter((s) => s.second !== s.first).length;
      const again = fill(texts.stanceSaidAgain, both.length, first.length, elsewhere);
      const said = first.length === 0 ? texts.stanceNobody : plural(texts, 'stanceSaid', first.length);
      // What each says nobody sees: how many have said it neither.
      const soFar = isSealed(plan) ? '' : this.isFirst ? said : again;
      this.words = this.isShown ? texts.stanceAllSee : soFar;
    },

    askFirst: () => steer(StanceStage.First),
    askAgain: () => steer(StanceStage.Again),
    show: () => steer(StanceStage.Shown),
  };
}
