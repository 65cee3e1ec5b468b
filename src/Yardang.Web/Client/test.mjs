// Bundles *.test.ts with esbuild, then runs node's own test runner (Node 20 cannot strip types).
import { spawnSync } from 'node:child_process';
import { readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { build } from 'esbuild';

const files = readdirSync('Client', { recursive: true })
  .filter((f) => f.endsWith('.test.ts'))
  .map((f) => join('Client', f));
const outdir = 'obj/ts-tests';
rmSync(outdir, { recursive: true, force: true });
await build({
  entryPoints: files,
  outdir,
  bundle: true,
  platform: 'node',
  format: 'esm',
  outExtension: { '.js': '.mjs' },
  sourcemap: 'inline',
  logLevel: 'warning',
});
const tests = readdirSync(outdir, { recursive: true })
  .filter((f) => f.endsWith('.mjs'))
  .map((f) => join(outdir, f));
const run = spawnSync(process.execPath, ['--enable-source-maps', '--test', '--test-reporter=tap', ...tests], {
  stdio: 'inherit',
});
process.exit(run.status ?? 1);
