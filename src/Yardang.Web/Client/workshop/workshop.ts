// The workshop: the page being made in the middle, the order of pages as a written list, and what is being made now as a strip of words.
// Everything is kept as it is typed.

import Alpine from '@alpinejs/csp';
import { formulaControls } from '../board/formula-controls';
import { MarkList, type MarkListTexts } from '../board/mark-list';
import { pictureSearchControls } from '../board/picture-search-controls';
import { sheetControls } from '../board/sheet-controls';
import { SheetSession } from '../board/sheet-session';
import { stimulusControls } from '../board/stimulus-controls';
import { listenForKeys } from '../board/shortcuts';
import { fill, pageData } from '../page-data';
import { Connection, type Link, reloadSoon } from '../room/connection';
import { Grip } from '../room/marks';
import { deviceOutbox } from '../room/outbox-store';
import { fillInControls } from './fill-in-controls';
import { type ImportTexts, importControls } from './import-controls';
import { type LanguageTexts, languageControls } from './language-controls';
import { organizerControls } from './organizer-controls';
import { type MorePagesTexts, morePages } from './more-pages';
import { pageControls } from './page-controls';
import { Pages } from './pages';
import { type StimulusTexts, stimulusMaking } from './stimulus-making';
import { tryBeside } from './try-beside';
import { written } from './written';
import { zoneControls } from './zone-controls';

