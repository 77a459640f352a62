import { readFileSync } from 'node:fs'
import { openApi, ROUTES } from '@otter/api/description'
import { Validator } from '@seriousme/openapi-schema-validator'
import { expect } from 'chai'
import type { Router } from 'express'
import type { Context } from '../src/routes/context.ts'
import accountRoutes from '../src/routes/account.ts'
import dictionaryRoutes, { kindRoutes } from '../src/routes/dictionary.ts'
import jobRoutes from '../src/routes/jobs.ts'
import printRoutes from '../src/routes/prints.ts'
import classRoutes from '../src/routes/classes.ts'
import studentRoutes from '../src/routes/students.ts'
import rosterRoutes from '../src/routes/rosters.ts'
import wallRoutes, { remoteRoutes } from '../src/routes/wall.ts'
import liveRoutes from '../src/routes/live.ts'
import listRoutes from '../src/routes/lists.ts'
import mediaRoutes, { mediaFileRoutes } from '../src/routes/media.ts'
import offerRoutes from '../src/routes/offers.ts'
import operatorRoutes from '../src/routes/operator.ts'
import playRoutes from '../src/routes/play.ts'
import reportRoutes from '../src/routes/reports.ts'
import sessionRoutes from '../src/routes/session.ts'

const named = (method: string, path: string): string => `${method} ${path}`

describe('The description of the API', () => {
  it('is valid OpenAPI 3.1, and what docs/api.json holds', async () => {
    const description = openApi()
    const { valid, errors } = await new Validator().validate(structuredClone(description))
    expect(errors, JSON.stringify(errors)).to.equal(undefined)
    expect(valid).to.equal(true)
    const { paths } = description as { paths: Record<string, Record<string, unknown>> }
    expect(Object.values(paths).flatMap((path) => Object.keys(path))).to.have.length(ROUTES.length)
    const kept = JSON.parse(readFileSync(new URL('../../../docs/api.json', import.meta.url), 'utf8')) as unknown
    expect(description, 'npm run describe writes it').to.deep.equal(kept)
  })

  it('is refused by the validator where it is wrong', async () => {
    const broken = { ...openApi(), paths: { '/api/lists': { get: { responses: { default: {} } } } } }
    expect((await new Validator().validate(broken)).valid).to.equal(false)
  })

  it('names every route that the server has, and no other', () => {
    const context = {} as Context
    const routers = [
      sessionRoutes(context),
      accountRoutes(context),
      operatorRoutes(context),
      listRoutes(context),
      offerRoutes(context),
      liveRoutes(context),
      wallRoutes(context),
      remoteRoutes(context),
      reportRoutes(context),
      rosterRoutes(context),
      jobRoutes(context),
      printRoutes(context),
      classRoutes(context),
      studentRoutes(context),
      mediaRoutes(context),
      mediaFileRoutes(context),
      playRoutes(context),
      dictionaryRoutes(),
      kindRoutes(context),
    ]
    const served = routers.flatMap((router: Router) =>
      router.stack.flatMap(({ route }) => {
        const methods = (route as unknown as { methods: Record<string, boolean> } | undefined)?.methods ?? {}
        return route ? Object.keys(methods).map((method) => named(method, route.path)) : []
      }),
    )
    expect(ROUTES.map(({ method, path }) => named(method, path)).sort()).to.deep.equal(served.sort())
  })
})
