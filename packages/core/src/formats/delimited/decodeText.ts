/** Part of the Encoding Standard (WHATWG), which browsers and servers share. */
declare class TextDecoder {
  constructor(label: string, options?: { fatal?: boolean })
  decode(bytes: Uint8Array): string
}

/** Reads text of unknown encoding: UTF-8 and UTF-16 with or without a byte order mark, else Windows-1252. */
export function decodeText(bytes: Uint8Array): string {
  const [first, second, third] = bytes
  if (first === 0xef && second === 0xbb && third === 0xbf) return new TextDecoder('utf-8').decode(bytes)
  if (first === 0xff && second === 0xfe) return new TextDecoder('utf-16le').decode(bytes)
  if (first === 0xfe && second === 0xff) return new TextDecoder('utf-16be').decode(bytes)
  const zeros = [0, 0]
  const sample = Math.min(bytes.length, 2000)
  for (let index = 0; index < sample; index++) if (bytes[index] === 0) zeros[index % 2]!++
  // Every other byte of Latin text in UTF-16 is zero.
  if (zeros[1]! > sample / 8 && zeros[0]! < zeros[1]! / 4) return new TextDecoder('utf-16le').decode(bytes)
  if (zeros[0]! > sample / 8 && zeros[1]! < zeros[0]! / 4) return new TextDecoder('utf-16be').decode(bytes)
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    return new TextDecoder('windows-1252').decode(bytes)
  }
}
