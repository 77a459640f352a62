import { ENCODINGS, type Encoding } from '@otter/core/formats'
import type { ReactNode } from 'react'
import { listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'
import type { ImportAction, ImportState, Understood } from './importing.ts'

/** What can stand between the two sides, and the name of each. */
const SEPARATORS = [
  ['\t', 'import.tab'],
  [',', 'import.comma'],
  [';', 'import.semicolon'],
  ['|', 'import.bar'],
  [' - ', 'import.dash'],
  [' = ', 'import.equals'],
  ['', 'import.oneColumn'],
] as const
/** What another separator begins as. */
const CUSTOM = '::'

interface TableChoicesProps {
  state: ImportState
  understood: Understood
  /** Names of the sheets of a workbook. */
  sheets: readonly string[]
  /** Whether the rows that are there can be written over. */
  canOverwrite: boolean
  send: (action: ImportAction) => void
}

/** How a table is read: which sheet, what parts the columns, whether it has a heading. */
export function TableChoices({ state, understood, sheets, canOverwrite, send }: TableChoicesProps) {
  const t = useTexts(listTexts)
  return (
    <div className="flex flex-wrap items-end gap-x-4 gap-y-2 text-sm">
      {sheets.length > 1 && (
        <label className="flex flex-col">
          {t('import.sheet')}
          <select
            className="select select-sm"
            value={state.sheet}
            onChange={(event) => send({ type: 'set', sheet: Number(event.target.value) })}
          >
            {sheets.map((name, index) => (
              <option key={name} value={index}>
                {name}
              </option>
            ))}
          </select>
        </label>
      )}
      {understood.encoding !== undefined && (
        <label className="flex flex-col">
          {t('import.encoding')}
          <select
            className="select select-sm"
            value={understood.encoding}
            onChange={(event) => send({ type: 'set', encoding: event.target.value as Encoding })}
          >
            {ENCODINGS.map((encoding) => (
              <option key={encoding} value={encoding}>
                {t(`import.encodings.${encoding}`)}
              </option>
            ))}
          </select>
        </label>
      )}
      {understood.separator !== undefined && !state.areGroups && (
        <Separators state={state} separator={understood.separator} send={send} />
      )}
      {!state.overwrite && understood.answerSeparators.length > 0 && (
        <label className="flex flex-col">
          {t('import.severalAnswers')}
          <select
            className="select select-sm"
            value={state.answerSeparator}
            onChange={(event) => send({ type: 'set', answerSeparator: event.target.value })}
          >
            <option value="">{t('import.oneAnswer')}</option>
            {understood.answerSeparators.map((sign) => (
              <option key={sign} value={sign}>
                {t('import.partedBy', { sign })}
              </option>
            ))}
          </select>
        </label>
      )}
      {!state.areGroups && (
        <Check checked={understood.table.header !== null} onChange={(header) => send({ type: 'set', header })}>
          {t('import.heading')}
        </Check>
      )}
      {!state.overwrite && (
        <Check checked={state.areGroups} onChange={(areGroups) => send({ type: 'set', areGroups, fields: undefined })}>
          {t('import.areGroups')}
        </Check>
      )}
      {!state.overwrite && (
        <button type="button" className="btn btn-sm" onClick={() => send({ type: 'swap', fields: understood.fields })}>
          {t('toolbar.swap')}
        </button>
      )}
      {canOverwrite && !state.areGroups && (
        <Check checked={state.overwrite} onChange={(overwrite) => send({ type: 'set', overwrite })}>
          {t('import.overwrite')}
        </Check>
      )}
    </div>
  )
}

function Check({
  checked,
  onChange,
  children,
}: {
  checked: boolean
  onChange: (checked: boolean) => void
  children: ReactNode
}) {
  return (
    <label className="flex h-8 items-center gap-2">
      <input
        type="checkbox"
        className="checkbox checkbox-sm"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
      />
      {children}
    </label>
  )
}

function Separators({
  state: { file, separator: given, between },
  separator,
  send,
}: {
  state: ImportState
  separator: string
  send: (action: ImportAction) => void
}) {
  const t = useTexts(listTexts)
  const isCustom = given !== undefined && !SEPARATORS.some(([value]) => (value as string) === given)
  return (
    <>
      <label className="flex flex-col">
        {t('import.between')}
        <select
          className="select select-sm"
          value={isCustom ? 'custom' : separator}
          onChange={({ target: { value } }) => send({ type: 'set', separator: value === 'custom' ? CUSTOM : value })}
        >
          {SEPARATORS.map(([value, name]) => (
            <option key={value} value={value}>
              {t(name)}
            </option>
          ))}
          <option value="custom">{t('import.other')}</option>
        </select>
      </label>
      {isCustom && (
        <label className="flex flex-col">
          {t('import.otherText')}
          <input
            className="input input-sm w-24"
            value={given}
            onChange={(event) => send({ type: 'set', separator: event.target.value })}
          />
        </label>
      )}
      {!file && (
        <label className="flex flex-col">
          {t('import.betweenEntries')}
          <input
            className="input input-sm w-32"
            placeholder={t('import.lineBreak')}
            value={between}
            onChange={(event) => send({ type: 'set', between: event.target.value })}
          />
        </label>
      )}
    </>
  )
}
