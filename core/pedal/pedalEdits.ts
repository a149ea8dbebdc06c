import { own } from '#core/base'
import {
  type Edit,
  addRow,
  editRow,
  inOrder,
  lastOrder,
  type Rig,
  type Control,
  USUAL_EVERY_MS,
  type Pedal,
  type PedalId,
  type PedalPlace,
  type PedalRole,
  type Target,
  roleOf,
} from '#core/rig'
import { suggestedRange } from './suggest'
import { STEPS } from './sweep'

/** A place a foot's sweep can come in by. */
export interface SweepPlace {
  readonly place: PedalPlace
  readonly box: string
  /** The jack; empty for a pedal built in. */
  readonly jack: string
  /** The pedal row that is there already. */
  readonly taken: PedalId | null
}

const isSamePlace = (a: PedalPlace, b: PedalPlace): boolean =>
  a.kind === 'builtIn'
    ? b.kind === 'builtIn' && a.controllerId === b.controllerId && a.number === b.number
    : b.kind === 'jack' && a.id === b.id && a.port === b.port

/** Every place for a sweep: what is built into controllers, their jacks for expression, then those of devices. */
export function sweepPlaces(rig: Rig): SweepPlace[] {
  const takenBy = (place: PedalPlace): PedalId | null =>
    Object.values(rig.pedals).find((one) => isSamePlace(one.place, place))?.id ?? null
  const of = (place: PedalPlace, box: string, jack: string): SweepPlace => ({
    place,
    box,
    jack,
    taken: takenBy(place),
  })
  const jacks = (table: 'controllers' | 'devices') =>
    inOrder<Rig['controllers'][string] | Rig['devices'][string]>(rig[table]).flatMap(({ id, name, ports }) =>
      ports.flatMap((port) =>
        roleOf(port).kind === 'expressionIn'
          ? [of({ kind: 'jack', table, id, port: port.id }, name, port.name)]
          : [],
      ),
    )
  const builtIn = inOrder(rig.controllers).flatMap(({ id, name, builtInPedals }) =>
    Array.from({ length: builtInPedals }, (_, n) =>
      of({ kind: 'builtIn', controllerId: id, number: n + 1 }, name, ''),
    ),
  )
  return [...builtIn, ...jacks('controllers'), ...jacks('devices')]
}

/** A role that leads nothing yet. */
export const BLANK_ROLE: PedalRole = { name: '', when: { kind: 'always' }, targets: [] }

/** A pedal at a place, leading nothing yet. */
export const addPedal = (rig: Rig, id: PedalId, name: string, place: PedalPlace): Edit =>
  addRow('addPedal', 'pedals', {
    id,
    order: lastOrder(rig.pedals),
    name,
    place,
    roles: [BLANK_ROLE],
    takeover: 'leaps',
    everyMs: USUAL_EVERY_MS,
    calibration: null,
    off: null,
  })

/** A control led straight over the range that suits it, narrowed at the controller. */
export const newTarget = (control: Control): Target => ({
  controlId: control.id,
  number: null,
  sends: suggestedRange(control).ends,
  device: null,
  curve: { kind: 'linear' },
  from: 0,
  to: 100,
})

/** Changes one role of a pedal; null when nothing would change. */
export function editRole(rig: Rig, pedalId: string, role: number, fields: Partial<PedalRole>): Edit | null {
  const pedal = own(rig.pedals, pedalId)
  const before = pedal?.roles[role]
  return pedal && before
    ? editRow(rig, 'changePedal', 'pedals', pedalId, {
        roles: pedal.roles.with(role, { ...before, ...fields }),
      })
    : null
}

/** Changes one target of a role; null when nothing would change. */
export function editTarget(
  rig: Rig,
  pedalId: string,
  role: number,
  target: number,
  fields: Partial<Target>,
): Edit | null {
  const targets = own(rig.pedals, pedalId)?.roles[role]?.targets
  const before = targets?.[target]
  return targets && before
    ? editRole(rig, pedalId, role, { targets: targets.with(target, { ...before, ...fields }) })
    : null
}

/** Where a range is kept to: at the controller, which then sends only that; or at the device, which is sent everything. */
export function narrowedAt(
  target: Target,
  where: 'controller' | 'device',
  range: Target['sends'],
  number: Target['number'],
): Target {
  return where === 'controller'
    ? { ...target, number: null, sends: range, device: null }
    : { ...target, number, sends: { heel: 0, toe: STEPS }, device: range }
}

/** Changes a pedal's own fields; null when nothing would change. */
export const editPedal = (rig: Rig, pedalId: string, fields: Partial<Omit<Pedal, 'id'>>): Edit | null =>
  editRow(rig, 'changePedal', 'pedals', pedalId, fields)

/** A controller number of a device that nothing uses yet, for a pedal to lead: 11 first, as is usual (common practice). */
export function freeNumber(rig: Rig, deviceId: string): Target['number'] {
  const used = new Set<number>()
  for (const { deviceId: of, address } of Object.values(rig.controls))
    if (of === deviceId && address.kind === 'cc') used.add(address.number)
  for (const { roles } of Object.values(rig.pedals))
    for (const { number, controlId } of roles.flatMap(({ targets }) => targets))
      if (number !== null && own(rig.controls, controlId)?.deviceId === deviceId) used.add(number)
  // 0-31 but for bank select and data entry, then what the standard leaves undefined or general purpose (M1 v4.2.1; from memory).
  const wanted = [11, 4, 16, 17, 18, 19, 80, 81, 82, 83, ...Array.from({ length: 18 }, (_, n) => 102 + n)]
  return (wanted.find((number) => !used.has(number)) ?? null) as Target['number']
}
