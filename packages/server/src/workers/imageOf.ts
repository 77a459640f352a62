/** Returns a picture as the PDF library takes it; by its first byte, since only these two kinds are kept. */
export function imageOf(bytes: Uint8Array): { data: Buffer; format: 'png' | 'jpg' } {
  return { data: Buffer.from(bytes), format: bytes[0] === 0x89 ? 'png' : 'jpg' }
}
