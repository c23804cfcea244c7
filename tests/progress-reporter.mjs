// A line for each file of tests as it ends: how far along, how long it took, how long still; what a test that failed
// said, at once.
import { relative } from 'node:path'

const clock = ms => (ms < 90_000 ? `${Math.round(ms / 1000)} s` : `${Math.round(ms / 60_000)} min`)

/** What a test said when it failed the first time, in one line. */
const why = ({ retryReasons }) => (retryReasons?.[0] ? `\n          ${retryReasons[0].split('\n', 1)[0]}` : '')

export default class ProgressReporter {
  constructor({ rootDir }) {
    this.root = rootDir
  }

  onRunStart({ numTotalTestSuites }, { estimatedTime }) {
    this.began = performance.now()
    this.total = numTotalTestSuites
    /** As long as the files took when they ran last, ms; 0 where they have not. */
    this.expected = estimatedTime * 1000
    this.ended = 0
  }

  onTestResult(
    { path },
    { numPassingTests, numFailingTests, testExecError, perfStats, testResults, failureMessage, console },
  ) {
    this.ended++
    const tests = numPassingTests + numFailingTests
    const lines = [
      `${numFailingTests > 0 || testExecError ? 'FAILED' : 'ok    '}  ` +
        `${String(this.ended).padStart(String(this.total).length)}/${this.total}  ${relative(this.root, path)}, ` +
        `${tests} ${tests === 1 ? 'test' : 'tests'}, ${((perfStats.end - perfStats.start) / 1000).toFixed(1)} s` +
        (this.ended < this.total ? `; about ${clock(this.left())} still` : ''),
      ...(failureMessage ? [failureMessage] : []),
      ...(console ?? []).map(c => `        ${c.type}: ${c.message}`),
      ...testResults.filter(t => t.invocations > 1).map(t => `        tried again: ${t.fullName}${why(t)}`),
    ]
    process.stderr.write(`${lines.join('\n')}\n`)
  }

  /** How long still, ms: what was expected, or as long for each file as for those that have ended. */
  left() {
    const elapsed = performance.now() - this.began
    if (this.expected > elapsed) return this.expected - elapsed
    return (elapsed / this.ended) * (this.total - this.ended)
  }
}
