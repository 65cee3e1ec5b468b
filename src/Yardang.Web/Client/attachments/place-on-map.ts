// The dialog in which a place is shown on the teacher's map: by a press, or with two sliders.

import type { MapPicture, PlaceAttachment } from '../wire/forms';
import { END } from './place';

/** Of the longer side of the map. */
const PIN = 0.03;

/** @param address where a file of the room is found. */
export function placeOnMap(address: (media: string) => string) {
  let map: MapPicture | null = null;
  let take: (place: PlaceAttachment) => void = () => undefined;

  return {
    x: END / 2,
    y: END / 2,
    name: '',
    source: '',
    description: '',

    /** @param done is given the place. */
    open(on: MapPicture, before: PlaceAttachment | null, done: (place: PlaceAttachment) => void): void {
      map = on;
      take = done;
      this.x = before?.x ?? END / 2;
      this.y = before?.y ?? END / 2;
      this.name = before?.name ?? '';
      this.source = address(on.media);
      this.description = on.description;
      dialog().showModal();
      this.pin();
    },

    press(e: MouseEvent): void {
      const box = (e.currentTarget as HTMLElement).getBoundingClientRect();
      this.x = share(e.clientX - box.left, box.width);
      this.y = share(e.clientY - box.top, box.height);
      this.pin();
    },

    slide(x: string, y: string): void {
      this.x = share(Number(x), END);
      this.y = share(Number(y), END);
      this.pin();
    },

    // Not by Alpine: it puts no numbers into what is drawn.
    pin(): void {
      if (!map) return;
      const drawn = dialog().querySelector('svg')!;
      drawn.setAttribute('viewBox', `0 0 ${map.width} ${map.height}`);
      const circle = drawn.querySelector('circle')!;
      const radius = Math.max(map.width, map.height) * PIN;
      circle.setAttribute('cx', String((this.x * map.width) / END));
      circle.setAttribute('cy', String((this.y * map.height) / END));
      circle.setAttribute('r', String(radius));
      circle.setAttribute('stroke-width', String(radius / 2));
    },

    put(): void {
      if (map) take({ kind: 'place', map, x: this.x, y: this.y, name: this.name.trim() });
      this.close();
    },

    close(): void {
      dialog().close();
    },
  };
}

function share(at: number, all: number): number {
  return Math.min(END, Math.max(0, Math.round((at / all) * END)));
}

function dialog(): HTMLDialogElement {
  return document.querySelector<HTMLDialogElement>('[data-place]')!;
}

export type PlaceOnMap = ReturnType<typeof placeOnMap>;
