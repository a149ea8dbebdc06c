/** Time, passed in wherever it is needed. */
export interface Clock {
  /** The moment, for the player to read. */
  readonly now: () => Date
  /** Microseconds since some fixed moment; never goes back. */
  readonly microseconds: () => number
  readonly wait: (milliseconds: number) => Promise<void>
}

export const browserClock: Clock = {
  now: () => new Date(),
  microseconds: () => performance.now() * 1000,
  wait: (milliseconds) => new Promise((resolve) => setTimeout(resolve, milliseconds)),
}

/** A clock that stands still until moved; waits end at once. */
export function memoryClock(start = new Date(0)): Clock & { advance: (milliseconds: number) => void } {
  let passed = 0
  return {
    now: () => new Date(start.getTime() + passed),
    microseconds: () => passed * 1000,
    wait: async (milliseconds) => {
      passed += milliseconds
    },
    advance: (milliseconds) => {
      passed += milliseconds
    },
  }
}
