/** A note: how many half tones above A3, when it begins and how long it is, in beats. */
type Note = readonly [tone: number, at: number, length: number]

const A3 = 220
/** The lobby's tune: eight slow bars that go up and down like the river, and their bass. */
const BEAT = 0.62
const TUNE: readonly Note[] = [
  [3, 0, 2],
  [7, 2, 1],
  [10, 3, 1],
  [12, 4, 3],
  [10, 7, 1],
  [8, 8, 2],
  [7, 10, 1],
  [5, 11, 1],
  [3, 12, 4],
  [0, 16, 2],
  [3, 18, 1],
  [7, 19, 1],
  [8, 20, 3],
  [7, 23, 1],
  [5, 24, 2],
  [2, 26, 2],
  [3, 28, 4],
]
const BASS: readonly Note[] = [
  [-9, 0, 4],
  [-5, 4, 4],
  [-4, 8, 4],
  [-9, 12, 4],
  [-12, 16, 4],
  [-4, 20, 4],
  [-2, 24, 4],
  [-9, 28, 4],
]
const BARS = 32

/** What is heard of a session: each also shows. */
export type Cue = 'join' | 'start' | 'closed' | 'right' | 'ashore'
const CUES: Record<Cue, readonly Note[]> = {
  join: [
    [15, 0, 0.3],
    [19, 0.2, 0.4],
  ],
  start: [
    [3, 0, 0.4],
    [7, 0.3, 0.4],
    [10, 0.6, 0.4],
    [15, 0.9, 0.9],
  ],
  closed: [
    [10, 0, 0.4],
    [3, 0.3, 0.8],
  ],
  right: [
    [10, 0, 0.3],
    [15, 0.25, 0.6],
  ],
  ashore: [
    [3, 0, 0.5],
    [7, 0.5, 0.5],
    [10, 1, 0.5],
    [15, 1.5, 0.5],
    [19, 2, 1.6],
  ],
}

/** Makes the sounds of a live session in the browser, by Web Audio alone: nothing is fetched. Off until it is made. */
export class LiveSounds {
  private readonly audio = new AudioContext()
  private readonly out = this.audio.createGain()
  private timer: ReturnType<typeof setInterval> | undefined

  constructor() {
    this.out.gain.value = 0.25
    this.out.connect(this.audio.destination)
    void this.audio.resume()
  }

  /** Plays a few notes at once. */
  cue(cue: Cue): void {
    this.play(CUES[cue], this.audio.currentTime + 0.02, 0.5, 'triangle')
  }

  /** Plays the lobby's tune until it is stopped. */
  tune(): void {
    if (this.timer !== undefined) return
    const turn = (): void => {
      const from = this.audio.currentTime + 0.05
      this.play(TUNE, from, BEAT, 'sine', 0.5)
      this.play(BASS, from, BEAT, 'triangle', 0.35)
    }
    turn()
    this.timer = setInterval(turn, BARS * BEAT * 1000)
  }

  /** Ends the tune: what is still to come of it fades. */
  hush(): void {
    if (this.timer === undefined) return
    clearInterval(this.timer)
    this.timer = undefined
    const now = this.audio.currentTime
    this.out.gain.setTargetAtTime(0, now, 0.2)
    setTimeout(() => this.out.gain.setValueAtTime(0.25, this.audio.currentTime), 1200)
  }

  async close(): Promise<void> {
    clearInterval(this.timer)
    await this.audio.close()
  }

  private play(notes: readonly Note[], from: number, beat: number, type: OscillatorType, loud = 0.8): void {
    for (const [tone, at, length] of notes) {
      const note = this.audio.createOscillator()
      const volume = this.audio.createGain()
      const [start, end] = [from + at * beat, from + (at + length) * beat]
      note.type = type
      note.frequency.value = A3 * 2 ** (tone / 12)
      volume.gain.setValueAtTime(0, start)
      volume.gain.linearRampToValueAtTime(loud, start + 0.04)
      volume.gain.exponentialRampToValueAtTime(0.001, end)
      note.connect(volume).connect(this.out)
      note.start(start)
      note.stop(end + 0.05)
    }
  }
}
