// A voice to be listened to: over its bars, which say how loud it is where.

import { Player } from './player';

const SVG = 'http://www.w3.org/2000/svg';
const BAR = 3;
const STEP = 5;
const HEIGHT = 28;
const SILENT = 2;

export class VoicePlayer extends Player {
  static override readonly observedAttributes = [...Player.observedAttributes, 'loudness'];

  private readonly bars = document.createElementNS(SVG, 'svg');

  protected build(): void {
    const face = document.createElement('span');
    face.className = 'voice-face';
    this.bars.setAttribute('aria-hidden', 'true');
    face.append(this.bars, this.slider);
    this.replaceChildren(this.button, face, this.time);
  }

  protected make(): HTMLMediaElement {
    const audio = new Audio(this.getAttribute('src') ?? '');
    audio.preload = 'auto';
    return audio;
  }

  protected face(): void {
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
  }

  protected override reached(share: number): void {
    const count = this.bars.childElementCount;
    [...this.bars.children].forEach((bar, i) => bar.toggleAttribute('data-heard', (i + 0.5) / count <= share));
  }
}

customElements.define('voice-player', VoicePlayer);
