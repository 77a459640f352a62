import { useCallback, useEffect, useRef, useState } from 'react'
import type { Cue, LiveSounds } from './sounds.ts'

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
  const [isReady, setReady] = useState(false)
  useEffect(() => {
    if (!isOn) return
    let isGone = false
    // Fetched by who wants to hear them.
    void import('./sounds.ts').then(({ LiveSounds: Made }) => {
      if (isGone) return
      sounds.current = new Made()
      setReady(true)
    })
    return () => {
      isGone = true
      setReady(false)
      void sounds.current?.close()
      sounds.current = undefined
    }
  }, [isOn])
  useEffect(() => {
    if (playsTune && isReady) sounds.current?.tune()
    else sounds.current?.hush()
  }, [playsTune, isReady])
  return {
    isOn,
    toggle: () => setOn(!isOn),
    cue: useCallback((cue: Cue) => sounds.current?.cue(cue), []),
  }
}
