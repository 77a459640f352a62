import type { ListReply, SaveList, VersionReply } from '@otter/api'
import { ApiError } from '../../../api/client.ts'
import { changesBetween, draftOf, rebase, type Draft, type Overruled } from './draft.ts'

/** Whether all is saved, a save is under way or about to be, or the last one failed and is tried again. */
export type SaveState = 'saved' | 'saving' | 'failed'

/** How long after the last keystroke a save begins, and the waits between tries; in milliseconds. */
const PAUSE = 400
const FIRST_WAIT = 1_000
const LONGEST_WAIT = 20_000

/** What a draft is kept in step with, and who is told. */
export interface DraftSyncParts {
  /** Saves changes; `closing` where the page is about to go. Throws an ApiError. */
  save(changes: SaveList, closing?: boolean): Promise<VersionReply>
  /** Loads the list as it is now. Throws an ApiError. */
  load(): Promise<ListReply>
  /** Loads the list's version alone. Throws an ApiError. */
  loadVersion(): Promise<VersionReply>
  /** Keeps an unsaved draft on this device, and what it grew from. */
  keep(saved: Draft, draft: Draft, closing?: boolean): void
  forget(): void
  /** Does something later; returns what cancels it. */
  later(milliseconds: number, act: () => void): () => void
  onState(state: SaveState, problem: string | undefined): void
  /** Is told of a change made elsewhere: the draft with it, what gave way, and how to carry it into another draft. */
  onMerge(draft: Draft, overruled: Overruled[], carry: (step: Draft) => Draft): void
}

/** Keeps a draft in step with the list on the server: saves what changes, and takes over what others changed. */
export class DraftSync {
  private readonly parts: DraftSyncParts
  private saved: { draft: Draft; version: number }
  private draft: Draft
  private running: Promise<boolean> = Promise.resolve(true)
  private cancel: () => void = () => undefined
  private hasFailed = false

  /** @param draft what is to be saved: the list itself, or with what was left unsaved before */
  constructor(list: ListReply, draft: Draft, parts: DraftSyncParts) {
    this.parts = parts
    this.saved = { draft: draftOf(list), version: list.version }
    this.draft = draft
  }

  get now(): Draft {
    return this.draft
  }

  /** Takes over a change made here; it is saved once typing rests. */
  change(next: Draft): void {
    this.draft = next
    if (!this.hasFailed) this.parts.onState('saving', undefined)
    this.saveSoon()
  }

  /** Saves once typing rests, and tries again until it works. */
  saveSoon(): void {
    this.cancel()
    let wait = FIRST_WAIT
    const attempt = (): void => {
      if (wait === FIRST_WAIT && this.changes()) this.parts.keep(this.saved.draft, this.draft)
      void this.flush().then((done) => {
        if (done) return
        this.cancel = this.parts.later(wait, attempt)
        wait = Math.min(LONGEST_WAIT, wait * 2)
      })
    }
    this.cancel = this.parts.later(PAUSE, attempt)
  }

  /** Saves at once; returns whether all is saved. */
  flush(): Promise<boolean> {
    return this.inTurn(() => this.save())
  }

  /** Looks whether the list was changed elsewhere, and takes that over. */
  look(): Promise<boolean> {
    return this.inTurn(async () => {
      const newest = await this.parts.loadVersion().catch(() => undefined)
      if (newest === undefined || newest.version <= this.saved.version) return true
      const theirs = await this.parts.load().catch(() => undefined)
      if (theirs) this.merge(theirs)
      return true
    })
  }

  /** Keeps and sends what is unsaved while the page goes. */
  leave(): void {
    const changes = this.changes()
    if (!changes) return
    this.parts.keep(this.saved.draft, this.draft, true)
    // What is too large for this last call stays in the kept draft.
    this.parts.save({ version: this.saved.version, ...changes }, true).catch(() => undefined)
  }

  /** Ends the waiting; what is unsaved is saved once more. Returns whether all is saved. */
  close(): Promise<boolean> {
    this.cancel()
    return this.flush()
  }

  private changes(): ReturnType<typeof changesBetween> {
    return changesBetween(this.saved.draft, this.draft)
  }

  /** Runs one task after another, so that no two see the list in different states. */
  private inTurn(task: () => Promise<boolean>): Promise<boolean> {
    this.running = this.running.then(task, task)
    return this.running
  }

  private async save(): Promise<boolean> {
    for (let changes = this.changes(); changes; changes = this.changes()) {
      const sent = this.draft
      if (!this.hasFailed) this.parts.onState('saving', undefined)
      try {
        const { version } = await this.parts.save({ version: this.saved.version, ...changes })
        this.saved = { draft: sent, version }
      } catch (error) {
        if (!(error instanceof ApiError)) throw error
        if (!(await this.wasChangedElsewhere(error))) return this.fail(error)
      }
    }
    this.hasFailed = false
    this.parts.forget()
    this.parts.onState('saved', undefined)
    return true
  }

  /** Takes over what was changed elsewhere, where that is why a save failed; returns whether it is. */
  private async wasChangedElsewhere({ status, path }: ApiError): Promise<boolean> {
    if (status !== 409 || path !== 'version') return false
    const theirs = await this.parts.load().catch(() => undefined)
    if (theirs) this.merge(theirs)
    return theirs !== undefined
  }

  private fail({ message }: ApiError): false {
    this.hasFailed = true
    this.parts.keep(this.saved.draft, this.draft)
    this.parts.onState('failed', message)
    return false
  }

  private merge(theirs: ListReply): void {
    const base = this.saved.draft
    const their = draftOf(theirs)
    const { draft, overruled } = rebase(base, this.draft, their)
    this.saved = { draft: their, version: theirs.version }
    this.draft = draft
    this.parts.onMerge(draft, overruled, (step) => rebase(base, step, their).draft)
  }
}
