import type { ProblemCode, ProblemDetails } from '@otter/api'
import { framedHeaders } from './framed.ts'
import { sayProblem } from '../texts/sayProblem.ts'

/** A reply that was an error, or no reply at all (status 0). */
export class ApiError extends Error {
  readonly status: number
  readonly path: string | undefined
  readonly code: ProblemCode | undefined

  constructor(details: Omit<ProblemDetails, 'title'> & { title?: string }) {
    const { status, path, code } = details
    super(sayProblem({ title: '', ...details }))
    this.name = 'ApiError'
    this.status = status
    this.path = path
    this.code = code
  }
}

/** After this long without a reply, a request counts as lost; in milliseconds. */
const PATIENCE = 20_000

/** Throws that there is no connection: also a reply that breaks off, or that another server between gives, is none. */
export function noConnection(): never {
  throw new ApiError({ status: 0, code: 'offline' })
}

/** Replies that were asked for before the screen that wants them was there, by path; each is taken once. */
const ahead = new Map<string, Promise<Response>>()

/** Asks for a reply that a screen will want in a moment. */
export function askAhead(path: string): void {
  const reply = fetch(`/api${path}`, { signal: AbortSignal.timeout(PATIENCE) })
  // Whoever takes it hears of its failure.
  reply.catch(() => undefined)
  ahead.set(path, reply)
}

interface RequestSettings {
  keepalive?: boolean
  patience?: number
  headers?: Record<string, string>
}

/** Sends a request, and returns the reply. Throws an ApiError. */
export async function request(
  method: string,
  path: string,
  body: unknown,
  { keepalive = false, patience = PATIENCE, headers = {} }: RequestSettings = {},
): Promise<Response> {
  const isFile = body instanceof Blob
  const init: RequestInit = {
    method,
    keepalive,
    signal: AbortSignal.timeout(patience),
    headers: {
      ...framedHeaders(),
      ...headers,
      ...(body !== undefined && { 'Content-Type': isFile ? 'application/octet-stream' : 'application/json' }),
    },
  }
  const asked = method === 'GET' && Object.keys(headers).length === 0 ? ahead.get(path) : undefined
  ahead.delete(path)
  // What was asked for before a change is out of date.
  if (method !== 'GET') ahead.clear()
  const response = await (
    asked ?? fetch(`/api${path}`, body === undefined ? init : { ...init, body: isFile ? body : JSON.stringify(body) })
  ).catch(noConnection)
  if (response.ok || response.status === 304) return response
  const unclear = { code: 'unclear' as const }
  const details = (await response.json().catch(() => unclear)) as Omit<ProblemDetails, 'status'>
  throw new ApiError({ ...details, status: response.status })
}

/** Calls the API and returns the reply. Throws an ApiError. */
export async function call<Reply>(
  method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE',
  path: string,
  body?: unknown,
  keepalive = false,
): Promise<Reply> {
  const response = await request(method, path, body, { keepalive })
  return (response.status === 204 ? undefined : await response.json().catch(noConnection)) as Reply
}
