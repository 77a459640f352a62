/** What went wrong between a program and its database as it started, as PostgreSQL and the network name it. */
interface Failure {
  code?: string
  /** What the driver said, where Sequelize has wrapped it. */
  parent?: Failure
}

/**
 * Returns a sentence on what helps where a database can't be used as the program starts; nothing where the error tells of
 * something else. The address is told without its password.
 */
export function unreachable(error: unknown, databaseUrl: string): string | undefined {
  const { hostname, port, username, pathname } = new URL(databaseUrl)
  const place = `${hostname}:${port || '5432'}`
  switch (codeIn(error as Failure)) {
    case 'ECONNREFUSED':
      return `No database answers at ${place}. Start PostgreSQL there, or mend the address in DATABASE_URL.`
    case 'ENOTFOUND':
    case 'EAI_AGAIN':
      return `The machine ${hostname} of DATABASE_URL is not known here. Mend its name, or look whether the network is there.`
    case 'ETIMEDOUT':
    case 'EHOSTUNREACH':
    case 'ENETUNREACH':
      return `The database at ${place} can't be reached from here. Look at the network and its firewall, or mend DATABASE_URL.`
    case '28P01':
    case '28000':
      return `The database at ${place} does not let ${username || 'this user'} in. Mend the user or the password in DATABASE_URL.`
    case '3D000':
      return `At ${place} there is no database ${pathname.slice(1)}. Make it with createdb, or mend the name in DATABASE_URL.`
    case '53300':
      return `The database at ${place} takes no more connections. Raise its max_connections, or end other programs that use it.`
    case '57P03':
      return `The database at ${place} is only starting or stopping. Try again in a moment.`
    case '42501':
      return `The user of DATABASE_URL may not make tables in ${pathname.slice(1)}. Make it the database's owner.`
    default:
      return undefined
  }
}

function codeIn(error: Failure | undefined): string | undefined {
  if (error === undefined) return undefined
  return codeIn(error.parent) ?? (error as { code?: string }).code ?? timeoutOf(error)
}

/** The driver's own limit on connecting has a message and no code. */
function timeoutOf(error: Failure): string | undefined {
  return /timeout|timed out/iu.test((error as Error).message ?? '') ? 'ETIMEDOUT' : undefined
}
