import { defineConfig } from '@playwright/test';
import { server, use } from './browser.mjs';

const port = process.env.YARDANG_BENCH_PORT ?? '5189';

export default defineConfig({
  testDir: './bench',
  timeout: 180_000,
  workers: 1,
  reporter: 'line',
  // Keeping a trace costs time of the pages that are measured.
  use: { ...use, trace: 'off', baseURL: `http://127.0.0.1:${port}` },
  webServer: server(port),
});
