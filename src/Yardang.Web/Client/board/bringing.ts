// What is chosen on my board goes onto a wall of the same lesson, as a card of mine.

import type { ContentsPart } from '../lesson/contents';
import type { Mark } from '../room/marks';

interface Wall {
  readonly part: number;
  readonly name: string;
  readonly topics: readonly { readonly id: number; readonly heading: string }[];
}

interface Desk {
  readonly room: string;
  /** As whom this tab acts: "?as=...". */
  readonly query: string;
  token(): string;
  language(): string;
  chosen(): readonly Mark[];
  /** Whether the server has all that is on the board. */
  isKept(): boolean;
  say(words: string): void;
  showPlaces(isShown: boolean): void;
}

/** @param away what is said without a network. */
export function bringingOf(desk: () => Desk, parts: () => readonly ContentsPart[], here: number, away: string) {
  let marks: readonly number[] = [];

  return {
    /** Where it can go, if there is a choice. */
    walls: [] as readonly Wall[],
    isBusy: false,

    /** Whether there is another part, which is a wall and open. */
    get isPossible(): boolean {
      return parts().some((p) => p.number !== here && p.address !== null && p.pages.length === 0);
    },

    /** Puts it up where there is one place alone; else asks where. */
    async begin(): Promise<void> {
      const { chosen, isKept, room, query, say, showPlaces } = desk();
      if (this.isBusy) return;
      if (!isKept()) return say(away);
      marks = chosen().map((m) => m.id);
      this.isBusy = true;
      const answer = await fetch(`/rooms/${room}/walls${query}`).catch(() => null);
      this.isBusy = false;
      if (!answer?.ok) return say(away);
      this.walls = (await answer.json()) as Wall[];
      const [wall] = this.walls;
      if (wall && (this.walls.length > 1 || wall.topics.length > 1)) return showPlaces(true);
      await this.put(wall?.part ?? 0, wall?.topics[0]?.id ?? 0);
    },

    async put(part: number, topic: number): Promise<void> {
      const { room, query, token, language, say, showPlaces } = desk();
      showPlaces(false);
      if (this.isBusy) return;
      this.isBusy = true;
      const answer = await fetch(`/rooms/${room}/bring${query}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json', RequestVerificationToken: token() },
        body: JSON.stringify({ marks, part, topic, language: language() }),
      }).catch(() => null);
      this.isBusy = false;
      const said = (await answer?.json().catch(() => null)) as { said?: string; fault?: string } | null;
      say(said?.said ?? said?.fault ?? away);
    },
  };
}
