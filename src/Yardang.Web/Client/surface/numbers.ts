// Numbers on a page, with the decimal sign of whoever reads it.

let sign: string | undefined;

/** A measure or a number of an axis, as the reader's language writes it. */
export function asRead(number: string): string {
  sign ??= signOf(document.documentElement.lang);
  return number.replace('.', sign);
}

function signOf(language: string): string {
  const parts = new Intl.NumberFormat(language || 'en').formatToParts(1.5);
  return parts.find((part) => part.type === 'decimal')?.value ?? '.';
}
