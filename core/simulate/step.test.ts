import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated } from '#testing/runs'
import { encodeMessages } from '../midi/encode'
import { parseMessages } from '../midi/parse'
import type { ChannelMessage } from '../midi/message'
import {
  makeBank,
  makeControl,
  makeController,
  makeDevice,
  makePreset,
  makeRig,
  makeSwitch,
  recall,
  smallRig,
} from '../rig/testing/makeRig'
import { anyNumbering } from '../rig/numbering/testing/makeNumbering'
import { formatDisplay } from '../rig/numbering/display'
import { removeRow } from '../rig/edits/removeRow'
import { applyEdit } from '../rig/applyEdit'
import type { SwitchId } from '../rig/table/switch'
import type { BankId } from '../rig/table/bank'
import { DEVICE_AT_POWER_ON, receive } from './device'
import { reconcile } from './reconcile'
import { deviceState, floorAtPowerOn, type FloorState } from './floor'
import { settle, step, stepAndSettle, stomp } from './step'

const rig = smallRig()
const press = (state: FloorState, switchId: string, at = 0) => stomp(rig, state, switchId as SwitchId, at)

describe('step', () => {
  it('sends a switch, in order, one byte every 320 µs, and each device takes its own', () => {
    const { state, wire } = press(floorAtPowerOn(rig), 'one-2', 1000)
    expect(
      wire.map(({ start, end, bytes, heardBy }) => ({ start, end, bytes: [...bytes], heardBy })),
    ).toEqual([
      { start: 1000, end: 1640, bytes: [0xc0, 7], heardBy: ['preamp'] },
      { start: 1640, end: 2280, bytes: [0xc3, 11], heardBy: ['echo'] },
    ])
    const { preset } = deviceState(state, 'echo')
    expect(formatDisplay(rig.devices.echo!.numbering, preset!)).toBe('B4')
    expect(state).toMatchObject({ at: 2280, due: [] })
  })

  it('alternates: each press does the next position', () => {
    const first = press(floorAtPowerOn(rig), 'one-1')
    const second = press(first.state, 'one-1')
    const third = press(second.state, 'one-1')
    expect([first, second, third].map(({ state }) => deviceState(state, 'preamp').preset)).toEqual([2, 7, 2])
  })

  it('waits for the wire when pressed again too soon', () => {
    const tap = (state: FloorState, kind: 'press' | 'release', at: number) =>
      step(rig, state, { kind, switchId: 'one-2' as SwitchId, at }).state
    const twice = tap(tap(tap(floorAtPowerOn(rig), 'press', 0), 'release', 5), 'press', 10)
    expect(settle(rig, twice).wire.map(({ start }) => start)).toEqual([0, 640, 1280, 1920])
  })

  it('changes nothing for a switch or bank that is not there', () => {
    const state = floorAtPowerOn(rig)
    expect(press(state, 'ghost').state).toEqual(state)
    expect(stepAndSettle(rig, state, { kind: 'bank', bankId: 'ghost' as BankId, at: 0 }).state).toEqual(state)
    expect(
      stepAndSettle(rig, state, { kind: 'bank', bankId: 'two' as BankId, at: 0 }).state.known.bankId,
    ).toBe('two')
  })

  it('two devices on one channel both answer; an omni one answers to all', () => {
    const shared = makeRig({
      devices: [makeDevice('a', 1), makeDevice('b', 1, { order: 2 }), makeDevice('c', 'omni', { order: 3 })],
      presets: [makePreset('p', 'a', 5)],
      banks: [makeBank('one', 0)],
      switches: [makeSwitch('one', 1, [recall('p')])],
    })
    const { wire } = stomp(shared, floorAtPowerOn(shared), 'one-1' as SwitchId, 0)
    expect(wire[0]?.heardBy).toEqual(['a', 'b', 'c'])
  })
})

describe('running status', () => {
  it('is ended by a message of the system (M1 v4.2.1, "Running Status")', () => {
    const set = (value: number) => ({ kind: 'setControl' as const, controlId: 'mix' as never, value })
    const exclusive = { kind: 'raw' as const, deviceId: 'echo' as never, hex: 'F0 7D 01 F7' }
    const one = makeRig({
      controllers: [makeController({ runningStatus: true })],
      devices: [makeDevice('echo', 4)],
      controls: [makeControl('mix', 'echo', 20)],
      banks: [makeBank('one', 0)],
      switches: [makeSwitch('one', 1, [[set(10), set(20), exclusive, set(30)]])],
    })
    const { wire, state } = stomp(one, floorAtPowerOn(one), 'one-1' as SwitchId, 0)
    expect(wire.map(({ bytes }) => [...bytes])).toEqual([
      [0xb3, 20, 10],
      [20, 20],
      [0xf0, 0x7d, 1, 0xf7],
      [0xb3, 20, 30],
    ])
    expect(deviceState(state, 'echo').controls.mix).toBe(30)
  })
})

