// Sitting beside a student: whose work is next, what was said to them and by them, and leading the class from here.

import '../in-tray/tray-count';
import { fill, plural } from '../page-data';
import { BESIDE, type Editor } from '../editor/editor';
import { Leading } from '../lesson/leading';
import { callToOwnBoard } from '../lesson/own-board';
import { boardOf, listenForNeighbours, type Neighbour, neighboursOf, noteLooking } from '../lesson/neighbours';
import type { LessonState } from '../room/lesson-state';
import { Standing } from '../room/lesson-state';
import type { RoomClient } from '../room/room-client';
import type { Command } from '../room/wire';
import { showTime } from '../show-moment';
import { boundsOfAll } from '../shapes/placed';
import { type Spot, SpotKind } from '../wire/forms';
import type { BoardData, BoardTexts } from './board-data';

interface Line {
  readonly key: string;
  readonly words: string;
  readonly at: string;
  /** Whether a student says it. */
  readonly isAnswer: boolean;
  /** Whether the student has read it. */
  readonly isRead: boolean;
}

const BESIDE_EVERY_MS = 4000;
const MOST_LINES = 6;

export function besideOf(
  data: BoardData,
  lesson: () => RoomClient<LessonState> | null,
  editor: () => Editor,
  texts: BoardTexts,
  took: (people: readonly number[]) => void,
) {
  const { lesson: id, work, part = 1, actor: me } = data;
  const whose = data.visits ?? [];
  const [before, after] = neighboursOf(id, work);
  const submit = (command: Command) => {
    const room = lesson();
    if (room?.client) room.submit(command);
  };
  const leading = new Leading(lesson, part, me, () => {
    const { page, surface } = editor();
    return { page, middle: surface.middle(), nearness: surface.nearness };
  });
  const spotHere = (): Spot => ({ part, kind: SpotKind.Page, id: editor().page, x: 0, y: 0 });
  /** What is chosen, if anything is; else the page. */
  const spotChosen = (): Spot => {
    const { marks } = editor().selection;
    if (marks.length === 0) return spotHere();
    const { x, y, width, height } = boundsOfAll(marks);
    const within = (n: number) => Math.max(0, Math.round(n));
    return { ...spotHere(), kind: SpotKind.Place, x: within(x + width / 2), y: within(y + height / 2) };
  };

  /** From a board of one's own; not from that of somebody beside whom one sits. */
  const leads = whose.length === 0;
  let isBegun = false;

  noteLooking(id, work);
  editor().onHover((x, y) => leads && leading.pointed(x, y));
  const laidOut = editor().surface.onZoom;
  editor().surface.onZoom = (percent) => {
    laidOut(percent);
    if (leads && isBegun) leading.moved();
  };
  editor().selection.onTakenDown = took;
  if (!leads && !data.quiet) setInterval(() => editor().preview([BESIDE]), BESIDE_EVERY_MS);
  listenForNeighbours(id, [before, after], data.quiet);

  return {
    before: before as Neighbour | null,
    after: after as Neighbour | null,
    isWith: !leads,
    /** Whose board it is, and whether they are in. */
    people: [] as { number: number; name: string; isIn: boolean; key: string }[],
    /** What I say to whoever works here. */
    words: '',
    lines: [] as Line[],
    /** Whose marks I took down just now, and what they are told of why. */
    tookDownOf: [] as readonly number[],
    why: '',
    isLeading: false,
    ledText: '',

    hrefOf(neighbour: Neighbour | null): string | null {
      return neighbour && boardOf(id, neighbour, data.quiet);
    },

    refresh(): void {
      const room = lesson();
      if (!room) return;
      const { calls, people } = room.state;
      this.isLeading = leading.call > 0;
      this.people = (data.belong ?? []).map(({ number, name }) => ({
        number,
        name,
        isIn: people.get(number)?.standing === Standing.In,
        key: `/lesson/${id}/people/${number}/key`,
      }));
      if (leads) this.follow();
      const call = calls.get(leading.call);
      const led = [...people.values()].filter(
        (p) => p.standing === Standing.In && (call?.people.length === 0 || call?.people.includes(p.number)),
      );
      this.ledText = call ? plural(texts, 'leads', led.length) : '';
      const isOne = (person: number) => whose.includes(person);
      const said = [...calls.values()].filter((c) => c.words !== '' && c.people.some(isOne));
      this.lines = said.slice(-MOST_LINES).flatMap((c) => [
        {
          key: String(c.number),
          words: c.words,
          at: showTime(c.at, data.zone),
          isAnswer: false,
          isRead: whose.every((p) => !c.people.includes(p) || c.read.includes(p)),
        },
        ...c.answers
          .filter((a) => isOne(a.person))
          .map((a) => ({
            key: `${c.number} ${a.person}`,
            words: a.words,
            at: showTime(a.at, data.zone),
            isAnswer: true,
            isRead: true,
          })),
      ]);
    },

    /** Who leads goes on from where they have led, once both the lesson and the board are read; then the class goes where they go. */
    follow(): void {
      const room = lesson()!;
      if (!isBegun && room.number > 0 && editor().sheets.pages.length > 0) {
        isBegun = true;
        const to = room.state.calls.get(leading.call)?.to;
        if (to?.part === part && editor().sheets.pages.some((p) => p.id === to.id)) editor().turnToPage(to.id);
      }
      if (isBegun) leading.moved();
    },

    takeOut(person: number): void {
      submit({ kind: 'removePerson', person });
    },

    /** With the work that they had. */
    letBackIn(person: number): void {
      submit({ kind: 'admitPerson', person });
    },

    say(): void {
      const words = this.words.trim();
      if (words === '') return;
      submit({ kind: 'callClass', people: whose, words, to: null, stays: false });
      this.words = '';
    },

    tookDown(people: readonly number[]): void {
      this.tookDownOf = people;
    },

    get whyWords(): string {
      const [one, ...others] = this.tookDownOf as readonly number[];
      const name = one !== undefined && others.length === 0 ? editor().nameOf(one) : '';
      return name ? fill(texts.sayWhyTo, name) : texts.sayWhy;
    },

    /** Why something was taken down: a line to whoever made it. */
    sayWhy(): void {
      const words = this.why.trim();
      if (words === '') return;
      submit({ kind: 'callClass', people: this.tookDownOf, words, to: null, stays: false });
      this.leaveWhy();
    },

    leaveWhy(): void {
      this.tookDownOf = [];
      this.why = '';
    },

    /** What was typed is given back. */
    refused(command: Command): void {
      if (command.kind === 'callClass' && this.words === '') this.words = command.words;
    },

    callAll(): void {
      submit({ kind: 'callClass', people: [], words: '', to: spotChosen(), stays: false });
    },

    /** My own board is laid beside everybody's work. */
    showMine(): void {
      const room = lesson();
      if (room?.client) callToOwnBoard(room, { part, page: editor().page, people: [] });
    },

    leadAll(): void {
      submit({ kind: 'callClass', people: [], words: '', to: spotHere(), stays: true });
    },

    letGo(): void {
      submit({ kind: 'endCall', number: leading.call });
    },

    get pageWords(): string {
      const { sheets, page, selection } = editor();
      if (selection.marks.length > 0) return texts.callChosen;
      return fill(texts.callHere, sheets.pages.findIndex((p) => p.id === page) + 1);
    },
  };
}

export type Beside = ReturnType<typeof besideOf>;
