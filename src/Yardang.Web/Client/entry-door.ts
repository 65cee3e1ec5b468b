// Somebody waits at the door: the page goes on by itself when the teacher has decided.

import { pageData } from './page-data';
import { Connection } from './room/connection';
import { LessonState } from './room/lesson-state';
import { RoomClient } from './room/room-client';

const AGAIN_MS = 4000;
const { lesson, query } = pageData<{ lesson: string; query: string }>();

async function look(): Promise<void> {
  try {
    const answer = await fetch(`/my-place${query}`);
    const place = answer.ok ? ((await answer.json()) as { address: string; standing: number }) : null;
    const waits = place?.standing === 1;
    if (!waits) location.assign(place?.address ?? '/');
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
  (number, state) => LessonState.read(number, state),
  () => null,
  { number: 0, isStaff: false },
  { applied: ({ event }) => event.kind === 'seatsConfirmed' && void look() },
  new LessonState(),
);
void connection.start();
void connection.enter(room, false);
