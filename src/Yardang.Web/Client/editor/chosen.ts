// The marks that are chosen: what they have in common, and what can be done with them.

import { type Body, Grip, type Mark, Property, isBox } from '../room/marks';
import { isTold } from '../room/concerns';
import type { Side } from '../tools/arranging';
import { bounds } from '../surface/hit';
import { authorOf } from './author';
import { wordsOf } from '../kinds/shown';
import { type Attachment, TakenDown } from '../wire/forms';
import type { Editor } from './editor';

const MM = 100;
const TURN_STEP = 15;
/** How far the handle for turning stands over what is chosen, in pixels. */
const HANDLE = 52;

type ExactField = 'x' | 'y' | 'width' | 'height' | 'turn';

/** @param by "by {0}" in the language of the interface. */
export function chosenOf(editor: () => Editor, by: string, saidAloud = '') {
  const selection = () => editor().selection;

  return {
    count: 0,
    /** Kind of the only one that is chosen. */
    kind: '' as Body['kind'] | '',
    grip: null as Grip | null,
    /** Who wrote it, where that is one other. */
    author: '',
    tied: false,
    pinned: false,
    mayRub: false,
    /** What students put there, which a teacher may take down; whether all of it is down. */
    mayTakeDown: false,
    isDown: false,
    /** Whether the teacher may be told that it is not all right; whether they were. */
    mayTell: false,
    isTold: false,
    mayMove: false,
    mayStyle: false,
    canConnect: false,
    hasShape: false,
    hasWords: false,
    hasLine: false,
    fill: 0,
    looks: 0,
    /** What a picture shows, or what is said in a recording: what is to be written to it. */
    description: null as string | null,
    /** What kind of thing it is that is shown, where it is one. */
    shown: '' as Attachment['kind'] | '',
    label: '',
    tip: { x: 0, y: 0 },
    exact: { x: 0, y: 0, width: 0, height: 0, turn: 0 },
    exactOpen: false,
    /** Whether anything was ever chosen: before, there is no bar for it. */
    wasUsed: false,
    /** Whether the bar is at the head of the page: at its foot it would lie over what is chosen. */
    isAtHead: false,

    refresh(): void {
      const { marks } = selection();
      this.count = marks.length;
      this.wasUsed ||= this.count > 0;
      this.grip = selection().commonGrip;
      const [first] = marks;
      const isOfOne =
        first !== undefined && marks.every((m) => m.author === first.author && m.byStaff === first.byStaff);
      this.author = isOfOne && first.grip === Grip.Own ? authorOf(first, editor(), by) : '';
      if (this.author && saidAloud && marks.every((m) => m.putBy > 0)) this.author += `, ${saidAloud}`;
      this.tied = selection().areTied;
      this.pinned = selection().arePinned;
      this.canConnect = selection().canConnect;
      const { sheets, me } = editor();
      this.isDown = marks.length > 0 && marks.every((m) => m.down !== TakenDown.No);
      this.mayTakeDown = me.isStaff && selection().mayAll(Property.Down);
      this.mayTell = marks.length === 1 && sheets.mayTell(marks[0]!.id, 0, me);
      this.isTold = marks.length === 1 && !me.isStaff && isTold(sheets.concerns, marks[0]!.id, 0);
      this.mayMove = marks.every((m) => selection().mayChoose(m));
      this.mayRub = selection().mayAll(Property.Erased);
      this.mayStyle = selection().mayAll(Property.Style);
      this.hasShape = this.mayStyle && marks.every((m) => m.body.kind === 'shape');
      this.hasWords = this.mayStyle && marks.every((m) => isBox(m.body));
      this.hasLine = this.mayStyle && marks.every(isLine);
      this.fill = marks[0]?.style.fill ?? 0;
      this.looks = marks.reduce((all, m) => all & m.style.looks, marks[0]?.style.looks ?? 0);
      const body = this.mayStyle ? selection().only?.body : undefined;
      this.kind = body?.kind ?? '';
      this.description =
        body?.kind === 'picture' ? body.description : body?.kind === 'shown' ? wordsOf(body.shown) : null;
      const one = marks.length === 1 ? marks[0]!.body : undefined;
      this.shown = one?.kind === 'shown' ? one.shown.kind : '';
      this.label = body?.kind === 'connector' ? (body.label?.text ?? '') : '';
      if (body?.kind === 'bubble') {
        const { place } = selection().only!;
        Object.assign(this.tip, { x: (body.tipX + place.x) / MM, y: (body.tipY + place.y) / MM });
      }
      // Number by number: a field in which somebody is typing is left alone as long as its own has not changed.
      Object.assign(this.exact, selection().exact);
    },

    /** Called whenever what is chosen lies elsewhere. */
    place(bar: HTMLElement): void {
      requestAnimationFrame(() => {
        const { surface } = editor();
        const boxes = selection().marks.map(bounds);
        if (boxes.length === 0) return;
        const top = surface.toScreen(0, Math.min(...boxes.map((b) => b.y))).y - HANDLE;
        const bottom = surface.toScreen(0, Math.max(...boxes.map((b) => b.y + b.height))).y;
        const high = bar.parentElement!.parentElement!.clientHeight;
        const over = { head: bar.offsetHeight - top, foot: bottom - (high - bar.offsetHeight) };
        this.isAtHead = over.foot > 0 && over.head < over.foot;
      });
    },

    duplicate: () => selection().duplicate(),
    copy: () => editor().copy(),
    rubOut: () => selection().rubOut(),
    chooseAllByAuthor: () => selection().chooseAllByAuthor(),
    hide: () => selection().takeDown(TakenDown.Hidden),
    remove: () => selection().takeDown(TakenDown.Removed),
    putBack: () => selection().takeDown(TakenDown.No),
    turnLeft: () => selection().turnBy(-TURN_STEP),
    turnRight: () => selection().turnBy(TURN_STEP),
    toFront: () => selection().toFront(),
    toBack: () => selection().toBack(),
    toggleTie: () => selection().toggleTie(),
    togglePin: () => selection().togglePin(),
    connect: () => selection().connect(),
    align: (side: Side) => selection().align(side),
    spread: (across: boolean) => selection().distribute(across),
    regrip: (grip: Grip) => selection().grip(grip),
    recolour: (colour: number) => selection().restyle(() => ({ colour })),
    refill: (fill: number) => selection().restyle(() => ({ fill })),
    resizeWords: (factor: number) => selection().resizeWords(factor),
    toggleList: (numbered: boolean) => selection().toggleList(numbered),
    toggleLooks: (looks: number) => selection().toggleLooks(looks),
    openShown: () => selection().marks.forEach((mark) => editor().edit(mark)),
    describe: (words: string) => selection().describe(words),
    relabel: (text: string) => selection().label(text),

    shows(looks: number): boolean {
      return (this.looks & looks) !== 0;
    },

    toggleExact(): void {
      this.exactOpen = !this.exactOpen;
    },

    setExact(field: ExactField, value: string): void {
      selection().setExact(field, Number.parseFloat(value));
    },

    setTip(axis: 'x' | 'y', value: string): void {
      const { only } = selection();
      const at = Math.round(Number.parseFloat(value) * MM);
      if (only?.body.kind !== 'bubble' || !Number.isFinite(at)) return;
      const { body, place } = only;
      selection().remake(axis === 'x' ? { ...body, tipX: at - place.x } : { ...body, tipY: at - place.y });
    },

    /** The address that hands these out, and nothing else. */
    handOut: (to: string) =>
      location.assign(
        to +
          selection()
            .marks.map((m) => m.id)
            .join(','),
      ),
  };
}

function isLine({ body }: Mark): boolean {
  return body.kind === 'connector' || (body.kind === 'shape' && body.shape === 1);
}
