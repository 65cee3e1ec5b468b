import { AnswerKind } from '../wire/forms';

/** What a kind of answer is called. */
export function says(kind: AnswerKind, texts: { readonly strength: string; readonly openQuestion: string }): string {
  return kind === AnswerKind.Strength ? texts.strength : texts.openQuestion;
}
