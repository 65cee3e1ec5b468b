// The workshop: the page being made in the middle, the order of pages as a written list, and what is being made now as a strip of words.
// Everything is kept as it is typed.

import Alpine from '@alpinejs/csp';
import { chosenOf } from '../editor/chosen';
import { Editor } from '../editor/editor';
import { formulaMarks } from '../editor/formula-marks';
import { MarkList, type MarkListTexts } from '../editor/mark-list';
import { pageTurner } from '../editor/page-turner';
import { pictureSearch } from '../media/picture-search';
import { listenForKeys } from '../editor/shortcuts';
import { type Recorder, type ShownPlace, type ShownTexts, shownMarks } from '../editor/shown-marks';
import { stepsOf } from '../editor/steps';
import { stimulusBeside } from '../editor/stimulus';
import { toolsOf } from '../editor/tools';
import { viewOf } from '../editor/view';
import { fill, pageData } from '../page-data';
import { Connection, type Link, reloadSoon } from '../room/connection';
import { Grip } from '../room/marks';
import { deviceOutbox } from '../room/outbox-store';
import { Drafts } from '../threads/drafts';
import { copiesOfPage } from './copies';
import { type ImportTexts, filesIn } from './files-in';
import { organizersOf } from './organizers';
import { otherActivities } from './other-activities';
import { outlineOf } from './outline';
import { overviewOf } from './overview';
import { pageSettings } from './page-settings';
import { Pages } from './pages';
import { type PartTexts, partsOf } from './parts';
import { type PlannedTexts, plannedPhases } from './planned-phases';
import { placesToFill } from './places-to-fill';
import { type StimulusTexts, stimulusSetting } from './stimulus-setting';
import { type LanguageTexts, translationsOf } from './translations';
import { trialBeside } from './trial';
import { writtenOf } from './written';
import { fieldOf } from './field';
import { zoneOf } from './zone';

interface WorkshopData {
  readonly activity: string;
  readonly me: { readonly number: number; readonly isStaff: boolean };
  readonly draft: string;
  /** The part that is made here. */
  readonly part: number;
  readonly who: string;
  readonly language: string;
  readonly texts: MarkListTexts &
    ImportTexts &
    LanguageTexts &
    PartTexts &
    PlannedTexts &
    StimulusTexts & {
      figureTools: Record<string, string>;
      shown: ShownTexts;
      networkAway: string;
      unnamedPage: string;
      copiesDo: string;
      outlineDo: string;
      zoneExpects: string;
      blanks: string;
      kept: string;
      sending: string;
      pictureAway: string;
      keptHere: string;
      opening: string;
      refusedOther: string;
    };
}

type Making = 'printed' | 'loose' | 'key' | 'zone' | 'field';

const GRIPS: Record<Making, Grip> = {
  printed: Grip.Printed,
  loose: Grip.Loose,
  key: Grip.Key,
  zone: Grip.Printed,
  field: Grip.Printed,
};

/** Against requests from elsewhere. */
function tokenOfPage(): string {
  return document.querySelector<HTMLElement>('[data-token]')?.dataset['token'] ?? '';
}

