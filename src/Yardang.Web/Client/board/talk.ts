// What is said to the marks of this board, and chosen among them: whether there is any, and what of it is looked at. What draws it is fetched when it is needed.

import type { Editor } from '../editor/editor';
import { Fetched } from '../fetched';
import { fill } from '../page-data';
import { isJudged, mayJudge } from '../room/mark-choice';
import { ANSWER_TOOL, type MarkTalk, mayAnswer } from '../room/mark-talk';
import { inTime } from '../room/threads';
import { JudgingKind, StudentActs } from '../wire/forms';
import type { TalkPanel, TalkPlace } from './talk-panel';

interface Vote {
  readonly value: number;
  readonly words: string;
  readonly isGiven: boolean;
  readonly isPossible: boolean;
}

interface Counts {
  readonly talk: MarkTalk;
  readonly all: number;
  readonly by: ReadonlyMap<number, number>;
}

function countsOf(talk: MarkTalk): Counts {
  const by = new Map([...talk].map(([mark, said]) => [mark, inTime(said).length]));
  return { talk, by, all: [...by.values()].reduce((sum, n) => sum + n, 0) };
}

/** @param place where it is drawn, and what it is drawn from. */
export function talkOf(editor: () => Editor, place: () => TalkPlace, isShared: boolean, looksOnly: boolean) {
  const panel = new Fetched<TalkPanel>(
    async () => {
      const { TalkPanel: Made } = await import('./talk-panel');
      return new Made(editor(), place());
    },
    () => panel.get()?.refresh(),
  );

  // Counted anew only when something was said: this is asked for with every stroke.
  let counted = countsOf(new Map());

  // To which the focus goes back.
  let openedBy: HTMLElement | null = null;

  return {
    isOpen: false,
    /** How many answers there are on this board. */
    all: 0,
    /** How many there are to what is chosen. */
    here: 0,
    /** Whether there is anything to look at. */
    isAny: false,
    /** Whether there is one mark that is or can be talked about. */
    isPossible: false,
    /** What can be said of what is chosen, by a press. */
    votes: [] as readonly Vote[],
    /** How students judge what is there, in words; empty where they do not. */
    judging: '',

    refresh(): void {
      const { sheets, selection, me } = editor();
      if (sheets.talk !== counted.talk) counted = countsOf(sheets.talk);
      this.all = counted.all;
      const one = selection.marks.length === 1 ? selection.marks[0]! : null;
      this.here = one ? (counted.by.get(one.id) ?? 0) : 0;
      this.judging = this.judgingWords();
      this.votes = one ? this.votesFor(one.id) : [];
      // On a board of one's own there is nobody to talk to, until somebody says something.
      const mayBegin = !looksOnly && (isShared || me.isStaff);
      const isGiven = sheets.pages.some((p) => me.isStaff || (p.withheld & ANSWER_TOOL) === 0);
      this.isAny = this.all > 0 || this.judging !== '' || (isShared && isGiven && !looksOnly);
      this.isPossible = one !== null && (this.here > 0 || (mayBegin && mayAnswer(sheets, one.id, me)));
      const { rule, judgements } = sheets.choice;
      if (this.all > 0 || this.isOpen || rule || judgements.results.length > 0) panel.get()?.refresh();
    },

    judgingWords(): string {
      const { sheets, me } = editor();
      const { rule, judgements } = sheets.choice;
      const { texts } = place();
      if (!rule) return '';
      if (judgements.isShown) return texts.judgingShown;
      if (rule.kind === JudgingKind.Agree) return texts.judgingAgree;
      const chosen = judgements.chosenBy(me.number, (id) => isJudged(sheets, id));
      return me.isStaff ? fill(texts.judgingChoose, rule.choices) : fill(texts.judgingChosen, chosen, rule.choices);
    },

    votesFor(mark: number): readonly Vote[] {
      const { sheets, me } = editor();
      const { rule, judgements } = sheets.choice;
      if (!rule || looksOnly || !mayJudge(sheets, mark, 0, me)) return [];
      const { agree, unsure, disagree, choose, chosen } = place().texts;
      const said = judgements.by(me.number, mark);
      const words = rule.kind === JudgingKind.Agree ? [agree, unsure, disagree] : [said === 1 ? chosen : choose];
      return words.map((w, at) => ({
        value: at + 1,
        words: w,
        isGiven: said === at + 1,
        isPossible: editor().may(StudentActs.Judge) && mayJudge(sheets, mark, at + 1, me),
      }));
    },

    vote({ value, isGiven }: Vote): void {
      const [one] = editor().selection.marks;
      if (!one || !editor().may(StudentActs.Judge)) return;
      editor().submit({ kind: 'judgeCard', card: one.id, value: isGiven ? 0 : value, reason: '', words: '' }, 0);
    },

    /** What is said to what is chosen; where nothing is, all. */
    open(): void {
      if (!this.isOpen) openedBy = document.activeElement as HTMLElement | null;
      this.isOpen = true;
      panel.get()?.begin();
      this.refresh();
    },

    close(): void {
      const hadFocus = place().panel.parentElement!.contains(document.activeElement);
      this.isOpen = false;
      panel.get()?.refresh();
      if (hadFocus) openedBy?.focus();
    },

    toggle(): void {
      if (this.isOpen) this.close();
      else this.open();
    },
  };
}
