// The dialog in which a voice, a film or a photograph is made: seen while it is made, looked at before it is used, or made again. Devices are asked for when they are used, and released at once after.

import css from '../../Pages/Student/recording.css';
import { type Device, NO_SOUND, canRecord, devicesOf, openCamera, openMicrophone } from '../media/devices';
import { lookAt, pictureOf, sizeOf } from '../media/film-look';
import { loudnessOf } from '../media/loudness';
import { fill } from '../page-data';
import { useStyles } from '../styles/with-script';
import { clock } from './clock';
import './film-player';
import { Recorder } from './recorder';
import './voice-player';

useStyles(css);

const LOOK_MS = 50;
const LEFT_SOON_MS = 10_000;

export type RecordingKind = 'voice' | 'film' | 'photo';

/** What was made: of voices how loud they are where, of films how large they are and a picture out of them. */
export interface Recording {
  readonly file: Blob;
  readonly duration: number;
  readonly words: string;
  readonly loudness: string;
  readonly width: number;
  readonly height: number;
  readonly still: Blob | null;
}

type Stage = 'ready' | 'asking' | 'live' | 'recording' | 'paused' | 'working' | 'done';
type Made = Omit<Recording, 'words'>;

const NOTHING = { duration: 0, loudness: '', width: 0, height: 0, still: null };

