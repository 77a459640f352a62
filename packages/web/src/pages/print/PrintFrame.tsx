import type { ReactNode } from 'react'

/** A page of sheets: what is chosen stands above them, and is not printed. */
export function PrintFrame({ title, controls, children }: { title: string; controls: ReactNode; children: ReactNode }) {
  return (
    <main className="mx-auto flex max-w-4xl flex-col gap-4 px-4 py-5 print:block print:max-w-none print:p-0">
      <h1 className="sr-only print:hidden">{title}</h1>
      <div className="panel flex flex-wrap items-end gap-4 p-4 print:hidden">{controls}</div>
      {children}
    </main>
  )
}
