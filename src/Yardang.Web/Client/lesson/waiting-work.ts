// What waits for the teacher, thing by thing: what was written last of each.

import { aboutOf } from '../room/about';
import { isWritten } from '../room/marks';
import type { Command } from '../room/wire';
import { type LateWork, WhySetAside } from '../wire/forms';

export interface WaitingWork {
  readonly key: string;
  /** The events that set it aside. */
  readonly numbers: readonly number[];
  /** What it says; empty for what is drawn or moved. */
  readonly words: string;
  /** Whether something was found in it. */
  readonly wasFound: boolean;
  /** What I am told to mend; empty while it waits for the teacher. */
  readonly returned: string;
  /** With which it is put otherwise; null where there are no words. */
  readonly command: Command | null;
}

function wordsOf(command: Command): string | null {
  if ('text' in command) return command.text;
  if (command.kind === 'addMark') return isWritten(command.body) ? command.body.words.text : null;
  if (command.kind !== 'makeChanges') return null;
  const value = command.changes
    .map((change) => change.value as { words?: { text: string } } | null)
    .find((v) => v?.words);
  return value?.words?.text ?? null;
}

/** The same with the words that were written last. */
function saying(command: Command, words: string): Command {
  if (command.kind === 'addMark' && isWritten(command.body))
    return { ...command, body: { ...command.body, words: { ...command.body.words, text: words } } };
  return 'text' in command ? { ...command, text: words } : command;
}

/** What has words, each by itself; and all that is drawn, moved or changed as one. */
export function describe(setAside: readonly LateWork[]): WaitingWork[] {
  const things = new Map<string, LateWork[]>();
  for (const late of setAside) {
    const key = String(aboutOf(late.command)[0] ?? `n${late.number}`);
    things.set(key, [...(things.get(key) ?? []), late]);
  }
  const isWritten = (works: readonly LateWork[]) => works.some(({ command }) => wordsOf(command) !== null);
  const written = [...things].filter(([, works]) => isWritten(works)).map(([key, works]) => thing(key, works));
  const drawn = [...things.values()].filter((works) => !isWritten(works)).flat();
  return drawn.length > 0 ? [...written, thing('drawn', drawn)] : written;
}

function thing(key: string, works: readonly LateWork[]): WaitingWork {
  const written = works.filter(({ command }) => wordsOf(command) !== null);
  const words = written.length > 0 ? wordsOf(written.at(-1)!.command)! : '';
  return {
    key,
    numbers: works.map(({ number }) => number),
    words,
    wasFound: works.some(({ why }) => why === WhySetAside.Words),
    returned: works.at(-1)!.returned,
    command: written.length > 0 ? saying(written[0]!.command, words) : null,
  };
}