/** @param seconds how long may be recorded. */
export function recordingDialog(seconds: () => number) {
  let recorder: Recorder | null = null;
  let picture: MediaStream | null = null;
  let made: Made | null = null;
  let take: (recording: Recording) => Promise<boolean> = () => Promise.resolve(true);

  const texts = () => dialog().dataset as Record<string, string>;
  const live = () => dialog().querySelector<HTMLVideoElement>('[data-live]')!;
  const most = () => seconds() * 1000;
  const release = () => {
    recorder?.release();
    for (const track of picture?.getTracks() ?? []) track.stop();
    live().srcObject = null;
    [recorder, picture] = [null, null];
  };

  return {
    kind: 'voice' as RecordingKind,
    stage: 'ready' as Stage,
    /** Why it cannot be made here; empty if it can. */
    problem: '',
    mayRecord: true,
    microphones: [] as readonly Device[],
    microphone: '',
    cameras: [] as readonly Device[],
    camera: '',
    level: 0,
    time: '',
    left: '',
    isSoonOver: false,
    words: '',
    source: '',
    still: '',
    loudness: '',
    duration: 0,
    width: 0,
    height: 0,

    get isSeen(): boolean {
      return this.kind !== 'voice';
    },

    /**
     * What was made and neither used nor left, as after Escape, is still there.
     * @param use gives whether it was taken: what was not is still there, too.
     */
    open(kind: RecordingKind, use: (recording: Recording) => Promise<boolean>): void {
      take = use;
      if (!made || kind !== this.kind) {
        this.kind = kind;
        this.begin();
      }
      dialog().showModal();
      void this.look();
    },

    /** Which devices there are; their names are known once one was used. */
    async look(): Promise<void> {
      const { microphone, madeUp, camera, madeUpCamera, screen, madeUpScreen, noSound } = texts();
      this.mayRecord = canRecord(madeUp !== undefined);
      if (!this.mayRecord) this.problem = this.sentence(window.isSecureContext ? 'none' : 'insecure');
      const numbered = (words: string | undefined) => (n: number) => fill(words!, n);
      const sounds = await devicesOf('audioinput', { numbered: numbered(microphone), madeUp: madeUp ?? '' });
      this.microphones = this.kind === 'film' ? [...sounds, { id: NO_SOUND, name: noSound! }] : sounds;
      // At once: who presses does so with what is known.
      if (!this.microphones.some(({ id }) => id === this.microphone)) this.microphone = this.microphones[0]?.id ?? '';
      this.cameras = await devicesOf('videoinput', {
        numbered: numbered(camera),
        madeUp: madeUpCamera ?? '',
        ...(this.kind === 'film' && { screen: screen!, madeUpScreen: madeUpScreen ?? '' }),
      });
      if (!this.cameras.some(({ id }) => id === this.camera)) this.camera = this.cameras[0]?.id ?? '';
    },

    /** Of a microphone or a camera. */
    sentence(what: 'none' | 'insecure' | 'refused' | 'tooLong' | 'notTaken'): string {
      return texts()[what === 'insecure' || what === 'tooLong' ? what : `${what}${this.isSeen ? 'Seen' : ''}`]!;
    },

    /** What the camera sees is seen before anything is recorded. */
    async switchOn(): Promise<void> {
      release();
      const stream = await this.ask(() => openCamera(this.camera));
      if (!stream) return;
      // What somebody stops showing, as a screen, is not seen any more.
      stream
        .getVideoTracks()[0]
        ?.addEventListener('ended', () => (this.stage === 'recording' ? this.stop() : this.again()));
      picture = stream;
      live().srcObject = stream;
      this.stage = 'live';
      void live()
        .play()
        .catch(() => undefined);
      void this.look();
    },

    async changeCamera(id: string): Promise<void> {
      this.camera = id;
      if (this.stage === 'live') await this.switchOn();
    },

    /** Gives what a device gives; null, and said why, if it gives nothing. */
    async ask<S>(open: () => Promise<S>): Promise<S | null> {
      this.problem = '';
      const before = this.stage;
      this.stage = 'asking';
      // Who presses at once does so before it is known which devices there are.
      if (this.microphones.length === 0) await this.look();
      try {
        const stream = await open();
        if (dialog().open) return stream;
        // It was closed meanwhile.
        if (stream instanceof MediaStream) for (const track of stream.getTracks()) track.stop();
      } catch (e) {
        this.problem = this.sentence((e as DOMException).name === 'NotAllowedError' ? 'refused' : 'none');
      }
      this.stage = picture ? before : 'ready';
      return null;
    },

    async record(): Promise<void> {
      // A film without sound is one, too; a voice is not.
      const opened = await this.ask(async () => ({ sound: await openMicrophone(this.microphone) }));
      if (!opened) return;
      const tracks = [...(picture?.getVideoTracks() ?? []), ...(opened.sound?.getAudioTracks() ?? [])];
      recorder = new Recorder(
        new MediaStream(tracks),
        (level) => {
          this.level = Math.round(100 * Math.min(1, level));
          this.tick();
        },
        (file) => void this.finish(file),
      );
      this.stage = 'recording';
      this.tick();
      void this.look();
    },

    async photograph(): Promise<void> {
      const file = await pictureOf(live());
      const size = sizeOf(live());
      release();
      if (file) this.have({ ...NOTHING, ...size, file });
    },

    tick(): void {
      const now = recorder?.time ?? 0;
      this.time = clock(now);
      this.left = fill(texts()['left']!, clock(Math.max(0, most() - now)));
      this.isSoonOver = most() - now < LEFT_SOON_MS;
      if (now >= most() && this.stage === 'recording') this.stop();
    },

    pause(): void {
      recorder?.pause();
      this.stage = 'paused';
    },

    goOn(): void {
      recorder?.goOn();
      this.stage = 'recording';
    },

    stop(): void {
      this.stage = 'working';
      recorder?.stop();
    },

    async finish(file: Blob): Promise<void> {
      const { time = 0, samples = [] } = recorder ?? {};
      const duration = Math.max(1, Math.round(time));
      const loudness = this.isSeen ? '' : loudnessOf(samples);
      const size = sizeOf(live());
      release();
      if (this.stage !== 'working') return;
      if (file.size === 0) return this.again();
      const { still } = (this.isSeen && (await lookAt(file))) || NOTHING;
      if (this.stage === 'working') this.have({ file, duration, loudness, ...size, still });
    },

    /** Instead of a device. */
    async choose(input: HTMLInputElement): Promise<void> {
      const [file] = input.files ?? [];
      input.value = '';
      if (!file) return;
      release();
      this.problem = '';
      this.stage = 'working';
      const found = await (this.isSeen ? filmIn(file) : voiceIn(file));
      // It was left meanwhile.
      if (this.stage !== 'working') return;
      this.stage = 'ready';
      if (!found) this.problem = this.sentence('notTaken');
      else if (found.duration > most() + LOOK_MS) this.problem = fill(this.sentence('tooLong'), seconds());
      else this.have(found);
    },

    have(recording: Made): void {
      this.forget();
      made = recording;
      this.source = URL.createObjectURL(recording.file);
      this.still = recording.still ? URL.createObjectURL(recording.still) : '';
      [this.loudness, this.duration] = [recording.loudness, recording.duration];
      [this.width, this.height] = [recording.width, recording.height];
      this.stage = 'done';
    },

    forget(): void {
      for (const url of [this.source, this.still]) if (url) URL.revokeObjectURL(url);
      [this.source, this.still, made] = ['', '', null];
    },

    begin(): void {
      this.words = '';
      this.again();
    },

    again(): void {
      release();
      this.forget();
      [this.stage, this.problem, this.level] = ['ready', '', 0];
      this.time = clock(0);
      this.left = fill(texts()['left']!, clock(most()));
      this.isSoonOver = false;
    },

    use(): void {
      const using = made;
      if (!using) return;
      void take({ ...using, words: this.words.trim() }).then((isTaken) => {
        if (isTaken && made === using) this.begin();
      });
      dialog().close();
    },

    leave(): void {
      this.begin();
      dialog().close();
    },

    /** What is only being made is let go of. */
    closed(): void {
      if (this.stage !== 'done') this.begin();
    },
  };
}

async function voiceIn(file: Blob): Promise<Made | null> {
  const reading = new AudioContext();
  try {
    const sound = await reading.decodeAudioData(await file.arrayBuffer());
    const duration = Math.max(1, Math.round(sound.duration * 1000));
    return { ...NOTHING, file, duration, loudness: loudnessOf(sound.getChannelData(0)) };
  } catch {
    return null;
  } finally {
    void reading.close();
  }
}

async function filmIn(file: Blob): Promise<Made | null> {
  const look = await lookAt(file);
  return look && { ...NOTHING, ...look, file };
}

function dialog(): HTMLDialogElement {
  return document.querySelector<HTMLDialogElement>('dialog[data-recording]')!;
}
