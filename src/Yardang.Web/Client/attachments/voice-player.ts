// A voice to be listened to: a button, how loud it is where, and how far one has come. Nothing is loaded before it is wanted.

import css from '../../Pages/Student/voices.css';
import { useStyles } from '../styles/with-script';
import { clock } from './voice-clock';

useStyles(css);

const SVG = 'http://www.w3.org/2000/svg';
const BAR = 3;
const STEP = 5;
const HEIGHT = 28;
const SILENT = 2;
/** Files that browsers record do not say how long they are; behind this their end is found. */
const BEHIND_EVERYTHING_S = 1e7;

/** The one that is being heard: two at once are not understood. */
let heard: VoicePlayer | null = null;

export class VoicePlayer extends HTMLElement {
  static readonly observedAttributes = ['src', 'duration', 'loudness', 'label'];

  private readonly button = document.createElement('button');
  private readonly bars = document.createElementNS(SVG, 'svg');
  private readonly slider = document.createElement('input');
  private readonly time = document.createElement('span');
  private audio: HTMLAudioElement | null = null;
  private isFound = false;

  connectedCallback(): void {
    if (this.button.isConnected) return;
    this.button.type = 'button';
    this.button.className = 'voice-play';
    this.slider.type = 'range';
    this.slider.min = '0';
    this.slider.step = '100';
    this.time.className = 'voice-time';
    const face = document.createElement('span');
    face.className = 'voice-face';
    this.bars.setAttribute('aria-hidden', 'true');
    face.append(this.bars, this.slider);
    this.replaceChildren(this.button, face, this.time);
    this.button.addEventListener('click', (e) => {
      e.stopPropagation();
      void this.toggle();
    });
    this.slider.addEventListener('click', (e) => e.stopPropagation());
    this.slider.addEventListener('input', () => void this.seek(Number(this.slider.value)));
    this.draw();
  }

  disconnectedCallback(): void {
    this.audio?.pause();
    if (heard === this) heard = null;
  }

  attributeChangedCallback(name: string, before: string | null, now: string | null): void {
    if (before === now) return;
    if (name === 'src') {
      this.audio?.pause();
      this.audio = null;
      this.isFound = false;
    }
    if (this.button.isConnected) this.draw();
  }

  private get duration(): number {
    return Number(this.getAttribute('duration')) || 1;
  }

  private get at(): number {
    return Math.min(this.duration, (this.audio?.currentTime ?? 0) * 1000);
  }

  private draw(): void {
    const loudness = this.getAttribute('loudness') || '0';
    this.bars.setAttribute('viewBox', `0 0 ${loudness.length * STEP} ${HEIGHT}`);
    this.bars.setAttribute('preserveAspectRatio', 'none');
    this.bars.replaceChildren(
      ...[...loudness].map((digit, i) => {
        const height = Math.max(SILENT, (Number(digit) / 9) * HEIGHT);
        const bar = document.createElementNS(SVG, 'rect');
        const values = { x: i * STEP + 1, y: (HEIGHT - height) / 2, width: BAR, height };
        for (const [key, value] of Object.entries(values)) bar.setAttribute(key, String(value));
        return bar;
      }),
    );
    this.slider.max = String(this.duration);
    this.tell();
  }

  private tell(): void {
    const isPlaying = this.audio !== null && !this.audio.paused;
    const [label, play, pause] = (this.getAttribute('label') ?? '').split('|');
    const { at, duration } = this;
    this.dataset['playing'] = String(isPlaying);
    this.button.setAttribute('aria-label', `${isPlaying ? pause : play}: ${label}`);
    this.slider.value = String(at);
    this.slider.setAttribute('aria-label', label ?? '');
    this.slider.setAttribute('aria-valuetext', `${clock(at)} / ${clock(duration)}`);
    this.time.textContent = isPlaying || at > 0 ? `${clock(at)} / ${clock(duration)}` : clock(duration);
    const count = this.bars.childElementCount;
    [...this.bars.children].forEach((bar, i) => bar.toggleAttribute('data-heard', (i + 0.5) / count <= at / duration));
  }

  private sound(): HTMLAudioElement {
    if (this.audio) return this.audio;
    const audio = new Audio(this.getAttribute('src') ?? '');
    audio.preload = 'auto';
    for (const event of ['play', 'pause', 'timeupdate', 'seeked']) audio.addEventListener(event, () => this.tell());
    audio.addEventListener('ended', () => {
      audio.currentTime = 0;
      this.tell();
    });
    audio.addEventListener('error', () => this.toggleAttribute('data-silent', true));
    return (this.audio = audio);
  }

  private async toggle(): Promise<void> {
    const audio = this.sound();
    if (!audio.paused) return audio.pause();
    if (heard && heard !== this) heard.audio?.pause();
    heard = this;
    this.removeAttribute('data-silent');
    await this.findEnd(audio);
    await audio.play().catch(() => this.toggleAttribute('data-silent', true));
    this.tell();
  }

  private async seek(ms: number): Promise<void> {
    const audio = this.sound();
    await this.findEnd(audio);
    audio.currentTime = ms / 1000;
  }

  /** So that it can be gone to any place of it at once. */
  private async findEnd(audio: HTMLAudioElement): Promise<void> {
    if (this.isFound) return;
    await until(audio, 'loadedmetadata', () => audio.readyState > 0);
    if (!Number.isFinite(audio.duration)) {
      const found = until(audio, 'durationchange', () => Number.isFinite(audio.duration));
      audio.currentTime = BEHIND_EVERYTHING_S;
      await found;
      audio.currentTime = 0;
    }
    this.isFound = true;
  }
}

const PATIENCE_MS = 4000;

function until(audio: HTMLAudioElement, event: string, isSo: () => boolean): Promise<void> {
  if (isSo()) return Promise.resolve();
  return new Promise((done) => {
    const settle = () => {
      clearTimeout(timer);
      audio.removeEventListener(event, settle);
      audio.removeEventListener('error', settle);
      done();
    };
    const timer = setTimeout(settle, PATIENCE_MS);
    audio.addEventListener(event, settle);
    audio.addEventListener('error', settle);
  });
}

customElements.define('voice-player', VoicePlayer);
