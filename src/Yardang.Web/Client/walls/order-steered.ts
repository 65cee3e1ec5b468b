// A teacher's hand on the order of the class: who has placed everything, how far they agree, and showing it to all.

import { fill } from '../page-data';
import { classOrder } from '../room/class-order';
import { lineOf, toPlace } from '../room/placing';
import { isSealed } from '../room/letting-out';
import type { WallState } from '../room/wall-state';
import type { Command } from '../room/wire';

interface Texts {
  readonly placedBy: string;
  readonly orderIsShown: string;
  readonly agreement: string;
  readonly noAgreement: string;
  readonly agreementUp: string;
}

export function orderSteered(
  wall: () => WallState,
  submit: (command: Command) => void,
  people: () => readonly { readonly number: number }[],
  texts: Texts,
) {
  let known: readonly unknown[] = [];

  return {
    isOn: false,
    isShown: false,
    isBegun: false,
    words: '',
    agreementText: '',

    refresh(): void {
      const state = wall();
      const line = lineOf(state.plan);
      this.isOn = line !== null && !line.together;
      if (!line || !this.isOn) return;
      const here = people();
      const key = [state.places, state.cards, state.plan, state.orderShown, here.length];
      if (known.length > 0 && key.every((k, i) => k === known[i])) return;
      known = key;
      this.isShown = state.orderShown !== null;
      const all = here.filter((p) => state.places.has(p.number) && toPlace(state, p.number) === 0).length;
      const nobodySees = isSealed(state.plan);
      const placed = nobodySees ? '' : fill(texts.placedBy, all, here.length);
      this.words = this.isShown ? texts.orderIsShown : placed;
      const up = new Set([...state.cards.values()].filter((c) => c.downBy === 0).map((c) => c.id));
      const order = state.orderShown ?? classOrder(line.kind, state.places, up);
      this.isBegun = order.people > 0 || nobodySees;
      const share = (words: string, alike: number, compared: number) =>
        compared > 0 ? [fill(words, Math.round((100 * alike) / compared))] : [];
      const agreement = [
        ...share(texts.agreement, order.alike, order.compared),
        ...share(texts.agreementUp, order.alikeUp, order.comparedUp),
      ];
      const none = nobodySees ? '' : texts.noAgreement;
      this.agreementText = agreement.length > 0 ? agreement.join(' ') : none;
    },

    show(on: boolean): void {
      submit({ kind: 'showOrder', on });
    },
  };
}
