// Made from Core's records by ./yardang wire: not to be changed by hand.

import { known } from './by-hand';
import { readAnswer, readAttachment, readCardResult, readConcern, readJudgingState, readLastAct, readLateWork, readWallPlan, writeAttachment, writeWallPlan } from './codec';
import { type AskToo, type AskedToo, type BeginTrip, type BreakSeal, type Card, type CardColoured, type CardJoined, type CardLaid, type CardLocked, type CardMoved, type CardPlaced, type CardPlacedAlone, type CardPutBack, type CardPutUp, type CardRead, type CardRespondedTo, type CardReworded, type CardSpot, type CardTakenDown, type CardsBrought, type CardsLetOut, type CardsLinked, type CardsShown, type ClassOrder, type ClassPlace, type ClassUp, type ColourCard, type EndTrip, type FieldLaid, type FieldSpot, type FileQuestion, type GiveReading, type GiveStarters, type JoinCard, type LayCard, type LayCards, type LetCardsOut, type LineSpot, type Link, type LinkCards, type LinkPutBack, type LinkReversed, type LinkReworded, type LinkTakenDown, type LockCard, type LockTopic, type MoveCard, type MoveOn, type MovingCard, type OrderHidden, type OrderShown, type OwnPlace, type OwnStarters, type PlaceCard, type PlacingState, type PlanSet, type PutCardBack, type PutLinkBack, type PutUpCard, type QuestionFiled, type ReadCard, type ReadingGiven, type ReadingList, type RespondToCard, type Response, type ReverseLink, type RewordCard, type RewordLink, type RoundTrip, type SealBroken, type SetPlan, type ShowOrder, type Stance, type StanceShifts, type StanceTaken, type StancesState, type StancesSteered, type StartersGiven, type StationVisited, type SteerStances, type TakeCardDown, type TakeLinkDown, type TakeStance, type TidyField, type TopicLocked, type TripBegun, type TripEnded, type TripGroup, type TripMovedOn, type Visit, type VisitStation, type WallSnapshot } from './forms';
import { know } from './kinds';
type Raw = any[]; // What the MessagePack reader gives.

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

export function readAskedToo(raw: Raw): AskedToo {
  return {
    kind: 'askedToo',
    card: raw[0],
    on: raw[1],
    whose: raw[2],
  };
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

export function readBreakSeal(raw: Raw): BreakSeal {
  return {
    kind: 'breakSeal',
    card: raw[0],
    reason: raw[1],
  };
}

export function writeBreakSeal(v: BreakSeal): Raw {
  return [v.card, v.reason];
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
    responses: (raw[17] ?? []).map((x: Raw) => readResponse(x)),
    joined: raw[18] ?? 0,
    from: (raw[19] ?? []),
    poured: raw[20] ?? 0,
    colour: raw[21] ?? 0,
    unsealed: raw[22] ?? '',
    downWhy: raw[23] ?? '',
    removed: raw[24] ?? false,
    locked: raw[25] ?? false,
  };
}

export function readCardColoured(raw: Raw): CardColoured {
  return {
    kind: 'cardColoured',
    card: raw[0],
    colour: raw[1],
    whose: raw[2],
  };
}

export function readCardJoined(raw: Raw): CardJoined {
  return {
    kind: 'cardJoined',
    card: raw[0],
    onto: raw[1],
    whose: raw[2],
  };
}

export function readCardLaid(raw: Raw): CardLaid {
  return {
    kind: 'cardLaid',
    card: raw[0],
    spot: readFieldSpot(raw[1]),
    whose: raw[2],
  };
}

