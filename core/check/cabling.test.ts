import { describe, expect, it } from 'vitest'
import { editRow } from '../rig/edits/editRow'
import { applyEdit } from '../rig/applyEdit'
import {
  makeBank,
  makeCable,
  makeController,
  makeDevice,
  makePort,
  makePreset,
  makeRig,
  makeRole,
  makeSwitch,
  recall,
} from '../rig/testing/makeRig'
import type { Rig } from '../rig/rig'
import type { Cable } from '../rig/table/cable'
import type { Device } from '../rig/table/device'
import type { Port, RoleOf } from '../rig/table/port'
import { codes, expectFixable, requireFinding } from './testing/makeFinding'

/** A controller with jacks of every kind, and the boxes and cables of one case. */
const rigWith = (devices: readonly Device[], cables: readonly Cable[], ports: readonly Port[] = []): Rig =>
  makeRig({
    controllers: [
      makeController({
        ports: [
          makePort('out', makeRole('midiOut')),
          makePort('trs', makeRole('midiOut', { plug: 'trsA' })),
          ...ports,
        ],
      }),
    ],
    devices,
    cables,
  })
const midiIn = (plug: 'din' | 'trsA' | 'trsB' | 'trrs' = 'din') =>
  makePort('in', makeRole('midiIn', { plug }))
const receiver = (id: string, channel: number, ...ports: Port[]) => makeDevice(id, channel, { ports })
const other = (id: string, kind: Device['kind'], ...ports: Port[]) => makeDevice(id, 'none', { kind, ports })

describe('no path', () => {
  it('is found for a receiver without a cable; the fix lays the one a player would', () => {
    const rig = rigWith([receiver('echo', 1, midiIn())], [])
    expect(requireFinding(rig, 'noPath').facts).toEqual({
      device: 'echo',
      why: 'uncabled',
      source: 'Foot controller',
      room: null,
    })
    const fixed = expectFixable(rig, 'noPath')
    expect(Object.values(fixed.cables)).toMatchObject([
      { from: { id: 'controller', port: 'out' }, to: { id: 'echo', port: 'in' }, lead: 'din3', adapters: [] },
    ])
  })

  it('takes the adapter the jacks ask for', () => {
    const fixed = expectFixable(rigWith([receiver('echo', 1, midiIn('trsB'))], []), 'noPath')
    expect(Object.values(fixed.cables)).toMatchObject([{ lead: 'din3', adapters: ['dinTrsB'] }])
  })

  it('is found behind an out that carries only its own messages; where no jack is left a thru box makes room', () => {
    const rig = rigWith(
      [
        receiver('a', 1, midiIn(), makePort('out', makeRole('midiOut'))),
        receiver('b', 2, makePort('in', makeRole('midiIn'))),
      ],
      [makeCable('controller.out', 'a.in'), makeCable('a.out', 'b.in')],
    )
    // The one input of b is taken by a cable that brings nothing.
    expect(requireFinding(rig, 'noPath').facts).toMatchObject({
      device: 'b',
      why: 'leadsNowhere',
      source: null,
    })
    const { facts } = requireFinding(rigWith([receiver('c', 1, midiIn())], [], []), 'noPath')
    expect(facts.room).toBeNull()
  })

  it('a power cable is no MIDI cable', () => {
    const rig = rigWith(
      [
        receiver('echo', 1, midiIn(), makePort('power', makeRole('powerIn'))),
        other('supply', 'supply', makePort('nine', makeRole('powerOut'))),
      ],
      [makeCable('supply.nine', 'echo.power', { lead: 'power' })],
    )
    expect(requireFinding(rig, 'noPath').facts.why).toBe('uncabled')
  })

  it('a full controller: a thru box comes in behind it, with its cables and its power, in one edit', () => {
    const rig = makeRig({
      controllers: [makeController()],
      devices: [
        receiver('a', 1, midiIn()),
        receiver('b', 2, midiIn()),
        other('supply', 'supply', makePort('nine', makeRole('powerOut'))),
      ],
      cables: [makeCable('controller.out', 'a.in', { colour: 'red', centimetres: 300 })],
    })
    expect(requireFinding(rig, 'noPath').facts).toMatchObject({
      device: 'b',
      source: null,
      room: { box: 'MIDI thru box', behind: 'Foot controller', supply: 'supply, nine' },
    })
    const fixed = expectFixable(rig, 'noPath')
    const thru = Object.values(fixed.devices).find(({ name }) => name === 'MIDI thru box')!
    expect(
      Object.values(fixed.cables).map(({ from, to }) => `${from.id}.${from.port} ${to.id}.${to.port}`),
    ).toEqual([
      `controller.out ${thru.id}.in`,
      `${thru.id}.thru1 a.in`,
      `${thru.id}.thru2 b.in`,
      `supply.nine ${thru.id}.power`,
    ])
    expect(codes(fixed)).toEqual([])
  })
})

