import { LogOut } from 'lucide-react'
import { Link, Outlet, useNavigate } from 'react-router'
import { useSession, useSignOut } from '../../api/queries.ts'
import { Notice } from '../../ui/Notice.tsx'
import { Otter } from '../../ui/Otter.tsx'
import { Waterline } from '../../ui/Waterline.tsx'
import { SignInPage } from './SignInPage.tsx'

/** The frame of every teacher's page; asks who it is first. */
export function SignedIn() {
  const session = useSession()
  const signOut = useSignOut()
  const navigate = useNavigate()
  if (session.isPending)
    return (
      <main className="mx-auto mt-24 max-w-xs">
        <h1 className="sr-only">Jolly Otter</h1>
        <Waterline filled={undefined} label="Opening" />
      </main>
    )
  if (session.isError)
    return (
      <main className="mx-auto mt-24 max-w-lg p-4">
        <h1 className="sr-only">Jolly Otter</h1>
        <Notice error={session.error} />
      </main>
    )
  const { teacher, sample } = session.data
  if (!teacher) return <SignInPage sample={sample} />
  return (
    <div className="min-h-dvh">
      <header className="border-b border-base-300 bg-base-100 print:hidden">
        <div className="mx-auto flex h-14 max-w-[1240px] items-center gap-6 px-4">
          <Link to="/" className="flex items-center gap-2 font-display text-2xl">
            <Otter />
            Jolly Otter
          </Link>
          <nav aria-label="Main">
            <Link to="/" className="font-bold">
              Lists
            </Link>
          </nav>
          <span className="quiet ms-auto">{teacher.name}</span>
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
            Sign out
          </button>
        </div>
      </header>
      <Outlet />
      <footer className="mx-auto max-w-[1240px] px-4 py-6 text-sm print:hidden">
        <Link to="/credits" className="quiet link">
          Credits
        </Link>
      </footer>
    </div>
  )
}