export function readCardLocked(raw: Raw): CardLocked {
  return {
    kind: 'cardLocked',
    card: raw[0],
    on: raw[1],
    whose: raw[2],
  };
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

export function readCardPlaced(raw: Raw): CardPlaced {
  return {
    kind: 'cardPlaced',
    card: raw[0],
    at: raw[1] == null ? null : readLineSpot(raw[1]),
    whose: raw[2],
  };
}

export function readCardPlacedAlone(raw: Raw): CardPlacedAlone {
  return {
    kind: 'cardPlacedAlone',
    card: raw[0],
    at: raw[1] == null ? null : readLineSpot(raw[1]),
  };
}

export function readCardPutBack(raw: Raw): CardPutBack {
  return {
    kind: 'cardPutBack',
    card: readCard(raw[0]),
    links: (raw[1] ?? []).map((x: Raw) => readLink(x)),
  };
}

export function readCardPutUp(raw: Raw): CardPutUp {
  return {
    kind: 'cardPutUp',
    card: readCard(raw[0]),
  };
}

export function readCardRead(raw: Raw): CardRead {
  return {
    kind: 'cardRead',
    card: raw[0],
  };
}

export function readCardRespondedTo(raw: Raw): CardRespondedTo {
  return {
    kind: 'cardRespondedTo',
    card: raw[0],
    stamp: raw[1],
    on: raw[2],
    whose: raw[3],
  };
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

export function readCardSpot(raw: Raw): CardSpot {
  return {
    card: raw[0],
    spot: readFieldSpot(raw[1]),
  };
}

export function writeCardSpot(v: CardSpot): Raw {
  return [v.card, writeFieldSpot(v.spot)];
}

export function readCardTakenDown(raw: Raw): CardTakenDown {
  return {
    kind: 'cardTakenDown',
    id: raw[0],
    whose: raw[1] ?? 0,
    author: raw[2] ?? 0,
    words: raw[3] ?? '',
    removed: raw[4] ?? false,
    by: raw[5] ?? 0,
  };
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
    shifts: raw[6] == null ? null : readStanceShifts(raw[6]),
  };
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

export function readCardsLinked(raw: Raw): CardsLinked {
  return {
    kind: 'cardsLinked',
    link: readLink(raw[0]),
    whose: raw[1],
  };
}

export function readCardsShown(raw: Raw): CardsShown {
  return {
    kind: 'cardsShown',
    plan: readWallPlan(raw[0]),
    cards: raw[1].map((x: Raw) => readCard(x)),
    links: (raw[2] ?? []).map((x: Raw) => readLink(x)),
  };
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

export function readClassUp(raw: Raw): ClassUp {
  return {
    middle: raw[0],
    low: raw[1],
    high: raw[2],
  };
}

export function readColourCard(raw: Raw): ColourCard {
  return {
    kind: 'colourCard',
    card: raw[0],
    colour: raw[1],
  };
}

export function writeColourCard(v: ColourCard): Raw {
  return [v.card, v.colour];
}

export function readEndTrip(_raw: Raw): EndTrip {
  return {
    kind: 'endTrip',
  };
}

export function writeEndTrip(_v: EndTrip): Raw {
  return [];
}

export function readFieldLaid(raw: Raw): FieldLaid {
  return {
    kind: 'fieldLaid',
    spots: raw[0].map((x: Raw) => readCardSpot(x)),
  };
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

export function readGiveReading(raw: Raw): GiveReading {
  return {
    kind: 'giveReading',
    person: raw[0],
    cards: raw[1],
  };
}

export function writeGiveReading(v: GiveReading): Raw {
  return [v.person, v.cards];
}

export function readGiveStarters(raw: Raw): GiveStarters {
  return {
    kind: 'giveStarters',
    person: raw[0],
    starters: raw[1],
  };
}

export function writeGiveStarters(v: GiveStarters): Raw {
  return [v.person, v.starters];
}

export function readJoinCard(raw: Raw): JoinCard {
  return {
    kind: 'joinCard',
    card: raw[0],
    onto: raw[1],
  };
}

export function writeJoinCard(v: JoinCard): Raw {
  return [v.card, v.onto];
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

export function readLayCards(raw: Raw): LayCards {
  return {
    kind: 'layCards',
    spots: raw[0].map((x: Raw) => readCardSpot(x)),
  };
}

export function writeLayCards(v: LayCards): Raw {
  return [v.spots.map((x) => writeCardSpot(x))];
}

export function readLetCardsOut(_raw: Raw): LetCardsOut {
  return {
    kind: 'letCardsOut',
  };
}

export function writeLetCardsOut(_v: LetCardsOut): Raw {
  return [];
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

export function readLinkPutBack(raw: Raw): LinkPutBack {
  return {
    kind: 'linkPutBack',
    link: readLink(raw[0]),
    whose: raw[1],
  };
}

export function readLinkReversed(raw: Raw): LinkReversed {
  return {
    kind: 'linkReversed',
    id: raw[0],
    whose: raw[1],
  };
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

export function readLinkTakenDown(raw: Raw): LinkTakenDown {
  return {
    kind: 'linkTakenDown',
    id: raw[0],
    whose: raw[1],
  };
}

export function readLockCard(raw: Raw): LockCard {
  return {
    kind: 'lockCard',
    card: raw[0],
    on: raw[1],
  };
}

export function writeLockCard(v: LockCard): Raw {
  return [v.card, v.on];
}

export function readLockTopic(raw: Raw): LockTopic {
  return {
    kind: 'lockTopic',
    topic: raw[0],
    on: raw[1],
  };
}

export function writeLockTopic(v: LockTopic): Raw {
  return [v.topic, v.on];
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

export function readMoveOn(raw: Raw): MoveOn {
  return {
    kind: 'moveOn',
    stop: raw[0],
  };
}

export function writeMoveOn(v: MoveOn): Raw {
  return [v.stop];
}

export function readMovingCard(raw: Raw): MovingCard {
  return {
    card: raw[0],
    people: raw[1],
  };
}

export function readOrderHidden(_raw: Raw): OrderHidden {
  return {
    kind: 'orderHidden',
  };
}

export function readOrderShown(raw: Raw): OrderShown {
  return {
    kind: 'orderShown',
    order: readClassOrder(raw[0]),
  };
}

export function readOwnPlace(raw: Raw): OwnPlace {
  return {
    person: raw[0],
    card: raw[1],
    at: readLineSpot(raw[2]),
  };
}

export function readOwnStarters(raw: Raw): OwnStarters {
  return {
    person: raw[0],
    starters: raw[1],
  };
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

export function readPlacingState(raw: Raw): PlacingState {
  return {
    own: raw[0].map((x: Raw) => readOwnPlace(x)),
    shown: raw[1] == null ? null : readClassOrder(raw[1]),
  };
}

export function readPlanSet(raw: Raw): PlanSet {
  return {
    kind: 'planSet',
    plan: readWallPlan(raw[0]),
    laid: (raw[1] ?? []).map((x: Raw) => readCardSpot(x)),
  };
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

export function readPutLinkBack(raw: Raw): PutLinkBack {
  return {
    kind: 'putLinkBack',
    id: raw[0],
  };
}

export function writePutLinkBack(v: PutLinkBack): Raw {
  return [v.id];
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
    onto: raw[8] ?? 0,
    from: (raw[9] ?? []),
    poured: raw[10] ?? 0,
  };
}

export function writePutUpCard(v: PutUpCard): Raw {
  const raw: Raw = [v.id, v.topic, v.language, v.text];
  if (v.attachments.length > 0 || v.for || v.spot != null || v.beside || v.onto || v.from.length > 0 || v.poured) raw.push(v.attachments.length > 0 ? v.attachments.map((x) => writeAttachment(x)) : null);
  if (v.for || v.spot != null || v.beside || v.onto || v.from.length > 0 || v.poured) raw.push(v.for);
  if (v.spot != null || v.beside || v.onto || v.from.length > 0 || v.poured) raw.push(v.spot && writeFieldSpot(v.spot), v.beside);
  if (v.onto || v.from.length > 0 || v.poured) raw.push(v.onto, v.from.length > 0 ? v.from : null);
  if (v.poured) raw.push(v.poured);
  return raw;
}

export function readQuestionFiled(raw: Raw): QuestionFiled {
  return {
    kind: 'questionFiled',
    card: raw[0],
    answer: raw[1],
    whose: raw[2],
  };
}

export function readReadCard(raw: Raw): ReadCard {
  return {
    kind: 'readCard',
    card: raw[0],
  };
}

export function writeReadCard(v: ReadCard): Raw {
  return [v.card];
}

export function readReadingGiven(raw: Raw): ReadingGiven {
  return {
    kind: 'readingGiven',
    person: raw[0],
    cards: raw[1],
  };
}

export function readReadingList(raw: Raw): ReadingList {
  return {
    person: raw[0],
    cards: raw[1],
    read: raw[2],
  };
}

export function readRespondToCard(raw: Raw): RespondToCard {
  return {
    kind: 'respondToCard',
    card: raw[0],
    stamp: raw[1],
    on: raw[2],
  };
}

export function writeRespondToCard(v: RespondToCard): Raw {
  return [v.card, v.stamp, v.on];
}

export function readResponse(raw: Raw): Response {
  return {
    stamp: raw[0],
    people: raw[1],
    byStaff: raw[2],
  };
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

export function readRoundTrip(raw: Raw): RoundTrip {
  return {
    groups: raw[0].map((x: Raw) => readTripGroup(x)),
    stop: raw[1],
  };
}

export function readSealBroken(raw: Raw): SealBroken {
  return {
    kind: 'sealBroken',
    card: raw[0],
    reason: raw[1],
    author: raw[2],
  };
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

export function readShowOrder(raw: Raw): ShowOrder {
  return {
    kind: 'showOrder',
    on: raw[0],
  };
}

export function writeShowOrder(v: ShowOrder): Raw {
  return [v.on];
}

export function readStance(raw: Raw): Stance {
  return {
    person: raw[0],
    first: raw[1],
    second: raw[2],
    moved: raw[3],
  };
}

export function readStanceShifts(raw: Raw): StanceShifts {
  return {
    table: raw[0],
    cards: raw[1].map((x: Raw) => readMovingCard(x)),
  };
}

export function readStanceTaken(raw: Raw): StanceTaken {
  return {
    kind: 'stanceTaken',
    stage: raw[0],
    at: raw[1],
    moved: raw[2],
  };
}

export function readStancesState(raw: Raw): StancesState {
  return {
    stage: raw[0],
    own: raw[1].map((x: Raw) => readStance(x)),
    shown: raw[2] == null ? null : readStanceShifts(raw[2]),
  };
}

export function readStancesSteered(raw: Raw): StancesSteered {
  return {
    kind: 'stancesSteered',
    stage: raw[0],
    shifts: raw[1] == null ? null : readStanceShifts(raw[1]),
  };
}

export function readStartersGiven(raw: Raw): StartersGiven {
  return {
    kind: 'startersGiven',
    person: raw[0],
    starters: raw[1],
  };
}

export function readStationVisited(raw: Raw): StationVisited {
  return {
    kind: 'stationVisited',
    station: raw[0],
  };
}

export function readSteerStances(raw: Raw): SteerStances {
  return {
    kind: 'steerStances',
    stage: raw[0],
  };
}

export function writeSteerStances(v: SteerStances): Raw {
  return [v.stage];
}

export function readTakeCardDown(raw: Raw): TakeCardDown {
  return {
    kind: 'takeCardDown',
    id: raw[0],
    words: raw[1] ?? '',
    removes: raw[2] ?? false,
    asItsAuthor: raw[3] ?? false,
  };
}

export function writeTakeCardDown(v: TakeCardDown): Raw {
  const raw: Raw = [v.id];
  if (v.words || v.removes || v.asItsAuthor) raw.push(v.words, v.removes);
  if (v.asItsAuthor) raw.push(v.asItsAuthor);
  return raw;
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

export function readTakeStance(raw: Raw): TakeStance {
  return {
    kind: 'takeStance',
    at: raw[0],
    moved: raw[1],
  };
}

export function writeTakeStance(v: TakeStance): Raw {
  return [v.at, v.moved];
}

export function readTidyField(_raw: Raw): TidyField {
  return {
    kind: 'tidyField',
  };
}

export function writeTidyField(_v: TidyField): Raw {
  return [];
}

export function readTopicLocked(raw: Raw): TopicLocked {
  return {
    kind: 'topicLocked',
    topic: raw[0],
    on: raw[1],
  };
}

export function readTripBegun(raw: Raw): TripBegun {
  return {
    kind: 'tripBegun',
    groups: raw[0].map((x: Raw) => readTripGroup(x)),
  };
}

export function readTripEnded(_raw: Raw): TripEnded {
  return {
    kind: 'tripEnded',
  };
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

export function readTripMovedOn(raw: Raw): TripMovedOn {
  return {
    kind: 'tripMovedOn',
    stop: raw[0],
  };
}

export function readVisit(raw: Raw): Visit {
  return {
    person: raw[0],
    stations: raw[1],
    now: raw[2],
  };
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
    reading: raw[11].map((x: Raw) => readReadingList(x)),
    stances: readStancesState(raw[12]),
    starters: raw[13].map((x: Raw) => readOwnStarters(x)),
    concerns: raw[14].map((x: Raw) => readConcern(x)),
  };
}

know({
  readCommand: {
    40: readPutUpCard,
    41: readRewordCard,
    42: readMoveCard,
    43: readTakeCardDown,
    44: readPutCardBack,
    45: readSetPlan,
    53: readAskToo,
    54: readFileQuestion,
    55: readBeginTrip,
    56: readMoveOn,
    57: readEndTrip,
    58: readVisitStation,
    59: readPlaceCard,
    60: readShowOrder,
    61: readLinkCards,
    62: readRewordLink,
    63: readReverseLink,
    64: readTakeLinkDown,
    65: readPutLinkBack,
    66: readLayCard,
    67: readTidyField,
    68: readLayCards,
    69: readLetCardsOut,
    70: readRespondToCard,
    71: readJoinCard,
    72: readGiveReading,
    73: readReadCard,
    74: readTakeStance,
    75: readSteerStances,
    76: readColourCard,
    77: readBreakSeal,
    80: readGiveStarters,
    109: readLockCard,
    110: readLockTopic,
  },
  readRoomEvent: {
    70: readCardPutUp,
    71: readCardReworded,
    72: readCardMoved,
    73: readCardTakenDown,
    74: readCardPutBack,
    75: readPlanSet,
    76: readCardsBrought,
    77: readCardsShown,
    85: readAskedToo,
    86: readQuestionFiled,
    87: readTripBegun,
    88: readTripMovedOn,
    89: readTripEnded,
    90: readStationVisited,
    91: readCardPlaced,
    92: readCardPlacedAlone,
    93: readOrderShown,
    94: readOrderHidden,
    95: readCardsLinked,
    96: readLinkReworded,
    97: readLinkReversed,
    98: readLinkTakenDown,
    99: readLinkPutBack,
    100: readCardLaid,
    101: readFieldLaid,
    102: readCardsLetOut,
    103: readCardRespondedTo,
    104: readCardJoined,
    105: readReadingGiven,
    106: readCardRead,
    107: readStanceTaken,
    108: readStancesSteered,
    109: readCardColoured,
    110: readSealBroken,
    113: readStartersGiven,
    143: readCardLocked,
    144: readTopicLocked,
  },
  readRoomSnapshot: {
    4: readWallSnapshot,
  },
  writeCommand: {
    putUpCard: [40, writePutUpCard],
    rewordCard: [41, writeRewordCard],
    moveCard: [42, writeMoveCard],
    takeCardDown: [43, writeTakeCardDown],
    putCardBack: [44, writePutCardBack],
    setPlan: [45, writeSetPlan],
    askToo: [53, writeAskToo],
    fileQuestion: [54, writeFileQuestion],
    beginTrip: [55, writeBeginTrip],
    moveOn: [56, writeMoveOn],
    endTrip: [57, writeEndTrip],
    visitStation: [58, writeVisitStation],
    placeCard: [59, writePlaceCard],
    showOrder: [60, writeShowOrder],
    linkCards: [61, writeLinkCards],
    rewordLink: [62, writeRewordLink],
    reverseLink: [63, writeReverseLink],
    takeLinkDown: [64, writeTakeLinkDown],
    putLinkBack: [65, writePutLinkBack],
    layCard: [66, writeLayCard],
    tidyField: [67, writeTidyField],
    layCards: [68, writeLayCards],
    letCardsOut: [69, writeLetCardsOut],
    respondToCard: [70, writeRespondToCard],
    joinCard: [71, writeJoinCard],
    giveReading: [72, writeGiveReading],
    readCard: [73, writeReadCard],
    takeStance: [74, writeTakeStance],
    steerStances: [75, writeSteerStances],
    colourCard: [76, writeColourCard],
    breakSeal: [77, writeBreakSeal],
    giveStarters: [80, writeGiveStarters],
    lockCard: [109, writeLockCard],
    lockTopic: [110, writeLockTopic],
  },
});