describe('an out where a thru is meant (common practice: the commonest mistake on a floor)', () => {
  const out = makePort('out', makeRole('midiOut'))
  const thru = makePort('thru', makeRole('midiOut', { isThru: true, passes: 'always' }))
  const rig = (...more: Cable[]) =>
    rigWith(
      [receiver('a', 1, midiIn(), out, thru), receiver('b', 2, midiIn()), receiver('c', 3, midiIn())],
      [
        makeCable('controller.out', 'a.in'),
        makeCable('controller.trs', 'c.in', { adapters: ['dinTrsA'] }),
        ...more,
      ],
    )

  it('is said, and the plug is moved; nothing else is blamed', () => {
    const wrong = rig(makeCable('a.out', 'b.in', { colour: 'blue' }))
    expect(codes(wrong)).toEqual(['outForThru'])
    expect(requireFinding(wrong, 'outForThru').facts).toEqual({
      box: 'a',
      jack: 'out',
      thru: 'thru',
      isThruFree: true,
      to: 'b',
      silenced: ['b'],
    })
    const fixed = expectFixable(wrong, 'outForThru')
    expect(Object.values(fixed.cables)).toContainEqual(
      expect.objectContaining({ from: { table: 'devices', id: 'a', port: 'thru' }, colour: 'blue' }),
    )
  })

  it('is nothing where the box behind hears the controller another way', () => {
    const merging = makePort('two', makeRole('midiIn'))
    const both = rigWith(
      [receiver('a', 1, midiIn(), out, thru), receiver('b', 2, midiIn(), merging)],
      [makeCable('controller.out', 'a.in'), makeCable('a.out', 'b.two'), makeCable('a.thru', 'b.in')],
    )
    expect(codes(both)).not.toContain('outForThru')
  })
})

describe('TRS wiring (RP-054, from memory)', () => {
  const cabled = (fields: Partial<Cable>) =>
    rigWith(
      [receiver('echo', 1, midiIn('trsB'))],
      [makeCable('controller.trs', 'echo.in', { lead: 'trs', ...fields })],
    )

  it('type A into type B is found with who hears nothing; a crossing adapter mends it', () => {
    expect(requireFinding(cabled({}), 'wrongWiring').facts).toMatchObject({
      why: 'wiring',
      out: 'trsA',
      into: 'trsB',
      adapters: ['cross'],
      silenced: ['echo'],
    })
    expectFixable(cabled({}), 'wrongWiring')
    expect(codes(cabled({ adapters: ['cross'] }))).toEqual([])
  })

  it('two crossings are as bad as none', () => {
    expect(codes(cabled({ adapters: ['cross', 'cross'] }))).toEqual(['wrongWiring'])
  })

  it('a TRRS cable where TRS is needed is found and changed', () => {
    const rig = cabled({ lead: 'trrs', adapters: ['cross'] })
    expect(requireFinding(rig, 'wrongWiring').facts.why).toBe('trrs')
    expect(Object.values(expectFixable(rig, 'wrongWiring').cables)[0]).toMatchObject({ lead: 'trs' })
  })
})

describe('a thru that is off', () => {
  const rig = (passes: 'off' | 'on') =>
    rigWith(
      [
        receiver('a', 1, midiIn(), makePort('thru', makeRole('midiOut', { isThru: true, passes }))),
        receiver('b', 2, midiIn()),
      ],
      [makeCable('controller.out', 'a.in'), makeCable('a.thru', 'b.in')],
    )

  it('is found where something waits behind it, instead of a missing path', () => {
    expect(codes(rig('off'))).toEqual(['thruOff'])
    expect(requireFinding(rig('off'), 'thruOff').facts).toEqual({ box: 'a', jack: 'thru', silenced: ['b'] })
    expectFixable(rig('off'), 'thruOff')
    expect(codes(rig('on'))).toEqual([])
  })
})

