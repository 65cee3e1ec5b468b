// Who is in a lesson, by name and board, asked for anew when the lesson says that something has changed. One question at a
// time, so that an older answer never takes the place of a newer one; and asked again for as long as the lesson says more
// than was answered: an event may come before the tables say the same.

const AGAIN_MS = 250;
const LONGEST_PAUSE_MS = 4000;

export class PeopleList<P> {
  private isAsking = false;
  private isWanted = false;

  /**
   * @param ask the answer of the server; null if there was none.
   * @param isBehind whether the lesson says more than these.
   * @param take shows them.
   */
  constructor(
    private readonly ask: () => Promise<readonly P[] | null>,
    private readonly isBehind: (people: readonly P[]) => boolean,
    private readonly take: (people: readonly P[]) => void,
  ) {}

  async refresh(): Promise<void> {
    this.isWanted = true;
    if (this.isAsking) return;
    this.isAsking = true;
    try {
      for (let attempt = 0; this.isWanted; attempt++) {
        this.isWanted = false;
        const people = await this.ask().catch(() => null);
        if (people) this.take(people);
        if (people && !this.isBehind(people)) continue;
        this.isWanted = true;
        await new Promise((done) => setTimeout(done, Math.min(LONGEST_PAUSE_MS, AGAIN_MS * 2 ** attempt)));
      }
    } finally {
      this.isAsking = false;
    }
  }
}

/** Asks the server of this page: who is in, and where each works in a part; in that in which students begin if none is said. */
export async function askForPeople<P>(lesson: string, part = 0): Promise<readonly P[] | null> {
  const answer = await fetch(`/lesson/${lesson}/people.json${part ? `?part=${part}` : ''}`);
  return answer.ok ? ((await answer.json()) as P[]) : null;
}
