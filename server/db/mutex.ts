/**
 * Runs callers one after another. Every write goes through one of these: libSQL's local driver waits
 * for the write lock with the event loop held, so two open transactions would stop each other.
 */
export function createMutex() {
  let tail: Promise<unknown> = Promise.resolve()
  return <Value>(work: () => Promise<Value>): Promise<Value> => {
    const run = tail.then(work, work)
    // The next caller waits for this one's end, whichever way it ends.
    tail = run.catch(() => undefined)
    return run
  }
}
