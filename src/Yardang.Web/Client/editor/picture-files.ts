// Pictures from the device, put on the page in sight.

import type { Editor } from './editor';

export function pictureFiles(editor: () => Editor) {
  return {
    choose(): void {
      document.querySelector<HTMLInputElement>('[data-pictures]')!.click();
    },

    taken(event: Event): void {
      const input = event.target as HTMLInputElement;
      void editor()
        .pictures.put([...(input.files ?? [])])
        .then(() => (input.value = ''));
    },

    dropped(event: DragEvent): void {
      void editor().pictures.put([...(event.dataTransfer?.files ?? [])]);
    },
  };
}
