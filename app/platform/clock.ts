/** Time, passed in wherever it is needed. */
export interface Clock {
  /** The moment, for the player to read. */
  readonly now: () => Date
  /** Microseconds since some fixed moment; never goes back. */
  readonly microseconds: () => number
  readonly wait: (milliseconds: number) => Promise<void>
  /** Runs something once after so many ms; what is given back stops it. */
  readonly after: (milliseconds: number, run: () => void) => () => void
}

export const browserClock: Clock = {
  now: () => new Date(),
  microseconds: () => performance.now() * 1000,
  wait: (milliseconds) => new Promise((resolve) => setTimeout(resolve, milliseconds)),
  after: (milliseconds, run) => {
    const timer = setTimeout(run, milliseconds)
    return () => clearTimeout(timer)
  },
}

/** A clock that stands still until moved; waits end at once, and what was put off is run when its time comes. */
export function memoryClock(start = new Date(0)): Clock & {
  advance: (milliseconds: number) => void
  /** Time passes so many seconds, and what was due in each is only called at its end, as of a page nobody looks at. */
  stall: (seconds: number) => void
} {
  let passed = 0
  let later: { readonly at: number; readonly run: () => void }[] = []
  return {
    now: () => new Date(start.getTime() + passed),
    microseconds: () => passed * 1000,
    wait: async (milliseconds) => {
      passed += milliseconds
    },
    after: (milliseconds, run) => {
      const one = { at: passed + milliseconds, run }
      later.push(one)
      return () => {
        later = later.filter((other) => other !== one)
      }
    },
    stall: (seconds) => {
      for (let n = 0; n < seconds; n++) {
        passed += 1000
        const due = later.filter(({ at }) => at <= passed).sort((a, b) => a.at - b.at)
        later = later.filter((one) => !due.includes(one))
        for (const { run } of due) run()
      }
    },
    advance: (milliseconds) => {
      const end = passed + milliseconds
      for (;;) {
        const next = later.filter(({ at }) => at <= end).sort((a, b) => a.at - b.at)[0]
        if (!next) break
        later = later.filter((one) => one !== next)
        passed = Math.max(passed, next.at)
        next.run()
      }
      passed = end
    },
  }
}
