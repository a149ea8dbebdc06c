import { describe, expect, it } from 'vitest'
import { runs, seeds } from '#testing/runs'
import { seeded } from '../base/seeded'
import { findings } from '../check/findings'
import { applyEdit } from '../rig/applyEdit'
import { makeCable, makeController, makeDevice, makePort, makeRig, makeRole } from '../rig/testing/makeRig'
import type { Rig } from '../rig/rig'
import type { Adapter, Cable, CableEnd, CableId } from '../rig/table/cable'
import type { Port, Role } from '../rig/table/port'
import type { Device } from '../rig/table/device'
import { inputPlan, plugAndRead, plugPedal, type Arrangement } from './inputs'
import { makePedal, makeRoleOf, pedalBox, pedalCable, pedalController } from './testing/makePedals'

const IDS = ['sweep-cable' as CableId, 'toe-cable' as CableId] as const

/** Rigs with jacks of every kind a pedal could go into, some of them taken, one pedal somewhere among them. */
function someRig(seed: number): Rig {
  const random = seeded(seed)
  const below = (most: number) => Math.floor(random() * most)
  const pick = <One>(...all: readonly One[]): One => all[below(all.length)]!
  const expressionIn = () => makeRole('expressionIn', { wiper: pick('tip', 'ring') })
  const switchIn = () =>
    makeRole('switchIn', {
      poles: pick(1, 1, 2),
      rest: pick('open', 'closed'),
      action: pick('latching', 'momentary', 'either'),
    })
  const jack = (id: string): Port => {
    const roles = pick<() => Role[]>(
      () => [expressionIn()],
      () => [switchIn()],
      () => [expressionIn(), switchIn()],
      () => [makeRole('midiIn', { plug: 'trsA' }), expressionIn()],
      () => [switchIn(), makeRole('midiIn')],
      () => [makeRole('midiOut')],
    )()
    const role = below(roles.length)
    return { ...makePort(id, ...roles), role, factoryRole: role }
  }
  const jacks = (most: number) => Array.from({ length: below(most + 1) }, (_, n) => jack(`j${n}`))
  const boxes: Device[] = Array.from({ length: 1 + below(3) }, (_, n) =>
    makeDevice(`d${n}`, n + 1, { kind: 'plain', order: n, ports: jacks(3) }),
  )
  const controller = makeController({ ports: [makePort('out', makeRole('midiOut')), ...jacks(4)] })
  const pedal = pedalBox('sweep', {
    ports: [
      makePort('plug', makeRole('expressionOut', { wiper: pick('tip', 'ring') })),
      ...(below(4) === 0
        ? []
        : [
            makePort(
              'toe',
              makeRole('switchOut', {
                by: 'foot',
                rest: pick('open', 'closed'),
                action: pick('latching', 'momentary'),
              }),
            ),
          ]),
    ],
  })
  // Another pedal that may have taken a jack already.
  const other = makeDevice('other', 'none', {
    kind: 'pedal',
    order: 8,
    ports: [makePort('plug', makeRole('expressionOut'))],
  })
  const rig = makeRig({ controllers: [controller], devices: [...boxes, pedal, other], cables: [] })
  const free = [controller, ...boxes].flatMap((box) =>
    box.ports
      .filter(({ roles, role }) => roles[role]!.kind === 'expressionIn')
      .map((port) => `${box.id}.${port.id}`),
  )
  const cables: Cable[] = []
  if (free.length > 0 && below(2) === 0)
    cables.push(makeCable('other.plug', free[0]!, { lead: 'trs', id: 'others' as CableId }))
  if (free.length > 1 && below(3) === 0)
    cables.push(makeCable('sweep.plug', free[1]!, { lead: 'trs', id: 'before' as CableId }))
  return { ...rig, cables: Object.fromEntries(cables.map((cable) => [cable.id, cable])) }
}

