/** Gives a port on loopback that nobody uses. */
export function freePort(): Promise<number>

/** A private database that runs. */
export interface Cluster {
  /** Gives the address of a database in it. */
  url(database: string): string
  port: number
  /** Folder of its data. */
  data: string
  isAlive(): boolean
  stop(): void
}

/** Starts the cluster of a folder, and makes it first where there is none. */
export function startCluster(folder: string, settings?: { throwAway?: boolean; port?: number }): Promise<Cluster>
