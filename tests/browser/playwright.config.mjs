import { defineConfig } from '@playwright/test';
import { server, use } from './browser.mjs';

const port = process.env.YARDANG_TEST_PORT ?? '5187';

export default defineConfig({
  testDir: './specs',
  timeout: 60_000,
  expect: { timeout: 10_000 },
  fullyParallel: false,
  workers: 1,
  reporter: [['line'], ['./plain-reporter.mjs']],
  use: { ...use, baseURL: `http://127.0.0.1:${port}` },
  webServer: server(port),
});
