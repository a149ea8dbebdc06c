import { own } from '#core/base'
import {
  asRoles,
  cablesIn,
  links,
  type Rig,
  type ControllerId,
  type Device,
  type DeviceId,
  roleOf,
  type Port,
  type Pedal,
} from '#core/rig'

/** The box whose sweep comes to a pedal's place; null for one built in, and where nothing is plugged in. */
export function pluggedPedal(rig: Rig, { place }: Pick<Pedal, 'place'>): Device | null {
  if (place.kind === 'builtIn') return null
  for (const link of cablesIn(rig, place.id, place.port))
    if (asRoles(link, 'expressionOut', 'expressionIn') && link.to.end.id === place.id && link.isSet)
      return own(rig.devices, link.from.end.id) ?? null
  return null
}

/** Where the toe switch of a pedal comes in. */
export type ToePlace =
  /** A place of the controller like any other: its switch is programmed in Switches. */
  | {
      readonly at: 'controller'
      readonly controllerId: ControllerId
      readonly jack: string
      readonly number: number
    }
  | { readonly at: 'device'; readonly deviceId: DeviceId; readonly port: string }

/** Where the toe switch of what is plugged in leads; null when it has none, or no cable. */
export function toePlace(rig: Rig, pedal: Pick<Pedal, 'place'>): ToePlace | null {
  const { place } = pedal
  if (place.kind === 'builtIn')
    return { at: 'controller', controllerId: place.controllerId, jack: 'toe', number: place.number }
  const box = pluggedPedal(rig, pedal)
  if (!box) return null
  for (const link of links(rig)) {
    if (link.from.end.id !== box.id || !link.isSet || !asRoles(link, 'switchOut', 'switchIn')) continue
    const { table, id, port } = link.to.end
    return table === 'controllers'
      ? { at: 'controller', controllerId: id as ControllerId, jack: port, number: 1 }
      : { at: 'device', deviceId: id as DeviceId, port }
  }
  return null
}

/** The controller that reads a pedal; null where a device does. */
export const pedalController = ({ place }: Pick<Pedal, 'place'>): ControllerId | null =>
  place.kind === 'builtIn'
    ? place.controllerId
    : place.table === 'controllers'
      ? (place.id as ControllerId)
      : null

/** The device whose own jack a pedal is in; null where a controller reads it. */
export const pedalDevice = ({ place }: Pick<Pedal, 'place'>): string | null =>
  place.kind === 'jack' && place.table === 'devices' ? place.id : null

/** Why nothing comes of a foot on a pedal: its jack is gone, is set to something else, or nothing is plugged in. */
export type NoFoot = 'noJack' | 'otherRole' | 'nothingIn' | 'noBuiltIn'

/** Why no foot reaches a pedal; null where one does. */
export function noFoot(rig: Rig, pedal: Pick<Pedal, 'place'>): NoFoot | null {
  const { place } = pedal
  if (place.kind === 'builtIn') {
    const most = own(rig.controllers, place.controllerId)?.builtInPedals ?? 0
    return place.number > most ? 'noBuiltIn' : null
  }
  const ports: readonly Port[] | undefined =
    place.table === 'controllers' ? own(rig.controllers, place.id)?.ports : own(rig.devices, place.id)?.ports
  const port = ports?.find(({ id }) => id === place.port)
  if (!port) return 'noJack'
  if (roleOf(port).kind !== 'expressionIn') return 'otherRole'
  return pluggedPedal(rig, pedal) ? null : 'nothingIn'
}

/** What was plugged in, as a calibration remembers it: a box by its id, empty for a pedal built in. */
export const pluggedKey = (rig: Rig, pedal: Pick<Pedal, 'place'>): string | null =>
  pedal.place.kind === 'builtIn' ? '' : (pluggedPedal(rig, pedal)?.id ?? null)

/** Whether a pedal has to be swept again: never swept, or what is plugged in is another. Null while nothing is. */
export function needsCalibration(
  rig: Rig,
  pedal: Pick<Pedal, 'place' | 'calibration'>,
): 'never' | 'another' | null {
  const key = pluggedKey(rig, pedal)
  if (key === null) return null
  if (!pedal.calibration) return 'never'
  return pedal.calibration.pedal === key ? null : 'another'
}
