import {
  addController,
  addDevice,
  type ControllerArchetype,
  type DeviceArchetype,
  powerSupply,
} from '#core/archetype'
import { freeSpot, tidy } from '#core/map'
import {
  applyEdit,
  boxes,
  freeOutlet,
  powerMismatch,
  powerPlan,
  isReached,
  receivers,
  spreadChannels,
  type Edit,
  joinEdits,
  cableBetween,
  layCable,
  endOf,
  suggestCable,
  type Rig,
  type CableId,
  type ControllerId,
  type DeviceId,
  type DeviceKind,
  roleOf,
  type RoleOf,
} from '#core/rig'
import { roomFor } from '#core/check'

/** What a player says is on the floor. */
export interface FirstFloor {
  readonly controller: ControllerArchetype
  /** As many of a kind as there are. */
  readonly devices: readonly DeviceArchetype[]
}

/** What feeds others and what hands on comes first, so that the rest finds its jack. */
const COMES: readonly DeviceKind[] = ['supply', 'box', 'receiver', 'plain', 'pedal']

/** Of receivers, those that can hand on before those at which a line ends. */
const rank = ({ fields }: DeviceArchetype): number =>
  COMES.indexOf(fields.kind) * 2 +
  (fields.ports.some(({ roles }) => roles.some((role) => role.kind === 'midiOut' && role.passes !== 'never'))
    ? 0
    : 1)

/** Of boxes that hang on their supplies, at most so many more supplies are brought in. */
const SUPPLIES_MAX = 8

/**
 * Puts a whole floor together in one edit: the controller, every box with its MIDI and control cables, thru boxes where
 * jacks run out, power for all that takes any, a channel for each receiver, and the map in order. What cannot be done is
 * left, and is a finding of the rig. Null when there is nothing to do. `newId` gives a new id at every call.
 */
export function firstFloor(rig: Rig, { controller, devices }: FirstFloor, newId: () => string): Edit | null {
  const ordered = devices.toSorted((a, b) => rank(a) - rank(b))
  const steps: ((now: Rig) => Edit | null)[] = [
    (now) => addController(now, controller, newId() as ControllerId, freeSpot(now)),
    ...ordered.map((kind) => (now: Rig) => brought(now, kind, newId)),
    (now) => repeated(now, roomEdit),
    (now) => repeated(now, (one) => powered(one, newId)),
    (now) => orNothing(spread(now)),
    (now) => orNothing(tidy(now)),
  ]
  return joinEdits(rig, 'buildFloor', steps)
}

const NOTHING: Edit = { label: 'buildFloor', changes: [] }
const orNothing = (edit: Edit | null): Edit => edit ?? NOTHING

const brought = (rig: Rig, kind: DeviceArchetype, newId: () => string): Edit =>
  addDevice(rig, kind, { device: newId() as DeviceId, cable: newId() as CableId }, freeSpot(rig))

/** An edit made again and again until there is nothing more of its kind to do. */
function repeated(rig: Rig, next: (now: Rig) => Edit | null): Edit {
  const made: Edit[] = []
  let now = rig
  for (let edit = next(now); edit && made.length < 500; edit = next(now)) {
    const applied = applyEdit(now, edit)
    if (!applied.ok) break
    made.push(edit)
    now = applied.value
  }
  return orNothing(
    joinEdits(
      rig,
      'buildFloor',
      made.map((edit) => () => edit),
    ),
  )
}

/** The first receiver nothing reaches: its cable where a jack is free by now, else a thru box or hub. */
function roomEdit(rig: Rig): Edit | null {
  for (const device of receivers(rig)) {
    if (isReached(rig, device.id)) continue
    const cable = suggestCable(rig, device)
    const edit = cable ? layCable(rig, cable) : roomFor(rig, device)?.edit
    if (edit) return edit
  }
  return null
}

/** Power for the first box that has none: from a free outlet, else from a supply that is brought in. */
function powered(rig: Rig, newId: () => string): Edit | null {
  const hungry = powerPlan(rig).consumers.filter(({ by }) => by.length === 0)
  for (const { box, port, needs } of hungry) {
    const outlet = freeOutlet(rig, needs)
    const cable =
      outlet && cableBetween(rig, endOf(rig, outlet.box.id, outlet.port.id), endOf(rig, box.id, port.id))
    if (cable) return layCable(rig, { ...cable, id: newId() as CableId })
  }
  const supplies = boxes(rig).filter((box) => 'kind' in box && box.kind === 'supply').length
  return supplies < SUPPLIES_MAX && hungry.some(({ needs }) => doesFeed(needs))
    ? brought(rig, powerSupply, newId)
    : null
}

/** Whether the usual supply has an outlet for a need at all. */
const doesFeed = (needs: RoleOf<'powerIn'>): boolean =>
  powerSupply.fields.ports.some((port) => {
    const gives = roleOf(port)
    return (
      gives.kind === 'powerOut' && powerMismatch(gives, needs) === null && gives.milliamps >= needs.milliamps
    )
  })

function spread(rig: Rig): Edit | null {
  const result = spreadChannels(rig)
  return result.ok ? result.value : null
}
