import type { ParticipantResult, ResultsReply } from '@otter/api'
import { Ellipsis } from 'lucide-react'
import { useState } from 'react'
import { StudentDialog } from './StudentDialog.tsx'

/** How long ago something was last seen counts as "now", in milliseconds. */
const JUST_NOW = 60_000

function isHere(lastSeenAt: string): boolean {
  return Date.now() - Date.parse(lastSeenAt) < 3 * JUST_NOW
}

function seen(at: string): string {
  const ago = Date.now() - Date.parse(at)
  if (ago < JUST_NOW) return 'just now'
  if (ago < 3_600_000) return `${Math.round(ago / 60_000)} min ago`
  return new Date(at).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })
}

function clock(milliseconds: number): string {
  return `${Math.floor(milliseconds / 60_000)}:${String(Math.floor(milliseconds / 1000) % 60).padStart(2, '0')}`
}

/** A column of the table; some are there only where a game has something to show in them. */
interface Column {
  name: string
  cell: (student: ParticipantResult) => string | number
  shown?: (students: readonly ParticipantResult[]) => boolean
}

const COLUMNS: readonly Column[] = [
  { name: 'First try', cell: ({ firstRight }) => firstRight },
  { name: 'Points', cell: ({ points }) => points, shown: (all) => all.some(({ points }) => points > 0) },
  {
    name: 'Second try',
    cell: ({ second }) => (second.total > 0 ? `${second.right} of ${second.total}` : '–'),
    shown: (all) => all.some(({ second }) => second.total > 0),
  },
  { name: 'Time', cell: ({ milliseconds }) => clock(milliseconds) },
  { name: 'Hints', cell: ({ hints }) => hints, shown: (all) => all.some(({ hints }) => hints > 0) },
  { name: 'Misses', cell: ({ misses }) => misses, shown: (all) => all.some(({ misses }) => misses > 0) },
  { name: 'Attempts', cell: ({ attempts }) => attempts },
]

/** The students of an offer, in the order of their names. */
export function Students({ results: { participants, offer } }: { results: ResultsReply }) {
  const [openId, setOpenId] = useState<string>()
  const present = participants.filter(({ removed }) => !removed)
  const done = present.filter(({ finished }) => finished).length
  const columns = COLUMNS.filter(({ shown }) => shown?.(participants) ?? true)
  const open = participants.find(({ participantId }) => participantId === openId)
  return (
    <section aria-labelledby="students" className="flex flex-col gap-2">
      <h2 id="students" className="text-2xl">
        Students{' '}
        <span className="quiet font-sans text-base">
          {present.length} joined · {done} finished · code {offer.code}
          {offer.open ? '' : ', closed'}
        </span>
      </h2>
      {participants.length === 0 && (
        <p className="panel p-5">
          Nobody has joined yet. The code is <strong>{offer.code}</strong>.
        </p>
      )}
      {participants.length > 0 && (
        <div className="panel overflow-x-auto" tabIndex={0} role="region" aria-label="Students’ results">
          <table className="w-full text-start">
            <thead>
              <tr className="text-sm">
                {['Student', 'Right', ...columns.map(({ name }) => name), 'Last seen'].map((name) => (
                  <th key={name} scope="col" className="px-2 py-2 text-start">
                    {name}
                  </th>
                ))}
                <td />
              </tr>
            </thead>
            <tbody>
              {participants.map((student) => (
                <tr
                  key={student.participantId}
                  className={`border-t border-base-300 ${student.removed ? 'quiet' : ''}`}
                >
                  <th scope="row" className="max-w-40 truncate px-2 py-2 text-start" dir="auto">
                    {student.name}
                    {student.removed && <span className="font-normal"> · taken out</span>}
                  </th>
                  <td className="px-2 py-2 tabular-nums">
                    <Right student={student} />
                  </td>
                  {columns.map(({ name, cell }) => (
                    <td key={name} className="px-2 py-2 tabular-nums">
                      {cell(student)}
                    </td>
                  ))}
                  <td className="quiet whitespace-nowrap px-2 py-2">{seen(student.lastSeenAt)}</td>
                  <td className="pe-1">
                    <button
                      type="button"
                      className="btn btn-ghost btn-sm btn-square"
                      aria-label={`More about ${student.name}`}
                      onClick={() => setOpenId(student.participantId)}
                    >
                      <Ellipsis size={18} aria-hidden="true" />
                    </button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {open && (
        <StudentDialog
          key={open.participantId}
          offerId={offer.id}
          student={open}
          others={participants.filter((other) => other !== open)}
          onClose={() => setOpenId(undefined)}
        />
      )}
    </section>
  )
}

function Right({ student: { right, total, finished, lastSeenAt, attempts } }: { student: ParticipantResult }) {
  if (attempts === 0) return <span className="quiet text-sm">not begun</span>
  return (
    <>
      {total > 0 ? (
        <>
          <strong>{right}</strong> of {total}
        </>
      ) : (
        <span className="quiet">not scored</span>
      )}
      {finished ? '' : <span className="quiet text-sm"> · {isHere(lastSeenAt) ? 'playing' : 'left off'}</span>}
    </>
  )
}
