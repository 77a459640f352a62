/** Outlines of pebbles, on a field of 120 by 90. */
const SHAPES = [
  'M8 46C8 20 34 8 62 9s50 16 50 40-24 34-54 34S8 70 8 46z',
  'M10 52C6 28 24 10 54 8s54 10 57 34-16 42-48 42S14 74 10 52z',
  'M14 38C20 14 48 4 76 10s40 28 34 48-34 28-62 24S8 60 14 38z',
  'M18 60C4 44 14 20 38 11s58-5 68 16 4 46-20 54-52 0-68-21z',
] as const
const GRAINS = [
  'M30 34q26-18 52 0',
  'M34 62q24 14 46 2',
  'M28 40q30-20 60 2M40 66q20 8 40 0',
  'M36 30q22-8 44 4',
] as const

/** A pebble in the riverbed: they differ by shape and grain. */
export function Pebble({ index }: { index: number }) {
  const shape = SHAPES[(index * 7 + (index >> 2)) % SHAPES.length]!
  const grain = GRAINS[(index * 5 + (index >> 3)) % GRAINS.length]!
  return (
    <svg viewBox="0 0 120 90" aria-hidden="true" className="absolute inset-0 h-full w-full" data-tone={index % 3}>
      <path d={shape} className="pebble-body" strokeWidth="2.5" />
      <path d={grain} className="pebble-grain" strokeWidth="3" fill="none" strokeLinecap="round" />
    </svg>
  )
}

/** The rings that a pebble leaves where it was taken. */
export function Rings() {
  return (
    <svg viewBox="0 0 120 90" aria-hidden="true" className="pebble-rings absolute inset-0 h-full w-full">
      <ellipse cx="60" cy="45" rx="50" ry="22" strokeWidth="2" fill="none" />
      <ellipse cx="60" cy="45" rx="31" ry="13" strokeWidth="2" fill="none" />
    </svg>
  )
}
