import { useQuery } from '@tanstack/react-query'
import { acceptedOf, answerLanguageOf, Judge, JudgeOptionsInput, type Entry, type EntryList } from '@otter/core'
import { useId, useMemo, useState } from 'react'
import { texts as quizTexts } from '../../../games/quiz/texts.ts'
import { isTelling } from '../../../games/quiz/telling.ts'
import { listTexts } from '../../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../../texts/texts.ts'
import { fetchWords } from '../../../workers/words.ts'

const OPTIONS = JudgeOptionsInput.parse({})

interface TryAnswerProps {
  entry: Entry
  list: EntryList
}

/** Tries out whether a typed answer would count, as a quiz judges it unless it is set otherwise. */
export function TryAnswer({ entry, list }: TryAnswerProps) {
  const t = useTexts(listTexts)
  const quiz = useTexts(quizTexts)
  const { nameOf } = useWriting()
  const id = useId()
  const [given, setGiven] = useState('')
  const language = useMemo(() => answerLanguageOf(list), [list])
  const { data: words } = useQuery({
    queryKey: ['words', language],
    queryFn: () => fetchWords(language),
    staleTime: Infinity,
    enabled: given !== '',
  })
  const judge = useMemo(() => words && new Judge(words), [words])
  const accepted = acceptedOf(entry)
  const others = list.entries.filter((one) => one.id !== entry.id).flatMap(acceptedOf)
  const verdict =
    judge && given.trim() !== ''
      ? judge.judge(
          given,
          { accepted, others: others.filter((text) => !accepted.includes(text)) },
          { ...OPTIONS, language },
        )
      : undefined
  const values = { given, accepted: verdict?.right ? verdict.accepted : '' }
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="quiet text-sm">
        {t('entry.try')}
      </label>
      <input
        id={id}
        dir="auto"
        className="input input-sm w-full"
        value={given}
        onChange={(event) => setGiven(event.target.value)}
      />
      <p aria-live="polite" className="min-h-5 text-sm">
        {verdict && (
          <>
            <strong className={verdict.right ? 'text-success' : 'text-error'}>
              {t(verdict.right ? 'entry.tryRight' : 'entry.tryWrong')}
            </strong>
            {isTelling(verdict.why) && ` ${quiz(`why.${verdict.why}`, values)}`}
            {list.answerLanguage === '' && language !== '' && (
              <span className="quiet"> {t('entry.judgedAs', { language: nameOf(language) })}</span>
            )}
          </>
        )}
      </p>
    </div>
  )
}
