// Several screens in one picture, side by side, at the height of the tallest.

const GAP = 24;

/** A screen as it is now. */
export async function piece(opened) {
  await opened.evaluate(() => document.fonts.ready);
  const { width, height } = opened.viewportSize();
  return { width, height, picture: (await opened.screenshot({ animations: 'disabled' })).toString('base64') };
}

/** @param rows pieces, row by row; @param width of the picture in px. */
export async function contactSheet(browser, path, rows, width = 1600) {
  const opened = await (await browser.newContext({ viewport: { width, height: 100 } })).newPage();
  const row = (pieces) => {
    const aspect = pieces.reduce((sum, p) => sum + p.width / p.height, 0);
    const height = (width - GAP * (pieces.length + 1)) / aspect;
    return `<p>${pieces.map((p) => `<img height="${Math.round(height)}" src="data:image/png;base64,${p.picture}">`).join('')}</p>`;
  };
  await opened.setContent(
    `<style>body{margin:0;padding:${GAP}px;background:#c9d3d0}p{display:flex;gap:${GAP}px;margin:0 0 ${GAP}px}p:last-child{margin:0}</style>${rows.map(row).join('')}`,
  );
  await opened.screenshot({ path, fullPage: true });
  await opened.context().close();
}
