import assert from 'node:assert/strict';
import { test } from 'node:test';
import { SERVER_TIME, noteServerTime, serverNow } from './server-clock';

test('what time it is, the server says, whatever the clock of the device says and however it is set', () => {
  const { now } = Date;
  try {
    noteServerTime(new Response(null, { headers: { [SERVER_TIME]: '1700000000000' } }));
    Date.now = () => 4_000_000_000_000;
    assert.ok(Math.abs(serverNow() - 1_700_000_000_000) < 2000);
    noteServerTime(new Response(null));
    assert.ok(Math.abs(serverNow() - 1_700_000_000_000) < 2000);
  } finally {
    Date.now = now;
  }
});