describe('USB', () => {
  const synth = receiver('synth', 1, makePort('usb', makeRole('usb')))
  const usb = makePort('usb', makeRole('usb'))

  it('device to device is found; the fix brings in a host box, cabled on both sides', () => {
    const rig = rigWith([synth], [makeCable('controller.usb', 'synth.usb', { lead: 'usb' })], [usb])
    expect(requireFinding(rig, 'usbWithoutHost').facts).toMatchObject({
      ends: 'device',
      host: null,
      silenced: ['synth'],
    })
    const fixed = expectFixable(rig, 'usbWithoutHost')
    expect(codes(fixed)).toEqual([])
    expect(Object.keys(fixed.cables)).toHaveLength(2)
  })

  it('goes by a host that is there', () => {
    const host = (n: number) => makePort(`host${n}`, makeRole('usb', { end: 'host', passes: 'always' }))
    const rig = rigWith(
      [synth, other('tablet', 'box', host(1), host(2))],
      [makeCable('controller.usb', 'synth.usb', { lead: 'usb' })],
      [usb],
    )
    expect(requireFinding(rig, 'usbWithoutHost').facts.host).toBe('tablet')
    expect(codes(expectFixable(rig, 'usbWithoutHost'))).toEqual([])
  })
})

describe('a jack with too many cables', () => {
  it('two senders into an input that does not merge', () => {
    const senders = (merges: boolean) =>
      rigWith(
        [receiver('echo', 1, makePort('in', makeRole('midiIn', { merges })))],
        [makeCable('controller.out', 'echo.in'), makeCable('controller.out2', 'echo.in')],
        [makePort('out2', makeRole('midiOut'))],
      )
    expect(requireFinding(senders(false), 'crowdedJack').facts.why).toBe('senders')
    expectFixable(senders(false), 'crowdedJack')
    expect(codes(senders(true))).toEqual([])
  })

  it('one jack used in two roles at once', () => {
    const jack = makePort('jack', makeRole('midiIn', { plug: 'trsA' }), makeRole('expressionIn'))
    const rig = rigWith(
      [receiver('echo', 1, jack), other('sweep', 'pedal', makePort('plug', makeRole('expressionOut')))],
      [
        makeCable('controller.trs', 'echo.jack', { lead: 'trs' }),
        makeCable('sweep.plug', 'echo.jack', { lead: 'trs' }),
      ],
    )
    expect(requireFinding(rig, 'crowdedJack').facts).toMatchObject({
      why: 'plugs',
      others: ['Foot controller', 'sweep'],
    })
    // The pedal then wants a jack of its own.
    expect(codes(expectFixable(rig, 'crowdedJack'))).toEqual(['cannotPerform'])
  })
})

describe('a loop', () => {
  const box = (id: string) =>
    other(
      id,
      'box',
      makePort('in', makeRole('midiIn', { merges: true })),
      makePort('out', makeRole('midiOut', { passes: 'on' })),
      makePort('out2', makeRole('midiOut', { passes: 'on' })),
    )

  it('is found, and its closing cable taken out', () => {
    const rig = rigWith(
      [box('a'), box('b')],
      [makeCable('controller.out', 'a.in'), makeCable('a.out', 'b.in'), makeCable('b.out', 'a.in')],
    )
    expect(requireFinding(rig, 'loop').facts.boxes).toEqual(['a', 'b'])
    expect(codes(expectFixable(rig, 'loop'))).toEqual([])
  })

  it('two boxes that hear each other without handing on are none', () => {
    const rig = rigWith(
      [
        receiver(
          'a',
          1,
          makePort('in', makeRole('midiIn', { merges: true })),
          makePort('out', makeRole('midiOut')),
        ),
        box('b'),
      ],
      [makeCable('controller.out', 'a.in'), makeCable('a.out', 'b.in'), makeCable('b.out', 'a.in')],
    )
    expect(codes(rig)).not.toContain('loop')
  })
})

describe('a shared jack in the wrong role', () => {
  const jack = (role: number): Port => ({
    ...makePort('jack', makeRole('expressionIn'), makeRole('midiIn', { plug: 'trsA' })),
    role,
  })
  const rig = (role: number) =>
    rigWith([receiver('echo', 1, jack(role))], [makeCable('controller.trs', 'echo.jack', { lead: 'trs' })])

  it('is found with what it should be, and set', () => {
    expect(codes(rig(0))).toEqual(['wrongRole'])
    expect(requireFinding(rig(0), 'wrongRole').facts).toMatchObject({
      set: 'expressionIn',
      wanted: 'midiIn',
      silenced: ['echo'],
    })
    expectFixable(rig(0), 'wrongRole')
    expect(codes(rig(1))).toEqual([])
  })

  it('a cable between jacks with nothing in common is taken out', () => {
    const rig = rigWith(
      [receiver('echo', 1, midiIn()), other('octaver', 'plain', makePort('remote', makeRole('powerIn')))],
      [makeCable('controller.out', 'echo.in'), makeCable('controller.trs', 'octaver.remote')],
    )
    expect(requireFinding(rig, 'wrongRole').facts.wanted).toBeNull()
    expectFixable(rig, 'wrongRole')
  })
})

