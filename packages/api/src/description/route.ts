import type { z } from 'zod'

/**
 * Who may ask: anyone, a teacher who is signed in, a student with the token of an offer, a student who has signed in to a class, a
 * remote control with its own, or whoever runs the server, on
 * its machine and with its secret.
 */
export type Asker = 'anyone' | 'teacher' | 'student' | 'member' | 'remote' | 'operator'

/** One route of the API, below `/api`. */
export interface Route {
  method: 'get' | 'post' | 'put' | 'patch' | 'delete'
  /** With its parts as Express writes them, such as `/lists/:id`. */
  path: string
  summary: string
  asker: Asker
  query?: z.ZodObject
  /** What is sent as JSON, or the media type of a file. */
  body?: z.ZodType | string
  /** Status of a reply that went well; 200 where nothing else is said. */
  status?: 200 | 201 | 202 | 204
  /** What is replied as JSON, or the media type of a file; nothing where there is no content. */
  reply?: z.ZodType | string
}

export const teacher = (route: Omit<Route, 'asker'>): Route => ({ ...route, asker: 'teacher' })
export const anyone = (route: Omit<Route, 'asker'>): Route => ({ ...route, asker: 'anyone' })
export const operator = (route: Omit<Route, 'asker'>): Route => ({ ...route, asker: 'operator' })
export const student = (route: Omit<Route, 'asker'>): Route => ({ ...route, asker: 'student' })
export const member = (route: Omit<Route, 'asker'>): Route => ({ ...route, asker: 'member' })
export const remote = (route: Omit<Route, 'asker'>): Route => ({ ...route, asker: 'remote' })
