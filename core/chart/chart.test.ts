import { describe, expect, it } from 'vitest'
import { requireChannel } from '../base/channel'
import { encodeMessage } from '../midi/encode'
import { expectFixable, codes, requireFinding } from '../check/testing/makeFinding'
import { applyEdit } from '../rig/applyEdit'
import { invertEdit, type Edit } from '../rig/edit'
import { editRow } from '../rig/edits/editRow'
import { removeRow } from '../rig/edits/removeRow'
import { controlMessages } from '../rig/chart/controlMessages'
import { nrpnReadings } from '../rig/chart/nrpn'
import {
  makeControl,
  makeDevice,
  makePreset,
  makeRig,
  makeBank,
  makeSwitch,
  recall,
  makeController,
} from '../rig/testing/makeRig'
import type { Rig } from '../rig/rig'
import type { Control, ControlAddress, ControlId } from '../rig/table/control'
import type { Pair } from '../rig/table/pair'
import { deviceState, floorAtPowerOn, type FloorState } from '../simulate/floor'
import { stepAndSettle, stomp } from '../simulate/step'
import { nextFreeNumber, takenNumbers } from './freeNumbers'
import { learnedText, mustLearn, pairLines } from './learning'
import { fillPresets } from './fillPresets'
import { nextFreePreset, unreachablePresets, usedPresets } from './presetReach'
import { relayTable } from './relayTable'
import { search, type Hit } from './search'
import { controlsByAddress, takeChart, takingOf } from './takeChart'

const nrpn = (parameter: number, fields: object = {}): ControlAddress =>
  ({
    kind: 'nrpn',
    parameter,
    written: 'number',
    value: 'msb',
    nullAfter: false,
    ...fields,
  }) as ControlAddress
const hex = (address: ControlAddress, channel: number, value: number) =>
  controlMessages(address, requireChannel(channel), value).map((message) =>
    [...encodeMessage(message)].map((byte) => byte.toString(16).padStart(2, '0')).join(' '),
  )
function done(rig: Rig, edit: Edit | null): Rig {
  const applied = edit && applyEdit(rig, edit)
  if (!applied?.ok) throw new Error(JSON.stringify(applied))
  return applied.value
}

describe('NRPN', () => {
  // Common practice: 12588 may be one 14-bit number (98, 44) or the pair 125, 88, which is 16088.
  it('both readings of 12588 are shown, neither is chosen', () => {
    expect(nrpnReadings('12588')).toEqual([
      { written: 'number', msb: 98, lsb: 44, parameter: 12588 },
      { written: 'pair', msb: 125, lsb: 88, parameter: 16088 },
    ])
    expect(nrpnReadings('98/44')).toEqual([{ written: 'pair', msb: 98, lsb: 44, parameter: 12588 }])
    expect(nrpnReadings('16384').map(({ written }) => written)).toEqual([])
    expect(nrpnReadings('drift')).toEqual([])
  })

  // M1 v4.2.1: CC 99, CC 98, CC 6, then CC 38; null 127, 127 behind; from memory.
  it('is sent as 99, 98, 6, 38 and the null', () => {
    expect(hex(nrpn(12588), 1, 100)).toEqual(['b0 63 62', 'b0 62 2c', 'b0 06 64'])
    expect(hex(nrpn(12588, { value: 'both', nullAfter: true }), 16, 8192)).toEqual([
      'bf 63 62',
      'bf 62 2c',
      'bf 06 40',
      'bf 26 00',
      'bf 63 7f',
      'bf 62 7f',
    ])
    expect(() => controlMessages(nrpn(1), requireChannel(1), 128)).toThrow(RangeError)
  })
})

const echo = makeDevice('Echo', 4, {
  numbering: {
    style: 'banked',
    count: 128,
    bankSelect: 'none',
    programsPerBank: 128,
    bank: { symbols: 'letters' },
    slot: { symbols: 'digits', first: 1 },
    slots: 8,
    separator: '',
  },
})
const reverb = makeDevice('Reverb', 5, { order: 2 })
const charted = (controls: readonly Control[], more: object = {}) =>
  makeRig({ devices: [echo, reverb], controls, ...more })