describe('thru jacks in a row (common practice: three)', () => {
  const chain = (length: number) =>
    makeRig({ devices: Array.from({ length }, (_, n) => makeDevice(`d${n}`, n + 1, { order: n })) })

  it('three are fine, four are found', () => {
    expect(codes(chain(4))).toEqual([])
    expect(codes(chain(5))).toEqual(['tooManyThrus'])
    expect(requireFinding(chain(5), 'tooManyThrus').facts).toEqual({
      device: 'd4',
      thrus: 4,
      through: ['d0', 'd1', 'd2', 'd3'],
    })
  })
})

describe('a long cable', () => {
  // M1 v4.2.1, "Hardware": at most 15 m; from memory.
  it.each([
    [1500, []],
    [1501, ['longCable']],
  ])('of %d cm', (centimetres, expected) => {
    expect(
      codes(
        rigWith([receiver('echo', 1, midiIn())], [makeCable('controller.out', 'echo.in', { centimetres })]),
      ),
    ).toEqual(expected)
  })
})

describe('program changes', () => {
  const rig = (fields: Partial<Device>, cables: Cable[] = []) =>
    makeRig({
      controllers: [
        makeController({
          ports: [makePort('out', makeRole('midiOut')), makePort('in', makeRole('midiIn'))],
        }),
      ],
      devices: [
        makeDevice('echo', 1, { ports: [midiIn(), makePort('out', makeRole('midiOut'))], ...fields }),
      ],
      presets: [makePreset('p', 'echo', 3)],
      banks: [makeBank('one', 0)],
      switches: [makeSwitch('one', 1, [recall('p')])],
      cables: [makeCable('controller.out', 'echo.in'), ...cables],
    })

  it('sent to a device that does not obey them', () => {
    expect(codes(rig({ receivesPrograms: false }))).toEqual(['ignoresPrograms'])
    expectFixable(rig({ receivesPrograms: false }), 'ignoresPrograms')
  })

  it('sent back to the controller', () => {
    const back = makeCable('echo.out', 'controller.in')
    expect(codes(rig({ sendsProgramsBack: true }))).toEqual([])
    expect(requireFinding(rig({ sendsProgramsBack: true }, [back]), 'echoedPrograms').facts).toMatchObject({
      hurts: ['Foot controller'],
      reachesController: true,
    })
    expectFixable(rig({ sendsProgramsBack: true }, [back]), 'echoedPrograms')
  })
})

describe('an expression pedal', () => {
  const rig = (wiper: 'tip' | 'ring', adapters: Cable['adapters'] = []) =>
    rigWith(
      [other('sweep', 'pedal', makePort('plug', makeRole('expressionOut', { wiper })))],
      [makeCable('sweep.plug', 'controller.exp', { lead: 'trs', adapters })],
      [makePort('exp', makeRole('expressionIn'))],
    )

  it('with its wiper on the other contact is found; tip and ring are swapped', () => {
    expect(codes(rig('tip'))).toEqual([])
    expect(codes(rig('ring', ['cross']))).toEqual([])
    expectFixable(rig('ring'), 'wrongWiper')
    expectFixable(rig('tip', ['cross']), 'wrongWiper')
  })
})