describe('the cables', () => {
  const cut = (fields: Partial<ReturnType<typeof makeDevice>>) => {
    const base = smallRig()
    return { ...base, devices: { ...base.devices, preamp: { ...base.devices.preamp!, ...fields } } }
  }
  const heard = (one: typeof rig) =>
    stomp(one, floorAtPowerOn(one), 'one-2' as SwitchId, 0).wire.map(({ heardBy }) => heardBy)

  it('a device behind a box that hands nothing on does not move', () => {
    expect(heard(rig)).toEqual([['preamp'], ['echo']])
    expect(heard(cut({ ports: [rig.devices.preamp!.ports[0]!] }))).toEqual([['preamp'], []])
  })

  it('a device set not to obey program changes does not move', () => {
    expect(heard(cut({ receivesPrograms: false }))).toEqual([[], ['echo']])
  })
})

describe('a compiled switch followed by the simulator', () => {
  it('reaches the preset it names, whatever the numbering, from whatever state', () => {
    fc.assert(
      fc.property(anyNumbering, fc.nat(), fc.nat(), (numbering, wanted, before) => {
        const presets = [
          makePreset('wanted', 'device', wanted % numbering.count),
          ...(wanted % numbering.count === before % numbering.count
            ? []
            : [makePreset('before', 'device', before % numbering.count)]),
        ]
        const one = makeRig({
          devices: [makeDevice('device', 3, { numbering })],
          presets,
          banks: [makeBank('one', 0)],
          switches: [
            makeSwitch('one', 1, [recall(presets.at(-1)!.id)]),
            makeSwitch('one', 2, [recall('wanted')]),
          ],
        })
        let state = floorAtPowerOn(one)
        for (const switchId of ['one-1', 'one-2'] as SwitchId[])
          state = stepAndSettle(one, state, { kind: 'press', switchId, at: 0 }).state
        expect(deviceState(state, 'device').preset).toBe(wanted % numbering.count)
      }),
      generated(100, 70),
    )
  })

  it('says the same as the bytes read back from the wire, with running status too', () => {
    const { state, wire } = press(floorAtPowerOn(rig), 'one-2')
    const bytes = encodeMessages(
      wire.map(({ message }) => message),
      { runningStatus: true },
    )
    for (const device of Object.values(rig.devices)) {
      const heard = (parseMessages(bytes).messages as ChannelMessage[]).filter(
        ({ channel }) => channel === device.channel,
      )
      const plain = heard.reduce(
        (now, message) => receive(device.numbering, now, message),
        DEVICE_AT_POWER_ON,
      )
      expect(plain).toEqual(deviceState(state, device.id))
    }
  })
})

describe('a device', () => {
  const reverb = { ...makeDevice('r', 1).numbering, count: 300, bankSelect: 'both' as const }
  const control = (controller: number, value: number) =>
    ({ kind: 'control', channel: 1, controller, value }) as ChannelMessage
  const program = (number: number) => ({ kind: 'program', channel: 1, program: number }) as ChannelMessage

  // M1 v4.2.1, "Bank Select": the bank takes effect at the program change; from memory.
  it('changes bank only at the program change', () => {
    let state = receive(reverb, DEVICE_AT_POWER_ON, program(3))
    state = receive(reverb, state, control(32, 2))
    expect(state.preset).toBe(3)
    expect(receive(reverb, state, program(43)).preset).toBe(299)
  })

  it('stays where it is, and says so, when the program names no preset', () => {
    const state = receive(reverb, receive(reverb, DEVICE_AT_POWER_ON, control(32, 2)), program(44))
    expect(state).toMatchObject({ preset: null, refused: 44 })
  })

  it('returns the same state for what changes nothing', () => {
    const state = receive(reverb, DEVICE_AT_POWER_ON, program(3))
    expect(receive(reverb, state, program(3))).toBe(state)
    expect(receive(reverb, state, control(7, 99))).toBe(state)
    expect(receive(reverb, state, control(32, 0))).toBe(state)
  })
})

describe('reconcile', () => {
  it('forgets what the rig no longer has, and returns the same state when all still holds', () => {
    const { state } = press(press(floorAtPowerOn(rig), 'one-2').state, 'one-1')
    expect(reconcile(rig, state)).toBe(state)
    const applied = applyEdit(rig, removeRow(rig, 'removeDevice', 'devices', 'echo')!)
    const without = applied.ok ? applied.value : rig
    expect(Object.keys(reconcile(without, state).devices)).toEqual(['preamp'])
    const noBank = applyEdit(rig, removeRow(rig, 'removeBank', 'banks', 'one')!)
    expect(reconcile(noBank.ok ? noBank.value : rig, state)).toMatchObject({
      known: { bankId: 'two', next: {} },
    })
  })
})
