import { nanoid } from 'nanoid'
import { layCable, type Cable, type CableId } from '#core/rig'
import { useSelection } from '~/composables/useSelection'
import type { useRigStore } from '~/stores/rig'

/** Lays a cable the core proposes, under an id of its own, and shows it. */
export function layPlug(rigs: Pick<ReturnType<typeof useRigStore>, 'edit' | 'rig'>, proposed: Cable): void {
  const cable = { ...proposed, id: nanoid(12) as CableId }
  if (rigs.rig && rigs.edit(layCable(rigs.rig, cable)))
    useSelection().select({ kind: 'cable', cableId: cable.id })
}
