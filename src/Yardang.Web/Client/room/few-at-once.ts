// Things are done in the order in which they were asked for, and only so many at a time.

export function fewAtOnce(most: number): <T>(act: () => Promise<T>) => Promise<T> {
  let going = 0;
  const waiting: (() => void)[] = [];
  return async (act) => {
    if (going >= most) await new Promise<void>((begin) => waiting.push(begin));
    else going++;
    try {
      return await act();
    } finally {
      // The place is handed on, so that nobody else takes it in between.
      const next = waiting.shift();
      if (next) next();
      else going--;
    }
  };
}
