import { z } from 'zod'
import { TOKEN_HEADER } from '../tokenHeader.ts'
import { ProblemDetails } from '../problem.ts'
import type { Asker, Route } from './route.ts'
import { ROUTES } from './routes.ts'

type Json = Record<string, unknown>

/** What may come with a request of each asker, one of them. */
const SECURITY: Record<Asker, Json[]> = {
  anyone: [],
  teacher: [{ session: [] }],
  student: [{ playerCookie: [] }, { playerHeader: [] }],
  member: [{ studentCookie: [] }],
  remote: [{ playerHeader: [] }],
  operator: [{ operatorSecret: [] }],
}

/** Returns the description of the API (OpenAPI 3.1), made from the schemas that requests are parsed with. */
export function openApi(): Json {
  const paths: Record<string, Json> = {}
  for (const route of ROUTES) {
    const path = `/api${route.path.replace(/:(\w+)/gu, '{$1}')}`
    paths[path] = { ...paths[path], [route.method]: operationOf(route) }
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Jolly Otter',
      version: '1',
      description:
        'What the pages and the server say to each other. Changes are taken from the same site alone. Every refusal is ' +
        'a problem (RFC 9457) with a code; screens word it.',
      license: { name: 'MIT', identifier: 'MIT' },
    },
    servers: [{ url: '/' }],
    paths,
    components: {
      schemas: { Problem: schemaOf(ProblemDetails, 'output') },
      securitySchemes: {
        operatorSecret: { type: 'http', scheme: 'bearer' },
        session: { type: 'apiKey', in: 'cookie', name: 'otter_session' },
        studentCookie: { type: 'apiKey', in: 'cookie', name: 'otter_student' },
        playerCookie: { type: 'apiKey', in: 'cookie', name: 'otter_player' },
        playerHeader: { type: 'apiKey', in: 'header', name: TOKEN_HEADER },
      },
    },
  }
}

function operationOf({ method, path, summary, asker, query, body, status = 200, reply }: Route): Json {
  const inPath = [...path.matchAll(/:(\w+)/gu)].map(([, name]) => ({
    name,
    in: 'path',
    required: true,
    schema: name!.toLowerCase().endsWith('id') ? { type: 'string', format: 'uuid' } : { type: 'string' },
  }))
  return {
    operationId: [method, ...path.split('/').filter(Boolean)].join('-').replace(/[:.]/gu, ''),
    summary,
    security: SECURITY[asker],
    parameters: [...inPath, ...(query ? inQuery(query) : [])],
    ...(body !== undefined && { requestBody: { required: true, content: contentOf(body, 'input') } }),
    responses: {
      [status]: { description: summary, ...(reply !== undefined && { content: contentOf(reply, 'output') }) },
      default: {
        description: 'A problem',
        content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
      },
    },
  }
}

function inQuery(query: z.ZodObject): Json[] {
  const { properties = {}, required = [] } = schemaOf(query, 'input') as { properties?: Json; required?: string[] }
  return Object.entries(properties).map(([name, schema]) => ({
    name,
    in: 'query',
    required: required.includes(name),
    schema,
  }))
}

function contentOf(content: z.ZodType | string, io: 'input' | 'output'): Json {
  return typeof content === 'string'
    ? { [content]: { schema: { type: 'string', format: 'binary' } } }
    : { 'application/json': { schema: schemaOf(content, io) } }
}

function schemaOf(schema: z.ZodType, io: 'input' | 'output'): Json {
  const { $schema: _, ...json } = z.toJSONSchema(schema, { io, unrepresentable: 'any' })
  return json
}
