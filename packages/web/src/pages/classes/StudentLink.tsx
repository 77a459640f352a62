import { useState } from 'react'
import { useMakeLink, useJoinByLink } from '../../api/classes.ts'
import { classesTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'

/** Makes a student one with a colleague's: by a code that the one teacher makes, and the other types. */
export function StudentLink({ classId, studentId }: { classId: string; studentId: string }) {
  const t = useTexts(classesTexts)
  const { date } = useWriting()
  const make = useMakeLink(classId, studentId)
  const join = useJoinByLink(classId, studentId)
  const [code, setCode] = useState('')
  return (
    <div className="flex w-full flex-wrap items-end gap-2">
      <button type="button" className="btn h-11" disabled={make.isPending} onClick={() => make.mutate()}>
        {t('link.make')}
      </button>
      <form
        className="flex items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          if (code.trim() !== '') join.mutate(code)
        }}
      >
        <label className="flex flex-col">
          <span className="quiet text-sm">{t('link.code')}</span>
          <input
            className="input h-11 w-40"
            dir="ltr"
            maxLength={20}
            value={code}
            onChange={(event) => setCode(event.target.value)}
          />
        </label>
        <button type="submit" className="btn h-11" disabled={join.isPending || code.trim() === ''}>
          {t('link.use')}
        </button>
      </form>
      {make.data && (
        <p role="status" className="w-full">
          {t('link.told', { code: make.data.code, when: date(make.data.expiresAt, { dateStyle: 'medium' }) })}
        </p>
      )}
      <Notice error={make.error ?? join.error} />
    </div>
  )
}
