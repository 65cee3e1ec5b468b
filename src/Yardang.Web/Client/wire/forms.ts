// Made from Core's records by ./yardang wire: not to be changed by hand.

import { known, readPoints, type Texts, writePoints } from './by-hand';

type Raw = any[]; // What the MessagePack reader gives.

/** What an answer says of a card. The numbers are on the wire. */
export const enum AnswerKind {
  Plain = 0,
  Strength = 1,
  Question = 2,
}

/** The kinds of attachments, as a set of them. The numbers are on the wire. */
export const enum AttachmentKinds {
  None = 0,
  Pictures = 1,
  Drawings = 2,
  Formulas = 4,
  Places = 8,
}

/** Whether newcomers walk in. */
export const enum Door {
  Open = 0,
  Ask = 1,
  Closed = 2,
}

/** Who may grip a mark. */
export const enum Grip {
  Own = 0,
  Loose = 1,
  Printed = 2,
  Key = 3,
}

/** How students judge each other's cards. The numbers are on the wire. */
export const enum JudgingKind {
  Agree = 1,
  Choose = 2,
}

/** In which lengths are shown. */
export const enum LengthUnit {
  Centimetre = 0,
  Inch = 1,
}

/** What cards are ordered along. The numbers are on the wire. */
export const enum LineKind {
  Ends = 1,
  Years = 2,
  Days = 3,
  Ladder = 4,
  Field = 5,
}

/** How a mark looks, beyond colour and width. The numbers are on the wire. */
export const enum Looks {
  None = 0,
  FeltTip = 1,
  Highlighter = 2,
  ArrowAtStart = 4,
  ArrowAtEnd = 8,
  Dashed = 16,
  Bold = 32,
  Centred = 64,
  AlignedEnd = 128,
  ShowsSides = 256,
  ShowsAngles = 512,
  ShowsPerimeter = 1024,
  ShowsArea = 2048,
}

/** A moment that the program announces when it has come. */
export const enum Moment {
  Opens = 1,
  Due = 2,
}

/** To whom it is shown who wrote what. The numbers are on the wire. */
export const enum NamesTo {
  Everybody = 0,
  Teachers = 1,
}

/** Kinds of ruling. The numbers are on the wire. */
export const enum PaperKind {
  Plain = 0,
  Squared = 1,
  Ruled = 2,
  Handwriting = 3,
  Dotted = 4,
  Isometric = 5,
  CoordinatePlane = 6,
  NumberLine = 7,
  Staves = 8,
  Table = 9,
  Picture = 10,
}

/** What a part of an activity is made of. The numbers are on the wire. */
export const enum PartKind {
  Pages = 1,
  Wall = 2,
}

/** The properties that can be changed, each on its own. The numbers are on the wire. */
export const enum Property {
  Place = 1,
  Erased = 2,
  Cuts = 3,
  Words = 4,
  Style = 5,
  Scale = 6,
  Body = 7,
  Pinned = 8,
  Tie = 9,
  Order = 10,
  Grip = 11,
  Name = 20,
  Directions = 21,
  Size = 22,
  Paper = 23,
  PageName = 24,
  PageErased = 25,
  PageOrder = 26,
  PageDirections = 27,
  Withheld = 28,
  Unit = 29,
  Stimulus = 30,
  Starters = 31,
  Parts = 32,
}

/** What students are to do on a wall. The numbers are on the wire. */
export const enum Purpose {
  Sort = 1,
  Visit = 2,
  Ask = 3,
  Order = 4,
  Connect = 5,
}

/** In what capacity somebody acts. */
export const enum Role {
  Student = 0,
  Staff = 1,
  Program = 2,
}

/** How the points of a shape are meant. The numbers are on the wire. */
export const enum ShapeKind {
  Line = 1,
  Polygon = 2,
  Ellipse = 3,
  Arc = 4,
}

/** What a student tells the teacher without words. */
export const enum Signal {
  HandUp = 1,
  ReadyForALook = 2,
}

/** How a person stands to a lesson. The numbers are on the wire. */
export const enum Standing {
  In = 0,
  Waiting = 1,
  TurnedAway = 2,
  Removed = 3,
  Expected = 4,
}

/** Kinds of stimulus. The numbers are on the wire. */
export const enum StimulusKind {
  Video = 1,
  Audio = 2,
  Picture = 3,
  Link = 4,
}

/** What students make marks with. The numbers are on the wire. */
export const enum ToolSet {
  None = 0,
  Pen = 1,
  Highlighter = 2,
  Text = 4,
  Note = 8,
  Shape = 16,
  Picture = 32,
  Stamp = 64,
  Formula = 128,
}

/** Who works with whom. The numbers are stored and on the wire. */
export const enum Way {
  OneEach = 0,
  ByGroup = 1,
  AllTogether = 2,
}

/** When a mark counts as in a zone. The numbers are on the wire. */
export const enum ZoneRule {
  Centre = 0,
  Half = 1,
  Whole = 2,
}

/** Something that is shown beside words: a closed set, one record for each kind, in this folder. All that the core has to know of a kind is what is asked for here. */
export type Attachment =
  | PictureAttachment
  | DrawingAttachment
  | FormulaAttachment
  | PlaceAttachment;

/** Null if it is of a kind that came later. */
export function readAttachment(raw: Raw): Attachment | null {
  switch (raw[0]) {
    case 1:
      return readPictureAttachment(raw);
    case 2:
      return readDrawingAttachment(raw);
    case 3:
      return readFormulaAttachment(raw);
    case 4:
      return readPlaceAttachment(raw);
    default:
      return null;
  }
}

export function writeAttachment(v: Attachment): Raw {
  switch (v.kind) {
    case 'picture':
      return writePictureAttachment(v);
    case 'drawing':
      return writeDrawingAttachment(v);
    case 'formula':
      return writeFormulaAttachment(v);
    case 'place':
      return writePlaceAttachment(v);
  }
}

/** One property of one thing, and what it is now. A closed set. */
export interface Change {
  readonly property: Property;
  readonly target: number;
  /** Undefined where this reader may not know it. */
  readonly value: Value | undefined;
}

export type Value =
  | Grip
  | LengthUnit
  | MarkBody
  | PageSize
  | Paper
  | Place
  | Scale
  | Stimulus
  | Style
  | Texts
  | ToolSet
  | Wording
  | boolean
  | null
  | number
  | readonly Part[]
  | readonly Texts[]
  | readonly number[];

export interface Wording {
  readonly words: Words;
  readonly width: number;
  readonly height: number;
}

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
    default:
      return head;
  }
}

/** Something that a client asks of a room. Closed sets: see MarkCommands, LessonCommands, WallCommands. */
export type Command =
  | AddMark
  | MakeChanges
  | UndoGesture
  | RedoGesture
  | AcceptLateWork
  | DiscardLateWork
  | AddMarks
  | AddPage
  | SetDoor
  | GiveSignal
  | SetPens
  | CloseLesson
  | ReopenLesson
  | AdmitPerson
  | TurnAway
  | RemovePerson
  | SetGroups
  | UndoGroups
  | RedoGroups
  | MaskNames
  | SetSight
  | ConfirmLateChange
  | SetTimes
  | HandIn
  | TakeWorkBack
  | SetPart
  | PutUpCard
  | RewordCard
  | MoveCard
  | TakeCardDown
  | PutCardBack
  | SetPlan
  | AnswerCard
  | RewordAnswer
  | TakeAnswerDown
  | PutAnswerBack
  | JudgeCard
  | ShowResults
  | GoOnJudging
  | AskToo
  | FileQuestion
  | BeginTrip
  | MoveOn
  | EndTrip
  | VisitStation
  | PlaceCard
  | ShowOrder
  | LinkCards
  | RewordLink
  | ReverseLink
  | TakeLinkDown
  | PutLinkBack
  | LayCard
  | TidyField
  | LayCards
  | LetCardsOut;

/** Null if it is of a kind that came later. */
export function readCommand(kind: number, raw: Raw): Command | null {
  switch (kind) {
    case 1:
      return readAddMark(raw);
    case 2:
      return readMakeChanges(raw);
    case 3:
      return readUndoGesture(raw);
    case 4:
      return readRedoGesture(raw);
    case 5:
      return readAcceptLateWork(raw);
    case 6:
      return readDiscardLateWork(raw);
    case 7:
      return readAddMarks(raw);
    case 8:
      return readAddPage(raw);
    case 20:
      return readSetDoor(raw);
    case 21:
      return readGiveSignal(raw);
    case 22:
      return readSetPens(raw);
    case 23:
      return readCloseLesson(raw);
    case 24:
      return readReopenLesson(raw);
    case 25:
      return readAdmitPerson(raw);
    case 26:
      return readTurnAway(raw);
    case 27:
      return readRemovePerson(raw);
    case 28:
      return readSetGroups(raw);
    case 29:
      return readUndoGroups(raw);
    case 30:
      return readRedoGroups(raw);
    case 31:
      return readMaskNames(raw);
    case 32:
      return readSetSight(raw);
    case 33:
      return readConfirmLateChange(raw);
    case 34:
      return readSetTimes(raw);
    case 35:
      return readHandIn(raw);
    case 36:
      return readTakeWorkBack(raw);
    case 37:
      return readSetPart(raw);
    case 40:
      return readPutUpCard(raw);
    case 41:
      return readRewordCard(raw);
    case 42:
      return readMoveCard(raw);
    case 43:
      return readTakeCardDown(raw);
    case 44:
      return readPutCardBack(raw);
    case 45:
      return readSetPlan(raw);
    case 46:
      return readAnswerCard(raw);
    case 47:
      return readRewordAnswer(raw);
    case 48:
      return readTakeAnswerDown(raw);
    case 49:
      return readPutAnswerBack(raw);
    case 50:
      return readJudgeCard(raw);
    case 51:
      return readShowResults(raw);
    case 52:
      return readGoOnJudging(raw);
    case 53:
      return readAskToo(raw);
    case 54:
      return readFileQuestion(raw);
    case 55:
      return readBeginTrip(raw);
    case 56:
      return readMoveOn(raw);
    case 57:
      return readEndTrip(raw);
    case 58:
      return readVisitStation(raw);
    case 59:
      return readPlaceCard(raw);
    case 60:
      return readShowOrder(raw);
    case 61:
      return readLinkCards(raw);
    case 62:
      return readRewordLink(raw);
    case 63:
      return readReverseLink(raw);
    case 64:
      return readTakeLinkDown(raw);
    case 65:
      return readPutLinkBack(raw);
    case 66:
      return readLayCard(raw);
    case 67:
      return readTidyField(raw);
    case 68:
      return readLayCards(raw);
    case 69:
      return readLetCardsOut(raw);
    default:
      return null;
  }
}

export function writeCommand(v: Command): [number, Raw] {
  switch (v.kind) {
    case 'addMark':
      return [1, writeAddMark(v)];
    case 'makeChanges':
      return [2, writeMakeChanges(v)];
    case 'undoGesture':
      return [3, writeUndoGesture(v)];
    case 'redoGesture':
      return [4, writeRedoGesture(v)];
    case 'acceptLateWork':
      return [5, writeAcceptLateWork(v)];
    case 'discardLateWork':
      return [6, writeDiscardLateWork(v)];
    case 'addMarks':
      return [7, writeAddMarks(v)];
    case 'addPage':
      return [8, writeAddPage(v)];
    case 'setDoor':
      return [20, writeSetDoor(v)];
    case 'giveSignal':
      return [21, writeGiveSignal(v)];
    case 'setPens':
      return [22, writeSetPens(v)];
    case 'closeLesson':
      return [23, writeCloseLesson(v)];
    case 'reopenLesson':
      return [24, writeReopenLesson(v)];
    case 'admitPerson':
      return [25, writeAdmitPerson(v)];
    case 'turnAway':
      return [26, writeTurnAway(v)];
    case 'removePerson':
      return [27, writeRemovePerson(v)];
    case 'setGroups':
      return [28, writeSetGroups(v)];
    case 'undoGroups':
      return [29, writeUndoGroups(v)];
    case 'redoGroups':
      return [30, writeRedoGroups(v)];
    case 'maskNames':
      return [31, writeMaskNames(v)];
    case 'setSight':
      return [32, writeSetSight(v)];
    case 'confirmLateChange':
      return [33, writeConfirmLateChange(v)];
    case 'setTimes':
      return [34, writeSetTimes(v)];
    case 'handIn':
      return [35, writeHandIn(v)];
    case 'takeWorkBack':
      return [36, writeTakeWorkBack(v)];
    case 'setPart':
      return [37, writeSetPart(v)];
    case 'putUpCard':
      return [40, writePutUpCard(v)];
    case 'rewordCard':
      return [41, writeRewordCard(v)];
    case 'moveCard':
      return [42, writeMoveCard(v)];
    case 'takeCardDown':
      return [43, writeTakeCardDown(v)];
    case 'putCardBack':
      return [44, writePutCardBack(v)];
    case 'setPlan':
      return [45, writeSetPlan(v)];
    case 'answerCard':
      return [46, writeAnswerCard(v)];
    case 'rewordAnswer':
      return [47, writeRewordAnswer(v)];
    case 'takeAnswerDown':
      return [48, writeTakeAnswerDown(v)];
    case 'putAnswerBack':
      return [49, writePutAnswerBack(v)];
    case 'judgeCard':
      return [50, writeJudgeCard(v)];
    case 'showResults':
      return [51, writeShowResults(v)];
    case 'goOnJudging':
      return [52, writeGoOnJudging(v)];
    case 'askToo':
      return [53, writeAskToo(v)];
    case 'fileQuestion':
      return [54, writeFileQuestion(v)];
    case 'beginTrip':
      return [55, writeBeginTrip(v)];
    case 'moveOn':
      return [56, writeMoveOn(v)];
    case 'endTrip':
      return [57, writeEndTrip(v)];
    case 'visitStation':
      return [58, writeVisitStation(v)];
    case 'placeCard':
      return [59, writePlaceCard(v)];
    case 'showOrder':
      return [60, writeShowOrder(v)];
    case 'linkCards':
      return [61, writeLinkCards(v)];
    case 'rewordLink':
      return [62, writeRewordLink(v)];
    case 'reverseLink':
      return [63, writeReverseLink(v)];
    case 'takeLinkDown':
      return [64, writeTakeLinkDown(v)];
    case 'putLinkBack':
      return [65, writePutLinkBack(v)];
    case 'layCard':
      return [66, writeLayCard(v)];
    case 'tidyField':
      return [67, writeTidyField(v)];
    case 'layCards':
      return [68, writeLayCards(v)];
    case 'letCardsOut':
      return [69, writeLetCardsOut(v)];
  }
}

/** What a mark is made of: a closed set, one record for each kind, in Bodies. All that the core has to know of a kind is what is asked for here. Places and sizes are in page coordinates, 1/100 mm. */
export type MarkBody =
  | InkBody
  | TextBody
  | NoteBody
  | ShapeBody
  | PictureBody
  | BubbleBody
  | FormulaBody
  | StampBody
  | ConnectorBody
  | ZoneBody;

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
  }
}

