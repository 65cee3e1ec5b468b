// Made from Core's records by ./yardang wire: not to be changed by hand.

import { known, readPoints, type Texts, writePoints } from './by-hand';
import { readAnswer, readAttachment, readCardResult, readConcern, readJudging, readJudgingState, readLastAct, readLateWork, readStimulus, readStyle, readWallPlan, writeAttachment, writeJudging, writeStimulus, writeStyle, writeWallPlan } from './codec';
import { type AddMark, type AddMarks, type AddPage, type Adopted, type AnswerFieldBody, type AnswerKey, type Axis, type BoardSnapshot, type BubbleBody, type Change, type ChangesMade, type ConnectorBody, type DraftReplaced, type DraftSnapshot, type DraftStarted, type Expectation, type FieldAnswerBody, type FormulaBody, type GestureRedone, type GestureSnapshot, type GestureUndone, type Grip, type InkBody, type KeySet, type LastWriter, type LateChangeAdopted, type LengthUnit, type LockPage, type MakeChanges, type Mark, type MarkAdded, type MarkBody, type MarkJudgingSet, type MarkJudgingState, type MarkThread, type MarksAdded, type NewMark, type NoteBody, type Page, type PageAdded, type PageLocked, type PageShows, type PageSize, type Paper, type Part, type PictureBody, type Place, type PlannedPhase, type RedoGesture, type RestoreMarks, type Scale, type SetMarkJudging, type ShapeBody, type SheetsSnapshot, type ShownBody, type StampBody, type Step, type Stimulus, type Style, type TakenDown, type TextBody, type ToolSet, type Translation, type UndoGesture, type Value, type Wording, type Words, type WorkBrought, type ZoneBody, type ZoneKey } from './forms';
import { know } from './kinds';
type Raw = any[]; // What the MessagePack reader gives.

export function readChange(raw: Raw): Change {
  return { property: Math.abs(raw[0]), target: raw[1], value: raw[0] < 0 ? undefined : readValue(raw) };
}

function readValue(raw: Raw): Value | undefined {
  switch (raw[0]) {
    case 1:
      return readPlace(raw[2]);
    case 2:
      return raw[2];
    case 3:
      return raw[2];
    case 4:
      return { words: readWords(raw[2]), width: raw[3], height: raw[4] };
    case 5:
      return readStyle(raw[2]);
    case 6:
      return raw[2] == null ? null : readScale(raw[2]);
    case 7:
      return known(readMarkBody(raw[2]));
    case 8:
      return raw[2];
    case 9:
      return raw[2];
    case 10:
      return raw[2];
    case 11:
      return raw[2];
    case 12:
      return raw[2];
    case 20:
      return raw[2];
    case 21:
      return raw[2];
    case 22:
      return readPageSize(raw[2]);
    case 23:
      return readPaper(raw[2]);
    case 24:
      return raw[2];
    case 25:
      return raw[2];
    case 26:
      return raw[2];
    case 27:
      return raw[2];
    case 28:
      return raw[2];
    case 29:
      return raw[2];
    case 30:
      return raw[2] == null ? null : readStimulus(raw[2]);
    case 31:
      return raw[2];
    case 32:
      return raw[2].map((x: Raw) => readPart(x));
    case 33:
      return raw[2].map((x: Raw) => readPlannedPhase(x));
    case 34:
      return raw[2] == null ? null : readPageShows(raw[2]);
    default:
      return undefined;
  }
}

