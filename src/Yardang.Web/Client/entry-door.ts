// Somebody waits at the door, or until the lesson opens: the page goes on by itself.

import { pageData } from './page-data';
import { Connection, reloadSoon } from './room/connection';
import { LessonState } from './room/lesson-state';
import { RoomClient } from './room/room-client';

const AGAIN_MS = 4000;
/** After these, what the lesson says holds also for where people are let in. */
const SEATED = new Set(['seatsConfirmed', 'pensConfirmed']);
const { lesson, query, standing } = pageData<{ lesson: string; query: string; standing: number }>();

async function look(): Promise<void> {
  try {
    const answer = await fetch(`/my-place${query}`);
    const place = answer.ok ? ((await answer.json()) as { address: string; standing: number }) : null;
    const isHere = place?.address === location.pathname + location.search;
    if (!isHere) location.assign(place?.address ?? '/?gone=true');
    else if (place.standing !== standing) location.reload();
  } catch {
    setTimeout(() => void look(), AGAIN_MS);
  }
}

const connection = new Connection(
  query,
  () => undefined,
  () => void look(),
);
const room = new RoomClient<LessonState>(
  lesson,
  connection,
  null,
  (number, state) => {
    // Of what came before this page was connected no event tells: perhaps they were let in.
    void look();
    return LessonState.of(number, state);
  },
  () => null,
  { number: 0, isStaff: false },
  { applied: ({ event }) => SEATED.has(event.kind) && void look() },
  new LessonState(),
);
void connection.start();
connection.enter(room, false).catch(reloadSoon);