/** Something that happened in a room. Closed sets, beside the commands. */
export type RoomEvent =
  | ClientAdmitted
  | Redacted
  | DraftStarted
  | DraftReplaced
  | MarkAdded
  | ChangesMade
  | GestureUndone
  | GestureRedone
  | WorkSetAside
  | LateWorkAccepted
  | LateWorkDiscarded
  | MarksAdded
  | PageAdded
  | WorkBrought
  | LateChangeAdopted
  | KeySet
  | LessonOpened
  | PersonJoined
  | DoorSet
  | SignalGiven
  | PensSet
  | PensConfirmed
  | LessonClosed
  | LessonReopened
  | PeopleExpected
  | PersonAsked
  | PersonAdmitted
  | PersonTurnedAway
  | PersonRemoved
  | GroupsSet
  | GroupsUndone
  | GroupsRedone
  | SeatsConfirmed
  | NamesMasked
  | SightSet
  | LateChangeHandedOut
  | LateChangeTakenBack
  | LateChangeReceived
  | TimesSet
  | MomentCame
  | WorkHandedIn
  | WorkTakenBack
  | SentAway
  | WorkWaits
  | PersonBrought
  | PartsPlanned
  | PartSet
  | CardPutUp
  | CardReworded
  | CardMoved
  | CardTakenDown
  | CardPutBack
  | PlanSet
  | CardsBrought
  | CardsShown
  | CardAnswered
  | AnswerReworded
  | AnswerTakenDown
  | AnswerPutBack
  | CardJudged
  | ResultsShown
  | JudgingWentOn
  | AskedToo
  | QuestionFiled
  | TripBegun
  | TripMovedOn
  | TripEnded
  | StationVisited
  | CardPlaced
  | CardPlacedAlone
  | OrderShown
  | OrderHidden
  | CardsLinked
  | LinkReworded
  | LinkReversed
  | LinkTakenDown
  | LinkPutBack
  | CardLaid
  | FieldLaid
  | CardsLetOut;

/** Null if it is of a kind that came later. */
export function readRoomEvent(kind: number, raw: Raw): RoomEvent | null {
  switch (kind) {
    case 1:
      return readClientAdmitted(raw);
    case 2:
      return readRedacted(raw);
    case 3:
      return readDraftStarted(raw);
    case 4:
      return readDraftReplaced(raw);
    case 10:
      return readMarkAdded(raw);
    case 11:
      return readChangesMade(raw);
    case 12:
      return readGestureUndone(raw);
    case 13:
      return readGestureRedone(raw);
    case 14:
      return readWorkSetAside(raw);
    case 15:
      return readLateWorkAccepted(raw);
    case 16:
      return readLateWorkDiscarded(raw);
    case 17:
      return readMarksAdded(raw);
    case 18:
      return readPageAdded(raw);
    case 19:
      return readWorkBrought(raw);
    case 20:
      return readLateChangeAdopted(raw);
    case 21:
      return readKeySet(raw);
    case 30:
      return readLessonOpened(raw);
    case 31:
      return readPersonJoined(raw);
    case 32:
      return readDoorSet(raw);
    case 33:
      return readSignalGiven(raw);
    case 34:
      return readPensSet(raw);
    case 35:
      return readPensConfirmed(raw);
    case 36:
      return readLessonClosed(raw);
    case 37:
      return readLessonReopened(raw);
    case 38:
      return readPeopleExpected(raw);
    case 39:
      return readPersonAsked(raw);
    case 40:
      return readPersonAdmitted(raw);
    case 41:
      return readPersonTurnedAway(raw);
    case 42:
      return readPersonRemoved(raw);
    case 43:
      return readGroupsSet(raw);
    case 44:
      return readGroupsUndone(raw);
    case 45:
      return readGroupsRedone(raw);
    case 46:
      return readSeatsConfirmed(raw);
    case 47:
      return readNamesMasked(raw);
    case 48:
      return readSightSet(raw);
    case 49:
      return readLateChangeHandedOut(raw);
    case 50:
      return readLateChangeTakenBack(raw);
    case 51:
      return readLateChangeReceived(raw);
    case 52:
      return readTimesSet(raw);
    case 53:
      return readMomentCame(raw);
    case 54:
      return readWorkHandedIn(raw);
    case 55:
      return readWorkTakenBack(raw);
    case 56:
      return readSentAway(raw);
    case 57:
      return readWorkWaits(raw);
    case 58:
      return readPersonBrought(raw);
    case 59:
      return readPartsPlanned(raw);
    case 60:
      return readPartSet(raw);
    case 70:
      return readCardPutUp(raw);
    case 71:
      return readCardReworded(raw);
    case 72:
      return readCardMoved(raw);
    case 73:
      return readCardTakenDown(raw);
    case 74:
      return readCardPutBack(raw);
    case 75:
      return readPlanSet(raw);
    case 76:
      return readCardsBrought(raw);
    case 77:
      return readCardsShown(raw);
    case 78:
      return readCardAnswered(raw);
    case 79:
      return readAnswerReworded(raw);
    case 80:
      return readAnswerTakenDown(raw);
    case 81:
      return readAnswerPutBack(raw);
    case 82:
      return readCardJudged(raw);
    case 83:
      return readResultsShown(raw);
    case 84:
      return readJudgingWentOn(raw);
    case 85:
      return readAskedToo(raw);
    case 86:
      return readQuestionFiled(raw);
    case 87:
      return readTripBegun(raw);
    case 88:
      return readTripMovedOn(raw);
    case 89:
      return readTripEnded(raw);
    case 90:
      return readStationVisited(raw);
    case 91:
      return readCardPlaced(raw);
    case 92:
      return readCardPlacedAlone(raw);
    case 93:
      return readOrderShown(raw);
    case 94:
      return readOrderHidden(raw);
    case 95:
      return readCardsLinked(raw);
    case 96:
      return readLinkReworded(raw);
    case 97:
      return readLinkReversed(raw);
    case 98:
      return readLinkTakenDown(raw);
    case 99:
      return readLinkPutBack(raw);
    case 100:
      return readCardLaid(raw);
    case 101:
      return readFieldLaid(raw);
    case 102:
      return readCardsLetOut(raw);
    default:
      return null;
  }
}

/** A room's state in one piece, by the numbers of RoomKind. */
export type RoomSnapshot =
  | DraftSnapshot
  | LessonSnapshot
  | BoardSnapshot
  | WallSnapshot;

/** Null if it is of a kind that came later. */
export function readRoomSnapshot(kind: number, raw: Raw): RoomSnapshot | null {
  switch (kind) {
    case 1:
      return readDraftSnapshot(raw);
    case 2:
      return readLessonSnapshot(raw);
    case 3:
      return readBoardSnapshot(raw);
    case 4:
      return readWallSnapshot(raw);
    default:
      return null;
  }
}

/** Staff: put work that was set aside in place after all. The number is that of the event that set it aside. */
export interface AcceptLateWork {
  readonly kind: 'acceptLateWork';
  readonly number: number;
}

export function readAcceptLateWork(raw: Raw): AcceptLateWork {
  return {
    kind: 'acceptLateWork',
    number: raw[0],
  };
}

export function writeAcceptLateWork(v: AcceptLateWork): Raw {
  return [v.number];
}

/** Who acts in a room. The number is opaque, belongs to one lesson, and is the only trace of a person in a log. */
export interface Actor {
  /** 1 is the owner; participants count on from 2; 0 is the program. */
  readonly number: number;
  /** The rights of this moment. */
  readonly role: Role;
}

export function readActor(raw: Raw): Actor {
  return {
    number: raw[0],
    role: raw[1],
  };
}

/** Put a new mark on a page. */
export interface AddMark {
  readonly kind: 'addMark';
  readonly id: number;
  readonly page: number;
  readonly grip: Grip;
  readonly body: MarkBody;
  readonly style: Style;
}

export function readAddMark(raw: Raw): AddMark {
  return {
    kind: 'addMark',
    id: raw[0],
    page: raw[1],
    grip: raw[2],
    body: known(readMarkBody(raw[3])),
    style: readStyle(raw[4]),
  };
}

export function writeAddMark(v: AddMark): Raw {
  return [v.id, v.page, v.grip, writeMarkBody(v.body), writeStyle(v.style)];
}

