import { expect, it } from 'vitest'
import { channelHolders, nextFreeChannel, sendChannel } from './channels'
import { makeDevice, makeRig } from './makeRig'

const full = makeRig({ devices: Array.from({ length: 16 }, (_, n) => makeDevice(`d${n}`, n + 1)) })

it('finds the next free channel upwards and round again', () => {
  const rig = makeRig({ devices: [makeDevice('a', 1), makeDevice('b', 2), makeDevice('c', 16)] })
  expect([nextFreeChannel(rig), nextFreeChannel(rig, 2), nextFreeChannel(rig, 16)]).toEqual([3, 3, 3])
  expect(nextFreeChannel(full)).toBeNull()
})

it('holds 16 channels, and omni and unset devices on none of them', () => {
  const rig = makeRig({ devices: [makeDevice('a', 'omni'), makeDevice('b', 'none'), makeDevice('c', 3)] })
  const held = Array.from(channelHolders(rig), ([channel, holders]) => [channel, holders.length])
  expect(held).toHaveLength(16)
  expect(held.filter(([, holders]) => holders)).toEqual([[3, 1]])
})

it('speaks to an omni device where nothing else listens, and to an unset one not at all', () => {
  const rig = makeRig({ devices: [makeDevice('a', 'omni'), makeDevice('b', 1)] })
  expect(sendChannel(rig, { channel: 'omni' })).toBe(2)
  expect(sendChannel(rig, { channel: 'none' })).toBeNull()
})