describe('contacts', () => {
  const rig = (out: object, into: object, fields: Partial<Cable> = {}) =>
    rigWith(
      [other('amp', 'plain', makePort('foot', makeRole('switchIn', into)))],
      [makeCable('controller.relay', 'amp.foot', { lead: 'trs', ...fields })],
      [makePort('relay', makeRole('switchOut', out))],
    )
  const why = (one: Rig) => requireFinding(one, 'wrongContact').facts.why
  const two = { poles: 2 } as const

  it('that rest the other way', () => {
    expect(why(rig({ rest: 'closed' }, {}))).toBe('rest')
    expectFixable(rig({ rest: 'closed' }, {}), 'wrongContact')
    expectFixable(rig({ rest: 'closed', by: 'foot' }, {}), 'wrongContact')
  })

  it('that stay closed where they should spring back', () => {
    expect(why(rig({ action: 'latching' }, { action: 'momentary' }))).toBe('action')
    expectFixable(rig({ action: 'latching' }, { action: 'momentary' }), 'wrongContact')
    expect(requireFinding(rig({ action: 'latching', by: 'foot' }, {}), 'wrongContact')).not.toHaveProperty(
      'fix',
    )
    expect(codes(rig({ action: 'latching' }, { action: 'either' }))).toEqual([])
  })

  it('of a dual switch numbered the other way round', () => {
    expect(why(rig({ ...two, first: 'ring' }, two))).toBe('order')
    expectFixable(rig({ ...two, first: 'ring' }, two), 'wrongContact')
    expect(codes(rig({ ...two, first: 'ring' }, two, { adapters: ['cross'] }))).toEqual([])
  })

  it('of which one does not arrive', () => {
    expect(why(rig(two, two, { lead: 'ts' }))).toBe('poles')
    expectFixable(rig(two, two, { lead: 'ts' }), 'wrongContact')
    expect(codes(rig(two, two))).toEqual([])
  })
})

describe('channels', () => {
  const two = (
    a: Partial<Device>,
    b: Partial<Device>,
    channels: [Device['channel'] | number, Device['channel'] | number],
  ) =>
    makeRig({ devices: [makeDevice('a', channels[0], a), makeDevice('b', channels[1], { order: 2, ...b })] })

  it('shared on purpose by both is right', () => {
    expect(codes(two({ sharesChannel: true }, { sharesChannel: true }, [3, 3]))).toEqual([])
    expect(codes(two({ sharesChannel: true }, {}, [3, 3]))).toEqual(['sharedChannel'])
  })

  it('moves the one that can be moved', () => {
    const rig = two({}, { isChannelFixed: true }, [3, 3])
    expect(requireFinding(rig, 'sharedChannel').facts).toMatchObject({ device: 'b', mover: 'a', free: 4 })
    expectFixable(rig, 'sharedChannel')
  })

  it('an omni device beside others is found and given its own', () => {
    const rig = two({}, {}, [3, 'omni'])
    expect(requireFinding(rig, 'omniDevice').facts).toEqual({ device: 'b', others: 1, free: 1 })
    expectFixable(rig, 'omniDevice')
    expect(codes(makeRig({ devices: [makeDevice('a', 'omni')] }))).toEqual([])
  })

  it('a device on none is found and given the next free one', () => {
    expectFixable(two({}, {}, [3, 'none']), 'noChannel')
  })

  it('may be the same on outputs kept apart', () => {
    const apart = (separateOutputs: boolean) =>
      makeRig({
        controllers: [
          makeController({
            separateOutputs,
            ports: [makePort('out', makeRole('midiOut')), makePort('out2', makeRole('midiOut'))],
          }),
        ],
        devices: [makeDevice('a', 3), makeDevice('b', 3, { order: 2 })],
        cables: [makeCable('controller.out', 'a.in'), makeCable('controller.out2', 'b.in')],
      })
    expect(codes(apart(false))).toEqual(['sharedChannel'])
    expect(codes(apart(true))).toEqual([])
  })

  it('kept back on the way are found', () => {
    const rig = rigWith(
      [receiver('echo', 5, midiIn())],
      [makeCable('controller.part', 'echo.in')],
      [makePort('part', makeRole('midiOut', { blocks: [5, 6] as never }))],
    )
    expect(requireFinding(rig, 'blockedChannel').facts).toMatchObject({
      device: 'echo',
      channel: 5,
      jack: 'part',
    })
    const fixed = expectFixable(rig, 'blockedChannel')
    expect(fixed.controllers.controller?.ports.at(-1)?.roles[0]).toMatchObject({ blocks: [6] })
  })
})

