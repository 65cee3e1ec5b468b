// The class is called to a topic or a card of this wall. On how many screens it has arrived, circulate says.

import type { LessonState } from '../room/lesson-state';
import type { RoomClient } from '../room/room-client';
import type { WallState } from '../room/wall-state';
import { ScreenKind, SpotKind } from '../wire/forms';
import { textIn } from '../surface/in-language';
import type { WallTexts } from './wall-texts';

export function callingOf(
  part: number,
  work: string,
  lesson: () => RoomClient<LessonState> | null,
  wall: () => WallState,
  written: string,
  say: (words: string) => void,
  texts: WallTexts,
) {
  const call = (kind: SpotKind, id: number) => {
    const room = lesson();
    if (!room?.client) return;
    room.submit({ kind: 'callClass', people: [], words: '', to: { part, kind, id, x: 0, y: 0 }, stays: false });
    say(texts.calling);
  };
  return {
    /** Where the class can be called to. */
    topics(): { readonly id: number; readonly heading: string }[] {
      return wall().plan.topics.map(({ id, heading }) => ({ id, heading: textIn(heading, [written], written) }));
    },

    toTopic(id: number): void {
      call(SpotKind.Topic, id);
    },

    toCard(id: number): void {
      call(SpotKind.Card, id);
    },

    /** On the big screen stands this card alone, large and without a name. */
    onScreen(card: number): void {
      const room = lesson();
      if (!room?.client) return;
      const shown = { kind: ScreenKind.Works, rooms: [work], page: 0, withClock: true, frozen: false, card };
      room.submit({ kind: 'showOnScreen', shown });
      say(texts.onScreen);
    },
  };
}
