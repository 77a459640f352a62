import { randomUUID } from 'node:crypto'
import { expect } from 'chai'

/** Returns the code of the link that comes with the sample data. */
export async function codeOfSample(port: number): Promise<string> {
  const signIn = await fetch(`http://127.0.0.1:${port}/api/session/sample`, { method: 'POST' })
  const cookie = signIn.headers
    .getSetCookie()
    .map((line) => line.split(';')[0])
    .join('; ')
  const offers = (await (
    await fetch(`http://127.0.0.1:${port}/api/links`, { headers: { Cookie: cookie } })
  ).json()) as { code: string; kind: string }[]
  return offers.find(({ kind }) => kind === 'wordsearch')!.code
}

/**
 * Joins and asks for a hint to each of ten words, again and again until each is answered; returns what the server
 * kept.
 */
export async function playThrough(port: number, code: string, name: string): Promise<{ moves: number; hints: number }> {
  const address = `http://127.0.0.1:${port}/api/play/${code}`
  const ask = async (
    path: string,
    body: object,
    token = '',
  ): Promise<{ token?: string; play: { moves: number; score: { hints: number } } }> => {
    for (;;) {
      const reply = await fetch(address + path, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json', 'X-Otter-Player': token },
        body: JSON.stringify(body),
      }).catch(() => undefined)
      // A server that is killed may have sent half of its reply.
      const told = reply?.ok ? await reply.json().catch(() => undefined) : undefined
      if (told) return told as { token?: string; play: { moves: number; score: { hints: number } } }
      expect(reply === undefined || reply.ok ? 500 : reply.status, 'nothing is refused for good').to.be.at.least(500)
      await new Promise((resolve) => setTimeout(resolve, 150))
    }
  }
  const { token } = await ask('/join', { name, keep: 'page', requestId: randomUUID() })
  let kept = { moves: 0, hints: 0 }
  for (let item = 0; item < 10; item++) {
    const { play } = await ask('/moves', { id: randomUUID(), attempt: 1, move: { type: 'hint', item } }, token)
    kept = { moves: play.moves, hints: play.score.hints }
    await new Promise((resolve) => setTimeout(resolve, 300))
  }
  return kept
}
