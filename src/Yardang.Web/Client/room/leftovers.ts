// What this person wrote on boards that they are no longer on, and that has not arrived yet: handed in from whatever page is open, for as long as it
// takes.

import { encode } from '@msgpack/msgpack';
import { type Left, leftRooms } from './outbox-store';
import { type Written, encodeWritten } from './wire';

/** What became of it, in commands: on the board, with the teacher to decide, or taken by nobody any more. */
export interface HandedIn {
  readonly kept: number;
  readonly waiting: number;
  readonly lost: number;
}

// The server takes 2,000 commands and 4 MB at once.
const MOST_COMMANDS = 500;
const MOST_BYTES = 2 * 1024 * 1024;
const PAUSES_MS = [1000, 2000, 4000, 8000];

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

export class Leftovers {
  /** How many commands for other boards are on this device only. */
  waiting = 0;
  private isRunning = false;

  /**
   * @param who keeps outboxes of a shared device apart.
   * @param query who asks, as the hub is told.
   * @param token against requests from elsewhere.
   * @param changed `waiting` is different.
   * @param told some of it has been answered.
   */
  constructor(
    private readonly who: string,
    private readonly query: string,
    private readonly token: string,
    private readonly changed: () => void,
    private readonly told: (outcome: HandedIn) => void,
  ) {}

  /** Hands everything in, and tries again until it is. @param except rooms whose outbox is looked after by the page itself. */
  async run(except: readonly string[]): Promise<void> {
    if (this.isRunning) return;
    this.isRunning = true;
    for (let attempt = 0; !(await this.once(except)); attempt++) await pause(PAUSES_MS[attempt] ?? 15_000);
    this.isRunning = false;
  }

  /** Counts what is left, and gives it: before a page says that anything is kept. */
  async look(except: readonly string[]): Promise<readonly Left[]> {
    const left = (await leftRooms(this.who)).filter(({ room }) => !except.includes(room));
    this.waiting = left.reduce((sum, { submissions }) => sum + submissions.length, 0);
    this.changed();
    return left;
  }

  /** Tries once. False if something is left. */
  async once(except: readonly string[]): Promise<boolean> {
    const sum = { kept: 0, waiting: 0, lost: 0 };
    let isDone = true;
    try {
      const left = await this.look(except);
      for (const one of left) {
        for (const part of parts(one.submissions)) {
          const outcome = await this.send(one.room, part);
          if (!outcome) {
            isDone = false;
            break;
          }
          await one.settle(part.map(({ submission }) => submission));
          this.waiting -= part.length;
          for (const key of ['kept', 'waiting', 'lost'] as const) sum[key] += outcome[key];
        }
      }
    } catch {
      isDone = false;
    }
    this.changed();
    if (sum.kept + sum.waiting + sum.lost > 0) this.told(sum);
    return isDone;
  }

  /** What became of some of it; null if that is not known. */
  private async send(room: string, part: readonly Message[]): Promise<HandedIn | null> {
    const body = encode(part.map(({ bytes }) => bytes));
    const answer = await fetch(`/rooms/${room}/leftovers${this.query}`, {
      method: 'POST',
      headers: { RequestVerificationToken: this.token },
      body: new Blob([new Uint8Array(body)]),
    });
    // To a board to which there is no way back nothing will ever come.
    if (answer.status === 404) return { kept: 0, waiting: 0, lost: part.length };
    if (!answer.ok) return null;
    const { kept, waiting, refused } = (await answer.json()) as { kept: number; waiting: number; refused: number };
    return { kept, waiting, lost: refused };
  }
}

interface Message {
  readonly submission: Written;
  readonly bytes: Uint8Array;
}

/** Each after the one before it of the same client, in parts that the server takes. */
export function parts(submissions: readonly Written[]): Message[][] {
  const last = new Map<number, number>();
  const found: Message[][] = [];
  let bytes = 0;
  for (const submission of submissions) {
    const message = { submission, bytes: encodeWritten(submission, last.get(submission.client) ?? 0) };
    last.set(submission.client, submission.counter);
    const part = found.at(-1);
    bytes += message.bytes.length;
    if (part && part.length < MOST_COMMANDS && bytes <= MOST_BYTES) part.push(message);
    else {
      found.push([message]);
      bytes = message.bytes.length;
    }
  }
  return found;
}
