// The words of a wall, in the language of the interface.

import type { WorkTexts } from '../lesson/work-data';

export interface WallTexts extends WorkTexts {
  readonly nowhere: string;
  readonly everything: string;
  readonly writeHere: string;
  readonly writeUnder: string;
  readonly putUp: string;
  readonly yours: string;
  readonly teacher: string;
  readonly change: string;
  readonly changeOf: string;
  readonly keep: string;
  readonly cancel: string;
  readonly takeDown: string;
  readonly takenDown: string;
  readonly takenDownByTeacher: string;
  readonly putBack: string;
  readonly topic: string;
  readonly place: string;
  readonly placeFirst: string;
  readonly placeAfter: string;
  readonly cardWords: string;
  readonly cards: string;
  readonly cardsOne: string;
  readonly fresh: string;
  readonly freshOne: string;
  readonly freshHere: string;
  readonly full: string;
  readonly movedFrom: string;
  readonly topicOf: string;
  readonly owed: string;
  readonly owedOne: string;
  readonly none: string;
  readonly some: string;
  readonly someOne: string;
  readonly noCards: string;
  readonly toNowhere: string;
  readonly toNowhereOne: string;
  readonly planKept: string;
  readonly takenDownMeanwhile: string;
  readonly answer: string;
  readonly answers: string;
  readonly answersOne: string;
  readonly answersTo: string;
  readonly answerTo: string;
  readonly answerCard: string;
  readonly answerWords: string;
  readonly answerDown: string;
  readonly answerDownByTeacher: string;
  readonly freshAnswers: string;
  readonly freshAnswersOne: string;
  readonly writeAnswer: string;
  readonly say: string;
  readonly you: string;
}