export function writeChange(v: Change): Raw {
  const head = [v.property, v.target];
  switch (v.property) {
    case 1: {
      const value = v.value as Place;
      return [...head, writePlace(value)];
    }
    case 2: {
      const value = v.value as boolean;
      return [...head, value];
    }
    case 3: {
      const value = v.value as readonly number[];
      return [...head, value];
    }
    case 4: {
      const value = v.value as Wording;
      return [...head, writeWords(value.words), value.width, value.height];
    }
    case 5: {
      const value = v.value as Style;
      return [...head, writeStyle(value)];
    }
    case 6: {
      const value = v.value as Scale | null;
      return [...head, value && writeScale(value)];
    }
    case 7: {
      const value = v.value as MarkBody;
      return [...head, writeMarkBody(value)];
    }
    case 8: {
      const value = v.value as boolean;
      return [...head, value];
    }
    case 9: {
      const value = v.value as number;
      return [...head, value];
    }
    case 10: {
      const value = v.value as number;
      return [...head, value];
    }
    case 11: {
      const value = v.value as Grip;
      return [...head, value];
    }
    case 12: {
      const value = v.value as TakenDown;
      return [...head, value];
    }
    case 20: {
      const value = v.value as Texts;
      return [...head, value];
    }
    case 21: {
      const value = v.value as Texts;
      return [...head, value];
    }
    case 22: {
      const value = v.value as PageSize;
      return [...head, writePageSize(value)];
    }
    case 23: {
      const value = v.value as Paper;
      return [...head, writePaper(value)];
    }
    case 24: {
      const value = v.value as Texts;
      return [...head, value];
    }
    case 25: {
      const value = v.value as boolean;
      return [...head, value];
    }
    case 26: {
      const value = v.value as number;
      return [...head, value];
    }
    case 27: {
      const value = v.value as Texts;
      return [...head, value];
    }
    case 28: {
      const value = v.value as ToolSet;
      return [...head, value];
    }
    case 29: {
      const value = v.value as LengthUnit;
      return [...head, value];
    }
    case 30: {
      const value = v.value as Stimulus | null;
      return [...head, value && writeStimulus(value)];
    }
    case 31: {
      const value = v.value as readonly Texts[];
      return [...head, value];
    }
    case 32: {
      const value = v.value as readonly Part[];
      return [...head, value.map((x) => writePart(x))];
    }
    case 33: {
      const value = v.value as readonly PlannedPhase[];
      return [...head, value.map((x) => writePlannedPhase(x))];
    }
    case 34: {
      const value = v.value as PageShows | null;
      return [...head, value && writePageShows(value)];
    }
    default:
      return head;
  }
}

/** Null if it is of a kind that came later. */
export function readMarkBody(raw: Raw): MarkBody | null {
  switch (raw[0]) {
    case 1:
      return readInkBody(raw);
    case 2:
      return readTextBody(raw);
    case 3:
      return readNoteBody(raw);
    case 4:
      return readShapeBody(raw);
    case 5:
      return readPictureBody(raw);
    case 6:
      return readBubbleBody(raw);
    case 7:
      return readFormulaBody(raw);
    case 8:
      return readStampBody(raw);
    case 9:
      return readConnectorBody(raw);
    case 10:
      return readZoneBody(raw);
    case 11:
      return readShownBody(raw);
    case 12:
      return readAnswerFieldBody(raw);
    case 13:
      return readFieldAnswerBody(raw);
    default:
      return null;
  }
}

export function writeMarkBody(v: MarkBody): Raw {
  switch (v.kind) {
    case 'ink':
      return writeInkBody(v);
    case 'text':
      return writeTextBody(v);
    case 'note':
      return writeNoteBody(v);
    case 'shape':
      return writeShapeBody(v);
    case 'picture':
      return writePictureBody(v);
    case 'bubble':
      return writeBubbleBody(v);
    case 'formula':
      return writeFormulaBody(v);
    case 'stamp':
      return writeStampBody(v);
    case 'connector':
      return writeConnectorBody(v);
    case 'zone':
      return writeZoneBody(v);
    case 'shown':
      return writeShownBody(v);
    case 'answerField':
      return writeAnswerFieldBody(v);
    case 'fieldAnswer':
      return writeFieldAnswerBody(v);
  }
}

export function readAddMark(raw: Raw): AddMark {
  return {
    kind: 'addMark',
    id: raw[0],
    page: raw[1],
    grip: raw[2],
    body: known(readMarkBody(raw[3])),
    style: readStyle(raw[4]),
    for: raw[5] ?? 0,
  };
}

export function writeAddMark(v: AddMark): Raw {
  const raw: Raw = [v.id, v.page, v.grip, writeMarkBody(v.body), writeStyle(v.style)];
  if (v.for) raw.push(v.for);
  return raw;
}

export function readAddMarks(raw: Raw): AddMarks {
  return {
    kind: 'addMarks',
    page: raw[0],
    marks: raw[1].map((x: Raw) => readNewMark(x)),
  };
}

