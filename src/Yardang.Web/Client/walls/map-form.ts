// One picture in the form of a wall's plan: the map on which places are shown, or what lies beneath a field.

import { titleOfFile } from '../media/picture-uploads';
import type { MapPicture } from '../wire/forms';
import type { MapDesk } from './plan-form';

const LONGEST_DESCRIPTION = 200;

/**
 * @param maps where it goes.
 * @param changed something was typed or pressed: `typed` is still going on.
 */
export function mapFormOf(maps: () => MapDesk, changed: (typed: boolean) => void) {
  return {
    picture: null as MapPicture | null,
    source: '',

    show(picture: MapPicture | null): void {
      this.picture = picture;
      this.source = picture ? maps().address(picture.media) : '';
    },

    async take(event: Event): Promise<void> {
      const input = event.target as HTMLInputElement;
      const file = input.files?.[0];
      if (!file) return;
      const taken = await maps().uploads.take(file);
      input.value = '';
      if (!taken) return;
      const { media, width, height } = taken;
      this.show({ media, width, height, description: titleOfFile(file).slice(0, LONGEST_DESCRIPTION) });
      changed(false);
    },

    get description(): string {
      return this.picture?.description ?? '';
    },

    describe(words: string): void {
      if (this.picture) this.picture = { ...this.picture, description: words };
      changed(true);
    },

    remove(): void {
      this.show(null);
      changed(false);
    },
  };
}
