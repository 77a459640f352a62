import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'

/** Returns the text of each page, as a reader would copy it. */
export async function pagesOf(bytes: Buffer): Promise<string[]> {
  const document = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise
  const pages: string[] = []
  for (let number = 1; number <= document.numPages; number++) {
    const { items } = await (await document.getPage(number)).getTextContent()
    pages.push(items.map((item) => ('str' in item ? item.str : '')).join(' '))
  }
  await document.destroy()
  return pages
}
