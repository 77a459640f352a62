import { useState } from 'react'
import { useSaveStandards } from '../../api/reports.ts'
import { reportTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'

/** Takes codes of standards, with what they mean, from a CASE 1.0 file. */
export function TakeCase() {
  const t = useTexts(reportTexts)
  const save = useSaveStandards()
  const [said, setSaid] = useState<string>()
  const take = async (file: File): Promise<void> => {
    const { readCase } = await import('@otter/core/formats')
    const taken = await file
      .text()
      .then(readCase)
      .catch(() => undefined)
    if (!taken) return setSaid(t('standards.broken'))
    save.mutate({ standards: taken }, { onSuccess: () => setSaid(t('standards.imported', { count: taken.length })) })
  }
  return (
    <div className="flex flex-wrap items-center gap-3">
      <label className="btn h-11">
        {t('standards.import')}
        <input
          type="file"
          accept=".json,application/json"
          className="sr-only"
          onChange={(event) => {
            const [file] = event.target.files ?? []
            event.target.value = ''
            if (file) void take(file)
          }}
        />
      </label>
      <span role="status">{said}</span>
      <Notice error={save.error} />
    </div>
  )
}
