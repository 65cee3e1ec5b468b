// Talk about marks, beside the page: all of it, or that about what is chosen. On the page a mark with answers has their number at its corner.

import shownCss from '../../Pages/Student/attachments.css';
import css from '../../Pages/Student/talk.css';
import judgedCss from '../../Pages/Student/said-of-cards.css';
import { type TemplateResult, html, nothing, render } from 'lit-html';
import { repeat } from 'lit-html/directives/repeat.js';
import type { Editor } from '../editor/editor';
import { JudgingView, type JudgingTexts } from '../judging/judging-view';
import { fill, plural } from '../page-data';
import type { Moderating } from '../moderation/moderating';
import { isTold } from '../room/concerns';
import { isJudged, mayJudge } from '../room/mark-choice';
import { mayAnswer, mayChange } from '../room/mark-talk';
import { type Mark, stands } from '../room/marks';
import { inTime } from '../room/threads';
import { useStyles } from '../styles/with-script';
import { bounds } from '../surface/hit';
import type { Drafts } from '../threads/drafts';
import { answerLine } from '../threads/answer-words';
import type { Speaking } from '../threads/speaking';
import type { About, TalkTexts } from '../threads/talk';
import { Threads } from '../threads/threads';
import { MarkJudging } from './mark-judging';
import { StudentActs } from '../wire/forms';

useStyles(shownCss);
useStyles(judgedCss);
useStyles(css);

export interface BoardTalkTexts extends TalkTexts, JudgingTexts {
  readonly talkAll: string;
  readonly talkRest: string;
  readonly talkGone: string;
  readonly talkNone: string;
  readonly judgingChoose: string;
  readonly judgingChosen: string;
  readonly judgingAgree: string;
  readonly judgingShown: string;
  readonly judgingHeading: string;
  readonly judgingHow: string;
  readonly howMany: string;
  readonly letChoose: string;
  readonly letAgree: string;
  readonly endJudging: string;
  readonly showResults: string;
  readonly goOnJudging: string;
  readonly newRound: string;
  readonly judgingNow: string;
  readonly judgingOver: string;
  readonly judgedNobody: string;
  readonly judgeWho: string;
  readonly judgedBy: string;
  readonly judgedByOne: string;
  readonly judgeOut: string;
  readonly judgeIn: string;
  readonly judgeNotCounted: string;
  readonly judgedSome: string;
  readonly judgedSomeOne: string;
}

export interface TalkPlace {
  readonly panel: HTMLElement;
  readonly badges: HTMLElement;
  readonly texts: BoardTalkTexts;
  readonly drafts: Drafts;
  readonly looksOnly: boolean;
  readonly moderating: Moderating;
  /** Whether several students work here. */
  readonly isShared: boolean;
  read(): readonly [string, string];
  /** What a mark is, in words. */
  titleOf(mark: Mark): string;
  nameOf(actor: number): string;
  may(act: StudentActs): boolean;
  /** Where a file of the room is found. */
  address(media: string): string;
  /** Where teachers answer by voice; null for students. */
  readonly speaking: Speaking | null;
  isOpen(): boolean;
  /** Somebody wants to read what is said to a mark. */
  open(): void;
}

const FIRST_LETTERS = 60;

interface Talked extends About {
  readonly mark: Mark | null;
}

export class TalkPanel {
  private readonly threads: Threads<Talked>;
  private readonly judging: JudgingView<Talked>;
  private readonly steering: MarkJudging;
  private scheduled = false;
  /** Of what was rubbed out, what is read; 0 for none. */
  private gone = 0;
  private focusNext: string | null = 'h2';

