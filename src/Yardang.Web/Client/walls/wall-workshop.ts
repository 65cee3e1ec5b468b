// The workshop for walls: the question, the topics and what each may and owes, written where they will stand. Everything is kept as it is typed.

import Alpine from '@alpinejs/csp';
import { stepsOf } from '../editor/steps';
import { PictureUploads } from '../media/picture-uploads';
import { sendStimulus } from '../media/send-stimulus';
import type { Stimulus } from '../wire/forms';
import { fill, pageData } from '../page-data';
import { Connection, type Link, reloadSoon } from '../room/connection';
import { Property } from '../room/marks';
import { deviceOutbox } from '../room/outbox-store';
import { Draft } from '../workshop/draft';
import { type OutlinePage, outlineOf } from '../workshop/outline';
import { type PartTexts, partsOf } from '../workshop/parts';
import { type PlannedTexts, plannedPhases } from '../workshop/planned-phases';
import { placesToFill } from '../workshop/places-to-fill';
import { type LanguageTexts, translationsOf } from '../workshop/translations';
import { trialBeside } from '../workshop/trial';
import { writtenOf } from '../workshop/written';
import { earlierWork, type Shown } from './earlier-work';
import { planFormOf } from './plan-form';

interface WallWorkshopData {
  readonly activity: string;
  readonly me: { readonly number: number; readonly isStaff: boolean };
  readonly draft: string;
  /** The part that is made here. */
  readonly part: number;
  readonly who: string;
  readonly language: string;
  readonly texts: LanguageTexts &
    PartTexts &
    PlannedTexts & {
      kept: string;
      sending: string;
      keptHere: string;
      opening: string;
      refusedOther: string;
      topicsDo: string;
      blanks: string;
      pictureAway: string;
      earlierAway: string;
      earlierPage: string;
    };
}

/** What takes what an outline says. */
interface Listing {
  addAll(found: readonly OutlinePage[]): void;
}

const TYPING_PAUSE_MS = 600;
const FRAMES_TO_SEE = 60;

