import { MAX_SOUND_LENGTH } from '@otter/api'
import type { Sound } from '@otter/core'
import { FileMusic, Mic, Square } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { uploadSound } from '../../../api/media.ts'
import { Notice } from '../../../ui/Notice.tsx'
import { listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'

interface Recording {
  recorder: MediaRecorder
  began: number
}

/** Records a sound in place, or takes one from a file. */
export function SoundRecorder({ label, onSound }: { label: string; onSound: (sound: Sound) => void }) {
  const t = useTexts(listTexts)
  const recording = useRef<Recording>(undefined)
  const [seconds, setSeconds] = useState<number>()
  const [busy, setBusy] = useState(false)
  const [error, setError] = useState<Error>()
  const isRecording = seconds !== undefined
  useEffect(() => {
    if (!isRecording) return
    const timer = setInterval(() => {
      const passed = performance.now() - (recording.current?.began ?? 0)
      setSeconds(Math.floor(passed / 1000))
      if (passed > MAX_SOUND_LENGTH - 1000) recording.current?.recorder.stop()
    }, 250)
    return () => clearInterval(timer)
  }, [isRecording])
  useEffect(() => () => recording.current?.recorder.stream.getTracks().forEach((track) => track.stop()), [])

  const keep = (file: Blob, milliseconds: number): void => {
    setBusy(true)
    uploadSound(file, milliseconds)
      .then(onSound, setError)
      .finally(() => setBusy(false))
  }
  const begin = async (): Promise<void> => {
    setError(undefined)
    try {
      const stream = await navigator.mediaDevices.getUserMedia({ audio: true })
      const recorder = new MediaRecorder(stream)
      const parts: Blob[] = []
      const began = performance.now()
      recorder.addEventListener('dataavailable', ({ data }) => parts.push(data))
      recorder.addEventListener('stop', () => {
        stream.getTracks().forEach((track) => track.stop())
        recording.current = undefined
        setSeconds(undefined)
        keep(new Blob(parts, { type: recorder.mimeType }), performance.now() - began)
      })
      recorder.start()
      recording.current = { recorder, began }
      setSeconds(0)
    } catch {
      setError(new Error(isSecureContext ? t('sound.noMicrophone') : t('sound.notHere')))
    }
  }
  return (
    <span className="flex flex-wrap items-center gap-1.5">
      {isRecording ? (
        <button type="button" className="btn btn-sm btn-secondary" onClick={() => recording.current?.recorder.stop()}>
          <Square size={15} aria-hidden="true" />
          {t('sound.stop', { seconds })}
        </button>
      ) : (
        <button
          type="button"
          className="btn btn-sm"
          disabled={busy}
          aria-label={t('sound.recordFor', { name: label })}
          onClick={() => void begin()}
        >
          <Mic size={15} aria-hidden="true" />
          {busy ? t('sound.keeping') : t('sound.record')}
        </button>
      )}
      {!isRecording && (
        <label className="btn btn-sm">
          <FileMusic size={15} aria-hidden="true" />
          {t('sound.file')}
          <input
            type="file"
            accept="audio/*,video/webm,video/mp4"
            aria-label={t('sound.fileFor', { name: label })}
            className="sr-only"
            disabled={busy}
            onChange={(event) => event.target.files?.[0] && keep(event.target.files[0], 0)}
          />
        </label>
      )}
      <Notice error={error} />
    </span>
  )
}
