import { openSync, readSync, fstatSync, closeSync } from 'node:fs'
import pg from 'pg'

/** A node of a plan, as `EXPLAIN (ANALYZE, FORMAT JSON)` has it. */
interface PlanNode {
  'Node Type': string
  'Relation Name'?: string
  'Actual Rows': number
  'Actual Loops': number
  'Rows Removed by Filter'?: number
  'Rows Removed by Index Recheck'?: number
  'Rows Removed by Join Filter'?: number
  Plans?: PlanNode[]
}

/** A statement that was run, with the rows that its dearest node went through, those it threw away with them. */
export interface RunStatement {
  text: string
  rows: number
  node: string
}

const seenBy = (node: PlanNode): number =>
  node['Actual Loops'] *
  (node['Actual Rows'] +
    (node['Rows Removed by Filter'] ?? 0) +
    (node['Rows Removed by Index Recheck'] ?? 0) +
    (node['Rows Removed by Join Filter'] ?? 0))

function dearest(node: PlanNode): { rows: number; node: string } {
  const own = { rows: seenBy(node), node: `${node['Node Type']} ${node['Relation Name'] ?? ''}`.trim() }
  return (node.Plans ?? []).map(dearest).reduce((most, next) => (next.rows > most.rows ? next : most), own)
}

/**
 * Has every statement of a database explained from now on, by sessions that begin later (PostgreSQL's auto_explain).
 * Returns what gives those that were run since, or since it was asked last. Needs the cluster's log at hand.
 */
export async function watchPlans(databaseUrl: string): Promise<() => RunStatement[]> {
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  const name = new URL(databaseUrl).pathname.slice(1)
  const settings = {
    session_preload_libraries: "'auto_explain'",
    'auto_explain.log_min_duration': '0',
    'auto_explain.log_analyze': 'on',
    'auto_explain.log_timing': 'off',
    'auto_explain.log_format': "'json'",
  }
  await client.query("LOAD 'auto_explain'")
  for (const [setting, value] of Object.entries(settings))
    await client.query(`ALTER DATABASE ${name} SET ${setting} = ${value}`)
  const { rows } = await client.query<{ data_directory: string }>('SHOW data_directory')
  await client.end()
  const log = openSync(`${rows[0]!.data_directory}/otter.log`, 'r')
  let from = fstatSync(log).size
  process.once('exit', () => closeSync(log))
  return () => {
    const added = Buffer.alloc(fstatSync(log).size - from)
    from += readSync(log, added, 0, added.length, from)
    return [...added.toString().matchAll(/duration: [\d.]+ ms {2}plan:\n((?:\t.*\n)+)/gu)].map(([, plan]) => {
      const { 'Query Text': text, Plan } = JSON.parse(plan!.replaceAll(/^\t/gmu, '')) as {
        'Query Text': string
        Plan: PlanNode
      }
      return { text, ...dearest(Plan) }
    })
  }
}
