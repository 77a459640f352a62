/** Runs a statement with named values (`$name`) on one connection; returns its rows. */
export type Query = <Row extends object>(sql: string, values?: Record<string, unknown>) => Promise<Row[]>
