// A film to be looked at: its still until it is wanted, and then itself; below it the button, the slider and the whole screen.

import { Player } from './player';

const SVG = 'http://www.w3.org/2000/svg';

export class FilmPlayer extends Player {
  static override readonly observedAttributes = [...Player.observedAttributes, 'still', 'width', 'height'];

  private readonly picture = document.createElement('span');
  private readonly still = document.createElement('img');
  private readonly large = document.createElement('button');

  protected build(): void {
    this.picture.className = 'film-picture';
    this.still.alt = '';
    this.still.loading = 'lazy';
    this.picture.append(this.still);
    // By hand the picture is the nearest thing to press; the button beneath is for everybody.
    this.picture.addEventListener('click', (e) => {
      e.stopPropagation();
      void this.toggle();
    });
    this.large.type = 'button';
    this.large.className = 'film-large';
    this.large.hidden = !document.fullscreenEnabled;
    this.large.append(corners());
    this.large.addEventListener('click', (e) => {
      e.stopPropagation();
      void this.wanted().requestFullscreen();
    });
    const controls = document.createElement('span');
    controls.className = 'film-controls';
    controls.append(this.button, this.slider, this.time, this.large);
    this.replaceChildren(this.picture, controls);
  }

  protected make(): HTMLMediaElement {
    const video = document.createElement('video');
    video.src = this.getAttribute('src') ?? '';
    video.preload = 'auto';
    video.playsInline = true;
    this.picture.append(video);
    return video;
  }

  protected face(): void {
    const [label, , , whole] = (this.getAttribute('label') ?? '').split('|');
    this.picture.style.aspectRatio = `${Number(this.getAttribute('width')) || 4} / ${Number(this.getAttribute('height')) || 3}`;
    const still = this.getAttribute('still');
    this.still.hidden = !still;
    if (still && this.still.getAttribute('src') !== still) this.still.src = still;
    this.large.setAttribute('aria-label', `${whole}: ${label}`);
    // What is on this device only has no still yet, and costs nothing.
    if (!still && this.getAttribute('src')?.startsWith('blob:')) this.wanted();
  }
}

function corners(): SVGElement {
  const svg = document.createElementNS(SVG, 'svg');
  const path = document.createElementNS(SVG, 'path');
  svg.setAttribute('viewBox', '0 0 20 20');
  svg.setAttribute('aria-hidden', 'true');
  path.setAttribute('d', 'M2 7V2h5M13 2h5v5M18 13v5h-5M7 18H2v-5');
  svg.append(path);
  return svg;
}

customElements.define('film-player', FilmPlayer);