describe('power', () => {
  const supply = (...milliamps: number[]) =>
    other(
      'supply',
      'supply',
      ...milliamps.map((one, n) => makePort(`o${n}`, makeRole('powerOut', { milliamps: one }))),
    )
  const fed = (id: string, needs: Partial<RoleOf<'powerIn'>>, ...more: Port[]) =>
    other(id, 'plain', makePort('power', makeRole('powerIn', needs)), ...more)
  const feed = (outlet: string, id: string) => makeCable(`supply.${outlet}`, `${id}.power`, { lead: 'power' })

  it('too little of it is found, and the hungriest moved', () => {
    const rig = rigWith(
      [supply(250, 500), fed('a', { milliamps: 100 }), fed('b', { milliamps: 200 })],
      [feed('o0', 'a'), feed('o0', 'b')],
    )
    expect(requireFinding(rig, 'weakPower').facts).toMatchObject({
      drawn: 300,
      gives: 250,
      better: 'supply, o1',
    })
    expect(codes(expectFixable(rig, 'weakPower'))).toEqual([])
    expect(
      requireFinding(rigWith([supply(90), fed('a', {})], [feed('o0', 'a')]), 'weakPower'),
    ).not.toHaveProperty('fix')
  })

  it.each<[string, Partial<RoleOf<'powerIn'>>]>([
    ['volts', { volts: 12 }],
    ['current', { current: 'ac' }],
    ['centre', { centre: 'positive' }],
  ])('of the wrong %s', (why, needs) => {
    const rig = rigWith([supply(500), fed('a', needs)], [feed('o0', 'a')])
    expect(requireFinding(rig, 'wrongPower').facts.why).toBe(why)
    const suited = {
      ...supply(500),
      ports: [...supply(500).ports, makePort('right', makeRole('powerOut', { ...needs, kind: 'powerOut' }))],
    }
    expect(codes(expectFixable(rigWith([suited, fed('a', needs)], [feed('o0', 'a')]), 'wrongPower'))).toEqual(
      [],
    )
  })

  it('from two places is found', () => {
    const two = makePort('power', makeRole('powerIn'))
    const rig = rigWith(
      [supply(500, 500), other('a', 'plain', two)],
      [feed('o0', 'a'), { ...feed('o1', 'a'), id: 'second' as Cable['id'] }],
    )
    expect(requireFinding(rig, 'fedTwice').facts).toMatchObject({
      by: [{ box: 'supply' }, { box: 'supply' }],
      overMidi: false,
    })
    expectFixable(rig, 'fedTwice')
  })

  // Pins 1 and 3 carry nothing in the standard; some makers send power on them: common practice.
  describe('on a MIDI cable', () => {
    const phantom = (lead: Cable['lead'], gives: 'gives' | 'none', own: Cable[] = []) =>
      makeRig({
        controllers: [
          makeController({
            ports: [
              makePort('out', makeRole('midiOut', { phantom: 'takes' })),
              makePort('power', makeRole('powerIn')),
            ],
          }),
        ],
        devices: [receiver('unit', 1, makePort('in', makeRole('midiIn', { phantom: gives }))), supply(500)],
        cables: [makeCable('controller.out', 'unit.in', { lead }), ...own],
      })
    const own = makeCable('supply.o0', 'controller.power', { lead: 'power' })

    it('needs all five pins', () => {
      expect(requireFinding(phantom('din3', 'gives'), 'midiPower').facts.why).toBe('needsFivePins')
      expect(codes(expectFixable(phantom('din3', 'gives'), 'midiPower'))).toEqual([])
      expect(codes(phantom('din3', 'gives', [own]))).toEqual([])
    })

    it('and a supply feed the box twice', () => {
      expect(requireFinding(phantom('din5', 'gives', [own]), 'fedTwice').facts.overMidi).toBe(true)
      expectFixable(phantom('din5', 'gives', [own]), 'fedTwice')
    })

    it('never goes into gear not built for it', () => {
      const rig = makeRig({
        devices: [receiver('unit', 1, makePort('in', makeRole('midiIn', { phantom: 'gives' })))],
        cables: [makeCable('controller.out', 'unit.in', { lead: 'din5' })],
      })
      expect(requireFinding(rig, 'midiPower').facts.why).toBe('notBuiltForIt')
      expectFixable(rig, 'midiPower')
    })
  })
})

