import type { ComparedClasses } from '@otter/api'
import { MOST_IN_CLASS } from '@otter/api'
import type { RosterClass } from '@otter/core/formats'
import { classesTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

interface ImportedClassProps {
  found: RosterClass
  /** What taking it would do; undefined where it is not chosen, or not known yet. */
  compared: ComparedClasses['classes'][number] | undefined
  isChosen: boolean
  /** Whether no more can be chosen. */
  isFull: boolean
  onChoose: () => void
  /** Who is to be taken out, as class and student. */
  leaving: ReadonlySet<string>
  onLeave: (key: string) => void
}

/** A class of a file: what taking it would do, row by row. */
export function ImportedClass({
  found: { name, grade, year, teachers, students },
  compared,
  isChosen,
  isFull,
  onChoose,
  leaving,
  onLeave,
}: ImportedClassProps) {
  const t = useTexts(classesTexts)
  const isTooLarge = students.length > MOST_IN_CLASS
  const rowOf = new Map(compared?.students.map((one) => [one.sourceId, one]))
  return (
    <li className="panel flex flex-col gap-2 p-3">
      <label className="flex flex-wrap items-center gap-x-3">
        <input
          type="checkbox"
          className="checkbox"
          checked={isChosen}
          disabled={isTooLarge || (isFull && !isChosen)}
          onChange={onChoose}
        />
        <bdi className="text-lg font-bold">{name}</bdi>
        <span className="quiet">
          {[grade, year, teachers.slice(0, 3).join(', '), t('students', { count: students.length })]
            .filter(Boolean)
            .join(' · ')}
        </span>
        {isTooLarge && <span>{t('import.tooLarge', { most: MOST_IN_CLASS })}</span>}
      </label>
      {isChosen && compared && (
        <>
          <p>
            {compared.nameHere === null
              ? t('import.newClass')
              : compared.nameHere === name
                ? t('import.knownClass')
                : t('import.renamedClass', { name: compared.nameHere })}
          </p>
          <details>
            <summary className="w-fit cursor-pointer py-1">{t('import.rows', { count: students.length })}</summary>
            <table className="w-full text-start">
              <thead className="sr-only">
                <tr>
                  <th>{t('student')}</th>
                  <th>{t('import.becomes')}</th>
                </tr>
              </thead>
              <tbody>
                {students.map((student) => {
                  const row = rowOf.get(student.sourceId)
                  return (
                    <tr key={student.sourceId} className="border-t border-base-300">
                      <td className="py-1">
                        <bdi>{student.name}</bdi>
                      </td>
                      <td className="quiet py-1">
                        {row && t(`import.row.${row.becomes}`, { name: row.nameHere ?? '' })}
                      </td>
                    </tr>
                  )
                })}
              </tbody>
            </table>
          </details>
          {compared.missing.length > 0 && (
            <fieldset>
              <legend className="font-bold">{t('import.missing', { count: compared.missing.length })}</legend>
              <p className="quiet text-sm">{t('import.missingHelp')}</p>
              {compared.missing.map(({ studentId, name: missing }) => {
                const key = `${compared.classId} ${studentId}`
                return (
                  <label key={studentId} className="flex min-h-11 items-center gap-2">
                    <input
                      type="checkbox"
                      className="checkbox"
                      checked={leaving.has(key)}
                      onChange={() => onLeave(key)}
                    />
                    {t('takeOut', { name: missing })}
                  </label>
                )
              })}
            </fieldset>
          )}
        </>
      )}
    </li>
  )
}
