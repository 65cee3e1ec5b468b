// What stands beside a teacher's wall: who has put up what, judging and round trips in hand, and changing the wall. Students do not fetch it.

import '../in-tray/tray-count';
import { boardOf, listenForNeighbours, type Neighbour, neighboursOf, noteLooking } from '../lesson/neighbours';
import type { LessonState } from '../room/lesson-state';
import type { RoomClient } from '../room/room-client';
import type { WallState } from '../room/wall-state';
import type { Command } from '../room/wire';
import { callingOf } from './calling';
import { densityOf } from './density';
import { judgingSteered } from './judging-steered';
import type { MapDesk } from './plan-form';
import { planningOf } from './planning';
import { locksSteered } from './locks-steered';
import { noticedOn } from './noticed';
import { ownStartersOf } from './own-starters';
import { orderSteered } from './order-steered';
import { readingSteered } from './reading-steered';
import { stancesSteered } from './stances-steered';
import { tripSteered } from './trip-steered';
import type { WallTexts } from './wall-texts';
import { whoOf } from './who';

/** What it is made of: the wall, the lesson, and the page on which it stands. */
interface Around {
  readonly lesson: string;
  readonly part: number;
  readonly work: string;
  readonly written: string;
  client(): RoomClient<WallState>;
  room(): RoomClient<LessonState> | null;
  maps(): MapDesk;
  rows(): readonly { readonly number: number; readonly name: string }[];
  token(): string;
  say(words: string): void;
  changed(): void;
}

export function besideOf(around: Around, texts: WallTexts) {
  const wall = () => around.client().state;
  noteLooking(around.lesson, around.work);
  const [before, after] = neighboursOf(around.lesson, around.work);
  const hrefOf = (wall: Neighbour | null) => wall && { name: wall.name, href: boardOf(around.lesson, wall) };
  listenForNeighbours(around.lesson, [before, after]);
  const submit = (command: Command) => void around.client().submit(command, around.client().newId());
  return {
    who: whoOf(around.lesson, around.part, around.work, wall, around.changed, around.written, texts),
    judging: judgingSteered(wall, submit, around.rows, `/rooms/${around.work}/scores`, texts),
    trip: tripSteered(wall, submit, around.rows, () => around.room()?.state.groups ?? [], texts),
    readingLists: readingSteered(wall, `/rooms/${around.work}/reading`, around.token, around.say, texts),
    noticed: noticedOn(wall, submit, `/rooms/${around.work}/noticed`, texts),
    stances: stancesSteered(wall, submit, texts),
    locks: locksSteered(wall, submit, around.written),
    order: orderSteered(wall, submit, around.rows, texts),
    calling: callingOf(around.part, around.work, around.room, wall, around.written, around.say, texts),
    /** The walls before and after this one, in the order of the view from which it was opened. */
    neighbours: [hrefOf(before), hrefOf(after)] as const,
    density: densityOf(),
    ownStarters: ownStartersOf(wall, submit, around.rows, around.written),
    planning: planningOf(around.client, around.written, around.maps, around.rows, texts),
  };
}

export type Beside = ReturnType<typeof besideOf>;
