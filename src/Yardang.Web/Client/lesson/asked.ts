// A question that the teacher asks the class now, and my answer to it.

import type { LessonState } from '../room/lesson-state';
import { openAmong } from '../room/quick-questions';
import type { RoomClient } from '../room/room-client';
import { type QuickQuestion, ReplyForm } from '../wire/forms';

const SCALE = [1, 2, 3, 4, 5];

export function askedOf(lesson: () => RoomClient<LessonState> | null, me: number) {
  let number = 0;

  return {
    /** What is asked; null if nothing is. */
    question: null as QuickQuestion | null,
    /** What can be chosen, from 1. */
    choices: [] as { readonly value: number; readonly words: string }[],
    isOpen: false,
    typed: '',
    /** What the teacher has from me. */
    chosen: 0,
    said: '',

    refresh(): void {
      const room = lesson();
      if (!room) return;
      const question = openAmong(room.state.questions);
      this.question = question;
      if (!question) return;
      const mine = question.replies.find((r) => r.person === me);
      const had = this.isAnswered;
      this.chosen = mine?.choice ?? 0;
      this.said = mine?.words ?? '';
      // What was answered is folded away: the work is what is to be seen.
      if (this.isAnswered && !had) this.isOpen = false;
      if (question.number === number) return;
      number = question.number;
      this.typed = this.said;
      // Who has answered is not asked again.
      this.isOpen = mine === undefined;
      this.choices =
        question.form === ReplyForm.Scale
          ? SCALE.map((value) => ({ value, words: String(value) }))
          : question.choices.map((words, i) => ({ value: i + 1, words }));
    },

    get isAnswered(): boolean {
      return this.chosen > 0 || this.said !== '';
    },

    choose(choice: number): void {
      this.send(choice, '');
      if (this.isAnswered) this.isOpen = false;
    },

    say(): void {
      const words = this.typed.trim();
      if (words !== '') this.send(0, words);
    },

    send(choice: number, words: string): void {
      const room = lesson();
      const { question } = this;
      if (room?.client && question) room.submit({ kind: 'giveReply', number: question.number, choice, words });
    },

    fold(): void {
      this.isOpen = !this.isOpen;
    },
  };
}
