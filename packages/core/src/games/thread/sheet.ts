import type { SheetPage } from '../../print/sheet.ts'
import { squareOf } from '../shownFace.ts'
import type { ThreadPuzzle } from './puzzle.ts'

const LINE = '______________________________'

/** Returns slips to cut apart, and lines to write each link on; on the key the links with their slips. */
export function sheet({ items, links }: ThreadPuzzle, isKey: boolean): SheetPage[] {
  if (isKey)
    return [
      {
        bare: true,
        blocks: [
          {
            type: 'items',
            columns: 1,
            items: links.map((name, link) => ({
              label: '',
              text: name,
              note: '',
              answer: '',
              below: [
                items
                  .filter((item) => item.link === link)
                  .map(({ text }) => text)
                  .join(' · '),
              ],
            })),
          },
        ],
      },
    ]
  return [
    {
      blocks: [
        { type: 'tokens', tokens: items.map(({ face }) => squareOf(face)) },
        {
          type: 'items',
          columns: 1,
          items: links.map((_, link) => ({ label: String(link + 1), text: LINE, note: '', answer: '' })),
        },
      ],
    },
  ]
}
