// What the class was asked lately: Core's QuickQuestions.

import type { QuickQuestion } from '../wire/forms';
import type { Envelope } from './wire';

const REMEMBERED = 20;

/** The questions after an event; the same if it is about none. */
export function questionsAfter(
  questions: ReadonlyMap<number, QuickQuestion>,
  { event, time }: Envelope,
): ReadonlyMap<number, QuickQuestion> {
  const change = (number: number, values: (question: QuickQuestion) => Partial<QuickQuestion>) => {
    const question = questions.get(number);
    return question ? new Map(questions).set(number, { ...question, ...values(question) }) : questions;
  };
  switch (event.kind) {
    case 'questionPosed': {
      const { number, words, form, choices } = event;
      const all = [
        ...questions.values(),
        { number, at: time, words, form, choices, endedAt: null, replies: [] } satisfies QuickQuestion,
      ];
      return new Map(all.slice(-REMEMBERED).map((q) => [q.number, q]));
    }
    case 'questionClosed':
      return change(event.number, () => ({ endedAt: time }));
    case 'replyGiven': {
      const { person, number, choice, words } = event;
      return change(number, ({ replies }) => ({
        replies: [...replies.filter((r) => r.person !== person), { person, at: time, choice, words }].sort(
          (a, b) => a.person - b.person,
        ),
      }));
    }
    default:
      return questions;
  }
}

/** The one that takes answers. */
export function openAmong(questions: ReadonlyMap<number, QuickQuestion>): QuickQuestion | null {
  return [...questions.values()].filter((q) => q.endedAt === null).at(-1) ?? null;
}
