import type { Look } from '@otter/api'
import type { ReactNode } from 'react'

const INK = '#14312F'
const FURS = ['#7A5A3A', '#5B4630', '#A17A50', '#6B665D', '#8A4F32', '#3F3A38']
const STRAW = '#F0B84A'

/** What can stand on an otter's head; the first is nothing. */
const HATS: readonly ReactNode[] = [
  null,
  <path key="cap" d="M28 30a22 20 0 0 1 44 0l10 4H28z" fill="#A63D24" />,
  <g key="beanie">
    <path d="M27 32a23 22 0 0 1 46 0z" fill="#0F6B78" />
    <path d="M25 32h50" stroke="#FFFDF7" strokeWidth="6" strokeLinecap="round" />
    <circle cx="50" cy="9" r="5" fill="#FFFDF7" />
  </g>,
  <g key="straw">
    <path d="M34 29a16 15 0 0 1 32 0z" fill={STRAW} />
    <path d="M18 30h64" stroke={STRAW} strokeWidth="7" strokeLinecap="round" />
    <path d="M34 27h32" stroke="#A63D24" strokeWidth="4" />
  </g>,
  <g key="flowers">
    {[32, 41, 50, 59, 68].map((x, index) => (
      <circle key={x} cx={x} cy={27 - (index % 2) * 3} r="5.5" fill={index % 2 ? STRAW : '#E8B9A8'} />
    ))}
  </g>,
  <g key="captain">
    <path d="M30 26q20-16 40 0v5H30z" fill="#FFFDF7" stroke={INK} strokeWidth="1.5" />
    <path d="M30 31h40v4q-20 5-40 0z" fill={INK} />
  </g>,
  <path key="leaf" d="M50 28q-18-4-16-20 18 2 16 20zM50 28q16-2 18-14-16-2-18 14z" fill="#2B6E47" />,
  <g key="goggles">
    <path d="M26 33h48" stroke={INK} strokeWidth="4" />
    <circle cx="41" cy="33" r="7" fill="#E0EFEC" stroke={INK} strokeWidth="3" />
    <circle cx="59" cy="33" r="7" fill="#E0EFEC" stroke={INK} strokeWidth="3" />
  </g>,
]

/** What an otter can hold; the first is nothing. */
const THINGS: readonly ReactNode[] = [
  null,
  <path
    key="shell"
    d="M50 96q-14-3-13-13 13-9 26 0 1 10-13 13zM50 95V80M43 93l-2-12M57 93l2-12"
    fill="#E8B9A8"
    stroke={INK}
    strokeWidth="1.6"
  />,
  <g key="fish" stroke={INK} strokeWidth="1.5">
    <path d="M34 88q14-12 26 0l8-6v12l-8-6q-12 12-26 0z" fill="#7FB7BE" />
    <circle cx="41" cy="86" r="1.4" fill={INK} />
  </g>,
  <ellipse key="stone" cx="50" cy="88" rx="13" ry="8" fill="#46605B" stroke={INK} strokeWidth="1.5" />,
  <g key="flower">
    <path d="M50 99V86" stroke="#2B6E47" strokeWidth="3" />
    {[0, 72, 144, 216, 288].map((turn) => (
      <ellipse key={turn} cx="50" cy="74" rx="4" ry="6" fill="#A63D24" transform={`rotate(${turn} 50 81)`} />
    ))}
    <circle cx="50" cy="81" r="4" fill={STRAW} />
  </g>,
  <path
    key="star"
    d="m50 73 4.5 9 10 1.4-7.2 7 1.7 10L50 95.6l-9 4.8 1.7-10-7.2-7 10-1.4z"
    fill={STRAW}
    stroke={INK}
    strokeWidth="1.5"
  />,
  <g key="book" stroke={INK} strokeWidth="1.5">
    <path d="M50 80q-10-5-17-1v17q8-3 17 1 9-4 17-1V79q-7-4-17 1z" fill="#FFFDF7" />
    <path d="M50 80v17" />
  </g>,
  <path key="paddle" d="M34 99l22-22q10-8 13-5t-5 13L42 104" fill="#C9A06B" stroke={INK} strokeWidth="1.5" />,
]

/** A student's otter, put together from its parts; the plain one where there is none yet. */
export function OtterAvatar({ look, size = 48 }: { look: Look | null; size?: number | string }) {
  const { fur, hat, thing } = look ?? { fur: 0, hat: 0, thing: 0 }
  const colour = FURS[fur]!
  return (
    <svg width={size} height={size} viewBox="0 0 100 106" aria-hidden="true" className="shrink-0">
      <path d="M22 106q0-34 28-34t28 34z" fill={colour} />
      <ellipse cx="50" cy="98" rx="15" ry="16" fill="#F3E3C8" />
      <circle cx="28" cy="29" r="8" fill={colour} />
      <circle cx="72" cy="29" r="8" fill={colour} />
      <ellipse cx="50" cy="44" rx="28" ry="26" fill={colour} />
      <ellipse cx="50" cy="54" rx="15" ry="11" fill="#F3E3C8" />
      <ellipse cx="50" cy="48" rx="4.5" ry="3.3" fill={INK} />
      <path d="M50 51v4q-5 5-9 1M50 55q5 5 9 1" fill="none" stroke={INK} strokeWidth="1.6" strokeLinecap="round" />
      <circle cx="39" cy="40" r="3" fill={INK} />
      <circle cx="61" cy="40" r="3" fill={INK} />
      {HATS[hat]}
      {THINGS[thing]}
      {thing > 0 && (
        <g fill={colour} stroke={INK} strokeOpacity=".25">
          <ellipse cx="35" cy="90" rx="6" ry="5" />
          <ellipse cx="65" cy="90" rx="6" ry="5" />
        </g>
      )}
    </svg>
  )
}
