// A school's own server, as docs/running.md says: settings in a file, nginx with TLS in front of it, the first account by the administrator, a backup
// while a class works, and the same school put back from it.
import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { expect, request, test } from '@playwright/test';
import { design, draw, handOut, kept, marks, visitor } from './people.mjs';

const web = resolve(import.meta.dirname, '../../../src/Yardang.Web');
const deploy = resolve(import.meta.dirname, '../../../deploy');
const program = join(web, 'bin/Debug/net10.0/linux-x64/Yardang.Web.dll');

const freePort = () =>
  new Promise((done) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => done(port));
    });
  });

/** What an administrator types on the server. */
const yardang = (settings, ...words) =>
  execFileSync('dotnet', [program, ...words], { cwd: web, env: { ...process.env, YARDANG_SETTINGS: settings }, encoding: 'utf8' });

async function start(settings, http) {
  const server = spawn('dotnet', [program], {
    cwd: web,
    env: { ...process.env, YARDANG_SETTINGS: settings, ASPNETCORE_ENVIRONMENT: 'Development', Logging__LogLevel__Default: 'Warning' },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  const outside = await request.newContext();
  await expect.poll(() => outside.get(`${http}/healthz`).then((r) => r.status(), () => 0), { timeout: 60_000 }).toBe(200);
  await outside.dispose();
  return server;
}

const stop = (server) => new Promise((done) => server.once('exit', done).kill('SIGTERM'));

test('a school runs it behind a proxy with TLS, makes the first account, backs it up while a class works, and puts it back', async ({ browser }) => {
  test.setTimeout(240_000);
  const folder = mkdtempSync(join(tmpdir(), 'yardang-running-'));
  const [inside, plain, tls] = [await freePort(), await freePort(), await freePort()];
  const [direct, address] = [`http://127.0.0.1:${inside}`, `https://localhost:${tls}`];
  const settings = join(folder, 'settings.json');
  const set = (data) =>
    writeFileSync(
      settings,
      readFileSync(join(deploy, 'settings.json'), 'utf8')
        .replace('"/var/lib/yardang"', JSON.stringify(join(folder, data)))
        .replace('http://127.0.0.1:5080', direct)
        .replace('https://yardang.school.example', address)
        .replace('"invitation"', '"closed"'),
    );
  set('data');

  // The example, with names and ports of this test.
  const site = readFileSync(join(deploy, 'nginx.conf'), 'utf8')
    .replaceAll('yardang.school.example', 'localhost')
    .replaceAll('/etc/ssl/yardang/fullchain.pem', join(folder, 'certificate.pem'))
    .replaceAll('/etc/ssl/yardang/privkey.pem', join(folder, 'key.pem'))
    .replaceAll('listen 80;', `listen 127.0.0.1:${plain};`)
    .replaceAll('listen 443 ssl;', `listen 127.0.0.1:${tls} ssl;`)
    .replaceAll(/ *listen \[::\].*\n/g, '')
    .replaceAll('127.0.0.1:5080', `127.0.0.1:${inside}`);
  writeFileSync(join(folder, 'site.conf'), site);
  writeFileSync(
    join(folder, 'nginx.conf'),
    `daemon off; pid ${folder}/pid; error_log ${folder}/error.log; events {} http { client_body_temp_path ${folder}/body; proxy_temp_path ${folder}/proxy; fastcgi_temp_path ${folder}/f; uwsgi_temp_path ${folder}/u; scgi_temp_path ${folder}/s; include ${folder}/site.conf; }`,
  );
  execFileSync(
    'openssl',
    ['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-subj', '/CN=localhost', '-days', '2', '-keyout', join(folder, 'key.pem'), '-out', join(folder, 'certificate.pem')],
    { stdio: 'ignore' },
  );
  const proxy = spawn('/usr/sbin/nginx', ['-p', folder, '-c', join(folder, 'nginx.conf')], { stdio: 'inherit' });
  expect(yardang(settings, 'settings')).toContain('can be read');
  let server = await start(settings, direct);
  try {
    // Nobody comes in but through TLS, and nobody makes an account.
    const outside = await request.newContext({ ignoreHTTPSErrors: true });
    const moved = await outside.get(`http://127.0.0.1:${plain}/desk`, { maxRedirects: 0 });
    expect([moved.status(), moved.headers().location]).toEqual([301, 'https://127.0.0.1/desk']);
    const front = await outside.get(`${address}/`, { headers: { Host: 'yardang.ostlebrook.example' } });
    expect(front.headers()['strict-transport-security']).toContain('max-age=');
    expect(front.headers()['set-cookie']).toMatch(/secure/i);
    expect(await (await outside.get(`${address}/healthz`)).text()).toBe('ok');
    expect((await (await outside.get(`${direct}/healthz`)).json()).status).toBe('ok');

    const varga = await visitor(browser, { baseURL: address, ignoreHTTPSErrors: true });
    await varga.goto('/');
    await expect(varga.getByRole('link', { name: 'Make an account' })).toHaveCount(0);
    await varga.goto('/sign-up');
    await expect(varga.getByText('Accounts on this server are made by invitation')).toBeVisible();

    // The administrator makes one, and its owner chooses the password.
    const link = yardang(settings, 'account', 'add', 'Ilse Varga', 'varga@ostlebrook.example').trim().split('\n').at(-1);
    expect(link).toContain(`${address}/reset?`);
    await varga.goto(link);
    await varga.getByLabel('New password').fill('bridge-over-brook');
    await varga.getByRole('button', { name: 'Set the new password' }).click();
    await expect(varga.getByRole('heading', { name: 'Desk of Ilse Varga' })).toBeVisible();

    await design(varga);
    const code = await handOut(varga);
    const maya = await visitor(browser, { baseURL: address, ignoreHTTPSErrors: true });
    const sockets = [];
    maya.on('websocket', (socket) => sockets.push(socket.url()));
    await maya.goto(`/join/${code}`);
    await maya.getByLabel('Your name').fill('Maya');
    await maya.getByRole('button', { name: 'Go to my board' }).click();
    await kept(maya);
    await draw(maya);
    await kept(maya);
    expect(sockets[0]).toContain(`wss://localhost:${tls}/live`);
    await expect(varga.locator('.tile strong')).toHaveText(['Maya']);
    const before = await marks(maya).count();

    // A backup, while they work; then more work, which is lost with the disk.
    const file = join(folder, 'backup.zip');
    expect(yardang(settings, 'backup', file)).toContain('holds all as it was on');
    await draw(maya, [0.4, 0.75], [0.7, 0.8]);
    await kept(maya);
    await expect(marks(maya)).toHaveCount(before + 1);
    await stop(server);
    set('restored');
    expect(yardang(settings, 'restore', file)).toContain('holds all as it was on');
    server = await start(settings, direct);

    // Her page, which was open all the time, shows what is there now, and goes on.
    await expect(marks(maya)).toHaveCount(before, { timeout: 60_000 });
    await kept(maya);
    await draw(maya, [0.4, 0.75], [0.7, 0.8]);
    await kept(maya);
    await expect(marks(maya)).toHaveCount(before + 1);
    await varga.goto('/desk');
    await expect(varga.getByRole('heading', { name: 'Desk of Ilse Varga' })).toBeVisible();
    expect(maya.problems).toEqual([]);
    await outside.dispose();
  } finally {
    await stop(server);
    proxy.kill();
    rmSync(folder, { recursive: true, force: true });
  }
});
