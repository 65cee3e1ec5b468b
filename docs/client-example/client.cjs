// A client of docs/protocol.md that is no browser: joins a lesson as a student, reads their board, draws a stroke, and waits until the server has it.
//
//   npm install @microsoft/signalr @microsoft/signalr-protocol-msgpack @msgpack/msgpack
//   node client.cjs http://localhost:5080 "BCDF GHJK" "Robin"

const { HubConnectionBuilder, LogLevel } = require('@microsoft/signalr');
const { MessagePackHubProtocol } = require('@microsoft/signalr-protocol-msgpack');
const { decode, encode } = require('@msgpack/msgpack');

const [server, code, name] = process.argv.slice(2);
const cookies = new Map();

/** Asks the server, with the cookies that it gave. */
async function ask(path, options = {}) {
  const headers = { ...options.headers, Cookie: cookieHeader() };
  const answer = await fetch(new URL(path, server), { ...options, headers, redirect: 'manual' });
  for (const cookie of answer.headers.getSetCookie()) {
    const [pair] = cookie.split(';');
    cookies.set(pair.slice(0, pair.indexOf('=')), pair.slice(pair.indexOf('=') + 1));
  }
  return answer;
}

const cookieHeader = () => [...cookies].map(([key, value]) => `${key}=${value}`).join('; ');

/** Step 1: through the door, as the page's form does it. Gives the board and as whom this client acts. */
async function join() {
  const door = `/join/${code.replace(/\s/g, '')}`;
  const form = await (await ask(door)).text();
  const token = /name="__RequestVerificationToken" type="hidden" value="([^"]+)"/.exec(form)?.[1];
  if (!token) throw new Error('No lesson has this code.');
  const answer = await ask(door, {
    method: 'POST',
    body: new URLSearchParams({ name, __RequestVerificationToken: token }),
  });
  const place = new URL(answer.headers.get('Location') ?? '/', server);
  const [, page, board] = place.pathname.split('/');
  if (page !== 'board') throw new Error('The teacher has to let this name in first.');
  return { board, query: `?as=${place.searchParams.get('as')}` };
}

/** Step 2: the state of a room in one piece: [format, kind, number, clients, state]. */
async function snapshot(room, query) {
  const answer = await ask(`/rooms/${room}/snapshot${query}`);
  const [, , number, , state] = decode(new Uint8Array(await answer.arrayBuffer()));
  const [, , pages, marks] = state[0];
  return { number, pages, marks };
}

/** Step 3: the live connection. */
async function connect(query) {
  const hub = new HubConnectionBuilder()
    .withUrl(`${server}/live${query}`, { headers: { Cookie: cookieHeader() } })
    .withHubProtocol(new MessagePackHubProtocol())
    .configureLogging(LogLevel.None)
    .build();
  await hub.start();
  return hub;
}

/** A mark's id, or a gesture's: the client number and what it has counted. */
const idOf = (client, counter) => client * 2 ** 32 + counter;

/** Step 4: a command. [version, client, counter, after, gesture, kind, body]; AddMark is [id, page, grip, body, style]. */
function addStroke(client, counter, page, points) {
  // Ink: x, y, pressure and ms as differences to the point before, pressure itself.
  const flat = points.flatMap(([x, y], i) => [
    x - (i > 0 ? points[i - 1][0] : 0),
    y - (i > 0 ? points[i - 1][1] : 0),
    128,
    i > 0 ? 16 : 0,
  ]);
  const id = idOf(client, counter);
  return encode([1, client, counter, counter - 1, id, 1, [id, page, 0, [1, flat], [0, 60]]]);
}

const MARK_ADDED = 10;

async function main() {
  const { board, query } = await join();
  const { number, pages, marks } = await snapshot(board, query);
  console.log(`${pages.length} page(s), ${marks.length} mark(s), up to event ${number}`);
  const hub = await connect(query);
  hub.on('Refused', (room, client, counter, reason) => {
    throw new Error(`Command ${counter} was refused: reason ${reason} of docs/protocol.md.`);
  });
  const client = await hub.invoke('Admit', board);

  // A command is kept only once its event has come: an event of the same client with its counter or a later one.
  const kept = new Promise((resolve, reject) => {
    hub.stream('Watch', board, number).subscribe({
      next: (bytes) => {
        const frame = decode(bytes);
        if (frame.length < 3) return reject(new Error('Take a snapshot, or ask for your place, and watch again.'));
        for (const event of frame[1]) {
          const [at, , actor, , itsClient, , , , kind] = event;
          if (kind === MARK_ADDED) console.log(`event ${at}: a mark by actor ${actor}`);
          if (itsClient === client && kind === MARK_ADDED) resolve(at);
        }
      },
      error: reject,
      complete: () => undefined,
    });
  });
  const arch = Array.from({ length: 40 }, (_, i) => [
    Math.round(6000 + 4000 * Math.cos(Math.PI * (1 - i / 39))),
    Math.round(9000 - 4000 * Math.sin((Math.PI * i) / 39)),
  ]);
  await hub.send('Submit', board, addStroke(client, 1, pages[0][0], arch));
  console.log(`kept as event ${await kept}`);
  console.log(`${(await snapshot(board, query)).marks.length} mark(s) now`);
  await hub.stop();
}

main().catch((e) => {
  console.error(e.message);
  process.exit(1);
});
