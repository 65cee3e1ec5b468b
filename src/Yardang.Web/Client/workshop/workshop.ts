// The workshop: the page being made in the middle, the order of pages as a written list, and what is being made now as a strip of words.
// Everything is kept as it is typed.

import Alpine from '@alpinejs/csp';
import { decode } from '@msgpack/msgpack';
import { formulaControls } from '../board/formula-controls';
import { MarkList, type MarkListTexts } from '../board/mark-list';
import { pictureSearchControls } from '../board/picture-search-controls';
import { sheetControls, textFor } from '../board/sheet-controls';
import { SheetSession } from '../board/sheet-session';
import { stimulusControls } from '../board/stimulus-controls';
import { listenForKeys } from '../board/shortcuts';
import { fill, pageData } from '../page-data';
import { Connection, type Link } from '../room/connection';
import { type Change, Grip, type Page, Property, type Texts } from '../room/marks';
import { deviceOutbox } from '../room/outbox-store';
import { Sheets } from '../room/sheets';
import { fillInControls } from './fill-in-controls';
import { type ImportTexts, importControls } from './import-controls';
import { type LanguageTexts, languageControls } from './language-controls';
import { organizerControls } from './organizer-controls';
import { drawOverview } from './overview';
import { pageControls } from './page-controls';
import { Pages } from './pages';
import { type StimulusTexts, stimulusMaking } from './stimulus-making';
import { tryBeside } from './try-beside';
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
    StimulusTexts & {
      figureTools: Record<string, string>;
      unnamedPage: string;
      untranslated: string;
      allTranslated: string;
      copiesDo: string;
      zoneExpects: string;
      blanks: string;
      outlineDo: string;
      kept: string;
      sending: string;
      pictureAway: string;
      keptHere: string;
      opening: string;
      refusedOther: string;
    };
}

interface OtherActivity {
  readonly name: string;
  readonly draft: string;
}

interface OutlinePage {
  readonly title: string;
  readonly directions: string;
}

type Making = 'printed' | 'loose' | 'key' | 'zone';

const GRIPS: Record<Making, Grip> = {
  printed: Grip.Printed,
  loose: Grip.Loose,
  key: Grip.Key,
  zone: Grip.Printed,
};
const TYPING_PAUSE_MS = 600;
const MOST_COPIES = 40;

/** Against requests from elsewhere. */
function tokenOfPage(): string {
  return document.querySelector<HTMLElement>('[data-token]')?.dataset['token'] ?? '';
}

const MOST_STARTERS = 20;
const MOST_LETTERS = 120;

