import { defineConfig } from '@playwright/test';
import { server, use } from './browser.mjs';

const port = process.env.YARDANG_TEST_PORT ?? '5187';

export default defineConfig({
  testDir: './specs',
  timeout: 60_000,
  expect: { timeout: 10_000 },
  // A file's tests stay together and in their order; two files at a time share the server.
  fullyParallel: false,
  workers: 2,
  reporter: [['line'], ['./plain-reporter.mjs']],
  use: { ...use, baseURL: `http://127.0.0.1:${port}` },
  webServer: server(port),
});
