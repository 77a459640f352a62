/** What passed and failed in all of a run. */
const tally = { passed: 0, failed: 0 }

export function count(passed, failed) {
  tally.passed += passed
  tally.failed += failed
}

/** Returns whether nothing failed, and says how much passed. */
export function tell() {
  console.log(`\n${tally.passed} passed, ${tally.failed} failed`)
  return tally.failed === 0
}

/** Says how long a part took, and whether it went well. */
export function tellPart(name, isWell, began) {
  console.log(`── ${name}: ${isWell ? 'ok' : 'FAILED'}, ${((Date.now() - began) / 1000).toFixed(1)} s`)
}
