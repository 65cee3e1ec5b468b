// SVG files as pictures: drawn by the browser as an image, in which nothing runs and nothing is fetched, and sent on as pixels.

const LONGEST_PX = 2000;
const MOST_BYTES = 2_000_000;

export function isSvg(file: File): boolean {
  return file.type === 'image/svg+xml' || /\.svg$/i.test(file.name);
}

/** The file as a PNG; null if it cannot be drawn. */
export async function pngOf(file: File): Promise<File | null> {
  if (file.size > MOST_BYTES) return null;
  const address = URL.createObjectURL(new Blob([file], { type: 'image/svg+xml' }));
  try {
    const image = new Image();
    image.src = address;
    await image.decode();
    const [width, height] = [image.naturalWidth || 800, image.naturalHeight || 600];
    const scale = LONGEST_PX / Math.max(width, height);
    const canvas = document.createElement('canvas');
    canvas.width = Math.max(1, Math.round(width * scale));
    canvas.height = Math.max(1, Math.round(height * scale));
    canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height);
    const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/png'));
    return blob && new File([blob], file.name, { type: 'image/png' });
  } catch {
    return null;
  } finally {
    URL.revokeObjectURL(address);
  }
}