export function writeAddMarks(v: AddMarks): Raw {
  return [v.page, v.marks.map((x) => writeNewMark(x))];
}

export function readAddPage(raw: Raw): AddPage {
  return {
    kind: 'addPage',
    page: readPage(raw[0]),
    order: raw[1],
  };
}

export function writeAddPage(v: AddPage): Raw {
  return [writePage(v.page), v.order];
}

export function readAdopted(raw: Raw): Adopted {
  return {
    number: raw[0],
    page: raw[1],
    givenUp: raw[2],
  };
}

export function readAnswerFieldBody(raw: Raw): AnswerFieldBody {
  return {
    kind: 'answerField',
    x: raw[1],
    y: raw[2],
    width: raw[3],
    height: raw[4],
    name: raw[5],
  };
}

export function writeAnswerFieldBody(v: AnswerFieldBody): Raw {
  return [12, v.x, v.y, v.width, v.height, v.name];
}

export function readAnswerKey(raw: Raw): AnswerKey {
  return {
    marks: raw[0].map((x: Raw) => readMark(x)),
    zones: raw[1].map((x: Raw) => readZoneKey(x)),
  };
}

export function readAxis(raw: Raw): Axis {
  return {
    from: raw[0],
    to: raw[1],
    step: raw[2],
  };
}

export function writeAxis(v: Axis): Raw {
  return [v.from, v.to, v.step];
}

export function readBoardSnapshot(raw: Raw): BoardSnapshot {
  return {
    kind: 'board',
    sheets: readSheetsSnapshot(raw[0]),
    setAside: raw[1].map((x: Raw) => readLateWork(x)),
    lastActivity: raw[2] < 0 ? null : raw[2],
    adopted: raw[3].map((x: Raw) => readAdopted(x)),
    acts: raw[4].map((x: Raw) => readLastAct(x)),
    said: raw[5].map((x: Raw) => readMarkThread(x)),
    judging: readMarkJudgingState(raw[6]),
    concerns: raw[7].map((x: Raw) => readConcern(x)),
  };
}

export function readBubbleBody(raw: Raw): BubbleBody {
  return {
    kind: 'bubble',
    x: raw[1],
    y: raw[2],
    width: raw[3],
    height: raw[4],
    words: readWords(raw[5]),
    tipX: raw[6],
    tipY: raw[7],
  };
}

export function writeBubbleBody(v: BubbleBody): Raw {
  return [6, v.x, v.y, v.width, v.height, writeWords(v.words), v.tipX, v.tipY];
}

export function readChangesMade(raw: Raw): ChangesMade {
  return {
    kind: 'changesMade',
    changes: raw[0].map((x: Raw) => readChange(x)),
    back: (raw[1] ?? []).map((x: Raw) => readMark(x)),
  };
}

export function readConnectorBody(raw: Raw): ConnectorBody {
  return {
    kind: 'connector',
    from: raw[1],
    to: raw[2],
    points: raw[3],
    label: raw[4] == null ? null : readWords(raw[4]),
  };
}

export function writeConnectorBody(v: ConnectorBody): Raw {
  return [9, v.from, v.to, v.points, v.label && writeWords(v.label)];
}

export function readDraftReplaced(raw: Raw): DraftReplaced {
  return {
    kind: 'draftReplaced',
    content: raw[0],
  };
}

export function readDraftSnapshot(raw: Raw): DraftSnapshot {
  return {
    kind: 'draft',
    sheets: readSheetsSnapshot(raw[0]),
  };
}

export function readDraftStarted(raw: Raw): DraftStarted {
  return {
    kind: 'draftStarted',
    content: raw[0],
  };
}

export function readExpectation(raw: Raw): Expectation {
  return {
    marks: raw[0],
    answers: raw[1],
    least: raw[2] < 0 ? null : raw[2],
    most: raw[3] < 0 ? null : raw[3],
  };
}

export function writeExpectation(v: Expectation): Raw {
  return [v.marks, v.answers, v.least ?? -1, v.most ?? -1];
}