describe('search', () => {
  const rig = charted(
    [
      makeControl('emix', 'Echo', 21, { name: 'Mix' }),
      makeControl('rmix', 'Reverb', 21, { name: 'Mix' }),
      makeControl('rdecay', 'Reverb', 22, {
        name: 'Decay',
        reading: { kind: 'range', unit: 's', low: 0.2, high: 20, scale: 'logarithmic', from: 0, to: 127 },
      }),
      makeControl('rtype', 'Reverb', 23, {
        name: 'Type',
        reading: {
          kind: 'named',
          names: [
            { value: 0, name: 'Hall' },
            { value: 1, name: 'Plate' },
          ],
        },
      }),
    ],
    { presets: [makePreset('dotted', 'Echo', 11, 'Dotted eighth')] },
  )
  const first = (query: string): Hit | undefined => search(rig, query)[0]
  const bytes = (query: string) => first(query)?.messages.map((message) => [...encodeMessage(message)])

  it('"reverb mix 35 %" is the exact message, also cut short', () => {
    // 35 % of 127 is 44.45: 44, on channel 5.
    expect(bytes('reverb mix 35 %')).toEqual([[0xb4, 21, 44]])
    expect(bytes('rev m 35')).toEqual([[0xb4, 21, 44]])
    expect(first('mix reverb 35%')).toMatchObject({ kind: 'control', shown: '34.6 %' })
  })

  it('finds by number, with and without a value', () => {
    expect(search(rig, 'CC 21').map(({ device }) => device.name)).toEqual(['Echo', 'Reverb'])
    expect(search(rig, 'cc#21 64').map(({ messages }) => [...encodeMessage(messages[0]!)])).toEqual([
      [0xb3, 21, 64],
      [0xb4, 21, 64],
    ])
    expect(search(rig, 'CC 99')).toEqual([])
  })

  it('finds presets by the device’s own number, by name and by program', () => {
    for (const query of ['B4', 'dotted', 'echo dotted', 'PC 11'])
      expect(first(query)).toMatchObject({ kind: 'preset', display: 'B4', name: 'Dotted eighth' })
    expect(bytes('b4')).toEqual([[0xc3, 11]])
  })

  it('finds named values, and nothing where the rest means nothing', () => {
    expect(bytes('reverb type plate')).toEqual([[0xb4, 23, 1]])
    expect(search(rig, 'reverb mix 135 %')).toEqual([])
    expect(search(rig, '')).toEqual([])
    expect(search(rig, '((((')).toEqual([])
  })
})

describe('free numbers', () => {
  const rig = charted([makeControl('a', 'Echo', 20), makeControl('b', 'Reverb', 21)])

  it('pass over what the standard keeps and what the device uses', () => {
    expect(takenNumbers(rig, echo)[20]).toMatchObject({ why: 'used', control: 'a' })
    expect(takenNumbers(rig, echo)[21]).toBeNull()
    // M1 v4.2.1, table III: 0 and 32, 6, 38 and 96-101, 120-127; from memory.
    const kept = takenNumbers(rig, echo).flatMap((one, number) => (one?.why === 'standard' ? [number] : []))
    expect(kept).toEqual([0, 6, 32, 38, 96, 97, 98, 99, 100, 101, 120, 121, 122, 123, 124, 125, 126, 127])
    expect(nextFreeNumber(rig, echo, 19)).toBe(21)
  })

  it('count what another device on the channel uses', () => {
    const together = makeRig({
      devices: [echo, { ...reverb, channel: echo.channel }],
      controls: [makeControl('a', 'Echo', 20), makeControl('b', 'Reverb', 21)],
    })
    expect(nextFreeNumber(together, echo, 19)).toBe(22)
  })
})

describe('presets', () => {
  it('those a controller’s list does not reach are named in runs, with the reason', () => {
    // Common practice: a controller list that stops at 100 cannot reach preset 126.
    const rig = makeRig({
      controllers: [makeController({ highestProgram: 99 as never, sendsBankSelect: false })],
      devices: [
        {
          ...reverb,
          numbering: { ...makeDevice('x', 1).numbering, count: 300, bankSelect: 'both' } as never,
        },
      ],
    })
    expect(unreachablePresets(rig, rig.devices.Reverb!)).toEqual([
      { from: 100, to: 127, why: 'listStops' },
      { from: 128, to: 299, why: 'noBankSelect' },
    ])
  })

  it('those no switch recalls are told apart', () => {
    const rig = charted([], {
      presets: [makePreset('p', 'Echo', 0), makePreset('q', 'Echo', 1)],
      banks: [makeBank('one', 0)],
      switches: [makeSwitch('one', 1, [[], recall('q')])],
    })
    expect([...usedPresets(rig)]).toEqual(['q'])
  })

  it('a run is named at once, with the number in the name; what has a name keeps it', () => {
    const rig = charted([], { presets: [makePreset('p', 'Echo', 1, 'Mine')] })
    let n = 0
    const edit = fillPresets(rig, echo, 2, 0, 'Take #', () => `new-${n++}` as never)!
    const after = done(rig, edit)
    expect(
      Object.values(after.presets)
        .sort((a, b) => a.index - b.index)
        .map(({ name }) => name),
    ).toEqual(['Take A1', 'Mine', 'Take A3'])
    expect(fillPresets(after, echo, 0, 2, 'Again', () => 'x' as never)).toBeNull()
  })

  it('the next free one goes up, then round', () => {
    const rig = charted([], { presets: [makePreset('p', 'Echo', 127), makePreset('q', 'Echo', 0)] })
    expect(nextFreePreset(rig, echo, 126)).toBe(1)
    expect(nextFreePreset(rig, echo)).toBe(1)
  })
})

