// The server's pictures of a page look as the page does on the screen: one mark of each kind in a field of its own, and each paper.
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, test } from '@playwright/test';
import { teacher } from './people.mjs';
import { zip } from './zip.mjs';

const web = new URL('../../../src/Yardang.Web/', import.meta.url);
const { buildSync } = createRequire(new URL('package.json', web))('esbuild');

const DPI = 150;
const DOTS_PER_UNIT = DPI / 2540;
const BOX_MM = 0.3;
const MOST_DIFFERENT = 0.01;
const [COLUMNS, ROWS] = [5, 5];
const [WIDTH, HEIGHT] = [29700, 21000];
/** The line at the foot stands on the server's picture only. */
const FOOT = 1200;
const [ACROSS, DOWN] = [WIDTH / COLUMNS, (HEIGHT - FOOT) / ROWS];

const picture = readFileSync(new URL('../../../docs/screenshots/front-door.png', import.meta.url));
const media = createHash('sha256').update(picture).digest('hex');

const words = (text, size, lines = [text]) => ({ text, language: 'en', lines, size });
const wave = (steps, x, y, width) =>
  Array.from({ length: steps }, (_, i) => [x + (width * i) / (steps - 1), y + 500 * Math.sin(i / 2), 60 + ((i * 31) % 160), i * 15].map(Math.round)).flat();
const ink = { kind: 'ink', points: wave(30, 500, 1900, 4000) };
const box = (kind, width, height, more) => ({ kind, x: 600, y: 700, width, height, ...more });
const shape = (kind, ...points) => ({ kind: 'shape', shape: kind, points });

/** What stands in the fields, from left to right and from the top: a body drawn near 0, 0, and what differs from the usual. */
const FIELDS = [
  { body: ink, style: { width: 80 } },
  { body: ink, style: { width: 150, looks: 'feltTip' }, cuts: [900, 2200] },
  { body: ink, style: { width: 500, looks: 'highlighter', colour: 1 } },
  { body: ink, style: { width: 60 }, scale: { x: 800, y: 1600 }, place: { turn: 3000 } },
  { body: box('text', 4400, 1750, { words: words('Where does\nthe load go?', 700, ['Where does', 'the load go?']) }) },
  { body: box('text', 4400, 900, { words: words('AVAST: fjord', 700) }), style: { looks: 'bold' } },
  { body: box('text', 4400, 1750, { words: words('An arch\npushes', 700, ['An arch', 'pushes']) }), style: { looks: 'centred' }, place: { turn: 1500 } },
  { body: box('text', 4400, 900, { words: words('ارسم جسرا 12.5', 700) }) },
  { body: box('text', 4400, 900, { words: words('גשר means bridge', 520) }) },
  { body: box('note', 3000, 2600, { words: words('Piers carry it', 600, ['Piers', 'carry it']) }), style: { colour: 2 } },
  { body: box('bubble', 4200, 1500, { words: words('I push back', 600), tipX: 800, tipY: 3400 }), style: { colour: 6 } },
  { body: box('formula', 2400, 1500, { source: 'F', outline: 'M0 0L2400 0L2400 300L300 300L300 600L1800 600L1800 900L300 900Q300 1500 0 1500Z' }) },
  { body: box('stamp', 1800, 1800, { stamp: 'strong' }), scale: { x: 1300, y: 1300 } },
  { body: shape('polygon', 800, 3000, 4600, 3000, 2000, 800), style: { width: 50, looks: 'showsSides, showsAngles' } },
  { body: shape('polygon', 1000, 800, 4000, 800, 4600, 2600, 1600, 2600), style: { width: 50, fill: 4, looks: 'dashed' }, place: { turn: 2000 } },
  { body: shape('ellipse', 700, 700, 4700, 2900), style: { width: 90, fill: 3 } },
  { body: shape('arc', 700, 2900, 2500, 800, 4700, 2700), style: { width: 70 } },
  { body: shape('line', 700, 700, 2500, 2800, 4700, 1200), style: { width: 70, looks: 'arrowAtStart, arrowAtEnd' } },
  { body: { kind: 'picture', x: 600, y: 600, width: 4000, height: 2500, media, description: 'The front door' } },
  { body: { kind: 'zone', shape: 'polygon', points: [500, 500, 5200, 500, 5200, 3300, 500, 3300], name: { en: 'Keeps its shape' }, rule: 'centre' }, style: { fill: 2 } },
  { body: { kind: 'zone', shape: 'ellipse', points: [500, 500, 5200, 3300], name: { en: 'A name that is much too long for it' }, rule: 'centre' }, style: { fill: 5 } },
  { body: box('text', 4400, 900, { words: words('Ελλάδα, мост', 600) }) },
  { body: shape('line', 1000, 1900, 1001, 1901), style: { width: 200 } },
  { body: shape('line', 4600, 1900, 4601, 1901), style: { width: 200 }, field: 22 },
  { body: { kind: 'connector', from: 23, to: 24, points: [0, 0, 900, 900], label: words('pushes', 400) }, style: { width: 60, looks: 'arrowAtEnd' }, field: 22 },
  { body: box('answerField', 4400, 1800, { name: { en: 'What pushes back?' } }), field: 23 },
  { body: box('fieldAnswer', 4400, 1800, { field: 26, words: words('the ground,\nand the pier', 600, ['the ground,', 'and the pier']) }), field: 23 },
];

