import { own } from '#core/base'
import { receivers, editRow, boxName, heardFrom, type Rig } from '#core/rig'
import type { FindingOf } from '../finding'

export type EchoedPrograms = FindingOf<
  'echoedPrograms',
  {
    readonly device: string
    /** Controllers that hear it, and devices that would answer to it. */
    readonly hurts: readonly string[]
    readonly reachesController: boolean
  }
>

/**
 * A device that sends program changes of its own when it changes preset, to where they do harm: a
 * controller, which may change with it or send them on, or a device on the same channel.
 */
export function echoedPrograms(rig: Rig): EchoedPrograms[] {
  return receivers(rig).flatMap((device): EchoedPrograms[] => {
    if (!device.sendsProgramsBack) return []
    const heard = [...heardFrom(rig, device.id).keys()]
    const hurt = heard.filter((id) => {
      const other = own(rig.devices, id)
      if (!other) return Object.hasOwn(rig.controllers, id)
      return other.kind === 'receiver' && (other.channel === 'omni' || other.channel === device.channel)
    })
    if (hurt.length === 0) return []
    const fix = editRow(rig, 'setPanel', 'devices', device.id, { sendsProgramsBack: false })
    return [
      {
        code: 'echoedPrograms',
        severity: 'warning',
        about: { table: 'devices', id: device.id, field: 'sendsProgramsBack' },
        facts: {
          device: device.name,
          hurts: hurt.map((id) => boxName(rig, id)),
          reachesController: hurt.some((id) => Object.hasOwn(rig.controllers, id)),
        },
        ...(fix && { fix }),
      },
    ]
  })
}
