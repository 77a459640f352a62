// Adds to a test that failed what its servers had logged: they put a function that tells it into this list.
const logs = (globalThis[Symbol.for('otter.serverLogs')] ??= new Set())
let before = new Map()

/** Returns a line of a log as short as it can be read: what was asked, and what came of it. */
function shortened(line) {
  try {
    const { req, res, responseTime, err, msg } = JSON.parse(line)
    if (!req || !res) return line
    return [req.method, req.url, res.statusCode, `${responseTime} ms`, err?.stack ?? (err && msg)]
      .filter(Boolean)
      .join(' ')
  } catch {
    return line
  }
}

export const mochaHooks = {
  beforeEach() {
    before = new Map([...logs].map((log) => [log, log().length]))
  },
  afterEach() {
    const { err } = this.currentTest
    if (!err || logs.size === 0) return
    const lines = [...logs].map((log) => log().slice(before.get(log) ?? 0)).filter(Boolean)
    const told = lines.flatMap((log) => log.trim().split('\n')).map(shortened)
    err.stack += told.length > 0 ? `\nThe server's log of this test:\n${told.join('\n')}` : ''
  },
}
