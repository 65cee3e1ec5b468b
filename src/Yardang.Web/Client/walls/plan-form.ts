// What is planned for a wall, in a form: the question, the topics, what each student may and owes. What it says in other languages stays.

import type { PictureUploads } from '../media/picture-uploads';
import type { Attachment, PictureAttachment, Stimulus } from '../wire/forms';
import { titleOfFile } from '../media/picture-uploads';
import { LONGEST_TITLE } from '../media/send-stimulus';
import { addressIn } from '../media/web-address';
import { hidesNames, isSealed } from '../room/letting-out';
import { ownFirstItself } from '../room/lesson-holds';
import { COLOURS, NOWHERE, type Topic, type WallPlan } from '../room/wall-state';
import { textIn } from '../surface/in-language';
import { fieldFormOf } from './field-form';
import { givenFormOf } from './given-form';
import { judgingFormOf } from './judging-form';
import { lineFormOf } from './line-form';
import { mapFormOf } from './map-form';
import { stancesFormOf } from './stances-form';
import { responsesFormOf } from './responses-form';
import { NamesTo, Purpose, StimulusKind } from '../wire/forms';

export interface TopicForm {
  readonly id: number;
  heading: string;
  prompt: string;
  colour: number;
  /** Who writes there, by actor number; empty for everybody. */
  only: readonly number[];
  /** What a station shows. */
  shown: readonly Attachment[];
  stimulus: Stimulus | null;
  /** What is typed of an address to open. */
  link: string;
}

/** A topic, or a card to begin with. */
interface Showing {
  shown: readonly Attachment[];
}

const MOST_TOPICS = 60;
const MOST_STARTERS = 20;
const LONGEST_STARTER = 120;
const MOST_SHOWN = 4;
const LONGEST_PROMPT = 1000;
const MOST_CARDS = 400;

/** Of several in a row, each another one. */
const colourFor = (topics: readonly TopicForm[]) =>
  [...Array(COLOURS).keys()].find((c) => !topics.some((t) => t.colour === c)) ?? topics.length % COLOURS;

/** Where a map is sent, and where it is found again. */
export interface MapDesk {
  readonly uploads: PictureUploads;
  address(media: string): string;
  /** Takes a film or sound in; null if none is taken here, or it was not taken, which is said. */
  takeStimulus(file: File): Promise<Stimulus | null>;
}

/**
 * @param newId a number that nothing else has.
 * @param maps where a map goes.
 * @param changed something was typed or pressed: `typed` is still going on.
 */
