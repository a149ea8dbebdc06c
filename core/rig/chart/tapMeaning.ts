import { own } from '#core/base'
import type { Rig } from '../rig'
import type { Control } from '../table/control'

/** What a control that is tapped is for: the tempo, or a looper that would record. */
export type TapMeaning = 'tempo' | 'looper'

/**
 * Tap tempo and a looper's tap are easily mixed up: told by how the device takes taps and by its looper's inputs where those
 * are said, else by the words of the chart. Null for what is no tap.
 */
export function tapMeaning(
  rig: Rig,
  control: Pick<Control, 'id' | 'deviceId' | 'name' | 'section'>,
): TapMeaning | null {
  const device = own(rig.devices, control.deviceId)
  if (device?.looper?.inputs.some(({ by }) => by?.kind === 'control' && by.controlId === control.id))
    return 'looper'
  if (device?.tapIn?.place.kind === 'control' && device.tapIn.place.controlId === control.id) return 'tempo'
  const words = `${control.section} ${control.name}`
  if (/loop/i.test(words)) return 'looper'
  return /\btap\b/i.test(words) ? 'tempo' : null
}