const PAPERS = ['plain', 'squared', 'ruled', 'handwriting', 'dotted', 'isometric', 'coordinatePlane', 'numberLine', 'staves', 'table'];

function archive() {
  const marks = FIELDS.map(({ body, style, place, scale, cuts, field }, i) => {
    const at = field ?? i;
    const [x, y] = [(at % COLUMNS) * ACROSS, Math.floor(at / COLUMNS) * DOWN];
    return {
      id: i + 1,
      page: 1,
      author: 1,
      byStaff: true,
      grip: 'printed',
      order: i + 1,
      body,
      style: { colour: 0, width: 0, fill: 0, looks: 'none', ...style },
      place: { x, y, turn: 0, ...place },
      cuts: cuts ?? [],
      erased: false,
      ...(scale && { scale }),
    };
  });
  const pages = PAPERS.map((kind, i) => ({ id: i + 1, name: {}, size: { width: WIDTH, height: HEIGHT }, paper: { kind, spacing: 0, columns: 0, rows: 0 }, withheld: 'none' }));
  const activity = { name: { en: 'Alike' }, directions: {}, pages, marks };
  return zip({ 'activity.json': Buffer.from(JSON.stringify({ format: 1, activity })), [`media/${media}`]: picture });
}

// The product's own drawing, made callable.
const drawing = () =>
  buildSync({
    stdin: {
      contents: `
        import { decode } from '@msgpack/msgpack';
        import { Sheets } from './room/sheets';
        import { readRoomSnapshot } from './wire/kinds';
        import { drawMark, drawPaper } from './surface/draw';
        import { Pictures } from './surface/pictures';
        window.drawn = async (room, number, dotsPerUnit) => {
          const snapshot = decode(new Uint8Array(await (await fetch('/rooms/' + room + '/snapshot')).arrayBuffer()));
          const sheets = Sheets.of(snapshot[2], readRoomSnapshot(snapshot[1], snapshot[4]));
          const page = sheets.pages[number - 1];
          const canvas = new OffscreenCanvas(Math.ceil(page.size.width * dotsPerUnit), Math.ceil(page.size.height * dotsPerUnit));
          const ctx = canvas.getContext('2d');
          const pictures = new Pictures(room, '', () => undefined);
          const marks = sheets.visible(page.id);
          const wanted = marks.filter((m) => m.body.kind === 'picture').map((m) => m.body.media);
          while (!wanted.every((m) => pictures.find(m))) await new Promise((done) => requestAnimationFrame(done));
          const draw = () => {
            ctx.setTransform(dotsPerUnit, 0, 0, dotsPerUnit, 0, 0);
            drawPaper(ctx, page, pictures);
            for (const mark of marks) drawMark(ctx, mark, { unit: sheets.unit, pictures });
          };
          // The first time asks for the letters that are needed.
          draw();
          await document.fonts.ready;
          draw();
          return ctx.getImageData(0, 0, canvas.width, canvas.height);
        };`,
      resolveDir: new URL('Client', web).pathname,
      loader: 'ts',
    },
    bundle: true,
    write: false,
    format: 'iife',
  }).outputFiles[0].text;

