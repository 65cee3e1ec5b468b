// The browser's client against a pretended room: nothing is lost, nothing is doubled, and what is shown is right at once.
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { encode } from '@msgpack/msgpack';
import { RoomClient } from './room-client';
import type { OutboxStore } from './outbox-store';
import { Sheets } from './sheets';
import type { Submission } from './wire';

const ME = { number: 2, isStaff: false };
const INK = { kind: 'ink', points: [0, 0, 128, 0, 100, 0, 128, 9] } as const;

function setUp(left: Submission[] = [], holds = true) {
  const sent: { submission: Submission; after: number }[] = [];
  const kept: Submission[] = [...left];
  const refusals: number[] = [];
  const line = {
    isOpen: true,
    send: (_: string, submission: Submission, after: number) => void sent.push({ submission, after }),
    preview: () => undefined,
  };
  const store: OutboxStore = {
    load: async () => left,
    add: async (s) => {
      if (!holds) throw new Error('No room on this device.');
      kept.push(s);
    },
    settle: (client, counter) => void remove(kept, (s) => s.client === client && s.counter <= counter),
    remove: (client, counter) => void remove(kept, (s) => s.client === client && s.counter === counter),
    spares: async () => 0,
    putBy: async () => undefined,
    takeSpare: async () => 0,
  };
  const empty = new Sheets();
  const client = new RoomClient<Sheets>(
    'room',
    line,
    store,
    (n, state) => Sheets.of(n, state),
    (sheets, command) => sheets.predict(command, ME, false),
    ME,
    { refused: (_, reason) => void refusals.push(reason) },
    empty,
  );
  client.client = 7;
  const draw = () => {
    const id = client.newId();
    client.submit(
      { kind: 'addMark', id, page: 1, grip: 0, body: INK, style: { colour: 0, width: 60, fill: 0, looks: 0 }, for: 0 },
      id,
    );
    return id;
  };
  return { client, line, sent, kept, refusals, draw };
}

function remove<T>(list: T[], gone: (item: T) => boolean): void {
  for (let i = list.length - 1; i >= 0; i--) if (gone(list[i]!)) list.splice(i, 1);
}

function eventFor(number: number, id: number, client: number, counter: number): any[] {
  const mark = [id, 1, 2, false, 0, number, [1, [0, 0, 128, 0, 100, 0, 0, 9]], [0, 60], [0, 0, 0], [], false];
  return [number, 1000, 2, 0, client, counter, id, 0, 10, [mark]];
}

const frame = (through: number, ...events: any[]) => encode([through, events, []]);

test('what I draw is shown at once and kept on the device', () => {
  const { client, draw, kept } = setUp();
  const id = draw();
  assert.ok(client.state.mark(id));
  assert.equal(client.waiting, 1);
  assert.equal(kept.length, 1);
});

test('without a number in the room nothing is shown that would never be kept', () => {
  const { client, draw, kept } = setUp();
  client.client = 0;
  assert.throws(draw, /no number/);
  assert.equal(client.waiting + kept.length + client.state.visible(1).length, 0);
});

test('until the device holds it, it needs this page; where nothing can be held, until it is in the log', async () => {
  const able = setUp();
  able.draw();
  assert.equal(able.client.needsThisPage, true);
  await Promise.resolve();
  assert.equal(able.client.needsThisPage, false);

  const unable = setUp([], false);
  const id = unable.draw();
  await Promise.resolve();
  assert.equal(unable.client.needsThisPage, true);
  unable.client.takeFrame(frame(1, eventFor(1, id, 7, 1)));
  assert.equal(unable.client.needsThisPage, false);
});

test('its event empties the outbox, and the mark stays once', () => {
  const { client, draw, kept } = setUp();
  const id = draw();
  assert.ok(client.takeFrame(frame(1, eventFor(1, id, 7, 1))));
  assert.equal(client.waiting, 0);
  assert.equal(kept.length, 0);
  assert.equal(client.state.visible(1).length, 1);
});

test('an event that comes twice counts once', () => {
  const { client, draw } = setUp();
  const id = draw();
  client.takeFrame(frame(1, eventFor(1, id, 7, 1)));
  client.takeFrame(frame(1, eventFor(1, id, 7, 1)));
  assert.equal(client.number, 1);
  assert.equal(client.state.visible(1).length, 1);
});

test("others' marks come under mine until mine are in the log", () => {
  const { client, draw } = setUp();
  const mine = draw();
  client.takeFrame(frame(1, eventFor(1, 5, 9, 1)));
  assert.deepEqual(
    client.state.visible(1).map((m) => m.id),
    [5, mine],
  );
});

test('a refused command disappears, is told, and the next one follows the one before', () => {
  const { client, draw, refusals, sent } = setUp();
  draw();
  const refused = draw();
  draw();
  client.takeRefusal(7, 2, 9);
  assert.deepEqual(refusals, [9]);
  assert.equal(client.state.mark(refused), undefined);
  sent.length = 0;
  client.resend();
  assert.deepEqual(
    sent.map((s) => [s.submission.counter, s.after]),
    [
      [1, 0],
      [3, 1],
    ],
  );
});

test('without a network nothing is sent, and everything is when it is back', () => {
  const { client, line, sent, draw } = setUp();
  line.isOpen = false;
  draw();
  draw();
  assert.equal(sent.length, 0);
  line.isOpen = true;
  client.resend();
  assert.deepEqual(
    sent.map((s) => s.submission.counter),
    [1, 2],
  );
});

test('work of an earlier page of this device is shown and sent under its own client number', async () => {
  const id = 3 * 2 ** 32 + 1;
  const command = {
    kind: 'addMark',
    id,
    page: 1,
    grip: 0,
    for: 0,
    body: INK,
    style: { colour: 0, width: 60, fill: 0, looks: 0 },
  } as const;
  const { client, sent } = setUp([{ client: 3, counter: 1, gesture: id, command }]);
  await client.recover();
  assert.ok(client.state.mark(id));
  assert.deepEqual(
    sent.map((s) => [s.submission.client, s.submission.counter, s.after]),
    [[3, 1, 0]],
  );
});

test('a frame that says it is too far behind asks for a snapshot', () => {
  const { client } = setUp();
  assert.equal(client.takeFrame(encode([-1])), false);
});

test('a snapshot of another program, left on the device, is not taken for this one', async () => {
  const { client } = setUp();
  assert.throws(() => client.takeSnapshot(encode([5, 3, 9, [], []])), /format 5/);
  assert.equal(client.number, 0);
});
