// What all runs share: Debian's Chromium, and a server of their own with its own data.
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

export const use = {
  viewport: { width: 1280, height: 800 },
  // A film of each page would cost half of two cores.
  trace: { mode: 'retain-on-failure', screenshots: false, snapshots: true },
  launchOptions: {
    executablePath: '/usr/bin/chromium',
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
      Yardang__Data: mkdtempSync(join(tmpdir(), 'yardang-browser-')),
      Logging__LogLevel__Default: 'Warning',
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
