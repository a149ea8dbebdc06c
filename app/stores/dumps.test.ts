import { describe, expect, it } from 'vitest'
import { smallRig } from '../../core/rig/testing/makeRig'
import { checkDump, sendingBack, wrongChecks } from '#core/dump'
import { makeOpenFloor } from './testing/makeOpenFloor'
import { useDumpStore } from './dumps'

async function opened() {
  const tab = await makeOpenFloor(smallRig())
  const dumps = useDumpStore()
  dumps.deviceId = 'preamp'
  await Promise.resolve()
  return { ...tab, dumps }
}

describe('dumps of the simulated device', () => {
  it('come when they are asked for, whole and with their times, and go back as they came', async () => {
    const { clock, dumps } = await opened()
    await dumps.askForDump()
    clock.advance(2000)
    dumps.stop()
    const first = dumps.recorded
    expect(first).toMatchObject({ ok: true })
    const messages = first?.ok ? first.value.messages : []
    expect(messages).toHaveLength(2)
    expect(messages[1]!.ms).toBeGreaterThan(40)
    expect(wrongChecks(messages, dumps.dumping)).toEqual([])
    expect(checkDump(messages, dumps.dumping).every(({ state }) => state === 'right')).toBe(true)

    let isDone = false
    await dumps.sendBack(messages, () => (isDone = true))
    clock.advance(20)
    expect(dumps.recorded).toBeNull()
    const last = sendingBack(messages, dumps.dumping.pauseMs).at(-1)!.end
    expect(isDone).toBe(false)
    clock.advance(last + 200)
    expect(isDone).toBe(true)
    // It answers for each that it took.
    const answers = dumps.recorded
    expect(answers?.ok && answers.value.messages.map(({ hex }) => hex.slice(6, 8))).toEqual(['12', '12'])
  })

  it('say who is there', async () => {
    const { clock, dumps } = await opened()
    await dumps.askWhoIsThere()
    clock.advance(100)
    expect(dumps.answers).toHaveLength(1)
    expect(dumps.answers[0]).toMatch(/^F0 7E \d\d 06 02 7D/)
  })

  it('one message of which is lost are found wrong, and given up sends nothing more', async () => {
    const { clock, dumps } = await opened()
    dumps.loses = 2
    await dumps.askForDump()
    clock.advance(2000)
    const read = dumps.recorded
    expect(read?.ok && wrongChecks(read.value.messages, dumps.dumping).map(({ check }) => check)).toEqual([
      'count',
    ])
    dumps.loses = 0
    await dumps.askForDump()
    clock.advance(2000)
    const whole = dumps.recorded
    let isDone = false
    await dumps.sendBack(whole?.ok ? whole.value.messages : [], () => (isDone = true))
    dumps.giveUp()
    clock.advance(5000)
    expect(isDone).toBe(false)
    expect(dumps.sending).toBeNull()
  })
})

describe('dumps of real gear', () => {
  it('are what came in, without what else came meanwhile', async () => {
    const { clock, midi, ports, dumps } = await opened()
    await ports.open()
    midi.plug('gear')
    dumps.port = 'gear'
    await Promise.resolve()
    await dumps.record()
    midi.comeIn('gear', [0xf0, 0x7d, 1, 2, 0xf7])
    clock.advance(35)
    midi.comeIn('gear', [0xb0, 7, 100])
    midi.comeIn('gear', [0xf8])
    midi.comeIn('gear', [0xf0, 0x7d, 1, 3, 0xf7])
    dumps.stop()
    midi.comeIn('gear', [0xf0, 0x7d, 1, 4, 0xf7])
    expect(dumps.recorded).toEqual({
      ok: true,
      value: {
        messages: [
          { hex: 'F07D0102F7', ms: 0 },
          { hex: 'F07D0103F7', ms: 35 },
        ],
        aside: 0,
      },
    })
  })

  it('of thousands of messages come each once, also when the list of what came in is cut', async () => {
    const { clock, midi, ports, dumps } = await opened()
    await ports.open()
    midi.plug('gear')
    dumps.port = 'gear'
    await Promise.resolve()
    await dumps.record()
    for (let n = 0; n < 4500; n++) {
      midi.comeIn('gear', [0xf0, 0x7d, n >> 7, n & 0x7f, 0xf7])
      clock.advance(1)
    }
    dumps.stop()
    const read = dumps.recorded
    const numbers = read?.ok
      ? read.value.messages.map(
          ({ hex }) => Number.parseInt(hex.slice(4, 6), 16) * 128 + Number.parseInt(hex.slice(6, 8), 16),
        )
      : []
    expect(numbers).toEqual(Array.from({ length: 4500 }, (_, n) => n))
  })

  it('keep their spacing when the page is called late', async () => {
    const { clock, midi, ports, dumps } = await opened()
    await ports.open()
    midi.plug('gear')
    dumps.port = 'gear'
    await Promise.resolve()
    const messages = Array.from({ length: 20 }, (_, n) => ({ hex: 'F07D0102F7', ms: n === 0 ? 0 : 50 }))
    let isDone = false
    await dumps.sendBack(messages, () => (isDone = true))
    // Once a second, as browsers call pages nobody looks at: what was due meanwhile is done then.
    const stall = clock.stall
    stall(30)
    expect(isDone).toBe(true)
    const times = midi.sent.map(({ at, handedAt }) => Math.max(at, handedAt))
    expect(times).toHaveLength(20)
    times.forEach((time, n) => n > 0 && expect(time - times[n - 1]!).toBeGreaterThanOrEqual(50 - 1e-6))
  })

  it('go out at their times; a port that went away, and a browser without leave, are told', async () => {
    const { clock, midi, ports, dumps } = await opened()
    await ports.open()
    midi.plug('gear')
    dumps.port = 'gear'
    await Promise.resolve()
    const messages = [
      { hex: 'F07D0102F7', ms: 0 },
      { hex: 'F07D0103F7', ms: 300 },
    ]
    let isDone = false
    await dumps.sendBack(messages, () => (isDone = true))
    clock.advance(1000)
    expect(isDone).toBe(true)
    expect(midi.sent.map(({ bytes }) => [...bytes])).toEqual([
      [0xf0, 0x7d, 1, 2, 0xf7],
      [0xf0, 0x7d, 1, 3, 0xf7],
    ])
    expect(midi.sent[1]!.at - midi.sent[0]!.at).toBeCloseTo(300, 3)
    expect(midi.sent.every(({ handedAt, at }) => handedAt <= at)).toBe(true)
    midi.unplug('gear')
    isDone = false
    await dumps.sendBack(messages, () => (isDone = true))
    clock.advance(1000)
    expect(isDone).toBe(false)
    expect(dumps.trouble).toMatch(/gone/)
  })
})
