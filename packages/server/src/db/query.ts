import { createHash } from 'node:crypto'

/**
 * Runs a statement with named values (`$name`) on one connection; returns its rows. A statement whose best plan depends on
 * its values is planned for each of them.
 */
export type Query = <Row extends object>(
  sql: string,
  values?: Record<string, unknown>,
  planned?: 'once' | 'each-time',
) => Promise<Row[]>

/** A statement as the database takes it: with numbered values, under a name by which it is planned only once. */
interface Prepared {
  name: string
  text: string
  /** Names of its values, in the order of their numbers. */
  names: string[]
}

/** Of a connection of the pool (a client of `pg`), what statements need. */
export interface Connection {
  query<Row>(statement: { name?: string; text: string; values: unknown[] }): Promise<{ rows: Row[] }>
}

const prepared = new Map<string, Prepared>()

function prepare(sql: string): Prepared {
  const known = prepared.get(sql)
  if (known) return known
  const names: string[] = []
  const text = sql.replace(/\$([a-zA-Z]\w*)/gu, (_, name: string) => {
    if (!names.includes(name)) names.push(name)
    return `$${names.indexOf(name) + 1}`
  })
  const statement = { name: createHash('sha256').update(text).digest('base64url').slice(0, 40), text, names }
  prepared.set(sql, statement)
  return statement
}

/**
 * Returns how statements are run on a connection. Planning is most of the work of a short one, so they are prepared.
 */
export function queryOn(connection: Connection, onQuery?: (sql: string) => void): Query {
  return async <Row extends object>(
    sql: string,
    values: Record<string, unknown> = {},
    planned: 'once' | 'each-time' = 'once',
  ) => {
    const { name, text, names } = prepare(sql)
    onQuery?.(text)
    const { rows } = await connection.query<Row>({
      ...(planned === 'once' && { name }),
      text,
      values: names.map((one) => values[one]),
    })
    return rows
  }
}