Alpine.data('workshop', () => {
  const data = pageData<WorkshopData>();
  const { texts, language } = data;
  let session: SheetSession;
  let list: MarkList;
  let pageEdits: Pages;
  const typing = new Map<string, { timer: ReturnType<typeof setTimeout>; keep: () => void }>();

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
    ...languageControls(() => session, language, texts),
    ...stimulusControls(data.draft, ''),
    ...pageControls(() => session),
    ...tryBeside(data.activity),
    ...stimulusMaking(() => session, data.draft, tokenOfPage(), texts),
    making: 'printed' as Making,
    name: '',
    directions: '',
    pageName: '',
    startersText: '',
    pageDirections: '',
    copyNames: '',
    outline: '',
    outlinePages: [] as OutlinePage[],
    others: [] as OtherActivity[],
    otherPages: [] as { id: number; name: string }[],
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
      void this.enter(connection);
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
      if (!typing.has(`${Property.Name}:0`)) this.name = sheets.name[language] ?? '';
      if (!typing.has(`${Property.Directions}:0`)) this.directions = sheets.directions[language] ?? '';
      const page = sheets.page(session.page);
      if (page) this.showPage(page);
    },

    showPage(page: Page): void {
      if (!typing.has(`${Property.PageName}:${page.id}`)) this.pageName = textFor(page.name, language);
      if (!typing.has(`${Property.PageDirections}:${page.id}`))
        this.pageDirections = textFor(page.directions, language);
      this.startersText = page.starters.map((s) => s[language] ?? '').join('\n');
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

    typedName(): void {
      this.type(Property.Name, 0, this.name, session.sheets.name);
    },

    typedDirections(): void {
      this.type(Property.Directions, 0, this.directions, session.sheets.directions);
    },

    typedPageName(): void {
      const page = session.sheets.page(session.page);
      if (page) this.type(Property.PageName, page.id, this.pageName, page.name);
    },

    typedPageDirections(): void {
      const page = session.sheets.page(session.page);
      if (page) this.type(Property.PageDirections, page.id, this.pageDirections, page.directions);
    },

    /** A line for each; what it is called in other languages stays with its place. */
    setStarters(text: string): void {
      const page = session.sheets.page(session.page);
      if (!page) return;
      const lines = text.split('\n').flatMap((line) => line.trim() || []);
      const value = lines
        .slice(0, MOST_STARTERS)
        .map((line, i) => ({ ...page.starters[i], [language]: line.slice(0, MOST_LETTERS) }));
      this.change({ property: Property.Starters, target: page.id, value });
    },

    get untranslatedText(): string {
      return this.untranslated === 0 ? texts.allTranslated : fill(texts.untranslated, this.untranslated);
    },

    /** Kept at the first pause; what is typed in one go is one gesture. */
    type(property: Property, target: number, text: string, before: Texts): void {
      const key = `${property}:${target}`;
      const going = typing.get(key);
      if (going) clearTimeout(going.timer);
      const keep = () => {
        typing.delete(key);
        if (this.opened && (before[language] ?? '') !== text)
          this.change({ property, target, value: { ...before, [language]: text } });
      };
      typing.set(key, { timer: setTimeout(keep, TYPING_PAUSE_MS), keep });
    },

    keepTyping(): void {
      for (const { timer, keep } of [...typing.values()]) {
        clearTimeout(timer);
        keep();
      }
    },

    change(change: Change): void {
      session.submit({ kind: 'makeChanges', changes: [change] }, session.newId());
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

    /** A number gives so many copies; anything else is a list of names, one in a line. */
    makeCopies(): void {
      const lines = this.copyNames
        .split('\n')
        .map((line: string) => line.trim())
        .filter(Boolean);
      const count = lines.length === 1 && /^\d+$/.test(lines[0]!) ? Number(lines[0]) : 0;
      const names: string[] = count > 0 ? Array.from({ length: count }, () => '') : lines;
      if (names.length > 0 && names.length <= MOST_COPIES) {
        pageEdits.copies(names);
        this.copyNames = '';
        this.closeDialog('copies');
      }
    },

    get copiesCount(): number {
      const lines = this.copyNames.split('\n').filter((line: string) => line.trim());
      return lines.length === 1 && /^\s*\d+\s*$/.test(lines[0]!) ? Number(lines[0]) : lines.length;
    },

    get copiesText(): string {
      return fill(texts.copiesDo, this.copiesCount);
    },

    get outlineText(): string {
      return fill(texts.outlineDo, this.outlinePages.length);
    },

    get copiesWrong(): boolean {
      return this.copiesCount > MOST_COPIES;
    },

    async readOutline(): Promise<void> {
      const body = new FormData();
      body.set('outline', this.outline);
      body.set('__RequestVerificationToken', (this.$root as HTMLElement).dataset['token']!);
      const answer = await fetch('?handler=Outline', { method: 'POST', body });
      this.outlinePages = answer.ok ? ((await answer.json()) as OutlinePage[]) : [];
    },

    takeOutline(): void {
      pageEdits.addAll(this.outlinePages);
      this.outline = '';
      this.outlinePages = [];
      this.closeDialog('outline');
    },

    async openOthers(): Promise<void> {
      this.otherPages = [];
      const answer = await fetch('?handler=Others');
      this.others = answer.ok ? ((await answer.json()) as OtherActivity[]) : [];
      this.openDialog('others');
    },

    async openOther(draft: string): Promise<void> {
      const sheets = await sheetsOf(draft);
      this.otherPages = sheets.pages.map((p, i) => ({
        id: p.id,
        name: `${i + 1}. ${textFor(p.name, language)}`,
        draft,
      }));
    },

    async takeOther(draft: string, id: number): Promise<void> {
      const sheets = await sheetsOf(draft);
      pageEdits.copyFrom(sheets, sheets.page(id)!);
      this.closeDialog('others');
    },

    openOverview(): void {
      this.openDialog('overview');
      this.$nextTick(() =>
        drawOverview(this.$refs['overview'] as HTMLElement, session.sheets, session.surface.pictures),
      );
    },

    openFromOverview(id: number): void {
      this.turnToPage(id);
      this.closeDialog('overview');
    },

    openDialog(name: string): void {
      (this.$refs[name] as HTMLDialogElement).showModal();
    },

    closeDialog(name: string): void {
      (this.$refs[name] as HTMLDialogElement).close();
    },

    closeKeys(): void {
      this.closeDialog('keys');
    },
  } as any;
});

async function sheetsOf(draft: string): Promise<Sheets> {
  const answer = await fetch(`/rooms/${draft}/snapshot`);
  const [, , number, , state] = decode(new Uint8Array(await answer.arrayBuffer())) as any[];
  return Sheets.read(number, state);
}
