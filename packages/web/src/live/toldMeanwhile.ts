/**
 * Keeps what is told of a session while it is read: a reading may have begun before what was told happened, and may
 * come after it.
 */
export class ToldMeanwhile<State, Change> {
  private readonly readings = new Set<Change[]>()
  private readonly changed: (state: State, change: Change) => State

  /** @param changed returns a state after a change */
  constructor(changed: (state: State, change: Change) => State) {
    this.changed = changed
  }

  /** Notes a change for all readings that are under way. */
  note(change: Change): void {
    for (const told of this.readings) told.push(change)
  }

  /** Returns what a reading brings, with what was told since it began. */
  async read(reading: () => Promise<State>): Promise<State> {
    const told: Change[] = []
    this.readings.add(told)
    try {
      const state = await reading()
      return told.reduce(this.changed, state)
    } finally {
      this.readings.delete(told)
    }
  }
}
