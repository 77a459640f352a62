/** Fetches what is not shown yet. Where that fails, whoever shows it asks again, and says so. */
export function fetchAhead(...fetches: readonly Promise<unknown>[]): void {
  Promise.all(fetches).catch(() => undefined)
}