export function readFieldAnswerBody(raw: Raw): FieldAnswerBody {
  return {
    kind: 'fieldAnswer',
    field: raw[1],
    x: raw[2],
    y: raw[3],
    width: raw[4],
    height: raw[5],
    words: readWords(raw[6]),
  };
}

export function writeFieldAnswerBody(v: FieldAnswerBody): Raw {
  return [13, v.field, v.x, v.y, v.width, v.height, writeWords(v.words)];
}

export function readFormulaBody(raw: Raw): FormulaBody {
  return {
    kind: 'formula',
    x: raw[1],
    y: raw[2],
    width: raw[3],
    height: raw[4],
    source: raw[5],
    outline: raw[6],
  };
}

export function writeFormulaBody(v: FormulaBody): Raw {
  return [7, v.x, v.y, v.width, v.height, v.source, v.outline];
}

export function readGestureRedone(raw: Raw): GestureRedone {
  return {
    kind: 'gestureRedone',
    gesture: raw[0],
    changes: raw[1].map((x: Raw) => readChange(x)),
    skipped: raw[2],
    back: (raw[3] ?? []).map((x: Raw) => readMark(x)),
  };
}

export function readGestureSnapshot(raw: Raw): GestureSnapshot {
  return {
    id: raw[0],
    actor: raw[1],
    undone: raw[2],
    steps: raw[3].map((x: Raw) => readStep(x)),
  };
}

export function readGestureUndone(raw: Raw): GestureUndone {
  return {
    kind: 'gestureUndone',
    gesture: raw[0],
    changes: raw[1].map((x: Raw) => readChange(x)),
    skipped: raw[2],
    back: (raw[3] ?? []).map((x: Raw) => readMark(x)),
  };
}

export function readInkBody(raw: Raw): InkBody {
  return {
    kind: 'ink',
    points: readPoints(raw[1]),
  };
}

export function writeInkBody(v: InkBody): Raw {
  return [1, writePoints(v.points)];
}

export function readKeySet(raw: Raw): KeySet {
  return {
    kind: 'keySet',
    key: { marks: raw[0].map((x: Raw) => readMark(x)), zones: raw[1].map((x: Raw) => readZoneKey(x)) },
  };
}

export function readLastWriter(raw: Raw): LastWriter {
  return {
    target: raw[0],
    property: raw[1],
    gesture: raw[2],
  };
}

export function readLateChangeAdopted(raw: Raw): LateChangeAdopted {
  return {
    kind: 'lateChangeAdopted',
    number: raw[0],
    page: raw[1],
    pages: raw[2].map((x: Raw) => readPage(x)),
    marks: raw[3].map((x: Raw) => readMark(x)),
    changes: raw[4].map((x: Raw) => readChange(x)),
  };
}

export function readLockPage(raw: Raw): LockPage {
  return {
    kind: 'lockPage',
    page: raw[0],
    on: raw[1],
  };
}

export function writeLockPage(v: LockPage): Raw {
  return [v.page, v.on];
}

export function readMakeChanges(raw: Raw): MakeChanges {
  return {
    kind: 'makeChanges',
    changes: raw[0].map((x: Raw) => readChange(x)),
  };
}

export function writeMakeChanges(v: MakeChanges): Raw {
  return [v.changes.map((x) => writeChange(x))];
}

export function readMark(raw: Raw): Mark {
  return {
    id: raw[0],
    page: raw[1],
    author: raw[2],
    byStaff: raw[3],
    grip: raw[4],
    order: raw[5],
    body: known(readMarkBody(raw[6])),
    style: readStyle(raw[7]),
    place: readPlace(raw[8]),
    cuts: raw[9],
    erased: raw[10],
    scale: raw[11] == null ? null : readScale(raw[11]),
    pinned: raw[12] ?? false,
    tie: raw[13] ?? 0,
    putBy: raw[14] ?? 0,
    down: raw[15] ?? 0,
  };
}

export function readMarkAdded(raw: Raw): MarkAdded {
  return {
    kind: 'markAdded',
    mark: readMark(raw[0]),
  };
}

export function readMarkJudgingSet(raw: Raw): MarkJudgingSet {
  return {
    kind: 'markJudgingSet',
    judging: raw[0] == null ? null : readJudging(raw[0]),
  };
}

