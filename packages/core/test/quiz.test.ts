import { expect } from 'chai'
import fc from 'fast-check'
import {
  foldText,
  newEntry,
  NO_KNOWLEDGE,
  PLAIN_CONTEXT,
  randomFrom,
  type Entry,
  type EntryList,
} from '../src/index.ts'
import { runs } from '../../../scripts/testing/lane.mjs'
import { QuizOptions, type QuizPuzzle, type QuizView } from '../src/games/quiz/index.ts'
import { begin, when, LOOK } from './playing.ts'
import { quiz } from '../src/games/quiz/index.ts'
import { judge } from '../src/games/quiz/judge.ts'
import type { QuizMove, QuizPlay } from '../src/games/quiz/play.ts'
import { JUDGE } from './judging/knowledge.ts'
import { idOf, sampleList } from './sampleWords.ts'
import { yardsticks } from './yardsticks.ts'

function listOf(rows: readonly (Partial<Entry> & { a: string; q: string })[], answerLanguage = 'en'): EntryList {
  return {
    title: 'Quiz',
    answerLanguage,
    promptLanguage: 'en',
    entries: rows.map(({ a, q, ...rest }, index) =>
      newEntry({ id: idOf(index), answer: { text: a }, prompt: { text: q }, ...rest }),
    ),
  }
}

function played(
  puzzle: QuizPuzzle,
  moves: readonly [QuizMove, number][],
): { play: QuizPlay; view: QuizView; outcomes: string[] } {
  let play = quiz.start(puzzle, begin('p'))
  const outcomes: string[] = []
  for (const [move, at] of moves) {
    const step = quiz.move(puzzle, play, move, when(at))
    play = step.play
    outcomes.push(...step.responses.map(({ outcome, points }) => `${outcome} ${points}`))
  }
  return { play, view: quiz.view(puzzle, play, LOOK), outcomes }
}

