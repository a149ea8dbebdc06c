import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated } from '#testing/runs'
import type { Channel } from '../base/channel'
import type { U7 } from '../base/u7'
import { controlChange, programChange } from '../midi/message'
import { inOrder } from '../rig/rig'
import { isMappedIn, storedValue } from '../rig/stored'
import { makeControl, makePreset } from '../rig/testing/makeRig'
import { wideRigs } from '../rig/testing/wideRigs'
import { chartOf } from './chartIndex'
import { DEVICE_AT_POWER_ON, mayChange, receive, type DeviceState } from './device'

const message = fc.oneof(
  fc
    .tuple(
      fc.oneof(fc.constantFrom(0, 6, 32, 38, 96, 97, 98, 99, 100, 101), fc.nat({ max: 127 })),
      fc.nat({ max: 127 }),
    )
    .map(([controller, value]) => controlChange(1 as Channel, controller as U7, value as U7)),
  fc.nat({ max: 127 }).map((program) => programChange(1 as Channel, program as U7)),
)

/** What differs between two states of a device, in the words of `mayChange`. */
const changed = (was: DeviceState, is: DeviceState): string[] => [
  ...(was.preset === is.preset ? [] : ['preset']),
  ...(was.bankMsb === is.bankMsb && was.bankLsb === is.bankLsb ? [] : ['bank']),
  ...(was.parameter === is.parameter ? [] : ['parameter']),
  ...Object.keys(is.controls).filter((id) => is.controls[id] !== was.controls[id]),
]

describe('a simulated device', () => {
  it('changes nothing at a message but what it is said that message may change', () => {
    const seen = new Set<string>()
    fc.assert(
      fc.property(wideRigs(), fc.array(message, { minLength: 40, maxLength: 80 }), (rig, messages) => {
        for (const device of inOrder(rig.devices)) {
          const chart = chartOf(rig, device.id)
          let state: DeviceState = { ...DEVICE_AT_POWER_ON, preset: 1 }
          for (const one of messages) {
            const after = receive(device.numbering, state, one, chart)
            const said = mayChange(one, chart).map((may) =>
              may.kind === 'control' ? may.controlId : may.kind,
            )
            const is = changed(state, after)
            for (const what of is) seen.add(what in rig.controls ? `${one.kind} control` : what)
            expect(said).toEqual(expect.arrayContaining(is))
            state = after
          }
        }
      }),
      generated(60, 33_1202),
    )
    expect([...seen].sort()).toEqual(['bank', 'control control', 'parameter', 'preset', 'program control'])
  })

  // Bank select is CC 0 and CC 32, parameters are chosen by CC 98 and 99 (M1 v4.2.1, table III).
  it('is changed by bank select and by the choice of a parameter in just that', () => {
    const chart = chartOf(fc.sample(wideRigs(), { numRuns: 1, seed: 1 })[0]!, 'nobody')
    const at = (controller: number) =>
      mayChange(controlChange(1 as Channel, controller as U7, 1 as U7), chart)
    expect([0, 32, 98, 99].map((controller) => at(controller))).toEqual([
      [{ kind: 'bank' }],
      [{ kind: 'bank' }],
      [{ kind: 'parameter' }],
      [{ kind: 'parameter' }],
    ])
  })
})

describe('what a recall makes of a control', () => {
  const preset = makePreset('slap', 'echo', 7, 'Slap', {
    recalls: [{ controlId: 'mix' as never, value: 0 }],
    entered: ['drive' as never, 'depth' as never],
    lacks: ['depth' as never],
  })

  it('is what is written down of it, 0 too, and else not known', () => {
    expect(storedValue(preset, 'mix')).toBe(0)
    expect(storedValue(preset, 'drive')).toBeNull()
    expect(storedValue(null, 'mix')).toBeNull()
  })

  it('is that it does nothing where its map was not entered, or the preset has no block for it', () => {
    const mapped = (id: string) => makeControl(id, 'echo', 20, { map: 'preset' })
    expect(['drive', 'depth', 'mix'].map((id) => isMappedIn(mapped(id), preset))).toEqual([
      true,
      false,
      false,
    ])
    expect(isMappedIn(mapped('drive'), null)).toBe(false)
    expect(isMappedIn(makeControl('drive', 'echo', 20), null)).toBe(true)
  })
})
