const times = new Map<string, Intl.DateTimeFormat>();

/** A time of the day, in the same way. */
export function showTime(ms: number, timeZone: string): string {
  let format = times.get(timeZone);
  if (!format) {
    const { lang } = document.documentElement;
    const locale = lang === 'en' ? 'en-GB' : lang;
    format = new Intl.DateTimeFormat(locale, { hour: '2-digit', minute: '2-digit', timeZone });
    times.set(timeZone, format);
  }
  return format.format(ms);
}

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
