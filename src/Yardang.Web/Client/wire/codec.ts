// Made from Core's records by ./yardang wire: not to be changed by hand.

import { known, readPoints, writePoints } from './by-hand';
import { type AcceptLateWork, type Actor, type AdmitPerson, type Answer, type AnswerGiven, type AnswerNeed, type AnswerPutBack, type AnswerReworded, type AnswerTakenDown, type AnsweredNeed, type Approval, type ApprovalIn, type ApprovalSet, type AskCheckIn, type Attachment, type BeginPhase, type BoardsUp, type Call, type CallAnswer, type CallBoardsUp, type CallClass, type CallConfirmed, type CallEnded, type CardJudged, type CardResult, type CheckInAsked, type ClassCalled, type ClientAdmitted, type CloseLesson, type CloseQuestion, type Concern, type ConcernRaised, type ConcernsSettled, type ConfirmCall, type ConfirmLateChange, type Criterion, type DiscardLateWork, type DoorSet, type DrawingAttachment, type DrawnStroke, type EndCall, type EndPhase, type FieldPlan, type FileAttachment, type FilmAttachment, type FormulaAttachment, type GiveAnswer, type GiveReply, type GiveReport, type GiveSignal, type GiveTime, type GivenCard, type GoOnJudging, type Group, type GroupsRedone, type GroupsSet, type GroupsUndone, type HandIn, type HandsLowered, type HidingSet, type HoldPens, type JudgeCard, type JudgeLeftOut, type Judgement, type Judging, type JudgingState, type JudgingWentOn, type LastAct, type LastVisit, type LateChange, type LateChangeHandedOut, type LateChangeReceived, type LateChangeTakenBack, type LateWork, type LateWorkAccepted, type LateWorkDiscarded, type LeadOn, type LeaveOutJudge, type LedOn, type LessonClosed, type LessonHours, type LessonOpened, type LessonReopened, type LessonSnapshot, type LessonTimes, type LinePlan, type LinkAttachment, type LinkWord, type LowerHands, type MapPicture, type MaskNames, type MomentCame, type MoreTime, type NamesCorrected, type NamesMasked, type NeedAnswered, type NeedsSet, type NeedsSettings, type OnScreen, type OwnFirstSet, type PartSet, type PartsPlanned, type PensConfirmed, type PensHeld, type PensSet, type PeopleExpected, type Person, type PersonAdmitted, type PersonAsked, type PersonBrought, type PersonJoined, type PersonRemoved, type PersonTurnedAway, type Phase, type PhaseBegun, type PhaseEnded, type PhasePlan, type PhaseResumed, type PictureAttachment, type PlaceAttachment, type PoseQuestion, type PrivacyOf, type PrivacySet, type PutAnswerBack, type QuestionClosed, type QuestionPosed, type QuickQuestion, type QuickResponse, type RaiseConcern, type Redacted, type RedoGroups, type RemovePerson, type ReopenLesson, type Reply, type ReplyGiven, type ReportGiven, type ResultsShown, type ReturnWork, type RewordAnswer, type ScoreReason, type ScreenSet, type SeatsConfirmed, type SentAway, type SetApproval, type SetDoor, type SetGroups, type SetHiding, type SetNeeds, type SetOwnFirst, type SetPart, type SetPens, type SetPrivacy, type SetSight, type SetTimes, type SetWordScreen, type SettleConcerns, type ShowOnScreen, type ShowResults, type ShowWork, type ShowingSnapshot, type ShownWork, type SightSet, type SignalGiven, type Spot, type Stimulus, type Style, type TakeAnswerDown, type TakeWorkBack, type TimeGiven, type TimesSet, type Topic, type TurnAway, type UndoGroups, type VisitWork, type VoiceAttachment, type WallPlan, type WallRules, type WordScreenSet, type WordScreening, type WorkHandedIn, type WorkReturned, type WorkSetAside, type WorkShown, type WorkTakenBack, type WorkTakenUpAgain, type WorkVisited, type WorkWaits } from './forms';
import { know, readCommand, readRoomEvent } from './kinds';
type Raw = any[]; // What the MessagePack reader gives.

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
    case 5:
      return readLinkAttachment(raw);
    case 6:
      return readVoiceAttachment(raw);
    case 7:
      return readFilmAttachment(raw);
    case 8:
      return readFileAttachment(raw);
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
    case 'link':
      return writeLinkAttachment(v);
    case 'voice':
      return writeVoiceAttachment(v);
    case 'film':
      return writeFilmAttachment(v);
    case 'file':
      return writeFileAttachment(v);
  }
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

export function readActor(raw: Raw): Actor {
  return {
    number: raw[0],
    role: raw[1],
  };
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
    downWhy: raw[10] ?? '',
    removed: raw[11] ?? false,
    shown: raw[12] == null ? null : known(readAttachment(raw[12])),
  };
}

export function readAnswerGiven(raw: Raw): AnswerGiven {
  return {
    kind: 'answerGiven',
    about: raw[0],
    answer: readAnswer(raw[1]),
    whose: raw[2],
  };
}

export function readAnswerNeed(raw: Raw): AnswerNeed {
  return {
    kind: 'answerNeed',
    person: raw[0],
    need: raw[1],
    minutes: raw[2],
  };
}

export function writeAnswerNeed(v: AnswerNeed): Raw {
  return [v.person, v.need, v.minutes];
}

export function readAnswerPutBack(raw: Raw): AnswerPutBack {
  return {
    kind: 'answerPutBack',
    about: raw[0],
    answer: readAnswer(raw[1]),
    whose: raw[2],
  };
}

export function readAnswerReworded(raw: Raw): AnswerReworded {
  return {
    kind: 'answerReworded',
    about: raw[0],
    id: raw[1],
    language: raw[2],
    text: raw[3],
    whose: raw[4],
  };
}

export function readAnswerTakenDown(raw: Raw): AnswerTakenDown {
  return {
    kind: 'answerTakenDown',
    about: raw[0],
    id: raw[1],
    whose: raw[2],
    author: raw[3] ?? 0,
    words: raw[4] ?? '',
    removed: raw[5] ?? false,
    by: raw[6] ?? 0,
  };
}

export function readAnsweredNeed(raw: Raw): AnsweredNeed {
  return {
    person: raw[0],
    kind: raw[1],
    at: raw[2],
    until: raw[3] < 0 ? null : raw[3],
  };
}

export function readApproval(raw: Raw): Approval {
  return {
    when: raw[0],
    people: raw[1],
    hours: { zone: raw[2], days: raw[3], from: raw[4], to: raw[5] },
  };
}

export function writeApproval(v: Approval): Raw {
  return [v.when, v.people, v.hours.zone, v.hours.days, v.hours.from, v.hours.to];
}

export function readApprovalIn(raw: Raw): ApprovalIn {
  return {
    part: raw[0],
    approval: { when: raw[1], people: raw[2], hours: { zone: raw[3], days: raw[4], from: raw[5], to: raw[6] } },
  };
}

export function readApprovalSet(raw: Raw): ApprovalSet {
  return {
    kind: 'approvalSet',
    part: raw[0],
    approval: { when: raw[1], people: raw[2], hours: { zone: raw[3], days: raw[4], from: raw[5], to: raw[6] } },
  };
}

export function readAskCheckIn(raw: Raw): AskCheckIn {
  return {
    kind: 'askCheckIn',
    on: raw[0],
  };
}

