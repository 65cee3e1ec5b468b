// The dialog in which a voice is recorded: seen while it is spoken, listened to before it is used, or spoken again. Devices are asked for when they are used, and released at once after.

import css from '../../Pages/Student/recording.css';
import { fill } from '../page-data';
import { loudnessOf } from '../media/loudness';
import { madeUpMicrophone } from '../media/made-up-microphone';
import { useStyles } from '../styles/with-script';
import { clock } from './voice-clock';
import './voice-player';

useStyles(css);

const TYPES = ['audio/webm;codecs=opus', 'audio/mp4', 'audio/ogg;codecs=opus'];
const BITS_A_SECOND = 32_000;
const LOOK_MS = 50;
const SLICE_MS = 1000;
const MADE_UP = 'made-up';
const LEFT_SOON_MS = 10_000;

export interface Recording {
  readonly file: Blob;
  readonly duration: number;
  readonly loudness: string;
  readonly words: string;
}

type Stage = 'ready' | 'asking' | 'recording' | 'paused' | 'done';

/** @param seconds how long may be spoken. */
export function recordingDialog(seconds: () => number) {
  let recorder: MediaRecorder | null = null;
  let stream: MediaStream | null = null;
  let context: AudioContext | null = null;
  let pieces: Blob[] = [];
  let samples: number[] = [];
  let timer: ReturnType<typeof setInterval> | undefined;
  let spoken = 0;
  let since = 0;
  let made: Omit<Recording, 'words'> | null = null;
  let take: (recording: Recording) => void = () => undefined;

  const texts = () => dialog().dataset as Record<string, string>;
  const release = () => {
    clearInterval(timer);
    for (const track of stream?.getTracks() ?? []) track.stop();
    void context?.close();
    [stream, context, recorder] = [null, null, null];
  };

  return {
    stage: 'ready' as Stage,
    /** Why it cannot be recorded here; empty if it can. */
    problem: '',
    mayRecord: true,
    microphones: [] as { id: string; name: string }[],
    microphone: '',
    level: 0,
    time: '',
    left: '',
    isSoonOver: false,
    words: '',
    source: '',
    loudness: '',
    duration: 0,

    /** What was recorded and neither used nor left, as after Escape, is still there. */
    open(use: (recording: Recording) => void): void {
      take = use;
      if (!made) this.begin();
      dialog().showModal();
      void this.look();
    },

    /** Which devices there are; their names are known once one was used. */
    async look(): Promise<void> {
      const isMadeUp = dialog().dataset['madeUp'] !== undefined;
      this.mayRecord = typeof MediaRecorder !== 'undefined' && (isMadeUp || !!navigator.mediaDevices?.getUserMedia);
      if (!this.mayRecord) this.problem = window.isSecureContext ? texts()['none']! : texts()['insecure']!;
      const devices = await navigator.mediaDevices?.enumerateDevices?.().catch(() => []);
      const inputs = (devices ?? []).filter(({ kind }) => kind === 'audioinput');
      this.microphones = [
        ...inputs.map(({ deviceId, label }, i) => ({
          id: deviceId,
          name: label || fill(texts()['microphone']!, i + 1),
        })),
        ...(isMadeUp ? [{ id: MADE_UP, name: texts()['madeUp']! }] : []),
      ];
      if (!this.microphones.some(({ id }) => id === this.microphone)) this.microphone = this.microphones[0]?.id ?? '';
    },

    async record(): Promise<void> {
      this.problem = '';
      this.stage = 'asking';
      // Who presses at once does so before it is known which devices there are.
      if (this.microphones.length === 0) await this.look();
      try {
        stream =
          this.microphone === MADE_UP
            ? madeUpMicrophone()
            : await navigator.mediaDevices.getUserMedia({
                audio: this.microphone ? { deviceId: { ideal: this.microphone } } : true,
              });
      } catch (e) {
        const name = (e as DOMException).name;
        this.problem = texts()[name === 'NotAllowedError' ? 'refused' : 'none']!;
        this.stage = 'ready';
        return;
      }
      // It was closed meanwhile.
      if (!dialog().open) return release();
      [pieces, samples, spoken] = [[], [], 0];
      const mimeType = TYPES.find((type) => MediaRecorder.isTypeSupported(type));
      recorder = new MediaRecorder(stream, { ...(mimeType && { mimeType }), audioBitsPerSecond: BITS_A_SECOND });
      recorder.addEventListener('dataavailable', ({ data }) => void (data.size > 0 && pieces.push(data)));
      const { mimeType: type } = recorder;
      recorder.addEventListener('stop', () => this.finish(new Blob(pieces, { type })));
      context = new AudioContext();
      const analyser = context.createAnalyser();
      context.createMediaStreamSource(stream).connect(analyser);
      const wave = new Float32Array(analyser.fftSize);
      recorder.start(SLICE_MS);
      since = performance.now();
      this.stage = 'recording';
      timer = setInterval(() => {
        analyser.getFloatTimeDomainData(wave);
        const peak = wave.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
        this.level = this.stage === 'recording' ? Math.round(100 * Math.min(1, peak)) : 0;
        if (this.stage === 'recording') samples.push(peak);
        this.tick();
      }, LOOK_MS);
      this.tick();
      void this.look();
    },

    tick(): void {
      const most = seconds() * 1000;
      const now = spoken + (this.stage === 'recording' ? performance.now() - since : 0);
      this.time = clock(now);
      this.left = fill(texts()['left']!, clock(Math.max(0, most - now)));
      this.isSoonOver = most - now < LEFT_SOON_MS;
      if (now >= most && this.stage === 'recording') this.stop();
    },

    pause(): void {
      spoken += performance.now() - since;
      recorder?.pause();
      this.stage = 'paused';
    },

    goOn(): void {
      recorder?.resume();
      since = performance.now();
      this.stage = 'recording';
    },

    stop(): void {
      if (this.stage === 'recording') spoken += performance.now() - since;
      this.stage = 'done';
      recorder?.stop();
    },

    finish(file: Blob): void {
      release();
      if (this.stage !== 'done') return;
      if (file.size === 0) return this.again();
      this.have({ file, duration: Math.max(1, Math.round(spoken)), loudness: loudnessOf(samples) });
    },

    /** Instead of a microphone. */
    async choose(input: HTMLInputElement): Promise<void> {
      const [file] = input.files ?? [];
      input.value = '';
      if (!file) return;
      this.problem = '';
      const reading = new AudioContext();
      try {
        const sound = await reading.decodeAudioData(await file.arrayBuffer());
        const duration = Math.max(1, Math.round(sound.duration * 1000));
        if (duration > seconds() * 1000 + LOOK_MS) this.problem = fill(texts()['tooLong']!, seconds());
        else {
          this.have({ file, duration, loudness: loudnessOf(sound.getChannelData(0)) });
          this.stage = 'done';
        }
      } catch {
        this.problem = texts()['notPlayable']!;
      }
      void reading.close();
    },

    have(recording: Omit<Recording, 'words'>): void {
      made = recording;
      if (this.source) URL.revokeObjectURL(this.source);
      this.source = URL.createObjectURL(recording.file);
      this.loudness = recording.loudness;
      this.duration = recording.duration;
    },

    begin(): void {
      this.words = '';
      this.again();
    },

    again(): void {
      release();
      if (this.source) URL.revokeObjectURL(this.source);
      made = null;
      [this.stage, this.problem, this.source, this.level] = ['ready', '', '', 0];
      spoken = 0;
      this.time = clock(0);
      this.left = fill(texts()['left']!, clock(seconds() * 1000));
      this.isSoonOver = false;
    },

    use(): void {
      if (made) take({ ...made, words: this.words.trim() });
      this.leave();
    },

    leave(): void {
      this.begin();
      dialog().close();
    },

    /** What is only being recorded is let go of. */
    closed(): void {
      if (this.stage !== 'done') this.begin();
    },
  };
}

function dialog(): HTMLDialogElement {
  return document.querySelector<HTMLDialogElement>('dialog[data-recording]')!;
}
