/** A moment in ms as the school's clock shows it, in the language of the page. */
export function showMoment(ms: number, timeZone: string): string {
  const { lang } = document.documentElement;
  return new Intl.DateTimeFormat(lang === 'en' ? 'en-GB' : lang, {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
    timeZone,
  }).format(ms);
}
