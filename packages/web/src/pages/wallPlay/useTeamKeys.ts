import type { ActAtWall, WallPlayReply } from '@otter/api'
import { USUAL_TIME } from '../../wall/WallTimer.tsx'
import { useShortcuts } from '../../ui/useShortcuts.ts'

/** Turns full screen on and off, where the browser has it. */
export function turnFull(): void {
  if (document.fullscreenElement) void document.exitFullscreen()
  else if (document.fullscreenEnabled) document.documentElement.requestFullscreen().catch(() => undefined)
}

/** Listens to the keys that all games of teams share on the wall: letters are the games' own. */
export function useTeamKeys(
  { standing: { timer } }: WallPlayReply,
  act: (act: ActAtWall['act']) => void,
  isOn: boolean,
): void {
  const timerMove = (): object =>
    timer === null
      ? { type: 'set-timer', seconds: USUAL_TIME }
      : { type: 'left' in timer ? 'run-timer' : 'pause-timer' }
  useShortcuts((event) => {
    if (!isOn || document.querySelector('dialog[open]')) return
    const { key, code, shiftKey } = event
    const isCommand = event.ctrlKey || event.metaKey
    const digit = /^Digit(\d)$/u.exec(code)?.[1]
    if (isCommand && key.toLowerCase() === 'z') act({ type: shiftKey ? 'redo' : 'undo' })
    else if (isCommand && key.toLowerCase() === 'y') act({ type: 'redo' })
    else if (isCommand) return
    else if (key === '.') act({ type: 'move', move: timerMove() })
    else if (key === ',') turnFull()
    else if (shiftKey && digit !== undefined)
      document.querySelector<HTMLElement>(`[data-team="${(Number(digit) + 9) % 10}"]`)?.focus()
    else return
    event.preventDefault()
  })
}