export function planFormOf(
  language: string,
  newId: () => number,
  maps: () => MapDesk,
  changed: (typed: boolean) => void,
) {
  let base: WallPlan | null = null;
  let form: { sending: number };

  async function send(file: File): Promise<PictureAttachment | null> {
    form.sending++;
    const taken = await maps().uploads.take(file);
    form.sending--;
    const { media, width, height } = taken ?? { media: '', width: 0, height: 0 };
    return taken ? { kind: 'picture', media, width, height, description: titleOfFile(file).slice(0, 200) } : null;
  }

  return {
    purpose: Purpose.Sort as Purpose,
    question: '',
    topics: [] as TopicForm[],
    least: 0,
    most: 0,
    /** Whether these numbers count under each topic. */
    perTopic: false,
    mostAnswers: 0,
    voiceSeconds: 60,
    mostJudged: 0,
    /** How sentences may begin, a line for each. */
    starters: '',
    /** Who is here, where the wall runs already: some topics may be for some of them only. */
    people: [] as readonly { readonly number: number; readonly name: string }[],
    ownFirst: false,
    answers: false,
    /** What students may show beside their words: Core's AttachmentKinds. */
    shows: 0,
    judging: judgingFormOf(language, changed),
    responses: responsesFormOf(language, changed),
    stances: stancesFormOf(language, changed),
    map: mapFormOf(maps, changed),
    /** At how many stations each says something, at least. */
    stations: 0,
    /** Whether only teachers put up cards. */
    onlyGiven: false,
    /** Whether students do not see whose a card is. */
    hidesNames: false,
    /** Whether teachers do not see it either; and whether that cannot be changed any more. */
    isSealed: false,
    mayNotSeal: false,
    /** Whether anybody may move any card. */
    anyMoves: false,
    /** Whether cards are answered by one strength and one question. */
    inPairs: false,
    /** How many cards of others each is asked to answer; 0 for no number. */
    leastAnswers: 0,
    /** Of how many cards of others each is asked to say something; 0 for no number. */
    leastJudged: 0,
    /** Whether cards like the one that is being typed are shown. */
    saidAlready: false,
    /** Whether students may name the cards from which theirs grew. */
    buildsOn: false,
    /** Whether names were hidden while students wrote: then that stays. */
    namesStayHidden: false,
    line: lineFormOf(language, changed),
    field: fieldFormOf(language, newId, maps, changed),
    given: givenFormOf(language, send, changed),
    /** How many pictures are on their way. */
    sending: 0,

    /** Shows a plan. A topic that stays is the same line: who is typing in it goes on. */
    show(plan: WallPlan): void {
      base = plan;
      form = this;
      this.purpose = plan.purpose;
      this.question = textIn(plan.question, [language], language);
      this.least = plan.rules.least;
      this.most = plan.rules.most;
      this.ownFirst = ownFirstItself(plan);
      this.answers = plan.rules.answers;
      this.shows = plan.rules.shows;
      this.judging.show(plan.rules.judging);
      this.responses.show(plan.rules.responses);
      this.stances.show(plan.rules.stances);
      this.map.show(plan.map);
      this.stations = plan.rules.stations;
      this.onlyGiven = plan.rules.onlyGiven;
      this.hidesNames = hidesNames(plan);
      this.isSealed = isSealed(plan);
      this.anyMoves = plan.rules.anyMoves;
      this.inPairs = plan.rules.inPairs;
      this.leastAnswers = plan.rules.leastAnswers;
      this.leastJudged = plan.rules.leastJudged;
      this.perTopic = plan.rules.perTopic;
      this.mostAnswers = plan.rules.mostAnswers;
      this.voiceSeconds = plan.rules.voiceSeconds;
      this.mostJudged = plan.rules.mostJudged;
      const starters = plan.rules.starters.map((s) => textIn(s, [language], language)).join('\n');
      // What is being typed has empty lines, perhaps.
      if (linesOf(this.starters).join('\n') !== starters) this.starters = starters;
      this.saidAlready = plan.rules.saidAlready;
      this.buildsOn = plan.rules.buildsOn;
      this.line.show(plan.line);
      this.field.show(plan.field);
      this.given.show(plan.givenCards);
      const links = new Map(this.topics.map((t) => [t.id, t.link]));
      this.topics = plan.topics.map((t) => ({
        shown: t.shown,
        stimulus: t.stimulus,
        link: links.get(t.id) ?? '',
        id: t.id,
        heading: textIn(t.heading, [language], language),
        prompt: textIn(t.prompt, [language], language),
        colour: t.colour,
        only: t.only,
      }));
    },

    /** What the form says; what it does not show stays as it was. */
    get plan(): WallPlan {
      const said = (all: Record<string, string> | undefined, text: string) => {
        const before = all ?? {};
        // What is read in another language because it was never written in this one has not been written by showing it.
        if (text === textIn(before, [language], language)) return before;
        const rest = Object.fromEntries(Object.entries(before).filter(([l]) => l !== language));
        return text.trim() ? { ...rest, [language]: text } : rest;
      };
      const before = (id: number): Topic | undefined => base?.topics.find((t) => t.id === id);
      return {
        purpose: this.purpose,
        question: said(base?.question, this.question),
        topics: this.topics.map((t) => ({
          id: t.id,
          heading: said(before(t.id)?.heading, t.heading),
          prompt: said(before(t.id)?.prompt, t.prompt),
          colour: t.colour,
          shown: t.shown,
          stimulus: t.stimulus,
          // What was written without names must not tell whose it is.
          only: this.hidesNames ? [] : t.only,
          locked: false,
        })),
        rules: {
          least: this.least,
          most: this.most,
          perTopic: this.perTopic,
          ownFirst: this.ownFirst,
          held: 0,
          locked: false,
          answers: this.answers,
          shows: this.shows,
          judging: this.judging.plan(base?.rules.judging ?? null, said),
          responses: this.responses.plan(base?.rules.responses ?? [], said),
          stations: this.stations,
          onlyGiven: this.onlyGiven,
          names: !this.hidesNames ? NamesTo.Everybody : this.isSealed ? NamesTo.Nobody : NamesTo.Teachers,
          anyMoves: this.anyMoves,
          inPairs: this.inPairs && this.answers && !this.isAsk,
          leastAnswers: this.answers ? this.leastAnswers : 0,
          leastJudged: this.judging.kind > 0 ? this.leastJudged : 0,
          mostAnswers: this.answers ? atLeast(this.mostAnswers, this.leastAnswers) : 0,
          voiceSeconds: this.voiceSeconds,
          starters: linesOf(this.starters).map((line, i) => said(base?.rules.starters[i], line)),
          mostJudged: this.judging.kind > 0 ? atLeast(this.mostJudged, this.leastJudged) : 0,
          saidAlready: this.saidAlready,
          buildsOn: this.buildsOn,
          stances: this.stances.plan(base?.rules.stances ?? [], said),
        },
        map: this.map.picture,
        line: this.isOrder ? this.line.plan(base?.line ?? null, said) : (base?.line ?? null),
        field: this.isConnect ? this.field.plan(base?.field ?? null, said) : (base?.field ?? null),
        givenCards: this.given.cards(base?.givenCards ?? [], said, this.topics),
      };
    },

    get isAsk(): boolean {
      return this.purpose === Purpose.Ask;
    },

    get isVisit(): boolean {
      return this.purpose === Purpose.Visit;
    },

    get isSort(): boolean {
      return this.purpose === Purpose.Sort;
    },

    get isOrder(): boolean {
      return this.purpose === Purpose.Order;
    },

    get isConnect(): boolean {
      return this.purpose === Purpose.Connect;
    },

    /** Whether cards stand under topics, or at stations. */
    get hasTopics(): boolean {
      return this.isSort || this.isVisit;
    },

    /** Questions are for all to answer, and are not judged; what is ordered is given, to begin with. */
    setPurpose(value: string): void {
      this.purpose = Number(value);
      this.onlyGiven = this.isOrder;
      if (this.isAsk) this.answers = true;
      if (!this.hasTopics) this.judging.kind = 0;
      changed(false);
    },

    /** What will be done, with the teacher's own question in it. */
    sample(words: string, example: string): string {
      return words.replace('{0}', this.question.trim() || example);
    },

    get isFull(): boolean {
      return this.topics.length >= MOST_TOPICS;
    },

    /** Whether it says what cannot be. */
    get isWrong(): boolean {
      return this.owesTooMuch || (this.isOrder && this.line.isBackwards);
    },

    /** Whether more is asked for than each may put up. */
    get owesTooMuch(): boolean {
      return this.most > 0 && this.least > this.most;
    },

    typed(): void {
      changed(true);
    },

    setLeast(value: string): void {
      this.least = numberIn(value);
      changed(false);
    },

    setMost(value: string): void {
      this.most = numberIn(value);
      changed(false);
    },

    setOwnFirst(on: boolean): void {
      this.ownFirst = on;
      changed(false);
    },

    setHidesNames(on: boolean): void {
      this.hidesNames = on;
      if (!on) this.isSealed = false;
      changed(false);
    },

    setSealed(on: boolean): void {
      this.isSealed = on;
      changed(false);
    },

    setPerTopic(on: boolean): void {
      this.perTopic = on;
      changed(false);
    },

    setStarters(value: string): void {
      this.starters = value;
      changed(false);
    },

    setMostAnswers(value: string): void {
      this.mostAnswers = numberIn(value);
      changed(false);
    },

    /** From ten seconds to three minutes. */
    setVoiceSeconds(value: string): void {
      this.voiceSeconds = Math.min(180, Math.max(10, numberIn(value) || 60));
      changed(false);
    },

    setMostJudged(value: string): void {
      this.mostJudged = numberIn(value);
      changed(false);
    },

    /** Somebody of those who are here writes under a topic, or does not. */
    setOnly(topic: { only: readonly number[] }, person: number, on: boolean): void {
      const others = topic.only.filter((p) => p !== person);
      topic.only = on ? [...others, person].sort((a, b) => a - b) : others;
      changed(false);
    },

    /** Who writes under a topic, in words. */
    onlyWords(topic: { only: readonly number[] }, all: string, some: string, one: string): string {
      const { length } = topic.only;
      return length === 0 ? all : length === 1 ? one : some.replace('{0}', String(length));
    },

    setLeastJudged(value: string): void {
      this.leastJudged = numberIn(value);
      changed(false);
    },

    setLeastAnswers(value: string): void {
      this.leastAnswers = numberIn(value);
      changed(false);
    },

    setInPairs(on: boolean): void {
      this.inPairs = on;
      changed(false);
    },

    setSaidAlready(on: boolean): void {
      this.saidAlready = on;
      changed(false);
    },

    setBuildsOn(on: boolean): void {
      this.buildsOn = on;
      changed(false);
    },

    setAnyMoves(on: boolean): void {
      this.anyMoves = on;
      changed(false);
    },

    setAnswers(on: boolean): void {
      this.answers = on;
      changed(false);
    },

    maySee(kind: number): boolean {
      return (this.shows & kind) !== 0;
    },

    setShows(kind: number, on: boolean): void {
      this.shows = on ? this.shows | kind : this.shows & ~kind;
      changed(false);
    },

    setOnlyGiven(on: boolean): void {
      this.onlyGiven = on;
      // Who may put up nothing owes nothing.
      if (on) this.least = this.most = 0;
      changed(false);
    },

    /** Whether the question is too long to be read from the last row: Core's Legibility. */
    isQuestionLong(letters: string, most: string): boolean {
      const lines = this.question.split('\n').map((l) => Math.max(1, Math.ceil(l.length / Number(letters))));
      return this.question.trim() !== '' && lines.reduce((sum, l) => sum + l, 0) > Number(most);
    },

    setStations(value: string): void {
      this.stations = Math.min(MOST_TOPICS, numberIn(value));
      changed(false);
    },

    /** The picture of a station, as an address; empty for none. */
    pictureOf(topic: Showing): string {
      const picture = topic.shown.find((a) => a.kind === 'picture');
      return picture ? maps().address(picture.media) : '';
    },

    descriptionOf(topic: Showing): string {
      return topic.shown.find((a) => a.kind === 'picture')?.description ?? '';
    },

    async takePicture(topic: TopicForm, event: Event): Promise<void> {
      const input = event.target as HTMLInputElement;
      const file = input.files?.[0];
      const picture = file ? await send(file) : null;
      input.value = '';
      const there = this.topics.find((t) => t.id === topic.id);
      if (!picture || !there) return;
      there.shown = [picture, ...there.shown.filter((a) => a.kind !== 'picture')];
      changed(false);
    },

    /** Earlier work is shown at a station. */
    showEarlier(id: number, { words, shown }: { words: string; shown: readonly Attachment[] }): void {
      const topic = this.topics.find((t) => t.id === id);
      if (!topic) return;
      if (words) topic.prompt = [topic.prompt, words].filter(Boolean).join('\n').slice(0, LONGEST_PROMPT);
      const rest = topic.shown.filter((a) => a.kind !== 'picture' || !shown.some((s) => s.kind === 'picture'));
      topic.shown = [...shown, ...rest].slice(0, MOST_SHOWN);
      changed(false);
    },

    /** How much is shown at a station beside its picture. */
    besidePicture(topic: Showing): number {
      return topic.shown.filter((a) => a !== topic.shown.find((b) => b.kind === 'picture')).length;
    },

    removeBeside(topic: Showing): void {
      const picture = topic.shown.find((a) => a.kind === 'picture');
      topic.shown = picture ? [picture] : [];
      changed(false);
    },

    describePicture(topic: Showing, words: string): void {
      topic.shown = topic.shown.map((a) => (a.kind === 'picture' ? { ...a, description: words } : a));
      changed(true);
    },

    removePicture(topic: Showing): void {
      topic.shown = topic.shown.filter((a) => a.kind !== 'picture');
      changed(false);
    },

    /** A station for each picture that was chosen or dropped, in their order. */
    async stationsFrom(files: FileList | null | undefined): Promise<void> {
      for (const file of [...(files ?? [])].slice(0, MOST_TOPICS - this.topics.length)) {
        const picture = await send(file);
        if (!picture || this.isFull) continue;
        const id = this.add(picture.description);
        this.topics.find((t) => t.id === id)!.shown = [picture];
        changed(false);
      }
    },

    async takeStimulus(topic: TopicForm, event: Event): Promise<void> {
      const input = event.target as HTMLInputElement;
      const file = input.files?.[0];
      this.sending++;
      const stimulus = file ? await maps().takeStimulus(file) : null;
      this.sending--;
      input.value = '';
      const there = this.topics.find((t) => t.id === topic.id);
      if (!stimulus || !there) return;
      there.stimulus = stimulus;
      changed(false);
    },

    isAddress(typed: string): boolean {
      return addressIn(typed) !== null;
    },

    setLink(topic: TopicForm): void {
      const address = addressIn(topic.link);
      if (!address) return;
      topic.stimulus = {
        kind: StimulusKind.Link,
        source: address.href,
        title: address.hostname.slice(0, LONGEST_TITLE),
      };
      topic.link = '';
      changed(false);
    },

    retitle(topic: TopicForm, title: string): void {
      if (topic.stimulus) topic.stimulus = { ...topic.stimulus, title: title.slice(0, LONGEST_TITLE) };
      changed(true);
    },

    removeStimulus(topic: TopicForm): void {
      topic.stimulus = null;
      changed(false);
    },

    add(heading = '', prompt = ''): number {
      let id = newId();
      while (id === NOWHERE || this.topics.some((t) => t.id === id)) id = newId();
      this.topics.push({
        id,
        heading,
        prompt,
        colour: colourFor(this.topics),
        shown: [],
        stimulus: null,
        link: '',
        only: [],
      });
      changed(false);
      return id;
    },

    addAll(topics: readonly { title: string; directions: string }[]): void {
      for (const { title, directions } of topics.slice(0, MOST_TOPICS - this.topics.length))
        this.add(title, directions);
    },

    move(at: number, by: number): void {
      const [topic] = this.topics.splice(at, 1);
      if (topic) this.topics.splice(at + by, 0, topic);
      changed(false);
    },

    remove(at: number): void {
      this.topics.splice(at, 1);
      changed(false);
    },

    paint(at: number): void {
      const topic = this.topics[at];
      if (topic) topic.colour = (topic.colour + 1) % COLOURS;
      changed(false);
    },
  };
}

/** How sentences may begin, as they are typed. */
export function linesOf(text: string): string[] {
  const lines = text.split('\n').map((line) => line.trim().slice(0, LONGEST_STARTER));
  return lines.filter((line) => line !== '').slice(0, MOST_STARTERS);
}

/** No fewer than are asked for; 0 for no number. */
function atLeast(most: number, least: number): number {
  return most === 0 ? 0 : Math.max(most, least);
}

/** A number of cards that was typed; 0 for none. */
function numberIn(value: string): number {
  const typed = Math.floor(Number(value));
  return Number.isFinite(typed) ? Math.min(MOST_CARDS, Math.max(0, typed)) : 0;
}
