import { GAME_KINDS, gameOf, MOST_KINDS, type GameKind } from '@otter/core'
import { useContext, useReducer, useState } from 'react'
import { Link } from 'react-router'
import { useClasses, useSetWork } from '../../api/classes.ts'
import { useGameWords } from '../../games/words.ts'
import { classesTexts, liveTexts } from '../../texts/namespaces.ts'
import { TimeZone, useTexts } from '../../texts/texts.ts'
import { Select } from '../../ui/Choice.tsx'
import { newId } from '../../ui/newId.ts'
import { Notice } from '../../ui/Notice.tsx'
import { choiceOf } from '../list/games/choiceOf.ts'
import { keptChoices } from '../list/games/gameChoice.ts'
import { sentencesOf, WORK_CHOICE, wantedOf, type WorkChoice } from './workChoice.ts'
import { WorkBasicFields } from './WorkBasicFields.tsx'
import { WorkRulesFields } from './WorkRulesFields.tsx'

/** Who was named is of one class. */
const NOBODY_NAMED = { students: [], attemptsOf: {}, factorOf: {} }

/** The way from a list to work for classes: each gets a code of its own. */
export function SetWorkPanel({ listId }: { listId: string }) {
  const t = useTexts(classesTexts)
  const live = useTexts(liveTexts)
  const words = useGameWords()
  const known = useClasses()
  const classes = known.data?.filter(({ archived }) => !archived)
  const set = useSetWork(listId)
  const [kept] = useState(() => keptChoices(listId))
  const [kind, setKind] = useState<GameKind>(kept.kind)
  const [choice, change] = useReducer(
    (before: WorkChoice, step: Partial<WorkChoice>): WorkChoice => ({ ...before, ...step }),
    WORK_CHOICE,
  )
  const [requests, setRequests] = useState<Record<string, string>>({})
  const chosenZone = useContext(TimeZone)
  const timeZone = chosenZone ?? Intl.DateTimeFormat().resolvedOptions().timeZone
  const open = (): void => {
    const { options, seed } = choiceOf(kept, kind)
    // Sent again, since its reply was lost, it is set once.
    const ids = Object.fromEntries(choice.classIds.map((id) => [id, requests[id] ?? newId()]))
    setRequests(ids)
    set.mutate(
      {
        ...wantedOf(choice, timeZone),
        kind,
        options,
        seed,
        others: choice.others.filter((one) => one !== kind).map((one) => ({ kind: one, ...choiceOf(kept, one) })),
        requestIds: choice.classIds.map((id) => ids[id]!),
      },
      {
        onSuccess: () => {
          setRequests({})
          change({ classIds: [], work: { ...choice.work, ...NOBODY_NAMED } })
        },
      },
    )
  }
  return (
    <section aria-labelledby="set-work" className="panel flex flex-col gap-3 p-5">
      <div className="flex flex-wrap items-start justify-between gap-4">
        <div className="min-w-0">
          <h2 id="set-work" className="text-2xl">
            {t('set.title')}
          </h2>
          <p className="quiet">{t('set.help')}</p>
        </div>
        <button
          type="button"
          className="btn btn-primary h-12"
          disabled={choice.classIds.length === 0 || set.isPending}
          onClick={open}
        >
          {t('set.now', { count: choice.classIds.length })}
        </button>
      </div>
      <Notice error={set.error ?? known.error} />
      {set.isSuccess && choice.classIds.length === 0 && (
        <p role="status" className="text-success">
          {t('set.done')}
        </p>
      )}
      {classes?.length === 0 && (
        <p>
          <Link className="link" to="/classes">
            {t('set.noClass')}
          </Link>
        </p>
      )}
      {classes !== undefined && classes.length > 0 && (
        <>
          <fieldset className="flex flex-wrap gap-x-5 gap-y-1">
            <legend className="quiet">{t('set.classes')}</legend>
            {classes.map(({ id, name }) => (
              <label key={id} className="flex min-h-11 items-center gap-2">
                <input
                  type="checkbox"
                  className="checkbox"
                  checked={choice.classIds.includes(id)}
                  onChange={(event) =>
                    change({
                      classIds: event.target.checked
                        ? [...choice.classIds, id]
                        : choice.classIds.filter((one) => one !== id),
                      work: { ...choice.work, ...NOBODY_NAMED },
                    })
                  }
                />
                <bdi>{name}</bdi>
              </label>
            ))}
          </fieldset>
          <div className="grid gap-3 sm:grid-cols-2 lg:grid-cols-5">
            <Select
              label={t('set.game')}
              value={kind}
              options={GAME_KINDS.map((game) => [game, words.name(game)] as const)}
              onChange={setKind}
            />
            <Select
              label={t('set.part')}
              value={choice.missed ? 'missed' : 'chosen'}
              options={(['chosen', 'missed'] as const).map((part) => [part, t(`set.parts.${part}`)])}
              onChange={(part) => change({ missed: part === 'missed' })}
            />
            <WorkBasicFields choice={choice} onChange={change} />
          </div>
          <details>
            <summary className="w-fit cursor-pointer py-1">{live('more')}</summary>
            <div className="flex flex-col gap-3 pt-2">
              <fieldset className="flex flex-wrap gap-x-5 gap-y-1">
                <legend className="quiet">{t('set.others')}</legend>
                {GAME_KINDS.filter((game) => game !== kind).map((game) => (
                  <label key={game} className="flex min-h-11 items-center gap-2">
                    <input
                      type="checkbox"
                      className="checkbox"
                      checked={choice.others.includes(game)}
                      disabled={choice.others.length >= MOST_KINDS - 1 && !choice.others.includes(game)}
                      onChange={(event) =>
                        change({
                          others: event.target.checked
                            ? [...choice.others, game]
                            : choice.others.filter((one) => one !== game),
                        })
                      }
                    />
                    {words.name(game)}
                  </label>
                ))}
              </fieldset>
              <WorkRulesFields choice={choice} heeds={gameOf(kind).heeds} onChange={change} />
              <label className="flex flex-col">
                <span className="quiet">{t('set.name')}</span>
                <input
                  className="input h-11 w-full max-w-md"
                  dir="auto"
                  maxLength={100}
                  value={choice.name}
                  onChange={(event) => change({ name: event.target.value })}
                />
              </label>
            </div>
          </details>
          <ul className="list-inside list-disc text-sm">
            {sentencesOf(choice).map(({ code, count }) => (
              <li key={code}>{t.coded(`sentence.${code}`, count === undefined ? {} : { count })}</li>
            ))}
          </ul>
        </>
      )}
    </section>
  )
}