/** In the page: both pictures, what differs of them in each field, and altogether. */
async function compare({ board, address, number, dotsPerUnit, fields, foot }) {
  const screen = await window.drawn(board, number, dotsPerUnit);
  const bitmap = await createImageBitmap(await (await fetch(address)).blob());
  const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
  canvas.getContext('2d').drawImage(bitmap, 0, 0);
  const server = canvas.getContext('2d').getImageData(0, 0, bitmap.width, bitmap.height);
  const { width } = screen;
  const height = screen.height - Math.ceil(foot * dotsPerUnit);
  const isInk = ({ data }, i) => data[i] < 245 || data[i + 1] < 245 || data[i + 2] < 245;
  const far = (a, i, b, k) => Math.max(...[0, 1, 2].map((c) => Math.abs(a.data[i + c] - b.data[k + c])));
  const isNear = (a, b, x, y) => {
    for (let dy = -1; dy <= 1; dy++)
      for (let dx = -1; dx <= 1; dx++) {
        const [nx, ny] = [x + dx, y + dy];
        if (nx < 0 || ny < 0 || nx >= width || ny >= height) continue;
        if (far(a, 4 * (y * width + x), b, 4 * (ny * width + nx)) < 64) return true;
      }
    return false;
  };
  let [inked, different] = [0, 0];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const i = 4 * (y * width + x);
      if (!isInk(screen, i) && !isInk(server, i)) continue;
      inked++;
      if (!isNear(screen, server, x, y) || !isNear(server, screen, x, y)) different++;
    }
  const boxIn = (image, [left, top, right, bottom]) => {
    const box = [Infinity, Infinity, -Infinity, -Infinity];
    for (let y = Math.ceil(top); y < bottom; y++)
      for (let x = Math.ceil(left); x < right; x++) {
        if (!isInk(image, 4 * (y * width + x))) continue;
        box[0] = Math.min(box[0], x);
        box[1] = Math.min(box[1], y);
        box[2] = Math.max(box[2], x);
        box[3] = Math.max(box[3], y);
      }
    return box;
  };
  return {
    sizes: [screen.width, screen.height, server.width, server.height],
    inked,
    different: different / Math.max(1, inked),
    boxes: fields.map((f) => [boxIn(screen, f), boxIn(server, f)]),
  };
}

test('what the server draws looks as it does on the screen, mark by mark and paper by paper', async ({ browser }) => {
  test.slow();
  const varga = await teacher(browser);
  await varga.getByLabel('Bring in an activity').setInputFiles({ name: 'alike.yardang.zip', mimeType: 'application/zip', buffer: archive() });
  await varga.getByRole('button', { name: 'Bring it in' }).click();
  await varga.getByRole('link', { name: 'Hand out' }).click();
  await varga.getByLabel('Everybody together').check();
  await varga.getByRole('button', { name: 'Hand out' }).click();
  await varga.getByRole('link', { name: 'Watch the boards' }).click();
  const tile = await varga.locator('.tile').first().getAttribute('href');
  await varga.goto(tile);
  await expect(varga.locator('.kept')).toHaveText('Kept');
  await varga.evaluate(drawing());

  const fields = FIELDS.map((_, i) => i).filter((i) => FIELDS[i].field === undefined);
  for (const [i, paper] of PAPERS.entries()) {
    const found = await varga.evaluate(compare, {
      board: tile.split('/').at(-1),
      address: `${tile}.png?page=${i + 1}`,
      number: i + 1,
      dotsPerUnit: DOTS_PER_UNIT,
      foot: FOOT,
      fields: i > 0 ? [] : fields.map((f) => [(f % COLUMNS) * ACROSS, Math.floor(f / COLUMNS) * DOWN, ((f % COLUMNS) + 1) * ACROSS, (Math.floor(f / COLUMNS) + 1) * DOWN].map((n) => n * DOTS_PER_UNIT)),
    });
    expect(found.sizes.slice(0, 2)).toEqual(found.sizes.slice(2));
    if (process.env.SHOW) console.log(paper, found.different.toFixed(4), JSON.stringify(found.boxes.map(([a, b]) => a.map((n, i) => b[i] - n))));
    expect(found.inked, paper).toBeGreaterThan(1000);
    expect.soft(found.different, paper).toBeLessThan(MOST_DIFFERENT);
    for (const [k, [screen, server]] of found.boxes.entries()) {
      const off = Math.max(...screen.map((n, side) => Math.abs(n - server[side])));
      expect.soft(off / DOTS_PER_UNIT / 100, `field ${fields[k]}, ${JSON.stringify(FIELDS[fields[k]].body).slice(0, 90)}`).toBeLessThanOrEqual(BOX_MM);
    }
  }
  expect(varga.problems).toEqual([]);
});