describe('a relay box', () => {
  const relays = [
    { id: 'two', name: 'Channel 2', does: '', within: '' },
    { id: 'b', name: '2B', does: '', within: 'two' },
  ]
  const box = makeDevice('Relay', 6, { relays })

  it('greys a function that lies within one that is open, and finds programs that do the same', () => {
    const rig = makeRig({
      devices: [box],
      presets: [
        makePreset('clean', 'Relay', 0),
        makePreset('odd', 'Relay', 1, '', { closes: ['b'] }),
        makePreset('lead', 'Relay', 2, '', { closes: ['two', 'b'] }),
      ],
    })
    const table = relayTable(rig, box)
    expect(table.map(({ cells }) => cells.map(({ isClosed, isIdle }) => [isClosed, isIdle]))).toEqual([
      [
        [false, false],
        [false, true],
      ],
      [
        [false, false],
        [true, true],
      ],
      [
        [true, false],
        [true, false],
      ],
    ])
    expect(table.map(({ sameAs }) => sameAs?.id ?? null)).toEqual([null, 'clean', null])
  })

  it('is not caught by functions within each other', () => {
    const ring = makeDevice('Relay', 6, {
      relays: relays.map((one) => ({ ...one, within: one.id === 'b' ? 'two' : 'b' })),
    })
    const rig = makeRig({
      devices: [ring],
      presets: [makePreset('p', 'Relay', 0, '', { closes: ['two', 'b'] })],
    })
    expect(relayTable(rig, ring)[0]?.cells.every(({ isIdle }) => isIdle)).toBe(true)
  })
})

describe('taking a chart', () => {
  const draft = (number: number, name: string) => ({
    name,
    section: '',
    note: '',
    address: { kind: 'cc', number } as ControlAddress,
    reading: makeControl('x', 'x', 1).reading,
  })
  let n = 0
  const newId = () => `new-${n++}` as ControlId

  it('adds, changes and leaves alone, in one edit that is undone in one step', () => {
    const rig = charted([
      makeControl('a', 'Echo', 20, { name: 'Time' }),
      makeControl('b', 'Echo', 21, { name: 'Mix' }),
    ])
    const drafts = [draft(20, 'Time'), draft(21, 'Blend'), draft(22, 'Age'), draft(22, 'Age 2')]
    expect(drafts.map((one) => takingOf(controlsByAddress(rig, 'Echo'), one))).toEqual([
      'same',
      'changes',
      'new',
      'new',
    ])
    const edit = takeChart(rig, echo.id, drafts, newId)!
    const after = done(rig, edit)
    expect(Object.values(after.controls).map(({ name }) => name)).toEqual(['Time', 'Blend', 'Age 2'])
    expect(applyEdit(after, invertEdit(edit))).toEqual({ ok: true, value: rig })
    expect(takeChart(after, echo.id, drafts.slice(0, 2), newId)).toBeNull()
  })
})

