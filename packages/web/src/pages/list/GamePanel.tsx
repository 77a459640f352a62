import { randomFrom, wordsearch, type EntryList, type Fit, type WordSearchPlay, type WordSearchPuzzle } from '@otter/core'
import { Check, Dices } from 'lucide-react'
import { useMemo, useState } from 'react'
import { Options } from '../../games/wordsearch/Options.tsx'
import { Play } from '../../games/wordsearch/Play.tsx'
import { sentenceFor } from '../../games/wordsearch/sentences.ts'
import { usePuzzles } from '../../workers/usePuzzles.ts'
import { newSeed, type GameChoice } from './gameChoice.ts'

interface GamePanelProps {
  list: EntryList
  fit: Fit
  choice: GameChoice
  onChoose: (choice: GameChoice) => void
}

/** The list as a word search, at every keystroke: what it can be, how, and as students will see and play it. */
export function GamePanel({ list, fit, choice, onChoose }: GamePanelProps) {
  const { options, seed } = choice
  const seeds = useMemo(() => [seed], [seed])
  const { puzzles, note, busy } = usePuzzles<WordSearchPuzzle>('wordsearch', list, options, seeds)
  const puzzle = puzzles?.[0]
  const general = fit.notes.filter(({ entryIds }) => entryIds.length === 0)
  const missing = puzzle?.unplaced.filter(({ why }) => why === 'no-room') ?? []
  return (
    <section id="game" aria-label="Word search" className="panel flex flex-col gap-3 p-4">
      <div className="flex items-baseline justify-between gap-2">
        <h2 className="text-2xl">Word search</h2>
        <p className={fit.ready ? 'flex items-center gap-1 text-success' : 'text-error'}>
          {fit.ready ? <><Check size={16} aria-hidden="true" />{puzzle ? `${puzzle.words.length} words, ${puzzle.rows.length}×${puzzle.rows[0].length}` : sentenceFor(fit.summary)}</> : sentenceFor(fit.summary)}
        </p>
      </div>
      <Options options={options} onChange={(next) => onChoose({ ...choice, options: next })} />
      <div className="flex flex-wrap items-center gap-2 text-sm">
        <button type="button" className="btn btn-sm" onClick={() => onChoose({ ...choice, seed: newSeed() })}><Dices size={16} aria-hidden="true" />Another one</button>
        <label className="flex items-center gap-2"><span className="quiet">Seed</span><input className="input input-sm w-28" maxLength={40} value={seed} onChange={(event) => onChoose({ ...choice, seed: event.target.value })} /></label>
      </div>
      {[...general, ...(note && !general.some(({ code }) => code === note.code) && fit.ready ? [note] : [])].map((one) => <p key={one.code} role="alert" className="text-sm text-error">{sentenceFor(one)}</p>)}
      {missing.length > 0 && <p role="alert" className="text-sm text-error">No room for {missing.map(({ text }) => text).join(', ')}. Choose a larger grid.</p>}
      {puzzle && <div className={`border-t border-base-300 pt-3 ${busy ? 'opacity-90' : ''}`}><p className="quiet mb-2 text-sm">What students get. Try it.</p><Preview key={JSON.stringify(puzzle.rows)} puzzle={puzzle} /></div>}
    </section>
  )
}

/** Plays a puzzle right here, on the reducer that the server uses too. */
function Preview({ puzzle }: { puzzle: WordSearchPuzzle }) {
  const [play, setPlay] = useState<WordSearchPlay>(() => wordsearch.start(puzzle, randomFrom('preview'), 0))
  return <Play view={wordsearch.view(puzzle, play)} waiting={false} send={(move) => setPlay((before) => wordsearch.move(puzzle, before, move, 0).play)} />
}