describe('what the controller cannot perform', () => {
  const needs = (rig: Rig) => codes(rig).filter((code) => code === 'cannotPerform').length

  it('a pedal without MIDI and no switching output; a kind that has one would do', () => {
    const rig = rigWith([other('octaver', 'plain', makePort('remote', makeRole('switchIn')))], [])
    const { facts } = requireFinding(rig, 'cannotPerform')
    expect(facts).toMatchObject({ need: 'switchingOutputs', wanted: 1, has: 0, by: ['octaver'] })
    expect(facts.wouldDo).toContain('Eight-switch controller')
    expect(facts.wouldDo).not.toContain('Four-switch controller')
    expect(needs(rigWith(Object.values(rig.devices), [], [makePort('relay', makeRole('switchOut'))]))).toBe(0)
  })

  it('a pedal that another box works asks nothing of it', () => {
    const rig = rigWith(
      [
        other('octaver', 'plain', makePort('remote', makeRole('switchIn'))),
        receiver('relay', 1, midiIn(), makePort('relay', makeRole('switchOut'))),
      ],
      [makeCable('controller.out', 'relay.in'), makeCable('relay.relay', 'octaver.remote', { lead: 'ts' })],
    )
    expect(codes(rig)).toEqual([])
  })

  it('too few expression inputs, unless one is built in', () => {
    const pedal = other('sweep', 'pedal', makePort('plug', makeRole('expressionOut')))
    const rig = rigWith([pedal], [])
    expect(requireFinding(rig, 'cannotPerform').facts).toMatchObject({
      need: 'expressionInputs',
      wanted: 1,
      has: 0,
    })
    const built = applyEdit(
      rig,
      editRow(rig, 'changeController', 'controllers', 'controller', { builtInPedals: 1 })!,
    )
    expect(built.ok && needs(built.value)).toBe(0)
  })

  it('no host port for what has only USB', () => {
    const rig = rigWith([receiver('synth', 1, makePort('usb', makeRole('usb')))], [])
    expect(requireFinding(rig, 'cannotPerform').facts).toMatchObject({ need: 'usbHost', by: ['synth'] })
    const host = makePort('host', makeRole('usb', { end: 'host' }))
    expect(needs(rigWith(Object.values(rig.devices), [], [host]))).toBe(0)
  })

  const programmed = (count: number, fields: object) =>
    makeRig({
      controllers: [makeController(fields)],
      devices: [makeDevice('a', 1)],
      presets: [makePreset('p', 'a', 0), makePreset('q', 'a', 1)],
      banks: [makeBank('one', 0)],
      switches: Array.from({ length: count }, (_, n) => makeSwitch('one', n + 1, [recall('p', 'q')])),
    })

  it('too few messages a switch, too few switches', () => {
    expect(requireFinding(programmed(1, { messagesPerEvent: 1 }), 'cannotPerform').facts).toMatchObject({
      need: 'messages',
      wanted: 2,
      has: 1,
    })
    expect(codes(programmed(1, { messagesPerEvent: 2 }))).toEqual([])
    // Common practice: an eight-switch controller keeps two for bank down and up.
    expect(requireFinding(programmed(7, { keepsSwitches: 2 }), 'cannotPerform').facts).toMatchObject({
      need: 'switches',
      wanted: 7,
      has: 6,
    })
    expect(codes(programmed(6, { keepsSwitches: 2 }))).toEqual([])
  })
})

describe('what a lead can and cannot carry', () => {
  it('TRS MIDI on a mono lead arrives nowhere: the lead is named, and changed', () => {
    const rig = rigWith(
      [receiver('echo', 1, midiIn('trsA'))],
      [makeCable('controller.trs', 'echo.in', { lead: 'ts' })],
    )
    expect(codes(rig)).toEqual(['wrongWiring'])
    expect(requireFinding(rig, 'wrongWiring').facts).toMatchObject({ why: 'mono', silenced: ['echo'] })
    expect(Object.values(expectFixable(rig, 'wrongWiring').cables)[0]).toMatchObject({
      lead: 'trs',
      adapters: [],
    })
  })

  it('an expression pedal on a mono lead is found', () => {
    const rig = rigWith(
      [other('sweep', 'pedal', makePort('out', makeRole('expressionOut')))],
      [makeCable('sweep.out', 'controller.exp', { lead: 'ts' })],
      [makePort('exp', makeRole('expressionIn'))],
    )
    expect(codes(rig)).toEqual(['monoLead'])
    expectFixable(rig, 'monoLead')
  })

  it('two foot switches on one plug in a jack for one: the second does nothing', () => {
    const rig = (poles: 1 | 2) =>
      rigWith(
        [
          other('dual', 'pedal', makePort('out', makeRole('switchOut', { poles: 2, by: 'foot' }))),
          receiver('loop', 1, midiIn(), makePort('foot', makeRole('switchIn', { poles }))),
        ],
        [makeCable('dual.out', 'loop.foot', { lead: 'trs' }), makeCable('controller.out', 'loop.in')],
      )
    expect(requireFinding(rig(1), 'wrongContact').facts).toMatchObject({ why: 'poles', has: '2', wants: '1' })
    expect(codes(rig(2))).toEqual([])
  })
})

