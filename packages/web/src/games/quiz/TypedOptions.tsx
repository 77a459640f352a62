import type { QuizOptions } from '@otter/core/games/quiz'
import { Select } from '../../ui/Choice.tsx'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'

const NAMED = [1, 2, 3, 4, 5]

interface TypedOptionsProps {
  options: QuizOptions
  /** Of the answers; empty where nobody has said it. */
  language: string
  set: (change: Partial<QuizOptions>) => void
}

/** What counts as right where answers are typed. */
export function TypedOptions({
  options: { accents, articles, slips, variants, scripts, named },
  language,
  set,
}: TypedOptionsProps) {
  const t = useTexts(texts)
  return (
    <>
      <Select
        label={t('option.accents')}
        value={accents}
        options={[
          ['folded', t('option.accentsFolded')],
          ['kept', t('option.accentsKept')],
        ]}
        onChange={(chosen) => set({ accents: chosen })}
      />
      <Select
        label={t('typed.articles')}
        value={articles}
        options={(['free', 'must', 'asked'] as const).map((one) => [one, t(`typed.article.${one}`)])}
        onChange={(chosen) => set({ articles: chosen })}
      />
      <Select
        label={t('typed.slips')}
        value={slips}
        options={(['off', 'long', 'generous'] as const).map((one) => [one, t(`typed.slip.${one}`)])}
        onChange={(chosen) => set({ slips: chosen })}
      />
      <Select
        label={t('typed.variants')}
        value={variants ? 'on' : 'off'}
        options={[
          ['on', t('typed.variantsOn')],
          ['off', t('typed.variantsOff')],
        ]}
        onChange={(chosen) => set({ variants: chosen === 'on' })}
      />
      {language.startsWith('zh') && (
        <Select
          label={t('typed.scripts')}
          value={scripts}
          options={[
            ['both', t('typed.variantsOn')],
            ['apart', t('typed.variantsOff')],
          ]}
          onChange={(chosen) => set({ scripts: chosen })}
        />
      )}
      <Select
        label={t('typed.named')}
        value={named}
        options={NAMED.map((count) => [count, count === 1 ? t('typed.namedOne') : t('typed.namedMore', { count })])}
        onChange={(chosen) => set({ named: chosen })}
      />
    </>
  )
}