describe('removing a device', () => {
  it('takes its chart, and removing a control cleans presets and pairs, undone whole', () => {
    const pair: Pair = {
      id: 'p' as never,
      deviceId: echo.id,
      order: 1,
      name: 'P',
      by: '',
      a: [{ controlId: 'a' as never, value: 1 }],
      b: [],
      isLocked: false,
      losesAll: '',
      learned: null,
    }
    const rig = charted([makeControl('a', 'Echo', 20)], {
      presets: [
        makePreset('one', 'Echo', 0, '', {
          recalls: [{ controlId: 'a' as never, value: 9 }],
          entered: ['a' as never],
        }),
      ],
      pairs: [pair],
    })
    const edit = removeRow(rig, 'removeControl', 'controls', 'a')!
    const after = done(rig, edit)
    expect(after.presets.one).toMatchObject({ recalls: [], entered: [] })
    expect(after.pairs.p).toMatchObject({ a: [] })
    expect(applyEdit(after, invertEdit(edit))).toEqual({ ok: true, value: rig })
    expect(done(rig, removeRow(rig, 'removeDevice', 'devices', 'Echo')).controls).toEqual({})
  })
})

describe('checks of charts', () => {
  it('one number with two meanings on a device; an assignable one gets the next free', () => {
    const rig = charted([
      makeControl('a', 'Echo', 20),
      makeControl('b', 'Echo', 20, { kind: 'assignable', order: 30 }),
    ])
    expect(requireFinding(rig, 'controlClash').facts).toMatchObject({
      number: 20,
      control: 'b',
      other: 'a',
      free: 21,
    })
    expect(codes(expectFixable(rig, 'controlClash'))).toEqual([])
  })

  it('one number on two devices of a channel, not on two channels', () => {
    const two = (channel: number) =>
      makeRig({
        devices: [echo, { ...reverb, channel: requireChannel(channel) }],
        controls: [makeControl('a', 'Echo', 20), makeControl('b', 'Reverb', 20)],
      })
    expect(codes(two(4))).toContain('controlClash')
    expect(codes(two(5))).toEqual([])
  })

  it('numbers the standard keeps', () => {
    expect(
      requireFinding(charted([makeControl('a', 'Echo', 120, { kind: 'assignable' })]), 'reservedNumber')
        .facts,
    ).toMatchObject({ what: 'mode', free: 1 })
    expectFixable(charted([makeControl('a', 'Echo', 120, { kind: 'assignable' })]), 'reservedNumber')
    // CC 6 is free to use until the device uses NRPN; CC 0 until it uses bank select.
    expect(codes(charted([makeControl('a', 'Echo', 6), makeControl('z', 'Echo', 0)]))).toEqual([])
    expect(
      codes(charted([makeControl('a', 'Echo', 6), makeControl('b', 'Echo', 1, { address: nrpn(5) })])),
    ).toEqual(['reservedNumber'])
  })

  // M1 v4.2.1: CC 99 and 98 choose an NRPN, 6 and 38 enter its value; from memory.
  it('the four numbers an NRPN is sent with are no controls, even where no line says NRPN', () => {
    const all = [99, 98, 6, 38].map((number) => makeControl(`c${number}`, 'Echo', number))
    expect(codes(charted(all)).filter((code) => code === 'reservedNumber')).toHaveLength(4)
    const fixed = expectFixable(charted(all.slice(0, 1)), 'reservedNumber')
    expect(fixed.controls.c99).toMatchObject({ kind: 'reserved' })
    // Alone, 6 and 38 may be anything.
    expect(codes(charted(all.slice(2)))).not.toContain('reservedNumber')
  })

  it('the tap of a looper beside tap tempo', () => {
    const rig = charted([
      makeControl('a', 'Echo', 20, { name: 'Tap tempo' }),
      makeControl('b', 'Echo', 21, { name: 'Tap', section: 'Looper' }),
    ])
    expect(requireFinding(rig, 'lookAlike').facts).toMatchObject({
      why: 'tap',
      one: 'Tap tempo',
      other: 'Looper: Tap',
    })
    expect(
      codes(
        charted([
          makeControl('a', 'Echo', 20, { name: 'Mix', section: 'A' }),
          makeControl('b', 'Echo', 21, { name: 'Mix', section: 'B' }),
        ]),
      ),
    ).toEqual([])
  })

  const perPreset = (entered: string[], lacks: string[] = []) =>
    charted([makeControl('a', 'Echo', 20, { map: 'preset' })], {
      presets: [makePreset('p', 'Echo', 3, 'Dark', { entered: entered as never, lacks: lacks as never })],
      banks: [makeBank('one', 0)],
      switches: [makeSwitch('one', 1, [recall('p')])],
    })

  it('a map kept in each preset that has not been entered in one that is recalled', () => {
    expect(requireFinding(perPreset([]), 'notEntered').facts.presets).toEqual(['A4 Dark'])
    // Entered and sent by nothing: that is said, and is another matter.
    expect(codes(perPreset(['a']))).toEqual(['unsentControl'])
    expect(codes(perPreset([], ['a']))).toEqual([])
  })

  it('a learned pair that has changed since it was learned', () => {
    const pair: Pair = {
      id: 'p' as never,
      deviceId: echo.id,
      order: 1,
      name: 'Verse',
      by: '',
      a: [{ controlId: 'a' as never, value: 1 }],
      b: [{ controlId: 'a' as never, value: 9 }],
      isLocked: true,
      losesAll: '',
      learned: null,
    }
    const rig = charted([makeControl('a', 'Echo', 20)], { pairs: [pair] })
    expect(requireFinding(rig, 'relearnPair').facts).toMatchObject({ isFirst: true, isLocked: true })
    const learned = expectFixable(rig, 'relearnPair')
    expect(pairLines(learned, learned.pairs.p!)).toMatchObject([{ a: 1, b: 9, differs: true }])
    const changed = done(
      learned,
      editRow(learned, 'changePair', 'pairs', 'p', { b: [{ controlId: 'a' as never, value: 10 }] }),
    )
    expect(mustLearn(changed, changed.pairs.p!)).toBe(true)
    expect(learnedText(changed, changed.pairs.p!)).not.toBe(learned.pairs.p!.learned)
  })
})

