// Marks, pages and changes as the client holds them: Core's, field for field.

import {
  type AnswerFieldBody,
  type BubbleBody,
  type FieldAnswerBody,
  type Mark,
  type MarkBody,
  type NoteBody,
  type Paper,
  TakenDown,
  type TextBody,
  type ZoneBody,
} from '../wire/forms';

export type { Texts } from '../wire/by-hand';
export {
  type AnswerFieldBody,
  type AnswerKey,
  type Axis,
  type BubbleBody,
  type Change,
  type ConnectorBody,
  type Expectation,
  type FieldAnswerBody,
  type FormulaBody,
  Grip,
  type InkBody,
  Looks,
  type Mark,
  type MarkBody as Body,
  type NewMark,
  type NoteBody,
  type Page,
  type Paper,
  PaperKind,
  type PictureBody,
  type Place,
  Property,
  type Scale,
  type ShapeBody,
  type ShownBody,
  ShapeKind,
  type StampBody,
  type Stimulus,
  StimulusKind,
  type Style,
  type TextBody,
  ToolSet,
  type Translation,
  type Value,
  type Wording,
  type Words,
  type ZoneBody,
  ZoneRule,
} from '../wire/forms';

/** What has words that are written in place. */
export type BoxBody = TextBody | NoteBody | BubbleBody;

export function isBox(body: MarkBody): body is BoxBody {
  return body.kind === 'text' || body.kind === 'note' || body.kind === 'bubble';
}

/** What somebody wrote, wherever it stands. */
export function isWritten(body: MarkBody): body is BoxBody | FieldAnswerBody {
  return isBox(body) || body.kind === 'fieldAnswer';
}

/** What is a part of the page as its teacher designed it, and has a name: nobody changes it on a board. */
export function belongsToPage(body: MarkBody): body is ZoneBody | AnswerFieldBody {
  return body.kind === 'zone' || body.kind === 'answerField';
}

export const PLAIN: Paper = { kind: 0, spacing: 0, across: null, up: null, columns: 0, rows: 0, media: null };

/** Whether it is there for all who see its page: neither rubbed out nor taken down. */
export function stands(mark: Mark): boolean {
  return !mark.erased && mark.down === TakenDown.No;
}

/** Marks of mine that are shown although they wait for the teacher; they are drawn fainter. */
export const marksThatWait = new WeakSet<Mark>();