/** What is said of the pedal, its cables and the jacks they are in. */
function saidOfPedal(rig: Rig): string[] {
  const cables = Object.values(rig.cables).filter(({ from, to }) => from.id === 'sweep' || to.id === 'sweep')
  const jacks = new Set(
    cables.flatMap(({ from, to }) => [from, to]).map(({ id, port }) => `${id}/ports.${port}`),
  )
  return findings(rig)
    .filter(
      ({ about: { table, id, field } }) =>
        (table === 'cables' && cables.some((cable) => cable.id === id)) ||
        id === 'sweep' ||
        jacks.has(`${id}/${field}`),
    )
    .map(({ code }) => code)
}

const keyOf = (sweep: CableEnd, toe: CableEnd | null): string =>
  `${sweep.id}.${sweep.port} ${toe ? `${toe.id}.${toe.port}` : '-'}`

/** A jack with one of its roles set, and for contacts either way to rest. */
function* settings(port: Port): Generator<Port> {
  for (let role = 0; role < port.roles.length; role++) {
    const set = port.roles[role]!
    if (set.kind !== 'switchIn') yield { ...port, role }
    else
      for (const rest of ['open', 'closed'] as const)
        yield { ...port, role, roles: port.roles.with(role, { ...set, rest }) }
  }
}

/** Every way to plug one jack of the pedal into one jack of the rig: settings of the jack, leads, adapters. */
function* ways(rig: Rig, port: string, end: CableEnd, id: CableId): Generator<Rig> {
  const box = (end.table === 'controllers' ? rig.controllers : rig.devices)[end.id as never] as Device
  for (const set of settings(box.ports.find((one) => one.id === end.port)!))
    for (const lead of ['ts', 'trs'] as const)
      for (const adapters of [[], ['cross']] as Adapter[][]) {
        const ports = box.ports.map((one) => (one.id === end.port ? set : one))
        const cable = { ...makeCable(`sweep.${port}`, `${end.id}.${end.port}`), id, lead, adapters, to: end }
        yield {
          ...rig,
          [end.table]: { ...rig[end.table], [end.id]: { ...box, ports } },
          cables: { ...rig.cables, [id]: cable },
        }
      }
}

/** All assignments of the pedal's jacks to jacks of the rig, each tried every way: those of which nothing bad is said. */
function plainly(rig: Rig): string[] {
  const pedal = rig.devices['sweep']!
  const bare: Rig = {
    ...rig,
    cables: Object.fromEntries(Object.entries(rig.cables).filter(([, { from }]) => from.id !== 'sweep')),
  }
  const ends: CableEnd[] = [
    ...Object.values(rig.controllers).flatMap(({ id, ports }) =>
      ports.map((port) => ({ table: 'controllers' as const, id, port: port.id })),
    ),
    ...Object.values(rig.devices).flatMap(({ id, ports }) =>
      id === 'sweep' ? [] : ports.map((port) => ({ table: 'devices' as const, id, port: port.id })),
    ),
  ]
  const isRight = (one: Rig) => saidOfPedal(one).length === 0
  const found: string[] = []
  for (const sweep of ends) {
    const swept = [...ways(bare, 'plug', sweep, IDS[0])].filter(isRight)
    if (swept.length === 0) continue
    found.push(keyOf(sweep, null))
    if (!pedal.ports.some(({ id }) => id === 'toe')) continue
    for (const toe of ends)
      if (swept.some((one) => [...ways(one, 'toe', toe, IDS[1])].some(isRight))) found.push(keyOf(sweep, toe))
  }
  return found.sort()
}

