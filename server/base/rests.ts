/** After so many bytes of work others are answered. */
const REST_BYTES = 256_000

/**
 * Counts work done on the one thread there is, in bytes or letters; now and then the promise it gives back lets others be
 * answered first. `reach`: so much between two rests.
 */
export function rests(reach = REST_BYTES): (work: number) => Promise<void> {
  let done = 0
  return async (work) => {
    done += work
    if (done < reach) return
    done = 0
    await new Promise((resolve) => setImmediate(resolve))
  }
}
