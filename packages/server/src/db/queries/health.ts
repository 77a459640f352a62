import type { Database } from '../database.ts'

/** Returns whether the database answers within a time in milliseconds; a pool in which no connection is free says no. */
export async function databaseAnswers({ sequelize }: Database, patience: number): Promise<boolean> {
  let timer: NodeJS.Timeout | undefined
  const late = new Promise<false>((resolve) => (timer = setTimeout(() => resolve(false), patience)))
  const asked = sequelize.query('SELECT 1').then(
    () => true,
    () => false,
  )
  return Promise.race([asked, late]).finally(() => clearTimeout(timer))
}
