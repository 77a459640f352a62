import { useClass } from '../../api/classes.ts'
import { classesTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

interface ChosenStudentsProps {
  classId: string
  /** Who is chosen; none: all. */
  students: readonly string[]
  onChange: (students: string[]) => void
}

/** The students of a class that work is set for, where it is not for all. */
export function ChosenStudents({ classId, students, onChange }: ChosenStudentsProps) {
  const t = useTexts(classesTexts)
  const roll = useClass(classId).data?.roll.filter(({ state }) => state === 'in') ?? []
  if (roll.length === 0) return null
  return (
    <fieldset className="flex flex-wrap gap-x-5 gap-y-1">
      <legend className="quiet">{t('set.some')}</legend>
      {roll.map(({ id, name }) => (
        <label key={id} className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={students.includes(id)}
            onChange={(event) =>
              onChange(event.target.checked ? [...students, id] : students.filter((one) => one !== id))
            }
          />
          <bdi>{name}</bdi>
        </label>
      ))}
    </fieldset>
  )
}