Alpine.data('workshop', () => {
  const data = pageData<WorkshopData>();
  const { texts, language } = data;
  const token = tokenOfPage();
  let editor: Editor;
  let list: MarkList;
  let pages: Pages;
  let finishTyping: () => void = () => undefined;
  let shownPlace: () => ShownPlace;
  const drafts = Drafts.keptFor(data.who, data.draft);
  const theEditor = () => editor;
  const thePages = () => pages;
  const dialog = (name: string) => document.querySelector<HTMLDialogElement>(`dialog[x-ref="${name}"]`)!;

  return {
    tools: toolsOf(theEditor, texts.figureTools),
    chosen: chosenOf(theEditor, texts.by),
    pages: pageTurner(theEditor, ''),
    view: viewOf(theEditor),
    steps: stepsOf(theEditor, () => finishTyping()),
    pictureSearch: pictureSearch(() => theEditor().pictures, data.draft, ''),
    formula: formulaMarks(theEditor),
    shown: shownMarks(theEditor, () => shownPlace()),
    /** In which voices, films and photographs are made, once one is wanted. */
    recording: null as Recorder | null,
    stimulus: stimulusBeside(data.draft, ''),
    field: fieldOf(theEditor, language),
    zone: zoneOf(theEditor, language, (count) => fill(texts.zoneExpects, count)),
    organizers: organizersOf(theEditor, thePages),
    files: filesIn(theEditor, thePages, texts, language, token),
    blanks: placesToFill(
      theEditor,
      () => dialog('fillIns'),
      (count) => fill(texts.blanks, count),
    ),
    written: writtenOf(theEditor, language),
    copies: copiesOfPage(thePages, () => dialog('copies').close(), texts.copiesDo),
    outline: outlineOf(
      (found) => pages.addAll(found),
      () => dialog('outline').close(),
      texts.outlineDo,
      token,
    ),
    others: otherActivities(thePages, () => dialog('others'), language),
    overview: overviewOf(theEditor, () => dialog('overview')),
    translations: translationsOf(theEditor, () => dialog('languages'), language, texts),
    settings: pageSettings(theEditor),
    parts: partsOf(theEditor, data.activity, data.part, language, texts),
    phases: plannedPhases(theEditor, language, () => dialog('phases'), texts),
    trial: trialBeside(data.activity, data.part, () => editor.page),
    newStimulus: stimulusSetting(theEditor, data.draft, token, texts),
    making: 'printed' as Making,
    link: 'connecting' as Link,
    waiting: 0,
    opened: false,
    notice: '',

    init(): void {
      const root = this.$root as HTMLElement;
      const connection = new Connection('', (link) => (this.link = link));
      const making = (): Making => this.making;
      shownPlace = () => ({
        room: data.draft,
        query: '',
        texts: texts.shown,
        networkAway: texts.networkAway,
        drafts,
        looksOnly: false,
        token: () => token,
        say: (words) => (this.notice = words),
        refresh: () => this.refresh(),
        recorder: async (made) => {
          this.recording = made;
          await this.$nextTick();
          return this.recording;
        },
      });
      finishTyping = () => {
        this.written.keep();
        this.parts.keep();
        this.phases.keep();
      };
      editor = new Editor({
        room: data.draft,
        line: connection,
        store: deviceOutbox(data.who, data.draft),
        me: data.me,
        get grip() {
          return GRIPS[making()];
        },
        design: true,
        part: data.part,
        language,
        written: language,
        host: root.querySelector<HTMLElement>('[data-surface]')!,
        field: root.querySelector<HTMLTextAreaElement>('[data-field]')!,
        query: '',
        token,
        pictureAway: texts.pictureAway,
        together: false,
        nameOf: () => '',
        say: (words) => (this.notice = words),
        editFormula: (mark) => this.formula.change(mark),
        openField: () => this.nameNew(),
        openShown: (mark) => this.shown.open(mark),
        madeNamed: () => this.nameNew(),
        may: () => this.opened,
        changed: () => this.refresh(),
        refused: (_, command) => {
          this.notice = texts.refusedOther;
          this.shown.giveBack(command);
        },
        applied: () => this.trial.renew(),
      });
      editor.surface.onZoom = (percent) => (this.view.percent = percent);
      pages = new Pages(editor, language, data.part);
      list = new MarkList(root.querySelector<HTMLElement>('[data-marks]')!, editor, texts);
      this.tools.pick('text');
      listenForKeys(theEditor, {
        pick: (tool) => this.tools.pick(tool),
        showKeys: () => this.openDialog('keys'),
      });
      window.addEventListener('pagehide', finishTyping);
      // Whoever goes on to something else has finished typing.
      root.addEventListener('focusout', finishTyping);
      void this.enter(connection).catch(reloadSoon);
    },

    async enter(connection: Connection): Promise<void> {
      await Promise.all([connection.start(), connection.enter(editor.client, true)]);
      this.opened = true;
      await editor.client.recover();
      this.refresh();
      this.openAt(location.hash.slice(1));
    },

    /** The ready check leads to what it found: the address says to what. */
    openAt(place: string): void {
      const [, kind, id] = /^(page|mark)-(\d+)$/.exec(place) ?? [];
      if (place === 'fill-ins') this.blanks.open();
      else if (kind === 'page') this.pages.turnTo(Number(id));
      else if (kind === 'mark') this.openMark(Number(id));
      else if (place) document.getElementById(place)?.focus();
    },

    openMark(id: number): void {
      const mark = editor.sheets.mark(id);
      if (!mark) return;
      editor.turnToPage(mark.page);
      editor.use('choose');
      editor.choose(mark);
      this.chosen.exactOpen = true;
    },

    refresh(): void {
      if (!editor) return;
      list?.refresh();
      this.tools.refresh();
      this.chosen.refresh();
      this.pages.refresh(language);
      this.steps.refresh();
      if (this.opened) this.shown.refresh();
      this.zone.refresh();
      this.field.refresh();
      this.blanks.refresh();
      this.parts.refresh();
      this.phases.refresh();
      if (this.translations.other) this.translations.refresh();
      this.waiting = editor.client.waiting;
      const page = editor.sheets.page(editor.page);
      this.written.refresh(page);
      if (!page) return;
      this.settings.show(page, editor.sheets.unit);
      this.stimulus.show(page.stimulus);
    },

    /** What students hear or see first. */
    recordStimulus(kind: 'voice' | 'film'): void {
      void this.shown.record(kind, ({ file, words }) => this.newStimulus.send(new File([file], kind), words));
    },

    get isSending(): boolean {
      return this.waiting > 0 || this.shown.going.length > 0;
    },

    get keptText(): string {
      if (!this.opened) return texts.opening;
      if (this.link === 'lost') return texts.keptHere;
      return this.isSending ? texts.sending : texts.kept;
    },

    get keptState(): string {
      if (!this.opened) return 'sending';
      return this.link === 'lost' ? 'here' : this.isSending ? 'sending' : 'kept';
    },

    pageLabel(page: { number: number; name: string }): string {
      return `${page.number}. ${page.name || texts.unnamedPage}`;
    },

    make(making: Making): void {
      this.making = making;
      editor.draws = making === 'zone' ? 'zone' : making === 'field' ? 'answerField' : 'shape';
      if (editor.draws === 'shape') return;
      this.tools.pickFigure('rectangle');
      editor.use('shape');
    },

    /** A zone or an answer field that is chosen is given its name. */
    nameNew(): void {
      this.chosen.exactOpen = true;
      const field = this.zone.isChosen ? '[data-zone-name]' : '[data-field-name]';
      void this.$nextTick(() => document.querySelector<HTMLInputElement>(field)?.focus());
    },

    addPage(): void {
      editor.turnToPage(pages.add());
    },

    duplicatePage: () => pages.duplicate(),
    pageUp: () => pages.move(-1),
    pageDown: () => pages.move(1),
    takePageOut: () => pages.takeOut(),

    openDialog(name: string): void {
      dialog(name).showModal();
    },

    closeDialog(name: string): void {
      dialog(name).close();
    },
  };
});
