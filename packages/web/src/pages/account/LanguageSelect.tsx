import { LANGUAGES, type Language } from '@otter/api'
import { useChangeTeacher } from '../../api/account.ts'
import { commonTexts } from '../../texts/namespaces.ts'
import { changeLanguage, useTexts, useWriting } from '../../texts/texts.ts'

/** The language of all screens, kept with the account. */
export function LanguageSelect({ className }: { className: string }) {
  const t = useTexts(commonTexts)
  const { language } = useWriting()
  const change = useChangeTeacher()
  return (
    <select
      className={className}
      aria-label={t('language')}
      value={language}
      onChange={(event) => {
        const chosen = event.target.value as Language
        void changeLanguage(chosen)
        change.mutate({ language: chosen })
      }}
    >
      {Object.entries(LANGUAGES).map(([code, name]) => (
        <option key={code} value={code} lang={code}>
          {name}
        </option>
      ))}
    </select>
  )
}
