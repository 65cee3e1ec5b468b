import { availableParallelism } from 'node:os';
import { defineConfig } from '@playwright/test';
import { server, use } from './browser.mjs';

const port = process.env.YARDANG_TEST_PORT ?? '5187';

export default defineConfig({
  testDir: './specs',
  timeout: 120_000,
  expect: { timeout: 20_000 },
  fullyParallel: false,
  // Each spec has teachers and data of its own. The server, a browser and its pages together keep two cores busy.
  workers: Math.max(2, Math.floor(availableParallelism() / 2)),
  retries: process.env.CI ? 1 : 0,
  reporter: [['line'], ['./plain-reporter.mjs']],
  use: { ...use, baseURL: `http://127.0.0.1:${port}` },
  webServer: server(port),
});