export function readMarkJudgingState(raw: Raw): MarkJudgingState {
  return {
    rule: raw[0] == null ? null : readJudging(raw[0]),
    state: readJudgingState(raw[1]),
  };
}

export function readMarkThread(raw: Raw): MarkThread {
  return {
    mark: raw[0],
    answers: raw[1].map((x: Raw) => readAnswer(x)),
  };
}

export function readMarksAdded(raw: Raw): MarksAdded {
  return {
    kind: 'marksAdded',
    marks: raw[0].map((x: Raw) => readMark(x)),
  };
}

export function readNewMark(raw: Raw): NewMark {
  return {
    id: raw[0],
    grip: raw[1],
    body: known(readMarkBody(raw[2])),
    style: readStyle(raw[3]),
    place: readPlace(raw[4]),
    scale: raw[5] == null ? null : readScale(raw[5]),
    cuts: raw[6],
    tie: raw[7],
  };
}

export function writeNewMark(v: NewMark): Raw {
  return [v.id, v.grip, writeMarkBody(v.body), writeStyle(v.style), writePlace(v.place), v.scale && writeScale(v.scale), v.cuts, v.tie];
}

export function readNoteBody(raw: Raw): NoteBody {
  return {
    kind: 'note',
    x: raw[1],
    y: raw[2],
    width: raw[3],
    height: raw[4],
    words: readWords(raw[5]),
  };
}

export function writeNoteBody(v: NoteBody): Raw {
  return [3, v.x, v.y, v.width, v.height, writeWords(v.words)];
}

export function readPage(raw: Raw): Page {
  return {
    id: raw[0],
    name: raw[1],
    size: readPageSize(raw[2]),
    paper: readPaper(raw[3]),
    directions: raw[4],
    withheld: raw[5],
    order: raw[6],
    erased: raw[7],
    stimulus: raw[8] == null ? null : readStimulus(raw[8]),
    starters: (raw[9] ?? []),
    part: raw[10] ?? null,
    locked: raw[11] ?? false,
    shows: raw[12] == null ? null : readPageShows(raw[12]),
  };
}

export function writePage(v: Page): Raw {
  const raw: Raw = [v.id, v.name, writePageSize(v.size), writePaper(v.paper), v.directions, v.withheld, v.order, v.erased];
  if (v.stimulus != null || v.starters.length > 0 || v.part != null || v.locked || v.shows != null) raw.push(v.stimulus && writeStimulus(v.stimulus));
  if (v.starters.length > 0 || v.part != null || v.locked || v.shows != null) raw.push(v.starters.length > 0 ? v.starters : null);
  if (v.part != null || v.locked || v.shows != null) raw.push(v.part);
  if (v.locked || v.shows != null) raw.push(v.locked);
  if (v.shows != null) raw.push(v.shows && writePageShows(v.shows));
  return raw;
}

export function readPageAdded(raw: Raw): PageAdded {
  return {
    kind: 'pageAdded',
    page: readPage(raw[0]),
    order: raw[1],
  };
}

export function readPageLocked(raw: Raw): PageLocked {
  return {
    kind: 'pageLocked',
    page: raw[0],
    on: raw[1],
  };
}

export function readPageShows(raw: Raw): PageShows {
  return {
    kinds: raw[0],
    seconds: raw[1],
  };
}

export function writePageShows(v: PageShows): Raw {
  return [v.kinds, v.seconds];
}

export function readPageSize(raw: Raw): PageSize {
  return {
    width: raw[0],
    height: raw[1],
  };
}

export function writePageSize(v: PageSize): Raw {
  return [v.width, v.height];
}

export function readPaper(raw: Raw | number): Paper {
  if (typeof raw === 'number') return { kind: raw, spacing: 0, across: null, up: null, columns: 0, rows: 0, media: null };
  return {
    kind: raw[0],
    spacing: raw[1],
    across: raw[2] == null ? null : readAxis(raw[2]),
    up: raw[3] == null ? null : readAxis(raw[3]),
    columns: raw[4],
    rows: raw[5],
    media: raw[6] ?? null,
  };
}

