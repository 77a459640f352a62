import type { Emblem as Name } from '@otter/api'
import type { ReactNode } from 'react'

/** Each on a field of 32 by 32, as lines: they differ by shape, and stand on any ground. */
const DRAWINGS: Record<Name, ReactNode> = {
  heron: (
    <>
      <path d="M8 7q4-3 7 0 2 3-1 7-3 5 2 8 6 3 10-3-4-1-7-4" />
      <path d="M8 7 1 9M15 22v8M19 23v7" />
    </>
  ),
  eel: <path d="M4 11q5-6 9 0t9 0q4-5 6-1M4 20q5-6 9 0t9 0 6-2M4 11q-2 5 0 9" />,
  crab: (
    <>
      <path d="M8 20q0-8 8-8t8 8q-3 5-8 5t-8-5z" />
      <path d="M8 18 3 14M24 18l5-4M9 23l-4 5M23 23l4 5M3 14V8l4 2M29 14V8l-4 2M13 12V9M19 12V9" />
    </>
  ),
  tern: <path d="M2 10q8-2 13 6Q20 8 30 6q-6 4-9 12l5 8-8-5q-7 4-11-2 3-1 5-3-4-4-10-6z" />,
  newt: (
    <>
      <path d="M12 5q4-4 8 0 1 3-1 6 3 6-1 11-1 5 4 7-8 1-9-7-4-5-1-11-2-3 0-6z" />
      <path d="m12 13-5-2-1-4M20 13l5-2 1-4M13 21l-5 2-1 4" />
    </>
  ),
  frog: (
    <>
      <path d="M7 18q0-8 9-8t9 8-9 8-9-8z" />
      <path d="M10 11q-1-4 2-4t3 3M22 11q1-4-2-4t-3 3M11 20q5 3 10 0M8 24l-5 4h6M24 24l5 4h-6" />
    </>
  ),
  snail: (
    <>
      <path d="M11 23a8 8 0 1 1 8-8 6 6 0 0 1-11 3 4 4 0 0 1 6-4" />
      <path d="M3 27h20q6-1 6-8v-6M29 13l2-5M26 14l-1-6M3 27q2-3 8-4" />
    </>
  ),
  trout: (
    <>
      <path d="M3 16q9-10 20 0 4-4 7-5v10q-3-1-7-5-11 10-20 0z" />
      <path d="M8 15h.1M13 11q3-4 6-1M13 14v4M17 14v4" />
    </>
  ),
  beaver: (
    <>
      <path d="M4 20q0-10 10-10 9 0 9 10v6H6q-2-2-2-6z" />
      <path d="M7 12q-3-4 0-5t4 3M10 17h.1M5 21h4v4M23 22q7-3 7 1t-7 3M25 22v4M28 22v3" />
    </>
  ),
  swan: <path d="M7 8q-3-5 2-5 5 1 4 8-1 6 5 6 5 0 11-6 0 14-12 15-11 0-11-8 1-4 3-6M7 8l-4 1M3 30q6-3 12 0t12 0" />,
}

/** The picture that a team is known by. */
export function Emblem({ name, size = 28 }: { name: Name; size?: number }) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 32 32"
      fill="none"
      stroke="currentColor"
      strokeWidth="2"
      strokeLinecap="round"
      strokeLinejoin="round"
      aria-hidden="true"
      className="shrink-0"
    >
      {DRAWINGS[name]}
    </svg>
  )
}
