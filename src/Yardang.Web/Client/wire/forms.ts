// Made from Core's records by ./yardang wire: not to be changed by hand.

import type { Texts } from './by-hand';

/** What an answer says of what it is about. The numbers are on the wire. */
export const enum AnswerKind {
  Plain = 0,
  Strength = 1,
  Question = 2,
}

/** When a teacher looks at what students write before others see it. The numbers are on the wire. */
export const enum ApprovalWhen {
  Never = 0,
  Always = 1,
  OutsideHours = 2,
}

/** The kinds of attachments, as a set of them. The numbers are on the wire. */
export const enum AttachmentKinds {
  None = 0,
  Pictures = 1,
  Drawings = 2,
  Formulas = 4,
  Places = 8,
  Links = 16,
  Voices = 32,
  Films = 64,
  Files = 128,
}

/** Why a student tells their teacher of something. The numbers are on the wire. */
export const enum ConcernReason {
  Hurts = 1,
  Private = 2,
  NotTheWork = 3,
  Other = 4,
}

/** Whether newcomers walk in. */
export const enum Door {
  Open = 0,
  Ask = 1,
  Closed = 2,
}

/** The files that may be shown beside words, opened elsewhere. The numbers are on the wire. */
export const enum FileFormat {
  Pdf = 0,
  Text = 1,
  Docx = 2,
  Xlsx = 3,
  Pptx = 4,
  Odt = 5,
  Ods = 6,
  Odp = 7,
  Archive = 8,
}

/** Who may grip a mark. */
export const enum Grip {
  Own = 0,
  Loose = 1,
  Printed = 2,
  Key = 3,
}

/** Why a hand is up, if its owner says so. The numbers are on the wire. */
export const enum HandReason {
  None = 0,
  Task = 1,
  Material = 2,
  Check = 3,
}

/** How students judge each other's cards. The numbers are on the wire. */
export const enum JudgingKind {
  Agree = 1,
  Choose = 2,
  Score = 3,
}

/** In which lengths are shown. */
export const enum LengthUnit {
  Centimetre = 0,
  Inch = 1,
}

/** Whether its lesson lets each see only their own on a wall, and what the wall itself would do. The numbers are on the wire. */
export const enum LessonHolds {
  No = 0,
  WallWouldShow = 1,
  WallHoldsToo = 2,
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
  Nobody = 2,
}

