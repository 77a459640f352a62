import { randomBytes, randomUUID } from 'node:crypto'
import { newEntry, type Entry } from '@otter/core'
import { expect } from 'chai'
import sharp, { type Sharp } from 'sharp'
import { inScope } from '../src/db/scope.ts'
import { sweepMedia } from '../src/services/media.ts'
import { PuzzleCache } from '../src/services/puzzleCache.ts'
import { Client, rows, startTestServer, teacherWithList, WORDS, type Reply, type TestServer } from './testServer.ts'

const drawn = (width: number, height: number, alpha = 1): Sharp =>
  sharp({ create: { width, height, channels: 4, background: { r: 43, g: 110, b: 71, alpha } } })

/** A tone of so many seconds as a WAV file (RIFF, 8 kHz, 8 bits). */
function toneOf(seconds: number): Buffer {
  const samples = Math.round(8000 * seconds)
  const bytes = Buffer.alloc(44 + samples, 128)
  bytes.write('RIFF', 0)
  bytes.writeUInt32LE(36 + samples, 4)
  bytes.write('WAVEfmt ', 8)
  for (const [at, value] of [
    [16, 16],
    [24, 8000],
    [28, 8000],
    [40, samples],
  ])
    bytes.writeUInt32LE(value!, at)
  for (const [at, value] of [
    [20, 1],
    [22, 1],
    [32, 1],
    [34, 8],
  ])
    bytes.writeUInt16LE(value!, at)
  bytes.write('data', 36)
  return bytes
}

