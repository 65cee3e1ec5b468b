// Sentences that this teacher says again and again, kept on this device: those said last, first.

const KEY = 'yardang-sentences';
const MOST = 20;

export function keptSentences(): readonly string[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? '[]');
    return Array.isArray(kept) ? kept.filter((sentence) => typeof sentence === 'string').slice(0, MOST) : [];
  } catch {
    return [];
  }
}

export function keepSentence(sentence: string): void {
  const kept = [sentence, ...keptSentences().filter((other) => other !== sentence)].slice(0, MOST);
  localStorage.setItem(KEY, JSON.stringify(kept));
}
