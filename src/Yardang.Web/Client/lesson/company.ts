// What stands behind the lesson's name above a student's board: the group and who is in it. What else the server says of my place is passed on.

import type { LessonState } from '../room/lesson-state';
import type { GroupSign } from '../people/group-sign';
import type { ContentsPart } from './contents';

interface Board {
  refresh(): void;
  goToMyPlace(): void;
  /** Which parts there are, and which of them are open. */
  showContents(parts: readonly ContentsPart[]): void;
}

/** What the page was made with. */
interface Given {
  readonly company?: string;
  readonly sign?: GroupSign | null;
}

/**
 * @param board told when the company is another, and when this is not my place any more.
 * @param as as whom this tab acts, and in which room it is.
 */
export function companyOf(board: () => Board, as: string, me: number, given: Given) {
  let askedAsOf = '';

  return {
    words: given.company ?? '',
    /** The colour and shape of the group; null where there is none. */
    sign: given.sign,

    /**
     * The group may be called something else than when the page was made, and others may be in it. And who is put into one while their
     * own board is still loading hears of it here: their own board stays open to them, so it does not send them away.
     */
    refresh(state: LessonState): void {
      const asOf = `${state.groupingVersion} ${state.namesMasked} ${state.seatsThrough}`;
      const isInGroup = state.groups.some((g) => g.people.includes(me));
      if (asOf === askedAsOf || !(isInGroup || this.words || state.parts.length > 1)) return;
      askedAsOf = asOf;
      void this.ask(asOf);
    },

    /** Somebody is called otherwise: with the next refresh it is asked for anew. */
    forget(): void {
      askedAsOf = '';
    },

    async ask(asOf: string): Promise<void> {
      const answer = await fetch(`/my-place${as}`).catch(() => null);
      // What changed meanwhile has been asked for anew; what could not be asked is asked with the next change.
      if (askedAsOf !== asOf) return;
      if (!answer?.ok) return this.forget();
      const place = (await answer.json()) as {
        company: string;
        sign: GroupSign | null;
        address: string;
        contents: readonly ContentsPart[];
      };
      this.words = place.company;
      this.sign = place.sign;
      board().showContents(place.contents);
      board().refresh();
      if (place.address !== location.pathname + location.search) board().goToMyPlace();
    },
  };
}
