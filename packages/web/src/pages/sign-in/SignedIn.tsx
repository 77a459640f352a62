import { LogOut } from 'lucide-react'
import { Link, Outlet, useNavigate } from 'react-router'
import { lazy, Suspense, useEffect } from 'react'
import { useSession, useSignOut } from '../../api/account.ts'
import { LanguageSelect } from '../account/LanguageSelect.tsx'
import { Help } from '../help/Help.tsx'
import { Notice } from '../../ui/Notice.tsx'
import { Otter } from '../../ui/Otter.tsx'
import { Waterline } from '../../ui/Waterline.tsx'
import { commonTexts } from '../../texts/namespaces.ts'
import { changeLanguage, TimeZone, useTexts } from '../../texts/texts.ts'

const SignInPage = lazy(async () => ({ default: (await import('./SignInPage.tsx')).SignInPage }))

/** The frame of every teacher's page; asks who it is first. */
export function SignedIn() {
  const t = useTexts(commonTexts)
  const session = useSession()
  const signOut = useSignOut()
  const navigate = useNavigate()
  const language = session.data?.teacher?.language
  // What was chosen for the account holds on every device.
  useEffect(() => {
    if (language) void changeLanguage(language)
  }, [language])
  if (session.isPending)
    return (
      <main className="mx-auto max-w-xs pt-24">
        <h1 className="sr-only">Jolly Otter</h1>
        <Waterline filled={undefined} label={t('frame.opening')} />
      </main>
    )
  if (session.isError)
    return (
      <main className="mx-auto max-w-lg p-4 pt-24">
        <h1 className="sr-only">Jolly Otter</h1>
        <Notice error={session.error} />
      </main>
    )
  const { teacher, sample } = session.data
  if (!teacher)
    return (
      <Suspense>
        <SignInPage sample={sample} />
      </Suspense>
    )
  return (
    <div className="flex min-h-dvh flex-col">
      <header className="border-b border-base-300 bg-base-100 print:hidden">
        <div className="mx-auto flex h-14 max-w-[1240px] items-center gap-6 px-4">
          <Link to="/" className="flex items-center gap-2 font-display text-2xl">
            <Otter />
            Jolly Otter
          </Link>
          <nav aria-label={t('frame.main')} className="flex gap-5">
            <Link to="/" className="font-bold">
              {t('frame.lists')}
            </Link>
            <Link to="/classes" className="font-bold">
              {t('frame.classes')}
            </Link>
            <Link to="/names" className="font-bold">
              {t('frame.names')}
            </Link>
          </nav>
          <Link to="/account" className="quiet link ms-auto" aria-label={t('frame.account', { name: teacher.name })}>
            {teacher.name}
          </Link>
          <LanguageSelect className="select select-ghost select-sm w-auto" />
          <Help />
          <button
            type="button"
            className="btn btn-ghost btn-sm"
            onClick={() =>
              signOut.mutate(undefined, {
                onSuccess: () => {
                  void navigate('/')
                  location.reload()
                },
              })
            }
          >
            <LogOut size={16} aria-hidden="true" />
            {t('frame.signOut')}
          </button>
        </div>
      </header>
      <TimeZone value={knownZone(teacher.timeZone)}>
        <div className="flex-1">
          <Suspense
            fallback={
              <div className="min-h-dvh">
                <Waterline filled={undefined} label={t('frame.opening')} />
              </div>
            }
          >
            <Outlet />
          </Suspense>
        </div>
      </TimeZone>
      <footer className="mx-auto w-full max-w-[1240px] px-4 py-6 text-sm print:hidden">
        <Link to="/credits" className="quiet link">
          {t('frame.credits')}
        </Link>
      </footer>
    </div>
  )
}

/** Returns a time zone that this browser knows: an older one may lack a newer name, and shows its own time then. */
function knownZone(name: string | null): string | undefined {
  if (name === null) return undefined
  try {
    return new Intl.DateTimeFormat('en', { timeZone: name }).resolvedOptions().timeZone
  } catch {
    return undefined
  }
}
