// Bundles scripts, styles, fonts and icons into wwwroot/dist. "--release" minifies.
import { execFileSync } from 'node:child_process';
import { cpSync, mkdirSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { basename, resolve } from 'node:path';
import { build, transform } from 'esbuild';
import { rollup } from 'rollup';

const release = process.argv.includes('--release');
const dist = 'wwwroot/dist';
const modules = 'node_modules';

rmSync(dist, { recursive: true, force: true });
mkdirSync(`${dist}/icons`, { recursive: true });
mkdirSync(`${dist}/files`, { recursive: true });

const latin = (font, axis) => [`latin`, `latin-ext`].map((part) => `${font}-${part}-${axis}-normal.woff2`);
for (const [font, axis] of [
  ['atkinson-hyperlegible-next', 'wght'],
  ['bricolage-grotesque', 'wght'],
])
  for (const file of latin(font, axis))
    cpSync(`${modules}/@fontsource-variable/${font}/files/${file}`, `${dist}/files/${file}`);

// Other scripts, each fetched by a browser when it is first needed.
for (const [font, script] of [
  ['noto-sans-arabic', 'arabic'],
  ['noto-sans-hebrew', 'hebrew'],
  ['noto-sans', 'cyrillic'],
  ['noto-sans', 'greek'],
  ['noto-sans', 'vietnamese'],
  ['noto-sans', 'devanagari'],
])
  cpSync(
    `${modules}/@fontsource-variable/${font}/files/${font}-${script}-wght-normal.woff2`,
    `${dist}/files/noto-sans-${script}.woff2`,
  );

const css = { loader: 'css', target: 'safari16' };

// Styles that only one script needs come with it, as text.
const styles = {
  name: 'styles',
  setup: ({ onLoad }) =>
    onLoad({ filter: /\.css$/ }, async ({ path }) => {
      const { code } = await transform(readFileSync(path, 'utf8'), { ...css, minify: true });
      return { contents: code, loader: 'text' };
    }),
};

// Parts of the hub's client that are never used here, so nobody waits for them: messages are binary, which server-sent events cannot carry, and every
// browser that is supported has fetch; what was sent and not taken is remembered by the room's own client, not by the hub's.
const unused = ['JsonHubProtocol', 'MessageBuffer', 'ServerSentEventsTransport', 'XhrHttpClient'];
const withoutUnused = {
  name: 'without-unused',
  setup: ({ onLoad }) => {
    onLoad({ filter: new RegExp(`signalr/dist/esm/(${unused.join('|')})\\.js$`) }, ({ path }) => {
      const name = /([^/]+)\.js$/.exec(path)[1];
      return { contents: `export class ${name} {}`, loader: 'js' };
    });
    // The binary format is read as its source is written, not as it is made for browsers of ten years ago. Moments are numbers in it, never dates.
    onLoad({ filter: /msgpack\/src\/.*\.ts$/ }, async ({ path }) => {
      const source = readFileSync(path, 'utf8');
      const names = [...source.matchAll(/^export (?:function|const) (\w+)/gm)].map((m) => m[1]);
      if (basename(path) === 'timestamp.ts')
        return { contents: names.map((name) => `export const ${name} = {};`).join('\n'), loader: 'js' };
      const tsconfigRaw = { compilerOptions: { useDefineForClassFields: false } };
      return {
        contents: (await transform(source, { loader: 'ts', target: 'es2022', tsconfigRaw })).code,
        loader: 'js',
      };
    });
  },
};

const bundle = async (outdir, ...names) => {
  const { metafile } = await build({
    plugins: [styles, withoutUnused],
    alias: { '@msgpack/msgpack': resolve(`${modules}/@msgpack/msgpack/src/index.ts`) },
    entryPoints: Object.fromEntries(names.map((name) => [name, `Client/entry-${name}.ts`])),
    outdir,
    bundle: true,
    splitting: true,
    format: 'esm',
    target: 'es2022',
    minify: true,
    sourcemap: release ? false : 'linked',
    chunkNames: 'shared-[hash]',
    logLevel: 'warning',
    metafile: true,
  });
  return metafile.outputs;
};

// All that a page's script rests on from the start in one file beside it: dozens of small ones take a slow computer a third of a second longer, and are
// larger together. What is fetched later finds there what it shares with the page.
const joined = async (name) => {
  const parts = `obj/front-end/${name}`;
  rmSync(parts, { recursive: true, force: true });
  const made = await bundle(parts, name);
  const entry = `${parts}/${name}.js`;

  // Without the page's script itself: pages ask for it with its version, parts that are fetched later would ask for it without, and it would run twice.
  const first = new Set();
  const follow = (file) => {
    if (first.has(file)) return;
    first.add(file);
    for (const { path, kind } of made[file].imports) if (kind === 'import-statement') follow(path);
  };
  follow(entry);
  first.delete(entry);
  const all = await rollup({
    input: entry,
    onLog: (level, log) => level !== 'info' && console.warn(log.message),
    preserveEntrySignatures: 'strict',
  });
  const { output } = await all.generate({
    format: 'es',
    compact: true,
    minifyInternalExports: true,
    entryFileNames: `${name}.js`,
    chunkFileNames: 'shared-[hash].js',
    manualChunks: (id) => (first.has(id.slice(id.indexOf(parts))) ? 'first' : undefined),
  });
  const outputs = {};
  for (const chunk of output) {
    const { code } = await transform(chunk.code, { minify: true, target: 'es2022', format: 'esm' });
    writeFileSync(`${dist}/${chunk.fileName}`, code);
    outputs[`${dist}/${chunk.fileName}`] = {
      entryPoint: chunk.isEntry ? `Client/entry-${name}.ts` : undefined,
      imports: chunk.imports.map((file) => ({ path: `${dist}/${file}`, kind: 'import-statement' })),
    };
  }
  return outputs;
};

// Pages that have to be there at once have scripts of their own: what they would share with others is 50 files, and a slow computer takes a third of
// a second longer over so many.
const live = await Promise.all(['circulate', 'board', 'wall'].map((name) => joined(name)));
const others = await bundle(
  dist,
  'big-screen',
  'door',
  'forms',
  'late',
  'seats',
  'hand-out',
  'history',
  'in-tray',
  'people',
  'wall-workshop',
  'workshop',
);
const outputs = Object.assign({}, others, ...live);

// What each page's script rests on, so that a page can say so before the script is read.
const restingOn = (file, found = new Set()) => {
  for (const { path, kind } of outputs[file].imports)
    if (kind === 'import-statement' && !found.has(path)) restingOn(path, found.add(path));
  return found;
};
const scripts = Object.keys(outputs).filter((file) => outputs[file].entryPoint && !file.includes('/shared-'));
writeFileSync(
  `${dist}/scripts.json`,
  JSON.stringify(
    Object.fromEntries(
      scripts.map((file) => [basename(file, '.js'), [...restingOn(file)].map((path) => basename(path))]),
    ),
  ),
);

// What reads PDF files: its worker as it comes, and the fonts and tables that files may not bring with them.
mkdirSync(`${dist}/pdf`);
cpSync(`${modules}/pdfjs-dist/build/pdf.worker.min.mjs`, `${dist}/pdf/worker.js`);
cpSync(`${modules}/pdfjs-dist/cmaps`, `${dist}/pdf/cmaps`, { recursive: true });
cpSync(`${modules}/pdfjs-dist/standard_fonts`, `${dist}/pdf/fonts`, { recursive: true });
for (const decoder of ['openjpeg_nowasm_fallback.js', 'jbig2_nowasm_fallback.js'])
  cpSync(`${modules}/pdfjs-dist/wasm/${decoder}`, `${dist}/pdf/wasm/${decoder}`);

// A worker of its own, without parts shared with pages.
await build({
  entryPoints: { 'service-worker': 'Client/service-worker.ts' },
  outdir: dist,
  bundle: true,
  format: 'esm',
  target: 'es2022',
  minify: true,
  logLevel: 'warning',
});

execFileSync(
  process.execPath,
  [`${modules}/@tailwindcss/cli/dist/index.mjs`, '-i', 'Client/styles/app.css', '-o', `${dist}/app.css`, '--minify'],
  { stdio: ['ignore', 'ignore', 'inherit'] },
);

// Styles that only some pages need, which name them.
for (const file of [
  'BigScreen/screen.css',
  'Student/chosen.css',
  'Student/inset.css',
  'Student/small-screens.css',
  'Workshop/beside.css',
  'Workshop/wall-plan.css',
  'Workshop/workshop.css',
  'Teaching/circulate.css',
  'Teaching/compare.css',
  'Teaching/history.css',
  'Teaching/in-tray.css',
  'Teaching/people.css',
  'Teaching/phases.css',
]) {
  const { code } = await transform(readFileSync(`Pages/${file}`, 'utf8'), { ...css, minify: true });
  writeFileSync(`${dist}/${file.split('/')[1]}`, code);
}

// Only the icons that the pages name.
const icons = new Set();
for (const file of readdirSync('Pages', { recursive: true }).filter((f) => f.endsWith('.cshtml')))
  for (const [, name] of readFileSync(`Pages/${file}`, 'utf8').matchAll(/<icon name="([a-z-]+)"/g)) icons.add(name);
for (const name of icons)
  cpSync(`${modules}/@phosphor-icons/core/assets/bold/${name}-bold.svg`, `${dist}/icons/${name}.svg`);
