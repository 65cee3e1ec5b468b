import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { WorkTexts } from './work-data';
import { type Keeping, keptState, keptWords } from './keeping';

const texts = {
  kept: 'Kept',
  keptHere: 'Kept on this device',
  keepOpen: 'Keep this page open',
  sending: 'Sending',
  opening: 'Opening',
  moving: 'You are being moved',
  setAside: '{0} waiting for your teacher',
  keptBack: '{0} looked at first',
  returned: 'Mend something',
} as WorkTexts;

const usual: Keeping = {
  mode: 'student',
  isOpened: true,
  isMoving: false,
  link: 'open',
  waiting: 0,
  needsPage: false,
  setAside: 0,
  returned: 0,
  keptBack: 0,
};
const said = (k: Partial<Keeping>) => [keptWords({ ...usual, ...k }, texts), keptState({ ...usual, ...k })];

test('"Kept" is said only when nothing waits for the server', () => {
  assert.deepEqual(said({}), ['Kept', 'kept']);
  for (const link of ['open', 'lost', 'connecting'] as const)
    assert.notEqual(said({ waiting: 1, link })[0], 'Kept', link);
});

test('without the network work is on the device, or the page has to stay open', () => {
  assert.deepEqual(said({ waiting: 3, link: 'lost' }), ['Kept on this device', 'here']);
  assert.deepEqual(said({ waiting: 3, link: 'lost', needsPage: true }), ['Keep this page open', 'sending']);
  assert.deepEqual(said({ link: 'lost' }), ['Kept on this device', 'here']);
});

test('what was put aside is said once everything else is kept', () => {
  assert.equal(said({ setAside: 2 })[0], '2 waiting for your teacher');
  assert.equal(said({ setAside: 2, keptBack: 1 })[0], '1 looked at first');
  assert.equal(said({ setAside: 2, keptBack: 2, returned: 1 })[0], 'Mend something');
  assert.equal(said({ setAside: 2, waiting: 1 })[0], 'Sending');
});

test('a page that is opening or going elsewhere does not say where work is', () => {
  assert.deepEqual(said({ isOpened: false }), ['Opening', 'sending']);
  assert.equal(said({ isMoving: true })[0], 'You are being moved');
});
