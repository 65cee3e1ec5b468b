// What is said of cards by a press: judging them, scoring them, responding with stamps; and what it came to. Fetched where a teacher asks for any of it.

import { type TemplateResult, html, nothing, render } from 'lit-html';
import css from '../../Pages/Student/said-of-cards.css';
import { JudgingView } from '../judging/judging-view';
import { fill } from '../page-data';
import type { Card } from '../room/wall-state';
import { useStyles } from '../styles/with-script';
import { textIn } from '../surface/in-language';
import { JudgingKind } from '../wire/forms';
import { judgingOfCards } from './card-judging';
import { Responding } from './responding';
import { ScoringForm } from './scoring';
import type { WallSide } from './wall-side';

useStyles(css);

export class SaidOfCards {
  private readonly judging: JudgingView<Card>;
  private readonly scoring: ScoringForm;
  private readonly responding: Responding;

  /** @param refresh draws the wall anew, and then puts the focus where it is wanted. */
  constructor(
    private readonly side: WallSide,
    refresh: (focus?: string) => void,
  ) {
    this.judging = new JudgingView(judgingOfCards(() => side));
    this.scoring = new ScoringForm(side, refresh);
    this.responding = new Responding(() => side);
  }

  /** What is drawn for all cards depends on this, besides the plan. */
  commonKeys(): readonly unknown[] {
    return this.judging.commonKeys();
  }

  /** What is drawn for a card depends on this, besides the card. */
  keyOf(card: Card): unknown {
    return this.judging.keyOf(card);
  }

  /** Whether somebody is in the middle of saying something of it. */
  isOpen(card: Card): boolean {
    return this.scoring.isOpen(card);
  }

  of(card: Card): TemplateResult {
    return html`${this.judging.mayJudge(card) ? this.buttons(card) : nothing}${this.judging.results(card)}${this.responding.of(card)}`;
  }

  /** What the presses mean, once for all cards. */
  explainIn(root: HTMLElement): void {
    const { state, texts, read, written } = this.side;
    const { judging } = state.plan.rules;
    const criterion = judging?.kind === JudgingKind.Score ? judging.criterion : null;
    const says = criterion && textIn(criterion.says, [read[0]], written);
    render(
      html`${
        says
          ? html`<p class="legend-criterion">
              <b>${fill(texts.scoredBy, criterion.points)}</b> <span dir="auto">${says}</span>
            </p>`
          : nothing
      }${this.responding.legend()}`,
      root,
    );
  }

  private buttons(card: Card): TemplateResult {
    const isScored = this.side.state.plan.rules.judging!.kind === JudgingKind.Score;
    return isScored ? this.scoring.of(card) : this.judging.buttons(card);
  }
}
