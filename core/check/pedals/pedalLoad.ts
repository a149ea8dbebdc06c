import { own } from '#core/base'
import { editPedal, pedalController } from '#core/pedal'
import { inOrder, type Rig } from '#core/rig'
import { holdsUp, pauseFor, sweepLoad } from '#core/simulate'
import type { FindingOf } from '../finding'

export type PedalFloods = FindingOf<
  'pedalFloods',
  {
    readonly pedal: string
    readonly role: string
    readonly number: number
    /** Messages a second, and by how many ms a recall is late. */
    readonly perSecond: number
    readonly delayMs: number
    /** The controller can leave values out; and the pause between two that is enough, if any is. */
    readonly thins: boolean
    readonly pauseMs: number | null
  }
>

/** A role whose fast sweep holds a recall up by more than is heard. The fix leaves values out, where the controller can. */
export function pedalFloods(rig: Rig): PedalFloods[] {
  return inOrder(rig.pedals).flatMap((pedal) => {
    const controller = own(rig.controllers, pedalController(pedal) ?? '')
    if (!controller) return []
    return pedal.roles.flatMap((role, n): PedalFloods[] => {
      if (role.targets.length === 0) return []
      const load = sweepLoad(rig, pedal, n)
      if (!holdsUp(load)) return []
      const pauseMs = controller.thinsPedals ? pauseFor(rig, pedal, n) : null
      const fix = pauseMs === null ? null : editPedal(rig, pedal.id, { everyMs: pauseMs })
      return [
        {
          code: 'pedalFloods',
          severity: 'warning',
          about: { table: 'pedals', id: pedal.id, field: `everyMs.${n}` },
          facts: {
            pedal: pedal.name,
            role: role.name,
            number: n + 1,
            perSecond: Math.round(load.perSecond),
            delayMs: Math.round(load.delayMs),
            thins: controller.thinsPedals,
            pauseMs,
          },
          ...(fix && { fix }),
        },
      ]
    })
  })
}
