import { vi } from 'vitest'

// Taken before any page's time is in hand.
const { setTimeout: later } = globalThis
const now = performance.now.bind(performance)

/** Longer than anything the page works out takes, on a machine that has much else to do, in ms of the world. */
const PATIENCE = 120_000
/**
 * How far the page's clock goes on at each look, in ms: closely at first, then as one who waits. After so many looks it goes as the
 * world does: what is fetched for the first time may take longer than the looks, and is not to be given up for that.
 */
const LOOKS = { close: 20, far: 100, closeFor: 25, farFor: 200 }

let isStanding = false

/** From here on the page's time is in hand: it goes on as one looks at the page and as it is told. */
export function takeTime(): void {
  isStanding = false
  vi.useFakeTimers({
    toFake: [
      'setTimeout',
      'clearTimeout',
      'setInterval',
      'clearInterval',
      'requestAnimationFrame',
      'cancelAnimationFrame',
      'requestIdleCallback',
      'cancelIdleCallback',
      'performance',
      'Date',
    ],
    now: new Date(2026, 4, 2, 19, 0),
  })
}

export const giveTimeBack = (): void => void vi.useRealTimers()

/** The page's clock stands still, but for what it is told to run. */
export const clock = {
  stand: (): void => void (isStanding = true),
  resume: (): void => void (isStanding = false),
}

/** So many ms pass on the page. */
export async function pause(ms: number): Promise<void> {
  await vi.advanceTimersByTimeAsync(ms)
  await breathe()
}

/** What the world has to do is done: code that is fetched, promises that wait for nothing. */
const breathe = (): Promise<void> => new Promise((resolve) => later(resolve, 0))

/** A look at the page after something was done to it. */
export async function turn(ms = LOOKS.close): Promise<void> {
  await breathe()
  await vi.advanceTimersByTimeAsync(isStanding ? 0 : ms)
}

/** Looks again and again until there is an answer; the last answer when there is none for too long. */
export async function until<Answer>(
  ask: () => Answer,
  isEnough: (answer: Answer) => boolean,
): Promise<Answer> {
  const end = now() + PATIENCE
  let looked = now()
  for (let looks = 0; ; looks++) {
    const answer = ask()
    if (isEnough(answer) || now() > end) return answer
    const since = now() - looked
    looked = now()
    await turn(looks < LOOKS.closeFor ? LOOKS.close : looks < LOOKS.farFor ? LOOKS.far : Math.ceil(since))
  }
}
