// What the class is asked now: how it is going, and questions of the teacher's own, answered by each for themselves.

import { fill, plural } from '../page-data';
import { type LessonState, Report, Standing } from '../room/lesson-state';
import { openAmong } from '../room/quick-questions';
import type { RoomClient } from '../room/room-client';
import { serverNow } from '../room/server-clock';
import type { Command } from '../room/wire';
import { type QuickQuestion, ReplyForm } from '../wire/forms';
import { namesAmong, type Pickable } from './picking';

export interface AskingTexts {
  readonly checkInSilent: string;
  readonly checkInSilentOne: string;
  readonly silent: string;
  readonly silentNobody: string;
  readonly answered: string;
}

/** One answer that is possible, and who gave it. */
interface Answered {
  readonly key: string;
  readonly words: string;
  readonly count: number;
  readonly names: string;
  /** How much of the longest bar, per cent. */
  readonly share: number;
}

const MOST_CHOICES = 6;
const SCALE_TOP = 5;
/** An ended question is still shown for so long. */
const SHOWN_MS = 30 * 60_000;
const NAMED = 12;

export function askingOf(lesson: () => RoomClient<LessonState>, here: () => readonly Pickable[], texts: AskingTexts) {
  let dismissed = 0;
  let asked: { words: string; form: ReplyForm; choices: string[] } | null = null;
  const submit = (command: Command) => void lesson().submit(command);

  const linesOf = (question: QuickQuestion): Answered[] => {
    const among = (of: (choice: number, words: string) => boolean) =>
      question.replies.filter((r) => of(r.choice, r.words)).map((r) => r.person);
    const line = (words: string, people: readonly number[], most: number): Answered => ({
      key: words,
      words,
      count: people.length,
      names: namesAmong(here(), people, NAMED),
      share: most === 0 ? 0 : Math.round((100 * people.length) / most),
    });
    if (question.form === ReplyForm.Words) {
      const nameOf = (n: number) => here().find((p) => p.number === n)?.name;
      // Who was taken out meanwhile is not named here.
      return question.replies.flatMap((r) => {
        const name = nameOf(r.person);
        return name ? [{ key: String(r.person), words: r.words, count: 0, names: name, share: 0 }] : [];
      });
    }
    const [low = '', high = ''] = question.choices;
    const possible =
      question.form === ReplyForm.Scale
        ? Array.from(
            { length: SCALE_TOP },
            (_, i) => `${i + 1}${i === 0 ? ` ${low}` : i === SCALE_TOP - 1 ? ` ${high}` : ''}`,
          )
        : question.choices;
    const people = possible.map((_, i) => among((choice) => choice === i + 1));
    const most = Math.max(0, ...people.map((p) => p.length));
    return possible.map((words, i) => line(words.trim(), people[i]!, most));
  };

  return {
    /** Whether the class is asked how it is going; how many are stuck, unsure, can go on; who has not said. */
    isCheckIn: false,
    hasReports: false,
    reports: [0, 0, 0],
    silentText: '',

    /** The question that is asked, or was last. */
    question: null as QuickQuestion | null,
    isOpen: false,
    answers: [] as Answered[],
    answeredText: '',
    missing: '',

    /** What is being made up. */
    words: '',
    form: ReplyForm.Words as ReplyForm,
    choices: ['', ''],

    refresh(): void {
      const { people, checkInAt, questions } = lesson().state;
      const inside = [...people.values()].filter((p) => p.standing === Standing.In);
      const said = [Report.Stuck, Report.Unsure, Report.GoesOn].map((r) => inside.filter((p) => p.report === r).length);
      this.reports = said;
      this.isCheckIn = checkInAt !== null;
      const sum = said.reduce((a, b) => a + b, 0);
      this.hasReports = this.isCheckIn || sum > 0;
      this.silentText = this.isCheckIn ? plural(texts, 'checkInSilent', inside.length - sum) : '';
      const open = openAmong(questions);
      const last = open ?? [...questions.values()].at(-1) ?? null;
      const isShown = last && last.number !== dismissed && (open !== null || serverNow() - last.at < SHOWN_MS);
      this.question = isShown ? last : null;
      this.isOpen = open !== null;
      if (!this.question) return;
      this.answers = linesOf(this.question);
      const silent = here().filter((p) => !this.question!.replies.some((r) => r.person === p.number));
      this.answeredText = fill(texts.answered, here().length - silent.length, here().length);
      const numbers = silent.map((p) => p.number);
      this.missing = silent.length === 0 ? texts.silentNobody : fill(texts.silent, namesAmong(here(), numbers, NAMED));
    },

    checkIn(on: boolean): void {
      submit({ kind: 'askCheckIn', on });
    },

    get isChoice(): boolean {
      return this.form === ReplyForm.Choice;
    },

    get isScale(): boolean {
      return this.form === ReplyForm.Scale;
    },

    setForm(form: string): void {
      this.form = Number(form) as ReplyForm;
    },

    setChoice(at: number, words: string): void {
      this.choices = (this.choices as string[]).map((c, i) => (i === at ? words : c));
    },

    get mayAdd(): boolean {
      return this.choices.length < MOST_CHOICES;
    },

    addChoice(): void {
      this.choices = [...(this.choices as string[]), ''];
    },

    /** As the server takes it: choices that are empty are none. */
    wanted(): string[] {
      const some = (this.choices as string[]).map((c) => c.trim());
      if (this.isScale) return some.slice(0, 2);
      return this.isChoice ? some.filter((c) => c !== '') : [];
    },

    get isComplete(): boolean {
      const wanted = this.wanted();
      return (
        this.words.trim() !== '' && (!this.isChoice || (wanted.length > 1 && new Set(wanted).size === wanted.length))
      );
    },

    ask(): void {
      asked = { words: this.words, form: this.form, choices: [...(this.choices as string[])] };
      submit({ kind: 'poseQuestion', words: this.words.trim(), form: this.form, choices: this.wanted() });
      Object.assign(this, { words: '', form: ReplyForm.Words, choices: ['', ''] });
    },

    /** What was made up is given back. */
    refused(): void {
      if (this.words === '') Object.assign(this, asked);
    },

    end(): void {
      if (this.question) submit({ kind: 'closeQuestion', number: this.question.number });
    },

    dismiss(): void {
      dismissed = this.question?.number ?? 0;
      this.question = null;
    },
  };
}
