import { useId, type ReactNode } from 'react'
import { reportTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

/** What a picture shows, as numbers. */
export interface ChartTable {
  headings: readonly string[]
  rows: readonly (readonly (string | number)[])[]
}

/** A picture with its title, and the same as a table for who can't see it. */
export function ChartFrame({
  title,
  table: { headings, rows },
  wide = false,
  children,
}: {
  title: string
  table: ChartTable
  wide?: boolean
  children: ReactNode
}) {
  const t = useTexts(reportTexts)
  const id = useId()
  return (
    <section aria-labelledby={id} className={`panel flex flex-col gap-2 p-4 ${wide ? 'md:col-span-2' : ''}`}>
      <h3 id={id} className="text-lg">
        {title}
      </h3>
      {children}
      <details className="mt-auto text-sm">
        <summary className="link w-fit cursor-pointer">{t('charts.asTable')}</summary>
        <div className="max-h-80 overflow-auto" tabIndex={0} role="group" aria-label={title}>
          <table className="w-full">
            <thead>
              <tr>
                {headings.map((heading) => (
                  <th key={heading} scope="col" className="pe-3 text-start">
                    {heading}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map((row, index) => (
                <tr key={index}>
                  {row.map((cell, column) =>
                    column === 0 ? (
                      <th key={column} scope="row" className="pe-3 text-start font-normal">
                        <bdi>{cell}</bdi>
                      </th>
                    ) : (
                      <td key={column} className="pe-3 tabular-nums">
                        {cell}
                      </td>
                    ),
                  )}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </details>
    </section>
  )
}
