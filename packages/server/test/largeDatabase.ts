import pg from 'pg'

/** Tables that have no rows of a teacher's, or none that a class reads. */
const LEFT_OUT = ['SequelizeMeta', 'sessions', 'media', 'mails', 'jobs', 'guesses', 'socket_io_attachments']

/** Texts that must differ from row to row, as a copy has them; `n` is the number of the copy. */
const DIFFERENT: Record<string, string> = {
  email: `n || '-' || "email"`,
  token_hash: `md5("token_hash" || n)`,
  code: `lpad(upper(to_hex(row_number() OVER ())), 6, 'Z')`,
}

/**
 * Copies all that teachers of a database have so many times, each copy to teachers of its own, until there are as many
 * responses as wanted; then the statistics are made anew. Returns how many responses there are.
 */
export async function enlarge(databaseUrl: string, responses: number): Promise<number> {
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  try {
    const count = async (): Promise<number> =>
      Number((await client.query<{ count: string }>('SELECT count(*) FROM responses')).rows[0]!.count)
    const copies = Math.ceil(responses / (await count())) - 1
    const { rows: tables } = await client.query<{ name: string; columns: { name: string; type: string }[] }>(
      `SELECT table_name AS name, jsonb_agg(jsonb_build_object('name', column_name, 'type', data_type)) AS columns
        FROM information_schema.columns WHERE table_schema = 'public' AND table_name <> ALL ($1)
        AND column_default IS DISTINCT FROM 'nextval(''' || table_name || '_id_seq''::regclass)' AND is_identity = 'NO'
        GROUP BY table_name`,
      [LEFT_OUT],
    )
    // Copies point to copies: what keeps rows in order among tables has nothing to find.
    await client.query('SET session_replication_role = replica')
    for (const { name, columns } of tables) {
      const values = columns.map(({ name: column, type }) =>
        type === 'uuid' ? `md5("${column}"::text || n)::uuid` : (DIFFERENT[column] ?? `"${column}"`),
      )
      await client.query(
        `INSERT INTO "${name}" (${columns.map((column) => `"${column.name}"`).join(', ')})
          SELECT ${values.join(', ')} FROM "${name}" CROSS JOIN generate_series(1, ${copies}) AS copies (n)`,
      )
    }
    await client.query('SET session_replication_role = DEFAULT')
    await client.query('VACUUM ANALYZE')
    return await count()
  } finally {
    await client.end()
  }
}
