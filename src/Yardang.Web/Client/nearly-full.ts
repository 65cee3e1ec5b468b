// Where a field is nearly full it is said how much may still be typed. What says so is fetched then.

const NEARLY = 0.85;

document.addEventListener('input', ({ target }) => {
  const field = target as HTMLTextAreaElement;
  if (!(field.maxLength > 0) || field.value.length < NEARLY * field.maxLength) return;
  void import('./letters-left').then(({ sayLeft }) => sayLeft(field)).catch(() => undefined);
});