export function writeAskCheckIn(v: AskCheckIn): Raw {
  return [v.on];
}

export function readBeginPhase(raw: Raw): BeginPhase {
  return {
    kind: 'beginPhase',
    plan: { kind: raw[0], words: raw[1], minutes: raw[2], endsItself: raw[3], part: raw[4], withheld: raw[5] ?? 0, planned: raw[6] ?? 0 },
  };
}

export function writeBeginPhase(v: BeginPhase): Raw {
  const raw: Raw = [v.plan.kind, v.plan.words, v.plan.minutes, v.plan.endsItself, v.plan.part];
  if (v.plan.withheld || v.plan.planned) raw.push(v.plan.withheld, v.plan.planned);
  return raw;
}

export function readBoardsUp(raw: Raw): BoardsUp {
  return {
    kind: 'boardsUp',
    part: raw[0],
    people: raw[1],
    up: raw[2],
  };
}

export function readCall(raw: Raw): Call {
  return {
    number: raw[0],
    at: raw[1],
    by: raw[2],
    people: raw[3],
    words: raw[4],
    to: raw[5] == null ? null : readSpot(raw[5]),
    stays: raw[6],
    endedAt: raw[7] < 0 ? null : raw[7],
    reached: raw[8],
    read: raw[9],
    answers: raw[10].map((x: Raw) => readCallAnswer(x)),
  };
}

export function readCallAnswer(raw: Raw): CallAnswer {
  return {
    person: raw[0],
    at: raw[1],
    words: raw[2],
  };
}

export function readCallBoardsUp(raw: Raw): CallBoardsUp {
  return {
    kind: 'callBoardsUp',
    part: raw[0],
    people: raw[1],
    up: raw[2],
  };
}

export function writeCallBoardsUp(v: CallBoardsUp): Raw {
  return [v.part, v.people, v.up];
}

export function readCallClass(raw: Raw): CallClass {
  return {
    kind: 'callClass',
    people: raw[0],
    words: raw[1],
    to: raw[2] == null ? null : readSpot(raw[2]),
    stays: raw[3],
  };
}

export function writeCallClass(v: CallClass): Raw {
  return [v.people, v.words, v.to && writeSpot(v.to), v.stays];
}

export function readCallConfirmed(raw: Raw): CallConfirmed {
  return {
    kind: 'callConfirmed',
    person: raw[0],
    number: raw[1],
    read: raw[2],
    words: raw[3],
  };
}

export function readCallEnded(raw: Raw): CallEnded {
  return {
    kind: 'callEnded',
    number: raw[0],
    people: raw[1],
  };
}

export function readCardJudged(raw: Raw): CardJudged {
  return {
    kind: 'cardJudged',
    card: raw[0],
    value: raw[1],
    reason: raw[2] ?? '',
    words: raw[3] ?? '',
  };
}

export function readCardResult(raw: Raw): CardResult {
  return {
    round: raw[0],
    card: raw[1],
    counts: raw[2],
    fair: raw[3] ?? null,
    reasons: (raw[4] ?? []).map((x: Raw) => readScoreReason(x)),
  };
}

export function readCheckInAsked(raw: Raw): CheckInAsked {
  return {
    kind: 'checkInAsked',
    on: raw[0],
  };
}

export function readClassCalled(raw: Raw): ClassCalled {
  return {
    kind: 'classCalled',
    number: raw[0],
    people: raw[1],
    words: raw[2],
    to: raw[3] == null ? null : readSpot(raw[3]),
    stays: raw[4],
  };
}

export function readClientAdmitted(raw: Raw): ClientAdmitted {
  return {
    kind: 'clientAdmitted',
    number: raw[0],
  };
}

export function readCloseLesson(_raw: Raw): CloseLesson {
  return {
    kind: 'closeLesson',
  };
}

export function writeCloseLesson(_v: CloseLesson): Raw {
  return [];
}

export function readCloseQuestion(raw: Raw): CloseQuestion {
  return {
    kind: 'closeQuestion',
    number: raw[0],
  };
}

export function writeCloseQuestion(v: CloseQuestion): Raw {
  return [v.number];
}

export function readConcern(raw: Raw): Concern {
  return {
    number: raw[0],
    person: raw[1],
    about: raw[2],
    answer: raw[3],
    reason: raw[4],
    words: raw[5],
    at: raw[6],
  };
}

export function readConcernRaised(raw: Raw): ConcernRaised {
  return {
    kind: 'concernRaised',
    about: raw[0],
    answer: raw[1],
    reason: raw[2],
    words: raw[3],
  };
}

export function readConcernsSettled(raw: Raw): ConcernsSettled {
  return {
    kind: 'concernsSettled',
    about: raw[0],
    answer: raw[1],
    people: raw[2],
  };
}

export function readConfirmCall(raw: Raw): ConfirmCall {
  return {
    kind: 'confirmCall',
    number: raw[0],
    read: raw[1],
    words: raw[2],
  };
}