describe('Quiz', () => {
  it('draws wrong choices that are never right as well, of the same group and kind first', () => {
    const words = ['7', 'seven', 'the sun', 'Sun', 'moon', 'a moon', 'Élan', 'elan', '12', '30', 'tide', 'star']
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(...words), fc.nat(4), fc.constantFrom(...words)), {
          minLength: 2,
          maxLength: 14,
        }),
        fc.string(),
        (rows, seed) => {
          const list = listOf(rows.map(([a, q, other]) => ({ a, q: `question ${q}`, accepted: [other] })))
          let puzzle: QuizPuzzle
          try {
            puzzle = quiz.make(list, QuizOptions.parse({}), randomFrom(seed))
          } catch {
            return
          }
          for (const { entryId, form, choices } of puzzle.questions) {
            const entry = list.entries[Number(entryId.slice(-12))]!
            const meant = (text: string): string => foldText(text.replace('7', 'seven'), { accents: 'folded' })
            const right = new Set(
              [entry, ...list.entries.filter(({ prompt }) => prompt.text === entry.prompt.text)]
                .flatMap((one) => (one === entry ? [one.answer.text, ...one.accepted] : [one.answer.text]))
                .map(meant),
            )
            if (form === 'typed') continue
            expect(choices.length).to.be.at.least(2)
            expect(choices.filter((choice) => choice.right).map(({ face }) => face.text)).to.deep.equal([
              entry.answer.text,
            ])
            for (const choice of choices)
              if (!choice.right)
                expect(right.has(meant(choice.face.text)), `${choice.face.text} for ${entry.answer.text}`).to.equal(
                  false,
                )
            expect(new Set(choices.map(({ face }) => meant(face.text))).size).to.equal(choices.length)
            expect(choices.length).to.be.at.most(4)
          }
        },
      ),
      { numRuns: runs(300) },
    )
    const years = listOf([
      ...['1914', '1945', '1969', '1989'].map((a, index) => ({ a, q: `year ${index}`, groups: ['years'] })),
      ...['Paris', 'Rome', 'Oslo', 'Bern'].map((a, index) => ({ a, q: `city ${index}`, groups: ['cities'] })),
    ])
    for (const { answer, choices } of quiz.make(years, QuizOptions.parse({}), randomFrom('y')).questions)
      expect(choices.every(({ face }) => /\d/u.test(face.text) === /\d/u.test(answer.text))).to.equal(true)
  })

  it('takes the teacher’s choices, several right ones, and questions mixed within their groups', () => {
    const list = listOf([
      {
        a: 'oak',
        q: 'Which are trees?',
        choices: [
          { text: 'elm', right: true },
          { text: 'fern', right: false },
          { text: 'moss', right: false },
        ],
        groups: ['b'],
      },
      { a: 'yes', q: 'x?', groups: ['a'], choices: [{ text: 'no', right: false }] },
      { a: 'up', q: 'y?', groups: ['b'], choices: [{ text: 'down', right: false }] },
      { a: 'in', q: 'z?', groups: ['a'], choices: [{ text: 'out', right: false }] },
    ])
    const puzzle = quiz.make(list, QuizOptions.parse({ order: 'groups' }), randomFrom('1'))
    expect(
      puzzle.questions.map(({ entryId }) => list.entries[Number(entryId.slice(-12))]!.groups[0]).join(''),
    ).to.be.oneOf(['bbaa', 'aabb'])
    const trees = puzzle.questions.find(({ prompt }) => prompt.text === 'Which are trees?')
    expect(
      trees?.choices
        .filter(({ right }) => right)
        .map(({ face }) => face.text)
        .sort(),
    ).to.deep.equal(['elm', 'oak'])
    const alone = { ...puzzle, questions: trees ? [trees] : [] }
    const right = alone.questions[0]!.choices.flatMap((choice, index) => (choice.right ? [index] : []))
    expect(quiz.view(alone, quiz.start(alone, begin('p')), LOOK).question?.several).to.equal(true)
    expect(played(alone, [[{ type: 'choose', choices: right }, 1000]]).outcomes).to.deep.equal(['right 10'])
    expect(played(alone, [[{ type: 'choose', choices: right.slice(1) }, 1000]]).outcomes).to.deep.equal(['wrong 0'])
    expect(played(alone, [[{ type: 'choose', choices: [0, 1, 2, 3] }, 1000]]).outcomes).to.deep.equal(['wrong 0'])
  })

  it('lets points go to the quick and the unaided as chosen, and believes no phone about time', () => {
    const list = listOf([
      { a: 'beam', q: 'straight?', worth: 100, hint: 'plain', choices: [{ text: 'arch', right: false }] },
    ])
    const made = (options: object): QuizPuzzle =>
      quiz.make(list, QuizOptions.parse({ seconds: 10, second: false, ...options }), randomFrom('1'))
    const right: QuizMove = {
      type: 'choose',
      choices: [made({}).questions[0]!.choices.findIndex((choice) => choice.right)],
    }
    expect(played(made({ speed: 'gentle' }), [[right, 5000]]).outcomes).to.deep.equal(['right 90'])
    expect(played(made({ speed: 'strong' }), [[right, 5000]]).outcomes).to.deep.equal(['right 75'])
    expect(
      played(made({}), [
        [{ type: 'hint' }, 500],
        [right, 5000],
      ]).outcomes,
    ).to.deep.equal(['right 70'])
    expect(played(made({}), [[right, 12_000]]).outcomes).to.deep.equal(['right 100'])
    expect(played(made({}), [[right, 14_000]]).outcomes).to.deep.equal(['wrong 0'])
    expect(played(made({}), [[{ type: 'late' }, 3000]]).outcomes).to.deep.equal([])
    expect(played(made({}), [[{ type: 'late' }, 9900]]).outcomes).to.deep.equal(['passed 0'])
  })

  it('asks again what was missed, counts it apart, then shows all answers and the mark; opinions score nothing', () => {
    const choices = [{ text: 'other', right: false }]
    const list = listOf([
      { a: 'one', q: '1?', choices, fact: 'first' },
      { a: 'two', q: '2?', choices },
      { a: 'sea', q: 'sea or hills?', choices: [{ text: 'hills', right: false }], scored: false },
    ])
    const puzzle = quiz.make(list, QuizOptions.parse({ order: 'list', pass: 60, cards: true }), randomFrom('1'))
    const pick = (question: number, right: boolean): QuizMove => ({
      type: 'choose',
      choices: [
        Math.max(
          0,
          puzzle.questions[question]!.choices.findIndex((choice) => choice.right === right),
        ),
      ],
    })
    const opening = played(puzzle, [])
    expect([opening.view.phase, opening.view.cards.length]).to.deep.equal(['cards', 2])
    const moves: [QuizMove, number][] = [
      [{ type: 'begin' }, 100],
      [pick(0, false), 1000],
      [{ type: 'next' }, 2000],
      [pick(1, true), 3000],
      [{ type: 'next' }, 4000],
      [{ type: 'choose', choices: [0] }, 5000],
    ]
    const opinion = played(puzzle, moves)
    expect([
      opinion.view.told?.scored,
      opinion.view.told?.answers,
      quiz.opinions?.(puzzle, opinion.play),
    ]).to.deep.equal([false, [], [idOf(2)]])
    const again = played(puzzle, [...moves, [{ type: 'next' }, 6000]])
    expect([again.view.round, again.view.question?.number, again.view.question?.of, again.view.review]).to.deep.equal([
      2,
      1,
      1,
      [],
    ])
    const end = played(puzzle, [...moves, [{ type: 'next' }, 6000], [pick(0, true), 7000], [{ type: 'next' }, 8000]])
    expect(end.outcomes).to.deep.equal(['wrong 0', 'right 10', 'opinion 0', 'right 0'])
    expect(quiz.score(puzzle, end.play)).to.include({ right: 1, total: 2, finished: true })
    expect([end.view.second, end.view.pass]).to.deep.equal([
      { right: 1, total: 1 },
      { mark: 60, passed: false },
    ])
    expect(end.view.review.map(({ right, second, answers, fact }) => [right, second, answers[0], fact])).to.deep.equal([
      [false, true, 'one', 'first'],
      [true, null, 'two', ''],
      [false, null, undefined, ''],
    ])
  })

  it('is quick for long lists', function () {
    this.timeout(20_000)
    const list = sampleList(400, 'q', 'en', 12)
    const many: EntryList = {
      ...list,
      entries: Array.from({ length: 500 }, (_, index) => ({
        ...list.entries[index % list.entries.length]!,
        id: idOf(index),
        answer: { text: `${list.entries[index % list.entries.length]!.answer.text} ${index}` },
        prompt: { text: `q ${index}` },
      })),
    }
    const spent = yardsticks()
    quiz.make(many, QuizOptions.parse({}), randomFrom('1'))
    expect(spent()).to.be.below(75)
  })
})

