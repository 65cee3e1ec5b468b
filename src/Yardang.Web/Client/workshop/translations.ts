// What the activity says, beside what it says in another language: line by line, to be written or pasted.

import {
  type BoxBody,
  belongsToPage,
  type Change,
  type Mark,
  type Page,
  Grip,
  Property,
  type Texts,
  isBox,
} from '../room/marks';
import { fill } from '../page-data';
import { nameOfLanguage } from '../surface/in-language';
import { fitTranslation } from '../surface/text-fit';
import type { Changes } from '../editor/changes';
import { partOf } from '../room/sheets';
import type { WallPlan } from '../room/wall-state';
import type { Part } from '../wire/forms';
import { type PlanSayingKind, planSayings } from './plan-sayings';

export interface LanguageTexts {
  /** What is said in the plan of a wall is called. */
  readonly languageOfPlan: Readonly<Record<PlanSayingKind, string>>;
  readonly untranslated: string;
  readonly allTranslated: string;
  readonly languageName: string;
  readonly languageDirections: string;
  readonly languagePageName: string;
  readonly languagePageDirections: string;
  readonly languagePart: string;
  readonly languagePhase: string;
  readonly languageStarter: string;
  readonly languageMark: string;
}

interface Line {
  readonly key: string;
  /** Where it stands. */
  readonly about: string;
  readonly source: string;
  readonly text: string;
  readonly isLong: boolean;
}

interface Saying extends Omit<Line, 'text'> {
  readonly said: string;
  readonly change: (text: string) => Change;
}

const OFFERED =
  'ar bg bn bs cs da de el en es et fa fi fr ga he hi hr hu it ja ka ko ku lt lv mk mt nl no pl ps pt ro ru sk sl so sq sr sv ta ti tr uk ur vi zh';

