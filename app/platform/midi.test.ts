import { describe, expect, it } from 'vitest'
import { benchPort } from './midi'

describe('the bench port', () => {
  it('lets nothing pass what was sent before it, whichever timer comes first', () => {
    const timers: { ms: number; run: () => void }[] = []
    let now = 100
    const { out, ports } = benchPort(
      () => now,
      (ms, run) => {
        timers.push({ ms, run })
        return () => {}
      },
    )
    const heard: number[] = []
    ports.onBytes((_, bytes) => heard.push(bytes[1]!))
    const send = (n: number, at: number) => out.send(Uint8Array.of(0xc0, n), at)
    send(1, 105.2)
    now = 100.4
    send(2, 105.2)
    send(3, 106)
    // Sent later for an earlier moment.
    send(0, 104)
    now = 110
    for (const { run } of timers.reverse()) run()
    expect(heard).toEqual([0, 1, 2, 3])
    send(4, 90)
    timers.at(-1)!.run()
    expect(heard.at(-1)).toBe(4)
  })
})
