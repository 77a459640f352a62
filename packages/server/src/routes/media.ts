import {
  MAX_PICTURE,
  MAX_SOUND,
  OFFERED,
  SearchPictures,
  SuggestPictures,
  TakePicture,
  UploadPicture,
  UploadSound,
  type SuggestionsReply,
} from '@otter/api'
import express, { Router, type RequestHandler, type Response } from 'express'
import { openGallery } from '../gallery/pictures.ts'
import { Problem } from '../problem.ts'
import {
  freeRoom,
  keepPicture,
  keepSound,
  offerPictures,
  readMedium,
  readRoom,
  takePicture,
} from '../services/media.ts'
import { encodePicture } from '../services/pictures.ts'
import { inspectSound } from '../services/sounds.ts'
import { asAnyone, asTeacher, idOf, teacherOf, type Context } from './context.ts'

const YEAR = 365 * 24 * 3600
/** A file from anywhere may be shown, and may do nothing. */
const HARMLESS = "default-src 'none'; style-src 'unsafe-inline'; sandbox"

/** Pictures and sounds as files, for whoever knows their ids; they never change. */
export function mediaFileRoutes(context: Context): Router {
  const router = Router()
  router.get('/media/:id', async (request, response) => {
    const { type, bytes } = await asAnyone(context, (scope) => readMedium(scope, idOf(request)))
    lasting(response, type)
    const ranges = request.range(bytes.length)
    if (ranges === -1) response.status(416).set('Content-Range', `bytes */${bytes.length}`).end()
    else if (Array.isArray(ranges) && ranges.type === 'bytes' && ranges.length === 1) {
      const { start, end } = ranges[0]!
      response
        .status(206)
        .set('Content-Range', `bytes ${start}-${end}/${bytes.length}`)
        .end(bytes.subarray(start, end + 1))
    } else response.end(bytes)
  })
  router.get('/gallery/:set/:file', (request, response) => {
    const svg = openGallery().svgOf(request.params.set, request.params.file.replace(/\.svg$/u, ''))
    if (svg === undefined) throw new Problem(404, 'no-gallery-picture')
    lasting(response, 'image/svg+xml')
    response.end(svg)
  })
  return router
}

function lasting(response: Response, type: string): void {
  response.set({
    'Content-Type': type,
    'Cache-Control': `public, max-age=${YEAR}, immutable`,
    'Content-Security-Policy': HARMLESS,
    'Accept-Ranges': 'bytes',
    'Content-Disposition': 'inline',
  })
}

/** What a teacher does with pictures and sounds. */
export default function mediaRoutes(context: Context): Router {
  const router = Router()
  const limit: RequestHandler = async (request, _response, next) => {
    await context.limits.uploads.take(teacherOf(request))
    next()
  }
  const signedIn: RequestHandler = (request, _response, next) => {
    teacherOf(request)
    next()
  }
  const bytesOf = (body: unknown): Buffer => {
    if (!Buffer.isBuffer(body) || body.length === 0) throw new Problem(400, 'empty-file')
    return body
  }
  router.post('/media/pictures', signedIn, limit, file('picture-too-big', MAX_PICTURE), async (request, response) => {
    const about = UploadPicture.parse(request.query)
    const picture = await encodePicture(bytesOf(request.body))
    response.status(201).json(await asTeacher(context, request, (scope) => keepPicture(scope, picture, about)))
  })
  router.post('/media/sounds', signedIn, limit, file('sound-too-big', MAX_SOUND), async (request, response) => {
    const bytes = bytesOf(request.body)
    const sound = await inspectSound(bytes, UploadSound.parse(request.query).milliseconds)
    response.status(201).json(await asTeacher(context, request, (scope) => keepSound(scope, bytes, sound)))
  })
  router.post('/media/gallery', signedIn, limit, async (request, response) => {
    response
      .status(201)
      .json(await asTeacher(context, request, (scope) => takePicture(scope, TakePicture.parse(request.body))))
  })
  router.get('/media', async (request, response) => {
    response.json(await asTeacher(context, request, readRoom))
  })
  router.post('/media/free', async (request, response) => {
    response.json(await asTeacher(context, request, freeRoom))
  })
  router.get('/gallery', signedIn, (request, response) => {
    const { word, language, most } = SearchPictures.parse(request.query)
    response.json(offerPictures(word, language, most))
  })
  router.post('/gallery/suggestions', signedIn, (request, response) => {
    const { words, language } = SuggestPictures.parse(request.body)
    response.json({
      suggestions: words.map((word) => offerPictures(word, language, OFFERED)),
    } satisfies SuggestionsReply)
  })
  return router
}

/** Reads a request's body as a file of at most so many bytes. */
function file(tooBigCode: 'picture-too-big' | 'sound-too-big', most: number): RequestHandler {
  const read = express.raw({ type: () => true, limit: most })
  return (request, response, next) => {
    read(request, response, (error?: unknown) => {
      const tooBig = (error as { status?: number } | undefined)?.status === 413
      next(tooBig ? new Problem(413, tooBigCode, { values: { most: most / 1e6 } }) : error)
    })
  }
}
