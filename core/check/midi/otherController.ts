import { own } from '#core/base'
import { boxName, arrivals, inOrder, type Rig } from '#core/rig'
import { spokenTo } from '#core/switching'
import type { FindingOf } from '../finding'

export type OtherController = FindingOf<
  'otherController',
  {
    readonly label: string
    readonly number: number
    readonly controller: string
    /** What it speaks to, and nothing of it arrives. */
    readonly devices: readonly string[]
    /** The controller that does reach the first of them. */
    readonly reachedBy: string
  }
>

/** A switch that speaks to a device its own controller does not reach, though another one does. */
export function otherController(rig: Rig): OtherController[] {
  const controllers = inOrder(rig.controllers)
  if (controllers.length < 2) return []
  return Object.values(rig.switches).flatMap((footswitch): OtherController[] => {
    const controller = own(rig.controllers, own(rig.banks, footswitch.bankId)?.controllerId ?? '')
    if (!controller) return []
    const reached = arrivals(rig, controller.id)
    const by = (id: string) =>
      controllers.find((one) => one.id !== controller.id && arrivals(rig, one.id).has(id))
    const lost = [...spokenTo(rig, footswitch)].filter((id) => !reached.has(id) && by(id))
    if (lost.length === 0) return []
    return [
      {
        code: 'otherController',
        severity: 'error',
        about: { table: 'switches', id: footswitch.id },
        facts: {
          label: footswitch.label,
          number: footswitch.number,
          controller: controller.name,
          devices: lost.map((id) => boxName(rig, id)),
          reachedBy: by(lost[0]!)!.name,
        },
      },
    ]
  })
}
