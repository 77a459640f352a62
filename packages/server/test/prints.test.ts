import { gameOf } from '@otter/core'
import type { WordSearchPuzzle } from '@otter/core/games/wordsearch'
import { expect } from 'chai'
import { pagesOf } from './pdfPages.ts'
import { fileOf, rows, startTestServer, teacherWithList, type Client, type TestServer } from './testServer.ts'

const WORDS = 'otter pond river brood badger heron kelp mussel urchin salmon'.split(' ')
const SHEETS = { kind: 'wordsearch', seed: 'monday', versions: 3 }

describe('What was printed', () => {
  let server: TestServer
  before(async () => {
    server = await startTestServer()
  })
  after(() => server.close())

  const printsOf = async (client: Client, listId: string): Promise<{ id: string; [name: string]: unknown }[]> =>
    (await client.call('GET', `/lists/${listId}/prints?kind=wordsearch`)).body.prints as { id: string }[]
  const printed = async (client: Client, path: string, body: object): Promise<string[]> =>
    pagesOf((await fileOf(client, await client.call('POST', path, body))).bytes)

  it('prints again, with its key, as it was: after the list and the rules have changed', async () => {
    const { client, listId } = await teacherWithList(server.url, WORDS)
    const monday = await printed(client, `/lists/${listId}/sheets`, { ...SHEETS, key: false })
    const [print] = await printsOf(client, listId)
    const rules = gameOf('wordsearch').version
    expect(print).to.deep.include({ kind: 'wordsearch', seed: 'monday', rules, versions: 3 })
    expect(monday[0]).to.include(`monday · rules ${rules}`)

    const { body: list } = await client.call('GET', `/lists/${listId}`)
    await client.call('PATCH', `/lists/${listId}`, {
      version: list.version,
      title: 'Something else',
      remove: (list.entries as { id: string }[]).slice(0, 4).map(({ id }) => id),
    })
    // As if these had been made by the rules of last year.
    await rows(server, `UPDATE prints SET rules = 1 WHERE id = '${print!.id}'`)
    const again = await printed(client, `/prints/${print!.id}/sheets`, { key: false })
    expect(again.map((page) => page.replace(`rules 1`, `rules ${rules}`))).to.deep.equal(monday)
    const { body } = await client.call('GET', `/prints/${print!.id}`)
    const puzzles = body.puzzles as WordSearchPuzzle[]
    expect(puzzles.map(({ words }) => words.length)).to.deep.equal([10, 10, 10])
    expect(body).to.deep.include({ listId, rules: 1, seed: 'monday' })
    const keyed = await printed(client, `/prints/${print!.id}/sheets`, { key: true, language: 'fr' })
    expect(keyed).to.have.length(6)
    expect(await printed(client, `/lists/${listId}/sheets`, { ...SHEETS, key: false })).not.to.deep.equal(monday)
    expect((await printsOf(client, listId)).map(({ id }) => id === print!.id)).to.deep.equal([false, true])
  })

  it('is kept where a browser prints, once however often, also when all ask at one instant', async () => {
    const { client, listId } = await teacherWithList(server.url, WORDS)
    const queued = await Promise.all(
      Array.from({ length: 4 }, () => client.call('POST', `/lists/${listId}/prints`, SHEETS)),
    )
    expect(queued.map(({ status }) => status)).to.deep.equal([202, 202, 202, 202])
    for (const one of queued) await fileOf(client, one)
    expect(await printsOf(client, listId)).to.have.length(1)
    const [print] = await printsOf(client, listId)
    expect((await client.call('GET', `/prints/${print!.id}`)).body.puzzles).to.have.length(3)
  })

  it('stays when the last link to the same game is deleted, and goes with the list', async () => {
    const { client, listId } = await teacherWithList(server.url, WORDS)
    await printed(client, `/lists/${listId}/sheets`, { ...SHEETS, versions: 1 })
    const [print] = await printsOf(client, listId)
    const { body: link } = await client.call('POST', `/lists/${listId}/links`, { kind: 'wordsearch', seed: 'monday' })
    expect((await client.call('DELETE', `/links/${link.id}`)).status).to.equal(204)
    expect((await client.call('GET', `/prints/${print!.id}`)).body.puzzles).to.have.length(1)
    expect((await client.call('DELETE', `/lists/${listId}`)).status).to.equal(204)
    expect((await client.call('GET', `/prints/${print!.id}`)).status).to.equal(404)
  })

  it('is its teacher’s alone', async () => {
    const { client, listId } = await teacherWithList(server.url, WORDS)
    await printed(client, `/lists/${listId}/sheets`, { ...SHEETS, versions: 1 })
    const [print] = await printsOf(client, listId)
    const { client: stranger } = await teacherWithList(server.url, [])
    for (const [method, path, body] of [
      ['GET', `/lists/${listId}/prints?kind=wordsearch`],
      ['POST', `/lists/${listId}/prints`, SHEETS],
      ['GET', `/prints/${print!.id}`],
      ['POST', `/prints/${print!.id}/sheets`, {}],
    ] as const)
      expect((await stranger.call(method, path, body)).status, `${method} ${path}`).to.equal(404)
  })
}).timeout(120_000)
