/** The otter's head above the water: the mark of the house. */
export function Otter({ size = 34 }: { size?: number }) {
  return (
    <svg width={size} height={size * 0.62} viewBox="0 0 64 40" aria-hidden="true">
      <path d="M14 28c1-13 8-21 20-21 11 0 17 8 19 19z" fill="#7A5A3A" />
      <circle cx="45" cy="17" r="2.2" fill="#FFFDF7" />
      <circle cx="54" cy="22" r="2.6" fill="#14312F" />
      <path
        d="M3 33c5-6 9-6 14 0s9 6 14 0 9-6 14 0 9 6 14 0"
        fill="none"
        stroke="#0F6B78"
        strokeWidth="3.5"
        strokeLinecap="round"
      />
    </svg>
  )
}

/** The otter afloat on its back, holding a stone: for moments of rest. */
export function OtterAfloat({ width = 220 }: { width?: number }) {
  return (
    <svg width={width} height={width * 0.45} viewBox="0 0 220 99" aria-hidden="true" className="max-w-full">
      <path d="M48 60c8-22 40-32 78-26 26 4 40 14 46 26z" fill="#7A5A3A" />
      <circle cx="44" cy="46" r="21" fill="#7A5A3A" />
      <circle cx="32" cy="29" r="6" fill="#7A5A3A" />
      <circle cx="57" cy="27" r="6" fill="#7A5A3A" />
      <ellipse cx="40" cy="52" rx="11" ry="8" fill="#F3E3C8" />
      <circle cx="40" cy="48" r="3.4" fill="#14312F" />
      <path d="M30 41q4-4 8 0M46 41q4-4 8 0" stroke="#14312F" strokeWidth="2" fill="none" strokeLinecap="round" />
      <ellipse cx="102" cy="36" rx="13" ry="9" fill="#46605B" />
      <path d="M84 44q8-8 16-4M122 44q-8-8-16-4" stroke="#5E4329" strokeWidth="7" fill="none" strokeLinecap="round" />
      <path d="M168 54c14-4 24 0 32 8" stroke="#7A5A3A" strokeWidth="10" fill="none" strokeLinecap="round" />
      <path
        d="M4 68q13-13 26 0t26 0 26 0 26 0 26 0 26 0 26 0 26 0"
        fill="none"
        stroke="#0F6B78"
        strokeWidth="4"
        strokeLinecap="round"
      />
      <path
        d="M22 84q13-10 26 0t26 0 26 0 26 0 26 0 26 0"
        fill="none"
        stroke="#0F6B78"
        strokeOpacity=".4"
        strokeWidth="3"
        strokeLinecap="round"
      />
    </svg>
  )
}
