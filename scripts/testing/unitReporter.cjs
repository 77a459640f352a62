// Tells each file of tests as it is done, a failure with all that was said of it, and the slowest at the end.
const { writeFileSync } = require('node:fs')
const { basename } = require('node:path')
const { reporters, Runner } = require('mocha')

/** A test that takes longer is slow, in milliseconds; so many of them are told. */
const SLOW = 5000
const MOST_TOLD = 12

module.exports = class UnitReporter extends reporters.Base {
  constructor(runner, options) {
    super(runner, options)
    const { output } = options.reporterOptions
    const isParallel = runner.isParallelMode?.() ?? false
    const tests = []
    let file
    let passed = 0
    const tellFile = () => {
      if (file !== undefined && passed > 0) console.log(`✔ ${file} ${passed}`)
      passed = 0
    }
    const seconds = (milliseconds) => (milliseconds / 1000).toFixed(1)
    runner.on(Runner.constants.EVENT_TEST_PASS, (test) => {
      tests.push(test)
      const name = basename(test.file ?? '').replace(/\.test\.js$/u, '')
      if (name !== file) tellFile()
      file = name
      passed++
      if (!isParallel) console.log(`  ✔ ${test.fullTitle()} (${seconds(test.duration)} s)`)
    })
    const failures = []
    runner.on(Runner.constants.EVENT_TEST_FAIL, (test) => failures.push(test))
    // What a server logged is added after the test has failed.
    const tellFailures = () => {
      for (const { err, ...test } of failures.splice(0).map((one) => ({ err: one.err, title: one.fullTitle() })))
        console.log(`\n✘ ${test.title}\n${err.stack ?? err.message}`)
    }
    runner.on(Runner.constants.EVENT_SUITE_END, tellFailures)
    runner.once(Runner.constants.EVENT_RUN_END, () => {
      tellFile()
      tellFailures()
      const slow = tests.filter(({ duration }) => duration >= SLOW).sort((one, other) => other.duration - one.duration)
      for (const test of slow.slice(0, MOST_TOLD))
        console.log(`  ${seconds(test.duration).padStart(5)} s  ${test.fullTitle().slice(0, 100)}`)
      writeFileSync(output, JSON.stringify({ passes: this.stats.passes, failures: this.stats.failures }))
    })
  }
}
