import { OtterAfloat } from './Otter.tsx'

/** Shown where an address leads nowhere, or a screen failed. */
export function Lost() {
  return (
    <main className="mx-auto mt-16 flex max-w-lg flex-col items-center gap-5 p-4 text-center">
      <OtterAfloat />
      <h1 className="text-3xl">Nothing here</h1>
      <p>This address leads nowhere, or something failed on this screen. What was saved is safe.</p>
      <a className="btn btn-primary" href="/">
        Back to your lists
      </a>
    </main>
  )
}
