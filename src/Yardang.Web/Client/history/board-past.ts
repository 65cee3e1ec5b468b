// The past of a board: its pages, as they were drawn.

import { kindOf } from '../kinds';
import { fill } from '../page-data';
import { type Mark, stands } from '../room/marks';
import { Sheets } from '../room/sheets';
import type { Command, RoomEvent } from '../room/wire';
import { textIn } from '../surface/in-language';
import { LiveInk } from '../surface/live-ink';
import { PageSurface } from '../surface/page-surface';
import { Pictures } from '../surface/pictures';
import { Pointers } from '../surface/pointers';
import { SmallPicture } from '../surface/small-picture';
import type { RoomSnapshot } from '../wire/forms';
import { tellOfBoard } from './board-steps';
import type { HistoryData } from './history-data';
import { Overlay } from './overlay';
import type { Past, View } from './past';

const PICTURE_WIDTH = 420;
const FEW_LETTERS = 40;

export class BoardPast implements Past<Sheets, Mark> {
  readonly empty = new Sheets();
  readonly turns = true;
  readonly tell = tellOfBoard;
  private readonly surface: PageSurface;
  private readonly overlay: Overlay;

  /** @param pick somebody presses a mark, or where none is. */
  constructor(
    host: HTMLElement,
    private readonly data: HistoryData,
    pick: (mark: Mark | null) => void,
  ) {
    this.surface = new PageSurface(host, new LiveInk(), new Pointers(() => ''));
    this.surface.written = data.written;
    this.surface.languages = [data.language];
    this.surface.pictures = new Pictures(data.room, data.query, () => this.surface.invalidate());
    this.overlay = new Overlay(this.surface, pick);
    this.surface.tool = this.overlay;
  }

  read(number: number, state: RoomSnapshot): Sheets {
    const sheets = Sheets.of(number, state, null, this.data.me);
    sheets.forgetSteps();
    return sheets;
  }

  foresee(sheets: Sheets, command: Command): RoomEvent | null {
    return sheets.predict(command, this.data.me, false);
  }

  places(sheets: Sheets): { id: number; name: string }[] {
    const { language, written, texts } = this.data;
    return sheets.pages.map(({ id, name }, i) => {
      const number = fill(texts.pageOf, i + 1, sheets.pages.length);
      const said = textIn(name, [language], written);
      return { id, name: said ? `${number}: ${said}` : number };
    });
  }

  seen(sheets: Sheets, place: number): readonly Mark[] {
    return sheets.visible(place);
  }

  all(sheets: Sheets): readonly Mark[] {
    return [...sheets.allMarks].filter(stands);
  }

  find(sheets: Sheets, id: number): Mark | undefined {
    return sheets.mark(id);
  }

  titleOf({ body }: Mark): string {
    const { language, written, texts } = this.data;
    const said = kindOf(body).said(body, { languages: [language], written, mark: () => '', texts });
    const kind = texts.kinds[body.kind]!;
    return said ? `${kind}: ${said.split('\n')[0]!.slice(0, FEW_LETTERS)}` : kind;
  }

  show(sheets: Sheets, { place, ghosts, between, people, chosen }: View<Mark>): void {
    const page = sheets.page(place);
    if (!page) return;
    const marks = sheets.visible(place);
    this.surface.unit = sheets.unit;
    const isGhost = (m: Mark) => m.page === place && !stands(m) && !marks.includes(m);
    Object.assign(this.overlay, {
      marks,
      ghosts: ghosts ? [...sheets.allMarks].filter(isGhost) : [],
      between,
      people,
      chosen,
    });
    this.surface.show(page, marks);
    this.surface.invalidateDrawing();
  }

  picture(host: HTMLElement, sheets: Sheets, place: number): void {
    const page = sheets.page(place);
    if (!page) return;
    const canvas = host.querySelector('canvas') ?? host.appendChild(document.createElement('canvas'));
    new SmallPicture(canvas).show(page, sheets.visible(place), PICTURE_WIDTH, this.surface.options);
  }
}
