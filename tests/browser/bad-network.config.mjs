// The browser tests over a bad network: what comes late, and what overtakes what, must not matter to anybody.
import { defineConfig } from '@playwright/test';
import { server } from './browser.mjs';
import config from './playwright.config.mjs';

const port = 5197;
const behind = 5198;
const most = process.env.YARDANG_DELAY_MS ?? '600';

export default defineConfig({
  ...config,
  timeout: 240_000,
  expect: { timeout: 40_000 },
  use: { ...config.use, baseURL: `http://127.0.0.1:${port}` },
  webServer: [
    server(behind),
    { command: `node bad-network.mjs ${port} ${behind} ${most}`, url: `http://127.0.0.1:${port}/healthz`, timeout: 60_000 },
  ],
});