describe('a simulated device with a chart', () => {
  const send = (rig: Rig, state: FloorState, address: ControlAddress, value: number, device = echo) =>
    stepAndSettle(rig, state, {
      kind: 'send',
      deviceId: device.id,
      messages: controlMessages(address, device.channel as never, value),
      at: 0,
    }).state
  const cc = (number: number) => ({ kind: 'cc', number }) as ControlAddress

  it('takes a value, and a recall puts its own back', () => {
    const rig = charted([makeControl('a', 'Echo', 20)], {
      presets: [makePreset('p', 'Echo', 3, '', { recalls: [{ controlId: 'a' as never, value: 5 }] })],
      banks: [makeBank('one', 0)],
      switches: [makeSwitch('one', 1, [recall('p')])],
    })
    let state = send(rig, floorAtPowerOn(rig), cc(20), 99)
    expect(deviceState(state, 'Echo')).toMatchObject({ controls: { a: 99 }, lastControl: 'a' })
    state = stomp(rig, state, 'one-1' as never, 0).state
    expect(deviceState(state, 'Echo')).toMatchObject({ controls: { a: 5 }, lastControl: null, preset: 3 })
  })

  it('a toggle changes over at every message; an increment goes a step', () => {
    const rig = charted([
      makeControl('t', 'Echo', 20, { reading: { kind: 'toggle', value: 127 } }),
      makeControl('i', 'Echo', 21, { reading: { kind: 'increment', up: 1, down: 0 } }),
    ])
    let state = floorAtPowerOn(rig)
    const seen: unknown[] = []
    for (let n = 0; n < 3; n++) {
      state = send(rig, state, cc(20), 127)
      seen.push(deviceState(state, 'Echo').controls.t)
    }
    expect(seen).toEqual([127, 0, 127])
    for (const value of [1, 1, 0]) state = send(rig, state, cc(21), value)
    expect(deviceState(state, 'Echo').controls.i).toBe(1)
  })

  it('hears NRPN with both halves, and nothing after the null', () => {
    const address = nrpn(12588, { value: 'both', nullAfter: true })
    const rig = charted([makeControl('n', 'Echo', 1, { address })])
    const state = send(rig, floorAtPowerOn(rig), address, 12_345)
    expect(deviceState(state, 'Echo').controls.n).toBe(12_345)
    expect(deviceState(send(rig, state, cc(6), 1), 'Echo').controls.n).toBe(12_345)
  })

  it('does nothing in a preset where the control has not been entered', () => {
    const rig = charted([makeControl('a', 'Echo', 20, { map: 'preset' })], {
      presets: [makePreset('p', 'Echo', 0, '', { entered: ['a'] as never }), makePreset('q', 'Echo', 1)],
      banks: [makeBank('one', 0)],
      switches: [makeSwitch('one', 1, [recall('p')]), makeSwitch('one', 2, [recall('q')])],
    })
    const after = (switchId: string) =>
      deviceState(send(rig, stomp(rig, floorAtPowerOn(rig), switchId as never, 0).state, cc(20), 50), 'Echo')
        .controls
    expect(after('one-1')).toEqual({ a: 50 })
    expect(after('one-2')).toEqual({})
  })
})
