import { useCallback, useEffect, useRef, useState } from 'react'
import { LiveSounds, type Cue } from './sounds.ts'

/** Sounds of a screen: off at first, since a room full of devices is loud. */
export interface Sounds {
  isOn: boolean
  toggle: () => void
  cue: (cue: Cue) => void
}

/**
 * Returns the sounds of a screen.
 *
 * @param playsTune whether the lobby's tune plays now, where sounds are on
 */
export function useSounds(playsTune: boolean): Sounds {
  const sounds = useRef<LiveSounds>(undefined)
  const [isOn, setOn] = useState(false)
  useEffect(() => {
    if (!isOn) return
    const made = new LiveSounds()
    sounds.current = made
    return () => {
      sounds.current = undefined
      void made.close()
    }
  }, [isOn])
  useEffect(() => {
    if (playsTune && isOn) sounds.current?.tune()
    else sounds.current?.hush()
  }, [playsTune, isOn])
  return {
    isOn,
    toggle: () => setOn(!isOn),
    cue: useCallback((cue: Cue) => sounds.current?.cue(cue), []),
  }
}
