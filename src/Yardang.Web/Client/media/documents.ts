// Files that are taken along: a name that every device takes, and a picture of the first page of those that have pages.

const LONGEST_NAME = 120;
const FIRST_PAGE = 600;
const JPEG_QUALITY = 0.85;
/** As Core's FileAttachment: no folders, nothing that is not seen. */
const NOT_IN_NAMES = /[/\\:*?"<>|\p{Cc}\p{Cf}]/gu;

/** With its ending, also where it has to be shortened. */
export function nameOfFile(name: string): string {
  const clean = name.replace(NOT_IN_NAMES, ' ').trim().replace(/^\.+/, '').trim() || 'file';
  if (clean.length <= LONGEST_NAME) return clean;
  const ending = /\.[^.]{1,8}$/.exec(clean)?.[0] ?? '';
  return clean.slice(0, LONGEST_NAME - ending.length).trim() + ending;
}

/** Null for what has no pages, or cannot be read here. */
export async function firstPageOf(file: File): Promise<Blob | null> {
  if (!/\.pdf$/i.test(file.name)) return null;
  try {
    const { openPdf } = await import('../workshop/pdf-pages');
    const pdf = await openPdf(file);
    if (typeof pdf === 'string') return null;
    const { picture } = await pdf.page(1);
    pdf.close();
    const image = await createImageBitmap(picture, { resizeWidth: FIRST_PAGE, resizeQuality: 'high' });
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [image.width, image.height];
    canvas.getContext('2d')!.drawImage(image, 0, 0);
    return await new Promise((done) => canvas.toBlob(done, 'image/jpeg', JPEG_QUALITY));
  } catch {
    return null;
  }
}
