// The phase of the lesson in the teacher's hand: begun, lengthened (also for some), ended, gone back by one press.

import { fill } from '../page-data';
import { timeLeft } from '../lesson/time-left';
import type { LessonState } from '../room/lesson-state';
import type { RoomClient } from '../room/room-client';
import { closes } from '../room/phases';
import { serverNow } from '../room/server-clock';
import type { Command } from '../room/wire';
import { type Phase, PhaseKind, type PhasePlan, StudentActs } from '../wire/forms';
import { namesAmong, type Pickable } from './picking';

export interface PhasingTexts {
  readonly phase: Record<string, string>;
  readonly phaseNone: string;
  readonly phaseOver: string;
  readonly phaseLonger: string;
  readonly phaseNext: string;
  readonly phaseTime: string;
}

/** A phase that was planned in the workshop, in the language of the lesson. */
export type Planned = Omit<PhasePlan, 'planned'>;

interface PlannedLine {
  readonly number: number;
  readonly name: string;
  readonly words: string;
  readonly isNow: boolean;
  readonly isNext: boolean;
}

const TICK_MS = 1000;
/** The tone at the end: soft, and short. */
const TONE_HZ = 523.25;
const TONE_S = 1.2;
const SOUND = 'yardang-sound-at-end';

function sound(): void {
  const audio = new AudioContext();
  const tone = audio.createOscillator();
  const loudness = audio.createGain();
  tone.frequency.value = TONE_HZ;
  loudness.gain.setValueAtTime(0.12, audio.currentTime);
  loudness.gain.exponentialRampToValueAtTime(0.0001, audio.currentTime + TONE_S);
  tone.connect(loudness).connect(audio.destination);
  tone.start();
  tone.stop(audio.currentTime + TONE_S);
  tone.onended = () => void audio.close();
}

export function phasingOf(
  lesson: () => RoomClient<LessonState>,
  here: () => readonly Pickable[],
  whom: () => number[],
  planned: readonly Planned[],
  texts: PhasingTexts,
) {
  const nameOf = ({ kind, minutes }: Planned) =>
    [texts.phase[kind], minutes > 0 ? fill(texts.phaseTime, minutes) : ''].filter(Boolean).join(' · ');
  const submit = (command: Command) => void lesson().submit(command);
  let wasOver = true;
  let shown: { last: number; phase: Phase | null | undefined } = { last: -1, phase: undefined };

  return {
    /** What is begun next. */
    kind: PhaseKind.Think as PhaseKind,
    words: '',
    minutes: 5,
    endsItself: false,
    part: 0,
    withheld: StudentActs.None as StudentActs,
    /** What was planned in the workshop. */
    planned: [] as PlannedLine[],
    /** The one that comes next of those, in words; empty if none does. */
    next: '',
    /** What goes on, in words: "Think, 2:35". */
    now: texts.phaseNone,
    isGoing: false,
    isTimed: false,
    mayGoBack: false,
    longer: '',
    sounds: localStorage.getItem(SOUND) !== null,

    begin(): void {
      setInterval(() => this.refresh(), TICK_MS);
    },

    refresh(): void {
      const { phase, phasesBefore } = lesson().state;
      const last = phase?.plan.planned || phasesBefore.findLast((p) => p.planned > 0)?.planned || 0;
      if (last !== shown.last || phase !== shown.phase) {
        shown = { last, phase };
        this.planned = planned.map((p, i) => ({
          number: i + 1,
          name: nameOf(p),
          words: p.words,
          isNow: phase?.plan.planned === i + 1,
          isNext: last === i,
        }));
        this.next = planned[last] ? fill(texts.phaseNext, nameOf(planned[last])) : '';
      }
      this.isGoing = phase !== null;
      this.isTimed = phase?.endsAt != null;
      this.mayGoBack = phasesBefore.length > 0;
      if (!phase) {
        this.now = texts.phaseNone;
        this.longer = '';
        wasOver = true;
        return;
      }
      const isOver = phase.endsAt !== null && phase.endsAt <= serverNow();
      const left = isOver ? texts.phaseOver : timeLeft(phase.endsAt, serverNow());
      this.now = [texts.phase[phase.plan.kind], left].filter(Boolean).join(' · ');
      const later = phase.longer.filter((l) => l.until > serverNow()).map((l) => l.person);
      this.longer = later.length > 0 ? fill(texts.phaseLonger, namesAmong(here(), later)) : '';
      if (isOver && !wasOver && this.sounds) sound();
      wasOver = isOver || phase.endsAt === null;
    },

    setKind(kind: string): void {
      this.kind = Number(kind) as PhaseKind;
    },

    setMinutes(minutes: string): void {
      this.minutes = Number(minutes);
      if (this.minutes === 0) this.endsItself = false;
    },

    setPart(part: string): void {
      this.part = Number(part);
    },

    setEndsItself(on: boolean): void {
      this.endsItself = on;
    },

    start(): void {
      const { kind, words, minutes, endsItself, part, withheld } = this;
      const plan = { kind, words: words.trim(), minutes, endsItself, part, withheld, planned: 0 };
      submit({ kind: 'beginPhase', plan });
      this.words = '';
    },

    beginPlanned(number: number): void {
      submit({ kind: 'beginPhase', plan: { ...planned[number - 1]!, planned: number } });
    },

    beginNext(): void {
      const next = this.planned.find((p) => p.isNext);
      if (next) this.beginPlanned(next.number);
    },

    lets(act: StudentActs): boolean {
      return (closes({ kind: this.kind, withheld: this.withheld }) & act) === 0;
    },

    setLets(act: StudentActs, on: boolean): void {
      this.withheld = on ? this.withheld & ~act : this.withheld | act;
    },

    /** For everybody. */
    give(minutes: number): void {
      submit({ kind: 'giveTime', minutes, person: 0 });
    },

    /** For those who are picked. */
    givePicked(minutes: number): void {
      for (const person of whom()) submit({ kind: 'giveTime', minutes, person });
    },

    end(): void {
      submit({ kind: 'endPhase', back: false });
    },

    goBack(): void {
      submit({ kind: 'endPhase', back: true });
    },

    setSounds(on: boolean): void {
      this.sounds = on;
      if (on) localStorage.setItem(SOUND, '');
      else localStorage.removeItem(SOUND);
    },
  };
}
