import { noConnection, request } from './client.ts'

/** A file takes longer to make, or to send; in milliseconds. */
const PATIENCE_FOR_FILES = 180_000

/** Calls the API as whoever runs the server; returns the reply. Throws an ApiError. */
export async function callAsOperator<Reply>(path: string, secret: string): Promise<Reply> {
  const response = await request('GET', path, undefined, { headers: { Authorization: `Bearer ${secret}` } })
  return (await response.json().catch(noConnection)) as Reply
}

/** Calls the API for a file. Throws an ApiError. */
export async function callForFile(path: string): Promise<Blob> {
  const response = await request('GET', path, undefined, { patience: PATIENCE_FOR_FILES })
  return response.blob().catch(noConnection)
}

/** A reply, and the tag by which it can be told whether there is a newer one. */
export interface Tagged<Reply> {
  tag: string
  reply: Reply
}

/** Calls the API for what is newer than what is there; returns what is there where nothing is. Throws an ApiError. */
export async function callForNewer<Reply>(path: string, known: Tagged<Reply> | undefined): Promise<Tagged<Reply>> {
  const response = await request('GET', path, undefined, { headers: known ? { 'If-None-Match': known.tag } : {} })
  if (response.status === 304 && known) return known
  return { tag: response.headers.get('ETag') ?? '', reply: (await response.json().catch(noConnection)) as Reply }
}

/** Sends a file. Throws an ApiError. */
export async function sendFile<Reply>(path: string, file: Blob): Promise<Reply> {
  const response = await request('POST', path, file, { patience: PATIENCE_FOR_FILES })
  return (await response.json().catch(noConnection)) as Reply
}
