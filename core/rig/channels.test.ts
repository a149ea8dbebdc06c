import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated } from '#testing/runs'
import { requireChannel } from '../base/channel'
import { nextFreeChannel, sendChannel, spreadChannels } from './channels'
import { applyEdit } from './applyEdit'
import { makeCable, makeController, makeDevice, makePort, makeRig, makeRole } from './testing/makeRig'
import type { Rig } from './rig'
import type { Device } from './table/device'

const devices = (...channels: (Device['channel'] | number)[]) =>
  channels.map((channel, order) => makeDevice(`d${order}`, channel, { order }))
const spreadTo = (rig: Rig): Device['channel'][] => {
  const result = spreadChannels(rig)
  if (!result.ok) throw new Error(result.refusal.code)
  const applied = result.value && applyEdit(rig, result.value)
  if (applied && !applied.ok) throw new Error(applied.refusal.code)
  return Object.values((applied?.value ?? rig).devices).map(({ channel }) => channel)
}

describe('channels', () => {
  it('the next free one goes up, then round; none when all 16 are held', () => {
    expect(nextFreeChannel(makeRig({ devices: devices(4, 5) }), 4)).toBe(6)
    expect(nextFreeChannel(makeRig({ devices: devices(16) }), 16)).toBe(1)
    const all = devices(...Array.from({ length: 16 }, (_, n) => n + 1))
    expect(nextFreeChannel(makeRig({ devices: all }))).toBeNull()
  })

  it('an omni device is spoken to where nothing else answers, one without a channel nowhere', () => {
    const rig = makeRig({ devices: devices(1, 'omni', 'none') })
    expect(Object.values(rig.devices).map((device) => sendChannel(rig, device))).toEqual([
      requireChannel(1),
      requireChannel(2),
      null,
    ])
  })
})

describe('a channel for every device', () => {
  it('16 devices get 16 channels', () => {
    const rig = makeRig({ devices: devices(...Array.from({ length: 16 }, () => 1)) })
    expect([...spreadTo(rig)].sort((a, b) => Number(a) - Number(b))).toEqual(
      Array.from({ length: 16 }, (_, n) => n + 1),
    )
  })

  it('a 17th is refused by name', () => {
    const rig = makeRig({ devices: devices(...Array.from({ length: 17 }, () => 1)) })
    expect(spreadChannels(rig)).toEqual({
      ok: false,
      refusal: { code: 'tooManyDevices', device: 'd16', devices: 17 },
    })
  })

  it('a 17th fits on a second output kept apart', () => {
    const rig = makeRig({
      controllers: [
        makeController({
          separateOutputs: true,
          ports: [makePort('out', makeRole('midiOut')), makePort('out2', makeRole('midiOut'))],
        }),
      ],
      devices: devices(...Array.from({ length: 17 }, () => 1)),
      cables: Array.from({ length: 17 }, (_, n) =>
        makeCable(n === 0 ? 'controller.out' : n === 16 ? 'controller.out2' : `d${n - 1}.thru`, `d${n}.in`),
      ),
    })
    expect(spreadTo(rig)[16]).toBe(1)
  })

  it('keeps fixed ones, those shared on purpose and those that are alone; a maker’s default comes before a free one', () => {
    const rig = makeRig({
      devices: [
        makeDevice('alone', 9, { order: 1 }),
        makeDevice('first', 2, { order: 2 }),
        makeDevice('fixed', 2, { order: 3, isChannelFixed: true }),
        makeDevice('left', 5, { order: 4, sharesChannel: true }),
        makeDevice('right', 5, { order: 5, sharesChannel: true }),
        makeDevice('new', 'none', { order: 6, factoryChannel: requireChannel(7) }),
      ],
    })
    expect(spreadTo(rig)).toEqual([9, 1, 2, 5, 5, 7])
  })

  it('leaves a device alone whose maker fixed it to all channels, or to none', () => {
    const fixed = { isChannelFixed: true }
    const rig = makeRig({
      devices: [
        makeDevice('a', 'omni', fixed),
        makeDevice('b', 'none', { ...fixed, order: 2 }),
        ...devices('none'),
      ],
    })
    expect(spreadTo(rig)).toEqual(['omni', 'none', 1])
  })

  it('changes nothing when every device has one', () => {
    expect(spreadChannels(makeRig({ devices: devices(3, 1, 2) }))).toEqual({ ok: true, value: null })
  })

  it('whatever they had before, no two share and what was alone stays', () => {
    const anyChannel = fc.oneof(
      fc.integer({ min: 1, max: 16 }),
      fc.constantFrom('omni' as const, 'none' as const),
    )
    fc.assert(
      fc.property(fc.array(anyChannel, { minLength: 1, maxLength: 16 }), (before) => {
        const after = spreadTo(makeRig({ devices: devices(...before) }))
        expect(new Set(after).size).toBe(before.length)
        before.forEach((channel, n) => {
          const isAlone = typeof channel === 'number' && before.filter((one) => one === channel).length === 1
          if (isAlone) expect(after[n]).toBe(channel)
        })
      }),
      generated(100, 73),
    )
  })
})
