import { own } from '#core/base'
import type { Device, Gap, Rig } from '#core/rig'
import { leftoverText, presetText, setText, type DeviceBetween } from '#core/sound'
import { listText } from '#shared/words/counts'

/** "a clear hole of 80 ms". */
export const gapText = ({ heard, ms }: Gap): string =>
  heard === 'none'
    ? 'nothing is heard'
    : heard === 'slight'
      ? `a slight dip of ${ms} ms`
      : `a clear hole of ${ms} ms`

/** What happens to one device, in sentences; empty when nothing does. */
export function betweenText(rig: Rig, device: Device, one: DeviceBetween): string[] {
  const controls = one.changes.flatMap((change) => {
    if (change.kind === 'preset') return [`goes to ${presetText(rig, device, change.after)}`]
    if (change.kind === 'contact') return [change.after ? 'closes' : 'opens']
    const after = setText(rig, device, { controlId: change.controlId, value: change.after })
    if (change.before === null) return [`takes ${after}`]
    const before = setText(rig, device, { controlId: change.controlId, value: change.before })
    return [`${before} becomes ${after}`]
  })
  const names = one.unknown.map((id) => own(rig.controls, id)?.name ?? 'a control')
  return [
    ...(controls.length > 0 ? [`${device.name}: ${controls.join('; ')}.`] : []),
    ...(one.leftovers.length > 0
      ? [`${device.name} keeps ${listText(one.leftovers.map((left) => leftoverText(rig, device, left)))}.`]
      : []),
    ...(names.length > 0
      ? [`Cannot tell what ${listText(names)} of ${device.name} will be: its preset does not say.`]
      : []),
    ...(one.gap ? [`${device.name}: ${gapText(one.gap)}.`] : []),
    ...(one.isByFoot ? [`${device.name} is the foot’s to do.`] : []),
  ]
}
