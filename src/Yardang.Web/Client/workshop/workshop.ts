// The workshop: the page being made, in the middle; name, directions, size and paper beside it. Everything is kept as it is typed.

import Alpine from '@alpinejs/csp';
import { MarkList, type MarkListTexts } from '../board/mark-list';
import { listenForUndo, pageControls } from '../board/page-controls';
import { SheetSession, type ToolName } from '../board/sheet-session';
import { pageData } from '../page-data';
import { Connection, type Link } from '../room/connection';
import { type Change, Grip, Property } from '../room/marks';
import { deviceOutbox } from '../room/outbox-store';

interface WorkshopData {
  readonly draft: string;
  readonly who: string;
  readonly language: string;
  readonly texts: MarkListTexts & {
    kept: string;
    sending: string;
    keptHere: string;
    opening: string;
    refusedOther: string;
  };
}

const SIZES: Record<string, { width: number; height: number }> = {
  a4wide: { width: 29_700, height: 21_000 },
  a4: { width: 21_000, height: 29_700 },
  letterwide: { width: 27_940, height: 21_590 },
  letter: { width: 21_590, height: 27_940 },
  screen: { width: 33_867, height: 19_050 },
};

const TYPING_PAUSE_MS = 600;
const OWNER = { number: 1, isStaff: true };

Alpine.data('workshop', () => {
  const data = pageData<WorkshopData>();
  const { texts, language } = data;
  let session: SheetSession;
  let list: MarkList;
  const typing = new Map<Property, { timer: ReturnType<typeof setTimeout>; keep: () => void }>();

  return {
    ...pageControls(() => session),
    name: '',
    directions: '',
    size: 'a4wide',
    paper: 0,
    tool: 'text' as ToolName,
    canUndo: false,
    canRedo: false,
    zoom: 100,
    link: 'connecting' as Link,
    waiting: 0,
    opened: false,
    notice: '',

    init(): void {
      const root = this.$root as HTMLElement;
      const connection = new Connection(null, (link) => (this.link = link));
      session = new SheetSession({
        room: data.draft,
        line: connection,
        store: deviceOutbox(data.who, data.draft),
        me: OWNER,
        grip: Grip.Printed,
        design: true,
        language,
        host: root.querySelector<HTMLElement>('[data-surface]')!,
        field: root.querySelector<HTMLTextAreaElement>('[data-field]')!,
        mayWrite: () => this.opened,
        changed: () => this.refresh(),
        refused: () => (this.notice = texts.refusedOther),
      });
      session.surface.onZoom = (percent) => (this.zoom = percent);
      session.use('text');
      list = new MarkList(root.querySelector<HTMLElement>('[data-marks]')!, session, texts);
      listenForUndo(() => session);
      window.addEventListener('pagehide', () => this.keepTyping());
      void this.enter(connection);
    },

    async enter(connection: Connection): Promise<void> {
      await Promise.all([connection.start(), connection.enter(session.client, true)]);
      this.opened = true;
      await session.client.recover();
      this.refresh();
    },

    refresh(): void {
      if (!session) return;
      list?.refresh();
      const { sheets } = session;
      const page = sheets.pages[0];
      if (!typing.has(Property.Name)) this.name = sheets.name[language] ?? '';
      if (!typing.has(Property.Directions)) this.directions = sheets.directions[language] ?? '';
      if (page) {
        this.paper = page.paper;
        this.size =
          Object.keys(SIZES).find((k) => SIZES[k]!.width === page.width && SIZES[k]!.height === page.height) ??
          this.size;
      }
      this.canUndo = session.canUndo;
      this.canRedo = session.canRedo;
      this.waiting = session.client.waiting;
    },

    get keptText(): string {
      if (!this.opened) return texts.opening;
      if (this.link === 'lost') return texts.keptHere;
      return this.waiting > 0 ? texts.sending : texts.kept;
    },

    get keptState(): string {
      return this.link === 'lost' ? 'here' : this.waiting > 0 ? 'sending' : 'kept';
    },

    typedName(): void {
      this.type(Property.Name, this.name, session.sheets.name);
    },

    typedDirections(): void {
      this.type(Property.Directions, this.directions, session.sheets.directions);
    },

    /** Kept at the first pause; what is typed in one go is one gesture. */
    type(property: Property, text: string, before: Readonly<Record<string, string>>): void {
      const going = typing.get(property);
      if (going) clearTimeout(going.timer);
      const keep = () => {
        typing.delete(property);
        if (this.opened && (before[language] ?? '') !== text)
          this.change({ property, target: 0, value: { ...before, [language]: text } });
      };
      typing.set(property, { timer: setTimeout(keep, TYPING_PAUSE_MS), keep });
    },

    keepTyping(): void {
      for (const { timer, keep } of [...typing.values()]) {
        clearTimeout(timer);
        keep();
      }
    },

    pickSize(size: string): void {
      const value = SIZES[size];
      if (value) this.change({ property: Property.Size, target: session.page, value });
    },

    pickPaper(paper: number): void {
      this.change({ property: Property.Paper, target: session.page, value: paper });
    },

    change(change: Change): void {
      session.submit({ kind: 'makeChanges', changes: [change] }, session.newId());
    },

    pick(tool: ToolName): void {
      this.tool = tool;
      session.use(tool);
    },

    undo(): void {
      this.keepTyping();
      session.undo();
    },
  } as any;
});