describe('the input planner', () => {
  it('lists for generated rigs just the assignments of feet to jacks that work, and lays each without a finding about it', () => {
    let laid = 0
    for (const seed of seeds(200, 1)) {
      const rig = someRig(seed)
      const pedal = rig.devices['sweep']!
      const { arrangements } = inputPlan(rig, pedal)
      expect({
        seed,
        all: arrangements.map(({ sweep, toe }) => keyOf(sweep.end, toe?.end ?? null)).sort(),
      }).toEqual({
        seed,
        all: plainly(rig),
      })
      for (const one of arrangements) {
        const after = plugged(rig, one)
        laid++
        expect({
          seed,
          key: keyOf(one.sweep.end, one.toe?.end ?? null),
          said: saidOfPedal(after),
        }).toMatchObject({
          said: [],
        })
        const now = inputPlan(after, after.devices['sweep']!).arrangements.filter(({ isNow }) => isNow)
        expect(now.map(({ sweep, toe }) => keyOf(sweep.end, toe?.end ?? null))).toEqual([
          keyOf(one.sweep.end, one.toe?.end ?? null),
        ])
        // The second press changes nothing.
        expect(plugPedal(after, after.devices['sweep']!, one, IDS)).toBeNull()
      }
    }
    expect(laid).toBeGreaterThan(runs(400))
  })

  it('goes from any arrangement to any other, also where the two jacks change places', () => {
    const both = () => makePort('a', makeRole('expressionIn'), makeRole('switchIn', { action: 'either' }))
    const rig = makeRig({
      controllers: [
        makeController({
          ports: [
            { ...both(), id: 'x' },
            { ...both(), id: 'y' },
          ],
        }),
      ],
      devices: [pedalBox()],
      cables: [],
    })
    const all = inputPlan(rig, rig.devices['sweep']!).arrangements
    expect(all).toHaveLength(4)
    for (const first of all)
      for (const then of all) {
        const after = plugged(plugged(rig, first), then)
        expect(saidOfPedal(after)).toEqual([])
        expect(Object.keys(after.cables)).toHaveLength(then.toe ? 2 : 1)
      }
  })

  it('moves what is read along with the cables, and forgets what the other jack was calibrated to', () => {
    const controller = pedalController()
    const rig = makeRig({
      controllers: [
        { ...controller, ports: [...controller.ports, makePort('exp2', makeRole('expressionIn'))] },
      ],
      devices: [pedalBox()],
      pedals: [
        makePedal('foot', [makeRoleOf([])], {
          calibration: {
            on: '2026-11-20',
            pedal: 'sweep',
            verdict: 'pass',
            heel: 1,
            toe: 126,
            noise: 0,
            from: 3,
            to: 124,
          },
        }),
      ],
      cables: [pedalCable],
    })
    const other = inputPlan(rig, rig.devices['sweep']!).arrangements.find(
      ({ sweep, toe }) => !toe && sweep.end.port === 'exp2',
    )!
    const applied = applyEdit(rig, plugAndRead(rig, rig.devices['sweep']!, other, rig.pedals['foot']!, IDS)!)
    if (!applied.ok) throw new Error(JSON.stringify(applied))
    const after = applied.value
    expect(after.pedals['foot']).toMatchObject({ place: { port: 'exp2' }, calibration: null })
    expect(Object.values(after.cables).map(({ to }) => to.port)).toEqual(['exp2'])
    expect(plugAndRead(after, after.devices['sweep']!, other, after.pedals['foot']!, IDS)).toBeNull()
  })

  it('says why a jack does not take a part of the pedal', () => {
    const rig = makeRig({
      controllers: [
        makeController({
          ports: [
            makePort('exp', makeRole('expressionIn')),
            makePort('foot', makeRole('switchIn', { action: 'momentary' })),
          ],
        }),
      ],
      devices: [
        pedalBox(),
        makeDevice('amp', 'none', {
          kind: 'plain',
          ports: [makePort('two', makeRole('switchIn', { poles: 2, action: 'either' }))],
        }),
        makeDevice('other', 'none', {
          kind: 'pedal',
          name: 'Other',
          ports: [makePort('plug', makeRole('expressionOut'))],
        }),
      ],
      cables: [makeCable('other.plug', 'controller.exp', { lead: 'trs' })],
    })
    const { arrangements, refused } = inputPlan(rig, rig.devices['sweep']!)
    expect(arrangements).toEqual([])
    expect(refused).toEqual([
      { part: 'sweep', box: 'Foot controller', jack: 'exp', why: 'taken', by: 'Other' },
      { part: 'toe', box: 'Foot controller', jack: 'foot', why: 'action', by: '' },
      { part: 'toe', box: 'amp', jack: 'two', why: 'poles', by: '' },
    ])
  })
})

function plugged(rig: Rig, arrangement: Arrangement): Rig {
  const edit = plugPedal(rig, rig.devices['sweep']!, arrangement, IDS)
  if (!edit) return rig
  const applied = applyEdit(rig, edit)
  if (!applied.ok) throw new Error(JSON.stringify(applied))
  return applied.value
}