export function translationsOf(
  editor: () => Changes,
  dialog: () => HTMLDialogElement,
  language: string,
  texts: LanguageTexts,
) {
  const set = (all: Texts, code: string, text: string): Texts => {
    const rest = Object.fromEntries(Object.entries(all).filter(([l]) => l !== code));
    return text.trim() ? { ...rest, [code]: text.trim() } : rest;
  };

  return {
    offered: OFFERED.split(' ')
      .filter((code) => code !== language)
      .map((code) => ({ code, name: `${nameOfLanguage(code)} (${code})` })),
    other: '',
    lines: [] as Line[],
    untranslated: 0,

    get untranslatedText(): string {
      return this.untranslated === 0 ? texts.allTranslated : fill(texts.untranslated, this.untranslated);
    },

    open(): void {
      this.refresh();
      dialog().showModal();
    },

    choose(code: string): void {
      this.other = code;
      this.refresh();
    },

    /** A line in which somebody writes is left alone; the others are brought up to date. */
    refresh(): void {
      const sayings = this.other ? this.sayings() : [];
      this.untranslated = sayings.filter((s) => !s.said).length;
      if (document.activeElement?.closest('.translations')) return;
      this.lines = sayings.map(({ change: _, said, ...line }) => ({ ...line, text: said }));
    },

    translate(key: string, text: string): void {
      const saying = this.sayings().find((s) => s.key === key);
      if (!saying || saying.said === text.trim()) return;
      editor().change(saying.change(text));
    },

    /** Everything that is said in the activity's own language, in reading order. */
    sayings(): Saying[] {
      const { sheets } = editor();
      const { other } = this;
      const ofTexts = (
        key: string,
        about: string,
        property: Property,
        target: number,
        all: Texts,
        isLong = false,
      ): Saying[] =>
        all[language]
          ? [
              {
                key,
                about,
                isLong,
                source: all[language],
                said: all[other] ?? '',
                change: (text) => ({ property, target, value: set(all, other, text) }),
              },
            ]
          : [];
      return [
        ...ofTexts('name', texts.languageName, Property.Name, 0, sheets.name),
        ...ofTexts('directions', texts.languageDirections, Property.Directions, 0, sheets.directions, true),
        ...this.pagesInOrder().flatMap((page: Page, i: number) => [
          ...ofTexts(`name-${page.id}`, fill(texts.languagePageName, i + 1), Property.PageName, page.id, page.name),
          ...ofTexts(
            `directions-${page.id}`,
            fill(texts.languagePageDirections, i + 1),
            Property.PageDirections,
            page.id,
            page.directions,
            true,
          ),
          ...this.starterSayings(page, i + 1),
          ...sheets.visible(page.id).flatMap((mark: Mark) => this.markSaying(mark, i + 1)),
        ]),
        ...sheets.parts.flatMap((part, i) => [...this.partSaying(part, i + 1), ...this.wallSayings(part)]),
        ...this.phaseSayings(),
      ];
    },

    /** Those of every part. */
    pagesInOrder(): Page[] {
      const { everyPage, parts } = editor().sheets;
      return parts.flatMap((part) =>
        everyPage.filter((p) => !p.erased && partOf(p) === part.number).sort((a, b) => a.order - b.order),
      );
    },

    partSaying({ number, name }: Part, nth: number): Saying[] {
      const { parts } = editor().sheets;
      if (!name?.[language]) return [];
      const change = (text: string): Change => ({
        property: Property.Parts,
        target: 0,
        value: parts.map((p) => (p.number === number ? { ...p, name: set(name, this.other, text) } : p)),
      });
      return [
        {
          key: `part-${number}`,
          about: fill(texts.languagePart, nth),
          isLong: false,
          source: name[language],
          said: name[this.other] ?? '',
          change,
        },
      ];
    },

    phaseSayings(): Saying[] {
      const { phases } = editor().sheets;
      return phases.flatMap(({ words }, at) => {
        if (!words[language]) return [];
        const change = (text: string): Change => ({
          property: Property.Phases,
          target: 0,
          value: phases.map((p, i) => (i === at ? { ...p, words: set(words, this.other, text) } : p)),
        });
        const about = fill(texts.languagePhase, at + 1);
        return [
          { key: `phase-${at}`, about, isLong: false, source: words[language], said: words[this.other] ?? '', change },
        ];
      });
    },

    wallSayings({ number, wall }: Part): Saying[] {
      const { parts } = editor().sheets;
      if (!wall) return [];
      const { other } = this;
      // What is said on a wall stands in its plan, and the plan in the list of parts.
      const changed = (plan: WallPlan): Change => ({
        property: Property.Parts,
        target: 0,
        value: parts.map((p) => (p.number === number ? { ...p, wall: plan } : p)),
      });
      return planSayings(wall)
        .filter(({ said }) => said[language])
        .map(({ key, kind, number: nth, said, isLong, put }) => ({
          key: `wall-${number}-${key}`,
          about: fill(texts.languageOfPlan[kind], nth),
          isLong,
          source: said[language]!,
          said: said[other] ?? '',
          change: (text: string) => changed(put(wall, set(said, other, text))),
        }));
    },

    starterSayings(page: Page, number: number): Saying[] {
      const { other } = this;
      return page.starters.map((starter, nth) => ({
        key: `starter-${page.id}-${nth}`,
        about: fill(texts.languageStarter, number),
        isLong: false,
        source: starter[language] ?? '',
        said: starter[other] ?? '',
        change: (text) => ({
          property: Property.Starters,
          target: page.id,
          value: page.starters.map((s, i) => (i === nth ? set(s, other, text) : s)),
        }),
      }));
    },

    markSaying(mark: Mark, number: number): Saying[] {
      const { body } = mark;
      const { other } = this;
      if (mark.grip === Grip.Key) return [];
      const line = { key: `mark-${mark.id}`, about: fill(texts.languageMark, number), isLong: false };
      if (belongsToPage(body) && body.name[language]) {
        const change = (text: string): Change => ({
          property: Property.Body,
          target: mark.id,
          value: { ...body, name: set(body.name, other, text) },
        });
        return [{ ...line, source: body.name[language], said: body.name[other] ?? '', change }];
      }
      if (!isBox(body) || !body.words.text.trim() || body.words.language === other) return [];
      const said = body.words.also?.find((a) => a.language === other)?.text ?? '';
      return [{ ...line, source: body.words.text, said, change: (text) => translated(mark, body, other, text.trim()) }];
    },
  };
}

function translated(mark: Mark, body: BoxBody, language: string, text: string): Change {
  const { also: before, ...words } = body.words;
  const rest = (before ?? []).filter((a) => a.language !== language);
  const also = text ? [...rest, { language, text, ...fitTranslation(text, body, mark.style.looks) }] : rest;
  const value = {
    words: also.length > 0 ? { ...words, also } : words,
    width: body.width,
    height: body.height,
  };
  return { property: Property.Words, target: mark.id, value };
}
