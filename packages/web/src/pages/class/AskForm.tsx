import type { AskIn, Secret } from '@otter/api'
import { useState } from 'react'
import { studentTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { SecretForm } from './SecretForm.tsx'

interface AskFormProps {
  kind: 'pictures' | 'word'
  busy: boolean
  problem: string | undefined
  onAsk: (asked: AskIn) => void
}

/** Asks to come into a class, under a name and with a secret. */
export function AskForm({ kind, busy, problem, onAsk }: AskFormProps) {
  const t = useTexts(studentTexts)
  const [name, setName] = useState('')
  return (
    <>
      <label className="flex flex-col gap-1 text-lg font-bold">
        {t('yourName')}
        <input
          className="input h-14 w-full text-xl font-normal"
          autoFocus
          autoComplete="off"
          maxLength={40}
          dir="auto"
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <SecretForm
        kind={kind}
        isNew
        busy={busy || name.trim() === ''}
        problem={problem}
        onSecret={(secret: Secret, own) => onAsk({ name, secret, own })}
      />
    </>
  )
}
