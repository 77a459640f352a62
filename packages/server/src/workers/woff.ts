import { inflateSync } from 'node:zlib'

/** Unpacks a WOFF 1.0 file (W3C Recommendation) to the font it holds. */
export function unpackWoff(woff: Buffer): Buffer {
  const tables = woff.readUInt16BE(12)
  const header = 12 + tables * 16
  const parts: Buffer[] = []
  const directory = Buffer.alloc(header)
  const power = 2 ** Math.floor(Math.log2(tables))
  directory.writeUInt32BE(woff.readUInt32BE(4), 0)
  directory.writeUInt16BE(tables, 4)
  directory.writeUInt16BE(power * 16, 6)
  directory.writeUInt16BE(Math.log2(power), 8)
  directory.writeUInt16BE((tables - power) * 16, 10)
  let offset = header
  for (let index = 0; index < tables; index++) {
    const at = 44 + index * 20
    const start = woff.readUInt32BE(at + 4)
    const packed = woff.subarray(start, start + woff.readUInt32BE(at + 8))
    const length = woff.readUInt32BE(at + 12)
    const table = packed.length < length ? inflateSync(packed) : packed
    const entry = 12 + index * 16
    woff.copy(directory, entry, at, at + 4)
    directory.writeUInt32BE(woff.readUInt32BE(at + 16), entry + 4)
    directory.writeUInt32BE(offset, entry + 8)
    directory.writeUInt32BE(length, entry + 12)
    const padding = (4 - (length % 4)) % 4
    parts.push(table, Buffer.alloc(padding))
    offset += length + padding
  }
  return Buffer.concat([directory, ...parts])
}
