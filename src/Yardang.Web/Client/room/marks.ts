// Marks, pages and changes as the client holds them: Core's, field for field.

import {
  type BubbleBody,
  type Mark,
  type MarkBody,
  type NoteBody,
  type Paper,
  TakenDown,
  type TextBody,
} from '../wire/forms';

export type { Texts } from '../wire/by-hand';
export {
  type AnswerKey,
  type Axis,
  type BubbleBody,
  type Change,
  type ConnectorBody,
  type Expectation,
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

export const PLAIN: Paper = { kind: 0, spacing: 0, across: null, up: null, columns: 0, rows: 0, media: null };

/** Whether it is there for all who see its page: neither rubbed out nor taken down. */
export function stands(mark: Mark): boolean {
  return !mark.erased && mark.down === TakenDown.No;
}

/** Marks of mine that are shown although they wait for the teacher; they are drawn fainter. */
export const marksThatWait = new WeakSet<Mark>();