Alpine.data('wallWorkshop', () => {
  const data = pageData<WallWorkshopData>();
  const { texts, language } = data;
  let draft: Draft;
  let typing: ReturnType<typeof setTimeout> | null = null;
  let uploads: PictureUploads;
  let finishTyping: () => void = () => undefined;
  let workshop: {
    changed(isTyping: boolean): void;
    takeStimulus(file: File): Promise<Stimulus | null>;
    readonly form: Listing & {
      readonly hasTopics: boolean;
      readonly given: Listing;
      showEarlier(topic: number, what: Shown): void;
    };
  };
  const theDraft = () => draft;
  const dialog = (name: string) => document.querySelector<HTMLDialogElement>(`dialog[x-ref="${name}"]`)!;
  const token = document.querySelector<HTMLElement>('[data-token]')?.dataset['token'] ?? '';

  return {
    written: writtenOf(theDraft, language),
    steps: stepsOf(theDraft, () => finishTyping()),
    translations: translationsOf(theDraft, () => dialog('languages'), language, texts),
    blanks: placesToFill(
      theDraft,
      () => dialog('fillIns'),
      (count) => fill(texts.blanks, count),
    ),
    parts: partsOf(theDraft, data.activity, data.part, language, texts),
    phases: plannedPhases(theDraft, language, () => dialog('phases'), texts),
    trial: trialBeside(data.activity, data.part),
    form: planFormOf(
      language,
      () => draft.newId(),
      () => ({
        uploads,
        address: (media) => `/rooms/${data.draft}/media/${media}`,
        takeStimulus: (file) => workshop.takeStimulus(file),
      }),
      (isTyping) => workshop.changed(isTyping),
    ),
    earlier: earlierWork(
      () => uploads,
      () => dialog('earlier'),
      (topic, what) => workshop.form.showEarlier(topic, what),
      language,
      texts,
    ),
    outline: outlineOf(
      (found) => (workshop.form.hasTopics ? workshop.form : workshop.form.given).addAll(found),
      () => dialog('outline').close(),
      texts.topicsDo,
      token,
    ),
    link: 'connecting' as Link,
    waiting: 0,
    opened: false,
    notice: '',

    init(): void {
      workshop = this;
      const root = this.$root as HTMLElement;
      uploads = new PictureUploads(
        `/rooms/${data.draft}/media`,
        token,
        (words) => (this.notice = words),
        texts.pictureAway,
      );
      const connection = new Connection('', (link) => (this.link = link));
      draft = new Draft(data.draft, connection, deviceOutbox(data.who, data.draft), data.me, {
        changed: () => this.refresh(),
        refused: () => {
          this.notice = texts.refusedOther;
          this.showPlan();
        },
        applied: () => this.trial.renew(),
      });
      finishTyping = () => {
        this.written.keep();
        this.parts.keep();
        this.phases.keep();
        this.keepPlan();
      };
      window.addEventListener('pagehide', finishTyping);
      // Whoever goes on to something else has finished typing.
      root.addEventListener('focusout', finishTyping);
      void this.enter(connection).catch(reloadSoon);
    },

    async enter(connection: Connection): Promise<void> {
      await Promise.all([connection.start(), connection.enter(draft.client, true)]);
      this.opened = true;
      await draft.client.recover();
      this.showPlan();
      this.refresh();
      // The ready check leads to what it found: the address says to what.
      const place = location.hash.slice(1);
      if (place === 'fill-ins') this.blanks.open();
      else if (place) await focusOnceSeen(place);
    },

    get plan() {
      return draft.sheets.parts.find((p) => p.number === data.part)?.wall ?? null;
    },

    showPlan(): void {
      if (this.plan) this.form.show(this.plan);
    },

    async takeStimulus(file: File): Promise<Stimulus | null> {
      const { stimulus, fault } = await sendStimulus(`/rooms/${data.draft}/stimulus`, token, file, texts.pictureAway);
      this.notice = fault;
      return stimulus;
    },

    /** Typing is kept at its first pause, a press at once. */
    changed(isTyping: boolean): void {
      if (typing) clearTimeout(typing);
      typing = setTimeout(() => this.keepPlan(), isTyping ? TYPING_PAUSE_MS : 0);
    },

    keepPlan(): void {
      if (!typing) return;
      clearTimeout(typing);
      typing = null;
      const before = this.plan;
      if (!draft.client.client || !before) return;
      // It is said beside the numbers what is wrong with them: until it is mended, those from before stay.
      const plan = this.form.owesTooMuch ? { ...this.form.plan, rules: before.rules } : this.form.plan;
      const { parts } = draft.sheets;
      draft.change({
        property: Property.Parts,
        target: 0,
        value: parts.map((p) => (p.number === data.part ? { ...p, wall: plan } : p)),
      });
    },

    refresh(): void {
      if (!draft) return;
      this.steps.refresh();
      this.written.refresh(undefined);
      this.parts.refresh();
      this.phases.refresh();
      this.blanks.refresh();
      if (this.translations.other) this.translations.refresh();
      this.waiting = draft.client.waiting;
      if (this.opened && !typing && !this.form.isWrong) this.showPlan();
    },

    get keptText(): string {
      if (!this.opened) return texts.opening;
      if (this.link === 'lost') return texts.keptHere;
      return this.waiting > 0 ? texts.sending : texts.kept;
    },

    get keptState(): string {
      if (!this.opened) return 'sending';
      return this.link === 'lost' ? 'here' : this.waiting > 0 ? 'sending' : 'kept';
    },

    addTopic(): void {
      const id = this.form.add();
      void this.$nextTick(() => document.getElementById(`heading-${id}`)?.focus());
    },

    addGiven(): void {
      const id = this.form.given.add();
      void this.$nextTick(() => document.getElementById(`given-${id}`)?.focus());
    },

    openDialog(name: string): void {
      dialog(name).showModal();
    },

    closeDialog(name: string): void {
      dialog(name).close();
    },
  };
});

/** What the plan shows only with a rule of it comes into sight a moment after the plan. */
async function focusOnceSeen(id: string): Promise<void> {
  for (let frame = 0; frame < FRAMES_TO_SEE; frame++) {
    await new Promise(requestAnimationFrame);
    const field = document.getElementById(id);
    field?.focus();
    if (field && document.activeElement === field) return;
  }
}
