import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated, runs } from '#testing/runs'
import { makeCable, makeController, makeDevice, makePort, makeRig, makeRole } from '../testing/makeRig'
import type { Rig } from '../rig'
import type { Cable } from '../table/cable'
import { roleOf, type Port } from '../table/port'
import { rings } from './rings'
import { arrivals } from './signal'

const PASSES = ['always', 'on', 'off', 'never'] as const
const BOXES = 6

/** Boxes with two inputs, two outputs and two USB jacks each, a controller among them, and cables laid in any order. */
const anyRig = fc
  .record({
    passes: fc.array(fc.constantFrom(...PASSES), { minLength: BOXES * 4, maxLength: BOXES * 4 }),
    cables: fc.array(fc.tuple(fc.nat(BOXES - 1), fc.nat(3), fc.nat(BOXES - 1), fc.nat(1)), {
      minLength: 1,
      maxLength: 10,
    }),
  })
  .map(({ passes, cables }): Rig => {
    const ports = (n: number): Port[] => [
      makePort('in0', makeRole('midiIn', { merges: true })),
      makePort('in1', makeRole('midiIn', { merges: true })),
      makePort('out0', makeRole('midiOut', { passes: passes[n * 4]! })),
      makePort('out1', makeRole('midiOut', { passes: passes[n * 4 + 1]!, isThru: true })),
      makePort('usb0', makeRole('usb', { end: 'host', passes: passes[n * 4 + 2]! })),
      makePort('usb1', makeRole('usb', { end: 'device', passes: passes[n * 4 + 3]! })),
    ]
    const name = (n: number) => (n === 0 ? 'controller' : `b${n}`)
    return makeRig({
      controllers: [makeController({ ports: ports(0) })],
      devices: Array.from({ length: BOXES - 1 }, (_, n) =>
        makeDevice(name(n + 1), 'none', { ports: ports(n + 1) }),
      ),
      cables: cables.flatMap(([from, out, to, into], n): Cable[] =>
        from === to
          ? []
          : [
              makeCable(
                `${name(from)}.${out < 2 ? `out${out}` : 'usb0'}`,
                `${name(to)}.${out < 2 ? `in${into}` : 'usb1'}`,
                { id: `c${n}` as Cable['id'], lead: out < 2 ? 'din3' : 'usb' },
              ),
            ],
      ),
    })
  })

/**
 * The plain way: a message on a cable, running one way, is followed from cable to cable in every way there is. It goes
 * round when it comes to be on a cable it was on before, running the same way.
 */
function goesRound(rig: Rig): boolean {
  const all = Object.values(rig.cables)
  const runs = all.flatMap((cable) => {
    const there = { cable, from: cable.from, to: cable.to }
    return cable.lead === 'usb' ? [there, { cable, from: cable.to, to: cable.from }] : [there]
  })
  const portAt = (id: string, port: string) =>
    (rig.controllers[id] ?? rig.devices[id])!.ports.find((one) => one.id === port)!
  const follows = runs.map((one) =>
    runs.flatMap((next, n) => {
      const role = roleOf(portAt(next.from.id, next.from.port))
      const hands = 'passes' in role && (role.passes === 'on' || role.passes === 'always')
      return next.from.id === one.to.id && next.from.port !== one.to.port && hands ? [n] : []
    }),
  )
  return runs.some((_, start) => {
    const heads = [...follows[start]!]
    const seen = new Set<number>()
    for (let at = heads.pop(); at !== undefined; at = heads.pop()) {
      if (at === start) return true
      if (seen.has(at)) continue
      seen.add(at)
      heads.push(...follows[at]!)
    }
    return false
  })
}

/** Who hears the controller, by following every run of a message. */
function hears(rig: Rig): Set<string> {
  const heard = new Set<string>()
  const done = new Set<string>()
  const spread = (id: string, by: string | null): void => {
    if (done.has(`${id}/${by}`)) return
    done.add(`${id}/${by}`)
    for (const { from, to, lead } of Object.values(rig.cables))
      for (const [a, b] of lead === 'usb'
        ? ([
            [from, to],
            [to, from],
          ] as const)
        : ([[from, to]] as const)) {
        const role = roleOf(
          (rig.controllers[id] ?? rig.devices[id])!.ports.find((one) => one.id === a.port) ?? NONE,
        )
        const hands = by === null || ('passes' in role && (role.passes === 'on' || role.passes === 'always'))
        if (a.id !== id || a.port === by || !hands) continue
        heard.add(b.id)
        spread(b.id, b.port)
      }
  }
  spread('controller', null)
  heard.delete('controller')
  return heard
}
const NONE = makePort('none', makeRole('air'))

describe('rings of cables', () => {
  it('are found just where a message can go round, in generated cablings and whatever order they were laid in', () => {
    let round = 0
    fc.assert(
      fc.property(anyRig, (rig) => {
        const found = rings(rig).length > 0
        if (found) round++
        expect(found).toBe(goesRound(rig))
        const cables = Object.values(rig.cables)
        const turned = makeRig({
          controllers: Object.values(rig.controllers),
          devices: Object.values(rig.devices).toReversed(),
          cables: cables.toReversed().map((cable, n) => ({ ...cable, order: n })),
        })
        expect(rings(turned).length > 0).toBe(found)
      }),
      generated(20_000, 111),
    )
    // Both answers are asked for often.
    expect(round).toBeGreaterThan(runs(1500))
    expect(round).toBeLessThan(runs(18_500))
  })

  it('and every box is reached that a message can come to, by whichever jack', () => {
    fc.assert(
      fc.property(anyRig, (rig) => {
        expect(new Set(arrivals(rig, 'controller').keys())).toEqual(hears(rig))
      }),
      generated(5000, 112),
    )
  })

  it('each is shown by its boxes in order; taking one of its cables out opens it', () => {
    fc.assert(
      fc.property(anyRig, (rig) => {
        for (const { cables, boxes } of rings(rig)) {
          expect(boxes).toHaveLength(cables.length)
          boxes.forEach((box, n) => {
            const { from, to } = rig.cables[cables[n]!]!
            expect([from.id, to.id]).toContain(box)
            expect([from.id, to.id]).toContain(boxes[(n + 1) % boxes.length])
          })
        }
      }),
      generated(2000, 113),
    )
  })
})
