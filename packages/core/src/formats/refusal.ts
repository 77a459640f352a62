/** Why a file can't be read; the interface words it. */
export type RefusalCode = 'too-big' | 'unpacks-too-big' | 'not-this-kind' | 'broken' | 'bad-path' | 'empty' | 'newer'

/** Thrown where a file is refused as a whole. */
export class FileRefusal extends Error {
  readonly code: RefusalCode

  constructor(code: RefusalCode) {
    super(code)
    this.name = 'FileRefusal'
    this.code = code
  }
}
