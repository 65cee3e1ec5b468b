// What is said about a zone: its name, what counts as in it, and what is expected of it.

import type { SheetSession } from '../board/sheet-session';
import { textIn } from '../surface/in-language';
import { type Expectation, type ZoneBody, ZoneRule } from '../room/marks';

const NOTHING: Expectation = { marks: [], answers: [], least: null, most: null };

export function zoneControls(session: () => SheetSession, language: string, expectText: (count: number) => string) {
  const zone = (): ZoneBody | null => {
    const body = session().selection.only?.body;
    return body?.kind === 'zone' ? body : null;
  };
  const remake = (values: Partial<ZoneBody>) => {
    const body = zone();
    if (body) session().selection.remake({ ...body, ...values });
  };
  const expect = (values: Partial<Expectation>) => {
    const expected = { ...(zone()?.expected ?? NOTHING), ...values };
    const isNothing =
      expected.marks.length + expected.answers.length === 0 && expected.least === null && expected.most === null;
    remake({ expected: isNothing ? null : expected });
  };

  return {
    hasZone: false,
    zoneName: '',
    zoneRule: ZoneRule.Centre as number,
    zoneFill: 0,
    zoneAnswers: '',
    zoneLeast: '',
    zoneMost: '',
    zoneExpects: '',
    zoneHasMarks: false,

    refreshZone(): void {
      const body = zone();
      this.hasZone = body !== null;
      if (!body) return;
      const expected = body.expected ?? NOTHING;
      this.zoneName = textIn(body.name, [], language);
      this.zoneRule = body.rule;
      this.zoneFill = session().selection.only?.style.fill ?? 0;
      this.zoneAnswers = expected.answers.join('\n');
      this.zoneLeast = String(expected.least ?? '');
      this.zoneMost = String(expected.most ?? '');
      this.zoneExpects = expectText(expected.marks.length);
      this.zoneHasMarks = expected.marks.length > 0;
    },

    nameZone(name: string): void {
      const body = zone();
      if (body) remake({ name: name.trim() ? { ...body.name, [language]: name.trim() } : {} });
    },

    ruleZone(rule: string): void {
      remake({ rule: Number(rule) });
    },

    answerZone(text: string): void {
      const answers = text.split('\n').map((line) => line.trim().slice(0, 120));
      expect({ answers: [...new Set(answers.filter((a) => a))] });
    },

    limitZone(which: 'least' | 'most', text: string): void {
      const number = Number.parseInt(text, 10);
      expect({ [which]: Number.isFinite(number) && number >= 0 ? Math.min(number, 1000) : null });
    },

    /** What lies in the zone now belongs there: Core says what does. */
    async expectWhatLiesThere(): Promise<void> {
      const only = session().selection.only;
      if (!only) return;
      const answer = await fetch(`?handler=InZone&zone=${only.id}`);
      if (answer.ok) expect({ marks: (await answer.json()) as number[] });
    },

    expectNoMarks(): void {
      expect({ marks: [] });
    },
  };
}
