// A class that writes: raw clients of docs/protocol.md come in, fill their boards, and go on writing for as long as they are let.
//
//   NODE_PATH=../../src/Yardang.Web/node_modules node bench/write-class.cjs http://localhost:5080 "BCDF GHJK" 35 300
//
// Says what it has done on its output, a word a line; takes on its input: "write" (4 previews and a stroke a second, each), "rest",
// "strokes N" (N strokes each, as quickly as they are kept), "moves N" (N moves of their strokes each), and "end".

const { createInterface } = require('node:readline');
const { HubConnectionBuilder, LogLevel } = require('@microsoft/signalr');
const { MessagePackHubProtocol } = require('@microsoft/signalr-protocol-msgpack');
const { decode, encode } = require('@msgpack/msgpack');

const [server, code, people, strokes] = process.argv.slice(2).map((a, i) => (i < 2 ? a : Number(a)));
const ADD_MARK = 1;
const MAKE_CHANGES = 2;
const PLACE = 1;
const PER_TURN = 10;
const PREVIEWS = 4;
const POINTS = 40;

const idOf = (client, counter) => client * 2 ** 32 + counter;

/** A stroke somewhere on the page, unlike the one before. */
function stroke(seed) {
  let [x, y] = [1000 + ((seed * 7919) % 26000), 1000 + ((seed * 104729) % 17000)];
  const flat = [x, y, 128, 0];
  for (let i = 1; i < POINTS; i++) {
    const [dx, dy] = [((seed * 31 + i * 17) % 121) - 40, ((seed * 13 + i * 29) % 121) - 60];
    flat.push(dx, dy, 128 + ((seed + i) % 40), 12);
  }
  return flat;
}

async function join(name) {
  const cookies = new Map();
  const cookieHeader = () => [...cookies].map(([key, value]) => `${key}=${value}`).join('; ');
  const ask = async (path, options = {}) => {
    const answer = await fetch(new URL(path, server), { ...options, headers: { Cookie: cookieHeader() }, redirect: 'manual' });
    for (const cookie of answer.headers.getSetCookie()) {
      const [pair] = cookie.split(';');
      cookies.set(pair.slice(0, pair.indexOf('=')), pair.slice(pair.indexOf('=') + 1));
    }
    return answer;
  };
  const door = `/join/${code.replace(/\s/g, '')}`;
  const token = /name="__RequestVerificationToken" type="hidden" value="([^"]+)"/.exec(await (await ask(door)).text())[1];
  const answer = await ask(door, { method: 'POST', body: new URLSearchParams({ name, __RequestVerificationToken: token }) });
  const place = new URL(answer.headers.get('Location'), server);
  const query = `?as=${place.searchParams.get('as')}`;
  const room = place.pathname.split('/')[2];
  const page = decode(new Uint8Array(await (await ask(`/rooms/${room}/snapshot${query}`)).arrayBuffer()))[4][0][2][0][0];
  const hub = new HubConnectionBuilder()
    .withUrl(`${server}/live${query}`, { headers: { Cookie: cookieHeader() } })
    .withHubProtocol(new MessagePackHubProtocol())
    .configureLogging(LogLevel.None)
    .build();
  await hub.start();
  const client = await hub.invoke('Admit', room);
  hub.on('Refused', (_, __, at, reason) => {
    throw new Error(`Command ${at} of ${name} was refused: ${reason}.`);
  });
  let counter = 0;
  let settled = 0;
  hub.stream('Watch', room, 0).subscribe({
    next: (bytes) => {
      for (const event of decode(bytes)[1] ?? []) if (event[4] === client) settled = Math.max(settled, event[5]);
    },
    error: () => undefined,
    complete: () => undefined,
  });
  const seed = (n) => client * 1009 + n;
  return {
    hub,
    write: () => {
      counter++;
      const body = [idOf(client, counter), page, 0, [1, stroke(seed(counter))], [0, 60]];
      return hub.send('Submit', room, encode([1, client, counter, counter - 1, idOf(client, counter), ADD_MARK, body]));
    },
    move: () => {
      counter++;
      const place = [(counter * 7) % 600, (counter * 11) % 400, 0];
      const body = [[[PLACE, idOf(client, 1 + (counter % strokes)), place]]];
      return hub.send('Submit', room, encode([1, client, counter, counter - 1, idOf(client, counter), MAKE_CHANGES, body]));
    },
    preview: (part) => {
      const points = stroke(seed(counter + 1)).slice(0, 32);
      return hub.send('Preview', room, encode([counter + 1, page, 0, 60, part * 8, points]));
    },
    isSettled: () => settled >= counter,
  };
}

async function each(students, many, act) {
  for (let n = 0; n < many; n += PER_TURN) {
    for (const s of students) for (let k = n; k < Math.min(many, n + PER_TURN); k++) await act(s);
    while (!students.every((s) => s.isSettled())) await new Promise((done) => setTimeout(done, 10));
  }
}

async function main() {
  const students = [];
  for (let i = 0; i < people; i++) students.push(await join(`Student ${i + 1}`));
  await each(students, strokes, (s) => s.write());
  console.log('filled');
  let timer = null;
  const lines = createInterface({ input: process.stdin });
  for await (const line of lines) {
    const [word, many] = line.split(' ');
    if (word === 'write' && !timer) {
      // Spread evenly over time, as a class writes.
      let turn = 0;
      const begun = Date.now();
      const messages = students.length * (PREVIEWS + 1);
      timer = setInterval(() => {
        for (const due = ((Date.now() - begun) / 1000) * messages; turn < due; turn++) {
          const part = Math.floor(turn / students.length) % (PREVIEWS + 1);
          const one = students[turn % students.length];
          if (part < PREVIEWS) one.preview(part);
          else one.write();
        }
      }, 10);
    }
    if (word === 'rest') timer = clearInterval(timer) ?? null;
    if (word === 'strokes') await each(students, Number(many), (s) => s.write());
    if (word === 'moves') await each(students, Number(many), (s) => s.move());
    if (word === 'end') break;
    console.log(word);
  }
  clearInterval(timer);
  await Promise.all(students.map((s) => s.hub.stop()));
  process.exit(0);
}

main().catch((e) => {
  console.error(e.message);
  process.exit(1);
});