describe('What a quiz keeps to', () => {
  const facts = listOf([
    { a: 'drone', q: 'male bee' },
    { a: 'queen', q: 'lays eggs' },
    { a: 'worker', q: 'gathers nectar' },
  ])
  const make = (list: EntryList, options: object = {}): QuizPuzzle =>
    quiz.make(list, QuizOptions.parse({ order: 'list', ...options }), randomFrom('keeps'))

  it('a claim is right exactly where it is true', () => {
    const puzzle = make(facts, { form: 'true-false' })
    expect(new Set(puzzle.questions.map(({ form }) => form))).to.deep.equal(new Set(['true-false']))
    for (const isTrue of [true, false]) {
      const { right } = puzzle.questions[0]!.choices[0]!
      const { outcomes } = played(puzzle, [[{ type: 'claim', isTrue }, 1000]])
      expect(outcomes[0]).to.match(right === isTrue ? /^right/u : /^wrong/u)
    }
  })

  it('asks for several of its right answers where a teacher wants them, and for all where there are fewer', () => {
    const list = listOf([
      { a: 'Seine', q: 'Name rivers of France' },
      { a: 'Thames', q: 'A river of England' },
    ])
    list.entries[0]!.accepted = ['Loire', 'Rhône', 'Garonne']
    const right = (named: number, item: number, text: string): boolean => {
      const puzzle = make(list, { form: 'typed', named })
      return judge(puzzle, puzzle.questions[item]!, { type: 'type', text }, NO_KNOWLEDGE)!.right
    }
    expect([1, 2, 3].map((named) => right(named, 0, 'Loire'))).to.deep.equal([true, false, false])
    expect([2, 3].map((named) => right(named, 0, 'loire and Seine'))).to.deep.equal([true, false])
    expect(right(2, 0, 'Loire, loire'), 'one of them twice').to.equal(false)
    expect(right(2, 0, 'Loire, Thames'), 'one is wrong').to.equal(false)
    expect(right(3, 1, 'Thames'), 'there is but one').to.equal(true)
  })

  it('takes simplified and traditional characters for one, unless they are what is taught', () => {
    const list = {
      ...listOf([
        { a: '貓', q: 'cat' },
        { a: '狗', q: 'dog' },
      ]),
      answerLanguage: 'zh-Hant',
    }
    const right = (scripts: string): boolean => {
      const puzzle = make(list, { form: 'typed', scripts })
      const known = { ...NO_KNOWLEDGE, judge: JUDGE }
      return judge(puzzle, puzzle.questions[0]!, { type: 'type', text: '猫' }, known)!.right
    }
    expect([right('both'), right('apart')]).to.deep.equal([true, false])
  })

  it('an opinion and a single entry need something to choose from', () => {
    const codes = (rows: Parameters<typeof listOf>[0]): string[] =>
      quiz.fit(listOf(rows), QuizOptions.parse({})).notes.map(({ code }) => code)
    expect(codes([{ a: 'yes', q: 'Do you like bees?', scored: false }])).to.include('no-choices')
    expect(
      codes([
        { a: 'yes', q: 'Do you like bees?', scored: false, choices: [{ text: 'no', right: false }] },
        { a: 'drone', q: 'male bee' },
        { a: 'queen', q: 'lays eggs' },
      ]),
    ).not.to.include('no-choices')
    expect(codes([{ a: 'drone', q: 'male bee' }])).to.include('no-choices')
  })

  it('asks nothing twice, though the list has it twice; the same question with another answer is another one', () => {
    const rows = [
      { a: 'drone', q: 'male bee' },
      { a: 'Drone', q: 'male bee' },
      { a: 'queen', q: 'male bee' },
      { a: 'drone', q: 'flies' },
    ]
    const asked = make(listOf(rows)).questions.map(({ prompt, answer }) => `${prompt.text} ${answer.text}`)
    expect(asked).to.deep.equal(['male bee drone', 'male bee queen', 'flies drone'])
    const { summary, notes } = quiz.fit(listOf(rows), QuizOptions.parse({}))
    expect(summary.values.count).to.equal(3)
    expect(notes.map(({ code, entryIds }) => [code, entryIds])).to.deep.equal([
      ['repeat', [idOf(1)]],
      ['topped-up', []],
    ])
  })

  it('tells a question by its answer, or by its clue where the answer is a picture alone', () => {
    const picture = { id: idOf(99), alt: '', credit: '' }
    const puzzle = make({
      ...facts,
      entries: [
        ...facts.entries,
        newEntry({ id: idOf(50), answer: { text: '', picture }, prompt: { text: 'the hive' } }),
      ],
    })
    expect(quiz.questions(puzzle, quiz.start(puzzle, begin('p'))).map(({ text }) => text)).to.deep.equal([
      'drone',
      'queen',
      'worker',
      'the hive',
    ])
    expect(JSON.stringify(puzzle.questions[0]!.choices), 'a picture alone stands out among words').not.to.include(
      picture.id,
    )
  })

  it('has a deadline while a question stands alone: none once it is answered, none where there is no limit', () => {
    const puzzle = make(facts, { seconds: 10 })
    const { timed } = quiz
    const asked = quiz.start(puzzle, begin('p'))
    expect(timed!.deadline(puzzle, asked, PLAIN_CONTEXT)).to.be.within(10_000, 15_000)
    const answered = quiz.move(puzzle, asked, { type: 'choose', choices: [0] }, when(2000)).play
    expect(timed!.deadline(puzzle, answered, PLAIN_CONTEXT)).to.equal(null)
    const free = make(facts)
    expect(timed!.deadline(free, quiz.start(free, begin('p')), PLAIN_CONTEXT)).to.equal(null)
    const tooEarly = quiz.move(puzzle, asked, { type: 'late' }, when(8_000))
    expect([tooEarly.play, tooEarly.responses]).to.deep.equal([asked, []])
    expect(
      quiz.move(puzzle, asked, { type: 'late' }, when(10_000)).responses.map(({ outcome }) => outcome),
    ).to.deep.equal(['passed'])
  })
})