export function writePaper(v: Paper): Raw {
  const raw: Raw = [v.kind, v.spacing, v.across && writeAxis(v.across), v.up && writeAxis(v.up), v.columns, v.rows];
  if (v.media != null) raw.push(v.media);
  return raw;
}

export function readPart(raw: Raw): Part {
  return {
    number: raw[0],
    kind: raw[1],
    wall: raw[2] == null ? null : readWallPlan(raw[2]),
    name: raw[3] ?? null,
    way: raw[4] ?? null,
  };
}

export function writePart(v: Part): Raw {
  const raw: Raw = [v.number, v.kind, v.wall && writeWallPlan(v.wall)];
  if (v.name != null || v.way != null) raw.push(v.name, v.way);
  return raw;
}

export function readPictureBody(raw: Raw): PictureBody {
  return {
    kind: 'picture',
    x: raw[1],
    y: raw[2],
    width: raw[3],
    height: raw[4],
    media: raw[5],
    description: raw[6],
    text: raw[7] ?? null,
  };
}

export function writePictureBody(v: PictureBody): Raw {
  const raw: Raw = [5, v.x, v.y, v.width, v.height, v.media, v.description];
  if (v.text != null) raw.push(v.text);
  return raw;
}

export function readPlace(raw: Raw): Place {
  return {
    x: raw[0],
    y: raw[1],
    turn: raw[2],
  };
}

export function writePlace(v: Place): Raw {
  return [v.x, v.y, v.turn];
}

export function readPlannedPhase(raw: Raw): PlannedPhase {
  return {
    kind: raw[0],
    words: raw[1],
    minutes: raw[2],
    endsItself: raw[3],
    part: raw[4],
    withheld: raw[5],
  };
}

export function writePlannedPhase(v: PlannedPhase): Raw {
  return [v.kind, v.words, v.minutes, v.endsItself, v.part, v.withheld];
}

export function readRedoGesture(raw: Raw): RedoGesture {
  return {
    kind: 'redoGesture',
    gesture: raw[0],
  };
}

export function writeRedoGesture(v: RedoGesture): Raw {
  return [v.gesture];
}

export function readRestoreMarks(raw: Raw): RestoreMarks {
  return {
    kind: 'restoreMarks',
    changes: raw[0].map((x: Raw) => readChange(x)),
  };
}

export function writeRestoreMarks(v: RestoreMarks): Raw {
  return [v.changes.map((x) => writeChange(x))];
}

export function readScale(raw: Raw): Scale {
  return {
    x: raw[0],
    y: raw[1],
  };
}

export function writeScale(v: Scale): Raw {
  return [v.x, v.y];
}

export function readSetMarkJudging(raw: Raw): SetMarkJudging {
  return {
    kind: 'setMarkJudging',
    judging: raw[0] == null ? null : readJudging(raw[0]),
  };
}

export function writeSetMarkJudging(v: SetMarkJudging): Raw {
  return [v.judging && writeJudging(v.judging)];
}

export function readShapeBody(raw: Raw): ShapeBody {
  return {
    kind: 'shape',
    shape: raw[1],
    points: raw[2],
  };
}

export function writeShapeBody(v: ShapeBody): Raw {
  return [4, v.shape, v.points];
}

export function readSheetsSnapshot(raw: Raw): SheetsSnapshot {
  return {
    name: raw[0],
    directions: raw[1],
    pages: raw[2].map((x: Raw) => readPage(x)),
    marks: raw[3].map((x: Raw) => readMark(x)),
    gestures: raw[4].map((x: Raw) => readGestureSnapshot(x)),
    writers: raw[5].map((x: Raw) => readLastWriter(x)),
    unit: raw[6],
    parts: raw[7].map((x: Raw) => readPart(x)),
    phases: raw[8].map((x: Raw) => readPlannedPhase(x)),
  };
}

export function readShownBody(raw: Raw): ShownBody {
  return {
    kind: 'shown',
    x: raw[1],
    y: raw[2],
    width: raw[3],
    height: raw[4],
    shown: known(readAttachment(raw[5])),
  };
}

export function writeShownBody(v: ShownBody): Raw {
  return [11, v.x, v.y, v.width, v.height, writeAttachment(v.shown)];
}

