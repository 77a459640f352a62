import fc from 'fast-check'
import { Entry } from '../src/index.ts'

const text = fc
  .oneof(
    fc.string({
      unit: fc.constantFrom(
        'a',
        'b',
        'é',
        'ל',
        '字',
        'ا',
        'р',
        '😀',
        ' ',
        ',',
        ';',
        '"',
        '\n',
        '-',
        '=',
        '+',
        '@',
        "'",
        '\t',
        '|',
        '7',
        '<',
        '&',
        '\u00ad',
      ),
      maxLength: 10,
    }),
    fc.constantFrom(
      '',
      'bee',
      'Bee',
      'a bee flies',
      'wax',
      '=1+1',
      "'=x",
      '007',
      'true',
      'раis',
      '2024-01-01',
      '_x0041_',
    ),
  )
  .map((drawn) => drawn.trim())
const picture = fc.record({ id: fc.uuid(), alt: text, credit: text })
const sound = fc.record({ id: fc.uuid(), milliseconds: fc.nat(5000) })

/** An entry with text alone, as a spreadsheet can hold it. */
export const anyTextEntry = fc
  .record({
    id: fc.uuid(),
    answer: fc.record({ text }),
    prompt: fc.record({ text }),
    accepted: fc.array(text, { maxLength: 3 }),
    choices: fc.array(fc.record({ text, right: fc.boolean() }), { maxLength: 4 }),
    hint: text,
    fact: text,
    groups: fc.array(text, { maxLength: 3 }),
    worth: fc.option(fc.nat(100)),
    seconds: fc.option(fc.integer({ min: 1, max: 600 })),
    scored: fc.boolean(),
    standards: fc.array(text, { maxLength: 2 }),
  })
  .map((drawn) => Entry.parse(drawn))

/** Any entry, with pictures and sounds. */
export const anyEntry = fc
  .tuple(anyTextEntry, fc.option(picture), fc.option(sound), fc.option(picture))
  .map(([entry, onAnswer, onPrompt, onChoice]) =>
    Entry.parse({
      ...entry,
      answer: { ...entry.answer, ...(onAnswer && { picture: onAnswer }) },
      prompt: { ...entry.prompt, ...(onPrompt && { sound: onPrompt }) },
      choices: entry.choices.map((choice) => ({ ...choice, ...(onChoice && { picture: onChoice }) })),
    }),
  )
