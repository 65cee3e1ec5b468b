// What an answer says: in words, or to be heard with what is noted of it.

import { type TemplateResult, html, nothing } from 'lit-html';
import { type AttachmentTexts, type AttachmentView, said, show } from '../attachments';
import type { Answer, Attachment } from '../wire/forms';

export interface AnswerTexts extends AttachmentTexts {
  readonly saidAloud: string;
}

/** In a line. */
export function answerLine(answer: Answer, texts: AnswerTexts): string {
  const how = answer.shown ? said(answer.shown, texts) : texts.saidAloud;
  return answer.text || how;
}

/** @param label what it says of what it answers. */
export function answerWords(answer: Answer, view: AttachmentView, texts: AnswerTexts, label?: unknown): TemplateResult {
  // Nothing between them: their lines are kept as they are.
  const inside = [
    label,
    answer.shown ? show(withWords(answer.shown, answer.text), view) : answer.text || texts.saidAloud,
  ];
  return html`<div class="answer-words" dir="auto" lang=${answer.language || nothing}>${inside}</div>`;
}

/** What is said in it stands in the answer. */
function withWords(shown: Attachment, words: string): Attachment {
  return shown.kind === 'voice' ? { ...shown, words } : shown;
}
