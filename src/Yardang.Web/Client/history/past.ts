// What looking back has to know of a kind of work, a board or a wall: how it is read, told and shown.

import type { RoomState } from '../room/room-client';
import type { Command, RoomEvent } from '../room/wire';
import type { RoomSnapshot } from '../wire/forms';
import type { Between } from './between';
import type { Told } from './steps';

/** A mark or a card. */
export interface Thing {
  readonly id: number;
  readonly author: number;
  readonly byStaff: boolean;
}

export interface Person {
  /** Among those who did something here, from 0. */
  readonly place: number;
  readonly colour: string;
  readonly initials: string;
}

export interface View<T> {
  /** Which page; of no matter where everything is in sight at once. */
  readonly place: number;
  /** Whether what is no longer there is shown. */
  readonly ghosts: boolean;
  readonly between: Between<T> | null;
  /** Whose is whose, by actor number; null as long as nobody asks. */
  readonly people: ReadonlyMap<number, Person> | null;
  /** Id of the one whose story is told; 0 for none. */
  readonly chosen: number;
}

export interface Past<S extends RoomState<S>, T extends Thing> {
  readonly empty: S;
  /** Whether one page is in sight at a time, and not all of it. */
  readonly turns: boolean;
  read(number: number, state: RoomSnapshot): S;
  foresee(state: S, command: Command): RoomEvent | null;
  /** What an event did, in the past of which this is the state; null if nothing is seen of it. */
  tell(event: RoomEvent, before: S): Told | null;
  /** Pages or topics. */
  places(state: S): readonly { id: number; name: string }[];
  /** What stands on a page, or on the whole wall. */
  seen(state: S, place: number): readonly T[];
  /** Everything that stands anywhere. */
  all(state: S): readonly T[];
  /** A mark or card, also if it is no longer there. */
  find(state: S, id: number): T | undefined;
  titleOf(thing: T): string;
  show(state: S, view: View<T>): void;
  /** A small picture of a page, or of the wall. */
  picture(host: HTMLElement, state: S, place: number): void;
}
