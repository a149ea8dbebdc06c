import { describe, expect, it } from 'vitest'
import { expectedOf, gestureKey, sentBy, standInOf, type FootGesture } from '#core/listen'
import type { Rig } from '#core/rig'
import { makeListeningRig } from '../../core/listen/testing/makeListeningRigs'
import { useListenStore } from './listen'
import { makeOpenFloor } from './testing/makeOpenFloor'
import { useMidiStore } from './midi'

const bytesOf = (hex: string) => Uint8Array.from(hex.split(' '), (byte) => Number.parseInt(byte, 16))

/** A controller on the bench port that holds `held`, stepped on as the tool asks. */
async function listening(plan: Rig, held: Rig) {
  const open = await makeOpenFloor(plan)
  const listen = useListenStore()
  const midi = useMidiStore()
  await listen.start()
  const bench = midi.outs.find(({ id }) => id === 'bench')!
  const stepOn = (gesture: FootGesture) => {
    const sent = sentBy(held, gesture)
    for (const { ms, hex } of sent) bench.send(bytesOf(hex), midi.now() + ms)
    open.clock.advance(4000)
    return sent.length
  }
  return { ...open, listen, midi, bench, stepOn }
}

const controllerOf = (rig: Rig) => Object.values(rig.controllers)[0]!

describe('listening on the bench port', () => {
  it('asks for every step in turn, and calls a board as planned right', async () => {
    for (const seed of [1, 5, 9]) {
      const plan = makeListeningRig(seed)
      const { listen, stepOn } = await listening(plan, plan)
      let asked = 0
      for (; listen.askedFor && asked < 200; asked++) stepOn(listen.askedFor)
      expect(asked).toBe(listen.gestures.length)
      expect(listen.judged.map(({ verdict }) => verdict?.kind)).toEqual(listen.judged.map(() => 'right'))
    }
  })

  it('names the slips of a board, and what was not heard yet', async () => {
    const plan = makeListeningRig(2)
    const { listen, stepOn } = await listening(plan, standInOf(plan, controllerOf(plan), 'slips'))
    while (listen.askedFor) if (stepOn(listen.askedFor) === 0) listen.nothingCame()
    const wrong = listen.judged.filter(({ verdict }) => verdict?.kind === 'wrong')
    const kinds = wrong.flatMap(({ verdict }) =>
      verdict?.kind === 'wrong' ? verdict.faults.map(({ kind }) => kind) : [],
    )
    expect(kinds).toContain('offByOne')
    expect(kinds).toContain('channel')
    listen.forget()
    expect(listen.judged.every(({ take }) => take === null)).toBe(true)
    expect(listen.askedFor).not.toBeNull()
  })

  it('in any order says which step it was by what was sent', async () => {
    const plan = makeListeningRig(3)
    const { listen, stepOn } = await listening(plan, plan)
    listen.mode = 'anyhow'
    for (const gesture of [...listen.gestures].reverse()) {
      if (gesture.bankId !== listen.bankId || gesture.how !== 'tap') continue
      if (expectedOf(plan, gesture).sends.length === 0) continue
      // A pause within a list takes longer than the silence between two steps.
      if (expectedOf(plan, gesture).sends.some(({ ms }, n, all) => n > 0 && ms - all[n - 1]!.ms > 400))
        continue
      stepOn(gesture)
      expect(listen.last?.meant.map(gestureKey)).toContain(gestureKey(gesture))
    }
    expect(listen.takes.length).toBeGreaterThan(1)
  })

  it('sends nothing to real gear meanwhile, and hears nothing once it is stopped', async () => {
    const plan = makeListeningRig(3)
    const { listen, midi, bench, clock, floor } = await listening(plan, plan)
    expect(midi.isMuted).toBe(true)
    floor.press(1)
    clock.advance(500)
    listen.end()
    expect(midi.isMuted).toBe(false)
    const before = listen.takes.length
    bench.send(bytesOf('C0 05'), midi.now())
    clock.advance(2000)
    expect(listen.takes).toHaveLength(before)
  })
})
