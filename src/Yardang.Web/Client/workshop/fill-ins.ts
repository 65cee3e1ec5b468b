// Places to fill in: words in braces. Core's FillIns finds the same ones.

import { belongsToPage, type Body, type Mark, type NewMark, isBox } from '../room/marks';
import { breakLines, fitNote } from '../surface/text-fit';
import { LINE_HEIGHT } from '../surface/type';

const PLACE = /\{([^{}\r\n]{1,40})\}/g;

/** The names of the places in some texts, each once. */
export function fillInsOf(texts: Iterable<string>): string[] {
  const names = new Map<string, string>();
  for (const text of texts)
    for (const [, name] of text.matchAll(PLACE))
      if (!names.has(name!.toLowerCase())) names.set(name!.toLowerCase(), name!);
  return [...names.values()];
}

/** A text with what was filled in; places that were left empty stay. */
export function filledIn(text: string, values: ReadonlyMap<string, string>): string {
  return text.replaceAll(PLACE, (place, name: string) => values.get(name.toLowerCase())?.trim() || place);
}

/** What a mark says. */
export function wordsOf(body: Body): string[] {
  if (isBox(body)) return [body.words.text];
  return belongsToPage(body) ? Object.values(body.name) : [];
}

/** A mark with what was filled in, its words broken into lines anew. */
export function filledMark<T extends Mark | NewMark>(mark: T, values: ReadonlyMap<string, string>): T {
  return { ...mark, body: filledBody(mark.body, mark.style.looks, values) };
}

/** A body with what was filled in. What has words is fitted into its place anew. */
export function filledBody(body: Body, looks: number, values: ReadonlyMap<string, string>): Body {
  if (belongsToPage(body)) {
    const name = Object.entries(body.name).map(([language, text]) => [language, filledIn(text, values)]);
    return { ...body, name: Object.fromEntries(name) };
  }
  if (!isBox(body)) return body;
  const text = filledIn(body.words.text, values);
  if (body.kind !== 'text') {
    const { lines, size, height } = fitNote(text, body.width, body.height, looks);
    return { ...body, height, words: { ...body.words, text, lines, size } };
  }
  const lines = breakLines(text, body.words.size, body.width, looks);
  const height = Math.ceil(lines.length * LINE_HEIGHT * body.words.size);
  return { ...body, height, words: { ...body.words, text, lines } };
}
