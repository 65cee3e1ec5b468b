// The pictures of a room, fetched once each. What is not here yet is drawn when it comes.

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
      image = new Image();
      image.onload = () => this.arrived();
      image.src = `/rooms/${this.room}/media/${media}${this.query}`;
      this.images.set(media, image);
    }
    return image.complete && image.naturalWidth > 0 ? image : null;
  }
}
