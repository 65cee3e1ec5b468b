import assert from 'node:assert/strict';
import { test } from 'node:test';
import { PeopleList } from './people-list';

test('who has come is shown even if the first answer is older than the event', async () => {
  const answers = [['Ben'], ['Ben', 'Amara']];
  const shown: string[][] = [];
  const list = new PeopleList<string>(
    async () => answers.shift()!,
    (people) => !people.includes('Amara'),
    (people) => shown.push([...people]),
  );
  await list.refresh();
  assert.deepEqual(shown, [['Ben'], ['Ben', 'Amara']]);
});

test('of several changes at once the last is shown last, and one question answers them all', async () => {
  let asked = 0;
  let answer: (people: string[]) => void = () => undefined;
  const shown: string[][] = [];
  const list = new PeopleList<string>(
    () => new Promise((done) => (asked++, (answer = done))),
    () => false,
    (people) => shown.push([...people]),
  );
  const all = list.refresh();
  void list.refresh();
  void list.refresh();
  answer(['Ben']);
  while (asked < 2) await new Promise((done) => setImmediate(done));
  answer(['Ben', 'Maya', 'Amara']);
  await all;
  assert.equal(asked, 2);
  assert.deepEqual(shown, [['Ben'], ['Ben', 'Maya', 'Amara']]);
});

test('without an answer it is asked again', async () => {
  const answers = [() => Promise.reject(new Error('no network')), async () => null, async () => ['Ben']];
  const shown: string[][] = [];
  const list = new PeopleList<string>(
    () => answers.shift()!(),
    () => false,
    (people) => shown.push([...people]),
  );
  await list.refresh();
  assert.deepEqual(shown, [['Ben']]);
});
