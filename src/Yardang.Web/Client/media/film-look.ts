// What a film looks like: how large it is, how long, and a picture out of it that stands for it.

import { endOf, until } from '../attachments/player';

/** Not the very first, which is often dark. */
const STILL_S = 1;
const MOST_STILL = 1280;
const JPEG_QUALITY = 0.85;

export interface FilmLook {
  readonly width: number;
  readonly height: number;
  /** ms. */
  readonly duration: number;
  readonly still: Blob | null;
}

/** Null for what cannot be played here. */
export async function lookAt(film: Blob): Promise<FilmLook | null> {
  const video = document.createElement('video');
  const url = URL.createObjectURL(film);
  try {
    video.muted = true;
    video.preload = 'auto';
    video.src = url;
    const seconds = await endOf(video);
    if (!Number.isFinite(seconds) || video.videoWidth === 0) return null;
    const sought = new Promise((done) => video.addEventListener('seeked', done, { once: true }));
    video.currentTime = Math.min(STILL_S, seconds / 2);
    await Promise.race([sought, until(video, 'error', () => false)]);
    await until(video, 'loadeddata', () => video.readyState >= HTMLMediaElement.HAVE_CURRENT_DATA);
    return { ...sizeOf(video), duration: Math.max(1, Math.round(seconds * 1000)), still: await pictureOf(video) };
  } finally {
    video.removeAttribute('src');
    video.load();
    URL.revokeObjectURL(url);
  }
}

export function sizeOf({ videoWidth, videoHeight }: HTMLVideoElement): { width: number; height: number } {
  return { width: videoWidth, height: videoHeight };
}

/** What it shows at this moment, as a picture. */
export function pictureOf(video: HTMLVideoElement): Promise<Blob | null> {
  const { width, height } = sizeOf(video);
  const fit = Math.min(1, MOST_STILL / Math.max(width, height));
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [Math.round(width * fit), Math.round(height * fit)];
  canvas.getContext('2d')!.drawImage(video, 0, 0, canvas.width, canvas.height);
  return new Promise((done) => canvas.toBlob(done, 'image/jpeg', JPEG_QUALITY));
}
