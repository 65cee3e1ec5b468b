// Records what devices give: how long it has been going on, and how loud it is, from moment to moment.

const SOUND_TYPES = ['audio/webm;codecs=opus', 'audio/mp4', 'audio/ogg;codecs=opus'];
const FILM_TYPES = ['video/webm;codecs=vp8,opus', 'video/webm', 'video/mp4'];
/** Three minutes of both are less than 20 MB. */
const SOUND_BITS = 32_000;
const PICTURE_BITS = 750_000;
const LOOK_MS = 50;
const SLICE_MS = 1000;

export class Recorder {
  /** How loud it was from moment to moment, from 0 to 1. */
  readonly samples: number[] = [];
  private readonly pieces: Blob[] = [];
  private readonly recorder: MediaRecorder;
  private readonly context: AudioContext | null;
  private readonly timer: ReturnType<typeof setInterval>;
  private before = 0;
  private since = performance.now();

  /**
   * @param stream of the devices; they are let go of when it stops.
   * @param looked is told from moment to moment how loud it is, from 0 to 1.
   * @param finished is given all that was recorded.
   */
  constructor(
    private readonly stream: MediaStream,
    looked: (level: number) => void,
    finished: (file: Blob) => void,
  ) {
    const isFilm = stream.getVideoTracks().length > 0;
    const mimeType = (isFilm ? FILM_TYPES : SOUND_TYPES).find((type) => MediaRecorder.isTypeSupported(type));
    this.recorder = new MediaRecorder(stream, {
      ...(mimeType && { mimeType }),
      audioBitsPerSecond: SOUND_BITS,
      ...(isFilm && { videoBitsPerSecond: PICTURE_BITS }),
    });
    this.recorder.addEventListener('dataavailable', ({ data }) => void (data.size > 0 && this.pieces.push(data)));
    const type = this.recorder.mimeType;
    this.recorder.addEventListener('stop', () => finished(new Blob(this.pieces, { type })));
    this.context = stream.getAudioTracks().length > 0 ? new AudioContext() : null;
    const level = this.context ? levelOf(this.context, stream) : () => 0;
    this.recorder.start(SLICE_MS);
    this.timer = setInterval(() => {
      const now = this.isPaused ? 0 : level();
      if (!this.isPaused) this.samples.push(now);
      looked(now);
    }, LOOK_MS);
  }

  /** How long it has been recorded, ms. */
  get time(): number {
    return this.before + (this.isPaused ? 0 : performance.now() - this.since);
  }

  pause(): void {
    this.before = this.time;
    this.recorder.pause();
  }

  goOn(): void {
    this.recorder.resume();
    this.since = performance.now();
  }

  stop(): void {
    this.before = this.time;
    this.recorder.stop();
    this.release();
  }

  /** The devices are let go of; nothing more is told. */
  release(): void {
    clearInterval(this.timer);
    for (const track of this.stream.getTracks()) track.stop();
    if (this.context?.state !== 'closed') void this.context?.close();
  }

  private get isPaused(): boolean {
    return this.recorder.state !== 'recording';
  }
}

function levelOf(context: AudioContext, stream: MediaStream): () => number {
  const analyser = context.createAnalyser();
  context.createMediaStreamSource(stream).connect(analyser);
  const wave = new Float32Array(analyser.fftSize);
  return () => {
    analyser.getFloatTimeDomainData(wave);
    return wave.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
  };
}
