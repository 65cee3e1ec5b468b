// What the server wrote into the page for the scripts: facts and interface texts.

export function pageData<T>(): T {
  const element = document.getElementById('page-data');
  if (!element?.textContent) throw new Error('The page carries no data.');
  return JSON.parse(element.textContent) as T;
}

/** Fills {0}, {1} ... as the server's texts have them. */
export function fill(text: string, ...values: (string | number)[]): string {
  return text.replace(/\{(\d)\}/g, (_, i) => String(values[Number(i)] ?? ''));
}

let rules: Intl.PluralRules | undefined;

/** A text with a number in it, in the form that the number asks for: `people` and, where there is one, `peopleOne`. */
export function plural(texts: object, key: string, n: number): string {
  const all = texts as Record<string, string>;
  const form = (rules ??= new Intl.PluralRules(document.documentElement.lang)).select(n);
  return fill(all[key + form[0]!.toUpperCase() + form.slice(1)] ?? all[key] ?? '', n);
}