  constructor(
    private readonly editor: Editor,
    private readonly place: TalkPlace,
  ) {
    const { client, me } = editor;
    const submit = (command: Parameters<typeof client.submit>[0]) => void client.submit(command, 0);
    const { texts, drafts, looksOnly } = place;
    this.threads = new Threads<Talked>(
      {
        texts,
        view: { texts, address: (media) => place.address(media) },
        speaking: place.speaking,
        drafts,
        me,
        looksOnly,
        get read() {
          return place.read();
        },
        titleOf: (about) => this.titleOf(about),
        nameOf: (actor) => place.nameOf(actor),
        mayWrite: () => place.may(StudentActs.Answer),
        mayAnswer: (about) => mayAnswer(editor.sheets, about.id, me),
        mayChangeAnswer: (about, answer) => mayChange(editor.sheets, about.id, answer, me),
        answer: (about, to, text, { aloud = false, shown = null } = {}) => {
          const id = client.newId();
          submit({
            kind: 'giveAnswer',
            about: about.id,
            id,
            to,
            language: editor.language,
            text,
            aloud,
            says: 0,
            shown,
          });
          return id;
        },
        rewordAnswer: (about, { id, language }, text) =>
          submit({ kind: 'rewordAnswer', about: about.id, id, language, text }),
        takeAnswerDown: (about, { id }) =>
          submit({ kind: 'takeAnswerDown', about: about.id, id, words: '', removes: false, asItsAuthor: false }),
        putAnswerBack: (about, { id }) => submit({ kind: 'putAnswerBack', about: about.id, id }),
        besideUp: (about, answer) =>
          place.moderating.tellButton(
            answer.text.slice(0, FIRST_LETTERS),
            isTold(editor.sheets.concerns, about.id, answer.id),
            client.client !== 0 && editor.sheets.mayTell(about.id, answer.id, me),
            (reason, words) => submit({ kind: 'raiseConcern', about: about.id, answer: answer.id, reason, words }),
          ),
        besideDown: (about, { id, author, downWhy, removed }) =>
          place.moderating.whyButton(place.nameOf(author), { words: downWhy, removes: removed }, (why) =>
            submit({ kind: 'takeAnswerDown', about: about.id, id, ...why, asItsAuthor: false }),
          ),
        notShown: place.moderating.notShown,
      },
      (focus) => {
        if (focus) this.focusNext = focus;
        this.refresh();
      },
    );
    this.judging = new JudgingView<Talked>({
      texts,
      me,
      looksOnly,
      most: 0,
      get rule() {
        return editor.sheets.choice.rule;
      },
      get judgements() {
        return editor.sheets.choice.judgements;
      },
      titleOf: (about) => this.titleOf(about),
      nameOf: (actor) => place.nameOf(actor),
      mayChoose: () => place.may(StudentActs.Judge),
      mayJudge: (about, value) => mayJudge(editor.sheets, about.id, value, me),
      isUp: (id) => isJudged(editor.sheets, id),
      judge: (about, value) => submit({ kind: 'judgeCard', card: about.id, value, reason: '', words: '' }),
    });
    this.steering = new MarkJudging(
      () => editor.sheets.choice,
      submit,
      (actor) => place.nameOf(actor),
      texts,
      () => this.refresh(),
    );
    editor.onView(() => this.layBadges());
  }

  /** It was opened: at its beginning. */
  begin(): void {
    this.gone = 0;
    this.focusNext = 'h2';
    this.refresh();
  }

  /** At the next frame, however often it is asked for. */
  refresh(): void {
    if (this.scheduled) return;
    this.scheduled = true;
    requestAnimationFrame(() => this.draw());
  }

  private draw(): void {
    this.scheduled = false;
    const { panel, badges } = this.place;
    render(this.place.isOpen() ? this.inPanel() : nothing, panel);
    render(this.onPage(), badges);
    this.layBadges();
    if (!this.focusNext || !this.place.isOpen()) return;
    panel.querySelector<HTMLElement>(this.focusNext)?.focus();
    this.focusNext = null;
  }

  private about(id: number): Talked {
    const { sheets } = this.editor;
    const mark = sheets.mark(id);
    const isThere = mark !== undefined && stands(mark) && sheets.pages.some((p) => p.id === mark.page);
    return { id, mark: isThere ? mark : null, answers: sheets.talk.get(id) ?? [] };
  }

  private titleOf({ mark }: Talked): string {
    return mark ? this.place.titleOf(mark) : this.place.texts.talkGone;
  }

  private inPanel(): TemplateResult {
    const { selection } = this.editor;
    const one = this.gone || (selection.marks.length === 1 ? selection.marks[0]!.id : 0);
    return one ? this.ofOne(this.about(one)) : this.ofAll();
  }

  private ofOne(about: Talked): TemplateResult {
    const { texts } = this.place;
    this.threads.show(about);
    return html`<h2 tabindex="-1" dir="auto">${this.titleOf(about)}</h2>
      ${this.ofJudging(about)} ${this.threads.thread(about)}
      <button type="button" class="button button-small button-quiet" @click=${() => this.leave()}>
        ${texts.talkRest}
      </button>`;
  }

