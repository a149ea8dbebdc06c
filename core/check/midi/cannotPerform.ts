import { CONTROLLERS } from '#core/archetype'
import { inOrder, type Rig } from '#core/rig'
import { abilityFor, lacking, requirements, type Need } from '#core/switching'
import type { FindingOf } from '../finding'

export type CannotPerform = FindingOf<
  'cannotPerform',
  {
    readonly controller: string
    readonly need: Need
    readonly wanted: number
    readonly has: number
    readonly by: readonly string[]
    /** Kinds of controller that would do all that is asked, the smallest first. */
    readonly wouldDo: readonly string[]
  }
>

/** Said by a check of its own, beside the switch it is about. */
const SAID_ELSEWHERE: readonly Need[] = ['highestProgram', 'bankSelect']

/** Something the rig asks of a controller that it cannot do. */
export function cannotPerform(rig: Rig): CannotPerform[] {
  return inOrder(rig.controllers).flatMap((controller) => {
    const asked = requirements(rig, controller)
    const missing = lacking(controller, asked).filter(({ need }) => !SAID_ELSEWHERE.includes(need))
    if (missing.length === 0) return []
    const wouldDo = CONTROLLERS.filter(({ fields }) => lacking(fields, asked).length === 0).map(
      ({ fields }) => fields.name,
    )
    return missing.map(({ need, wanted, by }): CannotPerform => ({
      code: 'cannotPerform',
      severity: need === 'clock' ? 'hint' : 'error',
      about: { table: 'controllers', id: controller.id, field: need },
      facts: { controller: controller.name, need, wanted, has: abilityFor(controller, need), by, wouldDo },
    }))
  })
}
