// Prints the closing line that CI reads: "N passed, N failed". A flaky test has failed.
export default class {
  seen = new Map();
  onTestEnd(test) {
    this.seen.set(test.id, test.outcome());
  }
  onEnd() {
    const outcomes = [...this.seen.values()];
    const passed = outcomes.filter((o) => o === 'expected').length;
    const failed = outcomes.filter((o) => o !== 'expected' && o !== 'skipped').length;
    console.log(`${passed} passed, ${failed} failed`);
  }
  printsToStdio() {
    return true;
  }
}
