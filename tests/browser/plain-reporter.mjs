// Prints the closing line that CI reads: "N passed, N failed", and before it why each failed. A test that passed when it was tried again is named; a busy
// machine may explain so many of them, more are failures.
const FLAKY_AT_MOST = 2;

export default class {
  seen = new Map();
  onTestEnd(test, result) {
    const reason = result.errors.map((error) => error.message ?? '').join('\n').split('\n').slice(0, 12).join('\n');
    this.seen.set(test.id, { title: test.title, outcome: test.outcome(), reason: reason || this.seen.get(test.id)?.reason });
  }
  onEnd() {
    const ended = [...this.seen.values()];
    const flaky = ended.filter((test) => test.outcome === 'flaky');
    for (const test of flaky) console.log(`passed when tried again: ${test.title}\n${test.reason}`);
    const failing = ended.filter((test) => test.outcome === 'unexpected' || (test.outcome === 'flaky' && flaky.length > FLAKY_AT_MOST));
    for (const test of failing) console.log(`failed: ${test.title}\n${test.reason}`);
    const passed = ended.filter((test) => test.outcome !== 'skipped').length - failing.length;
    console.log(`${passed} passed, ${failing.length} failed`);
  }
  printsToStdio() {
    return true;
  }
}
