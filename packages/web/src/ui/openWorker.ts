/** A web worker that is asked and answers. */
export interface WorkerClient<Request> {
  ask(request: Request): void
  close(): void
}

/**
 * Opens a web worker. `onDied` is told where it ends without a word of its own: its program failed, or it ran out of
 * memory. Nothing is heard of it after it was closed.
 */
export function openWorker<Request, Answer>(
  create: () => Worker,
  { onAnswer, onDied }: { onAnswer: (answer: Answer) => void; onDied: () => void },
): WorkerClient<Request> {
  const worker = create()
  const die = (event: Event): void => {
    event.preventDefault()
    worker.terminate()
    onDied()
  }
  worker.addEventListener('message', ({ data }: MessageEvent<Answer>) => onAnswer(data))
  worker.addEventListener('error', die)
  worker.addEventListener('messageerror', die)
  return { ask: (request) => worker.postMessage(request), close: () => worker.terminate() }
}
