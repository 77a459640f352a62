import { SignIn, SignUp } from '@otter/api'
import { useSignIn } from '../../api/account.ts'
import { signInTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { FieldsForm, type FormField } from '../account/FieldsForm.tsx'

interface AccountFormProps {
  /** Whether an account is made, or one is signed in to. */
  isNew: boolean
  submit: string
  /** Goes on once somebody is signed in. */
  onIn?: () => Promise<void>
}

/** Signs up or in. A new account takes the browser's time zone along. */
export function AccountForm({ isNew, submit, onIn }: AccountFormProps) {
  const t = useTexts(signInTexts)
  const signIn = useSignIn()
  const fields: FormField[] = [
    { name: 'email', label: t('email'), type: 'email', autoComplete: 'email' },
    {
      name: 'password',
      label: t('password'),
      type: 'password',
      autoComplete: isNew ? 'new-password' : 'current-password',
    },
  ]
  if (isNew) fields.unshift({ name: 'name', label: t('name'), type: 'text', autoComplete: 'name' })
  const { timeZone } = new Intl.DateTimeFormat().resolvedOptions()
  return (
    <FieldsForm
      key={String(isNew)}
      schema={isNew ? SignUp : SignIn}
      fields={fields}
      submit={submit}
      send={async (values) => {
        await signIn.mutateAsync({
          path: isNew ? '/teachers' : '/session',
          body: isNew ? { ...values, timeZone } : values,
        })
        await onIn?.()
      }}
    />
  )
}
