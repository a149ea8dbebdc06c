import { describe, expect, it } from 'vitest'
import { addController, addDevice } from '../archetype/addBox'
import { CONTROLLERS, DEVICES } from '../archetype/archetypes'
import { applyEdit } from '../rig/applyEdit'
import { invertEdit, type Edit } from '../rig/edit'
import { emptyRig, type Rig } from '../rig/rig'
import { BOX } from './grid'
import { linesOf, routeLines, type CableRoute } from './cableWay'
import { freeSpot, spots } from './spots'
import { arrange, tidy } from './tidy'

function done(rig: Rig, edit: Edit): Rig {
  const applied = applyEdit(rig, edit)
  if (!applied.ok) throw new Error(JSON.stringify(applied.refusal))
  return applied.value
}

/** A controller and the first `count` kinds of device, each cabled as it comes. */
function rigOf(count: number): Rig {
  const start = done(
    emptyRig('Map'),
    addController(emptyRig('Map'), CONTROLLERS[3]!, 'controller' as never, { x: 0, y: 0 }),
  )
  return DEVICES.slice(0, count).reduce(
    (rig, kind, n) =>
      done(rig, addDevice(rig, kind, { device: `d${n}` as never, cable: `c${n}` as never }, freeSpot(rig))),
    start,
  )
}

const overlapping = (rig: Rig) => {
  const all = [...spots(rig).values()]
  return all.some((a, n) =>
    all.slice(n + 1).some((b) => Math.abs(a.x - b.x) < BOX.width && Math.abs(a.y - b.y) < BOX.height),
  )
}

/** How far a route runs inside a box that is not one of its own. */
function throughBoxes(rig: Rig, { cableId, points }: CableRoute): number {
  const { from, to } = rig.cables[cableId]!
  let inside = 0
  points.slice(1).forEach((b, n) => {
    const a = points[n]!
    for (const [id, spot] of spots(rig)) {
      if (id === from.id || id === to.id) continue
      const across = Math.min(Math.max(a.x, b.x), spot.x + BOX.width) - Math.max(Math.min(a.x, b.x), spot.x)
      const down = Math.min(Math.max(a.y, b.y), spot.y + BOX.height) - Math.max(Math.min(a.y, b.y), spot.y)
      if (across >= 0 && down >= 0) inside += across + down
    }
  })
  return inside
}

describe.each([1, 5, 11, 16, 22])('a map of %d devices', (count) => {
  const rig = rigOf(count)
  const tidied = done(rig, tidy(rig) ?? { label: 'tidy', changes: [] as never })

  it('has no box on another, before and after tidying', () => {
    expect(overlapping(rig)).toBe(false)
    expect(overlapping(tidied)).toBe(false)
  })

  it('is the same every time, and tidying twice changes nothing', () => {
    expect(arrange(rig)).toEqual(arrange({ ...rig }))
    expect(tidy(tidied)).toBeNull()
  })

  it('leads every cable level or upright from one box to the other, through no third', () => {
    const routes = routeLines(
      spots(tidied),
      linesOf(tidied, () => true),
    )
    expect(routes).toHaveLength(Object.keys(tidied.cables).length)
    for (const route of routes) {
      route.points.slice(1).forEach((b, n) => {
        const a = route.points[n]!
        expect(a.x === b.x || a.y === b.y).toBe(true)
      })
      expect(throughBoxes(tidied, route)).toBe(0)
      const { from, to } = tidied.cables[route.cableId]!
      for (const [end, id] of [
        [route.points[0]!, from.id],
        [route.points.at(-1)!, to.id],
      ] as const) {
        const spot = spots(tidied).get(id)!
        expect(end.x).toBeGreaterThanOrEqual(spot.x)
        expect(end.x).toBeLessThanOrEqual(spot.x + BOX.width)
        expect(end.y).toBeGreaterThanOrEqual(spot.y)
        expect(end.y).toBeLessThanOrEqual(spot.y + BOX.height)
      }
    }
  })
})

describe('the map while editing', () => {
  it('stays put when a device comes or a cable goes', () => {
    const before = rigOf(6)
    const more = done(
      before,
      addDevice(before, DEVICES[7]!, { device: 'new' as never, cable: 'new' as never }, freeSpot(before)),
    )
    for (const [id, spot] of spots(before)) expect(spots(more).get(id)).toEqual(spot)
  })

  it('tidying is undone whole', () => {
    const rig = rigOf(8)
    const edit = tidy(rig)!
    expect(applyEdit(done(rig, edit), invertEdit(edit))).toEqual({ ok: true, value: rig })
  })

  it('tidying shortens the cables of boxes that stand anyhow', () => {
    const laid = rigOf(11)
    const places = [...spots(laid).values()].reverse()
    const devices = Object.fromEntries(
      Object.values(laid.devices).map((device, n) => [device.id, { ...device, spot: places[n]! }]),
    )
    const rig = { ...laid, devices }
    const length = (one: Rig) =>
      routeLines(
        spots(one),
        linesOf(one, () => true),
      )
        .flatMap(({ points }) =>
          points.slice(1).map((b, n) => Math.abs(b.x - points[n]!.x) + Math.abs(b.y - points[n]!.y)),
        )
        .reduce((sum, one_) => sum + one_, 0)
    expect(length(done(rig, tidy(rig)!))).toBeLessThan(length(rig) * 0.8)
  })
})
