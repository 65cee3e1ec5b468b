import { defineConfig } from '@playwright/test';
import { server, use } from './browser.mjs';

const port = process.env.YARDANG_SHOTS_PORT ?? '5188';

export default defineConfig({
  testDir: './shots',
  timeout: 240_000,
  workers: 1,
  reporter: 'line',
  use: { ...use, baseURL: `http://127.0.0.1:${port}` },
  webServer: server(port, {
    Yardang__Demo: 'true',
    Yardang__StandInDevices: 'true',
    Yardang__DemoStep: '40',
    Yardang__TimeZone: 'Europe/London',
    Yardang__Clock: '2026-11-23T10:20:00Z',
  }),
});
