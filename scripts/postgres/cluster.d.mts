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
  /** Ends it; it may take so many milliseconds, and goes on by itself where that is not enough. */
  stop(patience?: number): void
}

/** Starts the cluster of a folder, and makes it first where there is none. */
export function startCluster(folder: string, settings?: { throwAway?: boolean; port?: number }): Promise<Cluster>
