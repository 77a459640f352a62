import { zodResolver } from '@hookform/resolvers/zod'
import { useId, useState, type ReactNode } from 'react'
import { useForm, type DefaultValues, type Resolver } from 'react-hook-form'
import type { ZodType } from 'zod'
import { ApiError } from '../../api/client.ts'
import { problemTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'

/** A field of a form, by the name that the schema and the server's problems have for it. */
export interface FormField {
  name: string
  label: string
  type: 'text' | 'email' | 'password'
  autoComplete: string
  help?: string
  value?: string
}

interface FieldsFormProps {
  schema: ZodType
  fields: readonly FormField[]
  submit: string
  /** How the button looks. */
  look?: string
  /** Sends what was typed; its refusal stands at the field it is about. */
  send: (values: Record<string, string>) => Promise<unknown>
  /** What is said when it was taken; fields without a value of their own are empty again then. */
  done?: string
  children?: ReactNode
}

type Values = Record<string, string>

/** A short form: what is typed is checked as the server checks it, and a problem stands beside its field. */
export function FieldsForm({ schema, fields, submit, look = 'btn-primary', send, done, children }: FieldsFormProps) {
  const problems = useTexts(problemTexts)
  const id = useId()
  const {
    register,
    handleSubmit,
    setError,
    reset,
    formState: { errors, isSubmitting },
  } = useForm<Values>({
    resolver: zodResolver(schema as never) as unknown as Resolver<Values>,
    defaultValues: Object.fromEntries(fields.map(({ name, value = '' }) => [name, value])) as DefaultValues<Values>,
  })
  const [isTaken, setTaken] = useState(false)
  const onSubmit = handleSubmit(async (values) => {
    setTaken(false)
    try {
      await send(values)
      setTaken(true)
      // What has a value of its own goes on with the new one.
      const next = fields.map(({ name, value }) => [name, value === undefined ? '' : values[name]!])
      reset(Object.fromEntries(next) as Values)
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      setError(fields.some(({ name }) => name === error.path) ? error.path! : 'root', { message: error.message })
    }
  })
  const problemFor = (message: string): string =>
    problems.has(message) ? problems.coded(message) : message.includes(' ') ? message : problems('invalid')
  return (
    <form className="flex flex-col gap-3" onSubmit={(event) => void onSubmit(event)} noValidate>
      {fields.map(({ name, label, type, autoComplete, help }) => (
        <div key={name}>
          <label htmlFor={`${id}-${name}`} className="font-bold">
            {label}
          </label>
          <input
            id={`${id}-${name}`}
            type={type}
            autoComplete={autoComplete}
            className="input mt-1 h-11 w-full"
            aria-invalid={Boolean(errors[name])}
            aria-describedby={errors[name] ? `${id}-${name}-error` : help ? `${id}-${name}-help` : undefined}
            {...register(name)}
          />
          {help !== undefined && (
            <p id={`${id}-${name}-help`} className="quiet mt-1 text-sm">
              {help}
            </p>
          )}
          {errors[name] && (
            <p id={`${id}-${name}-error`} role="alert" className="mt-1 text-sm text-error">
              {problemFor(errors[name].message ?? '')}
            </p>
          )}
        </div>
      ))}
      {errors.root && <Notice error={new Error(errors.root.message)} />}
      <button type="submit" className={`btn h-12 ${look}`} disabled={isSubmitting}>
        {submit}
      </button>
      <p role="status" className="text-success empty:hidden">
        {isTaken && done}
      </p>
      {children}
    </form>
  )
}