/** For what somebody is listed among those who need the teacher. The numbers are on the wire; they are listed in this order, but for what may be mischief, which stands before what is only seen. */
export const enum NeedKind {
  Door = 1,
  Hand = 2,
  Stuck = 3,
  Ready = 4,
  LateWork = 5,
  Unsure = 6,
  CameBack = 7,
  NotStarted = 8,
  Stopped = 9,
  InCircles = 10,
  OtherPage = 11,
  Offline = 12,
  ToldOf = 13,
  ClearsAway = 14,
  Rewrites = 15,
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

/** What is done in a phase of a lesson. The numbers are on the wire. */
export const enum PhaseKind {
  Work = 0,
  Think = 1,
  Talk = 2,
  Choose = 3,
}

/** Who sees the boards of students before they are shown. The numbers are on the wire; the larger is the stricter. */
export const enum Privacy {
  None = 0,
  UntilShown = 1,
  AlsoFromTeachers = 2,
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
  Down = 12,
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
  Phases = 33,
  Shows = 34,
}

/** What students are to do on a wall. The numbers are on the wire. */
export const enum Purpose {
  Sort = 1,
  Visit = 2,
  Ask = 3,
  Order = 4,
  Connect = 5,
}

/** How a quick question is answered. The numbers are on the wire. */
export const enum ReplyForm {
  Words = 0,
  Choice = 1,
  Scale = 2,
}

/** How somebody says that it is going. The numbers are on the wire. */
export const enum Report {
  None = 0,
  GoesOn = 1,
  Unsure = 2,
  Stuck = 3,
}

/** In what capacity somebody acts. */
export const enum Role {
  Student = 0,
  Staff = 1,
  Program = 2,
}

/** What the class sees on the big screen. The numbers are on the wire. */
export const enum ScreenKind {
  Nothing = 0,
  ComingIn = 1,
  Works = 2,
  Clock = 3,
  CheckIn = 4,
  Question = 5,
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

/** To what somebody is called. The numbers are on the wire. */
export const enum SpotKind {
  Part = 0,
  Page = 1,
  Place = 2,
  Topic = 3,
  Card = 4,
  TeachersBoard = 5,
}

/** How far a wall is with where students stand. The numbers are on the wire. */
export const enum StanceStage {
  First = 0,
  Again = 1,
  Shown = 2,
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

/** What a phase of a lesson can leave to students, or withhold from them, each by itself. The numbers are on the wire. */
export const enum StudentActs {
  None = 0,
  Write = 1,
  Answer = 2,
  Move = 4,
  Judge = 8,
  All = 15,
}

/** Whether a teacher took a student's mark down. The numbers are on the wire. */
export const enum TakenDown {
  No = 0,
  Hidden = 1,
  Removed = 2,
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
  Answer = 256,
}

/** Whether something is asked for beside a score. The numbers are on the wire. */
export const enum Wanted {
  No = 0,
  May = 1,
  Must = 2,
}

/** Who works with whom. The numbers are stored and on the wire. */
export const enum Way {
  OneEach = 0,
  ByGroup = 1,
  AllTogether = 2,
}

/** What is done where something was found that a class should not read. The numbers are on the wire. */
export const enum WhenFound {
  LetThrough = 0,
  Mask = 1,
  KeepBack = 2,
  Refuse = 3,
}

/** Why work waits for the teacher's decision. The numbers are on the wire. */
export const enum WhySetAside {
  Late = 0,
  Words = 1,
  Rests = 2,
  Approval = 3,
  Locked = 4,
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
  | PlaceAttachment
  | LinkAttachment
  | VoiceAttachment
  | FilmAttachment
  | FileAttachment;

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
  | PageShows
  | PageSize
  | Paper
  | Place
  | Scale
  | Stimulus
  | Style
  | TakenDown
  | Texts
  | ToolSet
  | Wording
  | boolean
  | null
  | number
  | readonly Part[]
  | readonly PlannedPhase[]
  | readonly Texts[]
  | readonly number[];

export interface Wording {
  readonly words: Words;
  readonly width: number;
  readonly height: number;
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
  | GiveAnswer
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
  | LetCardsOut
  | RespondToCard
  | JoinCard
  | GiveReading
  | ReadCard
  | TakeStance
  | SteerStances
  | ColourCard
  | BreakSeal
  | SetMarkJudging
  | SetOwnFirst
  | GiveStarters
  | LowerHands
  | GiveReport
  | AskCheckIn
  | VisitWork
  | SetNeeds
  | AnswerNeed
  | CallClass
  | LeadOn
  | EndCall
  | ConfirmCall
  | HoldPens
  | PoseQuestion
  | CloseQuestion
  | GiveReply
  | BeginPhase
  | GiveTime
  | EndPhase
  | ShowOnScreen
  | SetPrivacy
  | ShowWork
  | CallBoardsUp
  | SetWordScreen
  | SetApproval
  | ReturnWork
  | RaiseConcern
  | SettleConcerns
  | SetHiding
  | RestoreMarks
  | LockCard
  | LockTopic
  | LockPage
  | LeaveOutJudge;

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
  | ZoneBody
  | ShownBody
  | AnswerFieldBody
  | FieldAnswerBody;

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
  | AnswerGiven
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
  | CardsLetOut
  | CardRespondedTo
  | CardJoined
  | ReadingGiven
  | CardRead
  | StanceTaken
  | StancesSteered
  | CardColoured
  | SealBroken
  | MarkJudgingSet
  | OwnFirstSet
  | StartersGiven
  | HandsLowered
  | ReportGiven
  | CheckInAsked
  | WorkVisited
  | NeedsSet
  | NeedAnswered
  | ClassCalled
  | LedOn
  | CallEnded
  | CallConfirmed
  | PensHeld
  | QuestionPosed
  | QuestionClosed
  | ReplyGiven
  | PhaseBegun
  | TimeGiven
  | PhaseEnded
  | PhaseResumed
  | ScreenSet
  | PrivacySet
  | WorkShown
  | BoardsUp
  | WordScreenSet
  | ApprovalSet
  | WorkReturned
  | ConcernRaised
  | ConcernsSettled
  | HidingSet
  | NamesCorrected
  | CardLocked
  | TopicLocked
  | PageLocked
  | WorkTakenUpAgain
  | JudgeLeftOut;

/** A room's state in one piece, by the numbers of RoomKind. */
export type RoomSnapshot =
  | DraftSnapshot
  | LessonSnapshot
  | BoardSnapshot
  | WallSnapshot;

/** Staff: put work that was set aside in place after all. The number is that of the event that set it aside. */
export interface AcceptLateWork {
  readonly kind: 'acceptLateWork';
  readonly number: number;
}

/** Who acts in a room. The number is opaque, belongs to one lesson, and is the only trace of a person in a log. */
export interface Actor {
  /** 1 is the owner; participants count on from 2; 0 is the program. */
  readonly number: number;
  /** The rights of this moment. */
  readonly role: Role;
}

/** Put a new mark on a page. */
export interface AddMark {
  readonly kind: 'addMark';
  /** Its id. */
  readonly id: number;
  /** Where. */
  readonly page: number;
  /** Who may grip it. */
  readonly grip: Grip;
  /** What it is made of. */
  readonly body: MarkBody;
  /** How it looks. */
  readonly style: Style;
  /** Boards, staff: who said it aloud, by actor number, to whom it belongs; 0: whoever puts it there. */
  readonly for: number;
}

/** Put several marks on a page at once, all or none: pasted, duplicated, or an organizer. Back to front. */
export interface AddMarks {
  readonly kind: 'addMarks';
  readonly page: number;
  readonly marks: readonly NewMark[];
}

/** Drafts: put a new page in, before those of a larger order. */
export interface AddPage {
  readonly kind: 'addPage';
  readonly page: Page;
  readonly order: number;
}

/** Staff: let somebody in who waits, or who was taken out or turned away. */
export interface AdmitPerson {
  readonly kind: 'admitPerson';
  readonly person: number;
}

/** A late change as a board knows it. */
export interface Adopted {
  readonly number: number;
  readonly page: number;
  readonly givenUp: boolean;
}

/** What somebody says to a card of a wall or a mark of a board, or to another answer to it. It is seen by whoever sees the card; of a mark, by all who are on the board. */
export interface Answer {
  /** Of the tab in which it was written (Ids); its own among those about one thing. */
  readonly id: number;
  /** The answer that it answers; 0 for the card or mark itself. */
  readonly to: number;
  /** Whose it is, by actor number. */
  readonly author: number;
  /** Whether a teacher said it. */
  readonly byStaff: boolean;
  /** A BCP 47 tag; empty if it is not known. */
  readonly language: string;
  /** What it says; with a voice also what is said in that, for those who cannot hear it: then it may be empty. */
  readonly text: string;
  /** When, server time in ms. */
  readonly saidAt: number;
  /** Who took it down, by actor number; 0 while it is up. Then only its author and teachers see it. */
  readonly downBy: number;
  /** Whether a teacher said it aloud: the text is a note of what was said, and may be empty. */
  readonly aloud: boolean;
  /** What it says of what it is about. */
  readonly says: AnswerKind;
  /** Why a teacher took it down, for its author; empty where nothing was said. */
  readonly downWhy: string;
  /** Whether its author does not see it either; then they are told only that it is gone, and why. */
  readonly removed: boolean;
  /** What is heard or seen with it, of the kinds of Shows; it has no words of its own. Null for nothing. */
  readonly shown: Attachment | null;
}

/** A place on a page where students type an answer (FieldAnswerBody). X, Y is its top left corner. */
export interface AnswerFieldBody {
  readonly kind: 'answerField';
  /** 1/100 mm to the right. */
  readonly x: number;
  /** 1/100 mm down. */
  readonly y: number;
  /** 1/100 mm. */
  readonly width: number;
  /** 1/100 mm, with its name. */
  readonly height: number;
  /** What is asked for; may be empty. */
  readonly name: Texts;
}

/** Something is said to a card or a mark. Whose: the author of the card where classmates do not see it; else 0. So in the events that follow. */
export interface AnswerGiven {
  readonly kind: 'answerGiven';
  readonly about: number;
  readonly answer: Answer;
  readonly whose: number;
}

/** The answer key of a board, whole: what only teachers see, and what is expected of zones. */
export interface AnswerKey {
  /** The marks of the key, by id. */
  readonly marks: readonly Mark[];
  /** The zones of which something is expected, by id. */
  readonly zones: readonly ZoneKey[];
}

/** Staff: this one need is seen to, or is put off. */
export interface AnswerNeed {
  readonly kind: 'answerNeed';
  /** Whose. */
  readonly person: number;
  /** Which. */
  readonly need: NeedKind;
  /** For how long it is put off; 0: it is done, until it comes anew. */
  readonly minutes: number;
}

/** An answer is up again, as it stands: for those who never saw it. */
export interface AnswerPutBack {
  readonly kind: 'answerPutBack';
  readonly about: number;
  readonly answer: Answer;
  readonly whose: number;
}

/** An answer says something else. */
export interface AnswerReworded {
  readonly kind: 'answerReworded';
  readonly about: number;
  readonly id: number;
  readonly language: string;
  readonly text: string;
  readonly whose: number;
}

/** An answer was taken down by the actor of the event. Where a teacher did, to its author and to teachers: Author, why, whether its author does not see it either, and By: whose doing it counts as; 0: the actor's. */
export interface AnswerTakenDown {
  readonly kind: 'answerTakenDown';
  readonly about: number;
  readonly id: number;
  readonly whose: number;
  readonly author: number;
  readonly words: string;
  readonly removed: boolean;
  readonly by: number;
}

/** What became of a need. */
export interface AnsweredNeed {
  /** Whose. */
  readonly person: number;
  /** Which. */
  readonly kind: NeedKind;
  /** When, server time in ms. What began before is answered. */
  readonly at: number;
  /** Until when it is put off; null if it is done. */
  readonly until: number | null;
}

/** Whose work waits for the teacher in a part of a lesson before others see it, and when. */
export interface Approval {
  /** When. */
  readonly when: ApprovalWhen;
  /** Whose, by actor number; nobody named: everybody's. */
  readonly people: readonly number[];
  /** The hours outside which it does, where that is asked for. */
  readonly hours: LessonHours;
}

/** What is asked for in a part of a lesson. */
export interface ApprovalIn {
  /** The part by its number. */
  readonly part: number;
  /** Whose work waits there, and when. */
  readonly approval: Approval;
}

/** It was set. */
export interface ApprovalSet {
  readonly kind: 'approvalSet';
  readonly part: number;
  readonly approval: Approval;
}

/** Staff: ask everybody how it is going, or end that. What was said before is forgotten. */
export interface AskCheckIn {
  readonly kind: 'askCheckIn';
  readonly on: boolean;
}

/** Say that one asks the same, or with On false that one does not any more. */
export interface AskToo {
  readonly kind: 'askToo';
  readonly card: number;
  readonly on: boolean;
}

/** The actor asks the same as a card, or does not any more. Whose: the card's author where classmates do not see the card; else 0. So in the next. */
export interface AskedToo {
  readonly kind: 'askedToo';
  readonly card: number;
  readonly on: boolean;
  readonly whose: number;
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

/** Staff: begin a phase. What went on before can be gone back to. */
export interface BeginPhase {
  readonly kind: 'beginPhase';
  readonly plan: PhasePlan;
}

/** Staff: groups set out on a round trip. */
export interface BeginTrip {
  readonly kind: 'beginTrip';
  readonly groups: readonly TripGroup[];
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
  /** What is said to its marks. */
  readonly said: readonly MarkThread[];
  /** How they are judged. */
  readonly judging: MarkJudgingState;
  /** What students told their teacher of; to a student, what they did. */
  readonly concerns: readonly Concern[];
}

/** Boards of a part are up, or down again. */
export interface BoardsUp {
  readonly kind: 'boardsUp';
  readonly part: number;
  readonly people: readonly number[];
  readonly up: boolean;
}

/** Staff, where names are for nobody: learn whose a card is. Everybody sees that it was done, and why. */
export interface BreakSeal {
  readonly kind: 'breakSeal';
  /** The card. */
  readonly card: number;
  /** Why, in up to ReasonLength letters. */
  readonly reason: string;
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

/** What a teacher says to some of the class, or to all of it: a line to be read, a place to go to, or both. */
export interface Call {
  /** Counted from 1 in a lesson. */
  readonly number: number;
  /** When, server time in ms. */
  readonly at: number;
  /** Which teacher. */
  readonly by: number;
  /** To whom, by actor numbers; if there are none, to everybody, also to those who come later. A student is told of nobody else. */
  readonly people: readonly number[];
  /** The line; may be empty. */
  readonly words: string;
  /** Where they are called; null if nowhere. Of a call that stays: where they are led now. */
  readonly to: Spot | null;
  /** Whether they stay with the teacher until it is ended. */
  readonly stays: boolean;
  /** Since when it counts no longer, server time in ms; null while it does. */
  readonly endedAt: number | null;
  /** On whose screens it has arrived. Of these a student knows themselves. */
  readonly reached: readonly number[];
  /** Who says that they have read the line. */
  readonly read: readonly number[];
  /** What was answered to the line, one answer of each. */
  readonly answers: readonly CallAnswer[];
}

/** What somebody answered to a line. */
export interface CallAnswer {
  /** Who. */
  readonly person: number;
  /** When, server time in ms. */
  readonly at: number;
  /** The answer. */
  readonly words: string;
}

/** Staff: the boards of a part are up, everybody's or those of some; or down again, but those that students have shown themselves. */
export interface CallBoardsUp {
  readonly kind: 'callBoardsUp';
  /** The part. */
  readonly part: number;
  /** Whose, by actor numbers; everybody's, also of those who come later, if none are named. Boards go down for everybody. */
  readonly people: readonly number[];
  /** Whether they are up. */
  readonly up: boolean;
}

/** Staff: say something to some of the class, or to all of it. */
export interface CallClass {
  readonly kind: 'callClass';
  /** To whom, by actor numbers; to everybody if none are named. */
  readonly people: readonly number[];
  /** A line to be read; may be empty. */
  readonly words: string;
  /** Where they are to go; null if nowhere. */
  readonly to: Spot | null;
  /** Whether they are to stay with the teacher. One call of a lesson does so at a time. */
  readonly stays: boolean;
}

/** It has arrived on somebody's screen, or was read. */
export interface CallConfirmed {
  readonly kind: 'callConfirmed';
  readonly person: number;
  readonly number: number;
  readonly read: boolean;
  readonly words: string;
}

/** A call counts no longer. */
export interface CallEnded {
  readonly kind: 'callEnded';
  readonly number: number;
  readonly people: readonly number[];
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
  /** Who responded to it with which stamps, by the names of the stamps; null for nobody. */
  readonly responses: readonly Response[];
  /** Which card it has joined, which says the same (Stacks); 0 for none. */
  readonly joined: number;
  /** From which cards it grew (Growth), by id; null for none. */
  readonly from: readonly number[];
  /** What was poured out here from another wall (Pouring): the same number wherever it was poured; 0 for nothing. */
  readonly poured: number;
  /** One of the twelve of slips, from 1; 0: that of its topic. */
  readonly colour: number;
  /** Where names are for nobody: why a teacher has learned whose it is (Seal); empty as long as nobody has. */
  readonly unsealed: string;
  /** Why a teacher took it down, for its author; empty where nothing was said. */
  readonly downWhy: string;
  /** Whether its author does not see it either; then they are told only that it is gone, and why. */
  readonly removed: boolean;
  /** Whether students do not change, answer or move it (LockCard). */
  readonly locked: boolean;
}

/** A card has another colour. Whose: the card's author where classmates do not see the card; else 0. */
export interface CardColoured {
  readonly kind: 'cardColoured';
  readonly card: number;
  readonly colour: number;
  readonly whose: number;
}

/** A card has joined another one, or with 0 stands alone again. Whose: the card's author where classmates do not see the card; else 0. */
export interface CardJoined {
  readonly kind: 'cardJoined';
  readonly card: number;
  readonly onto: number;
  readonly whose: number;
}

/** The actor says something of a card. */
export interface CardJudged {
  readonly kind: 'cardJudged';
  readonly card: number;
  readonly value: number;
  readonly reason: string;
  readonly words: string;
}

/** A card lies somewhere else on the field. Whose: the card's author where classmates do not see the card; else 0. */
export interface CardLaid {
  readonly kind: 'cardLaid';
  readonly card: number;
  readonly spot: FieldSpot;
  readonly whose: number;
}

/** A card is locked against students, or is not any more. Whose: the card's author where classmates do not see the card; else 0. */
export interface CardLocked {
  readonly kind: 'cardLocked';
  readonly card: number;
  readonly on: boolean;
  readonly whose: number;
}

/** A card is somewhere else. Whose: the author's actor number where classmates do not see the card; else 0. */
export interface CardMoved {
  readonly kind: 'cardMoved';
  readonly id: number;
  readonly topic: number;
  readonly order: number;
  readonly whose: number;
}

/** A card stands somewhere on the line that all share, or is off it. Whose: the card's author where classmates do not see the card; else 0. */
export interface CardPlaced {
  readonly kind: 'cardPlaced';
  readonly card: number;
  readonly at: LineSpot | null;
  readonly whose: number;
}

/** A card stands somewhere in the actor's own placement, or is off it. */
export interface CardPlacedAlone {
  readonly kind: 'cardPlacedAlone';
  readonly card: number;
  readonly at: LineSpot | null;
}

/** A card is up again, as it stands, with its links: for those who never saw it. */
export interface CardPutBack {
  readonly kind: 'cardPutBack';
  readonly card: Card;
  readonly links: readonly Link[];
}

/** A card is up. */
export interface CardPutUp {
  readonly kind: 'cardPutUp';
  readonly card: Card;
}

/** The actor has read a card of their list. */
export interface CardRead {
  readonly kind: 'cardRead';
  readonly card: number;
}

/** The actor responds to a card with a stamp, or does not any more. Whose: the card's author where classmates do not see the card; else 0. */
export interface CardRespondedTo {
  readonly kind: 'cardRespondedTo';
  readonly card: number;
  readonly stamp: string;
  readonly on: boolean;
  readonly whose: number;
}

/** What all said of a card in a round, in numbers. It is seen by all, once a teacher has shown it. */
export interface CardResult {
  /** In which round, from 1. */
  readonly round: number;
  /** Of which card. */
  readonly card: number;
  /** How many said each: agree, unsure, disagree; how many chose it; or how many gave each number of points. */
  readonly counts: readonly number[];
  /** Of points: what it would have been given had all judges been equally strict (Int32)); else null. */
  readonly fair: number | null;
  /** Of points: why, the highest first, in no order that tells whose they are; null for nothing. */
  readonly reasons: readonly ScoreReason[];
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

/** Where a card lies on the field. */
export interface CardSpot {
  readonly card: number;
  readonly spot: FieldSpot;
}

/** A card was taken down by the actor of the event. Whose: the author's actor number where classmates do not see the card; else 0. Where a teacher took it down, to its author and to teachers: Author, why (Words; may be empty), whether its author does not see it either (Removed), and By: whose doing it counts as; 0: the actor's. */
export interface CardTakenDown {
  readonly kind: 'cardTakenDown';
  readonly id: number;
  readonly whose: number;
  readonly author: number;
  readonly words: string;
  readonly removed: boolean;
  readonly by: number;
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
  /** Who stood where and stands where, in numbers; null for nothing. */
  readonly shifts: StanceShifts | null;
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

/** Cards are linked. Whose: who alone is told of it besides teachers, by actor number; 0: all; Nobody: nobody. So in the events that follow. */
export interface CardsLinked {
  readonly kind: 'cardsLinked';
  readonly link: Link;
  readonly whose: number;
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

/** Properties have new values. */
export interface ChangesMade {
  readonly kind: 'changesMade';
  /** The values. */
  readonly changes: readonly Change[];
  /** The marks that are back with it, whole as they stand now: for those who never saw them. Null for none. */
  readonly back: readonly Mark[];
}

/** Everybody is asked, or no longer. */
export interface CheckInAsked {
  readonly kind: 'checkInAsked';
  readonly on: boolean;
}

/** It was said. */
export interface ClassCalled {
  readonly kind: 'classCalled';
  readonly number: number;
  readonly people: readonly number[];
  readonly words: string;
  readonly to: Spot | null;
  readonly stays: boolean;
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

/** How far up in a field the class places a card: the median, and between where half of them have it. */
export interface ClassUp {
  readonly middle: number;
  readonly low: number;
  readonly high: number;
}

/** A tab of the event's actor got a client number. */
export interface ClientAdmitted {
  readonly kind: 'clientAdmitted';
  readonly number: number;
}

/** Staff: end the lesson. The boards stay readable, the code stays. */
export interface CloseLesson {
  readonly kind: 'closeLesson';
}

/** Staff: no more answers. */
export interface CloseQuestion {
  readonly kind: 'closeQuestion';
  readonly number: number;
}

/** Give a card one of the twelve colours of slips, from 1; 0: that of its topic. */
export interface ColourCard {
  readonly kind: 'colourCard';
  readonly card: number;
  readonly colour: number;
}

/** What a student told the teacher of, and nobody has looked at yet. */
export interface Concern {
  /** The event. */
  readonly number: number;
  /** Who told, by actor number. */
  readonly person: number;
  /** The card or mark. */
  readonly about: number;
  /** The answer to it; 0 for the card or mark itself. */
  readonly answer: number;
  /** Why. */
  readonly reason: ConcernReason;
  /** Why, in own words. */
  readonly words: string;
  /** When, server time in ms. */
  readonly at: number;
}

/** A student told the teacher of something. */
export interface ConcernRaised {
  readonly kind: 'concernRaised';
  /** The card or mark. */
  readonly about: number;
  /** The answer to it; 0 for the card or mark itself. */
  readonly answer: number;
  /** Why. */
  readonly reason: ConcernReason;
  /** Why, in own words. */
  readonly words: string;
}

/** A teacher looked at what was told of. */
export interface ConcernsSettled {
  readonly kind: 'concernsSettled';
  /** The card or mark. */
  readonly about: number;
  /** The answer to it; 0 for the card or mark itself. */
  readonly answer: number;
  /** Who had told of it, by actor number; to a student, they themselves. */
  readonly people: readonly number[];
}

/** A student: it is on my screen, and I am where I was called; or I have read the line, and perhaps answer it. */
export interface ConfirmCall {
  readonly kind: 'confirmCall';
  /** Which call. */
  readonly number: number;
  /** Whether the line was read. */
  readonly read: boolean;
  /** An answer of at most WordsLength letters; may be empty. */
  readonly words: string;
}

/** A student: a late change is on my screen. */
export interface ConfirmLateChange {
  readonly kind: 'confirmLateChange';
  readonly number: number;
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

/** By what cards are scored. */
export interface Criterion {
  /** What a card that has it is like, in the teacher's words. */
  readonly says: Texts;
  /** The highest score, from 2; the lowest is 1. */
  readonly points: number;
  /** Whether each says why. */
  readonly reason: Wanted;
  /** Whether each says on which words of the card it rests. */
  readonly words: Wanted;
}

/** Staff, or whoever wrote it: leave work that was set aside off. */
export interface DiscardLateWork {
  readonly kind: 'discardLateWork';
  /** The event that set it aside. */
  readonly number: number;
  /** Why, in the teacher's words, for whoever wrote it; may be empty. At most LongestWords letters. */
  readonly words: string;
}

/** The door was set. */
export interface DoorSet {
  readonly kind: 'doorSet';
  readonly door: Door;
}

/** The draft says this now. What was done before cannot be undone one by one any more. */
export interface DraftReplaced {
  readonly kind: 'draftReplaced';
  readonly content: Uint8Array;
}

/** What a snapshot says of a draft. */
export interface DraftSnapshot {
  readonly kind: 'draft';
  readonly sheets: SheetsSnapshot;
}

/** The draft began with this content. */
export interface DraftStarted {
  readonly kind: 'draftStarted';
  readonly content: Uint8Array;
}

/** A drawing, made with pens on a small sheet, Width by Height. */
export interface DrawingAttachment {
  readonly kind: 'drawing';
  /** In the order in which they lie. */
  readonly strokes: readonly DrawnStroke[];
  /** What it shows, for those who cannot see it. */
  readonly description: string;
}

/** A stroke of a drawing. */
export interface DrawnStroke {
  /** On the sheet. Without times: a drawing tells nothing of how it was made. */
  readonly points: readonly number[];
  /** Its colour, width and pen. */
  readonly style: Style;
}

/** Staff: it counts no longer. Who stayed with the teacher is free; whom it did not reach it reaches no more. */
export interface EndCall {
  readonly kind: 'endCall';
  readonly number: number;
}

/** Staff: the phase is over. Back: the one before goes on, with its time from the beginning. */
export interface EndPhase {
  readonly kind: 'endPhase';
  readonly back: boolean;
}

/** Staff: the round trip is over; everybody goes where they like. */
export interface EndTrip {
  readonly kind: 'endTrip';
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

/** What somebody typed into an answer field. It stands where the field is (AnswerPlace); X, Y is the top left corner that its author saw, and holds when the field is gone. */
export interface FieldAnswerBody {
  readonly kind: 'fieldAnswer';
  /** Id of an answer field of the same page. */
  readonly field: number;
  /** 1/100 mm to the right. */
  readonly x: number;
  /** 1/100 mm down. */
  readonly y: number;
  /** 1/100 mm. */
  readonly width: number;
  /** 1/100 mm: as high as the field, or as high as the words need. */
  readonly height: number;
  /** What was typed. */
  readonly words: Words;
}

/** Cards lie somewhere else on the field, all at once. */
export interface FieldLaid {
  readonly kind: 'fieldLaid';
  readonly spots: readonly CardSpot[];
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

/** Where the middle of a card lies on a free field: from the field's middle to the right and down, in units of which a card is CardWidth wide. */
export interface FieldSpot {
  readonly x: number;
  readonly y: number;
}

/** A file that is taken along and opened elsewhere: a document, a table, slides. */
export interface FileAttachment {
  readonly kind: 'file';
  /** Its name in the media store: the SHA-256 of its bytes, 64 hexadecimal digits. */
  readonly media: string;
  /** What it is called, with its ending. */
  readonly name: string;
  /** What it is. */
  readonly format: FileFormat;
  /** How large it is, bytes. */
  readonly size: number;
  /** The name of a picture of its first page; empty for none. */
  readonly picture: string;
  /** What is in it; may be empty. */
  readonly description: string;
}

/** An answer answers a question, which is filed with it; or with 0, it is asked again. */
export interface FileQuestion {
  readonly kind: 'fileQuestion';
  readonly card: number;
  readonly answer: number;
}

/** Something that was filmed, with a camera or from a screen. */
export interface FilmAttachment {
  readonly kind: 'film';
  /** Its name in the media store: the SHA-256 of its bytes, 64 hexadecimal digits. */
  readonly media: string;
  /** The name of a picture out of it, which stands for it until it is played; empty for none. */
  readonly still: string;
  /** In pixels. */
  readonly width: number;
  /** In pixels. */
  readonly height: number;
  /** How long it is, ms. */
  readonly duration: number;
  /** What is said and to be seen, for those who cannot hear or see it; may be empty. */
  readonly words: string;
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

/** Say something to a card of a wall or a mark of a board, or to another answer to it. */
export interface GiveAnswer {
  readonly kind: 'giveAnswer';
  /** The card or mark. */
  readonly about: number;
  /** Of the answer. */
  readonly id: number;
  /** The answer that it answers; 0 for the card or mark itself. */
  readonly to: number;
  /** A BCP 47 tag. */
  readonly language: string;
  /** What it says. */
  readonly text: string;
  /** Whether a teacher said it aloud; the text is a note of it. */
  readonly aloud: boolean;
  /** What it says of it. */
  readonly says: AnswerKind;
  /** A teacher's: what is heard with it (Shown); null for nothing. */
  readonly shown: Attachment | null;
}

/** Staff: somebody is to read these cards, besides those of their list that they have read. */
export interface GiveReading {
  readonly kind: 'giveReading';
  readonly person: number;
  readonly cards: readonly number[];
}

/** A student: my answer; given again, it takes the place of the one before. */
export interface GiveReply {
  readonly kind: 'giveReply';
  readonly number: number;
  readonly choice: number;
  readonly words: string;
}

/** A student: how it is going, or nothing any more. */
export interface GiveReport {
  readonly kind: 'giveReport';
  readonly report: Report;
}

/** Raise or lower a signal: a student their own, staff anybody's. A hand that is up keeps its place when its reason changes. */
export interface GiveSignal {
  readonly kind: 'giveSignal';
  /** Whose. */
  readonly person: number;
  /** Which. */
  readonly signal: Signal;
  /** Whether it is raised. */
  readonly on: boolean;
  /** Of a hand: why. */
  readonly reason: HandReason;
  /** Of a hand: why, in own words of at most WordsLength letters; may be empty. */
  readonly words: string;
}

/** Staff: how sentences may begin for one student; nothing takes them away. */
export interface GiveStarters {
  readonly kind: 'giveStarters';
  readonly person: number;
  readonly starters: readonly Texts[];
}

/** Staff: so many minutes more, or fewer, for everybody or for one. */
export interface GiveTime {
  readonly kind: 'giveTime';
  /** How many; less than 0: fewer. */
  readonly minutes: number;
  /** For whom; 0 for everybody. */
  readonly person: number;
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

/** Staff: judging goes on, in the same round or in a new one. */
export interface GoOnJudging {
  readonly kind: 'goOnJudging';
  readonly newRound: boolean;
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

/** It was done again. */
export interface GroupsRedone {
  readonly kind: 'groupsRedone';
  /** The groups now; null in old logs. */
  readonly groups?: readonly Group[] | null;
}

/** These are the groups. */
export interface GroupsSet {
  readonly kind: 'groupsSet';
  readonly groups: readonly Group[];
}

/** The last change of the groups was taken back. */
export interface GroupsUndone {
  readonly kind: 'groupsUndone';
  /** The groups now, for those who do not know the earlier ones; null in old logs. */
  readonly groups?: readonly Group[] | null;
}

/** A student: this is what I hand in; in a group, for all of it. */
export interface HandIn {
  readonly kind: 'handIn';
}

/** All hands are down. */
export interface HandsLowered {
  readonly kind: 'handsLowered';
}

/** It was set. */
export interface HidingSet {
  readonly kind: 'hidingSet';
  readonly after: number;
}

/** Staff: pens down for some of the class, or up again. */
export interface HoldPens {
  readonly kind: 'holdPens';
  /** Whose, by actor numbers. */
  readonly people: readonly number[];
  /** Whether they are down. */
  readonly down: boolean;
  /** For how long; 0: until they are up again. */
  readonly minutes: number;
  /** Why, in a line for them; may be empty. */
  readonly words: string;
}

/** A stroke of ink. */
export interface InkBody {
  readonly kind: 'ink';
  readonly points: readonly number[];
}

/** A card joins another one, which says the same; with 0 it stands alone again. Every wording is kept. */
export interface JoinCard {
  readonly kind: 'joinCard';
  readonly card: number;
  readonly onto: number;
}

/** Say something of a card, or with 0 nothing any more. */
export interface JudgeCard {
  readonly kind: 'judgeCard';
  /** Of which. */
  readonly card: number;
  /** From 1: agree, unsure, disagree; chosen; or points. 0 to take it back. */
  readonly value: number;
  /** Of points: why; may be empty. */
  readonly reason: string;
  /** Of points: the words of the card on which they rest; may be empty. */
  readonly words: string;
}

/** What somebody says of cards does not count, or counts again. */
export interface JudgeLeftOut {
  readonly kind: 'judgeLeftOut';
  readonly person: number;
  readonly out: boolean;
}

/** What somebody said of a card. It is seen by who said it, and by teachers. */
export interface Judgement {
  /** In which round, from 1. */
  readonly round: number;
  /** Of which card. */
  readonly card: number;
  /** Who, by actor number. */
  readonly person: number;
  /** From 1: agree, unsure, disagree; chosen; or points. */
  readonly value: number;
  /** Why; empty if nothing is said. */
  readonly reason: string;
  /** The words of the card on which it rests; empty if nothing is said. */
  readonly words: string;
}

/** What students may say of each other's cards. */
export interface Judging {
  /** How. */
  readonly kind: JudgingKind;
  /** Of Choose: how many cards each chooses at most, from 1. */
  readonly choices: number;
  /** Of Score: by what; null as long as cards never were scored. */
  readonly criterion: Criterion | null;
}

/** How the judging of a wall stands. */
export interface JudgingState {
  /** Which round it is, from 1. */
  readonly round: number;
  /** How cards are judged in it; null if they never were. */
  readonly kind: JudgingKind | null;
  /** How many values there are in it; 0 if cards never were judged. */
  readonly values: number;
  /** Whether its results are shown; then it is over. */
  readonly isShown: boolean;
  /** What was said of cards that the reader may know of: students of their own. */
  readonly given: readonly Judgement[];
  /** What was shown. */
  readonly results: readonly CardResult[];
  /** Whose word does not count; students know of their own. */
  readonly leftOut: readonly number[];
}

/** Judging goes on, in the same round or in a new one. */
export interface JudgingWentOn {
  readonly kind: 'judgingWentOn';
  readonly newRound: boolean;
}

/** The answer key of a board is this from now on. Told to teachers only. */
export interface KeySet {
  readonly kind: 'keySet';
  readonly key: AnswerKey;
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

/** When a teacher last opened somebody's work. */
export interface LastVisit {
  readonly person: number;
  readonly at: number;
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

/** Something was handed out late. */
export interface LateChangeHandedOut {
  readonly kind: 'lateChangeHandedOut';
  readonly number: number;
  readonly content: string;
  readonly groups: readonly number[];
  readonly people: readonly number[];
}

/** It has arrived on somebody's screen. */
export interface LateChangeReceived {
  readonly kind: 'lateChangeReceived';
  readonly person: number;
  readonly number: number;
}

/** It was taken back. */
export interface LateChangeTakenBack {
  readonly kind: 'lateChangeTakenBack';
  readonly number: number;
}

/** Work that was not put in place, kept for the teacher's decision. */
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
  /** Why it waits. */
  readonly why: WhySetAside;
  /** What its author was told to mend; empty while it waits for the teacher. */
  readonly returned: string;
  /** When it was set aside, server time in ms. */
  readonly at: number;
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

/** The teacher left it off, or whoever wrote it took it back. */
export interface LateWorkDiscarded {
  readonly kind: 'lateWorkDiscarded';
  /** The event that set it aside. */
  readonly number: number;
  /** Whose work it is, by actor number; 0 in old logs. */
  readonly person: number;
  /** Why, in the teacher's words; may be empty. */
  readonly words: string;
}

/** A card lies somewhere else on the field. */
export interface LayCard {
  readonly kind: 'layCard';
  readonly card: number;
  readonly spot: FieldSpot;
}

/** Staff: lay several cards at once, as after tidying where they lay before. */
export interface LayCards {
  readonly kind: 'layCards';
  readonly spots: readonly CardSpot[];
}

/** Staff: those who stay with the teacher are led to another place. */
export interface LeadOn {
  readonly kind: 'leadOn';
  readonly number: number;
  readonly to: Spot;
}

/** Staff: what somebody says of cards does not count, or counts again; they are told so. While the results are not shown. */
export interface LeaveOutJudge {
  readonly kind: 'leaveOutJudge';
  /** Who, by actor number. */
  readonly person: number;
  /** Whether it does not count. */
  readonly out: boolean;
}

/** They are led there. */
export interface LedOn {
  readonly kind: 'ledOn';
  /** By which call. */
  readonly number: number;
  /** Who; everybody if none are named. */
  readonly people: readonly number[];
  /** Where. */
  readonly to: Spot;
}

/** The lesson ended. */
export interface LessonClosed {
  readonly kind: 'lessonClosed';
}

/** The hours of a week in which lessons are held. */
export interface LessonHours {
  /** The time zone in which they are told, as in the IANA's database. */
  readonly zone: string;
  /** On which days: 1 for Monday, 2 for Tuesday, 4 for Wednesday and so on, added up; 0 to 127. */
  readonly days: number;
  /** From this minute of the day on, 0 to 1439. */
  readonly from: number;
  /** Until before this minute of the day, 1 to 1440; later than From. */
  readonly to: number;
}

/** The lesson began. */
export interface LessonOpened {
  readonly kind: 'lessonOpened';
}

/** The lesson goes on. */
export interface LessonReopened {
  readonly kind: 'lessonReopened';
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
  readonly seesOwnPast: boolean;
  readonly takesAlong: boolean;
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
  readonly ownFirstIn: readonly number[];
  readonly checkInAt: number | null;
  readonly needs: NeedsSettings;
  readonly answered: readonly AnsweredNeed[];
  readonly visits: readonly LastVisit[];
  readonly calls: readonly Call[];
  readonly questions: readonly QuickQuestion[];
  readonly phase: Phase | null;
  readonly phasesBefore: readonly PhasePlan[];
  readonly screen: OnScreen;
  readonly screenSetAt: number;
  readonly showing: ShowingSnapshot;
  readonly screening: WordScreening;
  readonly approvals: readonly ApprovalIn[];
  readonly hidesAfter: number;
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

/** Staff: let out what classmates do not see yet. The program does so by itself once several have written. */
export interface LetCardsOut {
  readonly kind: 'letCardsOut';
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

/** Where a card stands on a line: on which kind, for there are different measures. */
export interface LineSpot {
  /** On which kind of line. */
  readonly on: LineKind;
  /** Where, in the measure of that kind; whole but on a line between two ends. */
  readonly at: number;
  /** In a field: how far up, from 0 to Length; else 0. */
  readonly up: number;
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

/** A page elsewhere on the web. It is opened there, and never shown inside. */
export interface LinkAttachment {
  readonly kind: 'link';
  /** http or https, without a password in it. */
  readonly address: string;
  /** What the page is called; may be empty. */
  readonly title: string;
  /** Whose page it is, in words; may be empty. */
  readonly site: string;
  /** A small square picture of it in the media store; may be empty. */
  readonly picture: string;
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

/** A link is up again, as it stands: for those who never saw it. */
export interface LinkPutBack {
  readonly kind: 'linkPutBack';
  readonly link: Link;
  readonly whose: number;
}

/** A link points the other way. */
export interface LinkReversed {
  readonly kind: 'linkReversed';
  readonly id: number;
  readonly whose: number;
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

/** A link was taken down by the actor of the event. */
export interface LinkTakenDown {
  readonly kind: 'linkTakenDown';
  readonly id: number;
  readonly whose: number;
}

/** Words for links that the teacher offers. */
export interface LinkWord {
  /** Stays the same whatever they are; larger than 0. */
  readonly id: number;
  /** Read between the two cards: "pushes on". */
  readonly text: Texts;
}

/** Staff: students cannot change, answer or move a card any more, or can again. They go on reading, choosing and scoring it. */
export interface LockCard {
  readonly kind: 'lockCard';
  readonly card: number;
  readonly on: boolean;
}

/** Staff: students cannot change a page any more, nor say something to what stands there, or can again. They go on reading and choosing. */
export interface LockPage {
  readonly kind: 'lockPage';
  /** Which; 0: all pages. */
  readonly page: number;
  /** Whether it is locked. */
  readonly on: boolean;
}

/** Staff: the same of all that stands under a topic, and of what would be put there; 0: of the whole wall. */
export interface LockTopic {
  readonly kind: 'lockTopic';
  readonly topic: number;
  readonly on: boolean;
}

/** Staff: all hands come down. */
export interface LowerHands {
  readonly kind: 'lowerHands';
}

/** Change properties of things, all or none. */
export interface MakeChanges {
  readonly kind: 'makeChanges';
  readonly changes: readonly Change[];
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
  /** Which teacher put what its author said aloud, by actor number; 0: the author did. */
  readonly putBy: number;
  /** Whether a teacher took it down. Then nobody changes it, until it is put back. */
  readonly down: TakenDown;
}

/** A mark stands on a page. */
export interface MarkAdded {
  readonly kind: 'markAdded';
  readonly mark: Mark;
}

/** Students say of marks what they think of them, or with null they do not. */
export interface MarkJudgingSet {
  readonly kind: 'markJudgingSet';
  readonly judging: Judging | null;
}

/** What a snapshot says of how the marks of a board are judged. */
export interface MarkJudgingState {
  /** How students judge them; null for not at all. */
  readonly rule: Judging | null;
  /** How it stands. What is said there of cards is said of marks. */
  readonly state: JudgingState;
}

/** What is said to one mark of a board. It stays when the mark is rubbed out: it is others' work. */
export interface MarkThread {
  /** The mark. */
  readonly mark: number;
  /** What was said, by id. */
  readonly answers: readonly Answer[];
}

/** Marks stand on a page. */
export interface MarksAdded {
  readonly kind: 'marksAdded';
  readonly marks: readonly Mark[];
}

/** Staff: whether classmates see masks instead of names. */
export interface MaskNames {
  readonly kind: 'maskNames';
  readonly masked: boolean;
}

/** A moment has come. */
export interface MomentCame {
  readonly kind: 'momentCame';
  readonly moment: Moment;
}

/** Somebody has more time than the others. */
export interface MoreTime {
  readonly person: number;
  readonly until: number;
}

/** A card goes under another topic, or to another place under its own. */
export interface MoveCard {
  readonly kind: 'moveCard';
  readonly id: number;
  readonly topic: number;
  readonly order: number;
}

/** Staff: all groups move on, or back: so often they have moved on then. */
export interface MoveOn {
  readonly kind: 'moveOn';
  readonly stop: number;
}

/** A card that moved people. */
export interface MovingCard {
  /** Which card. */
  readonly card: number;
  /** How many stand elsewhere than at first, and name it. */
  readonly people: number;
}

/** Somebody is called otherwise from now on: names that are held have to be asked for anew. Whose, nobody is told here. */
export interface NamesCorrected {
  readonly kind: 'namesCorrected';
}

/** Classmates see masks, or names again. */
export interface NamesMasked {
  readonly kind: 'namesMasked';
  readonly masked: boolean;
}

/** A need was seen to, or put off. Told to teachers. */
export interface NeedAnswered {
  readonly kind: 'needAnswered';
  readonly person: number;
  readonly need: NeedKind;
  readonly minutes: number;
}

/** What is listed by itself was set. */
export interface NeedsSet {
  readonly kind: 'needsSet';
  readonly settings: NeedsSettings;
}

/** What is listed by itself, and after how long. Zero: never. */
export interface NeedsSettings {
  /** Seconds without a beginning. */
  readonly notStartedAfter: number;
  /** Seconds of silence, at least; who pauses for long and then goes on is given longer. */
  readonly stoppedAfter: number;
  /** Seconds in which somebody writes and takes away. */
  readonly inCirclesAfter: number;
  /** Seconds on another page than nearly everybody. */
  readonly otherPageAfter: number;
  /** Seconds without the device; who comes back after that is listed, too. */
  readonly offlineAfter: number;
  /** Whether what may be mischief (ToldOf and after) is not listed. */
  readonly withoutAlerts: boolean;
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

/** Words on a coloured slip. X, Y is its top left corner. */
export interface NoteBody {
  readonly kind: 'note';
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly words: Words;
}

/** What the big screen shows. Nothing gets there by itself, and nobody's name. */
export interface OnScreen {
  /** What. */
  readonly kind: ScreenKind;
  /** Of works: which boards or walls. */
  readonly rooms: readonly string[];
  /** Of boards: which page; 0 for the first. */
  readonly page: number;
  /** Whether the phase and its clock stand above it. */
  readonly withClock: boolean;
  /** Whether works stay as they were when they were put there. */
  readonly frozen: boolean;
  /** Of one wall: which card alone; 0 for the whole wall. */
  readonly card: number;
}

/** Everybody goes on placing. */
export interface OrderHidden {
  readonly kind: 'orderHidden';
}

/** Everybody sees the order of the class. */
export interface OrderShown {
  readonly kind: 'orderShown';
  readonly order: ClassOrder;
}

/** On the walls of a part, or of the whole lesson, each sees only their own, or no longer because of it. */
export interface OwnFirstSet {
  readonly kind: 'ownFirstSet';
  readonly part: number;
  readonly on: boolean;
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

/** How sentences may begin for one student, besides those for everybody. Classmates are not told. */
export interface OwnStarters {
  /** Who, by actor number. */
  readonly person: number;
  /** At least one. */
  readonly starters: readonly Texts[];
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
  /** On a board: whether students change nothing there. */
  readonly locked: boolean;
  /** What students may record and attach there, besides pictures; null for nothing. */
  readonly shows: PageShows | null;
}

/** A page was put in. */
export interface PageAdded {
  readonly kind: 'pageAdded';
  readonly page: Page;
  readonly order: number;
}

/** A page is locked against students, or is not any more; 0: all pages. */
export interface PageLocked {
  readonly kind: 'pageLocked';
  readonly page: number;
  readonly on: boolean;
}

/** What students may record and attach on a page. Pictures and formulas are tools (ToolSet); nobody speaks, films or leads elsewhere where no teacher has said so. */
export interface PageShows {
  /** Which kinds. */
  readonly kinds: AttachmentKinds;
  /** How long a recording may be, s. */
  readonly seconds: number;
}

/** A page's size, 1/100 mm. */
export interface PageSize {
  readonly width: number;
  readonly height: number;
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

/** A part is open, or is not. */
export interface PartSet {
  readonly kind: 'partSet';
  readonly part: number;
  readonly open: boolean;
}

/** The lesson has these parts. */
export interface PartsPlanned {
  readonly kind: 'partsPlanned';
  /** Their numbers, in order. */
  readonly parts: readonly number[];
  /** Which are open. */
  readonly open: readonly number[];
}

/** They are, on so many boards. */
export interface PensConfirmed {
  readonly kind: 'pensConfirmed';
  readonly down: boolean;
  readonly boards: number;
}

/** The pens of some are to be down, or up again. */
export interface PensHeld {
  readonly kind: 'pensHeld';
  /** Whose. A student is told of nobody else. */
  readonly people: readonly number[];
  /** Whether they are down. */
  readonly down: boolean;
  /** Until when, server time in ms; UntilSaid: until they are up again. */
  readonly until: number;
  /** Why, in a line for them; may be empty. */
  readonly words: string;
}

/** The pens are to be down, or up. */
export interface PensSet {
  readonly kind: 'pensSet';
  readonly down: boolean;
}

/** People are expected, with the numbers from the first on. */
export interface PeopleExpected {
  readonly kind: 'peopleExpected';
  readonly first: number;
  readonly count: number;
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
  /** Why the hand is up, if they say so. */
  readonly reason: HandReason;
  /** The same in own words; may be empty. */
  readonly words: string;
  /** How they say that it is going. */
  readonly report: Report;
  /** Since when, server time in ms; null while they say nothing. */
  readonly reportAt: number | null;
  /** Until when their own pens are down, server time in ms; UntilSaid: until a teacher says otherwise; null: they are not. */
  readonly pensDownUntil: number | null;
  /** Why, in the teacher's words; may be empty. */
  readonly heldWhy: string;
}

/** Somebody who waited, or was out, was let in. */
export interface PersonAdmitted {
  readonly kind: 'personAdmitted';
  readonly person: number;
}

/** Somebody asked to come in. */
export interface PersonAsked {
  readonly kind: 'personAsked';
  readonly person: number;
}

/** They are in the lesson. */
export interface PersonBrought {
  readonly kind: 'personBrought';
  readonly person: number;
  readonly joinedAt: number;
  readonly handedInAt: number | null;
}

/** Somebody joined. */
export interface PersonJoined {
  readonly kind: 'personJoined';
  readonly person: number;
}

/** Somebody was taken out of the lesson. */
export interface PersonRemoved {
  readonly kind: 'personRemoved';
  readonly person: number;
}

/** Somebody who waited was not let in. */
export interface PersonTurnedAway {
  readonly kind: 'personTurnedAway';
  readonly person: number;
}

/** A phase that goes on. */
export interface Phase {
  /** As it was begun. */
  readonly plan: PhasePlan;
  /** When, server time in ms. */
  readonly begunAt: number;
  /** When its time is over, server time in ms; null if it has none. */
  readonly endsAt: number | null;
  /** Who has more time, and until when. A student is told of nobody else. */
  readonly longer: readonly MoreTime[];
}

/** A phase has begun. */
export interface PhaseBegun {
  readonly kind: 'phaseBegun';
  readonly plan: PhasePlan;
}

/** No phase goes on any more. */
export interface PhaseEnded {
  readonly kind: 'phaseEnded';
}

/** A phase of a lesson, as a teacher begins it. */
export interface PhasePlan {
  /** What is done. */
  readonly kind: PhaseKind;
  /** A sentence for students; may be empty. */
  readonly words: string;
  /** How long it is meant to last; 0: as long as it takes. */
  readonly minutes: number;
  /** Whether nobody writes any more when the time is over; else it only says so. */
  readonly endsItself: boolean;
  /** The part that it opens; 0 for none. */
  readonly part: number;
  /** What students cannot do in it, besides what its kind closes. */
  readonly withheld: StudentActs;
  /** Which of the phases that were planned for the activity it is, from 1; 0: none of them. */
  readonly planned: number;
}

/** The phase before goes on again. */
export interface PhaseResumed {
  readonly kind: 'phaseResumed';
  readonly plan: PhasePlan;
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

/** Where a mark stands: how far it was moved from where its body says, and turned about its middle. */
export interface Place {
  /** 1/100 mm to the right. */
  readonly x: number;
  /** 1/100 mm down. */
  readonly y: number;
  /** 1/100 degree clockwise, 0 to 35,999. */
  readonly turn: number;
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

/** Place a card on the line; null takes it off. Where all place together it is the card's place, else the actor's own. */
export interface PlaceCard {
  readonly kind: 'placeCard';
  readonly card: number;
  readonly at: LineSpot | null;
}

/** What a reader knows of how cards were ordered. */
export interface PlacingState {
  /** Placements: all, or their own. */
  readonly own: readonly OwnPlace[];
  /** The order of the class, as it was shown; null if it is not. */
  readonly shown: ClassOrder | null;
}

/** The wall is planned like this now. Laid: where cards lie on the field from now on that had no place there. */
export interface PlanSet {
  readonly kind: 'planSet';
  readonly plan: WallPlan;
  readonly laid: readonly CardSpot[];
}

/** A phase as it is planned in the workshop; when it begins, a teacher says in the lesson. */
export interface PlannedPhase {
  /** What is done. */
  readonly kind: PhaseKind;
  /** A sentence for students; may be empty. */
  readonly words: Texts;
  /** How long it is meant to last; 0: as long as it takes. */
  readonly minutes: number;
  /** Whether nobody writes any more when the time is over; else it only says so. */
  readonly endsItself: boolean;
  /** The part that it opens; 0 for none. */
  readonly part: number;
  /** What students cannot do in it, besides what its kind closes. */
  readonly withheld: StudentActs;
}

/** Staff: ask the class something now. One question takes answers at a time. */
export interface PoseQuestion {
  readonly kind: 'poseQuestion';
  readonly words: string;
  readonly form: ReplyForm;
  readonly choices: readonly string[];
}

/** From whom the boards of a part are kept, or of the whole lesson. */
export interface PrivacyOf {
  readonly part: number;
  readonly privacy: Privacy;
}

/** From whom the boards of a part, or of the whole lesson, are kept until they are shown. */
export interface PrivacySet {
  readonly kind: 'privacySet';
  readonly part: number;
  readonly privacy: Privacy;
}

/** Put an answer back that was taken down: whoever took it down, and teachers. */
export interface PutAnswerBack {
  readonly kind: 'putAnswerBack';
  readonly about: number;
  readonly id: number;
}

/** Put a card back that was taken down: whoever took it down, and teachers. */
export interface PutCardBack {
  readonly kind: 'putCardBack';
  readonly id: number;
}

/** Put a link back that was taken down: whoever took it down, and teachers. */
export interface PutLinkBack {
  readonly kind: 'putLinkBack';
  readonly id: number;
}

/** Put a card up under a topic, behind those that are there. For: a teacher puts up what a student said aloud, by actor number; 0 for one's own. On a free field: Spot is where it is wanted, else it comes beside the card Beside; never on another card. Onto: the card that says the same and that it joins; From: those from which it grew; what is not there any more is left out. Poured: what a teacher pours out here from another wall. */
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
  readonly onto: number;
  readonly from: readonly number[];
  readonly poured: number;
}

/** The question takes no more answers. */
export interface QuestionClosed {
  readonly kind: 'questionClosed';
  readonly number: number;
}

/** An answer answers a question, which is filed with it; or with 0, it is asked again. */
export interface QuestionFiled {
  readonly kind: 'questionFiled';
  readonly card: number;
  readonly answer: number;
  readonly whose: number;
}

/** The class is asked. */
export interface QuestionPosed {
  readonly kind: 'questionPosed';
  readonly number: number;
  readonly words: string;
  readonly form: ReplyForm;
  readonly choices: readonly string[];
}

/** A question that a teacher asks the class now, each for themselves. */
export interface QuickQuestion {
  /** Counted from 1 in a lesson. */
  readonly number: number;
  /** When, server time in ms. */
  readonly at: number;
  /** The question. */
  readonly words: string;
  /** How it is answered. */
  readonly form: ReplyForm;
  /** What can be chosen, or what the ends of the scale stand for. */
  readonly choices: readonly string[];
  /** Since when it takes no more answers, server time in ms; null while it does. */
  readonly endedAt: number | null;
  /** What was answered. A student knows their own. */
  readonly replies: readonly Reply[];
}

/** A stamp with which cards can be responded to, and what it is to say. */
export interface QuickResponse {
  /** The name of the stamp (Stamps). */
  readonly stamp: string;
  /** What it says, in the teacher's words; none for what the stamp is called. */
  readonly says: Texts;
}

/** Tell the teacher that something is not all right. Whose it is, and others, are not told. */
export interface RaiseConcern {
  readonly kind: 'raiseConcern';
  /** The card or mark. */
  readonly about: number;
  /** The answer to it; 0 for the card or mark itself. */
  readonly answer: number;
  /** Why. */
  readonly reason: ConcernReason;
  /** Why, in own words; may be empty. At most LongestWords letters. */
  readonly words: string;
}

/** A card of one's list is read. */
export interface ReadCard {
  readonly kind: 'readCard';
  readonly card: number;
}

/** Somebody is to read these cards, besides those of their list that they have read. */
export interface ReadingGiven {
  readonly kind: 'readingGiven';
  readonly person: number;
  readonly cards: readonly number[];
}

/** Cards that somebody is to read. It is seen by whom it is for, and by teachers. */
export interface ReadingList {
  /** Who, by actor number. */
  readonly person: number;
  /** Which, by id. */
  readonly cards: readonly number[];
  /** Those of them that they have read. */
  readonly read: readonly number[];
}

/** What stood here was erased on request; the number stays, so that the log has no gap. */
export interface Redacted {
  readonly kind: 'redacted';
}

/** Do again what I took back. */
export interface RedoGesture {
  readonly kind: 'redoGesture';
  readonly gesture: number;
}

/** Staff: the change of groups that was taken back, again. */
export interface RedoGroups {
  readonly kind: 'redoGroups';
}

/** Staff: take somebody out of the lesson. Their work stays. */
export interface RemovePerson {
  readonly kind: 'removePerson';
  readonly person: number;
}

/** Staff: go on with a closed lesson. */
export interface ReopenLesson {
  readonly kind: 'reopenLesson';
}

/** What one answered. */
export interface Reply {
  /** Who. */
  readonly person: number;
  /** When, server time in ms. */
  readonly at: number;
  /** The choice, from 1, or the value on the scale; 0 of an answer in words. */
  readonly choice: number;
  /** The answer in words; empty else. */
  readonly words: string;
}

/** Somebody answered. */
export interface ReplyGiven {
  readonly kind: 'replyGiven';
  readonly person: number;
  readonly number: number;
  readonly choice: number;
  readonly words: string;
}

/** Somebody said how it is going. */
export interface ReportGiven {
  readonly kind: 'reportGiven';
  readonly person: number;
  readonly report: Report;
}

/** Respond to a card with a stamp, or with On false not any more. */
export interface RespondToCard {
  readonly kind: 'respondToCard';
  readonly card: number;
  readonly stamp: string;
  readonly on: boolean;
}

/** Who responded to a card with a stamp. */
export interface Response {
  /** The name of the stamp. */
  readonly stamp: string;
  /** Students, by actor number, in order. */
  readonly people: readonly number[];
  /** Whether a teacher did. */
  readonly byStaff: boolean;
}

/** Boards, staff: have marks as they were before, all or none. Unlike MakeChanges, what was rubbed out of ink since is there again. */
export interface RestoreMarks {
  readonly kind: 'restoreMarks';
  readonly changes: readonly Change[];
}

/** Everybody sees what all said of the cards in this round; those that nobody judged are left out. */
export interface ResultsShown {
  readonly kind: 'resultsShown';
  readonly results: readonly CardResult[];
}

/** Staff: whoever wrote what waits is told what to mend. It goes on waiting, for them, until they write it otherwise or take it back. */
export interface ReturnWork {
  readonly kind: 'returnWork';
  /** The event that set it aside. */
  readonly number: number;
  /** What to mend, in the teacher's words; 1 to LongestWords letters. */
  readonly words: string;
}

/** A link points the other way. */
export interface ReverseLink {
  readonly kind: 'reverseLink';
  readonly id: number;
}

/** An answer says something else. */
export interface RewordAnswer {
  readonly kind: 'rewordAnswer';
  readonly about: number;
  readonly id: number;
  readonly language: string;
  readonly text: string;
}

/** A card says something else, or shows something else. */
export interface RewordCard {
  readonly kind: 'rewordCard';
  readonly id: number;
  readonly language: string;
  readonly text: string;
  readonly attachments: readonly Attachment[];
}

/** A link says something else. */
export interface RewordLink {
  readonly kind: 'rewordLink';
  readonly id: number;
  readonly word: number;
  readonly language: string;
  readonly text: string;
}

/** Groups on their way round the stations of a wall, all moving on together. */
export interface RoundTrip {
  /** In order; at least one. */
  readonly groups: readonly TripGroup[];
  /** How often they have moved on, from 0. */
  readonly stop: number;
}

/** How much larger or smaller a mark is than its body says, about its middle, per mille. Line widths stay. */
export interface Scale {
  readonly x: number;
  readonly y: number;
}

/** Why somebody scored a card as they did. Whose it is is not said. */
export interface ScoreReason {
  /** The score. */
  readonly value: number;
  /** Why; may be empty. */
  readonly text: string;
  /** The words of the card on which it rests; may be empty. */
  readonly words: string;
}

/** It is on the big screen. Told to teachers. */
export interface ScreenSet {
  readonly kind: 'screenSet';
  readonly shown: OnScreen;
}

/** The seal of a card is broken. */
export interface SealBroken {
  readonly kind: 'sealBroken';
  /** The card. */
  readonly card: number;
  /** Why. */
  readonly reason: string;
  /** To teachers, whose it is, by actor number; to others 0. */
  readonly author: number;
}

/** Everybody's place is as the lesson says, up to this event. */
export interface SeatsConfirmed {
  readonly kind: 'seatsConfirmed';
  readonly through: number;
}

/** They are out, and the door is closed. */
export interface SentAway {
  readonly kind: 'sentAway';
  readonly people: readonly number[];
}

/** Staff: whose work waits before others see it, on the walls and shared boards of a part. What waits already goes on waiting. */
export interface SetApproval {
  readonly kind: 'setApproval';
  /** The part by its number. */
  readonly part: number;
  /** Whose, and when. */
  readonly approval: Approval;
}

/** Staff: set the door. */
export interface SetDoor {
  readonly kind: 'setDoor';
  readonly door: Door;
}

/** Staff: these are the groups now. */
export interface SetGroups {
  readonly kind: 'setGroups';
  /** All groups; people in none of them work on their own. */
  readonly groups: readonly Group[];
  /** Of the groups when this was thought of; refused if somebody was faster. */
  readonly version: number;
}

/** Staff: after how many concerns what they are about hides itself, until a teacher has looked. */
export interface SetHiding {
  readonly kind: 'setHiding';
  /** How many, at most Most; 0: it never does. */
  readonly after: number;
}

/** Staff: students say from now on of the marks of a board what they think of them, or with null they do not. Not by points: these are for walls. */
export interface SetMarkJudging {
  readonly kind: 'setMarkJudging';
  readonly judging: Judging | null;
}

/** Staff: what is listed by itself, and after how long. */
export interface SetNeeds {
  readonly kind: 'setNeeds';
  readonly settings: NeedsSettings;
}

/** Staff: on the walls of a part, or of the whole lesson, each student sees only their own cards until this is ended. The strictest of lesson, part and wall holds. */
export interface SetOwnFirst {
  readonly kind: 'setOwnFirst';
  /** The part by its number; WholeLesson for all of them. */
  readonly part: number;
  /** Whether it is so. */
  readonly on: boolean;
}

/** Staff: open a part, or close it again. What was done there stays. */
export interface SetPart {
  readonly kind: 'setPart';
  readonly part: number;
  readonly open: boolean;
}

/** Staff: pens down, or up again. */
export interface SetPens {
  readonly kind: 'setPens';
  readonly down: boolean;
}

/** Staff: the wall is planned like this now. Cards of topics that are gone fit nowhere. */
export interface SetPlan {
  readonly kind: 'setPlan';
  readonly plan: WallPlan;
}

/** Staff: what students write on their boards is seen by others when they show it, or when boards are up. Of lesson and part the stricter holds. */
export interface SetPrivacy {
  readonly kind: 'setPrivacy';
  /** The part by its number; WholeLesson for all of them. */
  readonly part: number;
  /** From whom it is kept. */
  readonly privacy: Privacy;
}

/** Staff: whether students may look at the other boards, at the teacher's own, and at how their own came to be, and whether they may take their own work along. */
export interface SetSight {
  readonly kind: 'setSight';
  readonly otherBoards: boolean;
  readonly teachersBoard: boolean;
  readonly ownPast: boolean;
  readonly takeAlong: boolean;
}

/** Staff: when the lesson opens, is due and closes. */
export interface SetTimes {
  readonly kind: 'setTimes';
  readonly times: LessonTimes;
}

/** Staff: what is looked for in what students write, and what is done where it is found. */
export interface SetWordScreen {
  readonly kind: 'setWordScreen';
  readonly screening: WordScreening;
}

/** Staff: what was told of was looked at. */
export interface SettleConcerns {
  readonly kind: 'settleConcerns';
  /** The card or mark. */
  readonly about: number;
  /** The answer to it; 0 for the card or mark itself. */
  readonly answer: number;
}

/** A line, polygon, ellipse or arc. */
export interface ShapeBody {
  readonly kind: 'shape';
  /** Which. */
  readonly shape: ShapeKind;
  /** x, y, x, y ... */
  readonly points: readonly number[];
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
  /** The phases that are planned for the lesson, in order; on boards there are none. */
  readonly phases: readonly PlannedPhase[];
}

/** Staff: show this on the big screen. Which rooms there are the lesson does not know; those of others are not shown. */
export interface ShowOnScreen {
  readonly kind: 'showOnScreen';
  readonly shown: OnScreen;
}

/** Staff: show all the order of the class, or with On false go on placing, and show it no more. */
export interface ShowOrder {
  readonly kind: 'showOrder';
  readonly on: boolean;
}

/** Staff: show everybody what all said of the cards; the round is over. */
export interface ShowResults {
  readonly kind: 'showResults';
}

/** Student: show what I do in a part, or show it no longer. Who shares a board shows it for all who work there. */
export interface ShowWork {
  readonly kind: 'showWork';
  readonly part: number;
  readonly on: boolean;
}

/** What a snapshot says of it. */
export interface ShowingSnapshot {
  readonly privacies: readonly PrivacyOf[];
  readonly up: readonly number[];
  readonly shown: readonly ShownWork[];
}

/** Something recorded or attached that stands on a page: a voice, a film, a file, a page elsewhere. X, Y is its top left corner. */
export interface ShownBody {
  readonly kind: 'shown';
  /** From the left. */
  readonly x: number;
  /** From the top. */
  readonly y: number;
  /** How wide it is shown. */
  readonly width: number;
  /** How high it is shown. */
  readonly height: number;
  /** What it is, of the kinds of OnPages. */
  readonly shown: Attachment;
}

/** Somebody's work in a part is shown. */
export interface ShownWork {
  /** The part. */
  readonly part: number;
  /** Whose, by actor number. */
  readonly person: number;
  /** Whether a teacher had it shown, and not they themselves. */
  readonly called: boolean;
}

/** What students may look at besides their own board as it is, and whether they may take their own work along. */
export interface SightSet {
  readonly kind: 'sightSet';
  readonly otherBoards: boolean;
  readonly teachersBoard: boolean;
  readonly ownPast: boolean;
  readonly takeAlong: boolean;
}

/** A signal was raised or lowered. */
export interface SignalGiven {
  readonly kind: 'signalGiven';
  readonly person: number;
  readonly signal: Signal;
  readonly on: boolean;
  readonly reason: HandReason;
  readonly words: string;
}

/** Where somebody is to look. */
export interface Spot {
  /** The part of the activity by its number. */
  readonly part: number;
  /** What in it. */
  readonly kind: SpotKind;
  /** Which page, topic or card; 0 of a part. */
  readonly id: number;
  /** Of a place on a page: from its left, 1/100 mm; else 0. */
  readonly x: number;
  /** Of a place on a page: from its top, 1/100 mm; else 0. */
  readonly y: number;
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

/** Where somebody stands. It is known to them, and to teachers. */
export interface Stance {
  /** Who, by actor number. */
  readonly person: number;
  /** At first: a position from 1; 0 if they did not say. */
  readonly first: number;
  /** Asked again; 0 if they did not say. */
  readonly second: number;
  /** The card that moved them; 0 for none. */
  readonly moved: number;
}

/** Who stood where and stands where, in numbers; of those who said both. */
export interface StanceShifts {
  /** How many went from each position to each: row by row, a row for each position at first. As many rows as columns. */
  readonly table: readonly number[];
  /** The cards that moved most, at most MostCards. */
  readonly cards: readonly MovingCard[];
}

/** The actor stands there now. */
export interface StanceTaken {
  readonly kind: 'stanceTaken';
  readonly stage: StanceStage;
  readonly at: number;
  readonly moved: number;
}

/** What a reader knows of where students stand. */
export interface StancesState {
  /** How far it is. */
  readonly stage: StanceStage;
  /** Who stands where: all, or their own. */
  readonly own: readonly Stance[];
  /** What moved, as it was shown; null if it is not. */
  readonly shown: StanceShifts | null;
}

/** It goes on like this. Shifts: where it is shown, what moved. */
export interface StancesSteered {
  readonly kind: 'stancesSteered';
  readonly stage: StanceStage;
  readonly shifts: StanceShifts | null;
}

/** How sentences may begin for one student now. */
export interface StartersGiven {
  readonly kind: 'startersGiven';
  readonly person: number;
  readonly starters: readonly Texts[];
}

/** The actor is at a station. */
export interface StationVisited {
  readonly kind: 'stationVisited';
  readonly station: number;
}

/** Staff: ask again, show what moved, or go on. */
export interface SteerStances {
  readonly kind: 'steerStances';
  readonly stage: StanceStage;
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

/** Something to look at or to listen to, set next to a page. */
export interface Stimulus {
  /** Which. */
  readonly kind: StimulusKind;
  /** Its name in the media store, or the address of a link. */
  readonly source: string;
  /** What it is called. */
  readonly title: string;
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

/** Take an answer down. It is kept; what answers it stays. By a teacher: Words say why to whoever wrote it, at most LongestWords letters, and may be empty; Removes: its author does not see it any more either. Of one that is down already a teacher says so anew. AsItsAuthor: as of cards (TakeCardDown). */
export interface TakeAnswerDown {
  readonly kind: 'takeAnswerDown';
  readonly about: number;
  readonly id: number;
  readonly words: string;
  readonly removes: boolean;
  readonly asItsAuthor: boolean;
}

/** Take a card down. It is kept. By a teacher: Words say why to whoever wrote it, at most LongestWords letters, and may be empty; Removes: its author does not see it any more either. Of one that is down already a teacher says so anew. AsItsAuthor: by a teacher who has things as they were at a moment; then it is down as if its author had taken it down. */
export interface TakeCardDown {
  readonly kind: 'takeCardDown';
  readonly id: number;
  readonly words: string;
  readonly removes: boolean;
  readonly asItsAuthor: boolean;
}

/** Take a link down. It is kept. */
export interface TakeLinkDown {
  readonly kind: 'takeLinkDown';
  readonly id: number;
}

/** Say where one stands: at one of the positions of the plan, from 1; 0 for nowhere. Moved: asked again, the card that moved one; 0 for none. */
export interface TakeStance {
  readonly kind: 'takeStance';
  readonly at: number;
  readonly moved: number;
}

/** A student: I go on working on what was handed in. */
export interface TakeWorkBack {
  readonly kind: 'takeWorkBack';
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

/** Staff: tidy the field. */
export interface TidyField {
  readonly kind: 'tidyField';
}

/** The time is over at another moment. */
export interface TimeGiven {
  readonly kind: 'timeGiven';
  /** For whom; 0 for everybody. */
  readonly person: number;
  /** When, server time in ms. */
  readonly endsAt: number;
}

/** The times were set. */
export interface TimesSet {
  readonly kind: 'timesSet';
  readonly times: LessonTimes;
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
  /** Who puts up cards there, by actor number; null for everybody. All read them. */
  readonly only: readonly number[];
  /** Whether students change nothing there (LockTopic). Known to running walls only. */
  readonly locked: boolean;
}

/** A topic is locked against students, or is not any more; 0: the whole wall. */
export interface TopicLocked {
  readonly kind: 'topicLocked';
  readonly topic: number;
  readonly on: boolean;
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

/** Groups set out on a round trip. */
export interface TripBegun {
  readonly kind: 'tripBegun';
  readonly groups: readonly TripGroup[];
}

/** The round trip is over. */
export interface TripEnded {
  readonly kind: 'tripEnded';
}

/** A group on a round trip. */
export interface TripGroup {
  /** What it is called. */
  readonly name: string;
  /** By actor number. */
  readonly people: readonly number[];
}

/** All groups have moved on. */
export interface TripMovedOn {
  readonly kind: 'tripMovedOn';
  readonly stop: number;
}

/** Staff: do not let somebody in who waits. */
export interface TurnAway {
  readonly kind: 'turnAway';
  readonly person: number;
}

/** Take back what one of my gestures did. */
export interface UndoGesture {
  readonly kind: 'undoGesture';
  readonly gesture: number;
}

/** Staff: the groups as they were before the last change. */
export interface UndoGroups {
  readonly kind: 'undoGroups';
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

/** I am at a station. */
export interface VisitStation {
  readonly kind: 'visitStation';
  readonly station: number;
}

/** Staff: I have opened somebody's work. What they waited for is done: hand, look, and that they are stuck or unsure. */
export interface VisitWork {
  readonly kind: 'visitWork';
  readonly person: number;
}

/** Something that was said, and recorded. */
export interface VoiceAttachment {
  readonly kind: 'voice';
  /** Its name in the media store: the SHA-256 of its bytes, 64 hexadecimal digits. */
  readonly media: string;
  /** How long it is, ms. */
  readonly duration: number;
  /** How loud it is from its beginning to its end, in as many equal parts as there are digits: from 0, silent, to 9. */
  readonly loudness: string;
  /** What is said, for those who cannot hear it; may be empty. */
  readonly words: string;
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
  /** The stamps with which everybody may respond to others' cards; null for none. */
  readonly responses: readonly QuickResponse[];
  /** Under topics: whether cards like the one that is being typed are shown, which it can join. */
  readonly saidAlready: boolean;
  /** Under topics: whether students may name the cards from which theirs grew. */
  readonly buildsOn: boolean;
  /** The positions between which students choose where they stand, two to five; null for none. */
  readonly stances: readonly Texts[];
  /** Of how many cards of others each is asked to say something, where cards are judged; 0 for no number. */
  readonly leastJudged: number;
  /** Whether the least and the most cards count under each topic, not altogether. */
  readonly perTopic: boolean;
  /** How many answers each may have up; 0 for no number. */
  readonly mostAnswers: number;
  /** Of how many cards each may say something, where they are not chosen; 0 for no number. */
  readonly mostJudged: number;
  /** How sentences may begin that students write; null for none. */
  readonly starters: readonly Texts[];
  /** Whether its lesson lets each see only their own, too; then OwnFirst is true. Known to running walls only. */
  readonly held: LessonHolds;
  /** Whether students change nothing on the whole wall (LockTopic). Known to running walls only. */
  readonly locked: boolean;
  /** How long students may speak or film, s: LeastSeconds to 180. */
  readonly voiceSeconds: number;
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
  /** Who is to read which cards; to a student, their own list. */
  readonly reading: readonly ReadingList[];
  /** Where students stand; to a student, where they do themselves, and what was shown. */
  readonly stances: StancesState;
  /** How sentences may begin for some; to a student, their own. */
  readonly starters: readonly OwnStarters[];
  /** What students told their teacher of; to a student, what they did. */
  readonly concerns: readonly Concern[];
}

/** What is looked for in what students write, and what is done where it is found. Teachers alone are told. */
export interface WordScreenSet {
  readonly kind: 'wordScreenSet';
  readonly screening: WordScreening;
}

/** What is looked for in what students write in a lesson, and what is done where it is found. */
export interface WordScreening {
  /** What is done. */
  readonly then: WhenFound;
  /** Also for words that only young classes should not read. */
  readonly forYoung: boolean;
  /** Also for telephone numbers, e-mail and postal addresses, and links. */
  readonly details: boolean;
  /** The teacher's own words, besides. A word between stars is looked for within others, too. */
  readonly own: readonly string[];
  /** Words that this class may use. */
  readonly allowed: readonly string[];
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

/** Work from an archive stands on the board. */
export interface WorkBrought {
  readonly kind: 'workBrought';
  /** What stands on it. */
  readonly content: Uint8Array;
  /** When a student last changed it, ms; null if none did. */
  readonly changedAt: number | null;
  /** What was said to its marks; null for nothing. */
  readonly said: readonly MarkThread[];
  /** What all said of them, in numbers; null for nothing. */
  readonly results: readonly CardResult[];
}

/** Somebody's work was handed in. */
export interface WorkHandedIn {
  readonly kind: 'workHandedIn';
  readonly people: readonly number[];
}

/** Whoever wrote what waits was told what to mend. */
export interface WorkReturned {
  readonly kind: 'workReturned';
  /** The event that set it aside. */
  readonly number: number;
  /** Whose work it is, by actor number. */
  readonly person: number;
  /** What to mend, in the teacher's words. */
  readonly words: string;
}

/** Work was not put in place; it is kept for the teacher's decision. */
export interface WorkSetAside {
  readonly kind: 'workSetAside';
  /** What was asked. */
  readonly command: Command;
  /** Why it waits. */
  readonly why: WhySetAside;
}

/** Somebody shows what they do in a part, or shows it no longer. */
export interface WorkShown {
  readonly kind: 'workShown';
  readonly part: number;
  readonly person: number;
  readonly on: boolean;
}

/** It was taken back. */
export interface WorkTakenBack {
  readonly kind: 'workTakenBack';
  readonly people: readonly number[];
}

/** What was left off, or returned, waits for the teacher again. */
export interface WorkTakenUpAgain {
  readonly kind: 'workTakenUpAgain';
  /** What waits. */
  readonly work: LateWork;
}

/** A teacher has opened somebody's work. */
export interface WorkVisited {
  readonly kind: 'workVisited';
  readonly person: number;
}

/** So much work of somebody waits on a board; 0 if it waits no longer. Told to teachers. */
export interface WorkWaits {
  readonly kind: 'workWaits';
  readonly board: string;
  readonly person: number;
  readonly count: number;
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

/** What is expected of a zone. */
export interface ZoneKey {
  readonly zone: number;
  readonly expected: Expectation;
}