describe('power over a MIDI cable', () => {
  const taker = (...more: Port[]) =>
    receiver('echo', 1, makePort('in', makeRole('midiIn', { phantom: 'takes' })), ...more)

  it('that nothing gives is found at the box that lives on it', () => {
    const rig = rigWith([taker()], [makeCable('controller.out', 'echo.in', { lead: 'din5' })])
    expect(requireFinding(rig, 'noMidiPower').facts).toEqual({
      box: 'echo',
      jack: 'in',
      others: ['Foot controller'],
    })
    // A box with a power jack may stand on a supply that is not drawn.
    expect(
      codes(rigWith([taker(makePort('power', makeRole('powerIn')))], Object.values(rig.cables))),
    ).toEqual([])
  })

  it('counts at the outlet that feeds the giver', () => {
    const rig = makeRig({
      controllers: [
        makeController({
          ports: [
            makePort('out', makeRole('midiOut', { phantom: 'gives' })),
            makePort('power', makeRole('powerIn', { milliamps: 300 })),
          ],
        }),
      ],
      devices: [
        taker(makePort('power', makeRole('powerIn', { milliamps: 250 }))),
        other('supply', 'supply', makePort('nine', makeRole('powerOut', { milliamps: 500 }))),
      ],
      cables: [
        makeCable('controller.out', 'echo.in', { lead: 'din5' }),
        makeCable('supply.nine', 'controller.power', { lead: 'power' }),
      ],
    })
    expect(requireFinding(rig, 'weakPower').facts).toMatchObject({
      drawn: 550,
      gives: 500,
      boxes: ['Foot controller', 'echo'],
    })
  })
})

describe('two controllers', () => {
  it('a switch whose own controller does not reach the device is found, whichever press speaks to it', () => {
    const out = makePort('out', makeRole('midiOut'))
    const rig = makeRig({
      controllers: [
        makeController({ name: 'Left', ports: [out] }),
        makeController({ id: 'controllerTwo' as never, order: 2, name: 'Right', ports: [out] }),
      ],
      devices: [receiver('a', 1, midiIn()), receiver('b', 2, midiIn())],
      presets: [makePreset('pa', 'a', 0), makePreset('pb', 'b', 0)],
      banks: [makeBank('one', 0)],
      switches: [makeSwitch('one', 1, [recall('pa')]), makeSwitch('one', 2, [recall('pa'), recall('pb')])],
      cables: [makeCable('controller.out', 'a.in'), makeCable('controllerTwo.out', 'b.in')],
    })
    expect(codes(rig).filter((code) => code === 'otherController')).toHaveLength(1)
    expect(requireFinding(rig, 'otherController')).toMatchObject({
      about: { id: 'one-2' },
      facts: { controller: 'Left', devices: ['b'], reachedBy: 'Right' },
    })
  })

  it('on outputs kept apart an omni device hears nothing of the others', () => {
    const rig = (separateOutputs: boolean) =>
      makeRig({
        controllers: [
          makeController({
            separateOutputs,
            ports: [makePort('out', makeRole('midiOut')), makePort('two', makeRole('midiOut'))],
          }),
        ],
        devices: [{ ...receiver('a', 1, midiIn()), channel: 'omni' as const }, receiver('b', 2, midiIn())],
        cables: [makeCable('controller.out', 'a.in'), makeCable('controller.two', 'b.in')],
      })
    expect(codes(rig(true))).toEqual([])
    expect(codes(rig(false))).toEqual(['omniDevice'])
  })
})

describe('a ring', () => {
  it('is opened where nobody goes silent', () => {
    const merges = (id: string, n: number) =>
      receiver(
        id,
        n,
        makePort('in', makeRole('midiIn', { merges: true })),
        makePort('thru', makeRole('midiOut', { isThru: true, passes: 'always' })),
        makePort('thru2', makeRole('midiOut', { isThru: true, passes: 'always' })),
      )
    const rig = rigWith(
      [merges('a', 1), merges('b', 2)],
      // The cable laid last is the one b lives on.
      [makeCable('controller.out', 'a.in'), makeCable('b.thru', 'a.in'), makeCable('a.thru', 'b.in')],
    )
    expect(requireFinding(rig, 'loop').facts.silenced).toEqual([])
    const fixed = expectFixable(rig, 'loop')
    expect(codes(fixed)).toEqual([])
    expect(Object.keys(fixed.cables)).toEqual(['controller_out-a_in', 'a_thru-b_in'])
  })
})