describe('pictures, sounds and whole entries', () => {
  let server: TestServer
  let client: Client
  let listId: string
  before(async () => {
    server = await startTestServer()
    ;({ client, listId } = await teacherWithList(server.url, WORDS))
  })
  after(() => server.close())

  const send = (
    what: 'pictures' | 'sounds',
    bytes: Uint8Array,
    query = '',
    type = 'application/octet-stream',
  ): Promise<Reply> => client.call('POST', `/media/${what}${query}`, bytes, { 'Content-Type': type })
  const fetched = (id: string, headers: Record<string, string> = {}): Promise<Reply> =>
    new Client(server.url).call('GET', `/media/${id}`, undefined, headers)

  it('keeps a picture re-encoded, scaled, upright and without metadata', async () => {
    const exif = { IFD0: { Copyright: 'secret place' } }
    const { status, body } = await send(
      'pictures',
      await drawn(3000, 1500).jpeg().withExif(exif).withMetadata({ orientation: 6 }).toBuffer(),
      '?alt=a%20green%20field&credit=Ines',
    )
    expect([status, body.alt, body.credit]).to.deep.equal([201, 'a green field', 'Ines'])
    const { type, bytes } = await fetched(body.id)
    expect(type).to.equal('image/jpeg')
    const { width, height, exif: left } = await sharp(bytes).metadata()
    expect([width, height, left, bytes.includes('secret place')]).to.deep.equal([512, 1024, undefined, false])
    const seeThrough = await send('pictures', await drawn(40, 40, 0.5).webp().toBuffer(), '', 'image/jpeg')
    expect((await fetched(seeThrough.body.id)).type).to.equal('image/png')
  })

  it('refuses what is no picture, with a sentence for each', async () => {
    const jpeg = await drawn(800, 800).jpeg().toBuffer()
    const noise = await sharp(randomBytes(900 * 900 * 3), { raw: { width: 900, height: 900, channels: 3 } })
      .jpeg()
      .toBuffer()
    const refused: [Uint8Array, number, RegExp][] = [
      [
        Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>'),
        415,
        /SVG drawings are not taken/,
      ],
      [noise.subarray(0, noise.length / 2), 415, /broken/],
      [randomBytes(5000), 415, /no picture that can be read/],
      [Buffer.from('%PDF-1.4'), 415, /no picture/],
      [new Uint8Array(), 400, /empty/],
      [await drawn(9000, 9000).png().toBuffer(), 413, /81 million pixels/],
      [Buffer.concat([jpeg, Buffer.alloc(12_000_000)]), 413, /megabytes/],
    ]
    for (const [bytes, status, sentence] of refused) {
      const reply = await send('pictures', bytes, '', 'image/png')
      expect([reply.status, reply.body.title]).to.satisfy(
        ([own, title]: [number, string]) => own === status && sentence.test(title),
        `${reply.status} ${reply.text}`,
      )
    }
  })

  it('keeps a sound by what its content says, serves it in ranges, and refuses a renamed picture', async () => {
    const { status, body } = await send('sounds', toneOf(1.5), '?milliseconds=9', 'image/png')
    expect([status, body.milliseconds]).to.deep.equal([201, 1500])
    const whole = await fetched(body.id)
    expect([whole.type, whole.bytes.equals(toneOf(1.5))]).to.deep.equal(['audio/wav', true])
    const part = await fetched(body.id, { Range: 'bytes=0-3' })
    expect([part.status, part.text]).to.deep.equal([206, 'RIFF'])
    for (const bytes of [await drawn(50, 50).jpeg().toBuffer(), randomBytes(4000), toneOf(310)]) {
      const reply = await send('sounds', bytes, '', 'audio/wav')
      expect(reply.status, reply.text).to.be.within(413, 415)
    }
  })

  it('takes no head without a sound behind it', async () => {
    const heads = {
      mpeg: [0xff, 0xfb, 0x90, 0x00],
      adts: [0xff, 0xf1, 0x50, 0x80],
      mp4: [0, 0, 0, 0x18, 0x66, 0x74, 0x79, 0x70, 0x4d, 0x34, 0x41, 0x20],
      zeros: [],
    }
    for (const [name, head] of Object.entries(heads))
      expect(
        (
          await send(
            'sounds',
            Buffer.concat([Buffer.from(head), Buffer.alloc(5_000_000 - head.length)]),
            '?milliseconds=700',
          )
        ).status,
        name,
      ).to.equal(415)
    const wave = Buffer.alloc(5_000_000)
    wave.write('RIFF')
    wave.write('WAVEfmt ', 8)
    expect((await send('sounds', wave)).status).to.equal(415)
  })

  it('deletes what nothing uses after a while, at once where room is wished for, and never what a list or a game still shows', async () => {
    const { client: teacher, listId: own } = await teacherWithList(server.url, ['otter', 'beaver', 'heron'])
    const picture = async (): Promise<{ id: string }> =>
      (
        await teacher.call('POST', '/media/pictures', await drawn(300, 200).jpeg().toBuffer(), {
          'Content-Type': 'image/jpeg',
        })
      ).body as { id: string }
    const [onEntry, onGame, onCover, unused, fresh] = [
      await picture(),
      await picture(),
      await picture(),
      await picture(),
      await picture(),
    ]
    const { body: list } = await teacher.call('GET', `/lists/${own}`)
    const [first, second] = list.entries
    const put = (entry: Entry, shown: object): Promise<Reply> =>
      teacher
        .call('GET', `/lists/${own}/version`)
        .then(({ body }) =>
          teacher.call('PATCH', `/lists/${own}`, { version: body.version, put: [{ ...entry, ...shown }] }),
        )
    await put(second, { prompt: { text: 'x', picture: onGame } })
    expect((await teacher.call('POST', `/lists/${own}/links`, { kind: 'flashcards', seed: '1' })).status).to.equal(201)
    await put(second, { prompt: { text: 'x' } })
    await put(first, { prompt: { text: 'y', picture: onEntry } })
    await teacher
      .call('GET', `/lists/${own}/version`)
      .then(({ body }) =>
        teacher.call('PATCH', `/lists/${own}`, { version: body.version, cover: { ...onCover, alt: '' } }),
      )
    const there = async (): Promise<boolean[]> =>
      Promise.all([onEntry, onGame, onCover, unused, fresh].map(async ({ id }) => (await fetched(id)).status === 200))
    const before = (await teacher.call('GET', '/media')).body as { used: number; room: number }
    expect([before.used > 0, before.room]).to.deep.equal([true, 400_000_000])
    await rows(server, `UPDATE media SET created_at = now() - interval '2 days' WHERE id <> $fresh`, {
      fresh: fresh.id,
    })
    const sweep = async (): Promise<void> => {
      await rows(server, 'UPDATE teachers SET media_swept_at = NULL')
      while (
        await inScope({ database: server.database, puzzles: new PuzzleCache() }, { teacherId: null }, sweepMedia)
      ) {
        /* one teacher after another */
      }
    }
    await sweep()
    expect(await there()).to.deep.equal([true, true, true, true, true])
    await rows(server, `UPDATE media SET unused_since = unused_since - interval '61 days'`)
    await sweep()
    expect(await there()).to.deep.equal([true, true, true, false, false])
    const another = await picture()
    await rows(server, `UPDATE media SET created_at = now() - interval '2 days' WHERE id = $id`, { id: another.id })
    const { body: room } = await teacher.call('POST', '/media/free')
    expect([room.used < before.used, (await fetched(another.id)).status, await there()]).to.deep.equal([
      true,
      404,
      [true, true, true, false, false],
    ])
  })

  it('offers pictures of the gallery, and hands one out under an id that tells nothing', async () => {
    const { body } = await client.call('POST', '/gallery/suggestions', {
      language: 'es',
      words: ['nutria', 'qwxz', 'manzana'],
    })
    expect(body.suggestions.map((offers: { name: string }[]) => offers[0]?.name)).to.deep.equal([
      'otter',
      undefined,
      'green-apple',
    ])
    expect(Math.max(...body.suggestions.map((offers: unknown[]) => offers.length))).to.equal(6)
    const [hit] = (await client.call('GET', '/gallery?word=Otters&language=en')).body
    const drawing = await new Client(server.url).call('GET', hit.path.replace('/api', ''))
    expect(drawing.type).to.equal('image/svg+xml')
    const { body: picture } = await client.call('POST', '/media/gallery', {
      set: hit.set,
      name: hit.name,
      alt: 'an otter',
    })
    expect(picture.credit).to.contain('MIT')
    expect((await fetched(picture.id)).text).to.equal(drawing.text)
    expect((await client.call('POST', '/media/gallery', { set: 'flat', name: 'middle-finger' })).status).to.equal(404)
    expect((await new Client(server.url).call('POST', '/media/gallery', hit)).status).to.equal(401)
  })

  it('keeps every field of an entry and of a list; duplicates, puts away and takes back', async () => {
    const picture = (await client.call('POST', '/media/gallery', { set: 'flat', name: 'otter' })).body
    const entry: Entry = newEntry({
      id: randomUUID(),
      answer: { text: 'otter', picture },
      prompt: { text: '', sound: { id: randomUUID(), milliseconds: 700 } },
      accepted: ['river otter'],
      choices: [
        { text: 'also', right: true },
        { text: 'beaver', right: false, picture },
      ],
      hint: 'it swims',
      fact: 'it holds hands',
      groups: ['rivers'],
      worth: 20,
      seconds: 15,
      scored: false,
      standards: ['Sc.3'],
    })
    const details = {
      description: 'By the water',
      cover: picture,
      subject: 'Science',
      grade: '4',
      tags: ['river', 'river', ''],
      folder: 'Spring',
    }
    const { body: before } = await client.call('GET', `/lists/${listId}`)
    expect(
      (
        await client.call('PATCH', `/lists/${listId}`, {
          version: before.version,
          ...details,
          put: [{ ...entry, position: 0 }],
        })
      ).status,
    ).to.equal(200)
    const { body: list } = await client.call('GET', `/lists/${listId}`)
    expect(list).to.deep.include({ ...details, tags: ['river'] })
    expect(list.entries[0]).to.deep.equal({ ...entry, position: 0 })
    expect((await client.call('GET', `/lists/${listId}/version`)).body.version).to.equal(list.version)

    const { body: copy } = await client.call('POST', `/lists/${listId}/duplicate`)
    expect(copy).to.deep.include({ title: 'Words (copy)', folder: 'Spring', tags: ['river'] })
    expect(
      copy.entries.map(({ originId }: Entry) => originId),
      'a copy knows where it comes from',
    ).to.deep.equal(list.entries.map(({ id }: Entry) => id))
    const bare = ({ entries }: { entries: { id: string; originId: string | null }[] }): unknown[] =>
      entries.map(({ id: _, originId: _origin, ...rest }) => rest)
    expect(bare(copy)).to.deep.equal(bare(list))
    expect(copy.entries.map(({ id }: { id: string }) => id)).not.to.include.members([entry.id])
    const archivedNow = async (): Promise<boolean> =>
      (await client.call('GET', '/lists')).body.find(({ id }: { id: string }) => id === copy.id).archived
    for (const archived of [true, false]) {
      expect((await client.call('PUT', `/lists/${copy.id}/archived`, { archived })).status).to.equal(204)
      expect(await archivedNow()).to.equal(archived)
    }
    const stranger = new Client(server.url)
    await stranger.call('POST', '/teachers', { name: 'Eve', email: 'eve@school.example', password: 'a long password' })
    for (const [method, path] of [
      ['POST', 'duplicate'],
      ['PUT', 'archived'],
      ['GET', 'version'],
    ])
      expect(
        (await stranger.call(method!, `/lists/${listId}/${path}`, method === 'PUT' ? { archived: true } : undefined))
          .status,
      ).to.equal(404)
  })
})
