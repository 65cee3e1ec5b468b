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
