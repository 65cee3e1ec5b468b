// What was recorded, to be heard or seen: a button, a slider over its face, and how far one has come. Nothing is loaded before it is wanted, and one is played at a time.

import css from '../../Pages/Student/players.css';
import { useStyles } from '../styles/with-script';
import { clock } from './clock';

useStyles(css);

/** Files that browsers record do not say how long they are; behind this their end is found. */
const BEHIND_EVERYTHING_S = 1e7;
const PATIENCE_MS = 4000;

/** The one that is being played: two at once are not understood. */
let played: Player | null = null;

export abstract class Player extends HTMLElement {
  static readonly observedAttributes = ['src', 'duration', 'label'];

  protected readonly button = document.createElement('button');
  protected readonly slider = document.createElement('input');
  protected readonly time = document.createElement('span');
  protected medium: HTMLMediaElement | null = null;
  private isFound = false;

  /** What it is played with. */
  protected abstract make(): HTMLMediaElement;

  /** Puts its parts where they stand. */
  protected abstract build(): void;

  /** Draws what does not change while it is played. */
  protected abstract face(): void;

  /** Shows how far one has come. @param share of all of it, from 0 to 1. */
  protected reached(_share: number): void {}

  connectedCallback(): void {
    if (this.button.isConnected) return;
    this.button.type = 'button';
    this.button.className = 'player-button';
    this.slider.type = 'range';
    this.slider.min = '0';
    this.slider.step = '100';
    this.time.className = 'player-time';
    this.build();
    this.button.addEventListener('click', (e) => {
      e.stopPropagation();
      void this.toggle();
    });
    this.slider.addEventListener('click', (e) => e.stopPropagation());
    this.slider.addEventListener('input', () => void this.seek(Number(this.slider.value)));
    this.draw();
  }

  disconnectedCallback(): void {
    this.medium?.pause();
    if (played === this) played = null;
  }

  attributeChangedCallback(name: string, before: string | null, now: string | null): void {
    if (before === now) return;
    if (name === 'src') {
      this.medium?.pause();
      this.medium?.remove();
      this.medium = null;
      this.isFound = false;
    }
    if (this.button.isConnected) this.draw();
  }

  /** Plays it, or pauses. */
  protected async toggle(): Promise<void> {
    const medium = this.wanted();
    if (!medium.paused) return medium.pause();
    if (played && played !== this) played.medium?.pause();
    played = this;
    this.removeAttribute('data-silent');
    await this.findEnd(medium);
    await medium.play().catch(() => this.toggleAttribute('data-silent', true));
    this.tell();
  }

  protected wanted(): HTMLMediaElement {
    if (this.medium) return this.medium;
    const medium = this.make();
    for (const event of ['play', 'pause', 'timeupdate', 'seeked']) medium.addEventListener(event, () => this.tell());
    medium.addEventListener('ended', () => {
      medium.currentTime = 0;
      this.tell();
    });
    medium.addEventListener('error', () => this.toggleAttribute('data-silent', true));
    return (this.medium = medium);
  }

  private get duration(): number {
    return Number(this.getAttribute('duration')) || 1;
  }

  private get at(): number {
    return Math.min(this.duration, (this.medium?.currentTime ?? 0) * 1000);
  }

  private draw(): void {
    this.face();
    this.slider.max = String(this.duration);
    this.tell();
  }

  private tell(): void {
    const isPlaying = this.medium !== null && !this.medium.paused;
    const [label, play, pause] = (this.getAttribute('label') ?? '').split('|');
    const { at, duration } = this;
    this.dataset['playing'] = String(isPlaying);
    this.button.setAttribute('aria-label', `${isPlaying ? pause : play}: ${label}`);
    this.slider.value = String(at);
    this.slider.setAttribute('aria-label', label ?? '');
    this.slider.setAttribute('aria-valuetext', `${clock(at)} / ${clock(duration)}`);
    this.time.textContent = isPlaying || at > 0 ? `${clock(at)} / ${clock(duration)}` : clock(duration);
    this.reached(at / duration);
  }

  private async seek(ms: number): Promise<void> {
    const medium = this.wanted();
    await this.findEnd(medium);
    medium.currentTime = ms / 1000;
  }

  /** So that it can be gone to any place of it at once. */
  private async findEnd(medium: HTMLMediaElement): Promise<void> {
    if (this.isFound) return;
    await endOf(medium);
    medium.currentTime = 0;
    this.isFound = true;
  }
}

/** How long it is, s, once that is known; files that do not say it are looked through. */
export async function endOf(medium: HTMLMediaElement): Promise<number> {
  await until(medium, 'loadedmetadata', () => medium.readyState > 0);
  if (!Number.isFinite(medium.duration)) {
    const found = until(medium, 'durationchange', () => Number.isFinite(medium.duration));
    medium.currentTime = BEHIND_EVERYTHING_S;
    await found;
  }
  return medium.duration;
}

/** Waits for what is told by an event; not for ever, and not for what cannot be played. */
export function until(medium: HTMLMediaElement, event: string, isSo: () => boolean): Promise<void> {
  if (isSo()) return Promise.resolve();
  return new Promise((done) => {
    const settle = () => {
      clearTimeout(timer);
      medium.removeEventListener(event, settle);
      medium.removeEventListener('error', settle);
      done();
    };
    const timer = setTimeout(settle, PATIENCE_MS);
    medium.addEventListener(event, settle);
    medium.addEventListener('error', settle);
  });
}
