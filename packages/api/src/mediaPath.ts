/** Returns where the bytes of a picture or sound are. On its own, since students' phones need no more of this package. */
export function mediaPath(id: string): string {
  return `/api/media/${id}`
}
