import type { Scene as Kind } from '@otter/core/games/hangman'

interface SceneProps {
  scene: Kind
  misses: number
  missesMade: number
  outcome: 'won' | 'lost' | null
}

/** Lines are drawn in the ink of the page, so that they are seen by day and by night. */
const INK = 'var(--color-base-content)'
const FACE = '#14312F'
const RIVER = 'var(--color-secondary)'
const KELP = 'var(--color-success)'
const FUR = '#7A5A3A'
const AMBER = '#F0B84A'

/** The picture that changes with each miss. What is left is also said in words beside it. */
export function Scene({ scene, misses, missesMade, outcome }: SceneProps) {
  const Picture = { kelp: Kelp, lanterns: Lanterns, boat: Boat }[scene]
  return (
    <svg viewBox="0 0 320 150" className="mx-auto block w-full max-w-md" aria-hidden="true">
      <Picture left={Math.max(0, misses - missesMade)} misses={misses} lost={outcome === 'lost'} />
    </svg>
  )
}

interface PictureProps {
  left: number
  misses: number
  lost: boolean
}

function Water({ y }: { y: number }) {
  return (
    <path
      d={`M-10 ${y}${'q8 -7 16 0t16 0'.repeat(11)}V160H-10Z`}
      fill="var(--color-accent)"
      stroke={RIVER}
      strokeWidth={3}
    />
  )
}

/** An otter wrapped in kelp, so as not to drift off: each miss is a strand that lets go. */
function Kelp({ left, misses, lost }: PictureProps) {
  const strand = (index: number): number => 160 + (index - (misses - 1) / 2) * (150 / misses)
  return (
    <>
      <Water y={78} />
      <g transform={lost ? 'translate(95 -4) rotate(6 160 76)' : undefined}>
        <ellipse cx={160} cy={80} rx={82} ry={17} fill={FUR} stroke={INK} strokeWidth={2.5} />
        <circle cx={90} cy={66} r={20} fill={FUR} stroke={INK} strokeWidth={2.5} />
        <circle cx={78} cy={50} r={5} fill={FUR} stroke={INK} strokeWidth={2} />
        <circle cx={102} cy={50} r={5} fill={FUR} stroke={INK} strokeWidth={2} />
        <circle cx={83} cy={63} r={2.6} fill={FACE} />
        <circle cx={97} cy={63} r={2.6} fill={FACE} />
        <ellipse cx={90} cy={72} rx={6} ry={4} fill={FACE} />
        <path d={lost ? 'M83 80q7 -6 14 0' : 'M83 79q7 6 14 0'} fill="none" stroke={FACE} strokeWidth={2} />
        <path d="M238 80q24 -12 34 -2q-12 12 -34 8z" fill={FUR} stroke={INK} strokeWidth={2.5} />
      </g>
      {Array.from({ length: misses }, (_, index) => {
        const x = strand(index)
        const holds = index < left
        return (
          <path
            key={index}
            d={holds ? `M${x} 150C${x - 14} 120 ${x + 14} 105 ${x} 62q8 -3 10 4` : `M${x} 150c-10 -10 8 -18 -4 -28`}
            fill="none"
            stroke={KELP}
            strokeWidth={holds ? 8 : 6}
            strokeLinecap="round"
            opacity={holds ? 1 : 0.45}
          />
        )
      })}
    </>
  )
}

/** A row of lanterns along the quay: each miss puts one out. */
function Lanterns({ left, misses }: PictureProps) {
  const width = 300 / misses
  return (
    <>
      <path d="M0 34Q160 58 320 34" fill="none" stroke={INK} strokeWidth={3} />
      {Array.from({ length: misses }, (_, index) => {
        const x = 10 + width * (index + 0.5)
        const y = 34 + 22 * (1 - ((x - 160) / 160) ** 2)
        const lit = index < left
        return (
          <g key={index}>
            {lit && <circle cx={x} cy={y + 30} r={Math.min(24, width * 0.55)} fill={AMBER} opacity={0.3} />}
            <path d={`M${x} ${y - 8}v14`} stroke={INK} strokeWidth={2.5} />
            <rect
              x={x - 10}
              y={y + 8}
              width={20}
              height={38}
              rx={6}
              fill={lit ? AMBER : 'var(--color-neutral)'}
              stroke={INK}
              strokeWidth={2.5}
            />
            <path d={`M${x - 7} ${y + 8}h14M${x - 7} ${y + 46}h14`} stroke={INK} strokeWidth={5} />
          </g>
        )
      })}
      <Water y={128} />
    </>
  )
}

/** A paper boat in the rain: each miss is a drop that it takes in, and it lies deeper. */
function Boat({ left, misses, lost }: PictureProps) {
  const taken = misses - left
  const depth = (taken / misses) * 34
  return (
    <>
      {Array.from({ length: misses }, (_, index) => {
        const x = 30 + (260 / misses) * (index + 0.5)
        return (
          <path
            key={index}
            d={`M${x} 10c-9 13 -9 21 0 21s9 -8 0 -21z`}
            fill={index < left ? 'none' : RIVER}
            stroke={RIVER}
            strokeWidth={2.5}
          />
        )
      })}
      <g transform={`translate(0 ${depth}) ${lost ? 'rotate(14 160 92)' : ''}`}>
        <path d="M84 84h152l-34 36h-84z" fill="#FFFDF7" stroke={INK} strokeWidth={3} strokeLinejoin="round" />
        <path d="M160 40l-38 44h76z" fill="#FFFDF7" stroke={INK} strokeWidth={3} strokeLinejoin="round" />
        <path d="M160 40v44M118 120l42 -36l42 36" fill="none" stroke={INK} strokeWidth={2} />
      </g>
      <Water y={114} />
    </>
  )
}
