import { perTables, FLOOR_TABLES, type Rig } from '#core/rig'
import { pedalPlan } from '#core/simulate'

/**
 * Controls that a foot on a pedal can put elsewhere, which is not looked at; and whether the controller takes no notice of it:
 * the pedal is in a jack of the device itself, or sends on a number of its own.
 */
export const ledByPedals = perTables(
  FLOOR_TABLES,
  (rig: Rig): ReadonlyMap<string, { readonly isUnheard: boolean }> => {
    const all = new Map<string, { readonly isUnheard: boolean }>()
    const lead = (id: string, isUnheard: boolean) =>
      all.set(id, { isUnheard: isUnheard || all.get(id)?.isUnheard === true })
    for (const pedal of Object.values(rig.pedals)) {
      const { controllerId, roles } = pedalPlan(rig, pedal)
      for (const { controlId, isKnown, local } of roles.flat()) lead(controlId, local !== null || !isKnown)
      if (pedal.off?.works.kind === 'control') lead(pedal.off.works.controlId, controllerId === '')
    }
    return all
  },
)