/** Put several marks on a page at once, all or none: pasted, duplicated, or an organizer. Back to front. */
export interface AddMarks {
  readonly kind: 'addMarks';
  readonly page: number;
  readonly marks: readonly NewMark[];
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

/** Drafts: put a new page in, before those of a larger order. */
export interface AddPage {
  readonly kind: 'addPage';
  readonly page: Page;
  readonly order: number;
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

/** Staff: let somebody in who waits, or who was taken out or turned away. */
export interface AdmitPerson {
  readonly kind: 'admitPerson';
  readonly person: number;
}

export function readAdmitPerson(raw: Raw): AdmitPerson {
  return {
    kind: 'admitPerson',
    person: raw[0],
  };
}

export function writeAdmitPerson(v: AdmitPerson): Raw {
  return [v.person];
}

/** A late change as a board knows it. */
export interface Adopted {
  readonly number: number;
  readonly page: number;
  readonly givenUp: boolean;
}

export function readAdopted(raw: Raw): Adopted {
  return {
    number: raw[0],
    page: raw[1],
    givenUp: raw[2],
  };
}

/** What somebody says to a card, or to another answer to it. It is seen by whoever sees the card. */
export interface Answer {
  /** Of the tab in which it was written (Ids); its own among those to one card. */
  readonly id: number;
  /** The answer that it answers; 0 for the card itself. */
  readonly to: number;
  /** Whose it is, by actor number. */
  readonly author: number;
  /** Whether a teacher said it. */
  readonly byStaff: boolean;
  /** A BCP 47 tag; empty if it is not known. */
  readonly language: string;
  /** What it says. */
  readonly text: string;
  /** When, server time in ms. */
  readonly saidAt: number;
  /** Who took it down, by actor number; 0 while it is up. Then only its author and teachers see it. */
  readonly downBy: number;
  /** Whether a teacher said it aloud: the text is a note of what was said, and may be empty. */
  readonly aloud: boolean;
  /** What it says of the card. */
  readonly says: AnswerKind;
}

export function readAnswer(raw: Raw): Answer {
  return {
    id: raw[0],
    to: raw[1],
    author: raw[2],
    byStaff: raw[3],
    language: raw[4],
    text: raw[5],
    saidAt: raw[6],
    downBy: raw[7],
    aloud: raw[8] ?? false,
    says: raw[9] ?? 0,
  };
}

/** Say something to a card, or to another answer to it. */
export interface AnswerCard {
  readonly kind: 'answerCard';
  /** The card. */
  readonly card: number;
  /** Of the answer. */
  readonly id: number;
  /** The answer that it answers; 0 for the card itself. */
  readonly to: number;
  /** A BCP 47 tag. */
  readonly language: string;
  /** What it says. */
  readonly text: string;
  /** Whether a teacher said it aloud; the text is a note of it. */
  readonly aloud: boolean;
  /** What it says of the card. */
  readonly says: AnswerKind;
}

export function readAnswerCard(raw: Raw): AnswerCard {
  return {
    kind: 'answerCard',
    card: raw[0],
    id: raw[1],
    to: raw[2],
    language: raw[3],
    text: raw[4],
    aloud: raw[5] ?? false,
    says: raw[6] ?? 0,
  };
}

export function writeAnswerCard(v: AnswerCard): Raw {
  const raw: Raw = [v.card, v.id, v.to, v.language, v.text];
  if (v.aloud || v.says !== 0) raw.push(v.aloud);
  if (v.says !== 0) raw.push(v.says);
  return raw;
}

/** The answer key of a board, whole: what only teachers see, and what is expected of zones. */
export interface AnswerKey {
  /** The marks of the key, by id. */
  readonly marks: readonly Mark[];
  /** The zones of which something is expected, by id. */
  readonly zones: readonly ZoneKey[];
}

export function readAnswerKey(raw: Raw): AnswerKey {
  return {
    marks: raw[0].map((x: Raw) => readMark(x)),
    zones: raw[1].map((x: Raw) => readZoneKey(x)),
  };
}

/** An answer is up again, as it stands: for those who never saw it. */
export interface AnswerPutBack {
  readonly kind: 'answerPutBack';
  readonly card: number;
  readonly answer: Answer;
  readonly whose: number;
}

export function readAnswerPutBack(raw: Raw): AnswerPutBack {
  return {
    kind: 'answerPutBack',
    card: raw[0],
    answer: readAnswer(raw[1]),
    whose: raw[2],
  };
}

/** An answer says something else. */
export interface AnswerReworded {
  readonly kind: 'answerReworded';
  readonly card: number;
  readonly id: number;
  readonly language: string;
  readonly text: string;
  readonly whose: number;
}

export function readAnswerReworded(raw: Raw): AnswerReworded {
  return {
    kind: 'answerReworded',
    card: raw[0],
    id: raw[1],
    language: raw[2],
    text: raw[3],
    whose: raw[4],
  };
}

/** An answer was taken down by the actor of the event. */
export interface AnswerTakenDown {
  readonly kind: 'answerTakenDown';
  readonly card: number;
  readonly id: number;
  readonly whose: number;
}

export function readAnswerTakenDown(raw: Raw): AnswerTakenDown {
  return {
    kind: 'answerTakenDown',
    card: raw[0],
    id: raw[1],
    whose: raw[2],
  };
}

/** Say that one asks the same, or with On false that one does not any more. */
export interface AskToo {
  readonly kind: 'askToo';
  readonly card: number;
  readonly on: boolean;
}

export function readAskToo(raw: Raw): AskToo {
  return {
    kind: 'askToo',
    card: raw[0],
    on: raw[1],
  };
}

export function writeAskToo(v: AskToo): Raw {
  return [v.card, v.on];
}

/** The actor asks the same as a card, or does not any more. Whose: the card's author where classmates do not see the card; else 0. So in the next. */
export interface AskedToo {
  readonly kind: 'askedToo';
  readonly card: number;
  readonly on: boolean;
  readonly whose: number;
}

export function readAskedToo(raw: Raw): AskedToo {
  return {
    kind: 'askedToo',
    card: raw[0],
    on: raw[1],
    whose: raw[2],
  };
}

/** The numbers along an axis, in thousandths, so that steps of a tenth are exact. */
export interface Axis {
  /** The first number. */
  readonly from: number;
  /** The last number; larger than the first. */
  readonly to: number;
  /** From one line to the next. */
  readonly step: number;
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

/** Staff: groups set out on a round trip. */
export interface BeginTrip {
  readonly kind: 'beginTrip';
  readonly groups: readonly TripGroup[];
}

export function readBeginTrip(raw: Raw): BeginTrip {
  return {
    kind: 'beginTrip',
    groups: raw[0].map((x: Raw) => readTripGroup(x)),
  };
}

export function writeBeginTrip(v: BeginTrip): Raw {
  return [v.groups.map((x) => writeTripGroup(x))];
}

/** What a snapshot says of a board. */
export interface BoardSnapshot {
  readonly kind: 'board';
  /** The pages with all marks. */
  readonly sheets: SheetsSnapshot;
  /** Work waiting for the teacher's decision. */
  readonly setAside: readonly LateWork[];
  /** When a student last changed something here, server time in ms; null if none has. */
  readonly lastActivity: number | null;
  /** The late changes that it was given. */
  readonly adopted: readonly Adopted[];
  /** What each student did last here; told to teachers. */
  readonly acts: readonly LastAct[];
}

export function readBoardSnapshot(raw: Raw): BoardSnapshot {
  return {
    kind: 'board',
    sheets: readSheetsSnapshot(raw[0]),
    setAside: raw[1].map((x: Raw) => readLateWork(x)),
    lastActivity: raw[2] < 0 ? null : raw[2],
    adopted: raw[3].map((x: Raw) => readAdopted(x)),
    acts: raw[4].map((x: Raw) => readLastAct(x)),
  };
}

/** Words in a bubble whose tip points at who or what says them. X, Y is the top left corner of the bubble without its tip. */
export interface BubbleBody {
  readonly kind: 'bubble';
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly words: Words;
  readonly tipX: number;
  readonly tipY: number;
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

/** A slip on a wall: words, and what is shown beside them. */
export interface Card {
  /** Of the tab that put it up (Ids). */
  readonly id: number;
  /** Where it is now. */
  readonly topic: number;
  /** Where it was put up. */
  readonly putUnder: number;
  /** Whose it is, by actor number. */
  readonly author: number;
  /** Whether a teacher put it up. */
  readonly byStaff: boolean;
  /** Smaller comes first in its topic. */
  readonly order: number;
  /** A BCP 47 tag; empty if it is not known. */
  readonly language: string;
  /** What it says; may be empty where something is shown. The first line may stand large. */
  readonly text: string;
  /** When, server time in ms. */
  readonly putUpAt: number;
  /** Who took it down, by actor number; 0 while it is up. Then only its author and teachers see it. */
  readonly downBy: number;
  /** What is said to it, by id; null for nothing. */
  readonly answers: readonly Answer[];
  /** What is shown beside its words; null for nothing. */
  readonly attachments: readonly Attachment[];
  /** Of a question: who else asks it, by actor number, in order; null for nobody. */
  readonly askedToo: readonly number[];
  /** Of a question: the answer that answers it; 0 for none. One that was taken down answers nothing. */
  readonly answeredBy: number;
  /** On a line that all share: where it stands; null if it is not placed. */
  readonly at: LineSpot | null;
  /** Which teacher put up what its author said aloud, by actor number; 0: the author did. */
  readonly putUpBy: number;
  /** Where it lies on a free field; null if it was never put there. */
  readonly spot: FieldSpot | null;
}

export function readCard(raw: Raw): Card {
  return {
    id: raw[0],
    topic: raw[1],
    putUnder: raw[2],
    author: raw[3],
    byStaff: raw[4],
    order: raw[5],
    language: raw[6],
    text: raw[7],
    putUpAt: raw[8],
    downBy: raw[9],
    answers: (raw[10] ?? []).map((x: Raw) => readAnswer(x)),
    attachments: (raw[11] ?? []).map((x: Raw) => known(readAttachment(x))),
    askedToo: (raw[12] ?? []),
    answeredBy: raw[13] ?? 0,
    at: raw[14] == null ? null : readLineSpot(raw[14]),
    putUpBy: raw[15] ?? 0,
    spot: raw[16] == null ? null : readFieldSpot(raw[16]),
  };
}

/** Something is said to a card. Whose: the card's author where classmates do not see the card; else 0. So in the events that follow. */
export interface CardAnswered {
  readonly kind: 'cardAnswered';
  readonly card: number;
  readonly answer: Answer;
  readonly whose: number;
}

export function readCardAnswered(raw: Raw): CardAnswered {
  return {
    kind: 'cardAnswered',
    card: raw[0],
    answer: readAnswer(raw[1]),
    whose: raw[2],
  };
}

/** The actor says something of a card. */
export interface CardJudged {
  readonly kind: 'cardJudged';
  readonly card: number;
  readonly value: number;
}

export function readCardJudged(raw: Raw): CardJudged {
  return {
    kind: 'cardJudged',
    card: raw[0],
    value: raw[1],
  };
}

/** A card lies somewhere else on the field. Whose: the card's author where classmates do not see the card; else 0. */
export interface CardLaid {
  readonly kind: 'cardLaid';
  readonly card: number;
  readonly spot: FieldSpot;
  readonly whose: number;
}

export function readCardLaid(raw: Raw): CardLaid {
  return {
    kind: 'cardLaid',
    card: raw[0],
    spot: readFieldSpot(raw[1]),
    whose: raw[2],
  };
}

/** A card is somewhere else. Whose: the author's actor number where classmates do not see the card; else 0. */
export interface CardMoved {
  readonly kind: 'cardMoved';
  readonly id: number;
  readonly topic: number;
  readonly order: number;
  readonly whose: number;
}

export function readCardMoved(raw: Raw): CardMoved {
  return {
    kind: 'cardMoved',
    id: raw[0],
    topic: raw[1],
    order: raw[2],
    whose: raw[3] ?? 0,
  };
}

/** A card stands somewhere on the line that all share, or is off it. Whose: the card's author where classmates do not see the card; else 0. */
export interface CardPlaced {
  readonly kind: 'cardPlaced';
  readonly card: number;
  readonly at: LineSpot | null;
  readonly whose: number;
}

export function readCardPlaced(raw: Raw): CardPlaced {
  return {
    kind: 'cardPlaced',
    card: raw[0],
    at: raw[1] == null ? null : readLineSpot(raw[1]),
    whose: raw[2],
  };
}

/** A card stands somewhere in the actor's own placement, or is off it. */
export interface CardPlacedAlone {
  readonly kind: 'cardPlacedAlone';
  readonly card: number;
  readonly at: LineSpot | null;
}

export function readCardPlacedAlone(raw: Raw): CardPlacedAlone {
  return {
    kind: 'cardPlacedAlone',
    card: raw[0],
    at: raw[1] == null ? null : readLineSpot(raw[1]),
  };
}

/** A card is up again, as it stands, with its links: for those who never saw it. */
export interface CardPutBack {
  readonly kind: 'cardPutBack';
  readonly card: Card;
  readonly links: readonly Link[];
}

export function readCardPutBack(raw: Raw): CardPutBack {
  return {
    kind: 'cardPutBack',
    card: readCard(raw[0]),
    links: (raw[1] ?? []).map((x: Raw) => readLink(x)),
  };
}

/** A card is up. */
export interface CardPutUp {
  readonly kind: 'cardPutUp';
  readonly card: Card;
}

export function readCardPutUp(raw: Raw): CardPutUp {
  return {
    kind: 'cardPutUp',
    card: readCard(raw[0]),
  };
}

/** What all said of a card in a round, in numbers. It is seen by all, once a teacher has shown it. */
export interface CardResult {
  /** In which round, from 1. */
  readonly round: number;
  /** Of which card. */
  readonly card: number;
  /** How many said each: agree, unsure, disagree; or how many chose it. */
  readonly counts: readonly number[];
}

export function readCardResult(raw: Raw): CardResult {
  return {
    round: raw[0],
    card: raw[1],
    counts: raw[2],
  };
}

/** A card says something else, or shows something else. Whose: the author's actor number where classmates do not see the card; else 0. */
export interface CardReworded {
  readonly kind: 'cardReworded';
  readonly id: number;
  readonly language: string;
  readonly text: string;
  readonly whose: number;
  readonly attachments: readonly Attachment[];
}

export function readCardReworded(raw: Raw): CardReworded {
  return {
    kind: 'cardReworded',
    id: raw[0],
    language: raw[1],
    text: raw[2],
    whose: raw[3] ?? 0,
    attachments: (raw[4] ?? []).map((x: Raw) => known(readAttachment(x))),
  };
}

/** Where a card lies on the field. */
export interface CardSpot {
  readonly card: number;
  readonly spot: FieldSpot;
}

export function readCardSpot(raw: Raw): CardSpot {
  return {
    card: raw[0],
    spot: readFieldSpot(raw[1]),
  };
}

export function writeCardSpot(v: CardSpot): Raw {
  return [v.card, writeFieldSpot(v.spot)];
}

/** A card was taken down by the actor of the event. Whose: the author's actor number where classmates do not see the card; else 0. */
export interface CardTakenDown {
  readonly kind: 'cardTakenDown';
  readonly id: number;
  readonly whose: number;
}

export function readCardTakenDown(raw: Raw): CardTakenDown {
  return {
    kind: 'cardTakenDown',
    id: raw[0],
    whose: raw[1] ?? 0,
  };
}

/** Cards from an archive are up. */
export interface CardsBrought {
  readonly kind: 'cardsBrought';
  /** What was planned for the wall at last. */
  readonly plan: WallPlan;
  /** The cards. */
  readonly cards: readonly Card[];
  /** When a student last changed it, ms; null if none did. */
  readonly changedAt: number | null;
  /** What all said of them; null for nothing. */
  readonly results: readonly CardResult[];
  /** The order of the class that was shown; null for none. */
  readonly order: ClassOrder | null;
  /** Those between its cards; null for none. */
  readonly links: readonly Link[];
}

export function readCardsBrought(raw: Raw): CardsBrought {
  return {
    kind: 'cardsBrought',
    plan: readWallPlan(raw[0]),
    cards: raw[1].map((x: Raw) => readCard(x)),
    changedAt: raw[2] ?? null,
    results: (raw[3] ?? []).map((x: Raw) => readCardResult(x)),
    order: raw[4] == null ? null : readClassOrder(raw[4]),
    links: (raw[5] ?? []).map((x: Raw) => readLink(x)),
  };
}

/** What students have done since the last time is seen by their classmates, all together: cards as they are now, whatever was done with them. Who has done something was told of it at once. */
export interface CardsLetOut {
  readonly kind: 'cardsLetOut';
  /** Whether each sees only their own cards, and the teachers'. */
  readonly ownFirst: boolean;
  /** Those that are new or other than they were; what is down is told to its author and teachers. */
  readonly cards: readonly Card[];
  /** Those that were up and are not any more. */
  readonly down: readonly number[];
  /** Links that are new or other than they were. */
  readonly links: readonly Link[];
  /** Those that are not there any more. */
  readonly linksDown: readonly number[];
  /** Students' links that do not stand and are other than they were: for whoever made them, and teachers. */
  readonly apart: readonly Link[];
}

export function readCardsLetOut(raw: Raw): CardsLetOut {
  return {
    kind: 'cardsLetOut',
    ownFirst: raw[0],
    cards: raw[1].map((x: Raw) => readCard(x)),
    down: raw[2],
    links: raw[3].map((x: Raw) => readLink(x)),
    linksDown: raw[4],
    apart: raw[5].map((x: Raw) => readLink(x)),
  };
}

/** Cards are linked. Whose: who alone is told of it besides teachers, by actor number; 0: all; Nobody: nobody. So in the events that follow. */
export interface CardsLinked {
  readonly kind: 'cardsLinked';
  readonly link: Link;
  readonly whose: number;
}

export function readCardsLinked(raw: Raw): CardsLinked {
  return {
    kind: 'cardsLinked',
    link: readLink(raw[0]),
    whose: raw[1],
  };
}

/** Everybody sees all cards now, who saw only their own before: the plan, and every card that is up. */
export interface CardsShown {
  readonly kind: 'cardsShown';
  /** What is planned for the wall now. */
  readonly plan: WallPlan;
  /** The cards. */
  readonly cards: readonly Card[];
  /** Those between them; null for none. */
  readonly links: readonly Link[];
}

export function readCardsShown(raw: Raw): CardsShown {
  return {
    kind: 'cardsShown',
    plan: readWallPlan(raw[0]),
    cards: raw[1].map((x: Raw) => readCard(x)),
    links: (raw[2] ?? []).map((x: Raw) => readLink(x)),
  };
}

/** Properties have new values. */
export interface ChangesMade {
  readonly kind: 'changesMade';
  /** The values. */
  readonly changes: readonly Change[];
  /** The marks that are back with it, whole as they stand now: for those who never saw them. Null for none. */
  readonly back: readonly Mark[];
}

export function readChangesMade(raw: Raw): ChangesMade {
  return {
    kind: 'changesMade',
    changes: raw[0].map((x: Raw) => readChange(x)),
    back: (raw[1] ?? []).map((x: Raw) => readMark(x)),
  };
}

/** The order of the class, computed from placements of each student's own, and how far they agree. A card stands at the median of its places; where two stand at the same, first is the one that was placed before others more often, of all comparisons with another card by somebody who placed both (J.-C. de Borda, "Mémoire sur les élections au scrutin", 1781). Quartiles are those of R. J. Hyndman, Y. Fan, "Sample quantiles in statistical packages", The American Statistician 50, 1996, definition 7.Agreement: of all pairs of students who both placed the same two cards, and neither at the same spot, how many have them in the same order. It is what the coefficient of agreement u = 2 · / − 1 is made of (M. G. Kendall, B. Babington Smith, "On the method of paired comparisons", Biometrika 31, 1940), which needs nobody to have placed everything. */
export interface ClassOrder {
  /** On which kind of line. */
  readonly kind: LineKind;
  /** How many placed anything. */
  readonly people: number;
  /** In the order of the class. */
  readonly places: readonly ClassPlace[];
  /** How many of those comparisons are alike. */
  readonly alike: number;
  /** How many comparisons of two students there are. */
  readonly compared: number;
  /** In a field: how many are alike of those by how far up cards are. */
  readonly alikeUp: number;
  /** In a field: how many of those there are. */
  readonly comparedUp: number;
}

export function readClassOrder(raw: Raw): ClassOrder {
  return {
    kind: raw[0],
    people: raw[1],
    places: raw[2].map((x: Raw) => readClassPlace(x)),
    alike: raw[3],
    compared: raw[4],
    alikeUp: raw[5],
    comparedUp: raw[6],
  };
}

/** Where the class places a card. */
export interface ClassPlace {
  /** Which card. */
  readonly card: number;
  /** How many placed it. */
  readonly people: number;
  /** The median of their places, in the measure of the line. */
  readonly middle: number;
  /** A quarter of them placed it before this. */
  readonly low: number;
  /** A quarter of them placed it behind this. */
  readonly high: number;
  /** In a field: the same of how far up it is; else null. */
  readonly up: ClassUp | null;
}

export function readClassPlace(raw: Raw): ClassPlace {
  return {
    card: raw[0],
    people: raw[1],
    middle: raw[2],
    low: raw[3],
    high: raw[4],
    up: raw[5] == null ? null : readClassUp(raw[5]),
  };
}

/** How far up in a field the class places a card: the median, and between where half of them have it. */
export interface ClassUp {
  readonly middle: number;
  readonly low: number;
  readonly high: number;
}

export function readClassUp(raw: Raw): ClassUp {
  return {
    middle: raw[0],
    low: raw[1],
    high: raw[2],
  };
}

/** A tab of the event's actor got a client number. */
export interface ClientAdmitted {
  readonly kind: 'clientAdmitted';
  readonly number: number;
}

export function readClientAdmitted(raw: Raw): ClientAdmitted {
  return {
    kind: 'clientAdmitted',
    number: raw[0],
  };
}

/** Staff: end the lesson. The boards stay readable, the code stays. */
export interface CloseLesson {
  readonly kind: 'closeLesson';
}

export function readCloseLesson(_raw: Raw): CloseLesson {
  return {
    kind: 'closeLesson',
  };
}

export function writeCloseLesson(_v: CloseLesson): Raw {
  return [];
}

/** A student: a late change is on my screen. */
export interface ConfirmLateChange {
  readonly kind: 'confirmLateChange';
  readonly number: number;
}

export function readConfirmLateChange(raw: Raw): ConfirmLateChange {
  return {
    kind: 'confirmLateChange',
    number: raw[0],
  };
}

export function writeConfirmLateChange(v: ConfirmLateChange): Raw {
  return [v.number];
}

/** A line from one mark to another, which follows them. It can be seen while both can be seen. Where it runs is computed (ConnectorPath); Points holds the outcome, or what its author saw. */
export interface ConnectorBody {
  readonly kind: 'connector';
  /** Id of a mark of the same page. */
  readonly from: number;
  /** Id of another. */
  readonly to: number;
  /** x, y of its beginning and of its end. */
  readonly points: readonly number[];
  /** What stands at its middle; null for nothing. */
  readonly label: Words | null;
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

/** Staff: leave work that was set aside off. */
export interface DiscardLateWork {
  readonly kind: 'discardLateWork';
  readonly number: number;
}

export function readDiscardLateWork(raw: Raw): DiscardLateWork {
  return {
    kind: 'discardLateWork',
    number: raw[0],
  };
}

export function writeDiscardLateWork(v: DiscardLateWork): Raw {
  return [v.number];
}

/** The door was set. */
export interface DoorSet {
  readonly kind: 'doorSet';
  readonly door: Door;
}

export function readDoorSet(raw: Raw): DoorSet {
  return {
    kind: 'doorSet',
    door: raw[0],
  };
}

/** The draft says this now. What was done before cannot be undone one by one any more. */
export interface DraftReplaced {
  readonly kind: 'draftReplaced';
  readonly content: Uint8Array;
}

export function readDraftReplaced(raw: Raw): DraftReplaced {
  return {
    kind: 'draftReplaced',
    content: raw[0],
  };
}

/** What a snapshot says of a draft. */
export interface DraftSnapshot {
  readonly kind: 'draft';
  readonly sheets: SheetsSnapshot;
}

export function readDraftSnapshot(raw: Raw): DraftSnapshot {
  return {
    kind: 'draft',
    sheets: readSheetsSnapshot(raw[0]),
  };
}

/** The draft began with this content. */
export interface DraftStarted {
  readonly kind: 'draftStarted';
  readonly content: Uint8Array;
}

export function readDraftStarted(raw: Raw): DraftStarted {
  return {
    kind: 'draftStarted',
    content: raw[0],
  };
}

/** A drawing, made with pens on a small sheet, Width by Height. */
export interface DrawingAttachment {
  readonly kind: 'drawing';
  /** In the order in which they lie. */
  readonly strokes: readonly DrawnStroke[];
  /** What it shows, for those who cannot see it. */
  readonly description: string;
}

export function readDrawingAttachment(raw: Raw): DrawingAttachment {
  return {
    kind: 'drawing',
    strokes: raw[1].map((x: Raw) => readDrawnStroke(x)),
    description: raw[2],
  };
}

export function writeDrawingAttachment(v: DrawingAttachment): Raw {
  return [2, v.strokes.map((x) => writeDrawnStroke(x)), v.description];
}

/** A stroke of a drawing. */
export interface DrawnStroke {
  /** On the sheet. Without times: a drawing tells nothing of how it was made. */
  readonly points: readonly number[];
  /** Its colour, width and pen. */
  readonly style: Style;
}

export function readDrawnStroke(raw: Raw): DrawnStroke {
  return {
    points: readPoints(raw[0]),
    style: readStyle(raw[1]),
  };
}

export function writeDrawnStroke(v: DrawnStroke): Raw {
  return [writePoints(v.points), writeStyle(v.style)];
}

/** Staff: the round trip is over; everybody goes where they like. */
export interface EndTrip {
  readonly kind: 'endTrip';
}

export function readEndTrip(_raw: Raw): EndTrip {
  return {
    kind: 'endTrip',
  };
}

export function writeEndTrip(_v: EndTrip): Raw {
  return [];
}

/** What a teacher expects of a zone. Like the answer key, it is never sent to a student. */
export interface Expectation {
  /** Ids of marks that belong there. */
  readonly marks: readonly number[];
  /** Words that count as right. */
  readonly answers: readonly string[];
  /** At least so many marks; null for any number. */
  readonly least: number | null;
  /** At most so many marks; null for any number. */
  readonly most: number | null;
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

/** Cards lie somewhere else on the field, all at once. */
export interface FieldLaid {
  readonly kind: 'fieldLaid';
  readonly spots: readonly CardSpot[];
}

export function readFieldLaid(raw: Raw): FieldLaid {
  return {
    kind: 'fieldLaid',
    spots: raw[0].map((x: Raw) => readCardSpot(x)),
  };
}

/** The free field on which cards are connected. */
export interface FieldPlan {
  /** Words for links, in order. */
  readonly words: readonly LinkWord[];
  /** Whether students link with these words alone; else also with their own. */
  readonly onlyThese: boolean;
  /** Whether students link only their own cards, and the teachers'; else any. */
  readonly ownOnly: boolean;
  /** Whether anybody moves any card on the field; else its author and teachers. */
  readonly anyMoves: boolean;
  /** What is ruled beneath the cards: plain, squared, ruled or dotted. */
  readonly paper: PaperKind;
  /** A picture beneath the cards, its middle in that of the field: a map, or a diagram to be labelled; null for none. */
  readonly picture: MapPicture | null;
}

export function readFieldPlan(raw: Raw): FieldPlan {
  return {
    words: raw[0].map((x: Raw) => readLinkWord(x)),
    onlyThese: raw[1],
    ownOnly: raw[2],
    anyMoves: raw[3],
    paper: raw[4],
    picture: raw[5] == null ? null : readMapPicture(raw[5]),
  };
}

export function writeFieldPlan(v: FieldPlan): Raw {
  return [v.words.map((x) => writeLinkWord(x)), v.onlyThese, v.ownOnly, v.anyMoves, v.paper, v.picture && writeMapPicture(v.picture)];
}

/** Where the middle of a card lies on a free field: from the field's middle to the right and down, in units of which a card is CardWidth wide. */
export interface FieldSpot {
  readonly x: number;
  readonly y: number;
}

export function readFieldSpot(raw: Raw): FieldSpot {
  return {
    x: raw[0],
    y: raw[1],
  };
}

export function writeFieldSpot(v: FieldSpot): Raw {
  return [v.x, v.y];
}

/** An answer answers a question, which is filed with it; or with 0, it is asked again. */
export interface FileQuestion {
  readonly kind: 'fileQuestion';
  readonly card: number;
  readonly answer: number;
}

export function readFileQuestion(raw: Raw): FileQuestion {
  return {
    kind: 'fileQuestion',
    card: raw[0],
    answer: raw[1],
  };
}

export function writeFileQuestion(v: FileQuestion): Raw {
  return [v.card, v.answer];
}

/** A formula, with the drawing that its author's screen made of it, so that no other screen or print needs to typeset it. */
export interface FormulaAttachment {
  readonly kind: 'formula';
  /** Width of the drawing, 1/100 mm. */
  readonly width: number;
  /** Height of the drawing, 1/100 mm. */
  readonly height: number;
  /** LaTeX. */
  readonly source: string;
  /** Filled path from the top left corner: SVG path data of M, L, Q, C, Z and numbers. */
  readonly outline: string;
}

export function readFormulaAttachment(raw: Raw): FormulaAttachment {
  return {
    kind: 'formula',
    width: raw[1],
    height: raw[2],
    source: raw[3],
    outline: raw[4],
  };
}

export function writeFormulaAttachment(v: FormulaAttachment): Raw {
  return [3, v.width, v.height, v.source, v.outline];
}

/** A formula, with the drawing that its author's screen made of it, so that no other screen or print needs to typeset it. */
export interface FormulaBody {
  readonly kind: 'formula';
  /** Left edge. */
  readonly x: number;
  /** Top edge. */
  readonly y: number;
  /** Width of the drawing. */
  readonly width: number;
  /** Height of the drawing. */
  readonly height: number;
  /** LaTeX. */
  readonly source: string;
  /** Filled path from the top left corner: SVG path data of M, L, Q, C, Z and numbers. */
  readonly outline: string;
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

/** A gesture was done again. */
export interface GestureRedone {
  readonly kind: 'gestureRedone';
  /** Which. */
  readonly gesture: number;
  /** The values. */
  readonly changes: readonly Change[];
  /** What stayed as it is. */
  readonly skipped: readonly number[];
  /** The marks that are back with it, whole as they stand now; null for none. */
  readonly back: readonly Mark[];
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

/** What a snapshot says of a gesture. */
export interface GestureSnapshot {
  /** The gesture's id. */
  readonly id: number;
  /** Who made it. */
  readonly actor: number;
  /** Whether it is taken back at the moment. */
  readonly undone: boolean;
  /** What it changed. */
  readonly steps: readonly Step[];
}

export function readGestureSnapshot(raw: Raw): GestureSnapshot {
  return {
    id: raw[0],
    actor: raw[1],
    undone: raw[2],
    steps: raw[3].map((x: Raw) => readStep(x)),
  };
}

/** A gesture was taken back. */
export interface GestureUndone {
  readonly kind: 'gestureUndone';
  /** Which. */
  readonly gesture: number;
  /** The values that are back. */
  readonly changes: readonly Change[];
  /** What stayed as it is, because somebody else has changed it since. */
  readonly skipped: readonly number[];
  /** The marks that are back with it, whole as they stand now; null for none. */
  readonly back: readonly Mark[];
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

/** Raise or lower a signal: a student their own, staff anybody's. */
export interface GiveSignal {
  readonly kind: 'giveSignal';
  readonly person: number;
  readonly signal: Signal;
  readonly on: boolean;
}

export function readGiveSignal(raw: Raw): GiveSignal {
  return {
    kind: 'giveSignal',
    person: raw[0],
    signal: raw[1],
    on: raw[2],
  };
}

export function writeGiveSignal(v: GiveSignal): Raw {
  return [v.person, v.signal, v.on];
}

/** A card of the teacher's that is up from the beginning. */
export interface GivenCard {
  /** Of the card on every wall that is made of the plan, from 1: no client's. */
  readonly id: number;
  /** Where it stands. */
  readonly topic: number;
  /** What it says. */
  readonly text: Texts;
  /** What is shown beside its words; null for nothing. */
  readonly shown: readonly Attachment[];
}

export function readGivenCard(raw: Raw): GivenCard {
  return {
    id: raw[0],
    topic: raw[1],
    text: raw[2],
    shown: (raw[3] ?? []).map((x: Raw) => known(readAttachment(x))),
  };
}

export function writeGivenCard(v: GivenCard): Raw {
  const raw: Raw = [v.id, v.topic, v.text];
  if (v.shown.length > 0) raw.push(v.shown.length > 0 ? v.shown.map((x) => writeAttachment(x)) : null);
  return raw;
}

/** Staff: judging goes on, in the same round or in a new one. */
export interface GoOnJudging {
  readonly kind: 'goOnJudging';
  readonly newRound: boolean;
}

export function readGoOnJudging(raw: Raw): GoOnJudging {
  return {
    kind: 'goOnJudging',
    newRound: raw[0],
  };
}

export function writeGoOnJudging(v: GoOnJudging): Raw {
  return [v.newRound];
}

/** Participants who share a board. */
export interface Group {
  /** Counted from 1 in a lesson and never used again, so that a group's board stays its own. */
  readonly number: number;
  /** What the teacher calls it. */
  readonly name: string;
  /** Their actor numbers. */
  readonly people: readonly number[];
  /** The actor number of the teacher who looks after them; 0 for nobody in particular. */
  readonly helper: number;
}

export function readGroup(raw: Raw): Group {
  return {
    number: raw[0],
    name: raw[1],
    people: raw[2],
    helper: raw[3] ?? 0,
  };
}

export function writeGroup(v: Group): Raw {
  return [v.number, v.name, v.people, v.helper];
}

/** It was done again. */
export interface GroupsRedone {
  readonly kind: 'groupsRedone';
  /** The groups now; null in old logs. */
  readonly groups?: readonly Group[] | null;
}

export function readGroupsRedone(raw: Raw): GroupsRedone {
  return {
    kind: 'groupsRedone',
    groups: raw[0] == null ? null : raw[0].map((x: Raw) => readGroup(x)),
  };
}

/** These are the groups. */
export interface GroupsSet {
  readonly kind: 'groupsSet';
  readonly groups: readonly Group[];
}

export function readGroupsSet(raw: Raw): GroupsSet {
  return {
    kind: 'groupsSet',
    groups: raw[0].map((x: Raw) => readGroup(x)),
  };
}

/** The last change of the groups was taken back. */
export interface GroupsUndone {
  readonly kind: 'groupsUndone';
  /** The groups now, for those who do not know the earlier ones; null in old logs. */
  readonly groups?: readonly Group[] | null;
}

export function readGroupsUndone(raw: Raw): GroupsUndone {
  return {
    kind: 'groupsUndone',
    groups: raw[0] == null ? null : raw[0].map((x: Raw) => readGroup(x)),
  };
}

/** A student: this is what I hand in; in a group, for all of it. */
export interface HandIn {
  readonly kind: 'handIn';
}

export function readHandIn(_raw: Raw): HandIn {
  return {
    kind: 'handIn',
  };
}

export function writeHandIn(_v: HandIn): Raw {
  return [];
}

/** A stroke of ink. */
export interface InkBody {
  readonly kind: 'ink';
  readonly points: readonly number[];
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

/** Say something of a card, or with 0 nothing any more. */
export interface JudgeCard {
  readonly kind: 'judgeCard';
  /** Of which. */
  readonly card: number;
  /** From 1: agree, unsure, disagree; or chosen. 0 to take it back. */
  readonly value: number;
}

export function readJudgeCard(raw: Raw): JudgeCard {
  return {
    kind: 'judgeCard',
    card: raw[0],
    value: raw[1],
  };
}

export function writeJudgeCard(v: JudgeCard): Raw {
  return [v.card, v.value];
}

/** What somebody said of a card. It is seen by who said it, and by teachers. */
export interface Judgement {
  /** In which round, from 1. */
  readonly round: number;
  /** Of which card. */
  readonly card: number;
  /** Who, by actor number. */
  readonly person: number;
  /** From 1: agree, unsure, disagree; or chosen. */
  readonly value: number;
}

export function readJudgement(raw: Raw): Judgement {
  return {
    round: raw[0],
    card: raw[1],
    person: raw[2],
    value: raw[3],
  };
}

/** What students may say of each other's cards. */
export interface Judging {
  /** How. */
  readonly kind: JudgingKind;
  /** Of Choose: how many cards each chooses at most, from 1. */
  readonly choices: number;
}

export function readJudging(raw: Raw): Judging {
  return {
    kind: raw[0],
    choices: raw[1],
  };
}

export function writeJudging(v: Judging): Raw {
  return [v.kind, v.choices];
}

/** How the judging of a wall stands. */
export interface JudgingState {
  /** Which round it is, from 1. */
  readonly round: number;
  /** How cards are judged in it; null if they never were. */
  readonly kind: JudgingKind | null;
  /** Whether its results are shown; then it is over. */
  readonly isShown: boolean;
  /** What was said of cards that the reader may know of: students of their own. */
  readonly given: readonly Judgement[];
  /** What was shown. */
  readonly results: readonly CardResult[];
}

export function readJudgingState(raw: Raw): JudgingState {
  return {
    round: raw[0],
    kind: raw[1] ?? null,
    isShown: raw[2],
    given: raw[3].map((x: Raw) => readJudgement(x)),
    results: raw[4].map((x: Raw) => readCardResult(x)),
  };
}

/** Judging goes on, in the same round or in a new one. */
export interface JudgingWentOn {
  readonly kind: 'judgingWentOn';
  readonly newRound: boolean;
}

export function readJudgingWentOn(raw: Raw): JudgingWentOn {
  return {
    kind: 'judgingWentOn',
    newRound: raw[0],
  };
}

/** The answer key of a board is this from now on. Told to teachers only. */
export interface KeySet {
  readonly kind: 'keySet';
  readonly key: AnswerKey;
}

export function readKeySet(raw: Raw): KeySet {
  return {
    kind: 'keySet',
    key: { marks: raw[0].map((x: Raw) => readMark(x)), zones: raw[1].map((x: Raw) => readZoneKey(x)) },
  };
}

/** What somebody did last on a board or wall. */
export interface LastAct {
  /** The actor number. */
  readonly person: number;
  /** When, server time in ms. */
  readonly at: number;
  /** On which page, or under which topic; 0 if that cannot be told. */
  readonly page: number;
}

export function readLastAct(raw: Raw): LastAct {
  return {
    person: raw[0],
    at: raw[1],
    page: raw[2],
  };
}

/** The gesture that last wrote a property. */
export interface LastWriter {
  /** Of which mark or page; 0 for the activity. */
  readonly target: number;
  /** Which property. */
  readonly property: Property;
  /** The gesture's id. */
  readonly gesture: number;
}

export function readLastWriter(raw: Raw): LastWriter {
  return {
    target: raw[0],
    property: raw[1],
    gesture: raw[2],
  };
}

/** Something that was handed out while the lesson ran: pages, a corrected printed layer, or marks. */
export interface LateChange {
  /** Counted from 1 in a lesson. */
  readonly number: number;
  /** Under which id the side tables keep what was handed out. */
  readonly content: string;
  /** When, server time in ms. */
  readonly at: number;
  /** The groups that get it. */
  readonly groups: readonly number[];
  /** The people who get it on their own boards. If there are neither groups nor people, everybody gets it. */
  readonly people: readonly number[];
  /** On whose screen it has arrived. */
  readonly received: readonly number[];
  /** Whether it was taken back. */
  readonly takenBack: boolean;
}

export function readLateChange(raw: Raw): LateChange {
  return {
    number: raw[0],
    content: raw[1],
    at: raw[2],
    groups: raw[3],
    people: raw[4],
    received: raw[5],
    takenBack: raw[6],
  };
}

/** A late change stands on the board. It is a gesture of the program, under the change's number, so that taking it back leaves what others have changed since. */
export interface LateChangeAdopted {
  readonly kind: 'lateChangeAdopted';
  /** Which change of the lesson. */
  readonly number: number;
  /** Where to look for it; 0 for nowhere. */
  readonly page: number;
  /** New pages, with their orders. */
  readonly pages: readonly Page[];
  /** New marks. */
  readonly marks: readonly Mark[];
  /** What else is different now. */
  readonly changes: readonly Change[];
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

/** Something was handed out late. */
export interface LateChangeHandedOut {
  readonly kind: 'lateChangeHandedOut';
  readonly number: number;
  readonly content: string;
  readonly groups: readonly number[];
  readonly people: readonly number[];
}

export function readLateChangeHandedOut(raw: Raw): LateChangeHandedOut {
  return {
    kind: 'lateChangeHandedOut',
    number: raw[0],
    content: raw[1],
    groups: raw[2],
    people: raw[3],
  };
}

/** It has arrived on somebody's screen. */
export interface LateChangeReceived {
  readonly kind: 'lateChangeReceived';
  readonly person: number;
  readonly number: number;
}

export function readLateChangeReceived(raw: Raw): LateChangeReceived {
  return {
    kind: 'lateChangeReceived',
    person: raw[0],
    number: raw[1],
  };
}

/** It was taken back. */
export interface LateChangeTakenBack {
  readonly kind: 'lateChangeTakenBack';
  readonly number: number;
}

export function readLateChangeTakenBack(raw: Raw): LateChangeTakenBack {
  return {
    kind: 'lateChangeTakenBack',
    number: raw[0],
  };
}

/** Work that arrived too late for a rule, kept for the teacher's decision. */
export interface LateWork {
  /** The event that set it aside. */
  readonly number: number;
  /** Whose work it is. */
  readonly actor: Actor;
  /** From which tab. */
  readonly client: number;
  /** Which of its commands. */
  readonly counter: number;
  /** What it was part of. */
  readonly gesture: number;
  /** What was asked. */
  readonly command: Command;
}

export function readLateWork(raw: Raw): LateWork {
  return {
    number: raw[0],
    actor: { number: raw[1], role: raw[2] },
    client: raw[3],
    counter: raw[4],
    gesture: raw[5],
    command: known(readCommand(raw[6], raw[7])),
  };
}

/** The teacher put it in place after all. */
export interface LateWorkAccepted {
  readonly kind: 'lateWorkAccepted';
  /** The event that set it aside. */
  readonly number: number;
  /** What it did, on behalf of its author; null if it no longer fits. */
  readonly outcome: RoomEvent | null;
  /** Whose work it is, by actor number; 0 in old logs. */
  readonly person: number;
  /** What it was part of; 0 in old logs. */
  readonly gesture: number;
}

export function readLateWorkAccepted(raw: Raw): LateWorkAccepted {
  return {
    kind: 'lateWorkAccepted',
    number: raw[0],
    outcome: raw[1] ? readRoomEvent(raw[1], raw[2]) : null,
    person: raw[3] ?? 0,
    gesture: raw[4] ?? 0,
  };
}

/** The teacher left it off. */
export interface LateWorkDiscarded {
  readonly kind: 'lateWorkDiscarded';
  /** The event that set it aside. */
  readonly number: number;
  /** Whose work it is, by actor number; 0 in old logs. */
  readonly person: number;
}

export function readLateWorkDiscarded(raw: Raw): LateWorkDiscarded {
  return {
    kind: 'lateWorkDiscarded',
    number: raw[0],
    person: raw[1] ?? 0,
  };
}

/** A card lies somewhere else on the field. */
export interface LayCard {
  readonly kind: 'layCard';
  readonly card: number;
  readonly spot: FieldSpot;
}

export function readLayCard(raw: Raw): LayCard {
  return {
    kind: 'layCard',
    card: raw[0],
    spot: readFieldSpot(raw[1]),
  };
}

export function writeLayCard(v: LayCard): Raw {
  return [v.card, writeFieldSpot(v.spot)];
}

/** Staff: lay several cards at once, as after tidying where they lay before. */
export interface LayCards {
  readonly kind: 'layCards';
  readonly spots: readonly CardSpot[];
}

export function readLayCards(raw: Raw): LayCards {
  return {
    kind: 'layCards',
    spots: raw[0].map((x: Raw) => readCardSpot(x)),
  };
}

export function writeLayCards(v: LayCards): Raw {
  return [v.spots.map((x) => writeCardSpot(x))];
}

/** The lesson ended. */
export interface LessonClosed {
  readonly kind: 'lessonClosed';
}

export function readLessonClosed(_raw: Raw): LessonClosed {
  return {
    kind: 'lessonClosed',
  };
}

/** The lesson began. */
export interface LessonOpened {
  readonly kind: 'lessonOpened';
}

export function readLessonOpened(_raw: Raw): LessonOpened {
  return {
    kind: 'lessonOpened',
  };
}

/** The lesson goes on. */
export interface LessonReopened {
  readonly kind: 'lessonReopened';
}

export function readLessonReopened(_raw: Raw): LessonReopened {
  return {
    kind: 'lessonReopened',
  };
}

/** What a snapshot says of a lesson; a student is told less (Snapshots). */
export interface LessonSnapshot {
  readonly kind: 'lesson';
  readonly door: Door;
  readonly pensDown: boolean;
  readonly pensConfirmedOn: number | null;
  readonly closed: boolean;
  readonly people: readonly Person[];
  readonly namesMasked: boolean;
  readonly seesOtherBoards: boolean;
  readonly seesTeachersBoard: boolean;
  readonly groups: readonly Group[];
  readonly groupsUsed: number;
  readonly past: readonly (readonly Group[])[];
  readonly future: readonly (readonly Group[])[];
  readonly groupingVersion: number;
  readonly placesAsOf: number;
  readonly seatsThrough: number;
  readonly lateChanges: readonly LateChange[];
  readonly times: LessonTimes;
  readonly waits: boolean;
  readonly isOverdue: boolean;
  readonly waiting: readonly WorkWaits[];
  readonly parts: readonly number[];
  readonly openParts: readonly number[];
  readonly openedLast: number;
}

export function readLessonSnapshot(raw: Raw): LessonSnapshot {
  return {
    kind: 'lesson',
    door: raw[0],
    pensDown: raw[1],
    pensConfirmedOn: raw[2] < 0 ? null : raw[2],
    closed: raw[3],
    people: raw[4].map((x: Raw) => readPerson(x)),
    namesMasked: raw[5],
    seesOtherBoards: raw[6],
    seesTeachersBoard: raw[7],
    groups: raw[8].map((x: Raw) => readGroup(x)),
    groupsUsed: raw[9],
    past: raw[10].map((x: Raw) => x.map((x: Raw) => readGroup(x))),
    future: raw[11].map((x: Raw) => x.map((x: Raw) => readGroup(x))),
    groupingVersion: raw[12],
    placesAsOf: raw[13],
    seatsThrough: raw[14],
    lateChanges: raw[15].map((x: Raw) => readLateChange(x)),
    times: { opensAt: raw[16] < 0 ? null : raw[16], dueAt: raw[17] < 0 ? null : raw[17], closesAt: raw[18] < 0 ? null : raw[18], handsIn: raw[19] },
    waits: raw[20],
    isOverdue: raw[21],
    waiting: raw[22].map((x: Raw) => readWorkWaits(x)),
    parts: raw[23],
    openParts: raw[24],
    openedLast: raw[25],
  };
}

/** When a lesson opens, is due and closes: server time in ms since 1970-01-01 UTC, null where nothing is said. */
export interface LessonTimes {
  /** Before this, students who come wait. */
  readonly opensAt: number | null;
  /** What is handed in after this is late. */
  readonly dueAt: number | null;
  /** From this on, nobody writes any more. */
  readonly closesAt: number | null;
  /** Whether students hand in what they have done. */
  readonly handsIn: boolean;
}

export function readLessonTimes(raw: Raw): LessonTimes {
  return {
    opensAt: raw[0] < 0 ? null : raw[0],
    dueAt: raw[1] < 0 ? null : raw[1],
    closesAt: raw[2] < 0 ? null : raw[2],
    handsIn: raw[3],
  };
}

export function writeLessonTimes(v: LessonTimes): Raw {
  return [v.opensAt ?? -1, v.dueAt ?? -1, v.closesAt ?? -1, v.handsIn];
}

/** Staff: let out what classmates do not see yet. The program does so by itself once several have written. */
export interface LetCardsOut {
  readonly kind: 'letCardsOut';
}

export function readLetCardsOut(_raw: Raw): LetCardsOut {
  return {
    kind: 'letCardsOut',
  };
}

export function writeLetCardsOut(_v: LetCardsOut): Raw {
  return [];
}

/** Along what cards are ordered. */
export interface LinePlan {
  /** Which kind of line. */
  readonly kind: LineKind;
  /** What its beginning is called; may be empty. */
  readonly start: Texts;
  /** What its end is called; may be empty. */
  readonly end: Texts;
  /** The first year, day or rung; 0 of a line between two ends. */
  readonly from: number;
  /** The last; Length of a line between two ends. */
  readonly to: number;
  /** Whether all place cards on one line; else each student has a placement of their own, and the order of the class is computed from them. */
  readonly together: boolean;
  /** Of a field: what its lower end is called; null for nothing. */
  readonly low: Texts | null;
  /** Of a field: what its upper end is called; null for nothing. */
  readonly high: Texts | null;
}

export function readLinePlan(raw: Raw): LinePlan {
  return {
    kind: raw[0],
    start: raw[1],
    end: raw[2],
    from: raw[3],
    to: raw[4],
    together: raw[5],
    low: raw[6] ?? null,
    high: raw[7] ?? null,
  };
}

export function writeLinePlan(v: LinePlan): Raw {
  return [v.kind, v.start, v.end, v.from, v.to, v.together, v.low, v.high];
}

/** Where a card stands on a line: on which kind, for there are different measures. */
export interface LineSpot {
  /** On which kind of line. */
  readonly on: LineKind;
  /** Where, in the measure of that kind; whole but on a line between two ends. */
  readonly at: number;
  /** In a field: how far up, from 0 to Length; else 0. */
  readonly up: number;
}

export function readLineSpot(raw: Raw): LineSpot {
  return {
    on: raw[0],
    at: raw[1],
    up: raw[2],
  };
}

export function writeLineSpot(v: LineSpot): Raw {
  return [v.on, v.at, v.up];
}

/** A link from a card to a card, with the words between them: "Load pushes on deck". */
export interface Link {
  /** Of the tab that made it (Ids). */
  readonly id: number;
  /** The card at which it begins. */
  readonly from: number;
  /** The card to which it points. */
  readonly to: number;
  /** The teacher's words that it says; 0 for its own, or none. */
  readonly word: number;
  /** Of its own words: a BCP 47 tag; empty if it is not known. */
  readonly language: string;
  /** Its own words; empty where it says the teacher's, or nothing. */
  readonly text: string;
  /** Who made it, by actor number. */
  readonly author: number;
  /** Whether a teacher made it. */
  readonly byStaff: boolean;
  /** Who took it down, by actor number; 0 while it is up. */
  readonly downBy: number;
}

export function readLink(raw: Raw): Link {
  return {
    id: raw[0],
    from: raw[1],
    to: raw[2],
    word: raw[3],
    language: raw[4],
    text: raw[5],
    author: raw[6],
    byStaff: raw[7],
    downBy: raw[8],
  };
}

/** Link a card to a card, with the teacher's words or one's own. */
export interface LinkCards {
  readonly kind: 'linkCards';
  readonly id: number;
  readonly from: number;
  readonly to: number;
  readonly word: number;
  readonly language: string;
  readonly text: string;
}

export function readLinkCards(raw: Raw): LinkCards {
  return {
    kind: 'linkCards',
    id: raw[0],
    from: raw[1],
    to: raw[2],
    word: raw[3],
    language: raw[4],
    text: raw[5],
  };
}

export function writeLinkCards(v: LinkCards): Raw {
  return [v.id, v.from, v.to, v.word, v.language, v.text];
}

/** A link is up again, as it stands: for those who never saw it. */
export interface LinkPutBack {
  readonly kind: 'linkPutBack';
  readonly link: Link;
  readonly whose: number;
}

export function readLinkPutBack(raw: Raw): LinkPutBack {
  return {
    kind: 'linkPutBack',
    link: readLink(raw[0]),
    whose: raw[1],
  };
}

/** A link points the other way. */
export interface LinkReversed {
  readonly kind: 'linkReversed';
  readonly id: number;
  readonly whose: number;
}

export function readLinkReversed(raw: Raw): LinkReversed {
  return {
    kind: 'linkReversed',
    id: raw[0],
    whose: raw[1],
  };
}

/** A link says something else. */
export interface LinkReworded {
  readonly kind: 'linkReworded';
  readonly id: number;
  readonly word: number;
  readonly language: string;
  readonly text: string;
  readonly whose: number;
}

export function readLinkReworded(raw: Raw): LinkReworded {
  return {
    kind: 'linkReworded',
    id: raw[0],
    word: raw[1],
    language: raw[2],
    text: raw[3],
    whose: raw[4],
  };
}

/** A link was taken down by the actor of the event. */
export interface LinkTakenDown {
  readonly kind: 'linkTakenDown';
  readonly id: number;
  readonly whose: number;
}

export function readLinkTakenDown(raw: Raw): LinkTakenDown {
  return {
    kind: 'linkTakenDown',
    id: raw[0],
    whose: raw[1],
  };
}

/** Words for links that the teacher offers. */
export interface LinkWord {
  /** Stays the same whatever they are; larger than 0. */
  readonly id: number;
  /** Read between the two cards: "pushes on". */
  readonly text: Texts;
}

export function readLinkWord(raw: Raw): LinkWord {
  return {
    id: raw[0],
    text: raw[1],
  };
}

export function writeLinkWord(v: LinkWord): Raw {
  return [v.id, v.text];
}

/** Change properties of things, all or none. */
export interface MakeChanges {
  readonly kind: 'makeChanges';
  readonly changes: readonly Change[];
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

/** On what places are shown: a map, or any other picture of a teacher's. */
export interface MapPicture {
  /** Its name in the media store: the SHA-256 of its bytes, 64 hexadecimal digits. */
  readonly media: string;
  /** In pixels. */
  readonly width: number;
  /** In pixels. */
  readonly height: number;
  /** What it shows, for those who cannot see it. */
  readonly description: string;
}

export function readMapPicture(raw: Raw): MapPicture {
  return {
    media: raw[0],
    width: raw[1],
    height: raw[2],
    description: raw[3],
  };
}

export function writeMapPicture(v: MapPicture): Raw {
  return [v.media, v.width, v.height, v.description];
}

/** Anything on a page, as it stands now. */
export interface Mark {
  /** See Ids. */
  readonly id: number;
  /** Id of its page. */
  readonly page: number;
  /** Number of the actor who made it. */
  readonly author: number;
  /** Whether a teacher made it. */
  readonly byStaff: boolean;
  /** Who may grip it. */
  readonly grip: Grip;
  /** Larger lies in front. Set by the server; exact as a double, so that one can be put between two. */
  readonly order: number;
  /** What it is made of. */
  readonly body: MarkBody;
  /** How it looks. */
  readonly style: Style;
  /** Where it was moved to. */
  readonly place: Place;
  /** Ink only: the lengths rubbed out, see CutIntervals. */
  readonly cuts: readonly number[];
  /** Whether it is gone from the page. It stays in the room, so that it can come back. */
  readonly erased: boolean;
  /** How much larger it was made; null if it is as drawn. */
  readonly scale: Scale | null;
  /** Whether it stays where it is until it is unpinned. */
  readonly pinned: boolean;
  /** Marks with the same number are chosen together; 0 for none. */
  readonly tie: number;
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
  };
}

/** A mark stands on a page. */
export interface MarkAdded {
  readonly kind: 'markAdded';
  readonly mark: Mark;
}

export function readMarkAdded(raw: Raw): MarkAdded {
  return {
    kind: 'markAdded',
    mark: readMark(raw[0]),
  };
}

/** Marks stand on a page. */
export interface MarksAdded {
  readonly kind: 'marksAdded';
  readonly marks: readonly Mark[];
}

export function readMarksAdded(raw: Raw): MarksAdded {
  return {
    kind: 'marksAdded',
    marks: raw[0].map((x: Raw) => readMark(x)),
  };
}

/** Staff: whether classmates see masks instead of names. */
export interface MaskNames {
  readonly kind: 'maskNames';
  readonly masked: boolean;
}

export function readMaskNames(raw: Raw): MaskNames {
  return {
    kind: 'maskNames',
    masked: raw[0],
  };
}

export function writeMaskNames(v: MaskNames): Raw {
  return [v.masked];
}

/** A moment has come. */
export interface MomentCame {
  readonly kind: 'momentCame';
  readonly moment: Moment;
}

export function readMomentCame(raw: Raw): MomentCame {
  return {
    kind: 'momentCame',
    moment: raw[0],
  };
}

/** A card goes under another topic, or to another place under its own. */
export interface MoveCard {
  readonly kind: 'moveCard';
  readonly id: number;
  readonly topic: number;
  readonly order: number;
}

export function readMoveCard(raw: Raw): MoveCard {
  return {
    kind: 'moveCard',
    id: raw[0],
    topic: raw[1],
    order: raw[2],
  };
}

export function writeMoveCard(v: MoveCard): Raw {
  return [v.id, v.topic, v.order];
}

/** Staff: all groups move on, or back: so often they have moved on then. */
export interface MoveOn {
  readonly kind: 'moveOn';
  readonly stop: number;
}

export function readMoveOn(raw: Raw): MoveOn {
  return {
    kind: 'moveOn',
    stop: raw[0],
  };
}

export function writeMoveOn(v: MoveOn): Raw {
  return [v.stop];
}

/** Classmates see masks, or names again. */
export interface NamesMasked {
  readonly kind: 'namesMasked';
  readonly masked: boolean;
}

export function readNamesMasked(raw: Raw): NamesMasked {
  return {
    kind: 'namesMasked',
    masked: raw[0],
  };
}

/** A mark to be put on a page. Its author, order and page are given by the rules. */
export interface NewMark {
  readonly id: number;
  readonly grip: Grip;
  readonly body: MarkBody;
  readonly style: Style;
  readonly place: Place;
  readonly scale: Scale | null;
  readonly cuts: readonly number[];
  readonly tie: number;
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

/** Words on a coloured slip. X, Y is its top left corner. */
export interface NoteBody {
  readonly kind: 'note';
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly words: Words;
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

/** Everybody goes on placing. */
export interface OrderHidden {
  readonly kind: 'orderHidden';
}

export function readOrderHidden(_raw: Raw): OrderHidden {
  return {
    kind: 'orderHidden',
  };
}

/** Everybody sees the order of the class. */
export interface OrderShown {
  readonly kind: 'orderShown';
  readonly order: ClassOrder;
}

export function readOrderShown(raw: Raw): OrderShown {
  return {
    kind: 'orderShown',
    order: readClassOrder(raw[0]),
  };
}

/** Where somebody placed a card for themselves. It is known to them and to teachers. */
export interface OwnPlace {
  /** Who, by actor number. */
  readonly person: number;
  /** Which card. */
  readonly card: number;
  /** Where. */
  readonly at: LineSpot;
}

export function readOwnPlace(raw: Raw): OwnPlace {
  return {
    person: raw[0],
    card: raw[1],
    at: readLineSpot(raw[2]),
  };
}

/** One sheet of a board activity. */
export interface Page {
  /** Stays the same over versions. Of a draft's client (Ids), or 1 for the first page. */
  readonly id: number;
  /** What the page is called; may be empty. */
  readonly name: Texts;
  /** 1/100 mm. */
  readonly size: PageSize;
  /** The ruling. */
  readonly paper: Paper;
  /** What is to be done on this page; null if nothing is said. */
  readonly directions: Texts;
  /** Tools that students do not get on this page. */
  readonly withheld: ToolSet;
  /** Smaller comes first. Within an activity's content the order of the list counts. */
  readonly order: number;
  /** Whether it was taken out. It stays in the room, so that it can come back. */
  readonly erased: boolean;
  /** Something to look at or listen to beside the page; null for nothing. */
  readonly stimulus: Stimulus | null;
  /** How sentences may begin that students write on this page; null for none. */
  readonly starters: readonly Texts[];
  /** The number of the part of the activity to which it belongs; null for part 1, which is that of most pages. */
  readonly part: number | null;
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
  };
}

export function writePage(v: Page): Raw {
  const raw: Raw = [v.id, v.name, writePageSize(v.size), writePaper(v.paper), v.directions, v.withheld, v.order, v.erased];
  if (v.stimulus != null || v.starters.length > 0 || v.part != null) raw.push(v.stimulus && writeStimulus(v.stimulus));
  if (v.starters.length > 0 || v.part != null) raw.push(v.starters.length > 0 ? v.starters : null);
  if (v.part != null) raw.push(v.part);
  return raw;
}

/** A page was put in. */
export interface PageAdded {
  readonly kind: 'pageAdded';
  readonly page: Page;
  readonly order: number;
}

export function readPageAdded(raw: Raw): PageAdded {
  return {
    kind: 'pageAdded',
    page: readPage(raw[0]),
    order: raw[1],
  };
}

/** A page's size, 1/100 mm. */
export interface PageSize {
  readonly width: number;
  readonly height: number;
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

/** The ruling under everything on a page, with its settings. Settings that a kind does not use are as they are by default. */
export interface Paper {
  /** Which ruling. */
  readonly kind: PaperKind;
  /** From line to line, 1/100 mm; 0 takes what is usual for the kind. */
  readonly spacing: number;
  /** Numbers along the horizontal axis of a plane or number line. */
  readonly across: Axis | null;
  /** Numbers along the vertical axis of a plane. */
  readonly up: Axis | null;
  /** Of a table. */
  readonly columns: number;
  /** Of a table. */
  readonly rows: number;
  /** Of a picture: its name in the media store. Null for all others. */
  readonly media: string | null;
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

/** One of the steps of an activity, each with rooms of its own. */
export interface Part {
  /** Stays the same wherever it comes in the order; from 1. Pages and rooms say of which part they are. */
  readonly number: number;
  /** What it is made of. */
  readonly kind: PartKind;
  /** What is planned for its wall; null for pages. */
  readonly wall: WallPlan | null;
  /** What it is called in the list of contents; null if it is not named. */
  readonly name: Texts | null;
  /** Who works with whom in it; null if nothing was chosen. */
  readonly way: Way | null;
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

/** A part is open, or is not. */
export interface PartSet {
  readonly kind: 'partSet';
  readonly part: number;
  readonly open: boolean;
}

export function readPartSet(raw: Raw): PartSet {
  return {
    kind: 'partSet',
    part: raw[0],
    open: raw[1],
  };
}

/** The lesson has these parts. */
export interface PartsPlanned {
  readonly kind: 'partsPlanned';
  /** Their numbers, in order. */
  readonly parts: readonly number[];
  /** Which are open. */
  readonly open: readonly number[];
}

export function readPartsPlanned(raw: Raw): PartsPlanned {
  return {
    kind: 'partsPlanned',
    parts: raw[0],
    open: raw[1],
  };
}

/** They are, on so many boards. */
export interface PensConfirmed {
  readonly kind: 'pensConfirmed';
  readonly down: boolean;
  readonly boards: number;
}

export function readPensConfirmed(raw: Raw): PensConfirmed {
  return {
    kind: 'pensConfirmed',
    down: raw[0],
    boards: raw[1],
  };
}

/** The pens are to be down, or up. */
export interface PensSet {
  readonly kind: 'pensSet';
  readonly down: boolean;
}

export function readPensSet(raw: Raw): PensSet {
  return {
    kind: 'pensSet',
    down: raw[0],
  };
}

/** People are expected, with the numbers from the first on. */
export interface PeopleExpected {
  readonly kind: 'peopleExpected';
  readonly first: number;
  readonly count: number;
}

export function readPeopleExpected(raw: Raw): PeopleExpected {
  return {
    kind: 'peopleExpected',
    first: raw[0],
    count: raw[1],
  };
}

/** A participant as the lesson knows them: a number and what they signal. */
export interface Person {
  /** The actor number. */
  readonly number: number;
  /** When they came or asked, server time in ms; 0 as long as they are expected. */
  readonly joinedAt: number;
  /** Since when the hand is up, server time in ms; null if it is down. */
  readonly handUpAt: number | null;
  /** Since when they are ready for a look; null if not. */
  readonly readyAt: number | null;
  /** Whether they are in. */
  readonly standing: Standing;
  /** When their work was handed in, server time in ms; null if it is not. */
  readonly handedInAt: number | null;
  /** Whether they are on the class list of the lesson. */
  readonly isListed: boolean;
}

export function readPerson(raw: Raw): Person {
  return {
    number: raw[0],
    joinedAt: raw[1],
    handUpAt: raw[2] < 0 ? null : raw[2],
    readyAt: raw[3] < 0 ? null : raw[3],
    standing: raw[4],
    handedInAt: raw[5] < 0 ? null : raw[5],
    isListed: raw[6],
  };
}

/** Somebody who waited, or was out, was let in. */
export interface PersonAdmitted {
  readonly kind: 'personAdmitted';
  readonly person: number;
}

export function readPersonAdmitted(raw: Raw): PersonAdmitted {
  return {
    kind: 'personAdmitted',
    person: raw[0],
  };
}

/** Somebody asked to come in. */
export interface PersonAsked {
  readonly kind: 'personAsked';
  readonly person: number;
}

export function readPersonAsked(raw: Raw): PersonAsked {
  return {
    kind: 'personAsked',
    person: raw[0],
  };
}

/** They are in the lesson. */
export interface PersonBrought {
  readonly kind: 'personBrought';
  readonly person: number;
  readonly joinedAt: number;
  readonly handedInAt: number | null;
}

export function readPersonBrought(raw: Raw): PersonBrought {
  return {
    kind: 'personBrought',
    person: raw[0],
    joinedAt: raw[1],
    handedInAt: raw[2] < 0 ? null : raw[2],
  };
}

/** Somebody joined. */
export interface PersonJoined {
  readonly kind: 'personJoined';
  readonly person: number;
}

export function readPersonJoined(raw: Raw): PersonJoined {
  return {
    kind: 'personJoined',
    person: raw[0],
  };
}

/** Somebody was taken out of the lesson. */
export interface PersonRemoved {
  readonly kind: 'personRemoved';
  readonly person: number;
}

export function readPersonRemoved(raw: Raw): PersonRemoved {
  return {
    kind: 'personRemoved',
    person: raw[0],
  };
}

/** Somebody who waited was not let in. */
export interface PersonTurnedAway {
  readonly kind: 'personTurnedAway';
  readonly person: number;
}

export function readPersonTurnedAway(raw: Raw): PersonTurnedAway {
  return {
    kind: 'personTurnedAway',
    person: raw[0],
  };
}

/** A picture. */
export interface PictureAttachment {
  readonly kind: 'picture';
  /** Its name in the media store: the SHA-256 of its bytes, 64 hexadecimal digits. */
  readonly media: string;
  /** In pixels. */
  readonly width: number;
  /** In pixels. */
  readonly height: number;
  /** What it shows, for those who cannot see it. */
  readonly description: string;
}

export function readPictureAttachment(raw: Raw): PictureAttachment {
  return {
    kind: 'picture',
    media: raw[1],
    width: raw[2],
    height: raw[3],
    description: raw[4],
  };
}

export function writePictureAttachment(v: PictureAttachment): Raw {
  return [1, v.media, v.width, v.height, v.description];
}

/** A picture. X, Y is its top left corner. */
export interface PictureBody {
  readonly kind: 'picture';
  /** From the left. */
  readonly x: number;
  /** From the top. */
  readonly y: number;
  /** How wide it is shown. */
  readonly width: number;
  /** How high it is shown. */
  readonly height: number;
  /** Its name in the media store: the SHA-256 of its bytes, 64 hexadecimal digits. */
  readonly media: string;
  /** What it shows, for those who cannot see it. */
  readonly description: string;
  /** The words that can be read on it, for search and screen readers: of a page of a document. Null for none. */
  readonly text: string | null;
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

/** Where a mark stands: how far it was moved from where its body says, and turned about its middle. */
export interface Place {
  /** 1/100 mm to the right. */
  readonly x: number;
  /** 1/100 mm down. */
  readonly y: number;
  /** 1/100 degree clockwise, 0 to 35,999. */
  readonly turn: number;
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

/** A place on a map, or on any picture of the teacher's. It holds the map, and so stays true when the wall is given another. */
export interface PlaceAttachment {
  readonly kind: 'place';
  /** The map. */
  readonly map: MapPicture;
  /** From its left edge, 1/10,000 of its width. */
  readonly x: number;
  /** From its top edge, 1/10,000 of its height. */
  readonly y: number;
  /** What the place is called; may be empty. */
  readonly name: string;
}

export function readPlaceAttachment(raw: Raw): PlaceAttachment {
  return {
    kind: 'place',
    map: readMapPicture(raw[1]),
    x: raw[2],
    y: raw[3],
    name: raw[4],
  };
}

export function writePlaceAttachment(v: PlaceAttachment): Raw {
  return [4, writeMapPicture(v.map), v.x, v.y, v.name];
}

/** Place a card on the line; null takes it off. Where all place together it is the card's place, else the actor's own. */
export interface PlaceCard {
  readonly kind: 'placeCard';
  readonly card: number;
  readonly at: LineSpot | null;
}

export function readPlaceCard(raw: Raw): PlaceCard {
  return {
    kind: 'placeCard',
    card: raw[0],
    at: raw[1] == null ? null : readLineSpot(raw[1]),
  };
}

export function writePlaceCard(v: PlaceCard): Raw {
  return [v.card, v.at && writeLineSpot(v.at)];
}

/** What a reader knows of how cards were ordered. */
export interface PlacingState {
  /** Placements: all, or their own. */
  readonly own: readonly OwnPlace[];
  /** The order of the class, as it was shown; null if it is not. */
  readonly shown: ClassOrder | null;
}

export function readPlacingState(raw: Raw): PlacingState {
  return {
    own: raw[0].map((x: Raw) => readOwnPlace(x)),
    shown: raw[1] == null ? null : readClassOrder(raw[1]),
  };
}

/** The wall is planned like this now. Laid: where cards lie on the field from now on that had no place there. */
export interface PlanSet {
  readonly kind: 'planSet';
  readonly plan: WallPlan;
  readonly laid: readonly CardSpot[];
}

export function readPlanSet(raw: Raw): PlanSet {
  return {
    kind: 'planSet',
    plan: readWallPlan(raw[0]),
    laid: (raw[1] ?? []).map((x: Raw) => readCardSpot(x)),
  };
}

/** Put an answer back that was taken down: whoever took it down, and teachers. */
export interface PutAnswerBack {
  readonly kind: 'putAnswerBack';
  readonly card: number;
  readonly id: number;
}

export function readPutAnswerBack(raw: Raw): PutAnswerBack {
  return {
    kind: 'putAnswerBack',
    card: raw[0],
    id: raw[1],
  };
}

export function writePutAnswerBack(v: PutAnswerBack): Raw {
  return [v.card, v.id];
}

/** Put a card back that was taken down: whoever took it down, and teachers. */
export interface PutCardBack {
  readonly kind: 'putCardBack';
  readonly id: number;
}

export function readPutCardBack(raw: Raw): PutCardBack {
  return {
    kind: 'putCardBack',
    id: raw[0],
  };
}

export function writePutCardBack(v: PutCardBack): Raw {
  return [v.id];
}

/** Put a link back that was taken down: whoever took it down, and teachers. */
export interface PutLinkBack {
  readonly kind: 'putLinkBack';
  readonly id: number;
}

export function readPutLinkBack(raw: Raw): PutLinkBack {
  return {
    kind: 'putLinkBack',
    id: raw[0],
  };
}

export function writePutLinkBack(v: PutLinkBack): Raw {
  return [v.id];
}

/** Put a card up under a topic, behind those that are there. For: a teacher puts up what a student said aloud, by actor number; 0 for one's own. On a free field: Spot is where it is wanted, else it comes beside the card Beside; never on another card. */
export interface PutUpCard {
  readonly kind: 'putUpCard';
  readonly id: number;
  readonly topic: number;
  readonly language: string;
  readonly text: string;
  readonly attachments: readonly Attachment[];
  readonly for: number;
  readonly spot: FieldSpot | null;
  readonly beside: number;
}

export function readPutUpCard(raw: Raw): PutUpCard {
  return {
    kind: 'putUpCard',
    id: raw[0],
    topic: raw[1],
    language: raw[2],
    text: raw[3],
    attachments: (raw[4] ?? []).map((x: Raw) => known(readAttachment(x))),
    for: raw[5] ?? 0,
    spot: raw[6] == null ? null : readFieldSpot(raw[6]),
    beside: raw[7] ?? 0,
  };
}

export function writePutUpCard(v: PutUpCard): Raw {
  const raw: Raw = [v.id, v.topic, v.language, v.text];
  if (v.attachments.length > 0 || v.for !== 0 || v.spot != null || v.beside !== 0) raw.push(v.attachments.length > 0 ? v.attachments.map((x) => writeAttachment(x)) : null);
  if (v.for !== 0 || v.spot != null || v.beside !== 0) raw.push(v.for);
  if (v.spot != null || v.beside !== 0) raw.push(v.spot && writeFieldSpot(v.spot), v.beside);
  return raw;
}

/** An answer answers a question, which is filed with it; or with 0, it is asked again. */
export interface QuestionFiled {
  readonly kind: 'questionFiled';
  readonly card: number;
  readonly answer: number;
  readonly whose: number;
}

export function readQuestionFiled(raw: Raw): QuestionFiled {
  return {
    kind: 'questionFiled',
    card: raw[0],
    answer: raw[1],
    whose: raw[2],
  };
}

/** What stood here was erased on request; the number stays, so that the log has no gap. */
export interface Redacted {
  readonly kind: 'redacted';
}

export function readRedacted(_raw: Raw): Redacted {
  return {
    kind: 'redacted',
  };
}

/** Do again what I took back. */
export interface RedoGesture {
  readonly kind: 'redoGesture';
  readonly gesture: number;
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

/** Staff: the change of groups that was taken back, again. */
export interface RedoGroups {
  readonly kind: 'redoGroups';
}

export function readRedoGroups(_raw: Raw): RedoGroups {
  return {
    kind: 'redoGroups',
  };
}

export function writeRedoGroups(_v: RedoGroups): Raw {
  return [];
}

/** Staff: take somebody out of the lesson. Their work stays. */
export interface RemovePerson {
  readonly kind: 'removePerson';
  readonly person: number;
}

export function readRemovePerson(raw: Raw): RemovePerson {
  return {
    kind: 'removePerson',
    person: raw[0],
  };
}

export function writeRemovePerson(v: RemovePerson): Raw {
  return [v.person];
}

/** Staff: go on with a closed lesson. */
export interface ReopenLesson {
  readonly kind: 'reopenLesson';
}

export function readReopenLesson(_raw: Raw): ReopenLesson {
  return {
    kind: 'reopenLesson',
  };
}

export function writeReopenLesson(_v: ReopenLesson): Raw {
  return [];
}

/** Everybody sees what all said of the cards in this round; those that nobody judged are left out. */
export interface ResultsShown {
  readonly kind: 'resultsShown';
  readonly results: readonly CardResult[];
}

export function readResultsShown(raw: Raw): ResultsShown {
  return {
    kind: 'resultsShown',
    results: raw[0].map((x: Raw) => readCardResult(x)),
  };
}

/** A link points the other way. */
export interface ReverseLink {
  readonly kind: 'reverseLink';
  readonly id: number;
}

export function readReverseLink(raw: Raw): ReverseLink {
  return {
    kind: 'reverseLink',
    id: raw[0],
  };
}

export function writeReverseLink(v: ReverseLink): Raw {
  return [v.id];
}

/** An answer says something else. */
export interface RewordAnswer {
  readonly kind: 'rewordAnswer';
  readonly card: number;
  readonly id: number;
  readonly language: string;
  readonly text: string;
}

export function readRewordAnswer(raw: Raw): RewordAnswer {
  return {
    kind: 'rewordAnswer',
    card: raw[0],
    id: raw[1],
    language: raw[2],
    text: raw[3],
  };
}

export function writeRewordAnswer(v: RewordAnswer): Raw {
  return [v.card, v.id, v.language, v.text];
}

/** A card says something else, or shows something else. */
export interface RewordCard {
  readonly kind: 'rewordCard';
  readonly id: number;
  readonly language: string;
  readonly text: string;
  readonly attachments: readonly Attachment[];
}

export function readRewordCard(raw: Raw): RewordCard {
  return {
    kind: 'rewordCard',
    id: raw[0],
    language: raw[1],
    text: raw[2],
    attachments: (raw[3] ?? []).map((x: Raw) => known(readAttachment(x))),
  };
}

export function writeRewordCard(v: RewordCard): Raw {
  const raw: Raw = [v.id, v.language, v.text];
  if (v.attachments.length > 0) raw.push(v.attachments.length > 0 ? v.attachments.map((x) => writeAttachment(x)) : null);
  return raw;
}

/** A link says something else. */
export interface RewordLink {
  readonly kind: 'rewordLink';
  readonly id: number;
  readonly word: number;
  readonly language: string;
  readonly text: string;
}

export function readRewordLink(raw: Raw): RewordLink {
  return {
    kind: 'rewordLink',
    id: raw[0],
    word: raw[1],
    language: raw[2],
    text: raw[3],
  };
}

export function writeRewordLink(v: RewordLink): Raw {
  return [v.id, v.word, v.language, v.text];
}

/** Groups on their way round the stations of a wall, all moving on together. */
export interface RoundTrip {
  /** In order; at least one. */
  readonly groups: readonly TripGroup[];
  /** How often they have moved on, from 0. */
  readonly stop: number;
}

export function readRoundTrip(raw: Raw): RoundTrip {
  return {
    groups: raw[0].map((x: Raw) => readTripGroup(x)),
    stop: raw[1],
  };
}

/** How much larger or smaller a mark is than its body says, about its middle, per mille. Line widths stay. */
export interface Scale {
  readonly x: number;
  readonly y: number;
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

/** Everybody's place is as the lesson says, up to this event. */
export interface SeatsConfirmed {
  readonly kind: 'seatsConfirmed';
  readonly through: number;
}

export function readSeatsConfirmed(raw: Raw): SeatsConfirmed {
  return {
    kind: 'seatsConfirmed',
    through: raw[0],
  };
}

/** They are out, and the door is closed. */
export interface SentAway {
  readonly kind: 'sentAway';
  readonly people: readonly number[];
}

export function readSentAway(raw: Raw): SentAway {
  return {
    kind: 'sentAway',
    people: raw[0],
  };
}

/** Staff: set the door. */
export interface SetDoor {
  readonly kind: 'setDoor';
  readonly door: Door;
}

export function readSetDoor(raw: Raw): SetDoor {
  return {
    kind: 'setDoor',
    door: raw[0],
  };
}

export function writeSetDoor(v: SetDoor): Raw {
  return [v.door];
}

/** Staff: these are the groups now. */
export interface SetGroups {
  readonly kind: 'setGroups';
  /** All groups; people in none of them work on their own. */
  readonly groups: readonly Group[];
  /** Of the groups when this was thought of; refused if somebody was faster. */
  readonly version: number;
}

export function readSetGroups(raw: Raw): SetGroups {
  return {
    kind: 'setGroups',
    groups: raw[0].map((x: Raw) => readGroup(x)),
    version: raw[1],
  };
}

export function writeSetGroups(v: SetGroups): Raw {
  return [v.groups.map((x) => writeGroup(x)), v.version];
}

/** Staff: open a part, or close it again. What was done there stays. */
export interface SetPart {
  readonly kind: 'setPart';
  readonly part: number;
  readonly open: boolean;
}

export function readSetPart(raw: Raw): SetPart {
  return {
    kind: 'setPart',
    part: raw[0],
    open: raw[1],
  };
}

export function writeSetPart(v: SetPart): Raw {
  return [v.part, v.open];
}

/** Staff: pens down, or up again. */
export interface SetPens {
  readonly kind: 'setPens';
  readonly down: boolean;
}

export function readSetPens(raw: Raw): SetPens {
  return {
    kind: 'setPens',
    down: raw[0],
  };
}

export function writeSetPens(v: SetPens): Raw {
  return [v.down];
}

/** Staff: the wall is planned like this now. Cards of topics that are gone fit nowhere. */
export interface SetPlan {
  readonly kind: 'setPlan';
  readonly plan: WallPlan;
}

export function readSetPlan(raw: Raw): SetPlan {
  return {
    kind: 'setPlan',
    plan: readWallPlan(raw[0]),
  };
}

export function writeSetPlan(v: SetPlan): Raw {
  return [writeWallPlan(v.plan)];
}

/** Staff: whether students may look at the other boards, and at the teacher's own. */
export interface SetSight {
  readonly kind: 'setSight';
  readonly otherBoards: boolean;
  readonly teachersBoard: boolean;
}

export function readSetSight(raw: Raw): SetSight {
  return {
    kind: 'setSight',
    otherBoards: raw[0],
    teachersBoard: raw[1],
  };
}

export function writeSetSight(v: SetSight): Raw {
  return [v.otherBoards, v.teachersBoard];
}

/** Staff: when the lesson opens, is due and closes. */
export interface SetTimes {
  readonly kind: 'setTimes';
  readonly times: LessonTimes;
}

export function readSetTimes(raw: Raw): SetTimes {
  return {
    kind: 'setTimes',
    times: { opensAt: raw[0] < 0 ? null : raw[0], dueAt: raw[1] < 0 ? null : raw[1], closesAt: raw[2] < 0 ? null : raw[2], handsIn: raw[3] },
  };
}

export function writeSetTimes(v: SetTimes): Raw {
  return [v.times.opensAt ?? -1, v.times.dueAt ?? -1, v.times.closesAt ?? -1, v.times.handsIn];
}

/** A line, polygon, ellipse or arc. */
export interface ShapeBody {
  readonly kind: 'shape';
  /** Which. */
  readonly shape: ShapeKind;
  /** x, y, x, y ... */
  readonly points: readonly number[];
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

/** What a snapshot says of pages and marks. */
export interface SheetsSnapshot {
  /** What the activity is called. */
  readonly name: Texts;
  /** What students are to do. */
  readonly directions: Texts;
  /** All pages that the reader may see. */
  readonly pages: readonly Page[];
  /** All marks that the reader may see, by id: not everybody learned of them in the same order. */
  readonly marks: readonly Mark[];
  /** What can be undone and redone, each person's in order. */
  readonly gestures: readonly GestureSnapshot[];
  /** Who wrote last what one of them changed. */
  readonly writers: readonly LastWriter[];
  /** In which lengths are shown. */
  readonly unit: LengthUnit;
  /** The steps of the activity, in order. */
  readonly parts: readonly Part[];
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
  };
}

/** Staff: show all the order of the class, or with On false go on placing, and show it no more. */
export interface ShowOrder {
  readonly kind: 'showOrder';
  readonly on: boolean;
}

export function readShowOrder(raw: Raw): ShowOrder {
  return {
    kind: 'showOrder',
    on: raw[0],
  };
}

export function writeShowOrder(v: ShowOrder): Raw {
  return [v.on];
}

/** Staff: show everybody what all said of the cards; the round is over. */
export interface ShowResults {
  readonly kind: 'showResults';
}

export function readShowResults(_raw: Raw): ShowResults {
  return {
    kind: 'showResults',
  };
}

export function writeShowResults(_v: ShowResults): Raw {
  return [];
}

/** What students may look at besides their own board. */
export interface SightSet {
  readonly kind: 'sightSet';
  readonly otherBoards: boolean;
  readonly teachersBoard: boolean;
}

export function readSightSet(raw: Raw): SightSet {
  return {
    kind: 'sightSet',
    otherBoards: raw[0],
    teachersBoard: raw[1],
  };
}

/** A signal was raised or lowered. */
export interface SignalGiven {
  readonly kind: 'signalGiven';
  readonly person: number;
  readonly signal: Signal;
  readonly on: boolean;
}

export function readSignalGiven(raw: Raw): SignalGiven {
  return {
    kind: 'signalGiven',
    person: raw[0],
    signal: raw[1],
    on: raw[2],
  };
}

/** A stamp of the set in Stamps. */
export interface StampBody {
  readonly kind: 'stamp';
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly stamp: string;
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

/** The actor is at a station. */
export interface StationVisited {
  readonly kind: 'stationVisited';
  readonly station: number;
}

export function readStationVisited(raw: Raw): StationVisited {
  return {
    kind: 'stationVisited',
    station: raw[0],
  };
}

/** One property that a gesture changed. */
export interface Step {
  /** The value it found. */
  readonly before: Change;
  /** The gesture that had written that value; 0 if it was the first. */
  readonly beforeWriter: number;
  /** The value it left. */
  readonly after: Change;
  /** Whether the last undo of its gesture took it back: what it had to skip is not done again either. */
  readonly takenBack: boolean;
}

export function readStep(raw: Raw): Step {
  return {
    before: readChange(raw[0]),
    beforeWriter: raw[1],
    after: readChange(raw[2]),
    takenBack: raw[3] ?? false,
  };
}

/** Something to look at or to listen to, set next to a page. */
export interface Stimulus {
  /** Which. */
  readonly kind: StimulusKind;
  /** Its name in the media store, or the address of a link. */
  readonly source: string;
  /** What it is called. */
  readonly title: string;
}

export function readStimulus(raw: Raw): Stimulus {
  return {
    kind: raw[0],
    source: raw[1],
    title: raw[2],
  };
}

export function writeStimulus(v: Stimulus): Raw {
  return [v.kind, v.source, v.title];
}

/** How a mark looks. What the numbers mean is in Palette. */
export interface Style {
  /** Index into the palette of the mark's kind. */
  readonly colour: number;
  /** Line width of ink and shapes, 1/100 mm; 0 where there is none. */
  readonly width: number;
  /** Shapes: 0 for none, else 1 + the index into the note palette. */
  readonly fill: number;
  /** The rest. */
  readonly looks: Looks;
}

export function readStyle(raw: Raw): Style {
  return {
    colour: raw[0],
    width: raw[1],
    fill: raw[2] ?? 0,
    looks: raw[3] ?? 0,
  };
}

export function writeStyle(v: Style): Raw {
  const raw: Raw = [v.colour, v.width];
  if (v.fill !== 0 || v.looks !== 0) raw.push(v.fill, v.looks);
  return raw;
}

/** Take an answer down. It is kept; what answers it stays. */
export interface TakeAnswerDown {
  readonly kind: 'takeAnswerDown';
  readonly card: number;
  readonly id: number;
}

export function readTakeAnswerDown(raw: Raw): TakeAnswerDown {
  return {
    kind: 'takeAnswerDown',
    card: raw[0],
    id: raw[1],
  };
}

export function writeTakeAnswerDown(v: TakeAnswerDown): Raw {
  return [v.card, v.id];
}

/** Take a card down. It is kept. */
export interface TakeCardDown {
  readonly kind: 'takeCardDown';
  readonly id: number;
}

export function readTakeCardDown(raw: Raw): TakeCardDown {
  return {
    kind: 'takeCardDown',
    id: raw[0],
  };
}

export function writeTakeCardDown(v: TakeCardDown): Raw {
  return [v.id];
}

/** Take a link down. It is kept. */
export interface TakeLinkDown {
  readonly kind: 'takeLinkDown';
  readonly id: number;
}

export function readTakeLinkDown(raw: Raw): TakeLinkDown {
  return {
    kind: 'takeLinkDown',
    id: raw[0],
  };
}

export function writeTakeLinkDown(v: TakeLinkDown): Raw {
  return [v.id];
}

/** A student: I go on working on what was handed in. */
export interface TakeWorkBack {
  readonly kind: 'takeWorkBack';
}

export function readTakeWorkBack(_raw: Raw): TakeWorkBack {
  return {
    kind: 'takeWorkBack',
  };
}

export function writeTakeWorkBack(_v: TakeWorkBack): Raw {
  return [];
}

/** Text straight on the page. X, Y is its top left corner. */
export interface TextBody {
  readonly kind: 'text';
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly words: Words;
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

/** Staff: tidy the field. */
export interface TidyField {
  readonly kind: 'tidyField';
}

export function readTidyField(_raw: Raw): TidyField {
  return {
    kind: 'tidyField',
  };
}

export function writeTidyField(_v: TidyField): Raw {
  return [];
}

/** The times were set. */
export interface TimesSet {
  readonly kind: 'timesSet';
  readonly times: LessonTimes;
}

export function readTimesSet(raw: Raw): TimesSet {
  return {
    kind: 'timesSet',
    times: { opensAt: raw[0] < 0 ? null : raw[0], dueAt: raw[1] < 0 ? null : raw[1], closesAt: raw[2] < 0 ? null : raw[2], handsIn: raw[3] },
  };
}

/** A place of its own on a wall, for the cards that belong there. */
export interface Topic {
  /** Stays the same whatever it is called; never used again. Larger than 0. */
  readonly id: number;
  /** What it is called. */
  readonly heading: Texts;
  /** What to write there; may be empty. */
  readonly prompt: Texts;
  /** One of the twelve of slips, from 0. */
  readonly colour: number;
  /** At a station: what is looked at; null for nothing. */
  readonly shown: readonly Attachment[];
  /** At a station: something to watch, to listen to or to open; null for nothing. */
  readonly stimulus: Stimulus | null;
}

export function readTopic(raw: Raw): Topic {
  return {
    id: raw[0],
    heading: raw[1],
    prompt: raw[2],
    colour: raw[3],
    shown: (raw[4] ?? []).map((x: Raw) => known(readAttachment(x))),
    stimulus: raw[5] == null ? null : readStimulus(raw[5]),
  };
}

export function writeTopic(v: Topic): Raw {
  const raw: Raw = [v.id, v.heading, v.prompt, v.colour];
  if (v.shown.length > 0 || v.stimulus != null) raw.push(v.shown.length > 0 ? v.shown.map((x) => writeAttachment(x)) : null, v.stimulus && writeStimulus(v.stimulus));
  return raw;
}

/** Words in another language, fitted into the same place. */
export interface Translation {
  /** BCP 47 tag. */
  readonly language: string;
  /** The text. */
  readonly text: string;
  /** The text as broken into lines. */
  readonly lines: readonly string[];
  /** Height of the type (em), 1/100 mm. */
  readonly size: number;
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

/** Groups set out on a round trip. */
export interface TripBegun {
  readonly kind: 'tripBegun';
  readonly groups: readonly TripGroup[];
}

export function readTripBegun(raw: Raw): TripBegun {
  return {
    kind: 'tripBegun',
    groups: raw[0].map((x: Raw) => readTripGroup(x)),
  };
}

/** The round trip is over. */
export interface TripEnded {
  readonly kind: 'tripEnded';
}

export function readTripEnded(_raw: Raw): TripEnded {
  return {
    kind: 'tripEnded',
  };
}

/** A group on a round trip. */
export interface TripGroup {
  /** What it is called. */
  readonly name: string;
  /** By actor number. */
  readonly people: readonly number[];
}

export function readTripGroup(raw: Raw): TripGroup {
  return {
    name: raw[0],
    people: raw[1],
  };
}

export function writeTripGroup(v: TripGroup): Raw {
  return [v.name, v.people];
}

/** All groups have moved on. */
export interface TripMovedOn {
  readonly kind: 'tripMovedOn';
  readonly stop: number;
}

export function readTripMovedOn(raw: Raw): TripMovedOn {
  return {
    kind: 'tripMovedOn',
    stop: raw[0],
  };
}

/** Staff: do not let somebody in who waits. */
export interface TurnAway {
  readonly kind: 'turnAway';
  readonly person: number;
}

export function readTurnAway(raw: Raw): TurnAway {
  return {
    kind: 'turnAway',
    person: raw[0],
  };
}

export function writeTurnAway(v: TurnAway): Raw {
  return [v.person];
}

/** Take back what one of my gestures did. */
export interface UndoGesture {
  readonly kind: 'undoGesture';
  readonly gesture: number;
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

/** Staff: the groups as they were before the last change. */
export interface UndoGroups {
  readonly kind: 'undoGroups';
}

export function readUndoGroups(_raw: Raw): UndoGroups {
  return {
    kind: 'undoGroups',
  };
}

export function writeUndoGroups(_v: UndoGroups): Raw {
  return [];
}

/** Where somebody was. It is known to them and to teachers. */
export interface Visit {
  /** Who, by actor number. */
  readonly person: number;
  /** Where they have been, in the order in which they came there first. */
  readonly stations: readonly number[];
  /** Where they were seen last. */
  readonly now: number;
}

export function readVisit(raw: Raw): Visit {
  return {
    person: raw[0],
    stations: raw[1],
    now: raw[2],
  };
}

/** I am at a station. */
export interface VisitStation {
  readonly kind: 'visitStation';
  readonly station: number;
}

export function readVisitStation(raw: Raw): VisitStation {
  return {
    kind: 'visitStation',
    station: raw[0],
  };
}

export function writeVisitStation(v: VisitStation): Raw {
  return [v.station];
}

/** What a teacher has planned for a wall: the question, where answers go, and what each may and owes. */
export interface WallPlan {
  /** What students are to do. */
  readonly purpose: Purpose;
  /** The question over the wall. */
  readonly question: Texts;
  /** In order; cards that fit none lie Nowhere. */
  readonly topics: readonly Topic[];
  /** What each may and owes. */
  readonly rules: WallRules;
  /** On which students show places: a map, or any other picture; null for none. */
  readonly map: MapPicture | null;
  /** Along what cards are ordered; null as long as none ever were to be. */
  readonly line: LinePlan | null;
  /** The teacher's cards that are up from the beginning; null for none. */
  readonly givenCards: readonly GivenCard[];
  /** On what cards are connected; null as long as none ever were to be. */
  readonly field: FieldPlan | null;
}

export function readWallPlan(raw: Raw): WallPlan {
  return {
    purpose: raw[0],
    question: raw[1],
    topics: raw[2].map((x: Raw) => readTopic(x)),
    rules: readWallRules(raw[3]),
    map: raw[4] == null ? null : readMapPicture(raw[4]),
    line: raw[5] == null ? null : readLinePlan(raw[5]),
    givenCards: (raw[6] ?? []).map((x: Raw) => readGivenCard(x)),
    field: raw[7] == null ? null : readFieldPlan(raw[7]),
  };
}

export function writeWallPlan(v: WallPlan): Raw {
  const raw: Raw = [v.purpose, v.question, v.topics.map((x) => writeTopic(x)), writeWallRules(v.rules)];
  if (v.map != null || v.line != null || v.givenCards.length > 0 || v.field != null) raw.push(v.map && writeMapPicture(v.map));
  if (v.line != null || v.givenCards.length > 0 || v.field != null) raw.push(v.line && writeLinePlan(v.line), v.givenCards.length > 0 ? v.givenCards.map((x) => writeGivenCard(x)) : null);
  if (v.field != null) raw.push(v.field && writeFieldPlan(v.field));
  return raw;
}

/** What each student may and owes. */
export interface WallRules {
  /** How many cards each is asked for; 0 for no number. */
  readonly least: number;
  /** How many each may have up at most; 0 for no number. */
  readonly most: number;
  /** Whether each student sees only their own cards and the teachers': think first, then look. */
  readonly ownFirst: boolean;
  /** Whether students may answer cards, and answers; teachers always may. */
  readonly answers: boolean;
  /** What students may show beside their words; teachers may show everything. */
  readonly shows: AttachmentKinds;
  /** How students judge each other's cards; null for not at all. */
  readonly judging: Judging | null;
  /** On a wall to visit: at how many stations of their choice each is asked for something; 0 for no number. */
  readonly stations: number;
  /** Whether only teachers put up cards. */
  readonly onlyGiven: boolean;
  /** To whom it is shown who wrote what. */
  readonly names: NamesTo;
  /** Under topics: whether anybody may move any card. */
  readonly anyMoves: boolean;
  /** Whether students answer a card by one strength and one question. */
  readonly inPairs: boolean;
  /** How many cards of others each is asked to answer; 0 for no number. */
  readonly leastAnswers: number;
}

export function readWallRules(raw: Raw): WallRules {
  return {
    least: raw[0],
    most: raw[1],
    ownFirst: raw[2] ?? false,
    answers: raw[3] ?? false,
    shows: raw[4] ?? 0,
    judging: raw[5] == null ? null : readJudging(raw[5]),
    stations: raw[6] ?? 0,
    onlyGiven: raw[7] ?? false,
    names: raw[8] ?? 0,
    anyMoves: raw[9] ?? false,
    inPairs: raw[10] ?? false,
    leastAnswers: raw[11] ?? 0,
  };
}

export function writeWallRules(v: WallRules): Raw {
  const raw: Raw = [v.least, v.most];
  if (v.ownFirst || v.answers || v.shows !== 0 || v.judging != null || v.stations !== 0 || v.onlyGiven || v.names !== 0 || v.anyMoves || v.inPairs || v.leastAnswers !== 0) raw.push(v.ownFirst);
  if (v.answers || v.shows !== 0 || v.judging != null || v.stations !== 0 || v.onlyGiven || v.names !== 0 || v.anyMoves || v.inPairs || v.leastAnswers !== 0) raw.push(v.answers);
  if (v.shows !== 0 || v.judging != null || v.stations !== 0 || v.onlyGiven || v.names !== 0 || v.anyMoves || v.inPairs || v.leastAnswers !== 0) raw.push(v.shows);
  if (v.judging != null || v.stations !== 0 || v.onlyGiven || v.names !== 0 || v.anyMoves || v.inPairs || v.leastAnswers !== 0) raw.push(v.judging && writeJudging(v.judging));
  if (v.stations !== 0 || v.onlyGiven || v.names !== 0 || v.anyMoves || v.inPairs || v.leastAnswers !== 0) raw.push(v.stations);
  if (v.onlyGiven || v.names !== 0 || v.anyMoves || v.inPairs || v.leastAnswers !== 0) raw.push(v.onlyGiven);
  if (v.names !== 0 || v.anyMoves || v.inPairs || v.leastAnswers !== 0) raw.push(v.names, v.anyMoves, v.inPairs, v.leastAnswers);
  return raw;
}

/** What a snapshot says of a wall. */
export interface WallSnapshot {
  readonly kind: 'wall';
  /** What is planned for it now. */
  readonly plan: WallPlan;
  /** The cards that the reader may see, by id. */
  readonly cards: readonly Card[];
  /** Work waiting for the teacher's decision. */
  readonly setAside: readonly LateWork[];
  /** When a student last did something here, server time in ms; null if none has. To a student: when they did themselves. */
  readonly lastActivity: number | null;
  /** What each student did last here; to a student, their own. */
  readonly acts: readonly LastAct[];
  /** What students said of each other's cards; to a student, what they said themselves, and what was shown. */
  readonly judging: JudgingState;
  /** Groups on their way round; null if everybody goes where they like. */
  readonly trip: RoundTrip | null;
  /** Who was where; to a student, where they were. */
  readonly visits: readonly Visit[];
  /** Where each placed cards; to a student, their own placement and what was shown. */
  readonly placing: PlacingState;
  /** The links that the reader may see, by id. */
  readonly links: readonly Link[];
  /** To teachers, where names are hidden from students: who has done what classmates do not see yet, by actor number. */
  readonly held: readonly number[];
}

export function readWallSnapshot(raw: Raw): WallSnapshot {
  return {
    kind: 'wall',
    plan: readWallPlan(raw[0]),
    cards: raw[1].map((x: Raw) => readCard(x)),
    setAside: raw[2].map((x: Raw) => readLateWork(x)),
    lastActivity: raw[3] < 0 ? null : raw[3],
    acts: raw[4].map((x: Raw) => readLastAct(x)),
    judging: readJudgingState(raw[5]),
    trip: raw[6] == null ? null : readRoundTrip(raw[6]),
    visits: raw[7].map((x: Raw) => readVisit(x)),
    placing: readPlacingState(raw[8]),
    links: raw[9].map((x: Raw) => readLink(x)),
    held: raw[10],
  };
}

/** Written words, with the line breaks and size that the author's screen gave them, so that every screen and print agrees. */
export interface Words {
  /** What was typed, with its own line feeds. */
  readonly text: string;
  /** BCP 47 tag. */
  readonly language: string;
  /** The text as broken into lines. */
  readonly lines: readonly string[];
  /** Height of the type (em), 1/100 mm. */
  readonly size: number;
  /** The same in other languages, each once; null for none. */
  readonly also?: readonly Translation[] | null;
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

/** Work from an archive stands on the board. */
export interface WorkBrought {
  readonly kind: 'workBrought';
  /** What stands on it. */
  readonly content: Uint8Array;
  /** When a student last changed it, ms; null if none did. */
  readonly changedAt: number | null;
}

export function readWorkBrought(raw: Raw): WorkBrought {
  return {
    kind: 'workBrought',
    content: raw[0],
    changedAt: raw[1] ?? null,
  };
}

/** Somebody's work was handed in. */
export interface WorkHandedIn {
  readonly kind: 'workHandedIn';
  readonly people: readonly number[];
}

export function readWorkHandedIn(raw: Raw): WorkHandedIn {
  return {
    kind: 'workHandedIn',
    people: raw[0],
  };
}

/** Work arrived when it could no longer be put in place; it is kept for the teacher's decision. */
export interface WorkSetAside {
  readonly kind: 'workSetAside';
  readonly command: Command;
}

export function readWorkSetAside(raw: Raw): WorkSetAside {
  return {
    kind: 'workSetAside',
    command: known(readCommand(raw[0], raw[1])),
  };
}

/** It was taken back. */
export interface WorkTakenBack {
  readonly kind: 'workTakenBack';
  readonly people: readonly number[];
}

export function readWorkTakenBack(raw: Raw): WorkTakenBack {
  return {
    kind: 'workTakenBack',
    people: raw[0],
  };
}

/** So much work of somebody waits on a board; 0 if it waits no longer. Told to teachers. */
export interface WorkWaits {
  readonly kind: 'workWaits';
  readonly board: string;
  readonly person: number;
  readonly count: number;
}

export function readWorkWaits(raw: Raw): WorkWaits {
  return {
    kind: 'workWaits',
    board: raw[0],
    person: raw[1],
    count: raw[2],
  };
}

/** A named region of a page. Zones may lie in one another and overlap. */
export interface ZoneBody {
  readonly kind: 'zone';
  /** Polygon or ellipse. */
  readonly shape: ShapeKind;
  /** As of a ShapeBody. */
  readonly points: readonly number[];
  /** What it is called; may be empty. */
  readonly name: Texts;
  /** What counts as in it. */
  readonly rule: ZoneRule;
  /** What belongs there; null for nothing, and for whoever may not know. */
  readonly expected: Expectation | null;
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

/** What is expected of a zone. */
export interface ZoneKey {
  readonly zone: number;
  readonly expected: Expectation;
}

export function readZoneKey(raw: Raw): ZoneKey {
  return {
    zone: raw[0],
    expected: readExpectation(raw[1]),
  };
}
