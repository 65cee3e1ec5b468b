// Puts pictures on the page: chosen from the device, pasted or dropped. The file goes to the server first, then the mark is put down.

import { type PictureUploads, type Taken, titleOfFile } from '../media/picture-uploads';
import { freePlace } from './free-place';
import type { SheetContext } from './sheet-context';

/** Share of the page that a new picture takes at most. */
const SHARE = 0.45;
/** 1/100 mm for a pixel at 96 dots per inch: a small picture is not blown up. */
const UNITS_PER_PIXEL = 26.46;

export class PicturePutter {
  constructor(
    private readonly sheet: SheetContext,
    private readonly uploads: PictureUploads,
  ) {}

  async put(files: Iterable<File>): Promise<void> {
    if (!this.sheet.mayWrite()) return;
    for (const file of files) {
      const taken = await this.upload(file);
      if (taken) this.place(taken, titleOfFile(file));
    }
  }

  /** One with words for those who cannot see it. True if it was taken. */
  async putDescribed(file: File, description: string): Promise<boolean> {
    const taken = this.sheet.mayWrite() ? await this.upload(file) : null;
    if (taken) this.place(taken, description);
    return taken !== null;
  }

  mayWrite(): boolean {
    return this.sheet.mayWrite();
  }

  /** Sends a picture to the server, which takes it in anew; null, and said why, if it does not. */
  upload(file: File): Promise<Taken | null> {
    return this.uploads.take(file);
  }

  /** A picture that the server can reach by itself: from a search. */
  async putFrom(address: string, description: string): Promise<void> {
    if (!this.sheet.mayWrite()) return;
    const taken = await this.uploads.takeFrom(address);
    if (taken) this.place(taken, description);
  }

  private place({ media, width, height }: Taken, description: string): void {
    const { sheet } = this;
    const page = sheet.sheets.page(sheet.page)!;
    const scale = Math.min(UNITS_PER_PIXEL, (page.size.width * SHARE) / width, (page.size.height * SHARE) / height);
    const size = { width: Math.max(1, Math.round(width * scale)), height: Math.max(1, Math.round(height * scale)) };
    const body = {
      kind: 'picture' as const,
      ...freePlace(sheet, size),
      ...size,
      media,
      description: description.slice(0, 200),
      text: null,
    };
    const id = sheet.newId();
    const style = { colour: 0, width: 0, fill: 0, looks: 0 };
    sheet.submit({ kind: 'addMark', id, page: sheet.page, grip: sheet.grip, body, style, for: 0 }, id);
  }
}
