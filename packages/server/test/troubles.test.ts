import { expect } from 'chai'
import { loggable, problemFrom } from '../src/problem.ts'

describe('Troubles of the database', () => {
  it('are told as what they are: a full disk, no connection, or something that went wrong', () => {
    const told = (error: object): [number, boolean] => {
      const { status, message } = problemFrom(error)
      return [status, message.includes('safe on your screen')]
    }
    expect(told({ name: 'SequelizeDatabaseError', parent: { code: '53100' } })).to.deep.equal([507, true])
    expect(told({ code: 'ENOSPC' })).to.deep.equal([507, true])
    expect(told({ name: 'SequelizeConnectionRefusedError' })).to.deep.equal([503, true])
    for (const code of ['57P01', '57P03', 'ECONNRESET']) expect(told({ code })).to.deep.equal([503, true])
    expect(told(new Error('anything'))).to.deep.equal([500, true])
  })

  it('are logged without the values of a statement', () => {
    const error = Object.assign(new Error('duplicate key'), {
      parameters: ['Zephyrine'],
      sql: 'INSERT … Zephyrine',
      detail: 'Key (name)=(Zephyrine)',
      parent: { code: '23505', detail: 'Zephyrine' },
    })
    expect(JSON.stringify(loggable(error)))
      .to.include('duplicate key')
      .and.include('23505')
      .and.not.include('Zephyrine')
  })
})