  private ofJudging(about: Talked): unknown {
    const { rule } = this.editor.sheets.choice;
    const who = this.judging.whoSaid(about);
    return html`${rule && about.mark && this.judging.mayJudge(about) ? this.judging.buttons(about) : nothing}
    ${this.judging.results(about)}
    ${
      who.length > 0
        ? html`<ul class="talk-who">
            ${who.map((line) => html`<li dir="auto">${line}</li>`)}
          </ul>`
        : nothing
    }`;
  }

  private ofAll(): TemplateResult {
    const { texts } = this.place;
    const all = [...this.editor.sheets.talk.keys()]
      .map((id) => this.about(id))
      .map((about) => ({ about, last: inTime(about.answers).at(-1) }))
      .filter((t) => t.last)
      .sort((a, b) => b.last!.saidAt - a.last!.saidAt);
    const { me } = this.editor;
    return html`<h2 tabindex="-1">${texts.talkAll}</h2>
      ${me.isStaff && !this.place.looksOnly ? (this.place.isShared ? this.steering.draw() : nothing) : this.steering.explain()}
      ${all.length === 0 ? html`<p class="talk-none">${texts.talkNone}</p>` : nothing}
      <ol class="talk-all">
        ${repeat(
          all,
          ({ about }) => about.id,
          ({ about, last }) =>
            html`<li>
              <button type="button" @click=${() => this.go(about)}>
                <b dir="auto">${this.titleOf(about)}</b>
                <span dir="auto">${this.threads.authorOf(last!)}: ${answerLine(last!, texts)}</span>
                <small>${plural(texts, 'answers', inTime(about.answers).length)}</small>
              </button>
            </li>`,
        )}
      </ol>`;
  }

  /** Only where something is said, at the corner of the mark. */
  private onPage(): unknown {
    const { editor, place } = this;
    const { judgements } = editor.sheets.choice;
    const ids = new Set([...editor.sheets.talk.keys(), ...judgements.results.map((r) => r.card)]);
    const votes = (id: number) => judgements.shownOf(id).at(-1)?.counts[0] ?? 0;
    const on = [...ids]
      .map((id) => this.about(id))
      .filter((t) => t.mark?.page === editor.page && inTime(t.answers).length + votes(t.id) > 0);
    return repeat(
      on,
      (about) => about.id,
      (about) => {
        const count = inTime(about.answers).length;
        const said = [
          ...(count > 0 ? [plural(place.texts, 'answers', count)] : []),
          ...(votes(about.id) > 0 ? [this.votesIn(about.id)] : []),
        ];
        const words = `${said.join(', ')}: ${this.titleOf(about)}`;
        return html`<button
          type="button"
          class="talk-badge"
          data-talked=${about.id}
          aria-label=${words}
          @click=${() => this.go(about)}
        >
          ${count > 0 ? html`<span class="talk-count">${count}</span>` : nothing}
          ${votes(about.id) > 0 ? html`<span class="talk-votes">✓ ${votes(about.id)}</span>` : nothing}
        </button>`;
      },
    );
  }

  private votesIn(id: number): string {
    const { counts } = this.editor.sheets.choice.judgements.shownOf(id).at(-1)!;
    const { texts } = this.place;
    return counts.length === 1 ? plural(texts, 'chosenBy', counts[0]!) : fill(texts.said, ...counts);
  }

  private layBadges(): void {
    const { surface, sheets, page } = this.editor;
    const badges = this.place.badges.querySelectorAll<HTMLElement>('.talk-badge');
    // Connectors follow what they connect.
    const marks = badges.length > 0 ? new Map(sheets.visible(page).map((m) => [m.id, m])) : null;
    for (const badge of badges) {
      const mark = marks!.get(Number(badge.dataset['talked']));
      if (!mark) continue;
      const box = bounds(mark);
      const { x, y } = surface.toScreen(box.x + box.width, box.y);
      badge.style.translate = `calc(${x}px - 50%) calc(${y}px - 50%)`;
    }
  }

  private go({ id, mark }: Talked): void {
    const { editor } = this;
    if (mark) {
      if (mark.page !== editor.page) editor.turnToPage(mark.page);
      editor.use('choose');
      editor.choose(mark);
    }
    this.place.open();
    this.gone = mark ? 0 : id;
    this.focusNext = 'h2';
    this.refresh();
  }

  private leave(): void {
    this.gone = 0;
    this.editor.choose(null);
    this.focusNext = 'h2';
    this.refresh();
  }
}
