import type { ReportReply, ReportScope } from '@otter/api'
import { useState } from 'react'
import { reportTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { Select } from '../../ui/Choice.tsx'
import { useTeachingGroups } from '../../workers/useTeachingGroups.ts'
import { ReteachButton } from './ReteachButton.tsx'

const SIZES = [3, 4, 6, 8, 12]

/** Students who miss the same things, put together. */
export function Groups({ scope, report }: { scope: ReportScope; report: ReportReply & { map: string[] } }) {
  const t = useTexts(reportTexts)
  const { list } = useWriting()
  const [size, setSize] = useState(6)
  const [copied, setCopied] = useState(false)
  const groups = useTeachingGroups(report.map, size)
  const named = groups?.map(({ persons, misses }) => ({
    students: persons.map((place) => report.students[place]!),
    misses: misses.map((place) => report.entries[place]!.text),
  }))
  const copy = (): void => {
    const text = named!
      .map(({ students, misses }) => `${misses.join(', ')}: ${students.map(({ name }) => name).join(', ')}`)
      .join('\n')
    void navigator.clipboard.writeText(text).then(
      () => setCopied(true),
      () => setCopied(false),
    )
  }
  return (
    <section aria-labelledby="groups" className="panel flex flex-col gap-2 p-4">
      <div className="flex flex-wrap items-end gap-3">
        <div className="me-auto">
          <h2 id="groups" className="text-2xl">
            {t('groups.title')}
          </h2>
          <p className="quiet">{t('groups.help')}</p>
        </div>
        <Select
          label={t('groups.size')}
          value={size}
          options={SIZES.map((one) => [one, String(one)] as const)}
          onChange={setSize}
        />
        <button type="button" className="btn h-11" disabled={!named || named.length === 0} onClick={copy}>
          <span aria-live="polite">{t(copied ? 'groups.copied' : 'groups.copy')}</span>
        </button>
      </div>
      {!named && <p>{t('groups.working')}</p>}
      {named?.length === 0 && <p>{t('groups.none')}</p>}
      <ul className="grid gap-3 md:grid-cols-2">
        {named?.map(({ students, misses }, index) => (
          <li key={students[0]!.id} className="flex flex-col items-start gap-1 border-t border-base-300 pt-2">
            <h3 className="font-bold">{t('groups.group', { number: index + 1 })}</h3>
            <p dir="auto">{list(students.map(({ name }) => name))}</p>
            <p className="quiet">{t('groups.miss', { words: list(misses) })}</p>
            <ReteachButton
              scope={scope}
              below={1}
              persons={students.map(({ id }) => id)}
              title={t('reteach.listTitle', { title: misses[0] ?? report.title })}
            >
              {t('reteach.forGroup')}
            </ReteachButton>
          </li>
        ))}
      </ul>
    </section>
  )
}
