// In which direction words are read: as Core's Reading decides it, by the first letter.

const STRONG = /[\p{L}\p{M}]/u;
const RIGHT_TO_LEFT = /[\u0590-\u08ff\ufb1d-\ufdff\ufe70-\ufeff\u{10800}-\u{10fff}\u{1e800}-\u{1efff}]/u;

export function isRightToLeft(text: string): boolean {
  const first = STRONG.exec(text);
  return first !== null && RIGHT_TO_LEFT.test(first[0]);
}
