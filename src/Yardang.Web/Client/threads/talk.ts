// What the talk about something is drawn from, whatever it is about.

import type { TemplateResult, nothing } from 'lit-html';
import type { Me } from '../room/sheets';
import type { AttachmentView } from '../attachments';
import type { Answer, AnswerKind, Attachment } from '../wire/forms';
import type { AnswerTexts } from './answer-words';
import type { Drafts } from './drafts';
import type { Speaking, SpeakingTexts } from './speaking';

/** A card of a wall, or a mark of a board. */
export interface About {
  readonly id: number;
  readonly answers: readonly Answer[];
}

export interface TalkTexts extends AnswerTexts, SpeakingTexts {
  readonly answer: string;
  readonly answers: string;
  readonly answersOne: string;
  /** "Answers to: {0}" */
  readonly answersTo: string;
  /** "to {0}" */
  readonly answerTo: string;
  readonly answering: string;
  readonly answerCard: string;
  readonly answersEnded: string;
  /** What a student answers with one press. */
  readonly done: string;
  readonly changeAnswer: string;
  readonly answerWords: string;
  readonly answerDown: string;
  readonly answerDownByTeacher: string;
  readonly freshAnswers: string;
  readonly freshAnswersOne: string;
  readonly writeAnswer: string;
  readonly strength: string;
  readonly openQuestion: string;
  readonly teacher: string;
  readonly you: string;
  readonly say: string;
  readonly keep: string;
  readonly change: string;
  readonly takeDown: string;
  readonly putBack: string;
  readonly cancel: string;
}

/** How something is said. */
export interface Saying {
  readonly aloud?: boolean;
  readonly says?: AnswerKind;
  readonly shown?: Attachment | null;
}

/** Where it is talked, and what is done there. */
export interface TalkSide<A extends About> {
  readonly texts: TalkTexts;
  readonly drafts: Drafts;
  /** With what is shown in answers. */
  readonly view: AttachmentView;
  /** Where teachers answer by voice; null where nobody does. */
  readonly speaking: Speaking | null;
  readonly me: Me;
  /** Whether anything is written here at all. */
  readonly looksOnly: boolean;
  /** In which languages words are read. */
  readonly read: readonly [string, string];
  titleOf(about: A): string;
  nameOf(actor: number): string;
  mayWrite(): boolean;
  mayAnswer(about: A): boolean;
  mayChangeAnswer(about: A, answer: Answer): boolean;
  /** Gives the id of the answer. */
  answer(about: A, to: number, text: string, saying?: Saying): number;
  rewordAnswer(about: A, answer: Answer, text: string): void;
  takeAnswerDown(about: A, answer: Answer): void;
  putAnswerBack(about: A, answer: Answer): void;
  /** What a student may tell the teacher of an answer. */
  besideUp(about: A, answer: Answer): TemplateResult | typeof nothing;
  /** What a teacher may say of an answer that is down. */
  besideDown(about: A, answer: Answer): TemplateResult | typeof nothing;
  /** In place of what its author does not see any more either. */
  readonly notShown: string;
}

/** What only some talk has. */
export interface Besides<A extends About> {
  besideAnswer?(about: A, answer: Answer): TemplateResult | typeof nothing;
  /** In place of the button that says it; null for that button. */
  belowField?(about: A, isSayable: boolean, say: (aloud: boolean) => number): TemplateResult | null;
  /** In place of the field in which it is answered; null for that field. */
  field?(about: A, mayAnswer: boolean): unknown;
}