interface WorkshopData {
  readonly activity: string;
  readonly me: { readonly number: number; readonly isStaff: boolean };
  readonly draft: string;
  readonly who: string;
  readonly language: string;
  readonly texts: MarkListTexts &
    ImportTexts &
    LanguageTexts &
    MorePagesTexts &
    StimulusTexts & {
      figureTools: Record<string, string>;
      unnamedPage: string;
      untranslated: string;
      allTranslated: string;
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

type Making = 'printed' | 'loose' | 'key' | 'zone';

const GRIPS: Record<Making, Grip> = {
  printed: Grip.Printed,
  loose: Grip.Loose,
  key: Grip.Key,
  zone: Grip.Printed,
};

/** Against requests from elsewhere. */
function tokenOfPage(): string {
  return document.querySelector<HTMLElement>('[data-token]')?.dataset['token'] ?? '';
}

Alpine.data('workshop', () => {
  const data = pageData<WorkshopData>();
  const { texts, language } = data;
  let session: SheetSession;
  let list: MarkList;
  let pageEdits: Pages;
  const dialog = (name: string) => document.querySelector<HTMLDialogElement>(`dialog[x-ref="${name}"]`)!;

  return {
    ...sheetControls(() => session, texts.figureTools),
    ...formulaControls(() => session),
    ...pictureSearchControls(() => session, data.draft, ''),
    ...zoneControls(
      () => session,
      language,
      (count) => fill(texts.zoneExpects, count),
    ),
    ...organizerControls(
      () => session,
      () => pageEdits,
    ),
    ...importControls(
      () => session,
      () => pageEdits,
      texts,
      language,
      tokenOfPage(),
    ),
    ...fillInControls(
      () => session,
      (count) => fill(texts.blanks, count),
    ),
    ...written(() => session, language),
    ...morePages(
      () => session,
      () => pageEdits,
      dialog,
      texts,
      language,
      tokenOfPage(),
    ),
    ...languageControls(() => session, language, texts),
    ...stimulusControls(data.draft, ''),
    ...pageControls(() => session),
    ...tryBeside(data.activity),
    ...stimulusMaking(() => session, data.draft, tokenOfPage(), texts),
    making: 'printed' as Making,
    link: 'connecting' as Link,
    waiting: 0,
    opened: false,
    notice: '',

    init(): void {
      const root = this.$root as HTMLElement;
      const connection = new Connection('', (link) => (this.link = link));
      const making = (): Making => this.making;
      session = new SheetSession({
        room: data.draft,
        line: connection,
        store: deviceOutbox(data.who, data.draft),
        me: data.me,
        get grip() {
          return GRIPS[making()];
        },
        design: true,
        language,
        written: language,
        host: root.querySelector<HTMLElement>('[data-surface]')!,
        field: root.querySelector<HTMLTextAreaElement>('[data-field]')!,
        query: '',
        token: tokenOfPage(),
        pictureAway: texts.pictureAway,
        together: false,
        nameOf: () => '',
        say: (words) => (this.notice = words),
        editFormula: (mark) => void this.openFormula(mark),
        madeZone: () => this.nameNewZone(),
        mayWrite: () => this.opened,
        changed: () => this.refresh(),
        refused: () => (this.notice = texts.refusedOther),
        applied: () => this.renewTry(),
      });
      session.surface.onZoom = (percent) => (this.zoom = percent);
      pageEdits = new Pages(session, language);
      list = new MarkList(root.querySelector<HTMLElement>('[data-marks]')!, session, texts);
      this.pick('text');
      listenForKeys(() => session, {
        pick: (tool) => this.pick(tool),
        showKeys: () => this.openDialog('keys'),
      });
      window.addEventListener('pagehide', () => this.keepTyping());
      // Whoever goes on to something else has finished typing.
      (this.$root as HTMLElement).addEventListener('focusout', () => this.keepTyping());
      void this.enter(connection).catch(reloadSoon);
    },

    async enter(connection: Connection): Promise<void> {
      await Promise.all([connection.start(), connection.enter(session.client, true)]);
      this.opened = true;
      await session.client.recover();
      this.refresh();
      this.openAt(location.hash.slice(1));
    },

    /** The ready check leads to what it found: the address says to what. */
    openAt(place: string): void {
      const [, kind, id] = /^(page|mark)-(\d+)$/.exec(place) ?? [];
      if (place === 'fill-ins') this.openFillIns();
      else if (kind === 'page') this.turnToPage(Number(id));
      else if (kind === 'mark') this.openMark(Number(id));
      else if (place) document.getElementById(place)?.focus();
    },

    openMark(id: number): void {
      const mark = session.sheets.mark(id);
      if (!mark) return;
      session.turnToPage(mark.page);
      session.use('choose');
      session.choose(mark);
      this.exactOpen = true;
    },

    refresh(): void {
      if (!session) return;
      list?.refresh();
      this.refreshControls(language);
      this.refreshZone();
      this.refreshFillIns();
      if (this.other) this.listLines();
      const { sheets } = session;
      this.showUnit(sheets.unit);
      this.waiting = session.client.waiting;
      const page = sheets.page(session.page);
      this.refreshWritten(page);
      if (!page) return;
      this.showSettings(page);
      this.showStimulus(page.stimulus);
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

    pageLabel(page: { number: number; name: string }): string {
      return `${page.number}. ${page.name || texts.unnamedPage}`;
    },

    make(making: Making): void {
      this.making = making;
      session.zoning = making === 'zone';
      if (making !== 'zone') return;
      this.pickFigure('rectangle');
      session.use('shape');
    },

    nameNewZone(): void {
      this.exactOpen = true;
      void this.$nextTick(() => document.querySelector<HTMLInputElement>('[data-zone-name]')?.focus());
    },

    get untranslatedText(): string {
      return this.untranslated === 0 ? texts.allTranslated : fill(texts.untranslated, this.untranslated);
    },

    undo(): void {
      this.keepTyping();
      session.undo();
    },

    addPage(): void {
      session.turnToPage(pageEdits.add());
    },

    duplicatePage: () => pageEdits.duplicate(),
    pageUp: () => pageEdits.move(-1),
    pageDown: () => pageEdits.move(1),
    takePageOut: () => pageEdits.takeOut(),

    openDialog(name: string): void {
      dialog(name).showModal();
    },

    closeDialog(name: string): void {
      dialog(name).close();
    },

    closeKeys(): void {
      this.closeDialog('keys');
    },
  };
});
