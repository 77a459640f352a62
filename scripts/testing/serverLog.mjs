// Adds to a test that failed what its servers had logged: they put a function that tells it into this list.
const logs = (globalThis[Symbol.for('otter.serverLogs')] ??= new Set())
let before = new Map()

export const mochaHooks = {
  beforeEach() {
    before = new Map([...logs].map((log) => [log, log().length]))
  },
  afterEach() {
    const { err } = this.currentTest
    if (!err || logs.size === 0) return
    const lines = [...logs].map((log) => log().slice(before.get(log) ?? 0)).filter(Boolean)
    err.stack += lines.length > 0 ? `\nThe server's log of this test:\n${lines.join('\n')}` : ''
  },
}
