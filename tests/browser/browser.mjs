// What all runs share: Debian's Chromium, and a server of their own with its own data.
import { existsSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

export const use = {
  viewport: { width: 1280, height: 800 },
  // A trace of each page costs a fifth of the time: only on wish, to find out why a test fails.
  trace: process.env.YARDANG_TRACE ? { mode: 'retain-on-failure', screenshots: false, snapshots: true } : 'off',
  launchOptions: {
    // Without windows, menus and profiles of its own it needs half as much of the machine.
    executablePath: ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'].find(existsSync),
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  },
};

export function server(port, env = {}) {
  return {
    command: 'dotnet run --project ../../src/Yardang.Web --no-build --no-launch-profile',
    env: {
      ASPNETCORE_URLS: `http://127.0.0.1:${port}`,
      ASPNETCORE_ENVIRONMENT: 'Development',
      Yardang__StandInDevices: 'true',
      Yardang__Links__Frames__0: 'films.classroom.example',
      Yardang__Data: mkdtempSync(join(tmpdir(), 'yardang-browser-')),
      Logging__LogLevel__Default: 'Warning',
      // A server that runs for minutes only is not worth measuring while it runs.
      DOTNET_TieredPGO: '0',
      DOTNET_gcServer: '0',
      ...env,
    },
    url: `http://127.0.0.1:${port}/healthz`,
    timeout: 60_000,
    reuseExistingServer: false,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 5000 },
    stdout: 'ignore',
    stderr: 'pipe',
  };
}
