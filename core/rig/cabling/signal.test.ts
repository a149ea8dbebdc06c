import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated } from '#testing/runs'
import { makeCable, makeController, makeDevice, makePort, makeRig, makeRole } from '../testing/makeRig'
import type { Rig } from '../rig'
import { rings } from './rings'
import { arrivals, heardFrom } from './signal'

const box = (id: string, passes: 'always' | 'on' | 'off' | 'never', isThru = true) =>
  makeDevice(id, 'none', {
    ports: [
      makePort('in', makeRole('midiIn', { merges: true })),
      ...[1, 2, 3].map((n) => makePort(`out${n}`, makeRole('midiOut', { isThru, passes }))),
    ],
  })

describe('arrivals', () => {
  it('says the way, the hops and the thrus; a thru adds nothing', () => {
    const rig = makeRig({
      devices: [box('a', 'always'), box('b', 'on'), box('c', 'never')],
      cables: [makeCable('controller.out', 'a.in'), makeCable('a.out1', 'b.in'), makeCable('b.out2', 'c.in')],
    })
    expect(arrivals(rig, 'controller').get('c')).toMatchObject({
      out: 'out',
      cables: ['controller_out-a_in', 'a_out1-b_in', 'b_out2-c_in'],
      through: ['a', 'b'],
      thrus: 2,
      delay: 0,
    })
  })

  // 10 bits a byte at 31,250 baud: three bytes take 960 µs (M1 v4.2.1, "Hardware"; from memory).
  it('a box that sends again adds a message each', () => {
    const rig = makeRig({
      devices: [box('a', 'always', false), box('b', 'always', false), box('c', 'never')],
      cables: [makeCable('controller.out', 'a.in'), makeCable('a.out1', 'b.in'), makeCable('b.out1', 'c.in')],
    })
    expect([...arrivals(rig, 'controller')].map(([id, { delay }]) => [id, delay])).toEqual([
      ['a', 0],
      ['b', 960],
      ['c', 1920],
    ])
  })

  it('leaves out the channels jacks on the way keep back', () => {
    const rig = makeRig({
      controllers: [
        makeController({ ports: [makePort('out', makeRole('midiOut', { blocks: [16] as never }))] }),
      ],
      devices: [
        makeDevice('a', 1, {
          ports: [
            makePort('in', makeRole('midiIn')),
            makePort('thru', makeRole('midiOut', { passes: 'always', blocks: [1, 2] as never })),
          ],
        }),
        box('b', 'never'),
      ],
      cables: [makeCable('controller.out', 'a.in'), makeCable('a.thru', 'b.in')],
    })
    expect(arrivals(rig, 'controller').get('a')?.channels).toHaveLength(15)
    expect(arrivals(rig, 'controller').get('b')?.channels).toEqual([
      3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15,
    ])
  })

  it('USB and Bluetooth go both ways; nothing goes back out of the jack it came in by', () => {
    const host = (n: number) => makePort(`h${n}`, makeRole('usb', { end: 'host', passes: 'always' }))
    const rig = makeRig({
      controllers: [makeController({ ports: [makePort('usb', makeRole('usb'))] })],
      devices: [
        makeDevice('tablet', 'none', { kind: 'box', ports: [host(1), host(2)] }),
        makeDevice('synth', 1, { ports: [makePort('usb', makeRole('usb'))] }),
      ],
      // Drawn from the host to the controller: the way round does not matter.
      cables: [
        makeCable('tablet.h1', 'controller.usb', { lead: 'usb' }),
        makeCable('tablet.h2', 'synth.usb', { lead: 'usb' }),
      ],
    })
    expect([...arrivals(rig, 'controller').keys()]).toEqual(['tablet', 'synth'])
    expect([...heardFrom(rig, 'synth').keys()]).toEqual(['tablet', 'controller'])
    expect(rings(rig)).toEqual([])
  })

  it('a thru carries what came in, never what the device sends itself', () => {
    const rig = makeRig({
      devices: [box('a', 'always'), box('b', 'never')],
      cables: [makeCable('a.out1', 'b.in')],
    })
    expect([...heardFrom(rig, 'a').keys()]).toEqual([])
  })
})

/** Any cabling of five boxes, loops and all. */
const anyRig = fc
  .record({
    passes: fc.array(fc.constantFrom('always', 'on', 'off', 'never'), { minLength: 5, maxLength: 5 }),
    cables: fc.uniqueArray(fc.tuple(fc.nat(5), fc.integer({ min: 1, max: 3 }), fc.nat(4)), {
      maxLength: 14,
      selector: ([from, out, to]) => `${from}/${out}/${to}`,
    }),
  })
  .map(({ passes, cables }): Rig =>
    makeRig({
      controllers: [
        makeController({ ports: [1, 2, 3].map((n) => makePort(`out${n}`, makeRole('midiOut'))) }),
      ],
      devices: passes.map((one, n) => box(`b${n}`, one as 'on')),
      cables: cables
        .filter(([from, , to]) => from - 1 !== to)
        .map(([from, out, to]) =>
          makeCable(`${from === 0 ? 'controller' : `b${from - 1}`}.out${out}`, `b${to}.in`),
        ),
    }),
  )

/** Who hears the controller, by spreading along cables until nothing changes: the plain way. */
function spread(rig: Rig): Set<string> {
  const heard = new Set<string>(['controller'])
  for (let before = -1; before !== heard.size;) {
    before = heard.size
    for (const { from, to } of Object.values(rig.cables)) {
      const role = rig.devices[from.id]?.ports.find(({ id }) => id === from.port)?.roles[0]
      const passes =
        from.id === 'controller' || (role && 'passes' in role && ['on', 'always'].includes(role.passes))
      if (heard.has(from.id) && passes) heard.add(to.id)
    }
  }
  heard.delete('controller')
  return heard
}

/** Whether a walk along boxes that hand on can come back: by trying every walk. */
function canGoRound(rig: Rig): boolean {
  const next = (id: string) =>
    Object.values(rig.cables).flatMap(({ from, to }) => {
      const role = rig.devices[from.id]?.ports.find((port) => port.id === from.port)?.roles[0]
      return from.id === id && role && 'passes' in role && ['on', 'always'].includes(role.passes)
        ? [to.id]
        : []
    })
  const walk = (id: string, seen: readonly string[]): boolean =>
    seen.includes(id) || next(id).some((one) => walk(one, [...seen, id]))
  return Object.keys(rig.devices).some((id) => walk(id, []))
}

describe('any cabling', () => {
  it('reaches what spreading along the cables reaches, and ends on loops', () => {
    fc.assert(
      fc.property(anyRig, (rig) => {
        expect(new Set(arrivals(rig, 'controller').keys())).toEqual(spread(rig))
      }),
      generated(300, 71),
    )
  })

  it('has a loop exactly when a walk can come back to where it was', () => {
    fc.assert(
      fc.property(anyRig, (rig) => {
        expect(rings(rig).length > 0).toBe(canGoRound(rig))
      }),
      generated(300, 72),
    )
  })
})
