import type { Server } from 'node:http'

/** Starts a proxy on a port before servers on others; gives it once it listens. */
export function startProxy(port: number, serverPorts: readonly number[]): Promise<Server>
