// Being led: what the teacher looks at and points to goes to those who stay with them, and is stored nowhere.

import { encode } from '@msgpack/msgpack';
import { leadingOf } from '../room/calls';
import type { LessonState } from '../room/lesson-state';
import type { RoomClient } from '../room/room-client';
import { type Spot, SpotKind } from '../wire/forms';

/** [what, page, middle x, y, nearness, pointer x, y]; the pointer is -1 where there is none. */
export const VIEW = 'view';
const VIEW_EVERY_MS = 120;

/** What the teacher has in sight. */
export interface InSight {
  readonly page: number;
  readonly middle: { readonly x: number; readonly y: number };
  readonly nearness: number;
}

/** Tells those who are led by me where I am, once it is another place. */
export class Leading {
  private pointer: readonly [number, number] = [-1, -1];
  private told = '';
  private timer: ReturnType<typeof setTimeout> | null = null;

  constructor(
    private readonly lesson: () => RoomClient<LessonState> | null,
    private readonly part: number,
    private readonly me: number,
    private readonly sight: () => InSight,
  ) {}

  /** The number of the call by which I lead; 0 if I lead nobody. */
  get call(): number {
    const call = leadingOf(this.lesson()?.state.calls ?? new Map());
    return call?.by === this.me ? call.number : 0;
  }

  pointed(x: number, y: number): void {
    this.pointer = [Math.round(x), Math.round(y)];
    this.moved();
  }

  /** Something in sight may be another. */
  moved(): void {
    const number = this.call;
    const lesson = this.lesson();
    if (!number || !lesson?.client) return;
    const { page } = this.sight();
    const to: Spot = { part: this.part, kind: SpotKind.Page, id: page, x: 0, y: 0 };
    const now = lesson.state.calls.get(number)!.to!;
    const place = `${number} ${page}`;
    const isElsewhere = place !== this.told && (now.id !== page || now.part !== this.part);
    this.told = place;
    if (isElsewhere) lesson.submit({ kind: 'leadOn', number, to });
    this.timer ??= setTimeout(() => this.show(), VIEW_EVERY_MS);
  }

  private show(): void {
    this.timer = null;
    const { page, middle, nearness } = this.sight();
    this.lesson()?.preview(encode([VIEW, page, middle.x, middle.y, nearness, ...this.pointer]));
  }
}
