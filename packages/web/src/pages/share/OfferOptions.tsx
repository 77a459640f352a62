import type { OfferReply } from '@otter/api'
import { gameOf } from '@otter/core'
import { useState } from 'react'
import { AskingOptions } from '../../games/AskingOptions.tsx'
import { TEACHER } from '../../games/teacher.ts'
import { shareTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

const nothing = (): void => undefined

/** What was chosen for the game of a link, to look at: a link keeps it for good. */
export function OfferOptions({ offer: { kind, options } }: { offer: OfferReply }) {
  const t = useTexts(shareTexts)
  const [open, setOpen] = useState(false)
  const { Options } = TEACHER[kind]
  // Defaults would be shown as if they had been chosen.
  if (Object.keys(options).length === 0) return null
  const chosen = gameOf(kind).options.parse(options)
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="w-fit cursor-pointer py-1">{t('options')}</summary>
      {open && (
        <fieldset disabled className="panel mt-1 flex flex-col gap-3 bg-base-200 p-3 [&_:disabled]:text-base-content!">
          <legend className="sr-only">{t('options')}</legend>
          <AskingOptions options={chosen} groups={chosen.group === '' ? [] : [chosen.group]} onChange={nothing} />
          <Options options={chosen} language="" onChange={nothing} />
        </fieldset>
      )}
    </details>
  )
}
