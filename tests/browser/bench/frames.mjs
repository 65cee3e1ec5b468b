// How long each frame of a page takes, ms, for so long.
export const framesFor = (page, ms) =>
  page.evaluate(
    (ms) =>
      new Promise((done) => {
        const frames = [];
        const begun = performance.now();
        let last = begun;
        const frame = () => {
          const now = performance.now();
          frames.push(now - last);
          last = now;
          if (now - begun < ms) requestAnimationFrame(frame);
          else done(frames.slice(2));
        };
        requestAnimationFrame(frame);
      }),
    ms,
  );