export function writeConfirmCall(v: ConfirmCall): Raw {
  return [v.number, v.read, v.words];
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

export function readCriterion(raw: Raw): Criterion {
  return {
    says: raw[0],
    points: raw[1],
    reason: raw[2],
    words: raw[3],
  };
}

export function writeCriterion(v: Criterion): Raw {
  return [v.says, v.points, v.reason, v.words];
}

export function readDiscardLateWork(raw: Raw): DiscardLateWork {
  return {
    kind: 'discardLateWork',
    number: raw[0],
    words: raw[1] ?? '',
  };
}

export function writeDiscardLateWork(v: DiscardLateWork): Raw {
  const raw: Raw = [v.number];
  if (v.words) raw.push(v.words);
  return raw;
}

export function readDoorSet(raw: Raw): DoorSet {
  return {
    kind: 'doorSet',
    door: raw[0],
  };
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

export function readDrawnStroke(raw: Raw): DrawnStroke {
  return {
    points: readPoints(raw[0]),
    style: readStyle(raw[1]),
  };
}

export function writeDrawnStroke(v: DrawnStroke): Raw {
  return [writePoints(v.points), writeStyle(v.style)];
}

export function readEndCall(raw: Raw): EndCall {
  return {
    kind: 'endCall',
    number: raw[0],
  };
}

export function writeEndCall(v: EndCall): Raw {
  return [v.number];
}

export function readEndPhase(raw: Raw): EndPhase {
  return {
    kind: 'endPhase',
    back: raw[0],
  };
}

export function writeEndPhase(v: EndPhase): Raw {
  return [v.back];
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

export function readFileAttachment(raw: Raw): FileAttachment {
  return {
    kind: 'file',
    media: raw[1],
    name: raw[2],
    format: raw[3],
    size: raw[4],
    picture: raw[5],
    description: raw[6],
  };
}

export function writeFileAttachment(v: FileAttachment): Raw {
  return [8, v.media, v.name, v.format, v.size, v.picture, v.description];
}

export function readFilmAttachment(raw: Raw): FilmAttachment {
  return {
    kind: 'film',
    media: raw[1],
    still: raw[2],
    width: raw[3],
    height: raw[4],
    duration: raw[5],
    words: raw[6],
  };
}

export function writeFilmAttachment(v: FilmAttachment): Raw {
  return [7, v.media, v.still, v.width, v.height, v.duration, v.words];
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

export function readGiveAnswer(raw: Raw): GiveAnswer {
  return {
    kind: 'giveAnswer',
    about: raw[0],
    id: raw[1],
    to: raw[2],
    language: raw[3],
    text: raw[4],
    aloud: raw[5] ?? false,
    says: raw[6] ?? 0,
    shown: raw[7] == null ? null : known(readAttachment(raw[7])),
  };
}

export function writeGiveAnswer(v: GiveAnswer): Raw {
  const raw: Raw = [v.about, v.id, v.to, v.language, v.text];
  if (v.aloud || v.says || v.shown != null) raw.push(v.aloud);
  if (v.says || v.shown != null) raw.push(v.says);
  if (v.shown != null) raw.push(v.shown && writeAttachment(v.shown));
  return raw;
}

export function readGiveReply(raw: Raw): GiveReply {
  return {
    kind: 'giveReply',
    number: raw[0],
    choice: raw[1],
    words: raw[2],
  };
}

export function writeGiveReply(v: GiveReply): Raw {
  return [v.number, v.choice, v.words];
}

export function readGiveReport(raw: Raw): GiveReport {
  return {
    kind: 'giveReport',
    report: raw[0],
  };
}

export function writeGiveReport(v: GiveReport): Raw {
  return [v.report];
}

export function readGiveSignal(raw: Raw): GiveSignal {
  return {
    kind: 'giveSignal',
    person: raw[0],
    signal: raw[1],
    on: raw[2],
    reason: raw[3] ?? 0,
    words: raw[4] ?? '',
  };
}

export function writeGiveSignal(v: GiveSignal): Raw {
  const raw: Raw = [v.person, v.signal, v.on];
  if (v.reason || v.words) raw.push(v.reason, v.words);
  return raw;
}

export function readGiveTime(raw: Raw): GiveTime {
  return {
    kind: 'giveTime',
    minutes: raw[0],
    person: raw[1],
  };
}

export function writeGiveTime(v: GiveTime): Raw {
  return [v.minutes, v.person];
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

export function readGoOnJudging(raw: Raw): GoOnJudging {
  return {
    kind: 'goOnJudging',
    newRound: raw[0],
  };
}

export function writeGoOnJudging(v: GoOnJudging): Raw {
  return [v.newRound];
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

export function readGroupsRedone(raw: Raw): GroupsRedone {
  return {
    kind: 'groupsRedone',
    groups: raw[0] == null ? null : raw[0].map((x: Raw) => readGroup(x)),
  };
}

export function readGroupsSet(raw: Raw): GroupsSet {
  return {
    kind: 'groupsSet',
    groups: raw[0].map((x: Raw) => readGroup(x)),
  };
}

export function readGroupsUndone(raw: Raw): GroupsUndone {
  return {
    kind: 'groupsUndone',
    groups: raw[0] == null ? null : raw[0].map((x: Raw) => readGroup(x)),
  };
}

export function readHandIn(_raw: Raw): HandIn {
  return {
    kind: 'handIn',
  };
}

export function writeHandIn(_v: HandIn): Raw {
  return [];
}

export function readHandsLowered(_raw: Raw): HandsLowered {
  return {
    kind: 'handsLowered',
  };
}

export function readHidingSet(raw: Raw): HidingSet {
  return {
    kind: 'hidingSet',
    after: raw[0],
  };
}

export function readHoldPens(raw: Raw): HoldPens {
  return {
    kind: 'holdPens',
    people: raw[0],
    down: raw[1],
    minutes: raw[2],
    words: raw[3] ?? '',
  };
}

export function writeHoldPens(v: HoldPens): Raw {
  const raw: Raw = [v.people, v.down, v.minutes];
  if (v.words) raw.push(v.words);
  return raw;
}

export function readJudgeCard(raw: Raw): JudgeCard {
  return {
    kind: 'judgeCard',
    card: raw[0],
    value: raw[1],
    reason: raw[2] ?? '',
    words: raw[3] ?? '',
  };
}

export function writeJudgeCard(v: JudgeCard): Raw {
  const raw: Raw = [v.card, v.value];
  if (v.reason || v.words) raw.push(v.reason, v.words);
  return raw;
}

export function readJudgeLeftOut(raw: Raw): JudgeLeftOut {
  return {
    kind: 'judgeLeftOut',
    person: raw[0],
    out: raw[1],
  };
}

export function readJudgement(raw: Raw): Judgement {
  return {
    round: raw[0],
    card: raw[1],
    person: raw[2],
    value: raw[3],
    reason: raw[4],
    words: raw[5],
  };
}

export function readJudging(raw: Raw): Judging {
  return {
    kind: raw[0],
    choices: raw[1],
    criterion: raw[2] == null ? null : readCriterion(raw[2]),
  };
}

export function writeJudging(v: Judging): Raw {
  const raw: Raw = [v.kind, v.choices];
  if (v.criterion != null) raw.push(v.criterion && writeCriterion(v.criterion));
  return raw;
}

export function readJudgingState(raw: Raw): JudgingState {
  return {
    round: raw[0],
    kind: raw[1] ?? null,
    values: raw[2],
    isShown: raw[3],
    given: raw[4].map((x: Raw) => readJudgement(x)),
    results: raw[5].map((x: Raw) => readCardResult(x)),
    leftOut: raw[6],
  };
}

export function readJudgingWentOn(raw: Raw): JudgingWentOn {
  return {
    kind: 'judgingWentOn',
    newRound: raw[0],
  };
}

export function readLastAct(raw: Raw): LastAct {
  return {
    person: raw[0],
    at: raw[1],
    page: raw[2],
  };
}

export function readLastVisit(raw: Raw): LastVisit {
  return {
    person: raw[0],
    at: raw[1],
  };
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

export function readLateChangeHandedOut(raw: Raw): LateChangeHandedOut {
  return {
    kind: 'lateChangeHandedOut',
    number: raw[0],
    content: raw[1],
    groups: raw[2],
    people: raw[3],
  };
}

export function readLateChangeReceived(raw: Raw): LateChangeReceived {
  return {
    kind: 'lateChangeReceived',
    person: raw[0],
    number: raw[1],
  };
}

export function readLateChangeTakenBack(raw: Raw): LateChangeTakenBack {
  return {
    kind: 'lateChangeTakenBack',
    number: raw[0],
  };
}

export function readLateWork(raw: Raw): LateWork {
  return {
    number: raw[0],
    actor: { number: raw[1], role: raw[2] },
    client: raw[3],
    counter: raw[4],
    gesture: raw[5],
    command: known(readCommand(raw[6], raw[7])),
    why: raw[8],
    returned: raw[9],
    at: raw[10],
  };
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

export function readLateWorkDiscarded(raw: Raw): LateWorkDiscarded {
  return {
    kind: 'lateWorkDiscarded',
    number: raw[0],
    person: raw[1] ?? 0,
    words: raw[2] ?? '',
  };
}

export function readLeadOn(raw: Raw): LeadOn {
  return {
    kind: 'leadOn',
    number: raw[0],
    to: readSpot(raw[1]),
  };
}

export function writeLeadOn(v: LeadOn): Raw {
  return [v.number, writeSpot(v.to)];
}

export function readLeaveOutJudge(raw: Raw): LeaveOutJudge {
  return {
    kind: 'leaveOutJudge',
    person: raw[0],
    out: raw[1],
  };
}

export function writeLeaveOutJudge(v: LeaveOutJudge): Raw {
  return [v.person, v.out];
}

export function readLedOn(raw: Raw): LedOn {
  return {
    kind: 'ledOn',
    number: raw[0],
    people: raw[1],
    to: readSpot(raw[2]),
  };
}

export function readLessonClosed(_raw: Raw): LessonClosed {
  return {
    kind: 'lessonClosed',
  };
}

export function readLessonHours(raw: Raw): LessonHours {
  return {
    zone: raw[0],
    days: raw[1],
    from: raw[2],
    to: raw[3],
  };
}

export function writeLessonHours(v: LessonHours): Raw {
  return [v.zone, v.days, v.from, v.to];
}

export function readLessonOpened(_raw: Raw): LessonOpened {
  return {
    kind: 'lessonOpened',
  };
}

export function readLessonReopened(_raw: Raw): LessonReopened {
  return {
    kind: 'lessonReopened',
  };
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
    seesOwnPast: raw[8],
    takesAlong: raw[9],
    groups: raw[10].map((x: Raw) => readGroup(x)),
    groupsUsed: raw[11],
    past: raw[12].map((x: Raw) => x.map((x: Raw) => readGroup(x))),
    future: raw[13].map((x: Raw) => x.map((x: Raw) => readGroup(x))),
    groupingVersion: raw[14],
    placesAsOf: raw[15],
    seatsThrough: raw[16],
    lateChanges: raw[17].map((x: Raw) => readLateChange(x)),
    times: { opensAt: raw[18] < 0 ? null : raw[18], dueAt: raw[19] < 0 ? null : raw[19], closesAt: raw[20] < 0 ? null : raw[20], handsIn: raw[21] },
    waits: raw[22],
    isOverdue: raw[23],
    waiting: raw[24].map((x: Raw) => readWorkWaits(x)),
    parts: raw[25],
    openParts: raw[26],
    openedLast: raw[27],
    ownFirstIn: raw[28],
    checkInAt: raw[29] < 0 ? null : raw[29],
    needs: { notStartedAfter: raw[30], stoppedAfter: raw[31], inCirclesAfter: raw[32], otherPageAfter: raw[33], offlineAfter: raw[34], withoutAlerts: raw[49] ?? false },
    answered: raw[35].map((x: Raw) => readAnsweredNeed(x)),
    visits: raw[36].map((x: Raw) => readLastVisit(x)),
    calls: raw[37].map((x: Raw) => readCall(x)),
    questions: raw[38].map((x: Raw) => readQuickQuestion(x)),
    phase: raw[39] == null ? null : readPhase(raw[39]),
    phasesBefore: raw[40].map((x: Raw) => readPhasePlan(x)),
    screen: readOnScreen(raw[41]),
    screenSetAt: raw[42],
    showing: { privacies: raw[43].map((x: Raw) => readPrivacyOf(x)), up: raw[44], shown: raw[45].map((x: Raw) => readShownWork(x)) },
    screening: readWordScreening(raw[46]),
    approvals: raw[47].map((x: Raw) => readApprovalIn(x)),
    hidesAfter: raw[48],
  };
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

export function readLinkAttachment(raw: Raw): LinkAttachment {
  return {
    kind: 'link',
    address: raw[1],
    title: raw[2],
    site: raw[3],
    picture: raw[4] ?? '',
  };
}

export function writeLinkAttachment(v: LinkAttachment): Raw {
  const raw: Raw = [5, v.address, v.title, v.site];
  if (v.picture) raw.push(v.picture);
  return raw;
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

export function readLowerHands(_raw: Raw): LowerHands {
  return {
    kind: 'lowerHands',
  };
}

export function writeLowerHands(_v: LowerHands): Raw {
  return [];
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

export function readMaskNames(raw: Raw): MaskNames {
  return {
    kind: 'maskNames',
    masked: raw[0],
  };
}

export function writeMaskNames(v: MaskNames): Raw {
  return [v.masked];
}

export function readMomentCame(raw: Raw): MomentCame {
  return {
    kind: 'momentCame',
    moment: raw[0],
  };
}

export function readMoreTime(raw: Raw): MoreTime {
  return {
    person: raw[0],
    until: raw[1],
  };
}

export function readNamesCorrected(_raw: Raw): NamesCorrected {
  return {
    kind: 'namesCorrected',
  };
}

export function readNamesMasked(raw: Raw): NamesMasked {
  return {
    kind: 'namesMasked',
    masked: raw[0],
  };
}

export function readNeedAnswered(raw: Raw): NeedAnswered {
  return {
    kind: 'needAnswered',
    person: raw[0],
    need: raw[1],
    minutes: raw[2],
  };
}

export function readNeedsSet(raw: Raw): NeedsSet {
  return {
    kind: 'needsSet',
    settings: { notStartedAfter: raw[0], stoppedAfter: raw[1], inCirclesAfter: raw[2], otherPageAfter: raw[3], offlineAfter: raw[4], withoutAlerts: raw[5] ?? false },
  };
}

export function readNeedsSettings(raw: Raw): NeedsSettings {
  return {
    notStartedAfter: raw[0],
    stoppedAfter: raw[1],
    inCirclesAfter: raw[2],
    otherPageAfter: raw[3],
    offlineAfter: raw[4],
    withoutAlerts: raw[5] ?? false,
  };
}

export function writeNeedsSettings(v: NeedsSettings): Raw {
  const raw: Raw = [v.notStartedAfter, v.stoppedAfter, v.inCirclesAfter, v.otherPageAfter, v.offlineAfter];
  if (v.withoutAlerts) raw.push(v.withoutAlerts);
  return raw;
}

export function readOnScreen(raw: Raw): OnScreen {
  return {
    kind: raw[0],
    rooms: raw[1],
    page: raw[2],
    withClock: raw[3],
    frozen: raw[4],
    card: raw[5] ?? 0,
  };
}

export function writeOnScreen(v: OnScreen): Raw {
  const raw: Raw = [v.kind, v.rooms, v.page, v.withClock, v.frozen];
  if (v.card) raw.push(v.card);
  return raw;
}

export function readOwnFirstSet(raw: Raw): OwnFirstSet {
  return {
    kind: 'ownFirstSet',
    part: raw[0],
    on: raw[1],
  };
}

export function readPartSet(raw: Raw): PartSet {
  return {
    kind: 'partSet',
    part: raw[0],
    open: raw[1],
  };
}

export function readPartsPlanned(raw: Raw): PartsPlanned {
  return {
    kind: 'partsPlanned',
    parts: raw[0],
    open: raw[1],
  };
}

export function readPensConfirmed(raw: Raw): PensConfirmed {
  return {
    kind: 'pensConfirmed',
    down: raw[0],
    boards: raw[1],
  };
}

export function readPensHeld(raw: Raw): PensHeld {
  return {
    kind: 'pensHeld',
    people: raw[0],
    down: raw[1],
    until: raw[2],
    words: raw[3] ?? '',
  };
}

export function readPensSet(raw: Raw): PensSet {
  return {
    kind: 'pensSet',
    down: raw[0],
  };
}

export function readPeopleExpected(raw: Raw): PeopleExpected {
  return {
    kind: 'peopleExpected',
    first: raw[0],
    count: raw[1],
  };
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
    reason: raw[7],
    words: raw[8],
    report: raw[9],
    reportAt: raw[10] < 0 ? null : raw[10],
    pensDownUntil: raw[11] < 0 ? null : raw[11],
    heldWhy: raw[12],
  };
}

export function readPersonAdmitted(raw: Raw): PersonAdmitted {
  return {
    kind: 'personAdmitted',
    person: raw[0],
  };
}

export function readPersonAsked(raw: Raw): PersonAsked {
  return {
    kind: 'personAsked',
    person: raw[0],
  };
}

export function readPersonBrought(raw: Raw): PersonBrought {
  return {
    kind: 'personBrought',
    person: raw[0],
    joinedAt: raw[1],
    handedInAt: raw[2] < 0 ? null : raw[2],
  };
}

export function readPersonJoined(raw: Raw): PersonJoined {
  return {
    kind: 'personJoined',
    person: raw[0],
  };
}

export function readPersonRemoved(raw: Raw): PersonRemoved {
  return {
    kind: 'personRemoved',
    person: raw[0],
  };
}

export function readPersonTurnedAway(raw: Raw): PersonTurnedAway {
  return {
    kind: 'personTurnedAway',
    person: raw[0],
  };
}

export function readPhase(raw: Raw): Phase {
  return {
    plan: { kind: raw[0], words: raw[1], minutes: raw[2], endsItself: raw[3], part: raw[4], withheld: raw[8] ?? 0, planned: raw[9] ?? 0 },
    begunAt: raw[5],
    endsAt: raw[6] < 0 ? null : raw[6],
    longer: raw[7].map((x: Raw) => readMoreTime(x)),
  };
}

export function readPhaseBegun(raw: Raw): PhaseBegun {
  return {
    kind: 'phaseBegun',
    plan: { kind: raw[0], words: raw[1], minutes: raw[2], endsItself: raw[3], part: raw[4], withheld: raw[5] ?? 0, planned: raw[6] ?? 0 },
  };
}

export function readPhaseEnded(_raw: Raw): PhaseEnded {
  return {
    kind: 'phaseEnded',
  };
}

export function readPhasePlan(raw: Raw): PhasePlan {
  return {
    kind: raw[0],
    words: raw[1],
    minutes: raw[2],
    endsItself: raw[3],
    part: raw[4],
    withheld: raw[5] ?? 0,
    planned: raw[6] ?? 0,
  };
}

export function writePhasePlan(v: PhasePlan): Raw {
  const raw: Raw = [v.kind, v.words, v.minutes, v.endsItself, v.part];
  if (v.withheld || v.planned) raw.push(v.withheld, v.planned);
  return raw;
}

export function readPhaseResumed(raw: Raw): PhaseResumed {
  return {
    kind: 'phaseResumed',
    plan: { kind: raw[0], words: raw[1], minutes: raw[2], endsItself: raw[3], part: raw[4], withheld: raw[5] ?? 0, planned: raw[6] ?? 0 },
  };
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

export function readPoseQuestion(raw: Raw): PoseQuestion {
  return {
    kind: 'poseQuestion',
    words: raw[0],
    form: raw[1],
    choices: raw[2],
  };
}

export function writePoseQuestion(v: PoseQuestion): Raw {
  return [v.words, v.form, v.choices];
}

export function readPrivacyOf(raw: Raw): PrivacyOf {
  return {
    part: raw[0],
    privacy: raw[1],
  };
}

export function readPrivacySet(raw: Raw): PrivacySet {
  return {
    kind: 'privacySet',
    part: raw[0],
    privacy: raw[1],
  };
}

export function readPutAnswerBack(raw: Raw): PutAnswerBack {
  return {
    kind: 'putAnswerBack',
    about: raw[0],
    id: raw[1],
  };
}

export function writePutAnswerBack(v: PutAnswerBack): Raw {
  return [v.about, v.id];
}

export function readQuestionClosed(raw: Raw): QuestionClosed {
  return {
    kind: 'questionClosed',
    number: raw[0],
  };
}

export function readQuestionPosed(raw: Raw): QuestionPosed {
  return {
    kind: 'questionPosed',
    number: raw[0],
    words: raw[1],
    form: raw[2],
    choices: raw[3],
  };
}

export function readQuickQuestion(raw: Raw): QuickQuestion {
  return {
    number: raw[0],
    at: raw[1],
    words: raw[2],
    form: raw[3],
    choices: raw[4],
    endedAt: raw[5] < 0 ? null : raw[5],
    replies: raw[6].map((x: Raw) => readReply(x)),
  };
}

export function readQuickResponse(raw: Raw): QuickResponse {
  return {
    stamp: raw[0],
    says: raw[1],
  };
}

export function writeQuickResponse(v: QuickResponse): Raw {
  return [v.stamp, v.says];
}

export function readRaiseConcern(raw: Raw): RaiseConcern {
  return {
    kind: 'raiseConcern',
    about: raw[0],
    answer: raw[1],
    reason: raw[2],
    words: raw[3],
  };
}

export function writeRaiseConcern(v: RaiseConcern): Raw {
  return [v.about, v.answer, v.reason, v.words];
}

export function readRedacted(_raw: Raw): Redacted {
  return {
    kind: 'redacted',
  };
}

export function readRedoGroups(_raw: Raw): RedoGroups {
  return {
    kind: 'redoGroups',
  };
}

export function writeRedoGroups(_v: RedoGroups): Raw {
  return [];
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

export function readReopenLesson(_raw: Raw): ReopenLesson {
  return {
    kind: 'reopenLesson',
  };
}

export function writeReopenLesson(_v: ReopenLesson): Raw {
  return [];
}

export function readReply(raw: Raw): Reply {
  return {
    person: raw[0],
    at: raw[1],
    choice: raw[2],
    words: raw[3],
  };
}

export function readReplyGiven(raw: Raw): ReplyGiven {
  return {
    kind: 'replyGiven',
    person: raw[0],
    number: raw[1],
    choice: raw[2],
    words: raw[3],
  };
}

export function readReportGiven(raw: Raw): ReportGiven {
  return {
    kind: 'reportGiven',
    person: raw[0],
    report: raw[1],
  };
}

export function readResultsShown(raw: Raw): ResultsShown {
  return {
    kind: 'resultsShown',
    results: raw[0].map((x: Raw) => readCardResult(x)),
  };
}

export function readReturnWork(raw: Raw): ReturnWork {
  return {
    kind: 'returnWork',
    number: raw[0],
    words: raw[1],
  };
}

export function writeReturnWork(v: ReturnWork): Raw {
  return [v.number, v.words];
}

export function readRewordAnswer(raw: Raw): RewordAnswer {
  return {
    kind: 'rewordAnswer',
    about: raw[0],
    id: raw[1],
    language: raw[2],
    text: raw[3],
  };
}

export function writeRewordAnswer(v: RewordAnswer): Raw {
  return [v.about, v.id, v.language, v.text];
}

export function readScoreReason(raw: Raw): ScoreReason {
  return {
    value: raw[0],
    text: raw[1],
    words: raw[2],
  };
}

export function readScreenSet(raw: Raw): ScreenSet {
  return {
    kind: 'screenSet',
    shown: { kind: raw[0], rooms: raw[1], page: raw[2], withClock: raw[3], frozen: raw[4], card: raw[5] ?? 0 },
  };
}

export function readSeatsConfirmed(raw: Raw): SeatsConfirmed {
  return {
    kind: 'seatsConfirmed',
    through: raw[0],
  };
}

export function readSentAway(raw: Raw): SentAway {
  return {
    kind: 'sentAway',
    people: raw[0],
  };
}

export function readSetApproval(raw: Raw): SetApproval {
  return {
    kind: 'setApproval',
    part: raw[0],
    approval: { when: raw[1], people: raw[2], hours: { zone: raw[3], days: raw[4], from: raw[5], to: raw[6] } },
  };
}

export function writeSetApproval(v: SetApproval): Raw {
  return [v.part, v.approval.when, v.approval.people, v.approval.hours.zone, v.approval.hours.days, v.approval.hours.from, v.approval.hours.to];
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

export function readSetHiding(raw: Raw): SetHiding {
  return {
    kind: 'setHiding',
    after: raw[0],
  };
}

export function writeSetHiding(v: SetHiding): Raw {
  return [v.after];
}

export function readSetNeeds(raw: Raw): SetNeeds {
  return {
    kind: 'setNeeds',
    settings: { notStartedAfter: raw[0], stoppedAfter: raw[1], inCirclesAfter: raw[2], otherPageAfter: raw[3], offlineAfter: raw[4], withoutAlerts: raw[5] ?? false },
  };
}

export function writeSetNeeds(v: SetNeeds): Raw {
  const raw: Raw = [v.settings.notStartedAfter, v.settings.stoppedAfter, v.settings.inCirclesAfter, v.settings.otherPageAfter, v.settings.offlineAfter];
  if (v.settings.withoutAlerts) raw.push(v.settings.withoutAlerts);
  return raw;
}

export function readSetOwnFirst(raw: Raw): SetOwnFirst {
  return {
    kind: 'setOwnFirst',
    part: raw[0],
    on: raw[1],
  };
}

export function writeSetOwnFirst(v: SetOwnFirst): Raw {
  return [v.part, v.on];
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

export function readSetPens(raw: Raw): SetPens {
  return {
    kind: 'setPens',
    down: raw[0],
  };
}

export function writeSetPens(v: SetPens): Raw {
  return [v.down];
}

export function readSetPrivacy(raw: Raw): SetPrivacy {
  return {
    kind: 'setPrivacy',
    part: raw[0],
    privacy: raw[1],
  };
}

export function writeSetPrivacy(v: SetPrivacy): Raw {
  return [v.part, v.privacy];
}

export function readSetSight(raw: Raw): SetSight {
  return {
    kind: 'setSight',
    otherBoards: raw[0],
    teachersBoard: raw[1],
    ownPast: raw[2] ?? false,
    takeAlong: raw[3] ?? false,
  };
}

export function writeSetSight(v: SetSight): Raw {
  const raw: Raw = [v.otherBoards, v.teachersBoard];
  if (v.ownPast || v.takeAlong) raw.push(v.ownPast);
  if (v.takeAlong) raw.push(v.takeAlong);
  return raw;
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

export function readSetWordScreen(raw: Raw): SetWordScreen {
  return {
    kind: 'setWordScreen',
    screening: { then: raw[0], forYoung: raw[1], details: raw[2], own: raw[3], allowed: raw[4] },
  };
}

export function writeSetWordScreen(v: SetWordScreen): Raw {
  return [v.screening.then, v.screening.forYoung, v.screening.details, v.screening.own, v.screening.allowed];
}

export function readSettleConcerns(raw: Raw): SettleConcerns {
  return {
    kind: 'settleConcerns',
    about: raw[0],
    answer: raw[1],
  };
}

export function writeSettleConcerns(v: SettleConcerns): Raw {
  return [v.about, v.answer];
}

export function readShowOnScreen(raw: Raw): ShowOnScreen {
  return {
    kind: 'showOnScreen',
    shown: { kind: raw[0], rooms: raw[1], page: raw[2], withClock: raw[3], frozen: raw[4], card: raw[5] ?? 0 },
  };
}

export function writeShowOnScreen(v: ShowOnScreen): Raw {
  const raw: Raw = [v.shown.kind, v.shown.rooms, v.shown.page, v.shown.withClock, v.shown.frozen];
  if (v.shown.card) raw.push(v.shown.card);
  return raw;
}

export function readShowResults(_raw: Raw): ShowResults {
  return {
    kind: 'showResults',
  };
}

export function writeShowResults(_v: ShowResults): Raw {
  return [];
}

export function readShowWork(raw: Raw): ShowWork {
  return {
    kind: 'showWork',
    part: raw[0],
    on: raw[1],
  };
}

export function writeShowWork(v: ShowWork): Raw {
  return [v.part, v.on];
}

export function readShowingSnapshot(raw: Raw): ShowingSnapshot {
  return {
    privacies: raw[0].map((x: Raw) => readPrivacyOf(x)),
    up: raw[1],
    shown: raw[2].map((x: Raw) => readShownWork(x)),
  };
}

export function readShownWork(raw: Raw): ShownWork {
  return {
    part: raw[0],
    person: raw[1],
    called: raw[2],
  };
}

export function readSightSet(raw: Raw): SightSet {
  return {
    kind: 'sightSet',
    otherBoards: raw[0],
    teachersBoard: raw[1],
    ownPast: raw[2] ?? false,
    takeAlong: raw[3] ?? false,
  };
}

export function readSignalGiven(raw: Raw): SignalGiven {
  return {
    kind: 'signalGiven',
    person: raw[0],
    signal: raw[1],
    on: raw[2],
    reason: raw[3] ?? 0,
    words: raw[4] ?? '',
  };
}

export function readSpot(raw: Raw): Spot {
  return {
    part: raw[0],
    kind: raw[1],
    id: raw[2],
    x: raw[3],
    y: raw[4],
  };
}

export function writeSpot(v: Spot): Raw {
  return [v.part, v.kind, v.id, v.x, v.y];
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
  if (v.fill || v.looks) raw.push(v.fill, v.looks);
  return raw;
}

export function readTakeAnswerDown(raw: Raw): TakeAnswerDown {
  return {
    kind: 'takeAnswerDown',
    about: raw[0],
    id: raw[1],
    words: raw[2] ?? '',
    removes: raw[3] ?? false,
    asItsAuthor: raw[4] ?? false,
  };
}

export function writeTakeAnswerDown(v: TakeAnswerDown): Raw {
  const raw: Raw = [v.about, v.id];
  if (v.words || v.removes || v.asItsAuthor) raw.push(v.words, v.removes);
  if (v.asItsAuthor) raw.push(v.asItsAuthor);
  return raw;
}

export function readTakeWorkBack(_raw: Raw): TakeWorkBack {
  return {
    kind: 'takeWorkBack',
  };
}

export function writeTakeWorkBack(_v: TakeWorkBack): Raw {
  return [];
}

export function readTimeGiven(raw: Raw): TimeGiven {
  return {
    kind: 'timeGiven',
    person: raw[0],
    endsAt: raw[1],
  };
}

export function readTimesSet(raw: Raw): TimesSet {
  return {
    kind: 'timesSet',
    times: { opensAt: raw[0] < 0 ? null : raw[0], dueAt: raw[1] < 0 ? null : raw[1], closesAt: raw[2] < 0 ? null : raw[2], handsIn: raw[3] },
  };
}

export function readTopic(raw: Raw): Topic {
  return {
    id: raw[0],
    heading: raw[1],
    prompt: raw[2],
    colour: raw[3],
    shown: (raw[4] ?? []).map((x: Raw) => known(readAttachment(x))),
    stimulus: raw[5] == null ? null : readStimulus(raw[5]),
    only: (raw[6] ?? []),
    locked: raw[7] ?? false,
  };
}

export function writeTopic(v: Topic): Raw {
  const raw: Raw = [v.id, v.heading, v.prompt, v.colour];
  if (v.shown.length > 0 || v.stimulus != null || v.only.length > 0 || v.locked) raw.push(v.shown.length > 0 ? v.shown.map((x) => writeAttachment(x)) : null, v.stimulus && writeStimulus(v.stimulus));
  if (v.only.length > 0 || v.locked) raw.push(v.only.length > 0 ? v.only : null);
  if (v.locked) raw.push(v.locked);
  return raw;
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

export function readUndoGroups(_raw: Raw): UndoGroups {
  return {
    kind: 'undoGroups',
  };
}

export function writeUndoGroups(_v: UndoGroups): Raw {
  return [];
}

export function readVisitWork(raw: Raw): VisitWork {
  return {
    kind: 'visitWork',
    person: raw[0],
  };
}

export function writeVisitWork(v: VisitWork): Raw {
  return [v.person];
}

export function readVoiceAttachment(raw: Raw): VoiceAttachment {
  return {
    kind: 'voice',
    media: raw[1],
    duration: raw[2],
    loudness: raw[3],
    words: raw[4],
  };
}

export function writeVoiceAttachment(v: VoiceAttachment): Raw {
  return [6, v.media, v.duration, v.loudness, v.words];
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
    responses: (raw[12] ?? []).map((x: Raw) => readQuickResponse(x)),
    saidAlready: raw[13] ?? false,
    buildsOn: raw[14] ?? false,
    stances: (raw[15] ?? []),
    leastJudged: raw[16] ?? 0,
    perTopic: raw[17] ?? false,
    mostAnswers: raw[18] ?? 0,
    mostJudged: raw[19] ?? 0,
    starters: (raw[20] ?? []),
    held: raw[21] ?? 0,
    locked: raw[22] ?? false,
    voiceSeconds: raw[23] ?? 0,
  };
}

export function writeWallRules(v: WallRules): Raw {
  const raw: Raw = [v.least, v.most];
  if (v.ownFirst || v.answers || v.shows || v.judging != null || v.stations || v.onlyGiven || v.names || v.anyMoves || v.inPairs || v.leastAnswers || v.responses.length > 0 || v.saidAlready || v.buildsOn || v.stances.length > 0 || v.leastJudged || v.perTopic || v.mostAnswers || v.mostJudged || v.starters.length > 0 || v.held || v.locked || v.voiceSeconds) raw.push(v.ownFirst);
  if (v.answers || v.shows || v.judging != null || v.stations || v.onlyGiven || v.names || v.anyMoves || v.inPairs || v.leastAnswers || v.responses.length > 0 || v.saidAlready || v.buildsOn || v.stances.length > 0 || v.leastJudged || v.perTopic || v.mostAnswers || v.mostJudged || v.starters.length > 0 || v.held || v.locked || v.voiceSeconds) raw.push(v.answers);
  if (v.shows || v.judging != null || v.stations || v.onlyGiven || v.names || v.anyMoves || v.inPairs || v.leastAnswers || v.responses.length > 0 || v.saidAlready || v.buildsOn || v.stances.length > 0 || v.leastJudged || v.perTopic || v.mostAnswers || v.mostJudged || v.starters.length > 0 || v.held || v.locked || v.voiceSeconds) raw.push(v.shows);
  if (v.judging != null || v.stations || v.onlyGiven || v.names || v.anyMoves || v.inPairs || v.leastAnswers || v.responses.length > 0 || v.saidAlready || v.buildsOn || v.stances.length > 0 || v.leastJudged || v.perTopic || v.mostAnswers || v.mostJudged || v.starters.length > 0 || v.held || v.locked || v.voiceSeconds) raw.push(v.judging && writeJudging(v.judging));
  if (v.stations || v.onlyGiven || v.names || v.anyMoves || v.inPairs || v.leastAnswers || v.responses.length > 0 || v.saidAlready || v.buildsOn || v.stances.length > 0 || v.leastJudged || v.perTopic || v.mostAnswers || v.mostJudged || v.starters.length > 0 || v.held || v.locked || v.voiceSeconds) raw.push(v.stations);
  if (v.onlyGiven || v.names || v.anyMoves || v.inPairs || v.leastAnswers || v.responses.length > 0 || v.saidAlready || v.buildsOn || v.stances.length > 0 || v.leastJudged || v.perTopic || v.mostAnswers || v.mostJudged || v.starters.length > 0 || v.held || v.locked || v.voiceSeconds) raw.push(v.onlyGiven);
  if (v.names || v.anyMoves || v.inPairs || v.leastAnswers || v.responses.length > 0 || v.saidAlready || v.buildsOn || v.stances.length > 0 || v.leastJudged || v.perTopic || v.mostAnswers || v.mostJudged || v.starters.length > 0 || v.held || v.locked || v.voiceSeconds) raw.push(v.names, v.anyMoves, v.inPairs, v.leastAnswers);
  if (v.responses.length > 0 || v.saidAlready || v.buildsOn || v.stances.length > 0 || v.leastJudged || v.perTopic || v.mostAnswers || v.mostJudged || v.starters.length > 0 || v.held || v.locked || v.voiceSeconds) raw.push(v.responses.length > 0 ? v.responses.map((x) => writeQuickResponse(x)) : null, v.saidAlready, v.buildsOn);
  if (v.stances.length > 0 || v.leastJudged || v.perTopic || v.mostAnswers || v.mostJudged || v.starters.length > 0 || v.held || v.locked || v.voiceSeconds) raw.push(v.stances.length > 0 ? v.stances : null, v.leastJudged, v.perTopic);
  if (v.mostAnswers || v.mostJudged || v.starters.length > 0 || v.held || v.locked || v.voiceSeconds) raw.push(v.mostAnswers, v.mostJudged, v.starters.length > 0 ? v.starters : null);
  if (v.held || v.locked || v.voiceSeconds) raw.push(v.held);
  if (v.locked || v.voiceSeconds) raw.push(v.locked);
  if (v.voiceSeconds) raw.push(v.voiceSeconds);
  return raw;
}

export function readWordScreenSet(raw: Raw): WordScreenSet {
  return {
    kind: 'wordScreenSet',
    screening: { then: raw[0], forYoung: raw[1], details: raw[2], own: raw[3], allowed: raw[4] },
  };
}

export function readWordScreening(raw: Raw): WordScreening {
  return {
    then: raw[0],
    forYoung: raw[1],
    details: raw[2],
    own: raw[3],
    allowed: raw[4],
  };
}

export function writeWordScreening(v: WordScreening): Raw {
  return [v.then, v.forYoung, v.details, v.own, v.allowed];
}

export function readWorkHandedIn(raw: Raw): WorkHandedIn {
  return {
    kind: 'workHandedIn',
    people: raw[0],
  };
}

export function readWorkReturned(raw: Raw): WorkReturned {
  return {
    kind: 'workReturned',
    number: raw[0],
    person: raw[1],
    words: raw[2],
  };
}

export function readWorkSetAside(raw: Raw): WorkSetAside {
  return {
    kind: 'workSetAside',
    command: known(readCommand(raw[0], raw[1])),
    why: raw[2] ?? 0,
  };
}

export function readWorkShown(raw: Raw): WorkShown {
  return {
    kind: 'workShown',
    part: raw[0],
    person: raw[1],
    on: raw[2],
  };
}

export function readWorkTakenBack(raw: Raw): WorkTakenBack {
  return {
    kind: 'workTakenBack',
    people: raw[0],
  };
}

export function readWorkTakenUpAgain(raw: Raw): WorkTakenUpAgain {
  return {
    kind: 'workTakenUpAgain',
    work: readLateWork(raw[0]),
  };
}

export function readWorkVisited(raw: Raw): WorkVisited {
  return {
    kind: 'workVisited',
    person: raw[0],
  };
}

export function readWorkWaits(raw: Raw): WorkWaits {
  return {
    kind: 'workWaits',
    board: raw[0],
    person: raw[1],
    count: raw[2],
  };
}

know({
  readCommand: {
    5: readAcceptLateWork,
    6: readDiscardLateWork,
    20: readSetDoor,
    21: readGiveSignal,
    22: readSetPens,
    23: readCloseLesson,
    24: readReopenLesson,
    25: readAdmitPerson,
    26: readTurnAway,
    27: readRemovePerson,
    28: readSetGroups,
    29: readUndoGroups,
    30: readRedoGroups,
    31: readMaskNames,
    32: readSetSight,
    33: readConfirmLateChange,
    34: readSetTimes,
    35: readHandIn,
    36: readTakeWorkBack,
    37: readSetPart,
    46: readGiveAnswer,
    47: readRewordAnswer,
    48: readTakeAnswerDown,
    49: readPutAnswerBack,
    50: readJudgeCard,
    51: readShowResults,
    52: readGoOnJudging,
    79: readSetOwnFirst,
    81: readLowerHands,
    82: readGiveReport,
    83: readAskCheckIn,
    84: readVisitWork,
    85: readSetNeeds,
    86: readAnswerNeed,
    87: readCallClass,
    88: readLeadOn,
    89: readEndCall,
    90: readConfirmCall,
    91: readHoldPens,
    92: readPoseQuestion,
    93: readCloseQuestion,
    94: readGiveReply,
    95: readBeginPhase,
    96: readGiveTime,
    97: readEndPhase,
    98: readShowOnScreen,
    99: readSetPrivacy,
    100: readShowWork,
    101: readCallBoardsUp,
    102: readSetWordScreen,
    103: readSetApproval,
    104: readReturnWork,
    105: readRaiseConcern,
    106: readSettleConcerns,
    107: readSetHiding,
    112: readLeaveOutJudge,
  },
  readRoomEvent: {
    1: readClientAdmitted,
    2: readRedacted,
    14: readWorkSetAside,
    15: readLateWorkAccepted,
    16: readLateWorkDiscarded,
    30: readLessonOpened,
    31: readPersonJoined,
    32: readDoorSet,
    33: readSignalGiven,
    34: readPensSet,
    35: readPensConfirmed,
    36: readLessonClosed,
    37: readLessonReopened,
    38: readPeopleExpected,
    39: readPersonAsked,
    40: readPersonAdmitted,
    41: readPersonTurnedAway,
    42: readPersonRemoved,
    43: readGroupsSet,
    44: readGroupsUndone,
    45: readGroupsRedone,
    46: readSeatsConfirmed,
    47: readNamesMasked,
    48: readSightSet,
    49: readLateChangeHandedOut,
    50: readLateChangeTakenBack,
    51: readLateChangeReceived,
    52: readTimesSet,
    53: readMomentCame,
    54: readWorkHandedIn,
    55: readWorkTakenBack,
    56: readSentAway,
    57: readWorkWaits,
    58: readPersonBrought,
    59: readPartsPlanned,
    60: readPartSet,
    78: readAnswerGiven,
    79: readAnswerReworded,
    80: readAnswerTakenDown,
    81: readAnswerPutBack,
    82: readCardJudged,
    83: readResultsShown,
    84: readJudgingWentOn,
    112: readOwnFirstSet,
    114: readHandsLowered,
    115: readReportGiven,
    116: readCheckInAsked,
    117: readWorkVisited,
    118: readNeedsSet,
    119: readNeedAnswered,
    120: readClassCalled,
    121: readLedOn,
    122: readCallEnded,
    123: readCallConfirmed,
    124: readPensHeld,
    125: readQuestionPosed,
    126: readQuestionClosed,
    127: readReplyGiven,
    128: readPhaseBegun,
    129: readTimeGiven,
    130: readPhaseEnded,
    131: readPhaseResumed,
    132: readScreenSet,
    133: readPrivacySet,
    134: readWorkShown,
    135: readBoardsUp,
    136: readWordScreenSet,
    137: readApprovalSet,
    138: readWorkReturned,
    139: readConcernRaised,
    140: readConcernsSettled,
    141: readHidingSet,
    142: readNamesCorrected,
    146: readWorkTakenUpAgain,
    147: readJudgeLeftOut,
  },
  readRoomSnapshot: {
    2: readLessonSnapshot,
  },
  writeCommand: {
    acceptLateWork: [5, writeAcceptLateWork],
    discardLateWork: [6, writeDiscardLateWork],
    setDoor: [20, writeSetDoor],
    giveSignal: [21, writeGiveSignal],
    setPens: [22, writeSetPens],
    closeLesson: [23, writeCloseLesson],
    reopenLesson: [24, writeReopenLesson],
    admitPerson: [25, writeAdmitPerson],
    turnAway: [26, writeTurnAway],
    removePerson: [27, writeRemovePerson],
    setGroups: [28, writeSetGroups],
    undoGroups: [29, writeUndoGroups],
    redoGroups: [30, writeRedoGroups],
    maskNames: [31, writeMaskNames],
    setSight: [32, writeSetSight],
    confirmLateChange: [33, writeConfirmLateChange],
    setTimes: [34, writeSetTimes],
    handIn: [35, writeHandIn],
    takeWorkBack: [36, writeTakeWorkBack],
    setPart: [37, writeSetPart],
    giveAnswer: [46, writeGiveAnswer],
    rewordAnswer: [47, writeRewordAnswer],
    takeAnswerDown: [48, writeTakeAnswerDown],
    putAnswerBack: [49, writePutAnswerBack],
    judgeCard: [50, writeJudgeCard],
    showResults: [51, writeShowResults],
    goOnJudging: [52, writeGoOnJudging],
    setOwnFirst: [79, writeSetOwnFirst],
    lowerHands: [81, writeLowerHands],
    giveReport: [82, writeGiveReport],
    askCheckIn: [83, writeAskCheckIn],
    visitWork: [84, writeVisitWork],
    setNeeds: [85, writeSetNeeds],
    answerNeed: [86, writeAnswerNeed],
    callClass: [87, writeCallClass],
    leadOn: [88, writeLeadOn],
    endCall: [89, writeEndCall],
    confirmCall: [90, writeConfirmCall],
    holdPens: [91, writeHoldPens],
    poseQuestion: [92, writePoseQuestion],
    closeQuestion: [93, writeCloseQuestion],
    giveReply: [94, writeGiveReply],
    beginPhase: [95, writeBeginPhase],
    giveTime: [96, writeGiveTime],
    endPhase: [97, writeEndPhase],
    showOnScreen: [98, writeShowOnScreen],
    setPrivacy: [99, writeSetPrivacy],
    showWork: [100, writeShowWork],
    callBoardsUp: [101, writeCallBoardsUp],
    setWordScreen: [102, writeSetWordScreen],
    setApproval: [103, writeSetApproval],
    returnWork: [104, writeReturnWork],
    raiseConcern: [105, writeRaiseConcern],
    settleConcerns: [106, writeSettleConcerns],
    setHiding: [107, writeSetHiding],
    leaveOutJudge: [112, writeLeaveOutJudge],
  },
});
