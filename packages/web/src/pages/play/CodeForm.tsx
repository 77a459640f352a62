import { useId } from 'react'
import { playTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

interface CodeFormProps {
  label: string
  help?: string
  /** Where a code leads, before it, such as `/p/`. */
  place: string
}

/** A code to type: of a game, or of a class. */
export function CodeForm({ label, help, place }: CodeFormProps) {
  const t = useTexts(playTexts)
  const id = useId()
  return (
    <form
      className="mt-6 flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        const code = String(new FormData(event.currentTarget).get('code'))
          .replace(/[^a-z0-9]/gi, '')
          .toUpperCase()
        if (code !== '') location.href = place + code
      }}
    >
      <label className="text-lg font-bold" htmlFor={id}>
        {label}
      </label>
      <input
        id={id}
        name="code"
        required
        autoFocus
        autoComplete="off"
        autoCapitalize="characters"
        spellCheck={false}
        maxLength={12}
        aria-describedby={help === undefined ? undefined : `${id}-help`}
        className="input h-16 w-full text-center text-3xl font-bold uppercase tracking-[0.3em]"
      />
      {help !== undefined && (
        <p id={`${id}-help`} className="quiet">
          {help}
        </p>
      )}
      <button type="submit" className="btn btn-primary h-14 text-lg">
        {t('open')}
      </button>
    </form>
  )
}