export function readStampBody(raw: Raw): StampBody {
  return {
    kind: 'stamp',
    x: raw[1],
    y: raw[2],
    width: raw[3],
    height: raw[4],
    stamp: raw[5],
  };
}

export function writeStampBody(v: StampBody): Raw {
  return [8, v.x, v.y, v.width, v.height, v.stamp];
}

export function readStep(raw: Raw): Step {
  return {
    before: readChange(raw[0]),
    beforeWriter: raw[1],
    after: readChange(raw[2]),
    takenBack: raw[3] ?? false,
  };
}

export function readTextBody(raw: Raw): TextBody {
  return {
    kind: 'text',
    x: raw[1],
    y: raw[2],
    width: raw[3],
    height: raw[4],
    words: readWords(raw[5]),
  };
}

export function writeTextBody(v: TextBody): Raw {
  return [2, v.x, v.y, v.width, v.height, writeWords(v.words)];
}

export function readTranslation(raw: Raw): Translation {
  return {
    language: raw[0],
    text: raw[1],
    lines: raw[2],
    size: raw[3],
  };
}

export function writeTranslation(v: Translation): Raw {
  return [v.language, v.text, v.lines, v.size];
}

export function readUndoGesture(raw: Raw): UndoGesture {
  return {
    kind: 'undoGesture',
    gesture: raw[0],
  };
}

export function writeUndoGesture(v: UndoGesture): Raw {
  return [v.gesture];
}

export function readWords(raw: Raw): Words {
  return {
    text: raw[0],
    language: raw[1],
    lines: raw[2],
    size: raw[3],
    also: raw[4] == null ? null : raw[4].map((x: Raw) => readTranslation(x)),
  };
}

export function writeWords(v: Words): Raw {
  const raw: Raw = [v.text, v.language, v.lines, v.size];
  if (v.also != null) raw.push(v.also && v.also.map((x) => writeTranslation(x)));
  return raw;
}

export function readWorkBrought(raw: Raw): WorkBrought {
  return {
    kind: 'workBrought',
    content: raw[0],
    changedAt: raw[1] ?? null,
    said: (raw[2] ?? []).map((x: Raw) => readMarkThread(x)),
    results: (raw[3] ?? []).map((x: Raw) => readCardResult(x)),
  };
}

export function readZoneBody(raw: Raw): ZoneBody {
  return {
    kind: 'zone',
    shape: raw[1],
    points: raw[2],
    name: raw[3],
    rule: raw[4],
    expected: raw[5] == null ? null : readExpectation(raw[5]),
  };
}

export function writeZoneBody(v: ZoneBody): Raw {
  return [10, v.shape, v.points, v.name, v.rule, v.expected && writeExpectation(v.expected)];
}

export function readZoneKey(raw: Raw): ZoneKey {
  return {
    zone: raw[0],
    expected: readExpectation(raw[1]),
  };
}

know({
  readCommand: {
    1: readAddMark,
    2: readMakeChanges,
    3: readUndoGesture,
    4: readRedoGesture,
    7: readAddMarks,
    8: readAddPage,
    78: readSetMarkJudging,
    108: readRestoreMarks,
    111: readLockPage,
  },
  readRoomEvent: {
    3: readDraftStarted,
    4: readDraftReplaced,
    10: readMarkAdded,
    11: readChangesMade,
    12: readGestureUndone,
    13: readGestureRedone,
    17: readMarksAdded,
    18: readPageAdded,
    19: readWorkBrought,
    20: readLateChangeAdopted,
    21: readKeySet,
    111: readMarkJudgingSet,
    145: readPageLocked,
  },
  readRoomSnapshot: {
    1: readDraftSnapshot,
    3: readBoardSnapshot,
  },
  writeCommand: {
    addMark: [1, writeAddMark],
    makeChanges: [2, writeMakeChanges],
    undoGesture: [3, writeUndoGesture],
    redoGesture: [4, writeRedoGesture],
    addMarks: [7, writeAddMarks],
    addPage: [8, writeAddPage],
    setMarkJudging: [78, writeSetMarkJudging],
    restoreMarks: [108, writeRestoreMarks],
    lockPage: [111, writeLockPage],
  },
});
