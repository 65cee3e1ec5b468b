// What is said about a zone: its name, what counts as in it, and what is expected of it.

import type { Editor } from '../editor/editor';
import { type Expectation, type ZoneBody, ZoneRule } from '../room/marks';
import { textIn } from '../surface/in-language';

const NOTHING: Expectation = { marks: [], answers: [], least: null, most: null };

export function zoneOf(editor: () => Editor, language: string, expectText: (count: number) => string) {
  const chosen = (): ZoneBody | null => {
    const body = editor().selection.only?.body;
    return body?.kind === 'zone' ? body : null;
  };
  const remake = (values: Partial<ZoneBody>) => {
    const body = chosen();
    if (body) editor().selection.remake({ ...body, ...values });
  };
  const expect = (values: Partial<Expectation>) => {
    const expected = { ...(chosen()?.expected ?? NOTHING), ...values };
    const isNothing =
      expected.marks.length + expected.answers.length === 0 && expected.least === null && expected.most === null;
    remake({ expected: isNothing ? null : expected });
  };

  return {
    isChosen: false,
    name: '',
    rule: ZoneRule.Centre as number,
    fill: 0,
    answers: '',
    least: '',
    most: '',
    expects: '',
    hasMarks: false,

    refresh(): void {
      const body = chosen();
      this.isChosen = body !== null;
      if (!body) return;
      const expected = body.expected ?? NOTHING;
      this.name = textIn(body.name, [], language);
      this.rule = body.rule;
      this.fill = editor().selection.only?.style.fill ?? 0;
      this.answers = expected.answers.join('\n');
      this.least = String(expected.least ?? '');
      this.most = String(expected.most ?? '');
      this.expects = expectText(expected.marks.length);
      this.hasMarks = expected.marks.length > 0;
    },

    rename(name: string): void {
      const body = chosen();
      if (body) remake({ name: name.trim() ? { ...body.name, [language]: name.trim() } : {} });
    },

    setRule(rule: string): void {
      remake({ rule: Number(rule) });
    },

    setAnswers(text: string): void {
      const answers = text.split('\n').map((line) => line.trim().slice(0, 120));
      expect({ answers: [...new Set(answers.filter((a) => a))] });
    },

    limit(which: 'least' | 'most', text: string): void {
      const number = Number.parseInt(text, 10);
      expect({ [which]: Number.isFinite(number) && number >= 0 ? Math.min(number, 1000) : null });
    },

    /** What lies in the zone now belongs there: Core says what does. */
    async expectWhatLiesThere(): Promise<void> {
      const only = editor().selection.only;
      if (!only) return;
      const answer = await fetch(`?handler=InZone&zone=${only.id}`);
      if (answer.ok) expect({ marks: (await answer.json()) as number[] });
    },

    expectNoMarks(): void {
      expect({ marks: [] });
    },
  };
}
