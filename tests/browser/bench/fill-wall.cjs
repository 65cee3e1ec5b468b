// Fills a wall as a class would: raw clients of docs/protocol.md put up cards, answer and judge those of others.
//
//   NODE_PATH=../../src/Yardang.Web/node_modules node bench/fill-wall.cjs http://localhost:5080 "BCDF GHJK" 10 50 100 100 [films]
//
// With films, each card shows one that nobody has: a server asks nobody whether what a card shows is there.

const { HubConnectionBuilder, LogLevel } = require('@microsoft/signalr');
const { MessagePackHubProtocol } = require('@microsoft/signalr-protocol-msgpack');
const { decode, encode } = require('@msgpack/msgpack');

const [server, code, people, cards, answers, votes] = process.argv.slice(2).map((a, i) => (i < 2 ? a : Number(a)));
const withFilms = process.argv[8] === 'films';
const [PUT_UP, ANSWER, JUDGE] = [40, 46, 50];
const FILM = 7;
const PER_TURN = 10;
const WORDS = 'stone arch cable beam deck pier load truss river bank chain rivet bend hold push pull'.split(' ');

const idOf = (client, counter) => client * 2 ** 32 + counter;
const sentence = (n) => Array.from({ length: 9 }, (_, i) => WORDS[(n * 7 + i * i * 3 + i) % WORDS.length]).join(' ');

const nameOf = (n) => n.toString(16).padStart(64, '0');
const filmOf = (n) => [FILM, nameOf(2 * n + 1), nameOf(2 * n + 2), 640, 480, 8000, sentence(n)];

/** Through the door, as the page's form does it; gives what is needed to write. */
async function join(name) {
  const cookies = new Map();
  const cookieHeader = () => [...cookies].map(([key, value]) => `${key}=${value}`).join('; ');
  const ask = async (path, options = {}) => {
    const answer = await fetch(new URL(path, server), {
      ...options,
      headers: { Cookie: cookieHeader() },
      redirect: 'manual',
    });
    for (const cookie of answer.headers.getSetCookie()) {
      const [pair] = cookie.split(';');
      cookies.set(pair.slice(0, pair.indexOf('=')), pair.slice(pair.indexOf('=') + 1));
    }
    return answer;
  };
  const door = `/join/${code.replace(/\s/g, '')}`;
  const token = /name="__RequestVerificationToken" type="hidden" value="([^"]+)"/.exec(await (await ask(door)).text())[1];
  const answer = await ask(door, {
    method: 'POST',
    body: new URLSearchParams({ name, __RequestVerificationToken: token }),
  });
  const place = new URL(answer.headers.get('Location'), server);
  const query = `?as=${place.searchParams.get('as')}`;
  const hub = new HubConnectionBuilder()
    .withUrl(`${server}/live${query}`, { headers: { Cookie: cookieHeader() } })
    .withHubProtocol(new MessagePackHubProtocol())
    .configureLogging(LogLevel.None)
    .build();
  await hub.start();
  const room = place.pathname.split('/')[2];
  const client = await hub.invoke('Admit', room);
  let counter = 0;
  let settled = 0;
  hub.on('Refused', (_, __, at, reason) => {
    throw new Error(`Command ${at} of ${name} was refused: ${reason}.`);
  });
  hub.stream('Watch', room, 0).subscribe({
    next: (bytes) => {
      for (const event of decode(bytes)[1] ?? []) if (event[4] === client) settled = Math.max(settled, event[5]);
    },
    error: (e) => {
      throw e;
    },
    complete: () => undefined,
  });
  return {
    client,
    hub,
    submit: (kind, body) => {
      counter++;
      return hub.send('Submit', room, encode([1, client, counter, counter - 1, 0, kind, body]));
    },
    isSettled: () => settled >= counter,
  };
}

async function all(students, times, one) {
  for (let n = 0; n < times; n += PER_TURN) {
    for (const [i, s] of students.entries()) for (let k = n; k < Math.min(times, n + PER_TURN); k++) await one(s, i, k);
    while (!students.every((s) => s.isSettled())) await new Promise((done) => setTimeout(done, 20));
  }
}

async function main() {
  const students = [];
  for (let i = 0; i < people; i++) students.push(await join(`Student ${i + 1}`));
  const of = (i, k) => idOf(students[(i + 1 + (k % (people - 1))) % people].client, 1 + (Math.floor(k / (people - 1)) % cards));
  await all(students, cards, (s, i, k) => {
    const n = i * cards + k;
    return s.submit(PUT_UP, [idOf(s.client, k + 1), 0, 'en', sentence(n), ...(withFilms ? [[filmOf(n)]] : [])]);
  });
  await all(students, answers, (s, i, k) => s.submit(ANSWER, [of(i, k), idOf(s.client, cards + k + 1), 0, 'en', sentence(k)]));
  await all(students, votes, (s, i, k) => s.submit(JUDGE, [of(i, k), 1 + (k % 3)]));
  for (const s of students) await s.hub.stop();
}

main().catch((e) => {
  console.error(e.message);
  process.exit(1);
});
