import type { OfferReply, WorkSetting } from '@otter/api'
import { gameOf } from '@otter/core'
import { useContext, useReducer, useState } from 'react'
import { useChangeWork, useWork } from '../../api/classes.ts'
import { classesTexts } from '../../texts/namespaces.ts'
import { TimeZone, useTexts } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'
import { choiceFrom, sentencesOf, settingOf, type WorkChoice } from './workChoice.ts'
import { WorkBasicFields } from './WorkBasicFields.tsx'
import { WorkRulesFields } from './WorkRulesFields.tsx'

/** What holds for set work, to look at and to change while it runs. */
export function ChangeWork({ offer }: { offer: OfferReply }) {
  const t = useTexts(classesTexts)
  // Once opened it stays: what was typed is there when it is unfolded again.
  const [opened, setOpened] = useState(false)
  return (
    <details onToggle={() => setOpened(true)}>
      <summary className="w-fit cursor-pointer py-1">{t('change.title')}</summary>
      {opened && <Setting offer={offer} />}
    </details>
  )
}

function Setting({ offer }: { offer: OfferReply }) {
  const work = useWork(offer.id)
  return (
    <>
      <Notice error={work.error} />
      {work.data && <SettingForm offer={offer} setting={work.data} />}
    </>
  )
}

function SettingForm({ offer, setting }: { offer: OfferReply; setting: WorkSetting }) {
  const t = useTexts(classesTexts)
  const chosenZone = useContext(TimeZone)
  const timeZone = chosenZone ?? Intl.DateTimeFormat().resolvedOptions().timeZone
  const [choice, change] = useReducer(
    (before: WorkChoice, step: Partial<WorkChoice>): WorkChoice => ({ ...before, ...step }),
    undefined,
    () => ({ ...choiceFrom(setting, timeZone), classIds: offer.classId === null ? [] : [offer.classId] }),
  )
  const save = useChangeWork(offer.id)
  return (
    <form
      className="panel mt-1 flex flex-col gap-3 bg-base-200 p-3"
      onSubmit={(event) => {
        event.preventDefault()
        save.mutate(settingOf(choice, timeZone))
      }}
    >
      <div className="grid gap-3 sm:grid-cols-2 lg:grid-cols-4">
        <WorkBasicFields choice={choice} onChange={change} />
      </div>
      <WorkRulesFields choice={choice} heeds={gameOf(offer.kind).heeds} onChange={change} />
      <ul className="list-inside list-disc text-sm">
        {sentencesOf(choice).map(({ code, count }) => (
          <li key={code}>{t.coded(`sentence.${code}`, count === undefined ? {} : { count })}</li>
        ))}
      </ul>
      <Notice error={save.error} />
      <p role="status" className="text-success empty:hidden">
        {save.isSuccess ? t('change.done') : ''}
      </p>
      <button type="submit" className="btn btn-primary h-11 self-start" disabled={save.isPending}>
        {t('change.save')}
      </button>
    </form>
  )
}
