// How loud a recording is from its beginning to its end, in equal parts, each a digit: as Core's VoiceAttachment has it.

export const PARTS = 48;

/** Quiet voices are seen, too. */
const ROOT = 0.6;

/** @param samples how loud it was from moment to moment, from 0 to 1. */
export function loudnessOf(samples: ArrayLike<number>): string {
  if (samples.length === 0) return '';
  const parts = Math.min(PARTS, samples.length);
  const peaks = Array.from({ length: parts }, (_, part) => {
    const [from, to] = [part, part + 1].map((p) => Math.floor((p * samples.length) / parts)) as [number, number];
    let peak = 0;
    for (let i = from; i < Math.max(to, from + 1); i++) peak = Math.max(peak, Math.abs(samples[i]!));
    return peak;
  });
  const most = Math.max(...peaks, 0.05);
  return peaks.map((peak) => Math.round(9 * (peak / most) ** ROOT)).join('');
}
