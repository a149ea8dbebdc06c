import { describe, expect, it } from 'vitest'
import { applyEdit } from '../../rig/applyEdit'
import { isReached } from '../../rig/cabling/signal'
import { makeCable, makeController, makeDevice, makePort, makeRig, makeRole } from '../../rig/testing/makeRig'
import type { Rig } from '../../rig/rig'
import type { Port } from '../../rig/table/port'
import { codes } from '../testing/makeFinding'
import { roomFor } from './roomFor'

const din = makePort('in', makeRole('midiIn'))
const trs = (plug: 'trsA' | 'trsB') => makePort('in', makeRole('midiIn', { plug }))
const receiver = (id: string, channel: number, ...ports: Port[]) =>
  makeDevice(id, channel, { order: channel, ports })
const withRoom = (rig: Rig, id: string): Rig => {
  const room = roomFor(rig, rig.devices[id]!)
  const applied = room && applyEdit(rig, room.edit)
  if (!applied?.ok) throw new Error(JSON.stringify(applied))
  return applied.value
}
const full = (plug: 'din' | 'trsA', ...devices: ReturnType<typeof receiver>[]): Rig =>
  makeRig({
    controllers: [makeController({ ports: [makePort('out', makeRole('midiOut', { plug }))] })],
    devices,
    cables: [makeCable('controller.out', 'a.in', { lead: plug === 'din' ? 'din3' : 'trs' })],
  })

describe('a box that makes room', () => {
  it('is a thru box behind a DIN output, a hub behind a TRS one', () => {
    const one = withRoom(full('din', receiver('a', 1, din), receiver('b', 2, din)), 'b')
    expect(Object.values(one.devices).map(({ name }) => name)).toContain('MIDI thru box')
    const two = withRoom(full('trsA', receiver('a', 1, trs('trsA')), receiver('b', 2, trs('trsB'))), 'b')
    expect(Object.values(two.devices).map(({ name }) => name)).toContain('Four-way TRS hub')
    for (const rig of [one, two]) {
      expect(['a', 'b'].every((id) => isReached(rig, id))).toBe(true)
      expect(codes(rig)).toEqual([])
    }
  })

  it('takes the adapters it needs, and keeps length and colour of the cable it is put into', () => {
    const rig = full('din', receiver('a', 1, din), receiver('b', 2, trs('trsB')))
    const coloured = makeRig({
      controllers: Object.values(rig.controllers),
      devices: Object.values(rig.devices),
      cables: [{ ...Object.values(rig.cables)[0]!, colour: 'Blue', centimetres: 600 }],
    })
    const after = withRoom(coloured, 'b')
    const [first] = Object.values(after.cables)
    expect(first).toMatchObject({ colour: 'Blue', to: { port: 'in' } })
    expect(Object.values(after.cables).find(({ to }) => to.id === 'b')).toMatchObject({
      adapters: ['dinTrsB'],
    })
  })

  it('for a USB device is a host box between the two', () => {
    const usb = (id: string) => makePort(id, makeRole('usb'))
    const rig = makeRig({
      controllers: [makeController({ ports: [usb('usb')] })],
      devices: [receiver('synth', 1, usb('usb'))],
    })
    const after = withRoom(rig, 'synth')
    expect(isReached(after, 'synth')).toBe(true)
    expect(codes(after)).toEqual([])
  })

  it('is none where it would not help', () => {
    const bare = makeRig({ controllers: [makeController({ ports: [] })], devices: [receiver('a', 1, din)] })
    expect(roomFor(bare, bare.devices.a!)).toBeNull()
    const airOnly = full('din', receiver('a', 1, din), receiver('b', 2, makePort('air', makeRole('air'))))
    expect(roomFor(airOnly, airOnly.devices.b!)).toBeNull()
  })
})
