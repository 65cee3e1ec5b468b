// Which pages of a file somebody wants, as they write it: "1-3, 5".

/** In the order in which they are named, each once; null if that cannot be read, or names a page that there is not. */
export function pagesIn(written: string, last: number): number[] | null {
  const chosen = new Set<number>();
  for (const range of written
    .replace(/\s*[-–]\s*/g, '-')
    .split(/[,;\s]+/)
    .filter(Boolean)) {
    const [, first, second] = /^(\d{1,6})(?:-(\d{1,6}))?$/.exec(range) ?? [];
    if (first === undefined) return null;
    const [from, to] = [Number(first), Number(second ?? first)];
    if (from < 1 || to > last || from > to) return null;
    for (let page = from; page <= to; page++) chosen.add(page);
  }
  return chosen.size > 0 ? [...chosen] : null;
}
