// The pictures of a room, fetched once each. What is not here yet is drawn when it comes; what could not be fetched is asked for again.

import { lowData } from '../room/low-data';

const AGAIN_MS = 1000;
const LONGEST_PAUSE_MS = 60_000;

export class Pictures {
  private readonly images = new Map<string, HTMLImageElement>();

  /** @param query who asks, as the hub is told: "?as=..." or nothing. */
  constructor(
    private readonly room: string,
    private readonly query: string,
    private readonly arrived: () => void,
  ) {}

  find(media: string): HTMLImageElement | null {
    let image = this.images.get(media);
    if (!image) {
      image = this.fetch(`/rooms/${this.room}/media/${media}${lowData.pictureQuery(this.query)}`);
      this.images.set(media, image);
    }
    return image.complete && image.naturalWidth > 0 ? image : null;
  }

  private fetch(address: string): HTMLImageElement {
    const image = new Image();
    let wait = AGAIN_MS;
    image.onload = () => this.arrived();
    image.onerror = () => {
      setTimeout(() => (image.src = address), wait);
      wait = Math.min(2 * wait, LONGEST_PAUSE_MS);
    };
    image.src = address;
    return image;
  }
}
