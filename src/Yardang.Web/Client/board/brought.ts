// Cards brought from a wall: put onto the page as notes, with what they show.

import { clock } from '../attachments/clock';
import type { Editor } from '../editor/editor';
import { type BroughtCard, broughtCards } from '../lesson/brought';
import { sizeOf } from '../kinds/shown';
import { plural } from '../page-data';
import { Grip } from '../room/marks';
import { mayStandOn } from '../room/shown';
import { fitNote } from '../surface/text-fit';
import type { Attachment, MarkBody, NewMark, Style } from '../wire/forms';

const SIDE = 5200;
const GAP = 400;
const IN_ROW = 3;
const POINT = 4;

interface Texts {
  readonly brought: string;
  readonly broughtOne: string;
}

export function broughtOf(editor: () => Editor, who: string, lesson: string, texts: Texts) {
  const kept = broughtCards(who, lesson);

  return {
    count: 0,
    words: '',

    init(): void {
      kept.watch(() => this.refresh());
      this.refresh();
    },

    refresh(): void {
      this.count = kept.all().length;
      this.words = this.count > 0 ? plural(texts, 'brought', this.count) : '';
    },

    /** Puts all of them on the page, where one looks. */
    put(): void {
      const { surface, selection, language, note, sheets, page, me } = editor();
      const at = surface.middle();
      const cards = kept.all();
      const columns = Math.min(IN_ROW, cards.length);
      const left = Math.max(0, at.x - (columns * (SIDE + GAP)) / 2);
      const marks = cards.flatMap((card, i) => {
        const x = Math.round(left + (i % IN_ROW) * (SIDE + GAP));
        const y = Math.round(Math.max(0, at.y - SIDE / 2) + Math.floor(i / IN_ROW) * (SIDE + GAP));
        return marksOf(card, x, y, note.colour, language, (a) => mayStandOn(sheets.page(page), a, me));
      });
      editor().use('choose');
      selection.paste(
        marks.map((mark, i) => ({ ...mark, id: i + 1 })),
        0,
      );
      this.leave();
    },

    leave(): void {
      kept.clear();
      this.refresh();
    },
  };
}

type Drawn = Omit<NewMark, 'id'>;

function drawn(body: MarkBody, style: Style): Drawn {
  return { grip: Grip.Own, body, style, place: { x: 0, y: 0, turn: 0 }, scale: null, cuts: [], tie: 0 };
}

/** A note with the words and whose they are, and below it what the card shows. */
function marksOf(
  card: BroughtCard,
  x: number,
  y: number,
  colour: number,
  usual: string,
  mayStand: (attachment: Attachment) => boolean,
): Drawn[] {
  const text = [card.text, card.by && `— ${card.by}`].filter(Boolean).join('\n');
  const marks: Drawn[] = [];
  let below = y;
  if (text) {
    const { lines, size, width, height } = fitNote(text, SIDE, SIDE, 0);
    const words = { text, language: card.language || usual, lines, size, also: null };
    marks.push(drawn({ kind: 'note', x, y, width, height, words }, { colour, width: 0, fill: 0, looks: 0 }));
    below += height + GAP;
  }
  for (const attachment of card.attachments) {
    const [shown, height] = mayStand(attachment) ? asItIs(attachment, x, below) : shownAt(attachment, x, below);
    marks.push(...shown);
    below += height + GAP;
  }
  return marks;
}

/** What can be played or opened on the page too. */
function asItIs(shown: Attachment, x: number, y: number): [Drawn[], number] {
  const size = sizeOf(shown);
  return [[drawn({ kind: 'shown', x, y, ...size, shown }, { colour: 0, width: 0, fill: 0, looks: 0 })], size.height];
}

/** What is shown, as marks, and how high it is. */
function shownAt(attachment: Attachment, x: number, y: number): [Drawn[], number] {
  const plain = { colour: 0, width: 0, fill: 0, looks: 0 };
  switch (attachment.kind) {
    case 'picture': {
      const { media, description } = attachment;
      const height = Math.round((SIDE * attachment.height) / attachment.width);
      return [[drawn({ kind: 'picture', x, y, width: SIDE, height, media, description, text: null }, plain)], height];
    }
    case 'formula': {
      const { width, height, source, outline } = attachment;
      return [[drawn({ kind: 'formula', x, y, width, height, source, outline }, plain)], height];
    }
    case 'drawing': {
      const moved = attachment.strokes.map(({ points, style }) => {
        const at = points.map((n, i) => (i % POINT === 0 ? n + x : i % POINT === 1 ? n + y : n));
        return drawn({ kind: 'ink', points: at }, style);
      });
      return [moved, Math.max(0, ...attachment.strokes.flatMap((s) => s.points.filter((_, i) => i % POINT === 1)))];
    }
    case 'film':
      if (attachment.still) {
        const { still, words } = attachment;
        const height = Math.round((SIDE * attachment.height) / attachment.width);
        const picture = {
          kind: 'picture',
          x,
          y,
          width: SIDE,
          height,
          media: still,
          description: words,
          text: null,
        } as const;
        return [[drawn(picture, plain)], height];
      }
      return inWords([clock(attachment.duration), attachment.words]);
    case 'link':
      return inWords([attachment.title, attachment.address]);
    case 'voice':
      return inWords([clock(attachment.duration), attachment.words]);
    case 'file':
      return inWords([attachment.name, attachment.description]);
    default:
      return [[], 0];
  }

  /** What cannot be played or opened on a page is told of there. */
  function inWords(said: readonly string[]): [Drawn[], number] {
    const text = said.filter(Boolean).join('\n');
    const { lines, size, width, height } = fitNote(text, SIDE, SIDE, 0);
    const words = { text, language: '', lines, size, also: null };
    return [[drawn({ kind: 'note', x, y, width, height, words }, plain)], height];
  }
}
