// Who wrote what on a shared page, as names are shown: of one mark where the pointer rests, and on wish of all of them.

import { markAt } from '../surface/hit';
import { FONT } from '../surface/type';
import { type Mark, Grip } from '../room/marks';
import { authorOf } from './author';
import type { Editor } from './editor';

const REST_MS = 350;
const REACH_PX = 6;
const NAME_PX = 14;
const GROUND = '#0c5c69';

/** Where the pointer rests over something, and what is said of it. */
interface Said {
  readonly words: string;
  readonly x: number;
  readonly y: number;
}

/** @param by "by {0}" in the language of the interface. */
export function authorsOf(editor: () => Editor, isShared: boolean, by: string) {
  let drawn: { whose: typeof import('../surface/whose'); colours: typeof import('../surface/people-colours') } | null =
    null;
  let said: Said | null = null;
  let resting: ReturnType<typeof setTimeout> | undefined;

  const marks = () => editor().sheets.visible(editor().page);
  // The words a teacher designed are nobody's.
  const isTheirs = (mark: Mark) => mark.grip === Grip.Own && !mark.byStaff;

  function rest(x: number, y: number): void {
    const { surface } = editor();
    const mark = markAt(marks(), x, y, REACH_PX / surface.scale, isTheirs);
    const words = mark ? authorOf(mark, editor(), by) : '';
    if (!words) return;
    said = { words, x, y };
    surface.invalidateDrawing();
  }

  function owners() {
    const { sheets } = editor();
    const all = sheets.pages.flatMap((page) => sheets.visible(page.id)).filter(isTheirs);
    const numbers = [...new Set(all.map((m) => m.author))].sort((a, b) => a - b);
    const { personColour, initialsOf } = drawn!.colours;
    return new Map(
      numbers
        .map(
          (number, place) =>
            [number, { colour: personColour(place), initials: initialsOf(editor().nameOf(number)) }] as const,
        )
        .filter(([, { initials }]) => initials !== ''),
    );
  }

  return {
    isPossible: isShared,
    areShown: false,

    init(): void {
      if (!isShared) return;
      editor().onHover((x, y) => {
        clearTimeout(resting);
        if (said) editor().surface.invalidateDrawing();
        said = null;
        resting = setTimeout(() => rest(x, y), REST_MS);
      });
      editor().surface.over = (ctx, pixel) => {
        if (this.areShown && drawn) drawn.whose.drawOwners(ctx, marks().filter(isTheirs), owners(), pixel);
        if (said) drawName(ctx, said, pixel);
      };
    },

    /** Names have come, or others. */
    refresh(): void {
      if (this.areShown) editor().surface.invalidateDrawing();
    },

    /** Answers whether anybody can be named: where names are for nobody, nothing is to be seen. */
    async toggle(): Promise<boolean> {
      const [whose, colours] = await Promise.all([import('../surface/whose'), import('../surface/people-colours')]);
      drawn = { whose, colours };
      this.areShown = !this.areShown;
      editor().surface.invalidateDrawing();
      return !this.areShown || owners().size > 0;
    },
  };
}

function drawName(ctx: CanvasRenderingContext2D, { words, x, y }: Said, pixel: number): void {
  ctx.font = `600 ${NAME_PX * pixel}px ${FONT}`;
  ctx.textAlign = 'left';
  ctx.textBaseline = 'alphabetic';
  const width = ctx.measureText(words).width;
  ctx.fillStyle = GROUND;
  ctx.fillRect(x + 12 * pixel, y + 12 * pixel, width + 12 * pixel, (NAME_PX + 8) * pixel);
  ctx.fillStyle = '#ffffff';
  ctx.fillText(words, x + 18 * pixel, y + (NAME_PX + 14) * pixel);
}
